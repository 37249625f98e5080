-- A film festival: films, screenings, passes, juries.
CREATE TABLE country (
  code CHAR(2) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(80) NOT NULL,
  PRIMARY KEY (code),
  UNIQUE KEY uq_country_name (name),
  CONSTRAINT country_code CHECK (REGEXP_LIKE(code, '^[A-Z]{2}$', 'c'))
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_0900_ai_ci;

CREATE TABLE edition (
  year YEAR NOT NULL,
  title VARCHAR(120) NOT NULL,
  starts_on DATE NOT NULL,
  ends_on DATE NOT NULL,
  budget DECIMAL(12,2) UNSIGNED NOT NULL DEFAULT 0.00,
  is_public BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (year),
  CONSTRAINT edition_days CHECK (ends_on >= starts_on AND DATEDIFF(ends_on, starts_on) <= 30)
) ENGINE=InnoDB;

CREATE TABLE section (
  id SMALLINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  edition_year YEAR NOT NULL,
  slug VARCHAR(40) NOT NULL,
  title VARCHAR(120) NOT NULL,
  competitive TINYINT(1) NOT NULL DEFAULT '0',
  position TINYINT UNSIGNED NOT NULL DEFAULT 0,
  UNIQUE KEY uq_section (edition_year, slug),
  CONSTRAINT fk_section_edition FOREIGN KEY (edition_year) REFERENCES edition (year),
  CONSTRAINT section_slug CHECK (slug REGEXP '^[a-z][a-z0-9-]{1,38}$')
);

CREATE TABLE person (
  id BINARY(16) NOT NULL DEFAULT (UUID_TO_BIN(UUID(), 1)) PRIMARY KEY,
  given_name VARCHAR(60) NOT NULL,
  family_name VARCHAR(60) NOT NULL,
  full_name VARCHAR(121) GENERATED ALWAYS AS (CONCAT(given_name, ' ', family_name)) STORED,
  email VARCHAR(254) DEFAULT NULL,
  born_on DATE DEFAULT NULL,
  country_code CHAR(2) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  biography MEDIUMTEXT,
  links JSON DEFAULT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  updated_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3) ON UPDATE CURRENT_TIMESTAMP(3),
  UNIQUE KEY uq_person_email ((LOWER(email))),
  KEY ix_person_name (family_name, given_name),
  FULLTEXT KEY ft_person (biography),
  CONSTRAINT fk_person_country FOREIGN KEY (country_code) REFERENCES country (code) ON DELETE SET NULL,
  CONSTRAINT person_email CHECK (email IS NULL OR email LIKE '%_@_%.__%'),
  CONSTRAINT person_links CHECK (links IS NULL OR JSON_SCHEMA_VALID('{"type":"array","items":{"type":"string"}}', links))
);

CREATE TABLE film (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  original_title VARCHAR(200) NOT NULL,
  english_title VARCHAR(200) DEFAULT NULL,
  minutes SMALLINT UNSIGNED NOT NULL,
  made_in YEAR NOT NULL,
  colour ENUM('colour','black and white','both') NOT NULL DEFAULT 'colour',
  formats SET('dcp','35mm','16mm','file') NOT NULL,
  aspect DECIMAL(3,2) DEFAULT NULL,
  rating ENUM('0','6','12','16','18') DEFAULT NULL,
  languages JSON NOT NULL,
  is_short BOOLEAN AS (minutes < 40) VIRTUAL,
  premiere ENUM('world','international','national','none') NOT NULL DEFAULT 'none',
  sequel_to INT UNSIGNED DEFAULT NULL,
  internal_note VARCHAR(500) INVISIBLE DEFAULT NULL,
  UNIQUE KEY uq_film (original_title, made_in),
  KEY ix_film_languages ((CAST(languages AS CHAR(2) ARRAY))),
  CONSTRAINT fk_film_sequel FOREIGN KEY (sequel_to) REFERENCES film (id) ON DELETE SET NULL,
  CONSTRAINT film_minutes CHECK (minutes BETWEEN 1 AND 900),
  CONSTRAINT film_aspect CHECK (aspect IN (1.33, 1.37, 1.66, 1.78, 1.85, 2.39))
);

CREATE TABLE film_country (
  film_id INT UNSIGNED NOT NULL,
  country_code CHAR(2) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  share DECIMAL(5,2) NOT NULL DEFAULT 100,
  PRIMARY KEY (film_id, country_code),
  CONSTRAINT fk_fc_film FOREIGN KEY (film_id) REFERENCES film (id) ON DELETE CASCADE,
  CONSTRAINT fk_fc_country FOREIGN KEY (country_code) REFERENCES country (code) ON UPDATE CASCADE,
  CONSTRAINT fc_share CHECK (share > 0 AND share <= 100)
);

CREATE TABLE credit (
  film_id INT UNSIGNED NOT NULL,
  person_id BINARY(16) NOT NULL,
  role ENUM('director','writer','camera','editor','cast','music','producer') NOT NULL,
  billing SMALLINT UNSIGNED NOT NULL DEFAULT 1,
  character_name VARCHAR(100) DEFAULT NULL,
  PRIMARY KEY (film_id, person_id, role),
  KEY ix_credit_person (person_id, role),
  CONSTRAINT fk_credit_film FOREIGN KEY (film_id) REFERENCES film (id) ON DELETE CASCADE,
  CONSTRAINT fk_credit_person FOREIGN KEY (person_id) REFERENCES person (id),
  CONSTRAINT credit_character CHECK (character_name IS NULL OR role = 'cast')
);

CREATE TABLE submission (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  film_id INT UNSIGNED NOT NULL,
  edition_year YEAR NOT NULL,
  submitted_by BINARY(16) DEFAULT NULL,
  submitted_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  fee DECIMAL(6,2) NOT NULL DEFAULT '0.00',
  status ENUM('received','viewing','accepted','declined','withdrawn') NOT NULL DEFAULT 'received',
  decided_at TIMESTAMP NULL DEFAULT NULL,
  screener_url VARCHAR(300) DEFAULT NULL,
  screener_hash CHAR(64) CHARACTER SET latin1 DEFAULT NULL,
  UNIQUE KEY uq_submission (film_id, edition_year),
  CONSTRAINT fk_sub_film FOREIGN KEY (film_id) REFERENCES film (id),
  CONSTRAINT fk_sub_edition FOREIGN KEY (edition_year) REFERENCES edition (year),
  CONSTRAINT fk_sub_person FOREIGN KEY (submitted_by) REFERENCES person (id) ON DELETE SET NULL,
  CONSTRAINT sub_decided CHECK ((status IN ('accepted','declined')) = (decided_at IS NOT NULL)),
  CONSTRAINT sub_url CHECK (screener_url IS NULL OR screener_url LIKE 'https://%'),
  CONSTRAINT sub_hash CHECK (screener_hash REGEXP '^[0-9a-f]{64}$')
);

CREATE TABLE viewing (
  submission_id BIGINT UNSIGNED NOT NULL,
  viewer_id BINARY(16) NOT NULL,
  score TINYINT UNSIGNED NOT NULL,
  remark TEXT,
  viewed_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (submission_id, viewer_id),
  CONSTRAINT fk_viewing_sub FOREIGN KEY (submission_id) REFERENCES submission (id) ON DELETE CASCADE,
  CONSTRAINT fk_viewing_viewer FOREIGN KEY (viewer_id) REFERENCES person (id),
  CONSTRAINT viewing_score CHECK (score BETWEEN 1 AND 10)
);

CREATE TABLE venue (
  id SMALLINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(100) NOT NULL UNIQUE,
  street VARCHAR(120) NOT NULL,
  place POINT NOT NULL SRID 4326,
  opening_hours JSON NOT NULL,
  SPATIAL INDEX sx_venue (place)
);

CREATE TABLE hall (
  venue_id SMALLINT UNSIGNED NOT NULL,
  hall_no TINYINT UNSIGNED NOT NULL,
  name VARCHAR(60) DEFAULT NULL,
  seats SMALLINT UNSIGNED NOT NULL,
  wheelchair_places TINYINT UNSIGNED NOT NULL DEFAULT 0,
  projector_flags BIT(4) NOT NULL DEFAULT b'0001',
  PRIMARY KEY (venue_id, hall_no),
  CONSTRAINT fk_hall_venue FOREIGN KEY (venue_id) REFERENCES venue (id),
  CONSTRAINT hall_seats CHECK (seats > 0 AND wheelchair_places <= seats)
);

CREATE TABLE seat (
  venue_id SMALLINT UNSIGNED NOT NULL,
  hall_no TINYINT UNSIGNED NOT NULL,
  row_label CHAR(1) NOT NULL,
  seat_no TINYINT UNSIGNED NOT NULL,
  kind ENUM('normal','aisle','wheelchair') NOT NULL DEFAULT 'normal',
  PRIMARY KEY (venue_id, hall_no, row_label, seat_no),
  CONSTRAINT fk_seat_hall FOREIGN KEY (venue_id, hall_no) REFERENCES hall (venue_id, hall_no) ON DELETE CASCADE,
  CONSTRAINT seat_row CHECK (row_label BETWEEN 'A' AND 'Z'),
  CONSTRAINT seat_no CHECK (seat_no BETWEEN 1 AND 60)
);

CREATE TABLE screening (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  section_id SMALLINT UNSIGNED NOT NULL,
  venue_id SMALLINT UNSIGNED NOT NULL,
  hall_no TINYINT UNSIGNED NOT NULL,
  starts_at DATETIME NOT NULL,
  ends_at DATETIME NOT NULL,
  price DECIMAL(5,2) NOT NULL DEFAULT 9.50,
  state VARCHAR(12) NOT NULL DEFAULT 'planned',
  sold INT NOT NULL DEFAULT 0,
  version INT UNSIGNED NOT NULL DEFAULT 0,
  UNIQUE KEY uq_screening (venue_id, hall_no, starts_at),
  KEY ix_screening_state (state, starts_at),
  CONSTRAINT fk_scr_section FOREIGN KEY (section_id) REFERENCES section (id),
  CONSTRAINT fk_scr_hall FOREIGN KEY (venue_id, hall_no) REFERENCES hall (venue_id, hall_no),
  CONSTRAINT scr_time CHECK (ends_at > starts_at AND ends_at <= starts_at + INTERVAL 12 HOUR),
  CONSTRAINT scr_state CHECK (state IN ('planned','on sale','sold out','cancelled')),
  CONSTRAINT scr_sold CHECK (sold >= 0)
);

CREATE TABLE screening_film (
  screening_id BIGINT NOT NULL,
  position TINYINT UNSIGNED NOT NULL,
  film_id INT UNSIGNED NOT NULL,
  PRIMARY KEY (screening_id, position),
  UNIQUE KEY uq_screening_film (screening_id, film_id),
  CONSTRAINT fk_sf_screening FOREIGN KEY (screening_id) REFERENCES screening (id) ON DELETE CASCADE,
  CONSTRAINT fk_sf_film FOREIGN KEY (film_id) REFERENCES film (id)
);

CREATE TABLE pass_type (
  code VARCHAR(10) NOT NULL PRIMARY KEY,
  title VARCHAR(60) NOT NULL,
  price DECIMAL(7,2) NOT NULL,
  valid_days TINYINT UNSIGNED DEFAULT NULL,
  perks SET('early entry','lounge','catalogue') NOT NULL DEFAULT '',
  CONSTRAINT pass_price CHECK (price >= 0)
);

CREATE TABLE visitor (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  login VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  email VARCHAR(254) NOT NULL,
  password_hash VARBINARY(60) NOT NULL,
  born_on DATE DEFAULT NULL,
  newsletter BOOLEAN NOT NULL DEFAULT TRUE,
  last_ip VARBINARY(16) DEFAULT NULL,
  deleted_at DATETIME(6) DEFAULT NULL,
  live_email VARCHAR(254) AS (IF(deleted_at IS NULL, email, NULL)) VIRTUAL,
  UNIQUE KEY uq_visitor_login (login),
  UNIQUE KEY uq_visitor_live_email (live_email)
);

CREATE TABLE pass (
  barcode CHAR(13) NOT NULL PRIMARY KEY,
  visitor_id BIGINT UNSIGNED NOT NULL,
  pass_type VARCHAR(10) NOT NULL,
  edition_year YEAR NOT NULL,
  issued_at TIMESTAMP(6) NOT NULL DEFAULT CURRENT_TIMESTAMP(6),
  blocked TINYINT(1) NOT NULL DEFAULT 0,
  photo BLOB,
  UNIQUE KEY uq_pass (visitor_id, edition_year),
  CONSTRAINT fk_pass_visitor FOREIGN KEY (visitor_id) REFERENCES visitor (id),
  CONSTRAINT fk_pass_type FOREIGN KEY (pass_type) REFERENCES pass_type (code) ON UPDATE CASCADE,
  CONSTRAINT fk_pass_edition FOREIGN KEY (edition_year) REFERENCES edition (year),
  CONSTRAINT pass_barcode CHECK (barcode REGEXP '^[0-9]{13}$')
);

CREATE TABLE ticket (
  screening_id BIGINT NOT NULL,
  venue_id SMALLINT UNSIGNED NOT NULL,
  hall_no TINYINT UNSIGNED NOT NULL,
  row_label CHAR(1) NOT NULL,
  seat_no TINYINT UNSIGNED NOT NULL,
  visitor_id BIGINT UNSIGNED DEFAULT NULL,
  pass_barcode CHAR(13) DEFAULT NULL,
  paid DECIMAL(5,2) DEFAULT NULL,
  sold_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  scanned_at TIMESTAMP NULL,
  PRIMARY KEY (screening_id, row_label, seat_no),
  CONSTRAINT fk_ticket_screening FOREIGN KEY (screening_id) REFERENCES screening (id),
  CONSTRAINT fk_ticket_seat FOREIGN KEY (venue_id, hall_no, row_label, seat_no)
    REFERENCES seat (venue_id, hall_no, row_label, seat_no),
  CONSTRAINT fk_ticket_visitor FOREIGN KEY (visitor_id) REFERENCES visitor (id) ON DELETE SET NULL,
  CONSTRAINT fk_ticket_pass FOREIGN KEY (pass_barcode) REFERENCES pass (barcode),
  CONSTRAINT ticket_paid CHECK ((paid IS NULL) <> (pass_barcode IS NULL)),
  CONSTRAINT ticket_amount CHECK (paid >= 0),
  CONSTRAINT ticket_scan CHECK (scanned_at IS NULL OR scanned_at >= sold_at)
);

CREATE TABLE jury (
  id INT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  section_id SMALLINT UNSIGNED NOT NULL,
  name VARCHAR(80) NOT NULL,
  UNIQUE KEY uq_jury (section_id, name),
  CONSTRAINT fk_jury_section FOREIGN KEY (section_id) REFERENCES section (id)
);

CREATE TABLE jury_member (
  jury_id INT NOT NULL,
  person_id BINARY(16) NOT NULL,
  is_chair BOOLEAN NOT NULL DEFAULT FALSE,
  chair_of INT AS (IF(is_chair, jury_id, NULL)) STORED,
  PRIMARY KEY (jury_id, person_id),
  UNIQUE KEY uq_jury_chair (chair_of),
  CONSTRAINT fk_jm_jury FOREIGN KEY (jury_id) REFERENCES jury (id) ON DELETE RESTRICT,
  CONSTRAINT fk_jm_person FOREIGN KEY (person_id) REFERENCES person (id)
);

CREATE TABLE award (
  id INT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  jury_id INT NOT NULL,
  title VARCHAR(100) NOT NULL,
  purse DECIMAL(10,2) DEFAULT NULL,
  currency CHAR(3) DEFAULT 'EUR',
  film_id INT UNSIGNED DEFAULT NULL,
  person_id BINARY(16) DEFAULT NULL,
  UNIQUE KEY uq_award (jury_id, title),
  CONSTRAINT fk_award_jury FOREIGN KEY (jury_id) REFERENCES jury (id),
  CONSTRAINT fk_award_film FOREIGN KEY (film_id) REFERENCES film (id),
  CONSTRAINT fk_award_person FOREIGN KEY (person_id) REFERENCES person (id),
  CONSTRAINT award_winner CHECK (film_id IS NULL OR person_id IS NULL),
  CONSTRAINT award_purse CHECK (purse IS NULL OR (purse > 0 AND currency IS NOT NULL))
);

CREATE TABLE sponsor (
  id INT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(100) NOT NULL,
  level ENUM('gold','silver','bronze') NOT NULL,
  vat_id VARCHAR(14) DEFAULT NULL,
  since DATE NOT NULL DEFAULT (CURRENT_DATE),
  logo_sha BINARY(32) DEFAULT NULL,
  UNIQUE KEY uq_sponsor_vat (vat_id),
  CONSTRAINT sponsor_vat CHECK (vat_id REGEXP '^[A-Z]{2}[0-9A-Z]{8,12}$')
);

CREATE TABLE sponsorship (
  sponsor_id INT NOT NULL,
  edition_year YEAR NOT NULL,
  section_id SMALLINT UNSIGNED DEFAULT NULL,
  amount DECIMAL(12,2) NOT NULL,
  paid_amount DECIMAL(12,2) NOT NULL DEFAULT 0,
  PRIMARY KEY (sponsor_id, edition_year),
  CONSTRAINT fk_sp_sponsor FOREIGN KEY (sponsor_id) REFERENCES sponsor (id),
  CONSTRAINT fk_sp_edition FOREIGN KEY (edition_year) REFERENCES edition (year),
  CONSTRAINT fk_sp_section FOREIGN KEY (section_id) REFERENCES section (id),
  CONSTRAINT sp_amount CHECK (amount > 0),
  CONSTRAINT sp_paid CHECK (paid_amount BETWEEN 0 AND amount)
);

CREATE TABLE festival_setting (
  name VARCHAR(50) NOT NULL PRIMARY KEY,
  value JSON NOT NULL,
  changed_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP
);

CREATE TABLE change_log (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT,
  happened_at DATETIME(6) NOT NULL DEFAULT CURRENT_TIMESTAMP(6),
  table_name VARCHAR(64) NOT NULL,
  row_key VARCHAR(200) NOT NULL,
  old_values JSON DEFAULT NULL,
  PRIMARY KEY (id, happened_at)
) PARTITION BY RANGE COLUMNS (happened_at) (
  PARTITION p2024 VALUES LESS THAN ('2025-01-01'),
  PARTITION p2025 VALUES LESS THAN ('2026-01-01'),
  PARTITION pmax VALUES LESS THAN (MAXVALUE)
);

CREATE OR REPLACE VIEW programme AS
  SELECT s.id AS screening_id, s.starts_at, v.name AS venue, h.name AS hall, f.original_title, f.minutes
  FROM screening s
  JOIN hall h ON h.venue_id = s.venue_id AND h.hall_no = s.hall_no
  JOIN venue v ON v.id = h.venue_id
  JOIN screening_film sf ON sf.screening_id = s.id
  JOIN film f ON f.id = sf.film_id;

CREATE OR REPLACE VIEW section_size AS
  SELECT e.year, s.slug, COUNT(sf.film_id) AS films, COALESCE(SUM(f.minutes), 0) AS minutes
  FROM edition e
  JOIN section s ON s.edition_year = e.year
  LEFT JOIN screening sc ON sc.section_id = s.id
  LEFT JOIN screening_film sf ON sf.screening_id = sc.id
  LEFT JOIN film f ON f.id = sf.film_id
  GROUP BY e.year, s.slug;

DELIMITER //
CREATE TRIGGER visitor_mail BEFORE INSERT ON visitor FOR EACH ROW
BEGIN
  SET NEW.email = LOWER(TRIM(NEW.email));
END//
CREATE TRIGGER visitor_mail_update BEFORE UPDATE ON visitor FOR EACH ROW
BEGIN
  SET NEW.email = LOWER(TRIM(NEW.email));
END//
CREATE TRIGGER screening_version BEFORE UPDATE ON screening FOR EACH ROW
  SET NEW.version = OLD.version + 1//
CREATE TRIGGER submission_log AFTER UPDATE ON submission FOR EACH ROW
BEGIN
  IF NOT (OLD.status <=> NEW.status) THEN
    INSERT INTO change_log (table_name, row_key, old_values)
    VALUES ('submission', OLD.id, JSON_OBJECT('status', OLD.status));
  END IF;
END//
CREATE TRIGGER ticket_sold AFTER INSERT ON ticket FOR EACH ROW
  UPDATE screening SET sold = sold + 1 WHERE id = NEW.screening_id//
CREATE FUNCTION festival_day(edition YEAR, day_no INT) RETURNS DATE READS SQL DATA
  RETURN (SELECT DATE_ADD(starts_on, INTERVAL day_no - 1 DAY) FROM edition WHERE year = edition)//
DELIMITER ;
