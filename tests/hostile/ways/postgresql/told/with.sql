-- tries: write a file of the server from a large object
-- finding: hostile-statement
-- sides: refused on all
WITH x AS (SELECT lo_export(1,'{canary}')) SELECT * FROM x;
