-- The life of a stand: whether its sowing is only planned, the day of each step, and how it ended.
ALTER TABLE stand ADD COLUMN planned INTEGER NOT NULL DEFAULT 0 CHECK (planned IN (0, 1));
ALTER TABLE stand ADD COLUMN wanted INTEGER CHECK (wanted > 0);
ALTER TABLE stand ADD COLUMN upOn TEXT;
ALTER TABLE stand ADD COLUMN pottedOn TEXT;
ALTER TABLE stand ADD COLUMN liftedOn TEXT;
ALTER TABLE stand ADD COLUMN storedIn TEXT NOT NULL DEFAULT '';
ALTER TABLE stand ADD COLUMN replantedOn TEXT;
ALTER TABLE stand ADD COLUMN setOn TEXT;
ALTER TABLE stand ADD COLUMN ripeOn TEXT;
ALTER TABLE stand ADD COLUMN endedOn TEXT;
ALTER TABLE stand ADD COLUMN ending TEXT CHECK (ending IN ('done', 'lost', 'pulled'));
ALTER TABLE stand ADD COLUMN endedWhy TEXT NOT NULL DEFAULT '';

-- What was done with a stand, or put off, or left, and why.
CREATE TABLE deed (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  standId TEXT NOT NULL REFERENCES stand (id),
  act TEXT NOT NULL CHECK (act IN ('sow', 'look-up', 'thin', 'prick-out', 'harden', 'plant-out', 'mulch', 'lift', 'look-store',
    'replant', 'rogue', 'cover', 'first-flower', 'flowers-off', 'bring-in', 'gather', 'keep')),
  how TEXT NOT NULL CHECK (how IN ('done', 'put-off', 'cannot', 'never')),
  "on" TEXT NOT NULL,
  until TEXT,
  counted INTEGER CHECK (counted >= 0),
  why TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE INDEX deedStand ON deed (standId, "on");
