-- tries: run an anonymous program
-- finding: hostile-statement
-- sides: refused on all
DO $$BEGIN EXECUTE 'COPY (SELECT 1) TO PROGRAM ''touch {canary}'''; END$$;
