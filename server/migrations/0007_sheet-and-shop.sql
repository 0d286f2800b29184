-- A product sheet is what its maker says; what is in hand and what was learned is the shop's.
ALTER TABLE `products` ADD `shop` text NOT NULL DEFAULT '{}';--> statement-breakpoint
UPDATE `products` SET `shop` = json_patch(
	json_object(
		'onHand', coalesce(json_extract(`sheet`, '$.onHand'), 0),
		'flashFactor', coalesce(json_extract(`sheet`, '$.flashFactor'), 1),
		'flashSigma', coalesce(json_extract(`sheet`, '$.flashSigma'), 0.2),
		'usageFactor', coalesce(json_extract(`sheet`, '$.usageFactor'), 1),
		'usageSigma', coalesce(json_extract(`sheet`, '$.usageSigma'), 0.15)
	),
	json_object('batch', json_extract(`sheet`, '$.batch'))
);--> statement-breakpoint
UPDATE `products` SET `sheet` = json_remove(
	`sheet`, '$.onHand', '$.batch', '$.flashFactor', '$.flashSigma', '$.usageFactor', '$.usageSigma'
);
