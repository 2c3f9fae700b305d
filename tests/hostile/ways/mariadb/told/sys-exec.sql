-- tries: start a program by a function that libraries bring
-- finding: hostile-statement
-- sides: refused on all
SELECT sys_exec('touch x');
