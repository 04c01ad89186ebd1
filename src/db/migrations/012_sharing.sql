-- Days on which seed is shared: who comes, what is offered, who wishes for what, and what each gets.
CREATE TABLE member (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 40),
  endedOn TEXT
) STRICT;
CREATE TABLE sharing (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  "on" TEXT NOT NULL,
  mostEach INTEGER NOT NULL CHECK (mostEach BETWEEN 1 AND 200),
  allottedOn TEXT,
  closedOn TEXT
) STRICT;
CREATE TABLE offer (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  sharingId TEXT NOT NULL REFERENCES sharing (id),
  lotId TEXT NOT NULL REFERENCES lot (id),
  packets INTEGER NOT NULL CHECK (packets BETWEEN 1 AND 1000),
  each INTEGER NOT NULL CHECK (each BETWEEN 1 AND 1000000),
  UNIQUE (sharingId, lotId)
) STRICT;
CREATE TABLE wish (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  sharingId TEXT NOT NULL REFERENCES sharing (id),
  memberId TEXT NOT NULL REFERENCES member (id),
  lotId TEXT NOT NULL REFERENCES lot (id),
  rank INTEGER NOT NULL CHECK (rank BETWEEN 1 AND 200),
  granted INTEGER CHECK (granted IN (0, 1)),
  why TEXT NOT NULL DEFAULT '' CHECK (length(why) <= 200),
  returnedOn TEXT,
  returnedSeeds INTEGER CHECK (returnedSeeds > 0),
  UNIQUE (sharingId, memberId, lotId)
) STRICT;
CREATE INDEX wishLot ON wish (lotId);
