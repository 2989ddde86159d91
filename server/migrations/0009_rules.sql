CREATE TABLE "rules" (
	"office" uuid NOT NULL,
	"version" integer NOT NULL,
	"profile" jsonb NOT NULL,
	"reason" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "rules_office_version_pk" PRIMARY KEY("office","version")
);
--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "rules" integer;--> statement-breakpoint
ALTER TABLE "rules" ADD CONSTRAINT "rules_office_offices_id_fk" FOREIGN KEY ("office") REFERENCES "public"."offices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rules" ADD CONSTRAINT "rules_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
GRANT SELECT, INSERT ON "rules" TO "careful_latch_serving";--> statement-breakpoint
ALTER TABLE "rules" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_office" ON "rules" USING ("office" = app_office());--> statement-breakpoint
CREATE TRIGGER "rules_only_added" BEFORE UPDATE OR DELETE OR TRUNCATE ON "rules" FOR EACH STATEMENT EXECUTE FUNCTION "only_added"();
