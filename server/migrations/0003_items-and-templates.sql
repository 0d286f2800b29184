CREATE TABLE `templates` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`kept` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `item_id` text GENERATED ALWAYS AS (json_extract(document, '$.item.id')) VIRTUAL;--> statement-breakpoint
CREATE INDEX `jobs_item` ON `jobs` (`item_id`);