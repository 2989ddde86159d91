CREATE TABLE "held" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"inspection" uuid NOT NULL,
	"by" uuid NOT NULL,
	"body" jsonb NOT NULL,
	"why" text NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	"settled_at" timestamp with time zone,
	"settled" text,
	CONSTRAINT "held_office_id_pk" PRIMARY KEY("office","id")
);
--> statement-breakpoint
ALTER TABLE "offices" ADD COLUMN "offline_hours" integer DEFAULT 24 NOT NULL;--> statement-breakpoint
ALTER TABLE "held" ADD CONSTRAINT "held_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held" ADD CONSTRAINT "held_office_inspection_inspections_office_id_fk" FOREIGN KEY ("office","inspection") REFERENCES "public"."inspections"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON "held" TO "careful_latch_serving";--> statement-breakpoint
ALTER TABLE "held" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_office" ON "held" USING ("office" = app_office());
