CREATE INDEX "call_of_person" ON "call" USING btree ("academy_id","person_id");--> statement-breakpoint
CREATE INDEX "shot_of_dial_in_by_time" ON "shot" USING btree ("academy_id","grinder_id","pulled_at") WHERE "shot"."purpose" in ('dial-in', 'experiment');--> statement-breakpoint
CREATE INDEX "slip_filled_by" ON "slip" USING btree ("academy_id","filled_by");--> statement-breakpoint
ALTER TABLE "call" ADD CONSTRAINT "call_verdict" CHECK ("call"."verdict" in ('under', 'balanced', 'over', 'uneven', 'unclear'));