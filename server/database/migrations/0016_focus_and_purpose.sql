CREATE TABLE "repurposing" (
	"academy_id" uuid NOT NULL,
	"repurposing_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"repurposed_by" uuid NOT NULL,
	"purpose_before" text NOT NULL,
	"purpose" text NOT NULL,
	"fault_shown" text,
	"reason_text_id" uuid NOT NULL,
	"repurposed_at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"body_digest" text NOT NULL,
	CONSTRAINT "repurposing_academy_id_repurposing_id_pk" PRIMARY KEY("academy_id","repurposing_id"),
	CONSTRAINT "repurposing_purpose" CHECK ("repurposing"."purpose" in ('practice', 'assessment', 'reference', 'dial-in', 'demonstration', 'deliberate-fault', 'sink', 'equipment-failure', 'comparison', 'experiment')),
	CONSTRAINT "repurposing_fault" CHECK ("repurposing"."fault_shown" in ('grind-too-coarse', 'grind-too-fine', 'dose-low', 'dose-high', 'tamp-tilted', 'tamp-light', 'poor-distribution', 'basket-wet', 'not-purged', 'cold', 'stopped-early', 'stopped-late'))
);
--> statement-breakpoint
ALTER TABLE "audit" DROP CONSTRAINT "audit_kind";--> statement-breakpoint
ALTER TABLE "call" DROP CONSTRAINT "call_verdict";--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "is_first_call_asked" boolean;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "are_notes_asked" boolean;--> statement-breakpoint
ALTER TABLE "repurposing" ADD CONSTRAINT "repurposing_shot" FOREIGN KEY ("academy_id","shot_id") REFERENCES "public"."shot"("academy_id","shot_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "repurposing" ADD CONSTRAINT "repurposing_academy_id_repurposed_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","repurposed_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "repurposing" ADD CONSTRAINT "repurposing_academy_id_reason_text_id_free_text_academy_id_text_id_fk" FOREIGN KEY ("academy_id","reason_text_id") REFERENCES "public"."free_text"("academy_id","text_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "repurposing_of_shot" ON "repurposing" USING btree ("academy_id","shot_id","repurposed_at");--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_kind" CHECK ("audit"."kind" in ('academy-made', 'academy-changed', 'shot-recorded', 'shot-corrected', 'prepared-made', 'prepared-changed', 'prepared-archived', 'prepared-restored', 'call-made', 'call-skipped', 'reading-overruled', 'shot-repurposed', 'photo-added', 'training-started', 'training-changed', 'training-ended', 'training-reopened', 'slip-filled', 'slip-corrected', 'slip-skipped', 'claim-confirmed', 'claim-denied', 'tablet-handed', 'tablet-taken-back', 'set-aside-kept', 'set-aside-dropped', 'person-added', 'person-renamed', 'role-changed', 'person-ended', 'person-reopened', 'person-exported', 'person-erased', 'link-made', 'link-used', 'password-changed', 'pin-changed'));--> statement-breakpoint
ALTER TABLE "call" ADD CONSTRAINT "call_verdict" CHECK ("call"."verdict" in ('choked', 'slow', 'on-time', 'fast', 'gushed', 'under', 'balanced', 'over', 'uneven', 'unclear'));--> statement-breakpoint
SELECT "keep_academies_apart"();