-- Plants of a known line that stand among a family as a measure of the place.
ALTER TABLE plant ADD COLUMN checkOfId TEXT REFERENCES line (id);
