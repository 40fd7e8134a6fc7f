-- Rows of the board are codes and numbers: they are made anew, and say nothing until they are.
UPDATE unit_standing SET stands = '', visits = '[]', changes = changes + 1, made_of = 0, made_by = '' WHERE made_of > 0;

-- Which words of which entries the search finds: benches add theirs when the app starts.
CREATE TABLE searched_field (
    kind  TEXT NOT NULL,
    field TEXT NOT NULL,
    PRIMARY KEY (kind, field)
) STRICT;

INSERT INTO searched_field (kind, field) VALUES
    ('note', 'text'), ('photo', 'caption'),
    ('change', 'what'), ('change', 'before'), ('change', 'after'), ('change', 'askedBy'),
    ('part', 'part'), ('part', 'place'), ('part', 'failure'), ('part', 'replacedBy'), ('part', 'serial'),
    ('refrigerant', 'refrigerant'), ('refrigerant', 'cylinder'), ('refrigerant', 'why'),
    ('recommendation', 'problem'), ('recommendation', 'option'), ('recommendation', 'parts'),
    ('sign-off', 'rootCause'), ('sign-off', 'notReproduced'), ('sign-off', 'recommendation'), ('sign-off', 'contributing'), ('sign-off', 'consequences');

DROP TRIGGER search_entry_added;
DROP VIEW entry_text;

CREATE VIEW entry_text AS
SELECT e.id, e.kind, e.visit_id, v.equipment_id, e.at,
       (SELECT group_concat(j.value, ' ') FROM json_each(e.body) j JOIN searched_field f ON f.kind = e.kind AND f.field = j.key) AS text
FROM entry e JOIN visit v ON v.id = e.visit_id
WHERE e.kind IN (SELECT kind FROM searched_field);

CREATE TRIGGER search_entry_added AFTER INSERT ON entry
WHEN EXISTS (SELECT 1 FROM searched_field WHERE kind = NEW.kind)
BEGIN
    INSERT INTO search (kind, ref, equipment_id, at, text, entry)
    SELECT kind, visit_id, equipment_id, at, text, id FROM entry_text WHERE id = NEW.id;
END;
