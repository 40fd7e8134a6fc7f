-- What a unit was from a moment on. Appended only; the tables equipment and circuit hold the newest of them, for the lists.
CREATE TABLE nameplate (
    id           TEXT PRIMARY KEY,
    equipment_id TEXT NOT NULL REFERENCES equipment (id),
    at           TEXT NOT NULL,
    written_at   TEXT NOT NULL,
    author       TEXT NOT NULL,
    device       TEXT NOT NULL,
    version      INTEGER NOT NULL,
    body         TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE INDEX nameplate_by_equipment ON nameplate (equipment_id);

INSERT INTO nameplate (id, equipment_id, at, written_at, author, device, version, body)
SELECT e.id, e.id, '2000-01-01T00:00:00.0000000Z', '2000-01-01T00:00:00.0000000Z', '', '', 1, json_object(
    'id', e.id, 'siteId', e.site_id, 'tag', e.tag, 'name', e.name, 'kind', e.kind, 'targetK', e.target_k, 'evaporatorFans', e.evaporator_fans, 'product', e.product,
    'location', e.location, 'hazards', e.hazards, 'circuitId', c.id, 'refrigerant', c.refrigerant, 'chargeKg', c.charge_kg, 'metering', c.metering, 'condenser', c.condenser,
    'parts', c.parts, 'nameplate', c.nameplate, 'coils', c.coils, 'ratedCurrentA', c.rated_current_a, 'coldestAmbientK', c.coldest_ambient_k)
FROM equipment e JOIN circuit c ON c.equipment_id = e.id;

CREATE TRIGGER nameplate_is_never_changed BEFORE UPDATE ON nameplate
BEGIN
    SELECT RAISE(ABORT, 'a nameplate is followed by another, never changed');
END;

CREATE TRIGGER nameplate_is_never_deleted BEFORE DELETE ON nameplate
BEGIN
    SELECT RAISE(ABORT, 'a nameplate is followed by another, never deleted');
END;
