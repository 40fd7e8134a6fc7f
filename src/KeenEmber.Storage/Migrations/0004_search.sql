-- Full text over units, visits, and what was said and changed on them. Kept by triggers, so no writer has to think of it.
CREATE VIRTUAL TABLE search USING fts5 (kind UNINDEXED, ref UNINDEXED, equipment_id UNINDEXED, at UNINDEXED, text, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3');

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
    VALUES ('visit', NEW.id, NEW.equipment_id, NEW.started_at, NEW.complaint || ' ' || NEW.author);
END;

CREATE TRIGGER search_entry_added AFTER INSERT ON entry WHEN NEW.kind IN ('note', 'change', 'part', 'refrigerant', 'sign-off')
BEGIN
    INSERT INTO search (kind, ref, equipment_id, at, text)
    SELECT NEW.kind, NEW.visit_id, v.equipment_id, NEW.at, (SELECT group_concat(j.value, ' ') FROM json_each(NEW.body) j WHERE j.type = 'text')
    FROM visit v WHERE v.id = NEW.visit_id;
END;

INSERT INTO search (kind, ref, equipment_id, at, text)
SELECT 'unit', id, id, '', tag || ' ' || name || ' ' || product || ' ' || location FROM equipment;

INSERT INTO search (kind, ref, equipment_id, at, text)
SELECT 'visit', id, equipment_id, started_at, complaint || ' ' || author FROM visit;

INSERT INTO search (kind, ref, equipment_id, at, text)
SELECT e.kind, e.visit_id, v.equipment_id, e.at, (SELECT group_concat(j.value, ' ') FROM json_each(e.body) j WHERE j.type = 'text')
FROM entry e JOIN visit v ON v.id = e.visit_id WHERE e.kind IN ('note', 'change', 'part', 'refrigerant', 'sign-off');
