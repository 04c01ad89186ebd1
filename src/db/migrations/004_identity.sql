-- Every row under an id made where it was written, its version the op that wrote it last; an append-only journal of ops
-- that keep only the columns they changed; names that may be had twice; code numbers leased to devices in ranges.
-- The tables are made anew; the rows come over in identity.ts.

CREATE TABLE garden (
  id TEXT PRIMARY KEY CHECK (id = 'garden'),
  version TEXT NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  latitude REAL NOT NULL CHECK (latitude BETWEEN -90 AND 90),
  longitude REAL NOT NULL CHECK (longitude BETWEEN -180 AND 180),
  timezone TEXT NOT NULL,
  lastFrost TEXT CHECK (lastFrost GLOB '[01][0-9]-[0-3][0-9]'),
  firstFrost TEXT CHECK (firstFrost GLOB '[01][0-9]-[0-3][0-9]'),
  units TEXT NOT NULL CHECK (units IN ('metric', 'imperial')),
  care TEXT NOT NULL CHECK (care IN ('relaxed', 'usual', 'strict')),
  -- The day on which a device begins that has none of its own; a demo garden's.
  asOf TEXT CHECK (asOf GLOB '[0-9][0-9][0-9][0-9]-[01][0-9]-[0-3][0-9]'),
  demo INTEGER NOT NULL DEFAULT 0 CHECK (demo IN (0, 1)),
  windFrom REAL CHECK (windFrom >= 0 AND windFrom < 360),
  -- A real station could be named here; the simulated one ships with the program and is never on by itself.
  station TEXT NOT NULL DEFAULT 'none' CHECK (station IN ('none', 'simulated')),
  -- The chance of ripening before frost that a sowing must have to be proposed.
  ripeWanted REAL NOT NULL DEFAULT 0.8 CHECK (ripeWanted BETWEEN 0.5 AND 0.99)
) STRICT;

CREATE TABLE bed (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  x REAL NOT NULL,
  y REAL NOT NULL,
  width REAL NOT NULL CHECK (width > 0),
  length REAL NOT NULL CHECK (length > 0),
  turn REAL NOT NULL DEFAULT 0 CHECK (turn >= 0 AND turn < 360),
  outside INTEGER NOT NULL DEFAULT 0 CHECK (outside IN (0, 1))
) STRICT;

CREATE TABLE line (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  code TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  species TEXT NOT NULL,
  school TEXT NOT NULL CHECK (school IN ('keep-pure', 'cross-and-fix', 'let-it-mix')),
  status TEXT NOT NULL CHECK (status IN ('open-pollinated', 'f1-hybrid', 'breeding-line', 'mix', 'wild')),
  origin TEXT NOT NULL DEFAULT '',
  year INTEGER,
  description TEXT NOT NULL DEFAULT '',
  purity REAL CHECK (purity > 0 AND purity < 1),
  harm TEXT NOT NULL DEFAULT 'none' CHECK (harm IN ('none', 'bitter', 'hot', 'male-sterile')),
  anthers TEXT NOT NULL DEFAULT 'as-species' CHECK (anthers IN ('as-species', 'yes', 'no')),
  motherLineId TEXT REFERENCES line (id),
  fatherLineId TEXT REFERENCES line (id)
) STRICT;
CREATE INDEX lineName ON line (name);
CREATE INDEX lineMother ON line (motherLineId);
CREATE INDEX lineFather ON line (fatherLineId);

CREATE TABLE stand (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  code TEXT NOT NULL UNIQUE,
  lineId TEXT NOT NULL REFERENCES line (id),
  lotId TEXT REFERENCES lot (id),
  bedId TEXT REFERENCES bed (id),
  season INTEGER NOT NULL,
  generation INTEGER CHECK (generation BETWEEN 1 AND 40),
  -- Whether its plants carry numbers of their own.
  family INTEGER NOT NULL DEFAULT 0 CHECK (family IN (0, 1)),
  sown TEXT NOT NULL,
  sowedSeeds INTEGER CHECK (sowedSeeds > 0),
  cameUp INTEGER CHECK (cameUp BETWEEN 0 AND sowedSeeds),
  plants INTEGER CHECK (plants >= 0),
  plantedOut TEXT CHECK (plantedOut >= sown),
  overwinter TEXT CHECK (overwinter IN ('lifted', 'left', 'late-sown')),
  spacing REAL CHECK (spacing > 0),
  rowCount INTEGER CHECK (rowCount > 0),
  firstFlower TEXT,
  cutBack TEXT CHECK (cutBack > sown),
  flowers TEXT NOT NULL DEFAULT 'open' CHECK (flowers IN ('open', 'covered', 'hand', 'removed')),
  cover TEXT CHECK (cover IN ('bags', 'cage', 'alternate-cages')),
  removeEvery INTEGER CHECK (removeEvery BETWEEN 1 AND 30),
  saveFrom INTEGER CHECK (saveFrom > 0),
  seedWanted INTEGER NOT NULL DEFAULT 1 CHECK (seedWanted IN (0, 1)),
  CHECK (firstFlower IS NULL OR firstFlower > sown),
  CHECK (plants IS NULL OR cameUp IS NULL OR plants <= cameUp)
) STRICT;
CREATE INDEX standSeason ON stand (season);
CREATE INDEX standLine ON stand (lineId, season);
CREATE INDEX standBed ON stand (bedId);
CREATE INDEX standLot ON stand (lotId);
CREATE INDEX standFamily ON stand (season) WHERE family = 1;

CREATE TABLE plant (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  standId TEXT NOT NULL REFERENCES stand (id),
  number INTEGER NOT NULL CHECK (number > 0),
  mark TEXT NOT NULL DEFAULT 'none' CHECK (mark IN ('none', 'keep', 'seed-parent', 'watch', 'out')),
  reason TEXT NOT NULL DEFAULT '' CHECK (length(reason) <= 500),
  removedOn TEXT,
  UNIQUE (standId, number)
) STRICT;
CREATE INDEX plantOut ON plant (standId) WHERE mark = 'out' AND removedOn IS NULL;

CREATE TABLE yardstick (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lineId TEXT NOT NULL REFERENCES line (id),
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
  weight REAL NOT NULL DEFAULT 1 CHECK (weight BETWEEN 0 AND 10)
) STRICT;
CREATE INDEX yardstickLine ON yardstick (lineId, position);

-- A date is kept as days from sowing to it, so that plants sown on different days compare.
CREATE TABLE score (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  plantId TEXT NOT NULL REFERENCES plant (id),
  yardstickId TEXT NOT NULL REFERENCES yardstick (id),
  number REAL,
  word TEXT,
  scoredOn TEXT NOT NULL,
  UNIQUE (plantId, yardstickId),
  CHECK ((number IS NULL) <> (word IS NULL))
) STRICT;
CREATE INDEX scoreYardstick ON score (yardstickId);

CREATE TABLE cross (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  code TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL CHECK (kind IN ('cross', 'self', 'intercross')),
  season INTEGER NOT NULL,
  lineId TEXT NOT NULL REFERENCES line (id),
  generation INTEGER CHECK (generation BETWEEN 1 AND 40),
  motherStandId TEXT NOT NULL REFERENCES stand (id),
  fatherStandId TEXT NOT NULL REFERENCES stand (id),
  motherPlantId TEXT REFERENCES plant (id),
  fatherPlantId TEXT REFERENCES plant (id),
  fruitsWanted INTEGER NOT NULL CHECK (fruitsWanted > 0),
  seedsWanted INTEGER CHECK (seedsWanted > 0),
  seedsPerFruit INTEGER CHECK (seedsPerFruit > 0),
  setLow REAL NOT NULL CHECK (setLow > 0),
  setHigh REAL NOT NULL CHECK (setHigh <= 1),
  confidence REAL NOT NULL CHECK (confidence BETWEEN 0.5 AND 0.999),
  method TEXT,
  perEvening INTEGER NOT NULL DEFAULT 6 CHECK (perEvening BETWEEN 1 AND 500),
  -- Pollen that is gathered and kept until the mother flowers: how, and since when once it is done.
  storage TEXT CHECK (storage IN ('room', 'fridge', 'freezer')),
  storedOn TEXT CHECK (storedOn IS NULL OR storage IS NOT NULL),
  plannedOn TEXT NOT NULL,
  closed INTEGER NOT NULL DEFAULT 0 CHECK (closed IN (0, 1)),
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 4000),
  CHECK (setLow <= setHigh)
) STRICT;
CREATE INDEX crossSeason ON cross (season, closed);
CREATE INDEX crossMother ON cross (motherStandId);
CREATE INDEX crossFather ON cross (fatherStandId);

CREATE TABLE flower (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  crossId TEXT NOT NULL REFERENCES cross (id),
  number INTEGER NOT NULL CHECK (number > 0),
  plantId TEXT REFERENCES plant (id),
  state TEXT NOT NULL CHECK (
    state IN ('covered', 'gathered', 'pollinated', 'uncovered', 'set', 'failed', 'lost', 'harvested', 'unusable')
  ),
  bud TEXT CHECK (bud IN ('early', 'right', 'late')),
  coveredOn TEXT NOT NULL,
  gatheredOn TEXT CHECK (gatheredOn >= coveredOn),
  pollinatedOn TEXT CHECK (pollinatedOn >= coveredOn),
  pollinatedAt TEXT CHECK (pollinatedAt GLOB '[0-2][0-9]:[0-5][0-9]'),
  passes INTEGER NOT NULL DEFAULT 0 CHECK (passes >= 0),
  lastPass TEXT CHECK (lastPass >= pollinatedOn),
  males INTEGER CHECK (males BETWEEN 1 AND 1000),
  uncoveredOn TEXT CHECK (uncoveredOn >= coveredOn),
  checkedOn TEXT,
  fault TEXT CHECK (fault IN ('found-open', 'limp', 'torn-bag', 'wrong-father', 'unsure')),
  lostWhy TEXT CHECK (length(lostWhy) BETWEEN 1 AND 200),
  lotId TEXT REFERENCES lot (id),
  note TEXT NOT NULL DEFAULT '' CHECK (length(note) <= 500),
  UNIQUE (crossId, number),
  CHECK (state <> 'unusable' OR fault IS NOT NULL),
  CHECK ((state = 'lost') = (lostWhy IS NOT NULL)),
  CHECK ((state = 'harvested') = (lotId IS NOT NULL))
) STRICT;
CREATE INDEX flowerState ON flower (state, crossId);
CREATE INDEX flowerLot ON flower (lotId);
CREATE INDEX flowerPlant ON flower (plantId);
-- What set rates learn from, read without the rows.
CREATE INDEX flowerOutcome ON flower (crossId, pollinatedAt, state, checkedOn) WHERE fault IS NULL;
CREATE INDEX flowerTally ON flower (crossId, state, fault);

CREATE TABLE lot (
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
  CHECK (seeds IS NOT NULL OR mass IS NOT NULL)
) STRICT;
CREATE INDEX lotLine ON lot (lineId);
CREATE INDEX lotCross ON lot (crossId);
CREATE INDEX lotMotherStand ON lot (motherStandId);
CREATE INDEX lotMotherPlant ON lot (motherPlantId);
CREATE INDEX lotGathered ON lot (gathered);

-- A path of points in metres, JSON [[x, y], …], and the share of pollen that passes.
CREATE TABLE barrier (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  kind TEXT NOT NULL CHECK (kind IN ('hedge', 'wall', 'building', 'tunnel')),
  path TEXT NOT NULL CHECK (json_valid(path)),
  factor REAL NOT NULL CHECK (factor BETWEEN 0 AND 1)
) STRICT;

-- A neighbour's crop, a field, a wild stand: an outline in metres, JSON [[x, y], …], one point where no more is known.
CREATE TABLE source (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  kind TEXT NOT NULL CHECK (kind IN ('neighbour', 'field', 'wild', 'ornamental')),
  species TEXT NOT NULL,
  outline TEXT NOT NULL CHECK (json_valid(outline)),
  plants INTEGER NOT NULL CHECK (plants > 0),
  presence REAL NOT NULL CHECK (presence BETWEEN 0 AND 1),
  harm TEXT NOT NULL CHECK (harm IN ('none', 'bitter', 'hot', 'male-sterile', 'wild')),
  flowersFrom TEXT CHECK (flowersFrom GLOB '[01][0-9]-[0-3][0-9]'),
  flowersTo TEXT CHECK (flowersTo GLOB '[01][0-9]-[0-3][0-9]'),
  agreedSeason INTEGER,
  CHECK ((flowersFrom IS NULL) = (flowersTo IS NULL))
) STRICT;

-- Mean daily lowest and highest temperature of a month, °C; the id is the month, 01 to 12.
CREATE TABLE normal (
  id TEXT PRIMARY KEY CHECK (id GLOB '[01][0-9]'),
  version TEXT NOT NULL,
  min REAL NOT NULL CHECK (min BETWEEN -60 AND 50),
  max REAL NOT NULL CHECK (max BETWEEN -60 AND 60),
  CHECK (min <= max)
) STRICT;

-- One reading a day; the id is the day, so that a day can be there once only.
CREATE TABLE reading (
  id TEXT PRIMARY KEY CHECK (id GLOB '[0-9][0-9][0-9][0-9]-[01][0-9]-[0-3][0-9]'),
  version TEXT NOT NULL,
  min REAL NOT NULL CHECK (min BETWEEN -60 AND 50),
  max REAL NOT NULL CHECK (max BETWEEN -60 AND 60),
  CHECK (min <= max)
) STRICT;

-- Who may have been a parent, and with what share: of a cross (several fathers' pollen mixed), of one flower, of a lot.
-- Without a stand it is a stranger.
CREATE TABLE candidate (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  crossId TEXT REFERENCES cross (id),
  flowerId TEXT REFERENCES flower (id),
  lotId TEXT REFERENCES lot (id),
  role TEXT NOT NULL CHECK (role IN ('mother', 'father')),
  standId TEXT REFERENCES stand (id),
  plantId TEXT REFERENCES plant (id),
  share REAL NOT NULL CHECK (share > 0 AND share <= 1),
  CHECK ((crossId IS NOT NULL) + (flowerId IS NOT NULL) + (lotId IS NOT NULL) = 1),
  CHECK (plantId IS NULL OR standId IS NOT NULL)
) STRICT;
CREATE INDEX candidateCross ON candidate (crossId) WHERE crossId IS NOT NULL;
CREATE INDEX candidateFlower ON candidate (flowerId) WHERE flowerId IS NOT NULL;
CREATE INDEX candidateLot ON candidate (lotId) WHERE lotId IS NOT NULL;

-- One press: when and on which device it was made, what was asked, and what was answered. Nothing of it ever changes.
CREATE TABLE op (
  id TEXT PRIMARY KEY,
  clock TEXT NOT NULL UNIQUE,
  device TEXT NOT NULL,
  at TEXT NOT NULL,
  day TEXT NOT NULL,
  command TEXT NOT NULL,
  input TEXT NOT NULL CHECK (json_valid(input)),
  schema INTEGER NOT NULL,
  undoes TEXT REFERENCES op (id),
  summary TEXT NOT NULL,
  outcome TEXT NOT NULL
) STRICT;
CREATE INDEX opUndoes ON op (undoes, clock) WHERE undoes IS NOT NULL;

-- What an op did to a row: the columns that changed, JSON, before (null: the row is new) and after (null: it is gone).
CREATE TABLE opChange (
  op TEXT NOT NULL REFERENCES op (id),
  seq INTEGER NOT NULL,
  tableName TEXT NOT NULL,
  rowId TEXT NOT NULL,
  before TEXT,
  after TEXT,
  PRIMARY KEY (op, seq)
) STRICT, WITHOUT ROWID;
CREATE INDEX opChangeRow ON opChange (tableName, rowId);

CREATE TRIGGER opKept BEFORE UPDATE ON op BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
CREATE TRIGGER opStays BEFORE DELETE ON op BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
CREATE TRIGGER opChangeKept BEFORE UPDATE ON opChange BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
CREATE TRIGGER opChangeStays BEFORE DELETE ON opChange BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;

-- Ranges of the running numbers of codes, by kind and year, each leased to one device, and the last number given from it.
-- Undo never takes one back: a printed tag keeps its number.
CREATE TABLE lease (
  kind TEXT NOT NULL,
  year INTEGER NOT NULL,
  low INTEGER NOT NULL,
  high INTEGER NOT NULL,
  device TEXT NOT NULL,
  last INTEGER NOT NULL CHECK (last BETWEEN low - 1 AND high),
  PRIMARY KEY (kind, year, low)
) STRICT, WITHOUT ROWID;
