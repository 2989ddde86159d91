CREATE TABLE "destroyed" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"inspection" uuid NOT NULL,
	"kind" varchar(20) NOT NULL,
	"subject" text NOT NULL,
	"reason" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "destroyed_office_id_pk" PRIMARY KEY("office","id")
);
--> statement-breakpoint
CREATE TABLE "views" (
	"office" uuid NOT NULL,
	"inspection" uuid NOT NULL,
	"by" uuid NOT NULL,
	"day" date DEFAULT current_date NOT NULL,
	CONSTRAINT "views_office_inspection_by_day_pk" PRIMARY KEY("office","inspection","by","day")
);
--> statement-breakpoint
ALTER TABLE "offices" ADD COLUMN "photo_years" integer DEFAULT 7;--> statement-breakpoint
ALTER TABLE "offices" ADD COLUMN "note_years" integer DEFAULT 3;--> statement-breakpoint
ALTER TABLE "destroyed" ADD CONSTRAINT "destroyed_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "destroyed" ADD CONSTRAINT "destroyed_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "views" ADD CONSTRAINT "views_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "views" ADD CONSTRAINT "views_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "destroyed_subject" ON "destroyed" USING btree ("office","subject");--> statement-breakpoint
GRANT SELECT, INSERT ON "views", "destroyed" TO "careful_latch_serving";--> statement-breakpoint
GRANT DELETE ON "notes" TO "careful_latch_serving";--> statement-breakpoint
ALTER TABLE "views" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "destroyed" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_office" ON "views" USING ("office" = app_office());--> statement-breakpoint
CREATE POLICY "own_office" ON "destroyed" USING ("office" = app_office());
