-- tries: have code run at every definition that follows
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE FUNCTION public.f() RETURNS event_trigger
    LANGUAGE plpgsql
    AS $$BEGIN COPY (SELECT 1) TO PROGRAM 'touch {canary}'; END$$;

CREATE EVENT TRIGGER e ON ddl_command_end EXECUTE FUNCTION public.f();
