-- Fruit that was picked for seed: how many, of which plant, in what state, and whether it is as its line should be.
CREATE TABLE pick (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  standId TEXT NOT NULL REFERENCES stand (id),
  plantId TEXT REFERENCES plant (id),
  lotId TEXT REFERENCES lot (id),
  "on" TEXT NOT NULL,
  fruits INTEGER NOT NULL CHECK (fruits BETWEEN 1 AND 10000),
  state TEXT NOT NULL CHECK (state IN ('sound', 'soft', 'rotting', 'dropped')),
  verdict TEXT NOT NULL CHECK (verdict IN ('matches', 'set-aside', 'uncertain')),
  why TEXT NOT NULL DEFAULT '' CHECK (length(why) <= 300)
) STRICT;
CREATE INDEX pickStand ON pick (standId, "on");
CREATE INDEX pickLot ON pick (lotId) WHERE lotId IS NOT NULL;

-- How often a stand is picked for seed, and since when it may be eaten.
ALTER TABLE stand ADD COLUMN passesWanted INTEGER CHECK (passesWanted BETWEEN 1 AND 50);
ALTER TABLE stand ADD COLUMN releasedOn TEXT;
