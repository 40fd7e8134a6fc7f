-- Keys that somebody signs in with instead of a password. The secret stays on their device; "body" is what it is checked by.
CREATE TABLE passkey (
    credential TEXT PRIMARY KEY,
    person_id  TEXT NOT NULL REFERENCES person (id),
    name       TEXT NOT NULL,
    since      TEXT NOT NULL,
    body       TEXT NOT NULL
) STRICT, WITHOUT ROWID;
CREATE INDEX passkey_of_person ON passkey (person_id);
