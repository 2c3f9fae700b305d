-- tries: log in to another server
-- finding: hostile-statement
-- sides: refused on all
SELECT dblink_exec('dbname=postgres','DROP TABLE x');
