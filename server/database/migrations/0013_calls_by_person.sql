CREATE INDEX "call_of_person" ON "call" USING btree ("academy_id","person_id");--> statement-breakpoint
CREATE INDEX "slip_filled_by" ON "slip" USING btree ("academy_id","filled_by");--> statement-breakpoint
ALTER TABLE "call" ADD CONSTRAINT "call_verdict" CHECK ("call"."verdict" in ('under', 'balanced', 'over', 'uneven', 'unclear'));