-- Places where seed lies: how warm and how dry it is there as usual, and when their desiccant was last changed.
CREATE TABLE store (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  temperature REAL NOT NULL CHECK (temperature BETWEEN -40 AND 50),
  humidity REAL NOT NULL CHECK (humidity BETWEEN 1 AND 100),
  desiccantOn TEXT,
  desiccantEvery INTEGER CHECK (desiccantEvery BETWEEN 7 AND 1500),
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 500),
  endedOn TEXT
) STRICT;

-- Since when a lot lies in a place.
CREATE TABLE stay (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  storeId TEXT NOT NULL REFERENCES store (id),
  since TEXT NOT NULL
) STRICT;
CREATE INDEX stayLot ON stay (lotId, since);
CREATE INDEX stayStore ON stay (storeId);

-- A day's air in a place, as measured.
CREATE TABLE air (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  storeId TEXT NOT NULL REFERENCES store (id),
  "on" TEXT NOT NULL,
  temperature REAL NOT NULL CHECK (temperature BETWEEN -40 AND 60),
  humidity REAL NOT NULL CHECK (humidity BETWEEN 1 AND 100),
  UNIQUE (storeId, "on")
) STRICT;

-- A germination test of a lot, and how many had come up by a day.
CREATE TABLE test (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  "on" TEXT NOT NULL,
  sown INTEGER NOT NULL CHECK (sown BETWEEN 1 AND 1000),
  warmth REAL CHECK (warmth BETWEEN 0 AND 45),
  woken INTEGER NOT NULL DEFAULT 0 CHECK (woken IN (0, 1)),
  endedOn TEXT,
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 500)
) STRICT;
CREATE INDEX testLot ON test (lotId, "on");
CREATE TABLE testCount (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  testId TEXT NOT NULL REFERENCES test (id),
  "on" TEXT NOT NULL,
  up INTEGER NOT NULL CHECK (up BETWEEN 0 AND 1000),
  UNIQUE (testId, "on")
) STRICT;

-- The share of seed that should come up, under which a lot is to be grown again.
ALTER TABLE garden ADD COLUMN aliveWanted REAL NOT NULL DEFAULT 0.6 CHECK (aliveWanted BETWEEN 0.1 AND 0.95);

-- Seeds of a lot that stay, whatever is sown; and that it is no more.
ALTER TABLE lot ADD COLUMN reserve INTEGER CHECK (reserve > 0);
ALTER TABLE lot ADD COLUMN endedOn TEXT;
ALTER TABLE lot ADD COLUMN ending TEXT CHECK (ending IN ('used-up', 'dead', 'lost', 'given', 'parted'));
