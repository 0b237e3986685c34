-- How often a walking order was changed: what every server on this database keeps its answers by.
ALTER TABLE collection ADD walks INT UNSIGNED NOT NULL DEFAULT 0;
