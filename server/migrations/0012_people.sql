CREATE TABLE `deeds` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` text NOT NULL,
	`by` text,
	`tablet` text,
	`deed` text NOT NULL,
	`of_kind` text,
	`of_id` text
);
--> statement-breakpoint
CREATE TABLE `guest_links` (
	`id` text PRIMARY KEY NOT NULL,
	`token_hash` text NOT NULL,
	`job_id` text NOT NULL,
	`made_at` text NOT NULL,
	`until` text NOT NULL,
	`cut_at` text,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `guest_links_token` ON `guest_links` (`token_hash`);--> statement-breakpoint
CREATE INDEX `guest_links_job` ON `guest_links` (`job_id`);--> statement-breakpoint
CREATE TABLE `pairings` (
	`code_hash` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`expires_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL,
	`password_hash` text,
	`pin_hash` text,
	`edition` integer NOT NULL,
	`left_at` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `people_name` ON `people` (lower("name"));--> statement-breakpoint
CREATE TABLE `sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`data` text NOT NULL,
	`expires_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `sessions_expires` ON `sessions` (`expires_ms`);--> statement-breakpoint
CREATE TABLE `shop_settings` (
	`name` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `tablets` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`paired_at` text NOT NULL,
	`seen_at` text,
	`cut_at` text
);
--> statement-breakpoint
CREATE TRIGGER deeds_never_changed BEFORE UPDATE ON deeds
BEGIN
  SELECT RAISE(ABORT, 'what was done is append-only');
END;
--> statement-breakpoint
CREATE TRIGGER deeds_never_removed BEFORE DELETE ON deeds
BEGIN
  SELECT RAISE(ABORT, 'what was done is append-only');
END;
