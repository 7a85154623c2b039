CREATE TABLE "academy" (
	"academy_id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"town" text NOT NULL,
	"time_zone" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "bag" (
	"academy_id" uuid NOT NULL,
	"bag_id" uuid NOT NULL,
	"coffee_id" uuid NOT NULL,
	"roasted_on" date NOT NULL,
	CONSTRAINT "bag_academy_id_bag_id_pk" PRIMARY KEY("academy_id","bag_id")
);
--> statement-breakpoint
CREATE TABLE "bar" (
	"academy_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"name" text NOT NULL,
	"machine_name" text NOT NULL,
	CONSTRAINT "bar_academy_id_bar_id_pk" PRIMARY KEY("academy_id","bar_id")
);
--> statement-breakpoint
CREATE TABLE "coffee" (
	"academy_id" uuid NOT NULL,
	"coffee_id" uuid NOT NULL,
	"name" text NOT NULL,
	"roaster" text NOT NULL,
	"rest_days" integer NOT NULL,
	"best_until_days" integer NOT NULL,
	"usable_until_days" integer NOT NULL,
	CONSTRAINT "coffee_academy_id_coffee_id_pk" PRIMARY KEY("academy_id","coffee_id"),
	CONSTRAINT "coffee_window" CHECK (0 <= "coffee"."rest_days" and "coffee"."rest_days" <= "coffee"."best_until_days" and "coffee"."best_until_days" <= "coffee"."usable_until_days")
);
--> statement-breakpoint
CREATE TABLE "grinder" (
	"academy_id" uuid NOT NULL,
	"grinder_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"name" text NOT NULL,
	"min_setting" numeric NOT NULL,
	"max_setting" numeric NOT NULL,
	"setting_step" numeric NOT NULL,
	"finer_is" text NOT NULL,
	CONSTRAINT "grinder_academy_id_grinder_id_pk" PRIMARY KEY("academy_id","grinder_id"),
	CONSTRAINT "grinder_scale" CHECK ("grinder"."min_setting" < "grinder"."max_setting" and "grinder"."setting_step" > 0),
	CONSTRAINT "grinder_finer_is" CHECK ("grinder"."finer_is" in ('lower', 'higher'))
);
--> statement-breakpoint
CREATE TABLE "person" (
	"academy_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"display_name" text NOT NULL,
	"role" text NOT NULL,
	CONSTRAINT "person_academy_id_person_id_pk" PRIMARY KEY("academy_id","person_id"),
	CONSTRAINT "person_role" CHECK ("person"."role" in ('head', 'trainer', 'trainee'))
);
--> statement-breakpoint
CREATE TABLE "recipe_revision" (
	"academy_id" uuid NOT NULL,
	"recipe_revision_id" uuid NOT NULL,
	"recipe_id" uuid NOT NULL,
	"revision_no" integer NOT NULL,
	"name" text NOT NULL,
	"dose_g" numeric NOT NULL,
	"dose_tolerance_g" numeric NOT NULL,
	"yield_g" numeric NOT NULL,
	"yield_tolerance_g" numeric NOT NULL,
	"clock" text NOT NULL,
	"time_min_s" numeric NOT NULL,
	"time_max_s" numeric NOT NULL,
	"first_drop_min_s" numeric NOT NULL,
	"first_drop_max_s" numeric NOT NULL,
	"taste_tolerance" numeric NOT NULL,
	"sweet_min" numeric NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "recipe_revision_academy_id_recipe_revision_id_pk" PRIMARY KEY("academy_id","recipe_revision_id"),
	CONSTRAINT "recipe_revision_once" UNIQUE("academy_id","recipe_id","revision_no"),
	CONSTRAINT "recipe_clock" CHECK ("recipe_revision"."clock" in ('pump', 'drop')),
	CONSTRAINT "recipe_window" CHECK (0 < "recipe_revision"."time_min_s" and "recipe_revision"."time_min_s" < "recipe_revision"."time_max_s"),
	CONSTRAINT "recipe_first_drop" CHECK (0 <= "recipe_revision"."first_drop_min_s" and "recipe_revision"."first_drop_min_s" <= "recipe_revision"."first_drop_max_s"),
	CONSTRAINT "recipe_masses" CHECK ("recipe_revision"."dose_g" > 0 and "recipe_revision"."dose_tolerance_g" > 0 and "recipe_revision"."yield_g" > 0 and "recipe_revision"."yield_tolerance_g" > 0)
);
--> statement-breakpoint
CREATE TABLE "shot" (
	"academy_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"recipe_revision_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"grinder_id" uuid,
	"bag_id" uuid,
	"pulled_at" timestamp with time zone NOT NULL,
	CONSTRAINT "shot_academy_id_shot_id_pk" PRIMARY KEY("academy_id","shot_id")
);
--> statement-breakpoint
CREATE TABLE "shot_revision" (
	"academy_id" uuid NOT NULL,
	"revision_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"revision_no" integer NOT NULL,
	"body_digest" text NOT NULL,
	"reason" text,
	"recorded_at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"grind_setting" numeric,
	"grinder_purged" boolean,
	"machine_hot" boolean,
	"basket_dry" boolean,
	"right_basket" boolean,
	"bed_even" boolean,
	"dose_net_g" numeric,
	"dose_gross_g" numeric,
	"dose_tare_g" numeric,
	"dose_vessel_id" uuid,
	"tamp_tilt" text,
	"tamp_low_side" text,
	"tamp_settled" boolean,
	"first_drop" text,
	"first_drop_s" numeric,
	"stop_s" numeric,
	"times_estimated" boolean,
	"cup_net_g" numeric,
	"cup_gross_g" numeric,
	"cup_tare_g" numeric,
	"cup_vessel_id" uuid,
	"abandoned" text,
	"sour" smallint,
	"sweet" smallint,
	"bitter" smallint,
	"body" smallint,
	"dryness" smallint,
	"stream" text,
	"puck" text,
	CONSTRAINT "shot_revision_academy_id_revision_id_pk" PRIMARY KEY("academy_id","revision_id"),
	CONSTRAINT "shot_revision_once" UNIQUE("academy_id","shot_id","revision_no"),
	CONSTRAINT "shot_dose_one_way" CHECK (num_nonnulls("shot_revision"."dose_net_g", "shot_revision"."dose_gross_g") <= 1 and ("shot_revision"."dose_gross_g" is null) = ("shot_revision"."dose_tare_g" is null)),
	CONSTRAINT "shot_dose_positive" CHECK (coalesce("shot_revision"."dose_net_g", "shot_revision"."dose_gross_g" - "shot_revision"."dose_tare_g", 1) > 0 and coalesce("shot_revision"."dose_tare_g", 0) >= 0),
	CONSTRAINT "shot_cup_one_way" CHECK (num_nonnulls("shot_revision"."cup_net_g", "shot_revision"."cup_gross_g") <= 1 and ("shot_revision"."cup_gross_g" is null) = ("shot_revision"."cup_tare_g" is null)),
	CONSTRAINT "shot_cup_not_negative" CHECK (coalesce("shot_revision"."cup_net_g", "shot_revision"."cup_gross_g" - "shot_revision"."cup_tare_g", 0) >= 0 and coalesce("shot_revision"."cup_tare_g", 0) >= 0),
	CONSTRAINT "shot_clock_whole" CHECK (num_nulls("shot_revision"."first_drop", "shot_revision"."stop_s", "shot_revision"."times_estimated") in (0, 3)),
	CONSTRAINT "shot_first_drop_marked" CHECK (("shot_revision"."first_drop" is not distinct from 'marked') = ("shot_revision"."first_drop_s" is not null)),
	CONSTRAINT "shot_instants_in_order" CHECK ("shot_revision"."stop_s" >= coalesce("shot_revision"."first_drop_s", 0) and coalesce("shot_revision"."first_drop_s", 0) >= 0),
	CONSTRAINT "shot_low_side_tilted" CHECK ("shot_revision"."tamp_low_side" is null or coalesce("shot_revision"."tamp_tilt" <> 'level', false)),
	CONSTRAINT "shot_tamp_tilt" CHECK ("shot_revision"."tamp_tilt" in ('level', 'slight', 'clear')),
	CONSTRAINT "shot_tamp_low_side" CHECK ("shot_revision"."tamp_low_side" in ('left', 'right', 'front', 'back')),
	CONSTRAINT "shot_first_drop" CHECK ("shot_revision"."first_drop" in ('marked', 'missed', 'none')),
	CONSTRAINT "shot_abandoned" CHECK ("shot_revision"."abandoned" in ('choked', 'gushed', 'spilt')),
	CONSTRAINT "shot_stream" CHECK ("shot_revision"."stream" in ('even', 'spurting', 'one-sided')),
	CONSTRAINT "shot_puck" CHECK ("shot_revision"."puck" in ('even', 'holes', 'thin-side', 'soup', 'powder')),
	CONSTRAINT "shot_sour" CHECK ("shot_revision"."sour" between 0 and 10),
	CONSTRAINT "shot_sweet" CHECK ("shot_revision"."sweet" between 0 and 10),
	CONSTRAINT "shot_bitter" CHECK ("shot_revision"."bitter" between 0 and 10),
	CONSTRAINT "shot_body" CHECK ("shot_revision"."body" between 0 and 10),
	CONSTRAINT "shot_dryness" CHECK ("shot_revision"."dryness" between 0 and 10)
);
--> statement-breakpoint
CREATE TABLE "vessel" (
	"academy_id" uuid NOT NULL,
	"vessel_id" uuid NOT NULL,
	"bar_id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"empty_g" numeric NOT NULL,
	CONSTRAINT "vessel_academy_id_vessel_id_pk" PRIMARY KEY("academy_id","vessel_id"),
	CONSTRAINT "vessel_kind" CHECK ("vessel"."kind" in ('portafilter', 'dosing-cup', 'cup')),
	CONSTRAINT "vessel_empty_g" CHECK ("vessel"."empty_g" > 0)
);
--> statement-breakpoint
ALTER TABLE "bag" ADD CONSTRAINT "bag_academy_id_coffee_id_coffee_academy_id_coffee_id_fk" FOREIGN KEY ("academy_id","coffee_id") REFERENCES "public"."coffee"("academy_id","coffee_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bar" ADD CONSTRAINT "bar_academy_id_academy_academy_id_fk" FOREIGN KEY ("academy_id") REFERENCES "public"."academy"("academy_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "coffee" ADD CONSTRAINT "coffee_academy_id_academy_academy_id_fk" FOREIGN KEY ("academy_id") REFERENCES "public"."academy"("academy_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "grinder" ADD CONSTRAINT "grinder_academy_id_bar_id_bar_academy_id_bar_id_fk" FOREIGN KEY ("academy_id","bar_id") REFERENCES "public"."bar"("academy_id","bar_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "person" ADD CONSTRAINT "person_academy_id_academy_academy_id_fk" FOREIGN KEY ("academy_id") REFERENCES "public"."academy"("academy_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recipe_revision" ADD CONSTRAINT "recipe_revision_academy_id_academy_academy_id_fk" FOREIGN KEY ("academy_id") REFERENCES "public"."academy"("academy_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_person" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_recipe_revision" FOREIGN KEY ("academy_id","recipe_revision_id") REFERENCES "public"."recipe_revision"("academy_id","recipe_revision_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_bar" FOREIGN KEY ("academy_id","bar_id") REFERENCES "public"."bar"("academy_id","bar_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_grinder" FOREIGN KEY ("academy_id","grinder_id") REFERENCES "public"."grinder"("academy_id","grinder_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_bag" FOREIGN KEY ("academy_id","bag_id") REFERENCES "public"."bag"("academy_id","bag_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_revision_shot" FOREIGN KEY ("academy_id","shot_id") REFERENCES "public"."shot"("academy_id","shot_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_dose_vessel" FOREIGN KEY ("academy_id","dose_vessel_id") REFERENCES "public"."vessel"("academy_id","vessel_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_cup_vessel" FOREIGN KEY ("academy_id","cup_vessel_id") REFERENCES "public"."vessel"("academy_id","vessel_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "vessel" ADD CONSTRAINT "vessel_academy_id_bar_id_bar_academy_id_bar_id_fk" FOREIGN KEY ("academy_id","bar_id") REFERENCES "public"."bar"("academy_id","bar_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bag_by_coffee" ON "bag" USING btree ("academy_id","coffee_id");--> statement-breakpoint
CREATE INDEX "shot_by_time" ON "shot" USING btree ("academy_id","pulled_at","shot_id");--> statement-breakpoint
CREATE INDEX "shot_of_person_by_time" ON "shot" USING btree ("academy_id","person_id","pulled_at","shot_id");