-- The demo's database: a made-up coastal rescue service. All names, places and figures are invented.
CREATE SCHEMA rescue;
CREATE TYPE rescue.boat_kind AS ENUM ('inshore', 'all-weather', 'hovercraft');
CREATE TABLE rescue.station (
  id integer PRIMARY KEY, name text NOT NULL UNIQUE, postcode text NOT NULL, opened date NOT NULL, yearly_budget numeric(14,2));
CREATE TABLE rescue.boat (
  sign text PRIMARY KEY, name text NOT NULL, kind rescue.boat_kind NOT NULL,
  station_id integer NOT NULL REFERENCES rescue.station (id), length_m numeric(5,2), built integer CHECK (built >= 1900));
CREATE TABLE rescue.crew (
  id integer PRIMARY KEY, given_name text NOT NULL, family_name text NOT NULL,
  station_id integer NOT NULL REFERENCES rescue.station (id), joined date, remark text);
CREATE TABLE rescue.call_out (
  id bigserial PRIMARY KEY, boat_sign text NOT NULL REFERENCES rescue.boat (sign), began timestamp with time zone NOT NULL,
  ended timestamp with time zone, status text NOT NULL, persons_helped integer NOT NULL CHECK (persons_helped >= 0),
  cost numeric(10,2), report text);
CREATE INDEX call_out_began ON rescue.call_out (began);
CREATE TABLE rescue.kit_check (
  id integer PRIMARY KEY, boat_sign text NOT NULL REFERENCES rescue.boat (sign), checked_on date NOT NULL, passed boolean NOT NULL, note text);
CREATE TABLE rescue.tide_reading (
  id bigint PRIMARY KEY, station_id integer NOT NULL REFERENCES rescue.station (id), taken_at timestamp with time zone NOT NULL,
  height_m numeric(6,3) NOT NULL);
CREATE FUNCTION rescue.close_call_out() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.ended IS NOT NULL THEN NEW.status := 'closed'; END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER call_out_closed BEFORE UPDATE ON rescue.call_out FOR EACH ROW EXECUTE FUNCTION rescue.close_call_out();
CREATE VIEW rescue.open_call_out AS SELECT id, boat_sign, began FROM rescue.call_out WHERE status = 'open';

INSERT INTO rescue.station
SELECT i, (ARRAY['Skarholm','Vesterøy','Innsund','Måkeskjær','Tangvika','Selnes','Gråbuda','Lomvær','Ytre Holm','Brattøra','Svartnes','Kvalvåg'])[i],
  lpad((i * 137)::text, 4, '0'), date '1898-03-01' + i * 1471, 180000.50 + i * 12345.67 FROM generate_series(1, 12) i;
INSERT INTO rescue.boat
SELECT 'RS' || i, (ARRAY['Tern','Petrel','Gannet','Fulmar','Skua','Puffin','Kittiwake','Guillemot','Eider','Plover'])[1 + i % 10] || ' ' || (1 + i / 10),
  (ARRAY['inshore','all-weather','hovercraft'])[1 + i % 3]::rescue.boat_kind, 1 + i % 12, 7.5 + i % 9 * 1.25, 1978 + i FROM generate_series(1, 24) i;
INSERT INTO rescue.crew
SELECT i, (ARRAY['Ylva','Runa','Tarjei','Sverre','Iben','Orm','Liv','Eskil','Dagny','Brede'])[1 + i % 10],
  (ARRAY['Havnestrand','Skjærgård','Nordfalk','Tangstø','Bølgen','Ytterdal','Måsevik'])[1 + i % 7], 1 + i % 12, date '2009-01-15' + i * 61,
  CASE i % 4 WHEN 0 THEN NULL WHEN 1 THEN '' WHEN 2 THEN 'coxswain; speaks for the crew' ELSE E'first aid\tand radio' END FROM generate_series(1, 96) i;
INSERT INTO rescue.call_out (boat_sign, began, ended, status, persons_helped, cost, report)
SELECT 'RS' || 1 + i % 24, '2026-01-01 02:10:00+00'::timestamptz + i * interval '5 hours 37 minutes',
  CASE WHEN i % 40 <> 0 THEN '2026-01-01 04:00:00+00'::timestamptz + i * interval '5 hours 37 minutes' END,
  CASE WHEN i % 40 = 0 THEN 'open' WHEN i % 9 = 0 THEN 'false alarm' ELSE 'done' END, i % 5, 410.00 + i % 83 * 17.35,
  CASE i % 6 WHEN 0 THEN NULL WHEN 1 THEN 'Dinghy adrift off the point; towed in.' WHEN 2 THEN E'Line 1: engine failure.\nLine 2: crew of two taken aboard.'
  WHEN 3 THEN 'Said "all well", but it wasn''t; COPY rescue.call_out FROM stdin;' WHEN 4 THEN 'Kayak overdue, found ashore' ELSE 'Swimmer helped 🛟' END
FROM generate_series(1, 1380) i;
INSERT INTO rescue.kit_check SELECT i, 'RS' || 1 + i % 24, date '2026-01-05' + i / 2, i % 17 <> 0, CASE WHEN i % 17 = 0 THEN 'flare out of date' END FROM generate_series(1, 620) i;
INSERT INTO rescue.tide_reading SELECT i, 1 + i % 12, '2026-11-01 00:00+00'::timestamptz + i * interval '6 minutes', round((2.1 + 1.7 * sin(i / 123.0))::numeric, 3) FROM generate_series(1, 5200) i;
