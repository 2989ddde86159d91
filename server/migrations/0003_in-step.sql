DROP INDEX "changes_inspection";--> statement-breakpoint
DROP INDEX "decisions_inspection";--> statement-breakpoint
DROP INDEX "inspections_office";--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "seq" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "offices" ADD COLUMN "seq" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE UNIQUE INDEX "changes_inspection" ON "changes" USING btree ("inspection","revision");--> statement-breakpoint
CREATE UNIQUE INDEX "decisions_inspection" ON "decisions" USING btree ("inspection","revision");--> statement-breakpoint
CREATE INDEX "inspections_office" ON "inspections" USING btree ("office","seq");--> statement-breakpoint
UPDATE "inspections" SET "seq" = counted.n FROM (SELECT "id", row_number() OVER (PARTITION BY "office" ORDER BY "changed_at", "id") AS n FROM "inspections") AS counted WHERE counted."id" = "inspections"."id";--> statement-breakpoint
UPDATE "offices" SET "seq" = (SELECT coalesce(max("seq"), 0) FROM "inspections" WHERE "inspections"."office" = "offices"."id");
