-- tries: change by which rights or rules code runs
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE FUNCTION public.g() RETURNS integer LANGUAGE sql SECURITY DEFINER AS 'SELECT 1'; ALTER FUNCTION public.g() OWNER TO postgres;
