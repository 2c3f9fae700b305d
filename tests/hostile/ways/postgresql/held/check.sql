-- tries: have code run when a condition is checked
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE FUNCTION public.f() RETURNS integer
    LANGUAGE plpgsql
    AS $$BEGIN COPY (SELECT 1) TO PROGRAM 'touch {canary}'; RETURN 1; END$$;

ALTER TABLE public.tide ADD CONSTRAINT c CHECK (public.f() > 0);
