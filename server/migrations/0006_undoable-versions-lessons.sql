CREATE TABLE `former_versions` (
	`kind` text NOT NULL,
	`id` text NOT NULL,
	`version` integer NOT NULL,
	`body` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `former_versions_key` ON `former_versions` (`kind`,`id`,`version`);--> statement-breakpoint
CREATE TABLE `job_lessons` (
	`job_id` text PRIMARY KEY NOT NULL,
	`last_seq` integer NOT NULL,
	`lesson` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `removed_at` text;