-- Intake in full, hazards of the place, the shop's people and policies, its meters with their checks.
ALTER TABLE visit ADD COLUMN urgency TEXT NOT NULL DEFAULT 'Routine';
ALTER TABLE visit ADD COLUMN stock TEXT NOT NULL DEFAULT '';
ALTER TABLE visit ADD COLUMN response TEXT NOT NULL DEFAULT '';
ALTER TABLE equipment ADD COLUMN hazards TEXT NOT NULL DEFAULT 'None';
ALTER TABLE shop ADD COLUMN policies TEXT NOT NULL DEFAULT '{"choices":{}}';
ALTER TABLE shop ADD COLUMN technicians TEXT NOT NULL DEFAULT '[]';
ALTER TABLE shop ADD COLUMN currency TEXT NOT NULL DEFAULT '';

CREATE TABLE instrument (
    id       TEXT PRIMARY KEY,
    name     TEXT NOT NULL,
    measures TEXT NOT NULL,
    accuracy REAL,
    retired  INTEGER NOT NULL DEFAULT 0
) STRICT;

CREATE TABLE instrument_check (
    id            TEXT PRIMARY KEY,
    instrument_id TEXT NOT NULL REFERENCES instrument (id),
    at            TEXT NOT NULL,
    by            TEXT NOT NULL,
    kind          TEXT NOT NULL,
    shown         REAL NOT NULL,
    known         REAL NOT NULL
) STRICT;

CREATE INDEX instrument_check_by_instrument ON instrument_check (instrument_id, at);

-- Search knows from which entry a passage comes, so that what is struck out or corrected is no longer found.
DROP TRIGGER search_equipment_added;
DROP TRIGGER search_equipment_changed;
DROP TRIGGER search_visit_added;
DROP TRIGGER search_entry_added;
DROP TABLE search;

CREATE VIRTUAL TABLE search USING fts5 (kind UNINDEXED, ref UNINDEXED, equipment_id UNINDEXED, at UNINDEXED, text, entry UNINDEXED, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3');

CREATE VIEW entry_text AS
SELECT e.id, e.kind, e.visit_id, v.equipment_id, e.at,
       (SELECT group_concat(j.value, ' ') FROM json_each(e.body) j WHERE j.type = 'text' AND j.key NOT IN ('hash', 'area', 'topic', 'urgency', 'opens')) AS text
FROM entry e JOIN visit v ON v.id = e.visit_id
WHERE e.kind IN ('note', 'photo', 'change', 'part', 'refrigerant', 'recommendation', 'sign-off');

CREATE TRIGGER search_equipment_added AFTER INSERT ON equipment
BEGIN
    INSERT INTO search (kind, ref, equipment_id, at, text)
    VALUES ('unit', NEW.id, NEW.id, '', NEW.tag || ' ' || NEW.name || ' ' || NEW.product || ' ' || NEW.location);
END;

CREATE TRIGGER search_equipment_changed AFTER UPDATE ON equipment
BEGIN
    DELETE FROM search WHERE kind = 'unit' AND ref = NEW.id;
    INSERT INTO search (kind, ref, equipment_id, at, text)
    VALUES ('unit', NEW.id, NEW.id, '', NEW.tag || ' ' || NEW.name || ' ' || NEW.product || ' ' || NEW.location);
END;

CREATE TRIGGER search_visit_added AFTER INSERT ON visit
BEGIN
    INSERT INTO search (kind, ref, equipment_id, at, text)
    VALUES ('visit', NEW.id, NEW.equipment_id, NEW.started_at, NEW.complaint || ' ' || NEW.stock || ' ' || NEW.author);
END;

CREATE TRIGGER search_entry_added AFTER INSERT ON entry
WHEN NEW.kind IN ('note', 'photo', 'change', 'part', 'refrigerant', 'recommendation', 'sign-off')
BEGIN
    INSERT INTO search (kind, ref, equipment_id, at, text, entry)
    SELECT kind, visit_id, equipment_id, at, text, id FROM entry_text WHERE id = NEW.id;
END;

CREATE TRIGGER search_entry_corrected AFTER INSERT ON entry
WHEN NEW.corrects IS NOT NULL AND EXISTS (SELECT 1 FROM entry_text WHERE id = NEW.corrects)
BEGIN
    DELETE FROM search WHERE entry = NEW.corrects;
END;

INSERT INTO search (kind, ref, equipment_id, at, text)
SELECT 'unit', id, id, '', tag || ' ' || name || ' ' || product || ' ' || location FROM equipment;

INSERT INTO search (kind, ref, equipment_id, at, text)
SELECT 'visit', id, equipment_id, started_at, complaint || ' ' || author FROM visit;

INSERT INTO search (kind, ref, equipment_id, at, text, entry)
SELECT kind, visit_id, equipment_id, at, text, id FROM entry_text WHERE id NOT IN (SELECT corrects FROM entry WHERE corrects IS NOT NULL);
