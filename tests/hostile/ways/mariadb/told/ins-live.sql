-- tries: destroy or change another database
-- finding: table-undefined
-- sides: refused on all
INSERT INTO live.boats VALUES (1);
