-- What a device said it was, where its clock was another than the workshop's.
ALTER TABLE `run_log` ADD `device_at` text;--> statement-breakpoint
ALTER TABLE `stock_log` ADD `device_at` text;