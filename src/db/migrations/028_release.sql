-- The day from which a line of one's own goes by its name, as a kept variety.
ALTER TABLE line ADD COLUMN releasedOn TEXT;
