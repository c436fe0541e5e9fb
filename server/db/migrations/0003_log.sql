CREATE TABLE "log_entries" (
	"id" uuid PRIMARY KEY NOT NULL,
	"session" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"rod" text,
	"rig_key" text,
	"place_key" text,
	"data" jsonb,
	"voided" boolean DEFAULT false NOT NULL,
	"excluded" boolean DEFAULT false NOT NULL,
	"position" bigserial NOT NULL
);
--> statement-breakpoint
CREATE TABLE "log_sessions" (
	"session" uuid PRIMARY KEY NOT NULL,
	"place" text DEFAULT '' NOT NULL,
	"from_at" timestamp with time zone NOT NULL,
	"to_at" timestamp with time zone NOT NULL,
	"counts" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "log_tallies" (
	"rig_key" text NOT NULL,
	"place_key" text NOT NULL,
	"kind" text NOT NULL,
	"n" integer NOT NULL,
	CONSTRAINT "log_tallies_rig_key_place_key_kind_pk" PRIMARY KEY("rig_key","place_key","kind")
);
--> statement-breakpoint
CREATE INDEX "log_entries_session" ON "log_entries" USING btree ("session","position");--> statement-breakpoint
CREATE INDEX "log_entries_kind" ON "log_entries" USING btree ("kind","position");--> statement-breakpoint
CREATE INDEX "log_sessions_from" ON "log_sessions" USING btree ("from_at");