-- What a stand came through, or not: frost, drought, a pest; and how many stood before it and were lost to it.
CREATE TABLE trial (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  standId TEXT NOT NULL REFERENCES stand (id),
  what TEXT NOT NULL CHECK (what IN ('frost', 'drought', 'heat', 'wet', 'pest', 'disease', 'weeds', 'neglect')),
  endedOn TEXT NOT NULL,
  stood INTEGER NOT NULL CHECK (stood > 0),
  lost INTEGER NOT NULL DEFAULT 0 CHECK (lost >= 0),
  words TEXT NOT NULL DEFAULT '' CHECK (length(words) <= 300)
) STRICT;
CREATE INDEX trialStand ON trial (standId);
