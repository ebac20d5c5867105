CREATE TABLE `corrections` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`ingredient` text NOT NULL,
	`row` text,
	`why` text NOT NULL,
	`created_at_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `corrections_by_ingredient` ON `corrections` (`ingredient`,`id`);--> statement-breakpoint
CREATE TABLE `prices` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`ingredient` text NOT NULL,
	`price_per_kg` real NOT NULL,
	`day` text NOT NULL,
	`source` text NOT NULL,
	`created_at_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `prices_by_ingredient` ON `prices` (`ingredient`,`day`);--> statement-breakpoint
ALTER TABLE `plans` ADD `ticks` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `plans` ADD `bowl_price` real;--> statement-breakpoint
ALTER TABLE `soups` ADD `tags` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `soups` ADD `retired_at_ms` integer;