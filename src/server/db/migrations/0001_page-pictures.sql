CREATE TABLE "page_pictures" (
	"digest" text PRIMARY KEY NOT NULL,
	"png" "bytea" NOT NULL,
	"findings" integer NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE INDEX "page_pictures_made" ON "page_pictures" USING btree ("made_at");