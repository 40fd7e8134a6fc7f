-- One way to write every body: a value with its unit is an object wherever it stands, and so is a frost picture.
DROP TRIGGER entry_is_never_changed;

UPDATE entry SET body = json_set(json_remove(body, '$.unit'), '$.value', json_object('value', body ->> '$.value', 'unit', body ->> '$.unit'))
WHERE kind IN ('reading', 'setting');

UPDATE entry SET body = json_object('after', json(body -> '$.after'), 'picture', json_object('face', body ->> '$.face', 'around', body ->> '$.around'))
WHERE kind = 'frost';

CREATE TRIGGER entry_is_never_changed BEFORE UPDATE ON entry
BEGIN
    SELECT RAISE(ABORT, 'timeline entries are corrected by a later entry, never changed');
END;
