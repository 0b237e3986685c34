-- The pot lifted by hand, and the keeper's answer that it dries otherwise than it did.
ALTER TABLE journal
  MODIFY type ENUM('watering', 'check', 'weights', 'sign', 'repotting', 'move', 'feeding', 'state', 'note',
    'skip', 'measure', 'flowering', 'drain', 'sun', 'review', 'firmed', 'arrival', 'picture', 'ended', 'changed') NOT NULL;
ALTER TABLE journal DROP CONSTRAINT journal_check;
ALTER TABLE journal ADD CONSTRAINT journal_check CHECK (type <> 'check' OR
    (JSON_EXISTS(detail, '$.finger') + JSON_EXISTS(detail, '$.surface') + JSON_EXISTS(detail, '$.meter') + JSON_EXISTS(detail, '$.weight_g') + JSON_EXISTS(detail, '$.lift')) = 1);
ALTER TABLE journal ADD CONSTRAINT journal_changed CHECK (type <> 'changed' OR IFNULL(JSON_VALUE(detail, '$.pace'), '') IN ('slower', 'faster'));
-- A keeper who is no longer sure of a state takes back what they saw.
ALTER TABLE journal DROP CONSTRAINT journal_state;
ALTER TABLE journal ADD CONSTRAINT journal_state CHECK (type <> 'state' OR IFNULL(JSON_VALUE(detail, '$.state'), '') IN ('growing', 'easing', 'resting', 'waking', 'unsure'));
