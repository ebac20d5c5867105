CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`bytes` blob NOT NULL,
	`created_at_ms` integer NOT NULL
);
