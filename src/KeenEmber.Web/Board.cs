using KeenEmber.Core.Circuit;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web;

/// <summary>How the units stand, for the start page and the unit's own: kept and listed by <see cref="StandingStore"/>, judged here when something has changed.</summary>
public sealed class Board(StandingStore standings, VisitStore visits, EquipmentStore equipment, ShopStore shops)
{
    /// <summary>A page makes at most so many rows anew before it is shown.</summary>
    private const int AtMostBeforeAPage = 25;

    private readonly Lock oneAtATime = new();

    /// <summary>Makes the rows anew that are out of date, unless very many are: those follow beside the pages, which show them as they were.</summary>
    public void Refresh()
    {
        var stale = standings.ToMake(AtMostBeforeAPage + 1);
        if (stale.Count > AtMostBeforeAPage)
            return;
        foreach (var id in stale)
            Of(id);
    }

    /// <summary>Makes every row anew that other rules than today's have made; may take minutes on a large record.</summary>
    public void RefreshAll()
    {
        standings.MadeBy($"{typeof(Board).Module.ModuleVersionId} {typeof(Timeline).Module.ModuleVersionId}");
        while (standings.ToMake(AtMostBeforeAPage) is { Count: > 0 } batch)
        {
            foreach (var id in batch)
                Of(id);
        }
    }

    /// <summary>How a unit stands now.</summary>
    public UnitStanding Of(Guid equipmentId)
    {
        lock (oneAtATime)
        {
            if (standings.Find(equipmentId) is not var (kept, changes, isCurrent) || equipment.Find(equipmentId) is not var (unit, site))
                return new([], [], []);
            if (isCurrent)
                return kept;
            var standing = Judge(unit, site, kept);
            standings.Save(equipmentId, standing, changes, standing.Visits is [var last, var before, ..] && last.Visit.IsCallbackAfter(before.Visit, shops.Get().Policies, before.FollowUp));
            return standing;
        }
    }

    /// <summary>Judges the visits that have grown since, and what follows from all of them.</summary>
    private UnitStanding Judge(Equipment unit, Site site, UnitStanding kept)
    {
        var counts = visits.CountsOfEquipment(unit.Id);
        var known = kept.Visits.Where(v => counts.GetValueOrDefault(v.Visit.Id) == v.Entries).ToDictionary(v => v.Visit.Id);
        var all = visits.OfEquipment(unit.Id);
        var entries = visits.EntriesOf(all.Select(v => v.Id).Where(id => !known.ContainsKey(id)));
        var sensors = new Timeline(visits.EntriesAboutSensors(unit.Id), unit, site.Atmosphere);
        var judged = all.Select(v => known.GetValueOrDefault(v.Id) ?? Judge(unit, site, v, [.. entries[v.Id]], sensors)).ToList();
        var loops = OpenLoops.Of([new Timeline(visits.EntriesAboutLoops(unit.Id), unit, site.Atmosphere)]);
        return new(judged, loops, Drift.Of([.. judged.Where(v => v.Results.Count > 0).Select(v => v.Results)]));
    }

    private static VisitStanding Judge(Equipment unit, Site site, Visit visit, IReadOnlyList<TimelineEntry> written, Timeline sensors)
    {
        var timeline = new Timeline(written, unit, site.Atmosphere);
        var analysis = VisitDesk.AnalyseAtEnd(unit, site, visit, timeline);
        IReadOnlyList<Finding> controls = [.. UnitSensors.Of(timeline, [sensors], site.Atmosphere).Now, .. ControllerBench.FaultsNow(timeline)];
        var signOff = timeline.Standing.OfType<SignOffEntry>().LastOrDefault();
        return new(
            visit, written.Count, PanelText.Stands(analysis, timeline.HasReadings, unit, controls), controls.Count > 0 || (analysis is not null && PanelText.NeedsAttention(analysis)), signOff is not null, signOff?.FollowUp,
            analysis?.Results.Where(r => r is { IsUsable: true, Quantity: ResultQuantity.Difference }).ToDictionary(r => r.Kind, r => r.Value!.Value) ?? []);
    }
}
