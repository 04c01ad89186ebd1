-- Pictures of plants and of what does not belong in a line. The pictures themselves lie beside the database, named by their rows.
CREATE TABLE photo (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  plantId TEXT REFERENCES plant (id),
  offkindId TEXT REFERENCES offkind (id),
  takenOn TEXT NOT NULL,
  words TEXT NOT NULL DEFAULT '' CHECK (length(words) <= 500),
  CHECK ((plantId IS NULL) <> (offkindId IS NULL))
) STRICT;
CREATE INDEX photoPlant ON photo (plantId, takenOn);
CREATE INDEX photoOffkind ON photo (offkindId);
