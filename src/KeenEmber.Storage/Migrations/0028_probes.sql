-- Probes that send their readings, and the gateways that bring them. What is kept of it on a visit are entries; this is only what was
-- heard lately.
CREATE TABLE gateway (
    id       TEXT PRIMARY KEY,
    name     TEXT NOT NULL,
    token    TEXT NOT NULL UNIQUE,
    added_by TEXT NOT NULL,
    added_at TEXT NOT NULL,
    revoked  INTEGER NOT NULL DEFAULT 0
) STRICT;

CREATE TABLE probe (
    id       TEXT PRIMARY KEY,
    gateway  TEXT NOT NULL REFERENCES gateway (id),
    name     TEXT NOT NULL,
    measures TEXT NOT NULL,
    battery  REAL
) STRICT;

CREATE TABLE probe_reading (
    probe  TEXT NOT NULL REFERENCES probe (id),
    number INTEGER NOT NULL,
    at     TEXT NOT NULL,
    value  REAL NOT NULL,
    unit   TEXT NOT NULL,
    PRIMARY KEY (probe, number)
) STRICT, WITHOUT ROWID;

CREATE INDEX probe_reading_at ON probe_reading (at);
CREATE INDEX probe_reading_lately ON probe_reading (probe, at);
