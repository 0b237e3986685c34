-- Looked at for a new pot, and it fits the one it has: the next look is a year away.
ALTER TABLE journal
  MODIFY type ENUM('watering', 'check', 'weights', 'sign', 'repotting', 'move', 'feeding', 'state', 'note',
    'skip', 'measure', 'flowering', 'drain', 'sun', 'review', 'firmed', 'arrival', 'picture', 'ended', 'changed',
    'sheltered', 'verdict', 'case-step', 'case-closed', 'pot-fits') NOT NULL;
