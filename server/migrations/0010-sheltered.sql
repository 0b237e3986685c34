-- A plant that was brought in or covered for the night, or is left out knowingly.
ALTER TABLE journal
  MODIFY type ENUM('watering', 'check', 'weights', 'sign', 'repotting', 'move', 'feeding', 'state', 'note',
    'skip', 'measure', 'flowering', 'drain', 'sun', 'review', 'firmed', 'arrival', 'picture', 'ended', 'changed',
    'sheltered') NOT NULL;
ALTER TABLE journal ADD CONSTRAINT journal_sheltered CHECK (type <> 'sheltered' OR IFNULL(JSON_VALUE(detail, '$.how'), '') IN ('in', 'covered', 'left'));
