CREATE TABLE "parties" (
	"office" uuid NOT NULL,
	"inspection" uuid NOT NULL,
	"account" uuid NOT NULL,
	"by" uuid NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	"until" timestamp with time zone,
	"until_seq" bigint,
	CONSTRAINT "parties_office_inspection_account_pk" PRIMARY KEY("office","inspection","account")
);
--> statement-breakpoint
ALTER TABLE "invites" ADD COLUMN "inspection" uuid;--> statement-breakpoint
ALTER TABLE "parties" ADD CONSTRAINT "parties_account_accounts_id_fk" FOREIGN KEY ("account") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parties" ADD CONSTRAINT "parties_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parties" ADD CONSTRAINT "parties_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "parties_account" ON "parties" USING btree ("office","account");--> statement-breakpoint
-- What contractors opened was theirs to see before.
INSERT INTO "parties" ("office", "inspection", "account", "by", "since")
SELECT i.office, i.id, a.id, a.id, i.opened_at FROM inspections i JOIN accounts a ON a.id = i.opened_by WHERE a.role = 'contractor';--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON "parties" TO "careful_latch_serving";--> statement-breakpoint
ALTER TABLE "parties" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_office" ON "parties" USING ("office" = app_office());
