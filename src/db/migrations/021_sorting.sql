-- How lifted roots and bulbs were sorted, as they went into the store and as they were replanted.
CREATE TABLE sorting (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  standId TEXT NOT NULL REFERENCES stand (id),
  moment TEXT NOT NULL CHECK (moment IN ('lift', 'replant')),
  sortedOn TEXT NOT NULL,
  fit INTEGER NOT NULL CHECK (fit >= 0),
  small INTEGER NOT NULL DEFAULT 0 CHECK (small >= 0),
  large INTEGER NOT NULL DEFAULT 0 CHECK (large >= 0),
  split INTEGER NOT NULL DEFAULT 0 CHECK (split >= 0),
  odd INTEGER NOT NULL DEFAULT 0 CHECK (odd >= 0),
  bolted INTEGER NOT NULL DEFAULT 0 CHECK (bolted >= 0),
  rotten INTEGER NOT NULL DEFAULT 0 CHECK (rotten >= 0),
  bands TEXT NOT NULL DEFAULT '' CHECK (length(bands) <= 120),
  UNIQUE (standId, moment)
) STRICT;
