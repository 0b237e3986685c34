-- What happened to plants, one row a thing. Rows are only ever added; a mistake is voided, never erased.
-- The client makes client_id, so that sending twice is harmless.
CREATE TABLE journal (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  plant_id INT UNSIGNED NOT NULL,
  client_id CHAR(36) CHARACTER SET ascii NOT NULL,
  day DATE NOT NULL COMMENT 'the day it happened, in the site''s own time zone',
  type ENUM('watering', 'check', 'weights', 'sign', 'repotting', 'move', 'feeding', 'state', 'note') NOT NULL,
  detail JSON NOT NULL COMMENT 'the fields of the garden file''s event',
  written_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  written_by VARCHAR(80) NOT NULL,
  voided_at DATETIME(3) NULL,
  voided_by VARCHAR(80) NULL,
  UNIQUE KEY journal_client_id (client_id),
  KEY journal_of_plant_by_day (plant_id, day, id),
  CONSTRAINT journal_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id),
  CONSTRAINT journal_of_plant FOREIGN KEY (plant_id) REFERENCES plant (id),
  CONSTRAINT journal_voided_by_someone CHECK ((voided_at IS NULL) = (voided_by IS NULL)),
  CONSTRAINT journal_watering CHECK (type <> 'watering' OR IFNULL(JSON_VALUE(detail, '$.method'), '') IN ('drench', 'measured', 'bottom', 'mist')),
  CONSTRAINT journal_measured CHECK (type <> 'watering' OR IFNULL(JSON_VALUE(detail, '$.method'), '') <> 'measured' OR IFNULL(JSON_VALUE(detail, '$.amount_ml'), 0) > 0),
  CONSTRAINT journal_check CHECK (type <> 'check' OR
    (JSON_EXISTS(detail, '$.finger') + JSON_EXISTS(detail, '$.surface') + JSON_EXISTS(detail, '$.meter') + JSON_EXISTS(detail, '$.weight_g')) = 1),
  CONSTRAINT journal_sign CHECK (type <> 'sign' OR (JSON_VALUE(detail, '$.sign') IS NOT NULL AND IFNULL(JSON_VALUE(detail, '$.strength'), 0) BETWEEN 1 AND 3)),
  CONSTRAINT journal_state CHECK (type <> 'state' OR IFNULL(JSON_VALUE(detail, '$.state'), '') IN ('growing', 'easing', 'resting', 'waking'))
) ENGINE=InnoDB;
