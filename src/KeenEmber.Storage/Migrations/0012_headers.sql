-- What an entry was made on, its place among what one form made together, and the version of its body.
ALTER TABLE entry ADD COLUMN device TEXT NOT NULL DEFAULT '';
ALTER TABLE entry ADD COLUMN sequence INTEGER NOT NULL DEFAULT 0;
ALTER TABLE entry ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

-- Which wording stands after a correction, or after a correction was struck out, is worked out where corrections are.
DROP TRIGGER search_entry_corrected;
