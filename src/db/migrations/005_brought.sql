-- The ops that came in when another copy of the garden was brought together with this one, by the op that brought them.
-- What is in a copy's tables follows from its own ops and from those whose bringing in was not taken back.

CREATE TABLE brought (
  op TEXT NOT NULL REFERENCES op (id),
  merge TEXT NOT NULL REFERENCES op (id),
  PRIMARY KEY (op, merge)
) STRICT, WITHOUT ROWID;

CREATE TRIGGER broughtKept BEFORE UPDATE ON brought BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
CREATE TRIGGER broughtStays BEFORE DELETE ON brought BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
