-- What the second of two sides is to hold, and what a rack's own labels call the circuit.
ALTER TABLE equipment ADD COLUMN second_target_k REAL;
ALTER TABLE circuit ADD COLUMN rack_circuit TEXT NOT NULL DEFAULT '';
