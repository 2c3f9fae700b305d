-- tries: change tables of the server itself, accounts among them
-- finding: hostile-statement
-- sides: refused on all
REPLACE INTO tide SELECT * FROM mysql.user;
