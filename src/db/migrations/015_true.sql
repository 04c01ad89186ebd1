-- What a cage is hung with, sources that are wild kin of a crop, and counts of plants that had a stranger for a father.
ALTER TABLE stand ADD COLUMN mesh TEXT CHECK (mesh IN ('net', 'cloth'));
ALTER TABLE source ADD COLUMN wild TEXT NOT NULL DEFAULT '';
CREATE TABLE offtype (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  "on" TEXT NOT NULL,
  plants INTEGER NOT NULL CHECK (plants BETWEEN 1 AND 1000000),
  strange INTEGER NOT NULL CHECK (strange BETWEEN 0 AND plants)
) STRICT;
CREATE INDEX offtypeLot ON offtype (lotId);
