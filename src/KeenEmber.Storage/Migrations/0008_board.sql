-- The list of all units in its order, without reading a row that is not shown.
ALTER TABLE unit_standing ADD COLUMN tag TEXT NOT NULL DEFAULT '';
UPDATE unit_standing SET tag = (SELECT tag FROM equipment WHERE id = equipment_id);
CREATE INDEX unit_standing_in_order ON unit_standing (needs DESC, tag COLLATE NOCASE);

DROP TRIGGER standing_of_new_unit;
CREATE TRIGGER standing_of_new_unit AFTER INSERT ON equipment
BEGIN
    INSERT INTO unit_standing (equipment_id, tag) VALUES (NEW.id, NEW.tag);
END;

DROP TRIGGER standing_after_unit;
CREATE TRIGGER standing_after_unit AFTER UPDATE ON equipment
BEGIN
    UPDATE unit_standing SET changes = changes + 1, visits = '[]', tag = NEW.tag WHERE equipment_id = NEW.id;
END;

-- Whether an entry still stands, without reading the others.
CREATE INDEX entry_corrects ON entry (corrects) WHERE corrects IS NOT NULL;
