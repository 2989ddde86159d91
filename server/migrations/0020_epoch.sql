ALTER TABLE "offices" ADD COLUMN "epoch" uuid DEFAULT gen_random_uuid() NOT NULL;
