-- Measures in SI, calendar days as ISO text, moments as UTC text. A `version` rises with each change of its row.

CREATE TABLE garden (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  latitude REAL NOT NULL CHECK (latitude BETWEEN -90 AND 90),
  longitude REAL NOT NULL CHECK (longitude BETWEEN -180 AND 180),
  timezone TEXT NOT NULL,
  lastFrost TEXT CHECK (lastFrost GLOB '[01][0-9]-[0-3][0-9]'),
  firstFrost TEXT CHECK (firstFrost GLOB '[01][0-9]-[0-3][0-9]'),
  units TEXT NOT NULL CHECK (units IN ('metric', 'imperial')),
  care TEXT NOT NULL CHECK (care IN ('relaxed', 'usual', 'strict')),
  asOf TEXT CHECK (asOf GLOB '[0-9][0-9][0-9][0-9]-[01][0-9]-[0-3][0-9]'),
  demo INTEGER NOT NULL DEFAULT 0 CHECK (demo IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE bed (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  name TEXT NOT NULL UNIQUE CHECK (length(name) BETWEEN 1 AND 120),
  x REAL NOT NULL,
  y REAL NOT NULL,
  width REAL NOT NULL CHECK (width > 0),
  length REAL NOT NULL CHECK (length > 0),
  outside INTEGER NOT NULL DEFAULT 0 CHECK (outside IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE line (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  code TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  species TEXT NOT NULL,
  school TEXT NOT NULL CHECK (school IN ('keep-pure', 'cross-and-fix', 'let-it-mix')),
  status TEXT NOT NULL CHECK (status IN ('open-pollinated', 'f1-hybrid', 'breeding-line', 'mix', 'wild')),
  origin TEXT NOT NULL DEFAULT '',
  year INTEGER,
  description TEXT NOT NULL DEFAULT '',
  motherLineId INTEGER REFERENCES line (id),
  fatherLineId INTEGER REFERENCES line (id),
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (species, name)
) STRICT;
CREATE INDEX lineMother ON line (motherLineId);
CREATE INDEX lineFather ON line (fatherLineId);

CREATE TABLE stand (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  code TEXT NOT NULL UNIQUE,
  lineId INTEGER NOT NULL REFERENCES line (id),
  lotId INTEGER REFERENCES lot (id),
  bedId INTEGER REFERENCES bed (id),
  season INTEGER NOT NULL,
  generation INTEGER CHECK (generation BETWEEN 1 AND 40),
  sown TEXT NOT NULL,
  sowedSeeds INTEGER CHECK (sowedSeeds > 0),
  cameUp INTEGER CHECK (cameUp BETWEEN 0 AND sowedSeeds),
  plants INTEGER CHECK (plants >= 0),
  firstFlower TEXT,
  flowers TEXT NOT NULL DEFAULT 'open' CHECK (flowers IN ('open', 'covered', 'hand', 'removed')),
  seedWanted INTEGER NOT NULL DEFAULT 1 CHECK (seedWanted IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1,
  CHECK (firstFlower IS NULL OR firstFlower > sown),
  CHECK (plants IS NULL OR cameUp IS NULL OR plants <= cameUp)
) STRICT;
CREATE INDEX standSeason ON stand (season);
CREATE INDEX standLine ON stand (lineId, season);
CREATE INDEX standBed ON stand (bedId);
CREATE INDEX standLot ON stand (lotId);

CREATE TABLE plant (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  standId INTEGER NOT NULL REFERENCES stand (id),
  number INTEGER NOT NULL CHECK (number > 0),
  mark TEXT NOT NULL DEFAULT 'none' CHECK (mark IN ('none', 'keep', 'seed-parent', 'watch', 'out')),
  reason TEXT NOT NULL DEFAULT '' CHECK (length(reason) <= 500),
  removedOn TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (standId, number)
) STRICT;
CREATE INDEX plantOut ON plant (standId) WHERE mark = 'out' AND removedOn IS NULL;

CREATE TABLE yardstick (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  lineId INTEGER NOT NULL REFERENCES line (id),
  position INTEGER NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  kind TEXT NOT NULL CHECK (kind IN ('number', 'scale', 'category', 'yes-no', 'date')),
  unit TEXT NOT NULL DEFAULT '',
  lowEnd TEXT NOT NULL DEFAULT '',
  highEnd TEXT NOT NULL DEFAULT '',
  categories TEXT NOT NULL DEFAULT '[]',
  wanted TEXT NOT NULL CHECK (wanted IN ('high', 'low', 'target', 'category', 'yes', 'no')),
  target REAL,
  targetWord TEXT,
  weight REAL NOT NULL DEFAULT 1 CHECK (weight BETWEEN 0 AND 10),
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (lineId, name)
) STRICT;

-- A date is kept as days from sowing to it, so that plants sown on different days compare.
CREATE TABLE score (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  plantId INTEGER NOT NULL REFERENCES plant (id),
  yardstickId INTEGER NOT NULL REFERENCES yardstick (id),
  number REAL,
  word TEXT,
  scoredOn TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (plantId, yardstickId),
  CHECK ((number IS NULL) <> (word IS NULL))
) STRICT;
CREATE INDEX scoreYardstick ON score (yardstickId);

CREATE TABLE cross (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  code TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL CHECK (kind IN ('cross', 'self', 'intercross')),
  season INTEGER NOT NULL,
  lineId INTEGER NOT NULL REFERENCES line (id),
  generation INTEGER CHECK (generation BETWEEN 1 AND 40),
  motherStandId INTEGER NOT NULL REFERENCES stand (id),
  fatherStandId INTEGER NOT NULL REFERENCES stand (id),
  motherPlantId INTEGER REFERENCES plant (id),
  fatherPlantId INTEGER REFERENCES plant (id),
  fruitsWanted INTEGER NOT NULL CHECK (fruitsWanted > 0),
  seedsWanted INTEGER CHECK (seedsWanted > 0),
  seedsPerFruit INTEGER CHECK (seedsPerFruit > 0),
  setLow REAL NOT NULL CHECK (setLow > 0),
  setLikely REAL NOT NULL,
  setHigh REAL NOT NULL CHECK (setHigh <= 1),
  confidence REAL NOT NULL CHECK (confidence BETWEEN 0.5 AND 0.999),
  plannedOn TEXT NOT NULL,
  closed INTEGER NOT NULL DEFAULT 0 CHECK (closed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1,
  CHECK (setLow <= setLikely AND setLikely <= setHigh)
) STRICT;
CREATE INDEX crossSeason ON cross (season, closed);
CREATE INDEX crossMother ON cross (motherStandId);
CREATE INDEX crossFather ON cross (fatherStandId);

CREATE TABLE flower (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  crossId INTEGER NOT NULL REFERENCES cross (id),
  number INTEGER NOT NULL CHECK (number > 0),
  state TEXT NOT NULL CHECK (state IN ('covered', 'pollinated', 'unusable', 'set', 'failed', 'harvested')),
  coveredOn TEXT NOT NULL,
  pollinatedOn TEXT,
  males INTEGER CHECK (males BETWEEN 1 AND 50),
  checkedOn TEXT,
  fault TEXT CHECK (fault IN ('found-open', 'limp', 'torn-bag')),
  lotId INTEGER REFERENCES lot (id),
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (crossId, number),
  CHECK ((state = 'unusable') = (fault IS NOT NULL)),
  CHECK ((state = 'harvested') = (lotId IS NOT NULL))
) STRICT;
CREATE INDEX flowerState ON flower (state, crossId);
CREATE INDEX flowerLot ON flower (lotId);

CREATE TABLE lot (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  code TEXT NOT NULL UNIQUE,
  lineId INTEGER NOT NULL REFERENCES line (id),
  kind TEXT NOT NULL CHECK (kind IN ('cross', 'self', 'intercross', 'open', 'received')),
  generation INTEGER CHECK (generation BETWEEN 1 AND 40),
  crossId INTEGER REFERENCES cross (id),
  motherStandId INTEGER REFERENCES stand (id),
  motherPlantId INTEGER REFERENCES plant (id),
  gathered TEXT NOT NULL,
  fruits INTEGER CHECK (fruits > 0),
  seeds INTEGER CHECK (seeds > 0),
  mass REAL CHECK (mass > 0),
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 500),
  version INTEGER NOT NULL DEFAULT 1,
  CHECK (seeds IS NOT NULL OR mass IS NOT NULL)
) STRICT;
CREATE INDEX lotLine ON lot (lineId);
CREATE INDEX lotCross ON lot (crossId);
CREATE INDEX lotMotherStand ON lot (motherStandId);
CREATE INDEX lotMotherPlant ON lot (motherPlantId);

CREATE TABLE journal (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  at TEXT NOT NULL,
  day TEXT NOT NULL,
  command TEXT NOT NULL,
  summary TEXT NOT NULL,
  request TEXT UNIQUE,
  outcome TEXT NOT NULL,
  undoes INTEGER REFERENCES journal (id),
  undone INTEGER NOT NULL DEFAULT 0 CHECK (undone IN (0, 1))
) STRICT;

CREATE TABLE journalChange (
  entry INTEGER NOT NULL REFERENCES journal (id),
  seq INTEGER NOT NULL,
  tableName TEXT NOT NULL,
  rowId INTEGER NOT NULL,
  before TEXT,
  after TEXT,
  PRIMARY KEY (entry, seq)
) STRICT, WITHOUT ROWID;
CREATE INDEX journalRow ON journalChange (tableName, rowId);

-- The last running number given for a kind of code in a year. Undo never takes one back: a printed tag keeps its number.
CREATE TABLE serial (
  kind TEXT NOT NULL,
  year INTEGER NOT NULL,
  last INTEGER NOT NULL,
  PRIMARY KEY (kind, year)
) STRICT, WITHOUT ROWID;
