using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Cases;

/// <summary>Works out visits made of entries alone.</summary>
internal static class Worked
{
    /// <summary>The benches of the house, without logged defrosts.</summary>
    public static IReadOnlyList<IBench> Benches { get; } = BenchList.Of(_ => []);

    public static VisitCase Of(params Entry[] entries) => Of(Freezer, entries);

    /// <summary>A visit to the freezer, two hours after it began.</summary>
    public static VisitCase Of(Equipment unit, params Entry[] entries) => Of(unit, Benches, [(Visit(unit), entries)]);

    /// <param name="visits">The latest first, which is the one worked out.</param>
    public static VisitCase Of(
        Equipment unit, IReadOnlyList<IBench> benches, IReadOnlyList<(Visit Visit, IReadOnlyList<Entry> Entries)> visits)
    {
        var site = new Site(unit.SiteId, "Quillmere Market Hall", 0, "Europe/London");
        var company = new Company("", UnitPreference.Metric, new Dictionary<string, PointRef>());
        var record = new UnitRecord([new(Nine.AddYears(-1), Nine.AddYears(-1), "Isolde", unit)]);
        var latest = visits[0].Visit;
        return new(
            new(latest.Id, record, new Dictionary<Guid, Site> { [site.Id] = site }, company, visits, latest.StartedAt.AddHours(2)), benches,
            PlainJudging.Instance);
    }

    public static Visit Visit(Equipment unit, int daysBefore = 0) =>
        new(daysBefore == 0 ? VisitId : Guid.CreateVersion7(), unit.Id, Nine.AddDays(-daysBefore), "Isolde", "");
}
