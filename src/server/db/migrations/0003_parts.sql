CREATE TABLE "project_parts" (
	"project_id" uuid NOT NULL,
	"part" text NOT NULL,
	"revision" integer NOT NULL,
	"document" jsonb NOT NULL,
	CONSTRAINT "project_parts_project_id_part_revision_pk" PRIMARY KEY("project_id","part","revision")
);
--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "snapshot" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "page_count" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "breakpoint_count" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "project_parts" ADD CONSTRAINT "project_parts_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
INSERT INTO "project_parts" ("project_id", "part", "revision", "document")
SELECT "id", key, "revision", value
FROM "projects", jsonb_each("document")
WHERE key IN ('sheets', 'pictures', 'blocks');
--> statement-breakpoint
INSERT INTO "project_parts" ("project_id", "part", "revision", "document")
SELECT "id", 'project', "revision",
	("document" - 'sheets' - 'pictures' - 'blocks') || jsonb_build_object('pages', coalesce(
		(SELECT jsonb_agg("pages"."id" ORDER BY "position") FROM "pages" WHERE "pages"."project_id" = "projects"."id"), '[]'::jsonb))
FROM "projects";
--> statement-breakpoint
INSERT INTO "project_parts" ("project_id", "part", "revision", "document")
SELECT "pages"."project_id", 'page ' || "pages"."id", "projects"."revision", "pages"."document"
FROM "pages" JOIN "projects" ON "projects"."id" = "pages"."project_id";
--> statement-breakpoint
UPDATE "projects" SET
	"snapshot" = "revision",
	"page_count" = (SELECT count(*) FROM "pages" WHERE "pages"."project_id" = "projects"."id"),
	"breakpoint_count" = CASE WHEN jsonb_typeof("document"->'breakpoints') = 'array' THEN jsonb_array_length("document"->'breakpoints') ELSE 0 END;
