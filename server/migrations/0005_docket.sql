ALTER TABLE "inspections" ADD COLUMN "docket" jsonb DEFAULT '{"violations":[],"notTakenUp":[],"orders":[],"conditions":[],"visits":[]}'::jsonb NOT NULL;--> statement-breakpoint
-- A stop-work that no approval followed is an order in force: it was lost once a fact was changed.
WITH stops AS (
  SELECT d."inspection", jsonb_agg(jsonb_build_object(
    'id', d."id", 'kind', 'stop-work', 'ground', 'As signed in the decision.', 'covers', 'The generator connection',
    'mayDo', '', 'told', 'As signed in the decision.', 'violations', '[]'::jsonb, 'state', 'posted',
    'steps', jsonb_build_array(jsonb_build_object(
      'to', 'posted', 'at', d."record"->'decision'->>'at', 'by', d."record"->'signedBy'->>'name', 'words', ''))
  ) ORDER BY d."revision") AS orders
  FROM "decisions" d
  WHERE d."kind" = 'stop-work' AND NOT EXISTS (
    SELECT 1 FROM "decisions" later
    WHERE later."inspection" = d."inspection" AND later."revision" > d."revision" AND later."kind" LIKE 'approved%')
  GROUP BY d."inspection")
UPDATE "inspections" i SET "docket" = jsonb_set(i."docket", '{orders}', stops.orders) FROM stops WHERE stops."inspection" = i."id";--> statement-breakpoint
-- Every device is to hear of it: each inspection is counted anew.
WITH counted AS (
  SELECT i."id", o."seq" + row_number() OVER (PARTITION BY i."office" ORDER BY i."seq", i."id") AS seq
  FROM "inspections" i JOIN "offices" o ON o."id" = i."office")
UPDATE "inspections" i SET "seq" = counted.seq FROM counted WHERE counted."id" = i."id";--> statement-breakpoint
UPDATE "offices" o SET "seq" = greatest(o."seq", coalesce((SELECT max(i."seq") FROM "inspections" i WHERE i."office" = o."id"), 0));--> statement-breakpoint
-- Whoever was there first leads: settles hazards and orders, and looks after people.
UPDATE "accounts" a SET "role" = 'lead' WHERE a."role" = 'inspector' AND a."id" = (
  SELECT f."id" FROM "accounts" f LEFT JOIN "changes" c ON c."by" = f."id"
  WHERE f."office" = a."office" AND f."role" = 'inspector' GROUP BY f."id" ORDER BY min(c."received_at") NULLS LAST, f."login" LIMIT 1);
