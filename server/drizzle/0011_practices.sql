CREATE TABLE `practices` (
	`batch_id` text PRIMARY KEY NOT NULL,
	`lesson` text NOT NULL,
	`seed` integer NOT NULL,
	`who` text NOT NULL,
	`started_at_ms` integer NOT NULL,
	`passed` integer,
	`points` integer
);
--> statement-breakpoint
CREATE INDEX `practices_by_start` ON `practices` (`started_at_ms`);