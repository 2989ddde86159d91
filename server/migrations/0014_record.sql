CREATE TABLE "notes" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"inspection" uuid NOT NULL,
	"words" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "notes_office_id_pk" PRIMARY KEY("office","id")
);
--> statement-breakpoint
CREATE TABLE "permit_posts" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"inspection" uuid NOT NULL,
	"body" jsonb NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"tries" integer DEFAULT 0 NOT NULL,
	"next_at" timestamp with time zone DEFAULT now() NOT NULL,
	"trouble" text,
	"refused_at" timestamp with time zone,
	"delivered_at" timestamp with time zone,
	"answer" text,
	CONSTRAINT "permit_posts_office_id_pk" PRIMARY KEY("office","id")
);
--> statement-breakpoint
CREATE TABLE "storm_entries" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"storm" uuid NOT NULL,
	"seq" bigint NOT NULL,
	"body" jsonb NOT NULL,
	"by" uuid NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "storm_entries_office_id_pk" PRIMARY KEY("office","id")
);
--> statement-breakpoint
CREATE TABLE "storms" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"name" text NOT NULL,
	"day" date NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "storms_office_id_pk" PRIMARY KEY("office","id")
);
--> statement-breakpoint
CREATE TABLE "violations" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"inspection" uuid NOT NULL,
	"state" varchar(20) NOT NULL,
	"severity" varchar(20) NOT NULL,
	"rules" text[] NOT NULL,
	"due_on" date,
	"opened_on" date NOT NULL,
	"settled_on" date,
	CONSTRAINT "violations_office_inspection_id_pk" PRIMARY KEY("office","inspection","id")
);
--> statement-breakpoint
CREATE TABLE "visits" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"inspection" uuid NOT NULL,
	"number" integer NOT NULL,
	"state" varchar(20) NOT NULL,
	"day" date,
	"inspector" text NOT NULL,
	CONSTRAINT "visits_office_inspection_id_pk" PRIMARY KEY("office","inspection","id")
);
--> statement-breakpoint
ALTER TABLE "accounts" ADD COLUMN "feed_hash" text;--> statement-breakpoint
ALTER TABLE "decisions" ADD COLUMN "nth" integer;--> statement-breakpoint
ALTER TABLE "decisions" ADD COLUMN "transfer" text;--> statement-breakpoint
ALTER TABLE "decisions" ADD COLUMN "firm" text;--> statement-breakpoint
ALTER TABLE "decisions" ADD COLUMN "left_out" text[];--> statement-breakpoint
ALTER TABLE "notes" ADD CONSTRAINT "notes_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "notes" ADD CONSTRAINT "notes_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "permit_posts" ADD CONSTRAINT "permit_posts_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "storm_entries" ADD CONSTRAINT "storm_entries_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "storm_entries" ADD CONSTRAINT "storm_entries_office_storm_storms_office_id_fk" FOREIGN KEY ("office","storm") REFERENCES "public"."storms"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "storms" ADD CONSTRAINT "storms_office_offices_id_fk" FOREIGN KEY ("office") REFERENCES "public"."offices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "storms" ADD CONSTRAINT "storms_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "violations" ADD CONSTRAINT "violations_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "notes_inspection" ON "notes" USING btree ("office","inspection");--> statement-breakpoint
CREATE INDEX "permit_posts_waiting" ON "permit_posts" USING btree ("office","next_at") WHERE "permit_posts"."delivered_at" is null and "permit_posts"."refused_at" is null;--> statement-breakpoint
CREATE INDEX "storm_entries_storm" ON "storm_entries" USING btree ("office","storm","seq");--> statement-breakpoint
CREATE INDEX "storms_day" ON "storms" USING btree ("office","day");--> statement-breakpoint
CREATE INDEX "violations_due" ON "violations" USING btree ("office","due_on") WHERE "violations"."state" in ('open', 'claimed');--> statement-breakpoint
CREATE INDEX "violations_settled" ON "violations" USING btree ("office","settled_on");--> statement-breakpoint
CREATE INDEX "violations_opened" ON "violations" USING btree ("office","opened_on");--> statement-breakpoint
CREATE INDEX "visits_day" ON "visits" USING btree ("office","day");--> statement-breakpoint
CREATE INDEX "changes_counted" ON "changes" USING btree ("office","received_at") WHERE "changes"."body"->>'type' in ('not-taken-up', 'paper', 'appeal');--> statement-breakpoint
CREATE INDEX "decisions_signed" ON "decisions" USING btree ("office","signed_at");--> statement-breakpoint
ALTER TABLE "accounts" ADD CONSTRAINT "accounts_feed_hash_unique" UNIQUE("feed_hash");--> statement-breakpoint
-- What was there before: a row each of violations and visits, and what a month counts by, out of the records themselves.
INSERT INTO "violations" ("id", "office", "inspection", "state", "severity", "rules", "due_on", "opened_on", "settled_on")
SELECT (v->>'id')::uuid, i.office, i.id, v->>'state', v->>'severity',
  coalesce((SELECT array_agg(f->>'rule') FROM jsonb_array_elements(v->'findings') f), '{}'),
  (v->>'dueOn')::date, (v->'steps'->0->>'at')::date,
  CASE WHEN v->>'state' NOT IN ('open', 'claimed') THEN (v->'steps'->-1->>'at')::date END
FROM inspections i, jsonb_array_elements(i.docket->'violations') v
ON CONFLICT DO NOTHING;--> statement-breakpoint
INSERT INTO "visits" ("id", "office", "inspection", "number", "state", "day", "inspector")
SELECT (v->>'id')::uuid, i.office, i.id, (v->>'number')::int, v->>'state', (v->>'day')::date, v->>'inspector'
FROM inspections i, jsonb_array_elements(i.docket->'visits') v
ON CONFLICT DO NOTHING;--> statement-breakpoint
ALTER TABLE "decisions" DISABLE TRIGGER USER;--> statement-breakpoint
UPDATE "decisions" d SET "nth" = c.nth, "transfer" = d.record->'case'->'transfer'->>'kind', "left_out" = '{}'
FROM (SELECT id, row_number() OVER (PARTITION BY office, inspection ORDER BY revision) AS nth FROM decisions) c WHERE c.id = d.id;--> statement-breakpoint
ALTER TABLE "decisions" ENABLE TRIGGER USER;--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON "permit_posts", "violations", "visits" TO "careful_latch_serving";--> statement-breakpoint
GRANT SELECT, INSERT ON "notes", "storms", "storm_entries" TO "careful_latch_serving";--> statement-breakpoint
ALTER TABLE "permit_posts" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "notes" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "storms" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "storm_entries" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "violations" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "visits" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_office" ON "permit_posts" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "notes" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "storms" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "storm_entries" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "violations" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "visits" USING ("office" = app_office());--> statement-breakpoint
CREATE OR REPLACE FUNCTION "office_of"(what text, key text) RETURNS uuid LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT CASE what
    WHEN 'login' THEN (SELECT office FROM accounts WHERE login = key)
    WHEN 'invite' THEN (SELECT office FROM invites WHERE token_hash = key)
    WHEN 'decision' THEN (SELECT office FROM decisions WHERE id = key::uuid)
    WHEN 'demo' THEN (SELECT office FROM accounts WHERE demo ORDER BY login LIMIT 1)
    WHEN 'feed' THEN (SELECT office FROM accounts WHERE feed_hash = key)
  END $$;
