-- tries: change who may do what on the server
-- finding: hostile-statement
-- sides: refused on all
SET PASSWORD FOR root@localhost = PASSWORD('x');
