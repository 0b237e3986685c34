-- What the potting bench works with: the keeper's own measure and prices, what lies in the stores.
ALTER TABLE collection
  ADD scoop_ml INT UNSIGNED NULL COMMENT 'the keeper''s own measure for parts of a mix',
  ADD currency CHAR(3) CHARACTER SET ascii NULL COMMENT 'of prices in the stores',
  ADD pots_a_weekend SMALLINT UNSIGNED NOT NULL DEFAULT 8 COMMENT 'so many are potted on a free weekend';

ALTER TABLE mix ADD for_what VARCHAR(200) NULL COMMENT 'what it is for';

CREATE TABLE stock (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  kind ENUM('component', 'pot', 'feed', 'label') NOT NULL,
  name VARCHAR(120) NOT NULL,
  component_ref VARCHAR(220) NULL COMMENT 'of a component or a bagged mix: what it is',
  pot JSON NULL COMMENT 'of a pot: its measures, as in the garden file',
  amount DOUBLE NOT NULL DEFAULT 0 COMMENT 'litres of a component, pieces of pots and labels, ml or g of a feed',
  low DOUBLE NULL COMMENT 'from here down it is told of',
  price_minor INT UNSIGNED NULL COMMENT 'of a litre, a piece, or a hundred ml or g',
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY stock_name (collection_id, kind, name),
  CONSTRAINT stock_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id),
  CONSTRAINT stock_component CHECK ((kind = 'component') = (component_ref IS NOT NULL)),
  CONSTRAINT stock_pot CHECK ((kind = 'pot') = (pot IS NOT NULL))
) ENGINE=InnoDB;

-- How an amount came to be what it is: only ever added to.
CREATE TABLE stock_move (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  stock_id INT UNSIGNED NOT NULL,
  client_id CHAR(36) CHARACTER SET ascii NOT NULL,
  day DATE NOT NULL,
  amount DOUBLE NOT NULL COMMENT 'what came, below 0 what went',
  why ENUM('bought', 'counted', 'batch', 'potting') NOT NULL,
  written_by VARCHAR(80) NOT NULL,
  UNIQUE KEY stock_move_once (stock_id, client_id),
  CONSTRAINT move_of_stock FOREIGN KEY (stock_id) REFERENCES stock (id)
) ENGINE=InnoDB;
