-- What was decided anew on the company's page, by whom: appended only.
CREATE TABLE company_change (
    id   INTEGER PRIMARY KEY,
    at   TEXT NOT NULL,
    by   TEXT NOT NULL,
    what TEXT NOT NULL
) STRICT;

CREATE TRIGGER company_change_is_never_changed BEFORE UPDATE ON company_change
BEGIN
    SELECT RAISE(ABORT, 'what was decided stays on record');
END;

CREATE TRIGGER company_change_is_never_deleted BEFORE DELETE ON company_change
BEGIN
    SELECT RAISE(ABORT, 'what was decided stays on record');
END;
