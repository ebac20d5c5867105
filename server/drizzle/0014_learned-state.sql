CREATE TABLE `learned_states` (
	`id` integer PRIMARY KEY NOT NULL,
	`state` text NOT NULL
);
