-- tries: change tables of the server itself, accounts among them
-- finding: hostile-statement
-- sides: refused on all
ALTER TABLE mysql.user ADD x int;
