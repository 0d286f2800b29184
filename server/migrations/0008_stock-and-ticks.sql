CREATE TABLE `stock_log` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`thing` text NOT NULL,
	`at` text NOT NULL,
	`by` text,
	`recorded_at` text NOT NULL,
	`entry` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `stock_log_id` ON `stock_log` (`id`);--> statement-breakpoint
CREATE INDEX `stock_log_thing` ON `stock_log` (`thing`,`seq`);--> statement-breakpoint
CREATE TABLE `ticks` (
	`job_id` text NOT NULL,
	`line` text NOT NULL,
	`at` text NOT NULL,
	`by` text,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `ticks_line` ON `ticks` (`job_id`,`line`);--> statement-breakpoint
-- The stock log only grows, as the run log does.
CREATE TRIGGER stock_log_never_changed BEFORE UPDATE ON stock_log
BEGIN
  SELECT RAISE(ABORT, 'the stock log is append-only');
END;
--> statement-breakpoint
CREATE TRIGGER stock_log_never_removed BEFORE DELETE ON stock_log
BEGIN
  SELECT RAISE(ABORT, 'the stock log is append-only');
END;
--> statement-breakpoint
-- A figure on a sheet becomes one thing in stock.
INSERT INTO stock_log (id, thing, at, recorded_at, entry)
SELECT
	'first-' || rowid, 'first-' || rowid, `updated_at`, `updated_at`,
	json_object('type', 'bought', 'thing', 'first-' || rowid, 'as', json_patch(
		json_object(
			'kind', 'product', 'of', `id`,
			'size', json_extract(`shop`, '$.onHand'),
			'unit', json_extract(`sheet`, '$.unit')
		),
		json_object('batch', nullif(trim(coalesce(json_extract(`shop`, '$.batch'), '')), ''))
	))
FROM `products` WHERE json_extract(`shop`, '$.onHand') > 0;
--> statement-breakpoint
UPDATE `products` SET `shop` = json_remove(`shop`, '$.onHand', '$.batch');
