CREATE TABLE "signed_logs" (
	"office" uuid NOT NULL,
	"line" integer NOT NULL,
	"inspection" uuid NOT NULL,
	"revision" integer NOT NULL,
	"log" text NOT NULL,
	"stands" text,
	CONSTRAINT "signed_logs_office_line_inspection_pk" PRIMARY KEY("office","line","inspection")
);
--> statement-breakpoint
ALTER TABLE "signed_logs" ADD CONSTRAINT "signed_logs_office_offices_id_fk" FOREIGN KEY ("office") REFERENCES "public"."offices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "signed_logs" ADD CONSTRAINT "signed_logs_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "signed_logs_inspection" ON "signed_logs" USING btree ("office","inspection","revision");--> statement-breakpoint
GRANT SELECT, INSERT ON "signed_logs" TO "careful_latch_serving";--> statement-breakpoint
ALTER TABLE "signed_logs" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_office" ON "signed_logs" USING ("office" = app_office());--> statement-breakpoint
CREATE TRIGGER "signed_logs_only_added" BEFORE UPDATE OR DELETE OR TRUNCATE ON "signed_logs" FOR EACH STATEMENT EXECUTE FUNCTION "only_added"();
