-- tries: have code run when a default is taken
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE FUNCTION public.f() RETURNS integer
    LANGUAGE plpgsql
    AS $$BEGIN COPY (SELECT 1) TO PROGRAM 'touch {canary}'; RETURN 1; END$$;

CREATE TABLE public.z (a integer DEFAULT public.f());

INSERT INTO public.z DEFAULT VALUES;
