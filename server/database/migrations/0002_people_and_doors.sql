CREATE SCHEMA "doors";
--> statement-breakpoint
CREATE TABLE "account" (
	"academy_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"sign_in_name" text NOT NULL,
	"password_hash" text,
	"pin_hash" text,
	CONSTRAINT "account_academy_id_person_id_pk" PRIMARY KEY("academy_id","person_id"),
	CONSTRAINT "account_sign_in_name" UNIQUE("sign_in_name"),
	CONSTRAINT "account_sign_in_name_small" CHECK ("account"."sign_in_name" !~ '[A-Z]')
);
--> statement-breakpoint
CREATE TABLE "doors"."attempt" (
	"key_hash" text PRIMARY KEY NOT NULL,
	"failures" integer NOT NULL,
	"last_at" timestamp with time zone NOT NULL,
	"last_try" uuid NOT NULL,
	"blocked_until" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "audit" (
	"academy_id" uuid NOT NULL,
	"audit_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"actor_id" uuid,
	"person_id" uuid,
	"subject_id" uuid NOT NULL,
	"before" jsonb,
	"after" jsonb,
	"why_text_id" uuid,
	CONSTRAINT "audit_academy_id_audit_id_pk" PRIMARY KEY("academy_id","audit_id"),
	CONSTRAINT "audit_kind" CHECK ("audit"."kind" in ('academy-made', 'academy-changed', 'shot-recorded', 'shot-corrected', 'call-made', 'slip-filled', 'slip-corrected', 'slip-skipped', 'claim-confirmed', 'set-aside-kept', 'set-aside-dropped', 'person-added', 'person-renamed', 'role-changed', 'person-ended', 'person-reopened', 'person-exported', 'person-erased', 'link-made', 'link-used', 'password-changed', 'pin-changed'))
);
--> statement-breakpoint
CREATE TABLE "call" (
	"academy_id" uuid NOT NULL,
	"call_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"stage" text NOT NULL,
	"verdict" text NOT NULL,
	"cause" text,
	"move" text,
	"called_at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"body_digest" text NOT NULL,
	CONSTRAINT "call_academy_id_call_id_pk" PRIMARY KEY("academy_id","call_id"),
	CONSTRAINT "call_once" UNIQUE("academy_id","shot_id","person_id","stage"),
	CONSTRAINT "call_stage" CHECK ("call"."stage" in ('first', 'final')),
	CONSTRAINT "call_move" CHECK ("call"."move" in ('finer', 'coarser', 'hold')),
	CONSTRAINT "call_cause" CHECK ("call"."cause" in ('none', 'grind-too-coarse', 'grind-too-fine', 'dose-low', 'dose-high', 'tamp-tilted', 'tamp-light', 'tamp-varying', 'poor-distribution', 'basket-wet', 'dirty', 'not-purged', 'cold', 'too-hot', 'temperature-swing', 'coffee-too-fresh', 'coffee-stale', 'pre-ground', 'roast-character', 'poor-water', 'wrong-basket', 'burrs-out-of-range', 'stopped-early', 'stopped-late', 'ratio-short', 'ratio-long'))
);
--> statement-breakpoint
CREATE TABLE "claim" (
	"academy_id" uuid NOT NULL,
	"revision_id" uuid NOT NULL,
	"judged_by" uuid NOT NULL,
	"sent_by" uuid NOT NULL,
	"device_hash" text NOT NULL,
	"claimed_at" timestamp with time zone NOT NULL,
	"confirmed_at" timestamp with time zone,
	CONSTRAINT "claim_academy_id_revision_id_pk" PRIMARY KEY("academy_id","revision_id")
);
--> statement-breakpoint
CREATE TABLE "free_text" (
	"academy_id" uuid NOT NULL,
	"text_id" uuid NOT NULL,
	"about_id" uuid,
	"written_by" uuid,
	"content" text NOT NULL,
	"blanked_at" timestamp with time zone,
	CONSTRAINT "free_text_academy_id_text_id_pk" PRIMARY KEY("academy_id","text_id")
);
--> statement-breakpoint
CREATE TABLE "invitation" (
	"academy_id" uuid NOT NULL,
	"invitation_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"token_hash" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "invitation_academy_id_invitation_id_pk" PRIMARY KEY("academy_id","invitation_id"),
	CONSTRAINT "invitation_token" UNIQUE("token_hash"),
	CONSTRAINT "invitation_kind" CHECK ("invitation"."kind" in ('join', 'reset'))
);
--> statement-breakpoint
CREATE TABLE "person_name" (
	"academy_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"display_name" text NOT NULL,
	"blanked_at" timestamp with time zone,
	CONSTRAINT "person_name_academy_id_person_id_pk" PRIMARY KEY("academy_id","person_id"),
	CONSTRAINT "person_name_blank" CHECK (("person_name"."display_name" = '') = ("person_name"."blanked_at" is not null))
);
--> statement-breakpoint
CREATE TABLE "remembered_sign_in" (
	"academy_id" uuid NOT NULL,
	"device_hash" text NOT NULL,
	"person_id" uuid NOT NULL,
	"full_at" timestamp with time zone NOT NULL,
	CONSTRAINT "remembered_sign_in_academy_id_device_hash_person_id_pk" PRIMARY KEY("academy_id","device_hash","person_id")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"academy_id" uuid NOT NULL,
	"session_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"device_hash" text NOT NULL,
	"device_label" text NOT NULL,
	"kind" text NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"last_used_at" timestamp with time zone NOT NULL,
	"ends_at" timestamp with time zone NOT NULL,
	"handed_shot_id" uuid,
	"handed_person_id" uuid,
	CONSTRAINT "session_academy_id_session_id_pk" PRIMARY KEY("academy_id","session_id"),
	CONSTRAINT "session_token" UNIQUE("token_hash"),
	CONSTRAINT "session_kind" CHECK ("session"."kind" in ('password', 'pin', 'demo')),
	CONSTRAINT "session_handed_whole" CHECK (num_nulls("session"."handed_shot_id", "session"."handed_person_id") in (0, 2))
);
--> statement-breakpoint
CREATE TABLE "set_aside" (
	"academy_id" uuid NOT NULL,
	"set_aside_id" uuid NOT NULL,
	"judged_by" uuid NOT NULL,
	"sent_by" uuid NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"write" jsonb NOT NULL,
	CONSTRAINT "set_aside_academy_id_set_aside_id_pk" PRIMARY KEY("academy_id","set_aside_id")
);
--> statement-breakpoint
CREATE TABLE "doors"."set_up_code" (
	"code_hash" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "slip" (
	"academy_id" uuid NOT NULL,
	"slip_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"side" text NOT NULL,
	"revision_no" integer NOT NULL,
	"filled_by" uuid NOT NULL,
	"reason_text_id" uuid,
	"skipped" boolean NOT NULL,
	"sour" smallint,
	"sweet" smallint,
	"bitter" smallint,
	"body" smallint,
	"dryness" smallint,
	"tasted_at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"body_digest" text NOT NULL,
	CONSTRAINT "slip_academy_id_slip_id_pk" PRIMARY KEY("academy_id","slip_id"),
	CONSTRAINT "slip_once" UNIQUE("academy_id","shot_id","side","revision_no"),
	CONSTRAINT "slip_side" CHECK ("slip"."side" in ('trainee', 'trainer')),
	CONSTRAINT "slip_skipped_blank" CHECK (not "slip"."skipped" or num_nonnulls("slip"."sour", "slip"."sweet", "slip"."bitter", "slip"."body", "slip"."dryness") = 0),
	CONSTRAINT "slip_sour" CHECK ("slip"."sour" between 0 and 10),
	CONSTRAINT "slip_sweet" CHECK ("slip"."sweet" between 0 and 10),
	CONSTRAINT "slip_bitter" CHECK ("slip"."bitter" between 0 and 10),
	CONSTRAINT "slip_body" CHECK ("slip"."body" between 0 and 10),
	CONSTRAINT "slip_dryness" CHECK ("slip"."dryness" between 0 and 10)
);
--> statement-breakpoint
ALTER TABLE "academy" ADD COLUMN "is_demo" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "academy" ADD COLUMN "revision_no" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "revision_no" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "ended_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "erased_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "reason_text_id" uuid;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "judged_by" uuid;--> statement-breakpoint
ALTER TABLE "account" ADD CONSTRAINT "account_academy_id_person_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_academy_id_actor_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","actor_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_academy_id_person_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_academy_id_why_text_id_free_text_academy_id_text_id_fk" FOREIGN KEY ("academy_id","why_text_id") REFERENCES "public"."free_text"("academy_id","text_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "call" ADD CONSTRAINT "call_shot" FOREIGN KEY ("academy_id","shot_id") REFERENCES "public"."shot"("academy_id","shot_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "call" ADD CONSTRAINT "call_academy_id_person_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "claim" ADD CONSTRAINT "claim_academy_id_revision_id_shot_revision_academy_id_revision_id_fk" FOREIGN KEY ("academy_id","revision_id") REFERENCES "public"."shot_revision"("academy_id","revision_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "claim" ADD CONSTRAINT "claim_academy_id_judged_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","judged_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "claim" ADD CONSTRAINT "claim_academy_id_sent_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","sent_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "free_text" ADD CONSTRAINT "free_text_academy_id_about_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","about_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "free_text" ADD CONSTRAINT "free_text_academy_id_written_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","written_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_academy_id_person_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "person_name" ADD CONSTRAINT "person_name_academy_id_person_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "remembered_sign_in" ADD CONSTRAINT "remembered_sign_in_academy_id_person_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_academy_id_person_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_aside" ADD CONSTRAINT "set_aside_academy_id_judged_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","judged_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_aside" ADD CONSTRAINT "set_aside_academy_id_sent_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","sent_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "slip" ADD CONSTRAINT "slip_shot" FOREIGN KEY ("academy_id","shot_id") REFERENCES "public"."shot"("academy_id","shot_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "slip" ADD CONSTRAINT "slip_academy_id_filled_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","filled_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "slip" ADD CONSTRAINT "slip_academy_id_reason_text_id_free_text_academy_id_text_id_fk" FOREIGN KEY ("academy_id","reason_text_id") REFERENCES "public"."free_text"("academy_id","text_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_by_time" ON "audit" USING btree ("academy_id","at","audit_id");--> statement-breakpoint
CREATE INDEX "audit_of_person_by_time" ON "audit" USING btree ("academy_id","person_id","at","audit_id");--> statement-breakpoint
CREATE INDEX "audit_by_actor_and_time" ON "audit" USING btree ("academy_id","actor_id","at","audit_id");--> statement-breakpoint
CREATE INDEX "claim_by_person" ON "claim" USING btree ("academy_id","judged_by","device_hash");--> statement-breakpoint
CREATE INDEX "free_text_by_about" ON "free_text" USING btree ("academy_id","about_id");--> statement-breakpoint
CREATE INDEX "free_text_by_writer" ON "free_text" USING btree ("academy_id","written_by");--> statement-breakpoint
CREATE INDEX "invitation_by_person" ON "invitation" USING btree ("academy_id","person_id");--> statement-breakpoint
CREATE INDEX "remembered_sign_in_by_device" ON "remembered_sign_in" USING btree ("device_hash");--> statement-breakpoint
CREATE INDEX "session_by_person" ON "session" USING btree ("academy_id","person_id");--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_revision_judged_by" FOREIGN KEY ("academy_id","judged_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_revision_reason" FOREIGN KEY ("academy_id","reason_text_id") REFERENCES "public"."free_text"("academy_id","text_id") ON DELETE no action ON UPDATE no action;