CREATE TABLE "photo" (
	"academy_id" uuid NOT NULL,
	"photo_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"taken_by" uuid NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"picture_text_id" uuid NOT NULL,
	"body_digest" text NOT NULL,
	CONSTRAINT "photo_academy_id_photo_id_pk" PRIMARY KEY("academy_id","photo_id")
);
--> statement-breakpoint
CREATE TABLE "ruling" (
	"academy_id" uuid NOT NULL,
	"ruling_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"ruled_by" uuid NOT NULL,
	"verdict" text NOT NULL,
	"cause" text,
	"move" text,
	"reason_text_id" uuid NOT NULL,
	"ruled_at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"body_digest" text NOT NULL,
	CONSTRAINT "ruling_academy_id_ruling_id_pk" PRIMARY KEY("academy_id","ruling_id"),
	CONSTRAINT "ruling_verdict" CHECK ("ruling"."verdict" in ('under', 'balanced', 'over', 'uneven', 'unclear')),
	CONSTRAINT "ruling_move" CHECK ("ruling"."move" in ('finer', 'coarser', 'hold')),
	CONSTRAINT "ruling_cause" CHECK ("ruling"."cause" in ('none', 'grind-too-coarse', 'grind-too-fine', 'dose-low', 'dose-high', 'tamp-tilted', 'tamp-light', 'tamp-varying', 'poor-distribution', 'basket-wet', 'dirty', 'not-purged', 'cold', 'too-hot', 'temperature-swing', 'coffee-too-fresh', 'coffee-stale', 'pre-ground', 'roast-character', 'poor-water', 'wrong-basket', 'burrs-out-of-range', 'stopped-early', 'stopped-late', 'ratio-short', 'ratio-long'))
);
--> statement-breakpoint
CREATE TABLE "shot_series" (
	"academy_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"weight" text,
	"pressure" text,
	CONSTRAINT "shot_series_academy_id_shot_id_pk" PRIMARY KEY("academy_id","shot_id")
);
--> statement-breakpoint
CREATE TABLE "training_event" (
	"academy_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"training_id" uuid NOT NULL,
	"by" uuid NOT NULL,
	"sent_by" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"happening" jsonb NOT NULL,
	"body_digest" text NOT NULL,
	CONSTRAINT "training_event_academy_id_event_id_pk" PRIMARY KEY("academy_id","event_id")
);
--> statement-breakpoint
ALTER TABLE "audit" DROP CONSTRAINT "audit_kind";--> statement-breakpoint
DROP INDEX "shot_of_grinder_by_time";--> statement-breakpoint
ALTER TABLE "call" ALTER COLUMN "verdict" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "call" ADD COLUMN "taken_down_by" uuid;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "machine_id" uuid;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "group_no" smallint;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "training_id" uuid;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "purpose" text DEFAULT 'practice' NOT NULL;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "grind_owner" text DEFAULT 'trainee' NOT NULL;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "is_call_asked" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "preinfusion_end_s" numeric;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "last_drip_s" numeric;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "cup_ml" numeric;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "tamp_force_n" numeric;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "lead_g" numeric;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "noted" jsonb;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "note_text_id" uuid;--> statement-breakpoint
ALTER TABLE "slip" ADD COLUMN "taken_down_by" uuid;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_shot" FOREIGN KEY ("academy_id","shot_id") REFERENCES "public"."shot"("academy_id","shot_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_academy_id_taken_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","taken_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_academy_id_picture_text_id_free_text_academy_id_text_id_fk" FOREIGN KEY ("academy_id","picture_text_id") REFERENCES "public"."free_text"("academy_id","text_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ruling" ADD CONSTRAINT "ruling_shot" FOREIGN KEY ("academy_id","shot_id") REFERENCES "public"."shot"("academy_id","shot_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ruling" ADD CONSTRAINT "ruling_academy_id_ruled_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","ruled_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ruling" ADD CONSTRAINT "ruling_academy_id_reason_text_id_free_text_academy_id_text_id_fk" FOREIGN KEY ("academy_id","reason_text_id") REFERENCES "public"."free_text"("academy_id","text_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot_series" ADD CONSTRAINT "shot_series_shot" FOREIGN KEY ("academy_id","shot_id") REFERENCES "public"."shot"("academy_id","shot_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "training_event" ADD CONSTRAINT "training_event_academy_id_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "training_event" ADD CONSTRAINT "training_event_academy_id_sent_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","sent_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "photo_of_shot" ON "photo" USING btree ("academy_id","shot_id","taken_at");--> statement-breakpoint
CREATE INDEX "ruling_of_shot" ON "ruling" USING btree ("academy_id","shot_id","ruled_at");--> statement-breakpoint
CREATE INDEX "training_event_of_training" ON "training_event" USING btree ("academy_id","training_id","at");--> statement-breakpoint
CREATE INDEX "training_event_by_kind" ON "training_event" USING btree ("academy_id","kind","at");--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_machine" FOREIGN KEY ("academy_id","machine_id") REFERENCES "public"."prepared"("academy_id","prepared_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_revision_note" FOREIGN KEY ("academy_id","note_text_id") REFERENCES "public"."free_text"("academy_id","text_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "shot_of_machine_by_time" ON "shot" USING btree ("academy_id","machine_id","pulled_at");--> statement-breakpoint
CREATE INDEX "shot_of_training_by_time" ON "shot" USING btree ("academy_id","training_id","pulled_at","shot_id");--> statement-breakpoint
CREATE INDEX "shot_of_grinder_by_time" ON "shot" USING btree ("academy_id","grinder_id","pulled_at","shot_id");--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_kind" CHECK ("audit"."kind" in ('academy-made', 'academy-changed', 'shot-recorded', 'shot-corrected', 'prepared-made', 'prepared-changed', 'prepared-archived', 'prepared-restored', 'call-made', 'call-skipped', 'reading-overruled', 'photo-added', 'training-started', 'training-changed', 'training-ended', 'slip-filled', 'slip-corrected', 'slip-skipped', 'claim-confirmed', 'set-aside-kept', 'set-aside-dropped', 'person-added', 'person-renamed', 'role-changed', 'person-ended', 'person-reopened', 'person-exported', 'person-erased', 'link-made', 'link-used', 'password-changed', 'pin-changed'));--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_purpose" CHECK ("shot"."purpose" in ('practice', 'assessment', 'deliberate-fault', 'experiment', 'sink', 'equipment-failure'));--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_grind_owner" CHECK ("shot"."grind_owner" in ('trainer', 'trainee'));--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_release_and_last_drip_in_order" CHECK (coalesce("shot_revision"."preinfusion_end_s" <= "shot_revision"."stop_s", "shot_revision"."preinfusion_end_s" is null) and coalesce("shot_revision"."last_drip_s" >= "shot_revision"."stop_s", "shot_revision"."last_drip_s" is null));--> statement-breakpoint
SELECT "keep_academies_apart"();
