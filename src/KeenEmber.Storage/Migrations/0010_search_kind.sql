-- The kind is searched too, so that units are found first without reading every passage that holds the words.
CREATE TABLE search_rows AS SELECT rowid AS id, kind, ref, equipment_id, at, text, entry FROM search;
DROP TABLE search;
CREATE VIRTUAL TABLE search USING fts5 (kind, ref UNINDEXED, equipment_id UNINDEXED, at UNINDEXED, text, entry UNINDEXED, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3');
INSERT INTO search (rowid, kind, ref, equipment_id, at, text, entry) SELECT id, kind, ref, equipment_id, at, text, entry FROM search_rows;
DROP TABLE search_rows;
