-- tries: change tables of the server itself, accounts among them
-- finding: hostile-statement
-- sides: refused on all
UPDATE mysql.global_priv SET Priv='{}';
