CREATE TABLE "audit_pages" (
	"run_id" uuid NOT NULL,
	"page_id" text NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"attempt" uuid,
	"attempts" integer DEFAULT 0 NOT NULL,
	"heard_at" timestamp with time zone,
	"decided" integer DEFAULT 0 NOT NULL,
	"layouts" integer DEFAULT 0 NOT NULL,
	"findings" jsonb,
	"problem" text,
	"finished_at" timestamp with time zone,
	CONSTRAINT "audit_pages_run_id_page_id_pk" PRIMARY KEY("run_id","page_id")
);
--> statement-breakpoint
CREATE TABLE "audit_runs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"project_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"document" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "audit_pages" ADD CONSTRAINT "audit_pages_run_id_audit_runs_id_fk" FOREIGN KEY ("run_id") REFERENCES "public"."audit_runs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "audit_runs" ADD CONSTRAINT "audit_runs_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_pages_state" ON "audit_pages" USING btree ("state","heard_at");--> statement-breakpoint
CREATE INDEX "audit_runs_project" ON "audit_runs" USING btree ("project_id","created_at");