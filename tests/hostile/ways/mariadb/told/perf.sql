-- tries: change tables of the server itself, accounts among them
-- finding: hostile-statement
-- sides: refused on all
UPDATE performance_schema.setup_consumers SET enabled='NO';
