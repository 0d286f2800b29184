CREATE TABLE `bay_readings` (
	`bay_id` text NOT NULL,
	`at_ms` integer NOT NULL,
	`air_c` real NOT NULL,
	`rh_pct` real NOT NULL,
	`source` text NOT NULL,
	`simulated` integer NOT NULL,
	PRIMARY KEY(`bay_id`, `at_ms`),
	FOREIGN KEY (`bay_id`) REFERENCES `bays`(`id`) ON UPDATE no action ON DELETE cascade
);
