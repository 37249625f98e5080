-- A ferry line: ports, vessels, sailings, bookings, crews, maintenance.
SET NAMES utf8mb4;

CREATE TABLE port (
  code CHAR(3) NOT NULL PRIMARY KEY,
  name VARCHAR(60) NOT NULL,
  position POINT NOT NULL,
  time_zone VARCHAR(40) NOT NULL DEFAULT 'Europe/Oslo',
  open_from TIME NOT NULL DEFAULT '05:00:00',
  open_until TIME NOT NULL DEFAULT '23:30:00',
  facilities SET('ramp','toilet','kiosk','bus') NOT NULL DEFAULT '',
  CONSTRAINT port_code CHECK (code REGEXP '^[A-Z]{3}$'),
  CONSTRAINT port_hours CHECK (open_from < open_until)
) ENGINE=InnoDB;

CREATE TABLE vessel_class (
  id TINYINT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(40) NOT NULL UNIQUE,
  length_m DECIMAL(5,1) NOT NULL CHECK (length_m > 0),
  lane_metres SMALLINT UNSIGNED NOT NULL DEFAULT 0,
  passengers SMALLINT UNSIGNED NOT NULL
);

CREATE TABLE vessel (
  id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
  uuid UUID NOT NULL DEFAULT (UUID()) UNIQUE,
  imo INT UNSIGNED NULL UNIQUE CHECK (imo BETWEEN 1000000 AND 9999999),
  name VARCHAR(60) NOT NULL,
  class_id TINYINT UNSIGNED NOT NULL,
  built YEAR NOT NULL,
  call_sign CHAR(5) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  active TINYINT(1) NOT NULL DEFAULT 1,
  details JSON NULL CHECK (JSON_VALID(details)),
  created_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  updated_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP,
  deleted_at DATETIME(3) NULL,
  UNIQUE KEY vessel_call_sign (call_sign),
  CONSTRAINT vessel_class_fk FOREIGN KEY (class_id) REFERENCES vessel_class (id)
);

CREATE TABLE route (
  id SMALLINT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
  from_port CHAR(3) NOT NULL,
  to_port CHAR(3) NOT NULL,
  minutes SMALLINT UNSIGNED NOT NULL,
  seasonal BOOLEAN NOT NULL DEFAULT FALSE,
  CONSTRAINT route_ends UNIQUE (from_port, to_port),
  CONSTRAINT route_from FOREIGN KEY (from_port) REFERENCES port (code),
  CONSTRAINT route_to FOREIGN KEY (to_port) REFERENCES port (code),
  CONSTRAINT route_moves CHECK (from_port <> to_port)
);

CREATE TABLE timetable (
  id INT AUTO_INCREMENT PRIMARY KEY,
  title VARCHAR(80) NOT NULL,
  valid_from DATE NOT NULL,
  valid_until DATE NOT NULL,
  published BOOLEAN NOT NULL DEFAULT FALSE,
  CHECK (valid_until >= valid_from)
);

CREATE TABLE departure (
  timetable_id INT NOT NULL,
  route_id SMALLINT UNSIGNED NOT NULL,
  weekday TINYINT UNSIGNED NOT NULL CHECK (weekday BETWEEN 1 AND 7),
  leaves TIME NOT NULL,
  note VARCHAR(120),
  PRIMARY KEY (timetable_id, route_id, weekday, leaves),
  FOREIGN KEY (timetable_id) REFERENCES timetable (id) ON DELETE CASCADE,
  FOREIGN KEY (route_id) REFERENCES route (id)
);

CREATE TABLE person (
  id BIGINT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
  given_name VARCHAR(50) NOT NULL,
  family_name VARCHAR(50) NOT NULL,
  full_name VARCHAR(101) AS (CONCAT(given_name, ' ', family_name)) PERSISTENT,
  email VARCHAR(190) NOT NULL,
  phone VARCHAR(20) NULL CHECK (phone REGEXP '^\\+[0-9]{6,15}$'),
  born DATE NULL,
  password_hash VARBINARY(60) NULL,
  last_login_ip INET6 NULL,
  UNIQUE KEY person_email (email),
  FULLTEXT KEY person_names (given_name, family_name)
);

CREATE TABLE employee (
  person_id BIGINT UNSIGNED NOT NULL PRIMARY KEY,
  number MEDIUMINT UNSIGNED NOT NULL UNIQUE,
  hired DATE NOT NULL,
  left_on DATE NULL,
  chief_id BIGINT UNSIGNED NULL,
  FOREIGN KEY (person_id) REFERENCES person (id),
  FOREIGN KEY (chief_id) REFERENCES employee (person_id),
  CHECK (left_on IS NULL OR left_on > hired),
  CHECK (chief_id IS NULL OR chief_id <> person_id)
);

CREATE TABLE certificate_kind (
  code VARCHAR(8) PRIMARY KEY,
  title VARCHAR(80) NOT NULL,
  months SMALLINT NOT NULL DEFAULT 60
);

CREATE TABLE certificate (
  employee_id BIGINT UNSIGNED NOT NULL,
  kind VARCHAR(8) NOT NULL,
  issued DATE NOT NULL,
  expires DATE NULL,
  scan MEDIUMBLOB NULL,
  PRIMARY KEY (employee_id, kind, issued),
  FOREIGN KEY (employee_id) REFERENCES employee (person_id) ON DELETE CASCADE,
  FOREIGN KEY (kind) REFERENCES certificate_kind (code)
);

CREATE TABLE sailing (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  route_id SMALLINT UNSIGNED NOT NULL,
  vessel_id INT UNSIGNED NOT NULL,
  leaves_at DATETIME NOT NULL,
  arrives_at DATETIME NOT NULL,
  state ENUM('planned','boarding','under way','arrived','cancelled') NOT NULL DEFAULT 'planned',
  reason VARCHAR(200) NULL,
  UNIQUE KEY sailing_once (vessel_id, leaves_at),
  KEY sailing_day (leaves_at, route_id),
  FOREIGN KEY (route_id) REFERENCES route (id),
  FOREIGN KEY (vessel_id) REFERENCES vessel (id),
  CONSTRAINT sailing_takes_time CHECK (arrives_at > leaves_at),
  CONSTRAINT sailing_reason CHECK (state <> 'cancelled' OR reason IS NOT NULL)
);

CREATE TABLE crew_duty (
  sailing_id BIGINT NOT NULL,
  employee_id BIGINT UNSIGNED NOT NULL,
  duty ENUM('master','mate','engineer','deck','catering') NOT NULL,
  PRIMARY KEY (sailing_id, employee_id),
  FOREIGN KEY (sailing_id) REFERENCES sailing (id) ON DELETE CASCADE,
  FOREIGN KEY (employee_id) REFERENCES employee (person_id)
);

CREATE TABLE fare (
  id INT AUTO_INCREMENT PRIMARY KEY,
  route_id SMALLINT UNSIGNED NOT NULL,
  category ENUM('adult','child','senior','car','trailer','bicycle') NOT NULL,
  price DECIMAL(8,2) NOT NULL CHECK (price >= 0),
  currency CHAR(3) NOT NULL DEFAULT 'NOK',
  starts DATE NOT NULL,
  UNIQUE (route_id, category, starts),
  FOREIGN KEY (route_id) REFERENCES route (id) ON DELETE CASCADE
);

CREATE SEQUENCE booking_number START WITH 100000 INCREMENT BY 1;

CREATE TABLE booking (
  id BIGINT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
  number BIGINT NOT NULL DEFAULT (NEXT VALUE FOR booking_number) UNIQUE,
  person_id BIGINT UNSIGNED NOT NULL,
  sailing_id BIGINT NOT NULL,
  made_at DATETIME(6) NOT NULL DEFAULT CURRENT_TIMESTAMP(6),
  paid_at DATETIME(6) NULL,
  token BINARY(16) NOT NULL UNIQUE,
  remarks TEXT NULL,
  KEY (person_id, made_at),
  FOREIGN KEY (person_id) REFERENCES person (id),
  FOREIGN KEY (sailing_id) REFERENCES sailing (id)
);

CREATE TABLE booking_item (
  booking_id BIGINT UNSIGNED NOT NULL,
  line TINYINT UNSIGNED NOT NULL,
  fare_id INT NOT NULL,
  count SMALLINT UNSIGNED NOT NULL DEFAULT 1 CHECK (count > 0),
  unit_price DECIMAL(8,2) NOT NULL,
  total DECIMAL(10,2) GENERATED ALWAYS AS (count * unit_price) VIRTUAL,
  PRIMARY KEY (booking_id, line),
  FOREIGN KEY (booking_id) REFERENCES booking (id) ON DELETE CASCADE,
  FOREIGN KEY (fare_id) REFERENCES fare (id)
);

CREATE TABLE vehicle (
  plate VARCHAR(12) NOT NULL,
  country CHAR(2) NOT NULL DEFAULT 'NO',
  length_cm SMALLINT UNSIGNED NOT NULL,
  height_cm SMALLINT UNSIGNED NOT NULL,
  electric BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (country, plate)
);

CREATE TABLE booked_vehicle (
  booking_id BIGINT UNSIGNED NOT NULL,
  country CHAR(2) NOT NULL,
  plate VARCHAR(12) NOT NULL,
  deck TINYINT NULL,
  PRIMARY KEY (booking_id, country, plate),
  FOREIGN KEY (booking_id) REFERENCES booking (id) ON DELETE CASCADE,
  FOREIGN KEY (country, plate) REFERENCES vehicle (country, plate) ON UPDATE CASCADE
);

CREATE TABLE refund (
  id INT AUTO_INCREMENT PRIMARY KEY,
  booking_id BIGINT UNSIGNED NOT NULL,
  amount DECIMAL(8,2) NOT NULL,
  ratio DOUBLE NULL CHECK (ratio > 0 AND ratio <= 1),
  decided_by BIGINT UNSIGNED NULL,
  decided_at TIMESTAMP NULL DEFAULT NULL,
  FOREIGN KEY (booking_id) REFERENCES booking (id),
  FOREIGN KEY (decided_by) REFERENCES employee (person_id),
  CHECK ((decided_by IS NULL) = (decided_at IS NULL))
);

CREATE TABLE work_order (
  id INT AUTO_INCREMENT PRIMARY KEY,
  vessel_id INT UNSIGNED NOT NULL,
  parent_id INT NULL,
  title VARCHAR(120) NOT NULL,
  priority TINYINT NOT NULL DEFAULT 3 CHECK (priority IN (1, 2, 3, 4, 5)),
  opened DATE NOT NULL DEFAULT (CURRENT_DATE),
  closed DATE NULL,
  estimate_hours FLOAT NULL,
  FOREIGN KEY (vessel_id) REFERENCES vessel (id),
  FOREIGN KEY (parent_id) REFERENCES work_order (id) ON DELETE CASCADE,
  CHECK (closed IS NULL OR closed >= opened)
);

CREATE TABLE spare_part (
  sku VARCHAR(20) PRIMARY KEY,
  title VARCHAR(80) NOT NULL,
  stock INT NOT NULL DEFAULT 0 CHECK (stock >= 0),
  unit ENUM('pc','m','l','kg') NOT NULL DEFAULT 'pc'
);

CREATE TABLE part_use (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  work_order_id INT NOT NULL,
  sku VARCHAR(20) NOT NULL,
  quantity INT NOT NULL CHECK (quantity > 0),
  used_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  FOREIGN KEY (work_order_id) REFERENCES work_order (id) ON DELETE CASCADE,
  FOREIGN KEY (sku) REFERENCES spare_part (sku)
);

CREATE TABLE fuel_reading (
  vessel_id INT UNSIGNED NOT NULL,
  read_at DATETIME NOT NULL,
  litres DECIMAL(9,2) UNSIGNED NOT NULL,
  remaining BIT(8) NOT NULL DEFAULT b'0',
  PRIMARY KEY (vessel_id, read_at),
  FOREIGN KEY (vessel_id) REFERENCES vessel (id)
);

CREATE TABLE setting (
  name VARCHAR(40) NOT NULL PRIMARY KEY,
  value LONGTEXT NULL,
  changed_at TIMESTAMP(6) NOT NULL DEFAULT CURRENT_TIMESTAMP(6) ON UPDATE CURRENT_TIMESTAMP(6)
) WITH SYSTEM VERSIONING;

CREATE TABLE event_log (
  id BIGINT AUTO_INCREMENT,
  happened_on DATE NOT NULL,
  what VARCHAR(200) NOT NULL,
  PRIMARY KEY (id, happened_on)
) PARTITION BY RANGE (YEAR(happened_on)) (
  PARTITION p2024 VALUES LESS THAN (2025),
  PARTITION p2025 VALUES LESS THAN (2026),
  PARTITION later VALUES LESS THAN MAXVALUE
);

DELIMITER //
CREATE FUNCTION lane_metres(class TINYINT UNSIGNED) RETURNS INT READS SQL DATA
BEGIN
  DECLARE metres INT;
  SELECT lane_metres INTO metres FROM vessel_class WHERE id = class;
  RETURN COALESCE(metres, 0);
END //
CREATE TRIGGER part_use_ai AFTER INSERT ON part_use FOR EACH ROW
BEGIN
  -- The stock may not fall below zero; the check of the table refuses it.
  UPDATE spare_part SET stock = stock - NEW.quantity WHERE sku = NEW.sku;
  INSERT INTO event_log (happened_on, what) VALUES (CURRENT_DATE, CONCAT('used ', NEW.quantity, ' of ', NEW.sku));
END //
CREATE TRIGGER person_bi BEFORE INSERT ON person FOR EACH ROW SET NEW.email = LOWER(NEW.email) //
CREATE TRIGGER person_bu BEFORE UPDATE ON person FOR EACH ROW SET NEW.email = LOWER(NEW.email) //
CREATE TRIGGER sailing_bu BEFORE UPDATE ON sailing FOR EACH ROW
BEGIN
  IF OLD.state = 'arrived' AND NEW.state <> 'arrived' THEN
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'a sailing that has arrived cannot be undone';
  END IF;
END //
DELIMITER ;

CREATE VIEW open_work AS
  SELECT w.id, w.title, v.name AS vessel, w.priority, DATEDIFF(CURRENT_DATE, w.opened) AS days
  FROM work_order w JOIN vessel v ON v.id = w.vessel_id WHERE w.closed IS NULL;
CREATE VIEW sailing_load AS
  SELECT s.id AS sailing_id, s.leaves_at, COUNT(b.id) AS bookings, COALESCE(SUM(i.count), 0) AS items
  FROM sailing s LEFT JOIN booking b ON b.sailing_id = s.id LEFT JOIN booking_item i ON i.booking_id = b.id
  GROUP BY s.id, s.leaves_at;
