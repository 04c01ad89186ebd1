-- Seed of several mothers put together in stated shares, each lot keeping the rest; and lines that are part of another.
ALTER TABLE part ADD COLUMN seeds INTEGER CHECK (seeds > 0);
ALTER TABLE line ADD COLUMN subOfId TEXT REFERENCES line (id);
