CREATE TABLE "mails" (
	"id" uuid NOT NULL,
	"office" uuid NOT NULL,
	"key" text NOT NULL,
	"to" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"written_at" timestamp with time zone,
	CONSTRAINT "mails_office_id_pk" PRIMARY KEY("office","id")
);
--> statement-breakpoint
ALTER TABLE "accounts" ADD COLUMN "email" text;--> statement-breakpoint
ALTER TABLE "mails" ADD CONSTRAINT "mails_office_offices_id_fk" FOREIGN KEY ("office") REFERENCES "public"."offices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "mails_key" ON "mails" USING btree ("office","key");--> statement-breakpoint
CREATE INDEX "mails_waiting" ON "mails" USING btree ("office","made_at") WHERE "mails"."written_at" is null;--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON "mails" TO "careful_latch_serving";--> statement-breakpoint
ALTER TABLE "mails" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_office" ON "mails" USING ("office" = app_office());
