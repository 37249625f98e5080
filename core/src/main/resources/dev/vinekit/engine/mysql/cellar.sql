-- The cellar of a made-up winery, from the vine to the bottle.

CREATE TABLE grape_variety (
    code      VARCHAR(8) NOT NULL COMMENT 'Short code, as chalked on the vats',
    name      VARCHAR(60) NOT NULL,
    colour    ENUM ('red', 'white', 'grey') NOT NULL,
    `order`   INTEGER DEFAULT 100 NOT NULL COMMENT 'Place in lists; equal places sort by name',
    synonyms  VARCHAR(200),
    PRIMARY KEY (code),
    CONSTRAINT grape_variety_name_key UNIQUE (name)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='A grape variety that we grow or buy.';

CREATE TABLE parcel (
    id             INTEGER NOT NULL AUTO_INCREMENT,
    name           VARCHAR(80) NOT NULL,
    variety_code   VARCHAR(8) NOT NULL,
    area_ha        NUMERIC(6, 3) NOT NULL COMMENT 'Area in hectares',
    slope_percent  SMALLINT,
    soil           ENUM ('chalk', 'clay', 'gravel', 'loam', 'sand', 'slate') DEFAULT 'loam' NOT NULL,
    planted_on     DATE,
    organic        BOOLEAN DEFAULT FALSE NOT NULL,
    latitude       DOUBLE,
    longitude      DOUBLE,
    PRIMARY KEY (id),
    CONSTRAINT parcel_name_key UNIQUE (name),
    CONSTRAINT parcel_variety_fkey FOREIGN KEY (variety_code) REFERENCES grape_variety (code),
    CONSTRAINT parcel_area_check CHECK (area_ha > 0),
    CONSTRAINT parcel_slope_check CHECK (slope_percent BETWEEN 0 AND 100),
    CONSTRAINT parcel_latitude_check CHECK (latitude BETWEEN -90 AND 90),
    CONSTRAINT parcel_longitude_check CHECK (longitude BETWEEN -180 AND 180)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='A piece of vineyard planted with one variety.';

CREATE TABLE cellar_hand (
    id             INTEGER NOT NULL AUTO_INCREMENT,
    full_name      VARCHAR(80) NOT NULL,
    email          VARCHAR(120) NOT NULL,
    craft          ENUM ('cellar', 'cooperage', 'laboratory', 'vineyard') DEFAULT 'cellar' NOT NULL,
    hired_on       DATE NOT NULL,
    left_on        DATE,
    shift_starts   TIME NOT NULL,
    supervisor_id  INTEGER COMMENT 'Whom this person answers to; nobody for the winemaker',
    PRIMARY KEY (id),
    CONSTRAINT cellar_hand_email_key UNIQUE (email),
    CONSTRAINT cellar_hand_supervisor_fkey FOREIGN KEY (supervisor_id) REFERENCES cellar_hand (id),
    CONSTRAINT cellar_hand_email_check CHECK (email LIKE '%_@_%'),
    CONSTRAINT cellar_hand_dates_check CHECK (left_on >= hired_on)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='Someone who works in the cellar or the vineyard.';

CREATE TABLE harvest (
    id          BIGINT NOT NULL AUTO_INCREMENT,
    parcel_id   INTEGER NOT NULL,
    picked_on   DATE NOT NULL,
    weight_kg   NUMERIC(9, 2) NOT NULL,
    brix        NUMERIC(4, 1) COMMENT 'Sugar of the must, in degrees Brix',
    by_machine  BOOLEAN DEFAULT FALSE NOT NULL,
    picked_by   INTEGER,
    PRIMARY KEY (id),
    CONSTRAINT harvest_parcel_day_key UNIQUE (parcel_id, picked_on),
    CONSTRAINT harvest_parcel_fkey FOREIGN KEY (parcel_id) REFERENCES parcel (id),
    CONSTRAINT harvest_picker_fkey FOREIGN KEY (picked_by) REFERENCES cellar_hand (id) ON DELETE SET NULL,
    CONSTRAINT harvest_weight_check CHECK (weight_kg > 0),
    CONSTRAINT harvest_brix_check CHECK (brix BETWEEN 5 AND 45)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='What one parcel gave on one day.';

CREATE TABLE vessel (
    id               INTEGER NOT NULL AUTO_INCREMENT,
    code             VARCHAR(12) NOT NULL,
    kind             ENUM ('tank', 'barrel', 'amphora', 'egg') NOT NULL,
    capacity_litres  INTEGER NOT NULL,
    toast            ENUM ('light', 'medium', 'heavy') COMMENT 'How far the staves were toasted; barrels only',
    bought_on        DATE,
    in_use           BOOLEAN DEFAULT TRUE NOT NULL,
    PRIMARY KEY (id),
    CONSTRAINT vessel_code_key UNIQUE (code),
    CONSTRAINT vessel_capacity_check CHECK (capacity_litres BETWEEN 20 AND 100000)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='Anything that holds wine: a tank, a barrel, an amphora or a concrete egg.';

CREATE TABLE wine_lot (
    id          BINARY(16) DEFAULT (UUID_TO_BIN(UUID())) NOT NULL,
    name        VARCHAR(80) NOT NULL,
    vintage     SMALLINT NOT NULL,
    vessel_id   INTEGER,
    litres      NUMERIC(9, 2) NOT NULL,
    filled_on   DATE NOT NULL,
    emptied_on  DATE,
    created_at  TIMESTAMP(3) DEFAULT CURRENT_TIMESTAMP(3) NOT NULL,
    PRIMARY KEY (id),
    CONSTRAINT wine_lot_name_vintage_key UNIQUE (name, vintage),
    CONSTRAINT wine_lot_vessel_fkey FOREIGN KEY (vessel_id) REFERENCES vessel (id),
    CONSTRAINT wine_lot_vintage_check CHECK (vintage BETWEEN 1950 AND 2100),
    CONSTRAINT wine_lot_litres_check CHECK (litres >= 0),
    CONSTRAINT wine_lot_dates_check CHECK (emptied_on >= filled_on)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='Wine that is kept together, from the press to the blend.';

CREATE TABLE wine_lot_harvest (
    wine_lot_id  BINARY(16) NOT NULL,
    harvest_id   BIGINT NOT NULL,
    PRIMARY KEY (wine_lot_id, harvest_id),
    CONSTRAINT wine_lot_harvest_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES wine_lot (id) ON DELETE CASCADE,
    CONSTRAINT wine_lot_harvest_harvest_fkey FOREIGN KEY (harvest_id) REFERENCES harvest (id)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='Which harvests went into which lot.';

CREATE TABLE vessel_transfer (
    id        BIGINT NOT NULL AUTO_INCREMENT,
    `from`    INTEGER NOT NULL,
    `to`      INTEGER NOT NULL,
    litres    NUMERIC(9, 2) NOT NULL,
    moved_at  DATETIME NOT NULL,
    moved_by  INTEGER NOT NULL,
    reason    VARCHAR(200),
    PRIMARY KEY (id),
    CONSTRAINT vessel_transfer_from_fkey FOREIGN KEY (`from`) REFERENCES vessel (id),
    CONSTRAINT vessel_transfer_to_fkey FOREIGN KEY (`to`) REFERENCES vessel (id),
    CONSTRAINT vessel_transfer_hand_fkey FOREIGN KEY (moved_by) REFERENCES cellar_hand (id),
    CONSTRAINT vessel_transfer_litres_check CHECK (litres > 0),
    CONSTRAINT vessel_transfer_ends_check CHECK (`from` <> `to`)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='Wine moved from one vessel to another.';

CREATE TABLE lab_analysis (
    id              BIGINT NOT NULL AUTO_INCREMENT,
    wine_lot_id     BINARY(16) NOT NULL,
    taken_at        TIMESTAMP(3) NOT NULL,
    ph              NUMERIC(3, 2),
    alcohol_volume  NUMERIC(4, 2),
    celsius         FLOAT,
    readings        JSON COMMENT 'Everything the instrument reported, as it came',
    remarks         TEXT,
    PRIMARY KEY (id),
    CONSTRAINT lab_analysis_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES wine_lot (id) ON DELETE CASCADE,
    CONSTRAINT lab_analysis_ph_check CHECK (ph >= 2.5 AND ph <= 4.5),
    CONSTRAINT lab_analysis_alcohol_check CHECK (alcohol_volume BETWEEN 0 AND 25)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='A sample of a lot, measured in the laboratory.';

CREATE TABLE blend (
    id             INTEGER NOT NULL AUTO_INCREMENT,
    name           VARCHAR(80) NOT NULL,
    vintage        SMALLINT COMMENT 'Empty for a blend over several years',
    blended_on     DATE NOT NULL,
    tasting_notes  TEXT,
    approved_by    INTEGER,
    PRIMARY KEY (id),
    CONSTRAINT blend_name_vintage_key UNIQUE (name, vintage),
    CONSTRAINT blend_approver_fkey FOREIGN KEY (approved_by) REFERENCES cellar_hand (id),
    CONSTRAINT blend_vintage_check CHECK (vintage BETWEEN 1950 AND 2100)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='A wine put together from lots.';

CREATE TABLE blend_component (
    blend_id     INTEGER NOT NULL,
    wine_lot_id  BINARY(16) NOT NULL,
    share        NUMERIC(5, 2) NOT NULL COMMENT 'Per cent by volume',
    PRIMARY KEY (blend_id, wine_lot_id),
    CONSTRAINT blend_component_blend_fkey FOREIGN KEY (blend_id) REFERENCES blend (id) ON DELETE CASCADE,
    CONSTRAINT blend_component_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES wine_lot (id),
    CONSTRAINT blend_component_share_check CHECK (share > 0 AND share <= 100)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='A lot''s part in a blend.';

CREATE TABLE label (
    id             INTEGER NOT NULL AUTO_INCREMENT,
    title          VARCHAR(60) NOT NULL,
    language_code  CHAR(2) DEFAULT 'en' NOT NULL,
    back_text      VARCHAR(1000),
    picture        BLOB,
    PRIMARY KEY (id),
    CONSTRAINT label_title_language_key UNIQUE (title, language_code)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='What is glued on the bottle.';

CREATE TABLE bottling (
    id            INTEGER NOT NULL AUTO_INCREMENT,
    blend_id      INTEGER NOT NULL,
    label_id      INTEGER,
    bottled_on    DATE NOT NULL,
    bottle_ml     SMALLINT DEFAULT 750 NOT NULL,
    bottles       INTEGER NOT NULL,
    litres        NUMERIC(12, 3) GENERATED ALWAYS AS (bottles * bottle_ml / 1000.0) STORED COMMENT 'Worked out by the database',
    price         NUMERIC(8, 2),
    closed_with   ENUM ('cork', 'screw cap', 'crown cap', 'glass') NOT NULL,
    PRIMARY KEY (id),
    CONSTRAINT bottling_blend_fkey FOREIGN KEY (blend_id) REFERENCES blend (id),
    CONSTRAINT bottling_label_fkey FOREIGN KEY (label_id) REFERENCES label (id),
    CONSTRAINT bottling_size_check CHECK (bottle_ml IN (375, 500, 750, 1500)),
    CONSTRAINT bottling_bottles_check CHECK (bottles > 0),
    CONSTRAINT bottling_price_check CHECK (price >= 0)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='A run of the bottling line.';

CREATE TABLE cellar_log (
    logged_at  DATETIME(6) DEFAULT CURRENT_TIMESTAMP(6) NOT NULL,
    hand_id    INTEGER,
    entry      VARCHAR(500) NOT NULL,
    CONSTRAINT cellar_log_hand_fkey FOREIGN KEY (hand_id) REFERENCES cellar_hand (id)
) COLLATE=utf8mb4_0900_ai_ci COMMENT='The day book: written to, never changed.';

CREATE INDEX vessel_transfer_moved_at_idx ON vessel_transfer (moved_at);

CREATE INDEX cellar_log_logged_at_idx ON cellar_log (logged_at);

CREATE VIEW cellar_stock AS
SELECT v.code, v.kind, v.capacity_litres, l.name AS wine, l.vintage, l.litres
FROM vessel v
JOIN wine_lot l ON l.vessel_id = v.id
WHERE l.emptied_on IS NULL;
