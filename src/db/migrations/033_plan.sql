-- A line's plan, generation by generation, where somebody made one; and the way of breeding that it takes.
CREATE TABLE plan (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lineId TEXT NOT NULL REFERENCES line (id),
  generation INTEGER CHECK (generation BETWEEN 1 AND 40),
  season INTEGER NOT NULL CHECK (season BETWEEN 1900 AND 2200),
  act TEXT NOT NULL,
  plants INTEGER NOT NULL CHECK (plants >= 1),
  mothers INTEGER NOT NULL CHECK (mothers >= 1),
  kept INTEGER NOT NULL CHECK (kept >= 1),
  guard TEXT NOT NULL CHECK (guard IN ('none', 'apart', 'hand'))
) STRICT;
CREATE INDEX planLine ON plan (lineId, season);
ALTER TABLE line ADD COLUMN way TEXT;
