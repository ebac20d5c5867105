ALTER TABLE `doors` RENAME TO `pins`;--> statement-breakpoint
ALTER TABLE `visits` RENAME TO `sessions`;--> statement-breakpoint
ALTER TABLE `batch_summaries` RENAME COLUMN "ask" TO "request";--> statement-breakpoint
ALTER TABLE `plans` RENAME COLUMN "ask" TO "request";--> statement-breakpoint
DROP INDEX `entries_by_kind`;--> statement-breakpoint
ALTER TABLE `entries` DROP COLUMN `kind`;--> statement-breakpoint
ALTER TABLE `entries` ADD `kind` text GENERATED ALWAYS AS (coalesce(json_extract(entry, '$.value.action.kind'), json_extract(entry, '$.deed.kind'))) VIRTUAL;--> statement-breakpoint
ALTER TABLE `entries` ADD `line` text GENERATED ALWAYS AS (coalesce(json_extract(entry, '$.value.action.line'), json_extract(entry, '$.deed.line'))) VIRTUAL;--> statement-breakpoint
CREATE INDEX `entries_by_kind` ON `entries` (`subject`,`subject_id`,`kind`);
