-- What a grower knows of a bed: its soil, its sun, what grew badly there.

ALTER TABLE bed ADD COLUMN note TEXT NOT NULL DEFAULT '';
