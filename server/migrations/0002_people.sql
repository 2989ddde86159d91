ALTER TABLE "accounts" ADD COLUMN "active" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "opened_by" uuid;--> statement-breakpoint
ALTER TABLE "inspections" ADD CONSTRAINT "inspections_opened_by_accounts_id_fk" FOREIGN KEY ("opened_by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
UPDATE "inspections" SET "opened_by" = "changes"."by" FROM "changes" WHERE "changes"."inspection" = "inspections"."id" AND "changes"."revision" = 1;
