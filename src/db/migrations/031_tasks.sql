-- Not only work on plantings is put off or left: also seed to be grown again, a neighbour to be asked, fresh desiccant, a
-- test to be counted. A deed is of one of them.
CREATE TABLE deedAnew (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  standId TEXT REFERENCES stand (id),
  lineId TEXT REFERENCES line (id),
  sourceId TEXT REFERENCES source (id),
  storeId TEXT REFERENCES store (id),
  testId TEXT REFERENCES test (id),
  act TEXT NOT NULL,
  how TEXT NOT NULL CHECK (how IN ('done', 'put-off', 'cannot', 'never')),
  "on" TEXT NOT NULL,
  until TEXT,
  counted INTEGER CHECK (counted >= 0),
  why TEXT NOT NULL DEFAULT '',
  looked INTEGER CHECK (looked BETWEEN 1 AND 1000000),
  byWhom TEXT NOT NULL DEFAULT '',
  CHECK ((standId IS NOT NULL) + (lineId IS NOT NULL) + (sourceId IS NOT NULL) + (storeId IS NOT NULL) + (testId IS NOT NULL) = 1)
) STRICT;
INSERT INTO deedAnew (id, version, standId, act, how, "on", until, counted, why, looked, byWhom)
  SELECT id, version, standId, act, how, "on", until, counted, why, looked, byWhom FROM deed;
DROP TABLE deed;
ALTER TABLE deedAnew RENAME TO deed;
CREATE INDEX deedStand ON deed (standId, "on");
CREATE INDEX deedElse ON deed (act) WHERE standId IS NULL;
