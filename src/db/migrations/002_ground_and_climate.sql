-- Turned beds, barriers, sources beyond the garden; normals and readings; how stands are planted, guarded and overwintered.

ALTER TABLE bed ADD COLUMN turn REAL NOT NULL DEFAULT 0 CHECK (turn >= 0 AND turn < 360);

ALTER TABLE garden ADD COLUMN windFrom REAL CHECK (windFrom >= 0 AND windFrom < 360);
-- A real station could be named here; the simulated one ships with the program and is never on by itself.
ALTER TABLE garden ADD COLUMN station TEXT NOT NULL DEFAULT 'none' CHECK (station IN ('none', 'simulated'));

-- The chance of ripening before frost that a sowing must have to be proposed.
ALTER TABLE garden ADD COLUMN ripeWanted REAL NOT NULL DEFAULT 0.8 CHECK (ripeWanted BETWEEN 0.5 AND 0.99);

ALTER TABLE line ADD COLUMN purity REAL CHECK (purity > 0 AND purity < 1);
ALTER TABLE line ADD COLUMN harm TEXT NOT NULL DEFAULT 'none' CHECK (harm IN ('none', 'bitter', 'hot', 'male-sterile'));

ALTER TABLE stand ADD COLUMN plantedOut TEXT CHECK (plantedOut >= sown);
ALTER TABLE stand ADD COLUMN overwinter TEXT CHECK (overwinter IN ('lifted', 'left', 'late-sown'));
ALTER TABLE stand ADD COLUMN spacing REAL CHECK (spacing > 0);
ALTER TABLE stand ADD COLUMN rowCount INTEGER CHECK (rowCount > 0);
ALTER TABLE stand ADD COLUMN cover TEXT CHECK (cover IN ('bags', 'cage', 'alternate-cages'));
ALTER TABLE stand ADD COLUMN removeEvery INTEGER CHECK (removeEvery BETWEEN 1 AND 30);
ALTER TABLE stand ADD COLUMN saveFrom INTEGER CHECK (saveFrom > 0);

-- A path of points in metres, JSON [[x, y], …], and the share of pollen that passes.
CREATE TABLE barrier (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  name TEXT NOT NULL UNIQUE CHECK (length(name) BETWEEN 1 AND 120),
  kind TEXT NOT NULL CHECK (kind IN ('hedge', 'wall', 'building', 'tunnel')),
  path TEXT NOT NULL CHECK (json_valid(path)),
  factor REAL NOT NULL CHECK (factor BETWEEN 0 AND 1),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

-- A neighbour's crop, a field, a wild stand: an outline in metres, JSON [[x, y], …], one point where no more is known.
CREATE TABLE source (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  name TEXT NOT NULL UNIQUE CHECK (length(name) BETWEEN 1 AND 120),
  kind TEXT NOT NULL CHECK (kind IN ('neighbour', 'field', 'wild', 'ornamental')),
  species TEXT NOT NULL,
  outline TEXT NOT NULL CHECK (json_valid(outline)),
  plants INTEGER NOT NULL CHECK (plants > 0),
  presence REAL NOT NULL CHECK (presence BETWEEN 0 AND 1),
  harm TEXT NOT NULL CHECK (harm IN ('none', 'bitter', 'hot', 'male-sterile', 'wild')),
  flowersFrom TEXT CHECK (flowersFrom GLOB '[01][0-9]-[0-3][0-9]'),
  flowersTo TEXT CHECK (flowersTo GLOB '[01][0-9]-[0-3][0-9]'),
  agreedSeason INTEGER,
  version INTEGER NOT NULL DEFAULT 1,
  CHECK ((flowersFrom IS NULL) = (flowersTo IS NULL))
) STRICT;

-- Mean daily lowest and highest temperature of each month, °C.
CREATE TABLE normal (
  id INTEGER PRIMARY KEY CHECK (id BETWEEN 1 AND 12),
  min REAL NOT NULL CHECK (min BETWEEN -60 AND 50),
  max REAL NOT NULL CHECK (max BETWEEN -60 AND 60),
  version INTEGER NOT NULL DEFAULT 1,
  CHECK (min <= max)
) STRICT;

-- One reading a day, the id its day number from 1970-01-01 so that a day can be there once only.
CREATE TABLE reading (
  id INTEGER PRIMARY KEY,
  min REAL NOT NULL CHECK (min BETWEEN -60 AND 50),
  max REAL NOT NULL CHECK (max BETWEEN -60 AND 60),
  version INTEGER NOT NULL DEFAULT 1,
  CHECK (min <= max)
) STRICT;
