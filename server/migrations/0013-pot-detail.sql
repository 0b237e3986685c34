-- What a pot is besides its measures: dark ones heat up in the sun, small holes let little through.
ALTER TABLE potting
  ADD dark BOOLEAN NULL,
  ADD hole_count TINYINT UNSIGNED NULL,
  ADD hole_mm TINYINT UNSIGNED NULL COMMENT 'across, of one hole',
  ADD CONSTRAINT potting_holes CHECK (
    (hole_count IS NULL OR hole_count BETWEEN 1 AND 60) AND (hole_mm IS NULL OR hole_mm BETWEEN 1 AND 120));
