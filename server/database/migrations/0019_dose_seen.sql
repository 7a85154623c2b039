ALTER TABLE "shot_revision" ADD COLUMN "dose_seen_by" text;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "dose_seen_at" text;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "dose_count" numeric;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_dose_seen_or_weighed" CHECK (num_nonnulls("shot_revision"."dose_seen_at", "shot_revision"."dose_count") = num_nonnulls("shot_revision"."dose_seen_by") and num_nonnulls("shot_revision"."dose_seen_by", "shot_revision"."dose_net_g", "shot_revision"."dose_gross_g") <= 1);--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_dose_seen_by" CHECK ("shot_revision"."dose_seen_by" in ('scale', 'razor', 'line', 'basket-line', 'sweep', 'mound', 'scoop', 'lever-pulls', 'seconds', 'machine-light', 'eye'));--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_dose_seen_at" CHECK ("shot_revision"."dose_seen_at" in ('below', 'at', 'above'));