CREATE TABLE `job_glances` (
	`job_id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`last_seq` integer NOT NULL,
	`standing` text NOT NULL,
	`at_ms` integer NOT NULL,
	`good_until_ms` integer NOT NULL,
	`glance` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
