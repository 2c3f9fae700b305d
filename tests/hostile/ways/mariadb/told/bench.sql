-- tries: hold the restore up
-- finding: effect-unknown
-- sides: refused on all
SELECT BENCHMARK(1e12, SHA1('x'));
