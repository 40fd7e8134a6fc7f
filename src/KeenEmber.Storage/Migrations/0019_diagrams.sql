-- Units with a diagram of their own are offered to copy from.
CREATE INDEX entry_of_diagram ON entry (visit_id, at) WHERE kind = 'diagram';
