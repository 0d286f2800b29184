CREATE TABLE `handovers` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`at` text NOT NULL,
	`by` text,
	`signed_by` text NOT NULL,
	`strokes` text NOT NULL,
	`passport` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `handovers_job` ON `handovers` (`job_id`,`at`);--> statement-breakpoint
CREATE TABLE `taken_passports` (
	`item_id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`at` text NOT NULL,
	`file` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TRIGGER handovers_never_changed BEFORE UPDATE ON handovers
BEGIN
  SELECT RAISE(ABORT, 'what was signed is append-only');
END;
--> statement-breakpoint
CREATE TRIGGER handovers_never_removed BEFORE DELETE ON handovers
BEGIN
  SELECT RAISE(ABORT, 'what was signed is append-only');
END;
