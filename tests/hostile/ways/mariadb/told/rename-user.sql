-- tries: change who may do what on the server
-- finding: hostile-statement
-- sides: refused on all
RENAME USER root@localhost TO evil;
