-- A floor of crocks takes room from the mix and lifts its wet layer.
ALTER TABLE potting
  ADD crocks_mm SMALLINT UNSIGNED NULL,
  ADD CONSTRAINT potting_crocks CHECK (crocks_mm IS NULL OR crocks_mm BETWEEN 1 AND 200);
