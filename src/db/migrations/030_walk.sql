-- How many plants a walk looked at, by whom, and which kinds of off-type it removed from a planting without numbers.
ALTER TABLE deed ADD COLUMN looked INTEGER CHECK (looked BETWEEN 1 AND 1000000);
ALTER TABLE deed ADD COLUMN byWhom TEXT NOT NULL DEFAULT '';
CREATE TABLE found (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  deedId TEXT NOT NULL REFERENCES deed (id),
  reason TEXT NOT NULL CHECK (length(reason) BETWEEN 1 AND 60),
  plants INTEGER NOT NULL CHECK (plants BETWEEN 1 AND 1000000)
) STRICT;
CREATE INDEX foundDeed ON found (deedId);

-- Reasons for which plants of a line are removed that are no off-types of it.
CREATE TABLE loss (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  lineId TEXT NOT NULL REFERENCES line (id),
  reason TEXT NOT NULL CHECK (length(reason) <= 500)
) STRICT;
CREATE INDEX lossLine ON loss (lineId);
