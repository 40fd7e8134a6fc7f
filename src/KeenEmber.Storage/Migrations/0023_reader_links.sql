-- Addresses by which somebody without an account reads the report of one visit, until a day or until they are taken back.
CREATE TABLE reader_link (
    id         TEXT PRIMARY KEY,
    token_hash TEXT NOT NULL UNIQUE,
    visit_id   TEXT NOT NULL REFERENCES visit (id),
    made_by    TEXT NOT NULL,
    made_at    TEXT NOT NULL,
    until      TEXT NOT NULL,
    ended_at   TEXT
) STRICT;
CREATE INDEX reader_link_of_visit ON reader_link (visit_id);
