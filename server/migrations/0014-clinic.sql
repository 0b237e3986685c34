-- Cases of the clinic stand in the book: what was taken to be the cause, what was done about it, how it ended.
ALTER TABLE journal
  MODIFY type ENUM('watering', 'check', 'weights', 'sign', 'repotting', 'move', 'feeding', 'state', 'note',
    'skip', 'measure', 'flowering', 'drain', 'sun', 'review', 'firmed', 'arrival', 'picture', 'ended', 'changed',
    'sheltered', 'verdict', 'case-step', 'case-closed') NOT NULL;
ALTER TABLE journal ADD CONSTRAINT journal_clinic CHECK (
  type NOT IN ('verdict', 'case-step', 'case-closed') OR JSON_VALUE(detail, '$.cause') IS NOT NULL);
ALTER TABLE journal ADD CONSTRAINT journal_case_step CHECK (
  type <> 'case-step' OR JSON_VALUE(detail, '$.step') IS NOT NULL);
ALTER TABLE journal ADD CONSTRAINT journal_case_closed CHECK (
  type <> 'case-closed'
  OR IFNULL(JSON_VALUE(detail, '$.outcome'), '') IN ('cured', 'better', 'same', 'lost', 'mistaken', 'nothing', 'unknown'));
