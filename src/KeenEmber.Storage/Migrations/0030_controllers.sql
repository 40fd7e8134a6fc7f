-- What a controller on the wire said last, value by value, and the company's list of what its values mean.
CREATE TABLE controller (
    id      TEXT PRIMARY KEY,
    gateway TEXT NOT NULL REFERENCES gateway (id),
    name    TEXT NOT NULL
) STRICT;

CREATE TABLE controller_value (
    controller TEXT NOT NULL REFERENCES controller (id),
    key        TEXT NOT NULL,
    at         TEXT NOT NULL,
    value      REAL NOT NULL,
    PRIMARY KEY (controller, key)
) STRICT, WITHOUT ROWID;

CREATE TABLE controller_map (
    only_one INTEGER PRIMARY KEY CHECK (only_one = 1),
    csv      TEXT NOT NULL,
    kept_by  TEXT NOT NULL,
    kept_at  TEXT NOT NULL
) STRICT;
