-- How a yardstick of words is inherited: by which way, which word each class shows, how near two loci lie, how often one errs.
CREATE TABLE locus (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  yardstickId TEXT NOT NULL REFERENCES yardstick (id),
  way TEXT NOT NULL CHECK (way IN ('dominant', 'between', 'each', 'both', 'either', 'hides-dominant', 'hides-recessive',
    'holds-back', 'adds-up')),
  words TEXT NOT NULL CHECK (length(words) <= 2000),
  recombination REAL NOT NULL DEFAULT 0.5 CHECK (recombination >= 0 AND recombination <= 0.5),
  error REAL NOT NULL DEFAULT 0.02 CHECK (error >= 0 AND error <= 0.4)
) STRICT;
CREATE INDEX locusYardstick ON locus (yardstickId);
