-- The last reading of each point of a visit, without opening the bodies of the others.
ALTER TABLE entry ADD COLUMN point TEXT GENERATED ALWAYS AS (body ->> '$.point') VIRTUAL;
CREATE INDEX entry_reading ON entry (visit_id, point, at DESC, id DESC) WHERE kind = 'reading';
