-- Where on its bench a pot really stands; unknown until its keeper has set it there.
ALTER TABLE stay
  ADD COLUMN x_mm DOUBLE NULL COMMENT 'its middle, from the bench’s left edge as one stands before it',
  ADD COLUMN y_mm DOUBLE NULL COMMENT 'its middle, from the bench’s far edge',
  ADD CONSTRAINT stay_spot CHECK ((x_mm IS NULL) = (y_mm IS NULL));
