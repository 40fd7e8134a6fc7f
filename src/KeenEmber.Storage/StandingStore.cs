using System.Text.Json;
using Dapper;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Written;

namespace KeenEmber.Storage;

/// <summary>How one visit stands.</summary>
/// <param name="Entries">How many entries it was made of: a visit with more is judged anew.</param>
/// <param name="Results">Its usable results in K, for their drift over visits.</param>
public sealed record VisitStanding(
    Visit Visit, int Entries, Finding Stands, bool NeedsAttention, bool IsSignedOff, DateOnly? FollowUp, IReadOnlyDictionary<ResultRef,
        double> Results)
{
    /// <summary>What the sign-off names as the root cause; empty without one.</summary>
    public string RootCause { get; init; } = "";

    /// <summary>What it found first and is no longer so; null where nothing was, or it still stands.</summary>
    public Finding? Found { get; init; }

    /// <summary>Not the last visit, and judged as far as lists ask: how it stood is worked out when its unit is looked at.</summary>
    public bool IsInBrief { get; init; }
}

/// <summary>How one unit stands over its visits.</summary>
/// <param name="Visits">The latest first.</param>
public sealed record UnitStanding(IReadOnlyList<VisitStanding> Visits, IReadOnlyList<OpenItem> OpenItems, IReadOnlyList<Drifting> Drift)
{
    /// <summary>Null on a unit without visits.</summary>
    public VisitStanding? Latest => Visits.Count > 0 ? Visits[0] : null;
}

/// <summary>One unit in a list.</summary>
/// <param name="Refrigerant">As the nameplate has it.</param>
/// <param name="Stands">How its last visit stands; null without one.</param>
/// <param name="LastVisit">Null when nobody has been there.</param>
public sealed record UnitLine(
    Guid Id, string Tag, string Name, EquipmentKind Kind, string Refrigerant, Site Site, Finding? Stands, bool NeedsAttention,
    Visit? LastVisit, bool IsSignedOff, DateOnly? FollowUp, IReadOnlyList<OpenItem> OpenItems, IReadOnlyList<Drifting> Drift)
{
    /// <summary>False for a unit that has never been judged: what the line says of it is not known yet.</summary>
    public bool IsJudged { get; init; } = true;
}

/// <summary>Which units a list holds.</summary>
public enum Listing
{
    /// <summary>Every unit.</summary>
    All,

    /// <summary>Those with a safety bypassed.</summary>
    Safety,

    /// <summary>Those with something open past its day.</summary>
    Overdue,

    /// <summary>Those that somebody said to look at again.</summary>
    FollowUp,

    /// <summary>Those with a visit.</summary>
    Visited,

    /// <summary>Those seen again too soon.</summary>
    Callbacks,

    /// <summary>Those with a result that creeps.</summary>
    Drifting,
}

/// <summary>How the units stand, kept for the lists and made anew when what it rests on has changed.</summary>
public sealed class StandingStore(Database database)
{
    private sealed class Row
    {
        public string Id { get; init; } = "";
        public string Tag { get; init; } = "";
        public string Name { get; init; } = "";
        public string Kind { get; init; } = "";
        public string Refrigerant { get; init; } = "";
        public string SiteId { get; init; } = "";
        public string Stands { get; init; } = "";
        public bool Needs { get; init; }
        public string? LastVisit { get; init; }
        public bool SignedOff { get; init; }
        public string? FollowUp { get; init; }
        public string OpenItems { get; init; } = "";
        public string Drift { get; init; } = "";
        public int MadeOf { get; init; }

        public UnitLine ToLine(Dictionary<Guid, Site> sites) => new(
            Guid.Parse(Id), Tag, Name, Enum.Parse<EquipmentKind>(Kind), Refrigerant, sites[Guid.Parse(SiteId)],
            Stands.Length == 0 ? null : Of<Finding>(Stands), Needs,
            LastVisit is null ? null : Of<Visit>(LastVisit), SignedOff, FollowUp is null ? null
                : Database.Day(FollowUp), Of<List<OpenItem>>(OpenItems), Of<List<Drifting>>(Drift)) { IsJudged = MadeOf > 0 };
    }

    /// <summary>The units whose row is out of date, the ones visited last first.</summary>
    public IReadOnlyList<Guid> ToMake(int atMost)
    {
        using var db = database.Open();
        return [.. db.Query<string>(
            "SELECT equipment_id FROM unit_standing WHERE changes <> made_of ORDER BY last_visit_at DESC LIMIT @atMost", new { atMost })
            .Select(Guid.Parse)];
    }

    /// <summary>Some rows have never been made: their units stand in no list with anything to say.</summary>
    public bool HasUnmade
    {
        get
        {
            using var db = database.Open();
            return db.ExecuteScalar<long>("SELECT EXISTS (SELECT 1 FROM unit_standing WHERE made_of = 0)") == 1;
        }
    }

    /// <summary>Declares every row out of date that other rules have made.</summary>
    /// <param name="rules">Names the rules that are about to judge.</param>
    public void MadeBy(string rules)
    {
        judgedBy = rules;
        using var db = database.Open();
        db.Execute(
            "UPDATE unit_standing SET changes = changes + 1, visits = '[]', made_by = @rules WHERE made_by <> @rules", new { rules });
    }

    /// <summary>Names the rules that judge here; null before they were named.</summary>
    private string? judgedBy;

    /// <summary>What is kept of a unit, and how many changes of it there have been; the standing is out of date when it is made of
    /// fewer.</summary>
    public (UnitStanding Standing, int Changes, bool IsCurrent)? Find(Guid equipmentId)
    {
        using var db = database.Open();
        return db.Query<(string Visits, string OpenItems, string Drift, int Changes, int MadeOf)>(
            "SELECT visits, loops, drift, changes, made_of FROM unit_standing WHERE equipment_id = @id",
                new { id = equipmentId.ToString() })
            .Select(r =>
                ((UnitStanding, int, bool)?)(
                new(Of<List<VisitStanding>>(r.Visits), Of<List<OpenItem>>(r.OpenItems), Of<List<Drifting>>(r.Drift)), r.Changes,
                r.Changes == r.MadeOf))
            .SingleOrDefault();
    }

    /// <summary>Keeps what was made of a unit's record as it was after so many changes.</summary>
    public void Save(Guid equipmentId, UnitStanding standing, int changes, bool isCallback)
    {
        var latest = standing.Latest;
        using var db = database.Open();
        db.Execute("""
            UPDATE unit_standing SET made_of = @changes, made_by = coalesce(@judgedBy, made_by),
                stands = @Stands, needs = @Needs, last_visit_at = @At, last_visit = @Visit,
                signed_off = @SignedOff,
                callback = @isCallback, follow_up = @FollowUp, safety = @Safety, due = @Due, drifting = @Drifting, loops = @OpenItems,
                    drift = @Drift, visits = @Visits
            WHERE equipment_id = @Id
            """, new
        {
            Id = equipmentId.ToString(), changes, judgedBy, isCallback,
            Stands = latest is null ? "" : Json(latest.Stands), Needs = (latest?.NeedsAttention ?? false)
                || standing.OpenItems.Any(l => l.IsSafety),
            At = latest is null ? null : Database.Utc(latest.Visit.StartedAt), Visit = latest is null ? null : Json(latest.Visit),
            SignedOff = latest?.IsSignedOff ?? false, FollowUp = latest?.FollowUp is { } day ? Database.Day(day) : null,
            Safety = standing.OpenItems.Any(l => l.IsSafety),
            Due = standing.OpenItems.Where(l => l.Handover is not null).Select(l => l.Handover!.Due).DefaultIfEmpty(DateOnly.MaxValue)
                .Min() is var due && due < DateOnly.MaxValue ? Database.Day(due) : null,
            Drifting = standing.Drift.Count > 0, OpenItems = Json(standing.OpenItems), Drift = Json(standing.Drift),
                Visits = Json(standing.Visits),
        });
    }

    /// <summary>Units of one listing.</summary>
    /// <param name="listing">Overdue and FollowUp: what is due up to <paramref name="until"/>. Visited and Callbacks: visits since
    /// <paramref name="since"/>.</param>
    public IReadOnlyList<UnitLine> List(Listing listing, int from, int count, DateOnly until = default, DateTimeOffset since = default)
    {
        var which = listing switch
        {
            Listing.Safety => "u.safety = 1 ORDER BY u.tag",
            Listing.Overdue => "u.due < @until ORDER BY u.due",
            Listing.FollowUp => "u.follow_up <= @until ORDER BY u.follow_up",
            Listing.Visited => "u.last_visit_at >= @since ORDER BY u.last_visit_at DESC",
            Listing.Callbacks => "u.last_visit_at >= @since AND u.callback = 1 AND u.signed_off = 0 ORDER BY u.last_visit_at DESC",
            Listing.Drifting => "u.drifting = 1 ORDER BY u.tag",
            _ => "1 ORDER BY u.needs DESC, u.tag COLLATE NOCASE",
        };
        using var db = database.Open();
        var sites = db.Query<EquipmentStore.SiteRow>(EquipmentStore.SiteColumns).Select(r => r.ToSite()).ToDictionary(s => s.Id);
        // CROSS JOIN keeps the order of the tables: the index of the list decides which rows are read at all.
        return [.. db.Query<Row>($"""
            SELECT e.id, e.tag, e.name, e.kind, c.refrigerant, e.site_id AS SiteId, u.stands, u.needs, u.last_visit AS LastVisit,
                u.signed_off AS SignedOff,
                   u.follow_up AS FollowUp, u.loops AS OpenItems, u.drift, u.made_of AS MadeOf
            FROM unit_standing u CROSS JOIN equipment e ON e.id = u.equipment_id JOIN circuit c ON c.equipment_id = e.id
            WHERE e.site_id <> @practice AND {which} LIMIT @count OFFSET @from
            """, new
        {
            practice = Site.PracticeId.ToString(), from, count, until = Database.Day(until), since = Database.Utc(since),
        }).Select(r => r.ToLine(sites))];
    }

    /// <summary>How many units there are, and how many need attention.</summary>
    public (int Units, int Need) Count()
    {
        using var db = database.Open();
        return db.QuerySingle<(int, int)>("""
            SELECT count(*), coalesce(sum(u.needs), 0) FROM unit_standing u JOIN equipment e ON e.id = u.equipment_id
            WHERE e.site_id <> @practice
            """, EquipmentStore.Practice);
    }

    private static string Json<T>(T value) => JsonSerializer.Serialize(value, EntryJson.Options);

    private static T Of<T>(string json) => JsonSerializer.Deserialize<T>(json, EntryJson.Options)!;
}
