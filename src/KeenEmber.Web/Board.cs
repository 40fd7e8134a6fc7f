using KeenEmber.Core.Circuit;
using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web;

/// <summary>How the units stand, for the start page and the unit's own: kept and listed by <see cref="StandingStore"/>, judged here when something has changed.</summary>
public sealed class Board(StandingStore standings, VisitStore visits, VisitDesk desk, ShopStore shops, IHostApplicationLifetime lifetime, ILogger<Board> logger)
{
    /// <summary>A page makes at most so many rows anew before it is shown.</summary>
    private const int AtMostBeforeAPage = 25;

    /// <summary>Two pages never judge one unit at once; units that share a lock wait for each other, the others do not.</summary>
    private readonly Lock[] oneAtATime = [.. Enumerable.Range(0, 16).Select(_ => new Lock())];

    /// <summary>Makes the rows anew that are out of date, unless very many are: those follow beside the pages, which show them as they were.</summary>
    public void Refresh()
    {
        var stale = standings.ToMake(AtMostBeforeAPage + 1);
        if (stale.Count > AtMostBeforeAPage)
            return;
        foreach (var id in stale)
            Of(id);
    }

    /// <summary>Makes every row anew that other rules than today's have made; may take minutes on a large record, and ends with the server.</summary>
    public void RefreshAll()
    {
        standings.MadeBy($"{typeof(Board).Module.ModuleVersionId} {typeof(Timeline).Module.ModuleVersionId}");
        while (standings.ToMake(AtMostBeforeAPage) is { Count: > 0 } batch)
        {
            foreach (var id in batch)
            {
                if (lifetime.ApplicationStopping.IsCancellationRequested)
                    return;
                Of(id);
            }
        }
    }

    /// <summary>How a unit stands now.</summary>
    public UnitStanding Of(Guid equipmentId)
    {
        lock (oneAtATime[(uint)equipmentId.GetHashCode() % oneAtATime.Length])
        {
            if (standings.Find(equipmentId) is not var (kept, changes, isCurrent))
                return new([], [], []);
            if (isCurrent)
                return kept;
            var standing = Judge(equipmentId, kept);
            standings.Save(equipmentId, standing, changes, standing.Visits is [var last, var before, ..] && last.Visit.IsCallbackAfter(before.Visit, shops.Get().Policies, before.FollowUp));
            return standing;
        }
    }

    /// <summary>Judges the visits that have grown since, and what follows from all of them.</summary>
    private UnitStanding Judge(Guid equipmentId, UnitStanding kept)
    {
        var counts = visits.CountsOfEquipment(equipmentId);
        var known = kept.Visits.Where(v => counts.GetValueOrDefault(v.Visit.Id) == v.Entries).ToDictionary(v => v.Visit.Id);
        IReadOnlyList<OpenLoop>? loops = null;
        var judged = new List<VisitStanding>();
        foreach (var visit in visits.OfEquipment(equipmentId))
        {
            var entries = counts.GetValueOrDefault(visit.Id);
            if (known.TryGetValue(visit.Id, out var standing))
                judged.Add(standing);
            else
                judged.Add(Judge(visit, entries, ref loops));
        }

        return new(judged, loops ?? kept.Loops, Drift.Of([.. judged.Where(v => v.Results.Count > 0).Select(v => v.Results)]));
    }

    /// <summary>A visit that cannot even be opened says so in its row; the other visits and units stand.</summary>
    private VisitStanding Judge(Visit visit, int entries, ref IReadOnlyList<OpenLoop>? loops)
    {
        try
        {
            var view = desk.Open(visit.Id)!;
            loops = view.Loops;
            return Judge(view, entries);
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            logger.LogError(e, "Visit {Visit} could not be judged.", visit.Id);
            return new(visit, entries, PanelText.NotJudged(["visit"]), true, false, null, new Dictionary<ResultKind, double>());
        }
    }

    private static VisitStanding Judge(VisitView view, int entries) => new(
        view.Visit, entries, view.Stands, view.NeedsAttention, view.SignOff is not null, view.SignOff?.FollowUp,
        view.Analysis?.Results.Where(r => r is { IsUsable: true, Quantity: ResultQuantity.Difference }).ToDictionary(r => r.Kind, r => r.Value!.Value) ?? [])
    {
        RootCause = view.SignOff?.RootCause ?? "",
    };
}
