CREATE TABLE `kit` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`entry` text NOT NULL
);
