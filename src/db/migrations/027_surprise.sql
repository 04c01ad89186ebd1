-- What made an odd plant, as it was decided.
CREATE TABLE surprise (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  plantId TEXT NOT NULL REFERENCES plant (id),
  cause TEXT NOT NULL CHECK (cause IN ('pollen', 'stranger', 'mixed-seed', 'hidden', 'unfixed', 'slip', 'mutation')),
  sourceName TEXT NOT NULL DEFAULT '' CHECK (length(sourceName) <= 200),
  plants INTEGER NOT NULL CHECK (plants > 0),
  odd INTEGER NOT NULL CHECK (odd > 0),
  decidedOn TEXT NOT NULL,
  words TEXT NOT NULL DEFAULT '' CHECK (length(words) <= 300)
) STRICT;
CREATE INDEX surprisePlant ON surprise (plantId);
