CREATE TABLE "accounts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"office" uuid NOT NULL,
	"login" text NOT NULL,
	"name" text NOT NULL,
	"role" varchar(20) NOT NULL,
	"password_hash" text NOT NULL,
	"demo" boolean DEFAULT false NOT NULL,
	CONSTRAINT "accounts_login_unique" UNIQUE("login")
);
--> statement-breakpoint
CREATE TABLE "changes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"inspection" uuid NOT NULL,
	"revision" integer NOT NULL,
	"by" uuid NOT NULL,
	"body" jsonb NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "decisions" (
	"id" uuid PRIMARY KEY NOT NULL,
	"inspection" uuid NOT NULL,
	"revision" integer NOT NULL,
	"by" uuid NOT NULL,
	"kind" varchar(30) NOT NULL,
	"signed_at" timestamp with time zone NOT NULL,
	"record" jsonb NOT NULL,
	"seal" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "inspections" (
	"id" uuid PRIMARY KEY NOT NULL,
	"office" uuid NOT NULL,
	"revision" integer NOT NULL,
	"address" text NOT NULL,
	"owner" text NOT NULL,
	"permit" text NOT NULL,
	"edition" varchar(4) NOT NULL,
	"case" jsonb NOT NULL,
	"changed_since_decision" boolean NOT NULL,
	"opened_at" timestamp with time zone NOT NULL,
	"changed_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "offices" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"edition" varchar(4) NOT NULL
);
--> statement-breakpoint
CREATE TABLE "session" (
	"sid" varchar PRIMARY KEY NOT NULL,
	"sess" json NOT NULL,
	"expire" timestamp (6) NOT NULL
);
--> statement-breakpoint
ALTER TABLE "accounts" ADD CONSTRAINT "accounts_office_offices_id_fk" FOREIGN KEY ("office") REFERENCES "public"."offices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_inspection_inspections_id_fk" FOREIGN KEY ("inspection") REFERENCES "public"."inspections"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "decisions" ADD CONSTRAINT "decisions_inspection_inspections_id_fk" FOREIGN KEY ("inspection") REFERENCES "public"."inspections"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "decisions" ADD CONSTRAINT "decisions_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "inspections" ADD CONSTRAINT "inspections_office_offices_id_fk" FOREIGN KEY ("office") REFERENCES "public"."offices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "changes_inspection" ON "changes" USING btree ("inspection","revision");--> statement-breakpoint
CREATE INDEX "decisions_inspection" ON "decisions" USING btree ("inspection","revision");--> statement-breakpoint
CREATE INDEX "inspections_office" ON "inspections" USING btree ("office");--> statement-breakpoint
CREATE INDEX "IDX_session_expire" ON "session" USING btree ("expire");