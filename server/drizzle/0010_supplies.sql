CREATE TABLE `batch_uses` (
	`batch_id` text NOT NULL,
	`ingredient` text NOT NULL,
	`kg` real NOT NULL,
	`at_ms` integer NOT NULL,
	PRIMARY KEY(`batch_id`, `ingredient`)
);
--> statement-breakpoint
CREATE INDEX `uses_by_ingredient` ON `batch_uses` (`ingredient`);--> statement-breakpoint
CREATE TABLE `buyings` (
	`ingredient` text PRIMARY KEY NOT NULL,
	`buying` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `supply_entries` (
	`id` text PRIMARY KEY NOT NULL,
	`entry` text NOT NULL,
	`received_at_ms` integer NOT NULL
);
