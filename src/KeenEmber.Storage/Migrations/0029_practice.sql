-- Cases to practise on. Each is worked on a unit and a visit of its own at the site of practice, which no list, search, book or archive
-- shows; what was done on it stands here.
CREATE TABLE practice (
    visit_id   TEXT PRIMARY KEY REFERENCES visit (id),
    person     TEXT NOT NULL,
    case_code  TEXT NOT NULL,
    level      INTEGER NOT NULL,
    body       TEXT NOT NULL,
    started_at TEXT NOT NULL,
    acts       TEXT NOT NULL DEFAULT '[]',
    ended_at   TEXT,
    solved     INTEGER,
    minutes    REAL
) STRICT;

CREATE INDEX practice_of_person ON practice (person, started_at);
