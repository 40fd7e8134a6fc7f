using System.Text.Json;
using System.Text.Json.Serialization;
using Dapper;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Practice;
using KeenEmber.Core.Record;

namespace KeenEmber.Storage;

/// <summary>A case that somebody works or has worked.</summary>
/// <param name="IsSolved">Null while it is worked.</param>
public sealed record Practised(
    Guid VisitId, string Person, string CaseCode, int Level, DateTimeOffset StartedAt, DateTimeOffset? EndedAt,
    bool? IsSolved, double? Minutes);

/// <summary>Cases that are practised, and what was done on each.</summary>
public sealed class PracticeStore(Database database, VisitStore visits)
{
    private const string Columns = """
        SELECT visit_id AS VisitId, person, case_code AS CaseCode, level, started_at AS StartedAt, ended_at AS EndedAt, solved, minutes
        FROM practice
        """;

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter() } };

    private sealed class Row
    {
        public string VisitId { get; init; } = "";
        public string Person { get; init; } = "";
        public string CaseCode { get; init; } = "";
        public long Level { get; init; }
        public string StartedAt { get; init; } = "";
        public string? EndedAt { get; init; }
        public long? Solved { get; init; }
        public double? Minutes { get; init; }

        public Practised ToPractised() => new(Guid.Parse(VisitId), Person, CaseCode, (int)Level, Database.Utc(StartedAt),
            EndedAt is null ? null : Database.Utc(EndedAt), Solved is null ? null : Solved == 1, Minutes);
    }

    /// <summary>Begins a case: its unit, earlier visits and its visit with it, all or nothing; the same one again changes
    /// nothing.</summary>
    /// <param name="unit">At the site of practice; its tag is given here.</param>
    public void Start(Equipment unit, Site site, Visit visit, PracticeCase practised, string device) => database.Together(db =>
    {
        if (db.ExecuteScalar<long>("SELECT count(*) FROM practice WHERE visit_id = @id", new { id = visit.Id.ToString() }) > 0)
            return false;
        var number = db.ExecuteScalar<long>("SELECT count(*) FROM practice") + 1;
        var past = PracticePast.Of(practised, unit, visit);
        EquipmentStore.Save(db, unit with { Tag = $"P-{number}" }, site,
            new(past.Select(p => p.Visit.StartedAt).Append(visit.StartedAt).Min(), visit.Author, device));
        foreach (var (earlier, entries) in past)
        {
            VisitStore.Start(db, earlier);
            visits.Append(db, entries);
        }

        VisitStore.Start(db, visit);
        return db.Execute("""
            INSERT INTO practice (visit_id, person, case_code, level, body, started_at) VALUES (@id, @Author, @Code, @Level, @body, @at)
            """, new
        {
            id = visit.Id.ToString(), visit.Author, practised.Code, practised.Level, body = practised.Write(),
            at = Database.Utc(visit.StartedAt),
        }) > 0;
    });

    /// <summary>What was done on the case of a visit; null where it is none of practice.</summary>
    public PracticeRun? Find(Guid visitId)
    {
        using var db = database.Open();
        return db.QuerySingleOrDefault<(string? Body, string? Acts)>("SELECT body, acts FROM practice WHERE visit_id = @id",
            new { id = visitId.ToString() }) is ({ } body, { } acts)
            ? new(PracticeCase.Read(body), JsonSerializer.Deserialize<List<PracticeAct>>(acts, Json)!) : null;
    }

    /// <summary>Puts an act on record; the same one again changes nothing, nor does any after the end.</summary>
    /// <param name="debriefed">With the last one: how it went.</param>
    /// <returns>It is new.</returns>
    public bool Append(Guid visitId, PracticeAct act, DateTimeOffset now, (bool IsSolved, double Minutes)? debriefed = null) =>
        database.Together(db =>
        {
            var text = db.QuerySingle<string>("SELECT acts FROM practice WHERE visit_id = @id", new { id = visitId.ToString() });
            var acts = JsonSerializer.Deserialize<List<PracticeAct>>(text, Json)!;
            if (acts.Exists(a => a.Id == act.Id || a.Step == PracticeStep.End))
                return false;
            return db.Execute("""
                UPDATE practice SET acts = @acts, ended_at = @ended, solved = @solved, minutes = @minutes WHERE visit_id = @id
                """, new
            {
                id = visitId.ToString(), acts = JsonSerializer.Serialize(acts.Append(act), Json),
                ended = debriefed is null ? null : Database.Utc(now), solved = debriefed?.IsSolved, minutes = debriefed?.Minutes,
            }) > 0;
        });

    /// <summary>What a person has worked, or everybody, the latest first.</summary>
    public IReadOnlyList<Practised> Of(string? person)
    {
        using var db = database.Open();
        return [.. db.Query<Row>($"{Columns} WHERE @person IS NULL OR person = @person ORDER BY started_at DESC", new { person })
            .Select(r => r.ToPractised())];
    }
}
