INSERT INTO boat (id, name) VALUES (1, 'Tern') , (2, 'Gull');
%%
INSERT INTO boat (id, name) VALUE (1, "Tern's") ;
%%
insert into boat(id,name,built) values (1,'a',date '2020-01-01'), (2,'b',DATE'2020-02-02');
%%
INSERT INTO boat SET id = 1, name = 'x';
%%
INSERT boat VALUES (1,'a',NULL,DEFAULT);
%%
INSERT IGNORE INTO boat VALUES (1,'a',NULL,1),(1,'b',NULL,2);
%%
REPLACE INTO boat (id,name) VALUES (1,'a');
%%
INSERT INTO boat (id,name) VALUES (1,'a') ON DUPLICATE KEY UPDATE name = VALUES(name);
%%
INSERT INTO boat (id,name) VALUES (1,'a') RETURNING id;
%%
INSERT INTO boat (id,name) SELECT 1,'a' UNION SELECT 2,'b';
%%
INSERT INTO boat () VALUES (1,'a',NULL,2);
%%
INSERT INTO crew () VALUES ();
%%
INSERT INTO crew VALUES ();
%%
INSERT INTO crew (name,paid) VALUES ('it''s', -1.5), ('it\'s\n', +2), (_utf8mb4'd', 1e3), (N'x', .5), ("a" "b", 5 DIV 2), (0x41, b'101'), (x'41', 1);
%%
INSERT INTO crew (name,since) VALUES ('a', NOW()), ('b', CURRENT_TIMESTAMP), ('c', now() - interval 1 day), ('d', TIMESTAMP '2020-01-01 00:00:00'), ('e', FROM_UNIXTIME(86400)), ('f', '20200101'), ('g', 20200101000000), ('h', '2020-1-5 1:2:3');
%%
INSERT INTO boat VALUES (1,'a',20200101,1),(2,'b','2020/01/05',2),(3,'c','20-1-5',3),(4,'d',CURDATE(),4),(5,'e',STR_TO_DATE('01.02.2020','%d.%m.%Y'),5);
%%
INSERT INTO crew (name, paid) VALUES (CONCAT('a','b'), 1 + 2 * 3), (UPPER('x'), (1)), (MD5('x'), 10 % 3), (UUID(), IF(1,2,3)), (NULL, CASE WHEN 1 THEN 2 ELSE 3 END);
%%
INSERT INTO crew (kind,flags) VALUES ('a','x,y'), (1, 3), ('B', '');
%%
INSERT INTO crew (raw) VALUES (UNHEX('00ff')), (X'00FF'), (FROM_BASE64('AA=='));
%%
SET @x = 5; INSERT INTO boat (id,name) VALUES (@x, 'a'), (@x + 1, 'b');
%%
INSERT INTO boat (id,name) VALUES (1,'a'); SET @id = LAST_INSERT_ID(); INSERT INTO crew (boat_id) VALUES (1), (1);
%%
INSERT INTO crew (boat_id,name) VALUES ((SELECT max(id) FROM boat), 'a');
%%
INSERT INTO `boat`(`id`,`name`)VALUES(1,'a');
%%
INSERT INTO boat VALUES(1,'a',NULL,1);INSERT INTO boat VALUES(2,'b',NULL,2);
%%
DELETE FROM boat WHERE id > 100; UPDATE boat SET name = 'x' WHERE id = 1; TRUNCATE TABLE crew;
%%
DROP TABLE IF EXISTS gone; DROP VIEW IF EXISTS gone; DROP PROCEDURE IF EXISTS gone; DROP TRIGGER IF EXISTS gone; DROP EVENT IF EXISTS gone; DROP FUNCTION IF EXISTS gone;
%%
START TRANSACTION; INSERT INTO boat (id,name) VALUES (1,'a'); COMMIT;
%%
BEGIN; INSERT INTO boat (id,name) VALUES (1,'a'); COMMIT; 
%%
SET AUTOCOMMIT = 0; INSERT INTO boat (id,name) VALUES (1,'a'); COMMIT; SET AUTOCOMMIT = 1;
%%
SET FOREIGN_KEY_CHECKS = 0; INSERT INTO crew (boat_id) VALUES (99); SET FOREIGN_KEY_CHECKS = 1;
%%
SET NAMES utf8mb4 COLLATE utf8mb4_unicode_ci; SET CHARACTER SET utf8; SET SQL_MODE = 'NO_AUTO_VALUE_ON_ZERO'; SET time_zone = '+00:00'; SET SESSION sql_mode = CONCAT(@@sql_mode, ',ANSI_QUOTES');
%%
SET SQL_MODE=ANSI_QUOTES; INSERT INTO "boat" ("id","name") VALUES (1,'a');
%%
SET sql_mode = 'NO_BACKSLASH_ESCAPES'; INSERT INTO boat (id,name) VALUES (1,'a\');
%%
SET @OLD = @@UNIQUE_CHECKS, UNIQUE_CHECKS = 0; SET UNIQUE_CHECKS = @OLD;
%%
SHOW TABLES; SHOW CREATE TABLE boat; SHOW WARNINGS; DESCRIBE boat; DESC boat; EXPLAIN SELECT 1;
%%
SELECT 'done'; SELECT VERSION(); DO 1; DO SLEEP(0); FLUSH TABLES; ANALYZE TABLE boat; OPTIMIZE TABLE boat; CHECK TABLE boat; CHECKSUM TABLE boat;
%%
LOCK TABLES boat WRITE, crew READ LOCAL; INSERT INTO boat (id,name) VALUES (1,'a'); UNLOCK TABLES;
%%
CREATE INDEX n ON boat (name(5) DESC); DROP INDEX n ON boat; CREATE UNIQUE INDEX IF NOT EXISTS n USING BTREE ON boat (name, berth) COMMENT 'x';
%%
CREATE TABLE IF NOT EXISTS boat (id int); CREATE TABLE b2 LIKE boat; CREATE TABLE b3 AS SELECT * FROM boat; CREATE TABLE b4 (x int) SELECT 1 AS x; CREATE OR REPLACE TABLE b5 (x int);
%%
CREATE TEMPORARY TABLE t (a int); INSERT INTO t VALUES (1); DROP TEMPORARY TABLE t;
%%
CREATE TABLE t (a int unsigned zerofill, b bool, c boolean default true, d integer(5), e dec(5,2), f double precision, g real, h char byte, i nvarchar(3), j year, k json, l bit(3), m text character set latin1 collate latin1_bin, n time(3), o datetime(6) default current_timestamp(6) on update current_timestamp(6), p int as (a+1) virtual, q int generated always as (a+1) stored, r tinyint(1) not null comment 'it''s; (', s serial, t uuid, u inet6, v long varchar, w mediumint, x int invisible default 5, key (a), unique index u1 (b), fulltext (m), check (a > 0), constraint c1 check (b in (0,1)), index i2 using btree (c) comment 'x') engine innodb default charset = utf8mb4 comment 'it''s' auto_increment = 5 row_format=dynamic;
%%
CREATE TABLE t (a int, b date) PARTITION BY RANGE (a) (PARTITION p0 VALUES LESS THAN (10), PARTITION p1 VALUES LESS THAN MAXVALUE); INSERT INTO t VALUES (1, '2020-01-01'), (20, NULL);
%%
CREATE TABLE t (a int, b int, c int, primary key (a,b), foreign key (c) references boat(id) on delete cascade on update set null) ;
%%
CREATE TABLE t (p point, g geometry); INSERT INTO t VALUES (ST_GeomFromText('POINT(1 2)'), POINT(1,2)), (ST_GeomFromText('POINT(1 2)', 4326), NULL);
%%
ALTER TABLE boat ADD COLUMN x int AFTER id, ADD INDEX (x), DROP COLUMN berth; INSERT INTO boat VALUES (1, 5, 'a', NULL);
%%
ALTER TABLE boat ADD x int FIRST; INSERT INTO boat VALUES (5, 1, 'a', NULL, 3);
%%
ALTER TABLE boat CHANGE name title varchar(80); INSERT INTO boat (id,title) VALUES (1,'a');
%%
ALTER TABLE boat RENAME TO ship; INSERT INTO ship (id,name) VALUES (1,'a');
%%
RENAME TABLE boat TO ship; INSERT INTO ship (id,name) VALUES (1,'a');
%%
DELIMITER //
CREATE PROCEDURE p(IN a int) BEGIN SELECT a; IF a > 1 THEN SET @x = 'it''s;'; END IF; END//
CREATE FUNCTION f() RETURNS int DETERMINISTIC RETURN 1//
CREATE TRIGGER tr BEFORE INSERT ON boat FOR EACH ROW BEGIN SET NEW.name = UPPER(NEW.name); END//
DELIMITER ;
%%
DELIMITER $$
CREATE PROCEDURE p() SELECT 1; $$
DELIMITER ;
%%
CREATE TRIGGER tr BEFORE INSERT ON boat FOR EACH ROW SET NEW.name = 'x'; INSERT INTO boat (id,name) VALUES (1,'a');
%%
CREATE EVENT ev ON SCHEDULE EVERY 1 DAY DO DELETE FROM boat;
%%
CREATE DATABASE IF NOT EXISTS other; USE other; CREATE TABLE t (a int); INSERT INTO t VALUES (1);
%%
CREATE SEQUENCE sq START WITH 5; SELECT NEXTVAL(sq); ALTER SEQUENCE sq RESTART 9; SELECT SETVAL(sq, 100);
%%
PREPARE q FROM 'INSERT INTO boat (id,name) VALUES (?,?)'; SET @a=1,@b='x'; EXECUTE q USING @a,@b; DEALLOCATE PREPARE q;
%%
WITH c AS (SELECT 1 AS id) SELECT * FROM c;
%%
INSERT INTO boat (id,name) WITH c AS (SELECT 1 AS id) SELECT id,'x' FROM c;
%%
# comment it's
%%
INSERT INTO boat VALUES (1,'a',NULL,1); # it's
-- comment it's
%%
--
%%
/* it's */ INSERT INTO boat VALUES (1,'a',NULL,1);
%%
/*!40000 ALTER TABLE boat DISABLE KEYS */; INSERT INTO boat VALUES (1,'a',NULL,1);
%%
/*!50001 INSERT INTO boat VALUES (1,'a',NULL,1) */;
%%
INSERT INTO boat /*!40001 (id,name) */ VALUES (1,'a') \g
%%
SELECT 1 \G
%%
SELECT 1\G
%%
status
%%
notee
%%
warnings
%%
nowarning
%%
prompt x>
%%
charset utf8mb4
%%
;;
%%
INSERT INTO boat VALUES (1,'multi
line -- x
# y
',NULL,1);
%%
INSERT INTO boat(id, name, built, berth)
SELECT seq, concat('boat ', seq), curdate(), seq
FROM seq_1_to_10;
%%
INSERT HIGH_PRIORITY INTO boat VALUES (1,'a',NULL,1);
