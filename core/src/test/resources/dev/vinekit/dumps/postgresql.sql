--
-- PostgreSQL database dump
--

\restrict UXPoMAFl4ebgdc983Oh1TQlLRdEuiP44XmGzP4rOeHHtBamGDspEgYbfrWHGzkf

-- Dumped from database version 15.18 (Debian 15.18-0+deb12u1)
-- Dumped by pg_dump version 15.18 (Debian 15.18-0+deb12u1)

SET statement_timeout = 0;
SET lock_timeout = 0;
SET idle_in_transaction_session_timeout = 0;
SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);
SET check_function_bodies = false;
SET xmloption = content;
SET client_min_messages = warning;
SET row_security = off;

--
-- Name: cellar; Type: DATABASE; Schema: -; Owner: cellar_owner
--

CREATE DATABASE cellar WITH TEMPLATE = template0 ENCODING = 'UTF8' LOCALE_PROVIDER = libc LOCALE = 'C.UTF-8';


ALTER DATABASE cellar OWNER TO cellar_owner;

\unrestrict UXPoMAFl4ebgdc983Oh1TQlLRdEuiP44XmGzP4rOeHHtBamGDspEgYbfrWHGzkf
\connect cellar
\restrict UXPoMAFl4ebgdc983Oh1TQlLRdEuiP44XmGzP4rOeHHtBamGDspEgYbfrWHGzkf

SET statement_timeout = 0;
SET lock_timeout = 0;
SET idle_in_transaction_session_timeout = 0;
SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);
SET check_function_bodies = false;
SET xmloption = content;
SET client_min_messages = warning;
SET row_security = off;

--
-- Name: note_change(); Type: FUNCTION; Schema: public; Owner: cellar_owner
--

CREATE FUNCTION public.note_change() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    -- A semicolon; and a 'quote' in a body.
    NEW.entry := trim(NEW.entry);
    RETURN NEW;
END;
$$;


ALTER FUNCTION public.note_change() OWNER TO cellar_owner;

SET default_tablespace = '';

SET default_table_access_method = heap;

--
-- Name: blend; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.blend (
    id integer NOT NULL,
    name character varying(80) NOT NULL,
    vintage smallint,
    blended_on date NOT NULL,
    tasting_notes text,
    approved_by integer,
    CONSTRAINT blend_vintage_check CHECK (((vintage >= 1950) AND (vintage <= 2100)))
);


ALTER TABLE public.blend OWNER TO cellar_owner;

--
-- Name: TABLE blend; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.blend IS 'A wine put together from lots.';


--
-- Name: COLUMN blend.vintage; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.blend.vintage IS 'Empty for a blend over several years';


--
-- Name: blend_component; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.blend_component (
    blend_id integer NOT NULL,
    wine_lot_id uuid NOT NULL,
    share numeric(5,2) NOT NULL,
    CONSTRAINT blend_component_share_check CHECK (((share > (0)::numeric) AND (share <= (100)::numeric)))
);


ALTER TABLE public.blend_component OWNER TO cellar_owner;

--
-- Name: TABLE blend_component; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.blend_component IS 'A lot''s part in a blend.';


--
-- Name: COLUMN blend_component.share; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.blend_component.share IS 'Per cent by volume';


--
-- Name: blend_id_seq; Type: SEQUENCE; Schema: public; Owner: cellar_owner
--

ALTER TABLE public.blend ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.blend_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: bottling; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.bottling (
    id integer NOT NULL,
    blend_id integer NOT NULL,
    label_id integer,
    bottled_on date NOT NULL,
    bottle_ml smallint DEFAULT 750 NOT NULL,
    bottles integer NOT NULL,
    litres numeric(12,3) GENERATED ALWAYS AS ((((bottles * bottle_ml))::numeric / 1000.0)) STORED,
    price numeric(8,2),
    closed_with character varying(12) NOT NULL,
    CONSTRAINT bottling_bottles_check CHECK ((bottles > 0)),
    CONSTRAINT bottling_closure_check CHECK (((closed_with)::text = ANY ((ARRAY['cork'::character varying, 'screw cap'::character varying, 'crown cap'::character varying, 'glass'::character varying])::text[]))),
    CONSTRAINT bottling_price_check CHECK ((price >= (0)::numeric)),
    CONSTRAINT bottling_size_check CHECK ((bottle_ml = ANY (ARRAY[375, 500, 750, 1500])))
);


ALTER TABLE public.bottling OWNER TO cellar_owner;

--
-- Name: TABLE bottling; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.bottling IS 'A run of the bottling line.';


--
-- Name: COLUMN bottling.litres; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.bottling.litres IS 'Worked out by the database';


--
-- Name: bottling_id_seq; Type: SEQUENCE; Schema: public; Owner: cellar_owner
--

ALTER TABLE public.bottling ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.bottling_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: cellar_hand; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.cellar_hand (
    id integer NOT NULL,
    full_name character varying(80) NOT NULL,
    email character varying(120) NOT NULL,
    craft character varying(20) DEFAULT 'cellar'::character varying NOT NULL,
    hired_on date NOT NULL,
    left_on date,
    shift_starts time without time zone NOT NULL,
    supervisor_id integer,
    CONSTRAINT cellar_hand_craft_check CHECK (((craft)::text = ANY ((ARRAY['cellar'::character varying, 'cooperage'::character varying, 'laboratory'::character varying, 'vineyard'::character varying])::text[]))),
    CONSTRAINT cellar_hand_dates_check CHECK ((left_on >= hired_on)),
    CONSTRAINT cellar_hand_email_check CHECK (((email)::text ~~ '%_@_%'::text))
);


ALTER TABLE public.cellar_hand OWNER TO cellar_owner;

--
-- Name: TABLE cellar_hand; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.cellar_hand IS 'Someone who works in the cellar or the vineyard.';


--
-- Name: COLUMN cellar_hand.supervisor_id; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.cellar_hand.supervisor_id IS 'Whom this person answers to; nobody for the winemaker';


--
-- Name: cellar_hand_id_seq; Type: SEQUENCE; Schema: public; Owner: cellar_owner
--

ALTER TABLE public.cellar_hand ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.cellar_hand_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: cellar_log; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.cellar_log (
    logged_at timestamp without time zone DEFAULT LOCALTIMESTAMP NOT NULL,
    hand_id integer,
    entry character varying(500) NOT NULL
);


ALTER TABLE public.cellar_log OWNER TO cellar_owner;

--
-- Name: TABLE cellar_log; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.cellar_log IS 'The day book: written to, never changed.';


--
-- Name: vessel; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.vessel (
    id integer NOT NULL,
    code character varying(12) NOT NULL,
    kind character varying(10) NOT NULL,
    capacity_litres integer NOT NULL,
    toast character varying(8),
    bought_on date,
    in_use boolean DEFAULT true NOT NULL,
    CONSTRAINT vessel_capacity_check CHECK (((capacity_litres >= 20) AND (capacity_litres <= 100000))),
    CONSTRAINT vessel_kind_check CHECK (((kind)::text = ANY ((ARRAY['tank'::character varying, 'barrel'::character varying, 'amphora'::character varying, 'egg'::character varying])::text[]))),
    CONSTRAINT vessel_toast_check CHECK (((toast)::text = ANY ((ARRAY['light'::character varying, 'medium'::character varying, 'heavy'::character varying])::text[])))
);


ALTER TABLE public.vessel OWNER TO cellar_owner;

--
-- Name: TABLE vessel; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.vessel IS 'Anything that holds wine: a tank, a barrel, an amphora or a concrete egg.';


--
-- Name: COLUMN vessel.toast; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.vessel.toast IS 'How far the staves were toasted; barrels only';


--
-- Name: wine_lot; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.wine_lot (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    name character varying(80) NOT NULL,
    vintage smallint NOT NULL,
    vessel_id integer,
    litres numeric(9,2) NOT NULL,
    filled_on date NOT NULL,
    emptied_on date,
    created_at timestamp(3) with time zone DEFAULT CURRENT_TIMESTAMP NOT NULL,
    CONSTRAINT wine_lot_dates_check CHECK ((emptied_on >= filled_on)),
    CONSTRAINT wine_lot_litres_check CHECK ((litres >= (0)::numeric)),
    CONSTRAINT wine_lot_vintage_check CHECK (((vintage >= 1950) AND (vintage <= 2100)))
);


ALTER TABLE public.wine_lot OWNER TO cellar_owner;

--
-- Name: TABLE wine_lot; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.wine_lot IS 'Wine that is kept together, from the press to the blend.';


--
-- Name: cellar_stock; Type: VIEW; Schema: public; Owner: cellar_owner
--

CREATE VIEW public.cellar_stock AS
 SELECT v.code,
    v.kind,
    v.capacity_litres,
    l.name AS wine,
    l.vintage,
    l.litres
   FROM (public.vessel v
     JOIN public.wine_lot l ON ((l.vessel_id = v.id)))
  WHERE (l.emptied_on IS NULL);


ALTER TABLE public.cellar_stock OWNER TO cellar_owner;

--
-- Name: VIEW cellar_stock; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON VIEW public.cellar_stock IS 'What lies in the cellar today.';


--
-- Name: grape_variety; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.grape_variety (
    code character varying(8) NOT NULL,
    name character varying(60) NOT NULL,
    colour character varying(10) NOT NULL,
    "order" integer DEFAULT 100 NOT NULL,
    synonyms character varying(200),
    CONSTRAINT grape_variety_colour_check CHECK (((colour)::text = ANY ((ARRAY['red'::character varying, 'white'::character varying, 'grey'::character varying])::text[])))
);


ALTER TABLE public.grape_variety OWNER TO cellar_owner;

--
-- Name: TABLE grape_variety; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.grape_variety IS 'A grape variety that we grow or buy.';


--
-- Name: COLUMN grape_variety.code; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.grape_variety.code IS 'Short code, as chalked on the vats';


--
-- Name: COLUMN grape_variety."order"; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.grape_variety."order" IS 'Place in lists; equal places sort by name';


--
-- Name: harvest; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.harvest (
    id bigint NOT NULL,
    parcel_id integer NOT NULL,
    picked_on date NOT NULL,
    weight_kg numeric(9,2) NOT NULL,
    brix numeric(4,1),
    by_machine boolean DEFAULT false NOT NULL,
    picked_by integer,
    CONSTRAINT harvest_brix_check CHECK (((brix >= (5)::numeric) AND (brix <= (45)::numeric))),
    CONSTRAINT harvest_weight_check CHECK ((weight_kg > (0)::numeric))
);


ALTER TABLE public.harvest OWNER TO cellar_owner;

--
-- Name: TABLE harvest; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.harvest IS 'What one parcel gave on one day.';


--
-- Name: COLUMN harvest.brix; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.harvest.brix IS 'Sugar of the must, in degrees Brix';


--
-- Name: harvest_id_seq; Type: SEQUENCE; Schema: public; Owner: cellar_owner
--

ALTER TABLE public.harvest ALTER COLUMN id ADD GENERATED BY DEFAULT AS IDENTITY (
    SEQUENCE NAME public.harvest_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: lab_analysis; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.lab_analysis (
    id bigint NOT NULL,
    wine_lot_id uuid NOT NULL,
    taken_at timestamp(3) with time zone NOT NULL,
    ph numeric(3,2),
    alcohol_volume numeric(4,2),
    celsius real,
    readings jsonb,
    remarks text,
    CONSTRAINT lab_analysis_alcohol_check CHECK (((alcohol_volume >= (0)::numeric) AND (alcohol_volume <= (25)::numeric))),
    CONSTRAINT lab_analysis_ph_check CHECK (((ph >= 2.5) AND (ph <= 4.5)))
);


ALTER TABLE public.lab_analysis OWNER TO cellar_owner;

--
-- Name: TABLE lab_analysis; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.lab_analysis IS 'A sample of a lot, measured in the laboratory.';


--
-- Name: COLUMN lab_analysis.readings; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.lab_analysis.readings IS 'Everything the instrument reported, as it came';


--
-- Name: lab_analysis_id_seq; Type: SEQUENCE; Schema: public; Owner: cellar_owner
--

ALTER TABLE public.lab_analysis ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.lab_analysis_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: label; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.label (
    id integer NOT NULL,
    title character varying(60) NOT NULL,
    language_code character(2) DEFAULT 'en'::bpchar NOT NULL,
    back_text character varying(1000),
    picture bytea
);


ALTER TABLE public.label OWNER TO cellar_owner;

--
-- Name: TABLE label; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.label IS 'What is glued on the bottle.';


--
-- Name: label_id_seq; Type: SEQUENCE; Schema: public; Owner: cellar_owner
--

ALTER TABLE public.label ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.label_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: parcel; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.parcel (
    id integer NOT NULL,
    name character varying(80) NOT NULL,
    variety_code character varying(8) NOT NULL,
    area_ha numeric(6,3) NOT NULL,
    slope_percent smallint,
    soil character varying(12) DEFAULT 'loam'::character varying NOT NULL,
    planted_on date,
    organic boolean DEFAULT false NOT NULL,
    latitude double precision,
    longitude double precision,
    CONSTRAINT parcel_area_check CHECK ((area_ha > (0)::numeric)),
    CONSTRAINT parcel_latitude_check CHECK (((latitude >= ('-90'::integer)::double precision) AND (latitude <= (90)::double precision))),
    CONSTRAINT parcel_longitude_check CHECK (((longitude >= ('-180'::integer)::double precision) AND (longitude <= (180)::double precision))),
    CONSTRAINT parcel_slope_check CHECK (((slope_percent >= 0) AND (slope_percent <= 100))),
    CONSTRAINT parcel_soil_check CHECK (((soil)::text = ANY ((ARRAY['chalk'::character varying, 'clay'::character varying, 'gravel'::character varying, 'loam'::character varying, 'sand'::character varying, 'slate'::character varying])::text[])))
);


ALTER TABLE public.parcel OWNER TO cellar_owner;

--
-- Name: TABLE parcel; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.parcel IS 'A piece of vineyard planted with one variety.';


--
-- Name: COLUMN parcel.area_ha; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON COLUMN public.parcel.area_ha IS 'Area in hectares';


--
-- Name: parcel_id_seq; Type: SEQUENCE; Schema: public; Owner: cellar_owner
--

ALTER TABLE public.parcel ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.parcel_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: vessel_id_seq; Type: SEQUENCE; Schema: public; Owner: cellar_owner
--

ALTER TABLE public.vessel ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.vessel_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: vessel_transfer; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.vessel_transfer (
    id bigint NOT NULL,
    "from" integer NOT NULL,
    "to" integer NOT NULL,
    litres numeric(9,2) NOT NULL,
    moved_at timestamp(0) without time zone NOT NULL,
    moved_by integer NOT NULL,
    reason character varying(200),
    CONSTRAINT vessel_transfer_ends_check CHECK (("from" <> "to")),
    CONSTRAINT vessel_transfer_litres_check CHECK ((litres > (0)::numeric))
);


ALTER TABLE public.vessel_transfer OWNER TO cellar_owner;

--
-- Name: TABLE vessel_transfer; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.vessel_transfer IS 'Wine moved from one vessel to another.';


--
-- Name: vessel_transfer_id_seq; Type: SEQUENCE; Schema: public; Owner: cellar_owner
--

ALTER TABLE public.vessel_transfer ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.vessel_transfer_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: wine_lot_harvest; Type: TABLE; Schema: public; Owner: cellar_owner
--

CREATE TABLE public.wine_lot_harvest (
    wine_lot_id uuid NOT NULL,
    harvest_id bigint NOT NULL
);


ALTER TABLE public.wine_lot_harvest OWNER TO cellar_owner;

--
-- Name: TABLE wine_lot_harvest; Type: COMMENT; Schema: public; Owner: cellar_owner
--

COMMENT ON TABLE public.wine_lot_harvest IS 'Which harvests went into which lot.';


--
-- Data for Name: blend; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.blend (id, name, vintage, blended_on, tasting_notes, approved_by) FROM stdin;
1	Harvest Moon	\N	2024-02-01	\N	\N
2	First Frost	2023	2024-02-07	Dark fruit, a little smoke.\nOpen an hour before pouring.	2
3	Old Bridge	2022	2024-02-13	\N	3
4	Quiet Cellar	2023	2024-02-19	Dark fruit, a little smoke.\nOpen an hour before pouring.	1
5	Stone Path	\N	2024-02-25	\N	2
6	Tall Grass	2023	2024-03-02	Dark fruit, a little smoke.\nOpen an hour before pouring.	\N
7	Winter Light	2022	2024-03-08	\N	1
8	Red Barn	2023	2024-03-14	Dark fruit, a little smoke.\nOpen an hour before pouring.	2
9	Blue Hour	\N	2024-03-20	\N	3
10	Slow River	2023	2024-03-26	Dark fruit, a little smoke.\nOpen an hour before pouring.	1
11	Copper Leaf	2022	2024-04-01	\N	\N
12	Evening Bell	2023	2024-04-07	Dark fruit, a little smoke.\nOpen an hour before pouring.	3
\.


--
-- Data for Name: blend_component; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.blend_component (blend_id, wine_lot_id, share) FROM stdin;
1	00000000-0000-4000-a000-000000000001	60.00
1	00000000-0000-4000-a000-000000000006	40.00
2	00000000-0000-4000-a000-000000000003	50.00
2	00000000-0000-4000-a000-000000000008	30.00
2	00000000-0000-4000-a000-000000000013	20.00
3	00000000-0000-4000-a000-000000000005	100.00
4	00000000-0000-4000-a000-000000000007	70.50
4	00000000-0000-4000-a000-000000000012	29.50
5	00000000-0000-4000-a000-000000000009	60.00
5	00000000-0000-4000-a000-000000000014	40.00
6	00000000-0000-4000-a000-000000000011	50.00
6	00000000-0000-4000-a000-000000000016	30.00
6	00000000-0000-4000-a000-000000000021	20.00
7	00000000-0000-4000-a000-000000000013	100.00
8	00000000-0000-4000-a000-000000000015	70.50
8	00000000-0000-4000-a000-000000000020	29.50
9	00000000-0000-4000-a000-000000000017	60.00
9	00000000-0000-4000-a000-000000000022	40.00
10	00000000-0000-4000-a000-000000000019	50.00
10	00000000-0000-4000-a000-000000000024	30.00
10	00000000-0000-4000-a000-000000000029	20.00
11	00000000-0000-4000-a000-000000000021	100.00
12	00000000-0000-4000-a000-000000000023	70.50
12	00000000-0000-4000-a000-000000000028	29.50
\.


--
-- Data for Name: bottling; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.bottling (id, blend_id, label_id, bottled_on, bottle_ml, bottles, price, closed_with) FROM stdin;
1	1	\N	2024-06-03	750	338	\N	cork
2	2	3	2024-06-04	750	230	9.75	screw cap
3	3	5	2024-06-05	375	575	10.50	crown cap
4	4	7	2024-06-06	1500	1927	11.25	glass
5	5	9	2024-06-07	500	1306	12.00	cork
6	6	11	2024-06-08	750	2035	12.75	screw cap
7	7	13	2024-06-09	750	847	\N	crown cap
8	8	\N	2024-06-10	375	1938	14.25	glass
9	9	17	2024-06-11	1500	1005	15.00	cork
10	10	19	2024-06-12	500	351	15.75	screw cap
11	11	21	2024-06-13	750	2475	16.50	crown cap
12	12	23	2024-06-14	750	1719	17.25	glass
13	1	1	2024-06-15	375	454	\N	cork
14	2	3	2024-06-16	1500	499	18.75	screw cap
15	3	\N	2024-06-17	500	202	19.50	crown cap
16	4	7	2024-06-18	750	1753	20.25	glass
17	5	9	2024-06-19	750	628	21.00	cork
18	6	11	2024-06-20	375	2016	21.75	screw cap
19	7	13	2024-06-21	1500	2218	\N	crown cap
20	8	15	2024-06-22	500	2965	23.25	glass
21	9	17	2024-06-23	750	1394	24.00	cork
22	10	\N	2024-06-24	750	1525	24.75	screw cap
23	11	21	2024-06-25	375	1227	25.50	crown cap
24	12	23	2024-06-26	1500	2809	26.25	glass
\.


--
-- Data for Name: cellar_hand; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.cellar_hand (id, full_name, email, craft, hired_on, left_on, shift_starts, supervisor_id) FROM stdin;
1	Ilse Brandow	ilse.brandow@cellar.example	cellar	2002-01-01	\N	05:00:00	\N
2	Tomas Kerrigan	tomas.kerrigan@cellar.example	cooperage	2003-02-02	\N	06:30:00	1
3	Mira Sollan	mira.sollan@cellar.example	laboratory	2004-03-03	\N	07:00:00	1
4	Pavel Ortwin	pavel.ortwin@cellar.example	vineyard	2005-04-04	\N	08:30:00	1
5	Jana Lindhurst	jana.lindhurst@cellar.example	cellar	2006-05-05	\N	05:00:00	1
6	Rune Askeby	rune.askeby@cellar.example	cooperage	2007-06-06	\N	06:30:00	3
7	Celia Fontmere	celia.fontmere@cellar.example	laboratory	2008-07-07	\N	07:00:00	4
8	Oskar Veldt	oskar.veldt@cellar.example	vineyard	2009-08-08	\N	08:30:00	5
9	Nadia Purcellan	nadia.purcellan@cellar.example	cellar	2010-09-09	\N	05:00:00	2
10	Hugo Tamsin	hugo.tamsin@cellar.example	cooperage	2011-10-10	2014-03-28	06:30:00	3
11	Vera Coldbrook	vera.coldbrook@cellar.example	laboratory	2012-11-11	\N	07:00:00	4
12	Emil Starrow	emil.starrow@cellar.example	vineyard	2013-12-12	\N	08:30:00	5
13	Greta Holm-Ives	greta.holm-ives@cellar.example	cellar	2014-01-13	\N	05:00:00	2
14	Luka Dravin	luka.dravin@cellar.example	cooperage	2015-02-14	\N	06:30:00	3
15	Signe Marlow	signe.marlow@cellar.example	laboratory	2016-03-15	\N	07:00:00	4
16	Anton Reyhill	anton.reyhill@cellar.example	vineyard	2017-04-16	\N	08:30:00	5
17	Bela Quist	bela.quist@cellar.example	cellar	2018-05-17	\N	05:00:00	2
18	Dora Winfell	dora.winfell@cellar.example	cooperage	2019-06-18	2021-12-04	06:30:00	3
19	Karel Amberly	karel.amberly@cellar.example	laboratory	2020-07-19	\N	07:00:00	4
20	Wanda Eskil	wanda.eskil@cellar.example	vineyard	2021-08-20	\N	08:30:00	5
\.


--
-- Data for Name: cellar_log; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.cellar_log (logged_at, hand_id, entry) FROM stdin;
2024-09-01 06:00:00	\N	Topped up the barrels in row 1.
2024-09-02 07:07:00	2	Washed tank 2.
2024-09-03 08:14:00	3	Tasted lot 3: patient.
2024-09-04 09:21:00	4	Pump 4 serviced.
2024-09-05 10:28:00	5	Topped up the barrels in row 5.
2024-09-06 11:35:00	\N	Washed tank 6.
2024-09-07 12:42:00	7	Tasted lot 7: patient.
2024-09-08 13:49:00	8	Pump 8 serviced.
2024-09-09 14:56:00	9	Topped up the barrels in row 9.
2024-09-10 15:03:00	10	Washed tank 10.
2024-09-11 06:10:00	\N	Tasted lot 11: patient.
2024-09-12 07:17:00	12	Pump 12 serviced.
2024-09-13 08:24:00	13	Topped up the barrels in row 13.
2024-09-14 09:31:00	14	Washed tank 14.
2024-09-15 10:38:00	15	Tasted lot 15: patient.
2024-09-16 11:45:00	\N	Pump 16 serviced.
2024-09-17 12:52:00	17	Topped up the barrels in row 17.
2024-09-18 13:59:00	18	Washed tank 18.
2024-09-19 14:06:00	19	Tasted lot 19: patient.
2024-09-20 15:13:00	20	Pump 20 serviced.
2024-09-21 06:20:00	\N	Topped up the barrels in row 21.
2024-09-22 07:27:00	2	Washed tank 22.
2024-09-23 08:34:00	3	Tasted lot 23: patient.
2024-09-24 09:41:00	4	Pump 24 serviced.
2024-09-25 10:48:00	5	Topped up the barrels in row 25.
2024-09-26 11:55:00	\N	Washed tank 26.
2024-09-27 12:02:00	7	Tasted lot 27: patient.
2024-09-28 13:09:00	8	Pump 28 serviced.
2024-09-29 14:16:00	9	Topped up the barrels in row 29.
2024-09-30 15:23:00	10	Washed tank 30.
2026-11-23 10:52:11.415724	1	Two lines:\nand a tab\t; then \\.
\.


--
-- Data for Name: grape_variety; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.grape_variety (code, name, colour, "order", synonyms) FROM stdin;
ARV	Arvela	red	10	\N
BOS	Boskova	red	20	Bosk, Black Boskova
CIL	Cilandra	white	30	\N
DUN	Dunmark Grey	grey	40	Grey Dun
ELB	Elbenso	white	50	\N
FAR	Faralto	red	60	Alto Far
GRI	Grisella	grey	70	\N
HAL	Hallinger	white	80	Hall Grape
IST	Istria Noire	red	90	\N
JOR	Jorvina	red	100	\N
KES	Kestrel White	white	110	\N
LUM	Lumara	white	120	Lumaret
MOR	Morosel	red	130	\N
NIV	Niveole	white	140	\N
OST	Ostrava Red	red	150	Ost
\.


--
-- Data for Name: harvest; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.harvest (id, parcel_id, picked_on, weight_kg, brix, by_machine, picked_by) FROM stdin;
1	2	2022-09-02	5425.78	18.5	f	12
2	4	2022-09-20	749.95	22.2	t	18
3	6	2022-09-25	3395.04	19.5	f	\N
4	8	2022-10-01	2151.38	18.5	t	20
5	10	2022-09-04	3148.67	25.0	f	20
6	12	2022-09-12	3502.90	25.9	t	\N
7	14	2022-09-08	4696.12	21.0	f	1
8	16	2022-10-06	1624.83	25.5	t	11
9	18	2022-09-13	3937.14	\N	f	\N
10	20	2022-09-24	2208.53	25.2	t	2
11	22	2022-09-27	5518.16	21.0	f	2
12	24	2022-09-27	2812.90	24.0	t	\N
13	1	2023-10-03	5247.40	25.6	f	4
14	3	2023-09-16	5529.87	18.6	f	5
15	5	2023-09-02	3306.98	25.9	f	4
16	7	2023-09-27	4074.63	18.2	f	3
17	9	2023-09-16	1952.35	\N	f	5
18	11	2023-09-07	3879.05	21.6	f	2
19	13	2023-09-25	4782.58	21.9	f	19
20	15	2023-09-07	3531.72	22.6	f	11
21	17	2023-10-06	3882.07	21.6	f	17
22	19	2023-09-01	4785.85	25.6	f	13
23	21	2023-09-13	5395.39	25.0	f	9
24	23	2023-09-27	5464.96	23.4	f	5
25	2	2024-09-28	2183.77	19.6	f	5
26	4	2024-09-19	3567.92	19.5	t	9
27	6	2024-09-07	2174.01	19.5	f	\N
28	8	2024-09-10	4866.38	22.2	t	14
29	10	2024-10-05	4402.80	22.3	f	2
30	12	2024-09-22	699.17	23.8	t	\N
31	14	2024-09-29	2379.58	23.0	f	2
32	16	2024-09-03	1241.14	18.4	t	18
33	18	2024-09-15	2458.56	\N	f	\N
34	20	2024-10-02	5552.06	19.1	t	18
35	22	2024-10-04	1322.44	18.2	f	4
36	24	2024-09-15	4517.84	21.7	t	\N
\.


--
-- Data for Name: lab_analysis; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.lab_analysis (id, wine_lot_id, taken_at, ph, alcohol_volume, celsius, readings, remarks) FROM stdin;
1	00000000-0000-4000-a000-000000000001	2023-02-01 09:00:00+00	3.69	\N	\N	\N	Clear; no sediment. Sample 1 kept for two weeks.
2	00000000-0000-4000-a000-000000000002	2023-02-08 09:01:00+00	3.38	11.17	13	{"malic": 0.15, "so2_free": 21, "so2_total": 61}	\N
3	00000000-0000-4000-a000-000000000003	2023-02-15 09:02:00+00	3.62	13.60	14	{"malic": 0.2, "so2_free": 22, "so2_total": 62}	\N
4	00000000-0000-4000-a000-000000000004	2023-02-22 09:03:00+00	3.77	11.71	15	{"malic": 0.25, "so2_free": 23, "so2_total": 63}	Clear; no sediment. Sample 4 kept for two weeks.
5	00000000-0000-4000-a000-000000000005	2023-03-01 09:04:00+00	3.38	14.10	16	\N	\N
6	00000000-0000-4000-a000-000000000006	2023-03-08 09:05:00+00	3.29	13.87	\N	{"malic": 0.35, "so2_free": 25, "so2_total": 65}	\N
7	00000000-0000-4000-a000-000000000007	2023-03-15 09:06:00+00	3.71	\N	18	{"malic": 0.4, "so2_free": 26, "so2_total": 66}	Clear; no sediment. Sample 7 kept for two weeks.
8	00000000-0000-4000-a000-000000000008	2023-03-22 09:07:00+00	3.01	14.01	12	{"malic": 0.45, "so2_free": 27, "so2_total": 67}	\N
9	00000000-0000-4000-a000-000000000009	2023-03-29 09:08:00+00	3.01	13.35	13	\N	\N
10	00000000-0000-4000-a000-000000000010	2023-04-05 09:09:00+00	3.22	12.41	14	{"malic": 0.55, "so2_free": 29, "so2_total": 69}	Clear; no sediment. Sample 10 kept for two weeks.
11	00000000-0000-4000-a000-000000000011	2023-04-12 09:10:00+00	3.63	12.83	\N	{"malic": 0.6, "so2_free": 30, "so2_total": 70}	\N
12	00000000-0000-4000-a000-000000000012	2023-04-19 09:11:00+00	3.77	11.99	16	{"malic": 0.65, "so2_free": 31, "so2_total": 71}	\N
13	00000000-0000-4000-a000-000000000013	2023-04-26 09:12:00+00	3.73	\N	17	\N	Clear; no sediment. Sample 13 kept for two weeks.
14	00000000-0000-4000-a000-000000000014	2023-05-03 09:13:00+00	3.07	11.90	18	{"malic": 0.75, "so2_free": 33, "so2_total": 73}	\N
15	00000000-0000-4000-a000-000000000015	2023-05-10 09:14:00+00	3.60	14.19	12	{"malic": 0.8, "so2_free": 34, "so2_total": 74}	\N
16	00000000-0000-4000-a000-000000000016	2023-05-17 09:15:00+00	3.58	12.02	\N	{"malic": 0.85, "so2_free": 20, "so2_total": 75}	Clear; no sediment. Sample 16 kept for two weeks.
17	00000000-0000-4000-a000-000000000017	2023-05-24 09:16:00+00	3.71	11.82	14	\N	\N
18	00000000-0000-4000-a000-000000000018	2023-05-31 09:17:00+00	3.63	11.23	15	{"malic": 0.95, "so2_free": 22, "so2_total": 77}	\N
19	00000000-0000-4000-a000-000000000019	2023-06-07 09:18:00+00	3.21	\N	16	{"malic": 1.0, "so2_free": 23, "so2_total": 78}	Clear; no sediment. Sample 19 kept for two weeks.
20	00000000-0000-4000-a000-000000000020	2023-06-14 09:19:00+00	3.36	11.01	17	{"malic": 1.05, "so2_free": 24, "so2_total": 79}	\N
21	00000000-0000-4000-a000-000000000021	2023-06-21 09:20:00+00	3.41	14.43	\N	\N	\N
22	00000000-0000-4000-a000-000000000022	2023-06-28 09:21:00+00	3.24	11.85	12	{"malic": 1.15, "so2_free": 26, "so2_total": 81}	Clear; no sediment. Sample 22 kept for two weeks.
23	00000000-0000-4000-a000-000000000023	2023-07-05 09:22:00+00	3.06	11.95	13	{"malic": 1.2, "so2_free": 27, "so2_total": 82}	\N
24	00000000-0000-4000-a000-000000000024	2023-07-12 09:23:00+00	3.10	13.94	14	{"malic": 1.25, "so2_free": 28, "so2_total": 83}	\N
25	00000000-0000-4000-a000-000000000025	2023-07-19 09:24:00+00	3.71	\N	15	\N	Clear; no sediment. Sample 25 kept for two weeks.
26	00000000-0000-4000-a000-000000000026	2023-07-26 09:25:00+00	3.34	11.96	\N	{"malic": 1.35, "so2_free": 30, "so2_total": 85}	\N
27	00000000-0000-4000-a000-000000000027	2023-08-02 09:26:00+00	3.67	11.29	17	{"malic": 1.4, "so2_free": 31, "so2_total": 86}	\N
28	00000000-0000-4000-a000-000000000028	2023-08-09 09:27:00+00	3.01	12.25	18	{"malic": 1.45, "so2_free": 32, "so2_total": 87}	Clear; no sediment. Sample 28 kept for two weeks.
29	00000000-0000-4000-a000-000000000029	2023-08-16 09:28:00+00	3.50	12.67	12	\N	\N
30	00000000-0000-4000-a000-000000000030	2023-08-23 09:29:00+00	3.79	11.85	13	{"malic": 1.55, "so2_free": 34, "so2_total": 89}	\N
31	00000000-0000-4000-a000-000000000001	2023-08-30 09:30:00+00	3.24	\N	\N	{"malic": 1.6, "so2_free": 20, "so2_total": 90}	Clear; no sediment. Sample 31 kept for two weeks.
32	00000000-0000-4000-a000-000000000002	2023-09-06 09:31:00+00	3.48	12.21	15	{"malic": 1.65, "so2_free": 21, "so2_total": 91}	\N
33	00000000-0000-4000-a000-000000000003	2023-09-13 09:32:00+00	3.41	14.19	16	\N	\N
34	00000000-0000-4000-a000-000000000004	2023-09-20 09:33:00+00	3.15	11.95	17	{"malic": 1.75, "so2_free": 23, "so2_total": 93}	Clear; no sediment. Sample 34 kept for two weeks.
35	00000000-0000-4000-a000-000000000005	2023-09-27 09:34:00+00	3.00	14.40	18	{"malic": 1.8, "so2_free": 24, "so2_total": 94}	\N
36	00000000-0000-4000-a000-000000000006	2023-10-04 09:35:00+00	3.21	13.08	\N	{"malic": 1.85, "so2_free": 25, "so2_total": 95}	\N
37	00000000-0000-4000-a000-000000000007	2023-10-11 09:36:00+00	3.58	\N	13	\N	Clear; no sediment. Sample 37 kept for two weeks.
38	00000000-0000-4000-a000-000000000008	2023-10-18 09:37:00+00	3.08	13.24	14	{"malic": 1.95, "so2_free": 27, "so2_total": 97}	\N
39	00000000-0000-4000-a000-000000000009	2023-10-25 09:38:00+00	3.78	12.37	15	{"malic": 2.0, "so2_free": 28, "so2_total": 98}	\N
40	00000000-0000-4000-a000-000000000010	2023-11-01 09:39:00+00	3.58	11.98	16	{"malic": 2.05, "so2_free": 29, "so2_total": 99}	Clear; no sediment. Sample 40 kept for two weeks.
\.


--
-- Data for Name: label; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.label (id, title, language_code, back_text, picture) FROM stdin;
1	Harvest Moon	en	\N	\N
2	Harvest Moon	de	A blend of our own lots, Harvest Moon.	\\x89504e470d0a1a0a0001
3	First Frost	en	A blend of our own lots, First Frost.	\N
4	First Frost	de	\N	\\x89504e470d0a1a0a0003
5	Old Bridge	en	A blend of our own lots, Old Bridge.	\N
6	Old Bridge	de	A blend of our own lots, Old Bridge.	\\x89504e470d0a1a0a0005
7	Quiet Cellar	en	\N	\N
8	Quiet Cellar	de	A blend of our own lots, Quiet Cellar.	\\x89504e470d0a1a0a0007
9	Stone Path	en	A blend of our own lots, Stone Path.	\N
10	Stone Path	de	\N	\\x89504e470d0a1a0a0009
11	Tall Grass	en	A blend of our own lots, Tall Grass.	\N
12	Tall Grass	de	A blend of our own lots, Tall Grass.	\\x89504e470d0a1a0a000b
13	Winter Light	en	\N	\N
14	Winter Light	de	A blend of our own lots, Winter Light.	\\x89504e470d0a1a0a000d
15	Red Barn	en	A blend of our own lots, Red Barn.	\N
16	Red Barn	de	\N	\\x89504e470d0a1a0a000f
17	Blue Hour	en	A blend of our own lots, Blue Hour.	\N
18	Blue Hour	de	A blend of our own lots, Blue Hour.	\\x89504e470d0a1a0a0011
19	Slow River	en	\N	\N
20	Slow River	de	A blend of our own lots, Slow River.	\\x89504e470d0a1a0a0013
21	Copper Leaf	en	A blend of our own lots, Copper Leaf.	\N
22	Copper Leaf	de	\N	\\x89504e470d0a1a0a0015
23	Evening Bell	en	A blend of our own lots, Evening Bell.	\N
24	Evening Bell	de	A blend of our own lots, Evening Bell.	\\x89504e470d0a1a0a0017
\.


--
-- Data for Name: parcel; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.parcel (id, name, variety_code, area_ha, slope_percent, soil, planted_on, organic, latitude, longitude) FROM stdin;
1	Abbot's Ledge	ARV	1.357	\N	chalk	\N	t	47.1	8.2
2	Barn Field	BOS	2.670	32	clay	2006-04-10	f	47.1031	8.2047
3	Crow Hill	CIL	1.563	10	gravel	2003-03-11	f	47.1062	8.2094
4	Dry Brook	DUN	3.003	26	loam	2018-04-26	t	47.1093	8.2141
5	East Terrace	ELB	3.701	15	sand	1981-05-22	f	47.1124	8.2188
6	Fox Run	FAR	1.763	\N	slate	1985-03-16	f	47.1155	8.2235
7	Gate Piece	GRI	3.754	40	chalk	2015-04-10	t	47.1186	8.2282
8	High Wall	HAL	2.712	8	clay	\N	f	47.1217	8.2329
9	Ivy Bank	IST	0.794	26	gravel	2007-03-28	f	47.1248	8.2376
10	Juniper Slope	JOR	3.577	8	loam	1991-05-21	t	47.1279	8.2423
11	Kiln Close	KES	1.587	\N	sand	1987-04-12	f	47.131	8.247
12	Long Rows	LUM	3.041	39	slate	2000-03-26	f	47.1341	8.2517
13	Mill Side	MOR	3.081	14	chalk	1986-03-20	t	47.1372	8.2564
14	North Bench	NIV	2.279	18	clay	1984-05-18	f	47.1403	8.2611
15	Old Orchard	OST	0.597	16	gravel	\N	f	47.1434	8.2658
16	Pebble Bed	ARV	1.979	\N	loam	2017-03-20	t	47.1465	8.2705
17	Quarry Top	BOS	3.556	1	sand	1989-04-13	f	47.1496	8.2752
18	Rook Wood	CIL	1.748	38	slate	2009-04-14	f	47.1527	8.2799
19	South Bench	DUN	2.308	43	chalk	1989-03-25	t	47.1558	8.2846
20	Thorn Patch	ELB	2.635	21	clay	2016-04-02	f	47.1589	8.2893
21	Upper Spring	FAR	3.897	\N	gravel	2016-05-16	f	47.162	8.294
22	Vicar's Acre	GRI	2.642	40	loam	\N	t	47.1651	8.2987
23	West Terrace	HAL	2.664	0	sand	2010-04-11	f	47.1682	8.3034
24	Yew Corner	IST	4.269	38	slate	2012-04-28	f	47.1713	8.3081
\.


--
-- Data for Name: vessel; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.vessel (id, code, kind, capacity_litres, toast, bought_on, in_use) FROM stdin;
1	T-01	tank	5000	\N	\N	t
2	B-02	barrel	225	medium	2009-02-10	t
3	B-03	barrel	225	heavy	2010-03-10	t
4	A-04	amphora	800	\N	2011-04-10	t
5	B-05	barrel	225	medium	2012-05-10	t
6	E-06	egg	900	\N	2013-06-10	t
7	T-07	tank	5000	\N	2014-07-10	t
8	B-08	barrel	225	medium	2015-08-10	t
9	B-09	barrel	225	heavy	\N	t
10	A-10	amphora	800	\N	2017-10-10	t
11	B-11	barrel	225	medium	2018-11-10	t
12	E-12	egg	900	\N	2019-12-10	t
13	T-13	tank	5000	\N	2020-01-10	t
14	B-14	barrel	225	medium	2021-02-10	t
15	B-15	barrel	225	heavy	2008-03-10	t
16	A-16	amphora	800	\N	2009-04-10	t
17	B-17	barrel	225	medium	\N	t
18	E-18	egg	900	\N	2011-06-10	t
19	T-19	tank	5000	\N	2012-07-10	t
20	B-20	barrel	225	medium	2013-08-10	t
21	B-21	barrel	225	heavy	2014-09-10	t
22	A-22	amphora	800	\N	2015-10-10	t
23	B-23	barrel	225	medium	2016-11-10	t
24	E-24	egg	900	\N	2017-12-10	t
25	T-25	tank	5000	\N	\N	t
26	B-26	barrel	225	medium	2019-02-10	t
27	B-27	barrel	225	heavy	2020-03-10	t
28	A-28	amphora	800	\N	2021-04-10	t
29	B-29	barrel	225	medium	2008-05-10	f
30	E-30	egg	900	\N	2009-06-10	t
\.


--
-- Data for Name: vessel_transfer; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.vessel_transfer (id, "from", "to", litres, moved_at, moved_by, reason) FROM stdin;
1	4	29	297.25	2023-01-10 07:15:00	1	\N
2	12	15	292.27	2023-01-19 08:15:00	2	Racking
3	30	3	342.38	2023-01-28 09:15:00	3	Topping up
4	23	25	50.36	2023-02-06 10:15:00	4	Blend trial
5	29	23	142.29	2023-02-15 11:15:00	5	\N
6	21	12	370.96	2023-02-24 12:15:00	6	Racking
7	30	2	101.81	2023-03-05 13:15:00	7	Topping up
8	19	22	85.26	2023-03-14 14:15:00	8	Blend trial
9	13	2	337.64	2023-03-23 15:15:00	9	\N
10	24	13	234.88	2023-04-01 07:15:00	10	Racking
11	14	5	373.13	2023-04-10 08:15:00	11	Topping up
12	30	26	77.04	2023-04-19 09:15:00	12	Blend trial
13	27	17	375.34	2023-04-28 10:15:00	13	\N
14	30	28	398.01	2023-05-07 11:15:00	14	Racking
15	11	4	299.37	2023-05-16 12:15:00	15	Topping up
16	2	23	406.36	2023-05-25 13:15:00	16	Blend trial
17	22	18	394.37	2023-06-03 14:15:00	17	\N
18	6	10	247.55	2023-06-12 15:15:00	18	Racking
19	27	2	361.68	2023-06-21 07:15:00	19	Topping up
20	14	17	319.88	2023-06-30 08:15:00	20	Blend trial
21	4	1	305.19	2023-07-09 09:15:00	1	\N
22	11	7	205.73	2023-07-18 10:15:00	2	Racking
23	16	17	213.66	2023-07-27 11:15:00	3	Topping up
24	5	3	90.27	2023-08-05 12:15:00	4	Blend trial
25	10	23	245.48	2023-08-14 13:15:00	5	\N
26	5	2	184.77	2023-08-23 14:15:00	6	Racking
27	9	20	119.65	2023-09-01 15:15:00	7	Topping up
28	9	27	153.87	2023-09-10 07:15:00	8	Blend trial
29	1	10	315.83	2023-09-19 08:15:00	9	\N
30	9	24	121.20	2023-09-28 09:15:00	10	Racking
31	20	10	263.65	2023-10-07 10:15:00	11	Topping up
32	29	5	25.03	2023-10-16 11:15:00	12	Blend trial
33	19	29	124.66	2023-10-25 12:15:00	13	\N
34	22	3	112.73	2023-11-03 13:15:00	14	Racking
35	14	17	63.03	2023-11-12 14:15:00	15	Topping up
36	19	3	169.37	2023-11-21 15:15:00	16	Blend trial
37	27	4	174.47	2023-11-30 07:15:00	17	\N
38	26	28	167.38	2023-12-09 08:15:00	18	Racking
39	15	22	180.20	2023-12-18 09:15:00	19	Topping up
40	9	3	152.56	2023-12-27 10:15:00	20	Blend trial
\.


--
-- Data for Name: wine_lot; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.wine_lot (id, name, vintage, vessel_id, litres, filled_on, emptied_on, created_at) FROM stdin;
00000000-0000-4000-a000-000000000001	Dawn	2022	1	1145.83	2022-10-05	2023-07-18	2022-10-05 06:00:00+00
00000000-0000-4000-a000-000000000002	Ember	2022	2	3507.64	2022-10-01	2023-07-06	2022-10-01 06:01:00+00
00000000-0000-4000-a000-000000000003	Flint	2022	3	1600.54	2022-10-13	2023-07-07	2022-10-13 06:02:00+00
00000000-0000-4000-a000-000000000004	Harbour	2022	4	3068.90	2022-10-20	2023-06-14	2022-10-20 06:03:00+00
00000000-0000-4000-a000-000000000005	Lantern	2022	5	3161.84	2022-10-21	2023-08-06	2022-10-21 06:04:00+00
00000000-0000-4000-a000-000000000006	Meadow	2022	6	195.71	2022-10-17	2023-07-02	2022-10-17 06:05:00+00
00000000-0000-4000-a000-000000000007	Ridge	2022	7	483.93	2022-10-11	2023-06-18	2022-10-11 06:06:00+00
00000000-0000-4000-a000-000000000008	Silver	2022	8	1413.62	2022-10-17	2023-05-30	2022-10-17 06:07:00+00
00000000-0000-4000-a000-000000000009	Thistle	2022	9	1417.49	2022-10-18	2023-06-08	2022-10-18 06:08:00+00
00000000-0000-4000-a000-000000000010	Willow	2022	10	3542.90	2022-10-27	2023-07-04	2022-10-27 06:09:00+00
00000000-0000-4000-a000-000000000011	Dawn	2023	\N	1598.30	2023-10-18	2024-07-14	2023-10-18 06:10:00+00
00000000-0000-4000-a000-000000000012	Ember	2023	12	2990.13	2023-10-06	2024-06-22	2023-10-06 06:11:00+00
00000000-0000-4000-a000-000000000013	Flint	2023	13	4111.54	2023-10-22	2024-07-19	2023-10-22 06:12:00+00
00000000-0000-4000-a000-000000000014	Harbour	2023	14	1199.60	2023-10-21	2024-07-31	2023-10-21 06:13:00+00
00000000-0000-4000-a000-000000000015	Lantern	2023	15	2762.54	2023-10-07	\N	2023-10-07 06:14:00+00
00000000-0000-4000-a000-000000000016	Meadow	2023	16	489.28	2023-10-15	\N	2023-10-15 06:15:00+00
00000000-0000-4000-a000-000000000017	Ridge	2023	17	988.22	2023-10-09	\N	2023-10-09 06:16:00+00
00000000-0000-4000-a000-000000000018	Silver	2023	18	2844.63	2023-10-13	\N	2023-10-13 06:17:00+00
00000000-0000-4000-a000-000000000019	Thistle	2023	19	1737.38	2023-10-10	\N	2023-10-10 06:18:00+00
00000000-0000-4000-a000-000000000020	Willow	2023	20	3270.46	2023-10-21	\N	2023-10-21 06:19:00+00
00000000-0000-4000-a000-000000000021	Dawn	2024	21	3398.04	2024-10-28	\N	2024-10-28 06:20:00+00
00000000-0000-4000-a000-000000000022	Ember	2024	\N	1617.06	2024-10-28	\N	2024-10-28 06:21:00+00
00000000-0000-4000-a000-000000000023	Flint	2024	23	459.84	2024-10-21	\N	2024-10-21 06:22:00+00
00000000-0000-4000-a000-000000000024	Harbour	2024	24	3800.81	2024-10-02	\N	2024-10-02 06:23:00+00
00000000-0000-4000-a000-000000000025	Lantern	2024	25	4169.19	2024-10-14	\N	2024-10-14 06:24:00+00
00000000-0000-4000-a000-000000000026	Meadow	2024	26	3406.71	2024-10-12	\N	2024-10-12 06:25:00+00
00000000-0000-4000-a000-000000000027	Ridge	2024	27	2496.79	2024-10-07	\N	2024-10-07 06:26:00+00
00000000-0000-4000-a000-000000000028	Silver	2024	28	3647.84	2024-10-09	\N	2024-10-09 06:27:00+00
00000000-0000-4000-a000-000000000029	Thistle	2024	29	1089.20	2024-10-09	\N	2024-10-09 06:28:00+00
00000000-0000-4000-a000-000000000030	Willow	2024	30	2014.72	2024-10-02	\N	2024-10-02 06:29:00+00
\.


--
-- Data for Name: wine_lot_harvest; Type: TABLE DATA; Schema: public; Owner: cellar_owner
--

COPY public.wine_lot_harvest (wine_lot_id, harvest_id) FROM stdin;
00000000-0000-4000-a000-000000000001	1
00000000-0000-4000-a000-000000000001	6
00000000-0000-4000-a000-000000000002	2
00000000-0000-4000-a000-000000000003	3
00000000-0000-4000-a000-000000000004	4
00000000-0000-4000-a000-000000000004	9
00000000-0000-4000-a000-000000000005	5
00000000-0000-4000-a000-000000000006	6
00000000-0000-4000-a000-000000000007	7
00000000-0000-4000-a000-000000000007	12
00000000-0000-4000-a000-000000000008	8
00000000-0000-4000-a000-000000000009	9
00000000-0000-4000-a000-000000000010	10
00000000-0000-4000-a000-000000000010	3
00000000-0000-4000-a000-000000000011	23
00000000-0000-4000-a000-000000000012	24
00000000-0000-4000-a000-000000000013	13
00000000-0000-4000-a000-000000000013	18
00000000-0000-4000-a000-000000000014	14
00000000-0000-4000-a000-000000000015	15
00000000-0000-4000-a000-000000000016	16
00000000-0000-4000-a000-000000000016	21
00000000-0000-4000-a000-000000000017	17
00000000-0000-4000-a000-000000000018	18
00000000-0000-4000-a000-000000000019	19
00000000-0000-4000-a000-000000000019	24
00000000-0000-4000-a000-000000000020	20
00000000-0000-4000-a000-000000000021	33
00000000-0000-4000-a000-000000000022	34
00000000-0000-4000-a000-000000000022	27
00000000-0000-4000-a000-000000000023	35
00000000-0000-4000-a000-000000000024	36
00000000-0000-4000-a000-000000000025	25
00000000-0000-4000-a000-000000000025	30
00000000-0000-4000-a000-000000000026	26
00000000-0000-4000-a000-000000000027	27
00000000-0000-4000-a000-000000000028	28
00000000-0000-4000-a000-000000000028	33
00000000-0000-4000-a000-000000000029	29
00000000-0000-4000-a000-000000000030	30
\.


--
-- Name: blend_id_seq; Type: SEQUENCE SET; Schema: public; Owner: cellar_owner
--

SELECT pg_catalog.setval('public.blend_id_seq', 12, true);


--
-- Name: bottling_id_seq; Type: SEQUENCE SET; Schema: public; Owner: cellar_owner
--

SELECT pg_catalog.setval('public.bottling_id_seq', 24, true);


--
-- Name: cellar_hand_id_seq; Type: SEQUENCE SET; Schema: public; Owner: cellar_owner
--

SELECT pg_catalog.setval('public.cellar_hand_id_seq', 20, true);


--
-- Name: harvest_id_seq; Type: SEQUENCE SET; Schema: public; Owner: cellar_owner
--

SELECT pg_catalog.setval('public.harvest_id_seq', 36, true);


--
-- Name: lab_analysis_id_seq; Type: SEQUENCE SET; Schema: public; Owner: cellar_owner
--

SELECT pg_catalog.setval('public.lab_analysis_id_seq', 40, true);


--
-- Name: label_id_seq; Type: SEQUENCE SET; Schema: public; Owner: cellar_owner
--

SELECT pg_catalog.setval('public.label_id_seq', 24, true);


--
-- Name: parcel_id_seq; Type: SEQUENCE SET; Schema: public; Owner: cellar_owner
--

SELECT pg_catalog.setval('public.parcel_id_seq', 24, true);


--
-- Name: vessel_id_seq; Type: SEQUENCE SET; Schema: public; Owner: cellar_owner
--

SELECT pg_catalog.setval('public.vessel_id_seq', 30, true);


--
-- Name: vessel_transfer_id_seq; Type: SEQUENCE SET; Schema: public; Owner: cellar_owner
--

SELECT pg_catalog.setval('public.vessel_transfer_id_seq', 40, true);


--
-- Name: blend_component blend_component_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.blend_component
    ADD CONSTRAINT blend_component_pkey PRIMARY KEY (blend_id, wine_lot_id);


--
-- Name: blend blend_name_vintage_key; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.blend
    ADD CONSTRAINT blend_name_vintage_key UNIQUE (name, vintage);


--
-- Name: blend blend_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.blend
    ADD CONSTRAINT blend_pkey PRIMARY KEY (id);


--
-- Name: bottling bottling_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.bottling
    ADD CONSTRAINT bottling_pkey PRIMARY KEY (id);


--
-- Name: cellar_hand cellar_hand_email_key; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.cellar_hand
    ADD CONSTRAINT cellar_hand_email_key UNIQUE (email);


--
-- Name: cellar_hand cellar_hand_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.cellar_hand
    ADD CONSTRAINT cellar_hand_pkey PRIMARY KEY (id);


--
-- Name: grape_variety grape_variety_name_key; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.grape_variety
    ADD CONSTRAINT grape_variety_name_key UNIQUE (name);


--
-- Name: grape_variety grape_variety_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.grape_variety
    ADD CONSTRAINT grape_variety_pkey PRIMARY KEY (code);


--
-- Name: harvest harvest_parcel_day_key; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.harvest
    ADD CONSTRAINT harvest_parcel_day_key UNIQUE (parcel_id, picked_on);


--
-- Name: harvest harvest_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.harvest
    ADD CONSTRAINT harvest_pkey PRIMARY KEY (id);


--
-- Name: lab_analysis lab_analysis_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.lab_analysis
    ADD CONSTRAINT lab_analysis_pkey PRIMARY KEY (id);


--
-- Name: label label_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.label
    ADD CONSTRAINT label_pkey PRIMARY KEY (id);


--
-- Name: label label_title_language_key; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.label
    ADD CONSTRAINT label_title_language_key UNIQUE (title, language_code);


--
-- Name: parcel parcel_name_key; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.parcel
    ADD CONSTRAINT parcel_name_key UNIQUE (name);


--
-- Name: parcel parcel_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.parcel
    ADD CONSTRAINT parcel_pkey PRIMARY KEY (id);


--
-- Name: vessel vessel_code_key; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.vessel
    ADD CONSTRAINT vessel_code_key UNIQUE (code);


--
-- Name: vessel vessel_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.vessel
    ADD CONSTRAINT vessel_pkey PRIMARY KEY (id);


--
-- Name: vessel_transfer vessel_transfer_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.vessel_transfer
    ADD CONSTRAINT vessel_transfer_pkey PRIMARY KEY (id);


--
-- Name: wine_lot_harvest wine_lot_harvest_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.wine_lot_harvest
    ADD CONSTRAINT wine_lot_harvest_pkey PRIMARY KEY (wine_lot_id, harvest_id);


--
-- Name: wine_lot wine_lot_name_vintage_key; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.wine_lot
    ADD CONSTRAINT wine_lot_name_vintage_key UNIQUE (name, vintage);


--
-- Name: wine_lot wine_lot_pkey; Type: CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.wine_lot
    ADD CONSTRAINT wine_lot_pkey PRIMARY KEY (id);


--
-- Name: cellar_log_logged_at_idx; Type: INDEX; Schema: public; Owner: cellar_owner
--

CREATE INDEX cellar_log_logged_at_idx ON public.cellar_log USING btree (logged_at);


--
-- Name: vessel_transfer_moved_at_idx; Type: INDEX; Schema: public; Owner: cellar_owner
--

CREATE INDEX vessel_transfer_moved_at_idx ON public.vessel_transfer USING btree (moved_at);


--
-- Name: cellar_log cellar_log_trim; Type: TRIGGER; Schema: public; Owner: cellar_owner
--

CREATE TRIGGER cellar_log_trim BEFORE INSERT ON public.cellar_log FOR EACH ROW EXECUTE FUNCTION public.note_change();


--
-- Name: blend blend_approver_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.blend
    ADD CONSTRAINT blend_approver_fkey FOREIGN KEY (approved_by) REFERENCES public.cellar_hand(id);


--
-- Name: blend_component blend_component_blend_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.blend_component
    ADD CONSTRAINT blend_component_blend_fkey FOREIGN KEY (blend_id) REFERENCES public.blend(id) ON DELETE CASCADE;


--
-- Name: blend_component blend_component_lot_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.blend_component
    ADD CONSTRAINT blend_component_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES public.wine_lot(id);


--
-- Name: bottling bottling_blend_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.bottling
    ADD CONSTRAINT bottling_blend_fkey FOREIGN KEY (blend_id) REFERENCES public.blend(id);


--
-- Name: bottling bottling_label_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.bottling
    ADD CONSTRAINT bottling_label_fkey FOREIGN KEY (label_id) REFERENCES public.label(id);


--
-- Name: cellar_hand cellar_hand_supervisor_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.cellar_hand
    ADD CONSTRAINT cellar_hand_supervisor_fkey FOREIGN KEY (supervisor_id) REFERENCES public.cellar_hand(id);


--
-- Name: cellar_log cellar_log_hand_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.cellar_log
    ADD CONSTRAINT cellar_log_hand_fkey FOREIGN KEY (hand_id) REFERENCES public.cellar_hand(id);


--
-- Name: harvest harvest_parcel_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.harvest
    ADD CONSTRAINT harvest_parcel_fkey FOREIGN KEY (parcel_id) REFERENCES public.parcel(id);


--
-- Name: harvest harvest_picker_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.harvest
    ADD CONSTRAINT harvest_picker_fkey FOREIGN KEY (picked_by) REFERENCES public.cellar_hand(id) ON DELETE SET NULL;


--
-- Name: lab_analysis lab_analysis_lot_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.lab_analysis
    ADD CONSTRAINT lab_analysis_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES public.wine_lot(id) ON DELETE CASCADE;


--
-- Name: parcel parcel_variety_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.parcel
    ADD CONSTRAINT parcel_variety_fkey FOREIGN KEY (variety_code) REFERENCES public.grape_variety(code);


--
-- Name: vessel_transfer vessel_transfer_from_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.vessel_transfer
    ADD CONSTRAINT vessel_transfer_from_fkey FOREIGN KEY ("from") REFERENCES public.vessel(id);


--
-- Name: vessel_transfer vessel_transfer_hand_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.vessel_transfer
    ADD CONSTRAINT vessel_transfer_hand_fkey FOREIGN KEY (moved_by) REFERENCES public.cellar_hand(id);


--
-- Name: vessel_transfer vessel_transfer_to_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.vessel_transfer
    ADD CONSTRAINT vessel_transfer_to_fkey FOREIGN KEY ("to") REFERENCES public.vessel(id);


--
-- Name: wine_lot_harvest wine_lot_harvest_harvest_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.wine_lot_harvest
    ADD CONSTRAINT wine_lot_harvest_harvest_fkey FOREIGN KEY (harvest_id) REFERENCES public.harvest(id);


--
-- Name: wine_lot_harvest wine_lot_harvest_lot_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.wine_lot_harvest
    ADD CONSTRAINT wine_lot_harvest_lot_fkey FOREIGN KEY (wine_lot_id) REFERENCES public.wine_lot(id) ON DELETE CASCADE;


--
-- Name: wine_lot wine_lot_vessel_fkey; Type: FK CONSTRAINT; Schema: public; Owner: cellar_owner
--

ALTER TABLE ONLY public.wine_lot
    ADD CONSTRAINT wine_lot_vessel_fkey FOREIGN KEY (vessel_id) REFERENCES public.vessel(id);


--
-- Name: TABLE blend; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.blend TO cellar_reader;


--
-- Name: TABLE blend_component; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.blend_component TO cellar_reader;


--
-- Name: TABLE bottling; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.bottling TO cellar_reader;


--
-- Name: TABLE cellar_hand; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.cellar_hand TO cellar_reader;


--
-- Name: TABLE cellar_log; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.cellar_log TO cellar_reader;


--
-- Name: TABLE vessel; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.vessel TO cellar_reader;


--
-- Name: TABLE wine_lot; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.wine_lot TO cellar_reader;


--
-- Name: TABLE cellar_stock; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.cellar_stock TO cellar_reader;


--
-- Name: TABLE grape_variety; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.grape_variety TO cellar_reader;


--
-- Name: TABLE harvest; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.harvest TO cellar_reader;


--
-- Name: TABLE lab_analysis; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.lab_analysis TO cellar_reader;


--
-- Name: TABLE label; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.label TO cellar_reader;


--
-- Name: TABLE parcel; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.parcel TO cellar_reader;


--
-- Name: TABLE vessel_transfer; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.vessel_transfer TO cellar_reader;


--
-- Name: TABLE wine_lot_harvest; Type: ACL; Schema: public; Owner: cellar_owner
--

GRANT SELECT ON TABLE public.wine_lot_harvest TO cellar_reader;


--
-- Name: DEFAULT PRIVILEGES FOR TABLES; Type: DEFAULT ACL; Schema: public; Owner: cellar_owner
--

ALTER DEFAULT PRIVILEGES FOR ROLE cellar_owner IN SCHEMA public GRANT SELECT ON TABLES  TO cellar_reader;


--
-- PostgreSQL database dump complete
--

\unrestrict UXPoMAFl4ebgdc983Oh1TQlLRdEuiP44XmGzP4rOeHHtBamGDspEgYbfrWHGzkf

