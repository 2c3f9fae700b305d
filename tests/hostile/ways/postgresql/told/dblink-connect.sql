-- tries: log in to another server
-- finding: hostile-statement
-- sides: refused on all
SELECT dblink_connect('host=/tmp');
