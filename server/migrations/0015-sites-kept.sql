-- Usual weather that was guessed is told as a guess; sites and benches can go while the books of what stood there stay.
ALTER TABLE site
  ADD COLUMN usual_guessed BOOLEAN NOT NULL DEFAULT FALSE COMMENT 'normals come from the towns around, not from a keeper or a file',
  ADD COLUMN dropped_on DATE NULL COMMENT 'no longer kept: only books tell of it';
ALTER TABLE place
  ADD COLUMN dropped_on DATE NULL COMMENT 'no longer kept: only books tell of it';
ALTER TABLE collection
  ADD COLUMN reach_url VARCHAR(200) NULL COMMENT 'where a phone reaches us, for codes and calendars';
