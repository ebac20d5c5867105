CREATE TABLE `menu_cycles` (
	`id` integer PRIMARY KEY NOT NULL,
	`cycle` text NOT NULL,
	`changed_at_ms` integer NOT NULL
);
