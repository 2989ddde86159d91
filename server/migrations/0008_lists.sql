ALTER TABLE "inspections" ADD COLUMN "state" varchar(30);--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "due_on" date;--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "due_what" varchar(20);--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "street" text;--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "inspector" text;--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "violated" text[];--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "rests_on" date;--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "resting" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "words" "tsvector" GENERATED ALWAYS AS (to_tsvector('simple', regexp_replace(address || ' ' || owner || ' ' || permit, '[^[:alnum:]]+', ' ', 'g'))) STORED;--> statement-breakpoint
CREATE INDEX "inspections_due" ON "inspections" USING btree ("office",coalesce(due_on, 'infinity'::date),"id");--> statement-breakpoint
CREATE INDEX "inspections_changed" ON "inspections" USING btree ("office","changed_at","id");--> statement-breakpoint
CREATE INDEX "inspections_street" ON "inspections" USING btree ("office","street","id");