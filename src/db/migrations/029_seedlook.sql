-- What a lot's seeds show of themselves, where pollen shows at once: how many of each word of a yardstick.
CREATE TABLE seedlook (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lotId TEXT NOT NULL REFERENCES lot (id),
  yardstickId TEXT NOT NULL REFERENCES yardstick (id),
  word TEXT NOT NULL CHECK (length(word) BETWEEN 1 AND 60),
  seeds INTEGER NOT NULL CHECK (seeds BETWEEN 1 AND 1000000)
) STRICT;
CREATE INDEX seedlookLot ON seedlook (lotId);
CREATE INDEX seedlookYardstick ON seedlook (yardstickId);
