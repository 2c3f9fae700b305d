-- tries: change tables of the server itself, accounts among them
-- finding: hostile-statement
-- sides: refused on all
REPLACE INTO mysql.user VALUES (1);
