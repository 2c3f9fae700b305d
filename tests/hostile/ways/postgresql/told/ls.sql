-- tries: read files of the server by a function
-- finding: hostile-statement
-- sides: refused on all
SELECT * FROM pg_ls_dir('/');
