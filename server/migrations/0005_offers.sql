CREATE TABLE `offers` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`offer` text NOT NULL
);
