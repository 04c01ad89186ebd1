-- Males made ready at the father for the next step of the mother's flowers, when, and when they were cut or fetched; and
-- since when no more flowers are to be done.
ALTER TABLE cross ADD COLUMN males INTEGER CHECK (males > 0);
ALTER TABLE cross ADD COLUMN malesOn TEXT;
ALTER TABLE cross ADD COLUMN fetchedOn TEXT;
ALTER TABLE cross ADD COLUMN overOn TEXT;

-- Which sex opened first, where flowers or plants are of one sex; and how many of each sex stand.
ALTER TABLE stand ADD COLUMN firstSex TEXT CHECK (firstSex IN ('male', 'female'));
ALTER TABLE stand ADD COLUMN males INTEGER CHECK (males >= 0);
ALTER TABLE stand ADD COLUMN females INTEGER CHECK (females >= 0);

-- Lines and yardsticks can be finished with, and brought back.
ALTER TABLE line ADD COLUMN endedOn TEXT;
ALTER TABLE line ADD COLUMN ending TEXT CHECK (ending IN ('finished', 'given-up', 'lost'));
ALTER TABLE line ADD COLUMN endedWhy TEXT NOT NULL DEFAULT '';
ALTER TABLE yardstick ADD COLUMN retiredOn TEXT;

-- What was noted of something, on a day.
CREATE TABLE note (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lineId TEXT REFERENCES line (id),
  standId TEXT REFERENCES stand (id),
  plantId TEXT REFERENCES plant (id),
  bedId TEXT REFERENCES bed (id),
  lotId TEXT REFERENCES lot (id),
  crossId TEXT REFERENCES cross (id),
  "on" TEXT NOT NULL,
  words TEXT NOT NULL CHECK (length(words) BETWEEN 1 AND 2000),
  CHECK ((lineId IS NOT NULL) + (standId IS NOT NULL) + (plantId IS NOT NULL) + (bedId IS NOT NULL)
    + (lotId IS NOT NULL) + (crossId IS NOT NULL) = 1)
) STRICT;
CREATE INDEX noteLine ON note (lineId) WHERE lineId IS NOT NULL;
CREATE INDEX noteStand ON note (standId) WHERE standId IS NOT NULL;
CREATE INDEX notePlant ON note (plantId) WHERE plantId IS NOT NULL;
CREATE INDEX noteBed ON note (bedId) WHERE bedId IS NOT NULL;
CREATE INDEX noteLot ON note (lotId) WHERE lotId IS NOT NULL;
CREATE INDEX noteCross ON note (crossId) WHERE crossId IS NOT NULL;

-- Fruit can be brought in before its seed is counted.
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
  -- Fruit of flowers with a fault: what the doubt is. Such a lot is never the cross's own seed.
  doubt TEXT,
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 500),
  CHECK (seeds IS NOT NULL OR mass IS NOT NULL OR fruits IS NOT NULL)
) STRICT;
INSERT INTO lotAnew SELECT id, version, code, lineId, kind, generation, crossId, motherStandId, motherPlantId, gathered, fruits,
  seeds, mass, doubt, note FROM lot;
DROP TABLE lot;
ALTER TABLE lotAnew RENAME TO lot;
CREATE INDEX lotLine ON lot (lineId);
CREATE INDEX lotCross ON lot (crossId);
CREATE INDEX lotMotherStand ON lot (motherStandId);
CREATE INDEX lotMotherPlant ON lot (motherPlantId);
CREATE INDEX lotGathered ON lot (gathered);

-- The list of acts is kept with the record, so that a new one needs no new table.
CREATE TABLE deedAnew (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  standId TEXT NOT NULL REFERENCES stand (id),
  act TEXT NOT NULL,
  how TEXT NOT NULL CHECK (how IN ('done', 'put-off', 'cannot', 'never')),
  "on" TEXT NOT NULL,
  until TEXT,
  counted INTEGER CHECK (counted >= 0),
  why TEXT NOT NULL DEFAULT ''
) STRICT;
INSERT INTO deedAnew SELECT id, version, standId, act, how, "on", until, counted, why FROM deed;
DROP TABLE deed;
ALTER TABLE deedAnew RENAME TO deed;
CREATE INDEX deedStand ON deed (standId, "on");

-- A neighbour is to be asked, and when it was done; what he said stands in agreedSeason.
ALTER TABLE source ADD COLUMN askSeason INTEGER;
ALTER TABLE source ADD COLUMN askedOn TEXT;

-- A stand whose plants lived on through a winter, in the house or where they stood: the stand of the season before.
ALTER TABLE stand ADD COLUMN continuesId TEXT REFERENCES stand (id);
ALTER TABLE stand ADD COLUMN wintering TEXT CHECK (wintering IN ('house', 'outside'));
CREATE INDEX standContinues ON stand (continuesId) WHERE continuesId IS NOT NULL;
