CREATE TABLE "log_session_counts" (
	"session" uuid NOT NULL,
	"kind" text NOT NULL,
	"n" integer NOT NULL,
	CONSTRAINT "log_session_counts_session_kind_pk" PRIMARY KEY("session","kind")
);
--> statement-breakpoint
ALTER TABLE "log_entries" ADD COLUMN "voids" uuid;--> statement-breakpoint
UPDATE "log_entries" SET "voids" = ("data" ->> 'of')::uuid WHERE "kind" = 'void' AND "data" ->> 'of' ~* '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$';--> statement-breakpoint
CREATE INDEX "log_entries_voids" ON "log_entries" USING btree ("voids");--> statement-breakpoint
-- an entry taken back before it came
UPDATE "log_entries" SET "voided" = true WHERE NOT "voided" AND "id" IN (SELECT "voids" FROM "log_entries" WHERE "voids" IS NOT NULL);--> statement-breakpoint
-- a session that is left out says so by itself; its entries no longer carry it
UPDATE "log_entries" e SET "excluded" = false FROM "log_sessions" s WHERE s."session" = e."session" AND s."excluded" AND e."excluded" AND e."kind" <> 'drop';--> statement-breakpoint
INSERT INTO "log_session_counts" SELECT "session", "kind", count(*)::int FROM "log_entries" WHERE NOT "voided" AND "kind" IN ('cast', 'bump', 'bite', 'hooked', 'landed', 'snag', 'freed', 'lost', 'reskin', 'nipped', 'onSlack', 'covered') GROUP BY "session", "kind";--> statement-breakpoint
DELETE FROM "log_tallies";--> statement-breakpoint
INSERT INTO "log_tallies" SELECT e."rig_key", coalesce(e."place_key", ''), e."kind", count(*)::int FROM "log_entries" e JOIN "log_sessions" s ON s."session" = e."session" WHERE NOT e."voided" AND NOT e."excluded" AND NOT s."excluded" AND e."rig_key" <> '' AND e."kind" IN ('cast', 'bump', 'bite', 'hooked', 'landed', 'snag', 'freed', 'lost', 'reskin', 'nipped', 'onSlack', 'covered') GROUP BY 1, 2, 3;--> statement-breakpoint
ALTER TABLE "log_sessions" DROP COLUMN "counts";
