CREATE TABLE "ledger" (
	"office" uuid NOT NULL,
	"n" integer NOT NULL,
	"kind" varchar(20) NOT NULL,
	"subject" text NOT NULL,
	"jws" text NOT NULL,
	CONSTRAINT "ledger_office_n_pk" PRIMARY KEY("office","n")
);
--> statement-breakpoint
ALTER TABLE "offices" ADD COLUMN "ledger_n" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "offices" ADD COLUMN "ledger_head" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "ledger" ADD CONSTRAINT "ledger_office_offices_id_fk" FOREIGN KEY ("office") REFERENCES "public"."offices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "ledger_subject" ON "ledger" USING btree ("subject","office");--> statement-breakpoint
CREATE FUNCTION "only_added"() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION '% is only ever added to', TG_TABLE_NAME USING ERRCODE = 'insufficient_privilege'; END $$;--> statement-breakpoint
CREATE TRIGGER "changes_only_added" BEFORE UPDATE OR DELETE OR TRUNCATE ON "changes" FOR EACH STATEMENT EXECUTE FUNCTION "only_added"();--> statement-breakpoint
CREATE TRIGGER "decisions_only_added" BEFORE UPDATE OR DELETE OR TRUNCATE ON "decisions" FOR EACH STATEMENT EXECUTE FUNCTION "only_added"();--> statement-breakpoint
CREATE TRIGGER "ledger_only_added" BEFORE UPDATE OR DELETE OR TRUNCATE ON "ledger" FOR EACH STATEMENT EXECUTE FUNCTION "only_added"();
