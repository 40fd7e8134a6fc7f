using System.Globalization;
using CsvHelper;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Charge;
using KeenEmber.Words.Benches.Circuit;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <summary>A unit's memory as tables for a sheet program: every reading, parts, refrigerant, open items.</summary>
/// <remarks>Comma-separated UTF-8 with one heading row, times in UTC. A cell that begins like a formula is written so that a sheet shows it
/// as text.</remarks>
public static class SheetEndpoint
{
    /// <summary>A unit as the sheets need it: its visits and timelines, the earliest first.</summary>
    private sealed record Remembered(Equipment Unit, IReadOnlyList<(Visit Visit, Timeline Timeline)> Visits);

    private static readonly Dictionary<string, Func<Remembered, IEnumerable<object?[]>>> Sheets = new()
    {
        ["points"] = Points, ["parts"] = Parts, ["refrigerant"] = Refrigerant, ["open-items"] = OpenItems,
        ["vacuum"] = Vacuum,
    };

    public static void MapSheets(this IEndpointRouteBuilder routes)
    {
        foreach (var (name, rows) in Sheets)
        {
            routes.MapGet($"/api/units/{{id:guid}}/{name}.csv", (Guid id, EquipmentStore equipment, VisitStore visits, VisitViews views) =>
                Of(id, equipment, visits, views) is { } unit ? Answer(unit, name, rows) : (Results<FileContentHttpResult, NotFound>)
                    TypedResults.NotFound()).WithSummary($"A unit's {name.Replace('-', ' ')} over all visits, comma-separated");
        }
    }

    private static Remembered? Of(Guid id, EquipmentStore equipment, VisitStore visits, VisitViews views)
    {
        if (equipment.Find(id) is not var (unit, _))
            return null;
        var latest = visits.OfEquipment(id) is [var last, ..] ? views.Open(last.Id) : null;
        return new(unit, [.. (latest?.AllVisits ?? []).OrderBy(v => v.Visit.StartedAt)]);
    }

    private static FileContentHttpResult Answer(Remembered unit, string name, Func<Remembered, IEnumerable<object?[]>> rows)
    {
        using var bytes = new MemoryStream();
        using (var csv = CsvWriter.Create(bytes, CsvWriterOptions.Default with { Injection = CsvInjection.Escape }, leaveOpen: true))
        {
            foreach (var row in rows(unit))
            {
                foreach (var cell in row)
                    Write(csv, cell);
                csv.EndRecord();
            }
        }

        var tag = string.Concat(unit.Unit.Tag.Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-'));
        return TypedResults.File(bytes.ToArray(), "text/csv; charset=utf-8", $"{tag}-{name}.csv");
    }

    private static void Write(CsvWriter csv, object? cell)
    {
        switch (cell)
        {
            case double number:
                csv.WriteField(number, "0.####");
                break;
            case DateTimeOffset time:
                csv.WriteField(time.UtcDateTime.ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture));
                break;
            case DateOnly day:
                csv.WriteField(day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture));
                break;
            default:
                csv.WriteField((string?)cell ?? "");
                break;
        }
    }

    private static IEnumerable<(Visit Visit, T Entry)> All<T>(Remembered unit)
        where T : Entry => unit.Visits.SelectMany(v => v.Timeline.Standing.OfType<T>(), (v, e) => (v.Visit, e));

    private static IEnumerable<object?[]> Points(Remembered unit) =>
        [["visit", "time", "point", "value", "unit", "by"], .. All<ReadingEntry>(unit).Select(r => new object?[]
        {
            r.Visit.StartedAt, r.Entry.At, CircuitText.Name(r.Entry.Point, unit.Unit.MakeUp), r.Entry.Value.Number,
            r.Entry.Value.Unit.Symbol, r.Entry.Author,
        })];

    private static IEnumerable<object?[]> Parts(Remembered unit) =>
        [["time", "part", "what was wrong", "replaced by", "serial", "warranty", "by"], .. All<PartEntry>(unit).Select(p => new object?[]
        {
            p.Entry.At, ChangeText.PartName(p.Entry, unit.Unit), p.Entry.Failure, p.Entry.ReplacedBy, p.Entry.Serial,
            p.Entry.Warranty ? "yes" : "no", p.Entry.Author,
        })];

    private static IEnumerable<object?[]> Refrigerant(Remembered unit) =>
        [["time", "refrigerant", "kg added (less: recovered)", "kg in hoses", "cylinder", "why", "by"],
            .. All<RefrigerantEntry>(unit).Select(r => new object?[]
            {
                r.Entry.At, r.Entry.Refrigerant, r.Entry.MassKg, r.Entry.HosesKg,
                r.Entry.Cylinder, r.Entry.Why, r.Entry.Author,
            })];

    private static IEnumerable<object?[]> Vacuum(Remembered unit) =>
        [["visit", "time", "step", "Pa absolute", "by"], .. All<VacuumEntry>(unit).Select(v => new object?[]
        {
            v.Visit.StartedAt, v.Entry.At, ChargeText.Name(v.Entry.Step), v.Entry.Pa, v.Entry.Author,
        })];

    private static IEnumerable<object?[]> OpenItems(Remembered unit) =>
        [["since", "what", "safety", "reason", "owner", "due", "left by"], .. OpenItem.Of(unit.Visits.Select(v => v.Timeline)).Select(o =>
            new object?[]
            {
                o.Change.At, ChangeText.Line(o), o.IsSafety ? "yes" : "no", o.Handover?.Reason, o.Handover?.Owner, o.Handover?.Due,
                o.Change.Author,
            })];
}
