-- How days and numbers are written, and in which order the grower writes them.
ALTER TABLE garden ADD COLUMN locale TEXT NOT NULL DEFAULT 'en-GB' CHECK (locale IN ('en-GB', 'en-US', 'de', 'fr', 'pl'));
