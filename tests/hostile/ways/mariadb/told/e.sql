-- tries: open an editor
-- finding: hostile-statement
-- sides: refused on all
\e
