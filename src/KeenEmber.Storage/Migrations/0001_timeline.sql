-- The shop, its sites and units, and the visits' timelines. Times are ISO 8601 in UTC, ids are UUIDs as text.
CREATE TABLE shop (
    only_row INTEGER PRIMARY KEY CHECK (only_row = 1),
    name     TEXT NOT NULL,
    units    TEXT NOT NULL,
    words    TEXT NOT NULL
) STRICT;

CREATE TABLE site (
    id          TEXT PRIMARY KEY,
    name        TEXT NOT NULL,
    elevation_m REAL NOT NULL,
    time_zone   TEXT NOT NULL
) STRICT;

CREATE TABLE equipment (
    id              TEXT PRIMARY KEY,
    site_id         TEXT NOT NULL REFERENCES site (id),
    tag             TEXT NOT NULL,
    name            TEXT NOT NULL,
    kind            TEXT NOT NULL,
    target_k        REAL NOT NULL,
    evaporator_fans INTEGER NOT NULL,
    product         TEXT NOT NULL,
    location        TEXT NOT NULL,
    UNIQUE (site_id, tag)
) STRICT;

CREATE TABLE circuit (
    id           TEXT PRIMARY KEY,
    equipment_id TEXT NOT NULL UNIQUE REFERENCES equipment (id),
    refrigerant  TEXT NOT NULL,
    charge_kg    REAL,
    metering     TEXT NOT NULL,
    condenser    TEXT NOT NULL,
    has_receiver INTEGER NOT NULL,
    nameplate    TEXT NOT NULL
) STRICT;

CREATE TABLE visit (
    id           TEXT PRIMARY KEY,
    equipment_id TEXT NOT NULL REFERENCES equipment (id),
    started_at   TEXT NOT NULL,
    author       TEXT NOT NULL,
    complaint    TEXT NOT NULL
) STRICT;

CREATE INDEX visit_by_equipment ON visit (equipment_id, started_at);

-- Appended only: a row is never updated or deleted. What a kind of entry says is in its body, as JSON.
CREATE TABLE entry (
    id         TEXT PRIMARY KEY,
    visit_id   TEXT NOT NULL REFERENCES visit (id),
    at         TEXT NOT NULL,
    written_at TEXT NOT NULL,
    author     TEXT NOT NULL,
    corrects   TEXT REFERENCES entry (id),
    kind       TEXT NOT NULL,
    body       TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE INDEX entry_by_visit ON entry (visit_id, at);

CREATE TRIGGER entry_is_never_changed BEFORE UPDATE ON entry
BEGIN
    SELECT RAISE(ABORT, 'timeline entries are corrected by a later entry, never changed');
END;

CREATE TRIGGER entry_is_never_deleted BEFORE DELETE ON entry
BEGIN
    SELECT RAISE(ABORT, 'timeline entries are struck out by a later entry, never deleted');
END;
