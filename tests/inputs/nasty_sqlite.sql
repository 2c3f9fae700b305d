-- A deliberately awkward database of the coastal rescue service, for making dumps to test with.
PRAGMA foreign_keys=ON;
CREATE TABLE station (id INTEGER PRIMARY KEY AUTOINCREMENT, name TEXT NOT NULL UNIQUE, budget NUMERIC, photo BLOB, CHECK (length(name) > 0));
CREATE TABLE "odd ""name""; INSERT INTO" ("select" INTEGER, 'a b' , [c d] REAL);
CREATE TABLE boat (sign TEXT PRIMARY KEY, station_id INTEGER REFERENCES station(id), length_m REAL, length_ft REAL GENERATED ALWAYS AS (length_m * 3.28) VIRTUAL, anything) WITHOUT ROWID;
CREATE TABLE seed (id INTEGER PRIMARY KEY, label TEXT);
CREATE TABLE seed_lot (id INTEGER PRIMARY KEY, seed_id INTEGER REFERENCES seed, label TEXT COLLATE NOCASE);
CREATE TABLE empty_table (a);
CREATE INDEX boat_station ON boat (station_id) WHERE station_id IS NOT NULL;
CREATE VIEW busy AS SELECT name, count(*) AS n FROM boat JOIN station ON station.id = station_id GROUP BY name;
CREATE VIRTUAL TABLE words USING fts5(body);
CREATE TRIGGER boat_touch AFTER UPDATE ON boat BEGIN
  UPDATE station SET name = CASE WHEN name = 'x;y' THEN 'z' ELSE name END WHERE id = NEW.station_id; -- it's; END;
  SELECT 1;
END;
INSERT INTO station VALUES (1, 'Skarholm', 12.5, x'00ff27'), (2, 'new' || char(10) || 'line; ''quoted''', '007', ''), (3, 'Łódź 海岸 🛟', 123456789012345678901234567890, NULL);
INSERT INTO "odd ""name""; INSERT INTO" VALUES (1, 'INSERT INTO boat VALUES(1);', 1e999), (9223372036854775807, '', -0.0), (-9223372036854775808, NULL, 5e-324), ('text', x'ff', 0.1);
INSERT INTO boat (sign, station_id, length_m, anything) VALUES ('AB1', 1, 7.5, 1), ('AB2', NULL, NULL, 'COMMIT;'), ('AB3', 2, 1e300, 2.5);
INSERT INTO seed VALUES (1, 'kelp'), (2, 'dulse');
WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 300) INSERT INTO seed_lot SELECT i, 1 + i % 2, 'lot ' || i FROM n;
INSERT INTO words VALUES ('boats at sea'), ('it''s');
