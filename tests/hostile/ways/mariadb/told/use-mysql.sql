-- tries: change tables of the server itself, accounts among them
-- finding: hostile-statement
-- sides: refused on all
USE mysql;
DELETE FROM user;
