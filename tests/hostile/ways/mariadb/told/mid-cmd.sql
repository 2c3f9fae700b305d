-- tries: put a client's command behind a statement
-- finding: hostile-statement
-- sides: refused on all
SELECT 1; \! touch /tmp/x
