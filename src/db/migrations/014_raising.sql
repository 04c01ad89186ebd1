-- What a stand is sown in, and what was counted and left over on its way into the ground.
ALTER TABLE stand ADD COLUMN sownIn TEXT CHECK (sownIn IN ('ground', 'tray', 'cells', 'pots'));
ALTER TABLE stand ADD COLUMN trays INTEGER CHECK (trays BETWEEN 1 AND 500);
ALTER TABLE stand ADD COLUMN perCell INTEGER CHECK (perCell BETWEEN 1 AND 20);
ALTER TABLE stand ADD COLUMN potted INTEGER CHECK (potted BETWEEN 0 AND 1000000);
ALTER TABLE stand ADD COLUMN crates INTEGER CHECK (crates BETWEEN 1 AND 500);
ALTER TABLE stand ADD COLUMN spare INTEGER CHECK (spare BETWEEN 0 AND 1000000);
