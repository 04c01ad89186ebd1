-- Flowers step by step with faults that stay on them; uncertain parents; how a cross is done; notes; stored pollen.

ALTER TABLE line ADD COLUMN anthers TEXT NOT NULL DEFAULT 'as-species' CHECK (anthers IN ('as-species', 'yes', 'no'));

ALTER TABLE stand ADD COLUMN cutBack TEXT CHECK (cutBack > sown);

ALTER TABLE cross ADD COLUMN method TEXT;
ALTER TABLE cross ADD COLUMN perEvening INTEGER NOT NULL DEFAULT 6 CHECK (perEvening BETWEEN 1 AND 500);
ALTER TABLE cross ADD COLUMN note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 4000);
-- Pollen that is gathered and kept until the mother flowers: how, and since when once it is done.
ALTER TABLE cross ADD COLUMN storage TEXT CHECK (storage IN ('room', 'fridge', 'freezer'));
ALTER TABLE cross ADD COLUMN storedOn TEXT CHECK (storedOn IS NULL OR storage IS NOT NULL);

-- Fruit of flowers with a fault: what the doubt is. Such a lot is never the cross's own seed.
ALTER TABLE lot ADD COLUMN doubt TEXT;

-- The checks of a table can't be altered: the table is made anew and its rows carried over as they are.
CREATE TABLE flowerAnew (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  crossId INTEGER NOT NULL REFERENCES cross (id),
  number INTEGER NOT NULL CHECK (number > 0),
  state TEXT NOT NULL CHECK (
    state IN ('covered', 'gathered', 'pollinated', 'uncovered', 'set', 'failed', 'lost', 'harvested', 'unusable')
  ),
  coveredOn TEXT NOT NULL,
  pollinatedOn TEXT CHECK (pollinatedOn >= coveredOn),
  males INTEGER CHECK (males BETWEEN 1 AND 1000),
  checkedOn TEXT,
  fault TEXT CHECK (fault IN ('found-open', 'limp', 'torn-bag', 'wrong-father', 'unsure')),
  lotId INTEGER REFERENCES lot (id),
  version INTEGER NOT NULL DEFAULT 1,
  plantId INTEGER REFERENCES plant (id),
  gatheredOn TEXT CHECK (gatheredOn >= coveredOn),
  pollinatedAt TEXT CHECK (pollinatedAt GLOB '[0-2][0-9]:[0-5][0-9]'),
  passes INTEGER NOT NULL DEFAULT 0 CHECK (passes >= 0),
  lastPass TEXT CHECK (lastPass >= pollinatedOn),
  bud TEXT CHECK (bud IN ('early', 'right', 'late')),
  uncoveredOn TEXT CHECK (uncoveredOn >= coveredOn),
  lostWhy TEXT CHECK (length(lostWhy) BETWEEN 1 AND 200),
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 500),
  UNIQUE (crossId, number),
  CHECK (state <> 'unusable' OR fault IS NOT NULL),
  CHECK ((state = 'lost') = (lostWhy IS NOT NULL)),
  CHECK ((state = 'harvested') = (lotId IS NOT NULL))
) STRICT;
INSERT INTO flowerAnew
  (id, crossId, number, state, coveredOn, pollinatedOn, males, checkedOn, fault, lotId, version, passes, lastPass)
  SELECT id, crossId, number, state, coveredOn, pollinatedOn, males, checkedOn, fault, lotId, version,
    pollinatedOn IS NOT NULL, pollinatedOn
  FROM flower;
-- Numbers given before stay given, also those of flowers that were undone.
DELETE FROM sqlite_sequence WHERE name = 'flowerAnew';
INSERT INTO sqlite_sequence (name, seq) SELECT 'flowerAnew', seq FROM sqlite_sequence WHERE name = 'flower';
DROP TABLE flower;
ALTER TABLE flowerAnew RENAME TO flower;
CREATE INDEX flowerState ON flower (state, crossId);
CREATE INDEX flowerLot ON flower (lotId);
CREATE INDEX flowerPlant ON flower (plantId);
-- What set rates learn from, read without the rows.
CREATE INDEX flowerOutcome ON flower (crossId, pollinatedAt, state, checkedOn) WHERE fault IS NULL;
CREATE INDEX flowerTally ON flower (crossId, state, fault);

-- Who may have been a parent, and with what share: of a cross (several fathers' pollen mixed), of one flower, of a lot.
-- Without a stand it is a stranger.
CREATE TABLE candidate (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  crossId INTEGER REFERENCES cross (id),
  flowerId INTEGER REFERENCES flower (id),
  lotId INTEGER REFERENCES lot (id),
  role TEXT NOT NULL CHECK (role IN ('mother', 'father')),
  standId INTEGER REFERENCES stand (id),
  plantId INTEGER REFERENCES plant (id),
  share REAL NOT NULL CHECK (share > 0 AND share <= 1),
  version INTEGER NOT NULL DEFAULT 1,
  CHECK ((crossId IS NOT NULL) + (flowerId IS NOT NULL) + (lotId IS NOT NULL) = 1),
  CHECK (plantId IS NULL OR standId IS NOT NULL)
) STRICT;
CREATE INDEX candidateCross ON candidate (crossId) WHERE crossId IS NOT NULL;
CREATE INDEX candidateFlower ON candidate (flowerId) WHERE flowerId IS NOT NULL;
CREATE INDEX candidateLot ON candidate (lotId) WHERE lotId IS NOT NULL;
