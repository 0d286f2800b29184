CREATE TABLE `bays` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`name` text NOT NULL,
	`climate` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `job_versions` (
	`job_id` text NOT NULL,
	`version` integer NOT NULL,
	`draft` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `job_versions_key` ON `job_versions` (`job_id`,`version`);--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`bay_id` text,
	`air_source` text NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	FOREIGN KEY (`bay_id`) REFERENCES `bays`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `jobs_updated` ON `jobs` (`updated_at`);--> statement-breakpoint
CREATE TABLE `products` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`sheet` text NOT NULL,
	`updated_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `run_log` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`job_id` text NOT NULL,
	`at` text NOT NULL,
	`by` text,
	`recorded_at` text NOT NULL,
	`entry` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `run_log_id` ON `run_log` (`job_id`,`id`);--> statement-breakpoint
CREATE INDEX `run_log_job` ON `run_log` (`job_id`,`seq`);