CREATE TABLE "invites" (
	"id" uuid PRIMARY KEY NOT NULL,
	"office" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"name" text NOT NULL,
	"role" varchar(20),
	"account" uuid,
	"by" uuid NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "invites_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
DROP INDEX "ledger_subject";--> statement-breakpoint
ALTER TABLE "accounts" ADD COLUMN "void_before" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "invites" ADD CONSTRAINT "invites_office_offices_id_fk" FOREIGN KEY ("office") REFERENCES "public"."offices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invites" ADD CONSTRAINT "invites_account_accounts_id_fk" FOREIGN KEY ("account") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invites" ADD CONSTRAINT "invites_by_accounts_id_fk" FOREIGN KEY ("by") REFERENCES "public"."accounts"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "ledger_subject" ON "ledger" USING btree ("subject","office") WHERE "ledger"."kind" <> 'people';