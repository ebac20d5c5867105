CREATE TABLE `days` (
	`date` text PRIMARY KEY NOT NULL,
	`day` text NOT NULL,
	`changed_at_ms` integer NOT NULL
);
