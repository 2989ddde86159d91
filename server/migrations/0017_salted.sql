ALTER TABLE "inspections" ADD COLUMN "salt" uuid DEFAULT gen_random_uuid();--> statement-breakpoint
ALTER TABLE "offices" ADD COLUMN "owner_years" integer;--> statement-breakpoint
ALTER TABLE "offices" ADD COLUMN "draft_years" integer DEFAULT 3;--> statement-breakpoint
ALTER TABLE "offices" ADD COLUMN "view_years" integer DEFAULT 10;--> statement-breakpoint
-- What was sealed before there were salts stays sealed as it was.
UPDATE "inspections" i SET "salt" = NULL WHERE EXISTS (SELECT FROM "decisions" d WHERE d.office = i.office AND d.inspection = i.id);--> statement-breakpoint
-- Changes and decisions are only ever added to, but for one thing: a name in them may give way to its salted hash, over which they are sealed.
CREATE FUNCTION "only_hidden"() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  before jsonb := to_jsonb(OLD);
  after jsonb := to_jsonb(NEW);
  place text[];
BEGIN
  IF before = after THEN RAISE EXCEPTION '% is only ever added to', TG_TABLE_NAME USING ERRCODE = 'insufficient_privilege'; END IF;
  FOR i IN 0 .. TG_NARGS - 1 LOOP
    place := TG_ARGV[i]::text[];
    IF before #> place IS DISTINCT FROM after #> place
       AND NOT coalesce(after #>> place ~ '^sha256:[0-9a-f]{64}$', place[array_upper(place, 1)] = 'salt')
    THEN RAISE EXCEPTION '% is only ever added to', TG_TABLE_NAME USING ERRCODE = 'insufficient_privilege'; END IF;
    before := before #- place;
    after := after #- place;
  END LOOP;
  IF before IS DISTINCT FROM after THEN RAISE EXCEPTION '% is only ever added to', TG_TABLE_NAME USING ERRCODE = 'insufficient_privilege'; END IF;
  RETURN NEW;
END $$;--> statement-breakpoint
DROP TRIGGER "changes_only_added" ON "changes";--> statement-breakpoint
DROP TRIGGER "decisions_only_added" ON "decisions";--> statement-breakpoint
CREATE TRIGGER "changes_only_added" BEFORE DELETE OR TRUNCATE ON "changes" FOR EACH STATEMENT EXECUTE FUNCTION "only_added"();--> statement-breakpoint
CREATE TRIGGER "decisions_only_added" BEFORE DELETE OR TRUNCATE ON "decisions" FOR EACH STATEMENT EXECUTE FUNCTION "only_added"();--> statement-breakpoint
CREATE TRIGGER "changes_only_hidden" BEFORE UPDATE ON "changes" FOR EACH ROW EXECUTE FUNCTION "only_hidden"('{body,header,owner}', '{body,owner}', '{body,shown}');--> statement-breakpoint
CREATE TRIGGER "decisions_only_hidden" BEFORE UPDATE ON "decisions" FOR EACH ROW EXECUTE FUNCTION "only_hidden"('{record,header,owner}', '{record,salt}');--> statement-breakpoint
GRANT UPDATE ("body") ON "changes" TO "careful_latch_serving";--> statement-breakpoint
GRANT UPDATE ("record") ON "decisions" TO "careful_latch_serving";--> statement-breakpoint
GRANT DELETE ON "held", "views" TO "careful_latch_serving";
