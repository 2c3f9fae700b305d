-- tries: do what no backup asks for
-- finding: effect-unknown
-- sides: refused on all
CLUSTER;
