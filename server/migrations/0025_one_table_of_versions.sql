-- Earlier states of jobs lie where those of everything else do. What is kept of computing names the models it is by.
CREATE TABLE `job_summaries` (
	`job_id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`last_seq` integer NOT NULL,
	`model` text NOT NULL,
	`standing` text NOT NULL,
	`at_ms` integer NOT NULL,
	`good_until_ms` integer NOT NULL,
	`phase` text NOT NULL,
	`start_ms` integer NOT NULL,
	`due_ms` integer,
	`item_id` text,
	`find` text NOT NULL,
	`summary` text NOT NULL,
	`demand` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `job_summaries_item` ON `job_summaries` (`item_id`,`start_ms`);--> statement-breakpoint
DROP TABLE `job_glances`;--> statement-breakpoint
INSERT INTO `former_versions` (`kind`, `id`, `version`, `body`) SELECT 'job', `job_id`, `version`, `draft` FROM `job_versions`;--> statement-breakpoint
DROP TABLE `job_versions`;--> statement-breakpoint
DROP TABLE `job_lessons`;--> statement-breakpoint
CREATE TABLE `job_lessons` (
	`job_id` text PRIMARY KEY NOT NULL,
	`last_seq` integer NOT NULL,
	`model` text NOT NULL,
	`lesson` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
