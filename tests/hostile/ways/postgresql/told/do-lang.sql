-- tries: run an anonymous program
-- finding: hostile-statement
-- sides: refused on all
DO LANGUAGE plpgsql $$BEGIN NULL; END$$;
