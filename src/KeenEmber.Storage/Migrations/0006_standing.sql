-- How each unit stands, worked out by the rules and kept for the lists. Never the truth: triggers count every change of what
-- it rests on, and a row made of fewer changes than there have been is made anew before it is shown.
CREATE TABLE unit_standing (
    equipment_id  TEXT PRIMARY KEY REFERENCES equipment (id),
    changes       INTEGER NOT NULL DEFAULT 1,
    made_of       INTEGER NOT NULL DEFAULT 0,
    made_by       TEXT NOT NULL DEFAULT '',
    stands        TEXT NOT NULL DEFAULT '',
    needs         INTEGER NOT NULL DEFAULT 0,
    last_visit_at TEXT,
    last_visit    TEXT,
    signed_off    INTEGER NOT NULL DEFAULT 0,
    callback      INTEGER NOT NULL DEFAULT 0,
    follow_up     TEXT,
    safety        INTEGER NOT NULL DEFAULT 0,
    due           TEXT,
    drifting      INTEGER NOT NULL DEFAULT 0,
    loops         TEXT NOT NULL DEFAULT '[]',
    drift         TEXT NOT NULL DEFAULT '[]',
    visits        TEXT NOT NULL DEFAULT '[]'
) STRICT;

CREATE INDEX unit_standing_to_make ON unit_standing (equipment_id) WHERE changes <> made_of;
CREATE INDEX unit_standing_safety ON unit_standing (equipment_id) WHERE safety = 1;
CREATE INDEX unit_standing_due ON unit_standing (due) WHERE due IS NOT NULL;
CREATE INDEX unit_standing_follow_up ON unit_standing (follow_up) WHERE follow_up IS NOT NULL;
CREATE INDEX unit_standing_drifting ON unit_standing (equipment_id) WHERE drifting = 1;
CREATE INDEX unit_standing_visited ON unit_standing (last_visit_at);

INSERT INTO unit_standing (equipment_id) SELECT id FROM equipment;

CREATE TRIGGER standing_of_new_unit AFTER INSERT ON equipment
BEGIN
    INSERT INTO unit_standing (equipment_id) VALUES (NEW.id);
END;

CREATE TRIGGER standing_after_entry AFTER INSERT ON entry
BEGIN
    UPDATE unit_standing SET changes = changes + 1 WHERE equipment_id = (SELECT equipment_id FROM visit WHERE id = NEW.visit_id);
END;

CREATE TRIGGER standing_after_visit AFTER INSERT ON visit
BEGIN
    UPDATE unit_standing SET changes = changes + 1 WHERE equipment_id = NEW.equipment_id;
END;

-- Another make-up, site or policy judges every visit anew.
CREATE TRIGGER standing_after_unit AFTER UPDATE ON equipment
BEGIN
    UPDATE unit_standing SET changes = changes + 1, visits = '[]' WHERE equipment_id = NEW.id;
END;

CREATE TRIGGER standing_after_circuit AFTER UPDATE ON circuit
BEGIN
    UPDATE unit_standing SET changes = changes + 1, visits = '[]' WHERE equipment_id = NEW.equipment_id;
END;

CREATE TRIGGER standing_after_site AFTER UPDATE ON site WHEN OLD.elevation_m <> NEW.elevation_m
BEGIN
    UPDATE unit_standing SET changes = changes + 1, visits = '[]' WHERE equipment_id IN (SELECT id FROM equipment WHERE site_id = NEW.id);
END;

CREATE TRIGGER standing_after_shop AFTER UPDATE ON shop
BEGIN
    UPDATE unit_standing SET changes = changes + 1, visits = '[]';
END;
