CREATE TABLE cellar_hand (
    id INTEGER GENERATED ALWAYS AS IDENTITY,
    full_name VARCHAR(80) NOT NULL,
    email VARCHAR(120) NOT NULL,
    craft VARCHAR(20) DEFAULT 'cellar' NOT NULL,
    hired_on DATE NOT NULL,
    left_on DATE,
    shift_starts TIME(0) NOT NULL,
    supervisor_id INTEGER,
    CONSTRAINT cellar_hand_pkey PRIMARY KEY (id),
    CONSTRAINT cellar_hand_email_key UNIQUE (email),
    CONSTRAINT cellar_hand_supervisor_fkey FOREIGN KEY (supervisor_id) REFERENCES cellar_hand (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT cellar_hand_craft_check CHECK ("CRAFT" IN('cellar', 'cooperage', 'laboratory', 'vineyard')),
    CONSTRAINT cellar_hand_dates_check CHECK ("LEFT_ON" >= "HIRED_ON"),
    CONSTRAINT cellar_hand_email_check CHECK ("EMAIL" LIKE '%_@_%')
);
COMMENT ON TABLE cellar_hand IS 'Someone who works in the cellar or the vineyard.';
COMMENT ON COLUMN cellar_hand.supervisor_id IS 'Whom this person answers to; nobody for the winemaker';

CREATE TABLE grape_variety (
    code VARCHAR(8) NOT NULL,
    name VARCHAR(60) NOT NULL,
    colour VARCHAR(10) NOT NULL,
    "order" INTEGER DEFAULT 100 NOT NULL,
    synonyms VARCHAR(200),
    CONSTRAINT grape_variety_pkey PRIMARY KEY (code),
    CONSTRAINT grape_variety_name_key UNIQUE (name),
    CONSTRAINT grape_variety_colour_check CHECK ("COLOUR" IN('red', 'white', 'grey'))
);
COMMENT ON TABLE grape_variety IS 'A grape variety that we grow or buy.';
COMMENT ON COLUMN grape_variety.code IS 'Short code, as chalked on the vats';
COMMENT ON COLUMN grape_variety."order" IS 'Place in lists; equal places sort by name';

CREATE TABLE label (
    id INTEGER GENERATED ALWAYS AS IDENTITY,
    title VARCHAR(60) NOT NULL,
    language_code CHAR(2) DEFAULT 'en' NOT NULL,
    back_text VARCHAR(1000),
    picture BINARY LARGE OBJECT,
    CONSTRAINT label_pkey PRIMARY KEY (id),
    CONSTRAINT label_title_language_key UNIQUE (title, language_code)
);
COMMENT ON TABLE label IS 'What is glued on the bottle.';

CREATE TABLE vessel (
    id INTEGER GENERATED ALWAYS AS IDENTITY,
    code VARCHAR(12) NOT NULL,
    kind VARCHAR(10) NOT NULL,
    capacity_litres INTEGER NOT NULL,
    toast VARCHAR(8),
    bought_on DATE,
    in_use BOOLEAN DEFAULT TRUE NOT NULL,
    CONSTRAINT vessel_pkey PRIMARY KEY (id),
    CONSTRAINT vessel_code_key UNIQUE (code),
    CONSTRAINT vessel_capacity_check CHECK ("CAPACITY_LITRES" BETWEEN 20 AND 100000),
    CONSTRAINT vessel_kind_check CHECK ("KIND" IN('tank', 'barrel', 'amphora', 'egg')),
    CONSTRAINT vessel_toast_check CHECK ("TOAST" IN('light', 'medium', 'heavy'))
);
COMMENT ON TABLE vessel IS 'Anything that holds wine: a tank, a barrel, an amphora or a concrete egg.';
COMMENT ON COLUMN vessel.toast IS 'How far the staves were toasted; barrels only';

CREATE TABLE blend (
    id INTEGER GENERATED ALWAYS AS IDENTITY,
    name VARCHAR(80) NOT NULL,
    vintage SMALLINT,
    blended_on DATE NOT NULL,
    tasting_notes CHARACTER LARGE OBJECT,
    approved_by INTEGER,
    CONSTRAINT blend_pkey PRIMARY KEY (id),
    CONSTRAINT blend_name_vintage_key UNIQUE (name, vintage),
    CONSTRAINT blend_approver_fkey FOREIGN KEY (approved_by) REFERENCES cellar_hand (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT blend_vintage_check CHECK ("VINTAGE" BETWEEN 1950 AND 2100)
);
COMMENT ON TABLE blend IS 'A wine put together from lots.';
COMMENT ON COLUMN blend.vintage IS 'Empty for a blend over several years';

CREATE TABLE cellar_log (
    logged_at TIMESTAMP(6) DEFAULT LOCALTIMESTAMP NOT NULL,
    hand_id INTEGER,
    entry VARCHAR(500) NOT NULL,
    CONSTRAINT cellar_log_hand_fkey FOREIGN KEY (hand_id) REFERENCES cellar_hand (id) ON DELETE NO ACTION ON UPDATE NO ACTION
);
COMMENT ON TABLE cellar_log IS 'The day book: written to, never changed.';
CREATE INDEX cellar_log_logged_at_idx ON cellar_log (logged_at);

CREATE TABLE parcel (
    id INTEGER GENERATED ALWAYS AS IDENTITY,
    name VARCHAR(80) NOT NULL,
    variety_code VARCHAR(8) NOT NULL,
    area_ha NUMERIC(6, 3) NOT NULL,
    slope_percent SMALLINT,
    soil VARCHAR(12) DEFAULT 'loam' NOT NULL,
    planted_on DATE,
    organic BOOLEAN DEFAULT FALSE NOT NULL,
    latitude DOUBLE PRECISION,
    longitude DOUBLE PRECISION,
    CONSTRAINT parcel_pkey PRIMARY KEY (id),
    CONSTRAINT parcel_name_key UNIQUE (name),
    CONSTRAINT parcel_variety_fkey FOREIGN KEY (variety_code) REFERENCES grape_variety (code) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT parcel_area_check CHECK ("AREA_HA" > CAST(0 AS NUMERIC(1))),
    CONSTRAINT parcel_latitude_check CHECK ("LATITUDE" BETWEEN -90 AND 90),
    CONSTRAINT parcel_longitude_check CHECK ("LONGITUDE" BETWEEN -180 AND 180),
    CONSTRAINT parcel_slope_check CHECK ("SLOPE_PERCENT" BETWEEN 0 AND 100),
    CONSTRAINT parcel_soil_check CHECK ("SOIL" IN('chalk', 'clay', 'gravel', 'loam', 'sand', 'slate'))
);
COMMENT ON TABLE parcel IS 'A piece of vineyard planted with one variety.';
COMMENT ON COLUMN parcel.area_ha IS 'Area in hectares';

CREATE TABLE vessel_transfer (
    id BIGINT GENERATED ALWAYS AS IDENTITY,
    "from" INTEGER NOT NULL,
    "to" INTEGER NOT NULL,
    litres NUMERIC(9, 2) NOT NULL,
    moved_at TIMESTAMP(0) NOT NULL,
    moved_by INTEGER NOT NULL,
    reason VARCHAR(200),
    CONSTRAINT vessel_transfer_pkey PRIMARY KEY (id),
    CONSTRAINT vessel_transfer_from_fkey FOREIGN KEY ("from") REFERENCES vessel (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT vessel_transfer_hand_fkey FOREIGN KEY (moved_by) REFERENCES cellar_hand (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT vessel_transfer_to_fkey FOREIGN KEY ("to") REFERENCES vessel (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT vessel_transfer_ends_check CHECK ("from" <> "to"),
    CONSTRAINT vessel_transfer_litres_check CHECK ("LITRES" > CAST(0 AS NUMERIC(1)))
);
COMMENT ON TABLE vessel_transfer IS 'Wine moved from one vessel to another.';
CREATE INDEX vessel_transfer_moved_at_idx ON vessel_transfer (moved_at);

CREATE TABLE wine_lot (
    id UUID DEFAULT RANDOM_UUID() NOT NULL,
    name VARCHAR(80) NOT NULL,
    vintage SMALLINT NOT NULL,
    vessel_id INTEGER,
    litres NUMERIC(9, 2) NOT NULL,
    filled_on DATE NOT NULL,
    emptied_on DATE,
    created_at TIMESTAMP(3) WITH TIME ZONE DEFAULT CURRENT_TIMESTAMP NOT NULL,
    CONSTRAINT wine_lot_pkey PRIMARY KEY (id),
    CONSTRAINT wine_lot_name_vintage_key UNIQUE (name, vintage),
    CONSTRAINT wine_lot_vessel_fkey FOREIGN KEY (vessel_id) REFERENCES vessel (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT wine_lot_dates_check CHECK ("EMPTIED_ON" >= "FILLED_ON"),
    CONSTRAINT wine_lot_litres_check CHECK ("LITRES" >= CAST(0 AS NUMERIC(1))),
    CONSTRAINT wine_lot_vintage_check CHECK ("VINTAGE" BETWEEN 1950 AND 2100)
);
COMMENT ON TABLE wine_lot IS 'Wine that is kept together, from the press to the blend.';

CREATE TABLE blend_component (
    blend_id INTEGER NOT NULL,
    wine_lot_id UUID NOT NULL,
    share NUMERIC(5, 2) NOT NULL,
    CONSTRAINT blend_component_pkey PRIMARY KEY (blend_id, wine_lot_id),
    CONSTRAINT blend_component_blend_fkey FOREIGN KEY (blend_id) REFERENCES blend (id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT blend_component_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES wine_lot (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT blend_component_share_check CHECK (("SHARE" > CAST(0 AS NUMERIC(1))) AND ("SHARE" <= CAST(100 AS NUMERIC(3))))
);
COMMENT ON TABLE blend_component IS 'A lot''s part in a blend.';
COMMENT ON COLUMN blend_component.share IS 'Per cent by volume';

CREATE TABLE bottling (
    id INTEGER GENERATED ALWAYS AS IDENTITY,
    blend_id INTEGER NOT NULL,
    label_id INTEGER,
    bottled_on DATE NOT NULL,
    bottle_ml SMALLINT DEFAULT 750 NOT NULL,
    bottles INTEGER NOT NULL,
    litres NUMERIC(12, 3) GENERATED ALWAYS AS (("BOTTLES" * "BOTTLE_ML") / 1000.0),
    price NUMERIC(8, 2),
    closed_with VARCHAR(12) NOT NULL,
    CONSTRAINT bottling_pkey PRIMARY KEY (id),
    CONSTRAINT bottling_blend_fkey FOREIGN KEY (blend_id) REFERENCES blend (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT bottling_label_fkey FOREIGN KEY (label_id) REFERENCES label (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT bottling_bottles_check CHECK ("BOTTLES" > 0),
    CONSTRAINT bottling_closure_check CHECK ("CLOSED_WITH" IN('cork', 'screw cap', 'crown cap', 'glass')),
    CONSTRAINT bottling_price_check CHECK ("PRICE" >= CAST(0 AS NUMERIC(1))),
    CONSTRAINT bottling_size_check CHECK ("BOTTLE_ML" IN(375, 500, 750, 1500))
);
COMMENT ON TABLE bottling IS 'A run of the bottling line.';
COMMENT ON COLUMN bottling.litres IS 'Worked out by the database';

CREATE TABLE harvest (
    id BIGINT GENERATED BY DEFAULT AS IDENTITY,
    parcel_id INTEGER NOT NULL,
    picked_on DATE NOT NULL,
    weight_kg NUMERIC(9, 2) NOT NULL,
    brix NUMERIC(4, 1),
    by_machine BOOLEAN DEFAULT FALSE NOT NULL,
    picked_by INTEGER,
    CONSTRAINT harvest_pkey PRIMARY KEY (id),
    CONSTRAINT harvest_parcel_day_key UNIQUE (parcel_id, picked_on),
    CONSTRAINT harvest_parcel_fkey FOREIGN KEY (parcel_id) REFERENCES parcel (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT harvest_picker_fkey FOREIGN KEY (picked_by) REFERENCES cellar_hand (id) ON DELETE SET NULL ON UPDATE NO ACTION,
    CONSTRAINT harvest_brix_check CHECK ("BRIX" BETWEEN 5 AND 45),
    CONSTRAINT harvest_weight_check CHECK ("WEIGHT_KG" > CAST(0 AS NUMERIC(1)))
);
COMMENT ON TABLE harvest IS 'What one parcel gave on one day.';
COMMENT ON COLUMN harvest.brix IS 'Sugar of the must, in degrees Brix';

CREATE TABLE lab_analysis (
    id BIGINT GENERATED ALWAYS AS IDENTITY,
    wine_lot_id UUID NOT NULL,
    taken_at TIMESTAMP(3) WITH TIME ZONE NOT NULL,
    ph NUMERIC(3, 2),
    alcohol_volume NUMERIC(4, 2),
    celsius REAL,
    readings JSON,
    remarks CHARACTER LARGE OBJECT,
    CONSTRAINT lab_analysis_pkey PRIMARY KEY (id),
    CONSTRAINT lab_analysis_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES wine_lot (id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT lab_analysis_alcohol_check CHECK ("ALCOHOL_VOLUME" BETWEEN 0 AND 25),
    CONSTRAINT lab_analysis_ph_check CHECK (("PH" >= 2.5) AND ("PH" <= 4.5))
);
COMMENT ON TABLE lab_analysis IS 'A sample of a lot, measured in the laboratory.';
COMMENT ON COLUMN lab_analysis.readings IS 'Everything the instrument reported, as it came';

CREATE VIEW cellar_stock (code, kind, capacity_litres, wine, vintage, litres) AS
SELECT
    "V"."CODE",
    "V"."KIND",
    "V"."CAPACITY_LITRES",
    "L"."NAME" AS "WINE",
    "L"."VINTAGE",
    "L"."LITRES"
FROM "PUBLIC"."VESSEL" "V"
INNER JOIN "PUBLIC"."WINE_LOT" "L"
    ON 1=1
WHERE ("L"."EMPTIED_ON" IS NULL)
    AND ("L"."VESSEL_ID" = "V"."ID");
COMMENT ON VIEW cellar_stock IS 'What lies in the cellar today.';

CREATE TABLE wine_lot_harvest (
    wine_lot_id UUID NOT NULL,
    harvest_id BIGINT NOT NULL,
    CONSTRAINT wine_lot_harvest_pkey PRIMARY KEY (wine_lot_id, harvest_id),
    CONSTRAINT wine_lot_harvest_harvest_fkey FOREIGN KEY (harvest_id) REFERENCES harvest (id) ON DELETE NO ACTION ON UPDATE NO ACTION,
    CONSTRAINT wine_lot_harvest_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES wine_lot (id) ON DELETE CASCADE ON UPDATE NO ACTION
);
COMMENT ON TABLE wine_lot_harvest IS 'Which harvests went into which lot.';

