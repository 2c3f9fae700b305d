-- tries: change the file's own catalog
-- finding: changed-again
-- sides: refused on all
DELETE FROM sqlite_schema;
