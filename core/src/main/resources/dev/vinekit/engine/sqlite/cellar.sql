-- The cellar of a made-up winery, from the vine to the bottle.

CREATE TABLE grape_variety (
    code      VARCHAR(8) NOT NULL,
    name      VARCHAR(60) NOT NULL,
    colour    VARCHAR(10) NOT NULL,
    "order"   INTEGER DEFAULT 100 NOT NULL,
    synonyms  VARCHAR(200),
    CONSTRAINT grape_variety_pkey PRIMARY KEY (code),
    CONSTRAINT grape_variety_name_key UNIQUE (name),
    CONSTRAINT grape_variety_colour_check CHECK (colour IN ('red', 'white', 'grey'))
);

CREATE TABLE parcel (
    id             INTEGER PRIMARY KEY,
    name           VARCHAR(80) NOT NULL,
    variety_code   VARCHAR(8) NOT NULL,
    area_ha        NUMERIC(6, 3) NOT NULL,
    slope_percent  INTEGER,
    soil           VARCHAR(12) DEFAULT 'loam' NOT NULL,
    planted_on     DATE,
    organic        BOOLEAN DEFAULT FALSE NOT NULL,
    latitude       DOUBLE PRECISION,
    longitude      DOUBLE PRECISION,
    CONSTRAINT parcel_name_key UNIQUE (name),
    CONSTRAINT parcel_variety_fkey FOREIGN KEY (variety_code) REFERENCES grape_variety (code),
    CONSTRAINT parcel_area_check CHECK (area_ha > 0),
    CONSTRAINT parcel_slope_check CHECK (slope_percent BETWEEN 0 AND 100),
    CONSTRAINT parcel_soil_check CHECK (soil IN ('chalk', 'clay', 'gravel', 'loam', 'sand', 'slate')),
    CONSTRAINT parcel_latitude_check CHECK (latitude BETWEEN -90 AND 90),
    CONSTRAINT parcel_longitude_check CHECK (longitude BETWEEN -180 AND 180)
);

CREATE TABLE cellar_hand (
    id             INTEGER PRIMARY KEY,
    full_name      VARCHAR(80) NOT NULL,
    email          VARCHAR(120) NOT NULL,
    craft          VARCHAR(20) DEFAULT 'cellar' NOT NULL,
    hired_on       DATE NOT NULL,
    left_on        DATE,
    shift_starts   TIME NOT NULL,
    supervisor_id  INTEGER,
    CONSTRAINT cellar_hand_email_key UNIQUE (email),
    CONSTRAINT cellar_hand_supervisor_fkey FOREIGN KEY (supervisor_id) REFERENCES cellar_hand (id),
    CONSTRAINT cellar_hand_email_check CHECK (email LIKE '%_@_%'),
    CONSTRAINT cellar_hand_craft_check CHECK (craft IN ('cellar', 'cooperage', 'laboratory', 'vineyard')),
    CONSTRAINT cellar_hand_dates_check CHECK (left_on >= hired_on)
);

CREATE TABLE harvest (
    id          INTEGER PRIMARY KEY,
    parcel_id   INTEGER NOT NULL,
    picked_on   DATE NOT NULL,
    weight_kg   NUMERIC(9, 2) NOT NULL,
    brix        NUMERIC(4, 1),
    by_machine  BOOLEAN DEFAULT FALSE NOT NULL,
    picked_by   INTEGER,
    CONSTRAINT harvest_parcel_day_key UNIQUE (parcel_id, picked_on),
    CONSTRAINT harvest_parcel_fkey FOREIGN KEY (parcel_id) REFERENCES parcel (id),
    CONSTRAINT harvest_picker_fkey FOREIGN KEY (picked_by) REFERENCES cellar_hand (id) ON DELETE SET NULL,
    CONSTRAINT harvest_weight_check CHECK (weight_kg > 0),
    CONSTRAINT harvest_brix_check CHECK (brix BETWEEN 5 AND 45)
);

CREATE TABLE vessel (
    id               INTEGER PRIMARY KEY,
    code             VARCHAR(12) NOT NULL,
    kind             VARCHAR(10) NOT NULL,
    capacity_litres  INTEGER NOT NULL,
    toast            VARCHAR(8),
    bought_on        DATE,
    in_use           BOOLEAN DEFAULT TRUE NOT NULL,
    CONSTRAINT vessel_code_key UNIQUE (code),
    CONSTRAINT vessel_kind_check CHECK (kind IN ('tank', 'barrel', 'amphora', 'egg')),
    CONSTRAINT vessel_capacity_check CHECK (capacity_litres BETWEEN 20 AND 100000),
    CONSTRAINT vessel_toast_check CHECK (toast IN ('light', 'medium', 'heavy'))
);

CREATE TABLE wine_lot (
    id          UUID DEFAULT (lower(hex(randomblob(4))) || '-' || lower(hex(randomblob(2))) || '-4' || substr(lower(hex(randomblob(2))), 2)
        || '-a' || substr(lower(hex(randomblob(2))), 2) || '-' || lower(hex(randomblob(6)))) NOT NULL,
    name        VARCHAR(80) NOT NULL,
    vintage     INTEGER NOT NULL,
    vessel_id   INTEGER,
    litres      NUMERIC(9, 2) NOT NULL,
    filled_on   DATE NOT NULL,
    emptied_on  DATE,
    created_at  TIMESTAMP WITH TIME ZONE DEFAULT CURRENT_TIMESTAMP NOT NULL,
    CONSTRAINT wine_lot_pkey PRIMARY KEY (id),
    CONSTRAINT wine_lot_name_vintage_key UNIQUE (name, vintage),
    CONSTRAINT wine_lot_vessel_fkey FOREIGN KEY (vessel_id) REFERENCES vessel (id),
    CONSTRAINT wine_lot_vintage_check CHECK (vintage BETWEEN 1950 AND 2100),
    CONSTRAINT wine_lot_litres_check CHECK (litres >= 0),
    CONSTRAINT wine_lot_dates_check CHECK (emptied_on >= filled_on)
);

CREATE TABLE wine_lot_harvest (
    wine_lot_id  UUID NOT NULL,
    harvest_id   INTEGER NOT NULL,
    CONSTRAINT wine_lot_harvest_pkey PRIMARY KEY (wine_lot_id, harvest_id),
    CONSTRAINT wine_lot_harvest_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES wine_lot (id) ON DELETE CASCADE,
    CONSTRAINT wine_lot_harvest_harvest_fkey FOREIGN KEY (harvest_id) REFERENCES harvest (id)
);

CREATE TABLE vessel_transfer (
    id        INTEGER PRIMARY KEY,
    "from"    INTEGER NOT NULL,
    "to"      INTEGER NOT NULL,
    litres    NUMERIC(9, 2) NOT NULL,
    moved_at  TIMESTAMP NOT NULL,
    moved_by  INTEGER NOT NULL,
    reason    VARCHAR(200),
    CONSTRAINT vessel_transfer_from_fkey FOREIGN KEY ("from") REFERENCES vessel (id),
    CONSTRAINT vessel_transfer_to_fkey FOREIGN KEY ("to") REFERENCES vessel (id),
    CONSTRAINT vessel_transfer_hand_fkey FOREIGN KEY (moved_by) REFERENCES cellar_hand (id),
    CONSTRAINT vessel_transfer_litres_check CHECK (litres > 0),
    CONSTRAINT vessel_transfer_ends_check CHECK ("from" <> "to")
);

CREATE TABLE lab_analysis (
    id              INTEGER PRIMARY KEY,
    wine_lot_id     UUID NOT NULL,
    taken_at        TIMESTAMP WITH TIME ZONE NOT NULL,
    ph              NUMERIC(3, 2),
    alcohol_volume  NUMERIC(4, 2),
    celsius         REAL,
    readings        JSON,
    remarks         TEXT,
    CONSTRAINT lab_analysis_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES wine_lot (id) ON DELETE CASCADE,
    CONSTRAINT lab_analysis_ph_check CHECK (ph >= 2.5 AND ph <= 4.5),
    CONSTRAINT lab_analysis_alcohol_check CHECK (alcohol_volume BETWEEN 0 AND 25)
);

CREATE TABLE blend (
    id             INTEGER PRIMARY KEY,
    name           VARCHAR(80) NOT NULL,
    vintage        INTEGER,
    blended_on     DATE NOT NULL,
    tasting_notes  TEXT,
    approved_by    INTEGER,
    CONSTRAINT blend_name_vintage_key UNIQUE (name, vintage),
    CONSTRAINT blend_approver_fkey FOREIGN KEY (approved_by) REFERENCES cellar_hand (id),
    CONSTRAINT blend_vintage_check CHECK (vintage BETWEEN 1950 AND 2100)
);

CREATE TABLE blend_component (
    blend_id     INTEGER NOT NULL,
    wine_lot_id  UUID NOT NULL,
    share        NUMERIC(5, 2) NOT NULL,
    CONSTRAINT blend_component_pkey PRIMARY KEY (blend_id, wine_lot_id),
    CONSTRAINT blend_component_blend_fkey FOREIGN KEY (blend_id) REFERENCES blend (id) ON DELETE CASCADE,
    CONSTRAINT blend_component_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES wine_lot (id),
    CONSTRAINT blend_component_share_check CHECK (share > 0 AND share <= 100)
);

CREATE TABLE label (
    id             INTEGER PRIMARY KEY AUTOINCREMENT,
    title          VARCHAR(60) NOT NULL,
    language_code  CHAR(2) DEFAULT 'en' NOT NULL,
    back_text      VARCHAR(1000),
    picture        BLOB,
    CONSTRAINT label_title_language_key UNIQUE (title, language_code)
);

CREATE TABLE bottling (
    id            INTEGER PRIMARY KEY AUTOINCREMENT,
    blend_id      INTEGER NOT NULL,
    label_id      INTEGER,
    bottled_on    DATE NOT NULL,
    bottle_ml     INTEGER DEFAULT 750 NOT NULL,
    bottles       INTEGER NOT NULL,
    litres        NUMERIC(12, 3) GENERATED ALWAYS AS (bottles * bottle_ml / 1000.0) STORED,
    price         NUMERIC(8, 2),
    closed_with   VARCHAR(12) NOT NULL,
    CONSTRAINT bottling_blend_fkey FOREIGN KEY (blend_id) REFERENCES blend (id),
    CONSTRAINT bottling_label_fkey FOREIGN KEY (label_id) REFERENCES label (id),
    CONSTRAINT bottling_size_check CHECK (bottle_ml IN (375, 500, 750, 1500)),
    CONSTRAINT bottling_bottles_check CHECK (bottles > 0),
    CONSTRAINT bottling_price_check CHECK (price >= 0),
    CONSTRAINT bottling_closure_check CHECK (closed_with IN ('cork', 'screw cap', 'crown cap', 'glass'))
);

CREATE TABLE cellar_log (
    logged_at  TIMESTAMP DEFAULT CURRENT_TIMESTAMP NOT NULL,
    hand_id    INTEGER,
    entry      VARCHAR(500) NOT NULL,
    CONSTRAINT cellar_log_hand_fkey FOREIGN KEY (hand_id) REFERENCES cellar_hand (id)
);

CREATE INDEX vessel_transfer_moved_at_idx ON vessel_transfer (moved_at);

CREATE INDEX cellar_log_logged_at_idx ON cellar_log (logged_at);

CREATE VIEW cellar_stock AS
SELECT v.code, v.kind, v.capacity_litres, l.name AS wine, l.vintage, l.litres
FROM vessel v
JOIN wine_lot l ON l.vessel_id = v.id
WHERE l.emptied_on IS NULL;
