-- Notes on a kind of part are shown on every unit that has one.
CREATE INDEX entry_of_part_note ON entry (at) WHERE kind = 'part-note';
