--
-- PostgreSQL database dump
--

\restrict 4h4vntPkb7bp1pjP9dWXNKyPUWzPuC9UiCPNp5maKZebeE7reHbgD8DSy3ZPz32

-- Dumped from database version 15.18 (Debian 15.18-0+deb12u1)
-- Dumped by pg_dump version 15.18 (Debian 15.18-0+deb12u1)

-- Started on 2026-11-23 08:11:25 UTC

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
-- TOC entry 6 (class 2615 OID 16385)
-- Name: rescue; Type: SCHEMA; Schema: -; Owner: postgres
--

CREATE SCHEMA rescue;


ALTER SCHEMA rescue OWNER TO postgres;

--
-- TOC entry 846 (class 1247 OID 16387)
-- Name: boat_kind; Type: TYPE; Schema: rescue; Owner: postgres
--

CREATE TYPE rescue.boat_kind AS ENUM (
    'inshore',
    'all-weather',
    'hovercraft'
);


ALTER TYPE rescue.boat_kind OWNER TO postgres;

--
-- TOC entry 223 (class 1255 OID 16465)
-- Name: close_call_out(); Type: FUNCTION; Schema: rescue; Owner: postgres
--

CREATE FUNCTION rescue.close_call_out() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
  IF NEW.ended IS NOT NULL THEN NEW.status := 'closed'; END IF;
  RETURN NEW;
END $$;


ALTER FUNCTION rescue.close_call_out() OWNER TO postgres;

SET default_tablespace = '';

SET default_table_access_method = heap;

--
-- TOC entry 216 (class 1259 OID 16402)
-- Name: boat; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.boat (
    sign text NOT NULL,
    name text NOT NULL,
    kind rescue.boat_kind NOT NULL,
    station_id integer NOT NULL,
    length_m numeric(5,2),
    built integer,
    CONSTRAINT boat_built_check CHECK ((built >= 1900))
);


ALTER TABLE rescue.boat OWNER TO postgres;

--
-- TOC entry 219 (class 1259 OID 16428)
-- Name: call_out; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.call_out (
    id bigint NOT NULL,
    boat_sign text NOT NULL,
    began timestamp with time zone NOT NULL,
    ended timestamp with time zone,
    status text NOT NULL,
    persons_helped integer NOT NULL,
    cost numeric(10,2),
    report text,
    CONSTRAINT call_out_persons_helped_check CHECK ((persons_helped >= 0))
);


ALTER TABLE rescue.call_out OWNER TO postgres;

--
-- TOC entry 218 (class 1259 OID 16427)
-- Name: call_out_id_seq; Type: SEQUENCE; Schema: rescue; Owner: postgres
--

CREATE SEQUENCE rescue.call_out_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


ALTER TABLE rescue.call_out_id_seq OWNER TO postgres;

--
-- TOC entry 3405 (class 0 OID 0)
-- Dependencies: 218
-- Name: call_out_id_seq; Type: SEQUENCE OWNED BY; Schema: rescue; Owner: postgres
--

ALTER SEQUENCE rescue.call_out_id_seq OWNED BY rescue.call_out.id;


--
-- TOC entry 217 (class 1259 OID 16415)
-- Name: crew; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.crew (
    id integer NOT NULL,
    given_name text NOT NULL,
    family_name text NOT NULL,
    station_id integer NOT NULL,
    joined date,
    remark text
);


ALTER TABLE rescue.crew OWNER TO postgres;

--
-- TOC entry 220 (class 1259 OID 16443)
-- Name: kit_check; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.kit_check (
    id integer NOT NULL,
    boat_sign text NOT NULL,
    checked_on date NOT NULL,
    passed boolean NOT NULL,
    note text
);


ALTER TABLE rescue.kit_check OWNER TO postgres;

--
-- TOC entry 222 (class 1259 OID 16467)
-- Name: open_call_out; Type: VIEW; Schema: rescue; Owner: postgres
--

CREATE VIEW rescue.open_call_out AS
 SELECT call_out.id,
    call_out.boat_sign,
    call_out.began
   FROM rescue.call_out
  WHERE (call_out.status = 'open'::text);


ALTER TABLE rescue.open_call_out OWNER TO postgres;

--
-- TOC entry 215 (class 1259 OID 16393)
-- Name: station; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.station (
    id integer NOT NULL,
    name text NOT NULL,
    postcode text NOT NULL,
    opened date NOT NULL,
    yearly_budget numeric(14,2)
);


ALTER TABLE rescue.station OWNER TO postgres;

--
-- TOC entry 221 (class 1259 OID 16455)
-- Name: tide_reading; Type: TABLE; Schema: rescue; Owner: postgres
--

CREATE TABLE rescue.tide_reading (
    id bigint NOT NULL,
    station_id integer NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    height_m numeric(6,3) NOT NULL
);


ALTER TABLE rescue.tide_reading OWNER TO postgres;

--
-- TOC entry 3226 (class 2604 OID 16431)
-- Name: call_out id; Type: DEFAULT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.call_out ALTER COLUMN id SET DEFAULT nextval('rescue.call_out_id_seq'::regclass);


--
-- TOC entry 3394 (class 0 OID 16402)
-- Dependencies: 216
-- Data for Name: boat; Type: TABLE DATA; Schema: rescue; Owner: postgres
--

COPY rescue.boat (sign, name, kind, station_id, length_m, built) FROM stdin;
RS1	Petrel 1	all-weather	2	8.75	1979
RS2	Gannet 1	hovercraft	3	10.00	1980
RS3	Fulmar 1	inshore	4	11.25	1981
RS4	Skua 1	all-weather	5	12.50	1982
RS5	Puffin 1	hovercraft	6	13.75	1983
RS6	Kittiwake 1	inshore	7	15.00	1984
RS7	Guillemot 1	all-weather	8	16.25	1985
RS8	Eider 1	hovercraft	9	17.50	1986
RS9	Plover 1	inshore	10	7.50	1987
RS10	Tern 2	all-weather	11	8.75	1988
RS11	Petrel 2	hovercraft	12	10.00	1989
RS12	Gannet 2	inshore	1	11.25	1990
RS13	Fulmar 2	all-weather	2	12.50	1991
RS14	Skua 2	hovercraft	3	13.75	1992
RS15	Puffin 2	inshore	4	15.00	1993
RS16	Kittiwake 2	all-weather	5	16.25	1994
RS17	Guillemot 2	hovercraft	6	17.50	1995
RS18	Eider 2	inshore	7	7.50	1996
RS19	Plover 2	all-weather	8	8.75	1997
RS20	Tern 3	hovercraft	9	10.00	1998
RS21	Petrel 3	inshore	10	11.25	1999
RS22	Gannet 3	all-weather	11	12.50	2000
RS23	Fulmar 3	hovercraft	12	13.75	2001
RS24	Skua 3	inshore	1	15.00	2002
\.


--
-- TOC entry 3397 (class 0 OID 16428)
-- Dependencies: 219
-- Data for Name: call_out; Type: TABLE DATA; Schema: rescue; Owner: postgres
--

COPY rescue.call_out (id, boat_sign, began, ended, status, persons_helped, cost, report) FROM stdin;
1	RS2	2026-01-01 07:47:00+00	2026-01-01 09:37:00+00	done	1	427.35	Dinghy adrift off the point; towed in.
2	RS3	2026-01-01 13:24:00+00	2026-01-01 15:14:00+00	done	2	444.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
3	RS4	2026-01-01 19:01:00+00	2026-01-01 20:51:00+00	done	3	462.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
4	RS5	2026-01-02 00:38:00+00	2026-01-02 02:28:00+00	done	4	479.40	Kayak overdue, found ashore
5	RS6	2026-01-02 06:15:00+00	2026-01-02 08:05:00+00	done	0	496.75	Swimmer helped 🛟
6		S7	2026-01-02 11:52:00+00	2026-01-02 13:42:00+00	done	1	514.10	\N
7	RS8	2026-01-02 17:29:00+00	2026-01-02 19:19:00+00	done	2	531.45	Dinghy adrift off the point; towed in.
8IRS9	2026-01-02 23:06:00+00	2026-01-03 00:56:00+00	done	3	548.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
9	RS10	2026-01-03 04:43:00+00	2026-01-03 06:33:00+00	false alarm	4	566.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
10	RS11	2026-01-03 10:20:00+00	2026-01-03 12:10:00+00	done	0	583.50	Kayak overdue, found ashore
11	RS12	2026-01-03 15:57:00+00	2026-01-03 17:47:00+00	done	1	600.85	Swimmer helped 🛟
12	RS13	2026-01-03 21:34:00+00	2026-01-03 23:24:00+00	done	2	618.20	\N
13	RS14	2026-01-04 03:11:00+00	2026-01-04 05:01:00+00	done	3	635.55	Dinghy adrift off the point; towed in.
14	RS15	2026-01-04 08:48:00+00	2026-01-04 10:38:00+00	done	4	652.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
15	RS16	2026-01-04 14:25:00+00	2026-01-04 16:15:00+00	done	0	670.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
16	RS17	2026-01-04 20:02:00+00	2026-01-04 21:52:00+00	done	1	687.60	Kayak overdue, found ashore
17	RS18	2026-01-05 01:39:00+00	2026-01-05 03:29:00+00	done	2	704.95	Swimmer helped 🛟
18	RS19	2026-01-05 07:16:00+00	2026-01-05 09:06:00+00	false alarm	3	722.30	\N
19	RS20	2026-01-05 12:53:00+00	2026-01-05 14:43:00+00	done	4	739.65	Dinghy adrift off the point; towed in.
20	RS21	2026-01-05 18:30:00+00	2026-01-05 20:20:00+00	done	0	757.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
21	RS22	2026-01-06 00:07:00+00	2026-01-06 01:57:00+00	done	1	774.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
22	RS23	2026-01-06 05:44:00+00	2026-01-06 07:34:00+00	done	2	791.70	Kayak overdue, found ashore
23	RS24	2026-01-06 11:21:00+00	2026-01-06 13:11:00+00	done	3	809.05	Swimmer helped 🛟
24	RS1	2026-01-06 16:58:00+00	2026-01-06 18:48:00+00	done	4	826.40	\N
25	RS2	2026-01-06 22:35:00+00	2026-01-07 00:25:00+00	done	0	843.75	Dinghy adrift off the point; towed in.
26	RS3	2026-01-07 04:12:00+00	2026-01-07 06:02:00+00	done	1	861.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
27	RS4	2026-01-07 09:49:00+00	2026-01-07 11:39:00+00	false alarm	2	878.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
28	RS5	2026-01-07 15:26:00+00	2026-01-07 17:16:00+00	done	3	895.80	Kayak overdue, found ashore
29	RS6	2026-01-07 21:03:00+00	2026-01-07 22:53:00+00	done	4	913.15	Swimmer helped 🛟
30	RS7	2026-01-08 02:40:00+00	2026-01-08 04:30:00+00	done	0	930.50	\N
31	RS8	2026-01-08 08:17:00+00	2026-01-08 10:07:00+00	done	1	947.85	Dinghy adrift off the point; towed in.
32	RS9	2026-01-08 13:54:00+00	2026-01-08 15:44:00+00	done	2	965.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
33	RS10	2026-01-08 19:31:00+00	2026-01-08 21:21:00+00	done	3	982.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
34	RS11	2026-01-09 01:08:00+00	2026-01-09 02:58:00+00	done	4	999.90	Kayak overdue, found ashore
35	RS12	2026-01-09 06:45:00+00	2026-01-09 08:35:00+00	done	0	1017.25	Swimmer helped 🛟
36	RS13	2026-01-09 12:22:00+00	2026-01-09 14:12:00+00	false alarm	1	1034.60	\N
37	RS14	2026-01-09 17:59:00+00	2026-01-09 19:49:00+00	done	2	1051.95	Dinghy adrift off the point; towed in.
38	RS15	2026-01-09 23:36:00+00	2026-01-10 01:26:00+00	done	3	1069.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
39	RS16	2026-01-10 05:13:00+00	2026-01-10 07:03:00+00	done	4	1086.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
40	RS17	2026-01-10 10:50:00+00	\N	open	0	1104.00	Kayak overdue, found ashore
41	RS18	2026-01-10 16:27:00+00	2026-01-10 18:17:00+00	done	1	1121.35	Swimmer helped 🛟
42	RS19	2026-01-10 22:04:00+00	2026-01-10 23:54:00+00	done	2	1138.70	\N
43	RS20	2026-01-11 03:41:00+00	2026-01-11 05:31:00+00	done	3	1156.05	Dinghy adrift off the point; towed in.
44	RS21	2026-01-11 09:18:00+00	2026-01-11 11:08:00+00	done	4	1173.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
45	RS22	2026-01-11 14:55:00+00	2026-01-11 16:45:00+00	false alarm	0	1190.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
46	RS23	2026-01-11 20:32:00+00	2026-01-11 22:22:00+00	done	1	1208.10	Kayak overdue, found ashore
47	RS24	2026-01-12 02:09:00+00	2026-01-12 03:59:00+00	done	2	1225.45	Swimmer helped 🛟
48	RS1	2026-01-12 07:46:00+00	2026-01-12 09:36:00+00	done	3	1242.80	\N
49	RS2	2026-01-12 13:23:00+00	2026-01-12 15:13:00+00	done	4	1260.15	Dinghy adrift off the point; towed in.
50	RS3	2026-01-12 19:00:00+00	2026-01-12 20:50:00+00	done	0	1277.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
51	RS4	2026-01-13 00:37:00+00	2026-01-13 02:27:00+00	done	1	1294.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
52	RS5	2026-01-13 06:14:00+00	2026-01-13 08:04:00+00	done	2	1312.20	Kayak overdue, found ashore
53	RS6	2026-01-13 11:51:00+00	2026-01-13 13:41:00+00	done	3	1329.55	Swimmer helped 🛟
54	RS7	2026-01-13 17:28:00+00	2026-01-13 19:18:00+00	false alarm	4	1346.90	\N
55	RS8	2026-01-13 23:05:00+00	2026-01-14 00:55:00+00	done	0	1364.25	Dinghy adrift off the point; towed in.
56	RS9	2026-01-14 04:42:00+00	2026-01-14 06:32:00+00	done	1	1381.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
57	RS10	2026-01-14 10:19:00+00	2026-01-14 12:09:00+00	done	2	1398.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
58	RS11	2026-01-14 15:56:00+00	2026-01-14 17:46:00+00	done	3	1416.30	Kayak overdue, found ashore
59	RS12	2026-01-14 21:33:00+00	2026-01-14 23:23:00+00	done	4	1433.65	Swimmer helped 🛟
60	RS13	2026-01-15 03:10:00+00	2026-01-15 05:00:00+00	done	0	1451.00	\N
61	RS14	2026-01-15 08:47:00+00	2026-01-15 10:37:00+00	done	1	1468.35	Dinghy adrift off the point; towed in.
62	RS15	2026-01-15 14:24:00+00	2026-01-15 16:14:00+00	done	2	1485.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
63	RS16	2026-01-15 20:01:00+00	2026-01-15 21:51:00+00	false alarm	3	1503.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
64	RS17	2026-01-16 01:38:00+00	2026-01-16 03:28:00+00	done	4	1520.40	Kayak overdue, found ashore
65	RS18	2026-01-16 07:15:00+00	2026-01-16 09:05:00+00	done	0	1537.75	Swimmer helped 🛟
66	RS19	2026-01-16 12:52:00+00	2026-01-16 14:42:00+00	done	1	1555.10	\N
67	RS20	2026-01-16 18:29:00+00	2026-01-16 20:19:00+00	done	2	1572.45	Dinghy adrift off the point; towed in.
68	RS21	2026-01-17 00:06:00+00	2026-01-17 01:56:00+00	done	3	1589.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
69	RS22	2026-01-17 05:43:00+00	2026-01-17 07:33:00+00	done	4	1607.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
70	RS23	2026-01-17 11:20:00+00	2026-01-17 13:10:00+00	done	0	1624.50	Kayak overdue, found ashore
71	RS24	2026-01-17 16:57:00+00	2026-01-17 18:47:00+00	done	1	1641.85	Swimmer helped 🛟
72	RS1	2026-01-17 22:34:00+00	2026-01-18 00:24:00+00	false alarm	2	1659.20	\N
73	RS2	2026-01-18 04:11:00+00	2026-01-18 06:01:00+00	done	3	1676.55	Dinghy adrift off the point; towed in.
74	RS3	2026-01-18 09:48:00+00	2026-01-18 11:38:00+00	done	4	1693.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
75	RS4	2026-01-18 15:25:00+00	2026-01-18 17:15:00+00	done	0	1711.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
76	RS5	2026-01-18 21:02:00+00	2026-01-18 22:52:00+00	done	1	1728.60	Kayak overdue, found ashore
77	RS6	2026-01-19 02:39:00+00	2026-01-19 04:29:00+00	done	2	1745.95	Swimmer helped 🛟
78	RS7	2026-01-19 08:16:00+00	2026-01-19 10:06:00+00	done	3	1763.30	\N
79	RS8	2026-01-19 13:53:00+00	2026-01-19 15:43:00+00	done	4	1780.65	Dinghy adrift off the point; towed in.
80	RS9	2026-01-19 19:30:00+00	\N	open	0	1798.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
81	RS10	2026-01-20 01:07:00+00	2026-01-20 02:57:00+00	false alarm	1	1815.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
82	RS11	2026-01-20 06:44:00+00	2026-01-20 08:34:00+00	done	2	1832.70	Kayak overdue, found ashore
83	RS12	2026-01-20 12:21:00+00	2026-01-20 14:11:00+00	done	3	410.00	Swimmer helped 🛟
84	RS13	2026-01-20 17:58:00+00	2026-01-20 19:48:00+00	done	4	427.35	\N
85	RS14	2026-01-20 23:35:00+00	2026-01-21 01:25:00+00	done	0	444.70	Dinghy adrift off the point; towed in.
86	RS15	2026-01-21 05:12:00+00	2026-01-21 07:02:00+00	done	1	462.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
87	RS16	2026-01-21 10:49:00+00	2026-01-21 12:39:00+00	done	2	479.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
88	RS17	2026-01-21 16:26:00+00	2026-01-21 18:16:00+00	done	3	496.75	Kayak overdue, found ashore
89	RS18	2026-01-21 22:03:00+00	2026-01-21 23:53:00+00	done	4	514.10	Swimmer helped 🛟
90	RS19	2026-01-22 03:40:00+00	2026-01-22 05:30:00+00	false alarm	0	531.45	\N
91	RS20	2026-01-22 09:17:00+00	2026-01-22 11:07:00+00	done	1	548.80	Dinghy adrift off the point; towed in.
92	RS21	2026-01-22 14:54:00+00	2026-01-22 16:44:00+00	done	2	566.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
93	RS22	2026-01-22 20:31:00+00	2026-01-22 22:21:00+00	done	3	583.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
94	RS23	2026-01-23 02:08:00+00	2026-01-23 03:58:00+00	done	4	600.85	Kayak overdue, found ashore
95	RS24	2026-01-23 07:45:00+00	2026-01-23 09:35:00+00	done	0	618.20	Swimmer helped 🛟
96	RS1	2026-01-23 13:22:00+00	2026-01-23 15:12:00+00	done	1	635.55	\N
97	RS2	2026-01-23 18:59:00+00	2026-01-23 20:49:00+00	done	2	652.90	Dinghy adrift off the point; towed in.
98	RS3	2026-01-24 00:36:00+00	2026-01-24 02:26:00+00	done	3	670.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
99	RS4	2026-01-24 06:13:00+00	2026-01-24 08:03:00+00	false alarm	4	687.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
100	RS5	2026-01-24 11:50:00+00	2026-01-24 13:40:00+00	done	0	704.95	Kayak overdue, found ashore
101	RS6	2026-01-24 17:27:00+00	2026-01-24 19:17:00+00	done	1	722.30	Swimmer helped 🛟
102	RS7	2026-01-24 23:04:00+00	2026-01-25 00:54:00+00	done	2	739.65	\N
103	RS8	2026-01-25 04:41:00+00	2026-01-25 06:31:00+00	done	3	757.00	Dinghy adrift off the point; towed in.
104	RS9	2026-01-25 10:18:00+00	2026-01-25 12:08:00+00	done	4	774.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
105	RS10	2026-01-25 15:55:00+00	2026-01-25 17:45:00+00	done	0	791.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
106	RS11	2026-01-25 21:32:00+00	2026-01-25 23:22:00+00	done	1	809.05	Kayak overdue, found ashore
107	RS12	2026-01-26 03:09:00+00	2026-01-26 04:59:00+00	done	2	826.40	Swimmer helped 🛟
108	RS13	2026-01-26 08:46:00+00	2026-01-26 10:36:00+00	false alarm	3	843.75	\N
109	RS14	2026-01-26 14:23:00+00	2026-01-26 16:13:00+00	done	4	861.10	Dinghy adrift off the point; towed in.
110	RS15	2026-01-26 20:00:00+00	2026-01-26 21:50:00+00	done	0	878.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
111	RS16	2026-01-27 01:37:00+00	2026-01-27 03:27:00+00	done	1	895.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
112	RS17	2026-01-27 07:14:00+00	2026-01-27 09:04:00+00	done	2	913.15	Kayak overdue, found ashore
113	RS18	2026-01-27 12:51:00+00	2026-01-27 14:41:00+00	done	3	930.50	Swimmer helped 🛟
114	RS19	2026-01-27 18:28:00+00	2026-01-27 20:18:00+00	done	4	947.85	\N
115	RS20	2026-01-28 00:05:00+00	2026-01-28 01:55:00+00	done	0	965.20	Dinghy adrift off the point; towed in.
116	RS21	2026-01-28 05:42:00+00	2026-01-28 07:32:00+00	done	1	982.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
117	RS22	2026-01-28 11:19:00+00	2026-01-28 13:09:00+00	false alarm	2	999.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
118	RS23	2026-01-28 16:56:00+00	2026-01-28 18:46:00+00	done	3	1017.25	Kayak overdue, found ashore
119	RS24	2026-01-28 22:33:00+00	2026-01-29 00:23:00+00	done	4	1034.60	Swimmer helped 🛟
120	RS1	2026-01-29 04:10:00+00	\N	open	0	1051.95	\N
121	RS2	2026-01-29 09:47:00+00	2026-01-29 11:37:00+00	done	1	1069.30	Dinghy adrift off the point; towed in.
122	RS3	2026-01-29 15:24:00+00	2026-01-29 17:14:00+00	done	2	1086.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
123	RS4	2026-01-29 21:01:00+00	2026-01-29 22:51:00+00	done	3	1104.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
124	RS5	2026-01-30 02:38:00+00	2026-01-30 04:28:00+00	done	4	1121.35	Kayak overdue, found ashore
125	RS6	2026-01-30 08:15:00+00	2026-01-30 10:05:00+00	done	0	1138.70	Swimmer helped 🛟
126	RS7	2026-01-30 13:52:00+00	2026-01-30 15:42:00+00	false alarm	1	1156.05	\N
127	RS8	2026-01-30 19:29:00+00	2026-01-30 21:19:00+00	done	2	1173.40	Dinghy adrift off the point; towed in.
128	RS9	2026-01-31 01:06:00+00	2026-01-31 02:56:00+00	done	3	1190.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
129	RS10	2026-01-31 06:43:00+00	2026-01-31 08:33:00+00	done	4	1208.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
130	RS11	2026-01-31 12:20:00+00	2026-01-31 14:10:00+00	done	0	1225.45	Kayak overdue, found ashore
131	RS12	2026-01-31 17:57:00+00	2026-01-31 19:47:00+00	done	1	1242.80	Swimmer helped 🛟
132	RS13	2026-01-31 23:34:00+00	2026-02-01 01:24:00+00	done	2	1260.15	\N
133	RS14	2026-02-01 05:11:00+00	2026-02-01 07:01:00+00	done	3	1277.50	Dinghy adrift off the point; towed in.
134	RS15	2026-02-01 10:48:00+00	2026-02-01 12:38:00+00	done	4	1294.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
135	RS16	2026-02-01 16:25:00+00	2026-02-01 18:15:00+00	false alarm	0	1312.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
136	RS17	2026-02-01 22:02:00+00	2026-02-01 23:52:00+00	done	1	1329.55	Kayak overdue, found ashore
137	RS18	2026-02-02 03:39:00+00	2026-02-02 05:29:00+00	done	2	1346.90	Swimmer helped 🛟
138	RS19	2026-02-02 09:16:00+00	2026-02-02 11:06:00+00	done	3	1364.25	\N
139	RS20	2026-02-02 14:53:00+00	2026-02-02 16:43:00+00	done	4	1381.60	Dinghy adrift off the point; towed in.
140	RS21	2026-02-02 20:30:00+00	2026-02-02 22:20:00+00	done	0	1398.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
141	RS22	2026-02-03 02:07:00+00	2026-02-03 03:57:00+00	done	1	1416.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
142	RS23	2026-02-03 07:44:00+00	2026-02-03 09:34:00+00	done	2	1433.65	Kayak overdue, found ashore
143	RS24	2026-02-03 13:21:00+00	2026-02-03 15:11:00+00	done	3	1451.00	Swimmer helped 🛟
144	RS1	2026-02-03 18:58:00+00	2026-02-03 20:48:00+00	false alarm	4	1468.35	\N
145	RS2	2026-02-04 00:35:00+00	2026-02-04 02:25:00+00	done	0	1485.70	Dinghy adrift off the point; towed in.
146	RS3	2026-02-04 06:12:00+00	2026-02-04 08:02:00+00	done	1	1503.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
147	RS4	2026-02-04 11:49:00+00	2026-02-04 13:39:00+00	done	2	1520.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
148	RS5	2026-02-04 17:26:00+00	2026-02-04 19:16:00+00	done	3	1537.75	Kayak overdue, found ashore
149	RS6	2026-02-04 23:03:00+00	2026-02-05 00:53:00+00	done	4	1555.10	Swimmer helped 🛟
150	RS7	2026-02-05 04:40:00+00	2026-02-05 06:30:00+00	done	0	1572.45	\N
151	RS8	2026-02-05 10:17:00+00	2026-02-05 12:07:00+00	done	1	1589.80	Dinghy adrift off the point; towed in.
152	RS9	2026-02-05 15:54:00+00	2026-02-05 17:44:00+00	done	2	1607.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
153	RS10	2026-02-05 21:31:00+00	2026-02-05 23:21:00+00	false alarm	3	1624.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
154	RS11	2026-02-06 03:08:00+00	2026-02-06 04:58:00+00	done	4	1641.85	Kayak overdue, found ashore
155	RS12	2026-02-06 08:45:00+00	2026-02-06 10:35:00+00	done	0	1659.20	Swimmer helped 🛟
156	RS13	2026-02-06 14:22:00+00	2026-02-06 16:12:00+00	done	1	1676.55	\N
157	RS14	2026-02-06 19:59:00+00	2026-02-06 21:49:00+00	done	2	1693.90	Dinghy adrift off the point; towed in.
158	RS15	2026-02-07 01:36:00+00	2026-02-07 03:26:00+00	done	3	1711.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
159	RS16	2026-02-07 07:13:00+00	2026-02-07 09:03:00+00	done	4	1728.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
160	RS17	2026-02-07 12:50:00+00	\N	open	0	1745.95	Kayak overdue, found ashore
161	RS18	2026-02-07 18:27:00+00	2026-02-07 20:17:00+00	done	1	1763.30	Swimmer helped 🛟
162	RS19	2026-02-08 00:04:00+00	2026-02-08 01:54:00+00	false alarm	2	1780.65	\N
163	RS20	2026-02-08 05:41:00+00	2026-02-08 07:31:00+00	done	3	1798.00	Dinghy adrift off the point; towed in.
164	RS21	2026-02-08 11:18:00+00	2026-02-08 13:08:00+00	done	4	1815.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
165	RS22	2026-02-08 16:55:00+00	2026-02-08 18:45:00+00	done	0	1832.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
166	RS23	2026-02-08 22:32:00+00	2026-02-09 00:22:00+00	done	1	410.00	Kayak overdue, found ashore
167	RS24	2026-02-09 04:09:00+00	2026-02-09 05:59:00+00	done	2	427.35	Swimmer helped 🛟
168	RS1	2026-02-09 09:46:00+00	2026-02-09 11:36:00+00	done	3	444.70	\N
169	RS2	2026-02-09 15:23:00+00	2026-02-09 17:13:00+00	done	4	462.05	Dinghy adrift off the point; towed in.
170	RS3	2026-02-09 21:00:00+00	2026-02-09 22:50:00+00	done	0	479.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
171	RS4	2026-02-10 02:37:00+00	2026-02-10 04:27:00+00	false alarm	1	496.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
172	RS5	2026-02-10 08:14:00+00	2026-02-10 10:04:00+00	done	2	514.10	Kayak overdue, found ashore
173	RS6	2026-02-10 13:51:00+00	2026-02-10 15:41:00+00	done	3	531.45	Swimmer helped 🛟
174	RS7	2026-02-10 19:28:00+00	2026-02-10 21:18:00+00	done	4	548.80	\N
175	RS8	2026-02-11 01:05:00+00	2026-02-11 02:55:00+00	done	0	566.15	Dinghy adrift off the point; towed in.
176	RS9	2026-02-11 06:42:00+00	2026-02-11 08:32:00+00	done	1	583.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
177	RS10	2026-02-11 12:19:00+00	2026-02-11 14:09:00+00	done	2	600.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
178	RS11	2026-02-11 17:56:00+00	2026-02-11 19:46:00+00	done	3	618.20	Kayak overdue, found ashore
179	RS12	2026-02-11 23:33:00+00	2026-02-12 01:23:00+00	done	4	635.55	Swimmer helped 🛟
180	RS13	2026-02-12 05:10:00+00	2026-02-12 07:00:00+00	false alarm	0	652.90	\N
181	RS14	2026-02-12 10:47:00+00	2026-02-12 12:37:00+00	done	1	670.25	Dinghy adrift off the point; towed in.
182	RS15	2026-02-12 16:24:00+00	2026-02-12 18:14:00+00	done	2	687.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
183	RS16	2026-02-12 22:01:00+00	2026-02-12 23:51:00+00	done	3	704.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
184	RS17	2026-02-13 03:38:00+00	2026-02-13 05:28:00+00	done	4	722.30	Kayak overdue, found ashore
185	RS18	2026-02-13 09:15:00+00	2026-02-13 11:05:00+00	done	0	739.65	Swimmer helped 🛟
186	RS19	2026-02-13 14:52:00+00	2026-02-13 16:42:00+00	done	1	757.00	\N
187	RS20	2026-02-13 20:29:00+00	2026-02-13 22:19:00+00	done	2	774.35	Dinghy adrift off the point; towed in.
188	RS21	2026-02-14 02:06:00+00	2026-02-14 03:56:00+00	done	3	791.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
189	RS22	2026-02-14 07:43:00+00	2026-02-14 09:33:00+00	false alarm	4	809.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
190	RS23	2026-02-14 13:20:00+00	2026-02-14 15:10:00+00	done	0	826.40	Kayak overdue, found ashore
191	RS24	2026-02-14 18:57:00+00	2026-02-14 20:47:00+00	done	1	843.75	Swimmer helped 🛟
192	RS1	2026-02-15 00:34:00+00	2026-02-15 02:24:00+00	done	2	861.10	\N
193	RS2	2026-02-15 06:11:00+00	2026-02-15 08:01:00+00	done	3	878.45	Dinghy adrift off the point; towed in.
194	RS3	2026-02-15 11:48:00+00	2026-02-15 13:38:00+00	done	4	895.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
195	RS4	2026-02-15 17:25:00+00	2026-02-15 19:15:00+00	done	0	913.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
196	RS5	2026-02-15 23:02:00+00	2026-02-16 00:52:00+00	done	1	930.50	Kayak overdue, found ashore
197	RS6	2026-02-16 04:39:00+00	2026-02-16 06:29:00+00	done	2	947.85	Swimmer helped 🛟
198	RS7	2026-02-16 10:16:00+00	2026-02-16 12:06:00+00	false alarm	3	965.20	\N
199	RS8	2026-02-16 15:53:00+00	2026-02-16 17:43:00+00	done	4	982.55	Dinghy adrift off the point; towed in.
200	RS9	2026-02-16 21:30:00+00	\N	open	0	999.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
201	RS10	2026-02-17 03:07:00+00	2026-02-17 04:57:00+00	done	1	1017.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
202	RS11	2026-02-17 08:44:00+00	2026-02-17 10:34:00+00	done	2	1034.60	Kayak overdue, found ashore
203	RS12	2026-02-17 14:21:00+00	2026-02-17 16:11:00+00	done	3	1051.95	Swimmer helped 🛟
204	RS13	2026-02-17 19:58:00+00	2026-02-17 21:48:00+00	done	4	1069.30	\N
205	RS14	2026-02-18 01:35:00+00	2026-02-18 03:25:00+00	done	0	1086.65	Dinghy adrift off the point; towed in.
206	RS15	2026-02-18 07:12:00+00	2026-02-18 09:02:00+00	done	1	1104.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
207	RS16	2026-02-18 12:49:00+00	2026-02-18 14:39:00+00	false alarm	2	1121.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
208	RS17	2026-02-18 18:26:00+00	2026-02-18 20:16:00+00	done	3	1138.70	Kayak overdue, found ashore
209	RS18	2026-02-19 00:03:00+00	2026-02-19 01:53:00+00	done	4	1156.05	Swimmer helped 🛟
210	RS19	2026-02-19 05:40:00+00	2026-02-19 07:30:00+00	done	0	1173.40	\N
211	RS20	2026-02-19 11:17:00+00	2026-02-19 13:07:00+00	done	1	1190.75	Dinghy adrift off the point; towed in.
212	RS21	2026-02-19 16:54:00+00	2026-02-19 18:44:00+00	done	2	1208.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
213	RS22	2026-02-19 22:31:00+00	2026-02-20 00:21:00+00	done	3	1225.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
214	RS23	2026-02-20 04:08:00+00	2026-02-20 05:58:00+00	done	4	1242.80	Kayak overdue, found ashore
215	RS24	2026-02-20 09:45:00+00	2026-02-20 11:35:00+00	done	0	1260.15	Swimmer helped 🛟
216	RS1	2026-02-20 15:22:00+00	2026-02-20 17:12:00+00	false alarm	1	1277.50	\N
217	RS2	2026-02-20 20:59:00+00	2026-02-20 22:49:00+00	done	2	1294.85	Dinghy adrift off the point; towed in.
218	RS3	2026-02-21 02:36:00+00	2026-02-21 04:26:00+00	done	3	1312.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
219	RS4	2026-02-21 08:13:00+00	2026-02-21 10:03:00+00	done	4	1329.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
220	RS5	2026-02-21 13:50:00+00	2026-02-21 15:40:00+00	done	0	1346.90	Kayak overdue, found ashore
221	RS6	2026-02-21 19:27:00+00	2026-02-21 21:17:00+00	done	1	1364.25	Swimmer helped 🛟
222	RS7	2026-02-22 01:04:00+00	2026-02-22 02:54:00+00	done	2	1381.60	\N
223	RS8	2026-02-22 06:41:00+00	2026-02-22 08:31:00+00	done	3	1398.95	Dinghy adrift off the point; towed in.
224	RS9	2026-02-22 12:18:00+00	2026-02-22 14:08:00+00	done	4	1416.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
225	RS10	2026-02-22 17:55:00+00	2026-02-22 19:45:00+00	false alarm	0	1433.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
226	RS11	2026-02-22 23:32:00+00	2026-02-23 01:22:00+00	done	1	1451.00	Kayak overdue, found ashore
227	RS12	2026-02-23 05:09:00+00	2026-02-23 06:59:00+00	done	2	1468.35	Swimmer helped 🛟
228	RS13	2026-02-23 10:46:00+00	2026-02-23 12:36:00+00	done	3	1485.70	\N
229	RS14	2026-02-23 16:23:00+00	2026-02-23 18:13:00+00	done	4	1503.05	Dinghy adrift off the point; towed in.
230	RS15	2026-02-23 22:00:00+00	2026-02-23 23:50:00+00	done	0	1520.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
231	RS16	2026-02-24 03:37:00+00	2026-02-24 05:27:00+00	done	1	1537.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
232	RS17	2026-02-24 09:14:00+00	2026-02-24 11:04:00+00	done	2	1555.10	Kayak overdue, found ashore
233	RS18	2026-02-24 14:51:00+00	2026-02-24 16:41:00+00	done	3	1572.45	Swimmer helped 🛟
234	RS19	2026-02-24 20:28:00+00	2026-02-24 22:18:00+00	false alarm	4	1589.80	\N
235	RS20	2026-02-25 02:05:00+00	2026-02-25 03:55:00+00	done	0	1607.15	Dinghy adrift off the point; towed in.
236	RS21	2026-02-25 07:42:00+00	2026-02-25 09:32:00+00	done	1	1624.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
237	RS22	2026-02-25 13:19:00+00	2026-02-25 15:09:00+00	done	2	1641.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
238	RS23	2026-02-25 18:56:00+00	2026-02-25 20:46:00+00	done	3	1659.20	Kayak overdue, found ashore
239	RS24	2026-02-26 00:33:00+00	2026-02-26 02:23:00+00	done	4	1676.55	Swimmer helped 🛟
240	RS1	2026-02-26 06:10:00+00	\N	open	0	1693.90	\N
241	RS2	2026-02-26 11:47:00+00	2026-02-26 13:37:00+00	done	1	1711.25	Dinghy adrift off the point; towed in.
242	RS3	2026-02-26 17:24:00+00	2026-02-26 19:14:00+00	done	2	1728.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
243	RS4	2026-02-26 23:01:00+00	2026-02-27 00:51:00+00	false alarm	3	1745.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
244	RS5	2026-02-27 04:38:00+00	2026-02-27 06:28:00+00	done	4	1763.30	Kayak overdue, found ashore
245	RS6	2026-02-27 10:15:00+00	2026-02-27 12:05:00+00	done	0	1780.65	Swimmer helped 🛟
246	RS7	2026-02-27 15:52:00+00	2026-02-27 17:42:00+00	done	1	1798.00	\N
247	RS8	2026-02-27 21:29:00+00	2026-02-27 23:19:00+00	done	2	1815.35	Dinghy adrift off the point; towed in.
248	RS9	2026-02-28 03:06:00+00	2026-02-28 04:56:00+00	done	3	1832.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
249	RS10	2026-02-28 08:43:00+00	2026-02-28 10:33:00+00	done	4	410.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
250	RS11	2026-02-28 14:20:00+00	2026-02-28 16:10:00+00	done	0	427.35	Kayak overdue, found ashore
251	RS12	2026-02-28 19:57:00+00	2026-02-28 21:47:00+00	done	1	444.70	Swimmer helped 🛟
252	RS13	2026-03-01 01:34:00+00	2026-03-01 03:24:00+00	false alarm	2	462.05	\N
253	RS14	2026-03-01 07:11:00+00	2026-03-01 09:01:00+00	done	3	479.40	Dinghy adrift off the point; towed in.
254	RS15	2026-03-01 12:48:00+00	2026-03-01 14:38:00+00	done	4	496.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
255	RS16	2026-03-01 18:25:00+00	2026-03-01 20:15:00+00	done	0	514.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
256	RS17	2026-03-02 00:02:00+00	2026-03-02 01:52:00+00	done	1	531.45	Kayak overdue, found ashore
257	RS18	2026-03-02 05:39:00+00	2026-03-02 07:29:00+00	done	2	548.80	Swimmer helped 🛟
258	RS19	2026-03-02 11:16:00+00	2026-03-02 13:06:00+00	done	3	566.15	\N
259	RS20	2026-03-02 16:53:00+00	2026-03-02 18:43:00+00	done	4	583.50	Dinghy adrift off the point; towed in.
260	RS21	2026-03-02 22:30:00+00	2026-03-03 00:20:00+00	done	0	600.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
261	RS22	2026-03-03 04:07:00+00	2026-03-03 05:57:00+00	false alarm	1	618.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
262	RS23	2026-03-03 09:44:00+00	2026-03-03 11:34:00+00	done	2	635.55	Kayak overdue, found ashore
263	RS24	2026-03-03 15:21:00+00	2026-03-03 17:11:00+00	done	3	652.90	Swimmer helped 🛟
264	RS1	2026-03-03 20:58:00+00	2026-03-03 22:48:00+00	done	4	670.25	\N
265	RS2	2026-03-04 02:35:00+00	2026-03-04 04:25:00+00	done	0	687.60	Dinghy adrift off the point; towed in.
266	RS3	2026-03-04 08:12:00+00	2026-03-04 10:02:00+00	done	1	704.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
267	RS4	2026-03-04 13:49:00+00	2026-03-04 15:39:00+00	done	2	722.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
268	RS5	2026-03-04 19:26:00+00	2026-03-04 21:16:00+00	done	3	739.65	Kayak overdue, found ashore
269	RS6	2026-03-05 01:03:00+00	2026-03-05 02:53:00+00	done	4	757.00	Swimmer helped 🛟
270	RS7	2026-03-05 06:40:00+00	2026-03-05 08:30:00+00	false alarm	0	774.35	\N
271	RS8	2026-03-05 12:17:00+00	2026-03-05 14:07:00+00	done	1	791.70	Dinghy adrift off the point; towed in.
272	RS9	2026-03-05 17:54:00+00	2026-03-05 19:44:00+00	done	2	809.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
273	RS10	2026-03-05 23:31:00+00	2026-03-06 01:21:00+00	done	3	826.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
274	RS11	2026-03-06 05:08:00+00	2026-03-06 06:58:00+00	done	4	843.75	Kayak overdue, found ashore
275	RS12	2026-03-06 10:45:00+00	2026-03-06 12:35:00+00	done	0	861.10	Swimmer helped 🛟
276	RS13	2026-03-06 16:22:00+00	2026-03-06 18:12:00+00	done	1	878.45	\N
277	RS14	2026-03-06 21:59:00+00	2026-03-06 23:49:00+00	done	2	895.80	Dinghy adrift off the point; towed in.
347	RS12	2026-03-23 07:09:00+00	2026-03-23 08:59:00+00	done	2	670.25	Swimmer helped 🛟
278	RS15	2026-03-07 03:36:00+00	2026-03-07 05:26:00+00	done	3	913.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
279	RS16	2026-03-07 09:13:00+00	2026-03-07 11:03:00+00	false alarm	4	930.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
280	RS17	2026-03-07 14:50:00+00	\N	open	0	947.85	Kayak overdue, found ashore
281	RS18	2026-03-07 20:27:00+00	2026-03-07 22:17:00+00	done	1	965.20	Swimmer helped 🛟
282	RS19	2026-03-08 02:04:00+00	2026-03-08 03:54:00+00	done	2	982.55	\N
283	RS20	2026-03-08 07:41:00+00	2026-03-08 09:31:00+00	done	3	999.90	Dinghy adrift off the point; towed in.
284	RS21	2026-03-08 13:18:00+00	2026-03-08 15:08:00+00	done	4	1017.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
285	RS22	2026-03-08 18:55:00+00	2026-03-08 20:45:00+00	done	0	1034.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
286	RS23	2026-03-09 00:32:00+00	2026-03-09 02:22:00+00	done	1	1051.95	Kayak overdue, found ashore
287	RS24	2026-03-09 06:09:00+00	2026-03-09 07:59:00+00	done	2	1069.30	Swimmer helped 🛟
288	RS1	2026-03-09 11:46:00+00	2026-03-09 13:36:00+00	false alarm	3	1086.65	\N
289	RS2	2026-03-09 17:23:00+00	2026-03-09 19:13:00+00	done	4	1104.00	Dinghy adrift off the point; towed in.
290	RS3	2026-03-09 23:00:00+00	2026-03-10 00:50:00+00	done	0	1121.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
291	RS4	2026-03-10 04:37:00+00	2026-03-10 06:27:00+00	done	1	1138.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
292	RS5	2026-03-10 10:14:00+00	2026-03-10 12:04:00+00	done	2	1156.05	Kayak overdue, found ashore
293	RS6	2026-03-10 15:51:00+00	2026-03-10 17:41:00+00	done	3	1173.40	Swimmer helped 🛟
294	RS7	2026-03-10 21:28:00+00	2026-03-10 23:18:00+00	done	4	1190.75	\N
295	RS8	2026-03-11 03:05:00+00	2026-03-11 04:55:00+00	done	0	1208.10	Dinghy adrift off the point; towed in.
296	RS9	2026-03-11 08:42:00+00	2026-03-11 10:32:00+00	done	1	1225.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
297	RS10	2026-03-11 14:19:00+00	2026-03-11 16:09:00+00	false alarm	2	1242.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
298	RS11	2026-03-11 19:56:00+00	2026-03-11 21:46:00+00	done	3	1260.15	Kayak overdue, found ashore
299	RS12	2026-03-12 01:33:00+00	2026-03-12 03:23:00+00	done	4	1277.50	Swimmer helped 🛟
300	RS13	2026-03-12 07:10:00+00	2026-03-12 09:00:00+00	done	0	1294.85	\N
301	RS14	2026-03-12 12:47:00+00	2026-03-12 14:37:00+00	done	1	1312.20	Dinghy adrift off the point; towed in.
302	RS15	2026-03-12 18:24:00+00	2026-03-12 20:14:00+00	done	2	1329.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
303	RS16	2026-03-13 00:01:00+00	2026-03-13 01:51:00+00	done	3	1346.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
304	RS17	2026-03-13 05:38:00+00	2026-03-13 07:28:00+00	done	4	1364.25	Kayak overdue, found ashore
305	RS18	2026-03-13 11:15:00+00	2026-03-13 13:05:00+00	done	0	1381.60	Swimmer helped 🛟
306	RS19	2026-03-13 16:52:00+00	2026-03-13 18:42:00+00	false alarm	1	1398.95	\N
307	RS20	2026-03-13 22:29:00+00	2026-03-14 00:19:00+00	done	2	1416.30	Dinghy adrift off the point; towed in.
308	RS21	2026-03-14 04:06:00+00	2026-03-14 05:56:00+00	done	3	1433.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
309	RS22	2026-03-14 09:43:00+00	2026-03-14 11:33:00+00	done	4	1451.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
310	RS23	2026-03-14 15:20:00+00	2026-03-14 17:10:00+00	done	0	1468.35	Kayak overdue, found ashore
311	RS24	2026-03-14 20:57:00+00	2026-03-14 22:47:00+00	done	1	1485.70	Swimmer helped 🛟
312	RS1	2026-03-15 02:34:00+00	2026-03-15 04:24:00+00	done	2	1503.05	\N
313	RS2	2026-03-15 08:11:00+00	2026-03-15 10:01:00+00	done	3	1520.40	Dinghy adrift off the point; towed in.
314	RS3	2026-03-15 13:48:00+00	2026-03-15 15:38:00+00	done	4	1537.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
315	RS4	2026-03-15 19:25:00+00	2026-03-15 21:15:00+00	false alarm	0	1555.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
316	RS5	2026-03-16 01:02:00+00	2026-03-16 02:52:00+00	done	1	1572.45	Kayak overdue, found ashore
317	RS6	2026-03-16 06:39:00+00	2026-03-16 08:29:00+00	done	2	1589.80	Swimmer helped 🛟
318	RS7	2026-03-16 12:16:00+00	2026-03-16 14:06:00+00	done	3	1607.15	\N
319	RS8	2026-03-16 17:53:00+00	2026-03-16 19:43:00+00	done	4	1624.50	Dinghy adrift off the point; towed in.
320	RS9	2026-03-16 23:30:00+00	\N	open	0	1641.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
321	RS10	2026-03-17 05:07:00+00	2026-03-17 06:57:00+00	done	1	1659.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
322	RS11	2026-03-17 10:44:00+00	2026-03-17 12:34:00+00	done	2	1676.55	Kayak overdue, found ashore
323	RS12	2026-03-17 16:21:00+00	2026-03-17 18:11:00+00	done	3	1693.90	Swimmer helped 🛟
324	RS13	2026-03-17 21:58:00+00	2026-03-17 23:48:00+00	false alarm	4	1711.25	\N
325	RS14	2026-03-18 03:35:00+00	2026-03-18 05:25:00+00	done	0	1728.60	Dinghy adrift off the point; towed in.
326	RS15	2026-03-18 09:12:00+00	2026-03-18 11:02:00+00	done	1	1745.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
327	RS16	2026-03-18 14:49:00+00	2026-03-18 16:39:00+00	done	2	1763.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
328	RS17	2026-03-18 20:26:00+00	2026-03-18 22:16:00+00	done	3	1780.65	Kayak overdue, found ashore
329	RS18	2026-03-19 02:03:00+00	2026-03-19 03:53:00+00	done	4	1798.00	Swimmer helped 🛟
330	RS19	2026-03-19 07:40:00+00	2026-03-19 09:30:00+00	done	0	1815.35	\N
331	RS20	2026-03-19 13:17:00+00	2026-03-19 15:07:00+00	done	1	1832.70	Dinghy adrift off the point; towed in.
332	RS21	2026-03-19 18:54:00+00	2026-03-19 20:44:00+00	done	2	410.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
333	RS22	2026-03-20 00:31:00+00	2026-03-20 02:21:00+00	false alarm	3	427.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
334	RS23	2026-03-20 06:08:00+00	2026-03-20 07:58:00+00	done	4	444.70	Kayak overdue, found ashore
335	RS24	2026-03-20 11:45:00+00	2026-03-20 13:35:00+00	done	0	462.05	Swimmer helped 🛟
336	RS1	2026-03-20 17:22:00+00	2026-03-20 19:12:00+00	done	1	479.40	\N
337	RS2	2026-03-20 22:59:00+00	2026-03-21 00:49:00+00	done	2	496.75	Dinghy adrift off the point; towed in.
338	RS3	2026-03-21 04:36:00+00	2026-03-21 06:26:00+00	done	3	514.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
339	RS4	2026-03-21 10:13:00+00	2026-03-21 12:03:00+00	done	4	531.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
340	RS5	2026-03-21 15:50:00+00	2026-03-21 17:40:00+00	done	0	548.80	Kayak overdue, found ashore
341	RS6	2026-03-21 21:27:00+00	2026-03-21 23:17:00+00	done	1	566.15	Swimmer helped 🛟
342	RS7	2026-03-22 03:04:00+00	2026-03-22 04:54:00+00	false alarm	2	583.50	\N
343	RS8	2026-03-22 08:41:00+00	2026-03-22 10:31:00+00	done	3	600.85	Dinghy adrift off the point; towed in.
344	RS9	2026-03-22 14:18:00+00	2026-03-22 16:08:00+00	done	4	618.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
345	RS10	2026-03-22 19:55:00+00	2026-03-22 21:45:00+00	done	0	635.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
346	RS11	2026-03-23 01:32:00+00	2026-03-23 03:22:00+00	done	1	652.90	Kayak overdue, found ashore
348	RS13	2026-03-23 12:46:00+00	2026-03-23 14:36:00+00	done	3	687.60	\N
349	RS14	2026-03-23 18:23:00+00	2026-03-23 20:13:00+00	done	4	704.95	Dinghy adrift off the point; towed in.
350	RS15	2026-03-24 00:00:00+00	2026-03-24 01:50:00+00	done	0	722.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
351	RS16	2026-03-24 05:37:00+00	2026-03-24 07:27:00+00	false alarm	1	739.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
352	RS17	2026-03-24 11:14:00+00	2026-03-24 13:04:00+00	done	2	757.00	Kayak overdue, found ashore
353	RS18	2026-03-24 16:51:00+00	2026-03-24 18:41:00+00	done	3	774.35	Swimmer helped 🛟
354	RS19	2026-03-24 22:28:00+00	2026-03-25 00:18:00+00	done	4	791.70	\N
355	RS20	2026-03-25 04:05:00+00	2026-03-25 05:55:00+00	done	0	809.05	Dinghy adrift off the point; towed in.
356	RS21	2026-03-25 09:42:00+00	2026-03-25 11:32:00+00	done	1	826.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
357	RS22	2026-03-25 15:19:00+00	2026-03-25 17:09:00+00	done	2	843.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
358	RS23	2026-03-25 20:56:00+00	2026-03-25 22:46:00+00	done	3	861.10	Kayak overdue, found ashore
359	RS24	2026-03-26 02:33:00+00	2026-03-26 04:23:00+00	done	4	878.45	Swimmer helped 🛟
360	RS1	2026-03-26 08:10:00+00	\N	open	0	895.80	\N
361	RS2	2026-03-26 13:47:00+00	2026-03-26 15:37:00+00	done	1	913.15	Dinghy adrift off the point; towed in.
362	RS3	2026-03-26 19:24:00+00	2026-03-26 21:14:00+00	done	2	930.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
363	RS4	2026-03-27 01:01:00+00	2026-03-27 02:51:00+00	done	3	947.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
364	RS5	2026-03-27 06:38:00+00	2026-03-27 08:28:00+00	done	4	965.20	Kayak overdue, found ashore
365	RS6	2026-03-27 12:15:00+00	2026-03-27 14:05:00+00	done	0	982.55	Swimmer helped 🛟
366	RS7	2026-03-27 17:52:00+00	2026-03-27 19:42:00+00	done	1	999.90	\N
367	RS8	2026-03-27 23:29:00+00	2026-03-28 01:19:00+00	done	2	1017.25	Dinghy adrift off the point; towed in.
368	RS9	2026-03-28 05:06:00+00	2026-03-28 06:56:00+00	done	3	1034.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
369	RS10	2026-03-28 10:43:00+00	2026-03-28 12:33:00+00	false alarm	4	1051.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
370	RS11	2026-03-28 16:20:00+00	2026-03-28 18:10:00+00	done	0	1069.30	Kayak overdue, found ashore
371	RS12	2026-03-28 21:57:00+00	2026-03-28 23:47:00+00	done	1	1086.65	Swimmer helped 🛟
372	RS13	2026-03-29 03:34:00+00	2026-03-29 05:24:00+00	done	2	1104.00	\N
373	RS14	2026-03-29 09:11:00+00	2026-03-29 11:01:00+00	done	3	1121.35	Dinghy adrift off the point; towed in.
374	RS15	2026-03-29 14:48:00+00	2026-03-29 16:38:00+00	done	4	1138.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
375	RS16	2026-03-29 20:25:00+00	2026-03-29 22:15:00+00	done	0	1156.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
376	RS17	2026-03-30 02:02:00+00	2026-03-30 03:52:00+00	done	1	1173.40	Kayak overdue, found ashore
377	RS18	2026-03-30 07:39:00+00	2026-03-30 09:29:00+00	done	2	1190.75	Swimmer helped 🛟
378	RS19	2026-03-30 13:16:00+00	2026-03-30 15:06:00+00	false alarm	3	1208.10	\N
379	RS20	2026-03-30 18:53:00+00	2026-03-30 20:43:00+00	done	4	1225.45	Dinghy adrift off the point; towed in.
380	RS21	2026-03-31 00:30:00+00	2026-03-31 02:20:00+00	done	0	1242.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
381	RS22	2026-03-31 06:07:00+00	2026-03-31 07:57:00+00	done	1	1260.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
382	RS23	2026-03-31 11:44:00+00	2026-03-31 13:34:00+00	done	2	1277.50	Kayak overdue, found ashore
383	RS24	2026-03-31 17:21:00+00	2026-03-31 19:11:00+00	done	3	1294.85	Swimmer helped 🛟
384	RS1	2026-03-31 22:58:00+00	2026-04-01 00:48:00+00	done	4	1312.20	\N
385	RS2	2026-04-01 04:35:00+00	2026-04-01 06:25:00+00	done	0	1329.55	Dinghy adrift off the point; towed in.
386	RS3	2026-04-01 10:12:00+00	2026-04-01 12:02:00+00	done	1	1346.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
387	RS4	2026-04-01 15:49:00+00	2026-04-01 17:39:00+00	false alarm	2	1364.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
388	RS5	2026-04-01 21:26:00+00	2026-04-01 23:16:00+00	done	3	1381.60	Kayak overdue, found ashore
389	RS6	2026-04-02 03:03:00+00	2026-04-02 04:53:00+00	done	4	1398.95	Swimmer helped 🛟
390	RS7	2026-04-02 08:40:00+00	2026-04-02 10:30:00+00	done	0	1416.30	\N
391	RS8	2026-04-02 14:17:00+00	2026-04-02 16:07:00+00	done	1	1433.65	Dinghy adrift off the point; towed in.
392	RS9	2026-04-02 19:54:00+00	2026-04-02 21:44:00+00	done	2	1451.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
393	RS10	2026-04-03 01:31:00+00	2026-04-03 03:21:00+00	done	3	1468.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
394	RS11	2026-04-03 07:08:00+00	2026-04-03 08:58:00+00	done	4	1485.70	Kayak overdue, found ashore
395	RS12	2026-04-03 12:45:00+00	2026-04-03 14:35:00+00	done	0	1503.05	Swimmer helped 🛟
396	RS13	2026-04-03 18:22:00+00	2026-04-03 20:12:00+00	false alarm	1	1520.40	\N
397	RS14	2026-04-03 23:59:00+00	2026-04-04 01:49:00+00	done	2	1537.75	Dinghy adrift off the point; towed in.
398	RS15	2026-04-04 05:36:00+00	2026-04-04 07:26:00+00	done	3	1555.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
399	RS16	2026-04-04 11:13:00+00	2026-04-04 13:03:00+00	done	4	1572.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
400	RS17	2026-04-04 16:50:00+00	\N	open	0	1589.80	Kayak overdue, found ashore
401	RS18	2026-04-04 22:27:00+00	2026-04-05 00:17:00+00	done	1	1607.15	Swimmer helped 🛟
402	RS19	2026-04-05 04:04:00+00	2026-04-05 05:54:00+00	done	2	1624.50	\N
403	RS20	2026-04-05 09:41:00+00	2026-04-05 11:31:00+00	done	3	1641.85	Dinghy adrift off the point; towed in.
404	RS21	2026-04-05 15:18:00+00	2026-04-05 17:08:00+00	done	4	1659.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
405	RS22	2026-04-05 20:55:00+00	2026-04-05 22:45:00+00	false alarm	0	1676.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
406	RS23	2026-04-06 02:32:00+00	2026-04-06 04:22:00+00	done	1	1693.90	Kayak overdue, found ashore
407	RS24	2026-04-06 08:09:00+00	2026-04-06 09:59:00+00	done	2	1711.25	Swimmer helped 🛟
408	RS1	2026-04-06 13:46:00+00	2026-04-06 15:36:00+00	done	3	1728.60	\N
409	RS2	2026-04-06 19:23:00+00	2026-04-06 21:13:00+00	done	4	1745.95	Dinghy adrift off the point; towed in.
410	RS3	2026-04-07 01:00:00+00	2026-04-07 02:50:00+00	done	0	1763.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
411	RS4	2026-04-07 06:37:00+00	2026-04-07 08:27:00+00	done	1	1780.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
412	RS5	2026-04-07 12:14:00+00	2026-04-07 14:04:00+00	done	2	1798.00	Kayak overdue, found ashore
413	RS6	2026-04-07 17:51:00+00	2026-04-07 19:41:00+00	done	3	1815.35	Swimmer helped 🛟
414	RS7	2026-04-07 23:28:00+00	2026-04-08 01:18:00+00	false alarm	4	1832.70	\N
415	RS8	2026-04-08 05:05:00+00	2026-04-08 06:55:00+00	done	0	410.00	Dinghy adrift off the point; towed in.
416	RS9	2026-04-08 10:42:00+00	2026-04-08 12:32:00+00	done	1	427.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
695	RS24	2026-06-12 17:45:00+00	2026-06-12 19:35:00+00	done	0	947.85	Swimmer helped 🛟
417	RS10	2026-04-08 16:19:00+00	2026-04-08 18:09:00+00	done	2	444.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
418	RS11	2026-04-08 21:56:00+00	2026-04-08 23:46:00+00	done	3	462.05	Kayak overdue, found ashore
419	RS12	2026-04-09 03:33:00+00	2026-04-09 05:23:00+00	done	4	479.40	Swimmer helped 🛟
420	RS13	2026-04-09 09:10:00+00	2026-04-09 11:00:00+00	done	0	496.75	\N
421	RS14	2026-04-09 14:47:00+00	2026-04-09 16:37:00+00	done	1	514.10	Dinghy adrift off the point; towed in.
422	RS15	2026-04-09 20:24:00+00	2026-04-09 22:14:00+00	done	2	531.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
423	RS16	2026-04-10 02:01:00+00	2026-04-10 03:51:00+00	false alarm	3	548.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
424	RS17	2026-04-10 07:38:00+00	2026-04-10 09:28:00+00	done	4	566.15	Kayak overdue, found ashore
425	RS18	2026-04-10 13:15:00+00	2026-04-10 15:05:00+00	done	0	583.50	Swimmer helped 🛟
426	RS19	2026-04-10 18:52:00+00	2026-04-10 20:42:00+00	done	1	600.85	\N
427	RS20	2026-04-11 00:29:00+00	2026-04-11 02:19:00+00	done	2	618.20	Dinghy adrift off the point; towed in.
428	RS21	2026-04-11 06:06:00+00	2026-04-11 07:56:00+00	done	3	635.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
429	RS22	2026-04-11 11:43:00+00	2026-04-11 13:33:00+00	done	4	652.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
430	RS23	2026-04-11 17:20:00+00	2026-04-11 19:10:00+00	done	0	670.25	Kayak overdue, found ashore
431	RS24	2026-04-11 22:57:00+00	2026-04-12 00:47:00+00	done	1	687.60	Swimmer helped 🛟
432	RS1	2026-04-12 04:34:00+00	2026-04-12 06:24:00+00	false alarm	2	704.95	\N
433	RS2	2026-04-12 10:11:00+00	2026-04-12 12:01:00+00	done	3	722.30	Dinghy adrift off the point; towed in.
434	RS3	2026-04-12 15:48:00+00	2026-04-12 17:38:00+00	done	4	739.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
435	RS4	2026-04-12 21:25:00+00	2026-04-12 23:15:00+00	done	0	757.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
436	RS5	2026-04-13 03:02:00+00	2026-04-13 04:52:00+00	done	1	774.35	Kayak overdue, found ashore
437	RS6	2026-04-13 08:39:00+00	2026-04-13 10:29:00+00	done	2	791.70	Swimmer helped 🛟
438	RS7	2026-04-13 14:16:00+00	2026-04-13 16:06:00+00	done	3	809.05	\N
439	RS8	2026-04-13 19:53:00+00	2026-04-13 21:43:00+00	done	4	826.40	Dinghy adrift off the point; towed in.
440	RS9	2026-04-14 01:30:00+00	\N	open	0	843.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
441	RS10	2026-04-14 07:07:00+00	2026-04-14 08:57:00+00	false alarm	1	861.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
442	RS11	2026-04-14 12:44:00+00	2026-04-14 14:34:00+00	done	2	878.45	Kayak overdue, found ashore
443	RS12	2026-04-14 18:21:00+00	2026-04-14 20:11:00+00	done	3	895.80	Swimmer helped 🛟
444	RS13	2026-04-14 23:58:00+00	2026-04-15 01:48:00+00	done	4	913.15	\N
445	RS14	2026-04-15 05:35:00+00	2026-04-15 07:25:00+00	done	0	930.50	Dinghy adrift off the point; towed in.
446	RS15	2026-04-15 11:12:00+00	2026-04-15 13:02:00+00	done	1	947.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
447	RS16	2026-04-15 16:49:00+00	2026-04-15 18:39:00+00	done	2	965.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
448	RS17	2026-04-15 22:26:00+00	2026-04-16 00:16:00+00	done	3	982.55	Kayak overdue, found ashore
449	RS18	2026-04-16 04:03:00+00	2026-04-16 05:53:00+00	done	4	999.90	Swimmer helped 🛟
450	RS19	2026-04-16 09:40:00+00	2026-04-16 11:30:00+00	false alarm	0	1017.25	\N
451	RS20	2026-04-16 15:17:00+00	2026-04-16 17:07:00+00	done	1	1034.60	Dinghy adrift off the point; towed in.
452	RS21	2026-04-16 20:54:00+00	2026-04-16 22:44:00+00	done	2	1051.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
453	RS22	2026-04-17 02:31:00+00	2026-04-17 04:21:00+00	done	3	1069.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
454	RS23	2026-04-17 08:08:00+00	2026-04-17 09:58:00+00	done	4	1086.65	Kayak overdue, found ashore
455	RS24	2026-04-17 13:45:00+00	2026-04-17 15:35:00+00	done	0	1104.00	Swimmer helped 🛟
456	RS1	2026-04-17 19:22:00+00	2026-04-17 21:12:00+00	done	1	1121.35	\N
457	RS2	2026-04-18 00:59:00+00	2026-04-18 02:49:00+00	done	2	1138.70	Dinghy adrift off the point; towed in.
458	RS3	2026-04-18 06:36:00+00	2026-04-18 08:26:00+00	done	3	1156.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
459	RS4	2026-04-18 12:13:00+00	2026-04-18 14:03:00+00	false alarm	4	1173.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
460	RS5	2026-04-18 17:50:00+00	2026-04-18 19:40:00+00	done	0	1190.75	Kayak overdue, found ashore
461	RS6	2026-04-18 23:27:00+00	2026-04-19 01:17:00+00	done	1	1208.10	Swimmer helped 🛟
462	RS7	2026-04-19 05:04:00+00	2026-04-19 06:54:00+00	done	2	1225.45	\N
463	RS8	2026-04-19 10:41:00+00	2026-04-19 12:31:00+00	done	3	1242.80	Dinghy adrift off the point; towed in.
464	RS9	2026-04-19 16:18:00+00	2026-04-19 18:08:00+00	done	4	1260.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
465	RS10	2026-04-19 21:55:00+00	2026-04-19 23:45:00+00	done	0	1277.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
466	RS11	2026-04-20 03:32:00+00	2026-04-20 05:22:00+00	done	1	1294.85	Kayak overdue, found ashore
467	RS12	2026-04-20 09:09:00+00	2026-04-20 10:59:00+00	done	2	1312.20	Swimmer helped 🛟
468	RS13	2026-04-20 14:46:00+00	2026-04-20 16:36:00+00	false alarm	3	1329.55	\N
469	RS14	2026-04-20 20:23:00+00	2026-04-20 22:13:00+00	done	4	1346.90	Dinghy adrift off the point; towed in.
470	RS15	2026-04-21 02:00:00+00	2026-04-21 03:50:00+00	done	0	1364.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
471	RS16	2026-04-21 07:37:00+00	2026-04-21 09:27:00+00	done	1	1381.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
472	RS17	2026-04-21 13:14:00+00	2026-04-21 15:04:00+00	done	2	1398.95	Kayak overdue, found ashore
473	RS18	2026-04-21 18:51:00+00	2026-04-21 20:41:00+00	done	3	1416.30	Swimmer helped 🛟
474	RS19	2026-04-22 00:28:00+00	2026-04-22 02:18:00+00	done	4	1433.65	\N
475	RS20	2026-04-22 06:05:00+00	2026-04-22 07:55:00+00	done	0	1451.00	Dinghy adrift off the point; towed in.
476	RS21	2026-04-22 11:42:00+00	2026-04-22 13:32:00+00	done	1	1468.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
477	RS22	2026-04-22 17:19:00+00	2026-04-22 19:09:00+00	false alarm	2	1485.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
478	RS23	2026-04-22 22:56:00+00	2026-04-23 00:46:00+00	done	3	1503.05	Kayak overdue, found ashore
479	RS24	2026-04-23 04:33:00+00	2026-04-23 06:23:00+00	done	4	1520.40	Swimmer helped 🛟
480	RS1	2026-04-23 10:10:00+00	\N	open	0	1537.75	\N
481	RS2	2026-04-23 15:47:00+00	2026-04-23 17:37:00+00	done	1	1555.10	Dinghy adrift off the point; towed in.
482	RS3	2026-04-23 21:24:00+00	2026-04-23 23:14:00+00	done	2	1572.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
483	RS4	2026-04-24 03:01:00+00	2026-04-24 04:51:00+00	done	3	1589.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
484	RS5	2026-04-24 08:38:00+00	2026-04-24 10:28:00+00	done	4	1607.15	Kayak overdue, found ashore
485	RS6	2026-04-24 14:15:00+00	2026-04-24 16:05:00+00	done	0	1624.50	Swimmer helped 🛟
486	RS7	2026-04-24 19:52:00+00	2026-04-24 21:42:00+00	false alarm	1	1641.85	\N
487	RS8	2026-04-25 01:29:00+00	2026-04-25 03:19:00+00	done	2	1659.20	Dinghy adrift off the point; towed in.
488	RS9	2026-04-25 07:06:00+00	2026-04-25 08:56:00+00	done	3	1676.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
489	RS10	2026-04-25 12:43:00+00	2026-04-25 14:33:00+00	done	4	1693.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
490	RS11	2026-04-25 18:20:00+00	2026-04-25 20:10:00+00	done	0	1711.25	Kayak overdue, found ashore
491	RS12	2026-04-25 23:57:00+00	2026-04-26 01:47:00+00	done	1	1728.60	Swimmer helped 🛟
492	RS13	2026-04-26 05:34:00+00	2026-04-26 07:24:00+00	done	2	1745.95	\N
493	RS14	2026-04-26 11:11:00+00	2026-04-26 13:01:00+00	done	3	1763.30	Dinghy adrift off the point; towed in.
494	RS15	2026-04-26 16:48:00+00	2026-04-26 18:38:00+00	done	4	1780.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
495	RS16	2026-04-26 22:25:00+00	2026-04-27 00:15:00+00	false alarm	0	1798.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
496	RS17	2026-04-27 04:02:00+00	2026-04-27 05:52:00+00	done	1	1815.35	Kayak overdue, found ashore
497	RS18	2026-04-27 09:39:00+00	2026-04-27 11:29:00+00	done	2	1832.70	Swimmer helped 🛟
498	RS19	2026-04-27 15:16:00+00	2026-04-27 17:06:00+00	done	3	410.00	\N
499	RS20	2026-04-27 20:53:00+00	2026-04-27 22:43:00+00	done	4	427.35	Dinghy adrift off the point; towed in.
500	RS21	2026-04-28 02:30:00+00	2026-04-28 04:20:00+00	done	0	444.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
501	RS22	2026-04-28 08:07:00+00	2026-04-28 09:57:00+00	done	1	462.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
502	RS23	2026-04-28 13:44:00+00	2026-04-28 15:34:00+00	done	2	479.40	Kayak overdue, found ashore
503	RS24	2026-04-28 19:21:00+00	2026-04-28 21:11:00+00	done	3	496.75	Swimmer helped 🛟
504	RS1	2026-04-29 00:58:00+00	2026-04-29 02:48:00+00	false alarm	4	514.10	\N
505	RS2	2026-04-29 06:35:00+00	2026-04-29 08:25:00+00	done	0	531.45	Dinghy adrift off the point; towed in.
506	RS3	2026-04-29 12:12:00+00	2026-04-29 14:02:00+00	done	1	548.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
507	RS4	2026-04-29 17:49:00+00	2026-04-29 19:39:00+00	done	2	566.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
508	RS5	2026-04-29 23:26:00+00	2026-04-30 01:16:00+00	done	3	583.50	Kayak overdue, found ashore
509	RS6	2026-04-30 05:03:00+00	2026-04-30 06:53:00+00	done	4	600.85	Swimmer helped 🛟
510	RS7	2026-04-30 10:40:00+00	2026-04-30 12:30:00+00	done	0	618.20	\N
511	RS8	2026-04-30 16:17:00+00	2026-04-30 18:07:00+00	done	1	635.55	Dinghy adrift off the point; towed in.
512	RS9	2026-04-30 21:54:00+00	2026-04-30 23:44:00+00	done	2	652.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
513	RS10	2026-05-01 03:31:00+00	2026-05-01 05:21:00+00	false alarm	3	670.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
514	RS11	2026-05-01 09:08:00+00	2026-05-01 10:58:00+00	done	4	687.60	Kayak overdue, found ashore
515	RS12	2026-05-01 14:45:00+00	2026-05-01 16:35:00+00	done	0	704.95	Swimmer helped 🛟
516	RS13	2026-05-01 20:22:00+00	2026-05-01 22:12:00+00	done	1	722.30	\N
517	RS14	2026-05-02 01:59:00+00	2026-05-02 03:49:00+00	done	2	739.65	Dinghy adrift off the point; towed in.
518	RS15	2026-05-02 07:36:00+00	2026-05-02 09:26:00+00	done	3	757.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
519	RS16	2026-05-02 13:13:00+00	2026-05-02 15:03:00+00	done	4	774.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
520	RS17	2026-05-02 18:50:00+00	\N	open	0	791.70	Kayak overdue, found ashore
521	RS18	2026-05-03 00:27:00+00	2026-05-03 02:17:00+00	done	1	809.05	Swimmer helped 🛟
522	RS19	2026-05-03 06:04:00+00	2026-05-03 07:54:00+00	false alarm	2	826.40	\N
523	RS20	2026-05-03 11:41:00+00	2026-05-03 13:31:00+00	done	3	843.75	Dinghy adrift off the point; towed in.
524	RS21	2026-05-03 17:18:00+00	2026-05-03 19:08:00+00	done	4	861.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
525	RS22	2026-05-03 22:55:00+00	2026-05-04 00:45:00+00	done	0	878.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
526	RS23	2026-05-04 04:32:00+00	2026-05-04 06:22:00+00	done	1	895.80	Kayak overdue, found ashore
527	RS24	2026-05-04 10:09:00+00	2026-05-04 11:59:00+00	done	2	913.15	Swimmer helped 🛟
528	RS1	2026-05-04 15:46:00+00	2026-05-04 17:36:00+00	done	3	930.50	\N
529	RS2	2026-05-04 21:23:00+00	2026-05-04 23:13:00+00	done	4	947.85	Dinghy adrift off the point; towed in.
530	RS3	2026-05-05 03:00:00+00	2026-05-05 04:50:00+00	done	0	965.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
531	RS4	2026-05-05 08:37:00+00	2026-05-05 10:27:00+00	false alarm	1	982.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
532	RS5	2026-05-05 14:14:00+00	2026-05-05 16:04:00+00	done	2	999.90	Kayak overdue, found ashore
533	RS6	2026-05-05 19:51:00+00	2026-05-05 21:41:00+00	done	3	1017.25	Swimmer helped 🛟
534	RS7	2026-05-06 01:28:00+00	2026-05-06 03:18:00+00	done	4	1034.60	\N
535	RS8	2026-05-06 07:05:00+00	2026-05-06 08:55:00+00	done	0	1051.95	Dinghy adrift off the point; towed in.
536	RS9	2026-05-06 12:42:00+00	2026-05-06 14:32:00+00	done	1	1069.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
537	RS10	2026-05-06 18:19:00+00	2026-05-06 20:09:00+00	done	2	1086.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
538	RS11	2026-05-06 23:56:00+00	2026-05-07 01:46:00+00	done	3	1104.00	Kayak overdue, found ashore
539	RS12	2026-05-07 05:33:00+00	2026-05-07 07:23:00+00	done	4	1121.35	Swimmer helped 🛟
540	RS13	2026-05-07 11:10:00+00	2026-05-07 13:00:00+00	false alarm	0	1138.70	\N
541	RS14	2026-05-07 16:47:00+00	2026-05-07 18:37:00+00	done	1	1156.05	Dinghy adrift off the point; towed in.
542	RS15	2026-05-07 22:24:00+00	2026-05-08 00:14:00+00	done	2	1173.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
543	RS16	2026-05-08 04:01:00+00	2026-05-08 05:51:00+00	done	3	1190.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
544	RS17	2026-05-08 09:38:00+00	2026-05-08 11:28:00+00	done	4	1208.10	Kayak overdue, found ashore
545	RS18	2026-05-08 15:15:00+00	2026-05-08 17:05:00+00	done	0	1225.45	Swimmer helped 🛟
546	RS19	2026-05-08 20:52:00+00	2026-05-08 22:42:00+00	done	1	1242.80	\N
547	RS20	2026-05-09 02:29:00+00	2026-05-09 04:19:00+00	done	2	1260.15	Dinghy adrift off the point; towed in.
548	RS21	2026-05-09 08:06:00+00	2026-05-09 09:56:00+00	done	3	1277.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
549	RS22	2026-05-09 13:43:00+00	2026-05-09 15:33:00+00	false alarm	4	1294.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
550	RS23	2026-05-09 19:20:00+00	2026-05-09 21:10:00+00	done	0	1312.20	Kayak overdue, found ashore
551	RS24	2026-05-10 00:57:00+00	2026-05-10 02:47:00+00	done	1	1329.55	Swimmer helped 🛟
552	RS1	2026-05-10 06:34:00+00	2026-05-10 08:24:00+00	done	2	1346.90	\N
553	RS2	2026-05-10 12:11:00+00	2026-05-10 14:01:00+00	done	3	1364.25	Dinghy adrift off the point; towed in.
554	RS3	2026-05-10 17:48:00+00	2026-05-10 19:38:00+00	done	4	1381.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
555	RS4	2026-05-10 23:25:00+00	2026-05-11 01:15:00+00	done	0	1398.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
556	RS5	2026-05-11 05:02:00+00	2026-05-11 06:52:00+00	done	1	1416.30	Kayak overdue, found ashore
557	RS6	2026-05-11 10:39:00+00	2026-05-11 12:29:00+00	done	2	1433.65	Swimmer helped 🛟
558	RS7	2026-05-11 16:16:00+00	2026-05-11 18:06:00+00	false alarm	3	1451.00	\N
559	RS8	2026-05-11 21:53:00+00	2026-05-11 23:43:00+00	done	4	1468.35	Dinghy adrift off the point; towed in.
560	RS9	2026-05-12 03:30:00+00	\N	open	0	1485.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
561	RS10	2026-05-12 09:07:00+00	2026-05-12 10:57:00+00	done	1	1503.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
562	RS11	2026-05-12 14:44:00+00	2026-05-12 16:34:00+00	done	2	1520.40	Kayak overdue, found ashore
563	RS12	2026-05-12 20:21:00+00	2026-05-12 22:11:00+00	done	3	1537.75	Swimmer helped 🛟
564	RS13	2026-05-13 01:58:00+00	2026-05-13 03:48:00+00	done	4	1555.10	\N
565	RS14	2026-05-13 07:35:00+00	2026-05-13 09:25:00+00	done	0	1572.45	Dinghy adrift off the point; towed in.
566	RS15	2026-05-13 13:12:00+00	2026-05-13 15:02:00+00	done	1	1589.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
567	RS16	2026-05-13 18:49:00+00	2026-05-13 20:39:00+00	false alarm	2	1607.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
568	RS17	2026-05-14 00:26:00+00	2026-05-14 02:16:00+00	done	3	1624.50	Kayak overdue, found ashore
569	RS18	2026-05-14 06:03:00+00	2026-05-14 07:53:00+00	done	4	1641.85	Swimmer helped 🛟
570	RS19	2026-05-14 11:40:00+00	2026-05-14 13:30:00+00	done	0	1659.20	\N
571	RS20	2026-05-14 17:17:00+00	2026-05-14 19:07:00+00	done	1	1676.55	Dinghy adrift off the point; towed in.
572	RS21	2026-05-14 22:54:00+00	2026-05-15 00:44:00+00	done	2	1693.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
573	RS22	2026-05-15 04:31:00+00	2026-05-15 06:21:00+00	done	3	1711.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
574	RS23	2026-05-15 10:08:00+00	2026-05-15 11:58:00+00	done	4	1728.60	Kayak overdue, found ashore
575	RS24	2026-05-15 15:45:00+00	2026-05-15 17:35:00+00	done	0	1745.95	Swimmer helped 🛟
576	RS1	2026-05-15 21:22:00+00	2026-05-15 23:12:00+00	false alarm	1	1763.30	\N
577	RS2	2026-05-16 02:59:00+00	2026-05-16 04:49:00+00	done	2	1780.65	Dinghy adrift off the point; towed in.
578	RS3	2026-05-16 08:36:00+00	2026-05-16 10:26:00+00	done	3	1798.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
579	RS4	2026-05-16 14:13:00+00	2026-05-16 16:03:00+00	done	4	1815.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
580	RS5	2026-05-16 19:50:00+00	2026-05-16 21:40:00+00	done	0	1832.70	Kayak overdue, found ashore
581	RS6	2026-05-17 01:27:00+00	2026-05-17 03:17:00+00	done	1	410.00	Swimmer helped 🛟
582	RS7	2026-05-17 07:04:00+00	2026-05-17 08:54:00+00	done	2	427.35	\N
583	RS8	2026-05-17 12:41:00+00	2026-05-17 14:31:00+00	done	3	444.70	Dinghy adrift off the point; towed in.
584	RS9	2026-05-17 18:18:00+00	2026-05-17 20:08:00+00	done	4	462.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
585	RS10	2026-05-17 23:55:00+00	2026-05-18 01:45:00+00	false alarm	0	479.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
586	RS11	2026-05-18 05:32:00+00	2026-05-18 07:22:00+00	done	1	496.75	Kayak overdue, found ashore
587	RS12	2026-05-18 11:09:00+00	2026-05-18 12:59:00+00	done	2	514.10	Swimmer helped 🛟
588	RS13	2026-05-18 16:46:00+00	2026-05-18 18:36:00+00	done	3	531.45	\N
589	RS14	2026-05-18 22:23:00+00	2026-05-19 00:13:00+00	done	4	548.80	Dinghy adrift off the point; towed in.
590	RS15	2026-05-19 04:00:00+00	2026-05-19 05:50:00+00	done	0	566.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
591	RS16	2026-05-19 09:37:00+00	2026-05-19 11:27:00+00	done	1	583.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
592	RS17	2026-05-19 15:14:00+00	2026-05-19 17:04:00+00	done	2	600.85	Kayak overdue, found ashore
593	RS18	2026-05-19 20:51:00+00	2026-05-19 22:41:00+00	done	3	618.20	Swimmer helped 🛟
594	RS19	2026-05-20 02:28:00+00	2026-05-20 04:18:00+00	false alarm	4	635.55	\N
595	RS20	2026-05-20 08:05:00+00	2026-05-20 09:55:00+00	done	0	652.90	Dinghy adrift off the point; towed in.
596	RS21	2026-05-20 13:42:00+00	2026-05-20 15:32:00+00	done	1	670.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
597	RS22	2026-05-20 19:19:00+00	2026-05-20 21:09:00+00	done	2	687.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
598	RS23	2026-05-21 00:56:00+00	2026-05-21 02:46:00+00	done	3	704.95	Kayak overdue, found ashore
599	RS24	2026-05-21 06:33:00+00	2026-05-21 08:23:00+00	done	4	722.30	Swimmer helped 🛟
600	RS1	2026-05-21 12:10:00+00	\N	open	0	739.65	\N
601	RS2	2026-05-21 17:47:00+00	2026-05-21 19:37:00+00	done	1	757.00	Dinghy adrift off the point; towed in.
602	RS3	2026-05-21 23:24:00+00	2026-05-22 01:14:00+00	done	2	774.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
603	RS4	2026-05-22 05:01:00+00	2026-05-22 06:51:00+00	false alarm	3	791.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
604	RS5	2026-05-22 10:38:00+00	2026-05-22 12:28:00+00	done	4	809.05	Kayak overdue, found ashore
605	RS6	2026-05-22 16:15:00+00	2026-05-22 18:05:00+00	done	0	826.40	Swimmer helped 🛟
606	RS7	2026-05-22 21:52:00+00	2026-05-22 23:42:00+00	done	1	843.75	\N
607	RS8	2026-05-23 03:29:00+00	2026-05-23 05:19:00+00	done	2	861.10	Dinghy adrift off the point; towed in.
608	RS9	2026-05-23 09:06:00+00	2026-05-23 10:56:00+00	done	3	878.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
609	RS10	2026-05-23 14:43:00+00	2026-05-23 16:33:00+00	done	4	895.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
610	RS11	2026-05-23 20:20:00+00	2026-05-23 22:10:00+00	done	0	913.15	Kayak overdue, found ashore
611	RS12	2026-05-24 01:57:00+00	2026-05-24 03:47:00+00	done	1	930.50	Swimmer helped 🛟
612	RS13	2026-05-24 07:34:00+00	2026-05-24 09:24:00+00	false alarm	2	947.85	\N
613	RS14	2026-05-24 13:11:00+00	2026-05-24 15:01:00+00	done	3	965.20	Dinghy adrift off the point; towed in.
614	RS15	2026-05-24 18:48:00+00	2026-05-24 20:38:00+00	done	4	982.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
615	RS16	2026-05-25 00:25:00+00	2026-05-25 02:15:00+00	done	0	999.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
616	RS17	2026-05-25 06:02:00+00	2026-05-25 07:52:00+00	done	1	1017.25	Kayak overdue, found ashore
617	RS18	2026-05-25 11:39:00+00	2026-05-25 13:29:00+00	done	2	1034.60	Swimmer helped 🛟
618	RS19	2026-05-25 17:16:00+00	2026-05-25 19:06:00+00	done	3	1051.95	\N
619	RS20	2026-05-25 22:53:00+00	2026-05-26 00:43:00+00	done	4	1069.30	Dinghy adrift off the point; towed in.
620	RS21	2026-05-26 04:30:00+00	2026-05-26 06:20:00+00	done	0	1086.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
621	RS22	2026-05-26 10:07:00+00	2026-05-26 11:57:00+00	false alarm	1	1104.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
622	RS23	2026-05-26 15:44:00+00	2026-05-26 17:34:00+00	done	2	1121.35	Kayak overdue, found ashore
623	RS24	2026-05-26 21:21:00+00	2026-05-26 23:11:00+00	done	3	1138.70	Swimmer helped 🛟
624	RS1	2026-05-27 02:58:00+00	2026-05-27 04:48:00+00	done	4	1156.05	\N
625	RS2	2026-05-27 08:35:00+00	2026-05-27 10:25:00+00	done	0	1173.40	Dinghy adrift off the point; towed in.
626	RS3	2026-05-27 14:12:00+00	2026-05-27 16:02:00+00	done	1	1190.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
627	RS4	2026-05-27 19:49:00+00	2026-05-27 21:39:00+00	done	2	1208.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
628	RS5	2026-05-28 01:26:00+00	2026-05-28 03:16:00+00	done	3	1225.45	Kayak overdue, found ashore
629	RS6	2026-05-28 07:03:00+00	2026-05-28 08:53:00+00	done	4	1242.80	Swimmer helped 🛟
630	RS7	2026-05-28 12:40:00+00	2026-05-28 14:30:00+00	false alarm	0	1260.15	\N
631	RS8	2026-05-28 18:17:00+00	2026-05-28 20:07:00+00	done	1	1277.50	Dinghy adrift off the point; towed in.
632	RS9	2026-05-28 23:54:00+00	2026-05-29 01:44:00+00	done	2	1294.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
633	RS10	2026-05-29 05:31:00+00	2026-05-29 07:21:00+00	done	3	1312.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
634	RS11	2026-05-29 11:08:00+00	2026-05-29 12:58:00+00	done	4	1329.55	Kayak overdue, found ashore
635	RS12	2026-05-29 16:45:00+00	2026-05-29 18:35:00+00	done	0	1346.90	Swimmer helped 🛟
636	RS13	2026-05-29 22:22:00+00	2026-05-30 00:12:00+00	done	1	1364.25	\N
637	RS14	2026-05-30 03:59:00+00	2026-05-30 05:49:00+00	done	2	1381.60	Dinghy adrift off the point; towed in.
638	RS15	2026-05-30 09:36:00+00	2026-05-30 11:26:00+00	done	3	1398.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
639	RS16	2026-05-30 15:13:00+00	2026-05-30 17:03:00+00	false alarm	4	1416.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
640	RS17	2026-05-30 20:50:00+00	\N	open	0	1433.65	Kayak overdue, found ashore
641	RS18	2026-05-31 02:27:00+00	2026-05-31 04:17:00+00	done	1	1451.00	Swimmer helped 🛟
642	RS19	2026-05-31 08:04:00+00	2026-05-31 09:54:00+00	done	2	1468.35	\N
643	RS20	2026-05-31 13:41:00+00	2026-05-31 15:31:00+00	done	3	1485.70	Dinghy adrift off the point; towed in.
644	RS21	2026-05-31 19:18:00+00	2026-05-31 21:08:00+00	done	4	1503.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
645	RS22	2026-06-01 00:55:00+00	2026-06-01 02:45:00+00	done	0	1520.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
646	RS23	2026-06-01 06:32:00+00	2026-06-01 08:22:00+00	done	1	1537.75	Kayak overdue, found ashore
647	RS24	2026-06-01 12:09:00+00	2026-06-01 13:59:00+00	done	2	1555.10	Swimmer helped 🛟
648	RS1	2026-06-01 17:46:00+00	2026-06-01 19:36:00+00	false alarm	3	1572.45	\N
649	RS2	2026-06-01 23:23:00+00	2026-06-02 01:13:00+00	done	4	1589.80	Dinghy adrift off the point; towed in.
650	RS3	2026-06-02 05:00:00+00	2026-06-02 06:50:00+00	done	0	1607.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
651	RS4	2026-06-02 10:37:00+00	2026-06-02 12:27:00+00	done	1	1624.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
652	RS5	2026-06-02 16:14:00+00	2026-06-02 18:04:00+00	done	2	1641.85	Kayak overdue, found ashore
653	RS6	2026-06-02 21:51:00+00	2026-06-02 23:41:00+00	done	3	1659.20	Swimmer helped 🛟
654	RS7	2026-06-03 03:28:00+00	2026-06-03 05:18:00+00	done	4	1676.55	\N
655	RS8	2026-06-03 09:05:00+00	2026-06-03 10:55:00+00	done	0	1693.90	Dinghy adrift off the point; towed in.
656	RS9	2026-06-03 14:42:00+00	2026-06-03 16:32:00+00	done	1	1711.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
657	RS10	2026-06-03 20:19:00+00	2026-06-03 22:09:00+00	false alarm	2	1728.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
658	RS11	2026-06-04 01:56:00+00	2026-06-04 03:46:00+00	done	3	1745.95	Kayak overdue, found ashore
659	RS12	2026-06-04 07:33:00+00	2026-06-04 09:23:00+00	done	4	1763.30	Swimmer helped 🛟
660	RS13	2026-06-04 13:10:00+00	2026-06-04 15:00:00+00	done	0	1780.65	\N
661	RS14	2026-06-04 18:47:00+00	2026-06-04 20:37:00+00	done	1	1798.00	Dinghy adrift off the point; towed in.
662	RS15	2026-06-05 00:24:00+00	2026-06-05 02:14:00+00	done	2	1815.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
663	RS16	2026-06-05 06:01:00+00	2026-06-05 07:51:00+00	done	3	1832.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
664	RS17	2026-06-05 11:38:00+00	2026-06-05 13:28:00+00	done	4	410.00	Kayak overdue, found ashore
665	RS18	2026-06-05 17:15:00+00	2026-06-05 19:05:00+00	done	0	427.35	Swimmer helped 🛟
666	RS19	2026-06-05 22:52:00+00	2026-06-06 00:42:00+00	false alarm	1	444.70	\N
667	RS20	2026-06-06 04:29:00+00	2026-06-06 06:19:00+00	done	2	462.05	Dinghy adrift off the point; towed in.
668	RS21	2026-06-06 10:06:00+00	2026-06-06 11:56:00+00	done	3	479.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
669	RS22	2026-06-06 15:43:00+00	2026-06-06 17:33:00+00	done	4	496.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
670	RS23	2026-06-06 21:20:00+00	2026-06-06 23:10:00+00	done	0	514.10	Kayak overdue, found ashore
671	RS24	2026-06-07 02:57:00+00	2026-06-07 04:47:00+00	done	1	531.45	Swimmer helped 🛟
672	RS1	2026-06-07 08:34:00+00	2026-06-07 10:24:00+00	done	2	548.80	\N
673	RS2	2026-06-07 14:11:00+00	2026-06-07 16:01:00+00	done	3	566.15	Dinghy adrift off the point; towed in.
674	RS3	2026-06-07 19:48:00+00	2026-06-07 21:38:00+00	done	4	583.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
675	RS4	2026-06-08 01:25:00+00	2026-06-08 03:15:00+00	false alarm	0	600.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
676	RS5	2026-06-08 07:02:00+00	2026-06-08 08:52:00+00	done	1	618.20	Kayak overdue, found ashore
677	RS6	2026-06-08 12:39:00+00	2026-06-08 14:29:00+00	done	2	635.55	Swimmer helped 🛟
678	RS7	2026-06-08 18:16:00+00	2026-06-08 20:06:00+00	done	3	652.90	\N
679	RS8	2026-06-08 23:53:00+00	2026-06-09 01:43:00+00	done	4	670.25	Dinghy adrift off the point; towed in.
680	RS9	2026-06-09 05:30:00+00	\N	open	0	687.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
681	RS10	2026-06-09 11:07:00+00	2026-06-09 12:57:00+00	done	1	704.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
682	RS11	2026-06-09 16:44:00+00	2026-06-09 18:34:00+00	done	2	722.30	Kayak overdue, found ashore
683	RS12	2026-06-09 22:21:00+00	2026-06-10 00:11:00+00	done	3	739.65	Swimmer helped 🛟
684	RS13	2026-06-10 03:58:00+00	2026-06-10 05:48:00+00	false alarm	4	757.00	\N
685	RS14	2026-06-10 09:35:00+00	2026-06-10 11:25:00+00	done	0	774.35	Dinghy adrift off the point; towed in.
686	RS15	2026-06-10 15:12:00+00	2026-06-10 17:02:00+00	done	1	791.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
687	RS16	2026-06-10 20:49:00+00	2026-06-10 22:39:00+00	done	2	809.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
688	RS17	2026-06-11 02:26:00+00	2026-06-11 04:16:00+00	done	3	826.40	Kayak overdue, found ashore
689	RS18	2026-06-11 08:03:00+00	2026-06-11 09:53:00+00	done	4	843.75	Swimmer helped 🛟
690	RS19	2026-06-11 13:40:00+00	2026-06-11 15:30:00+00	done	0	861.10	\N
691	RS20	2026-06-11 19:17:00+00	2026-06-11 21:07:00+00	done	1	878.45	Dinghy adrift off the point; towed in.
692	RS21	2026-06-12 00:54:00+00	2026-06-12 02:44:00+00	done	2	895.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
693	RS22	2026-06-12 06:31:00+00	2026-06-12 08:21:00+00	false alarm	3	913.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
694	RS23	2026-06-12 12:08:00+00	2026-06-12 13:58:00+00	done	4	930.50	Kayak overdue, found ashore
696	RS1	2026-06-12 23:22:00+00	2026-06-13 01:12:00+00	done	1	965.20	\N
697	RS2	2026-06-13 04:59:00+00	2026-06-13 06:49:00+00	done	2	982.55	Dinghy adrift off the point; towed in.
698	RS3	2026-06-13 10:36:00+00	2026-06-13 12:26:00+00	done	3	999.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
699	RS4	2026-06-13 16:13:00+00	2026-06-13 18:03:00+00	done	4	1017.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
700	RS5	2026-06-13 21:50:00+00	2026-06-13 23:40:00+00	done	0	1034.60	Kayak overdue, found ashore
701	RS6	2026-06-14 03:27:00+00	2026-06-14 05:17:00+00	done	1	1051.95	Swimmer helped 🛟
702	RS7	2026-06-14 09:04:00+00	2026-06-14 10:54:00+00	false alarm	2	1069.30	\N
703	RS8	2026-06-14 14:41:00+00	2026-06-14 16:31:00+00	done	3	1086.65	Dinghy adrift off the point; towed in.
704	RS9	2026-06-14 20:18:00+00	2026-06-14 22:08:00+00	done	4	1104.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
705	RS10	2026-06-15 01:55:00+00	2026-06-15 03:45:00+00	done	0	1121.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
706	RS11	2026-06-15 07:32:00+00	2026-06-15 09:22:00+00	done	1	1138.70	Kayak overdue, found ashore
707	RS12	2026-06-15 13:09:00+00	2026-06-15 14:59:00+00	done	2	1156.05	Swimmer helped 🛟
708	RS13	2026-06-15 18:46:00+00	2026-06-15 20:36:00+00	done	3	1173.40	\N
709	RS14	2026-06-16 00:23:00+00	2026-06-16 02:13:00+00	done	4	1190.75	Dinghy adrift off the point; towed in.
710	RS15	2026-06-16 06:00:00+00	2026-06-16 07:50:00+00	done	0	1208.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
711	RS16	2026-06-16 11:37:00+00	2026-06-16 13:27:00+00	false alarm	1	1225.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
712	RS17	2026-06-16 17:14:00+00	2026-06-16 19:04:00+00	done	2	1242.80	Kayak overdue, found ashore
713	RS18	2026-06-16 22:51:00+00	2026-06-17 00:41:00+00	done	3	1260.15	Swimmer helped 🛟
714	RS19	2026-06-17 04:28:00+00	2026-06-17 06:18:00+00	done	4	1277.50	\N
715	RS20	2026-06-17 10:05:00+00	2026-06-17 11:55:00+00	done	0	1294.85	Dinghy adrift off the point; towed in.
716	RS21	2026-06-17 15:42:00+00	2026-06-17 17:32:00+00	done	1	1312.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
717	RS22	2026-06-17 21:19:00+00	2026-06-17 23:09:00+00	done	2	1329.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
718	RS23	2026-06-18 02:56:00+00	2026-06-18 04:46:00+00	done	3	1346.90	Kayak overdue, found ashore
719	RS24	2026-06-18 08:33:00+00	2026-06-18 10:23:00+00	done	4	1364.25	Swimmer helped 🛟
720	RS1	2026-06-18 14:10:00+00	\N	open	0	1381.60	\N
721	RS2	2026-06-18 19:47:00+00	2026-06-18 21:37:00+00	done	1	1398.95	Dinghy adrift off the point; towed in.
722	RS3	2026-06-19 01:24:00+00	2026-06-19 03:14:00+00	done	2	1416.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
723	RS4	2026-06-19 07:01:00+00	2026-06-19 08:51:00+00	done	3	1433.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
724	RS5	2026-06-19 12:38:00+00	2026-06-19 14:28:00+00	done	4	1451.00	Kayak overdue, found ashore
725	RS6	2026-06-19 18:15:00+00	2026-06-19 20:05:00+00	done	0	1468.35	Swimmer helped 🛟
726	RS7	2026-06-19 23:52:00+00	2026-06-20 01:42:00+00	done	1	1485.70	\N
727	RS8	2026-06-20 05:29:00+00	2026-06-20 07:19:00+00	done	2	1503.05	Dinghy adrift off the point; towed in.
728	RS9	2026-06-20 11:06:00+00	2026-06-20 12:56:00+00	done	3	1520.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
729	RS10	2026-06-20 16:43:00+00	2026-06-20 18:33:00+00	false alarm	4	1537.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
730	RS11	2026-06-20 22:20:00+00	2026-06-21 00:10:00+00	done	0	1555.10	Kayak overdue, found ashore
731	RS12	2026-06-21 03:57:00+00	2026-06-21 05:47:00+00	done	1	1572.45	Swimmer helped 🛟
732	RS13	2026-06-21 09:34:00+00	2026-06-21 11:24:00+00	done	2	1589.80	\N
733	RS14	2026-06-21 15:11:00+00	2026-06-21 17:01:00+00	done	3	1607.15	Dinghy adrift off the point; towed in.
734	RS15	2026-06-21 20:48:00+00	2026-06-21 22:38:00+00	done	4	1624.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
735	RS16	2026-06-22 02:25:00+00	2026-06-22 04:15:00+00	done	0	1641.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
736	RS17	2026-06-22 08:02:00+00	2026-06-22 09:52:00+00	done	1	1659.20	Kayak overdue, found ashore
737	RS18	2026-06-22 13:39:00+00	2026-06-22 15:29:00+00	done	2	1676.55	Swimmer helped 🛟
738	RS19	2026-06-22 19:16:00+00	2026-06-22 21:06:00+00	false alarm	3	1693.90	\N
739	RS20	2026-06-23 00:53:00+00	2026-06-23 02:43:00+00	done	4	1711.25	Dinghy adrift off the point; towed in.
740	RS21	2026-06-23 06:30:00+00	2026-06-23 08:20:00+00	done	0	1728.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
741	RS22	2026-06-23 12:07:00+00	2026-06-23 13:57:00+00	done	1	1745.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
742	RS23	2026-06-23 17:44:00+00	2026-06-23 19:34:00+00	done	2	1763.30	Kayak overdue, found ashore
743	RS24	2026-06-23 23:21:00+00	2026-06-24 01:11:00+00	done	3	1780.65	Swimmer helped 🛟
744	RS1	2026-06-24 04:58:00+00	2026-06-24 06:48:00+00	done	4	1798.00	\N
745	RS2	2026-06-24 10:35:00+00	2026-06-24 12:25:00+00	done	0	1815.35	Dinghy adrift off the point; towed in.
746	RS3	2026-06-24 16:12:00+00	2026-06-24 18:02:00+00	done	1	1832.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
747	RS4	2026-06-24 21:49:00+00	2026-06-24 23:39:00+00	false alarm	2	410.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
748	RS5	2026-06-25 03:26:00+00	2026-06-25 05:16:00+00	done	3	427.35	Kayak overdue, found ashore
749	RS6	2026-06-25 09:03:00+00	2026-06-25 10:53:00+00	done	4	444.70	Swimmer helped 🛟
750	RS7	2026-06-25 14:40:00+00	2026-06-25 16:30:00+00	done	0	462.05	\N
751	RS8	2026-06-25 20:17:00+00	2026-06-25 22:07:00+00	done	1	479.40	Dinghy adrift off the point; towed in.
752	RS9	2026-06-26 01:54:00+00	2026-06-26 03:44:00+00	done	2	496.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
753	RS10	2026-06-26 07:31:00+00	2026-06-26 09:21:00+00	done	3	514.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
754	RS11	2026-06-26 13:08:00+00	2026-06-26 14:58:00+00	done	4	531.45	Kayak overdue, found ashore
755	RS12	2026-06-26 18:45:00+00	2026-06-26 20:35:00+00	done	0	548.80	Swimmer helped 🛟
756	RS13	2026-06-27 00:22:00+00	2026-06-27 02:12:00+00	false alarm	1	566.15	\N
757	RS14	2026-06-27 05:59:00+00	2026-06-27 07:49:00+00	done	2	583.50	Dinghy adrift off the point; towed in.
758	RS15	2026-06-27 11:36:00+00	2026-06-27 13:26:00+00	done	3	600.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
759	RS16	2026-06-27 17:13:00+00	2026-06-27 19:03:00+00	done	4	618.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
760	RS17	2026-06-27 22:50:00+00	\N	open	0	635.55	Kayak overdue, found ashore
761	RS18	2026-06-28 04:27:00+00	2026-06-28 06:17:00+00	done	1	652.90	Swimmer helped 🛟
762	RS19	2026-06-28 10:04:00+00	2026-06-28 11:54:00+00	done	2	670.25	\N
763	RS20	2026-06-28 15:41:00+00	2026-06-28 17:31:00+00	done	3	687.60	Dinghy adrift off the point; towed in.
764	RS21	2026-06-28 21:18:00+00	2026-06-28 23:08:00+00	done	4	704.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
765	RS22	2026-06-29 02:55:00+00	2026-06-29 04:45:00+00	false alarm	0	722.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
766	RS23	2026-06-29 08:32:00+00	2026-06-29 10:22:00+00	done	1	739.65	Kayak overdue, found ashore
767	RS24	2026-06-29 14:09:00+00	2026-06-29 15:59:00+00	done	2	757.00	Swimmer helped 🛟
768	RS1	2026-06-29 19:46:00+00	2026-06-29 21:36:00+00	done	3	774.35	\N
769	RS2	2026-06-30 01:23:00+00	2026-06-30 03:13:00+00	done	4	791.70	Dinghy adrift off the point; towed in.
770	RS3	2026-06-30 07:00:00+00	2026-06-30 08:50:00+00	done	0	809.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
771	RS4	2026-06-30 12:37:00+00	2026-06-30 14:27:00+00	done	1	826.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
772	RS5	2026-06-30 18:14:00+00	2026-06-30 20:04:00+00	done	2	843.75	Kayak overdue, found ashore
773	RS6	2026-06-30 23:51:00+00	2026-07-01 01:41:00+00	done	3	861.10	Swimmer helped 🛟
774	RS7	2026-07-01 05:28:00+00	2026-07-01 07:18:00+00	false alarm	4	878.45	\N
775	RS8	2026-07-01 11:05:00+00	2026-07-01 12:55:00+00	done	0	895.80	Dinghy adrift off the point; towed in.
776	RS9	2026-07-01 16:42:00+00	2026-07-01 18:32:00+00	done	1	913.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
777	RS10	2026-07-01 22:19:00+00	2026-07-02 00:09:00+00	done	2	930.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
778	RS11	2026-07-02 03:56:00+00	2026-07-02 05:46:00+00	done	3	947.85	Kayak overdue, found ashore
779	RS12	2026-07-02 09:33:00+00	2026-07-02 11:23:00+00	done	4	965.20	Swimmer helped 🛟
780	RS13	2026-07-02 15:10:00+00	2026-07-02 17:00:00+00	done	0	982.55	\N
781	RS14	2026-07-02 20:47:00+00	2026-07-02 22:37:00+00	done	1	999.90	Dinghy adrift off the point; towed in.
782	RS15	2026-07-03 02:24:00+00	2026-07-03 04:14:00+00	done	2	1017.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
783	RS16	2026-07-03 08:01:00+00	2026-07-03 09:51:00+00	false alarm	3	1034.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
784	RS17	2026-07-03 13:38:00+00	2026-07-03 15:28:00+00	done	4	1051.95	Kayak overdue, found ashore
785	RS18	2026-07-03 19:15:00+00	2026-07-03 21:05:00+00	done	0	1069.30	Swimmer helped 🛟
786	RS19	2026-07-04 00:52:00+00	2026-07-04 02:42:00+00	done	1	1086.65	\N
787	RS20	2026-07-04 06:29:00+00	2026-07-04 08:19:00+00	done	2	1104.00	Dinghy adrift off the point; towed in.
788	RS21	2026-07-04 12:06:00+00	2026-07-04 13:56:00+00	done	3	1121.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
789	RS22	2026-07-04 17:43:00+00	2026-07-04 19:33:00+00	done	4	1138.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
790	RS23	2026-07-04 23:20:00+00	2026-07-05 01:10:00+00	done	0	1156.05	Kayak overdue, found ashore
791	RS24	2026-07-05 04:57:00+00	2026-07-05 06:47:00+00	done	1	1173.40	Swimmer helped 🛟
792	RS1	2026-07-05 10:34:00+00	2026-07-05 12:24:00+00	false alarm	2	1190.75	\N
793	RS2	2026-07-05 16:11:00+00	2026-07-05 18:01:00+00	done	3	1208.10	Dinghy adrift off the point; towed in.
794	RS3	2026-07-05 21:48:00+00	2026-07-05 23:38:00+00	done	4	1225.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
795	RS4	2026-07-06 03:25:00+00	2026-07-06 05:15:00+00	done	0	1242.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
796	RS5	2026-07-06 09:02:00+00	2026-07-06 10:52:00+00	done	1	1260.15	Kayak overdue, found ashore
797	RS6	2026-07-06 14:39:00+00	2026-07-06 16:29:00+00	done	2	1277.50	Swimmer helped 🛟
798	RS7	2026-07-06 20:16:00+00	2026-07-06 22:06:00+00	done	3	1294.85	\N
799	RS8	2026-07-07 01:53:00+00	2026-07-07 03:43:00+00	done	4	1312.20	Dinghy adrift off the point; towed in.
800	RS9	2026-07-07 07:30:00+00	\N	open	0	1329.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
801	RS10	2026-07-07 13:07:00+00	2026-07-07 14:57:00+00	false alarm	1	1346.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
802	RS11	2026-07-07 18:44:00+00	2026-07-07 20:34:00+00	done	2	1364.25	Kayak overdue, found ashore
803	RS12	2026-07-08 00:21:00+00	2026-07-08 02:11:00+00	done	3	1381.60	Swimmer helped 🛟
804	RS13	2026-07-08 05:58:00+00	2026-07-08 07:48:00+00	done	4	1398.95	\N
805	RS14	2026-07-08 11:35:00+00	2026-07-08 13:25:00+00	done	0	1416.30	Dinghy adrift off the point; towed in.
806	RS15	2026-07-08 17:12:00+00	2026-07-08 19:02:00+00	done	1	1433.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
807	RS16	2026-07-08 22:49:00+00	2026-07-09 00:39:00+00	done	2	1451.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
808	RS17	2026-07-09 04:26:00+00	2026-07-09 06:16:00+00	done	3	1468.35	Kayak overdue, found ashore
809	RS18	2026-07-09 10:03:00+00	2026-07-09 11:53:00+00	done	4	1485.70	Swimmer helped 🛟
810	RS19	2026-07-09 15:40:00+00	2026-07-09 17:30:00+00	false alarm	0	1503.05	\N
811	RS20	2026-07-09 21:17:00+00	2026-07-09 23:07:00+00	done	1	1520.40	Dinghy adrift off the point; towed in.
812	RS21	2026-07-10 02:54:00+00	2026-07-10 04:44:00+00	done	2	1537.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
813	RS22	2026-07-10 08:31:00+00	2026-07-10 10:21:00+00	done	3	1555.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
814	RS23	2026-07-10 14:08:00+00	2026-07-10 15:58:00+00	done	4	1572.45	Kayak overdue, found ashore
815	RS24	2026-07-10 19:45:00+00	2026-07-10 21:35:00+00	done	0	1589.80	Swimmer helped 🛟
816	RS1	2026-07-11 01:22:00+00	2026-07-11 03:12:00+00	done	1	1607.15	\N
817	RS2	2026-07-11 06:59:00+00	2026-07-11 08:49:00+00	done	2	1624.50	Dinghy adrift off the point; towed in.
818	RS3	2026-07-11 12:36:00+00	2026-07-11 14:26:00+00	done	3	1641.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
819	RS4	2026-07-11 18:13:00+00	2026-07-11 20:03:00+00	false alarm	4	1659.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
820	RS5	2026-07-11 23:50:00+00	2026-07-12 01:40:00+00	done	0	1676.55	Kayak overdue, found ashore
821	RS6	2026-07-12 05:27:00+00	2026-07-12 07:17:00+00	done	1	1693.90	Swimmer helped 🛟
822	RS7	2026-07-12 11:04:00+00	2026-07-12 12:54:00+00	done	2	1711.25	\N
823	RS8	2026-07-12 16:41:00+00	2026-07-12 18:31:00+00	done	3	1728.60	Dinghy adrift off the point; towed in.
824	RS9	2026-07-12 22:18:00+00	2026-07-13 00:08:00+00	done	4	1745.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
825	RS10	2026-07-13 03:55:00+00	2026-07-13 05:45:00+00	done	0	1763.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
826	RS11	2026-07-13 09:32:00+00	2026-07-13 11:22:00+00	done	1	1780.65	Kayak overdue, found ashore
827	RS12	2026-07-13 15:09:00+00	2026-07-13 16:59:00+00	done	2	1798.00	Swimmer helped 🛟
828	RS13	2026-07-13 20:46:00+00	2026-07-13 22:36:00+00	false alarm	3	1815.35	\N
829	RS14	2026-07-14 02:23:00+00	2026-07-14 04:13:00+00	done	4	1832.70	Dinghy adrift off the point; towed in.
830	RS15	2026-07-14 08:00:00+00	2026-07-14 09:50:00+00	done	0	410.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
831	RS16	2026-07-14 13:37:00+00	2026-07-14 15:27:00+00	done	1	427.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
832	RS17	2026-07-14 19:14:00+00	2026-07-14 21:04:00+00	done	2	444.70	Kayak overdue, found ashore
833	RS18	2026-07-15 00:51:00+00	2026-07-15 02:41:00+00	done	3	462.05	Swimmer helped 🛟
834	RS19	2026-07-15 06:28:00+00	2026-07-15 08:18:00+00	done	4	479.40	\N
835	RS20	2026-07-15 12:05:00+00	2026-07-15 13:55:00+00	done	0	496.75	Dinghy adrift off the point; towed in.
836	RS21	2026-07-15 17:42:00+00	2026-07-15 19:32:00+00	done	1	514.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
837	RS22	2026-07-15 23:19:00+00	2026-07-16 01:09:00+00	false alarm	2	531.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
838	RS23	2026-07-16 04:56:00+00	2026-07-16 06:46:00+00	done	3	548.80	Kayak overdue, found ashore
839	RS24	2026-07-16 10:33:00+00	2026-07-16 12:23:00+00	done	4	566.15	Swimmer helped 🛟
840	RS1	2026-07-16 16:10:00+00	\N	open	0	583.50	\N
841	RS2	2026-07-16 21:47:00+00	2026-07-16 23:37:00+00	done	1	600.85	Dinghy adrift off the point; towed in.
842	RS3	2026-07-17 03:24:00+00	2026-07-17 05:14:00+00	done	2	618.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
843	RS4	2026-07-17 09:01:00+00	2026-07-17 10:51:00+00	done	3	635.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
844	RS5	2026-07-17 14:38:00+00	2026-07-17 16:28:00+00	done	4	652.90	Kayak overdue, found ashore
845	RS6	2026-07-17 20:15:00+00	2026-07-17 22:05:00+00	done	0	670.25	Swimmer helped 🛟
846	RS7	2026-07-18 01:52:00+00	2026-07-18 03:42:00+00	false alarm	1	687.60	\N
847	RS8	2026-07-18 07:29:00+00	2026-07-18 09:19:00+00	done	2	704.95	Dinghy adrift off the point; towed in.
848	RS9	2026-07-18 13:06:00+00	2026-07-18 14:56:00+00	done	3	722.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
849	RS10	2026-07-18 18:43:00+00	2026-07-18 20:33:00+00	done	4	739.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
850	RS11	2026-07-19 00:20:00+00	2026-07-19 02:10:00+00	done	0	757.00	Kayak overdue, found ashore
851	RS12	2026-07-19 05:57:00+00	2026-07-19 07:47:00+00	done	1	774.35	Swimmer helped 🛟
852	RS13	2026-07-19 11:34:00+00	2026-07-19 13:24:00+00	done	2	791.70	\N
853	RS14	2026-07-19 17:11:00+00	2026-07-19 19:01:00+00	done	3	809.05	Dinghy adrift off the point; towed in.
854	RS15	2026-07-19 22:48:00+00	2026-07-20 00:38:00+00	done	4	826.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
855	RS16	2026-07-20 04:25:00+00	2026-07-20 06:15:00+00	false alarm	0	843.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
856	RS17	2026-07-20 10:02:00+00	2026-07-20 11:52:00+00	done	1	861.10	Kayak overdue, found ashore
857	RS18	2026-07-20 15:39:00+00	2026-07-20 17:29:00+00	done	2	878.45	Swimmer helped 🛟
858	RS19	2026-07-20 21:16:00+00	2026-07-20 23:06:00+00	done	3	895.80	\N
859	RS20	2026-07-21 02:53:00+00	2026-07-21 04:43:00+00	done	4	913.15	Dinghy adrift off the point; towed in.
860	RS21	2026-07-21 08:30:00+00	2026-07-21 10:20:00+00	done	0	930.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
861	RS22	2026-07-21 14:07:00+00	2026-07-21 15:57:00+00	done	1	947.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
862	RS23	2026-07-21 19:44:00+00	2026-07-21 21:34:00+00	done	2	965.20	Kayak overdue, found ashore
863	RS24	2026-07-22 01:21:00+00	2026-07-22 03:11:00+00	done	3	982.55	Swimmer helped 🛟
864	RS1	2026-07-22 06:58:00+00	2026-07-22 08:48:00+00	false alarm	4	999.90	\N
865	RS2	2026-07-22 12:35:00+00	2026-07-22 14:25:00+00	done	0	1017.25	Dinghy adrift off the point; towed in.
866	RS3	2026-07-22 18:12:00+00	2026-07-22 20:02:00+00	done	1	1034.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
867	RS4	2026-07-22 23:49:00+00	2026-07-23 01:39:00+00	done	2	1051.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
868	RS5	2026-07-23 05:26:00+00	2026-07-23 07:16:00+00	done	3	1069.30	Kayak overdue, found ashore
869	RS6	2026-07-23 11:03:00+00	2026-07-23 12:53:00+00	done	4	1086.65	Swimmer helped 🛟
870	RS7	2026-07-23 16:40:00+00	2026-07-23 18:30:00+00	done	0	1104.00	\N
871	RS8	2026-07-23 22:17:00+00	2026-07-24 00:07:00+00	done	1	1121.35	Dinghy adrift off the point; towed in.
872	RS9	2026-07-24 03:54:00+00	2026-07-24 05:44:00+00	done	2	1138.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
873	RS10	2026-07-24 09:31:00+00	2026-07-24 11:21:00+00	false alarm	3	1156.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
874	RS11	2026-07-24 15:08:00+00	2026-07-24 16:58:00+00	done	4	1173.40	Kayak overdue, found ashore
875	RS12	2026-07-24 20:45:00+00	2026-07-24 22:35:00+00	done	0	1190.75	Swimmer helped 🛟
876	RS13	2026-07-25 02:22:00+00	2026-07-25 04:12:00+00	done	1	1208.10	\N
877	RS14	2026-07-25 07:59:00+00	2026-07-25 09:49:00+00	done	2	1225.45	Dinghy adrift off the point; towed in.
878	RS15	2026-07-25 13:36:00+00	2026-07-25 15:26:00+00	done	3	1242.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
879	RS16	2026-07-25 19:13:00+00	2026-07-25 21:03:00+00	done	4	1260.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
880	RS17	2026-07-26 00:50:00+00	\N	open	0	1277.50	Kayak overdue, found ashore
881	RS18	2026-07-26 06:27:00+00	2026-07-26 08:17:00+00	done	1	1294.85	Swimmer helped 🛟
882	RS19	2026-07-26 12:04:00+00	2026-07-26 13:54:00+00	false alarm	2	1312.20	\N
883	RS20	2026-07-26 17:41:00+00	2026-07-26 19:31:00+00	done	3	1329.55	Dinghy adrift off the point; towed in.
884	RS21	2026-07-26 23:18:00+00	2026-07-27 01:08:00+00	done	4	1346.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
885	RS22	2026-07-27 04:55:00+00	2026-07-27 06:45:00+00	done	0	1364.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
886	RS23	2026-07-27 10:32:00+00	2026-07-27 12:22:00+00	done	1	1381.60	Kayak overdue, found ashore
887	RS24	2026-07-27 16:09:00+00	2026-07-27 17:59:00+00	done	2	1398.95	Swimmer helped 🛟
888	RS1	2026-07-27 21:46:00+00	2026-07-27 23:36:00+00	done	3	1416.30	\N
889	RS2	2026-07-28 03:23:00+00	2026-07-28 05:13:00+00	done	4	1433.65	Dinghy adrift off the point; towed in.
890	RS3	2026-07-28 09:00:00+00	2026-07-28 10:50:00+00	done	0	1451.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
891	RS4	2026-07-28 14:37:00+00	2026-07-28 16:27:00+00	false alarm	1	1468.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
892	RS5	2026-07-28 20:14:00+00	2026-07-28 22:04:00+00	done	2	1485.70	Kayak overdue, found ashore
893	RS6	2026-07-29 01:51:00+00	2026-07-29 03:41:00+00	done	3	1503.05	Swimmer helped 🛟
894	RS7	2026-07-29 07:28:00+00	2026-07-29 09:18:00+00	done	4	1520.40	\N
895	RS8	2026-07-29 13:05:00+00	2026-07-29 14:55:00+00	done	0	1537.75	Dinghy adrift off the point; towed in.
896	RS9	2026-07-29 18:42:00+00	2026-07-29 20:32:00+00	done	1	1555.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
897	RS10	2026-07-30 00:19:00+00	2026-07-30 02:09:00+00	done	2	1572.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
898	RS11	2026-07-30 05:56:00+00	2026-07-30 07:46:00+00	done	3	1589.80	Kayak overdue, found ashore
899	RS12	2026-07-30 11:33:00+00	2026-07-30 13:23:00+00	done	4	1607.15	Swimmer helped 🛟
900	RS13	2026-07-30 17:10:00+00	2026-07-30 19:00:00+00	false alarm	0	1624.50	\N
901	RS14	2026-07-30 22:47:00+00	2026-07-31 00:37:00+00	done	1	1641.85	Dinghy adrift off the point; towed in.
902	RS15	2026-07-31 04:24:00+00	2026-07-31 06:14:00+00	done	2	1659.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
903	RS16	2026-07-31 10:01:00+00	2026-07-31 11:51:00+00	done	3	1676.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
904	RS17	2026-07-31 15:38:00+00	2026-07-31 17:28:00+00	done	4	1693.90	Kayak overdue, found ashore
905	RS18	2026-07-31 21:15:00+00	2026-07-31 23:05:00+00	done	0	1711.25	Swimmer helped 🛟
906	RS19	2026-08-01 02:52:00+00	2026-08-01 04:42:00+00	done	1	1728.60	\N
907	RS20	2026-08-01 08:29:00+00	2026-08-01 10:19:00+00	done	2	1745.95	Dinghy adrift off the point; towed in.
908	RS21	2026-08-01 14:06:00+00	2026-08-01 15:56:00+00	done	3	1763.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
909	RS22	2026-08-01 19:43:00+00	2026-08-01 21:33:00+00	false alarm	4	1780.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
910	RS23	2026-08-02 01:20:00+00	2026-08-02 03:10:00+00	done	0	1798.00	Kayak overdue, found ashore
911	RS24	2026-08-02 06:57:00+00	2026-08-02 08:47:00+00	done	1	1815.35	Swimmer helped 🛟
912	RS1	2026-08-02 12:34:00+00	2026-08-02 14:24:00+00	done	2	1832.70	\N
913	RS2	2026-08-02 18:11:00+00	2026-08-02 20:01:00+00	done	3	410.00	Dinghy adrift off the point; towed in.
914	RS3	2026-08-02 23:48:00+00	2026-08-03 01:38:00+00	done	4	427.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
915	RS4	2026-08-03 05:25:00+00	2026-08-03 07:15:00+00	done	0	444.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
916	RS5	2026-08-03 11:02:00+00	2026-08-03 12:52:00+00	done	1	462.05	Kayak overdue, found ashore
917	RS6	2026-08-03 16:39:00+00	2026-08-03 18:29:00+00	done	2	479.40	Swimmer helped 🛟
918	RS7	2026-08-03 22:16:00+00	2026-08-04 00:06:00+00	false alarm	3	496.75	\N
919	RS8	2026-08-04 03:53:00+00	2026-08-04 05:43:00+00	done	4	514.10	Dinghy adrift off the point; towed in.
920	RS9	2026-08-04 09:30:00+00	\N	open	0	531.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
921	RS10	2026-08-04 15:07:00+00	2026-08-04 16:57:00+00	done	1	548.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
922	RS11	2026-08-04 20:44:00+00	2026-08-04 22:34:00+00	done	2	566.15	Kayak overdue, found ashore
923	RS12	2026-08-05 02:21:00+00	2026-08-05 04:11:00+00	done	3	583.50	Swimmer helped 🛟
924	RS13	2026-08-05 07:58:00+00	2026-08-05 09:48:00+00	done	4	600.85	\N
925	RS14	2026-08-05 13:35:00+00	2026-08-05 15:25:00+00	done	0	618.20	Dinghy adrift off the point; towed in.
926	RS15	2026-08-05 19:12:00+00	2026-08-05 21:02:00+00	done	1	635.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
927	RS16	2026-08-06 00:49:00+00	2026-08-06 02:39:00+00	false alarm	2	652.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
928	RS17	2026-08-06 06:26:00+00	2026-08-06 08:16:00+00	done	3	670.25	Kayak overdue, found ashore
929	RS18	2026-08-06 12:03:00+00	2026-08-06 13:53:00+00	done	4	687.60	Swimmer helped 🛟
930	RS19	2026-08-06 17:40:00+00	2026-08-06 19:30:00+00	done	0	704.95	\N
931	RS20	2026-08-06 23:17:00+00	2026-08-07 01:07:00+00	done	1	722.30	Dinghy adrift off the point; towed in.
932	RS21	2026-08-07 04:54:00+00	2026-08-07 06:44:00+00	done	2	739.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
933	RS22	2026-08-07 10:31:00+00	2026-08-07 12:21:00+00	done	3	757.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
934	RS23	2026-08-07 16:08:00+00	2026-08-07 17:58:00+00	done	4	774.35	Kayak overdue, found ashore
935	RS24	2026-08-07 21:45:00+00	2026-08-07 23:35:00+00	done	0	791.70	Swimmer helped 🛟
936	RS1	2026-08-08 03:22:00+00	2026-08-08 05:12:00+00	false alarm	1	809.05	\N
937	RS2	2026-08-08 08:59:00+00	2026-08-08 10:49:00+00	done	2	826.40	Dinghy adrift off the point; towed in.
938	RS3	2026-08-08 14:36:00+00	2026-08-08 16:26:00+00	done	3	843.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
939	RS4	2026-08-08 20:13:00+00	2026-08-08 22:03:00+00	done	4	861.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
940	RS5	2026-08-09 01:50:00+00	2026-08-09 03:40:00+00	done	0	878.45	Kayak overdue, found ashore
941	RS6	2026-08-09 07:27:00+00	2026-08-09 09:17:00+00	done	1	895.80	Swimmer helped 🛟
942	RS7	2026-08-09 13:04:00+00	2026-08-09 14:54:00+00	done	2	913.15	\N
943	RS8	2026-08-09 18:41:00+00	2026-08-09 20:31:00+00	done	3	930.50	Dinghy adrift off the point; towed in.
944	RS9	2026-08-10 00:18:00+00	2026-08-10 02:08:00+00	done	4	947.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
945	RS10	2026-08-10 05:55:00+00	2026-08-10 07:45:00+00	false alarm	0	965.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
946	RS11	2026-08-10 11:32:00+00	2026-08-10 13:22:00+00	done	1	982.55	Kayak overdue, found ashore
947	RS12	2026-08-10 17:09:00+00	2026-08-10 18:59:00+00	done	2	999.90	Swimmer helped 🛟
948	RS13	2026-08-10 22:46:00+00	2026-08-11 00:36:00+00	done	3	1017.25	\N
949	RS14	2026-08-11 04:23:00+00	2026-08-11 06:13:00+00	done	4	1034.60	Dinghy adrift off the point; towed in.
950	RS15	2026-08-11 10:00:00+00	2026-08-11 11:50:00+00	done	0	1051.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
951	RS16	2026-08-11 15:37:00+00	2026-08-11 17:27:00+00	done	1	1069.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
952	RS17	2026-08-11 21:14:00+00	2026-08-11 23:04:00+00	done	2	1086.65	Kayak overdue, found ashore
953	RS18	2026-08-12 02:51:00+00	2026-08-12 04:41:00+00	done	3	1104.00	Swimmer helped 🛟
954	RS19	2026-08-12 08:28:00+00	2026-08-12 10:18:00+00	false alarm	4	1121.35	\N
955	RS20	2026-08-12 14:05:00+00	2026-08-12 15:55:00+00	done	0	1138.70	Dinghy adrift off the point; towed in.
956	RS21	2026-08-12 19:42:00+00	2026-08-12 21:32:00+00	done	1	1156.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
957	RS22	2026-08-13 01:19:00+00	2026-08-13 03:09:00+00	done	2	1173.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
958	RS23	2026-08-13 06:56:00+00	2026-08-13 08:46:00+00	done	3	1190.75	Kayak overdue, found ashore
959	RS24	2026-08-13 12:33:00+00	2026-08-13 14:23:00+00	done	4	1208.10	Swimmer helped 🛟
960	RS1	2026-08-13 18:10:00+00	\N	open	0	1225.45	\N
961	RS2	2026-08-13 23:47:00+00	2026-08-14 01:37:00+00	done	1	1242.80	Dinghy adrift off the point; towed in.
962	RS3	2026-08-14 05:24:00+00	2026-08-14 07:14:00+00	done	2	1260.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
963	RS4	2026-08-14 11:01:00+00	2026-08-14 12:51:00+00	false alarm	3	1277.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
964	RS5	2026-08-14 16:38:00+00	2026-08-14 18:28:00+00	done	4	1294.85	Kayak overdue, found ashore
965	RS6	2026-08-14 22:15:00+00	2026-08-15 00:05:00+00	done	0	1312.20	Swimmer helped 🛟
966	RS7	2026-08-15 03:52:00+00	2026-08-15 05:42:00+00	done	1	1329.55	\N
967	RS8	2026-08-15 09:29:00+00	2026-08-15 11:19:00+00	done	2	1346.90	Dinghy adrift off the point; towed in.
968	RS9	2026-08-15 15:06:00+00	2026-08-15 16:56:00+00	done	3	1364.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
969	RS10	2026-08-15 20:43:00+00	2026-08-15 22:33:00+00	done	4	1381.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
970	RS11	2026-08-16 02:20:00+00	2026-08-16 04:10:00+00	done	0	1398.95	Kayak overdue, found ashore
971	RS12	2026-08-16 07:57:00+00	2026-08-16 09:47:00+00	done	1	1416.30	Swimmer helped 🛟
972	RS13	2026-08-16 13:34:00+00	2026-08-16 15:24:00+00	false alarm	2	1433.65	\N
973	RS14	2026-08-16 19:11:00+00	2026-08-16 21:01:00+00	done	3	1451.00	Dinghy adrift off the point; towed in.
974	RS15	2026-08-17 00:48:00+00	2026-08-17 02:38:00+00	done	4	1468.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
975	RS16	2026-08-17 06:25:00+00	2026-08-17 08:15:00+00	done	0	1485.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
976	RS17	2026-08-17 12:02:00+00	2026-08-17 13:52:00+00	done	1	1503.05	Kayak overdue, found ashore
977	RS18	2026-08-17 17:39:00+00	2026-08-17 19:29:00+00	done	2	1520.40	Swimmer helped 🛟
978	RS19	2026-08-17 23:16:00+00	2026-08-18 01:06:00+00	done	3	1537.75	\N
979	RS20	2026-08-18 04:53:00+00	2026-08-18 06:43:00+00	done	4	1555.10	Dinghy adrift off the point; towed in.
980	RS21	2026-08-18 10:30:00+00	2026-08-18 12:20:00+00	done	0	1572.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
981	RS22	2026-08-18 16:07:00+00	2026-08-18 17:57:00+00	false alarm	1	1589.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
982	RS23	2026-08-18 21:44:00+00	2026-08-18 23:34:00+00	done	2	1607.15	Kayak overdue, found ashore
983	RS24	2026-08-19 03:21:00+00	2026-08-19 05:11:00+00	done	3	1624.50	Swimmer helped 🛟
984	RS1	2026-08-19 08:58:00+00	2026-08-19 10:48:00+00	done	4	1641.85	\N
985	RS2	2026-08-19 14:35:00+00	2026-08-19 16:25:00+00	done	0	1659.20	Dinghy adrift off the point; towed in.
986	RS3	2026-08-19 20:12:00+00	2026-08-19 22:02:00+00	done	1	1676.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
987	RS4	2026-08-20 01:49:00+00	2026-08-20 03:39:00+00	done	2	1693.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
988	RS5	2026-08-20 07:26:00+00	2026-08-20 09:16:00+00	done	3	1711.25	Kayak overdue, found ashore
989	RS6	2026-08-20 13:03:00+00	2026-08-20 14:53:00+00	done	4	1728.60	Swimmer helped 🛟
990	RS7	2026-08-20 18:40:00+00	2026-08-20 20:30:00+00	false alarm	0	1745.95	\N
991	RS8	2026-08-21 00:17:00+00	2026-08-21 02:07:00+00	done	1	1763.30	Dinghy adrift off the point; towed in.
992	RS9	2026-08-21 05:54:00+00	2026-08-21 07:44:00+00	done	2	1780.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
993	RS10	2026-08-21 11:31:00+00	2026-08-21 13:21:00+00	done	3	1798.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
994	RS11	2026-08-21 17:08:00+00	2026-08-21 18:58:00+00	done	4	1815.35	Kayak overdue, found ashore
995	RS12	2026-08-21 22:45:00+00	2026-08-22 00:35:00+00	done	0	1832.70	Swimmer helped 🛟
996	RS13	2026-08-22 04:22:00+00	2026-08-22 06:12:00+00	done	1	410.00	\N
997	RS14	2026-08-22 09:59:00+00	2026-08-22 11:49:00+00	done	2	427.35	Dinghy adrift off the point; towed in.
998	RS15	2026-08-22 15:36:00+00	2026-08-22 17:26:00+00	done	3	444.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
999	RS16	2026-08-22 21:13:00+00	2026-08-22 23:03:00+00	false alarm	4	462.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1000	RS17	2026-08-23 02:50:00+00	\N	open	0	479.40	Kayak overdue, found ashore
1001	RS18	2026-08-23 08:27:00+00	2026-08-23 10:17:00+00	done	1	496.75	Swimmer helped 🛟
1002	RS19	2026-08-23 14:04:00+00	2026-08-23 15:54:00+00	done	2	514.10	\N
1003	RS20	2026-08-23 19:41:00+00	2026-08-23 21:31:00+00	done	3	531.45	Dinghy adrift off the point; towed in.
1004	RS21	2026-08-24 01:18:00+00	2026-08-24 03:08:00+00	done	4	548.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1005	RS22	2026-08-24 06:55:00+00	2026-08-24 08:45:00+00	done	0	566.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1006	RS23	2026-08-24 12:32:00+00	2026-08-24 14:22:00+00	done	1	583.50	Kayak overdue, found ashore
1007	RS24	2026-08-24 18:09:00+00	2026-08-24 19:59:00+00	done	2	600.85	Swimmer helped 🛟
1008	RS1	2026-08-24 23:46:00+00	2026-08-25 01:36:00+00	false alarm	3	618.20	\N
1009	RS2	2026-08-25 05:23:00+00	2026-08-25 07:13:00+00	done	4	635.55	Dinghy adrift off the point; towed in.
1010	RS3	2026-08-25 11:00:00+00	2026-08-25 12:50:00+00	done	0	652.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1011	RS4	2026-08-25 16:37:00+00	2026-08-25 18:27:00+00	done	1	670.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1012	RS5	2026-08-25 22:14:00+00	2026-08-26 00:04:00+00	done	2	687.60	Kayak overdue, found ashore
1013	RS6	2026-08-26 03:51:00+00	2026-08-26 05:41:00+00	done	3	704.95	Swimmer helped 🛟
1014	RS7	2026-08-26 09:28:00+00	2026-08-26 11:18:00+00	done	4	722.30	\N
1015	RS8	2026-08-26 15:05:00+00	2026-08-26 16:55:00+00	done	0	739.65	Dinghy adrift off the point; towed in.
1016	RS9	2026-08-26 20:42:00+00	2026-08-26 22:32:00+00	done	1	757.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1017	RS10	2026-08-27 02:19:00+00	2026-08-27 04:09:00+00	false alarm	2	774.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1018	RS11	2026-08-27 07:56:00+00	2026-08-27 09:46:00+00	done	3	791.70	Kayak overdue, found ashore
1019	RS12	2026-08-27 13:33:00+00	2026-08-27 15:23:00+00	done	4	809.05	Swimmer helped 🛟
1020	RS13	2026-08-27 19:10:00+00	2026-08-27 21:00:00+00	done	0	826.40	\N
1021	RS14	2026-08-28 00:47:00+00	2026-08-28 02:37:00+00	done	1	843.75	Dinghy adrift off the point; towed in.
1022	RS15	2026-08-28 06:24:00+00	2026-08-28 08:14:00+00	done	2	861.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1023	RS16	2026-08-28 12:01:00+00	2026-08-28 13:51:00+00	done	3	878.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1024	RS17	2026-08-28 17:38:00+00	2026-08-28 19:28:00+00	done	4	895.80	Kayak overdue, found ashore
1025	RS18	2026-08-28 23:15:00+00	2026-08-29 01:05:00+00	done	0	913.15	Swimmer helped 🛟
1026	RS19	2026-08-29 04:52:00+00	2026-08-29 06:42:00+00	false alarm	1	930.50	\N
1027	RS20	2026-08-29 10:29:00+00	2026-08-29 12:19:00+00	done	2	947.85	Dinghy adrift off the point; towed in.
1028	RS21	2026-08-29 16:06:00+00	2026-08-29 17:56:00+00	done	3	965.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1029	RS22	2026-08-29 21:43:00+00	2026-08-29 23:33:00+00	done	4	982.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1030	RS23	2026-08-30 03:20:00+00	2026-08-30 05:10:00+00	done	0	999.90	Kayak overdue, found ashore
1031	RS24	2026-08-30 08:57:00+00	2026-08-30 10:47:00+00	done	1	1017.25	Swimmer helped 🛟
1032	RS1	2026-08-30 14:34:00+00	2026-08-30 16:24:00+00	done	2	1034.60	\N
1033	RS2	2026-08-30 20:11:00+00	2026-08-30 22:01:00+00	done	3	1051.95	Dinghy adrift off the point; towed in.
1034	RS3	2026-08-31 01:48:00+00	2026-08-31 03:38:00+00	done	4	1069.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1035	RS4	2026-08-31 07:25:00+00	2026-08-31 09:15:00+00	false alarm	0	1086.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1036	RS5	2026-08-31 13:02:00+00	2026-08-31 14:52:00+00	done	1	1104.00	Kayak overdue, found ashore
1037	RS6	2026-08-31 18:39:00+00	2026-08-31 20:29:00+00	done	2	1121.35	Swimmer helped 🛟
1038	RS7	2026-09-01 00:16:00+00	2026-09-01 02:06:00+00	done	3	1138.70	\N
1039	RS8	2026-09-01 05:53:00+00	2026-09-01 07:43:00+00	done	4	1156.05	Dinghy adrift off the point; towed in.
1040	RS9	2026-09-01 11:30:00+00	\N	open	0	1173.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1041	RS10	2026-09-01 17:07:00+00	2026-09-01 18:57:00+00	done	1	1190.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1042	RS11	2026-09-01 22:44:00+00	2026-09-02 00:34:00+00	done	2	1208.10	Kayak overdue, found ashore
1043	RS12	2026-09-02 04:21:00+00	2026-09-02 06:11:00+00	done	3	1225.45	Swimmer helped 🛟
1044	RS13	2026-09-02 09:58:00+00	2026-09-02 11:48:00+00	false alarm	4	1242.80	\N
1045	RS14	2026-09-02 15:35:00+00	2026-09-02 17:25:00+00	done	0	1260.15	Dinghy adrift off the point; towed in.
1046	RS15	2026-09-02 21:12:00+00	2026-09-02 23:02:00+00	done	1	1277.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1047	RS16	2026-09-03 02:49:00+00	2026-09-03 04:39:00+00	done	2	1294.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1048	RS17	2026-09-03 08:26:00+00	2026-09-03 10:16:00+00	done	3	1312.20	Kayak overdue, found ashore
1049	RS18	2026-09-03 14:03:00+00	2026-09-03 15:53:00+00	done	4	1329.55	Swimmer helped 🛟
1050	RS19	2026-09-03 19:40:00+00	2026-09-03 21:30:00+00	done	0	1346.90	\N
1051	RS20	2026-09-04 01:17:00+00	2026-09-04 03:07:00+00	done	1	1364.25	Dinghy adrift off the point; towed in.
1052	RS21	2026-09-04 06:54:00+00	2026-09-04 08:44:00+00	done	2	1381.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1053	RS22	2026-09-04 12:31:00+00	2026-09-04 14:21:00+00	false alarm	3	1398.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1054	RS23	2026-09-04 18:08:00+00	2026-09-04 19:58:00+00	done	4	1416.30	Kayak overdue, found ashore
1055	RS24	2026-09-04 23:45:00+00	2026-09-05 01:35:00+00	done	0	1433.65	Swimmer helped 🛟
1056	RS1	2026-09-05 05:22:00+00	2026-09-05 07:12:00+00	done	1	1451.00	\N
1057	RS2	2026-09-05 10:59:00+00	2026-09-05 12:49:00+00	done	2	1468.35	Dinghy adrift off the point; towed in.
1058	RS3	2026-09-05 16:36:00+00	2026-09-05 18:26:00+00	done	3	1485.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1059	RS4	2026-09-05 22:13:00+00	2026-09-06 00:03:00+00	done	4	1503.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1060	RS5	2026-09-06 03:50:00+00	2026-09-06 05:40:00+00	done	0	1520.40	Kayak overdue, found ashore
1061	RS6	2026-09-06 09:27:00+00	2026-09-06 11:17:00+00	done	1	1537.75	Swimmer helped 🛟
1062	RS7	2026-09-06 15:04:00+00	2026-09-06 16:54:00+00	false alarm	2	1555.10	\N
1063	RS8	2026-09-06 20:41:00+00	2026-09-06 22:31:00+00	done	3	1572.45	Dinghy adrift off the point; towed in.
1064	RS9	2026-09-07 02:18:00+00	2026-09-07 04:08:00+00	done	4	1589.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1065	RS10	2026-09-07 07:55:00+00	2026-09-07 09:45:00+00	done	0	1607.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1066	RS11	2026-09-07 13:32:00+00	2026-09-07 15:22:00+00	done	1	1624.50	Kayak overdue, found ashore
1067	RS12	2026-09-07 19:09:00+00	2026-09-07 20:59:00+00	done	2	1641.85	Swimmer helped 🛟
1068	RS13	2026-09-08 00:46:00+00	2026-09-08 02:36:00+00	done	3	1659.20	\N
1069	RS14	2026-09-08 06:23:00+00	2026-09-08 08:13:00+00	done	4	1676.55	Dinghy adrift off the point; towed in.
1070	RS15	2026-09-08 12:00:00+00	2026-09-08 13:50:00+00	done	0	1693.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1071	RS16	2026-09-08 17:37:00+00	2026-09-08 19:27:00+00	false alarm	1	1711.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1072	RS17	2026-09-08 23:14:00+00	2026-09-09 01:04:00+00	done	2	1728.60	Kayak overdue, found ashore
1073	RS18	2026-09-09 04:51:00+00	2026-09-09 06:41:00+00	done	3	1745.95	Swimmer helped 🛟
1074	RS19	2026-09-09 10:28:00+00	2026-09-09 12:18:00+00	done	4	1763.30	\N
1075	RS20	2026-09-09 16:05:00+00	2026-09-09 17:55:00+00	done	0	1780.65	Dinghy adrift off the point; towed in.
1076	RS21	2026-09-09 21:42:00+00	2026-09-09 23:32:00+00	done	1	1798.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1077	RS22	2026-09-10 03:19:00+00	2026-09-10 05:09:00+00	done	2	1815.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1078	RS23	2026-09-10 08:56:00+00	2026-09-10 10:46:00+00	done	3	1832.70	Kayak overdue, found ashore
1079	RS24	2026-09-10 14:33:00+00	2026-09-10 16:23:00+00	done	4	410.00	Swimmer helped 🛟
1080	RS1	2026-09-10 20:10:00+00	\N	open	0	427.35	\N
1081	RS2	2026-09-11 01:47:00+00	2026-09-11 03:37:00+00	done	1	444.70	Dinghy adrift off the point; towed in.
1082	RS3	2026-09-11 07:24:00+00	2026-09-11 09:14:00+00	done	2	462.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1083	RS4	2026-09-11 13:01:00+00	2026-09-11 14:51:00+00	done	3	479.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1084	RS5	2026-09-11 18:38:00+00	2026-09-11 20:28:00+00	done	4	496.75	Kayak overdue, found ashore
1085	RS6	2026-09-12 00:15:00+00	2026-09-12 02:05:00+00	done	0	514.10	Swimmer helped 🛟
1086	RS7	2026-09-12 05:52:00+00	2026-09-12 07:42:00+00	done	1	531.45	\N
1087	RS8	2026-09-12 11:29:00+00	2026-09-12 13:19:00+00	done	2	548.80	Dinghy adrift off the point; towed in.
1088	RS9	2026-09-12 17:06:00+00	2026-09-12 18:56:00+00	done	3	566.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1089	RS10	2026-09-12 22:43:00+00	2026-09-13 00:33:00+00	false alarm	4	583.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1090	RS11	2026-09-13 04:20:00+00	2026-09-13 06:10:00+00	done	0	600.85	Kayak overdue, found ashore
1091	RS12	2026-09-13 09:57:00+00	2026-09-13 11:47:00+00	done	1	618.20	Swimmer helped 🛟
1092	RS13	2026-09-13 15:34:00+00	2026-09-13 17:24:00+00	done	2	635.55	\N
1093	RS14	2026-09-13 21:11:00+00	2026-09-13 23:01:00+00	done	3	652.90	Dinghy adrift off the point; towed in.
1094	RS15	2026-09-14 02:48:00+00	2026-09-14 04:38:00+00	done	4	670.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1095	RS16	2026-09-14 08:25:00+00	2026-09-14 10:15:00+00	done	0	687.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1096	RS17	2026-09-14 14:02:00+00	2026-09-14 15:52:00+00	done	1	704.95	Kayak overdue, found ashore
1097	RS18	2026-09-14 19:39:00+00	2026-09-14 21:29:00+00	done	2	722.30	Swimmer helped 🛟
1098	RS19	2026-09-15 01:16:00+00	2026-09-15 03:06:00+00	false alarm	3	739.65	\N
1099	RS20	2026-09-15 06:53:00+00	2026-09-15 08:43:00+00	done	4	757.00	Dinghy adrift off the point; towed in.
1100	RS21	2026-09-15 12:30:00+00	2026-09-15 14:20:00+00	done	0	774.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1101	RS22	2026-09-15 18:07:00+00	2026-09-15 19:57:00+00	done	1	791.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1102	RS23	2026-09-15 23:44:00+00	2026-09-16 01:34:00+00	done	2	809.05	Kayak overdue, found ashore
1103	RS24	2026-09-16 05:21:00+00	2026-09-16 07:11:00+00	done	3	826.40	Swimmer helped 🛟
1104	RS1	2026-09-16 10:58:00+00	2026-09-16 12:48:00+00	done	4	843.75	\N
1105	RS2	2026-09-16 16:35:00+00	2026-09-16 18:25:00+00	done	0	861.10	Dinghy adrift off the point; towed in.
1106	RS3	2026-09-16 22:12:00+00	2026-09-17 00:02:00+00	done	1	878.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1107	RS4	2026-09-17 03:49:00+00	2026-09-17 05:39:00+00	false alarm	2	895.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1108	RS5	2026-09-17 09:26:00+00	2026-09-17 11:16:00+00	done	3	913.15	Kayak overdue, found ashore
1109	RS6	2026-09-17 15:03:00+00	2026-09-17 16:53:00+00	done	4	930.50	Swimmer helped 🛟
1110	RS7	2026-09-17 20:40:00+00	2026-09-17 22:30:00+00	done	0	947.85	\N
1111	RS8	2026-09-18 02:17:00+00	2026-09-18 04:07:00+00	done	1	965.20	Dinghy adrift off the point; towed in.
1181	RS6	2026-10-04 11:27:00+00	2026-10-04 13:17:00+00	done	1	739.65	Swimmer helped 🛟
1112	RS9	2026-09-18 07:54:00+00	2026-09-18 09:44:00+00	done	2	982.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1113	RS10	2026-09-18 13:31:00+00	2026-09-18 15:21:00+00	done	3	999.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1114	RS11	2026-09-18 19:08:00+00	2026-09-18 20:58:00+00	done	4	1017.25	Kayak overdue, found ashore
1115	RS12	2026-09-19 00:45:00+00	2026-09-19 02:35:00+00	done	0	1034.60	Swimmer helped 🛟
1116	RS13	2026-09-19 06:22:00+00	2026-09-19 08:12:00+00	false alarm	1	1051.95	\N
1117	RS14	2026-09-19 11:59:00+00	2026-09-19 13:49:00+00	done	2	1069.30	Dinghy adrift off the point; towed in.
1118	RS15	2026-09-19 17:36:00+00	2026-09-19 19:26:00+00	done	3	1086.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1119	RS16	2026-09-19 23:13:00+00	2026-09-20 01:03:00+00	done	4	1104.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1120	RS17	2026-09-20 04:50:00+00	\N	open	0	1121.35	Kayak overdue, found ashore
1121	RS18	2026-09-20 10:27:00+00	2026-09-20 12:17:00+00	done	1	1138.70	Swimmer helped 🛟
1122	RS19	2026-09-20 16:04:00+00	2026-09-20 17:54:00+00	done	2	1156.05	\N
1123	RS20	2026-09-20 21:41:00+00	2026-09-20 23:31:00+00	done	3	1173.40	Dinghy adrift off the point; towed in.
1124	RS21	2026-09-21 03:18:00+00	2026-09-21 05:08:00+00	done	4	1190.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1125	RS22	2026-09-21 08:55:00+00	2026-09-21 10:45:00+00	false alarm	0	1208.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1126	RS23	2026-09-21 14:32:00+00	2026-09-21 16:22:00+00	done	1	1225.45	Kayak overdue, found ashore
1127	RS24	2026-09-21 20:09:00+00	2026-09-21 21:59:00+00	done	2	1242.80	Swimmer helped 🛟
1128	RS1	2026-09-22 01:46:00+00	2026-09-22 03:36:00+00	done	3	1260.15	\N
1129	RS2	2026-09-22 07:23:00+00	2026-09-22 09:13:00+00	done	4	1277.50	Dinghy adrift off the point; towed in.
1130	RS3	2026-09-22 13:00:00+00	2026-09-22 14:50:00+00	done	0	1294.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1131	RS4	2026-09-22 18:37:00+00	2026-09-22 20:27:00+00	done	1	1312.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1132	RS5	2026-09-23 00:14:00+00	2026-09-23 02:04:00+00	done	2	1329.55	Kayak overdue, found ashore
1133	RS6	2026-09-23 05:51:00+00	2026-09-23 07:41:00+00	done	3	1346.90	Swimmer helped 🛟
1134	RS7	2026-09-23 11:28:00+00	2026-09-23 13:18:00+00	false alarm	4	1364.25	\N
1135	RS8	2026-09-23 17:05:00+00	2026-09-23 18:55:00+00	done	0	1381.60	Dinghy adrift off the point; towed in.
1136	RS9	2026-09-23 22:42:00+00	2026-09-24 00:32:00+00	done	1	1398.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1137	RS10	2026-09-24 04:19:00+00	2026-09-24 06:09:00+00	done	2	1416.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1138	RS11	2026-09-24 09:56:00+00	2026-09-24 11:46:00+00	done	3	1433.65	Kayak overdue, found ashore
1139	RS12	2026-09-24 15:33:00+00	2026-09-24 17:23:00+00	done	4	1451.00	Swimmer helped 🛟
1140	RS13	2026-09-24 21:10:00+00	2026-09-24 23:00:00+00	done	0	1468.35	\N
1141	RS14	2026-09-25 02:47:00+00	2026-09-25 04:37:00+00	done	1	1485.70	Dinghy adrift off the point; towed in.
1142	RS15	2026-09-25 08:24:00+00	2026-09-25 10:14:00+00	done	2	1503.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1143	RS16	2026-09-25 14:01:00+00	2026-09-25 15:51:00+00	false alarm	3	1520.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1144	RS17	2026-09-25 19:38:00+00	2026-09-25 21:28:00+00	done	4	1537.75	Kayak overdue, found ashore
1145	RS18	2026-09-26 01:15:00+00	2026-09-26 03:05:00+00	done	0	1555.10	Swimmer helped 🛟
1146	RS19	2026-09-26 06:52:00+00	2026-09-26 08:42:00+00	done	1	1572.45	\N
1147	RS20	2026-09-26 12:29:00+00	2026-09-26 14:19:00+00	done	2	1589.80	Dinghy adrift off the point; towed in.
1148	RS21	2026-09-26 18:06:00+00	2026-09-26 19:56:00+00	done	3	1607.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1149	RS22	2026-09-26 23:43:00+00	2026-09-27 01:33:00+00	done	4	1624.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1150	RS23	2026-09-27 05:20:00+00	2026-09-27 07:10:00+00	done	0	1641.85	Kayak overdue, found ashore
1151	RS24	2026-09-27 10:57:00+00	2026-09-27 12:47:00+00	done	1	1659.20	Swimmer helped 🛟
1152	RS1	2026-09-27 16:34:00+00	2026-09-27 18:24:00+00	false alarm	2	1676.55	\N
1153	RS2	2026-09-27 22:11:00+00	2026-09-28 00:01:00+00	done	3	1693.90	Dinghy adrift off the point; towed in.
1154	RS3	2026-09-28 03:48:00+00	2026-09-28 05:38:00+00	done	4	1711.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1155	RS4	2026-09-28 09:25:00+00	2026-09-28 11:15:00+00	done	0	1728.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1156	RS5	2026-09-28 15:02:00+00	2026-09-28 16:52:00+00	done	1	1745.95	Kayak overdue, found ashore
1157	RS6	2026-09-28 20:39:00+00	2026-09-28 22:29:00+00	done	2	1763.30	Swimmer helped 🛟
1158	RS7	2026-09-29 02:16:00+00	2026-09-29 04:06:00+00	done	3	1780.65	\N
1159	RS8	2026-09-29 07:53:00+00	2026-09-29 09:43:00+00	done	4	1798.00	Dinghy adrift off the point; towed in.
1160	RS9	2026-09-29 13:30:00+00	\N	open	0	1815.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1161	RS10	2026-09-29 19:07:00+00	2026-09-29 20:57:00+00	false alarm	1	1832.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1162	RS11	2026-09-30 00:44:00+00	2026-09-30 02:34:00+00	done	2	410.00	Kayak overdue, found ashore
1163	RS12	2026-09-30 06:21:00+00	2026-09-30 08:11:00+00	done	3	427.35	Swimmer helped 🛟
1164	RS13	2026-09-30 11:58:00+00	2026-09-30 13:48:00+00	done	4	444.70	\N
1165	RS14	2026-09-30 17:35:00+00	2026-09-30 19:25:00+00	done	0	462.05	Dinghy adrift off the point; towed in.
1166	RS15	2026-09-30 23:12:00+00	2026-10-01 01:02:00+00	done	1	479.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1167	RS16	2026-10-01 04:49:00+00	2026-10-01 06:39:00+00	done	2	496.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1168	RS17	2026-10-01 10:26:00+00	2026-10-01 12:16:00+00	done	3	514.10	Kayak overdue, found ashore
1169	RS18	2026-10-01 16:03:00+00	2026-10-01 17:53:00+00	done	4	531.45	Swimmer helped 🛟
1170	RS19	2026-10-01 21:40:00+00	2026-10-01 23:30:00+00	false alarm	0	548.80	\N
1171	RS20	2026-10-02 03:17:00+00	2026-10-02 05:07:00+00	done	1	566.15	Dinghy adrift off the point; towed in.
1172	RS21	2026-10-02 08:54:00+00	2026-10-02 10:44:00+00	done	2	583.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1173	RS22	2026-10-02 14:31:00+00	2026-10-02 16:21:00+00	done	3	600.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1174	RS23	2026-10-02 20:08:00+00	2026-10-02 21:58:00+00	done	4	618.20	Kayak overdue, found ashore
1175	RS24	2026-10-03 01:45:00+00	2026-10-03 03:35:00+00	done	0	635.55	Swimmer helped 🛟
1176	RS1	2026-10-03 07:22:00+00	2026-10-03 09:12:00+00	done	1	652.90	\N
1177	RS2	2026-10-03 12:59:00+00	2026-10-03 14:49:00+00	done	2	670.25	Dinghy adrift off the point; towed in.
1178	RS3	2026-10-03 18:36:00+00	2026-10-03 20:26:00+00	done	3	687.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1179	RS4	2026-10-04 00:13:00+00	2026-10-04 02:03:00+00	false alarm	4	704.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1180	RS5	2026-10-04 05:50:00+00	2026-10-04 07:40:00+00	done	0	722.30	Kayak overdue, found ashore
1182	RS7	2026-10-04 17:04:00+00	2026-10-04 18:54:00+00	done	2	757.00	\N
1183	RS8	2026-10-04 22:41:00+00	2026-10-05 00:31:00+00	done	3	774.35	Dinghy adrift off the point; towed in.
1184	RS9	2026-10-05 04:18:00+00	2026-10-05 06:08:00+00	done	4	791.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1185	RS10	2026-10-05 09:55:00+00	2026-10-05 11:45:00+00	done	0	809.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1186	RS11	2026-10-05 15:32:00+00	2026-10-05 17:22:00+00	done	1	826.40	Kayak overdue, found ashore
1187	RS12	2026-10-05 21:09:00+00	2026-10-05 22:59:00+00	done	2	843.75	Swimmer helped 🛟
1188	RS13	2026-10-06 02:46:00+00	2026-10-06 04:36:00+00	false alarm	3	861.10	\N
1189	RS14	2026-10-06 08:23:00+00	2026-10-06 10:13:00+00	done	4	878.45	Dinghy adrift off the point; towed in.
1190	RS15	2026-10-06 14:00:00+00	2026-10-06 15:50:00+00	done	0	895.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1191	RS16	2026-10-06 19:37:00+00	2026-10-06 21:27:00+00	done	1	913.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1192	RS17	2026-10-07 01:14:00+00	2026-10-07 03:04:00+00	done	2	930.50	Kayak overdue, found ashore
1193	RS18	2026-10-07 06:51:00+00	2026-10-07 08:41:00+00	done	3	947.85	Swimmer helped 🛟
1194	RS19	2026-10-07 12:28:00+00	2026-10-07 14:18:00+00	done	4	965.20	\N
1195	RS20	2026-10-07 18:05:00+00	2026-10-07 19:55:00+00	done	0	982.55	Dinghy adrift off the point; towed in.
1196	RS21	2026-10-07 23:42:00+00	2026-10-08 01:32:00+00	done	1	999.90	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1197	RS22	2026-10-08 05:19:00+00	2026-10-08 07:09:00+00	false alarm	2	1017.25	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1198	RS23	2026-10-08 10:56:00+00	2026-10-08 12:46:00+00	done	3	1034.60	Kayak overdue, found ashore
1199	RS24	2026-10-08 16:33:00+00	2026-10-08 18:23:00+00	done	4	1051.95	Swimmer helped 🛟
1200	RS1	2026-10-08 22:10:00+00	\N	open	0	1069.30	\N
1201	RS2	2026-10-09 03:47:00+00	2026-10-09 05:37:00+00	done	1	1086.65	Dinghy adrift off the point; towed in.
1202	RS3	2026-10-09 09:24:00+00	2026-10-09 11:14:00+00	done	2	1104.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1203	RS4	2026-10-09 15:01:00+00	2026-10-09 16:51:00+00	done	3	1121.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1204	RS5	2026-10-09 20:38:00+00	2026-10-09 22:28:00+00	done	4	1138.70	Kayak overdue, found ashore
1205	RS6	2026-10-10 02:15:00+00	2026-10-10 04:05:00+00	done	0	1156.05	Swimmer helped 🛟
1206	RS7	2026-10-10 07:52:00+00	2026-10-10 09:42:00+00	false alarm	1	1173.40	\N
1207	RS8	2026-10-10 13:29:00+00	2026-10-10 15:19:00+00	done	2	1190.75	Dinghy adrift off the point; towed in.
1208	RS9	2026-10-10 19:06:00+00	2026-10-10 20:56:00+00	done	3	1208.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1209	RS10	2026-10-11 00:43:00+00	2026-10-11 02:33:00+00	done	4	1225.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1210	RS11	2026-10-11 06:20:00+00	2026-10-11 08:10:00+00	done	0	1242.80	Kayak overdue, found ashore
1211	RS12	2026-10-11 11:57:00+00	2026-10-11 13:47:00+00	done	1	1260.15	Swimmer helped 🛟
1212	RS13	2026-10-11 17:34:00+00	2026-10-11 19:24:00+00	done	2	1277.50	\N
1213	RS14	2026-10-11 23:11:00+00	2026-10-12 01:01:00+00	done	3	1294.85	Dinghy adrift off the point; towed in.
1214	RS15	2026-10-12 04:48:00+00	2026-10-12 06:38:00+00	done	4	1312.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1215	RS16	2026-10-12 10:25:00+00	2026-10-12 12:15:00+00	false alarm	0	1329.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1216	RS17	2026-10-12 16:02:00+00	2026-10-12 17:52:00+00	done	1	1346.90	Kayak overdue, found ashore
1217	RS18	2026-10-12 21:39:00+00	2026-10-12 23:29:00+00	done	2	1364.25	Swimmer helped 🛟
1218	RS19	2026-10-13 03:16:00+00	2026-10-13 05:06:00+00	done	3	1381.60	\N
1219	RS20	2026-10-13 08:53:00+00	2026-10-13 10:43:00+00	done	4	1398.95	Dinghy adrift off the point; towed in.
1220	RS21	2026-10-13 14:30:00+00	2026-10-13 16:20:00+00	done	0	1416.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1221	RS22	2026-10-13 20:07:00+00	2026-10-13 21:57:00+00	done	1	1433.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1222	RS23	2026-10-14 01:44:00+00	2026-10-14 03:34:00+00	done	2	1451.00	Kayak overdue, found ashore
1223	RS24	2026-10-14 07:21:00+00	2026-10-14 09:11:00+00	done	3	1468.35	Swimmer helped 🛟
1224	RS1	2026-10-14 12:58:00+00	2026-10-14 14:48:00+00	false alarm	4	1485.70	\N
1225	RS2	2026-10-14 18:35:00+00	2026-10-14 20:25:00+00	done	0	1503.05	Dinghy adrift off the point; towed in.
1226	RS3	2026-10-15 00:12:00+00	2026-10-15 02:02:00+00	done	1	1520.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1227	RS4	2026-10-15 05:49:00+00	2026-10-15 07:39:00+00	done	2	1537.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1228	RS5	2026-10-15 11:26:00+00	2026-10-15 13:16:00+00	done	3	1555.10	Kayak overdue, found ashore
1229	RS6	2026-10-15 17:03:00+00	2026-10-15 18:53:00+00	done	4	1572.45	Swimmer helped 🛟
1230	RS7	2026-10-15 22:40:00+00	2026-10-16 00:30:00+00	done	0	1589.80	\N
1231	RS8	2026-10-16 04:17:00+00	2026-10-16 06:07:00+00	done	1	1607.15	Dinghy adrift off the point; towed in.
1232	RS9	2026-10-16 09:54:00+00	2026-10-16 11:44:00+00	done	2	1624.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1233	RS10	2026-10-16 15:31:00+00	2026-10-16 17:21:00+00	false alarm	3	1641.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1234	RS11	2026-10-16 21:08:00+00	2026-10-16 22:58:00+00	done	4	1659.20	Kayak overdue, found ashore
1235	RS12	2026-10-17 02:45:00+00	2026-10-17 04:35:00+00	done	0	1676.55	Swimmer helped 🛟
1236	RS13	2026-10-17 08:22:00+00	2026-10-17 10:12:00+00	done	1	1693.90	\N
1237	RS14	2026-10-17 13:59:00+00	2026-10-17 15:49:00+00	done	2	1711.25	Dinghy adrift off the point; towed in.
1238	RS15	2026-10-17 19:36:00+00	2026-10-17 21:26:00+00	done	3	1728.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1239	RS16	2026-10-18 01:13:00+00	2026-10-18 03:03:00+00	done	4	1745.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1240	RS17	2026-10-18 06:50:00+00	\N	open	0	1763.30	Kayak overdue, found ashore
1241	RS18	2026-10-18 12:27:00+00	2026-10-18 14:17:00+00	done	1	1780.65	Swimmer helped 🛟
1242	RS19	2026-10-18 18:04:00+00	2026-10-18 19:54:00+00	false alarm	2	1798.00	\N
1243	RS20	2026-10-18 23:41:00+00	2026-10-19 01:31:00+00	done	3	1815.35	Dinghy adrift off the point; towed in.
1244	RS21	2026-10-19 05:18:00+00	2026-10-19 07:08:00+00	done	4	1832.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1245	RS22	2026-10-19 10:55:00+00	2026-10-19 12:45:00+00	done	0	410.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1246	RS23	2026-10-19 16:32:00+00	2026-10-19 18:22:00+00	done	1	427.35	Kayak overdue, found ashore
1247	RS24	2026-10-19 22:09:00+00	2026-10-19 23:59:00+00	done	2	444.70	Swimmer helped 🛟
1248	RS1	2026-10-20 03:46:00+00	2026-10-20 05:36:00+00	done	3	462.05	\N
1249	RS2	2026-10-20 09:23:00+00	2026-10-20 11:13:00+00	done	4	479.40	Dinghy adrift off the point; towed in.
1250	RS3	2026-10-20 15:00:00+00	2026-10-20 16:50:00+00	done	0	496.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1251	RS4	2026-10-20 20:37:00+00	2026-10-20 22:27:00+00	false alarm	1	514.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1252	RS5	2026-10-21 02:14:00+00	2026-10-21 04:04:00+00	done	2	531.45	Kayak overdue, found ashore
1253	RS6	2026-10-21 07:51:00+00	2026-10-21 09:41:00+00	done	3	548.80	Swimmer helped 🛟
1254	RS7	2026-10-21 13:28:00+00	2026-10-21 15:18:00+00	done	4	566.15	\N
1255	RS8	2026-10-21 19:05:00+00	2026-10-21 20:55:00+00	done	0	583.50	Dinghy adrift off the point; towed in.
1256	RS9	2026-10-22 00:42:00+00	2026-10-22 02:32:00+00	done	1	600.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1257	RS10	2026-10-22 06:19:00+00	2026-10-22 08:09:00+00	done	2	618.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1258	RS11	2026-10-22 11:56:00+00	2026-10-22 13:46:00+00	done	3	635.55	Kayak overdue, found ashore
1259	RS12	2026-10-22 17:33:00+00	2026-10-22 19:23:00+00	done	4	652.90	Swimmer helped 🛟
1260	RS13	2026-10-22 23:10:00+00	2026-10-23 01:00:00+00	false alarm	0	670.25	\N
1261	RS14	2026-10-23 04:47:00+00	2026-10-23 06:37:00+00	done	1	687.60	Dinghy adrift off the point; towed in.
1262	RS15	2026-10-23 10:24:00+00	2026-10-23 12:14:00+00	done	2	704.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1263	RS16	2026-10-23 16:01:00+00	2026-10-23 17:51:00+00	done	3	722.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1264	RS17	2026-10-23 21:38:00+00	2026-10-23 23:28:00+00	done	4	739.65	Kayak overdue, found ashore
1265	RS18	2026-10-24 03:15:00+00	2026-10-24 05:05:00+00	done	0	757.00	Swimmer helped 🛟
1266	RS19	2026-10-24 08:52:00+00	2026-10-24 10:42:00+00	done	1	774.35	\N
1267	RS20	2026-10-24 14:29:00+00	2026-10-24 16:19:00+00	done	2	791.70	Dinghy adrift off the point; towed in.
1268	RS21	2026-10-24 20:06:00+00	2026-10-24 21:56:00+00	done	3	809.05	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1269	RS22	2026-10-25 01:43:00+00	2026-10-25 03:33:00+00	false alarm	4	826.40	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1270	RS23	2026-10-25 07:20:00+00	2026-10-25 09:10:00+00	done	0	843.75	Kayak overdue, found ashore
1271	RS24	2026-10-25 12:57:00+00	2026-10-25 14:47:00+00	done	1	861.10	Swimmer helped 🛟
1272	RS1	2026-10-25 18:34:00+00	2026-10-25 20:24:00+00	done	2	878.45	\N
1273	RS2	2026-10-26 00:11:00+00	2026-10-26 02:01:00+00	done	3	895.80	Dinghy adrift off the point; towed in.
1274	RS3	2026-10-26 05:48:00+00	2026-10-26 07:38:00+00	done	4	913.15	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1275	RS4	2026-10-26 11:25:00+00	2026-10-26 13:15:00+00	done	0	930.50	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1276	RS5	2026-10-26 17:02:00+00	2026-10-26 18:52:00+00	done	1	947.85	Kayak overdue, found ashore
1277	RS6	2026-10-26 22:39:00+00	2026-10-27 00:29:00+00	done	2	965.20	Swimmer helped 🛟
1278	RS7	2026-10-27 04:16:00+00	2026-10-27 06:06:00+00	false alarm	3	982.55	\N
1279	RS8	2026-10-27 09:53:00+00	2026-10-27 11:43:00+00	done	4	999.90	Dinghy adrift off the point; towed in.
1280	RS9	2026-10-27 15:30:00+00	\N	open	0	1017.25	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1281	RS10	2026-10-27 21:07:00+00	2026-10-27 22:57:00+00	done	1	1034.60	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1282	RS11	2026-10-28 02:44:00+00	2026-10-28 04:34:00+00	done	2	1051.95	Kayak overdue, found ashore
1283	RS12	2026-10-28 08:21:00+00	2026-10-28 10:11:00+00	done	3	1069.30	Swimmer helped 🛟
1284	RS13	2026-10-28 13:58:00+00	2026-10-28 15:48:00+00	done	4	1086.65	\N
1285	RS14	2026-10-28 19:35:00+00	2026-10-28 21:25:00+00	done	0	1104.00	Dinghy adrift off the point; towed in.
1286	RS15	2026-10-29 01:12:00+00	2026-10-29 03:02:00+00	done	1	1121.35	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1287	RS16	2026-10-29 06:49:00+00	2026-10-29 08:39:00+00	false alarm	2	1138.70	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1288	RS17	2026-10-29 12:26:00+00	2026-10-29 14:16:00+00	done	3	1156.05	Kayak overdue, found ashore
1289	RS18	2026-10-29 18:03:00+00	2026-10-29 19:53:00+00	done	4	1173.40	Swimmer helped 🛟
1290	RS19	2026-10-29 23:40:00+00	2026-10-30 01:30:00+00	done	0	1190.75	\N
1291	RS20	2026-10-30 05:17:00+00	2026-10-30 07:07:00+00	done	1	1208.10	Dinghy adrift off the point; towed in.
1292	RS21	2026-10-30 10:54:00+00	2026-10-30 12:44:00+00	done	2	1225.45	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1293	RS22	2026-10-30 16:31:00+00	2026-10-30 18:21:00+00	done	3	1242.80	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1294	RS23	2026-10-30 22:08:00+00	2026-10-30 23:58:00+00	done	4	1260.15	Kayak overdue, found ashore
1295	RS24	2026-10-31 03:45:00+00	2026-10-31 05:35:00+00	done	0	1277.50	Swimmer helped 🛟
1296	RS1	2026-10-31 09:22:00+00	2026-10-31 11:12:00+00	false alarm	1	1294.85	\N
1297	RS2	2026-10-31 14:59:00+00	2026-10-31 16:49:00+00	done	2	1312.20	Dinghy adrift off the point; towed in.
1298	RS3	2026-10-31 20:36:00+00	2026-10-31 22:26:00+00	done	3	1329.55	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1299	RS4	2026-11-01 02:13:00+00	2026-11-01 04:03:00+00	done	4	1346.90	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1300	RS5	2026-11-01 07:50:00+00	2026-11-01 09:40:00+00	done	0	1364.25	Kayak overdue, found ashore
1301	RS6	2026-11-01 13:27:00+00	2026-11-01 15:17:00+00	done	1	1381.60	Swimmer helped 🛟
1302	RS7	2026-11-01 19:04:00+00	2026-11-01 20:54:00+00	done	2	1398.95	\N
1303	RS8	2026-11-02 00:41:00+00	2026-11-02 02:31:00+00	done	3	1416.30	Dinghy adrift off the point; towed in.
1304	RS9	2026-11-02 06:18:00+00	2026-11-02 08:08:00+00	done	4	1433.65	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1305	RS10	2026-11-02 11:55:00+00	2026-11-02 13:45:00+00	false alarm	0	1451.00	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1306	RS11	2026-11-02 17:32:00+00	2026-11-02 19:22:00+00	done	1	1468.35	Kayak overdue, found ashore
1307	RS12	2026-11-02 23:09:00+00	2026-11-03 00:59:00+00	done	2	1485.70	Swimmer helped 🛟
1308	RS13	2026-11-03 04:46:00+00	2026-11-03 06:36:00+00	done	3	1503.05	\N
1309	RS14	2026-11-03 10:23:00+00	2026-11-03 12:13:00+00	done	4	1520.40	Dinghy adrift off the point; towed in.
1310	RS15	2026-11-03 16:00:00+00	2026-11-03 17:50:00+00	done	0	1537.75	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1311	RS16	2026-11-03 21:37:00+00	2026-11-03 23:27:00+00	done	1	1555.10	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1312	RS17	2026-11-04 03:14:00+00	2026-11-04 05:04:00+00	done	2	1572.45	Kayak overdue, found ashore
1313	RS18	2026-11-04 08:51:00+00	2026-11-04 10:41:00+00	done	3	1589.80	Swimmer helped 🛟
1314	RS19	2026-11-04 14:28:00+00	2026-11-04 16:18:00+00	false alarm	4	1607.15	\N
1315	RS20	2026-11-04 20:05:00+00	2026-11-04 21:55:00+00	done	0	1624.50	Dinghy adrift off the point; towed in.
1316	RS21	2026-11-05 01:42:00+00	2026-11-05 03:32:00+00	done	1	1641.85	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1317	RS22	2026-11-05 07:19:00+00	2026-11-05 09:09:00+00	done	2	1659.20	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1318	RS23	2026-11-05 12:56:00+00	2026-11-05 14:46:00+00	done	3	1676.55	Kayak overdue, found ashore
1319	RS24	2026-11-05 18:33:00+00	2026-11-05 20:23:00+00	done	4	1693.90	Swimmer helped 🛟
1320	RS1	2026-11-06 00:10:00+00	\N	open	0	1711.25	\N
1321	RS2	2026-11-06 05:47:00+00	2026-11-06 07:37:00+00	done	1	1728.60	Dinghy adrift off the point; towed in.
1322	RS3	2026-11-06 11:24:00+00	2026-11-06 13:14:00+00	done	2	1745.95	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1323	RS4	2026-11-06 17:01:00+00	2026-11-06 18:51:00+00	false alarm	3	1763.30	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1324	RS5	2026-11-06 22:38:00+00	2026-11-07 00:28:00+00	done	4	1780.65	Kayak overdue, found ashore
1325	RS6	2026-11-07 04:15:00+00	2026-11-07 06:05:00+00	done	0	1798.00	Swimmer helped 🛟
1326	RS7	2026-11-07 09:52:00+00	2026-11-07 11:42:00+00	done	1	1815.35	\N
1327	RS8	2026-11-07 15:29:00+00	2026-11-07 17:19:00+00	done	2	1832.70	Dinghy adrift off the point; towed in.
1328	RS9	2026-11-07 21:06:00+00	2026-11-07 22:56:00+00	done	3	410.00	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1329	RS10	2026-11-08 02:43:00+00	2026-11-08 04:33:00+00	done	4	427.35	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1330	RS11	2026-11-08 08:20:00+00	2026-11-08 10:10:00+00	done	0	444.70	Kayak overdue, found ashore
1331	RS12	2026-11-08 13:57:00+00	2026-11-08 15:47:00+00	done	1	462.05	Swimmer helped 🛟
1332	RS13	2026-11-08 19:34:00+00	2026-11-08 21:24:00+00	false alarm	2	479.40	\N
1333	RS14	2026-11-09 01:11:00+00	2026-11-09 03:01:00+00	done	3	496.75	Dinghy adrift off the point; towed in.
1334	RS15	2026-11-09 06:48:00+00	2026-11-09 08:38:00+00	done	4	514.10	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1335	RS16	2026-11-09 12:25:00+00	2026-11-09 14:15:00+00	done	0	531.45	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1336	RS17	2026-11-09 18:02:00+00	2026-11-09 19:52:00+00	done	1	548.80	Kayak overdue, found ashore
1337	RS18	2026-11-09 23:39:00+00	2026-11-10 01:29:00+00	done	2	566.15	Swimmer helped 🛟
1338	RS19	2026-11-10 05:16:00+00	2026-11-10 07:06:00+00	done	3	583.50	\N
1339	RS20	2026-11-10 10:53:00+00	2026-11-10 12:43:00+00	done	4	600.85	Dinghy adrift off the point; towed in.
1340	RS21	2026-11-10 16:30:00+00	2026-11-10 18:20:00+00	done	0	618.20	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1341	RS22	2026-11-10 22:07:00+00	2026-11-10 23:57:00+00	false alarm	1	635.55	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1342	RS23	2026-11-11 03:44:00+00	2026-11-11 05:34:00+00	done	2	652.90	Kayak overdue, found ashore
1343	RS24	2026-11-11 09:21:00+00	2026-11-11 11:11:00+00	done	3	670.25	Swimmer helped 🛟
1344	RS1	2026-11-11 14:58:00+00	2026-11-11 16:48:00+00	done	4	687.60	\N
1345	RS2	2026-11-11 20:35:00+00	2026-11-11 22:25:00+00	done	0	704.95	Dinghy adrift off the point; towed in.
1346	RS3	2026-11-12 02:12:00+00	2026-11-12 04:02:00+00	done	1	722.30	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1347	RS4	2026-11-12 07:49:00+00	2026-11-12 09:39:00+00	done	2	739.65	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1348	RS5	2026-11-12 13:26:00+00	2026-11-12 15:16:00+00	done	3	757.00	Kayak overdue, found ashore
1349	RS6	2026-11-12 19:03:00+00	2026-11-12 20:53:00+00	done	4	774.35	Swimmer helped 🛟
1350	RS7	2026-11-13 00:40:00+00	2026-11-13 02:30:00+00	false alarm	0	791.70	\N
1351	RS8	2026-11-13 06:17:00+00	2026-11-13 08:07:00+00	done	1	809.05	Dinghy adrift off the point; towed in.
1352	RS9	2026-11-13 11:54:00+00	2026-11-13 13:44:00+00	done	2	826.40	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1353	RS10	2026-11-13 17:31:00+00	2026-11-13 19:21:00+00	done	3	843.75	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1354	RS11	2026-11-13 23:08:00+00	2026-11-14 00:58:00+00	done	4	861.10	Kayak overdue, found ashore
1355	RS12	2026-11-14 04:45:00+00	2026-11-14 06:35:00+00	done	0	878.45	Swimmer helped 🛟
1356	RS13	2026-11-14 10:22:00+00	2026-11-14 12:12:00+00	done	1	895.80	\N
1357	RS14	2026-11-14 15:59:00+00	2026-11-14 17:49:00+00	done	2	913.15	Dinghy adrift off the point; towed in.
1358	RS15	2026-11-14 21:36:00+00	2026-11-14 23:26:00+00	done	3	930.50	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1359	RS16	2026-11-15 03:13:00+00	2026-11-15 05:03:00+00	false alarm	4	947.85	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1360	RS17	2026-11-15 08:50:00+00	\N	open	0	965.20	Kayak overdue, found ashore
1361	RS18	2026-11-15 14:27:00+00	2026-11-15 16:17:00+00	done	1	982.55	Swimmer helped 🛟
1362	RS19	2026-11-15 20:04:00+00	2026-11-15 21:54:00+00	done	2	999.90	\N
1363	RS20	2026-11-16 01:41:00+00	2026-11-16 03:31:00+00	done	3	1017.25	Dinghy adrift off the point; towed in.
1364	RS21	2026-11-16 07:18:00+00	2026-11-16 09:08:00+00	done	4	1034.60	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1365	RS22	2026-11-16 12:55:00+00	2026-11-16 14:45:00+00	done	0	1051.95	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1366	RS23	2026-11-16 18:32:00+00	2026-11-16 20:22:00+00	done	1	1069.30	Kayak overdue, found ashore
1367	RS24	2026-11-17 00:09:00+00	2026-11-17 01:59:00+00	done	2	1086.65	Swimmer helped 🛟
1368	RS1	2026-11-17 05:46:00+00	2026-11-17 07:36:00+00	false alarm	3	1104.00	\N
1369	RS2	2026-11-17 11:23:00+00	2026-11-17 13:13:00+00	done	4	1121.35	Dinghy adrift off the point; towed in.
1370	RS3	2026-11-17 17:00:00+00	2026-11-17 18:50:00+00	done	0	1138.70	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1371	RS4	2026-11-17 22:37:00+00	2026-11-18 00:27:00+00	done	1	1156.05	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1372	RS5	2026-11-18 04:14:00+00	2026-11-18 06:04:00+00	done	2	1173.40	Kayak overdue, found ashore
1373	RS6	2026-11-18 09:51:00+00	2026-11-18 11:41:00+00	done	3	1190.75	Swimmer helped 🛟
1374	RS7	2026-11-18 15:28:00+00	2026-11-18 17:18:00+00	done	4	1208.10	\N
1375	RS8	2026-11-18 21:05:00+00	2026-11-18 22:55:00+00	done	0	1225.45	Dinghy adrift off the point; towed in.
1376	RS9	2026-11-19 02:42:00+00	2026-11-19 04:32:00+00	done	1	1242.80	Line 1: engine failure.\nLine 2: crew of two taken aboard.
1377	RS10	2026-11-19 08:19:00+00	2026-11-19 10:09:00+00	false alarm	2	1260.15	Said "all well", but it wasn't; COPY rescue.call_out FROM stdin;
1378	RS11	2026-11-19 13:56:00+00	2026-11-19 15:46:00+00	done	3	1277.50	Kayak overdue, found ashore
1379	RS12	2026-11-19 19:33:00+00	2026-11-19 21:23:00+00	done	4	1294.85	Swimmer helped 🛟
1380	RS13	2026-11-20 01:10:00+00	2026-11-20 03:00:00+00	done	0	1312.20	\N
\.


--
-- TOC entry 3395 (class 0 OID 16415)
-- Dependencies: 217
-- Data for Name: crew; Type: TABLE DATA; Schema: rescue; Owner: postgres
--

COPY rescue.crew (id, given_name, family_name, station_id, joined, remark) FROM stdin;
1	Runa	Skjærgård	2	2009-03-17	
2	Tarjei	Nordfalk	3	2009-05-17	coxswain; speaks for the crew
3	Sverre	Tangstø	4	2009-07-17	first aid\tand radio
4	Iben	Bølgen	5	2009-09-16	\N
5	Orm	Ytterdal	6	2009-11-16	
6	Liv	Måsevik	7	2010-01-16	coxswain; speaks for the crew
7	Eskil	Havnestrand	8	2010-03-18	first aid\tand radio
8	Dagny	Skjærgård	9	2010-05-18	\N
9	Brede	Nordfalk	10	2010-07-18	
10	Ylva	Tangstø	11	2010-09-17	coxswain; speaks for the crew
11	Runa	Bølgen	12	2010-11-17	first aid\tand radio
12	Tarjei	Ytterdal	1	2011-01-17	\N
13	Sverre	Måsevik	2	2011-03-19	
14	Iben	Havnestrand	3	2011-05-19	coxswain; speaks for the crew
15	Orm	Skjærgård	4	2011-07-19	first aid\tand radio
16	Liv	Nordfalk	5	2011-09-18	\N
17	Eskil	Tangstø	6	2011-11-18	
18	Dagny	Bølgen	7	2012-01-18	coxswain; speaks for the crew
19	Brede	Ytterdal	8	2012-03-19	first aid\tand radio
20	Ylva	Måsevik	9	2012-05-19	\N
21	Runa	Havnestrand	10	2012-07-19	
22	Tarjei	Skjærgård	11	2012-09-18	coxswain; speaks for the crew
23	Sverre	Nordfalk	12	2012-11-18	first aid\tand radio
24	Iben	Tangstø	1	2013-01-18	\N
25	Orm	Bølgen	2	2013-03-20	
26	Liv	Ytterdal	3	2013-05-20	coxswain; speaks for the crew
27	Eskil	Måsevik	4	2013-07-20	first aid\tand radio
28	Dagny	Havnestrand	5	2013-09-19	\N
29	Brede	Skjærgård	6	2013-11-19	
30	Ylva	Nordfalk	7	2014-01-19	coxswain; speaks for the crew
31	Runa	Tangstø	8	2014-03-21	first aid\tand radio
32	Tarjei	Bølgen	9	2014-05-21	\N
33	Sverre	Ytterdal	10	2014-07-21	
34	Iben	Måsevik	11	2014-09-20	coxswain; speaks for the crew
35	Orm	Havnestrand	12	2014-11-20	first aid\tand radio
36	Liv	Skjærgård	1	2015-01-20	\N
37	Eskil	Nordfalk	2	2015-03-22	
38	Dagny	Tangstø	3	2015-05-22	coxswain; speaks for the crew
39	Brede	Bølgen	4	2015-07-22	first aid\tand radio
40	Ylva	Ytterdal	5	2015-09-21	\N
41	Runa	Måsevik	6	2015-11-21	
42	Tarjei	Havnestrand	7	2016-01-21	coxswain; speaks for the crew
43	Sverre	Skjærgård	8	2016-03-22	first aid\tand radio
44	Iben	Nordfalk	9	2016-05-22	\N
45	Orm	Tangstø	10	2016-07-22	
46	Liv	Bølgen	11	2016-09-21	coxswain; speaks for the crew
47	Eskil	Ytterdal	12	2016-11-21	first aid\tand radio
48	Dagny	Måsevik	1	2017-01-21	\N
49	Brede	Havnestrand	2	2017-03-23	
50	Ylva	Skjærgård	3	2017-05-23	coxswain; speaks for the crew
51	Runa	Nordfalk	4	2017-07-23	first aid\tand radio
52	Tarjei	Tangstø	5	2017-09-22	\N
53	Sverre	Bølgen	6	2017-11-22	
54	Iben	Ytterdal	7	2018-01-22	coxswain; speaks for the crew
55	Orm	Måsevik	8	2018-03-24	first aid\tand radio
56	Liv	Havnestrand	9	2018-05-24	\N
57	Eskil	Skjærgård	10	2018-07-24	
58	Dagny	Nordfalk	11	2018-09-23	coxswain; speaks for the crew
59	Brede	Tangstø	12	2018-11-23	first aid\tand radio
60	Ylva	Bølgen	1	2019-01-23	\N
61	Runa	Ytterdal	2	2019-03-25	
62	Tarjei	Måsevik	3	2019-05-25	coxswain; speaks for the crew
63	Sverre	Havnestrand	4	2019-07-25	first aid\tand radio
64	Iben	Skjærgård	5	2019-09-24	\N
65	Orm	Nordfalk	6	2019-11-24	
66	Liv	Tangstø	7	2020-01-24	coxswain; speaks for the crew
67	Eskil	Bølgen	8	2020-03-25	first aid\tand radio
68	Dagny	Ytterdal	9	2020-05-25	\N
69	Brede	Måsevik	10	2020-07-25	
70	Ylva	Havnestrand	11	2020-09-24	coxswain; speaks for the crew
71	Runa	Skjærgård	12	2020-11-24	first aid\tand radio
72	Tarjei	Nordfalk	1	2021-01-24	\N
73	Sverre	Tangstø	2	2021-03-26	
74	Iben	Bølgen	3	2021-05-26	coxswain; speaks for the crew
75	Orm	Ytterdal	4	2021-07-26	first aid\tand radio
76	Liv	Måsevik	5	2021-09-25	\N
77	Eskil	Havnestrand	6	2021-11-25	
78	Dagny	Skjærgård	7	2022-01-25	coxswain; speaks for the crew
79	Brede	Nordfalk	8	2022-03-27	first aid\tand radio
80	Ylva	Tangstø	9	2022-05-27	\N
81	Runa	Bølgen	10	2022-07-27	
82	Tarjei	Ytterdal	11	2022-09-26	coxswain; speaks for the crew
83	Sverre	Måsevik	12	2022-11-26	first aid\tand radio
84	Iben	Havnestrand	1	2023-01-26	\N
85	Orm	Skjærgård	2	2023-03-28	
86	Liv	Nordfalk	3	2023-05-28	coxswain; speaks for the crew
87	Eskil	Tangstø	4	2023-07-28	first aid\tand radio
88	Dagny	Bølgen	5	2023-09-27	\N
89	Brede	Ytterdal	6	2023-11-27	
90	Ylva	Måsevik	7	2024-01-27	coxswain; speaks for the crew
91	Runa	Havnestrand	8	2024-03-28	first aid\tand radio
92	Tarjei	Skjærgård	9	2024-05-28	\N
93	Sverre	Nordfalk	10	2024-07-28	
94	Iben	Tangstø	11	2024-09-27	coxswain; speaks for the crew
95	Orm	Bølgen	12	2024-11-27	first aid\tand radio
96	Liv	Ytterdal	1	2025-01-27	\N
\.


--
-- TOC entry 3398 (class 0 OID 16443)
-- Dependencies: 220
-- Data for Name: kit_check; Type: TABLE DATA; Schema: rescue; Owner: postgres
--

COPY rescue.kit_check (id, boat_sign, checked_on, passed, note) FROM stdin;
1	RS2	2026-01-05	t	\N
2	RS3	2026-01-06	t	\N
3	RS4	2026-01-06	t	\N
4	RS5	2026-01-07	t	\N
5	RS6	2026-01-07	t	\N
6	RS7	2026-01-08	t	\N
7	RS8	2026-01-08	t	\N
8	RS9	2026-01-09	t	\N
9	RS10	2026-01-09	t	\N
10	RS11	2026-01-10	t	\N
11	RS12	2026-01-10	t	\N
12	RS13	2026-01-11	t	\N
13	RS14	2026-01-11	t	\N
14	RS15	2026-01-12	t	\N
15	RS16	2026-01-12	t	\N
16	RS17	2026-01-13	t	\N
17	RS18	2026-01-13	f	flare out of date
18	RS19	2026-01-14	t	\N
19	RS20	2026-01-14	t	\N
20	RS21	2026-01-15	t	\N
21	RS22	2026-01-15	t	\N
22	RS23	2026-01-16	t	\N
23	RS24	2026-01-16	t	\N
24	RS1	2026-01-17	t	\N
25	RS2	2026-01-17	t	\N
26	RS3	2026-01-18	t	\N
27	RS4	2026-01-18	t	\N
28	RS5	2026-01-19	t	\N
29	RS6	2026-01-19	t	\N
30	RS7	2026-01-20	t	\N
31	RS8	2026-01-20	t	\N
32	RS9	2026-01-21	t	\N
33	RS10	2026-01-21	t	\N
34	RS11	2026-01-22	f	flare out of date
35	RS12	2026-01-22	t	\N
36	RS13	2026-01-23	t	\N
37	RS14	2026-01-23	t	\N
38	RS15	2026-01-24	t	\N
39	RS16	2026-01-24	t	\N
40	RS17	2026-01-25	t	\N
41	RS18	2026-01-25	t	\N
42	RS19	2026-01-26	t	\N
43	RS20	2026-01-26	t	\N
44	RS21	2026-01-27	t	\N
45	RS22	2026-01-27	t	\N
46	RS23	2026-01-28	t	\N
47	RS24	2026-01-28	t	\N
48	RS1	2026-01-29	t	\N
49	RS2	2026-01-29	t	\N
50	RS3	2026-01-30	t	\N
51	RS4	2026-01-30	f	flare out of date
52	RS5	2026-01-31	t	\N
53	RS6	2026-01-31	t	\N
54	RS7	2026-02-01	t	\N
55	RS8	2026-02-01	t	\N
56	RS9	2026-02-02	t	\N
57	RS10	2026-02-02	t	\N
58	RS11	2026-02-03	t	\N
59	RS12	2026-02-03	t	\N
60	RS13	2026-02-04	t	\N
61	RS14	2026-02-04	t	\N
62	RS15	2026-02-05	t	\N
63	RS16	2026-02-05	t	\N
64	RS17	2026-02-06	t	\N
65	RS18	2026-02-06	t	\N
66	RS19	2026-02-07	t	\N
67	RS20	2026-02-07	t	\N
68	RS21	2026-02-08	f	flare out of date
69	RS22	2026-02-08	t	\N
70	RS23	2026-02-09	t	\N
71	RS24	2026-02-09	t	\N
72	RS1	2026-02-10	t	\N
73	RS2	2026-02-10	t	\N
74	RS3	2026-02-11	t	\N
75	RS4	2026-02-11	t	\N
76	RS5	2026-02-12	t	\N
77	RS6	2026-02-12	t	\N
78	RS7	2026-02-13	t	\N
79	RS8	2026-02-13	t	\N
80	RS9	2026-02-14	t	\N
81	RS10	2026-02-14	t	\N
82	RS11	2026-02-15	t	\N
83	RS12	2026-02-15	t	\N
84	RS13	2026-02-16	t	\N
85	RS14	2026-02-16	f	flare out of date
86	RS15	2026-02-17	t	\N
87	RS16	2026-02-17	t	\N
88	RS17	2026-02-18	t	\N
89	RS18	2026-02-18	t	\N
90	RS19	2026-02-19	t	\N
91	RS20	2026-02-19	t	\N
92	RS21	2026-02-20	t	\N
93	RS22	2026-02-20	t	\N
94	RS23	2026-02-21	t	\N
95	RS24	2026-02-21	t	\N
96	RS1	2026-02-22	t	\N
97	RS2	2026-02-22	t	\N
98	RS3	2026-02-23	t	\N
99	RS4	2026-02-23	t	\N
100	RS5	2026-02-24	t	\N
101	RS6	2026-02-24	t	\N
102	RS7	2026-02-25	f	flare out of date
103	RS8	2026-02-25	t	\N
104	RS9	2026-02-26	t	\N
105	RS10	2026-02-26	t	\N
106	RS11	2026-02-27	t	\N
107	RS12	2026-02-27	t	\N
108	RS13	2026-02-28	t	\N
109	RS14	2026-02-28	t	\N
110	RS15	2026-03-01	t	\N
111	RS16	2026-03-01	t	\N
112	RS17	2026-03-02	t	\N
113	RS18	2026-03-02	t	\N
114	RS19	2026-03-03	t	\N
115	RS20	2026-03-03	t	\N
116	RS21	2026-03-04	t	\N
117	RS22	2026-03-04	t	\N
118	RS23	2026-03-05	t	\N
119	RS24	2026-03-05	f	flare out of date
120	RS1	2026-03-06	t	\N
121	RS2	2026-03-06	t	\N
122	RS3	2026-03-07	t	\N
123	RS4	2026-03-07	t	\N
124	RS5	2026-03-08	t	\N
125	RS6	2026-03-08	t	\N
126	RS7	2026-03-09	t	\N
127	RS8	2026-03-09	t	\N
128	RS9	2026-03-10	t	\N
129	RS10	2026-03-10	t	\N
130	RS11	2026-03-11	t	\N
131	RS12	2026-03-11	t	\N
132	RS13	2026-03-12	t	\N
133	RS14	2026-03-12	t	\N
134	RS15	2026-03-13	t	\N
135	RS16	2026-03-13	t	\N
136	RS17	2026-03-14	f	flare out of date
137	RS18	2026-03-14	t	\N
138	RS19	2026-03-15	t	\N
139	RS20	2026-03-15	t	\N
140	RS21	2026-03-16	t	\N
141	RS22	2026-03-16	t	\N
142	RS23	2026-03-17	t	\N
143	RS24	2026-03-17	t	\N
144	RS1	2026-03-18	t	\N
145	RS2	2026-03-18	t	\N
146	RS3	2026-03-19	t	\N
147	RS4	2026-03-19	t	\N
148	RS5	2026-03-20	t	\N
149	RS6	2026-03-20	t	\N
150	RS7	2026-03-21	t	\N
151	RS8	2026-03-21	t	\N
152	RS9	2026-03-22	t	\N
153	RS10	2026-03-22	f	flare out of date
154	RS11	2026-03-23	t	\N
155	RS12	2026-03-23	t	\N
156	RS13	2026-03-24	t	\N
157	RS14	2026-03-24	t	\N
158	RS15	2026-03-25	t	\N
159	RS16	2026-03-25	t	\N
160	RS17	2026-03-26	t	\N
161	RS18	2026-03-26	t	\N
162	RS19	2026-03-27	t	\N
163	RS20	2026-03-27	t	\N
164	RS21	2026-03-28	t	\N
165	RS22	2026-03-28	t	\N
166	RS23	2026-03-29	t	\N
167	RS24	2026-03-29	t	\N
168	RS1	2026-03-30	t	\N
169	RS2	2026-03-30	t	\N
170	RS3	2026-03-31	f	flare out of date
171	RS4	2026-03-31	t	\N
172	RS5	2026-04-01	t	\N
173	RS6	2026-04-01	t	\N
174	RS7	2026-04-02	t	\N
175	RS8	2026-04-02	t	\N
176	RS9	2026-04-03	t	\N
177	RS10	2026-04-03	t	\N
178	RS11	2026-04-04	t	\N
179	RS12	2026-04-04	t	\N
180	RS13	2026-04-05	t	\N
181	RS14	2026-04-05	t	\N
182	RS15	2026-04-06	t	\N
183	RS16	2026-04-06	t	\N
184	RS17	2026-04-07	t	\N
185	RS18	2026-04-07	t	\N
186	RS19	2026-04-08	t	\N
187	RS20	2026-04-08	f	flare out of date
188	RS21	2026-04-09	t	\N
189	RS22	2026-04-09	t	\N
190	RS23	2026-04-10	t	\N
191	RS24	2026-04-10	t	\N
192	RS1	2026-04-11	t	\N
193	RS2	2026-04-11	t	\N
194	RS3	2026-04-12	t	\N
195	RS4	2026-04-12	t	\N
196	RS5	2026-04-13	t	\N
197	RS6	2026-04-13	t	\N
198	RS7	2026-04-14	t	\N
199	RS8	2026-04-14	t	\N
200	RS9	2026-04-15	t	\N
201	RS10	2026-04-15	t	\N
202	RS11	2026-04-16	t	\N
203	RS12	2026-04-16	t	\N
204	RS13	2026-04-17	f	flare out of date
205	RS14	2026-04-17	t	\N
206	RS15	2026-04-18	t	\N
207	RS16	2026-04-18	t	\N
208	RS17	2026-04-19	t	\N
209	RS18	2026-04-19	t	\N
210	RS19	2026-04-20	t	\N
211	RS20	2026-04-20	t	\N
212	RS21	2026-04-21	t	\N
213	RS22	2026-04-21	t	\N
214	RS23	2026-04-22	t	\N
215	RS24	2026-04-22	t	\N
216	RS1	2026-04-23	t	\N
217	RS2	2026-04-23	t	\N
218	RS3	2026-04-24	t	\N
219	RS4	2026-04-24	t	\N
220	RS5	2026-04-25	t	\N
221	RS6	2026-04-25	f	flare out of date
222	RS7	2026-04-26	t	\N
223	RS8	2026-04-26	t	\N
224	RS9	2026-04-27	t	\N
225	RS10	2026-04-27	t	\N
226	RS11	2026-04-28	t	\N
227	RS12	2026-04-28	t	\N
228	RS13	2026-04-29	t	\N
229	RS14	2026-04-29	t	\N
230	RS15	2026-04-30	t	\N
231	RS16	2026-04-30	t	\N
232	RS17	2026-05-01	t	\N
233	RS18	2026-05-01	t	\N
234	RS19	2026-05-02	t	\N
235	RS20	2026-05-02	t	\N
236	RS21	2026-05-03	t	\N
237	RS22	2026-05-03	t	\N
238	RS23	2026-05-04	f	flare out of date
239	RS24	2026-05-04	t	\N
240	RS1	2026-05-05	t	\N
241	RS2	2026-05-05	t	\N
242	RS3	2026-05-06	t	\N
243	RS4	2026-05-06	t	\N
244	RS5	2026-05-07	t	\N
245	RS6	2026-05-07	t	\N
246	RS7	2026-05-08	t	\N
247	RS8	2026-05-08	t	\N
248	RS9	2026-05-09	t	\N
249	RS10	2026-05-09	t	\N
250	RS11	2026-05-10	t	\N
251	RS12	2026-05-10	t	\N
252	RS13	2026-05-11	t	\N
253	RS14	2026-05-11	t	\N
254	RS15	2026-05-12	t	\N
255	RS16	2026-05-12	f	flare out of date
256	RS17	2026-05-13	t	\N
257	RS18	2026-05-13	t	\N
258	RS19	2026-05-14	t	\N
259	RS20	2026-05-14	t	\N
260	RS21	2026-05-15	t	\N
261	RS22	2026-05-15	t	\N
262	RS23	2026-05-16	t	\N
263	RS24	2026-05-16	t	\N
264	RS1	2026-05-17	t	\N
265	RS2	2026-05-17	t	\N
266	RS3	2026-05-18	t	\N
267	RS4	2026-05-18	t	\N
268	RS5	2026-05-19	t	\N
269	RS6	2026-05-19	t	\N
270	RS7	2026-05-20	t	\N
271	RS8	2026-05-20	t	\N
272	RS9	2026-05-21	f	flare out of date
273	RS10	2026-05-21	t	\N
274	RS11	2026-05-22	t	\N
275	RS12	2026-05-22	t	\N
276	RS13	2026-05-23	t	\N
277	RS14	2026-05-23	t	\N
278	RS15	2026-05-24	t	\N
279	RS16	2026-05-24	t	\N
280	RS17	2026-05-25	t	\N
281	RS18	2026-05-25	t	\N
282	RS19	2026-05-26	t	\N
283	RS20	2026-05-26	t	\N
284	RS21	2026-05-27	t	\N
285	RS22	2026-05-27	t	\N
286	RS23	2026-05-28	t	\N
287	RS24	2026-05-28	t	\N
288	RS1	2026-05-29	t	\N
289	RS2	2026-05-29	f	flare out of date
290	RS3	2026-05-30	t	\N
291	RS4	2026-05-30	t	\N
292	RS5	2026-05-31	t	\N
293	RS6	2026-05-31	t	\N
294	RS7	2026-06-01	t	\N
295	RS8	2026-06-01	t	\N
296	RS9	2026-06-02	t	\N
297	RS10	2026-06-02	t	\N
298	RS11	2026-06-03	t	\N
299	RS12	2026-06-03	t	\N
300	RS13	2026-06-04	t	\N
301	RS14	2026-06-04	t	\N
302	RS15	2026-06-05	t	\N
303	RS16	2026-06-05	t	\N
304	RS17	2026-06-06	t	\N
305	RS18	2026-06-06	t	\N
306	RS19	2026-06-07	f	flare out of date
307	RS20	2026-06-07	t	\N
308	RS21	2026-06-08	t	\N
309	RS22	2026-06-08	t	\N
310	RS23	2026-06-09	t	\N
311	RS24	2026-06-09	t	\N
312	RS1	2026-06-10	t	\N
313	RS2	2026-06-10	t	\N
314	RS3	2026-06-11	t	\N
315	RS4	2026-06-11	t	\N
316	RS5	2026-06-12	t	\N
317	RS6	2026-06-12	t	\N
318	RS7	2026-06-13	t	\N
319	RS8	2026-06-13	t	\N
320	RS9	2026-06-14	t	\N
321	RS10	2026-06-14	t	\N
322	RS11	2026-06-15	t	\N
323	RS12	2026-06-15	f	flare out of date
324	RS13	2026-06-16	t	\N
325	RS14	2026-06-16	t	\N
326	RS15	2026-06-17	t	\N
327	RS16	2026-06-17	t	\N
328	RS17	2026-06-18	t	\N
329	RS18	2026-06-18	t	\N
330	RS19	2026-06-19	t	\N
331	RS20	2026-06-19	t	\N
332	RS21	2026-06-20	t	\N
333	RS22	2026-06-20	t	\N
334	RS23	2026-06-21	t	\N
335	RS24	2026-06-21	t	\N
336	RS1	2026-06-22	t	\N
337	RS2	2026-06-22	t	\N
338	RS3	2026-06-23	t	\N
339	RS4	2026-06-23	t	\N
340	RS5	2026-06-24	f	flare out of date
341	RS6	2026-06-24	t	\N
342	RS7	2026-06-25	t	\N
343	RS8	2026-06-25	t	\N
344	RS9	2026-06-26	t	\N
345	RS10	2026-06-26	t	\N
346	RS11	2026-06-27	t	\N
347	RS12	2026-06-27	t	\N
348	RS13	2026-06-28	t	\N
349	RS14	2026-06-28	t	\N
350	RS15	2026-06-29	t	\N
351	RS16	2026-06-29	t	\N
352	RS17	2026-06-30	t	\N
353	RS18	2026-06-30	t	\N
354	RS19	2026-07-01	t	\N
355	RS20	2026-07-01	t	\N
356	RS21	2026-07-02	t	\N
357	RS22	2026-07-02	f	flare out of date
358	RS23	2026-07-03	t	\N
359	RS24	2026-07-03	t	\N
360	RS1	2026-07-04	t	\N
361	RS2	2026-07-04	t	\N
362	RS3	2026-07-05	t	\N
363	RS4	2026-07-05	t	\N
364	RS5	2026-07-06	t	\N
365	RS6	2026-07-06	t	\N
366	RS7	2026-07-07	t	\N
367	RS8	2026-07-07	t	\N
368	RS9	2026-07-08	t	\N
369	RS10	2026-07-08	t	\N
370	RS11	2026-07-09	t	\N
371	RS12	2026-07-09	t	\N
372	RS13	2026-07-10	t	\N
373	RS14	2026-07-10	t	\N
374	RS15	2026-07-11	f	flare out of date
375	RS16	2026-07-11	t	\N
376	RS17	2026-07-12	t	\N
377	RS18	2026-07-12	t	\N
378	RS19	2026-07-13	t	\N
379	RS20	2026-07-13	t	\N
380	RS21	2026-07-14	t	\N
381	RS22	2026-07-14	t	\N
382	RS23	2026-07-15	t	\N
383	RS24	2026-07-15	t	\N
384	RS1	2026-07-16	t	\N
385	RS2	2026-07-16	t	\N
386	RS3	2026-07-17	t	\N
387	RS4	2026-07-17	t	\N
388	RS5	2026-07-18	t	\N
389	RS6	2026-07-18	t	\N
390	RS7	2026-07-19	t	\N
391	RS8	2026-07-19	f	flare out of date
392	RS9	2026-07-20	t	\N
393	RS10	2026-07-20	t	\N
394	RS11	2026-07-21	t	\N
395	RS12	2026-07-21	t	\N
396	RS13	2026-07-22	t	\N
397	RS14	2026-07-22	t	\N
398	RS15	2026-07-23	t	\N
399	RS16	2026-07-23	t	\N
400	RS17	2026-07-24	t	\N
401	RS18	2026-07-24	t	\N
402	RS19	2026-07-25	t	\N
403	RS20	2026-07-25	t	\N
404	RS21	2026-07-26	t	\N
405	RS22	2026-07-26	t	\N
406	RS23	2026-07-27	t	\N
407	RS24	2026-07-27	t	\N
408	RS1	2026-07-28	f	flare out of date
409	RS2	2026-07-28	t	\N
410	RS3	2026-07-29	t	\N
411	RS4	2026-07-29	t	\N
412	RS5	2026-07-30	t	\N
413	RS6	2026-07-30	t	\N
414	RS7	2026-07-31	t	\N
415	RS8	2026-07-31	t	\N
416	RS9	2026-08-01	t	\N
417	RS10	2026-08-01	t	\N
418	RS11	2026-08-02	t	\N
419	RS12	2026-08-02	t	\N
420	RS13	2026-08-03	t	\N
421	RS14	2026-08-03	t	\N
422	RS15	2026-08-04	t	\N
423	RS16	2026-08-04	t	\N
424	RS17	2026-08-05	t	\N
425	RS18	2026-08-05	f	flare out of date
426	RS19	2026-08-06	t	\N
427	RS20	2026-08-06	t	\N
428	RS21	2026-08-07	t	\N
429	RS22	2026-08-07	t	\N
430	RS23	2026-08-08	t	\N
431	RS24	2026-08-08	t	\N
432	RS1	2026-08-09	t	\N
433	RS2	2026-08-09	t	\N
434	RS3	2026-08-10	t	\N
435	RS4	2026-08-10	t	\N
436	RS5	2026-08-11	t	\N
437	RS6	2026-08-11	t	\N
438	RS7	2026-08-12	t	\N
439	RS8	2026-08-12	t	\N
440	RS9	2026-08-13	t	\N
441	RS10	2026-08-13	t	\N
442	RS11	2026-08-14	f	flare out of date
443	RS12	2026-08-14	t	\N
444	RS13	2026-08-15	t	\N
445	RS14	2026-08-15	t	\N
446	RS15	2026-08-16	t	\N
447	RS16	2026-08-16	t	\N
448	RS17	2026-08-17	t	\N
449	RS18	2026-08-17	t	\N
450	RS19	2026-08-18	t	\N
451	RS20	2026-08-18	t	\N
452	RS21	2026-08-19	t	\N
453	RS22	2026-08-19	t	\N
454	RS23	2026-08-20	t	\N
455	RS24	2026-08-20	t	\N
456	RS1	2026-08-21	t	\N
457	RS2	2026-08-21	t	\N
458	RS3	2026-08-22	t	\N
459	RS4	2026-08-22	f	flare out of date
460	RS5	2026-08-23	t	\N
461	RS6	2026-08-23	t	\N
462	RS7	2026-08-24	t	\N
463	RS8	2026-08-24	t	\N
464	RS9	2026-08-25	t	\N
465	RS10	2026-08-25	t	\N
466	RS11	2026-08-26	t	\N
467	RS12	2026-08-26	t	\N
468	RS13	2026-08-27	t	\N
469	RS14	2026-08-27	t	\N
470	RS15	2026-08-28	t	\N
471	RS16	2026-08-28	t	\N
472	RS17	2026-08-29	t	\N
473	RS18	2026-08-29	t	\N
474	RS19	2026-08-30	t	\N
475	RS20	2026-08-30	t	\N
476	RS21	2026-08-31	f	flare out of date
477	RS22	2026-08-31	t	\N
478	RS23	2026-09-01	t	\N
479	RS24	2026-09-01	t	\N
480	RS1	2026-09-02	t	\N
481	RS2	2026-09-02	t	\N
482	RS3	2026-09-03	t	\N
483	RS4	2026-09-03	t	\N
484	RS5	2026-09-04	t	\N
485	RS6	2026-09-04	t	\N
486	RS7	2026-09-05	t	\N
487	RS8	2026-09-05	t	\N
488	RS9	2026-09-06	t	\N
489	RS10	2026-09-06	t	\N
490	RS11	2026-09-07	t	\N
491	RS12	2026-09-07	t	\N
492	RS13	2026-09-08	t	\N
493	RS14	2026-09-08	f	flare out of date
494	RS15	2026-09-09	t	\N
495	RS16	2026-09-09	t	\N
496	RS17	2026-09-10	t	\N
497	RS18	2026-09-10	t	\N
498	RS19	2026-09-11	t	\N
499	RS20	2026-09-11	t	\N
500	RS21	2026-09-12	t	\N
501	RS22	2026-09-12	t	\N
502	RS23	2026-09-13	t	\N
503	RS24	2026-09-13	t	\N
504	RS1	2026-09-14	t	\N
505	RS2	2026-09-14	t	\N
506	RS3	2026-09-15	t	\N
507	RS4	2026-09-15	t	\N
508	RS5	2026-09-16	t	\N
509	RS6	2026-09-16	t	\N
510	RS7	2026-09-17	f	flare out of date
511	RS8	2026-09-17	t	\N
512	RS9	2026-09-18	t	\N
513	RS10	2026-09-18	t	\N
514	RS11	2026-09-19	t	\N
515	RS12	2026-09-19	t	\N
516	RS13	2026-09-20	t	\N
517	RS14	2026-09-20	t	\N
518	RS15	2026-09-21	t	\N
519	RS16	2026-09-21	t	\N
520	RS17	2026-09-22	t	\N
521	RS18	2026-09-22	t	\N
522	RS19	2026-09-23	t	\N
523	RS20	2026-09-23	t	\N
524	RS21	2026-09-24	t	\N
525	RS22	2026-09-24	t	\N
526	RS23	2026-09-25	t	\N
527	RS24	2026-09-25	f	flare out of date
528	RS1	2026-09-26	t	\N
529	RS2	2026-09-26	t	\N
530	RS3	2026-09-27	t	\N
531	RS4	2026-09-27	t	\N
532	RS5	2026-09-28	t	\N
533	RS6	2026-09-28	t	\N
534	RS7	2026-09-29	t	\N
535	RS8	2026-09-29	t	\N
536	RS9	2026-09-30	t	\N
537	RS10	2026-09-30	t	\N
538	RS11	2026-10-01	t	\N
539	RS12	2026-10-01	t	\N
540	RS13	2026-10-02	t	\N
541	RS14	2026-10-02	t	\N
542	RS15	2026-10-03	t	\N
543	RS16	2026-10-03	t	\N
544	RS17	2026-10-04	f	flare out of date
545	RS18	2026-10-04	t	\N
546	RS19	2026-10-05	t	\N
547	RS20	2026-10-05	t	\N
548	RS21	2026-10-06	t	\N
549	RS22	2026-10-06	t	\N
550	RS23	2026-10-07	t	\N
551	RS24	2026-10-07	t	\N
552	RS1	2026-10-08	t	\N
553	RS2	2026-10-08	t	\N
554	RS3	2026-10-09	t	\N
555	RS4	2026-10-09	t	\N
556	RS5	2026-10-10	t	\N
557	RS6	2026-10-10	t	\N
558	RS7	2026-10-11	t	\N
559	RS8	2026-10-11	t	\N
560	RS9	2026-10-12	t	\N
561	RS10	2026-10-12	f	flare out of date
562	RS11	2026-10-13	t	\N
563	RS12	2026-10-13	t	\N
564	RS13	2026-10-14	t	\N
565	RS14	2026-10-14	t	\N
566	RS15	2026-10-15	t	\N
567	RS16	2026-10-15	t	\N
568	RS17	2026-10-16	t	\N
569	RS18	2026-10-16	t	\N
570	RS19	2026-10-17	t	\N
571	RS20	2026-10-17	t	\N
572	RS21	2026-10-18	t	\N
573	RS22	2026-10-18	t	\N
574	RS23	2026-10-19	t	\N
575	RS24	2026-10-19	t	\N
576	RS1	2026-10-20	t	\N
577	RS2	2026-10-20	t	\N
578	RS3	2026-10-21	f	flare out of date
579	RS4	2026-10-21	t	\N
580	RS5	2026-10-22	t	\N
581	RS6	2026-10-22	t	\N
582	RS7	2026-10-23	t	\N
583	RS8	2026-10-23	t	\N
584	RS9	2026-10-24	t	\N
585	RS10	2026-10-24	t	\N
586	RS11	2026-10-25	t	\N
587	RS12	2026-10-25	t	\N
588	RS13	2026-10-26	t	\N
589	RS14	2026-10-26	t	\N
590	RS15	2026-10-27	t	\N
591	RS16	2026-10-27	t	\N
592	RS17	2026-10-28	t	\N
593	RS18	2026-10-28	t	\N
594	RS19	2026-10-29	t	\N
595	RS20	2026-10-29	f	flare out of date
596	RS21	2026-10-30	t	\N
597	RS22	2026-10-30	t	\N
598	RS23	2026-10-31	t	\N
599	RS24	2026-10-31	t	\N
600	RS1	2026-11-01	t	\N
601	RS2	2026-11-01	t	\N
602	RS3	2026-11-02	t	\N
603	RS4	2026-11-02	t	\N
604	RS5	2026-11-03	t	\N
605	RS6	2026-11-03	t	\N
606	RS7	2026-11-04	t	\N
607	RS8	2026-11-04	t	\N
608	RS9	2026-11-05	t	\N
609	RS10	2026-11-05	t	\N
610	RS11	2026-11-06	t	\N
611	RS12	2026-11-06	t	\N
612	RS13	2026-11-07	f	flare out of date
613	RS14	2026-11-07	t	\N
614	RS15	2026-11-08	t	\N
615	RS16	2026-11-08	t	\N
616	RS17	2026-11-09	t	\N
617	RS18	2026-11-09	t	\N
618	RS19	2026-11-10	t	\N
619	RS20	2026-11-10	t	\N
620	RS21	2026-11-11	t	\N
\.


--
-- TOC entry 3393 (class 0 OID 16393)
-- Dependencies: 215
-- Data for Name: station; Type: TABLE DATA; Schema: rescue; Owner: postgres
--

COPY rescue.station (id, name, postcode, opened, yearly_budget) FROM stdin;
1	Skarholm	0137	1902-03-12	192346.17
2	Vesterøy	0274	1906-03-22	204691.84
3	Innsund	0411	1910-04-01	217037.51
4	Måkeskjær	0548	1914-04-11	229383.18
5	Tangvika	0685	1918-04-21	241728.85
6	Selnes	0822	1922-05-01	254074.52
7	Gråbuda	0959	1926-05-11	266420.19
8	Lomvær	1096	1930-05-21	278765.86
9	Ytre Holm	1233	1934-05-31	291111.53
10	Brattøra	1370	1938-06-10	303457.20
11	Svartnes	1507	1942-06-20	315802.87
12	Kvalvåg	1644	1946-06-30	328148.54
\.


--
-- TOC entry 3399 (class 0 OID 16455)
-- Dependencies: 221
-- Data for Name: tide_reading; Type: TABLE DATA; Schema: rescue; Owner: postgres
--

COPY rescue.tide_reading (id, station_id, taken_at, height_m) FROM stdin;
1	2	2026-11-01 00:06:00+00	2.114
2	3	2026-11-01 00:12:00+00	2.128
3	4	2026-11-01 00:18:00+00	2.141
4	5	2026-11-01 00:24:00+00	2.155
5	6	2026-11-01 00:30:00+00	2.169
6	7	2026-11-01 00:36:00+00	2.183
7	8	2026-11-01 00:42:00+00	2.197
8	9	2026-11-01 00:48:00+00	2.210
9	10	2026-11-01 00:54:00+00	2.224
10	11	2026-11-01 01:00:00+00	2.238
11	12	2026-11-01 01:06:00+00	2.252
12	1	2026-11-01 01:12:00+00	2.266
13	2	2026-11-01 01:18:00+00	2.279
14	3	2026-11-01 01:24:00+00	2.293
15	4	2026-11-01 01:30:00+00	2.307
16	5	2026-11-01 01:36:00+00	2.321
17	6	2026-11-01 01:42:00+00	2.334
18	7	2026-11-01 01:48:00+00	2.348
19	8	2026-11-01 01:54:00+00	2.362
20	9	2026-11-01 02:00:00+00	2.375
21	10	2026-11-01 02:06:00+00	2.389
22	11	2026-11-01 02:12:00+00	2.402
23	12	2026-11-01 02:18:00+00	2.416
24	1	2026-11-01 02:24:00+00	2.430
25	2	2026-11-01 02:30:00+00	2.443
26	3	2026-11-01 02:36:00+00	2.457
27	4	2026-11-01 02:42:00+00	2.470
28	5	2026-11-01 02:48:00+00	2.484
29	6	2026-11-01 02:54:00+00	2.497
30	7	2026-11-01 03:00:00+00	2.511
31	8	2026-11-01 03:06:00+00	2.524
32	9	2026-11-01 03:12:00+00	2.537
33	10	2026-11-01 03:18:00+00	2.551
34	11	2026-11-01 03:24:00+00	2.564
35	12	2026-11-01 03:30:00+00	2.577
36	1	2026-11-01 03:36:00+00	2.590
37	2	2026-11-01 03:42:00+00	2.604
38	3	2026-11-01 03:48:00+00	2.617
39	4	2026-11-01 03:54:00+00	2.630
40	5	2026-11-01 04:00:00+00	2.643
41	6	2026-11-01 04:06:00+00	2.656
42	7	2026-11-01 04:12:00+00	2.669
43	8	2026-11-01 04:18:00+00	2.682
44	9	2026-11-01 04:24:00+00	2.695
45	10	2026-11-01 04:30:00+00	2.708
46	11	2026-11-01 04:36:00+00	2.721
47	12	2026-11-01 04:42:00+00	2.734
48	1	2026-11-01 04:48:00+00	2.747
49	2	2026-11-01 04:54:00+00	2.759
50	3	2026-11-01 05:00:00+00	2.772
51	4	2026-11-01 05:06:00+00	2.785
52	5	2026-11-01 05:12:00+00	2.797
53	6	2026-11-01 05:18:00+00	2.810
54	7	2026-11-01 05:24:00+00	2.823
55	8	2026-11-01 05:30:00+00	2.835
56	9	2026-11-01 05:36:00+00	2.848
57	10	2026-11-01 05:42:00+00	2.860
58	11	2026-11-01 05:48:00+00	2.872
59	12	2026-11-01 05:54:00+00	2.885
60	1	2026-11-01 06:00:00+00	2.897
61	2	2026-11-01 06:06:00+00	2.909
62	3	2026-11-01 06:12:00+00	2.921
63	4	2026-11-01 06:18:00+00	2.933
64	5	2026-11-01 06:24:00+00	2.945
65	6	2026-11-01 06:30:00+00	2.957
66	7	2026-11-01 06:36:00+00	2.969
67	8	2026-11-01 06:42:00+00	2.981
68	9	2026-11-01 06:48:00+00	2.993
69	10	2026-11-01 06:54:00+00	3.004
70	11	2026-11-01 07:00:00+00	3.016
71	12	2026-11-01 07:06:00+00	3.028
72	1	2026-11-01 07:12:00+00	3.039
73	2	2026-11-01 07:18:00+00	3.051
74	3	2026-11-01 07:24:00+00	3.062
75	4	2026-11-01 07:30:00+00	3.074
76	5	2026-11-01 07:36:00+00	3.085
77	6	2026-11-01 07:42:00+00	3.096
78	7	2026-11-01 07:48:00+00	3.107
79	8	2026-11-01 07:54:00+00	3.118
80	9	2026-11-01 08:00:00+00	3.129
81	10	2026-11-01 08:06:00+00	3.140
82	11	2026-11-01 08:12:00+00	3.151
83	12	2026-11-01 08:18:00+00	3.162
84	1	2026-11-01 08:24:00+00	3.173
85	2	2026-11-01 08:30:00+00	3.183
86	3	2026-11-01 08:36:00+00	3.194
87	4	2026-11-01 08:42:00+00	3.205
88	5	2026-11-01 08:48:00+00	3.215
89	6	2026-11-01 08:54:00+00	3.226
90	7	2026-11-01 09:00:00+00	3.236
91	8	2026-11-01 09:06:00+00	3.246
92	9	2026-11-01 09:12:00+00	3.256
93	10	2026-11-01 09:18:00+00	3.266
94	11	2026-11-01 09:24:00+00	3.276
95	12	2026-11-01 09:30:00+00	3.286
96	1	2026-11-01 09:36:00+00	3.296
97	2	2026-11-01 09:42:00+00	3.306
98	3	2026-11-01 09:48:00+00	3.316
99	4	2026-11-01 09:54:00+00	3.325
100	5	2026-11-01 10:00:00+00	3.335
101	6	2026-11-01 10:06:00+00	3.344
102	7	2026-11-01 10:12:00+00	3.354
103	8	2026-11-01 10:18:00+00	3.363
104	9	2026-11-01 10:24:00+00	3.372
105	10	2026-11-01 10:30:00+00	3.381
106	11	2026-11-01 10:36:00+00	3.390
107	12	2026-11-01 10:42:00+00	3.399
108	1	2026-11-01 10:48:00+00	3.408
109	2	2026-11-01 10:54:00+00	3.417
110	3	2026-11-01 11:00:00+00	3.426
111	4	2026-11-01 11:06:00+00	3.434
112	5	2026-11-01 11:12:00+00	3.443
113	6	2026-11-01 11:18:00+00	3.451
114	7	2026-11-01 11:24:00+00	3.460
115	8	2026-11-01 11:30:00+00	3.468
116	9	2026-11-01 11:36:00+00	3.476
117	10	2026-11-01 11:42:00+00	3.484
118	11	2026-11-01 11:48:00+00	3.492
119	12	2026-11-01 11:54:00+00	3.500
120	1	2026-11-01 12:00:00+00	3.508
121	2	2026-11-01 12:06:00+00	3.515
122	3	2026-11-01 12:12:00+00	3.523
123	4	2026-11-01 12:18:00+00	3.531
124	5	2026-11-01 12:24:00+00	3.538
125	6	2026-11-01 12:30:00+00	3.545
126	7	2026-11-01 12:36:00+00	3.552
127	8	2026-11-01 12:42:00+00	3.560
128	9	2026-11-01 12:48:00+00	3.567
129	10	2026-11-01 12:54:00+00	3.574
130	11	2026-11-01 13:00:00+00	3.580
131	12	2026-11-01 13:06:00+00	3.587
132	1	2026-11-01 13:12:00+00	3.594
133	2	2026-11-01 13:18:00+00	3.600
134	3	2026-11-01 13:24:00+00	3.607
135	4	2026-11-01 13:30:00+00	3.613
136	5	2026-11-01 13:36:00+00	3.619
137	6	2026-11-01 13:42:00+00	3.626
138	7	2026-11-01 13:48:00+00	3.632
139	8	2026-11-01 13:54:00+00	3.638
140	9	2026-11-01 14:00:00+00	3.643
141	10	2026-11-01 14:06:00+00	3.649
142	11	2026-11-01 14:12:00+00	3.655
143	12	2026-11-01 14:18:00+00	3.660
144	1	2026-11-01 14:24:00+00	3.666
145	2	2026-11-01 14:30:00+00	3.671
146	3	2026-11-01 14:36:00+00	3.676
147	4	2026-11-01 14:42:00+00	3.681
148	5	2026-11-01 14:48:00+00	3.686
149	6	2026-11-01 14:54:00+00	3.691
150	7	2026-11-01 15:00:00+00	3.696
151	8	2026-11-01 15:06:00+00	3.701
152	9	2026-11-01 15:12:00+00	3.705
153	10	2026-11-01 15:18:00+00	3.710
154	11	2026-11-01 15:24:00+00	3.714
155	12	2026-11-01 15:30:00+00	3.719
156	1	2026-11-01 15:36:00+00	3.723
157	2	2026-11-01 15:42:00+00	3.727
158	3	2026-11-01 15:48:00+00	3.731
159	4	2026-11-01 15:54:00+00	3.735
160	5	2026-11-01 16:00:00+00	3.738
161	6	2026-11-01 16:06:00+00	3.742
162	7	2026-11-01 16:12:00+00	3.746
163	8	2026-11-01 16:18:00+00	3.749
164	9	2026-11-01 16:24:00+00	3.752
165	10	2026-11-01 16:30:00+00	3.755
166	11	2026-11-01 16:36:00+00	3.759
167	12	2026-11-01 16:42:00+00	3.762
168	1	2026-11-01 16:48:00+00	3.764
169	2	2026-11-01 16:54:00+00	3.767
170	3	2026-11-01 17:00:00+00	3.770
171	4	2026-11-01 17:06:00+00	3.772
172	5	2026-11-01 17:12:00+00	3.775
173	6	2026-11-01 17:18:00+00	3.777
174	7	2026-11-01 17:24:00+00	3.779
175	8	2026-11-01 17:30:00+00	3.781
176	9	2026-11-01 17:36:00+00	3.783
177	10	2026-11-01 17:42:00+00	3.785
178	11	2026-11-01 17:48:00+00	3.787
179	12	2026-11-01 17:54:00+00	3.789
180	1	2026-11-01 18:00:00+00	3.790
181	2	2026-11-01 18:06:00+00	3.792
182	3	2026-11-01 18:12:00+00	3.793
183	4	2026-11-01 18:18:00+00	3.794
184	5	2026-11-01 18:24:00+00	3.795
185	6	2026-11-01 18:30:00+00	3.796
186	7	2026-11-01 18:36:00+00	3.797
187	8	2026-11-01 18:42:00+00	3.798
188	9	2026-11-01 18:48:00+00	3.798
189	10	2026-11-01 18:54:00+00	3.799
190	11	2026-11-01 19:00:00+00	3.799
191	12	2026-11-01 19:06:00+00	3.800
192	1	2026-11-01 19:12:00+00	3.800
193	2	2026-11-01 19:18:00+00	3.800
194	3	2026-11-01 19:24:00+00	3.800
195	4	2026-11-01 19:30:00+00	3.800
196	5	2026-11-01 19:36:00+00	3.800
197	6	2026-11-01 19:42:00+00	3.799
198	7	2026-11-01 19:48:00+00	3.799
199	8	2026-11-01 19:54:00+00	3.798
200	9	2026-11-01 20:00:00+00	3.797
201	10	2026-11-01 20:06:00+00	3.797
202	11	2026-11-01 20:12:00+00	3.796
203	12	2026-11-01 20:18:00+00	3.795
204	1	2026-11-01 20:24:00+00	3.793
205	2	2026-11-01 20:30:00+00	3.792
206	3	2026-11-01 20:36:00+00	3.791
207	4	2026-11-01 20:42:00+00	3.789
208	5	2026-11-01 20:48:00+00	3.788
209	6	2026-11-01 20:54:00+00	3.786
210	7	2026-11-01 21:00:00+00	3.784
211	8	2026-11-01 21:06:00+00	3.782
212	9	2026-11-01 21:12:00+00	3.780
213	10	2026-11-01 21:18:00+00	3.778
214	11	2026-11-01 21:24:00+00	3.776
215	12	2026-11-01 21:30:00+00	3.773
216	1	2026-11-01 21:36:00+00	3.771
217	2	2026-11-01 21:42:00+00	3.768
218	3	2026-11-01 21:48:00+00	3.766
219	4	2026-11-01 21:54:00+00	3.763
220	5	2026-11-01 22:00:00+00	3.760
221	6	2026-11-01 22:06:00+00	3.757
222	7	2026-11-01 22:12:00+00	3.754
223	8	2026-11-01 22:18:00+00	3.750
224	9	2026-11-01 22:24:00+00	3.747
225	10	2026-11-01 22:30:00+00	3.744
226	11	2026-11-01 22:36:00+00	3.740
227	12	2026-11-01 22:42:00+00	3.736
228	1	2026-11-01 22:48:00+00	3.732
229	2	2026-11-01 22:54:00+00	3.729
230	3	2026-11-01 23:00:00+00	3.725
231	4	2026-11-01 23:06:00+00	3.720
232	5	2026-11-01 23:12:00+00	3.716
233	6	2026-11-01 23:18:00+00	3.712
234	7	2026-11-01 23:24:00+00	3.707
235	8	2026-11-01 23:30:00+00	3.703
236	9	2026-11-01 23:36:00+00	3.698
237	10	2026-11-01 23:42:00+00	3.693
238	11	2026-11-01 23:48:00+00	3.689
239	12	2026-11-01 23:54:00+00	3.684
240	1	2026-11-02 00:00:00+00	3.678
241	2	2026-11-02 00:06:00+00	3.673
242	3	2026-11-02 00:12:00+00	3.668
243	4	2026-11-02 00:18:00+00	3.663
244	5	2026-11-02 00:24:00+00	3.657
245	6	2026-11-02 00:30:00+00	3.652
246	7	2026-11-02 00:36:00+00	3.646
247	8	2026-11-02 00:42:00+00	3.640
248	9	2026-11-02 00:48:00+00	3.634
249	10	2026-11-02 00:54:00+00	3.628
250	11	2026-11-02 01:00:00+00	3.622
251	12	2026-11-02 01:06:00+00	3.616
252	1	2026-11-02 01:12:00+00	3.609
253	2	2026-11-02 01:18:00+00	3.603
254	3	2026-11-02 01:24:00+00	3.597
255	4	2026-11-02 01:30:00+00	3.590
256	5	2026-11-02 01:36:00+00	3.583
257	6	2026-11-02 01:42:00+00	3.576
258	7	2026-11-02 01:48:00+00	3.570
259	8	2026-11-02 01:54:00+00	3.563
260	9	2026-11-02 02:00:00+00	3.555
261	10	2026-11-02 02:06:00+00	3.548
262	11	2026-11-02 02:12:00+00	3.541
263	12	2026-11-02 02:18:00+00	3.534
264	1	2026-11-02 02:24:00+00	3.526
265	2	2026-11-02 02:30:00+00	3.519
266	3	2026-11-02 02:36:00+00	3.511
267	4	2026-11-02 02:42:00+00	3.503
268	5	2026-11-02 02:48:00+00	3.495
269	6	2026-11-02 02:54:00+00	3.487
270	7	2026-11-02 03:00:00+00	3.479
271	8	2026-11-02 03:06:00+00	3.471
272	9	2026-11-02 03:12:00+00	3.463
273	10	2026-11-02 03:18:00+00	3.455
274	11	2026-11-02 03:24:00+00	3.446
275	12	2026-11-02 03:30:00+00	3.438
276	1	2026-11-02 03:36:00+00	3.429
277	2	2026-11-02 03:42:00+00	3.421
278	3	2026-11-02 03:48:00+00	3.412
279	4	2026-11-02 03:54:00+00	3.403
280	5	2026-11-02 04:00:00+00	3.394
281	6	2026-11-02 04:06:00+00	3.385
282	7	2026-11-02 04:12:00+00	3.376
283	8	2026-11-02 04:18:00+00	3.367
284	9	2026-11-02 04:24:00+00	3.358
285	10	2026-11-02 04:30:00+00	3.348
286	11	2026-11-02 04:36:00+00	3.339
287	12	2026-11-02 04:42:00+00	3.329
288	1	2026-11-02 04:48:00+00	3.320
289	2	2026-11-02 04:54:00+00	3.310
290	3	2026-11-02 05:00:00+00	3.300
291	4	2026-11-02 05:06:00+00	3.290
292	5	2026-11-02 05:12:00+00	3.281
293	6	2026-11-02 05:18:00+00	3.271
294	7	2026-11-02 05:24:00+00	3.260
295	8	2026-11-02 05:30:00+00	3.250
296	9	2026-11-02 05:36:00+00	3.240
297	10	2026-11-02 05:42:00+00	3.230
298	11	2026-11-02 05:48:00+00	3.219
299	12	2026-11-02 05:54:00+00	3.209
300	1	2026-11-02 06:00:00+00	3.199
301	2	2026-11-02 06:06:00+00	3.188
302	3	2026-11-02 06:12:00+00	3.177
303	4	2026-11-02 06:18:00+00	3.167
304	5	2026-11-02 06:24:00+00	3.156
305	6	2026-11-02 06:30:00+00	3.145
306	7	2026-11-02 06:36:00+00	3.134
307	8	2026-11-02 06:42:00+00	3.123
308	9	2026-11-02 06:48:00+00	3.112
309	10	2026-11-02 06:54:00+00	3.101
310	11	2026-11-02 07:00:00+00	3.090
311	12	2026-11-02 07:06:00+00	3.078
312	1	2026-11-02 07:12:00+00	3.067
313	2	2026-11-02 07:18:00+00	3.056
314	3	2026-11-02 07:24:00+00	3.044
315	4	2026-11-02 07:30:00+00	3.033
316	5	2026-11-02 07:36:00+00	3.021
317	6	2026-11-02 07:42:00+00	3.009
318	7	2026-11-02 07:48:00+00	2.998
319	8	2026-11-02 07:54:00+00	2.986
320	9	2026-11-02 08:00:00+00	2.974
321	10	2026-11-02 08:06:00+00	2.962
322	11	2026-11-02 08:12:00+00	2.950
323	12	2026-11-02 08:18:00+00	2.938
324	1	2026-11-02 08:24:00+00	2.926
325	2	2026-11-02 08:30:00+00	2.914
326	3	2026-11-02 08:36:00+00	2.902
327	4	2026-11-02 08:42:00+00	2.890
328	5	2026-11-02 08:48:00+00	2.877
329	6	2026-11-02 08:54:00+00	2.865
330	7	2026-11-02 09:00:00+00	2.853
331	8	2026-11-02 09:06:00+00	2.840
332	9	2026-11-02 09:12:00+00	2.828
333	10	2026-11-02 09:18:00+00	2.815
334	11	2026-11-02 09:24:00+00	2.803
335	12	2026-11-02 09:30:00+00	2.790
336	1	2026-11-02 09:36:00+00	2.777
337	2	2026-11-02 09:42:00+00	2.765
338	3	2026-11-02 09:48:00+00	2.752
339	4	2026-11-02 09:54:00+00	2.739
340	5	2026-11-02 10:00:00+00	2.726
341	6	2026-11-02 10:06:00+00	2.714
342	7	2026-11-02 10:12:00+00	2.701
343	8	2026-11-02 10:18:00+00	2.688
344	9	2026-11-02 10:24:00+00	2.675
345	10	2026-11-02 10:30:00+00	2.662
346	11	2026-11-02 10:36:00+00	2.649
347	12	2026-11-02 10:42:00+00	2.635
348	1	2026-11-02 10:48:00+00	2.622
349	2	2026-11-02 10:54:00+00	2.609
350	3	2026-11-02 11:00:00+00	2.596
351	4	2026-11-02 11:06:00+00	2.583
352	5	2026-11-02 11:12:00+00	2.569
353	6	2026-11-02 11:18:00+00	2.556
354	7	2026-11-02 11:24:00+00	2.543
355	8	2026-11-02 11:30:00+00	2.529
356	9	2026-11-02 11:36:00+00	2.516
357	10	2026-11-02 11:42:00+00	2.503
358	11	2026-11-02 11:48:00+00	2.489
359	12	2026-11-02 11:54:00+00	2.476
360	1	2026-11-02 12:00:00+00	2.462
361	2	2026-11-02 12:06:00+00	2.449
362	3	2026-11-02 12:12:00+00	2.435
363	4	2026-11-02 12:18:00+00	2.422
364	5	2026-11-02 12:24:00+00	2.408
365	6	2026-11-02 12:30:00+00	2.394
366	7	2026-11-02 12:36:00+00	2.381
367	8	2026-11-02 12:42:00+00	2.367
368	9	2026-11-02 12:48:00+00	2.354
369	10	2026-11-02 12:54:00+00	2.340
370	11	2026-11-02 13:00:00+00	2.326
371	12	2026-11-02 13:06:00+00	2.313
372	1	2026-11-02 13:12:00+00	2.299
373	2	2026-11-02 13:18:00+00	2.285
374	3	2026-11-02 13:24:00+00	2.271
375	4	2026-11-02 13:30:00+00	2.258
376	5	2026-11-02 13:36:00+00	2.244
377	6	2026-11-02 13:42:00+00	2.230
378	7	2026-11-02 13:48:00+00	2.216
379	8	2026-11-02 13:54:00+00	2.202
380	9	2026-11-02 14:00:00+00	2.189
381	10	2026-11-02 14:06:00+00	2.175
382	11	2026-11-02 14:12:00+00	2.161
383	12	2026-11-02 14:18:00+00	2.147
384	1	2026-11-02 14:24:00+00	2.133
385	2	2026-11-02 14:30:00+00	2.120
386	3	2026-11-02 14:36:00+00	2.106
387	4	2026-11-02 14:42:00+00	2.092
388	5	2026-11-02 14:48:00+00	2.078
389	6	2026-11-02 14:54:00+00	2.064
390	7	2026-11-02 15:00:00+00	2.050
391	8	2026-11-02 15:06:00+00	2.037
392	9	2026-11-02 15:12:00+00	2.023
393	10	2026-11-02 15:18:00+00	2.009
394	11	2026-11-02 15:24:00+00	1.995
395	12	2026-11-02 15:30:00+00	1.981
396	1	2026-11-02 15:36:00+00	1.968
397	2	2026-11-02 15:42:00+00	1.954
398	3	2026-11-02 15:48:00+00	1.940
399	4	2026-11-02 15:54:00+00	1.926
400	5	2026-11-02 16:00:00+00	1.913
401	6	2026-11-02 16:06:00+00	1.899
402	7	2026-11-02 16:12:00+00	1.885
403	8	2026-11-02 16:18:00+00	1.871
404	9	2026-11-02 16:24:00+00	1.858
405	10	2026-11-02 16:30:00+00	1.844
406	11	2026-11-02 16:36:00+00	1.830
407	12	2026-11-02 16:42:00+00	1.817
408	1	2026-11-02 16:48:00+00	1.803
409	2	2026-11-02 16:54:00+00	1.790
410	3	2026-11-02 17:00:00+00	1.776
411	4	2026-11-02 17:06:00+00	1.762
412	5	2026-11-02 17:12:00+00	1.749
413	6	2026-11-02 17:18:00+00	1.735
414	7	2026-11-02 17:24:00+00	1.722
415	8	2026-11-02 17:30:00+00	1.708
416	9	2026-11-02 17:36:00+00	1.695
417	10	2026-11-02 17:42:00+00	1.682
418	11	2026-11-02 17:48:00+00	1.668
419	12	2026-11-02 17:54:00+00	1.655
420	1	2026-11-02 18:00:00+00	1.642
421	2	2026-11-02 18:06:00+00	1.628
422	3	2026-11-02 18:12:00+00	1.615
423	4	2026-11-02 18:18:00+00	1.602
424	5	2026-11-02 18:24:00+00	1.589
425	6	2026-11-02 18:30:00+00	1.575
426	7	2026-11-02 18:36:00+00	1.562
427	8	2026-11-02 18:42:00+00	1.549
428	9	2026-11-02 18:48:00+00	1.536
429	10	2026-11-02 18:54:00+00	1.523
430	11	2026-11-02 19:00:00+00	1.510
431	12	2026-11-02 19:06:00+00	1.497
432	1	2026-11-02 19:12:00+00	1.484
433	2	2026-11-02 19:18:00+00	1.471
434	3	2026-11-02 19:24:00+00	1.459
435	4	2026-11-02 19:30:00+00	1.446
436	5	2026-11-02 19:36:00+00	1.433
437	6	2026-11-02 19:42:00+00	1.420
438	7	2026-11-02 19:48:00+00	1.408
439	8	2026-11-02 19:54:00+00	1.395
440	9	2026-11-02 20:00:00+00	1.383
441	10	2026-11-02 20:06:00+00	1.370
442	11	2026-11-02 20:12:00+00	1.358
443	12	2026-11-02 20:18:00+00	1.345
444	1	2026-11-02 20:24:00+00	1.333
445	2	2026-11-02 20:30:00+00	1.321
446	3	2026-11-02 20:36:00+00	1.308
447	4	2026-11-02 20:42:00+00	1.296
448	5	2026-11-02 20:48:00+00	1.284
449	6	2026-11-02 20:54:00+00	1.272
450	7	2026-11-02 21:00:00+00	1.260
451	8	2026-11-02 21:06:00+00	1.248
452	9	2026-11-02 21:12:00+00	1.236
453	10	2026-11-02 21:18:00+00	1.224
454	11	2026-11-02 21:24:00+00	1.212
455	12	2026-11-02 21:30:00+00	1.200
456	1	2026-11-02 21:36:00+00	1.189
457	2	2026-11-02 21:42:00+00	1.177
458	3	2026-11-02 21:48:00+00	1.166
459	4	2026-11-02 21:54:00+00	1.154
460	5	2026-11-02 22:00:00+00	1.143
461	6	2026-11-02 22:06:00+00	1.131
462	7	2026-11-02 22:12:00+00	1.120
463	8	2026-11-02 22:18:00+00	1.109
464	9	2026-11-02 22:24:00+00	1.097
465	10	2026-11-02 22:30:00+00	1.086
466	11	2026-11-02 22:36:00+00	1.075
467	12	2026-11-02 22:42:00+00	1.064
468	1	2026-11-02 22:48:00+00	1.053
469	2	2026-11-02 22:54:00+00	1.042
470	3	2026-11-02 23:00:00+00	1.032
471	4	2026-11-02 23:06:00+00	1.021
472	5	2026-11-02 23:12:00+00	1.010
473	6	2026-11-02 23:18:00+00	1.000
474	7	2026-11-02 23:24:00+00	0.989
475	8	2026-11-02 23:30:00+00	0.979
476	9	2026-11-02 23:36:00+00	0.968
477	10	2026-11-02 23:42:00+00	0.958
478	11	2026-11-02 23:48:00+00	0.948
479	12	2026-11-02 23:54:00+00	0.938
480	1	2026-11-03 00:00:00+00	0.928
481	2	2026-11-03 00:06:00+00	0.918
482	3	2026-11-03 00:12:00+00	0.908
483	4	2026-11-03 00:18:00+00	0.898
484	5	2026-11-03 00:24:00+00	0.888
485	6	2026-11-03 00:30:00+00	0.879
486	7	2026-11-03 00:36:00+00	0.869
487	8	2026-11-03 00:42:00+00	0.860
488	9	2026-11-03 00:48:00+00	0.850
489	10	2026-11-03 00:54:00+00	0.841
490	11	2026-11-03 01:00:00+00	0.832
491	12	2026-11-03 01:06:00+00	0.823
492	1	2026-11-03 01:12:00+00	0.813
493	2	2026-11-03 01:18:00+00	0.804
494	3	2026-11-03 01:24:00+00	0.796
495	4	2026-11-03 01:30:00+00	0.787
496	5	2026-11-03 01:36:00+00	0.778
497	6	2026-11-03 01:42:00+00	0.769
498	7	2026-11-03 01:48:00+00	0.761
499	8	2026-11-03 01:54:00+00	0.752
500	9	2026-11-03 02:00:00+00	0.744
501	10	2026-11-03 02:06:00+00	0.736
502	11	2026-11-03 02:12:00+00	0.727
503	12	2026-11-03 02:18:00+00	0.719
504	1	2026-11-03 02:24:00+00	0.711
505	2	2026-11-03 02:30:00+00	0.703
506	3	2026-11-03 02:36:00+00	0.696
507	4	2026-11-03 02:42:00+00	0.688
508	5	2026-11-03 02:48:00+00	0.680
509	6	2026-11-03 02:54:00+00	0.673
510	7	2026-11-03 03:00:00+00	0.665
511	8	2026-11-03 03:06:00+00	0.658
512	9	2026-11-03 03:12:00+00	0.651
513	10	2026-11-03 03:18:00+00	0.643
514	11	2026-11-03 03:24:00+00	0.636
515	12	2026-11-03 03:30:00+00	0.629
516	1	2026-11-03 03:36:00+00	0.622
517	2	2026-11-03 03:42:00+00	0.616
518	3	2026-11-03 03:48:00+00	0.609
519	4	2026-11-03 03:54:00+00	0.602
520	5	2026-11-03 04:00:00+00	0.596
521	6	2026-11-03 04:06:00+00	0.589
522	7	2026-11-03 04:12:00+00	0.583
523	8	2026-11-03 04:18:00+00	0.577
524	9	2026-11-03 04:24:00+00	0.571
525	10	2026-11-03 04:30:00+00	0.565
526	11	2026-11-03 04:36:00+00	0.559
527	12	2026-11-03 04:42:00+00	0.553
528	1	2026-11-03 04:48:00+00	0.548
529	2	2026-11-03 04:54:00+00	0.542
530	3	2026-11-03 05:00:00+00	0.536
531	4	2026-11-03 05:06:00+00	0.531
532	5	2026-11-03 05:12:00+00	0.526
533	6	2026-11-03 05:18:00+00	0.521
534	7	2026-11-03 05:24:00+00	0.516
535	8	2026-11-03 05:30:00+00	0.511
536	9	2026-11-03 05:36:00+00	0.506
537	10	2026-11-03 05:42:00+00	0.501
538	11	2026-11-03 05:48:00+00	0.496
539	12	2026-11-03 05:54:00+00	0.492
540	1	2026-11-03 06:00:00+00	0.487
541	2	2026-11-03 06:06:00+00	0.483
542	3	2026-11-03 06:12:00+00	0.479
543	4	2026-11-03 06:18:00+00	0.475
544	5	2026-11-03 06:24:00+00	0.471
545	6	2026-11-03 06:30:00+00	0.467
546	7	2026-11-03 06:36:00+00	0.463
547	8	2026-11-03 06:42:00+00	0.459
548	9	2026-11-03 06:48:00+00	0.456
549	10	2026-11-03 06:54:00+00	0.452
550	11	2026-11-03 07:00:00+00	0.449
551	12	2026-11-03 07:06:00+00	0.446
552	1	2026-11-03 07:12:00+00	0.443
553	2	2026-11-03 07:18:00+00	0.440
554	3	2026-11-03 07:24:00+00	0.437
555	4	2026-11-03 07:30:00+00	0.434
556	5	2026-11-03 07:36:00+00	0.431
557	6	2026-11-03 07:42:00+00	0.429
558	7	2026-11-03 07:48:00+00	0.426
559	8	2026-11-03 07:54:00+00	0.424
560	9	2026-11-03 08:00:00+00	0.422
561	10	2026-11-03 08:06:00+00	0.419
562	11	2026-11-03 08:12:00+00	0.417
563	12	2026-11-03 08:18:00+00	0.416
564	1	2026-11-03 08:24:00+00	0.414
565	2	2026-11-03 08:30:00+00	0.412
566	3	2026-11-03 08:36:00+00	0.410
567	4	2026-11-03 08:42:00+00	0.409
568	5	2026-11-03 08:48:00+00	0.408
569	6	2026-11-03 08:54:00+00	0.406
570	7	2026-11-03 09:00:00+00	0.405
571	8	2026-11-03 09:06:00+00	0.404
572	9	2026-11-03 09:12:00+00	0.403
573	10	2026-11-03 09:18:00+00	0.402
574	11	2026-11-03 09:24:00+00	0.402
575	12	2026-11-03 09:30:00+00	0.401
576	1	2026-11-03 09:36:00+00	0.401
577	2	2026-11-03 09:42:00+00	0.400
578	3	2026-11-03 09:48:00+00	0.400
579	4	2026-11-03 09:54:00+00	0.400
580	5	2026-11-03 10:00:00+00	0.400
581	6	2026-11-03 10:06:00+00	0.400
582	7	2026-11-03 10:12:00+00	0.400
583	8	2026-11-03 10:18:00+00	0.401
584	9	2026-11-03 10:24:00+00	0.401
585	10	2026-11-03 10:30:00+00	0.402
586	11	2026-11-03 10:36:00+00	0.402
587	12	2026-11-03 10:42:00+00	0.403
588	1	2026-11-03 10:48:00+00	0.404
589	2	2026-11-03 10:54:00+00	0.405
590	3	2026-11-03 11:00:00+00	0.406
591	4	2026-11-03 11:06:00+00	0.407
592	5	2026-11-03 11:12:00+00	0.409
593	6	2026-11-03 11:18:00+00	0.410
594	7	2026-11-03 11:24:00+00	0.412
595	8	2026-11-03 11:30:00+00	0.413
596	9	2026-11-03 11:36:00+00	0.415
597	10	2026-11-03 11:42:00+00	0.417
598	11	2026-11-03 11:48:00+00	0.419
599	12	2026-11-03 11:54:00+00	0.421
600	1	2026-11-03 12:00:00+00	0.423
601	2	2026-11-03 12:06:00+00	0.426
602	3	2026-11-03 12:12:00+00	0.428
603	4	2026-11-03 12:18:00+00	0.431
604	5	2026-11-03 12:24:00+00	0.433
605	6	2026-11-03 12:30:00+00	0.436
606	7	2026-11-03 12:36:00+00	0.439
607	8	2026-11-03 12:42:00+00	0.442
608	9	2026-11-03 12:48:00+00	0.445
609	10	2026-11-03 12:54:00+00	0.448
610	11	2026-11-03 13:00:00+00	0.452
611	12	2026-11-03 13:06:00+00	0.455
612	1	2026-11-03 13:12:00+00	0.459
613	2	2026-11-03 13:18:00+00	0.462
614	3	2026-11-03 13:24:00+00	0.466
615	4	2026-11-03 13:30:00+00	0.470
616	5	2026-11-03 13:36:00+00	0.474
617	6	2026-11-03 13:42:00+00	0.478
618	7	2026-11-03 13:48:00+00	0.482
619	8	2026-11-03 13:54:00+00	0.486
620	9	2026-11-03 14:00:00+00	0.491
621	10	2026-11-03 14:06:00+00	0.495
622	11	2026-11-03 14:12:00+00	0.500
623	12	2026-11-03 14:18:00+00	0.505
624	1	2026-11-03 14:24:00+00	0.509
625	2	2026-11-03 14:30:00+00	0.514
626	3	2026-11-03 14:36:00+00	0.519
627	4	2026-11-03 14:42:00+00	0.525
628	5	2026-11-03 14:48:00+00	0.530
629	6	2026-11-03 14:54:00+00	0.535
630	7	2026-11-03 15:00:00+00	0.541
631	8	2026-11-03 15:06:00+00	0.546
632	9	2026-11-03 15:12:00+00	0.552
633	10	2026-11-03 15:18:00+00	0.558
634	11	2026-11-03 15:24:00+00	0.563
635	12	2026-11-03 15:30:00+00	0.569
636	1	2026-11-03 15:36:00+00	0.575
637	2	2026-11-03 15:42:00+00	0.582
638	3	2026-11-03 15:48:00+00	0.588
639	4	2026-11-03 15:54:00+00	0.594
640	5	2026-11-03 16:00:00+00	0.601
641	6	2026-11-03 16:06:00+00	0.607
642	7	2026-11-03 16:12:00+00	0.614
643	8	2026-11-03 16:18:00+00	0.621
644	9	2026-11-03 16:24:00+00	0.628
645	10	2026-11-03 16:30:00+00	0.635
646	11	2026-11-03 16:36:00+00	0.642
647	12	2026-11-03 16:42:00+00	0.649
648	1	2026-11-03 16:48:00+00	0.656
649	2	2026-11-03 16:54:00+00	0.663
650	3	2026-11-03 17:00:00+00	0.671
651	4	2026-11-03 17:06:00+00	0.678
652	5	2026-11-03 17:12:00+00	0.686
653	6	2026-11-03 17:18:00+00	0.694
654	7	2026-11-03 17:24:00+00	0.701
655	8	2026-11-03 17:30:00+00	0.709
656	9	2026-11-03 17:36:00+00	0.717
657	10	2026-11-03 17:42:00+00	0.725
658	11	2026-11-03 17:48:00+00	0.734
659	12	2026-11-03 17:54:00+00	0.742
660	1	2026-11-03 18:00:00+00	0.750
661	2	2026-11-03 18:06:00+00	0.759
662	3	2026-11-03 18:12:00+00	0.767
663	4	2026-11-03 18:18:00+00	0.776
664	5	2026-11-03 18:24:00+00	0.785
665	6	2026-11-03 18:30:00+00	0.793
666	7	2026-11-03 18:36:00+00	0.802
667	8	2026-11-03 18:42:00+00	0.811
668	9	2026-11-03 18:48:00+00	0.820
669	10	2026-11-03 18:54:00+00	0.829
670	11	2026-11-03 19:00:00+00	0.839
671	12	2026-11-03 19:06:00+00	0.848
672	1	2026-11-03 19:12:00+00	0.857
673	2	2026-11-03 19:18:00+00	0.867
674	3	2026-11-03 19:24:00+00	0.876
675	4	2026-11-03 19:30:00+00	0.886
676	5	2026-11-03 19:36:00+00	0.896
677	6	2026-11-03 19:42:00+00	0.905
678	7	2026-11-03 19:48:00+00	0.915
679	8	2026-11-03 19:54:00+00	0.925
680	9	2026-11-03 20:00:00+00	0.935
681	10	2026-11-03 20:06:00+00	0.945
682	11	2026-11-03 20:12:00+00	0.956
683	12	2026-11-03 20:18:00+00	0.966
684	1	2026-11-03 20:24:00+00	0.976
685	2	2026-11-03 20:30:00+00	0.987
686	3	2026-11-03 20:36:00+00	0.997
687	4	2026-11-03 20:42:00+00	1.008
688	5	2026-11-03 20:48:00+00	1.018
689	6	2026-11-03 20:54:00+00	1.029
690	7	2026-11-03 21:00:00+00	1.040
691	8	2026-11-03 21:06:00+00	1.051
692	9	2026-11-03 21:12:00+00	1.062
693	10	2026-11-03 21:18:00+00	1.072
694	11	2026-11-03 21:24:00+00	1.084
695	12	2026-11-03 21:30:00+00	1.095
696	1	2026-11-03 21:36:00+00	1.106
697	2	2026-11-03 21:42:00+00	1.117
698	3	2026-11-03 21:48:00+00	1.128
699	4	2026-11-03 21:54:00+00	1.140
700	5	2026-11-03 22:00:00+00	1.151
701	6	2026-11-03 22:06:00+00	1.163
702	7	2026-11-03 22:12:00+00	1.174
703	8	2026-11-03 22:18:00+00	1.186
704	9	2026-11-03 22:24:00+00	1.198
705	10	2026-11-03 22:30:00+00	1.209
706	11	2026-11-03 22:36:00+00	1.221
707	12	2026-11-03 22:42:00+00	1.233
708	1	2026-11-03 22:48:00+00	1.245
709	2	2026-11-03 22:54:00+00	1.257
710	3	2026-11-03 23:00:00+00	1.269
711	4	2026-11-03 23:06:00+00	1.281
712	5	2026-11-03 23:12:00+00	1.293
713	6	2026-11-03 23:18:00+00	1.305
714	7	2026-11-03 23:24:00+00	1.318
715	8	2026-11-03 23:30:00+00	1.330
716	9	2026-11-03 23:36:00+00	1.342
717	10	2026-11-03 23:42:00+00	1.355
718	11	2026-11-03 23:48:00+00	1.367
719	12	2026-11-03 23:54:00+00	1.380
720	1	2026-11-04 00:00:00+00	1.392
721	2	2026-11-04 00:06:00+00	1.405
722	3	2026-11-04 00:12:00+00	1.417
723	4	2026-11-04 00:18:00+00	1.430
724	5	2026-11-04 00:24:00+00	1.443
725	6	2026-11-04 00:30:00+00	1.455
726	7	2026-11-04 00:36:00+00	1.468
727	8	2026-11-04 00:42:00+00	1.481
728	9	2026-11-04 00:48:00+00	1.494
729	10	2026-11-04 00:54:00+00	1.507
730	11	2026-11-04 01:00:00+00	1.520
731	12	2026-11-04 01:06:00+00	1.533
732	1	2026-11-04 01:12:00+00	1.546
733	2	2026-11-04 01:18:00+00	1.559
734	3	2026-11-04 01:24:00+00	1.572
735	4	2026-11-04 01:30:00+00	1.585
736	5	2026-11-04 01:36:00+00	1.599
737	6	2026-11-04 01:42:00+00	1.612
738	7	2026-11-04 01:48:00+00	1.625
739	8	2026-11-04 01:54:00+00	1.638
740	9	2026-11-04 02:00:00+00	1.652
741	10	2026-11-04 02:06:00+00	1.665
742	11	2026-11-04 02:12:00+00	1.678
743	12	2026-11-04 02:18:00+00	1.692
744	1	2026-11-04 02:24:00+00	1.705
745	2	2026-11-04 02:30:00+00	1.719
746	3	2026-11-04 02:36:00+00	1.732
747	4	2026-11-04 02:42:00+00	1.746
748	5	2026-11-04 02:48:00+00	1.759
749	6	2026-11-04 02:54:00+00	1.773
750	7	2026-11-04 03:00:00+00	1.786
751	8	2026-11-04 03:06:00+00	1.800
752	9	2026-11-04 03:12:00+00	1.813
753	10	2026-11-04 03:18:00+00	1.827
754	11	2026-11-04 03:24:00+00	1.841
755	12	2026-11-04 03:30:00+00	1.854
756	1	2026-11-04 03:36:00+00	1.868
757	2	2026-11-04 03:42:00+00	1.882
758	3	2026-11-04 03:48:00+00	1.896
759	4	2026-11-04 03:54:00+00	1.909
760	5	2026-11-04 04:00:00+00	1.923
761	6	2026-11-04 04:06:00+00	1.937
762	7	2026-11-04 04:12:00+00	1.950
763	8	2026-11-04 04:18:00+00	1.964
764	9	2026-11-04 04:24:00+00	1.978
765	10	2026-11-04 04:30:00+00	1.992
766	11	2026-11-04 04:36:00+00	2.006
767	12	2026-11-04 04:42:00+00	2.019
768	1	2026-11-04 04:48:00+00	2.033
769	2	2026-11-04 04:54:00+00	2.047
770	3	2026-11-04 05:00:00+00	2.061
771	4	2026-11-04 05:06:00+00	2.075
772	5	2026-11-04 05:12:00+00	2.089
773	6	2026-11-04 05:18:00+00	2.102
774	7	2026-11-04 05:24:00+00	2.116
775	8	2026-11-04 05:30:00+00	2.130
776	9	2026-11-04 05:36:00+00	2.144
777	10	2026-11-04 05:42:00+00	2.158
778	11	2026-11-04 05:48:00+00	2.171
779	12	2026-11-04 05:54:00+00	2.185
780	1	2026-11-04 06:00:00+00	2.199
781	2	2026-11-04 06:06:00+00	2.213
782	3	2026-11-04 06:12:00+00	2.227
783	4	2026-11-04 06:18:00+00	2.240
784	5	2026-11-04 06:24:00+00	2.254
785	6	2026-11-04 06:30:00+00	2.268
786	7	2026-11-04 06:36:00+00	2.282
787	8	2026-11-04 06:42:00+00	2.295
788	9	2026-11-04 06:48:00+00	2.309
789	10	2026-11-04 06:54:00+00	2.323
790	11	2026-11-04 07:00:00+00	2.337
791	12	2026-11-04 07:06:00+00	2.350
792	1	2026-11-04 07:12:00+00	2.364
793	2	2026-11-04 07:18:00+00	2.378
794	3	2026-11-04 07:24:00+00	2.391
795	4	2026-11-04 07:30:00+00	2.405
796	5	2026-11-04 07:36:00+00	2.418
797	6	2026-11-04 07:42:00+00	2.432
798	7	2026-11-04 07:48:00+00	2.445
799	8	2026-11-04 07:54:00+00	2.459
800	9	2026-11-04 08:00:00+00	2.472
801	10	2026-11-04 08:06:00+00	2.486
802	11	2026-11-04 08:12:00+00	2.499
803	12	2026-11-04 08:18:00+00	2.513
804	1	2026-11-04 08:24:00+00	2.526
805	2	2026-11-04 08:30:00+00	2.540
806	3	2026-11-04 08:36:00+00	2.553
807	4	2026-11-04 08:42:00+00	2.566
808	5	2026-11-04 08:48:00+00	2.579
809	6	2026-11-04 08:54:00+00	2.593
810	7	2026-11-04 09:00:00+00	2.606
811	8	2026-11-04 09:06:00+00	2.619
812	9	2026-11-04 09:12:00+00	2.632
813	10	2026-11-04 09:18:00+00	2.645
814	11	2026-11-04 09:24:00+00	2.658
815	12	2026-11-04 09:30:00+00	2.671
816	1	2026-11-04 09:36:00+00	2.684
817	2	2026-11-04 09:42:00+00	2.697
818	3	2026-11-04 09:48:00+00	2.710
819	4	2026-11-04 09:54:00+00	2.723
820	5	2026-11-04 10:00:00+00	2.736
821	6	2026-11-04 10:06:00+00	2.749
822	7	2026-11-04 10:12:00+00	2.762
823	8	2026-11-04 10:18:00+00	2.774
824	9	2026-11-04 10:24:00+00	2.787
825	10	2026-11-04 10:30:00+00	2.800
826	11	2026-11-04 10:36:00+00	2.812
827	12	2026-11-04 10:42:00+00	2.825
828	1	2026-11-04 10:48:00+00	2.837
829	2	2026-11-04 10:54:00+00	2.850
830	3	2026-11-04 11:00:00+00	2.862
831	4	2026-11-04 11:06:00+00	2.874
832	5	2026-11-04 11:12:00+00	2.887
833	6	2026-11-04 11:18:00+00	2.899
834	7	2026-11-04 11:24:00+00	2.911
835	8	2026-11-04 11:30:00+00	2.923
836	9	2026-11-04 11:36:00+00	2.935
837	10	2026-11-04 11:42:00+00	2.947
838	11	2026-11-04 11:48:00+00	2.959
839	12	2026-11-04 11:54:00+00	2.971
840	1	2026-11-04 12:00:00+00	2.983
841	2	2026-11-04 12:06:00+00	2.995
842	3	2026-11-04 12:12:00+00	3.006
843	4	2026-11-04 12:18:00+00	3.018
844	5	2026-11-04 12:24:00+00	3.030
845	6	2026-11-04 12:30:00+00	3.041
846	7	2026-11-04 12:36:00+00	3.053
847	8	2026-11-04 12:42:00+00	3.064
848	9	2026-11-04 12:48:00+00	3.075
849	10	2026-11-04 12:54:00+00	3.087
850	11	2026-11-04 13:00:00+00	3.098
851	12	2026-11-04 13:06:00+00	3.109
852	1	2026-11-04 13:12:00+00	3.120
853	2	2026-11-04 13:18:00+00	3.131
854	3	2026-11-04 13:24:00+00	3.142
855	4	2026-11-04 13:30:00+00	3.153
856	5	2026-11-04 13:36:00+00	3.164
857	6	2026-11-04 13:42:00+00	3.175
858	7	2026-11-04 13:48:00+00	3.185
859	8	2026-11-04 13:54:00+00	3.196
860	9	2026-11-04 14:00:00+00	3.206
861	10	2026-11-04 14:06:00+00	3.217
862	11	2026-11-04 14:12:00+00	3.227
863	12	2026-11-04 14:18:00+00	3.238
864	1	2026-11-04 14:24:00+00	3.248
865	2	2026-11-04 14:30:00+00	3.258
866	3	2026-11-04 14:36:00+00	3.268
867	4	2026-11-04 14:42:00+00	3.278
868	5	2026-11-04 14:48:00+00	3.288
869	6	2026-11-04 14:54:00+00	3.298
870	7	2026-11-04 15:00:00+00	3.308
871	8	2026-11-04 15:06:00+00	3.317
872	9	2026-11-04 15:12:00+00	3.327
873	10	2026-11-04 15:18:00+00	3.336
874	11	2026-11-04 15:24:00+00	3.346
875	12	2026-11-04 15:30:00+00	3.355
876	1	2026-11-04 15:36:00+00	3.364
877	2	2026-11-04 15:42:00+00	3.374
878	3	2026-11-04 15:48:00+00	3.383
879	4	2026-11-04 15:54:00+00	3.392
880	5	2026-11-04 16:00:00+00	3.401
881	6	2026-11-04 16:06:00+00	3.410
882	7	2026-11-04 16:12:00+00	3.418
883	8	2026-11-04 16:18:00+00	3.427
884	9	2026-11-04 16:24:00+00	3.436
885	10	2026-11-04 16:30:00+00	3.444
886	11	2026-11-04 16:36:00+00	3.453
887	12	2026-11-04 16:42:00+00	3.461
888	1	2026-11-04 16:48:00+00	3.469
889	2	2026-11-04 16:54:00+00	3.477
890	3	2026-11-04 17:00:00+00	3.485
891	4	2026-11-04 17:06:00+00	3.493
892	5	2026-11-04 17:12:00+00	3.501
893	6	2026-11-04 17:18:00+00	3.509
894	7	2026-11-04 17:24:00+00	3.517
895	8	2026-11-04 17:30:00+00	3.524
896	9	2026-11-04 17:36:00+00	3.532
897	10	2026-11-04 17:42:00+00	3.539
898	11	2026-11-04 17:48:00+00	3.546
899	12	2026-11-04 17:54:00+00	3.554
900	1	2026-11-04 18:00:00+00	3.561
901	2	2026-11-04 18:06:00+00	3.568
902	3	2026-11-04 18:12:00+00	3.575
903	4	2026-11-04 18:18:00+00	3.582
904	5	2026-11-04 18:24:00+00	3.588
905	6	2026-11-04 18:30:00+00	3.595
906	7	2026-11-04 18:36:00+00	3.601
907	8	2026-11-04 18:42:00+00	3.608
908	9	2026-11-04 18:48:00+00	3.614
909	10	2026-11-04 18:54:00+00	3.620
910	11	2026-11-04 19:00:00+00	3.627
911	12	2026-11-04 19:06:00+00	3.633
912	1	2026-11-04 19:12:00+00	3.639
913	2	2026-11-04 19:18:00+00	3.644
914	3	2026-11-04 19:24:00+00	3.650
915	4	2026-11-04 19:30:00+00	3.656
916	5	2026-11-04 19:36:00+00	3.661
917	6	2026-11-04 19:42:00+00	3.667
918	7	2026-11-04 19:48:00+00	3.672
919	8	2026-11-04 19:54:00+00	3.677
920	9	2026-11-04 20:00:00+00	3.682
921	10	2026-11-04 20:06:00+00	3.687
922	11	2026-11-04 20:12:00+00	3.692
923	12	2026-11-04 20:18:00+00	3.697
924	1	2026-11-04 20:24:00+00	3.702
925	2	2026-11-04 20:30:00+00	3.706
926	3	2026-11-04 20:36:00+00	3.711
927	4	2026-11-04 20:42:00+00	3.715
928	5	2026-11-04 20:48:00+00	3.719
929	6	2026-11-04 20:54:00+00	3.724
930	7	2026-11-04 21:00:00+00	3.728
931	8	2026-11-04 21:06:00+00	3.731
932	9	2026-11-04 21:12:00+00	3.735
933	10	2026-11-04 21:18:00+00	3.739
934	11	2026-11-04 21:24:00+00	3.743
935	12	2026-11-04 21:30:00+00	3.746
936	1	2026-11-04 21:36:00+00	3.750
937	2	2026-11-04 21:42:00+00	3.753
938	3	2026-11-04 21:48:00+00	3.756
939	4	2026-11-04 21:54:00+00	3.759
940	5	2026-11-04 22:00:00+00	3.762
941	6	2026-11-04 22:06:00+00	3.765
942	7	2026-11-04 22:12:00+00	3.768
943	8	2026-11-04 22:18:00+00	3.770
944	9	2026-11-04 22:24:00+00	3.773
945	10	2026-11-04 22:30:00+00	3.775
946	11	2026-11-04 22:36:00+00	3.777
947	12	2026-11-04 22:42:00+00	3.780
948	1	2026-11-04 22:48:00+00	3.782
949	2	2026-11-04 22:54:00+00	3.784
950	3	2026-11-04 23:00:00+00	3.786
951	4	2026-11-04 23:06:00+00	3.787
952	5	2026-11-04 23:12:00+00	3.789
953	6	2026-11-04 23:18:00+00	3.790
954	7	2026-11-04 23:24:00+00	3.792
955	8	2026-11-04 23:30:00+00	3.793
956	9	2026-11-04 23:36:00+00	3.794
957	10	2026-11-04 23:42:00+00	3.795
958	11	2026-11-04 23:48:00+00	3.796
959	12	2026-11-04 23:54:00+00	3.797
960	1	2026-11-05 00:00:00+00	3.798
961	2	2026-11-05 00:06:00+00	3.799
962	3	2026-11-05 00:12:00+00	3.799
963	4	2026-11-05 00:18:00+00	3.799
964	5	2026-11-05 00:24:00+00	3.800
965	6	2026-11-05 00:30:00+00	3.800
966	7	2026-11-05 00:36:00+00	3.800
967	8	2026-11-05 00:42:00+00	3.800
968	9	2026-11-05 00:48:00+00	3.800
969	10	2026-11-05 00:54:00+00	3.800
970	11	2026-11-05 01:00:00+00	3.799
971	12	2026-11-05 01:06:00+00	3.799
972	1	2026-11-05 01:12:00+00	3.798
973	2	2026-11-05 01:18:00+00	3.797
974	3	2026-11-05 01:24:00+00	3.796
975	4	2026-11-05 01:30:00+00	3.795
976	5	2026-11-05 01:36:00+00	3.794
977	6	2026-11-05 01:42:00+00	3.793
978	7	2026-11-05 01:48:00+00	3.792
979	8	2026-11-05 01:54:00+00	3.791
980	9	2026-11-05 02:00:00+00	3.789
981	10	2026-11-05 02:06:00+00	3.787
982	11	2026-11-05 02:12:00+00	3.786
983	12	2026-11-05 02:18:00+00	3.784
984	1	2026-11-05 02:24:00+00	3.782
985	2	2026-11-05 02:30:00+00	3.780
986	3	2026-11-05 02:36:00+00	3.778
987	4	2026-11-05 02:42:00+00	3.775
988	5	2026-11-05 02:48:00+00	3.773
989	6	2026-11-05 02:54:00+00	3.770
990	7	2026-11-05 03:00:00+00	3.768
991	8	2026-11-05 03:06:00+00	3.765
992	9	2026-11-05 03:12:00+00	3.762
993	10	2026-11-05 03:18:00+00	3.759
994	11	2026-11-05 03:24:00+00	3.756
995	12	2026-11-05 03:30:00+00	3.753
996	1	2026-11-05 03:36:00+00	3.750
997	2	2026-11-05 03:42:00+00	3.746
998	3	2026-11-05 03:48:00+00	3.743
999	4	2026-11-05 03:54:00+00	3.739
1000	5	2026-11-05 04:00:00+00	3.736
1001	6	2026-11-05 04:06:00+00	3.732
1002	7	2026-11-05 04:12:00+00	3.728
1003	8	2026-11-05 04:18:00+00	3.724
1004	9	2026-11-05 04:24:00+00	3.720
1005	10	2026-11-05 04:30:00+00	3.715
1006	11	2026-11-05 04:36:00+00	3.711
1007	12	2026-11-05 04:42:00+00	3.707
1008	1	2026-11-05 04:48:00+00	3.702
1009	2	2026-11-05 04:54:00+00	3.697
1010	3	2026-11-05 05:00:00+00	3.693
1011	4	2026-11-05 05:06:00+00	3.688
1012	5	2026-11-05 05:12:00+00	3.683
1013	6	2026-11-05 05:18:00+00	3.678
1014	7	2026-11-05 05:24:00+00	3.672
1015	8	2026-11-05 05:30:00+00	3.667
1016	9	2026-11-05 05:36:00+00	3.662
1017	10	2026-11-05 05:42:00+00	3.656
1018	11	2026-11-05 05:48:00+00	3.651
1019	12	2026-11-05 05:54:00+00	3.645
1020	1	2026-11-05 06:00:00+00	3.639
1021	2	2026-11-05 06:06:00+00	3.633
1022	3	2026-11-05 06:12:00+00	3.627
1023	4	2026-11-05 06:18:00+00	3.621
1024	5	2026-11-05 06:24:00+00	3.615
1025	6	2026-11-05 06:30:00+00	3.608
1026	7	2026-11-05 06:36:00+00	3.602
1027	8	2026-11-05 06:42:00+00	3.595
1028	9	2026-11-05 06:48:00+00	3.589
1029	10	2026-11-05 06:54:00+00	3.582
1030	11	2026-11-05 07:00:00+00	3.575
1031	12	2026-11-05 07:06:00+00	3.568
1032	1	2026-11-05 07:12:00+00	3.561
1033	2	2026-11-05 07:18:00+00	3.554
1034	3	2026-11-05 07:24:00+00	3.547
1035	4	2026-11-05 07:30:00+00	3.540
1036	5	2026-11-05 07:36:00+00	3.532
1037	6	2026-11-05 07:42:00+00	3.525
1038	7	2026-11-05 07:48:00+00	3.517
1039	8	2026-11-05 07:54:00+00	3.510
1040	9	2026-11-05 08:00:00+00	3.502
1041	10	2026-11-05 08:06:00+00	3.494
1042	11	2026-11-05 08:12:00+00	3.486
1043	12	2026-11-05 08:18:00+00	3.478
1044	1	2026-11-05 08:24:00+00	3.470
1045	2	2026-11-05 08:30:00+00	3.462
1046	3	2026-11-05 08:36:00+00	3.453
1047	4	2026-11-05 08:42:00+00	3.445
1048	5	2026-11-05 08:48:00+00	3.436
1049	6	2026-11-05 08:54:00+00	3.428
1050	7	2026-11-05 09:00:00+00	3.419
1051	8	2026-11-05 09:06:00+00	3.410
1052	9	2026-11-05 09:12:00+00	3.401
1053	10	2026-11-05 09:18:00+00	3.393
1054	11	2026-11-05 09:24:00+00	3.384
1055	12	2026-11-05 09:30:00+00	3.374
1056	1	2026-11-05 09:36:00+00	3.365
1057	2	2026-11-05 09:42:00+00	3.356
1058	3	2026-11-05 09:48:00+00	3.347
1059	4	2026-11-05 09:54:00+00	3.337
1060	5	2026-11-05 10:00:00+00	3.328
1061	6	2026-11-05 10:06:00+00	3.318
1062	7	2026-11-05 10:12:00+00	3.308
1063	8	2026-11-05 10:18:00+00	3.299
1064	9	2026-11-05 10:24:00+00	3.289
1065	10	2026-11-05 10:30:00+00	3.279
1066	11	2026-11-05 10:36:00+00	3.269
1067	12	2026-11-05 10:42:00+00	3.259
1068	1	2026-11-05 10:48:00+00	3.249
1069	2	2026-11-05 10:54:00+00	3.238
1070	3	2026-11-05 11:00:00+00	3.228
1071	4	2026-11-05 11:06:00+00	3.218
1072	5	2026-11-05 11:12:00+00	3.207
1073	6	2026-11-05 11:18:00+00	3.197
1074	7	2026-11-05 11:24:00+00	3.186
1075	8	2026-11-05 11:30:00+00	3.175
1076	9	2026-11-05 11:36:00+00	3.165
1077	10	2026-11-05 11:42:00+00	3.154
1078	11	2026-11-05 11:48:00+00	3.143
1079	12	2026-11-05 11:54:00+00	3.132
1080	1	2026-11-05 12:00:00+00	3.121
1081	2	2026-11-05 12:06:00+00	3.110
1082	3	2026-11-05 12:12:00+00	3.099
1083	4	2026-11-05 12:18:00+00	3.088
1084	5	2026-11-05 12:24:00+00	3.076
1085	6	2026-11-05 12:30:00+00	3.065
1086	7	2026-11-05 12:36:00+00	3.054
1087	8	2026-11-05 12:42:00+00	3.042
1088	9	2026-11-05 12:48:00+00	3.031
1089	10	2026-11-05 12:54:00+00	3.019
1090	11	2026-11-05 13:00:00+00	3.007
1091	12	2026-11-05 13:06:00+00	2.996
1092	1	2026-11-05 13:12:00+00	2.984
1093	2	2026-11-05 13:18:00+00	2.972
1094	3	2026-11-05 13:24:00+00	2.960
1095	4	2026-11-05 13:30:00+00	2.948
1096	5	2026-11-05 13:36:00+00	2.936
1097	6	2026-11-05 13:42:00+00	2.924
1098	7	2026-11-05 13:48:00+00	2.912
1099	8	2026-11-05 13:54:00+00	2.900
1100	9	2026-11-05 14:00:00+00	2.888
1101	10	2026-11-05 14:06:00+00	2.875
1102	11	2026-11-05 14:12:00+00	2.863
1103	12	2026-11-05 14:18:00+00	2.851
1104	1	2026-11-05 14:24:00+00	2.838
1105	2	2026-11-05 14:30:00+00	2.826
1106	3	2026-11-05 14:36:00+00	2.813
1107	4	2026-11-05 14:42:00+00	2.801
1108	5	2026-11-05 14:48:00+00	2.788
1109	6	2026-11-05 14:54:00+00	2.775
1110	7	2026-11-05 15:00:00+00	2.763
1111	8	2026-11-05 15:06:00+00	2.750
1112	9	2026-11-05 15:12:00+00	2.737
1113	10	2026-11-05 15:18:00+00	2.724
1114	11	2026-11-05 15:24:00+00	2.711
1115	12	2026-11-05 15:30:00+00	2.698
1116	1	2026-11-05 15:36:00+00	2.685
1117	2	2026-11-05 15:42:00+00	2.672
1118	3	2026-11-05 15:48:00+00	2.659
1119	4	2026-11-05 15:54:00+00	2.646
1120	5	2026-11-05 16:00:00+00	2.633
1121	6	2026-11-05 16:06:00+00	2.620
1122	7	2026-11-05 16:12:00+00	2.607
1123	8	2026-11-05 16:18:00+00	2.594
1124	9	2026-11-05 16:24:00+00	2.581
1125	10	2026-11-05 16:30:00+00	2.567
1126	11	2026-11-05 16:36:00+00	2.554
1127	12	2026-11-05 16:42:00+00	2.541
1128	1	2026-11-05 16:48:00+00	2.527
1129	2	2026-11-05 16:54:00+00	2.514
1130	3	2026-11-05 17:00:00+00	2.500
1131	4	2026-11-05 17:06:00+00	2.487
1132	5	2026-11-05 17:12:00+00	2.474
1133	6	2026-11-05 17:18:00+00	2.460
1134	7	2026-11-05 17:24:00+00	2.447
1135	8	2026-11-05 17:30:00+00	2.433
1136	9	2026-11-05 17:36:00+00	2.419
1137	10	2026-11-05 17:42:00+00	2.406
1138	11	2026-11-05 17:48:00+00	2.392
1139	12	2026-11-05 17:54:00+00	2.379
1140	1	2026-11-05 18:00:00+00	2.365
1141	2	2026-11-05 18:06:00+00	2.351
1142	3	2026-11-05 18:12:00+00	2.338
1143	4	2026-11-05 18:18:00+00	2.324
1144	5	2026-11-05 18:24:00+00	2.310
1145	6	2026-11-05 18:30:00+00	2.296
1146	7	2026-11-05 18:36:00+00	2.283
1147	8	2026-11-05 18:42:00+00	2.269
1148	9	2026-11-05 18:48:00+00	2.255
1149	10	2026-11-05 18:54:00+00	2.241
1150	11	2026-11-05 19:00:00+00	2.228
1151	12	2026-11-05 19:06:00+00	2.214
1152	1	2026-11-05 19:12:00+00	2.200
1153	2	2026-11-05 19:18:00+00	2.186
1154	3	2026-11-05 19:24:00+00	2.173
1155	4	2026-11-05 19:30:00+00	2.159
1156	5	2026-11-05 19:36:00+00	2.145
1157	6	2026-11-05 19:42:00+00	2.131
1158	7	2026-11-05 19:48:00+00	2.117
1159	8	2026-11-05 19:54:00+00	2.103
1160	9	2026-11-05 20:00:00+00	2.090
1161	10	2026-11-05 20:06:00+00	2.076
1162	11	2026-11-05 20:12:00+00	2.062
1163	12	2026-11-05 20:18:00+00	2.048
1164	1	2026-11-05 20:24:00+00	2.034
1165	2	2026-11-05 20:30:00+00	2.021
1166	3	2026-11-05 20:36:00+00	2.007
1167	4	2026-11-05 20:42:00+00	1.993
1168	5	2026-11-05 20:48:00+00	1.979
1169	6	2026-11-05 20:54:00+00	1.965
1170	7	2026-11-05 21:00:00+00	1.952
1171	8	2026-11-05 21:06:00+00	1.938
1172	9	2026-11-05 21:12:00+00	1.924
1173	10	2026-11-05 21:18:00+00	1.910
1174	11	2026-11-05 21:24:00+00	1.897
1175	12	2026-11-05 21:30:00+00	1.883
1176	1	2026-11-05 21:36:00+00	1.869
1177	2	2026-11-05 21:42:00+00	1.855
1178	3	2026-11-05 21:48:00+00	1.842
1179	4	2026-11-05 21:54:00+00	1.828
1180	5	2026-11-05 22:00:00+00	1.815
1181	6	2026-11-05 22:06:00+00	1.801
1182	7	2026-11-05 22:12:00+00	1.787
1183	8	2026-11-05 22:18:00+00	1.774
1184	9	2026-11-05 22:24:00+00	1.760
1185	10	2026-11-05 22:30:00+00	1.747
1186	11	2026-11-05 22:36:00+00	1.733
1187	12	2026-11-05 22:42:00+00	1.720
1188	1	2026-11-05 22:48:00+00	1.706
1189	2	2026-11-05 22:54:00+00	1.693
1190	3	2026-11-05 23:00:00+00	1.679
1191	4	2026-11-05 23:06:00+00	1.666
1192	5	2026-11-05 23:12:00+00	1.653
1193	6	2026-11-05 23:18:00+00	1.639
1194	7	2026-11-05 23:24:00+00	1.626
1195	8	2026-11-05 23:30:00+00	1.613
1196	9	2026-11-05 23:36:00+00	1.600
1197	10	2026-11-05 23:42:00+00	1.586
1198	11	2026-11-05 23:48:00+00	1.573
1199	12	2026-11-05 23:54:00+00	1.560
1200	1	2026-11-06 00:00:00+00	1.547
1201	2	2026-11-06 00:06:00+00	1.534
1202	3	2026-11-06 00:12:00+00	1.521
1203	4	2026-11-06 00:18:00+00	1.508
1204	5	2026-11-06 00:24:00+00	1.495
1205	6	2026-11-06 00:30:00+00	1.482
1206	7	2026-11-06 00:36:00+00	1.469
1207	8	2026-11-06 00:42:00+00	1.456
1208	9	2026-11-06 00:48:00+00	1.444
1209	10	2026-11-06 00:54:00+00	1.431
1210	11	2026-11-06 01:00:00+00	1.418
1211	12	2026-11-06 01:06:00+00	1.406
1212	1	2026-11-06 01:12:00+00	1.393
1213	2	2026-11-06 01:18:00+00	1.381
1214	3	2026-11-06 01:24:00+00	1.368
1215	4	2026-11-06 01:30:00+00	1.356
1216	5	2026-11-06 01:36:00+00	1.343
1217	6	2026-11-06 01:42:00+00	1.331
1218	7	2026-11-06 01:48:00+00	1.319
1219	8	2026-11-06 01:54:00+00	1.306
1220	9	2026-11-06 02:00:00+00	1.294
1221	10	2026-11-06 02:06:00+00	1.282
1222	11	2026-11-06 02:12:00+00	1.270
1223	12	2026-11-06 02:18:00+00	1.258
1224	1	2026-11-06 02:24:00+00	1.246
1225	2	2026-11-06 02:30:00+00	1.234
1226	3	2026-11-06 02:36:00+00	1.222
1227	4	2026-11-06 02:42:00+00	1.210
1228	5	2026-11-06 02:48:00+00	1.198
1229	6	2026-11-06 02:54:00+00	1.187
1230	7	2026-11-06 03:00:00+00	1.175
1231	8	2026-11-06 03:06:00+00	1.164
1232	9	2026-11-06 03:12:00+00	1.152
1233	10	2026-11-06 03:18:00+00	1.141
1234	11	2026-11-06 03:24:00+00	1.129
1235	12	2026-11-06 03:30:00+00	1.118
1236	1	2026-11-06 03:36:00+00	1.107
1237	2	2026-11-06 03:42:00+00	1.096
1238	3	2026-11-06 03:48:00+00	1.084
1239	4	2026-11-06 03:54:00+00	1.073
1240	5	2026-11-06 04:00:00+00	1.062
1241	6	2026-11-06 04:06:00+00	1.051
1242	7	2026-11-06 04:12:00+00	1.041
1243	8	2026-11-06 04:18:00+00	1.030
1244	9	2026-11-06 04:24:00+00	1.019
1245	10	2026-11-06 04:30:00+00	1.009
1246	11	2026-11-06 04:36:00+00	0.998
1247	12	2026-11-06 04:42:00+00	0.987
1248	1	2026-11-06 04:48:00+00	0.977
1249	2	2026-11-06 04:54:00+00	0.967
1250	3	2026-11-06 05:00:00+00	0.956
1251	4	2026-11-06 05:06:00+00	0.946
1252	5	2026-11-06 05:12:00+00	0.936
1253	6	2026-11-06 05:18:00+00	0.926
1254	7	2026-11-06 05:24:00+00	0.916
1255	8	2026-11-06 05:30:00+00	0.906
1256	9	2026-11-06 05:36:00+00	0.896
1257	10	2026-11-06 05:42:00+00	0.887
1258	11	2026-11-06 05:48:00+00	0.877
1259	12	2026-11-06 05:54:00+00	0.868
1260	1	2026-11-06 06:00:00+00	0.858
1261	2	2026-11-06 06:06:00+00	0.849
1262	3	2026-11-06 06:12:00+00	0.839
1263	4	2026-11-06 06:18:00+00	0.830
1264	5	2026-11-06 06:24:00+00	0.821
1265	6	2026-11-06 06:30:00+00	0.812
1266	7	2026-11-06 06:36:00+00	0.803
1267	8	2026-11-06 06:42:00+00	0.794
1268	9	2026-11-06 06:48:00+00	0.785
1269	10	2026-11-06 06:54:00+00	0.777
1270	11	2026-11-06 07:00:00+00	0.768
1271	12	2026-11-06 07:06:00+00	0.759
1272	1	2026-11-06 07:12:00+00	0.751
1273	2	2026-11-06 07:18:00+00	0.743
1274	3	2026-11-06 07:24:00+00	0.734
1275	4	2026-11-06 07:30:00+00	0.726
1276	5	2026-11-06 07:36:00+00	0.718
1277	6	2026-11-06 07:42:00+00	0.710
1278	7	2026-11-06 07:48:00+00	0.702
1279	8	2026-11-06 07:54:00+00	0.694
1280	9	2026-11-06 08:00:00+00	0.687
1281	10	2026-11-06 08:06:00+00	0.679
1282	11	2026-11-06 08:12:00+00	0.671
1283	12	2026-11-06 08:18:00+00	0.664
1284	1	2026-11-06 08:24:00+00	0.657
1285	2	2026-11-06 08:30:00+00	0.649
1286	3	2026-11-06 08:36:00+00	0.642
1287	4	2026-11-06 08:42:00+00	0.635
1288	5	2026-11-06 08:48:00+00	0.628
1289	6	2026-11-06 08:54:00+00	0.621
1290	7	2026-11-06 09:00:00+00	0.614
1291	8	2026-11-06 09:06:00+00	0.608
1292	9	2026-11-06 09:12:00+00	0.601
1293	10	2026-11-06 09:18:00+00	0.595
1294	11	2026-11-06 09:24:00+00	0.588
1295	12	2026-11-06 09:30:00+00	0.582
1296	1	2026-11-06 09:36:00+00	0.576
1297	2	2026-11-06 09:42:00+00	0.570
1298	3	2026-11-06 09:48:00+00	0.564
1299	4	2026-11-06 09:54:00+00	0.558
1300	5	2026-11-06 10:00:00+00	0.552
1301	6	2026-11-06 10:06:00+00	0.547
1302	7	2026-11-06 10:12:00+00	0.541
1303	8	2026-11-06 10:18:00+00	0.536
1304	9	2026-11-06 10:24:00+00	0.530
1305	10	2026-11-06 10:30:00+00	0.525
1306	11	2026-11-06 10:36:00+00	0.520
1307	12	2026-11-06 10:42:00+00	0.515
1308	1	2026-11-06 10:48:00+00	0.510
1309	2	2026-11-06 10:54:00+00	0.505
1310	3	2026-11-06 11:00:00+00	0.500
1311	4	2026-11-06 11:06:00+00	0.496
1312	5	2026-11-06 11:12:00+00	0.491
1313	6	2026-11-06 11:18:00+00	0.487
1314	7	2026-11-06 11:24:00+00	0.482
1315	8	2026-11-06 11:30:00+00	0.478
1316	9	2026-11-06 11:36:00+00	0.474
1317	10	2026-11-06 11:42:00+00	0.470
1318	11	2026-11-06 11:48:00+00	0.466
1319	12	2026-11-06 11:54:00+00	0.462
1320	1	2026-11-06 12:00:00+00	0.459
1321	2	2026-11-06 12:06:00+00	0.455
1322	3	2026-11-06 12:12:00+00	0.452
1323	4	2026-11-06 12:18:00+00	0.449
1324	5	2026-11-06 12:24:00+00	0.445
1325	6	2026-11-06 12:30:00+00	0.442
1326	7	2026-11-06 12:36:00+00	0.439
1327	8	2026-11-06 12:42:00+00	0.436
1328	9	2026-11-06 12:48:00+00	0.433
1329	10	2026-11-06 12:54:00+00	0.431
1330	11	2026-11-06 13:00:00+00	0.428
1331	12	2026-11-06 13:06:00+00	0.426
1332	1	2026-11-06 13:12:00+00	0.423
1333	2	2026-11-06 13:18:00+00	0.421
1334	3	2026-11-06 13:24:00+00	0.419
1335	4	2026-11-06 13:30:00+00	0.417
1336	5	2026-11-06 13:36:00+00	0.415
1337	6	2026-11-06 13:42:00+00	0.413
1338	7	2026-11-06 13:48:00+00	0.412
1339	8	2026-11-06 13:54:00+00	0.410
1340	9	2026-11-06 14:00:00+00	0.409
1341	10	2026-11-06 14:06:00+00	0.407
1342	11	2026-11-06 14:12:00+00	0.406
1343	12	2026-11-06 14:18:00+00	0.405
1344	1	2026-11-06 14:24:00+00	0.404
1345	2	2026-11-06 14:30:00+00	0.403
1346	3	2026-11-06 14:36:00+00	0.402
1347	4	2026-11-06 14:42:00+00	0.402
1348	5	2026-11-06 14:48:00+00	0.401
1349	6	2026-11-06 14:54:00+00	0.401
1350	7	2026-11-06 15:00:00+00	0.400
1351	8	2026-11-06 15:06:00+00	0.400
1352	9	2026-11-06 15:12:00+00	0.400
1353	10	2026-11-06 15:18:00+00	0.400
1354	11	2026-11-06 15:24:00+00	0.400
1355	12	2026-11-06 15:30:00+00	0.400
1356	1	2026-11-06 15:36:00+00	0.401
1357	2	2026-11-06 15:42:00+00	0.401
1358	3	2026-11-06 15:48:00+00	0.402
1359	4	2026-11-06 15:54:00+00	0.402
1360	5	2026-11-06 16:00:00+00	0.403
1361	6	2026-11-06 16:06:00+00	0.404
1362	7	2026-11-06 16:12:00+00	0.405
1363	8	2026-11-06 16:18:00+00	0.406
1364	9	2026-11-06 16:24:00+00	0.407
1365	10	2026-11-06 16:30:00+00	0.409
1366	11	2026-11-06 16:36:00+00	0.410
1367	12	2026-11-06 16:42:00+00	0.412
1368	1	2026-11-06 16:48:00+00	0.414
1369	2	2026-11-06 16:54:00+00	0.415
1370	3	2026-11-06 17:00:00+00	0.417
1371	4	2026-11-06 17:06:00+00	0.419
1372	5	2026-11-06 17:12:00+00	0.421
1373	6	2026-11-06 17:18:00+00	0.424
1374	7	2026-11-06 17:24:00+00	0.426
1375	8	2026-11-06 17:30:00+00	0.428
1376	9	2026-11-06 17:36:00+00	0.431
1377	10	2026-11-06 17:42:00+00	0.434
1378	11	2026-11-06 17:48:00+00	0.437
1379	12	2026-11-06 17:54:00+00	0.439
1380	1	2026-11-06 18:00:00+00	0.442
1381	2	2026-11-06 18:06:00+00	0.446
1382	3	2026-11-06 18:12:00+00	0.449
1383	4	2026-11-06 18:18:00+00	0.452
1384	5	2026-11-06 18:24:00+00	0.456
1385	6	2026-11-06 18:30:00+00	0.459
1386	7	2026-11-06 18:36:00+00	0.463
1387	8	2026-11-06 18:42:00+00	0.467
1388	9	2026-11-06 18:48:00+00	0.470
1389	10	2026-11-06 18:54:00+00	0.474
1390	11	2026-11-06 19:00:00+00	0.479
1391	12	2026-11-06 19:06:00+00	0.483
1392	1	2026-11-06 19:12:00+00	0.487
1393	2	2026-11-06 19:18:00+00	0.492
1394	3	2026-11-06 19:24:00+00	0.496
1395	4	2026-11-06 19:30:00+00	0.501
1396	5	2026-11-06 19:36:00+00	0.505
1397	6	2026-11-06 19:42:00+00	0.510
1398	7	2026-11-06 19:48:00+00	0.515
1399	8	2026-11-06 19:54:00+00	0.520
1400	9	2026-11-06 20:00:00+00	0.525
1401	10	2026-11-06 20:06:00+00	0.531
1402	11	2026-11-06 20:12:00+00	0.536
1403	12	2026-11-06 20:18:00+00	0.542
1404	1	2026-11-06 20:24:00+00	0.547
1405	2	2026-11-06 20:30:00+00	0.553
1406	3	2026-11-06 20:36:00+00	0.559
1407	4	2026-11-06 20:42:00+00	0.564
1408	5	2026-11-06 20:48:00+00	0.570
1409	6	2026-11-06 20:54:00+00	0.576
1410	7	2026-11-06 21:00:00+00	0.583
1411	8	2026-11-06 21:06:00+00	0.589
1412	9	2026-11-06 21:12:00+00	0.595
1413	10	2026-11-06 21:18:00+00	0.602
1414	11	2026-11-06 21:24:00+00	0.608
1415	12	2026-11-06 21:30:00+00	0.615
1416	1	2026-11-06 21:36:00+00	0.622
1417	2	2026-11-06 21:42:00+00	0.629
1418	3	2026-11-06 21:48:00+00	0.636
1419	4	2026-11-06 21:54:00+00	0.643
1420	5	2026-11-06 22:00:00+00	0.650
1421	6	2026-11-06 22:06:00+00	0.657
1422	7	2026-11-06 22:12:00+00	0.665
1423	8	2026-11-06 22:18:00+00	0.672
1424	9	2026-11-06 22:24:00+00	0.680
1425	10	2026-11-06 22:30:00+00	0.687
1426	11	2026-11-06 22:36:00+00	0.695
1427	12	2026-11-06 22:42:00+00	0.703
1428	1	2026-11-06 22:48:00+00	0.711
1429	2	2026-11-06 22:54:00+00	0.719
1430	3	2026-11-06 23:00:00+00	0.727
1431	4	2026-11-06 23:06:00+00	0.735
1432	5	2026-11-06 23:12:00+00	0.743
1433	6	2026-11-06 23:18:00+00	0.752
1434	7	2026-11-06 23:24:00+00	0.760
1435	8	2026-11-06 23:30:00+00	0.769
1436	9	2026-11-06 23:36:00+00	0.777
1437	10	2026-11-06 23:42:00+00	0.786
1438	11	2026-11-06 23:48:00+00	0.795
1439	12	2026-11-06 23:54:00+00	0.804
1440	1	2026-11-07 00:00:00+00	0.813
1441	2	2026-11-07 00:06:00+00	0.822
1442	3	2026-11-07 00:12:00+00	0.831
1443	4	2026-11-07 00:18:00+00	0.840
1444	5	2026-11-07 00:24:00+00	0.850
1445	6	2026-11-07 00:30:00+00	0.859
1446	7	2026-11-07 00:36:00+00	0.868
1447	8	2026-11-07 00:42:00+00	0.878
1448	9	2026-11-07 00:48:00+00	0.888
1449	10	2026-11-07 00:54:00+00	0.897
1450	11	2026-11-07 01:00:00+00	0.907
1451	12	2026-11-07 01:06:00+00	0.917
1452	1	2026-11-07 01:12:00+00	0.927
1453	2	2026-11-07 01:18:00+00	0.937
1454	3	2026-11-07 01:24:00+00	0.947
1455	4	2026-11-07 01:30:00+00	0.957
1456	5	2026-11-07 01:36:00+00	0.968
1457	6	2026-11-07 01:42:00+00	0.978
1458	7	2026-11-07 01:48:00+00	0.988
1459	8	2026-11-07 01:54:00+00	0.999
1460	9	2026-11-07 02:00:00+00	1.009
1461	10	2026-11-07 02:06:00+00	1.020
1462	11	2026-11-07 02:12:00+00	1.031
1463	12	2026-11-07 02:18:00+00	1.042
1464	1	2026-11-07 02:24:00+00	1.052
1465	2	2026-11-07 02:30:00+00	1.063
1466	3	2026-11-07 02:36:00+00	1.074
1467	4	2026-11-07 02:42:00+00	1.085
1468	5	2026-11-07 02:48:00+00	1.097
1469	6	2026-11-07 02:54:00+00	1.108
1470	7	2026-11-07 03:00:00+00	1.119
1471	8	2026-11-07 03:06:00+00	1.130
1472	9	2026-11-07 03:12:00+00	1.142
1473	10	2026-11-07 03:18:00+00	1.153
1474	11	2026-11-07 03:24:00+00	1.165
1475	12	2026-11-07 03:30:00+00	1.176
1476	1	2026-11-07 03:36:00+00	1.188
1477	2	2026-11-07 03:42:00+00	1.200
1478	3	2026-11-07 03:48:00+00	1.211
1479	4	2026-11-07 03:54:00+00	1.223
1480	5	2026-11-07 04:00:00+00	1.235
1481	6	2026-11-07 04:06:00+00	1.247
1482	7	2026-11-07 04:12:00+00	1.259
1483	8	2026-11-07 04:18:00+00	1.271
1484	9	2026-11-07 04:24:00+00	1.283
1485	10	2026-11-07 04:30:00+00	1.295
1486	11	2026-11-07 04:36:00+00	1.307
1487	12	2026-11-07 04:42:00+00	1.320
1488	1	2026-11-07 04:48:00+00	1.332
1489	2	2026-11-07 04:54:00+00	1.344
1490	3	2026-11-07 05:00:00+00	1.357
1491	4	2026-11-07 05:06:00+00	1.369
1492	5	2026-11-07 05:12:00+00	1.382
1493	6	2026-11-07 05:18:00+00	1.394
1494	7	2026-11-07 05:24:00+00	1.407
1495	8	2026-11-07 05:30:00+00	1.419
1496	9	2026-11-07 05:36:00+00	1.432
1497	10	2026-11-07 05:42:00+00	1.445
1498	11	2026-11-07 05:48:00+00	1.458
1499	12	2026-11-07 05:54:00+00	1.470
1500	1	2026-11-07 06:00:00+00	1.483
1501	2	2026-11-07 06:06:00+00	1.496
1502	3	2026-11-07 06:12:00+00	1.509
1503	4	2026-11-07 06:18:00+00	1.522
1504	5	2026-11-07 06:24:00+00	1.535
1505	6	2026-11-07 06:30:00+00	1.548
1506	7	2026-11-07 06:36:00+00	1.561
1507	8	2026-11-07 06:42:00+00	1.574
1508	9	2026-11-07 06:48:00+00	1.588
1509	10	2026-11-07 06:54:00+00	1.601
1510	11	2026-11-07 07:00:00+00	1.614
1511	12	2026-11-07 07:06:00+00	1.627
1512	1	2026-11-07 07:12:00+00	1.641
1513	2	2026-11-07 07:18:00+00	1.654
1514	3	2026-11-07 07:24:00+00	1.667
1515	4	2026-11-07 07:30:00+00	1.681
1516	5	2026-11-07 07:36:00+00	1.694
1517	6	2026-11-07 07:42:00+00	1.707
1518	7	2026-11-07 07:48:00+00	1.721
1519	8	2026-11-07 07:54:00+00	1.734
1520	9	2026-11-07 08:00:00+00	1.748
1521	10	2026-11-07 08:06:00+00	1.761
1522	11	2026-11-07 08:12:00+00	1.775
1523	12	2026-11-07 08:18:00+00	1.789
1524	1	2026-11-07 08:24:00+00	1.802
1525	2	2026-11-07 08:30:00+00	1.816
1526	3	2026-11-07 08:36:00+00	1.829
1527	4	2026-11-07 08:42:00+00	1.843
1528	5	2026-11-07 08:48:00+00	1.857
1529	6	2026-11-07 08:54:00+00	1.870
1530	7	2026-11-07 09:00:00+00	1.884
1531	8	2026-11-07 09:06:00+00	1.898
1532	9	2026-11-07 09:12:00+00	1.912
1533	10	2026-11-07 09:18:00+00	1.925
1534	11	2026-11-07 09:24:00+00	1.939
1535	12	2026-11-07 09:30:00+00	1.953
1536	1	2026-11-07 09:36:00+00	1.967
1537	2	2026-11-07 09:42:00+00	1.980
1538	3	2026-11-07 09:48:00+00	1.994
1539	4	2026-11-07 09:54:00+00	2.008
1540	5	2026-11-07 10:00:00+00	2.022
1541	6	2026-11-07 10:06:00+00	2.036
1542	7	2026-11-07 10:12:00+00	2.049
1543	8	2026-11-07 10:18:00+00	2.063
1544	9	2026-11-07 10:24:00+00	2.077
1545	10	2026-11-07 10:30:00+00	2.091
1546	11	2026-11-07 10:36:00+00	2.105
1547	12	2026-11-07 10:42:00+00	2.118
1548	1	2026-11-07 10:48:00+00	2.132
1549	2	2026-11-07 10:54:00+00	2.146
1550	3	2026-11-07 11:00:00+00	2.160
1551	4	2026-11-07 11:06:00+00	2.174
1552	5	2026-11-07 11:12:00+00	2.188
1553	6	2026-11-07 11:18:00+00	2.201
1554	7	2026-11-07 11:24:00+00	2.215
1555	8	2026-11-07 11:30:00+00	2.229
1556	9	2026-11-07 11:36:00+00	2.243
1557	10	2026-11-07 11:42:00+00	2.256
1558	11	2026-11-07 11:48:00+00	2.270
1559	12	2026-11-07 11:54:00+00	2.284
1560	1	2026-11-07 12:00:00+00	2.298
1561	2	2026-11-07 12:06:00+00	2.311
1562	3	2026-11-07 12:12:00+00	2.325
1563	4	2026-11-07 12:18:00+00	2.339
1564	5	2026-11-07 12:24:00+00	2.352
1565	6	2026-11-07 12:30:00+00	2.366
1566	7	2026-11-07 12:36:00+00	2.380
1567	8	2026-11-07 12:42:00+00	2.393
1568	9	2026-11-07 12:48:00+00	2.407
1569	10	2026-11-07 12:54:00+00	2.421
1570	11	2026-11-07 13:00:00+00	2.434
1571	12	2026-11-07 13:06:00+00	2.448
1572	1	2026-11-07 13:12:00+00	2.461
1573	2	2026-11-07 13:18:00+00	2.475
1574	3	2026-11-07 13:24:00+00	2.488
1575	4	2026-11-07 13:30:00+00	2.502
1576	5	2026-11-07 13:36:00+00	2.515
1577	6	2026-11-07 13:42:00+00	2.528
1578	7	2026-11-07 13:48:00+00	2.542
1579	8	2026-11-07 13:54:00+00	2.555
1580	9	2026-11-07 14:00:00+00	2.568
1581	10	2026-11-07 14:06:00+00	2.582
1582	11	2026-11-07 14:12:00+00	2.595
1583	12	2026-11-07 14:18:00+00	2.608
1584	1	2026-11-07 14:24:00+00	2.621
1585	2	2026-11-07 14:30:00+00	2.634
1586	3	2026-11-07 14:36:00+00	2.648
1587	4	2026-11-07 14:42:00+00	2.661
1588	5	2026-11-07 14:48:00+00	2.674
1589	6	2026-11-07 14:54:00+00	2.687
1590	7	2026-11-07 15:00:00+00	2.700
1591	8	2026-11-07 15:06:00+00	2.713
1592	9	2026-11-07 15:12:00+00	2.725
1593	10	2026-11-07 15:18:00+00	2.738
1594	11	2026-11-07 15:24:00+00	2.751
1595	12	2026-11-07 15:30:00+00	2.764
1596	1	2026-11-07 15:36:00+00	2.776
1597	2	2026-11-07 15:42:00+00	2.789
1598	3	2026-11-07 15:48:00+00	2.802
1599	4	2026-11-07 15:54:00+00	2.814
1600	5	2026-11-07 16:00:00+00	2.827
1601	6	2026-11-07 16:06:00+00	2.839
1602	7	2026-11-07 16:12:00+00	2.852
1603	8	2026-11-07 16:18:00+00	2.864
1604	9	2026-11-07 16:24:00+00	2.876
1605	10	2026-11-07 16:30:00+00	2.889
1606	11	2026-11-07 16:36:00+00	2.901
1607	12	2026-11-07 16:42:00+00	2.913
1608	1	2026-11-07 16:48:00+00	2.925
1609	2	2026-11-07 16:54:00+00	2.937
1610	3	2026-11-07 17:00:00+00	2.949
1611	4	2026-11-07 17:06:00+00	2.961
1612	5	2026-11-07 17:12:00+00	2.973
1613	6	2026-11-07 17:18:00+00	2.985
1614	7	2026-11-07 17:24:00+00	2.997
1615	8	2026-11-07 17:30:00+00	3.008
1616	9	2026-11-07 17:36:00+00	3.020
1617	10	2026-11-07 17:42:00+00	3.032
1618	11	2026-11-07 17:48:00+00	3.043
1619	12	2026-11-07 17:54:00+00	3.055
1620	1	2026-11-07 18:00:00+00	3.066
1621	2	2026-11-07 18:06:00+00	3.077
1622	3	2026-11-07 18:12:00+00	3.089
1623	4	2026-11-07 18:18:00+00	3.100
1624	5	2026-11-07 18:24:00+00	3.111
1625	6	2026-11-07 18:30:00+00	3.122
1626	7	2026-11-07 18:36:00+00	3.133
1627	8	2026-11-07 18:42:00+00	3.144
1628	9	2026-11-07 18:48:00+00	3.155
1629	10	2026-11-07 18:54:00+00	3.166
1630	11	2026-11-07 19:00:00+00	3.176
1631	12	2026-11-07 19:06:00+00	3.187
1632	1	2026-11-07 19:12:00+00	3.198
1633	2	2026-11-07 19:18:00+00	3.208
1634	3	2026-11-07 19:24:00+00	3.219
1635	4	2026-11-07 19:30:00+00	3.229
1636	5	2026-11-07 19:36:00+00	3.239
1637	6	2026-11-07 19:42:00+00	3.250
1638	7	2026-11-07 19:48:00+00	3.260
1639	8	2026-11-07 19:54:00+00	3.270
1640	9	2026-11-07 20:00:00+00	3.280
1641	10	2026-11-07 20:06:00+00	3.290
1642	11	2026-11-07 20:12:00+00	3.299
1643	12	2026-11-07 20:18:00+00	3.309
1644	1	2026-11-07 20:24:00+00	3.319
1645	2	2026-11-07 20:30:00+00	3.328
1646	3	2026-11-07 20:36:00+00	3.338
1647	4	2026-11-07 20:42:00+00	3.347
1648	5	2026-11-07 20:48:00+00	3.357
1649	6	2026-11-07 20:54:00+00	3.366
1650	7	2026-11-07 21:00:00+00	3.375
1651	8	2026-11-07 21:06:00+00	3.384
1652	9	2026-11-07 21:12:00+00	3.393
1653	10	2026-11-07 21:18:00+00	3.402
1654	11	2026-11-07 21:24:00+00	3.411
1655	12	2026-11-07 21:30:00+00	3.420
1656	1	2026-11-07 21:36:00+00	3.429
1657	2	2026-11-07 21:42:00+00	3.437
1658	3	2026-11-07 21:48:00+00	3.446
1659	4	2026-11-07 21:54:00+00	3.454
1660	5	2026-11-07 22:00:00+00	3.462
1661	6	2026-11-07 22:06:00+00	3.471
1662	7	2026-11-07 22:12:00+00	3.479
1663	8	2026-11-07 22:18:00+00	3.487
1664	9	2026-11-07 22:24:00+00	3.495
1665	10	2026-11-07 22:30:00+00	3.503
1666	11	2026-11-07 22:36:00+00	3.510
1667	12	2026-11-07 22:42:00+00	3.518
1668	1	2026-11-07 22:48:00+00	3.526
1669	2	2026-11-07 22:54:00+00	3.533
1670	3	2026-11-07 23:00:00+00	3.540
1671	4	2026-11-07 23:06:00+00	3.548
1672	5	2026-11-07 23:12:00+00	3.555
1673	6	2026-11-07 23:18:00+00	3.562
1674	7	2026-11-07 23:24:00+00	3.569
1675	8	2026-11-07 23:30:00+00	3.576
1676	9	2026-11-07 23:36:00+00	3.583
1677	10	2026-11-07 23:42:00+00	3.589
1678	11	2026-11-07 23:48:00+00	3.596
1679	12	2026-11-07 23:54:00+00	3.603
1680	1	2026-11-08 00:00:00+00	3.609
1681	2	2026-11-08 00:06:00+00	3.615
1682	3	2026-11-08 00:12:00+00	3.621
1683	4	2026-11-08 00:18:00+00	3.628
1684	5	2026-11-08 00:24:00+00	3.634
1685	6	2026-11-08 00:30:00+00	3.640
1686	7	2026-11-08 00:36:00+00	3.645
1687	8	2026-11-08 00:42:00+00	3.651
1688	9	2026-11-08 00:48:00+00	3.657
1689	10	2026-11-08 00:54:00+00	3.662
1690	11	2026-11-08 01:00:00+00	3.668
1691	12	2026-11-08 01:06:00+00	3.673
1692	1	2026-11-08 01:12:00+00	3.678
1693	2	2026-11-08 01:18:00+00	3.683
1694	3	2026-11-08 01:24:00+00	3.688
1695	4	2026-11-08 01:30:00+00	3.693
1696	5	2026-11-08 01:36:00+00	3.698
1697	6	2026-11-08 01:42:00+00	3.702
1698	7	2026-11-08 01:48:00+00	3.707
1699	8	2026-11-08 01:54:00+00	3.711
1700	9	2026-11-08 02:00:00+00	3.716
1701	10	2026-11-08 02:06:00+00	3.720
1702	11	2026-11-08 02:12:00+00	3.724
1703	12	2026-11-08 02:18:00+00	3.728
1704	1	2026-11-08 02:24:00+00	3.732
1705	2	2026-11-08 02:30:00+00	3.736
1706	3	2026-11-08 02:36:00+00	3.740
1707	4	2026-11-08 02:42:00+00	3.743
1708	5	2026-11-08 02:48:00+00	3.747
1709	6	2026-11-08 02:54:00+00	3.750
1710	7	2026-11-08 03:00:00+00	3.753
1711	8	2026-11-08 03:06:00+00	3.757
1712	9	2026-11-08 03:12:00+00	3.760
1713	10	2026-11-08 03:18:00+00	3.763
1714	11	2026-11-08 03:24:00+00	3.765
1715	12	2026-11-08 03:30:00+00	3.768
1716	1	2026-11-08 03:36:00+00	3.771
1717	2	2026-11-08 03:42:00+00	3.773
1718	3	2026-11-08 03:48:00+00	3.776
1719	4	2026-11-08 03:54:00+00	3.778
1720	5	2026-11-08 04:00:00+00	3.780
1721	6	2026-11-08 04:06:00+00	3.782
1722	7	2026-11-08 04:12:00+00	3.784
1723	8	2026-11-08 04:18:00+00	3.786
1724	9	2026-11-08 04:24:00+00	3.788
1725	10	2026-11-08 04:30:00+00	3.789
1726	11	2026-11-08 04:36:00+00	3.791
1727	12	2026-11-08 04:42:00+00	3.792
1728	1	2026-11-08 04:48:00+00	3.793
1729	2	2026-11-08 04:54:00+00	3.795
1730	3	2026-11-08 05:00:00+00	3.796
1731	4	2026-11-08 05:06:00+00	3.797
1732	5	2026-11-08 05:12:00+00	3.797
1733	6	2026-11-08 05:18:00+00	3.798
1734	7	2026-11-08 05:24:00+00	3.799
1735	8	2026-11-08 05:30:00+00	3.799
1736	9	2026-11-08 05:36:00+00	3.800
1737	10	2026-11-08 05:42:00+00	3.800
1738	11	2026-11-08 05:48:00+00	3.800
1739	12	2026-11-08 05:54:00+00	3.800
1740	1	2026-11-08 06:00:00+00	3.800
1741	2	2026-11-08 06:06:00+00	3.800
1742	3	2026-11-08 06:12:00+00	3.799
1743	4	2026-11-08 06:18:00+00	3.799
1744	5	2026-11-08 06:24:00+00	3.799
1745	6	2026-11-08 06:30:00+00	3.798
1746	7	2026-11-08 06:36:00+00	3.797
1747	8	2026-11-08 06:42:00+00	3.796
1748	9	2026-11-08 06:48:00+00	3.795
1749	10	2026-11-08 06:54:00+00	3.794
1750	11	2026-11-08 07:00:00+00	3.793
1751	12	2026-11-08 07:06:00+00	3.792
1752	1	2026-11-08 07:12:00+00	3.790
1753	2	2026-11-08 07:18:00+00	3.789
1754	3	2026-11-08 07:24:00+00	3.787
1755	4	2026-11-08 07:30:00+00	3.785
1756	5	2026-11-08 07:36:00+00	3.784
1757	6	2026-11-08 07:42:00+00	3.782
1758	7	2026-11-08 07:48:00+00	3.779
1759	8	2026-11-08 07:54:00+00	3.777
1760	9	2026-11-08 08:00:00+00	3.775
1761	10	2026-11-08 08:06:00+00	3.773
1762	11	2026-11-08 08:12:00+00	3.770
1763	12	2026-11-08 08:18:00+00	3.767
1764	1	2026-11-08 08:24:00+00	3.765
1765	2	2026-11-08 08:30:00+00	3.762
1766	3	2026-11-08 08:36:00+00	3.759
1767	4	2026-11-08 08:42:00+00	3.756
1768	5	2026-11-08 08:48:00+00	3.753
1769	6	2026-11-08 08:54:00+00	3.749
1770	7	2026-11-08 09:00:00+00	3.746
1771	8	2026-11-08 09:06:00+00	3.742
1772	9	2026-11-08 09:12:00+00	3.739
1773	10	2026-11-08 09:18:00+00	3.735
1774	11	2026-11-08 09:24:00+00	3.731
1775	12	2026-11-08 09:30:00+00	3.727
1776	1	2026-11-08 09:36:00+00	3.723
1777	2	2026-11-08 09:42:00+00	3.719
1778	3	2026-11-08 09:48:00+00	3.715
1779	4	2026-11-08 09:54:00+00	3.710
1780	5	2026-11-08 10:00:00+00	3.706
1781	6	2026-11-08 10:06:00+00	3.701
1782	7	2026-11-08 10:12:00+00	3.697
1783	8	2026-11-08 10:18:00+00	3.692
1784	9	2026-11-08 10:24:00+00	3.687
1785	10	2026-11-08 10:30:00+00	3.682
1786	11	2026-11-08 10:36:00+00	3.677
1787	12	2026-11-08 10:42:00+00	3.672
1788	1	2026-11-08 10:48:00+00	3.666
1789	2	2026-11-08 10:54:00+00	3.661
1790	3	2026-11-08 11:00:00+00	3.655
1791	4	2026-11-08 11:06:00+00	3.650
1792	5	2026-11-08 11:12:00+00	3.644
1793	6	2026-11-08 11:18:00+00	3.638
1794	7	2026-11-08 11:24:00+00	3.632
1795	8	2026-11-08 11:30:00+00	3.626
1796	9	2026-11-08 11:36:00+00	3.620
1797	10	2026-11-08 11:42:00+00	3.614
1798	11	2026-11-08 11:48:00+00	3.607
1799	12	2026-11-08 11:54:00+00	3.601
1800	1	2026-11-08 12:00:00+00	3.594
1801	2	2026-11-08 12:06:00+00	3.588
1802	3	2026-11-08 12:12:00+00	3.581
1803	4	2026-11-08 12:18:00+00	3.574
1804	5	2026-11-08 12:24:00+00	3.567
1805	6	2026-11-08 12:30:00+00	3.560
1806	7	2026-11-08 12:36:00+00	3.553
1807	8	2026-11-08 12:42:00+00	3.546
1808	9	2026-11-08 12:48:00+00	3.539
1809	10	2026-11-08 12:54:00+00	3.531
1810	11	2026-11-08 13:00:00+00	3.524
1811	12	2026-11-08 13:06:00+00	3.516
1812	1	2026-11-08 13:12:00+00	3.508
1813	2	2026-11-08 13:18:00+00	3.501
1814	3	2026-11-08 13:24:00+00	3.493
1815	4	2026-11-08 13:30:00+00	3.485
1816	5	2026-11-08 13:36:00+00	3.477
1817	6	2026-11-08 13:42:00+00	3.468
1818	7	2026-11-08 13:48:00+00	3.460
1819	8	2026-11-08 13:54:00+00	3.452
1820	9	2026-11-08 14:00:00+00	3.443
1821	10	2026-11-08 14:06:00+00	3.435
1822	11	2026-11-08 14:12:00+00	3.426
1823	12	2026-11-08 14:18:00+00	3.418
1824	1	2026-11-08 14:24:00+00	3.409
1825	2	2026-11-08 14:30:00+00	3.400
1826	3	2026-11-08 14:36:00+00	3.391
1827	4	2026-11-08 14:42:00+00	3.382
1828	5	2026-11-08 14:48:00+00	3.373
1829	6	2026-11-08 14:54:00+00	3.364
1830	7	2026-11-08 15:00:00+00	3.354
1831	8	2026-11-08 15:06:00+00	3.345
1832	9	2026-11-08 15:12:00+00	3.336
1833	10	2026-11-08 15:18:00+00	3.326
1834	11	2026-11-08 15:24:00+00	3.316
1835	12	2026-11-08 15:30:00+00	3.307
1836	1	2026-11-08 15:36:00+00	3.297
1837	2	2026-11-08 15:42:00+00	3.287
1838	3	2026-11-08 15:48:00+00	3.277
1839	4	2026-11-08 15:54:00+00	3.267
1840	5	2026-11-08 16:00:00+00	3.257
1841	6	2026-11-08 16:06:00+00	3.247
1842	7	2026-11-08 16:12:00+00	3.237
1843	8	2026-11-08 16:18:00+00	3.226
1844	9	2026-11-08 16:24:00+00	3.216
1845	10	2026-11-08 16:30:00+00	3.205
1846	11	2026-11-08 16:36:00+00	3.195
1847	12	2026-11-08 16:42:00+00	3.184
1848	1	2026-11-08 16:48:00+00	3.174
1849	2	2026-11-08 16:54:00+00	3.163
1850	3	2026-11-08 17:00:00+00	3.152
1851	4	2026-11-08 17:06:00+00	3.141
1852	5	2026-11-08 17:12:00+00	3.130
1853	6	2026-11-08 17:18:00+00	3.119
1854	7	2026-11-08 17:24:00+00	3.108
1855	8	2026-11-08 17:30:00+00	3.097
1856	9	2026-11-08 17:36:00+00	3.086
1857	10	2026-11-08 17:42:00+00	3.074
1858	11	2026-11-08 17:48:00+00	3.063
1859	12	2026-11-08 17:54:00+00	3.052
1860	1	2026-11-08 18:00:00+00	3.040
1861	2	2026-11-08 18:06:00+00	3.029
1862	3	2026-11-08 18:12:00+00	3.017
1863	4	2026-11-08 18:18:00+00	3.005
1864	5	2026-11-08 18:24:00+00	2.994
1865	6	2026-11-08 18:30:00+00	2.982
1866	7	2026-11-08 18:36:00+00	2.970
1867	8	2026-11-08 18:42:00+00	2.958
1868	9	2026-11-08 18:48:00+00	2.946
1869	10	2026-11-08 18:54:00+00	2.934
1870	11	2026-11-08 19:00:00+00	2.922
1871	12	2026-11-08 19:06:00+00	2.910
1872	1	2026-11-08 19:12:00+00	2.898
1873	2	2026-11-08 19:18:00+00	2.886
1874	3	2026-11-08 19:24:00+00	2.873
1875	4	2026-11-08 19:30:00+00	2.861
1876	5	2026-11-08 19:36:00+00	2.849
1877	6	2026-11-08 19:42:00+00	2.836
1878	7	2026-11-08 19:48:00+00	2.824
1879	8	2026-11-08 19:54:00+00	2.811
1880	9	2026-11-08 20:00:00+00	2.798
1881	10	2026-11-08 20:06:00+00	2.786
1882	11	2026-11-08 20:12:00+00	2.773
1883	12	2026-11-08 20:18:00+00	2.760
1884	1	2026-11-08 20:24:00+00	2.748
1885	2	2026-11-08 20:30:00+00	2.735
1886	3	2026-11-08 20:36:00+00	2.722
1887	4	2026-11-08 20:42:00+00	2.709
1888	5	2026-11-08 20:48:00+00	2.696
1889	6	2026-11-08 20:54:00+00	2.683
1890	7	2026-11-08 21:00:00+00	2.670
1891	8	2026-11-08 21:06:00+00	2.657
1892	9	2026-11-08 21:12:00+00	2.644
1893	10	2026-11-08 21:18:00+00	2.631
1894	11	2026-11-08 21:24:00+00	2.618
1895	12	2026-11-08 21:30:00+00	2.605
1896	1	2026-11-08 21:36:00+00	2.592
1897	2	2026-11-08 21:42:00+00	2.578
1898	3	2026-11-08 21:48:00+00	2.565
1899	4	2026-11-08 21:54:00+00	2.552
1900	5	2026-11-08 22:00:00+00	2.538
1901	6	2026-11-08 22:06:00+00	2.525
1902	7	2026-11-08 22:12:00+00	2.512
1903	8	2026-11-08 22:18:00+00	2.498
1904	9	2026-11-08 22:24:00+00	2.485
1905	10	2026-11-08 22:30:00+00	2.471
1906	11	2026-11-08 22:36:00+00	2.458
1907	12	2026-11-08 22:42:00+00	2.444
1908	1	2026-11-08 22:48:00+00	2.431
1909	2	2026-11-08 22:54:00+00	2.417
1910	3	2026-11-08 23:00:00+00	2.404
1911	4	2026-11-08 23:06:00+00	2.390
1912	5	2026-11-08 23:12:00+00	2.376
1913	6	2026-11-08 23:18:00+00	2.363
1914	7	2026-11-08 23:24:00+00	2.349
1915	8	2026-11-08 23:30:00+00	2.335
1916	9	2026-11-08 23:36:00+00	2.322
1917	10	2026-11-08 23:42:00+00	2.308
1918	11	2026-11-08 23:48:00+00	2.294
1919	12	2026-11-08 23:54:00+00	2.280
1920	1	2026-11-09 00:00:00+00	2.267
1921	2	2026-11-09 00:06:00+00	2.253
1922	3	2026-11-09 00:12:00+00	2.239
1923	4	2026-11-09 00:18:00+00	2.225
1924	5	2026-11-09 00:24:00+00	2.212
1925	6	2026-11-09 00:30:00+00	2.198
1926	7	2026-11-09 00:36:00+00	2.184
1927	8	2026-11-09 00:42:00+00	2.170
1928	9	2026-11-09 00:48:00+00	2.156
1929	10	2026-11-09 00:54:00+00	2.143
1930	11	2026-11-09 01:00:00+00	2.129
1931	12	2026-11-09 01:06:00+00	2.115
1932	1	2026-11-09 01:12:00+00	2.101
1933	2	2026-11-09 01:18:00+00	2.087
1934	3	2026-11-09 01:24:00+00	2.073
1935	4	2026-11-09 01:30:00+00	2.060
1936	5	2026-11-09 01:36:00+00	2.046
1937	6	2026-11-09 01:42:00+00	2.032
1938	7	2026-11-09 01:48:00+00	2.018
1939	8	2026-11-09 01:54:00+00	2.004
1940	9	2026-11-09 02:00:00+00	1.991
1941	10	2026-11-09 02:06:00+00	1.977
1942	11	2026-11-09 02:12:00+00	1.963
1943	12	2026-11-09 02:18:00+00	1.949
1944	1	2026-11-09 02:24:00+00	1.936
1945	2	2026-11-09 02:30:00+00	1.922
1946	3	2026-11-09 02:36:00+00	1.908
1947	4	2026-11-09 02:42:00+00	1.894
1948	5	2026-11-09 02:48:00+00	1.881
1949	6	2026-11-09 02:54:00+00	1.867
1950	7	2026-11-09 03:00:00+00	1.853
1951	8	2026-11-09 03:06:00+00	1.840
1952	9	2026-11-09 03:12:00+00	1.826
1953	10	2026-11-09 03:18:00+00	1.812
1954	11	2026-11-09 03:24:00+00	1.799
1955	12	2026-11-09 03:30:00+00	1.785
1956	1	2026-11-09 03:36:00+00	1.771
1957	2	2026-11-09 03:42:00+00	1.758
1958	3	2026-11-09 03:48:00+00	1.744
1959	4	2026-11-09 03:54:00+00	1.731
1960	5	2026-11-09 04:00:00+00	1.717
1961	6	2026-11-09 04:06:00+00	1.704
1962	7	2026-11-09 04:12:00+00	1.691
1963	8	2026-11-09 04:18:00+00	1.677
1964	9	2026-11-09 04:24:00+00	1.664
1965	10	2026-11-09 04:30:00+00	1.650
1966	11	2026-11-09 04:36:00+00	1.637
1967	12	2026-11-09 04:42:00+00	1.624
1968	1	2026-11-09 04:48:00+00	1.611
1969	2	2026-11-09 04:54:00+00	1.597
1970	3	2026-11-09 05:00:00+00	1.584
1971	4	2026-11-09 05:06:00+00	1.571
1972	5	2026-11-09 05:12:00+00	1.558
1973	6	2026-11-09 05:18:00+00	1.545
1974	7	2026-11-09 05:24:00+00	1.532
1975	8	2026-11-09 05:30:00+00	1.519
1976	9	2026-11-09 05:36:00+00	1.506
1977	10	2026-11-09 05:42:00+00	1.493
1978	11	2026-11-09 05:48:00+00	1.480
1979	12	2026-11-09 05:54:00+00	1.467
1980	1	2026-11-09 06:00:00+00	1.454
1981	2	2026-11-09 06:06:00+00	1.442
1982	3	2026-11-09 06:12:00+00	1.429
1983	4	2026-11-09 06:18:00+00	1.416
1984	5	2026-11-09 06:24:00+00	1.404
1985	6	2026-11-09 06:30:00+00	1.391
1986	7	2026-11-09 06:36:00+00	1.378
1987	8	2026-11-09 06:42:00+00	1.366
1988	9	2026-11-09 06:48:00+00	1.353
1989	10	2026-11-09 06:54:00+00	1.341
1990	11	2026-11-09 07:00:00+00	1.329
1991	12	2026-11-09 07:06:00+00	1.316
1992	1	2026-11-09 07:12:00+00	1.304
1993	2	2026-11-09 07:18:00+00	1.292
1994	3	2026-11-09 07:24:00+00	1.280
1995	4	2026-11-09 07:30:00+00	1.268
1996	5	2026-11-09 07:36:00+00	1.256
1997	6	2026-11-09 07:42:00+00	1.244
1998	7	2026-11-09 07:48:00+00	1.232
1999	8	2026-11-09 07:54:00+00	1.220
2000	9	2026-11-09 08:00:00+00	1.208
2001	10	2026-11-09 08:06:00+00	1.197
2002	11	2026-11-09 08:12:00+00	1.185
2003	12	2026-11-09 08:18:00+00	1.173
2004	1	2026-11-09 08:24:00+00	1.162
2005	2	2026-11-09 08:30:00+00	1.150
2006	3	2026-11-09 08:36:00+00	1.139
2007	4	2026-11-09 08:42:00+00	1.127
2008	5	2026-11-09 08:48:00+00	1.116
2009	6	2026-11-09 08:54:00+00	1.105
2010	7	2026-11-09 09:00:00+00	1.094
2011	8	2026-11-09 09:06:00+00	1.083
2012	9	2026-11-09 09:12:00+00	1.072
2013	10	2026-11-09 09:18:00+00	1.061
2014	11	2026-11-09 09:24:00+00	1.050
2015	12	2026-11-09 09:30:00+00	1.039
2016	1	2026-11-09 09:36:00+00	1.028
2017	2	2026-11-09 09:42:00+00	1.017
2018	3	2026-11-09 09:48:00+00	1.007
2019	4	2026-11-09 09:54:00+00	0.996
2020	5	2026-11-09 10:00:00+00	0.986
2021	6	2026-11-09 10:06:00+00	0.975
2022	7	2026-11-09 10:12:00+00	0.965
2023	8	2026-11-09 10:18:00+00	0.955
2024	9	2026-11-09 10:24:00+00	0.945
2025	10	2026-11-09 10:30:00+00	0.934
2026	11	2026-11-09 10:36:00+00	0.924
2027	12	2026-11-09 10:42:00+00	0.914
2028	1	2026-11-09 10:48:00+00	0.905
2029	2	2026-11-09 10:54:00+00	0.895
2030	3	2026-11-09 11:00:00+00	0.885
2031	4	2026-11-09 11:06:00+00	0.875
2032	5	2026-11-09 11:12:00+00	0.866
2033	6	2026-11-09 11:18:00+00	0.856
2034	7	2026-11-09 11:24:00+00	0.847
2035	8	2026-11-09 11:30:00+00	0.838
2036	9	2026-11-09 11:36:00+00	0.829
2037	10	2026-11-09 11:42:00+00	0.819
2038	11	2026-11-09 11:48:00+00	0.810
2039	12	2026-11-09 11:54:00+00	0.801
2040	1	2026-11-09 12:00:00+00	0.793
2041	2	2026-11-09 12:06:00+00	0.784
2042	3	2026-11-09 12:12:00+00	0.775
2043	4	2026-11-09 12:18:00+00	0.766
2044	5	2026-11-09 12:24:00+00	0.758
2045	6	2026-11-09 12:30:00+00	0.749
2046	7	2026-11-09 12:36:00+00	0.741
2047	8	2026-11-09 12:42:00+00	0.733
2048	9	2026-11-09 12:48:00+00	0.725
2049	10	2026-11-09 12:54:00+00	0.717
2050	11	2026-11-09 13:00:00+00	0.709
2051	12	2026-11-09 13:06:00+00	0.701
2052	1	2026-11-09 13:12:00+00	0.693
2053	2	2026-11-09 13:18:00+00	0.685
2054	3	2026-11-09 13:24:00+00	0.678
2055	4	2026-11-09 13:30:00+00	0.670
2056	5	2026-11-09 13:36:00+00	0.663
2057	6	2026-11-09 13:42:00+00	0.655
2058	7	2026-11-09 13:48:00+00	0.648
2059	8	2026-11-09 13:54:00+00	0.641
2060	9	2026-11-09 14:00:00+00	0.634
2061	10	2026-11-09 14:06:00+00	0.627
2062	11	2026-11-09 14:12:00+00	0.620
2063	12	2026-11-09 14:18:00+00	0.613
2064	1	2026-11-09 14:24:00+00	0.607
2065	2	2026-11-09 14:30:00+00	0.600
2066	3	2026-11-09 14:36:00+00	0.594
2067	4	2026-11-09 14:42:00+00	0.587
2068	5	2026-11-09 14:48:00+00	0.581
2069	6	2026-11-09 14:54:00+00	0.575
2070	7	2026-11-09 15:00:00+00	0.569
2071	8	2026-11-09 15:06:00+00	0.563
2072	9	2026-11-09 15:12:00+00	0.557
2073	10	2026-11-09 15:18:00+00	0.551
2074	11	2026-11-09 15:24:00+00	0.546
2075	12	2026-11-09 15:30:00+00	0.540
2076	1	2026-11-09 15:36:00+00	0.535
2077	2	2026-11-09 15:42:00+00	0.529
2078	3	2026-11-09 15:48:00+00	0.524
2079	4	2026-11-09 15:54:00+00	0.519
2080	5	2026-11-09 16:00:00+00	0.514
2081	6	2026-11-09 16:06:00+00	0.509
2082	7	2026-11-09 16:12:00+00	0.504
2083	8	2026-11-09 16:18:00+00	0.499
2084	9	2026-11-09 16:24:00+00	0.495
2085	10	2026-11-09 16:30:00+00	0.490
2086	11	2026-11-09 16:36:00+00	0.486
2087	12	2026-11-09 16:42:00+00	0.482
2088	1	2026-11-09 16:48:00+00	0.478
2089	2	2026-11-09 16:54:00+00	0.473
2090	3	2026-11-09 17:00:00+00	0.469
2091	4	2026-11-09 17:06:00+00	0.466
2092	5	2026-11-09 17:12:00+00	0.462
2093	6	2026-11-09 17:18:00+00	0.458
2094	7	2026-11-09 17:24:00+00	0.455
2095	8	2026-11-09 17:30:00+00	0.451
2096	9	2026-11-09 17:36:00+00	0.448
2097	10	2026-11-09 17:42:00+00	0.445
2098	11	2026-11-09 17:48:00+00	0.442
2099	12	2026-11-09 17:54:00+00	0.439
2100	1	2026-11-09 18:00:00+00	0.436
2101	2	2026-11-09 18:06:00+00	0.433
2102	3	2026-11-09 18:12:00+00	0.430
2103	4	2026-11-09 18:18:00+00	0.428
2104	5	2026-11-09 18:24:00+00	0.425
2105	6	2026-11-09 18:30:00+00	0.423
2106	7	2026-11-09 18:36:00+00	0.421
2107	8	2026-11-09 18:42:00+00	0.419
2108	9	2026-11-09 18:48:00+00	0.417
2109	10	2026-11-09 18:54:00+00	0.415
2110	11	2026-11-09 19:00:00+00	0.413
2111	12	2026-11-09 19:06:00+00	0.411
2112	1	2026-11-09 19:12:00+00	0.410
2113	2	2026-11-09 19:18:00+00	0.408
2114	3	2026-11-09 19:24:00+00	0.407
2115	4	2026-11-09 19:30:00+00	0.406
2116	5	2026-11-09 19:36:00+00	0.405
2117	6	2026-11-09 19:42:00+00	0.404
2118	7	2026-11-09 19:48:00+00	0.403
2119	8	2026-11-09 19:54:00+00	0.402
2120	9	2026-11-09 20:00:00+00	0.402
2121	10	2026-11-09 20:06:00+00	0.401
2122	11	2026-11-09 20:12:00+00	0.401
2123	12	2026-11-09 20:18:00+00	0.400
2124	1	2026-11-09 20:24:00+00	0.400
2125	2	2026-11-09 20:30:00+00	0.400
2126	3	2026-11-09 20:36:00+00	0.400
2127	4	2026-11-09 20:42:00+00	0.400
2128	5	2026-11-09 20:48:00+00	0.400
2129	6	2026-11-09 20:54:00+00	0.401
2130	7	2026-11-09 21:00:00+00	0.401
2131	8	2026-11-09 21:06:00+00	0.402
2132	9	2026-11-09 21:12:00+00	0.403
2133	10	2026-11-09 21:18:00+00	0.403
2134	11	2026-11-09 21:24:00+00	0.404
2135	12	2026-11-09 21:30:00+00	0.405
2136	1	2026-11-09 21:36:00+00	0.406
2137	2	2026-11-09 21:42:00+00	0.408
2138	3	2026-11-09 21:48:00+00	0.409
2139	4	2026-11-09 21:54:00+00	0.411
2140	5	2026-11-09 22:00:00+00	0.412
2141	6	2026-11-09 22:06:00+00	0.414
2142	7	2026-11-09 22:12:00+00	0.416
2143	8	2026-11-09 22:18:00+00	0.418
2144	9	2026-11-09 22:24:00+00	0.420
2145	10	2026-11-09 22:30:00+00	0.422
2146	11	2026-11-09 22:36:00+00	0.424
2147	12	2026-11-09 22:42:00+00	0.426
2148	1	2026-11-09 22:48:00+00	0.429
2149	2	2026-11-09 22:54:00+00	0.431
2150	3	2026-11-09 23:00:00+00	0.434
2151	4	2026-11-09 23:06:00+00	0.437
2152	5	2026-11-09 23:12:00+00	0.440
2153	6	2026-11-09 23:18:00+00	0.443
2154	7	2026-11-09 23:24:00+00	0.446
2155	8	2026-11-09 23:30:00+00	0.449
2156	9	2026-11-09 23:36:00+00	0.453
2157	10	2026-11-09 23:42:00+00	0.456
2158	11	2026-11-09 23:48:00+00	0.460
2159	12	2026-11-09 23:54:00+00	0.463
2160	1	2026-11-10 00:00:00+00	0.467
2161	2	2026-11-10 00:06:00+00	0.471
2162	3	2026-11-10 00:12:00+00	0.475
2163	4	2026-11-10 00:18:00+00	0.479
2164	5	2026-11-10 00:24:00+00	0.484
2165	6	2026-11-10 00:30:00+00	0.488
2166	7	2026-11-10 00:36:00+00	0.492
2167	8	2026-11-10 00:42:00+00	0.497
2168	9	2026-11-10 00:48:00+00	0.501
2169	10	2026-11-10 00:54:00+00	0.506
2170	11	2026-11-10 01:00:00+00	0.511
2171	12	2026-11-10 01:06:00+00	0.516
2172	1	2026-11-10 01:12:00+00	0.521
2173	2	2026-11-10 01:18:00+00	0.526
2174	3	2026-11-10 01:24:00+00	0.532
2175	4	2026-11-10 01:30:00+00	0.537
2176	5	2026-11-10 01:36:00+00	0.542
2177	6	2026-11-10 01:42:00+00	0.548
2178	7	2026-11-10 01:48:00+00	0.554
2179	8	2026-11-10 01:54:00+00	0.560
2180	9	2026-11-10 02:00:00+00	0.565
2181	10	2026-11-10 02:06:00+00	0.571
2182	11	2026-11-10 02:12:00+00	0.578
2183	12	2026-11-10 02:18:00+00	0.584
2184	1	2026-11-10 02:24:00+00	0.590
2185	2	2026-11-10 02:30:00+00	0.596
2186	3	2026-11-10 02:36:00+00	0.603
2187	4	2026-11-10 02:42:00+00	0.610
2188	5	2026-11-10 02:48:00+00	0.616
2189	6	2026-11-10 02:54:00+00	0.623
2190	7	2026-11-10 03:00:00+00	0.630
2191	8	2026-11-10 03:06:00+00	0.637
2192	9	2026-11-10 03:12:00+00	0.644
2193	10	2026-11-10 03:18:00+00	0.651
2194	11	2026-11-10 03:24:00+00	0.658
2195	12	2026-11-10 03:30:00+00	0.666
2196	1	2026-11-10 03:36:00+00	0.673
2197	2	2026-11-10 03:42:00+00	0.681
2198	3	2026-11-10 03:48:00+00	0.688
2199	4	2026-11-10 03:54:00+00	0.696
2200	5	2026-11-10 04:00:00+00	0.704
2201	6	2026-11-10 04:06:00+00	0.712
2202	7	2026-11-10 04:12:00+00	0.720
2203	8	2026-11-10 04:18:00+00	0.728
2204	9	2026-11-10 04:24:00+00	0.736
2205	10	2026-11-10 04:30:00+00	0.745
2206	11	2026-11-10 04:36:00+00	0.753
2207	12	2026-11-10 04:42:00+00	0.762
2208	1	2026-11-10 04:48:00+00	0.770
2209	2	2026-11-10 04:54:00+00	0.779
2210	3	2026-11-10 05:00:00+00	0.787
2211	4	2026-11-10 05:06:00+00	0.796
2212	5	2026-11-10 05:12:00+00	0.805
2213	6	2026-11-10 05:18:00+00	0.814
2214	7	2026-11-10 05:24:00+00	0.823
2215	8	2026-11-10 05:30:00+00	0.832
2216	9	2026-11-10 05:36:00+00	0.842
2217	10	2026-11-10 05:42:00+00	0.851
2218	11	2026-11-10 05:48:00+00	0.860
2219	12	2026-11-10 05:54:00+00	0.870
2220	1	2026-11-10 06:00:00+00	0.880
2221	2	2026-11-10 06:06:00+00	0.889
2222	3	2026-11-10 06:12:00+00	0.899
2223	4	2026-11-10 06:18:00+00	0.909
2224	5	2026-11-10 06:24:00+00	0.919
2225	6	2026-11-10 06:30:00+00	0.929
2226	7	2026-11-10 06:36:00+00	0.939
2227	8	2026-11-10 06:42:00+00	0.949
2228	9	2026-11-10 06:48:00+00	0.959
2229	10	2026-11-10 06:54:00+00	0.969
2230	11	2026-11-10 07:00:00+00	0.980
2231	12	2026-11-10 07:06:00+00	0.990
2232	1	2026-11-10 07:12:00+00	1.001
2233	2	2026-11-10 07:18:00+00	1.011
2234	3	2026-11-10 07:24:00+00	1.022
2235	4	2026-11-10 07:30:00+00	1.033
2236	5	2026-11-10 07:36:00+00	1.043
2237	6	2026-11-10 07:42:00+00	1.054
2238	7	2026-11-10 07:48:00+00	1.065
2239	8	2026-11-10 07:54:00+00	1.076
2240	9	2026-11-10 08:00:00+00	1.087
2241	10	2026-11-10 08:06:00+00	1.098
2242	11	2026-11-10 08:12:00+00	1.110
2243	12	2026-11-10 08:18:00+00	1.121
2244	1	2026-11-10 08:24:00+00	1.132
2245	2	2026-11-10 08:30:00+00	1.144
2246	3	2026-11-10 08:36:00+00	1.155
2247	4	2026-11-10 08:42:00+00	1.167
2248	5	2026-11-10 08:48:00+00	1.178
2249	6	2026-11-10 08:54:00+00	1.190
2250	7	2026-11-10 09:00:00+00	1.201
2251	8	2026-11-10 09:06:00+00	1.213
2252	9	2026-11-10 09:12:00+00	1.225
2253	10	2026-11-10 09:18:00+00	1.237
2254	11	2026-11-10 09:24:00+00	1.249
2255	12	2026-11-10 09:30:00+00	1.261
2256	1	2026-11-10 09:36:00+00	1.273
2257	2	2026-11-10 09:42:00+00	1.285
2258	3	2026-11-10 09:48:00+00	1.297
2259	4	2026-11-10 09:54:00+00	1.309
2260	5	2026-11-10 10:00:00+00	1.322
2261	6	2026-11-10 10:06:00+00	1.334
2262	7	2026-11-10 10:12:00+00	1.346
2263	8	2026-11-10 10:18:00+00	1.359
2264	9	2026-11-10 10:24:00+00	1.371
2265	10	2026-11-10 10:30:00+00	1.384
2266	11	2026-11-10 10:36:00+00	1.396
2267	12	2026-11-10 10:42:00+00	1.409
2268	1	2026-11-10 10:48:00+00	1.422
2269	2	2026-11-10 10:54:00+00	1.434
2270	3	2026-11-10 11:00:00+00	1.447
2271	4	2026-11-10 11:06:00+00	1.460
2272	5	2026-11-10 11:12:00+00	1.473
2273	6	2026-11-10 11:18:00+00	1.485
2274	7	2026-11-10 11:24:00+00	1.498
2275	8	2026-11-10 11:30:00+00	1.511
2276	9	2026-11-10 11:36:00+00	1.524
2277	10	2026-11-10 11:42:00+00	1.537
2278	11	2026-11-10 11:48:00+00	1.550
2279	12	2026-11-10 11:54:00+00	1.563
2280	1	2026-11-10 12:00:00+00	1.577
2281	2	2026-11-10 12:06:00+00	1.590
2282	3	2026-11-10 12:12:00+00	1.603
2283	4	2026-11-10 12:18:00+00	1.616
2284	5	2026-11-10 12:24:00+00	1.629
2285	6	2026-11-10 12:30:00+00	1.643
2286	7	2026-11-10 12:36:00+00	1.656
2287	8	2026-11-10 12:42:00+00	1.669
2288	9	2026-11-10 12:48:00+00	1.683
2289	10	2026-11-10 12:54:00+00	1.696
2290	11	2026-11-10 13:00:00+00	1.710
2291	12	2026-11-10 13:06:00+00	1.723
2292	1	2026-11-10 13:12:00+00	1.737
2293	2	2026-11-10 13:18:00+00	1.750
2294	3	2026-11-10 13:24:00+00	1.764
2295	4	2026-11-10 13:30:00+00	1.777
2296	5	2026-11-10 13:36:00+00	1.791
2297	6	2026-11-10 13:42:00+00	1.804
2298	7	2026-11-10 13:48:00+00	1.818
2299	8	2026-11-10 13:54:00+00	1.832
2300	9	2026-11-10 14:00:00+00	1.845
2301	10	2026-11-10 14:06:00+00	1.859
2302	11	2026-11-10 14:12:00+00	1.873
2303	12	2026-11-10 14:18:00+00	1.886
2304	1	2026-11-10 14:24:00+00	1.900
2305	2	2026-11-10 14:30:00+00	1.914
2306	3	2026-11-10 14:36:00+00	1.928
2307	4	2026-11-10 14:42:00+00	1.941
2308	5	2026-11-10 14:48:00+00	1.955
2309	6	2026-11-10 14:54:00+00	1.969
2310	7	2026-11-10 15:00:00+00	1.983
2311	8	2026-11-10 15:06:00+00	1.996
2312	9	2026-11-10 15:12:00+00	2.010
2313	10	2026-11-10 15:18:00+00	2.024
2314	11	2026-11-10 15:24:00+00	2.038
2315	12	2026-11-10 15:30:00+00	2.052
2316	1	2026-11-10 15:36:00+00	2.066
2317	2	2026-11-10 15:42:00+00	2.079
2318	3	2026-11-10 15:48:00+00	2.093
2319	4	2026-11-10 15:54:00+00	2.107
2320	5	2026-11-10 16:00:00+00	2.121
2321	6	2026-11-10 16:06:00+00	2.135
2322	7	2026-11-10 16:12:00+00	2.148
2323	8	2026-11-10 16:18:00+00	2.162
2324	9	2026-11-10 16:24:00+00	2.176
2325	10	2026-11-10 16:30:00+00	2.190
2326	11	2026-11-10 16:36:00+00	2.204
2327	12	2026-11-10 16:42:00+00	2.217
2328	1	2026-11-10 16:48:00+00	2.231
2329	2	2026-11-10 16:54:00+00	2.245
2330	3	2026-11-10 17:00:00+00	2.259
2331	4	2026-11-10 17:06:00+00	2.273
2332	5	2026-11-10 17:12:00+00	2.286
2333	6	2026-11-10 17:18:00+00	2.300
2334	7	2026-11-10 17:24:00+00	2.314
2335	8	2026-11-10 17:30:00+00	2.327
2336	9	2026-11-10 17:36:00+00	2.341
2337	10	2026-11-10 17:42:00+00	2.355
2338	11	2026-11-10 17:48:00+00	2.368
2339	12	2026-11-10 17:54:00+00	2.382
2340	1	2026-11-10 18:00:00+00	2.396
2341	2	2026-11-10 18:06:00+00	2.409
2342	3	2026-11-10 18:12:00+00	2.423
2343	4	2026-11-10 18:18:00+00	2.436
2344	5	2026-11-10 18:24:00+00	2.450
2345	6	2026-11-10 18:30:00+00	2.463
2346	7	2026-11-10 18:36:00+00	2.477
2347	8	2026-11-10 18:42:00+00	2.490
2348	9	2026-11-10 18:48:00+00	2.504
2349	10	2026-11-10 18:54:00+00	2.517
2350	11	2026-11-10 19:00:00+00	2.531
2351	12	2026-11-10 19:06:00+00	2.544
2352	1	2026-11-10 19:12:00+00	2.557
2353	2	2026-11-10 19:18:00+00	2.571
2354	3	2026-11-10 19:24:00+00	2.584
2355	4	2026-11-10 19:30:00+00	2.597
2356	5	2026-11-10 19:36:00+00	2.610
2357	6	2026-11-10 19:42:00+00	2.624
2358	7	2026-11-10 19:48:00+00	2.637
2359	8	2026-11-10 19:54:00+00	2.650
2360	9	2026-11-10 20:00:00+00	2.663
2361	10	2026-11-10 20:06:00+00	2.676
2362	11	2026-11-10 20:12:00+00	2.689
2363	12	2026-11-10 20:18:00+00	2.702
2364	1	2026-11-10 20:24:00+00	2.715
2365	2	2026-11-10 20:30:00+00	2.728
2366	3	2026-11-10 20:36:00+00	2.740
2367	4	2026-11-10 20:42:00+00	2.753
2368	5	2026-11-10 20:48:00+00	2.766
2369	6	2026-11-10 20:54:00+00	2.779
2370	7	2026-11-10 21:00:00+00	2.791
2371	8	2026-11-10 21:06:00+00	2.804
2372	9	2026-11-10 21:12:00+00	2.816
2373	10	2026-11-10 21:18:00+00	2.829
2374	11	2026-11-10 21:24:00+00	2.841
2375	12	2026-11-10 21:30:00+00	2.854
2376	1	2026-11-10 21:36:00+00	2.866
2377	2	2026-11-10 21:42:00+00	2.878
2378	3	2026-11-10 21:48:00+00	2.891
2379	4	2026-11-10 21:54:00+00	2.903
2380	5	2026-11-10 22:00:00+00	2.915
2381	6	2026-11-10 22:06:00+00	2.927
2382	7	2026-11-10 22:12:00+00	2.939
2383	8	2026-11-10 22:18:00+00	2.951
2384	9	2026-11-10 22:24:00+00	2.963
2385	10	2026-11-10 22:30:00+00	2.975
2386	11	2026-11-10 22:36:00+00	2.987
2387	12	2026-11-10 22:42:00+00	2.999
2388	1	2026-11-10 22:48:00+00	3.010
2389	2	2026-11-10 22:54:00+00	3.022
2390	3	2026-11-10 23:00:00+00	3.034
2391	4	2026-11-10 23:06:00+00	3.045
2392	5	2026-11-10 23:12:00+00	3.057
2393	6	2026-11-10 23:18:00+00	3.068
2394	7	2026-11-10 23:24:00+00	3.079
2395	8	2026-11-10 23:30:00+00	3.091
2396	9	2026-11-10 23:36:00+00	3.102
2397	10	2026-11-10 23:42:00+00	3.113
2398	11	2026-11-10 23:48:00+00	3.124
2399	12	2026-11-10 23:54:00+00	3.135
2400	1	2026-11-11 00:00:00+00	3.146
2401	2	2026-11-11 00:06:00+00	3.157
2402	3	2026-11-11 00:12:00+00	3.167
2403	4	2026-11-11 00:18:00+00	3.178
2404	5	2026-11-11 00:24:00+00	3.189
2405	6	2026-11-11 00:30:00+00	3.199
2406	7	2026-11-11 00:36:00+00	3.210
2407	8	2026-11-11 00:42:00+00	3.220
2408	9	2026-11-11 00:48:00+00	3.231
2409	10	2026-11-11 00:54:00+00	3.241
2410	11	2026-11-11 01:00:00+00	3.251
2411	12	2026-11-11 01:06:00+00	3.261
2412	1	2026-11-11 01:12:00+00	3.271
2413	2	2026-11-11 01:18:00+00	3.281
2414	3	2026-11-11 01:24:00+00	3.291
2415	4	2026-11-11 01:30:00+00	3.301
2416	5	2026-11-11 01:36:00+00	3.311
2417	6	2026-11-11 01:42:00+00	3.321
2418	7	2026-11-11 01:48:00+00	3.330
2419	8	2026-11-11 01:54:00+00	3.340
2420	9	2026-11-11 02:00:00+00	3.349
2421	10	2026-11-11 02:06:00+00	3.358
2422	11	2026-11-11 02:12:00+00	3.368
2423	12	2026-11-11 02:18:00+00	3.377
2424	1	2026-11-11 02:24:00+00	3.386
2425	2	2026-11-11 02:30:00+00	3.395
2426	3	2026-11-11 02:36:00+00	3.404
2427	4	2026-11-11 02:42:00+00	3.413
2428	5	2026-11-11 02:48:00+00	3.421
2429	6	2026-11-11 02:54:00+00	3.430
2430	7	2026-11-11 03:00:00+00	3.439
2431	8	2026-11-11 03:06:00+00	3.447
2432	9	2026-11-11 03:12:00+00	3.455
2433	10	2026-11-11 03:18:00+00	3.464
2434	11	2026-11-11 03:24:00+00	3.472
2435	12	2026-11-11 03:30:00+00	3.480
2436	1	2026-11-11 03:36:00+00	3.488
2437	2	2026-11-11 03:42:00+00	3.496
2438	3	2026-11-11 03:48:00+00	3.504
2439	4	2026-11-11 03:54:00+00	3.512
2440	5	2026-11-11 04:00:00+00	3.519
2441	6	2026-11-11 04:06:00+00	3.527
2442	7	2026-11-11 04:12:00+00	3.534
2443	8	2026-11-11 04:18:00+00	3.542
2444	9	2026-11-11 04:24:00+00	3.549
2445	10	2026-11-11 04:30:00+00	3.556
2446	11	2026-11-11 04:36:00+00	3.563
2447	12	2026-11-11 04:42:00+00	3.570
2448	1	2026-11-11 04:48:00+00	3.577
2449	2	2026-11-11 04:54:00+00	3.584
2450	3	2026-11-11 05:00:00+00	3.591
2451	4	2026-11-11 05:06:00+00	3.597
2452	5	2026-11-11 05:12:00+00	3.604
2453	6	2026-11-11 05:18:00+00	3.610
2454	7	2026-11-11 05:24:00+00	3.616
2455	8	2026-11-11 05:30:00+00	3.623
2456	9	2026-11-11 05:36:00+00	3.629
2457	10	2026-11-11 05:42:00+00	3.635
2458	11	2026-11-11 05:48:00+00	3.641
2459	12	2026-11-11 05:54:00+00	3.646
2460	1	2026-11-11 06:00:00+00	3.652
2461	2	2026-11-11 06:06:00+00	3.658
2462	3	2026-11-11 06:12:00+00	3.663
2463	4	2026-11-11 06:18:00+00	3.668
2464	5	2026-11-11 06:24:00+00	3.674
2465	6	2026-11-11 06:30:00+00	3.679
2466	7	2026-11-11 06:36:00+00	3.684
2467	8	2026-11-11 06:42:00+00	3.689
2468	9	2026-11-11 06:48:00+00	3.694
2469	10	2026-11-11 06:54:00+00	3.699
2470	11	2026-11-11 07:00:00+00	3.703
2471	12	2026-11-11 07:06:00+00	3.708
2472	1	2026-11-11 07:12:00+00	3.712
2473	2	2026-11-11 07:18:00+00	3.717
2474	3	2026-11-11 07:24:00+00	3.721
2475	4	2026-11-11 07:30:00+00	3.725
2476	5	2026-11-11 07:36:00+00	3.729
2477	6	2026-11-11 07:42:00+00	3.733
2478	7	2026-11-11 07:48:00+00	3.737
2479	8	2026-11-11 07:54:00+00	3.740
2480	9	2026-11-11 08:00:00+00	3.744
2481	10	2026-11-11 08:06:00+00	3.747
2482	11	2026-11-11 08:12:00+00	3.751
2483	12	2026-11-11 08:18:00+00	3.754
2484	1	2026-11-11 08:24:00+00	3.757
2485	2	2026-11-11 08:30:00+00	3.760
2486	3	2026-11-11 08:36:00+00	3.763
2487	4	2026-11-11 08:42:00+00	3.766
2488	5	2026-11-11 08:48:00+00	3.769
2489	6	2026-11-11 08:54:00+00	3.771
2490	7	2026-11-11 09:00:00+00	3.774
2491	8	2026-11-11 09:06:00+00	3.776
2492	9	2026-11-11 09:12:00+00	3.778
2493	10	2026-11-11 09:18:00+00	3.780
2494	11	2026-11-11 09:24:00+00	3.782
2495	12	2026-11-11 09:30:00+00	3.784
2496	1	2026-11-11 09:36:00+00	3.786
2497	2	2026-11-11 09:42:00+00	3.788
2498	3	2026-11-11 09:48:00+00	3.789
2499	4	2026-11-11 09:54:00+00	3.791
2500	5	2026-11-11 10:00:00+00	3.792
2501	6	2026-11-11 10:06:00+00	3.794
2502	7	2026-11-11 10:12:00+00	3.795
2503	8	2026-11-11 10:18:00+00	3.796
2504	9	2026-11-11 10:24:00+00	3.797
2505	10	2026-11-11 10:30:00+00	3.797
2506	11	2026-11-11 10:36:00+00	3.798
2507	12	2026-11-11 10:42:00+00	3.799
2508	1	2026-11-11 10:48:00+00	3.799
2509	2	2026-11-11 10:54:00+00	3.800
2510	3	2026-11-11 11:00:00+00	3.800
2511	4	2026-11-11 11:06:00+00	3.800
2512	5	2026-11-11 11:12:00+00	3.800
2513	6	2026-11-11 11:18:00+00	3.800
2514	7	2026-11-11 11:24:00+00	3.800
2515	8	2026-11-11 11:30:00+00	3.799
2516	9	2026-11-11 11:36:00+00	3.799
2517	10	2026-11-11 11:42:00+00	3.798
2518	11	2026-11-11 11:48:00+00	3.798
2519	12	2026-11-11 11:54:00+00	3.797
2520	1	2026-11-11 12:00:00+00	3.796
2521	2	2026-11-11 12:06:00+00	3.795
2522	3	2026-11-11 12:12:00+00	3.794
2523	4	2026-11-11 12:18:00+00	3.793
2524	5	2026-11-11 12:24:00+00	3.792
2525	6	2026-11-11 12:30:00+00	3.790
2526	7	2026-11-11 12:36:00+00	3.789
2527	8	2026-11-11 12:42:00+00	3.787
2528	9	2026-11-11 12:48:00+00	3.785
2529	10	2026-11-11 12:54:00+00	3.783
2530	11	2026-11-11 13:00:00+00	3.781
2531	12	2026-11-11 13:06:00+00	3.779
2532	1	2026-11-11 13:12:00+00	3.777
2533	2	2026-11-11 13:18:00+00	3.775
2534	3	2026-11-11 13:24:00+00	3.772
2535	4	2026-11-11 13:30:00+00	3.770
2536	5	2026-11-11 13:36:00+00	3.767
2537	6	2026-11-11 13:42:00+00	3.764
2538	7	2026-11-11 13:48:00+00	3.761
2539	8	2026-11-11 13:54:00+00	3.758
2540	9	2026-11-11 14:00:00+00	3.755
2541	10	2026-11-11 14:06:00+00	3.752
2542	11	2026-11-11 14:12:00+00	3.749
2543	12	2026-11-11 14:18:00+00	3.745
2544	1	2026-11-11 14:24:00+00	3.742
2545	2	2026-11-11 14:30:00+00	3.738
2546	3	2026-11-11 14:36:00+00	3.734
2547	4	2026-11-11 14:42:00+00	3.730
2548	5	2026-11-11 14:48:00+00	3.727
2549	6	2026-11-11 14:54:00+00	3.722
2550	7	2026-11-11 15:00:00+00	3.718
2551	8	2026-11-11 15:06:00+00	3.714
2552	9	2026-11-11 15:12:00+00	3.710
2553	10	2026-11-11 15:18:00+00	3.705
2554	11	2026-11-11 15:24:00+00	3.700
2555	12	2026-11-11 15:30:00+00	3.696
2556	1	2026-11-11 15:36:00+00	3.691
2557	2	2026-11-11 15:42:00+00	3.686
2558	3	2026-11-11 15:48:00+00	3.681
2559	4	2026-11-11 15:54:00+00	3.676
2560	5	2026-11-11 16:00:00+00	3.671
2561	6	2026-11-11 16:06:00+00	3.665
2562	7	2026-11-11 16:12:00+00	3.660
2563	8	2026-11-11 16:18:00+00	3.654
2564	9	2026-11-11 16:24:00+00	3.649
2565	10	2026-11-11 16:30:00+00	3.643
2566	11	2026-11-11 16:36:00+00	3.637
2567	12	2026-11-11 16:42:00+00	3.631
2568	1	2026-11-11 16:48:00+00	3.625
2569	2	2026-11-11 16:54:00+00	3.619
2570	3	2026-11-11 17:00:00+00	3.613
2571	4	2026-11-11 17:06:00+00	3.606
2572	5	2026-11-11 17:12:00+00	3.600
2573	6	2026-11-11 17:18:00+00	3.593
2574	7	2026-11-11 17:24:00+00	3.587
2575	8	2026-11-11 17:30:00+00	3.580
2576	9	2026-11-11 17:36:00+00	3.573
2577	10	2026-11-11 17:42:00+00	3.566
2578	11	2026-11-11 17:48:00+00	3.559
2579	12	2026-11-11 17:54:00+00	3.552
2580	1	2026-11-11 18:00:00+00	3.545
2581	2	2026-11-11 18:06:00+00	3.537
2582	3	2026-11-11 18:12:00+00	3.530
2583	4	2026-11-11 18:18:00+00	3.522
2584	5	2026-11-11 18:24:00+00	3.515
2585	6	2026-11-11 18:30:00+00	3.507
2586	7	2026-11-11 18:36:00+00	3.499
2587	8	2026-11-11 18:42:00+00	3.491
2588	9	2026-11-11 18:48:00+00	3.483
2589	10	2026-11-11 18:54:00+00	3.475
2590	11	2026-11-11 19:00:00+00	3.467
2591	12	2026-11-11 19:06:00+00	3.459
2592	1	2026-11-11 19:12:00+00	3.450
2593	2	2026-11-11 19:18:00+00	3.442
2594	3	2026-11-11 19:24:00+00	3.433
2595	4	2026-11-11 19:30:00+00	3.425
2596	5	2026-11-11 19:36:00+00	3.416
2597	6	2026-11-11 19:42:00+00	3.407
2598	7	2026-11-11 19:48:00+00	3.398
2599	8	2026-11-11 19:54:00+00	3.390
2600	9	2026-11-11 20:00:00+00	3.380
2601	10	2026-11-11 20:06:00+00	3.371
2602	11	2026-11-11 20:12:00+00	3.362
2603	12	2026-11-11 20:18:00+00	3.353
2604	1	2026-11-11 20:24:00+00	3.343
2605	2	2026-11-11 20:30:00+00	3.334
2606	3	2026-11-11 20:36:00+00	3.324
2607	4	2026-11-11 20:42:00+00	3.315
2608	5	2026-11-11 20:48:00+00	3.305
2609	6	2026-11-11 20:54:00+00	3.295
2610	7	2026-11-11 21:00:00+00	3.285
2611	8	2026-11-11 21:06:00+00	3.275
2612	9	2026-11-11 21:12:00+00	3.265
2613	10	2026-11-11 21:18:00+00	3.255
2614	11	2026-11-11 21:24:00+00	3.245
2615	12	2026-11-11 21:30:00+00	3.235
2616	1	2026-11-11 21:36:00+00	3.225
2617	2	2026-11-11 21:42:00+00	3.214
2618	3	2026-11-11 21:48:00+00	3.204
2619	4	2026-11-11 21:54:00+00	3.193
2620	5	2026-11-11 22:00:00+00	3.183
2621	6	2026-11-11 22:06:00+00	3.172
2622	7	2026-11-11 22:12:00+00	3.161
2623	8	2026-11-11 22:18:00+00	3.150
2624	9	2026-11-11 22:24:00+00	3.139
2625	10	2026-11-11 22:30:00+00	3.128
2626	11	2026-11-11 22:36:00+00	3.117
2627	12	2026-11-11 22:42:00+00	3.106
2628	1	2026-11-11 22:48:00+00	3.095
2629	2	2026-11-11 22:54:00+00	3.084
2630	3	2026-11-11 23:00:00+00	3.073
2631	4	2026-11-11 23:06:00+00	3.061
2632	5	2026-11-11 23:12:00+00	3.050
2633	6	2026-11-11 23:18:00+00	3.038
2634	7	2026-11-11 23:24:00+00	3.027
2635	8	2026-11-11 23:30:00+00	3.015
2636	9	2026-11-11 23:36:00+00	3.003
2637	10	2026-11-11 23:42:00+00	2.992
2638	11	2026-11-11 23:48:00+00	2.980
2639	12	2026-11-11 23:54:00+00	2.968
2640	1	2026-11-12 00:00:00+00	2.956
2641	2	2026-11-12 00:06:00+00	2.944
2642	3	2026-11-12 00:12:00+00	2.932
2643	4	2026-11-12 00:18:00+00	2.920
2644	5	2026-11-12 00:24:00+00	2.908
2645	6	2026-11-12 00:30:00+00	2.896
2646	7	2026-11-12 00:36:00+00	2.883
2647	8	2026-11-12 00:42:00+00	2.871
2648	9	2026-11-12 00:48:00+00	2.859
2649	10	2026-11-12 00:54:00+00	2.846
2650	11	2026-11-12 01:00:00+00	2.834
2651	12	2026-11-12 01:06:00+00	2.821
2652	1	2026-11-12 01:12:00+00	2.809
2653	2	2026-11-12 01:18:00+00	2.796
2654	3	2026-11-12 01:24:00+00	2.784
2655	4	2026-11-12 01:30:00+00	2.771
2656	5	2026-11-12 01:36:00+00	2.758
2657	6	2026-11-12 01:42:00+00	2.746
2658	7	2026-11-12 01:48:00+00	2.733
2659	8	2026-11-12 01:54:00+00	2.720
2660	9	2026-11-12 02:00:00+00	2.707
2661	10	2026-11-12 02:06:00+00	2.694
2662	11	2026-11-12 02:12:00+00	2.681
2663	12	2026-11-12 02:18:00+00	2.668
2664	1	2026-11-12 02:24:00+00	2.655
2665	2	2026-11-12 02:30:00+00	2.642
2666	3	2026-11-12 02:36:00+00	2.629
2667	4	2026-11-12 02:42:00+00	2.616
2668	5	2026-11-12 02:48:00+00	2.603
2669	6	2026-11-12 02:54:00+00	2.589
2670	7	2026-11-12 03:00:00+00	2.576
2671	8	2026-11-12 03:06:00+00	2.563
2672	9	2026-11-12 03:12:00+00	2.549
2673	10	2026-11-12 03:18:00+00	2.536
2674	11	2026-11-12 03:24:00+00	2.523
2675	12	2026-11-12 03:30:00+00	2.509
2676	1	2026-11-12 03:36:00+00	2.496
2677	2	2026-11-12 03:42:00+00	2.482
2678	3	2026-11-12 03:48:00+00	2.469
2679	4	2026-11-12 03:54:00+00	2.455
2680	5	2026-11-12 04:00:00+00	2.442
2681	6	2026-11-12 04:06:00+00	2.428
2682	7	2026-11-12 04:12:00+00	2.415
2683	8	2026-11-12 04:18:00+00	2.401
2684	9	2026-11-12 04:24:00+00	2.388
2685	10	2026-11-12 04:30:00+00	2.374
2686	11	2026-11-12 04:36:00+00	2.360
2687	12	2026-11-12 04:42:00+00	2.347
2688	1	2026-11-12 04:48:00+00	2.333
2689	2	2026-11-12 04:54:00+00	2.319
2690	3	2026-11-12 05:00:00+00	2.306
2691	4	2026-11-12 05:06:00+00	2.292
2692	5	2026-11-12 05:12:00+00	2.278
2693	6	2026-11-12 05:18:00+00	2.264
2694	7	2026-11-12 05:24:00+00	2.251
2695	8	2026-11-12 05:30:00+00	2.237
2696	9	2026-11-12 05:36:00+00	2.223
2697	10	2026-11-12 05:42:00+00	2.209
2698	11	2026-11-12 05:48:00+00	2.195
2699	12	2026-11-12 05:54:00+00	2.182
2700	1	2026-11-12 06:00:00+00	2.168
2701	2	2026-11-12 06:06:00+00	2.154
2702	3	2026-11-12 06:12:00+00	2.140
2703	4	2026-11-12 06:18:00+00	2.126
2704	5	2026-11-12 06:24:00+00	2.113
2705	6	2026-11-12 06:30:00+00	2.099
2706	7	2026-11-12 06:36:00+00	2.085
2707	8	2026-11-12 06:42:00+00	2.071
2708	9	2026-11-12 06:48:00+00	2.057
2709	10	2026-11-12 06:54:00+00	2.043
2710	11	2026-11-12 07:00:00+00	2.030
2711	12	2026-11-12 07:06:00+00	2.016
2712	1	2026-11-12 07:12:00+00	2.002
2713	2	2026-11-12 07:18:00+00	1.988
2714	3	2026-11-12 07:24:00+00	1.974
2715	4	2026-11-12 07:30:00+00	1.961
2716	5	2026-11-12 07:36:00+00	1.947
2717	6	2026-11-12 07:42:00+00	1.933
2718	7	2026-11-12 07:48:00+00	1.919
2719	8	2026-11-12 07:54:00+00	1.906
2720	9	2026-11-12 08:00:00+00	1.892
2721	10	2026-11-12 08:06:00+00	1.878
2722	11	2026-11-12 08:12:00+00	1.865
2723	12	2026-11-12 08:18:00+00	1.851
2724	1	2026-11-12 08:24:00+00	1.837
2725	2	2026-11-12 08:30:00+00	1.824
2726	3	2026-11-12 08:36:00+00	1.810
2727	4	2026-11-12 08:42:00+00	1.796
2728	5	2026-11-12 08:48:00+00	1.783
2729	6	2026-11-12 08:54:00+00	1.769
2730	7	2026-11-12 09:00:00+00	1.756
2731	8	2026-11-12 09:06:00+00	1.742
2732	9	2026-11-12 09:12:00+00	1.729
2733	10	2026-11-12 09:18:00+00	1.715
2734	11	2026-11-12 09:24:00+00	1.702
2735	12	2026-11-12 09:30:00+00	1.688
2736	1	2026-11-12 09:36:00+00	1.675
2737	2	2026-11-12 09:42:00+00	1.662
2738	3	2026-11-12 09:48:00+00	1.648
2739	4	2026-11-12 09:54:00+00	1.635
2740	5	2026-11-12 10:00:00+00	1.622
2741	6	2026-11-12 10:06:00+00	1.608
2742	7	2026-11-12 10:12:00+00	1.595
2743	8	2026-11-12 10:18:00+00	1.582
2744	9	2026-11-12 10:24:00+00	1.569
2745	10	2026-11-12 10:30:00+00	1.556
2746	11	2026-11-12 10:36:00+00	1.543
2747	12	2026-11-12 10:42:00+00	1.530
2748	1	2026-11-12 10:48:00+00	1.517
2749	2	2026-11-12 10:54:00+00	1.504
2750	3	2026-11-12 11:00:00+00	1.491
2751	4	2026-11-12 11:06:00+00	1.478
2752	5	2026-11-12 11:12:00+00	1.465
2753	6	2026-11-12 11:18:00+00	1.452
2754	7	2026-11-12 11:24:00+00	1.439
2755	8	2026-11-12 11:30:00+00	1.427
2756	9	2026-11-12 11:36:00+00	1.414
2757	10	2026-11-12 11:42:00+00	1.401
2758	11	2026-11-12 11:48:00+00	1.389
2759	12	2026-11-12 11:54:00+00	1.376
2760	1	2026-11-12 12:00:00+00	1.364
2761	2	2026-11-12 12:06:00+00	1.351
2762	3	2026-11-12 12:12:00+00	1.339
2763	4	2026-11-12 12:18:00+00	1.327
2764	5	2026-11-12 12:24:00+00	1.314
2765	6	2026-11-12 12:30:00+00	1.302
2766	7	2026-11-12 12:36:00+00	1.290
2767	8	2026-11-12 12:42:00+00	1.278
2768	9	2026-11-12 12:48:00+00	1.266
2769	10	2026-11-12 12:54:00+00	1.254
2770	11	2026-11-12 13:00:00+00	1.242
2771	12	2026-11-12 13:06:00+00	1.230
2772	1	2026-11-12 13:12:00+00	1.218
2773	2	2026-11-12 13:18:00+00	1.206
2774	3	2026-11-12 13:24:00+00	1.195
2775	4	2026-11-12 13:30:00+00	1.183
2776	5	2026-11-12 13:36:00+00	1.171
2777	6	2026-11-12 13:42:00+00	1.160
2778	7	2026-11-12 13:48:00+00	1.148
2779	8	2026-11-12 13:54:00+00	1.137
2780	9	2026-11-12 14:00:00+00	1.125
2781	10	2026-11-12 14:06:00+00	1.114
2782	11	2026-11-12 14:12:00+00	1.103
2783	12	2026-11-12 14:18:00+00	1.092
2784	1	2026-11-12 14:24:00+00	1.081
2785	2	2026-11-12 14:30:00+00	1.070
2786	3	2026-11-12 14:36:00+00	1.059
2787	4	2026-11-12 14:42:00+00	1.048
2788	5	2026-11-12 14:48:00+00	1.037
2789	6	2026-11-12 14:54:00+00	1.026
2790	7	2026-11-12 15:00:00+00	1.016
2791	8	2026-11-12 15:06:00+00	1.005
2792	9	2026-11-12 15:12:00+00	0.994
2793	10	2026-11-12 15:18:00+00	0.984
2794	11	2026-11-12 15:24:00+00	0.974
2795	12	2026-11-12 15:30:00+00	0.963
2796	1	2026-11-12 15:36:00+00	0.953
2797	2	2026-11-12 15:42:00+00	0.943
2798	3	2026-11-12 15:48:00+00	0.933
2799	4	2026-11-12 15:54:00+00	0.923
2800	5	2026-11-12 16:00:00+00	0.913
2801	6	2026-11-12 16:06:00+00	0.903
2802	7	2026-11-12 16:12:00+00	0.893
2803	8	2026-11-12 16:18:00+00	0.883
2804	9	2026-11-12 16:24:00+00	0.874
2805	10	2026-11-12 16:30:00+00	0.864
2806	11	2026-11-12 16:36:00+00	0.855
2807	12	2026-11-12 16:42:00+00	0.846
2808	1	2026-11-12 16:48:00+00	0.836
2809	2	2026-11-12 16:54:00+00	0.827
2810	3	2026-11-12 17:00:00+00	0.818
2811	4	2026-11-12 17:06:00+00	0.809
2812	5	2026-11-12 17:12:00+00	0.800
2813	6	2026-11-12 17:18:00+00	0.791
2814	7	2026-11-12 17:24:00+00	0.782
2815	8	2026-11-12 17:30:00+00	0.774
2816	9	2026-11-12 17:36:00+00	0.765
2817	10	2026-11-12 17:42:00+00	0.756
2818	11	2026-11-12 17:48:00+00	0.748
2819	12	2026-11-12 17:54:00+00	0.740
2820	1	2026-11-12 18:00:00+00	0.731
2821	2	2026-11-12 18:06:00+00	0.723
2822	3	2026-11-12 18:12:00+00	0.715
2823	4	2026-11-12 18:18:00+00	0.707
2824	5	2026-11-12 18:24:00+00	0.699
2825	6	2026-11-12 18:30:00+00	0.692
2826	7	2026-11-12 18:36:00+00	0.684
2827	8	2026-11-12 18:42:00+00	0.676
2828	9	2026-11-12 18:48:00+00	0.669
2829	10	2026-11-12 18:54:00+00	0.661
2830	11	2026-11-12 19:00:00+00	0.654
2831	12	2026-11-12 19:06:00+00	0.647
2832	1	2026-11-12 19:12:00+00	0.640
2833	2	2026-11-12 19:18:00+00	0.633
2834	3	2026-11-12 19:24:00+00	0.626
2835	4	2026-11-12 19:30:00+00	0.619
2836	5	2026-11-12 19:36:00+00	0.612
2837	6	2026-11-12 19:42:00+00	0.606
2838	7	2026-11-12 19:48:00+00	0.599
2839	8	2026-11-12 19:54:00+00	0.593
2840	9	2026-11-12 20:00:00+00	0.586
2841	10	2026-11-12 20:06:00+00	0.580
2842	11	2026-11-12 20:12:00+00	0.574
2843	12	2026-11-12 20:18:00+00	0.568
2844	1	2026-11-12 20:24:00+00	0.562
2845	2	2026-11-12 20:30:00+00	0.556
2846	3	2026-11-12 20:36:00+00	0.550
2847	4	2026-11-12 20:42:00+00	0.545
2848	5	2026-11-12 20:48:00+00	0.539
2849	6	2026-11-12 20:54:00+00	0.534
2850	7	2026-11-12 21:00:00+00	0.528
2851	8	2026-11-12 21:06:00+00	0.523
2852	9	2026-11-12 21:12:00+00	0.518
2853	10	2026-11-12 21:18:00+00	0.513
2854	11	2026-11-12 21:24:00+00	0.508
2855	12	2026-11-12 21:30:00+00	0.503
2856	1	2026-11-12 21:36:00+00	0.499
2857	2	2026-11-12 21:42:00+00	0.494
2858	3	2026-11-12 21:48:00+00	0.490
2859	4	2026-11-12 21:54:00+00	0.485
2860	5	2026-11-12 22:00:00+00	0.481
2861	6	2026-11-12 22:06:00+00	0.477
2862	7	2026-11-12 22:12:00+00	0.473
2863	8	2026-11-12 22:18:00+00	0.469
2864	9	2026-11-12 22:24:00+00	0.465
2865	10	2026-11-12 22:30:00+00	0.461
2866	11	2026-11-12 22:36:00+00	0.458
2867	12	2026-11-12 22:42:00+00	0.454
2868	1	2026-11-12 22:48:00+00	0.451
2869	2	2026-11-12 22:54:00+00	0.447
2870	3	2026-11-12 23:00:00+00	0.444
2871	4	2026-11-12 23:06:00+00	0.441
2872	5	2026-11-12 23:12:00+00	0.438
2873	6	2026-11-12 23:18:00+00	0.435
2874	7	2026-11-12 23:24:00+00	0.433
2875	8	2026-11-12 23:30:00+00	0.430
2876	9	2026-11-12 23:36:00+00	0.427
2877	10	2026-11-12 23:42:00+00	0.425
2878	11	2026-11-12 23:48:00+00	0.423
2879	12	2026-11-12 23:54:00+00	0.420
2880	1	2026-11-13 00:00:00+00	0.418
2881	2	2026-11-13 00:06:00+00	0.416
2882	3	2026-11-13 00:12:00+00	0.415
2883	4	2026-11-13 00:18:00+00	0.413
2884	5	2026-11-13 00:24:00+00	0.411
2885	6	2026-11-13 00:30:00+00	0.410
2886	7	2026-11-13 00:36:00+00	0.408
2887	8	2026-11-13 00:42:00+00	0.407
2888	9	2026-11-13 00:48:00+00	0.406
2889	10	2026-11-13 00:54:00+00	0.405
2890	11	2026-11-13 01:00:00+00	0.404
2891	12	2026-11-13 01:06:00+00	0.403
2892	1	2026-11-13 01:12:00+00	0.402
2893	2	2026-11-13 01:18:00+00	0.401
2894	3	2026-11-13 01:24:00+00	0.401
2895	4	2026-11-13 01:30:00+00	0.401
2896	5	2026-11-13 01:36:00+00	0.400
2897	6	2026-11-13 01:42:00+00	0.400
2898	7	2026-11-13 01:48:00+00	0.400
2899	8	2026-11-13 01:54:00+00	0.400
2900	9	2026-11-13 02:00:00+00	0.400
2901	10	2026-11-13 02:06:00+00	0.400
2902	11	2026-11-13 02:12:00+00	0.401
2903	12	2026-11-13 02:18:00+00	0.401
2904	1	2026-11-13 02:24:00+00	0.402
2905	2	2026-11-13 02:30:00+00	0.403
2906	3	2026-11-13 02:36:00+00	0.403
2907	4	2026-11-13 02:42:00+00	0.404
2908	5	2026-11-13 02:48:00+00	0.405
2909	6	2026-11-13 02:54:00+00	0.407
2910	7	2026-11-13 03:00:00+00	0.408
2911	8	2026-11-13 03:06:00+00	0.409
2912	9	2026-11-13 03:12:00+00	0.411
2913	10	2026-11-13 03:18:00+00	0.412
2914	11	2026-11-13 03:24:00+00	0.414
2915	12	2026-11-13 03:30:00+00	0.416
2916	1	2026-11-13 03:36:00+00	0.418
2917	2	2026-11-13 03:42:00+00	0.420
2918	3	2026-11-13 03:48:00+00	0.422
2919	4	2026-11-13 03:54:00+00	0.424
2920	5	2026-11-13 04:00:00+00	0.427
2921	6	2026-11-13 04:06:00+00	0.429
2922	7	2026-11-13 04:12:00+00	0.432
2923	8	2026-11-13 04:18:00+00	0.435
2924	9	2026-11-13 04:24:00+00	0.437
2925	10	2026-11-13 04:30:00+00	0.440
2926	11	2026-11-13 04:36:00+00	0.443
2927	12	2026-11-13 04:42:00+00	0.447
2928	1	2026-11-13 04:48:00+00	0.450
2929	2	2026-11-13 04:54:00+00	0.453
2930	3	2026-11-13 05:00:00+00	0.457
2931	4	2026-11-13 05:06:00+00	0.460
2932	5	2026-11-13 05:12:00+00	0.464
2933	6	2026-11-13 05:18:00+00	0.468
2934	7	2026-11-13 05:24:00+00	0.472
2935	8	2026-11-13 05:30:00+00	0.476
2936	9	2026-11-13 05:36:00+00	0.480
2937	10	2026-11-13 05:42:00+00	0.484
2938	11	2026-11-13 05:48:00+00	0.489
2939	12	2026-11-13 05:54:00+00	0.493
2940	1	2026-11-13 06:00:00+00	0.498
2941	2	2026-11-13 06:06:00+00	0.502
2942	3	2026-11-13 06:12:00+00	0.507
2943	4	2026-11-13 06:18:00+00	0.512
2944	5	2026-11-13 06:24:00+00	0.517
2945	6	2026-11-13 06:30:00+00	0.522
2946	7	2026-11-13 06:36:00+00	0.527
2947	8	2026-11-13 06:42:00+00	0.532
2948	9	2026-11-13 06:48:00+00	0.538
2949	10	2026-11-13 06:54:00+00	0.543
2950	11	2026-11-13 07:00:00+00	0.549
2951	12	2026-11-13 07:06:00+00	0.555
2952	1	2026-11-13 07:12:00+00	0.561
2953	2	2026-11-13 07:18:00+00	0.566
2954	3	2026-11-13 07:24:00+00	0.572
2955	4	2026-11-13 07:30:00+00	0.579
2956	5	2026-11-13 07:36:00+00	0.585
2957	6	2026-11-13 07:42:00+00	0.591
2958	7	2026-11-13 07:48:00+00	0.598
2959	8	2026-11-13 07:54:00+00	0.604
2960	9	2026-11-13 08:00:00+00	0.611
2961	10	2026-11-13 08:06:00+00	0.617
2962	11	2026-11-13 08:12:00+00	0.624
2963	12	2026-11-13 08:18:00+00	0.631
2964	1	2026-11-13 08:24:00+00	0.638
2965	2	2026-11-13 08:30:00+00	0.645
2966	3	2026-11-13 08:36:00+00	0.652
2967	4	2026-11-13 08:42:00+00	0.660
2968	5	2026-11-13 08:48:00+00	0.667
2969	6	2026-11-13 08:54:00+00	0.675
2970	7	2026-11-13 09:00:00+00	0.682
2971	8	2026-11-13 09:06:00+00	0.690
2972	9	2026-11-13 09:12:00+00	0.698
2973	10	2026-11-13 09:18:00+00	0.705
2974	11	2026-11-13 09:24:00+00	0.713
2975	12	2026-11-13 09:30:00+00	0.721
2976	1	2026-11-13 09:36:00+00	0.730
2977	2	2026-11-13 09:42:00+00	0.738
2978	3	2026-11-13 09:48:00+00	0.746
2979	4	2026-11-13 09:54:00+00	0.754
2980	5	2026-11-13 10:00:00+00	0.763
2981	6	2026-11-13 10:06:00+00	0.772
2982	7	2026-11-13 10:12:00+00	0.780
2983	8	2026-11-13 10:18:00+00	0.789
2984	9	2026-11-13 10:24:00+00	0.798
2985	10	2026-11-13 10:30:00+00	0.807
2986	11	2026-11-13 10:36:00+00	0.816
2987	12	2026-11-13 10:42:00+00	0.825
2988	1	2026-11-13 10:48:00+00	0.834
2989	2	2026-11-13 10:54:00+00	0.843
2990	3	2026-11-13 11:00:00+00	0.853
2991	4	2026-11-13 11:06:00+00	0.862
2992	5	2026-11-13 11:12:00+00	0.872
2993	6	2026-11-13 11:18:00+00	0.881
2994	7	2026-11-13 11:24:00+00	0.891
2995	8	2026-11-13 11:30:00+00	0.901
2996	9	2026-11-13 11:36:00+00	0.910
2997	10	2026-11-13 11:42:00+00	0.920
2998	11	2026-11-13 11:48:00+00	0.930
2999	12	2026-11-13 11:54:00+00	0.940
3000	1	2026-11-13 12:00:00+00	0.951
3001	2	2026-11-13 12:06:00+00	0.961
3002	3	2026-11-13 12:12:00+00	0.971
3003	4	2026-11-13 12:18:00+00	0.981
3004	5	2026-11-13 12:24:00+00	0.992
3005	6	2026-11-13 12:30:00+00	1.002
3006	7	2026-11-13 12:36:00+00	1.013
3007	8	2026-11-13 12:42:00+00	1.024
3008	9	2026-11-13 12:48:00+00	1.034
3009	10	2026-11-13 12:54:00+00	1.045
3010	11	2026-11-13 13:00:00+00	1.056
3011	12	2026-11-13 13:06:00+00	1.067
3012	1	2026-11-13 13:12:00+00	1.078
3013	2	2026-11-13 13:18:00+00	1.089
3014	3	2026-11-13 13:24:00+00	1.100
3015	4	2026-11-13 13:30:00+00	1.111
3016	5	2026-11-13 13:36:00+00	1.123
3017	6	2026-11-13 13:42:00+00	1.134
3018	7	2026-11-13 13:48:00+00	1.146
3019	8	2026-11-13 13:54:00+00	1.157
3020	9	2026-11-13 14:00:00+00	1.169
3021	10	2026-11-13 14:06:00+00	1.180
3022	11	2026-11-13 14:12:00+00	1.192
3023	12	2026-11-13 14:18:00+00	1.203
3024	1	2026-11-13 14:24:00+00	1.215
3025	2	2026-11-13 14:30:00+00	1.227
3026	3	2026-11-13 14:36:00+00	1.239
3027	4	2026-11-13 14:42:00+00	1.251
3028	5	2026-11-13 14:48:00+00	1.263
3029	6	2026-11-13 14:54:00+00	1.275
3030	7	2026-11-13 15:00:00+00	1.287
3031	8	2026-11-13 15:06:00+00	1.299
3032	9	2026-11-13 15:12:00+00	1.311
3033	10	2026-11-13 15:18:00+00	1.324
3034	11	2026-11-13 15:24:00+00	1.336
3035	12	2026-11-13 15:30:00+00	1.348
3036	1	2026-11-13 15:36:00+00	1.361
3037	2	2026-11-13 15:42:00+00	1.373
3038	3	2026-11-13 15:48:00+00	1.386
3039	4	2026-11-13 15:54:00+00	1.398
3040	5	2026-11-13 16:00:00+00	1.411
3041	6	2026-11-13 16:06:00+00	1.424
3042	7	2026-11-13 16:12:00+00	1.436
3043	8	2026-11-13 16:18:00+00	1.449
3044	9	2026-11-13 16:24:00+00	1.462
3045	10	2026-11-13 16:30:00+00	1.475
3046	11	2026-11-13 16:36:00+00	1.488
3047	12	2026-11-13 16:42:00+00	1.501
3048	1	2026-11-13 16:48:00+00	1.513
3049	2	2026-11-13 16:54:00+00	1.526
3050	3	2026-11-13 17:00:00+00	1.539
3051	4	2026-11-13 17:06:00+00	1.553
3052	5	2026-11-13 17:12:00+00	1.566
3053	6	2026-11-13 17:18:00+00	1.579
3054	7	2026-11-13 17:24:00+00	1.592
3055	8	2026-11-13 17:30:00+00	1.605
3056	9	2026-11-13 17:36:00+00	1.618
3057	10	2026-11-13 17:42:00+00	1.632
3058	11	2026-11-13 17:48:00+00	1.645
3059	12	2026-11-13 17:54:00+00	1.658
3060	1	2026-11-13 18:00:00+00	1.672
3061	2	2026-11-13 18:06:00+00	1.685
3062	3	2026-11-13 18:12:00+00	1.698
3063	4	2026-11-13 18:18:00+00	1.712
3064	5	2026-11-13 18:24:00+00	1.725
3065	6	2026-11-13 18:30:00+00	1.739
3066	7	2026-11-13 18:36:00+00	1.752
3067	8	2026-11-13 18:42:00+00	1.766
3068	9	2026-11-13 18:48:00+00	1.780
3069	10	2026-11-13 18:54:00+00	1.793
3070	11	2026-11-13 19:00:00+00	1.807
3071	12	2026-11-13 19:06:00+00	1.820
3072	1	2026-11-13 19:12:00+00	1.834
3073	2	2026-11-13 19:18:00+00	1.848
3074	3	2026-11-13 19:24:00+00	1.861
3075	4	2026-11-13 19:30:00+00	1.875
3076	5	2026-11-13 19:36:00+00	1.889
3077	6	2026-11-13 19:42:00+00	1.902
3078	7	2026-11-13 19:48:00+00	1.916
3079	8	2026-11-13 19:54:00+00	1.930
3080	9	2026-11-13 20:00:00+00	1.944
3081	10	2026-11-13 20:06:00+00	1.957
3082	11	2026-11-13 20:12:00+00	1.971
3083	12	2026-11-13 20:18:00+00	1.985
3084	1	2026-11-13 20:24:00+00	1.999
3085	2	2026-11-13 20:30:00+00	2.013
3086	3	2026-11-13 20:36:00+00	2.026
3087	4	2026-11-13 20:42:00+00	2.040
3088	5	2026-11-13 20:48:00+00	2.054
3089	6	2026-11-13 20:54:00+00	2.068
3090	7	2026-11-13 21:00:00+00	2.082
3091	8	2026-11-13 21:06:00+00	2.095
3092	9	2026-11-13 21:12:00+00	2.109
3093	10	2026-11-13 21:18:00+00	2.123
3094	11	2026-11-13 21:24:00+00	2.137
3095	12	2026-11-13 21:30:00+00	2.151
3096	1	2026-11-13 21:36:00+00	2.165
3097	2	2026-11-13 21:42:00+00	2.178
3098	3	2026-11-13 21:48:00+00	2.192
3099	4	2026-11-13 21:54:00+00	2.206
3100	5	2026-11-13 22:00:00+00	2.220
3101	6	2026-11-13 22:06:00+00	2.234
3102	7	2026-11-13 22:12:00+00	2.247
3103	8	2026-11-13 22:18:00+00	2.261
3104	9	2026-11-13 22:24:00+00	2.275
3105	10	2026-11-13 22:30:00+00	2.289
3106	11	2026-11-13 22:36:00+00	2.302
3107	12	2026-11-13 22:42:00+00	2.316
3108	1	2026-11-13 22:48:00+00	2.330
3109	2	2026-11-13 22:54:00+00	2.343
3110	3	2026-11-13 23:00:00+00	2.357
3111	4	2026-11-13 23:06:00+00	2.371
3112	5	2026-11-13 23:12:00+00	2.384
3113	6	2026-11-13 23:18:00+00	2.398
3114	7	2026-11-13 23:24:00+00	2.412
3115	8	2026-11-13 23:30:00+00	2.425
3116	9	2026-11-13 23:36:00+00	2.439
3117	10	2026-11-13 23:42:00+00	2.452
3118	11	2026-11-13 23:48:00+00	2.466
3119	12	2026-11-13 23:54:00+00	2.479
3120	1	2026-11-14 00:00:00+00	2.493
3121	2	2026-11-14 00:06:00+00	2.506
3122	3	2026-11-14 00:12:00+00	2.520
3123	4	2026-11-14 00:18:00+00	2.533
3124	5	2026-11-14 00:24:00+00	2.546
3125	6	2026-11-14 00:30:00+00	2.560
3126	7	2026-11-14 00:36:00+00	2.573
3127	8	2026-11-14 00:42:00+00	2.586
3128	9	2026-11-14 00:48:00+00	2.599
3129	10	2026-11-14 00:54:00+00	2.613
3130	11	2026-11-14 01:00:00+00	2.626
3131	12	2026-11-14 01:06:00+00	2.639
3132	1	2026-11-14 01:12:00+00	2.652
3133	2	2026-11-14 01:18:00+00	2.665
3134	3	2026-11-14 01:24:00+00	2.678
3135	4	2026-11-14 01:30:00+00	2.691
3136	5	2026-11-14 01:36:00+00	2.704
3137	6	2026-11-14 01:42:00+00	2.717
3138	7	2026-11-14 01:48:00+00	2.730
3139	8	2026-11-14 01:54:00+00	2.743
3140	9	2026-11-14 02:00:00+00	2.755
3141	10	2026-11-14 02:06:00+00	2.768
3142	11	2026-11-14 02:12:00+00	2.781
3143	12	2026-11-14 02:18:00+00	2.793
3144	1	2026-11-14 02:24:00+00	2.806
3145	2	2026-11-14 02:30:00+00	2.819
3146	3	2026-11-14 02:36:00+00	2.831
3147	4	2026-11-14 02:42:00+00	2.843
3148	5	2026-11-14 02:48:00+00	2.856
3149	6	2026-11-14 02:54:00+00	2.868
3150	7	2026-11-14 03:00:00+00	2.881
3151	8	2026-11-14 03:06:00+00	2.893
3152	9	2026-11-14 03:12:00+00	2.905
3153	10	2026-11-14 03:18:00+00	2.917
3154	11	2026-11-14 03:24:00+00	2.929
3155	12	2026-11-14 03:30:00+00	2.941
3156	1	2026-11-14 03:36:00+00	2.953
3157	2	2026-11-14 03:42:00+00	2.965
3158	3	2026-11-14 03:48:00+00	2.977
3159	4	2026-11-14 03:54:00+00	2.989
3160	5	2026-11-14 04:00:00+00	3.001
3161	6	2026-11-14 04:06:00+00	3.012
3162	7	2026-11-14 04:12:00+00	3.024
3163	8	2026-11-14 04:18:00+00	3.035
3164	9	2026-11-14 04:24:00+00	3.047
3165	10	2026-11-14 04:30:00+00	3.058
3166	11	2026-11-14 04:36:00+00	3.070
3167	12	2026-11-14 04:42:00+00	3.081
3168	1	2026-11-14 04:48:00+00	3.092
3169	2	2026-11-14 04:54:00+00	3.104
3170	3	2026-11-14 05:00:00+00	3.115
3171	4	2026-11-14 05:06:00+00	3.126
3172	5	2026-11-14 05:12:00+00	3.137
3173	6	2026-11-14 05:18:00+00	3.148
3174	7	2026-11-14 05:24:00+00	3.159
3175	8	2026-11-14 05:30:00+00	3.169
3176	9	2026-11-14 05:36:00+00	3.180
3177	10	2026-11-14 05:42:00+00	3.191
3178	11	2026-11-14 05:48:00+00	3.201
3179	12	2026-11-14 05:54:00+00	3.212
3180	1	2026-11-14 06:00:00+00	3.222
3181	2	2026-11-14 06:06:00+00	3.232
3182	3	2026-11-14 06:12:00+00	3.243
3183	4	2026-11-14 06:18:00+00	3.253
3184	5	2026-11-14 06:24:00+00	3.263
3185	6	2026-11-14 06:30:00+00	3.273
3186	7	2026-11-14 06:36:00+00	3.283
3187	8	2026-11-14 06:42:00+00	3.293
3188	9	2026-11-14 06:48:00+00	3.303
3189	10	2026-11-14 06:54:00+00	3.312
3190	11	2026-11-14 07:00:00+00	3.322
3191	12	2026-11-14 07:06:00+00	3.332
3192	1	2026-11-14 07:12:00+00	3.341
3193	2	2026-11-14 07:18:00+00	3.351
3194	3	2026-11-14 07:24:00+00	3.360
3195	4	2026-11-14 07:30:00+00	3.369
3196	5	2026-11-14 07:36:00+00	3.378
3197	6	2026-11-14 07:42:00+00	3.387
3198	7	2026-11-14 07:48:00+00	3.396
3199	8	2026-11-14 07:54:00+00	3.405
3200	9	2026-11-14 08:00:00+00	3.414
3201	10	2026-11-14 08:06:00+00	3.423
3202	11	2026-11-14 08:12:00+00	3.431
3203	12	2026-11-14 08:18:00+00	3.440
3204	1	2026-11-14 08:24:00+00	3.448
3205	2	2026-11-14 08:30:00+00	3.457
3206	3	2026-11-14 08:36:00+00	3.465
3207	4	2026-11-14 08:42:00+00	3.473
3208	5	2026-11-14 08:48:00+00	3.481
3209	6	2026-11-14 08:54:00+00	3.489
3210	7	2026-11-14 09:00:00+00	3.497
3211	8	2026-11-14 09:06:00+00	3.505
3212	9	2026-11-14 09:12:00+00	3.513
3213	10	2026-11-14 09:18:00+00	3.521
3214	11	2026-11-14 09:24:00+00	3.528
3215	12	2026-11-14 09:30:00+00	3.536
3216	1	2026-11-14 09:36:00+00	3.543
3217	2	2026-11-14 09:42:00+00	3.550
3218	3	2026-11-14 09:48:00+00	3.557
3219	4	2026-11-14 09:54:00+00	3.564
3220	5	2026-11-14 10:00:00+00	3.571
3221	6	2026-11-14 10:06:00+00	3.578
3222	7	2026-11-14 10:12:00+00	3.585
3223	8	2026-11-14 10:18:00+00	3.592
3224	9	2026-11-14 10:24:00+00	3.598
3225	10	2026-11-14 10:30:00+00	3.605
3226	11	2026-11-14 10:36:00+00	3.611
3227	12	2026-11-14 10:42:00+00	3.617
3228	1	2026-11-14 10:48:00+00	3.624
3229	2	2026-11-14 10:54:00+00	3.630
3230	3	2026-11-14 11:00:00+00	3.636
3231	4	2026-11-14 11:06:00+00	3.642
3232	5	2026-11-14 11:12:00+00	3.647
3233	6	2026-11-14 11:18:00+00	3.653
3234	7	2026-11-14 11:24:00+00	3.659
3235	8	2026-11-14 11:30:00+00	3.664
3236	9	2026-11-14 11:36:00+00	3.669
3237	10	2026-11-14 11:42:00+00	3.675
3238	11	2026-11-14 11:48:00+00	3.680
3239	12	2026-11-14 11:54:00+00	3.685
3240	1	2026-11-14 12:00:00+00	3.690
3241	2	2026-11-14 12:06:00+00	3.695
3242	3	2026-11-14 12:12:00+00	3.699
3243	4	2026-11-14 12:18:00+00	3.704
3244	5	2026-11-14 12:24:00+00	3.709
3245	6	2026-11-14 12:30:00+00	3.713
3246	7	2026-11-14 12:36:00+00	3.717
3247	8	2026-11-14 12:42:00+00	3.721
3248	9	2026-11-14 12:48:00+00	3.726
3249	10	2026-11-14 12:54:00+00	3.730
3250	11	2026-11-14 13:00:00+00	3.733
3251	12	2026-11-14 13:06:00+00	3.737
3252	1	2026-11-14 13:12:00+00	3.741
3253	2	2026-11-14 13:18:00+00	3.744
3254	3	2026-11-14 13:24:00+00	3.748
3255	4	2026-11-14 13:30:00+00	3.751
3256	5	2026-11-14 13:36:00+00	3.754
3257	6	2026-11-14 13:42:00+00	3.758
3258	7	2026-11-14 13:48:00+00	3.761
3259	8	2026-11-14 13:54:00+00	3.763
3260	9	2026-11-14 14:00:00+00	3.766
3261	10	2026-11-14 14:06:00+00	3.769
3262	11	2026-11-14 14:12:00+00	3.772
3263	12	2026-11-14 14:18:00+00	3.774
3264	1	2026-11-14 14:24:00+00	3.776
3265	2	2026-11-14 14:30:00+00	3.779
3266	3	2026-11-14 14:36:00+00	3.781
3267	4	2026-11-14 14:42:00+00	3.783
3268	5	2026-11-14 14:48:00+00	3.785
3269	6	2026-11-14 14:54:00+00	3.786
3270	7	2026-11-14 15:00:00+00	3.788
3271	8	2026-11-14 15:06:00+00	3.790
3272	9	2026-11-14 15:12:00+00	3.791
3273	10	2026-11-14 15:18:00+00	3.793
3274	11	2026-11-14 15:24:00+00	3.794
3275	12	2026-11-14 15:30:00+00	3.795
3276	1	2026-11-14 15:36:00+00	3.796
3277	2	2026-11-14 15:42:00+00	3.797
3278	3	2026-11-14 15:48:00+00	3.798
3279	4	2026-11-14 15:54:00+00	3.798
3280	5	2026-11-14 16:00:00+00	3.799
3281	6	2026-11-14 16:06:00+00	3.799
3282	7	2026-11-14 16:12:00+00	3.800
3283	8	2026-11-14 16:18:00+00	3.800
3284	9	2026-11-14 16:24:00+00	3.800
3285	10	2026-11-14 16:30:00+00	3.800
3286	11	2026-11-14 16:36:00+00	3.800
3287	12	2026-11-14 16:42:00+00	3.800
3288	1	2026-11-14 16:48:00+00	3.799
3289	2	2026-11-14 16:54:00+00	3.799
3290	3	2026-11-14 17:00:00+00	3.798
3291	4	2026-11-14 17:06:00+00	3.798
3292	5	2026-11-14 17:12:00+00	3.797
3293	6	2026-11-14 17:18:00+00	3.796
3294	7	2026-11-14 17:24:00+00	3.795
3295	8	2026-11-14 17:30:00+00	3.794
3296	9	2026-11-14 17:36:00+00	3.793
3297	10	2026-11-14 17:42:00+00	3.791
3298	11	2026-11-14 17:48:00+00	3.790
3299	12	2026-11-14 17:54:00+00	3.788
3300	1	2026-11-14 18:00:00+00	3.787
3301	2	2026-11-14 18:06:00+00	3.785
3302	3	2026-11-14 18:12:00+00	3.783
3303	4	2026-11-14 18:18:00+00	3.781
3304	5	2026-11-14 18:24:00+00	3.779
3305	6	2026-11-14 18:30:00+00	3.777
3306	7	2026-11-14 18:36:00+00	3.774
3307	8	2026-11-14 18:42:00+00	3.772
3308	9	2026-11-14 18:48:00+00	3.769
3309	10	2026-11-14 18:54:00+00	3.766
3310	11	2026-11-14 19:00:00+00	3.764
3311	12	2026-11-14 19:06:00+00	3.761
3312	1	2026-11-14 19:12:00+00	3.758
3313	2	2026-11-14 19:18:00+00	3.755
3314	3	2026-11-14 19:24:00+00	3.751
3315	4	2026-11-14 19:30:00+00	3.748
3316	5	2026-11-14 19:36:00+00	3.745
3317	6	2026-11-14 19:42:00+00	3.741
3318	7	2026-11-14 19:48:00+00	3.737
3319	8	2026-11-14 19:54:00+00	3.734
3320	9	2026-11-14 20:00:00+00	3.730
3321	10	2026-11-14 20:06:00+00	3.726
3322	11	2026-11-14 20:12:00+00	3.722
3323	12	2026-11-14 20:18:00+00	3.718
3324	1	2026-11-14 20:24:00+00	3.713
3325	2	2026-11-14 20:30:00+00	3.709
3326	3	2026-11-14 20:36:00+00	3.704
3327	4	2026-11-14 20:42:00+00	3.700
3328	5	2026-11-14 20:48:00+00	3.695
3329	6	2026-11-14 20:54:00+00	3.690
3330	7	2026-11-14 21:00:00+00	3.685
3331	8	2026-11-14 21:06:00+00	3.680
3332	9	2026-11-14 21:12:00+00	3.675
3333	10	2026-11-14 21:18:00+00	3.670
3334	11	2026-11-14 21:24:00+00	3.664
3335	12	2026-11-14 21:30:00+00	3.659
3336	1	2026-11-14 21:36:00+00	3.653
3337	2	2026-11-14 21:42:00+00	3.648
3338	3	2026-11-14 21:48:00+00	3.642
3339	4	2026-11-14 21:54:00+00	3.636
3340	5	2026-11-14 22:00:00+00	3.630
3341	6	2026-11-14 22:06:00+00	3.624
3342	7	2026-11-14 22:12:00+00	3.618
3343	8	2026-11-14 22:18:00+00	3.612
3344	9	2026-11-14 22:24:00+00	3.605
3345	10	2026-11-14 22:30:00+00	3.599
3346	11	2026-11-14 22:36:00+00	3.592
3347	12	2026-11-14 22:42:00+00	3.585
3348	1	2026-11-14 22:48:00+00	3.579
3349	2	2026-11-14 22:54:00+00	3.572
3350	3	2026-11-14 23:00:00+00	3.565
3351	4	2026-11-14 23:06:00+00	3.558
3352	5	2026-11-14 23:12:00+00	3.551
3353	6	2026-11-14 23:18:00+00	3.543
3354	7	2026-11-14 23:24:00+00	3.536
3355	8	2026-11-14 23:30:00+00	3.529
3356	9	2026-11-14 23:36:00+00	3.521
3357	10	2026-11-14 23:42:00+00	3.513
3358	11	2026-11-14 23:48:00+00	3.506
3359	12	2026-11-14 23:54:00+00	3.498
3360	1	2026-11-15 00:00:00+00	3.490
3361	2	2026-11-15 00:06:00+00	3.482
3362	3	2026-11-15 00:12:00+00	3.474
3363	4	2026-11-15 00:18:00+00	3.466
3364	5	2026-11-15 00:24:00+00	3.457
3365	6	2026-11-15 00:30:00+00	3.449
3366	7	2026-11-15 00:36:00+00	3.441
3367	8	2026-11-15 00:42:00+00	3.432
3368	9	2026-11-15 00:48:00+00	3.423
3369	10	2026-11-15 00:54:00+00	3.415
3370	11	2026-11-15 01:00:00+00	3.406
3371	12	2026-11-15 01:06:00+00	3.397
3372	1	2026-11-15 01:12:00+00	3.388
3373	2	2026-11-15 01:18:00+00	3.379
3374	3	2026-11-15 01:24:00+00	3.370
3375	4	2026-11-15 01:30:00+00	3.361
3376	5	2026-11-15 01:36:00+00	3.351
3377	6	2026-11-15 01:42:00+00	3.342
3378	7	2026-11-15 01:48:00+00	3.332
3379	8	2026-11-15 01:54:00+00	3.323
3380	9	2026-11-15 02:00:00+00	3.313
3381	10	2026-11-15 02:06:00+00	3.303
3382	11	2026-11-15 02:12:00+00	3.294
3383	12	2026-11-15 02:18:00+00	3.284
3384	1	2026-11-15 02:24:00+00	3.274
3385	2	2026-11-15 02:30:00+00	3.264
3386	3	2026-11-15 02:36:00+00	3.254
3387	4	2026-11-15 02:42:00+00	3.243
3388	5	2026-11-15 02:48:00+00	3.233
3389	6	2026-11-15 02:54:00+00	3.223
3390	7	2026-11-15 03:00:00+00	3.212
3391	8	2026-11-15 03:06:00+00	3.202
3392	9	2026-11-15 03:12:00+00	3.191
3393	10	2026-11-15 03:18:00+00	3.181
3394	11	2026-11-15 03:24:00+00	3.170
3395	12	2026-11-15 03:30:00+00	3.159
3396	1	2026-11-15 03:36:00+00	3.148
3397	2	2026-11-15 03:42:00+00	3.138
3398	3	2026-11-15 03:48:00+00	3.127
3399	4	2026-11-15 03:54:00+00	3.115
3400	5	2026-11-15 04:00:00+00	3.104
3401	6	2026-11-15 04:06:00+00	3.093
3402	7	2026-11-15 04:12:00+00	3.082
3403	8	2026-11-15 04:18:00+00	3.071
3404	9	2026-11-15 04:24:00+00	3.059
3405	10	2026-11-15 04:30:00+00	3.048
3406	11	2026-11-15 04:36:00+00	3.036
3407	12	2026-11-15 04:42:00+00	3.025
3408	1	2026-11-15 04:48:00+00	3.013
3409	2	2026-11-15 04:54:00+00	3.001
3410	3	2026-11-15 05:00:00+00	2.990
3411	4	2026-11-15 05:06:00+00	2.978
3412	5	2026-11-15 05:12:00+00	2.966
3413	6	2026-11-15 05:18:00+00	2.954
3414	7	2026-11-15 05:24:00+00	2.942
3415	8	2026-11-15 05:30:00+00	2.930
3416	9	2026-11-15 05:36:00+00	2.918
3417	10	2026-11-15 05:42:00+00	2.906
3418	11	2026-11-15 05:48:00+00	2.894
3419	12	2026-11-15 05:54:00+00	2.881
3420	1	2026-11-15 06:00:00+00	2.869
3421	2	2026-11-15 06:06:00+00	2.857
3422	3	2026-11-15 06:12:00+00	2.844
3423	4	2026-11-15 06:18:00+00	2.832
3424	5	2026-11-15 06:24:00+00	2.819
3425	6	2026-11-15 06:30:00+00	2.807
3426	7	2026-11-15 06:36:00+00	2.794
3427	8	2026-11-15 06:42:00+00	2.782
3428	9	2026-11-15 06:48:00+00	2.769
3429	10	2026-11-15 06:54:00+00	2.756
3430	11	2026-11-15 07:00:00+00	2.743
3431	12	2026-11-15 07:06:00+00	2.731
3432	1	2026-11-15 07:12:00+00	2.718
3433	2	2026-11-15 07:18:00+00	2.705
3434	3	2026-11-15 07:24:00+00	2.692
3435	4	2026-11-15 07:30:00+00	2.679
3436	5	2026-11-15 07:36:00+00	2.666
3437	6	2026-11-15 07:42:00+00	2.653
3438	7	2026-11-15 07:48:00+00	2.640
3439	8	2026-11-15 07:54:00+00	2.627
3440	9	2026-11-15 08:00:00+00	2.614
3441	10	2026-11-15 08:06:00+00	2.600
3442	11	2026-11-15 08:12:00+00	2.587
3443	12	2026-11-15 08:18:00+00	2.574
3444	1	2026-11-15 08:24:00+00	2.561
3445	2	2026-11-15 08:30:00+00	2.547
3446	3	2026-11-15 08:36:00+00	2.534
3447	4	2026-11-15 08:42:00+00	2.520
3448	5	2026-11-15 08:48:00+00	2.507
3449	6	2026-11-15 08:54:00+00	2.494
3450	7	2026-11-15 09:00:00+00	2.480
3451	8	2026-11-15 09:06:00+00	2.467
3452	9	2026-11-15 09:12:00+00	2.453
3453	10	2026-11-15 09:18:00+00	2.440
3454	11	2026-11-15 09:24:00+00	2.426
3455	12	2026-11-15 09:30:00+00	2.413
3456	1	2026-11-15 09:36:00+00	2.399
3457	2	2026-11-15 09:42:00+00	2.385
3458	3	2026-11-15 09:48:00+00	2.372
3459	4	2026-11-15 09:54:00+00	2.358
3460	5	2026-11-15 10:00:00+00	2.344
3461	6	2026-11-15 10:06:00+00	2.331
3462	7	2026-11-15 10:12:00+00	2.317
3463	8	2026-11-15 10:18:00+00	2.303
3464	9	2026-11-15 10:24:00+00	2.290
3465	10	2026-11-15 10:30:00+00	2.276
3466	11	2026-11-15 10:36:00+00	2.262
3467	12	2026-11-15 10:42:00+00	2.248
3468	1	2026-11-15 10:48:00+00	2.235
3469	2	2026-11-15 10:54:00+00	2.221
3470	3	2026-11-15 11:00:00+00	2.207
3471	4	2026-11-15 11:06:00+00	2.193
3472	5	2026-11-15 11:12:00+00	2.179
3473	6	2026-11-15 11:18:00+00	2.166
3474	7	2026-11-15 11:24:00+00	2.152
3475	8	2026-11-15 11:30:00+00	2.138
3476	9	2026-11-15 11:36:00+00	2.124
3477	10	2026-11-15 11:42:00+00	2.110
3478	11	2026-11-15 11:48:00+00	2.096
3479	12	2026-11-15 11:54:00+00	2.083
3480	1	2026-11-15 12:00:00+00	2.069
3481	2	2026-11-15 12:06:00+00	2.055
3482	3	2026-11-15 12:12:00+00	2.041
3483	4	2026-11-15 12:18:00+00	2.027
3484	5	2026-11-15 12:24:00+00	2.014
3485	6	2026-11-15 12:30:00+00	2.000
3486	7	2026-11-15 12:36:00+00	1.986
3487	8	2026-11-15 12:42:00+00	1.972
3488	9	2026-11-15 12:48:00+00	1.958
3489	10	2026-11-15 12:54:00+00	1.945
3490	11	2026-11-15 13:00:00+00	1.931
3491	12	2026-11-15 13:06:00+00	1.917
3492	1	2026-11-15 13:12:00+00	1.903
3493	2	2026-11-15 13:18:00+00	1.890
3494	3	2026-11-15 13:24:00+00	1.876
3495	4	2026-11-15 13:30:00+00	1.862
3496	5	2026-11-15 13:36:00+00	1.849
3497	6	2026-11-15 13:42:00+00	1.835
3498	7	2026-11-15 13:48:00+00	1.821
3499	8	2026-11-15 13:54:00+00	1.808
3500	9	2026-11-15 14:00:00+00	1.794
3501	10	2026-11-15 14:06:00+00	1.780
3502	11	2026-11-15 14:12:00+00	1.767
3503	12	2026-11-15 14:18:00+00	1.753
3504	1	2026-11-15 14:24:00+00	1.740
3505	2	2026-11-15 14:30:00+00	1.726
3506	3	2026-11-15 14:36:00+00	1.713
3507	4	2026-11-15 14:42:00+00	1.699
3508	5	2026-11-15 14:48:00+00	1.686
3509	6	2026-11-15 14:54:00+00	1.673
3510	7	2026-11-15 15:00:00+00	1.659
3511	8	2026-11-15 15:06:00+00	1.646
3512	9	2026-11-15 15:12:00+00	1.633
3513	10	2026-11-15 15:18:00+00	1.619
3514	11	2026-11-15 15:24:00+00	1.606
3515	12	2026-11-15 15:30:00+00	1.593
3516	1	2026-11-15 15:36:00+00	1.580
3517	2	2026-11-15 15:42:00+00	1.567
3518	3	2026-11-15 15:48:00+00	1.553
3519	4	2026-11-15 15:54:00+00	1.540
3520	5	2026-11-15 16:00:00+00	1.527
3521	6	2026-11-15 16:06:00+00	1.514
3522	7	2026-11-15 16:12:00+00	1.501
3523	8	2026-11-15 16:18:00+00	1.489
3524	9	2026-11-15 16:24:00+00	1.476
3525	10	2026-11-15 16:30:00+00	1.463
3526	11	2026-11-15 16:36:00+00	1.450
3527	12	2026-11-15 16:42:00+00	1.437
3528	1	2026-11-15 16:48:00+00	1.425
3529	2	2026-11-15 16:54:00+00	1.412
3530	3	2026-11-15 17:00:00+00	1.399
3531	4	2026-11-15 17:06:00+00	1.387
3532	5	2026-11-15 17:12:00+00	1.374
3533	6	2026-11-15 17:18:00+00	1.362
3534	7	2026-11-15 17:24:00+00	1.349
3535	8	2026-11-15 17:30:00+00	1.337
3536	9	2026-11-15 17:36:00+00	1.325
3537	10	2026-11-15 17:42:00+00	1.312
3538	11	2026-11-15 17:48:00+00	1.300
3539	12	2026-11-15 17:54:00+00	1.288
3540	1	2026-11-15 18:00:00+00	1.276
3541	2	2026-11-15 18:06:00+00	1.264
3542	3	2026-11-15 18:12:00+00	1.252
3543	4	2026-11-15 18:18:00+00	1.240
3544	5	2026-11-15 18:24:00+00	1.228
3545	6	2026-11-15 18:30:00+00	1.216
3546	7	2026-11-15 18:36:00+00	1.204
3547	8	2026-11-15 18:42:00+00	1.193
3548	9	2026-11-15 18:48:00+00	1.181
3549	10	2026-11-15 18:54:00+00	1.169
3550	11	2026-11-15 19:00:00+00	1.158
3551	12	2026-11-15 19:06:00+00	1.146
3552	1	2026-11-15 19:12:00+00	1.135
3553	2	2026-11-15 19:18:00+00	1.124
3554	3	2026-11-15 19:24:00+00	1.112
3555	4	2026-11-15 19:30:00+00	1.101
3556	5	2026-11-15 19:36:00+00	1.090
3557	6	2026-11-15 19:42:00+00	1.079
3558	7	2026-11-15 19:48:00+00	1.068
3559	8	2026-11-15 19:54:00+00	1.057
3560	9	2026-11-15 20:00:00+00	1.046
3561	10	2026-11-15 20:06:00+00	1.035
3562	11	2026-11-15 20:12:00+00	1.024
3563	12	2026-11-15 20:18:00+00	1.014
3564	1	2026-11-15 20:24:00+00	1.003
3565	2	2026-11-15 20:30:00+00	0.993
3566	3	2026-11-15 20:36:00+00	0.982
3567	4	2026-11-15 20:42:00+00	0.972
3568	5	2026-11-15 20:48:00+00	0.962
3569	6	2026-11-15 20:54:00+00	0.951
3570	7	2026-11-15 21:00:00+00	0.941
3571	8	2026-11-15 21:06:00+00	0.931
3572	9	2026-11-15 21:12:00+00	0.921
3573	10	2026-11-15 21:18:00+00	0.911
3574	11	2026-11-15 21:24:00+00	0.901
3575	12	2026-11-15 21:30:00+00	0.892
3576	1	2026-11-15 21:36:00+00	0.882
3577	2	2026-11-15 21:42:00+00	0.872
3578	3	2026-11-15 21:48:00+00	0.863
3579	4	2026-11-15 21:54:00+00	0.853
3580	5	2026-11-15 22:00:00+00	0.844
3581	6	2026-11-15 22:06:00+00	0.835
3582	7	2026-11-15 22:12:00+00	0.826
3583	8	2026-11-15 22:18:00+00	0.816
3584	9	2026-11-15 22:24:00+00	0.807
3585	10	2026-11-15 22:30:00+00	0.798
3586	11	2026-11-15 22:36:00+00	0.790
3587	12	2026-11-15 22:42:00+00	0.781
3588	1	2026-11-15 22:48:00+00	0.772
3589	2	2026-11-15 22:54:00+00	0.764
3590	3	2026-11-15 23:00:00+00	0.755
3591	4	2026-11-15 23:06:00+00	0.747
3592	5	2026-11-15 23:12:00+00	0.738
3593	6	2026-11-15 23:18:00+00	0.730
3594	7	2026-11-15 23:24:00+00	0.722
3595	8	2026-11-15 23:30:00+00	0.714
3596	9	2026-11-15 23:36:00+00	0.706
3597	10	2026-11-15 23:42:00+00	0.698
3598	11	2026-11-15 23:48:00+00	0.690
3599	12	2026-11-15 23:54:00+00	0.683
3600	1	2026-11-16 00:00:00+00	0.675
3601	2	2026-11-16 00:06:00+00	0.668
3602	3	2026-11-16 00:12:00+00	0.660
3603	4	2026-11-16 00:18:00+00	0.653
3604	5	2026-11-16 00:24:00+00	0.646
3605	6	2026-11-16 00:30:00+00	0.639
3606	7	2026-11-16 00:36:00+00	0.632
3607	8	2026-11-16 00:42:00+00	0.625
3608	9	2026-11-16 00:48:00+00	0.618
3609	10	2026-11-16 00:54:00+00	0.611
3610	11	2026-11-16 01:00:00+00	0.604
3611	12	2026-11-16 01:06:00+00	0.598
3612	1	2026-11-16 01:12:00+00	0.592
3613	2	2026-11-16 01:18:00+00	0.585
3614	3	2026-11-16 01:24:00+00	0.579
3615	4	2026-11-16 01:30:00+00	0.573
3616	5	2026-11-16 01:36:00+00	0.567
3617	6	2026-11-16 01:42:00+00	0.561
3618	7	2026-11-16 01:48:00+00	0.555
3619	8	2026-11-16 01:54:00+00	0.549
3620	9	2026-11-16 02:00:00+00	0.544
3621	10	2026-11-16 02:06:00+00	0.538
3622	11	2026-11-16 02:12:00+00	0.533
3623	12	2026-11-16 02:18:00+00	0.528
3624	1	2026-11-16 02:24:00+00	0.522
3625	2	2026-11-16 02:30:00+00	0.517
3626	3	2026-11-16 02:36:00+00	0.512
3627	4	2026-11-16 02:42:00+00	0.507
3628	5	2026-11-16 02:48:00+00	0.503
3629	6	2026-11-16 02:54:00+00	0.498
3630	7	2026-11-16 03:00:00+00	0.493
3631	8	2026-11-16 03:06:00+00	0.489
3632	9	2026-11-16 03:12:00+00	0.485
3633	10	2026-11-16 03:18:00+00	0.480
3634	11	2026-11-16 03:24:00+00	0.476
3635	12	2026-11-16 03:30:00+00	0.472
3636	1	2026-11-16 03:36:00+00	0.468
3637	2	2026-11-16 03:42:00+00	0.464
3638	3	2026-11-16 03:48:00+00	0.461
3639	4	2026-11-16 03:54:00+00	0.457
3640	5	2026-11-16 04:00:00+00	0.454
3641	6	2026-11-16 04:06:00+00	0.450
3642	7	2026-11-16 04:12:00+00	0.447
3643	8	2026-11-16 04:18:00+00	0.444
3644	9	2026-11-16 04:24:00+00	0.441
3645	10	2026-11-16 04:30:00+00	0.438
3646	11	2026-11-16 04:36:00+00	0.435
3647	12	2026-11-16 04:42:00+00	0.432
3648	1	2026-11-16 04:48:00+00	0.430
3649	2	2026-11-16 04:54:00+00	0.427
3650	3	2026-11-16 05:00:00+00	0.425
3651	4	2026-11-16 05:06:00+00	0.422
3652	5	2026-11-16 05:12:00+00	0.420
3653	6	2026-11-16 05:18:00+00	0.418
3654	7	2026-11-16 05:24:00+00	0.416
3655	8	2026-11-16 05:30:00+00	0.414
3656	9	2026-11-16 05:36:00+00	0.413
3657	10	2026-11-16 05:42:00+00	0.411
3658	11	2026-11-16 05:48:00+00	0.409
3659	12	2026-11-16 05:54:00+00	0.408
3660	1	2026-11-16 06:00:00+00	0.407
3661	2	2026-11-16 06:06:00+00	0.406
3662	3	2026-11-16 06:12:00+00	0.404
3663	4	2026-11-16 06:18:00+00	0.404
3664	5	2026-11-16 06:24:00+00	0.403
3665	6	2026-11-16 06:30:00+00	0.402
3666	7	2026-11-16 06:36:00+00	0.401
3667	8	2026-11-16 06:42:00+00	0.401
3668	9	2026-11-16 06:48:00+00	0.400
3669	10	2026-11-16 06:54:00+00	0.400
3670	11	2026-11-16 07:00:00+00	0.400
3671	12	2026-11-16 07:06:00+00	0.400
3672	1	2026-11-16 07:12:00+00	0.400
3673	2	2026-11-16 07:18:00+00	0.400
3674	3	2026-11-16 07:24:00+00	0.401
3675	4	2026-11-16 07:30:00+00	0.401
3676	5	2026-11-16 07:36:00+00	0.401
3677	6	2026-11-16 07:42:00+00	0.402
3678	7	2026-11-16 07:48:00+00	0.403
3679	8	2026-11-16 07:54:00+00	0.404
3680	9	2026-11-16 08:00:00+00	0.405
3681	10	2026-11-16 08:06:00+00	0.406
3682	11	2026-11-16 08:12:00+00	0.407
3683	12	2026-11-16 08:18:00+00	0.408
3684	1	2026-11-16 08:24:00+00	0.410
3685	2	2026-11-16 08:30:00+00	0.411
3686	3	2026-11-16 08:36:00+00	0.413
3687	4	2026-11-16 08:42:00+00	0.414
3688	5	2026-11-16 08:48:00+00	0.416
3689	6	2026-11-16 08:54:00+00	0.418
3690	7	2026-11-16 09:00:00+00	0.420
3691	8	2026-11-16 09:06:00+00	0.423
3692	9	2026-11-16 09:12:00+00	0.425
3693	10	2026-11-16 09:18:00+00	0.427
3694	11	2026-11-16 09:24:00+00	0.430
3695	12	2026-11-16 09:30:00+00	0.432
3696	1	2026-11-16 09:36:00+00	0.435
3697	2	2026-11-16 09:42:00+00	0.438
3698	3	2026-11-16 09:48:00+00	0.441
3699	4	2026-11-16 09:54:00+00	0.444
3700	5	2026-11-16 10:00:00+00	0.447
3701	6	2026-11-16 10:06:00+00	0.450
3702	7	2026-11-16 10:12:00+00	0.454
3703	8	2026-11-16 10:18:00+00	0.457
3704	9	2026-11-16 10:24:00+00	0.461
3705	10	2026-11-16 10:30:00+00	0.465
3706	11	2026-11-16 10:36:00+00	0.469
3707	12	2026-11-16 10:42:00+00	0.472
3708	1	2026-11-16 10:48:00+00	0.477
3709	2	2026-11-16 10:54:00+00	0.481
3710	3	2026-11-16 11:00:00+00	0.485
3711	4	2026-11-16 11:06:00+00	0.489
3712	5	2026-11-16 11:12:00+00	0.494
3713	6	2026-11-16 11:18:00+00	0.498
3714	7	2026-11-16 11:24:00+00	0.503
3715	8	2026-11-16 11:30:00+00	0.508
3716	9	2026-11-16 11:36:00+00	0.513
3717	10	2026-11-16 11:42:00+00	0.518
3718	11	2026-11-16 11:48:00+00	0.523
3719	12	2026-11-16 11:54:00+00	0.528
3720	1	2026-11-16 12:00:00+00	0.533
3721	2	2026-11-16 12:06:00+00	0.539
3722	3	2026-11-16 12:12:00+00	0.544
3723	4	2026-11-16 12:18:00+00	0.550
3724	5	2026-11-16 12:24:00+00	0.556
3725	6	2026-11-16 12:30:00+00	0.562
3726	7	2026-11-16 12:36:00+00	0.567
3727	8	2026-11-16 12:42:00+00	0.573
3728	9	2026-11-16 12:48:00+00	0.580
3729	10	2026-11-16 12:54:00+00	0.586
3730	11	2026-11-16 13:00:00+00	0.592
3731	12	2026-11-16 13:06:00+00	0.599
3732	1	2026-11-16 13:12:00+00	0.605
3733	2	2026-11-16 13:18:00+00	0.612
3734	3	2026-11-16 13:24:00+00	0.618
3735	4	2026-11-16 13:30:00+00	0.625
3736	5	2026-11-16 13:36:00+00	0.632
3737	6	2026-11-16 13:42:00+00	0.639
3738	7	2026-11-16 13:48:00+00	0.646
3739	8	2026-11-16 13:54:00+00	0.654
3740	9	2026-11-16 14:00:00+00	0.661
3741	10	2026-11-16 14:06:00+00	0.668
3742	11	2026-11-16 14:12:00+00	0.676
3743	12	2026-11-16 14:18:00+00	0.683
3744	1	2026-11-16 14:24:00+00	0.691
3745	2	2026-11-16 14:30:00+00	0.699
3746	3	2026-11-16 14:36:00+00	0.707
3747	4	2026-11-16 14:42:00+00	0.715
3748	5	2026-11-16 14:48:00+00	0.723
3749	6	2026-11-16 14:54:00+00	0.731
3750	7	2026-11-16 15:00:00+00	0.739
3751	8	2026-11-16 15:06:00+00	0.747
3752	9	2026-11-16 15:12:00+00	0.756
3753	10	2026-11-16 15:18:00+00	0.764
3754	11	2026-11-16 15:24:00+00	0.773
3755	12	2026-11-16 15:30:00+00	0.782
3756	1	2026-11-16 15:36:00+00	0.790
3757	2	2026-11-16 15:42:00+00	0.799
3758	3	2026-11-16 15:48:00+00	0.808
3759	4	2026-11-16 15:54:00+00	0.817
3760	5	2026-11-16 16:00:00+00	0.826
3761	6	2026-11-16 16:06:00+00	0.836
3762	7	2026-11-16 16:12:00+00	0.845
3763	8	2026-11-16 16:18:00+00	0.854
3764	9	2026-11-16 16:24:00+00	0.864
3765	10	2026-11-16 16:30:00+00	0.873
3766	11	2026-11-16 16:36:00+00	0.883
3767	12	2026-11-16 16:42:00+00	0.893
3768	1	2026-11-16 16:48:00+00	0.902
3769	2	2026-11-16 16:54:00+00	0.912
3770	3	2026-11-16 17:00:00+00	0.922
3771	4	2026-11-16 17:06:00+00	0.932
3772	5	2026-11-16 17:12:00+00	0.942
3773	6	2026-11-16 17:18:00+00	0.952
3774	7	2026-11-16 17:24:00+00	0.963
3775	8	2026-11-16 17:30:00+00	0.973
3776	9	2026-11-16 17:36:00+00	0.983
3777	10	2026-11-16 17:42:00+00	0.994
3778	11	2026-11-16 17:48:00+00	1.004
3779	12	2026-11-16 17:54:00+00	1.015
3780	1	2026-11-16 18:00:00+00	1.025
3781	2	2026-11-16 18:06:00+00	1.036
3782	3	2026-11-16 18:12:00+00	1.047
3783	4	2026-11-16 18:18:00+00	1.058
3784	5	2026-11-16 18:24:00+00	1.069
3785	6	2026-11-16 18:30:00+00	1.080
3786	7	2026-11-16 18:36:00+00	1.091
3787	8	2026-11-16 18:42:00+00	1.102
3788	9	2026-11-16 18:48:00+00	1.113
3789	10	2026-11-16 18:54:00+00	1.125
3790	11	2026-11-16 19:00:00+00	1.136
3791	12	2026-11-16 19:06:00+00	1.147
3792	1	2026-11-16 19:12:00+00	1.159
3793	2	2026-11-16 19:18:00+00	1.170
3794	3	2026-11-16 19:24:00+00	1.182
3795	4	2026-11-16 19:30:00+00	1.194
3796	5	2026-11-16 19:36:00+00	1.205
3797	6	2026-11-16 19:42:00+00	1.217
3798	7	2026-11-16 19:48:00+00	1.229
3799	8	2026-11-16 19:54:00+00	1.241
3800	9	2026-11-16 20:00:00+00	1.253
3801	10	2026-11-16 20:06:00+00	1.265
3802	11	2026-11-16 20:12:00+00	1.277
3803	12	2026-11-16 20:18:00+00	1.289
3804	1	2026-11-16 20:24:00+00	1.301
3805	2	2026-11-16 20:30:00+00	1.314
3806	3	2026-11-16 20:36:00+00	1.326
3807	4	2026-11-16 20:42:00+00	1.338
3808	5	2026-11-16 20:48:00+00	1.351
3809	6	2026-11-16 20:54:00+00	1.363
3810	7	2026-11-16 21:00:00+00	1.375
3811	8	2026-11-16 21:06:00+00	1.388
3812	9	2026-11-16 21:12:00+00	1.401
3813	10	2026-11-16 21:18:00+00	1.413
3814	11	2026-11-16 21:24:00+00	1.426
3815	12	2026-11-16 21:30:00+00	1.439
3816	1	2026-11-16 21:36:00+00	1.451
3817	2	2026-11-16 21:42:00+00	1.464
3818	3	2026-11-16 21:48:00+00	1.477
3819	4	2026-11-16 21:54:00+00	1.490
3820	5	2026-11-16 22:00:00+00	1.503
3821	6	2026-11-16 22:06:00+00	1.516
3822	7	2026-11-16 22:12:00+00	1.529
3823	8	2026-11-16 22:18:00+00	1.542
3824	9	2026-11-16 22:24:00+00	1.555
3825	10	2026-11-16 22:30:00+00	1.568
3826	11	2026-11-16 22:36:00+00	1.581
3827	12	2026-11-16 22:42:00+00	1.594
3828	1	2026-11-16 22:48:00+00	1.607
3829	2	2026-11-16 22:54:00+00	1.621
3830	3	2026-11-16 23:00:00+00	1.634
3831	4	2026-11-16 23:06:00+00	1.647
3832	5	2026-11-16 23:12:00+00	1.661
3833	6	2026-11-16 23:18:00+00	1.674
3834	7	2026-11-16 23:24:00+00	1.687
3835	8	2026-11-16 23:30:00+00	1.701
3836	9	2026-11-16 23:36:00+00	1.714
3837	10	2026-11-16 23:42:00+00	1.728
3838	11	2026-11-16 23:48:00+00	1.741
3839	12	2026-11-16 23:54:00+00	1.755
3840	1	2026-11-17 00:00:00+00	1.768
3841	2	2026-11-17 00:06:00+00	1.782
3842	3	2026-11-17 00:12:00+00	1.795
3843	4	2026-11-17 00:18:00+00	1.809
3844	5	2026-11-17 00:24:00+00	1.823
3845	6	2026-11-17 00:30:00+00	1.836
3846	7	2026-11-17 00:36:00+00	1.850
3847	8	2026-11-17 00:42:00+00	1.864
3848	9	2026-11-17 00:48:00+00	1.877
3849	10	2026-11-17 00:54:00+00	1.891
3850	11	2026-11-17 01:00:00+00	1.905
3851	12	2026-11-17 01:06:00+00	1.918
3852	1	2026-11-17 01:12:00+00	1.932
3853	2	2026-11-17 01:18:00+00	1.946
3854	3	2026-11-17 01:24:00+00	1.960
3855	4	2026-11-17 01:30:00+00	1.974
3856	5	2026-11-17 01:36:00+00	1.987
3857	6	2026-11-17 01:42:00+00	2.001
3858	7	2026-11-17 01:48:00+00	2.015
3859	8	2026-11-17 01:54:00+00	2.029
3860	9	2026-11-17 02:00:00+00	2.043
3861	10	2026-11-17 02:06:00+00	2.056
3862	11	2026-11-17 02:12:00+00	2.070
3863	12	2026-11-17 02:18:00+00	2.084
3864	1	2026-11-17 02:24:00+00	2.098
3865	2	2026-11-17 02:30:00+00	2.112
3866	3	2026-11-17 02:36:00+00	2.125
3867	4	2026-11-17 02:42:00+00	2.139
3868	5	2026-11-17 02:48:00+00	2.153
3869	6	2026-11-17 02:54:00+00	2.167
3870	7	2026-11-17 03:00:00+00	2.181
3871	8	2026-11-17 03:06:00+00	2.195
3872	9	2026-11-17 03:12:00+00	2.208
3873	10	2026-11-17 03:18:00+00	2.222
3874	11	2026-11-17 03:24:00+00	2.236
3875	12	2026-11-17 03:30:00+00	2.250
3876	1	2026-11-17 03:36:00+00	2.263
3877	2	2026-11-17 03:42:00+00	2.277
3878	3	2026-11-17 03:48:00+00	2.291
3879	4	2026-11-17 03:54:00+00	2.305
3880	5	2026-11-17 04:00:00+00	2.318
3881	6	2026-11-17 04:06:00+00	2.332
3882	7	2026-11-17 04:12:00+00	2.346
3883	8	2026-11-17 04:18:00+00	2.359
3884	9	2026-11-17 04:24:00+00	2.373
3885	10	2026-11-17 04:30:00+00	2.387
3886	11	2026-11-17 04:36:00+00	2.400
3887	12	2026-11-17 04:42:00+00	2.414
3888	1	2026-11-17 04:48:00+00	2.427
3889	2	2026-11-17 04:54:00+00	2.441
3890	3	2026-11-17 05:00:00+00	2.455
3891	4	2026-11-17 05:06:00+00	2.468
3892	5	2026-11-17 05:12:00+00	2.482
3893	6	2026-11-17 05:18:00+00	2.495
3894	7	2026-11-17 05:24:00+00	2.508
3895	8	2026-11-17 05:30:00+00	2.522
3896	9	2026-11-17 05:36:00+00	2.535
3897	10	2026-11-17 05:42:00+00	2.549
3898	11	2026-11-17 05:48:00+00	2.562
3899	12	2026-11-17 05:54:00+00	2.575
3900	1	2026-11-17 06:00:00+00	2.588
3901	2	2026-11-17 06:06:00+00	2.602
3902	3	2026-11-17 06:12:00+00	2.615
3903	4	2026-11-17 06:18:00+00	2.628
3904	5	2026-11-17 06:24:00+00	2.641
3905	6	2026-11-17 06:30:00+00	2.654
3906	7	2026-11-17 06:36:00+00	2.667
3907	8	2026-11-17 06:42:00+00	2.680
3908	9	2026-11-17 06:48:00+00	2.693
3909	10	2026-11-17 06:54:00+00	2.706
3910	11	2026-11-17 07:00:00+00	2.719
3911	12	2026-11-17 07:06:00+00	2.732
3912	1	2026-11-17 07:12:00+00	2.745
3913	2	2026-11-17 07:18:00+00	2.757
3914	3	2026-11-17 07:24:00+00	2.770
3915	4	2026-11-17 07:30:00+00	2.783
3916	5	2026-11-17 07:36:00+00	2.795
3917	6	2026-11-17 07:42:00+00	2.808
3918	7	2026-11-17 07:48:00+00	2.821
3919	8	2026-11-17 07:54:00+00	2.833
3920	9	2026-11-17 08:00:00+00	2.846
3921	10	2026-11-17 08:06:00+00	2.858
3922	11	2026-11-17 08:12:00+00	2.870
3923	12	2026-11-17 08:18:00+00	2.883
3924	1	2026-11-17 08:24:00+00	2.895
3925	2	2026-11-17 08:30:00+00	2.907
3926	3	2026-11-17 08:36:00+00	2.919
3927	4	2026-11-17 08:42:00+00	2.931
3928	5	2026-11-17 08:48:00+00	2.943
3929	6	2026-11-17 08:54:00+00	2.955
3930	7	2026-11-17 09:00:00+00	2.967
3931	8	2026-11-17 09:06:00+00	2.979
3932	9	2026-11-17 09:12:00+00	2.991
3933	10	2026-11-17 09:18:00+00	3.003
3934	11	2026-11-17 09:24:00+00	3.014
3935	12	2026-11-17 09:30:00+00	3.026
3936	1	2026-11-17 09:36:00+00	3.037
3937	2	2026-11-17 09:42:00+00	3.049
3938	3	2026-11-17 09:48:00+00	3.060
3939	4	2026-11-17 09:54:00+00	3.072
3940	5	2026-11-17 10:00:00+00	3.083
3941	6	2026-11-17 10:06:00+00	3.094
3942	7	2026-11-17 10:12:00+00	3.105
3943	8	2026-11-17 10:18:00+00	3.117
3944	9	2026-11-17 10:24:00+00	3.128
3945	10	2026-11-17 10:30:00+00	3.139
3946	11	2026-11-17 10:36:00+00	3.150
3947	12	2026-11-17 10:42:00+00	3.160
3948	1	2026-11-17 10:48:00+00	3.171
3949	2	2026-11-17 10:54:00+00	3.182
3950	3	2026-11-17 11:00:00+00	3.192
3951	4	2026-11-17 11:06:00+00	3.203
3952	5	2026-11-17 11:12:00+00	3.213
3953	6	2026-11-17 11:18:00+00	3.224
3954	7	2026-11-17 11:24:00+00	3.234
3955	8	2026-11-17 11:30:00+00	3.244
3956	9	2026-11-17 11:36:00+00	3.255
3957	10	2026-11-17 11:42:00+00	3.265
3958	11	2026-11-17 11:48:00+00	3.275
3959	12	2026-11-17 11:54:00+00	3.285
3960	1	2026-11-17 12:00:00+00	3.295
3961	2	2026-11-17 12:06:00+00	3.304
3962	3	2026-11-17 12:12:00+00	3.314
3963	4	2026-11-17 12:18:00+00	3.324
3964	5	2026-11-17 12:24:00+00	3.333
3965	6	2026-11-17 12:30:00+00	3.343
3966	7	2026-11-17 12:36:00+00	3.352
3967	8	2026-11-17 12:42:00+00	3.361
3968	9	2026-11-17 12:48:00+00	3.371
3969	10	2026-11-17 12:54:00+00	3.380
3970	11	2026-11-17 13:00:00+00	3.389
3971	12	2026-11-17 13:06:00+00	3.398
3972	1	2026-11-17 13:12:00+00	3.407
3973	2	2026-11-17 13:18:00+00	3.416
3974	3	2026-11-17 13:24:00+00	3.424
3975	4	2026-11-17 13:30:00+00	3.433
3976	5	2026-11-17 13:36:00+00	3.441
3977	6	2026-11-17 13:42:00+00	3.450
3978	7	2026-11-17 13:48:00+00	3.458
3979	8	2026-11-17 13:54:00+00	3.466
3980	9	2026-11-17 14:00:00+00	3.475
3981	10	2026-11-17 14:06:00+00	3.483
3982	11	2026-11-17 14:12:00+00	3.491
3983	12	2026-11-17 14:18:00+00	3.499
3984	1	2026-11-17 14:24:00+00	3.506
3985	2	2026-11-17 14:30:00+00	3.514
3986	3	2026-11-17 14:36:00+00	3.522
3987	4	2026-11-17 14:42:00+00	3.529
3988	5	2026-11-17 14:48:00+00	3.537
3989	6	2026-11-17 14:54:00+00	3.544
3990	7	2026-11-17 15:00:00+00	3.551
3991	8	2026-11-17 15:06:00+00	3.558
3992	9	2026-11-17 15:12:00+00	3.566
3993	10	2026-11-17 15:18:00+00	3.572
3994	11	2026-11-17 15:24:00+00	3.579
3995	12	2026-11-17 15:30:00+00	3.586
3996	1	2026-11-17 15:36:00+00	3.593
3997	2	2026-11-17 15:42:00+00	3.599
3998	3	2026-11-17 15:48:00+00	3.606
3999	4	2026-11-17 15:54:00+00	3.612
4000	5	2026-11-17 16:00:00+00	3.618
4001	6	2026-11-17 16:06:00+00	3.625
4002	7	2026-11-17 16:12:00+00	3.631
4003	8	2026-11-17 16:18:00+00	3.637
4004	9	2026-11-17 16:24:00+00	3.642
4005	10	2026-11-17 16:30:00+00	3.648
4006	11	2026-11-17 16:36:00+00	3.654
4007	12	2026-11-17 16:42:00+00	3.659
4008	1	2026-11-17 16:48:00+00	3.665
4009	2	2026-11-17 16:54:00+00	3.670
4010	3	2026-11-17 17:00:00+00	3.675
4011	4	2026-11-17 17:06:00+00	3.681
4012	5	2026-11-17 17:12:00+00	3.686
4013	6	2026-11-17 17:18:00+00	3.691
4014	7	2026-11-17 17:24:00+00	3.695
4015	8	2026-11-17 17:30:00+00	3.700
4016	9	2026-11-17 17:36:00+00	3.705
4017	10	2026-11-17 17:42:00+00	3.709
4018	11	2026-11-17 17:48:00+00	3.714
4019	12	2026-11-17 17:54:00+00	3.718
4020	1	2026-11-17 18:00:00+00	3.722
4021	2	2026-11-17 18:06:00+00	3.726
4022	3	2026-11-17 18:12:00+00	3.730
4023	4	2026-11-17 18:18:00+00	3.734
4024	5	2026-11-17 18:24:00+00	3.738
4025	6	2026-11-17 18:30:00+00	3.741
4026	7	2026-11-17 18:36:00+00	3.745
4027	8	2026-11-17 18:42:00+00	3.748
4028	9	2026-11-17 18:48:00+00	3.752
4029	10	2026-11-17 18:54:00+00	3.755
4030	11	2026-11-17 19:00:00+00	3.758
4031	12	2026-11-17 19:06:00+00	3.761
4032	1	2026-11-17 19:12:00+00	3.764
4033	2	2026-11-17 19:18:00+00	3.767
4034	3	2026-11-17 19:24:00+00	3.769
4035	4	2026-11-17 19:30:00+00	3.772
4036	5	2026-11-17 19:36:00+00	3.774
4037	6	2026-11-17 19:42:00+00	3.777
4038	7	2026-11-17 19:48:00+00	3.779
4039	8	2026-11-17 19:54:00+00	3.781
4040	9	2026-11-17 20:00:00+00	3.783
4041	10	2026-11-17 20:06:00+00	3.785
4042	11	2026-11-17 20:12:00+00	3.787
4043	12	2026-11-17 20:18:00+00	3.788
4044	1	2026-11-17 20:24:00+00	3.790
4045	2	2026-11-17 20:30:00+00	3.791
4046	3	2026-11-17 20:36:00+00	3.793
4047	4	2026-11-17 20:42:00+00	3.794
4048	5	2026-11-17 20:48:00+00	3.795
4049	6	2026-11-17 20:54:00+00	3.796
4050	7	2026-11-17 21:00:00+00	3.797
4051	8	2026-11-17 21:06:00+00	3.798
4052	9	2026-11-17 21:12:00+00	3.798
4053	10	2026-11-17 21:18:00+00	3.799
4054	11	2026-11-17 21:24:00+00	3.799
4055	12	2026-11-17 21:30:00+00	3.800
4056	1	2026-11-17 21:36:00+00	3.800
4057	2	2026-11-17 21:42:00+00	3.800
4058	3	2026-11-17 21:48:00+00	3.800
4059	4	2026-11-17 21:54:00+00	3.800
4060	5	2026-11-17 22:00:00+00	3.800
4061	6	2026-11-17 22:06:00+00	3.799
4062	7	2026-11-17 22:12:00+00	3.799
4063	8	2026-11-17 22:18:00+00	3.798
4064	9	2026-11-17 22:24:00+00	3.798
4065	10	2026-11-17 22:30:00+00	3.797
4066	11	2026-11-17 22:36:00+00	3.796
4067	12	2026-11-17 22:42:00+00	3.795
4068	1	2026-11-17 22:48:00+00	3.794
4069	2	2026-11-17 22:54:00+00	3.792
4070	3	2026-11-17 23:00:00+00	3.791
4071	4	2026-11-17 23:06:00+00	3.790
4072	5	2026-11-17 23:12:00+00	3.788
4073	6	2026-11-17 23:18:00+00	3.786
4074	7	2026-11-17 23:24:00+00	3.784
4075	8	2026-11-17 23:30:00+00	3.783
4076	9	2026-11-17 23:36:00+00	3.781
4077	10	2026-11-17 23:42:00+00	3.778
4078	11	2026-11-17 23:48:00+00	3.776
4079	12	2026-11-17 23:54:00+00	3.774
4080	1	2026-11-18 00:00:00+00	3.771
4081	2	2026-11-18 00:06:00+00	3.769
4082	3	2026-11-18 00:12:00+00	3.766
4083	4	2026-11-18 00:18:00+00	3.763
4084	5	2026-11-18 00:24:00+00	3.760
4085	6	2026-11-18 00:30:00+00	3.757
4086	7	2026-11-18 00:36:00+00	3.754
4087	8	2026-11-18 00:42:00+00	3.751
4088	9	2026-11-18 00:48:00+00	3.748
4089	10	2026-11-18 00:54:00+00	3.744
4090	11	2026-11-18 01:00:00+00	3.741
4091	12	2026-11-18 01:06:00+00	3.737
4092	1	2026-11-18 01:12:00+00	3.733
4093	2	2026-11-18 01:18:00+00	3.729
4094	3	2026-11-18 01:24:00+00	3.725
4095	4	2026-11-18 01:30:00+00	3.721
4096	5	2026-11-18 01:36:00+00	3.717
4097	6	2026-11-18 01:42:00+00	3.713
4098	7	2026-11-18 01:48:00+00	3.708
4099	8	2026-11-18 01:54:00+00	3.704
4100	9	2026-11-18 02:00:00+00	3.699
4101	10	2026-11-18 02:06:00+00	3.694
4102	11	2026-11-18 02:12:00+00	3.689
4103	12	2026-11-18 02:18:00+00	3.684
4104	1	2026-11-18 02:24:00+00	3.679
4105	2	2026-11-18 02:30:00+00	3.674
4106	3	2026-11-18 02:36:00+00	3.669
4107	4	2026-11-18 02:42:00+00	3.663
4108	5	2026-11-18 02:48:00+00	3.658
4109	6	2026-11-18 02:54:00+00	3.652
4110	7	2026-11-18 03:00:00+00	3.647
4111	8	2026-11-18 03:06:00+00	3.641
4112	9	2026-11-18 03:12:00+00	3.635
4113	10	2026-11-18 03:18:00+00	3.629
4114	11	2026-11-18 03:24:00+00	3.623
4115	12	2026-11-18 03:30:00+00	3.617
4116	1	2026-11-18 03:36:00+00	3.610
4117	2	2026-11-18 03:42:00+00	3.604
4118	3	2026-11-18 03:48:00+00	3.598
4119	4	2026-11-18 03:54:00+00	3.591
4120	5	2026-11-18 04:00:00+00	3.584
4121	6	2026-11-18 04:06:00+00	3.578
4122	7	2026-11-18 04:12:00+00	3.571
4123	8	2026-11-18 04:18:00+00	3.564
4124	9	2026-11-18 04:24:00+00	3.557
4125	10	2026-11-18 04:30:00+00	3.549
4126	11	2026-11-18 04:36:00+00	3.542
4127	12	2026-11-18 04:42:00+00	3.535
4128	1	2026-11-18 04:48:00+00	3.527
4129	2	2026-11-18 04:54:00+00	3.520
4130	3	2026-11-18 05:00:00+00	3.512
4131	4	2026-11-18 05:06:00+00	3.504
4132	5	2026-11-18 05:12:00+00	3.497
4133	6	2026-11-18 05:18:00+00	3.489
4134	7	2026-11-18 05:24:00+00	3.481
4135	8	2026-11-18 05:30:00+00	3.472
4136	9	2026-11-18 05:36:00+00	3.464
4137	10	2026-11-18 05:42:00+00	3.456
4138	11	2026-11-18 05:48:00+00	3.448
4139	12	2026-11-18 05:54:00+00	3.439
4140	1	2026-11-18 06:00:00+00	3.431
4141	2	2026-11-18 06:06:00+00	3.422
4142	3	2026-11-18 06:12:00+00	3.413
4143	4	2026-11-18 06:18:00+00	3.404
4144	5	2026-11-18 06:24:00+00	3.395
4145	6	2026-11-18 06:30:00+00	3.386
4146	7	2026-11-18 06:36:00+00	3.377
4147	8	2026-11-18 06:42:00+00	3.368
4148	9	2026-11-18 06:48:00+00	3.359
4149	10	2026-11-18 06:54:00+00	3.350
4150	11	2026-11-18 07:00:00+00	3.340
4151	12	2026-11-18 07:06:00+00	3.331
4152	1	2026-11-18 07:12:00+00	3.321
4153	2	2026-11-18 07:18:00+00	3.312
4154	3	2026-11-18 07:24:00+00	3.302
4155	4	2026-11-18 07:30:00+00	3.292
4156	5	2026-11-18 07:36:00+00	3.282
4157	6	2026-11-18 07:42:00+00	3.272
4158	7	2026-11-18 07:48:00+00	3.262
4159	8	2026-11-18 07:54:00+00	3.252
4160	9	2026-11-18 08:00:00+00	3.242
4161	10	2026-11-18 08:06:00+00	3.231
4162	11	2026-11-18 08:12:00+00	3.221
4163	12	2026-11-18 08:18:00+00	3.211
4164	1	2026-11-18 08:24:00+00	3.200
4165	2	2026-11-18 08:30:00+00	3.190
4166	3	2026-11-18 08:36:00+00	3.179
4167	4	2026-11-18 08:42:00+00	3.168
4168	5	2026-11-18 08:48:00+00	3.157
4169	6	2026-11-18 08:54:00+00	3.147
4170	7	2026-11-18 09:00:00+00	3.136
4171	8	2026-11-18 09:06:00+00	3.125
4172	9	2026-11-18 09:12:00+00	3.114
4173	10	2026-11-18 09:18:00+00	3.102
4174	11	2026-11-18 09:24:00+00	3.091
4175	12	2026-11-18 09:30:00+00	3.080
4176	1	2026-11-18 09:36:00+00	3.069
4177	2	2026-11-18 09:42:00+00	3.057
4178	3	2026-11-18 09:48:00+00	3.046
4179	4	2026-11-18 09:54:00+00	3.034
4180	5	2026-11-18 10:00:00+00	3.023
4181	6	2026-11-18 10:06:00+00	3.011
4182	7	2026-11-18 10:12:00+00	2.999
4183	8	2026-11-18 10:18:00+00	2.988
4184	9	2026-11-18 10:24:00+00	2.976
4185	10	2026-11-18 10:30:00+00	2.964
4186	11	2026-11-18 10:36:00+00	2.952
4187	12	2026-11-18 10:42:00+00	2.940
4188	1	2026-11-18 10:48:00+00	2.928
4189	2	2026-11-18 10:54:00+00	2.916
4190	3	2026-11-18 11:00:00+00	2.904
4191	4	2026-11-18 11:06:00+00	2.892
4192	5	2026-11-18 11:12:00+00	2.879
4193	6	2026-11-18 11:18:00+00	2.867
4194	7	2026-11-18 11:24:00+00	2.855
4195	8	2026-11-18 11:30:00+00	2.842
4196	9	2026-11-18 11:36:00+00	2.830
4197	10	2026-11-18 11:42:00+00	2.817
4198	11	2026-11-18 11:48:00+00	2.805
4199	12	2026-11-18 11:54:00+00	2.792
4200	1	2026-11-18 12:00:00+00	2.779
4201	2	2026-11-18 12:06:00+00	2.767
4202	3	2026-11-18 12:12:00+00	2.754
4203	4	2026-11-18 12:18:00+00	2.741
4204	5	2026-11-18 12:24:00+00	2.728
4205	6	2026-11-18 12:30:00+00	2.716
4206	7	2026-11-18 12:36:00+00	2.703
4207	8	2026-11-18 12:42:00+00	2.690
4208	9	2026-11-18 12:48:00+00	2.677
4209	10	2026-11-18 12:54:00+00	2.664
4210	11	2026-11-18 13:00:00+00	2.651
4211	12	2026-11-18 13:06:00+00	2.638
4212	1	2026-11-18 13:12:00+00	2.624
4213	2	2026-11-18 13:18:00+00	2.611
4214	3	2026-11-18 13:24:00+00	2.598
4215	4	2026-11-18 13:30:00+00	2.585
4216	5	2026-11-18 13:36:00+00	2.572
4217	6	2026-11-18 13:42:00+00	2.558
4218	7	2026-11-18 13:48:00+00	2.545
4219	8	2026-11-18 13:54:00+00	2.532
4220	9	2026-11-18 14:00:00+00	2.518
4221	10	2026-11-18 14:06:00+00	2.505
4222	11	2026-11-18 14:12:00+00	2.491
4223	12	2026-11-18 14:18:00+00	2.478
4224	1	2026-11-18 14:24:00+00	2.464
4225	2	2026-11-18 14:30:00+00	2.451
4226	3	2026-11-18 14:36:00+00	2.437
4227	4	2026-11-18 14:42:00+00	2.424
4228	5	2026-11-18 14:48:00+00	2.410
4229	6	2026-11-18 14:54:00+00	2.397
4230	7	2026-11-18 15:00:00+00	2.383
4231	8	2026-11-18 15:06:00+00	2.369
4232	9	2026-11-18 15:12:00+00	2.356
4233	10	2026-11-18 15:18:00+00	2.342
4234	11	2026-11-18 15:24:00+00	2.328
4235	12	2026-11-18 15:30:00+00	2.315
4236	1	2026-11-18 15:36:00+00	2.301
4237	2	2026-11-18 15:42:00+00	2.287
4238	3	2026-11-18 15:48:00+00	2.273
4239	4	2026-11-18 15:54:00+00	2.260
4240	5	2026-11-18 16:00:00+00	2.246
4241	6	2026-11-18 16:06:00+00	2.232
4242	7	2026-11-18 16:12:00+00	2.218
4243	8	2026-11-18 16:18:00+00	2.205
4244	9	2026-11-18 16:24:00+00	2.191
4245	10	2026-11-18 16:30:00+00	2.177
4246	11	2026-11-18 16:36:00+00	2.163
4247	12	2026-11-18 16:42:00+00	2.149
4248	1	2026-11-18 16:48:00+00	2.136
4249	2	2026-11-18 16:54:00+00	2.122
4250	3	2026-11-18 17:00:00+00	2.108
4251	4	2026-11-18 17:06:00+00	2.094
4252	5	2026-11-18 17:12:00+00	2.080
4253	6	2026-11-18 17:18:00+00	2.066
4254	7	2026-11-18 17:24:00+00	2.053
4255	8	2026-11-18 17:30:00+00	2.039
4256	9	2026-11-18 17:36:00+00	2.025
4257	10	2026-11-18 17:42:00+00	2.011
4258	11	2026-11-18 17:48:00+00	1.997
4259	12	2026-11-18 17:54:00+00	1.984
4260	1	2026-11-18 18:00:00+00	1.970
4261	2	2026-11-18 18:06:00+00	1.956
4262	3	2026-11-18 18:12:00+00	1.942
4263	4	2026-11-18 18:18:00+00	1.929
4264	5	2026-11-18 18:24:00+00	1.915
4265	6	2026-11-18 18:30:00+00	1.901
4266	7	2026-11-18 18:36:00+00	1.887
4267	8	2026-11-18 18:42:00+00	1.874
4268	9	2026-11-18 18:48:00+00	1.860
4269	10	2026-11-18 18:54:00+00	1.846
4270	11	2026-11-18 19:00:00+00	1.833
4271	12	2026-11-18 19:06:00+00	1.819
4272	1	2026-11-18 19:12:00+00	1.805
4273	2	2026-11-18 19:18:00+00	1.792
4274	3	2026-11-18 19:24:00+00	1.778
4275	4	2026-11-18 19:30:00+00	1.765
4276	5	2026-11-18 19:36:00+00	1.751
4277	6	2026-11-18 19:42:00+00	1.738
4278	7	2026-11-18 19:48:00+00	1.724
4279	8	2026-11-18 19:54:00+00	1.711
4280	9	2026-11-18 20:00:00+00	1.697
4281	10	2026-11-18 20:06:00+00	1.684
4282	11	2026-11-18 20:12:00+00	1.670
4283	12	2026-11-18 20:18:00+00	1.657
4284	1	2026-11-18 20:24:00+00	1.644
4285	2	2026-11-18 20:30:00+00	1.630
4286	3	2026-11-18 20:36:00+00	1.617
4287	4	2026-11-18 20:42:00+00	1.604
4288	5	2026-11-18 20:48:00+00	1.591
4289	6	2026-11-18 20:54:00+00	1.578
4290	7	2026-11-18 21:00:00+00	1.564
4291	8	2026-11-18 21:06:00+00	1.551
4292	9	2026-11-18 21:12:00+00	1.538
4293	10	2026-11-18 21:18:00+00	1.525
4294	11	2026-11-18 21:24:00+00	1.512
4295	12	2026-11-18 21:30:00+00	1.499
4296	1	2026-11-18 21:36:00+00	1.486
4297	2	2026-11-18 21:42:00+00	1.473
4298	3	2026-11-18 21:48:00+00	1.461
4299	4	2026-11-18 21:54:00+00	1.448
4300	5	2026-11-18 22:00:00+00	1.435
4301	6	2026-11-18 22:06:00+00	1.422
4302	7	2026-11-18 22:12:00+00	1.410
4303	8	2026-11-18 22:18:00+00	1.397
4304	9	2026-11-18 22:24:00+00	1.385
4305	10	2026-11-18 22:30:00+00	1.372
4306	11	2026-11-18 22:36:00+00	1.360
4307	12	2026-11-18 22:42:00+00	1.347
4308	1	2026-11-18 22:48:00+00	1.335
4309	2	2026-11-18 22:54:00+00	1.323
4310	3	2026-11-18 23:00:00+00	1.310
4311	4	2026-11-18 23:06:00+00	1.298
4312	5	2026-11-18 23:12:00+00	1.286
4313	6	2026-11-18 23:18:00+00	1.274
4314	7	2026-11-18 23:24:00+00	1.262
4315	8	2026-11-18 23:30:00+00	1.250
4316	9	2026-11-18 23:36:00+00	1.238
4317	10	2026-11-18 23:42:00+00	1.226
4318	11	2026-11-18 23:48:00+00	1.214
4319	12	2026-11-18 23:54:00+00	1.202
4320	1	2026-11-19 00:00:00+00	1.191
4321	2	2026-11-19 00:06:00+00	1.179
4322	3	2026-11-19 00:12:00+00	1.167
4323	4	2026-11-19 00:18:00+00	1.156
4324	5	2026-11-19 00:24:00+00	1.144
4325	6	2026-11-19 00:30:00+00	1.133
4326	7	2026-11-19 00:36:00+00	1.122
4327	8	2026-11-19 00:42:00+00	1.110
4328	9	2026-11-19 00:48:00+00	1.099
4329	10	2026-11-19 00:54:00+00	1.088
4330	11	2026-11-19 01:00:00+00	1.077
4331	12	2026-11-19 01:06:00+00	1.066
4332	1	2026-11-19 01:12:00+00	1.055
4333	2	2026-11-19 01:18:00+00	1.044
4334	3	2026-11-19 01:24:00+00	1.033
4335	4	2026-11-19 01:30:00+00	1.023
4336	5	2026-11-19 01:36:00+00	1.012
4337	6	2026-11-19 01:42:00+00	1.001
4338	7	2026-11-19 01:48:00+00	0.991
4339	8	2026-11-19 01:54:00+00	0.980
4340	9	2026-11-19 02:00:00+00	0.970
4341	10	2026-11-19 02:06:00+00	0.960
4342	11	2026-11-19 02:12:00+00	0.950
4343	12	2026-11-19 02:18:00+00	0.939
4344	1	2026-11-19 02:24:00+00	0.929
4345	2	2026-11-19 02:30:00+00	0.919
4346	3	2026-11-19 02:36:00+00	0.909
4347	4	2026-11-19 02:42:00+00	0.900
4348	5	2026-11-19 02:48:00+00	0.890
4349	6	2026-11-19 02:54:00+00	0.880
4350	7	2026-11-19 03:00:00+00	0.871
4351	8	2026-11-19 03:06:00+00	0.861
4352	9	2026-11-19 03:12:00+00	0.852
4353	10	2026-11-19 03:18:00+00	0.842
4354	11	2026-11-19 03:24:00+00	0.833
4355	12	2026-11-19 03:30:00+00	0.824
4356	1	2026-11-19 03:36:00+00	0.815
4357	2	2026-11-19 03:42:00+00	0.806
4358	3	2026-11-19 03:48:00+00	0.797
4359	4	2026-11-19 03:54:00+00	0.788
4360	5	2026-11-19 04:00:00+00	0.779
4361	6	2026-11-19 04:06:00+00	0.771
4362	7	2026-11-19 04:12:00+00	0.762
4363	8	2026-11-19 04:18:00+00	0.754
4364	9	2026-11-19 04:24:00+00	0.745
4365	10	2026-11-19 04:30:00+00	0.737
4366	11	2026-11-19 04:36:00+00	0.729
4367	12	2026-11-19 04:42:00+00	0.721
4368	1	2026-11-19 04:48:00+00	0.713
4369	2	2026-11-19 04:54:00+00	0.705
4370	3	2026-11-19 05:00:00+00	0.697
4371	4	2026-11-19 05:06:00+00	0.689
4372	5	2026-11-19 05:12:00+00	0.681
4373	6	2026-11-19 05:18:00+00	0.674
4374	7	2026-11-19 05:24:00+00	0.666
4375	8	2026-11-19 05:30:00+00	0.659
4376	9	2026-11-19 05:36:00+00	0.652
4377	10	2026-11-19 05:42:00+00	0.644
4378	11	2026-11-19 05:48:00+00	0.637
4379	12	2026-11-19 05:54:00+00	0.630
4380	1	2026-11-19 06:00:00+00	0.623
4381	2	2026-11-19 06:06:00+00	0.617
4382	3	2026-11-19 06:12:00+00	0.610
4383	4	2026-11-19 06:18:00+00	0.603
4384	5	2026-11-19 06:24:00+00	0.597
4385	6	2026-11-19 06:30:00+00	0.590
4386	7	2026-11-19 06:36:00+00	0.584
4387	8	2026-11-19 06:42:00+00	0.578
4388	9	2026-11-19 06:48:00+00	0.572
4389	10	2026-11-19 06:54:00+00	0.566
4390	11	2026-11-19 07:00:00+00	0.560
4391	12	2026-11-19 07:06:00+00	0.554
4392	1	2026-11-19 07:12:00+00	0.548
4393	2	2026-11-19 07:18:00+00	0.543
4394	3	2026-11-19 07:24:00+00	0.537
4395	4	2026-11-19 07:30:00+00	0.532
4396	5	2026-11-19 07:36:00+00	0.527
4397	6	2026-11-19 07:42:00+00	0.521
4398	7	2026-11-19 07:48:00+00	0.516
4399	8	2026-11-19 07:54:00+00	0.511
4400	9	2026-11-19 08:00:00+00	0.507
4401	10	2026-11-19 08:06:00+00	0.502
4402	11	2026-11-19 08:12:00+00	0.497
4403	12	2026-11-19 08:18:00+00	0.493
4404	1	2026-11-19 08:24:00+00	0.488
4405	2	2026-11-19 08:30:00+00	0.484
4406	3	2026-11-19 08:36:00+00	0.480
4407	4	2026-11-19 08:42:00+00	0.475
4408	5	2026-11-19 08:48:00+00	0.471
4409	6	2026-11-19 08:54:00+00	0.468
4410	7	2026-11-19 09:00:00+00	0.464
4411	8	2026-11-19 09:06:00+00	0.460
4412	9	2026-11-19 09:12:00+00	0.456
4413	10	2026-11-19 09:18:00+00	0.453
4414	11	2026-11-19 09:24:00+00	0.450
4415	12	2026-11-19 09:30:00+00	0.446
4416	1	2026-11-19 09:36:00+00	0.443
4417	2	2026-11-19 09:42:00+00	0.440
4418	3	2026-11-19 09:48:00+00	0.437
4419	4	2026-11-19 09:54:00+00	0.434
4420	5	2026-11-19 10:00:00+00	0.432
4421	6	2026-11-19 10:06:00+00	0.429
4422	7	2026-11-19 10:12:00+00	0.427
4423	8	2026-11-19 10:18:00+00	0.424
4424	9	2026-11-19 10:24:00+00	0.422
4425	10	2026-11-19 10:30:00+00	0.420
4426	11	2026-11-19 10:36:00+00	0.418
4427	12	2026-11-19 10:42:00+00	0.416
4428	1	2026-11-19 10:48:00+00	0.414
4429	2	2026-11-19 10:54:00+00	0.412
4430	3	2026-11-19 11:00:00+00	0.411
4431	4	2026-11-19 11:06:00+00	0.409
4432	5	2026-11-19 11:12:00+00	0.408
4433	6	2026-11-19 11:18:00+00	0.407
4434	7	2026-11-19 11:24:00+00	0.405
4435	8	2026-11-19 11:30:00+00	0.404
4436	9	2026-11-19 11:36:00+00	0.403
4437	10	2026-11-19 11:42:00+00	0.403
4438	11	2026-11-19 11:48:00+00	0.402
4439	12	2026-11-19 11:54:00+00	0.401
4440	1	2026-11-19 12:00:00+00	0.401
4441	2	2026-11-19 12:06:00+00	0.400
4442	3	2026-11-19 12:12:00+00	0.400
4443	4	2026-11-19 12:18:00+00	0.400
4444	5	2026-11-19 12:24:00+00	0.400
4445	6	2026-11-19 12:30:00+00	0.400
4446	7	2026-11-19 12:36:00+00	0.400
4447	8	2026-11-19 12:42:00+00	0.401
4448	9	2026-11-19 12:48:00+00	0.401
4449	10	2026-11-19 12:54:00+00	0.402
4450	11	2026-11-19 13:00:00+00	0.402
4451	12	2026-11-19 13:06:00+00	0.403
4452	1	2026-11-19 13:12:00+00	0.404
4453	2	2026-11-19 13:18:00+00	0.405
4454	3	2026-11-19 13:24:00+00	0.406
4455	4	2026-11-19 13:30:00+00	0.407
4456	5	2026-11-19 13:36:00+00	0.408
4457	6	2026-11-19 13:42:00+00	0.410
4458	7	2026-11-19 13:48:00+00	0.411
4459	8	2026-11-19 13:54:00+00	0.413
4460	9	2026-11-19 14:00:00+00	0.415
4461	10	2026-11-19 14:06:00+00	0.417
4462	11	2026-11-19 14:12:00+00	0.419
4463	12	2026-11-19 14:18:00+00	0.421
4464	1	2026-11-19 14:24:00+00	0.423
4465	2	2026-11-19 14:30:00+00	0.425
4466	3	2026-11-19 14:36:00+00	0.428
4467	4	2026-11-19 14:42:00+00	0.430
4468	5	2026-11-19 14:48:00+00	0.433
4469	6	2026-11-19 14:54:00+00	0.436
4470	7	2026-11-19 15:00:00+00	0.438
4471	8	2026-11-19 15:06:00+00	0.441
4472	9	2026-11-19 15:12:00+00	0.445
4473	10	2026-11-19 15:18:00+00	0.448
4474	11	2026-11-19 15:24:00+00	0.451
4475	12	2026-11-19 15:30:00+00	0.454
4476	1	2026-11-19 15:36:00+00	0.458
4477	2	2026-11-19 15:42:00+00	0.462
4478	3	2026-11-19 15:48:00+00	0.465
4479	4	2026-11-19 15:54:00+00	0.469
4480	5	2026-11-19 16:00:00+00	0.473
4481	6	2026-11-19 16:06:00+00	0.477
4482	7	2026-11-19 16:12:00+00	0.481
4483	8	2026-11-19 16:18:00+00	0.486
4484	9	2026-11-19 16:24:00+00	0.490
4485	10	2026-11-19 16:30:00+00	0.495
4486	11	2026-11-19 16:36:00+00	0.499
4487	12	2026-11-19 16:42:00+00	0.504
4488	1	2026-11-19 16:48:00+00	0.509
4489	2	2026-11-19 16:54:00+00	0.514
4490	3	2026-11-19 17:00:00+00	0.519
4491	4	2026-11-19 17:06:00+00	0.524
4492	5	2026-11-19 17:12:00+00	0.529
4493	6	2026-11-19 17:18:00+00	0.534
4494	7	2026-11-19 17:24:00+00	0.540
4495	8	2026-11-19 17:30:00+00	0.545
4496	9	2026-11-19 17:36:00+00	0.551
4497	10	2026-11-19 17:42:00+00	0.557
4498	11	2026-11-19 17:48:00+00	0.562
4499	12	2026-11-19 17:54:00+00	0.568
4500	1	2026-11-19 18:00:00+00	0.574
4501	2	2026-11-19 18:06:00+00	0.581
4502	3	2026-11-19 18:12:00+00	0.587
4503	4	2026-11-19 18:18:00+00	0.593
4504	5	2026-11-19 18:24:00+00	0.600
4505	6	2026-11-19 18:30:00+00	0.606
4506	7	2026-11-19 18:36:00+00	0.613
4507	8	2026-11-19 18:42:00+00	0.620
4508	9	2026-11-19 18:48:00+00	0.626
4509	10	2026-11-19 18:54:00+00	0.633
4510	11	2026-11-19 19:00:00+00	0.640
4511	12	2026-11-19 19:06:00+00	0.648
4512	1	2026-11-19 19:12:00+00	0.655
4513	2	2026-11-19 19:18:00+00	0.662
4514	3	2026-11-19 19:24:00+00	0.670
4515	4	2026-11-19 19:30:00+00	0.677
4516	5	2026-11-19 19:36:00+00	0.685
4517	6	2026-11-19 19:42:00+00	0.692
4518	7	2026-11-19 19:48:00+00	0.700
4519	8	2026-11-19 19:54:00+00	0.708
4520	9	2026-11-19 20:00:00+00	0.716
4521	10	2026-11-19 20:06:00+00	0.724
4522	11	2026-11-19 20:12:00+00	0.732
4523	12	2026-11-19 20:18:00+00	0.741
4524	1	2026-11-19 20:24:00+00	0.749
4525	2	2026-11-19 20:30:00+00	0.757
4526	3	2026-11-19 20:36:00+00	0.766
4527	4	2026-11-19 20:42:00+00	0.774
4528	5	2026-11-19 20:48:00+00	0.783
4529	6	2026-11-19 20:54:00+00	0.792
4530	7	2026-11-19 21:00:00+00	0.801
4531	8	2026-11-19 21:06:00+00	0.810
4532	9	2026-11-19 21:12:00+00	0.819
4533	10	2026-11-19 21:18:00+00	0.828
4534	11	2026-11-19 21:24:00+00	0.837
4535	12	2026-11-19 21:30:00+00	0.846
4536	1	2026-11-19 21:36:00+00	0.856
4537	2	2026-11-19 21:42:00+00	0.865
4538	3	2026-11-19 21:48:00+00	0.875
4539	4	2026-11-19 21:54:00+00	0.884
4540	5	2026-11-19 22:00:00+00	0.894
4541	6	2026-11-19 22:06:00+00	0.904
4542	7	2026-11-19 22:12:00+00	0.914
4543	8	2026-11-19 22:18:00+00	0.924
4544	9	2026-11-19 22:24:00+00	0.934
4545	10	2026-11-19 22:30:00+00	0.944
4546	11	2026-11-19 22:36:00+00	0.954
4547	12	2026-11-19 22:42:00+00	0.964
4548	1	2026-11-19 22:48:00+00	0.975
4549	2	2026-11-19 22:54:00+00	0.985
4550	3	2026-11-19 23:00:00+00	0.995
4551	4	2026-11-19 23:06:00+00	1.006
4552	5	2026-11-19 23:12:00+00	1.017
4553	6	2026-11-19 23:18:00+00	1.027
4554	7	2026-11-19 23:24:00+00	1.038
4555	8	2026-11-19 23:30:00+00	1.049
4556	9	2026-11-19 23:36:00+00	1.060
4557	10	2026-11-19 23:42:00+00	1.071
4558	11	2026-11-19 23:48:00+00	1.082
4559	12	2026-11-19 23:54:00+00	1.093
4560	1	2026-11-20 00:00:00+00	1.104
4561	2	2026-11-20 00:06:00+00	1.115
4562	3	2026-11-20 00:12:00+00	1.127
4563	4	2026-11-20 00:18:00+00	1.138
4564	5	2026-11-20 00:24:00+00	1.149
4565	6	2026-11-20 00:30:00+00	1.161
4566	7	2026-11-20 00:36:00+00	1.172
4567	8	2026-11-20 00:42:00+00	1.184
4568	9	2026-11-20 00:48:00+00	1.196
4569	10	2026-11-20 00:54:00+00	1.207
4570	11	2026-11-20 01:00:00+00	1.219
4571	12	2026-11-20 01:06:00+00	1.231
4572	1	2026-11-20 01:12:00+00	1.243
4573	2	2026-11-20 01:18:00+00	1.255
4574	3	2026-11-20 01:24:00+00	1.267
4575	4	2026-11-20 01:30:00+00	1.279
4576	5	2026-11-20 01:36:00+00	1.291
4577	6	2026-11-20 01:42:00+00	1.303
4578	7	2026-11-20 01:48:00+00	1.316
4579	8	2026-11-20 01:54:00+00	1.328
4580	9	2026-11-20 02:00:00+00	1.340
4581	10	2026-11-20 02:06:00+00	1.353
4582	11	2026-11-20 02:12:00+00	1.365
4583	12	2026-11-20 02:18:00+00	1.378
4584	1	2026-11-20 02:24:00+00	1.390
4585	2	2026-11-20 02:30:00+00	1.403
4586	3	2026-11-20 02:36:00+00	1.415
4587	4	2026-11-20 02:42:00+00	1.428
4588	5	2026-11-20 02:48:00+00	1.441
4589	6	2026-11-20 02:54:00+00	1.453
4590	7	2026-11-20 03:00:00+00	1.466
4591	8	2026-11-20 03:06:00+00	1.479
4592	9	2026-11-20 03:12:00+00	1.492
4593	10	2026-11-20 03:18:00+00	1.505
4594	11	2026-11-20 03:24:00+00	1.518
4595	12	2026-11-20 03:30:00+00	1.531
4596	1	2026-11-20 03:36:00+00	1.544
4597	2	2026-11-20 03:42:00+00	1.557
4598	3	2026-11-20 03:48:00+00	1.570
4599	4	2026-11-20 03:54:00+00	1.583
4600	5	2026-11-20 04:00:00+00	1.596
4601	6	2026-11-20 04:06:00+00	1.610
4602	7	2026-11-20 04:12:00+00	1.623
4603	8	2026-11-20 04:18:00+00	1.636
4604	9	2026-11-20 04:24:00+00	1.649
4605	10	2026-11-20 04:30:00+00	1.663
4606	11	2026-11-20 04:36:00+00	1.676
4607	12	2026-11-20 04:42:00+00	1.690
4608	1	2026-11-20 04:48:00+00	1.703
4609	2	2026-11-20 04:54:00+00	1.716
4610	3	2026-11-20 05:00:00+00	1.730
4611	4	2026-11-20 05:06:00+00	1.743
4612	5	2026-11-20 05:12:00+00	1.757
4613	6	2026-11-20 05:18:00+00	1.771
4614	7	2026-11-20 05:24:00+00	1.784
4615	8	2026-11-20 05:30:00+00	1.798
4616	9	2026-11-20 05:36:00+00	1.811
4617	10	2026-11-20 05:42:00+00	1.825
4618	11	2026-11-20 05:48:00+00	1.839
4619	12	2026-11-20 05:54:00+00	1.852
4620	1	2026-11-20 06:00:00+00	1.866
4621	2	2026-11-20 06:06:00+00	1.880
4622	3	2026-11-20 06:12:00+00	1.893
4623	4	2026-11-20 06:18:00+00	1.907
4624	5	2026-11-20 06:24:00+00	1.921
4625	6	2026-11-20 06:30:00+00	1.935
4626	7	2026-11-20 06:36:00+00	1.948
4627	8	2026-11-20 06:42:00+00	1.962
4628	9	2026-11-20 06:48:00+00	1.976
4629	10	2026-11-20 06:54:00+00	1.990
4630	11	2026-11-20 07:00:00+00	2.003
4631	12	2026-11-20 07:06:00+00	2.017
4632	1	2026-11-20 07:12:00+00	2.031
4633	2	2026-11-20 07:18:00+00	2.045
4634	3	2026-11-20 07:24:00+00	2.059
4635	4	2026-11-20 07:30:00+00	2.072
4636	5	2026-11-20 07:36:00+00	2.086
4637	6	2026-11-20 07:42:00+00	2.100
4638	7	2026-11-20 07:48:00+00	2.114
4639	8	2026-11-20 07:54:00+00	2.128
4640	9	2026-11-20 08:00:00+00	2.142
4641	10	2026-11-20 08:06:00+00	2.155
4642	11	2026-11-20 08:12:00+00	2.169
4643	12	2026-11-20 08:18:00+00	2.183
4644	1	2026-11-20 08:24:00+00	2.197
4645	2	2026-11-20 08:30:00+00	2.211
4646	3	2026-11-20 08:36:00+00	2.224
4647	4	2026-11-20 08:42:00+00	2.238
4648	5	2026-11-20 08:48:00+00	2.252
4649	6	2026-11-20 08:54:00+00	2.266
4650	7	2026-11-20 09:00:00+00	2.279
4651	8	2026-11-20 09:06:00+00	2.293
4652	9	2026-11-20 09:12:00+00	2.307
4653	10	2026-11-20 09:18:00+00	2.321
4654	11	2026-11-20 09:24:00+00	2.334
4655	12	2026-11-20 09:30:00+00	2.348
4656	1	2026-11-20 09:36:00+00	2.362
4657	2	2026-11-20 09:42:00+00	2.375
4658	3	2026-11-20 09:48:00+00	2.389
4659	4	2026-11-20 09:54:00+00	2.403
4660	5	2026-11-20 10:00:00+00	2.416
4661	6	2026-11-20 10:06:00+00	2.430
4662	7	2026-11-20 10:12:00+00	2.443
4663	8	2026-11-20 10:18:00+00	2.457
4664	9	2026-11-20 10:24:00+00	2.470
4665	10	2026-11-20 10:30:00+00	2.484
4666	11	2026-11-20 10:36:00+00	2.497
4667	12	2026-11-20 10:42:00+00	2.511
4668	1	2026-11-20 10:48:00+00	2.524
4669	2	2026-11-20 10:54:00+00	2.537
4670	3	2026-11-20 11:00:00+00	2.551
4671	4	2026-11-20 11:06:00+00	2.564
4672	5	2026-11-20 11:12:00+00	2.577
4673	6	2026-11-20 11:18:00+00	2.591
4674	7	2026-11-20 11:24:00+00	2.604
4675	8	2026-11-20 11:30:00+00	2.617
4676	9	2026-11-20 11:36:00+00	2.630
4677	10	2026-11-20 11:42:00+00	2.643
4678	11	2026-11-20 11:48:00+00	2.656
4679	12	2026-11-20 11:54:00+00	2.669
4680	1	2026-11-20 12:00:00+00	2.682
4681	2	2026-11-20 12:06:00+00	2.695
4682	3	2026-11-20 12:12:00+00	2.708
4683	4	2026-11-20 12:18:00+00	2.721
4684	5	2026-11-20 12:24:00+00	2.734
4685	6	2026-11-20 12:30:00+00	2.747
4686	7	2026-11-20 12:36:00+00	2.760
4687	8	2026-11-20 12:42:00+00	2.772
4688	9	2026-11-20 12:48:00+00	2.785
4689	10	2026-11-20 12:54:00+00	2.798
4690	11	2026-11-20 13:00:00+00	2.810
4691	12	2026-11-20 13:06:00+00	2.823
4692	1	2026-11-20 13:12:00+00	2.835
4693	2	2026-11-20 13:18:00+00	2.848
4694	3	2026-11-20 13:24:00+00	2.860
4695	4	2026-11-20 13:30:00+00	2.872
4696	5	2026-11-20 13:36:00+00	2.885
4697	6	2026-11-20 13:42:00+00	2.897
4698	7	2026-11-20 13:48:00+00	2.909
4699	8	2026-11-20 13:54:00+00	2.921
4700	9	2026-11-20 14:00:00+00	2.933
4701	10	2026-11-20 14:06:00+00	2.945
4702	11	2026-11-20 14:12:00+00	2.957
4703	12	2026-11-20 14:18:00+00	2.969
4704	1	2026-11-20 14:24:00+00	2.981
4705	2	2026-11-20 14:30:00+00	2.993
4706	3	2026-11-20 14:36:00+00	3.005
4707	4	2026-11-20 14:42:00+00	3.016
4708	5	2026-11-20 14:48:00+00	3.028
4709	6	2026-11-20 14:54:00+00	3.039
4710	7	2026-11-20 15:00:00+00	3.051
4711	8	2026-11-20 15:06:00+00	3.062
4712	9	2026-11-20 15:12:00+00	3.074
4713	10	2026-11-20 15:18:00+00	3.085
4714	11	2026-11-20 15:24:00+00	3.096
4715	12	2026-11-20 15:30:00+00	3.107
4716	1	2026-11-20 15:36:00+00	3.118
4717	2	2026-11-20 15:42:00+00	3.129
4718	3	2026-11-20 15:48:00+00	3.140
4719	4	2026-11-20 15:54:00+00	3.151
4720	5	2026-11-20 16:00:00+00	3.162
4721	6	2026-11-20 16:06:00+00	3.173
4722	7	2026-11-20 16:12:00+00	3.184
4723	8	2026-11-20 16:18:00+00	3.194
4724	9	2026-11-20 16:24:00+00	3.205
4725	10	2026-11-20 16:30:00+00	3.215
4726	11	2026-11-20 16:36:00+00	3.226
4727	12	2026-11-20 16:42:00+00	3.236
4728	1	2026-11-20 16:48:00+00	3.246
4729	2	2026-11-20 16:54:00+00	3.256
4730	3	2026-11-20 17:00:00+00	3.266
4731	4	2026-11-20 17:06:00+00	3.276
4732	5	2026-11-20 17:12:00+00	3.286
4733	6	2026-11-20 17:18:00+00	3.296
4734	7	2026-11-20 17:24:00+00	3.306
4735	8	2026-11-20 17:30:00+00	3.316
4736	9	2026-11-20 17:36:00+00	3.325
4737	10	2026-11-20 17:42:00+00	3.335
4738	11	2026-11-20 17:48:00+00	3.344
4739	12	2026-11-20 17:54:00+00	3.354
4740	1	2026-11-20 18:00:00+00	3.363
4741	2	2026-11-20 18:06:00+00	3.372
4742	3	2026-11-20 18:12:00+00	3.381
4743	4	2026-11-20 18:18:00+00	3.390
4744	5	2026-11-20 18:24:00+00	3.399
4745	6	2026-11-20 18:30:00+00	3.408
4746	7	2026-11-20 18:36:00+00	3.417
4747	8	2026-11-20 18:42:00+00	3.426
4748	9	2026-11-20 18:48:00+00	3.434
4749	10	2026-11-20 18:54:00+00	3.443
4750	11	2026-11-20 19:00:00+00	3.451
4751	12	2026-11-20 19:06:00+00	3.460
4752	1	2026-11-20 19:12:00+00	3.468
4753	2	2026-11-20 19:18:00+00	3.476
4754	3	2026-11-20 19:24:00+00	3.484
4755	4	2026-11-20 19:30:00+00	3.492
4756	5	2026-11-20 19:36:00+00	3.500
4757	6	2026-11-20 19:42:00+00	3.508
4758	7	2026-11-20 19:48:00+00	3.515
4759	8	2026-11-20 19:54:00+00	3.523
4760	9	2026-11-20 20:00:00+00	3.531
4761	10	2026-11-20 20:06:00+00	3.538
4762	11	2026-11-20 20:12:00+00	3.545
4763	12	2026-11-20 20:18:00+00	3.553
4764	1	2026-11-20 20:24:00+00	3.560
4765	2	2026-11-20 20:30:00+00	3.567
4766	3	2026-11-20 20:36:00+00	3.574
4767	4	2026-11-20 20:42:00+00	3.580
4768	5	2026-11-20 20:48:00+00	3.587
4769	6	2026-11-20 20:54:00+00	3.594
4770	7	2026-11-20 21:00:00+00	3.600
4771	8	2026-11-20 21:06:00+00	3.607
4772	9	2026-11-20 21:12:00+00	3.613
4773	10	2026-11-20 21:18:00+00	3.619
4774	11	2026-11-20 21:24:00+00	3.626
4775	12	2026-11-20 21:30:00+00	3.632
4776	1	2026-11-20 21:36:00+00	3.638
4777	2	2026-11-20 21:42:00+00	3.643
4778	3	2026-11-20 21:48:00+00	3.649
4779	4	2026-11-20 21:54:00+00	3.655
4780	5	2026-11-20 22:00:00+00	3.660
4781	6	2026-11-20 22:06:00+00	3.666
4782	7	2026-11-20 22:12:00+00	3.671
4783	8	2026-11-20 22:18:00+00	3.676
4784	9	2026-11-20 22:24:00+00	3.681
4785	10	2026-11-20 22:30:00+00	3.687
4786	11	2026-11-20 22:36:00+00	3.691
4787	12	2026-11-20 22:42:00+00	3.696
4788	1	2026-11-20 22:48:00+00	3.701
4789	2	2026-11-20 22:54:00+00	3.706
4790	3	2026-11-20 23:00:00+00	3.710
4791	4	2026-11-20 23:06:00+00	3.714
4792	5	2026-11-20 23:12:00+00	3.719
4793	6	2026-11-20 23:18:00+00	3.723
4794	7	2026-11-20 23:24:00+00	3.727
4795	8	2026-11-20 23:30:00+00	3.731
4796	9	2026-11-20 23:36:00+00	3.735
4797	10	2026-11-20 23:42:00+00	3.738
4798	11	2026-11-20 23:48:00+00	3.742
4799	12	2026-11-20 23:54:00+00	3.746
4800	1	2026-11-21 00:00:00+00	3.749
4801	2	2026-11-21 00:06:00+00	3.752
4802	3	2026-11-21 00:12:00+00	3.756
4803	4	2026-11-21 00:18:00+00	3.759
4804	5	2026-11-21 00:24:00+00	3.762
4805	6	2026-11-21 00:30:00+00	3.764
4806	7	2026-11-21 00:36:00+00	3.767
4807	8	2026-11-21 00:42:00+00	3.770
4808	9	2026-11-21 00:48:00+00	3.772
4809	10	2026-11-21 00:54:00+00	3.775
4810	11	2026-11-21 01:00:00+00	3.777
4811	12	2026-11-21 01:06:00+00	3.779
4812	1	2026-11-21 01:12:00+00	3.781
4813	2	2026-11-21 01:18:00+00	3.783
4814	3	2026-11-21 01:24:00+00	3.785
4815	4	2026-11-21 01:30:00+00	3.787
4816	5	2026-11-21 01:36:00+00	3.789
4817	6	2026-11-21 01:42:00+00	3.790
4818	7	2026-11-21 01:48:00+00	3.792
4819	8	2026-11-21 01:54:00+00	3.793
4820	9	2026-11-21 02:00:00+00	3.794
4821	10	2026-11-21 02:06:00+00	3.795
4822	11	2026-11-21 02:12:00+00	3.796
4823	12	2026-11-21 02:18:00+00	3.797
4824	1	2026-11-21 02:24:00+00	3.798
4825	2	2026-11-21 02:30:00+00	3.798
4826	3	2026-11-21 02:36:00+00	3.799
4827	4	2026-11-21 02:42:00+00	3.799
4828	5	2026-11-21 02:48:00+00	3.800
4829	6	2026-11-21 02:54:00+00	3.800
4830	7	2026-11-21 03:00:00+00	3.800
4831	8	2026-11-21 03:06:00+00	3.800
4832	9	2026-11-21 03:12:00+00	3.800
4833	10	2026-11-21 03:18:00+00	3.800
4834	11	2026-11-21 03:24:00+00	3.799
4835	12	2026-11-21 03:30:00+00	3.799
4836	1	2026-11-21 03:36:00+00	3.798
4837	2	2026-11-21 03:42:00+00	3.797
4838	3	2026-11-21 03:48:00+00	3.797
4839	4	2026-11-21 03:54:00+00	3.796
4840	5	2026-11-21 04:00:00+00	3.795
4841	6	2026-11-21 04:06:00+00	3.793
4842	7	2026-11-21 04:12:00+00	3.792
4843	8	2026-11-21 04:18:00+00	3.791
4844	9	2026-11-21 04:24:00+00	3.789
4845	10	2026-11-21 04:30:00+00	3.788
4846	11	2026-11-21 04:36:00+00	3.786
4847	12	2026-11-21 04:42:00+00	3.784
4848	1	2026-11-21 04:48:00+00	3.782
4849	2	2026-11-21 04:54:00+00	3.780
4850	3	2026-11-21 05:00:00+00	3.778
4851	4	2026-11-21 05:06:00+00	3.776
4852	5	2026-11-21 05:12:00+00	3.773
4853	6	2026-11-21 05:18:00+00	3.771
4854	7	2026-11-21 05:24:00+00	3.768
4855	8	2026-11-21 05:30:00+00	3.766
4856	9	2026-11-21 05:36:00+00	3.763
4857	10	2026-11-21 05:42:00+00	3.760
4858	11	2026-11-21 05:48:00+00	3.757
4859	12	2026-11-21 05:54:00+00	3.754
4860	1	2026-11-21 06:00:00+00	3.750
4861	2	2026-11-21 06:06:00+00	3.747
4862	3	2026-11-21 06:12:00+00	3.743
4863	4	2026-11-21 06:18:00+00	3.740
4864	5	2026-11-21 06:24:00+00	3.736
4865	6	2026-11-21 06:30:00+00	3.732
4866	7	2026-11-21 06:36:00+00	3.728
4867	8	2026-11-21 06:42:00+00	3.724
4868	9	2026-11-21 06:48:00+00	3.720
4869	10	2026-11-21 06:54:00+00	3.716
4870	11	2026-11-21 07:00:00+00	3.712
4871	12	2026-11-21 07:06:00+00	3.707
4872	1	2026-11-21 07:12:00+00	3.703
4873	2	2026-11-21 07:18:00+00	3.698
4874	3	2026-11-21 07:24:00+00	3.693
4875	4	2026-11-21 07:30:00+00	3.688
4876	5	2026-11-21 07:36:00+00	3.683
4877	6	2026-11-21 07:42:00+00	3.678
4878	7	2026-11-21 07:48:00+00	3.673
4879	8	2026-11-21 07:54:00+00	3.668
4880	9	2026-11-21 08:00:00+00	3.663
4881	10	2026-11-21 08:06:00+00	3.657
4882	11	2026-11-21 08:12:00+00	3.651
4883	12	2026-11-21 08:18:00+00	3.646
4884	1	2026-11-21 08:24:00+00	3.640
4885	2	2026-11-21 08:30:00+00	3.634
4886	3	2026-11-21 08:36:00+00	3.628
4887	4	2026-11-21 08:42:00+00	3.622
4888	5	2026-11-21 08:48:00+00	3.616
4889	6	2026-11-21 08:54:00+00	3.609
4890	7	2026-11-21 09:00:00+00	3.603
4891	8	2026-11-21 09:06:00+00	3.596
4892	9	2026-11-21 09:12:00+00	3.590
4893	10	2026-11-21 09:18:00+00	3.583
4894	11	2026-11-21 09:24:00+00	3.576
4895	12	2026-11-21 09:30:00+00	3.569
4896	1	2026-11-21 09:36:00+00	3.562
4897	2	2026-11-21 09:42:00+00	3.555
4898	3	2026-11-21 09:48:00+00	3.548
4899	4	2026-11-21 09:54:00+00	3.541
4900	5	2026-11-21 10:00:00+00	3.534
4901	6	2026-11-21 10:06:00+00	3.526
4902	7	2026-11-21 10:12:00+00	3.518
4903	8	2026-11-21 10:18:00+00	3.511
4904	9	2026-11-21 10:24:00+00	3.503
4905	10	2026-11-21 10:30:00+00	3.495
4906	11	2026-11-21 10:36:00+00	3.487
4907	12	2026-11-21 10:42:00+00	3.479
4908	1	2026-11-21 10:48:00+00	3.471
4909	2	2026-11-21 10:54:00+00	3.463
4910	3	2026-11-21 11:00:00+00	3.455
4911	4	2026-11-21 11:06:00+00	3.446
4912	5	2026-11-21 11:12:00+00	3.438
4913	6	2026-11-21 11:18:00+00	3.429
4914	7	2026-11-21 11:24:00+00	3.420
4915	8	2026-11-21 11:30:00+00	3.412
4916	9	2026-11-21 11:36:00+00	3.403
4917	10	2026-11-21 11:42:00+00	3.394
4918	11	2026-11-21 11:48:00+00	3.385
4919	12	2026-11-21 11:54:00+00	3.376
4920	1	2026-11-21 12:00:00+00	3.367
4921	2	2026-11-21 12:06:00+00	3.357
4922	3	2026-11-21 12:12:00+00	3.348
4923	4	2026-11-21 12:18:00+00	3.339
4924	5	2026-11-21 12:24:00+00	3.329
4925	6	2026-11-21 12:30:00+00	3.320
4926	7	2026-11-21 12:36:00+00	3.310
4927	8	2026-11-21 12:42:00+00	3.300
4928	9	2026-11-21 12:48:00+00	3.290
4929	10	2026-11-21 12:54:00+00	3.280
4930	11	2026-11-21 13:00:00+00	3.270
4931	12	2026-11-21 13:06:00+00	3.260
4932	1	2026-11-21 13:12:00+00	3.250
4933	2	2026-11-21 13:18:00+00	3.240
4934	3	2026-11-21 13:24:00+00	3.230
4935	4	2026-11-21 13:30:00+00	3.219
4936	5	2026-11-21 13:36:00+00	3.209
4937	6	2026-11-21 13:42:00+00	3.198
4938	7	2026-11-21 13:48:00+00	3.188
4939	8	2026-11-21 13:54:00+00	3.177
4940	9	2026-11-21 14:00:00+00	3.166
4941	10	2026-11-21 14:06:00+00	3.156
4942	11	2026-11-21 14:12:00+00	3.145
4943	12	2026-11-21 14:18:00+00	3.134
4944	1	2026-11-21 14:24:00+00	3.123
4945	2	2026-11-21 14:30:00+00	3.112
4946	3	2026-11-21 14:36:00+00	3.101
4947	4	2026-11-21 14:42:00+00	3.089
4948	5	2026-11-21 14:48:00+00	3.078
4949	6	2026-11-21 14:54:00+00	3.067
4950	7	2026-11-21 15:00:00+00	3.055
4951	8	2026-11-21 15:06:00+00	3.044
4952	9	2026-11-21 15:12:00+00	3.032
4953	10	2026-11-21 15:18:00+00	3.021
4954	11	2026-11-21 15:24:00+00	3.009
4955	12	2026-11-21 15:30:00+00	2.997
4956	1	2026-11-21 15:36:00+00	2.986
4957	2	2026-11-21 15:42:00+00	2.974
4958	3	2026-11-21 15:48:00+00	2.962
4959	4	2026-11-21 15:54:00+00	2.950
4960	5	2026-11-21 16:00:00+00	2.938
4961	6	2026-11-21 16:06:00+00	2.926
4962	7	2026-11-21 16:12:00+00	2.914
4963	8	2026-11-21 16:18:00+00	2.902
4964	9	2026-11-21 16:24:00+00	2.890
4965	10	2026-11-21 16:30:00+00	2.877
4966	11	2026-11-21 16:36:00+00	2.865
4967	12	2026-11-21 16:42:00+00	2.853
4968	1	2026-11-21 16:48:00+00	2.840
4969	2	2026-11-21 16:54:00+00	2.828
4970	3	2026-11-21 17:00:00+00	2.815
4971	4	2026-11-21 17:06:00+00	2.803
4972	5	2026-11-21 17:12:00+00	2.790
4973	6	2026-11-21 17:18:00+00	2.777
4974	7	2026-11-21 17:24:00+00	2.765
4975	8	2026-11-21 17:30:00+00	2.752
4976	9	2026-11-21 17:36:00+00	2.739
4977	10	2026-11-21 17:42:00+00	2.726
4978	11	2026-11-21 17:48:00+00	2.713
4979	12	2026-11-21 17:54:00+00	2.701
4980	1	2026-11-21 18:00:00+00	2.688
4981	2	2026-11-21 18:06:00+00	2.675
4982	3	2026-11-21 18:12:00+00	2.662
4983	4	2026-11-21 18:18:00+00	2.648
4984	5	2026-11-21 18:24:00+00	2.635
4985	6	2026-11-21 18:30:00+00	2.622
4986	7	2026-11-21 18:36:00+00	2.609
4987	8	2026-11-21 18:42:00+00	2.596
4988	9	2026-11-21 18:48:00+00	2.583
4989	10	2026-11-21 18:54:00+00	2.569
4990	11	2026-11-21 19:00:00+00	2.556
4991	12	2026-11-21 19:06:00+00	2.543
4992	1	2026-11-21 19:12:00+00	2.529
4993	2	2026-11-21 19:18:00+00	2.516
4994	3	2026-11-21 19:24:00+00	2.503
4995	4	2026-11-21 19:30:00+00	2.489
4996	5	2026-11-21 19:36:00+00	2.476
4997	6	2026-11-21 19:42:00+00	2.462
4998	7	2026-11-21 19:48:00+00	2.449
4999	8	2026-11-21 19:54:00+00	2.435
5000	9	2026-11-21 20:00:00+00	2.422
5001	10	2026-11-21 20:06:00+00	2.408
5002	11	2026-11-21 20:12:00+00	2.394
5003	12	2026-11-21 20:18:00+00	2.381
5004	1	2026-11-21 20:24:00+00	2.367
5005	2	2026-11-21 20:30:00+00	2.353
5006	3	2026-11-21 20:36:00+00	2.340
5007	4	2026-11-21 20:42:00+00	2.326
5008	5	2026-11-21 20:48:00+00	2.312
5009	6	2026-11-21 20:54:00+00	2.299
5010	7	2026-11-21 21:00:00+00	2.285
5011	8	2026-11-21 21:06:00+00	2.271
5012	9	2026-11-21 21:12:00+00	2.257
5013	10	2026-11-21 21:18:00+00	2.244
5014	11	2026-11-21 21:24:00+00	2.230
5015	12	2026-11-21 21:30:00+00	2.216
5016	1	2026-11-21 21:36:00+00	2.202
5017	2	2026-11-21 21:42:00+00	2.189
5018	3	2026-11-21 21:48:00+00	2.175
5019	4	2026-11-21 21:54:00+00	2.161
5020	5	2026-11-21 22:00:00+00	2.147
5021	6	2026-11-21 22:06:00+00	2.133
5022	7	2026-11-21 22:12:00+00	2.119
5023	8	2026-11-21 22:18:00+00	2.106
5024	9	2026-11-21 22:24:00+00	2.092
5025	10	2026-11-21 22:30:00+00	2.078
5026	11	2026-11-21 22:36:00+00	2.064
5027	12	2026-11-21 22:42:00+00	2.050
5028	1	2026-11-21 22:48:00+00	2.037
5029	2	2026-11-21 22:54:00+00	2.023
5030	3	2026-11-21 23:00:00+00	2.009
5031	4	2026-11-21 23:06:00+00	1.995
5032	5	2026-11-21 23:12:00+00	1.981
5033	6	2026-11-21 23:18:00+00	1.968
5034	7	2026-11-21 23:24:00+00	1.954
5035	8	2026-11-21 23:30:00+00	1.940
5036	9	2026-11-21 23:36:00+00	1.926
5037	10	2026-11-21 23:42:00+00	1.913
5038	11	2026-11-21 23:48:00+00	1.899
5039	12	2026-11-21 23:54:00+00	1.885
5040	1	2026-11-22 00:00:00+00	1.871
5041	2	2026-11-22 00:06:00+00	1.858
5042	3	2026-11-22 00:12:00+00	1.844
5043	4	2026-11-22 00:18:00+00	1.830
5044	5	2026-11-22 00:24:00+00	1.817
5045	6	2026-11-22 00:30:00+00	1.803
5046	7	2026-11-22 00:36:00+00	1.789
5047	8	2026-11-22 00:42:00+00	1.776
5048	9	2026-11-22 00:48:00+00	1.762
5049	10	2026-11-22 00:54:00+00	1.749
5050	11	2026-11-22 01:00:00+00	1.735
5051	12	2026-11-22 01:06:00+00	1.722
5052	1	2026-11-22 01:12:00+00	1.708
5053	2	2026-11-22 01:18:00+00	1.695
5054	3	2026-11-22 01:24:00+00	1.682
5055	4	2026-11-22 01:30:00+00	1.668
5056	5	2026-11-22 01:36:00+00	1.655
5057	6	2026-11-22 01:42:00+00	1.641
5058	7	2026-11-22 01:48:00+00	1.628
5059	8	2026-11-22 01:54:00+00	1.615
5060	9	2026-11-22 02:00:00+00	1.602
5061	10	2026-11-22 02:06:00+00	1.588
5062	11	2026-11-22 02:12:00+00	1.575
5063	12	2026-11-22 02:18:00+00	1.562
5064	1	2026-11-22 02:24:00+00	1.549
5065	2	2026-11-22 02:30:00+00	1.536
5066	3	2026-11-22 02:36:00+00	1.523
5067	4	2026-11-22 02:42:00+00	1.510
5068	5	2026-11-22 02:48:00+00	1.497
5069	6	2026-11-22 02:54:00+00	1.484
5070	7	2026-11-22 03:00:00+00	1.471
5071	8	2026-11-22 03:06:00+00	1.458
5072	9	2026-11-22 03:12:00+00	1.446
5073	10	2026-11-22 03:18:00+00	1.433
5074	11	2026-11-22 03:24:00+00	1.420
5075	12	2026-11-22 03:30:00+00	1.408
5076	1	2026-11-22 03:36:00+00	1.395
5077	2	2026-11-22 03:42:00+00	1.382
5078	3	2026-11-22 03:48:00+00	1.370
5079	4	2026-11-22 03:54:00+00	1.358
5080	5	2026-11-22 04:00:00+00	1.345
5081	6	2026-11-22 04:06:00+00	1.333
5082	7	2026-11-22 04:12:00+00	1.320
5083	8	2026-11-22 04:18:00+00	1.308
5084	9	2026-11-22 04:24:00+00	1.296
5085	10	2026-11-22 04:30:00+00	1.284
5086	11	2026-11-22 04:36:00+00	1.272
5087	12	2026-11-22 04:42:00+00	1.260
5088	1	2026-11-22 04:48:00+00	1.248
5089	2	2026-11-22 04:54:00+00	1.236
5090	3	2026-11-22 05:00:00+00	1.224
5091	4	2026-11-22 05:06:00+00	1.212
5092	5	2026-11-22 05:12:00+00	1.200
5093	6	2026-11-22 05:18:00+00	1.189
5094	7	2026-11-22 05:24:00+00	1.177
5095	8	2026-11-22 05:30:00+00	1.165
5096	9	2026-11-22 05:36:00+00	1.154
5097	10	2026-11-22 05:42:00+00	1.142
5098	11	2026-11-22 05:48:00+00	1.131
5099	12	2026-11-22 05:54:00+00	1.120
5100	1	2026-11-22 06:00:00+00	1.108
5101	2	2026-11-22 06:06:00+00	1.097
5102	3	2026-11-22 06:12:00+00	1.086
5103	4	2026-11-22 06:18:00+00	1.075
5104	5	2026-11-22 06:24:00+00	1.064
5105	6	2026-11-22 06:30:00+00	1.053
5106	7	2026-11-22 06:36:00+00	1.042
5107	8	2026-11-22 06:42:00+00	1.032
5108	9	2026-11-22 06:48:00+00	1.021
5109	10	2026-11-22 06:54:00+00	1.010
5110	11	2026-11-22 07:00:00+00	1.000
5111	12	2026-11-22 07:06:00+00	0.989
5112	1	2026-11-22 07:12:00+00	0.979
5113	2	2026-11-22 07:18:00+00	0.968
5114	3	2026-11-22 07:24:00+00	0.958
5115	4	2026-11-22 07:30:00+00	0.948
5116	5	2026-11-22 07:36:00+00	0.938
5117	6	2026-11-22 07:42:00+00	0.928
5118	7	2026-11-22 07:48:00+00	0.918
5119	8	2026-11-22 07:54:00+00	0.908
5120	9	2026-11-22 08:00:00+00	0.898
5121	10	2026-11-22 08:06:00+00	0.888
5122	11	2026-11-22 08:12:00+00	0.879
5123	12	2026-11-22 08:18:00+00	0.869
5124	1	2026-11-22 08:24:00+00	0.860
5125	2	2026-11-22 08:30:00+00	0.850
5126	3	2026-11-22 08:36:00+00	0.841
5127	4	2026-11-22 08:42:00+00	0.832
5128	5	2026-11-22 08:48:00+00	0.822
5129	6	2026-11-22 08:54:00+00	0.813
5130	7	2026-11-22 09:00:00+00	0.804
5131	8	2026-11-22 09:06:00+00	0.795
5132	9	2026-11-22 09:12:00+00	0.787
5133	10	2026-11-22 09:18:00+00	0.778
5134	11	2026-11-22 09:24:00+00	0.769
5135	12	2026-11-22 09:30:00+00	0.761
5136	1	2026-11-22 09:36:00+00	0.752
5137	2	2026-11-22 09:42:00+00	0.744
5138	3	2026-11-22 09:48:00+00	0.736
5139	4	2026-11-22 09:54:00+00	0.727
5140	5	2026-11-22 10:00:00+00	0.719
5141	6	2026-11-22 10:06:00+00	0.711
5142	7	2026-11-22 10:12:00+00	0.703
5143	8	2026-11-22 10:18:00+00	0.695
5144	9	2026-11-22 10:24:00+00	0.688
5145	10	2026-11-22 10:30:00+00	0.680
5146	11	2026-11-22 10:36:00+00	0.673
5147	12	2026-11-22 10:42:00+00	0.665
5148	1	2026-11-22 10:48:00+00	0.658
5149	2	2026-11-22 10:54:00+00	0.650
5150	3	2026-11-22 11:00:00+00	0.643
5151	4	2026-11-22 11:06:00+00	0.636
5152	5	2026-11-22 11:12:00+00	0.629
5153	6	2026-11-22 11:18:00+00	0.622
5154	7	2026-11-22 11:24:00+00	0.616
5155	8	2026-11-22 11:30:00+00	0.609
5156	9	2026-11-22 11:36:00+00	0.602
5157	10	2026-11-22 11:42:00+00	0.596
5158	11	2026-11-22 11:48:00+00	0.589
5159	12	2026-11-22 11:54:00+00	0.583
5160	1	2026-11-22 12:00:00+00	0.577
5161	2	2026-11-22 12:06:00+00	0.571
5162	3	2026-11-22 12:12:00+00	0.565
5163	4	2026-11-22 12:18:00+00	0.559
5164	5	2026-11-22 12:24:00+00	0.553
5165	6	2026-11-22 12:30:00+00	0.547
5166	7	2026-11-22 12:36:00+00	0.542
5167	8	2026-11-22 12:42:00+00	0.536
5168	9	2026-11-22 12:48:00+00	0.531
5169	10	2026-11-22 12:54:00+00	0.526
5170	11	2026-11-22 13:00:00+00	0.521
5171	12	2026-11-22 13:06:00+00	0.516
5172	1	2026-11-22 13:12:00+00	0.511
5173	2	2026-11-22 13:18:00+00	0.506
5174	3	2026-11-22 13:24:00+00	0.501
5175	4	2026-11-22 13:30:00+00	0.496
5176	5	2026-11-22 13:36:00+00	0.492
5177	6	2026-11-22 13:42:00+00	0.487
5178	7	2026-11-22 13:48:00+00	0.483
5179	8	2026-11-22 13:54:00+00	0.479
5180	9	2026-11-22 14:00:00+00	0.475
5181	10	2026-11-22 14:06:00+00	0.471
5182	11	2026-11-22 14:12:00+00	0.467
5183	12	2026-11-22 14:18:00+00	0.463
5184	1	2026-11-22 14:24:00+00	0.459
5185	2	2026-11-22 14:30:00+00	0.456
5186	3	2026-11-22 14:36:00+00	0.452
5187	4	2026-11-22 14:42:00+00	0.449
5188	5	2026-11-22 14:48:00+00	0.446
5189	6	2026-11-22 14:54:00+00	0.443
5190	7	2026-11-22 15:00:00+00	0.440
5191	8	2026-11-22 15:06:00+00	0.437
5192	9	2026-11-22 15:12:00+00	0.434
5193	10	2026-11-22 15:18:00+00	0.431
5194	11	2026-11-22 15:24:00+00	0.429
5195	12	2026-11-22 15:30:00+00	0.426
5196	1	2026-11-22 15:36:00+00	0.424
5197	2	2026-11-22 15:42:00+00	0.422
5198	3	2026-11-22 15:48:00+00	0.419
5199	4	2026-11-22 15:54:00+00	0.417
5200	5	2026-11-22 16:00:00+00	0.415
\.


--
-- TOC entry 3406 (class 0 OID 0)
-- Dependencies: 218
-- Name: call_out_id_seq; Type: SEQUENCE SET; Schema: rescue; Owner: postgres
--

SELECT pg_catalog.setval('rescue.call_out_id_seq', 1380, true);


--
-- TOC entry 3234 (class 2606 OID 16409)
-- Name: boat boat_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.boat
    ADD CONSTRAINT boat_pkey PRIMARY KEY (sign);


--
-- TOC entry 3239 (class 2606 OID 16436)
-- Name: call_out call_out_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.call_out
    ADD CONSTRAINT call_out_pkey PRIMARY KEY (id);


--
-- TOC entry 3236 (class 2606 OID 16421)
-- Name: crew crew_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.crew
    ADD CONSTRAINT crew_pkey PRIMARY KEY (id);


--
-- TOC entry 3241 (class 2606 OID 16449)
-- Name: kit_check kit_check_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.kit_check
    ADD CONSTRAINT kit_check_pkey PRIMARY KEY (id);


--
-- TOC entry 3230 (class 2606 OID 16401)
-- Name: station station_name_key; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.station
    ADD CONSTRAINT station_name_key UNIQUE (name);


--
-- TOC entry 3232 (class 2606 OID 16399)
-- Name: station station_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.station
    ADD CONSTRAINT station_pkey PRIMARY KEY (id);


--
-- TOC entry 3243 (class 2606 OID 16459)
-- Name: tide_reading tide_reading_pkey; Type: CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.tide_reading
    ADD CONSTRAINT tide_reading_pkey PRIMARY KEY (id);


--
-- TOC entry 3237 (class 1259 OID 16442)
-- Name: call_out_began; Type: INDEX; Schema: rescue; Owner: postgres
--

CREATE INDEX call_out_began ON rescue.call_out USING btree (began);


--
-- TOC entry 3249 (class 2620 OID 16466)
-- Name: call_out call_out_closed; Type: TRIGGER; Schema: rescue; Owner: postgres
--

CREATE TRIGGER call_out_closed BEFORE UPDATE ON rescue.call_out FOR EACH ROW EXECUTE FUNCTION rescue.close_call_out();


--
-- TOC entry 3244 (class 2606 OID 16410)
-- Name: boat boat_station_id_fkey; Type: FK CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.boat
    ADD CONSTRAINT boat_station_id_fkey FOREIGN KEY (station_id) REFERENCES rescue.station(id);


--
-- TOC entry 3246 (class 2606 OID 16437)
-- Name: call_out call_out_boat_sign_fkey; Type: FK CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.call_out
    ADD CONSTRAINT call_out_boat_sign_fkey FOREIGN KEY (boat_sign) REFERENCES rescue.boat(sign);


--
-- TOC entry 3245 (class 2606 OID 16422)
-- Name: crew crew_station_id_fkey; Type: FK CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.crew
    ADD CONSTRAINT crew_station_id_fkey FOREIGN KEY (station_id) REFERENCES rescue.station(id);


--
-- TOC entry 3247 (class 2606 OID 16450)
-- Name: kit_check kit_check_boat_sign_fkey; Type: FK CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.kit_check
    ADD CONSTRAINT kit_check_boat_sign_fkey FOREIGN KEY (boat_sign) REFERENCES rescue.boat(sign);


--
-- TOC entry 3248 (class 2606 OID 16460)
-- Name: tide_reading tide_reading_station_id_fkey; Type: FK CONSTRAINT; Schema: rescue; Owner: postgres
--

ALTER TABLE ONLY rescue.tide_reading
    ADD CONSTRAINT tide_reading_station_id_fkey FOREIGN KEY (station_id) REFERENCES rescue.station(id);


-- Completed on 2026-11-23 08:11:26 UTC

--
-- PostgreSQL database dump complete
--

\unrestrict 4h4vntPkb7bp1pjP9dWXNKyPUWzPuC9UiCPNp5maKZebeE7reHbgD8DSy3ZPz32

