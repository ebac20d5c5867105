CREATE TABLE `doors` (
	`id` integer PRIMARY KEY NOT NULL,
	`salt` text NOT NULL,
	`hash` text NOT NULL,
	`changed_at_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `visits` (
	`token_hash` text PRIMARY KEY NOT NULL,
	`until_ms` integer NOT NULL
);
