-- What a timer says is told from a code, in its keeper's words and units; a sentence that is kept never changes again.
ALTER TABLE timer
  ADD code ENUM('saucer', 'outer-pot', 'lift', 'lift-now', 'fan', 'blot-heart', 'firm') NULL,
  ADD minutes SMALLINT UNSIGNED NULL COMMENT 'at most, in water';
UPDATE timer SET code = CASE
    WHEN kind = 'saucer' THEN IF(words LIKE '%outer pot%', 'outer-pot', 'saucer')
    WHEN kind = 'lift' THEN IF(words LIKE '%now:%', 'lift-now', 'lift')
    WHEN kind = 'fan' THEN IF(words LIKE '%heart%', 'blot-heart', 'fan')
    ELSE 'firm' END;
ALTER TABLE timer DROP words;
