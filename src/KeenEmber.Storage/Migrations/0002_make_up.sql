-- What a circuit is made of in full: its parts by name, a second coil, the plate's current, the coldest air at the condenser.
ALTER TABLE circuit ADD COLUMN parts TEXT NOT NULL DEFAULT 'None';
UPDATE circuit SET parts = 'Receiver' WHERE has_receiver = 1;
ALTER TABLE circuit DROP COLUMN has_receiver;
ALTER TABLE circuit ADD COLUMN coils INTEGER NOT NULL DEFAULT 1;
ALTER TABLE circuit ADD COLUMN rated_current_a REAL;
ALTER TABLE circuit ADD COLUMN coldest_ambient_k REAL;
