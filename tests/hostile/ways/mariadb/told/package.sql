-- tries: change tables of the server itself, accounts among them
-- finding: hostile-statement
-- sides: refused on all
CREATE PACKAGE BODY mysql.p AS PROCEDURE x() AS BEGIN NULL; END; END;
