CREATE TABLE "box_items" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"count" integer NOT NULL,
	"tags" jsonb NOT NULL,
	"notes" text NOT NULL,
	"details" jsonb NOT NULL,
	"photo" text,
	"revision" integer DEFAULT 1 NOT NULL,
	"position" serial NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE INDEX "box_items_position" ON "box_items" USING btree ("position");