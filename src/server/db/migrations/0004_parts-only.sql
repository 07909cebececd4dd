DROP TABLE "pages" CASCADE;--> statement-breakpoint
ALTER TABLE "projects" DROP COLUMN "document";