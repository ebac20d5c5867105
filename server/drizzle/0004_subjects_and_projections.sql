CREATE TABLE `batch_summaries` (
	`batch_id` text PRIMARY KEY NOT NULL,
	`soup_id` text NOT NULL,
	`version` integer NOT NULL,
	`soup_name` text NOT NULL,
	`ask` text NOT NULL,
	`planned` text NOT NULL,
	`started_at_ms` integer NOT NULL,
	`closed_at_ms` integer,
	`closed_figures` text,
	`late_entries` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `summaries_by_start` ON `batch_summaries` (`started_at_ms`,`batch_id`);--> statement-breakpoint
CREATE INDEX `summaries_by_closing` ON `batch_summaries` (`closed_at_ms`,`started_at_ms`);--> statement-breakpoint
CREATE TABLE `leftovers` (
	`entry_id` text PRIMARY KEY NOT NULL,
	`batch_id` text NOT NULL,
	`kg` real NOT NULL,
	`at_ms` integer NOT NULL,
	`who` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `leftovers_by_time` ON `leftovers` (`at_ms`);--> statement-breakpoint
CREATE INDEX `leftovers_by_batch` ON `leftovers` (`batch_id`);--> statement-breakpoint
CREATE TABLE `line_yields` (
	`batch_id` text NOT NULL,
	`line` text NOT NULL,
	`ingredient` text NOT NULL,
	`bought_kg` real NOT NULL,
	`kept_kg` real NOT NULL,
	PRIMARY KEY(`batch_id`, `line`)
);
--> statement-breakpoint
CREATE INDEX `yields_by_ingredient` ON `line_yields` (`ingredient`);--> statement-breakpoint
CREATE TABLE `open_timers` (
	`batch_id` text NOT NULL,
	`timer_id` text NOT NULL,
	`timer` text NOT NULL,
	PRIMARY KEY(`batch_id`, `timer_id`)
);
--> statement-breakpoint
CREATE TABLE `prices_in_force` (
	`ingredient` text PRIMARY KEY NOT NULL,
	`price_per_kg` real NOT NULL,
	`since` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `projection_days` (
	`projection` text PRIMARY KEY NOT NULL,
	`day` text NOT NULL
);
--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_entries` (
	`arrival` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`subject` text NOT NULL,
	`subject_id` text NOT NULL,
	`entry` text NOT NULL,
	`kind` text GENERATED ALWAYS AS (json_extract(entry, '$.deed.kind')) VIRTUAL,
	`received_at_ms` integer NOT NULL
);
--> statement-breakpoint
INSERT INTO `__new_entries`("arrival", "id", "subject", "subject_id", "entry", "received_at_ms") SELECT "arrival", "id", 'batch', "batch_id", "entry", "received_at_ms" FROM `entries`;--> statement-breakpoint
DROP TABLE `entries`;--> statement-breakpoint
ALTER TABLE `__new_entries` RENAME TO `entries`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE UNIQUE INDEX `entries_id_unique` ON `entries` (`id`);--> statement-breakpoint
CREATE INDEX `entries_by_subject` ON `entries` (`subject`,`subject_id`,`arrival`);--> statement-breakpoint
CREATE INDEX `entries_by_kind` ON `entries` (`subject`,`subject_id`,`kind`);--> statement-breakpoint
CREATE INDEX `batches_by_plan` ON `batches` (`plan_id`);--> statement-breakpoint
CREATE INDEX `batches_by_closing` ON `batches` (`closed_at_ms`,`started_at_ms`);