DROP INDEX `jobs_updated`;--> statement-breakpoint
DROP INDEX `jobs_item`;--> statement-breakpoint
ALTER TABLE `jobs` ADD `template_id` text GENERATED ALWAYS AS (json_extract(document, '$.item.template.id')) VIRTUAL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `test_spots` integer GENERATED ALWAYS AS (json_array_length(document, '$.prepare.tests')) VIRTUAL;--> statement-breakpoint
CREATE INDEX `jobs_listed` ON `jobs` (`removed_at`,`updated_at`,`id`,`version`);--> statement-breakpoint
CREATE INDEX `jobs_template` ON `jobs` (`template_id`,`test_spots`);--> statement-breakpoint
CREATE INDEX `jobs_item` ON `jobs` (`item_id`,`test_spots`);--> statement-breakpoint
-- What is kept of glances is worked out: it is worked out anew.
DROP TABLE `job_glances`;--> statement-breakpoint
CREATE TABLE `job_glances` (
	`job_id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`last_seq` integer NOT NULL,
	`standing` text NOT NULL,
	`at_ms` integer NOT NULL,
	`good_until_ms` integer NOT NULL,
	`phase` text NOT NULL,
	`start_ms` integer NOT NULL,
	`due_ms` integer,
	`item_id` text,
	`find` text NOT NULL,
	`glance` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `job_glances_item` ON `job_glances` (`item_id`,`start_ms`);
