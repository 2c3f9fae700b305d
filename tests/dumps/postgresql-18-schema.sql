--
-- PostgreSQL database dump
--

\restrict xeKQ4CREgLt9iZwg7wLXMLHSuayPRgYtp4NSLIiNNJEr7xXBRiCyKnNz0LOYYHb

-- Dumped from database version 18.6
-- Dumped by pg_dump version 18.6

SET statement_timeout = 0;
SET lock_timeout = 0;
SET idle_in_transaction_session_timeout = 0;
SET transaction_timeout = 0;
SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);
SET check_function_bodies = false;
SET xmloption = content;
SET client_min_messages = warning;
SET row_security = off;

--
-- Name: Old Logs; Type: SCHEMA; Schema: -; Owner: postgres
--

CREATE SCHEMA "Old Logs";


ALTER SCHEMA "Old Logs" OWNER TO postgres;

--
-- Name: rescue; Type: SCHEMA; Schema: -; Owner: postgres
--

CREATE SCHEMA rescue;


ALTER SCHEMA rescue OWNER TO postgres;

--
-- Name: boat_kind; Type: TYPE; Schema: rescue; Owner: postgres
--

CREATE TYPE rescue.boat_kind AS ENUM (
    'inshore',
    'all-weather',
    'hover craft; DROP TABLE'
);


ALTER TYPE rescue.boat_kind OWNER TO postgres;

--
-- Name: call_sign; Type: DOMAIN; Schema: rescue; Owner: postgres
--

CREATE DOMAIN rescue.call_sign AS text
	CONSTRAINT call_sign_check CHECK ((VALUE ~ '^[A-Z]{2}[0-9]+$'::text));


ALTER DOMAIN rescue.call_sign OWNER TO postgres;

--
-- Name: position; Type: TYPE; Schema: rescue; Owner: postgres
--

CREATE TYPE rescue."position" AS (
	latitude numeric,
	longitude numeric
);


ALTER TYPE rescue."position" OWNER TO postgres;

--
-- Name: knots(numeric); Type: FUNCTION; Schema: rescue; Owner: postgres
--

CREATE FUNCTION rescue.knots(metres numeric) RETURNS numeric
    LANGUAGE sql IMMUTABLE
    BEGIN ATOMIC
 SELECT
         CASE
             WHEN (metres IS NULL) THEN (0)::numeric
             ELSE (metres * 1.94)
         END AS "case";
END;


ALTER FUNCTION rescue.knots(metres numeric) OWNER TO postgres;

--
-- Name: touch(); Type: FUNCTION; Schema: rescue; Owner: postgres
--

CREATE FUNCTION rescue.touch() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
  -- COPY rescue.station (id, name) FROM stdin;
  NEW.changed_at := now(); -- a fake end: \.
  IF NEW.id IS NULL THEN RAISE EXCEPTION 'no id; really'; END IF;
  RETURN NEW;
END;
$$;


ALTER FUNCTION rescue.touch() OWNER TO postgres;

SET default_tablespace = '';

SET default_table_access_method = heap;

--
-- Name: Log; "2019" INSERT INTO; Type: TABLE; Schema: Old Logs; Owner: postgres
--

CREATE TABLE "Old Logs"."Log; ""2019""
INSERT INTO" (
    "select" integer,
    "weird
name" text,
    "tab	bed" text
);


ALTER TABLE "Old Logs"."Log; ""2019""
INSERT INTO" OWNER TO postgres;

--
-- Name: empty_table; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.empty_table (
    a integer,
    b text
);


ALTER TABLE public.empty_table OWNER TO postgres;

--
-- Name: kit; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.kit (
    id integer NOT NULL,
    period daterange
);


ALTER TABLE public.kit OWNER TO postgres;

--
-- Name: kit_child; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.kit_child (
    extra text
)
INHERITS (public.kit);


ALTER TABLE public.kit_child OWNER TO postgres;

--
-- Name: nothing; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.nothing (
);


ALTER TABLE public.nothing OWNER TO postgres;

--
-- Name: seed; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.seed (
    id integer NOT NULL,
    label text
);


ALTER TABLE public.seed OWNER TO postgres;

--
-- Name: seed_lot; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.seed_lot (
    id integer NOT NULL,
    seed_id integer,
    label text
);


ALTER TABLE public.seed_lot OWNER TO postgres;

--
-- Name: ticket; Type: SEQUENCE; Schema: public; Owner: postgres
--

CREATE SEQUENCE public.ticket
    START WITH 1000
    INCREMENT BY 5
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


ALTER SEQUENCE public.ticket OWNER TO postgres;

--
-- Name: tide; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.tide (
    gauge integer NOT NULL,
    at timestamp with time zone NOT NULL,
    height numeric(6,3)
)
PARTITION BY RANGE (at);


ALTER TABLE public.tide OWNER TO postgres;

--
-- Name: tide_2025; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.tide_2025 (
    gauge integer CONSTRAINT tide_gauge_not_null NOT NULL,
    at timestamp with time zone CONSTRAINT tide_at_not_null NOT NULL,
    height numeric(6,3)
);


ALTER TABLE public.tide_2025 OWNER TO postgres;

--
-- Name: tide_2026; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.tide_2026 (
    gauge integer CONSTRAINT tide_gauge_not_null NOT NULL,
    at timestamp with time zone CONSTRAINT tide_at_not_null NOT NULL,
    height numeric(6,3)
);


ALTER TABLE public.tide_2026 OWNER TO postgres;

--
-- Name: wide_key; Type: TABLE; Schema: public; Owner: postgres
--

CREATE TABLE public.wide_key (
    amount numeric NOT NULL,
    note text
);


ALTER TABLE public.wide_key OWNER TO postgres;

--
-- Name: boat; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.boat (
    sign rescue.call_sign NOT NULL,
    kind rescue.boat_kind NOT NULL,
    station_id integer,
    length_m double precision,
    length_ft double precision GENERATED ALWAYS AS ((length_m * (3.28084)::double precision)) STORED,
    at rescue."position",
    crew_names text[],
    spare jsonb
);


ALTER TABLE rescue.boat OWNER TO postgres;

--
-- Name: call_out; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.call_out (
    id bigint NOT NULL,
    station_id integer NOT NULL,
    began timestamp with time zone NOT NULL,
    ended timestamp without time zone,
    wind real,
    cost numeric,
    report text,
    photo bytea,
    urgent boolean DEFAULT false NOT NULL,
    token uuid,
    source inet,
    duration interval,
    CONSTRAINT began_first CHECK (((ended IS NULL) OR (ended > '2000-01-01 00:00:00'::timestamp without time zone)))
);


ALTER TABLE rescue.call_out OWNER TO postgres;

--
-- Name: station; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.station (
    id integer NOT NULL,
    name text NOT NULL,
    code character varying(8) DEFAULT 'X'::character varying NOT NULL,
    "Founded On" date,
    budget numeric(40,10),
    changed_at timestamp with time zone,
    CONSTRAINT code_shape CHECK (((length((code)::text) <= 8) AND ((code)::text <> ''::text)))
);


ALTER TABLE rescue.station OWNER TO postgres;

--
-- Name: TABLE station; Type: COMMENT; Schema: rescue; Owner: postgres
--

COMMENT ON TABLE rescue.station IS 'It''s a ; table
-- Name: fake; Type: TABLE; Schema: x; Owner: y
COPY a FROM stdin;';


--
-- Name: busy; Type: VIEW; Schema: rescue; Owner: postgres
--

CREATE VIEW rescue.busy AS
 SELECT s.name,
    count(*) AS n
   FROM (rescue.call_out c
     JOIN rescue.station s ON ((s.id = c.station_id)))
  GROUP BY s.name;


ALTER VIEW rescue.busy OWNER TO postgres;

--
-- Name: busy_stored; Type: MATERIALIZED VIEW; Schema: rescue; Owner: postgres
--

CREATE MATERIALIZED VIEW rescue.busy_stored AS
 SELECT name,
    n
   FROM rescue.busy
  WITH NO DATA;


ALTER MATERIALIZED VIEW rescue.busy_stored OWNER TO postgres;

--
-- Name: call_out_id_seq; Type: SEQUENCE; Schema: rescue; Owner: postgres
--

CREATE SEQUENCE rescue.call_out_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


ALTER SEQUENCE rescue.call_out_id_seq OWNER TO postgres;

--
-- Name: call_out_id_seq; Type: SEQUENCE OWNED BY; Schema: rescue; Owner: postgres
--

ALTER SEQUENCE rescue.call_out_id_seq OWNED BY rescue.call_out.id;


--
-- Name: seed; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.seed (
    id integer NOT NULL,
    label text NOT NULL COLLATE pg_catalog."C"
);


ALTER TABLE rescue.seed OWNER TO postgres;

--
-- Name: station_id_seq; Type: SEQUENCE; Schema: rescue; Owner: postgres
--

ALTER TABLE rescue.station ALTER COLUMN id ADD GENERATED BY DEFAULT AS IDENTITY (
    SEQUENCE NAME rescue.station_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: tide_2025; Type: TABLE ATTACH; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.tide ATTACH PARTITION public.tide_2025 FOR VALUES FROM ('2025-01-01 00:00:00+00') TO ('2026-01-01 00:00:00+00');


--
-- Name: tide_2026; Type: TABLE ATTACH; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.tide ATTACH PARTITION public.tide_2026 FOR VALUES FROM ('2026-01-01 00:00:00+00') TO ('2027-01-01 00:00:00+00');


--
-- Name: call_out id; Type: DEFAULT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.call_out ALTER COLUMN id SET DEFAULT nextval('rescue.call_out_id_seq'::regclass);


--
-- Name: kit kit_period_excl; Type: CONSTRAINT; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.kit
    ADD CONSTRAINT kit_period_excl EXCLUDE USING gist (period WITH &&);


--
-- Name: kit kit_pkey; Type: CONSTRAINT; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.kit
    ADD CONSTRAINT kit_pkey PRIMARY KEY (id);


--
-- Name: seed_lot seed_lot_pkey; Type: CONSTRAINT; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.seed_lot
    ADD CONSTRAINT seed_lot_pkey PRIMARY KEY (id);


--
-- Name: seed seed_pkey; Type: CONSTRAINT; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.seed
    ADD CONSTRAINT seed_pkey PRIMARY KEY (id);


--
-- Name: tide tide_pkey; Type: CONSTRAINT; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.tide
    ADD CONSTRAINT tide_pkey PRIMARY KEY (gauge, at);


--
-- Name: tide_2025 tide_2025_pkey; Type: CONSTRAINT; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.tide_2025
    ADD CONSTRAINT tide_2025_pkey PRIMARY KEY (gauge, at);


--
-- Name: tide_2026 tide_2026_pkey; Type: CONSTRAINT; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.tide_2026
    ADD CONSTRAINT tide_2026_pkey PRIMARY KEY (gauge, at);


--
-- Name: wide_key wide_key_pkey; Type: CONSTRAINT; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.wide_key
    ADD CONSTRAINT wide_key_pkey PRIMARY KEY (amount);


--
-- Name: boat boat_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.boat
    ADD CONSTRAINT boat_pkey PRIMARY KEY (sign);


--
-- Name: call_out call_out_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.call_out
    ADD CONSTRAINT call_out_pkey PRIMARY KEY (id);


--
-- Name: seed seed_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.seed
    ADD CONSTRAINT seed_pkey PRIMARY KEY (id, label);


--
-- Name: station station_name_key; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.station
    ADD CONSTRAINT station_name_key UNIQUE (name);


--
-- Name: station station_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.station
    ADD CONSTRAINT station_pkey PRIMARY KEY (id);


--
-- Name: call_out_began; Type: INDEX; Schema: rescue; Owner: postgres
--

CREATE INDEX call_out_began ON rescue.call_out USING btree (began DESC) WHERE urgent;


--
-- Name: call_out_token; Type: INDEX; Schema: rescue; Owner: postgres
--

CREATE UNIQUE INDEX call_out_token ON rescue.call_out USING btree (token);


--
-- Name: tide_2025_pkey; Type: INDEX ATTACH; Schema: public; Owner: postgres
--

ALTER INDEX public.tide_pkey ATTACH PARTITION public.tide_2025_pkey;


--
-- Name: tide_2026_pkey; Type: INDEX ATTACH; Schema: public; Owner: postgres
--

ALTER INDEX public.tide_pkey ATTACH PARTITION public.tide_2026_pkey;


--
-- Name: seed no_delete; Type: RULE; Schema: public; Owner: postgres
--

CREATE RULE no_delete AS
    ON DELETE TO public.seed DO INSTEAD ( SELECT 1 AS "?column?";
 SELECT 2 AS "?column?";
);


--
-- Name: station call_out_touch; Type: TRIGGER; Schema: rescue; Owner: postgres
--

CREATE TRIGGER call_out_touch BEFORE UPDATE ON rescue.station FOR EACH ROW EXECUTE FUNCTION rescue.touch();


--
-- Name: seed_lot seed_lot_seed_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: postgres
--

ALTER TABLE ONLY public.seed_lot
    ADD CONSTRAINT seed_lot_seed_id_fkey FOREIGN KEY (seed_id) REFERENCES public.seed(id);


--
-- Name: boat boat_station_id_fkey; Type: FK CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.boat
    ADD CONSTRAINT boat_station_id_fkey FOREIGN KEY (station_id) REFERENCES rescue.station(id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED;


--
-- Name: call_out call_out_station_id_fkey; Type: FK CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.call_out
    ADD CONSTRAINT call_out_station_id_fkey FOREIGN KEY (station_id) REFERENCES rescue.station(id);


--
-- Name: TABLE station; Type: ACL; Schema: rescue; Owner: postgres
--

GRANT SELECT ON TABLE rescue.station TO warden;


--
-- PostgreSQL database dump complete
--

\unrestrict xeKQ4CREgLt9iZwg7wLXMLHSuayPRgYtp4NSLIiNNJEr7xXBRiCyKnNz0LOYYHb

