CREATE TABLE `batches` (
	`id` text PRIMARY KEY NOT NULL,
	`plan_id` text NOT NULL,
	`started_at_ms` integer NOT NULL,
	`closed_at_ms` integer,
	`closed_figures` text,
	FOREIGN KEY (`plan_id`) REFERENCES `plans`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `entries` (
	`arrival` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`batch_id` text NOT NULL,
	`entry` text NOT NULL,
	`late` integer NOT NULL,
	`received_at_ms` integer NOT NULL,
	FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `entries_id_unique` ON `entries` (`id`);--> statement-breakpoint
CREATE INDEX `entries_by_batch` ON `entries` (`batch_id`,`arrival`);--> statement-breakpoint
CREATE TABLE `kitchens` (
	`id` integer PRIMARY KEY NOT NULL,
	`kit` text NOT NULL,
	`changed_at_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `plans` (
	`id` text PRIMARY KEY NOT NULL,
	`soup_id` text NOT NULL,
	`version` integer NOT NULL,
	`ask` text NOT NULL,
	`snapshot` text NOT NULL,
	`figures` text NOT NULL,
	`created_at_ms` integer NOT NULL,
	FOREIGN KEY (`soup_id`) REFERENCES `soups`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `soup_versions` (
	`soup_id` text NOT NULL,
	`version` integer NOT NULL,
	`soup` text NOT NULL,
	`note` text NOT NULL,
	`created_at_ms` integer NOT NULL,
	PRIMARY KEY(`soup_id`, `version`),
	FOREIGN KEY (`soup_id`) REFERENCES `soups`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `soups` (
	`id` text PRIMARY KEY NOT NULL,
	`created_at_ms` integer NOT NULL
);
