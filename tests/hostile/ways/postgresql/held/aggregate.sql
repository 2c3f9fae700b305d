-- tries: have code run whenever rows are summed up
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE FUNCTION public.f() RETURNS integer
    LANGUAGE plpgsql
    AS $$BEGIN COPY (SELECT 1) TO PROGRAM 'touch {canary}'; RETURN 1; END$$;

CREATE AGGREGATE public.a(integer) (SFUNC = public.f, STYPE = integer);
