-- What is found by words: a row for each record that has a name, a code or a note, kept in step by triggers, so that undo,
-- merge and replay keep it too. Parts of words of three letters and more are found by an index of threes.
CREATE TABLE findable (
  n INTEGER PRIMARY KEY,
  id TEXT NOT NULL UNIQUE,
  kind TEXT NOT NULL,
  words TEXT NOT NULL
) STRICT;
CREATE VIRTUAL TABLE findableWords USING fts5 (words, content = 'findable', content_rowid = 'n', tokenize = 'trigram remove_diacritics 1');
CREATE TRIGGER findableAdded AFTER INSERT ON findable BEGIN
  INSERT INTO findableWords (rowid, words) VALUES (new.n, new.words);
END;
CREATE TRIGGER findableGone AFTER DELETE ON findable BEGIN
  INSERT INTO findableWords (findableWords, rowid, words) VALUES ('delete', old.n, old.words);
END;
CREATE TRIGGER findableChanged AFTER UPDATE ON findable BEGIN
  INSERT INTO findableWords (findableWords, rowid, words) VALUES ('delete', old.n, old.words);
  INSERT INTO findableWords (rowid, words) VALUES (new.n, new.words);
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'line', r.code || ' ' || replace(r.code, '-', '') || ' ' || r.name || ' ' || r.species || ' ' || r.origin || ' ' || r.description FROM line r;
CREATE TRIGGER findLineAdded AFTER INSERT ON line BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'line', new.code || ' ' || replace(new.code, '-', '') || ' ' || new.name || ' ' || new.species || ' ' || new.origin || ' ' || new.description);
END;
CREATE TRIGGER findLineChanged AFTER UPDATE OF code, name, species, origin, description ON line BEGIN
  UPDATE findable SET words = new.code || ' ' || replace(new.code, '-', '') || ' ' || new.name || ' ' || new.species || ' ' || new.origin || ' ' || new.description WHERE id = new.id;
END;
CREATE TRIGGER findLineGone AFTER DELETE ON line BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'bed', r.name || ' ' || r.note FROM bed r;
CREATE TRIGGER findBedAdded AFTER INSERT ON bed BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'bed', new.name || ' ' || new.note);
END;
CREATE TRIGGER findBedChanged AFTER UPDATE OF name, note ON bed BEGIN
  UPDATE findable SET words = new.name || ' ' || new.note WHERE id = new.id;
END;
CREATE TRIGGER findBedGone AFTER DELETE ON bed BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'stand', r.code || ' ' || replace(r.code, '-', '') || ' ' || coalesce(r.endedWhy, '') FROM stand r;
CREATE TRIGGER findStandAdded AFTER INSERT ON stand BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'stand', new.code || ' ' || replace(new.code, '-', '') || ' ' || coalesce(new.endedWhy, ''));
END;
CREATE TRIGGER findStandChanged AFTER UPDATE OF code, endedWhy ON stand BEGIN
  UPDATE findable SET words = new.code || ' ' || replace(new.code, '-', '') || ' ' || coalesce(new.endedWhy, '') WHERE id = new.id;
END;
CREATE TRIGGER findStandGone AFTER DELETE ON stand BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'cross', r.code || ' ' || replace(r.code, '-', '') || ' ' || r.note FROM "cross" r;
CREATE TRIGGER findCrossAdded AFTER INSERT ON "cross" BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'cross', new.code || ' ' || replace(new.code, '-', '') || ' ' || new.note);
END;
CREATE TRIGGER findCrossChanged AFTER UPDATE OF code, note ON "cross" BEGIN
  UPDATE findable SET words = new.code || ' ' || replace(new.code, '-', '') || ' ' || new.note WHERE id = new.id;
END;
CREATE TRIGGER findCrossGone AFTER DELETE ON "cross" BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'lot', r.code || ' ' || replace(r.code, '-', '') || ' ' || r.note FROM lot r;
CREATE TRIGGER findLotAdded AFTER INSERT ON lot BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'lot', new.code || ' ' || replace(new.code, '-', '') || ' ' || new.note);
END;
CREATE TRIGGER findLotChanged AFTER UPDATE OF code, note ON lot BEGIN
  UPDATE findable SET words = new.code || ' ' || replace(new.code, '-', '') || ' ' || new.note WHERE id = new.id;
END;
CREATE TRIGGER findLotGone AFTER DELETE ON lot BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'vessel', r.code || ' ' || replace(r.code, '-', '') || ' ' || r.name FROM vessel r;
CREATE TRIGGER findVesselAdded AFTER INSERT ON vessel BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'vessel', new.code || ' ' || replace(new.code, '-', '') || ' ' || new.name);
END;
CREATE TRIGGER findVesselChanged AFTER UPDATE OF code, name ON vessel BEGIN
  UPDATE findable SET words = new.code || ' ' || replace(new.code, '-', '') || ' ' || new.name WHERE id = new.id;
END;
CREATE TRIGGER findVesselGone AFTER DELETE ON vessel BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'store', r.name || ' ' || r.note FROM store r;
CREATE TRIGGER findStoreAdded AFTER INSERT ON store BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'store', new.name || ' ' || new.note);
END;
CREATE TRIGGER findStoreChanged AFTER UPDATE OF name, note ON store BEGIN
  UPDATE findable SET words = new.name || ' ' || new.note WHERE id = new.id;
END;
CREATE TRIGGER findStoreGone AFTER DELETE ON store BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'source', r.name FROM source r;
CREATE TRIGGER findSourceAdded AFTER INSERT ON source BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'source', new.name);
END;
CREATE TRIGGER findSourceChanged AFTER UPDATE OF name ON source BEGIN
  UPDATE findable SET words = new.name WHERE id = new.id;
END;
CREATE TRIGGER findSourceGone AFTER DELETE ON source BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'barrier', r.name FROM barrier r;
CREATE TRIGGER findBarrierAdded AFTER INSERT ON barrier BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'barrier', new.name);
END;
CREATE TRIGGER findBarrierChanged AFTER UPDATE OF name ON barrier BEGIN
  UPDATE findable SET words = new.name WHERE id = new.id;
END;
CREATE TRIGGER findBarrierGone AFTER DELETE ON barrier BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'task', r.title || ' ' || r.note FROM task r;
CREATE TRIGGER findTaskAdded AFTER INSERT ON task BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'task', new.title || ' ' || new.note);
END;
CREATE TRIGGER findTaskChanged AFTER UPDATE OF title, note ON task BEGIN
  UPDATE findable SET words = new.title || ' ' || new.note WHERE id = new.id;
END;
CREATE TRIGGER findTaskGone AFTER DELETE ON task BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'note', r.words FROM note r;
CREATE TRIGGER findNoteAdded AFTER INSERT ON note BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'note', new.words);
END;
CREATE TRIGGER findNoteChanged AFTER UPDATE OF words ON note BEGIN
  UPDATE findable SET words = new.words WHERE id = new.id;
END;
CREATE TRIGGER findNoteGone AFTER DELETE ON note BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'sharing', r.name FROM sharing r;
CREATE TRIGGER findSharingAdded AFTER INSERT ON sharing BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'sharing', new.name);
END;
CREATE TRIGGER findSharingChanged AFTER UPDATE OF name ON sharing BEGIN
  UPDATE findable SET words = new.name WHERE id = new.id;
END;
CREATE TRIGGER findSharingGone AFTER DELETE ON sharing BEGIN
  DELETE FROM findable WHERE id = old.id;
END;

INSERT INTO findable (id, kind, words) SELECT r.id, 'yardstick', r.name FROM yardstick r;
CREATE TRIGGER findYardstickAdded AFTER INSERT ON yardstick BEGIN
  INSERT INTO findable (id, kind, words) VALUES (new.id, 'yardstick', new.name);
END;
CREATE TRIGGER findYardstickChanged AFTER UPDATE OF name ON yardstick BEGIN
  UPDATE findable SET words = new.name WHERE id = new.id;
END;
CREATE TRIGGER findYardstickGone AFTER DELETE ON yardstick BEGIN
  DELETE FROM findable WHERE id = old.id;
END;
