CREATE TABLE `batch_evidence` (
	`batch_id` text PRIMARY KEY NOT NULL,
	`at_ms` integer NOT NULL,
	`evidence` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `learning_batches` (
	`batch_id` text PRIMARY KEY NOT NULL,
	`counts` integer NOT NULL,
	`at_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `learning_choices` (
	`key` text PRIMARY KEY NOT NULL,
	`holds` real,
	`since_ms` integer,
	`at_ms` integer NOT NULL
);
