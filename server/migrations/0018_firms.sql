CREATE TABLE "firms" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "firms_office_id_pk" PRIMARY KEY("office","id")
);
--> statement-breakpoint
ALTER TABLE "held" DROP CONSTRAINT "held_office_inspection_inspections_office_id_fk";
--> statement-breakpoint
ALTER TABLE "accounts" ADD COLUMN "firm" uuid;--> statement-breakpoint
ALTER TABLE "inspections" ADD COLUMN "self_check" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "invites" ADD COLUMN "firm" uuid;--> statement-breakpoint
ALTER TABLE "invites" ADD COLUMN "email" text;--> statement-breakpoint
ALTER TABLE "firms" ADD CONSTRAINT "firms_office_offices_id_fk" FOREIGN KEY ("office") REFERENCES "public"."offices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "firms_name" ON "firms" USING btree ("office",lower(name));--> statement-breakpoint
ALTER TABLE "accounts" ADD CONSTRAINT "accounts_office_firm_firms_office_id_fk" FOREIGN KEY ("office","firm") REFERENCES "public"."firms"("office","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
-- What contractors opened before stays visible to the office, which has seen it: nothing becomes a firm's own afterwards.
GRANT SELECT, INSERT ON "firms" TO "careful_latch_serving";--> statement-breakpoint
ALTER TABLE "firms" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_office" ON "firms" USING ("office" = app_office());--> statement-breakpoint
-- Who is switched off: what they still send is kept for the lead.
CREATE FUNCTION "switched_off"(who uuid) RETURNS SETOF "accounts" LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
  $$ SELECT * FROM accounts WHERE id = who AND NOT active $$;--> statement-breakpoint
REVOKE ALL ON FUNCTION "switched_off"(uuid) FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "switched_off"(uuid) TO "careful_latch_serving";
