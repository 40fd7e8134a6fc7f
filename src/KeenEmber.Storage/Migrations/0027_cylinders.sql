-- The company's refrigerant cylinders. What is in one is worked out from the rows of the ledger that name its label.
CREATE TABLE cylinder (
    id          TEXT PRIMARY KEY,
    label       TEXT NOT NULL,
    kind        TEXT NOT NULL,
    refrigerant TEXT NOT NULL,
    tare_kg     REAL NOT NULL,
    water_l     REAL NOT NULL,
    content_kg  REAL NOT NULL,
    retired     INTEGER NOT NULL DEFAULT 0
) STRICT, WITHOUT ROWID;
CREATE UNIQUE INDEX cylinder_by_label ON cylinder (label COLLATE NOCASE) WHERE retired = 0;
CREATE INDEX entry_of_refrigerant ON entry (visit_id, at) WHERE kind = 'refrigerant';
