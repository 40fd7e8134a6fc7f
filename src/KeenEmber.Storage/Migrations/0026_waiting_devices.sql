-- Devices on which something waits to be sent or mended, as they said last: for the lead who looks after them.
CREATE TABLE waiting_device (
    device  TEXT PRIMARY KEY,
    person  TEXT NOT NULL,
    kept    INTEGER NOT NULL,
    refused INTEGER NOT NULL,
    oldest  TEXT NOT NULL,
    told_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
