-- tries: destroy or change another database
-- finding: statement-unclear
-- sides: refused on all
ALTER TABLE tide EXCHANGE PARTITION p WITH TABLE live.t;
