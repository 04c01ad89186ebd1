-- Yardsticks with when they are looked at and how often, what is wanted of them in full, counts, ratios and versions.
CREATE TABLE yardstickAnew (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lineId TEXT NOT NULL REFERENCES line (id),
  position INTEGER NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  kind TEXT NOT NULL CHECK (kind IN ('number', 'count', 'scale', 'category', 'yes-no', 'date', 'ratio')),
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
INSERT INTO yardstickAnew (id, version, lineId, position, name, kind, unit, lowEnd, highEnd, categories, wanted, target, targetWord, weight, retiredOn)
  SELECT id, version, lineId, position, name, kind, unit, lowEnd, highEnd, categories, wanted, target, targetWord, weight, retiredOn FROM yardstick;
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

-- A plant can be scored again, on another day or the same: repeats are kept.
CREATE TABLE scoreAnew (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  plantId TEXT NOT NULL REFERENCES plant (id),
  yardstickId TEXT NOT NULL REFERENCES yardstick (id),
  number REAL,
  word TEXT,
  scoredOn TEXT NOT NULL,
  look INTEGER NOT NULL DEFAULT 1 CHECK (look BETWEEN 1 AND 100),
  UNIQUE (plantId, yardstickId, scoredOn, look),
  CHECK ((number IS NULL) <> (word IS NULL))
) STRICT;
INSERT INTO scoreAnew (id, version, plantId, yardstickId, number, word, scoredOn)
  SELECT id, version, plantId, yardstickId, number, word, scoredOn FROM score;
DROP TABLE score;
ALTER TABLE scoreAnew RENAME TO score;
CREATE INDEX scoreYardstick ON score (yardstickId);

-- What does not belong in a line, by name, so that whoever walks the bed says the same of the same.
CREATE TABLE offkind (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lineId TEXT NOT NULL REFERENCES line (id),
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  look TEXT NOT NULL DEFAULT '' CHECK (length(look) <= 500),
  inheritance TEXT NOT NULL DEFAULT 'unknown' CHECK (inheritance IN ('recessive', 'dominant', 'unknown'))
) STRICT;
CREATE INDEX offkindLine ON offkind (lineId);
