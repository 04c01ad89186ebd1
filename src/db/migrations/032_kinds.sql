-- Which kinds of trait and vessel, ways of cleaning and handlings there are stands in the program alone, which refuses others.
CREATE TABLE yardstickAnew (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lineId TEXT NOT NULL REFERENCES line (id),
  position INTEGER NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  kind TEXT NOT NULL,
  unit TEXT NOT NULL DEFAULT '',
  lowEnd TEXT NOT NULL DEFAULT '',
  highEnd TEXT NOT NULL DEFAULT '',
  categories TEXT NOT NULL DEFAULT '[]',
  wanted TEXT NOT NULL CHECK (wanted IN ('high', 'low', 'target', 'range', 'category', 'yes', 'no', 'none')),
  target REAL,
  targetWord TEXT,
  weight REAL NOT NULL DEFAULT 1 CHECK (weight BETWEEN 0 AND 10),
  retiredOn TEXT,
  stage TEXT NOT NULL DEFAULT 'any' CHECK (stage IN ('any', 'seedling', 'leaf', 'flower', 'fruit', 'harvest', 'store')),
  often TEXT NOT NULL DEFAULT 'once' CHECK (often IN ('once', 'again', 'pass')),
  drawn TEXT CHECK (drawn IN ('size', 'length', 'depth', 'spread', 'netting', 'damage')),
  low REAL,
  high REAL,
  floor REAL,
  ceiling REAL,
  must INTEGER NOT NULL DEFAULT 0 CHECK (must IN (0, 1)),
  ofId TEXT REFERENCES yardstick (id),
  byId TEXT REFERENCES yardstick (id),
  formerId TEXT REFERENCES yardstick (id),
  inherited REAL CHECK (inherited BETWEEN 0.01 AND 0.95)
) STRICT;
INSERT INTO yardstickAnew (id, version, lineId, position, name, kind, unit, lowEnd, highEnd, categories, wanted, target, targetWord, weight, retiredOn, stage, often, drawn, low, high, floor, ceiling, must, ofId, byId, formerId, inherited)
  SELECT id, version, lineId, position, name, kind, unit, lowEnd, highEnd, categories, wanted, target, targetWord, weight, retiredOn, stage, often, drawn, low, high, floor, ceiling, must, ofId, byId, formerId, inherited FROM yardstick;
DROP TABLE yardstick;
ALTER TABLE yardstickAnew RENAME TO yardstick;
CREATE INDEX yardstickLine ON yardstick (lineId, position);
CREATE TRIGGER findYardstickAdded AFTER INSERT ON yardstick BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'yardstick', new.name);
END;
CREATE TRIGGER findYardstickChanged AFTER UPDATE OF name ON yardstick BEGIN
  UPDATE findable SET words = new.name WHERE id = new.id;
END;
CREATE TRIGGER findYardstickGone AFTER DELETE ON yardstick BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

CREATE TABLE vesselAnew (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  code TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  endedOn TEXT
) STRICT;
INSERT INTO vesselAnew (id, version, code, kind, name, endedOn)
  SELECT id, version, code, kind, name, endedOn FROM vessel;
DROP TABLE vessel;
ALTER TABLE vesselAnew RENAME TO vessel;
CREATE TRIGGER findVesselAdded AFTER INSERT ON vessel BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'vessel', new.code || ' ' || replace(new.code, '-', '') || ' ' || new.name);
END;
CREATE TRIGGER findVesselChanged AFTER UPDATE OF code, name ON vessel BEGIN
  UPDATE findable SET words = new.code || ' ' || replace(new.code, '-', '') || ' ' || new.name WHERE id = new.id;
END;
CREATE TRIGGER findVesselGone AFTER DELETE ON vessel BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

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
  way TEXT,
  warmth REAL CHECK (warmth BETWEEN 0 AND 45),
  starter INTEGER NOT NULL DEFAULT 0 CHECK (starter IN (0, 1)),
  fraction TEXT CHECK (fraction IN ('first', 'later', 'sunk', 'floated', 'best', 'second-best', 'ends')),
  brokenOn TEXT,
  brokenWhy TEXT NOT NULL DEFAULT '' CHECK (length(brokenWhy) <= 300)
) STRICT;
INSERT INTO lotAnew (id, version, code, lineId, kind, generation, crossId, motherStandId, motherPlantId, gathered, fruits, seeds, mass, doubt, note, reserve, endedOn, ending, onTable, vesselId, way, warmth, starter, fraction, brokenOn, brokenWhy)
  SELECT id, version, code, lineId, kind, generation, crossId, motherStandId, motherPlantId, gathered, fruits, seeds, mass, doubt, note, reserve, endedOn, ending, onTable, vesselId, way, warmth, starter, fraction, brokenOn, brokenWhy FROM lot;
DROP TABLE lot;
ALTER TABLE lotAnew RENAME TO lot;
CREATE INDEX lotLine ON lot (lineId);
CREATE INDEX lotCross ON lot (crossId);
CREATE INDEX lotMotherStand ON lot (motherStandId);
CREATE INDEX lotMotherPlant ON lot (motherPlantId);
CREATE INDEX lotGathered ON lot (gathered);
CREATE INDEX lotVessel ON lot (vesselId) WHERE vesselId IS NOT NULL;
CREATE INDEX lotOnTable ON lot (onTable) WHERE onTable = 1;
CREATE TRIGGER findLotAdded AFTER INSERT ON lot BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'lot', new.code || ' ' || replace(new.code, '-', '') || ' ' || new.note);
END;
CREATE TRIGGER findLotChanged AFTER UPDATE OF code, note ON lot BEGIN
  UPDATE findable SET words = new.code || ' ' || replace(new.code, '-', '') || ' ' || new.note WHERE id = new.id;
END;
CREATE TRIGGER findLotGone AFTER DELETE ON lot BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

CREATE TABLE handlingAnew (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  act TEXT NOT NULL,
  "on" TEXT NOT NULL,
  at TEXT,
  value REAL CHECK (value >= 0),
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 300)
) STRICT;
INSERT INTO handlingAnew (id, version, lotId, act, "on", at, value, note)
  SELECT id, version, lotId, act, "on", at, value, note FROM handling;
DROP TABLE handling;
ALTER TABLE handlingAnew RENAME TO handling;
CREATE INDEX handlingLot ON handling (lotId, "on");
