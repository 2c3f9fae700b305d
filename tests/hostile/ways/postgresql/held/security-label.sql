-- tries: do what no backup asks for
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
SECURITY LABEL FOR x ON TABLE public.tide IS 'y';
