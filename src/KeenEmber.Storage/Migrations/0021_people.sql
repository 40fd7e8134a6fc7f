-- Who may enter. Archives of units leave these out; a password is kept as its hash, an invitation as the hash of its token.
CREATE TABLE person (
    id            TEXT PRIMARY KEY,
    name          TEXT NOT NULL,
    sign_in       TEXT NOT NULL UNIQUE,
    role          TEXT NOT NULL,
    password_hash TEXT,
    stamp         TEXT NOT NULL,
    may_enter     INTEGER NOT NULL DEFAULT 1,
    since         TEXT NOT NULL
) STRICT;

CREATE TABLE invitation (
    token_hash TEXT PRIMARY KEY,
    role       TEXT NOT NULL,
    made_by    TEXT NOT NULL,
    made_at    TEXT NOT NULL,
    until      TEXT NOT NULL,
    used_by    TEXT REFERENCES person (id)
) STRICT, WITHOUT ROWID;

-- What was done to an account, by whom: appended only.
CREATE TABLE person_change (
    id        INTEGER PRIMARY KEY,
    at        TEXT NOT NULL,
    by        TEXT NOT NULL,
    person_id TEXT NOT NULL REFERENCES person (id),
    what      TEXT NOT NULL
) STRICT;

CREATE TRIGGER person_change_is_never_changed BEFORE UPDATE ON person_change
BEGIN
    SELECT RAISE(ABORT, 'what was done to an account stays on record');
END;
