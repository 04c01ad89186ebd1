-- A line of one plant that is multiplied by runners, tubers or cuttings.
ALTER TABLE line ADD COLUMN cloned INTEGER NOT NULL DEFAULT 0 CHECK (cloned IN (0, 1));
