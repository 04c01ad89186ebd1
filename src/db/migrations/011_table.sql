-- Vessels, strainers and machines with tags of their own.
CREATE TABLE vessel (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  code TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL CHECK (kind IN ('crate', 'bag', 'cup', 'strainer', 'machine', 'tray', 'plate', 'jar')),
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  endedOn TEXT
) STRICT;

-- A lot may stand on the table before its seed is counted: how it is cleaned, where it is, and whether its chain broke.
CREATE TABLE lotAnew (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  code TEXT NOT NULL UNIQUE,
  lineId TEXT NOT NULL REFERENCES line (id),
  kind TEXT NOT NULL CHECK (kind IN ('cross', 'self', 'intercross', 'open', 'received')),
  generation INTEGER CHECK (generation BETWEEN 1 AND 40),
  crossId TEXT REFERENCES cross (id),
  motherStandId TEXT REFERENCES stand (id),
  motherPlantId TEXT REFERENCES plant (id),
  gathered TEXT NOT NULL,
  fruits INTEGER CHECK (fruits > 0),
  seeds INTEGER CHECK (seeds > 0),
  mass REAL CHECK (mass > 0),
  doubt TEXT,
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 500),
  reserve INTEGER CHECK (reserve > 0),
  endedOn TEXT,
  ending TEXT CHECK (ending IN ('used-up', 'dead', 'lost', 'given', 'parted')),
  onTable INTEGER NOT NULL DEFAULT 0 CHECK (onTable IN (0, 1)),
  vesselId TEXT REFERENCES vessel (id),
  way TEXT CHECK (way IN ('thresh', 'bag', 'rub', 'shell', 'scoop', 'rinse', 'ferment', 'blender')),
  warmth REAL CHECK (warmth BETWEEN 0 AND 45),
  starter INTEGER NOT NULL DEFAULT 0 CHECK (starter IN (0, 1)),
  fraction TEXT CHECK (fraction IN ('first', 'later', 'sunk', 'floated', 'best', 'second-best', 'ends')),
  brokenOn TEXT,
  brokenWhy TEXT NOT NULL DEFAULT '' CHECK (length(brokenWhy) <= 300)
) STRICT;
INSERT INTO lotAnew (id, version, code, lineId, kind, generation, crossId, motherStandId, motherPlantId, gathered, fruits,
    seeds, mass, doubt, note, reserve, endedOn, ending)
  SELECT id, version, code, lineId, kind, generation, crossId, motherStandId, motherPlantId, gathered, fruits,
    seeds, mass, doubt, note, reserve, endedOn, ending FROM lot;
DROP TABLE lot;
ALTER TABLE lotAnew RENAME TO lot;
CREATE INDEX lotLine ON lot (lineId);
CREATE INDEX lotCross ON lot (crossId);
CREATE INDEX lotMotherStand ON lot (motherStandId);
CREATE INDEX lotMotherPlant ON lot (motherPlantId);
CREATE INDEX lotGathered ON lot (gathered);
CREATE INDEX lotVessel ON lot (vesselId) WHERE vesselId IS NOT NULL;
CREATE INDEX lotOnTable ON lot (onTable) WHERE onTable = 1;

-- A share of one lot that is in another: taken out of it, or put together with others.
CREATE TABLE part (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  fromId TEXT NOT NULL REFERENCES lot (id),
  share REAL NOT NULL CHECK (share > 0 AND share <= 1),
  UNIQUE (lotId, fromId)
) STRICT;
CREATE INDEX partFrom ON part (fromId);

-- From which vessel into which a lot went, none where it came from the plant; and when what it left there was cleaned away.
CREATE TABLE move (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  fromVesselId TEXT REFERENCES vessel (id),
  toVesselId TEXT REFERENCES vessel (id),
  "on" TEXT NOT NULL,
  at TEXT,
  cleanedOn TEXT,
  cleanedBy TEXT NOT NULL DEFAULT '' CHECK (length(cleanedBy) <= 40)
) STRICT;
CREATE INDEX moveLot ON move (lotId, "on");
CREATE INDEX moveInto ON move (toVesselId) WHERE cleanedOn IS NULL;

-- What was done with a lot on the table, and what was read off: rinses, grams, whether a nail left a dent.
CREATE TABLE handling (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  act TEXT NOT NULL CHECK (act IN ('open', 'thresh', 'stir', 'rinse', 'float', 'sieve', 'winnow', 'spread', 'turn', 'weigh',
    'nail', 'snap', 'freeze', 'thaw')),
  "on" TEXT NOT NULL,
  at TEXT,
  value REAL CHECK (value >= 0),
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 300)
) STRICT;
CREATE INDEX handlingLot ON handling (lotId, "on");

-- Counted samples that were weighed.
CREATE TABLE sample (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  seeds INTEGER NOT NULL CHECK (seeds BETWEEN 1 AND 100000),
  mass REAL NOT NULL CHECK (mass > 0)
) STRICT;
CREATE INDEX sampleLot ON sample (lotId);

-- Packets of a lot.
CREATE TABLE packet (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  number INTEGER NOT NULL CHECK (number BETWEEN 1 AND 10000),
  seeds INTEGER CHECK (seeds > 0),
  storeId TEXT REFERENCES store (id),
  reserve INTEGER NOT NULL DEFAULT 0 CHECK (reserve IN (0, 1)),
  madeOn TEXT NOT NULL,
  goneOn TEXT,
  goneTo TEXT NOT NULL DEFAULT '' CHECK (length(goneTo) <= 120),
  UNIQUE (lotId, number)
) STRICT;
