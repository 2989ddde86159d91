ALTER TABLE "changes" DROP CONSTRAINT "changes_inspection_inspections_id_fk";--> statement-breakpoint
ALTER TABLE "decisions" DROP CONSTRAINT "decisions_inspection_inspections_id_fk";--> statement-breakpoint
DROP INDEX "changes_inspection";--> statement-breakpoint
DROP INDEX "decisions_inspection";--> statement-breakpoint
ALTER TABLE "changes" DROP CONSTRAINT "changes_pkey";--> statement-breakpoint
ALTER TABLE "inspections" DROP CONSTRAINT "inspections_pkey";--> statement-breakpoint
ALTER TABLE "changes" ADD COLUMN "office" uuid;--> statement-breakpoint
ALTER TABLE "decisions" ADD COLUMN "office" uuid;--> statement-breakpoint
ALTER TABLE "changes" DISABLE TRIGGER "changes_only_added";--> statement-breakpoint
ALTER TABLE "decisions" DISABLE TRIGGER "decisions_only_added";--> statement-breakpoint
UPDATE "changes" c SET "office" = i."office" FROM "inspections" i WHERE i."id" = c."inspection";--> statement-breakpoint
UPDATE "decisions" d SET "office" = i."office" FROM "inspections" i WHERE i."id" = d."inspection";--> statement-breakpoint
ALTER TABLE "changes" ENABLE TRIGGER "changes_only_added";--> statement-breakpoint
ALTER TABLE "decisions" ENABLE TRIGGER "decisions_only_added";--> statement-breakpoint
ALTER TABLE "changes" ALTER COLUMN "office" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "decisions" ALTER COLUMN "office" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_office_id_pk" PRIMARY KEY("office","id");--> statement-breakpoint
ALTER TABLE "inspections" ADD CONSTRAINT "inspections_office_id_pk" PRIMARY KEY("office","id");--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "decisions" ADD CONSTRAINT "decisions_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "changes_inspection" ON "changes" USING btree ("office","inspection","revision");--> statement-breakpoint
CREATE UNIQUE INDEX "decisions_inspection" ON "decisions" USING btree ("office","inspection","revision");--> statement-breakpoint
-- The server's own role: neither owner nor superuser. Whoever signs in to the database for it is a member.
DO $$ BEGIN
  CREATE ROLE "careful_latch_serving" NOLOGIN;
EXCEPTION WHEN duplicate_object OR unique_violation THEN NULL; -- of another office's database in the same cluster
END $$;--> statement-breakpoint
GRANT USAGE ON SCHEMA "public" TO "careful_latch_serving";--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON "offices", "accounts", "invites", "inspections" TO "careful_latch_serving";--> statement-breakpoint
GRANT SELECT, INSERT ON "changes", "decisions", "ledger" TO "careful_latch_serving";--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "session" TO "careful_latch_serving";--> statement-breakpoint
-- The office that a transaction is set to; none where it is not. After a transaction the setting is empty, not gone.
CREATE FUNCTION "app_office"() RETURNS uuid LANGUAGE sql STABLE AS $$ SELECT nullif(current_setting('app.office', true), '')::uuid $$;--> statement-breakpoint
ALTER TABLE "offices" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "accounts" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "invites" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "inspections" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "changes" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "decisions" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "ledger" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_office" ON "offices" USING ("id" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "accounts" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "invites" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "inspections" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "changes" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "decisions" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "ledger" USING ("office" = app_office());--> statement-breakpoint
-- What must be known before an office is: these run in the owner's name, and answer no more than they are asked.
CREATE FUNCTION "account_of"(who uuid) RETURNS SETOF "accounts" LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
  $$ SELECT * FROM accounts WHERE id = who AND active $$;--> statement-breakpoint
CREATE FUNCTION "office_of"(what text, key text) RETURNS uuid LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT CASE what
    WHEN 'login' THEN (SELECT office FROM accounts WHERE login = key)
    WHEN 'invite' THEN (SELECT office FROM invites WHERE token_hash = key)
    WHEN 'decision' THEN (SELECT office FROM decisions WHERE id = key::uuid)
    WHEN 'demo' THEN (SELECT office FROM accounts WHERE demo ORDER BY login LIMIT 1)
  END $$;--> statement-breakpoint
CREATE FUNCTION "office_ids"() RETURNS SETOF uuid LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
  $$ SELECT id FROM offices $$;--> statement-breakpoint
REVOKE ALL ON FUNCTION "account_of"(uuid), "office_of"(text, text), "office_ids"() FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "account_of"(uuid), "office_of"(text, text), "office_ids"() TO "careful_latch_serving";
