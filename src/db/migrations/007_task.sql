-- What the grower means to do, of his own: once, or again so many days after it was done.

CREATE TABLE task (
  id TEXT PRIMARY KEY,
  version TEXT NOT NULL,
  title TEXT NOT NULL CHECK (title <> ''),
  due TEXT NOT NULL,
  every INTEGER CHECK (every BETWEEN 1 AND 366),
  doneOn TEXT,
  note TEXT NOT NULL DEFAULT ''
) STRICT;
