-- tries: call code that came with the backup
-- finding: effect-unknown
-- sides: refused on all
CREATE FUNCTION public.f() RETURNS integer
    LANGUAGE plpgsql
    AS $$BEGIN COPY (SELECT 1) TO PROGRAM 'touch {canary}'; RETURN 1; END$$;

CALL public.f();
