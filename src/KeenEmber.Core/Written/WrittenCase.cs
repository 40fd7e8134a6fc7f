using System.Text.Json;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Written;

/// <summary>Everything that a visit is judged by, written down as one text: what a phone takes along to judge it where there is no
/// signal.</summary>
public sealed record WrittenCase(
    Guid VisitId, WrittenCompany Company, IReadOnlyList<Site> Sites, IReadOnlyList<WrittenNameplate> Unit,
        IReadOnlyList<WrittenVisit> Visits, ClosedCases Closed, IReadOnlyDictionary<Guid, IReadOnlyList<RunTrack>> Series)
{
    /// <summary>Writes a case down.</summary>
    /// <param name="series">Finds what a logger wrote of a defrost.</param>
    public static string Of(
        VisitRecord record, EntryKinds kinds, Func<Guid, IReadOnlyList<RunTrack>> series)
    {
        var company = record.Company;
        var runs = record.Visits.SelectMany(v => v.Entries).OfType<RunEntry>().Select(r => r.Series).OfType<Guid>().Distinct()
            .ToDictionary(id => id, series);
        return JsonSerializer.Serialize(new WrittenCase(
            record.VisitId, new(company.Name, company.Units.Code, company.Words, company.Policies, company.Technicians),
            [.. record.Sites.Values.Where(s => record.Unit.Nameplates.Any(n => n.Unit.SiteId == s.Id))],
            [.. record.Unit.Nameplates.Select(n => new WrittenNameplate(n.At, n.WrittenAt, n.Author, WrittenUnit.Of(n.Unit)))],
            [.. record.Visits.Select(v => new WrittenVisit(v.Visit, [.. v.Entries.Select(e => WrittenEntry.Of(e, kinds))]))],
            record.Closed, runs), EntryJson.Options);
    }

    /// <summary>Reads one.</summary>
    /// <exception cref="JsonException">It is none.</exception>
    public static WrittenCase Read(string written) => JsonSerializer.Deserialize<WrittenCase>(written, EntryJson.Options)
        ?? throw new JsonException("An empty case.");

    /// <summary>The case again, as of a moment.</summary>
    /// <param name="added">Entries that were made since, of the visit in question.</param>
    public VisitRecord ToRecord(EntryKinds kinds, DateTimeOffset now, IReadOnlyList<Entry> added) =>
        new(VisitId, new([.. Unit.Select(n => new Nameplate(n.At, n.WrittenAt, n.Author, n.Unit.ToEquipment()))]),
            Sites.ToDictionary(s => s.Id), Company.ToCompany(),
            [.. Visits.Select(v => (v.Visit, (IReadOnlyList<Entry>)
                [.. v.Entries.Select(e => e.ToEntry(v.Visit.Id, kinds)), .. v.Visit.Id == VisitId ? added : []]))], now)
        {
            Closed = Closed,
        };
}

/// <summary>A company as it is written down.</summary>
/// <param name="Units">Code of the units it reads in.</param>
public sealed record WrittenCompany(
    string Name, string Units, IReadOnlyDictionary<string, PointRef> Words, Policies Policies, IReadOnlyList<string> Technicians)
{
    /// <summary>The company again.</summary>
    public Company ToCompany() =>
        new(Name, UnitPreference.FromCode(Units), Words) { Policies = Policies, Technicians = Technicians };
}

/// <summary>A nameplate as it is written down.</summary>
public sealed record WrittenNameplate(DateTimeOffset At, DateTimeOffset WrittenAt, string Author, WrittenUnit Unit);

/// <summary>A visit with its entries as they are written down.</summary>
public sealed record WrittenVisit(Visit Visit, IReadOnlyList<WrittenEntry> Entries);

/// <summary>An entry as it is written down.</summary>
public sealed record WrittenEntry(
    Guid Id, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects, string Device, int Sequence,
        string Kind, int Version, string Body)
{
    /// <summary>Writes one down.</summary>
    public static WrittenEntry Of(Entry entry, EntryKinds kinds)
    {
        var (kind, version, body) = entry is UnknownEntry unknown ? (unknown.Kind, 0, unknown.Body) : kinds.Write(entry);
        var header = entry.Header;
        return new(
            header.Id, header.At, header.WrittenAt, header.Author, header.Corrects, header.Device, header.Sequence, kind, version, body);
    }

    /// <summary>The entry again.</summary>
    public Entry ToEntry(Guid visit, EntryKinds kinds) =>
        kinds.Read(new(Id, visit, At, WrittenAt, Author, Corrects) { Device = Device, Sequence = Sequence }, Kind, Version, Body);
}
