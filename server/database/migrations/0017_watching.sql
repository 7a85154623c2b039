CREATE TABLE "watch" (
	"academy_id" uuid NOT NULL,
	"watch_id" uuid NOT NULL,
	"training_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"watched_by" uuid NOT NULL,
	"is_teaching" boolean NOT NULL,
	"seen" jsonb NOT NULL,
	"marks" jsonb NOT NULL,
	"call" jsonb,
	"watched_at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"body_digest" text NOT NULL,
	CONSTRAINT "watch_academy_id_watch_id_pk" PRIMARY KEY("academy_id","watch_id")
);
--> statement-breakpoint
ALTER TABLE "watch" ADD CONSTRAINT "watch_academy_id_watched_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","watched_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "watch_of_shot" ON "watch" USING btree ("academy_id","shot_id");--> statement-breakpoint
CREATE INDEX "watch_of_person" ON "watch" USING btree ("academy_id","watched_by","watch_id");--> statement-breakpoint
SELECT "keep_academies_apart"();