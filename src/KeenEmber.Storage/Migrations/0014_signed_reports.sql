-- What was signed off, as it read then.
CREATE TABLE signed_report (
    entry_id  TEXT PRIMARY KEY REFERENCES entry (id),
    signed_at    TEXT NOT NULL,
    version      TEXT NOT NULL,
    for_lead     TEXT NOT NULL,
    for_customer TEXT NOT NULL
) STRICT;

CREATE TRIGGER signed_report_is_never_changed BEFORE UPDATE ON signed_report
BEGIN
    SELECT RAISE(ABORT, 'what was signed stays as it was signed');
END;
