CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`role` text NOT NULL,
	`surface` text,
	`mark` text,
	`pair_of` text,
	`tape` text,
	`note` text NOT NULL,
	`width_px` integer NOT NULL,
	`height_px` integer NOT NULL,
	`bytes` integer NOT NULL,
	`taken_at` text NOT NULL,
	`removed_at` text,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `photos_job` ON `photos` (`job_id`);