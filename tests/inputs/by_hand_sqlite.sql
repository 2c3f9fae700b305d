INSERT INTO boat (id, name) VALUES (1, 'Tern') , (2, 'Gull');
%%
INSERT INTO boat VALUES (1, "Tern", NULL, 2);
%%
INSERT OR IGNORE INTO boat VALUES (1,'a',NULL,1),(1,'b',NULL,2);
%%
INSERT OR REPLACE INTO boat (id,name) VALUES (1,'a'); REPLACE INTO boat (id,name) VALUES (1,'b');
%%
INSERT INTO boat (id,name) VALUES (1,'a') ON CONFLICT (id) DO UPDATE SET name = excluded.name RETURNING *;
%%
INSERT INTO boat AS b (id,name) VALUES (1,'a');
%%
INSERT INTO boat (id,name) SELECT 1,'a' UNION ALL SELECT 2,'b';
%%
INSERT INTO crew DEFAULT VALUES;
%%
INSERT INTO crew (name,paid) VALUES ('it''s', -1.5), (x'41', +2), (CAST(X'41' AS TEXT), 1e3), ('a'||char(10)||'b', .5), (NULL, 0x1F), (TRUE, 9e999);
%%
INSERT INTO crew (name,since) VALUES ('a', CURRENT_TIMESTAMP), ('b', datetime('now','-1 day')), ('c', date('now')), ('d', strftime('%s','now'));
%%
INSERT INTO crew (name, paid) VALUES ('x', 1 + 2 * 3), ('y', (1)), ('z', CASE WHEN 1 THEN 2 END), (upper('x'), coalesce(NULL,1)), (replace('a\nb','\n',char(10)), abs(-1)), (unistr('\u000a'), 1 IN (1,2)), (-(-1), 5 % 3), (1 IS NOT NULL, NOT 1), ('a' COLLATE NOCASE, ~1);
%%
INSERT INTO crew (boat_id, name) VALUES ((SELECT max(id) FROM boat), 'a'), (last_insert_rowid(), 'b');
%%
BEGIN; INSERT INTO boat (id,name) VALUES (1,'a'); COMMIT;
%%
BEGIN IMMEDIATE TRANSACTION; INSERT INTO boat (id,name) VALUES (1,'a'); END TRANSACTION;
%%
SAVEPOINT a; RELEASE a;
%%
PRAGMA foreign_keys = ON; PRAGMA journal_mode = MEMORY; PRAGMA user_version = 5; PRAGMA encoding = 'UTF-8'; PRAGMA synchronous=OFF; PRAGMA cache_size=-2000; PRAGMA application_id = 0x1234;
%%
DELETE FROM boat WHERE id > 100; UPDATE boat SET name = 'x' WHERE id = 1;
%%
DROP TABLE IF EXISTS gone; DROP INDEX IF EXISTS gone; DROP VIEW IF EXISTS gone; DROP TRIGGER IF EXISTS gone;
%%
CREATE TEMP TABLE t (a); INSERT INTO t VALUES (1); DROP TABLE t;
%%
CREATE TABLE b2 AS SELECT * FROM boat; CREATE TABLE IF NOT EXISTS boat (x);
%%
CREATE TABLE t (a INT, b TEXT) STRICT; INSERT INTO t VALUES (1,'x');
%%
CREATE TABLE [t t] ([a b] int, `c` text, 'd' blob); INSERT INTO [t t] ([a b], `c`, 'd') VALUES (1,2,3);
%%
CREATE TABLE t (a INTEGER PRIMARY KEY ASC ON CONFLICT REPLACE AUTOINCREMENT, b varchar(10) COLLATE NOCASE UNIQUE ON CONFLICT IGNORE, c GENERATED ALWAYS AS (a+1) STORED, d AS (a*2), e DEFAULT (random()), f CHECK (f > 0) NOT NULL DEFAULT 1, UNIQUE (b,c), FOREIGN KEY (a) REFERENCES boat(id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED);
%%
CREATE VIRTUAL TABLE ft USING fts5(a, b); INSERT INTO ft VALUES ('a','b');
%%
CREATE INDEX i ON boat (name COLLATE NOCASE DESC) WHERE berth > 1; CREATE UNIQUE INDEX IF NOT EXISTS i2 ON boat (lower(name));
%%
CREATE VIEW v (a,b) AS SELECT id, name FROM boat; CREATE TEMP VIEW tv AS SELECT 1;
%%
CREATE TRIGGER tr AFTER INSERT ON boat WHEN new.id > 5 BEGIN UPDATE boat SET name = CASE WHEN 1 THEN 'x;' ELSE 'y' END WHERE id = new.id; END; INSERT INTO boat (id,name) VALUES (1,'a');
%%
ALTER TABLE boat ADD COLUMN x int; INSERT INTO boat VALUES (1,'a',NULL,2,3);
%%
ALTER TABLE boat ADD x; INSERT INTO boat VALUES (1,'a',NULL,2,3);
%%
ALTER TABLE boat DROP COLUMN berth; INSERT INTO boat VALUES (1,'a',NULL);
%%
ALTER TABLE boat RENAME COLUMN name TO title; INSERT INTO boat (id,title) VALUES (1,'a');
%%
ALTER TABLE boat RENAME TO ship; INSERT INTO ship (id,name) VALUES (1,'a');
%%
ANALYZE; VACUUM; REINDEX; REINDEX boat;
%%
SELECT 1; VALUES (1); EXPLAIN SELECT 1; EXPLAIN QUERY PLAN SELECT 1;
%%
INSERT INTO main.boat (id,name) VALUES (1,'a');
%%
INSERT INTO sqlite_sequence (name,seq) VALUES ('crew', 5); UPDATE sqlite_sequence SET seq = 9 WHERE name = 'crew'; DELETE FROM sqlite_sequence;
%%
/* it's */ INSERT INTO boat (id,name) VALUES (1,'a'); -- it's
;;
%%
INSERT INTO boat (id,name) VALUES (1,'multi
line -- x
');
%%
INSERT INTO boat VALUES (1,'a',DATE('2020-01-01'),1);
%%
insert into BOAT values (1,'a',null,null);
%%
INSERT INTO boat (ID, NAME) VALUES (1,'a');
%%
INSERT INTO boat (rowid, name) VALUES (1,'a');
