using System.Text.Json;
using Dapper;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Written;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage;

/// <summary>Who saves a nameplate, and since when it is so.</summary>
/// <param name="Since">Null where the last word on the unit was wrong and is put right; a moment where the unit was changed then.</param>
public sealed record SavedBy(DateTimeOffset WrittenAt, string Author, string Device, DateTimeOffset? Since = null);

/// <summary>Sites, their units and the circuit of each unit.</summary>
public sealed class EquipmentStore(Database database)
{
    private const string Columns = """
        SELECT e.id, e.site_id AS SiteId, e.tag, e.name, e.kind, e.target_k AS TargetK, e.evaporator_fans AS EvaporatorFans, e.product,
            e.location, e.hazards, e.second_target_k AS SecondTargetK,
               c.id AS CircuitId, c.refrigerant, c.charge_kg AS ChargeKg, c.metering, c.condenser, c.parts, c.nameplate,
               c.coils, c.rated_current_a AS RatedCurrentA, c.coldest_ambient_k AS ColdestAmbientK,
               c.rack_circuit AS RackCircuit
        FROM equipment e JOIN circuit c ON c.equipment_id = e.id
        """;

    internal const string SiteColumns = "SELECT id, name, elevation_m AS ElevationM, time_zone AS TimeZone FROM site";

    internal sealed record SiteRow(string Id, string Name, double ElevationM, string TimeZone)
    {
        public Site ToSite() => new(Guid.Parse(Id), Name, ElevationM, TimeZone);
    }

    /// <summary>The site that no list shows.</summary>
    internal static readonly object Practice = new { practice = Site.PracticeId.ToString() };

    /// <summary>All of them but the one of practice, by name.</summary>
    public IReadOnlyList<Site> Sites()
    {
        using var db = database.Open();
        return [.. db.Query<SiteRow>($"{SiteColumns} WHERE id <> @practice ORDER BY name", Practice).Select(r => r.ToSite())];
    }

    /// <summary>Every unit but those of practice, by tag within its site.</summary>
    public IReadOnlyList<Equipment> All()
    {
        using var db = database.Open();
        return [.. db.Query<WrittenUnit>($"{Columns} WHERE e.site_id <> @practice ORDER BY e.tag", Practice).Select(r => r.ToEquipment())];
    }

    /// <summary>A unit and where it stands; null when there is none of that id.</summary>
    public (Equipment Equipment, Site Site)? Find(Guid id)
    {
        using var db = database.Open();
        if (db.QuerySingleOrDefault<WrittenUnit>($"{Columns} WHERE e.id = @id", new { id = id.ToString() }) is not { } row)
            return null;
        var site = db.QuerySingle<SiteRow>($"{SiteColumns} WHERE id = @SiteId", new { row.SiteId });
        return (row.ToEquipment(), site.ToSite());
    }

    /// <summary>A unit through time, with every site it has stood at; null when there is none of that id.</summary>
    public (UnitRecord Record, IReadOnlyDictionary<Guid, Site> Sites)? RecordOf(Guid id)
    {
        using var db = database.Open();
        var written =
            db.Query<(string At, string WrittenAt, string Author, string Body)>(
            "SELECT at, written_at, author, body FROM nameplate WHERE equipment_id = @id ORDER BY rowid", new { id = id.ToString() })
            .Select(n =>
                new Nameplate(
                Database.Utc(n.At), Database.Utc(n.WrittenAt), n.Author,
                JsonSerializer.Deserialize<WrittenUnit>(n.Body, EntryJson.Options)!.ToEquipment())).ToList();
        if (written.Count == 0)
            return null;
        var sites =
            db.Query<SiteRow>($"{SiteColumns} WHERE id IN @ids", new { ids = written.Select(n => n.Unit.SiteId.ToString()).Distinct() })
            .Select(r => r.ToSite()).ToDictionary(s => s.Id);
        return (new(written), sites);
    }

    /// <summary>Puts what a unit is on record, where that is anything new.</summary>
    private static void Append(SqliteConnection db, Equipment unit, SavedBy by)
    {
        var id = unit.Id.ToString();
        var body = JsonSerializer.Serialize(WrittenUnit.Of(unit), EntryJson.Options);
        var (at, last) =
            db.QuerySingleOrDefault<(string?, string?)>(
            "SELECT at, body FROM nameplate WHERE equipment_id = @id ORDER BY at DESC, rowid DESC LIMIT 1", new { id });
        if (last == body)
            return;
        db.Execute(
            "INSERT INTO nameplate (id, equipment_id, at, written_at, author, device, version, body) VALUES (@new, @id, @at, "
            + "@written, @Author, @Device, 1, @body)", new
        {
            @new = Guid.CreateVersion7().ToString(), id, at = by.Since is { } since ? Database.Utc(since) : at
                ?? Database.Utc(EntryBounds.Earliest),
            written = Database.Utc(by.WrittenAt), by.Author, by.Device, body,
        });
    }

    /// <summary>Saves a unit with its circuit, and its site with it, all or nothing. What it was before stays on record.</summary>
    /// <returns>False when another unit of the site already has this tag; then nothing is saved.</returns>
    public bool Save(Equipment unit, Site site, SavedBy by) => database.Together(db => Save(db, unit, site, by));

    /// <summary>The same together with what else is written on this connection.</summary>
    public static bool Save(SqliteConnection db, Equipment unit, Site site, SavedBy by)
    {
        try
        {
            site = SaveSite(db, site);
            db.Execute("""
                INSERT INTO equipment (id, site_id, tag, name, kind, target_k, evaporator_fans, product, location, hazards,
                    second_target_k)
                VALUES (@Id, @SiteId, @Tag, @Name, @Kind, @TargetK, @EvaporatorFans, @Product, @Location, @Hazards, @SecondTargetK)
                ON CONFLICT (id) DO UPDATE SET site_id = excluded.site_id, tag = excluded.tag, name = excluded.name, kind = excluded.kind,
                    target_k = excluded.target_k, evaporator_fans = excluded.evaporator_fans, product = excluded.product,
                        location = excluded.location, hazards = excluded.hazards, second_target_k = excluded.second_target_k
                """, new
            {
                Id = unit.Id.ToString(), SiteId = site.Id.ToString(), unit.Tag, unit.Name, Kind = unit.Kind.ToString(),
                TargetK = unit.Target.Kelvin, unit.EvaporatorFans, unit.Product, unit.Location, Hazards = unit.Hazards.ToString(),
                SecondTargetK = unit.SecondTarget?.Kelvin,
            });
            var c = unit.Circuit;
            db.Execute("""
                INSERT INTO circuit (id, equipment_id, refrigerant, charge_kg, metering, condenser, parts, nameplate, coils,
                    rated_current_a, coldest_ambient_k, rack_circuit)
                VALUES (@Id, @EquipmentId, @RefrigerantName, @ChargeKg, @Metering, @Condenser, @Parts, @Nameplate, @Coils, @RatedCurrentA,
                    @ColdestAmbientK, @RackCircuit)
                ON CONFLICT (id) DO UPDATE SET refrigerant = excluded.refrigerant, charge_kg = excluded.charge_kg,
                    metering = excluded.metering,
                    condenser = excluded.condenser, parts = excluded.parts, nameplate = excluded.nameplate, coils = excluded.coils,
                    rated_current_a = excluded.rated_current_a, coldest_ambient_k = excluded.coldest_ambient_k,
                    rack_circuit = excluded.rack_circuit
                """, new
            {
                Id = c.Id.ToString(), EquipmentId = unit.Id.ToString(), c.RefrigerantName, c.ChargeKg,
                Metering = c.Metering.ToString(), Condenser = c.Condenser.ToString(), Parts = c.Parts.ToString(), c.Nameplate,
                c.Coils, c.RatedCurrentA, ColdestAmbientK = c.ColdestAmbient?.Kelvin, c.RackCircuit,
            });
            Append(db, unit with { SiteId = site.Id }, by);
        }
        catch (SqliteException e) when (e.SqliteExtendedErrorCode == Database.UniqueViolated)
        {
            return false;
        }

        return true;
    }

    /// <summary>A new site of a name that is there already is that site: two people who add its first units at once mean one
    /// place.</summary>
    private static Site SaveSite(SqliteConnection db, Site site)
    {
        var known =
            db.QuerySingleOrDefault<string>(
            "SELECT id FROM site WHERE name = @Name COLLATE NOCASE AND id <> @Id ORDER BY id LIMIT 1",
            new { site.Name, Id = site.Id.ToString() });
        if (known is not null && db.ExecuteScalar<int>("SELECT count(*) FROM site WHERE id = @Id", new { Id = site.Id.ToString() }) == 0)
            site = site with { Id = Guid.Parse(known) };
        db.Execute("""
            INSERT INTO site (id, name, elevation_m, time_zone) VALUES (@Id, @Name, @ElevationM, @TimeZone)
            ON CONFLICT (id) DO UPDATE SET name = excluded.name, elevation_m = excluded.elevation_m, time_zone = excluded.time_zone
            """, new { Id = site.Id.ToString(), site.Name, site.ElevationM, site.TimeZone });
        return site;
    }
}
