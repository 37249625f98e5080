-- An association of allotment gardens: plots, leases, water, work days, money.
CREATE TYPE member_state AS ENUM ('waiting', 'active', 'resting', 'left');
CREATE TYPE meter_kind AS ENUM ('water', 'power');
CREATE TYPE payment_way AS ENUM ('cash', 'transfer', 'debit');

CREATE FUNCTION touch() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    NEW.updated_at := now();
    RETURN NEW;
END $$;

CREATE TABLE site (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    code text NOT NULL UNIQUE CHECK (code ~ '^[A-Z]{2,4}$'),
    name text NOT NULL,
    opened date NOT NULL DEFAULT CURRENT_DATE,
    gate_code char(6),
    facilities text[] NOT NULL DEFAULT '{}',
    settings jsonb NOT NULL DEFAULT '{}'
);
CREATE TABLE member (
    id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
    number integer NOT NULL UNIQUE,
    given_name text NOT NULL,
    family_name text NOT NULL,
    email text,
    phone text,
    state member_state NOT NULL DEFAULT 'waiting',
    born date CHECK (born > '1900-01-01'),
    sponsor_id uuid REFERENCES member (id) ON DELETE SET NULL,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    deleted_at timestamptz,
    search tsvector GENERATED ALWAYS AS (to_tsvector('simple', given_name || ' ' || family_name)) STORED,
    CHECK (sponsor_id IS NULL OR sponsor_id <> id)
);
CREATE UNIQUE INDEX member_email ON member (lower(email)) WHERE deleted_at IS NULL;
CREATE TRIGGER member_touch BEFORE UPDATE ON member FOR EACH ROW EXECUTE FUNCTION touch();
CREATE TABLE plot (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    site_id bigint NOT NULL REFERENCES site (id),
    number smallint NOT NULL CHECK (number BETWEEN 1 AND 999),
    square_metres numeric(6,1) NOT NULL CHECK (square_metres > 0),
    corner boolean NOT NULL DEFAULT false,
    remarks text,
    UNIQUE (site_id, number)
);
CREATE TABLE lease (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    plot_id bigint NOT NULL REFERENCES plot (id),
    member_id uuid NOT NULL REFERENCES member (id),
    starts date NOT NULL,
    ends date,
    yearly_fee numeric(8,2) NOT NULL CHECK (yearly_fee >= 0),
    CHECK (ends IS NULL OR ends > starts)
);
CREATE UNIQUE INDEX lease_open ON lease (plot_id) WHERE ends IS NULL;
CREATE INDEX lease_member ON lease (member_id, starts);
CREATE TABLE waiting_entry (
    member_id uuid NOT NULL REFERENCES member (id) ON DELETE CASCADE,
    site_id bigint NOT NULL REFERENCES site (id),
    since timestamptz NOT NULL DEFAULT now(),
    priority smallint NOT NULL DEFAULT 0,
    PRIMARY KEY (member_id, site_id)
);
CREATE TABLE meter (
    serial text PRIMARY KEY,
    plot_id bigint NOT NULL REFERENCES plot (id),
    kind meter_kind NOT NULL,
    installed date NOT NULL,
    removed date,
    UNIQUE (plot_id, kind, installed)
);
CREATE TABLE meter_reading (
    meter_serial text NOT NULL REFERENCES meter (serial) ON UPDATE CASCADE,
    read_on date NOT NULL,
    value numeric(10,3) NOT NULL CHECK (value >= 0),
    photo bytea,
    PRIMARY KEY (meter_serial, read_on)
);
CREATE TABLE tariff (
    kind meter_kind NOT NULL,
    valid_from date NOT NULL,
    cents_per_unit numeric(8,4) NOT NULL,
    PRIMARY KEY (kind, valid_from)
);
CREATE TABLE work_day (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    site_id bigint NOT NULL REFERENCES site (id),
    held_on date NOT NULL,
    begins time NOT NULL DEFAULT '09:00',
    duration interval NOT NULL DEFAULT '4 hours',
    task text NOT NULL,
    UNIQUE (site_id, held_on, task)
);
CREATE TABLE attendance (
    work_day_id bigint NOT NULL REFERENCES work_day (id) ON DELETE CASCADE,
    member_id uuid NOT NULL REFERENCES member (id),
    hours numeric(3,1) NOT NULL CHECK (hours > 0 AND hours <= 12),
    noted_by uuid REFERENCES member (id),
    PRIMARY KEY (work_day_id, member_id)
);
CREATE TABLE invoice (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    member_id uuid NOT NULL REFERENCES member (id),
    number text NOT NULL UNIQUE,
    issued date NOT NULL DEFAULT CURRENT_DATE,
    due date NOT NULL,
    cancelled boolean NOT NULL DEFAULT false,
    CHECK (due >= issued)
);
CREATE TABLE invoice_line (
    invoice_id bigint NOT NULL REFERENCES invoice (id) ON DELETE CASCADE,
    position smallint NOT NULL,
    text text NOT NULL,
    quantity numeric(10,3) NOT NULL DEFAULT 1,
    unit_price numeric(10,4) NOT NULL,
    amount numeric(12,2) GENERATED ALWAYS AS (round(quantity * unit_price, 2)) STORED,
    PRIMARY KEY (invoice_id, position)
);
CREATE TABLE payment (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    invoice_id bigint REFERENCES invoice (id),
    received timestamptz NOT NULL DEFAULT now(),
    amount numeric(12,2) NOT NULL CHECK (amount <> 0),
    way payment_way NOT NULL,
    reference text
);
CREATE TABLE shed (
    plot_id bigint PRIMARY KEY REFERENCES plot (id) ON DELETE CASCADE,
    built smallint CHECK (built BETWEEN 1900 AND 2100),
    material text NOT NULL,
    has_stove boolean
);
CREATE TABLE key_copy (
    site_id bigint NOT NULL REFERENCES site (id),
    copy_number smallint NOT NULL,
    member_id uuid REFERENCES member (id),
    handed_out date,
    returned date,
    PRIMARY KEY (site_id, copy_number),
    CHECK (returned IS NULL OR handed_out IS NOT NULL),
    CHECK (member_id IS NOT NULL OR handed_out IS NULL)
);
CREATE TABLE crop (
    id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    name text NOT NULL,
    latin text,
    UNIQUE NULLS NOT DISTINCT (name, latin)
);
CREATE TABLE planting (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    plot_id bigint NOT NULL REFERENCES plot (id),
    crop_id integer NOT NULL REFERENCES crop (id),
    sown date NOT NULL,
    harvested date,
    grams integer CHECK (grams > 0),
    CHECK (harvested IS NULL OR harvested >= sown)
);
CREATE TABLE board_role (
    role text PRIMARY KEY CHECK (role IN ('chair', 'treasurer', 'secretary', 'warden'))
);
CREATE TABLE board_term (
    role text NOT NULL REFERENCES board_role (role),
    member_id uuid NOT NULL REFERENCES member (id),
    elected date NOT NULL,
    until date NOT NULL,
    PRIMARY KEY (role, elected),
    CHECK (until > elected)
);
CREATE TABLE complaint (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    plot_id bigint NOT NULL REFERENCES plot (id),
    about_member uuid REFERENCES member (id),
    raised_at timestamptz NOT NULL DEFAULT now(),
    words text NOT NULL CHECK (length(words) >= 10),
    closed_at timestamptz,
    outcome jsonb,
    CHECK (closed_at IS NULL OR closed_at >= raised_at)
);
CREATE TABLE event (
    id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
    site_id bigint REFERENCES site (id),
    title text NOT NULL,
    at timestamptz NOT NULL,
    cost numeric(8,2) NOT NULL DEFAULT 0,
    tags text[] NOT NULL DEFAULT '{}'
);
CREATE TABLE event_guest (
    event_id uuid NOT NULL REFERENCES event (id) ON DELETE CASCADE,
    member_id uuid NOT NULL REFERENCES member (id) ON DELETE CASCADE,
    companions smallint NOT NULL DEFAULT 0 CHECK (companions BETWEEN 0 AND 5),
    PRIMARY KEY (event_id, member_id)
);
CREATE FUNCTION refuse_closed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF OLD.cancelled THEN
        RAISE EXCEPTION 'invoice % is cancelled', OLD.number;
    END IF;
    RETURN NEW;
END $$;
CREATE TRIGGER invoice_closed BEFORE UPDATE ON invoice FOR EACH ROW EXECUTE FUNCTION refuse_closed();
CREATE VIEW open_lease AS
    SELECT l.id, p.site_id, p.number, m.family_name, l.starts FROM lease l JOIN plot p ON p.id = l.plot_id
    JOIN member m ON m.id = l.member_id WHERE l.ends IS NULL;
CREATE VIEW invoice_balance AS
    SELECT i.id, i.number, coalesce(sum(l.amount), 0) AS total FROM invoice i LEFT JOIN invoice_line l ON l.invoice_id = i.id
    GROUP BY i.id, i.number;
COMMENT ON TABLE plot IS 'A piece of ground that is let to one member at a time.';
