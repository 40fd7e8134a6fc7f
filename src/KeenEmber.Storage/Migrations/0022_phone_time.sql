-- Of an entry that waited on a phone for signal: what the phone's own clock said when it was made. "at" is that moment by the server's clock.
ALTER TABLE entry ADD COLUMN phone_at TEXT;
