-- What a logger wrote of a defrost: whole series, beside the entry that names them.
CREATE TABLE run_series (
    id   TEXT PRIMARY KEY,
    body BLOB NOT NULL
) STRICT, WITHOUT ROWID;

-- A file that waits for its columns to be named.
CREATE TABLE logger_file (
    id       TEXT PRIMARY KEY,
    visit_id TEXT NOT NULL REFERENCES visit (id),
    name     TEXT NOT NULL,
    body     BLOB NOT NULL
) STRICT;

-- What the columns of a logger mean, remembered by its headings.
CREATE TABLE logger_columns (
    headings TEXT PRIMARY KEY,
    columns  TEXT NOT NULL
) STRICT, WITHOUT ROWID;
