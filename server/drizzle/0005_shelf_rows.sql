CREATE TABLE `shelf_rows` (
	`soup_id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`row` text NOT NULL,
	`facts` text NOT NULL,
	`made_for` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `summaries_by_soup` ON `batch_summaries` (`soup_id`,`started_at_ms`);