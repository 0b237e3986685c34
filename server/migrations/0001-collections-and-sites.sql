-- A collection is what one keeper, or one household, owns. Every row elsewhere belongs to one.
CREATE TABLE collection (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  CONSTRAINT collection_name_not_blank CHECK (TRIM(name) <> '')
) ENGINE=InnoDB;

-- Where plants stand on the globe: a site has one sky, one time zone and its usual weather.
CREATE TABLE site (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  name VARCHAR(120) NOT NULL,
  walk_order INT NOT NULL DEFAULT 0,
  latitude_deg DECIMAL(8,5) NOT NULL,
  longitude_deg DECIMAL(8,5) NOT NULL,
  elevation_m SMALLINT NOT NULL,
  time_zone VARCHAR(64) NOT NULL,
  normals JSON NOT NULL COMMENT 'twelve monthly figures each, as in the garden file',
  version INT UNSIGNED NOT NULL DEFAULT 1,
  revision INT UNSIGNED NOT NULL DEFAULT 1 COMMENT 'counts changes of its weather, places, mixes and plants'' whereabouts: what forecasts are kept by',
  CONSTRAINT site_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id),
  CONSTRAINT site_latitude CHECK (latitude_deg BETWEEN -90 AND 90),
  CONSTRAINT site_longitude CHECK (longitude_deg BETWEEN -180 AND 180),
  CONSTRAINT site_elevation CHECK (elevation_m BETWEEN -450 AND 9000),
  CONSTRAINT site_name_not_blank CHECK (TRIM(name) <> '')
) ENGINE=InnoDB;

CREATE TABLE weather_day (
  site_id INT UNSIGNED NOT NULL,
  day DATE NOT NULL,
  tmin_c DECIMAL(4,1) NOT NULL,
  tmax_c DECIMAL(4,1) NOT NULL,
  rh_pct DECIMAL(4,1) NOT NULL,
  sunshine_h DECIMAL(4,1) NOT NULL,
  rain_mm DECIMAL(6,1) NOT NULL,
  wind_m_s DECIMAL(4,1) NOT NULL,
  source ENUM('observed', 'forecast') NOT NULL,
  PRIMARY KEY (site_id, day),
  CONSTRAINT weather_of_site FOREIGN KEY (site_id) REFERENCES site (id),
  CONSTRAINT weather_low_to_high CHECK (tmin_c <= tmax_c AND tmin_c >= -90 AND tmax_c <= 60),
  CONSTRAINT weather_ranges CHECK (rh_pct BETWEEN 0 AND 100 AND sunshine_h BETWEEN 0 AND 24 AND rain_mm BETWEEN 0 AND 2000 AND wind_m_s BETWEEN 0 AND 80)
) ENGINE=InnoDB;
