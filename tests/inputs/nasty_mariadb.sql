-- A deliberately awkward pair of databases of the coastal rescue service, for making dumps to test with.
CREATE DATABASE harbour CHARACTER SET utf8mb4;
CREATE DATABASE archive CHARACTER SET utf8mb4;
USE harbour;
CREATE TABLE station (
  id int unsigned NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name varchar(60) NOT NULL UNIQUE,
  code char(8) CHARACTER SET latin1 COLLATE latin1_bin DEFAULT 'X',
  budget decimal(40,10),
  big bigint unsigned,
  flags bit(12),
  founded date, opened time(3), changed timestamp(6) NULL, seen datetime, built year,
  kind enum('inshore','all-weather','it''s; odd') DEFAULT 'inshore',
  marks set('a','b','c'),
  CHECK (`big` > 0)
) COMMENT='a ; comment -- with \'quotes\' and
a newline';
CREATE TABLE boat (
  sign varchar(10) PRIMARY KEY, station_id int unsigned, length_m double, length_ft double AS (length_m * 3.28084) STORED,
  wind float, photo blob, token binary(4), mark varbinary(20), notes longtext, spare json, at point,
  FULLTEXT KEY notes_words (notes), KEY (station_id), CONSTRAINT boat_station FOREIGN KEY (station_id) REFERENCES station (id) ON DELETE SET NULL
);
CREATE TABLE `odd ``name``; INSERT INTO` (`select` int, `a b` text, PRIMARY KEY (`select`));
CREATE TABLE seed (id int PRIMARY KEY, label varchar(40));
CREATE TABLE seed_lot (id int PRIMARY KEY, seed_id int, label varchar(40), KEY (seed_id), FOREIGN KEY (seed_id) REFERENCES seed (id));
CREATE TABLE empty_table (a int);
CREATE TABLE kept (x int, note text) WITH SYSTEM VERSIONING;
CREATE SEQUENCE ticket START WITH 100 INCREMENT BY 5;
CREATE VIEW busy AS SELECT s.name, count(*) AS n FROM boat b JOIN station s ON s.id = b.station_id GROUP BY s.name;
DELIMITER ;;
CREATE TRIGGER boat_check BEFORE INSERT ON boat FOR EACH ROW
BEGIN
  -- a comment; INSERT INTO `seed` VALUES (9,'x');
  IF NEW.sign = 'x;y' THEN SET NEW.notes = 'it''s "odd"'; END IF;
END;;
CREATE PROCEDURE count_boats(OUT n int) BEGIN SELECT count(*) INTO n FROM boat; END;;
CREATE FUNCTION twice(n int) RETURNS int DETERMINISTIC RETURN n * 2;;
CREATE EVENT nightly ON SCHEDULE EVERY 1 DAY DO BEGIN DELETE FROM empty_table; DELETE FROM seed WHERE id < 0; END;;
DELIMITER ;
INSERT INTO station (name, code, budget, big, flags, founded, opened, changed, seen, built, kind, marks) VALUES
 ('Skarholm', '007', 123456789012345678901234567890.0123456789, 18446744073709551615, b'101000000111', '1901-05-06', '03:04:05.678', '2026-11-22 03:04:05.678901', '2026-11-22 03:04:05', 2026, 'it''s; odd', 'a,c'),
 ('Tab\there "q" `b`', '', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, ''),
 ('Łódź 海岸 🛟', 'a\'b', -0.5, 1, b'0', '2026-02-28', '-838:59:59', NULL, '1000-01-01 00:00:00', 1901, 'inshore', 'a,b,c');
INSERT INTO boat (sign, station_id, length_m, wind, photo, token, mark, notes, spare, at) VALUES
 ('AB1', 1, 0.1, 1.5, x'00ff275c0a0d1a22', x'00010203', '', 'line\nbreak \\ and \r\n(1,\'x\'),(2', '{"b": 1.10, "a": null}', POINT(1, 2)),
 ('AB2', NULL, -1e300, NULL, '', x'27272727', x'ff', '-- Dump completed on 2026-01-01\n', NULL, NULL),
 ('AB3', 2, 5e-324, 3.4e38, NULL, NULL, NULL, '', '[]', NULL);
INSERT INTO `odd ``name``; INSERT INTO` VALUES (1, 'INSERT INTO `boat` VALUES (1);'), (2, NULL), (3, '');
INSERT INTO seed VALUES (1, 'kelp'), (2, 'dulse'), (-3, '');
INSERT INTO seed_lot SELECT seq, 1 + seq % 2, concat('lot ', seq) FROM seq_1_to_300;
INSERT INTO kept VALUES (1, 'first'), (2, 'second');
UPDATE kept SET note = 'changed' WHERE x = 1;
SELECT nextval(ticket);
USE archive;
CREATE TABLE station (id int PRIMARY KEY, name text);
INSERT INTO station VALUES (1, 'Old Skarholm'), (2, NULL);
CREATE VIEW old AS SELECT * FROM harbour.seed;
