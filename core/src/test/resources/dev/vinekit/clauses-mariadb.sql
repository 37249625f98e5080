CREATE TABLE `order` (`select` INT AUTO_INCREMENT PRIMARY KEY, `from` VARCHAR(10) COMMENT 'a
two line */ comment \\u000a', `group by` DATE, `class` VARCHAR(3), `Quote"d``s` INT, `new
line` INT, `ünïcödé` VARCHAR(5) DEFAULT 'x''y', `hashCode` INT, `toString` VARCHAR(4)) COMMENT='Ends a comment */ and \\u0022 escapes "quotes" ''too'' {@link X} <b>';
CREATE TABLE `Order` (id BIGINT PRIMARY KEY, name VARCHAR(100) NOT NULL);
CREATE TABLE `ORDER` (id BIGINT UNSIGNED AUTO_INCREMENT PRIMARY KEY, `Name` TEXT, name2 MEDIUMTEXT, `NAME_2` TINYTEXT);
CREATE TABLE string (id INT AUTO_INCREMENT PRIMARY KEY, list VARCHAR(20) UNIQUE, response INT CHECK (response <> 5));
CREATE TABLE response (code CHAR(3) PRIMARY KEY, v VARCHAR(1) UNIQUE NOT NULL);
CREATE TABLE people (id UUID DEFAULT uuid() PRIMARY KEY, name VARCHAR(20) NOT NULL, boss UUID, share DECIMAL(5,2) NOT NULL CHECK (share BETWEEN 0 AND 100), email VARCHAR(50) CHECK (email LIKE '%@%'), code VARCHAR(6) COLLATE utf8mb4_bin NOT NULL UNIQUE CHECK (code REGEXP '^[A-Z]*[0-9a-z]+$'), mood ENUM('bright', 'it''s "closed"', '1', 'a\\b', 'ü') DEFAULT 'bright' NOT NULL, kind VARCHAR(10) NOT NULL CHECK (kind IN ('a', 'b c', 'it''s', 'back\\slash')), `exact` VARCHAR(9) COLLATE utf8mb4_bin NOT NULL CHECK (`exact` IN ('Red', 'red')), CONSTRAINT fk FOREIGN KEY (boss) REFERENCES people (id), KEY by_name (name, share), KEY downwards (name DESC), UNIQUE KEY part (email(40)), CONSTRAINT name CHECK (name <> ''));
CREATE TABLE a_cycle (id INT AUTO_INCREMENT PRIMARY KEY, b_id INT, x INT NOT NULL);
CREATE TABLE b_cycle (id INT AUTO_INCREMENT PRIMARY KEY, a_id INT NOT NULL, FOREIGN KEY (a_id) REFERENCES a_cycle (id) ON DELETE RESTRICT ON UPDATE CASCADE);
ALTER TABLE a_cycle ADD CONSTRAINT a_to_b FOREIGN KEY (b_id) REFERENCES b_cycle (id) ON DELETE SET NULL;
CREATE TABLE event_days (`day` DATE PRIMARY KEY, note VARCHAR(10), CONSTRAINT name CHECK (note <> ''));
CREATE TABLE stamps (at TIMESTAMP(6) PRIMARY KEY, n INT, changed TIMESTAMP DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP, never TIMESTAMP NULL);
CREATE TABLE comp (a INT, b VARCHAR(10), c DATE, d NUMERIC(5,2) NOT NULL, PRIMARY KEY (c, a, b), KEY (c, a, b, d)) COLLATE=utf8mb4_bin;
CREATE TABLE comp_child (id INT PRIMARY KEY, ca INT, cb VARCHAR(10), cc DATE, FOREIGN KEY (cc, ca, cb) REFERENCES comp (c, a, b)) COLLATE=utf8mb4_bin;
CREATE TABLE no_key (x INT, y TEXT, z LONGBLOB, f FLOAT) ENGINE=Aria;
CREATE TABLE uniq_only (email VARCHAR(30) NOT NULL UNIQUE, n INT);
CREATE TABLE by_mood (mood ENUM('bright', 'dull'), n INT, v INT, PRIMARY KEY (mood, n));
CREATE SEQUENCE ticket START WITH 5 INCREMENT BY 2;
CREATE TABLE all_types (id INT PRIMARY KEY DEFAULT NEXTVAL(ticket), t1 TINYINT, t2 SMALLINT UNSIGNED, t3 BIGINT UNSIGNED, t4 FLOAT, t5 DOUBLE UNSIGNED, t6 DECIMAL, t7 DECIMAL(12,4) UNSIGNED ZEROFILL, t8 CHAR(4), t9 TIME(3), t10 MEDIUMINT UNSIGNED, t11 DATETIME(6), t12 UUID, t13 JSON, t14 JSON NOT NULL, t15 SET('a', 'it''s', 'b'), t16 YEAR, t17 BINARY(5), t18 INET6, t19 INET4, t20 POINT, t21 BOOLEAN, t22 DECIMAL(20,0) DEFAULT 5 NOT NULL, t23 INT GENERATED ALWAYS AS (t2 + 1) STORED, t24 INT AS (t2 * 2), t25 BIT(12), t26 BIT, t27 GEOMETRY, t28 TIMESTAMP(6) NULL, t29 VARBINARY(20), t30 INT UNSIGNED, t31 TINYINT UNSIGNED, t32 LONGTEXT, t33 MULTIPOINT, t34 VARCHAR(20) DEFAULT (CONCAT('a', 1 + 1)), t35 TINYINT(1) UNSIGNED, t36 BIT(3) DEFAULT b'101' NOT NULL, t37 LINESTRING, t38 POLYGON);
CREATE TABLE defaults_only (id INT AUTO_INCREMENT PRIMARY KEY, at TIMESTAMP DEFAULT CURRENT_TIMESTAMP NOT NULL, n INT DEFAULT 3);
CREATE TABLE weird_check (id INT PRIMARY KEY, a INT NOT NULL, b INT NOT NULL, s VARCHAR(10), CHECK (a < b), CHECK (a + b < 1000), CHECK (CHAR_LENGTH(s) >= 3), CHECK (s = UPPER(s)));
CREATE TABLE part_of (id INT NOT NULL, day DATE NOT NULL, PRIMARY KEY (id, day)) PARTITION BY HASH (id) PARTITIONS 4;
CREATE TABLE a_table_with_a_very_long_name_that_goes_on_and_on_and_on_until63 (id INT PRIMARY KEY, a_column_with_a_very_long_name_that_goes_on_and_on_and_on_until VARCHAR(20) NOT NULL);
CREATE TABLE `flöwer ✿` (`id ✿` INT PRIMARY KEY, `wine ✿` VARCHAR(10) NOT NULL UNIQUE DEFAULT '✿');
CREATE FULLTEXT INDEX words ON no_key (y);
CREATE VIEW `a view` AS SELECT p.name, o.`from` AS `select` FROM people p CROSS JOIN `order` o WHERE p.name <> '`scratch`.`x`';
CREATE VIEW view_on_view AS SELECT * FROM `a view`;
CREATE SEQUENCE odd_ticket START WITH 10 INCREMENT BY 5;
CREATE TABLE barrel_of_all (
    id INT UNSIGNED NOT NULL AUTO_INCREMENT,
    uid BINARY(16) NOT NULL,
    code VARCHAR(20) DEFAULT NULL,
    note TEXT COLLATE utf8mb4_bin COMMENT 'What was said',
    long_note LONGTEXT,
    kinds SET('red', 'white', 'rosé') DEFAULT 'red' NOT NULL,
    state ENUM('full', 'empty') DEFAULT 'full',
    bits BIT(6) DEFAULT b'101',
    at TIMESTAMP DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP NOT NULL,
    seen DATETIME(3) DEFAULT NULL ON UPDATE CURRENT_TIMESTAMP(3),
    made DATE DEFAULT '0000-00-00',
    litres INT NOT NULL CHECK (litres > 0),
    twice INT GENERATED ALWAYS AS (litres * 2) STORED,
    thrice INT GENERATED ALWAYS AS (litres * 3) VIRTUAL,
    ticket BIGINT DEFAULT nextval(odd_ticket),
    doc JSON,
    weight FLOAT,
    price DECIMAL(8,2) UNSIGNED DEFAULT 1.50,
    padded INT(6) UNSIGNED ZEROFILL,
    squeezed VARCHAR(200) COMPRESSED,
    unseen INT INVISIBLE,
    made_id CHAR(36) DEFAULT UUID(),
    PRIMARY KEY (uid),
    KEY counted (id),
    UNIQUE KEY barrel_note (note(40)),
    KEY barrel_beginning (code(5), long_note(30)),
    KEY barrel_down (litres DESC, code),
    FULLTEXT KEY barrel_words (long_note),
    UNIQUE KEY barrel_code (code) COMMENT 'Codes once only',
    KEY barrel_ignored (price) IGNORED,
    CONSTRAINT barrel_price CHECK (price < 10000)
) ENGINE=InnoDB ROW_FORMAT=DYNAMIC COMMENT='It has everything';
CREATE TABLE counted_later (kind INT NOT NULL, id INT NOT NULL AUTO_INCREMENT, n INT, PRIMARY KEY (kind, id)) ENGINE=MyISAM;
CREATE TABLE by_text (name TEXT NOT NULL, n INT, PRIMARY KEY (name(30)));
CREATE TABLE by_bytes (hash VARBINARY(20) NOT NULL PRIMARY KEY, n INT);
CREATE TABLE of_bytes (id INT PRIMARY KEY, hash VARBINARY(20) NOT NULL, FOREIGN KEY (hash) REFERENCES by_bytes (hash));
CREATE TABLE by_blob (b BLOB NOT NULL, n INT, PRIMARY KEY (b(10)));
CREATE TABLE by_bits (b BIT(6) PRIMARY KEY, n INT);
CREATE TABLE by_float (b FLOAT PRIMARY KEY, n INT);
CREATE TABLE by_double (b DOUBLE PRIMARY KEY, n INT);
CREATE TABLE by_year (b YEAR PRIMARY KEY, n INT);
CREATE TABLE by_ip (b INET6 PRIMARY KEY, n INT);
CREATE TABLE by_time (b TIME(3) PRIMARY KEY, n INT);
CREATE TABLE by_stamp (b TIMESTAMP(6) PRIMARY KEY, n INT);
CREATE TABLE by_uuid (b UUID PRIMARY KEY, n INT);
CREATE TABLE only_bytes (a BLOB, b LONGTEXT);
CREATE TABLE indexed_target (id INT PRIMARY KEY, mark INT NOT NULL, KEY (mark));
CREATE TABLE refers_to_index (id INT PRIMARY KEY, mark INT, FOREIGN KEY (mark) REFERENCES indexed_target (mark) ON DELETE SET NULL ON UPDATE CASCADE);
CREATE TABLE by_part (id INT NOT NULL PRIMARY KEY, n INT) PARTITION BY HASH (id) PARTITIONS 3;
CREATE TABLE barrel_log (id BIGINT AUTO_INCREMENT PRIMARY KEY, what VARCHAR(40) NOT NULL, barrel BINARY(16));
DELIMITER //
CREATE FUNCTION doubled(n INT) RETURNS INT DETERMINISTIC COMMENT 'Twice as much' BEGIN DECLARE r INT; SET r = n * 2; RETURN r; END//
CREATE PROCEDURE note_it(IN what VARCHAR(40), OUT n INT) MODIFIES SQL DATA BEGIN IF what <> '' THEN INSERT INTO barrel_log (what) VALUES (what); END IF; SET n = 1; END//
CREATE TRIGGER barrel_noted AFTER INSERT ON barrel_of_all FOR EACH ROW BEGIN INSERT INTO barrel_log (what, barrel) VALUES ('made', NEW.uid); END//
CREATE TRIGGER barrel_told BEFORE UPDATE ON barrel_of_all FOR EACH ROW SET NEW.weight = 7//
DELIMITER ;
CREATE VIEW doubles AS SELECT uid, doubled(litres) AS litres FROM barrel_of_all;
CREATE ALGORITHM=MERGE SQL SECURITY INVOKER VIEW short_view AS SELECT id, code FROM barrel_of_all WHERE litres > 1 WITH CASCADED CHECK OPTION;
