CREATE TABLE `containers` (
	`id` text PRIMARY KEY NOT NULL,
	`leftover_id` text,
	`filled_kg` real NOT NULL,
	`is_gone` integer NOT NULL,
	`use_by_day` text NOT NULL,
	`container` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `containers_by_day` ON `containers` (`is_gone`,`use_by_day`);--> statement-breakpoint
CREATE INDEX `containers_by_leftover` ON `containers` (`leftover_id`);--> statement-breakpoint
CREATE TABLE `stock_entries` (
	`arrival` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`entry` text NOT NULL,
	`counter` integer GENERATED ALWAYS AS (json_extract(entry, '$.value.stamp.counter')) VIRTUAL,
	`at_ms` real GENERATED ALWAYS AS (json_extract(entry, '$.value.atMs')) VIRTUAL,
	`received_at_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `stock_entries_id_unique` ON `stock_entries` (`id`);--> statement-breakpoint
CREATE INDEX `stock_entries_by_time` ON `stock_entries` (`at_ms`);--> statement-breakpoint
CREATE INDEX `stock_entries_by_counter` ON `stock_entries` (`counter`);--> statement-breakpoint
CREATE TABLE `stock_ties` (
	`tie` text NOT NULL,
	`arrival` integer NOT NULL,
	PRIMARY KEY(`tie`, `arrival`)
);
--> statement-breakpoint
CREATE INDEX `ties_by_arrival` ON `stock_ties` (`arrival`);