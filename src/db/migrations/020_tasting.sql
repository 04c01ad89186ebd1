-- Tastings: plants served blind, under codes, to tasters who are numbers and no names.
CREATE TABLE tasting (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  standId TEXT NOT NULL REFERENCES stand (id),
  yardstickId TEXT NOT NULL REFERENCES yardstick (id),
  heldOn TEXT NOT NULL,
  tasters INTEGER NOT NULL CHECK (tasters BETWEEN 1 AND 40),
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 500),
  closedOn TEXT
) STRICT;
CREATE INDEX tastingStand ON tasting (standId);
CREATE TABLE serving (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  tastingId TEXT NOT NULL REFERENCES tasting (id),
  plantId TEXT NOT NULL REFERENCES plant (id),
  code TEXT NOT NULL CHECK (length(code) = 3),
  UNIQUE (tastingId, code),
  UNIQUE (tastingId, plantId)
) STRICT;
CREATE INDEX servingPlant ON serving (plantId);
CREATE TABLE bite (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  servingId TEXT NOT NULL REFERENCES serving (id),
  taster INTEGER NOT NULL CHECK (taster BETWEEN 1 AND 40),
  number INTEGER CHECK (number BETWEEN 1 AND 9),
  bitter INTEGER NOT NULL DEFAULT 0 CHECK (bitter IN (0, 1)),
  UNIQUE (servingId, taster),
  CHECK (number IS NOT NULL OR bitter = 1)
) STRICT;
