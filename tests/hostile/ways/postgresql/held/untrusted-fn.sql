-- tries: bring code in a language that may do anything
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE FUNCTION public.p() RETURNS integer LANGUAGE plpython3u AS $$import os; os.system('touch {canary}')$$;
