using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Practice;

/// <summary>Earlier visits of a case, with as much as whoever was there put down: what was replaced, charged or worked on.</summary>
public static class PracticePast
{
    private const string Author = "Corin Vale";

    /// <summary>What a cylinder gives where nobody weighed it, kg.</summary>
    private const double ByEyeKg = 0.3;

    private static readonly TimeSpan OnSite = TimeSpan.FromMinutes(40);

    /// <summary>The oldest first; none where nobody was there before.</summary>
    /// <param name="unit">The unit of the case.</param>
    /// <param name="now">The visit that is practised.</param>
    public static IReadOnlyList<(Visit Visit, IReadOnlyList<Entry> Entries)> Of(PracticeCase practised, Equipment unit, Visit now) =>
        [.. (practised.Job.History ?? []).OrderByDescending(h => h.DaysAgo).Select(h => Past(h, unit, now))];

    private static (Visit, IReadOnlyList<Entry>) Past(JobWork work, Equipment unit, Visit now)
    {
        var begun = now.StartedAt.AddDays(-work.DaysAgo);
        var visit = new Visit(Guid.CreateVersion7(begun), unit.Id, begun, Author, "");
        return (visit, [.. work.Parts.Select(part => Done(
            new(Guid.CreateVersion7(begun + OnSite), visit.Id, begun + OnSite, begun + OnSite, Author), part,
            work.Replaced?.Contains(part) == true, unit))]);
    }

    private static Entry Done(EntryHeader header, string part, bool isReplaced, Equipment unit)
    {
        var (name, area) = (part.Replace('-', ' '), WorkedParts.AreaOf(part));
        if (part == "refrigerant")
            return new RefrigerantEntry(header, unit.Circuit.RefrigerantName, ByEyeKg, "", "topped up by eye, not weighed");
        if (!isReplaced)
            return new ChangeEntry(header, name, "", "worked on", "", null, FoundSo: false, area);
        return ComponentOf(part) is { } component ? new PartEntry(header, "", "", "", "", "", false, area, component)
            : new PartEntry(header, name, "", "", "", "", false, area);
    }

    /// <summary>Null for what the unit has under a name alone, such as its control.</summary>
    private static Component? ComponentOf(string part) =>
        Enum.GetValues<ComponentKind>().Where(k => k != ComponentKind.ControlRelay && PartCodes.Of(k) == part)
            .Select(k => new Component(k)).FirstOrDefault();
}
