-- tries: change settings of the whole server
-- finding: hostile-statement
-- sides: refused on all
SET GLOBAL general_log_file='{canary}';
