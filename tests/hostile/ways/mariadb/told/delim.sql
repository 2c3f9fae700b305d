-- tries: hide a statement behind another delimiter
-- finding: hostile-statement
-- sides: refused on all
DELIMITER x
\! touch {canary}
x
