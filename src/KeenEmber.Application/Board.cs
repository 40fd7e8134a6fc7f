using System.Collections.Concurrent;
using System.Diagnostics;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace KeenEmber.Application;

/// <summary>How the units stand, for the start page and the unit's own: kept and listed by <see cref="StandingStore"/>, judged here when
/// something has changed.</summary>
public sealed class Board(
    StandingStore standings, VisitStore visits, VisitDesk desk, IEnumerable<IBench> benches, CompanyStore companies, EquipmentStore units,
        ILogger<Board> logger) : BackgroundService
{
    /// <summary>A page makes rows anew for so long before it is shown, and longer where some have never been made and would say nothing;
    /// the rest follows beside it.</summary>
    private static readonly TimeSpan BeforeAPage = TimeSpan.FromMilliseconds(80), BeforeTheFirst = TimeSpan.FromMilliseconds(700);

    /// <summary>So many rows are asked for at a time.</summary>
    private const int Batch = 25;

    /// <summary>How often the record is looked at for rows that are out of date.</summary>
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(2);

    /// <summary>Two pages never judge one unit at once; units that share a lock wait for each other, the others do not.</summary>
    private readonly Lock[] oneAtATime = [.. Enumerable.Range(0, 16).Select(_ => new Lock())];

    /// <summary>Makes rows anew that are out of date, the ones visited last first, for as long as a page can wait for it.</summary>
    public void Refresh()
    {
        var watch = Stopwatch.StartNew();
        var most = standings.HasUnmade ? BeforeTheFirst : BeforeAPage;
        foreach (var id in standings.ToMake(Batch).TakeWhile(_ => watch.Elapsed < most))
            Of(id, forLists: true);
    }

    /// <summary>Makes every row anew that is out of date, as long as the server runs.</summary>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // Not in the way of the start of the server.
        await Task.Yield();
        await ready.Task.WaitAsync(stoppingToken);
        var byTodaysRules = false;
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                if (!byTodaysRules)
                    ByTodaysRules();
                RefreshAll(stop: stoppingToken);
                if (!byTodaysRules)
                    Complete(stoppingToken);
                byTodaysRules = true;
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // A full disk, a record that is held: the pages say so, and it is tried again.
                logger.LogError(e, "The units could not be judged beside the pages.");
            }

            await Task.Delay(Every, stoppingToken);
            TryAgain();
        }
    }

    /// <summary>Once the lists are right: what was made in brief, so that no unit's page has to wait for it.</summary>
    private void Complete(CancellationToken stop)
    {
        foreach (var unit in units.All().TakeWhile(_ => !stop.IsCancellationRequested))
        {
            Of(unit.Id);
            if (standings.ToMake(1).Count > 0)
                RefreshAll(stop: stop);
        }
    }

    /// <summary>A bench may have failed for want of time alone: after a while the unit is judged again, a few times.</summary>
    private void TryAgain()
    {
        foreach (var (unit, (tries, next)) in failed)
        {
            if (tries >= MostTries || DateTime.UtcNow < next)
                continue;
            failed[unit] = (tries + 1, DateTime.UtcNow + BetweenTries);
            Of(unit, again: true);
        }
    }

    private const int MostTries = 3;

    private static readonly TimeSpan BetweenTries = TimeSpan.FromMinutes(1);

    /// <summary>Units of which a bench had no verdict: how often they were judged again, and when to do it next.</summary>
    private readonly ConcurrentDictionary<Guid, (int Tries, DateTime Next)> failed = [];

    /// <summary>Stands for the number of entries of a visit that could not be judged: it is judged anew whenever its unit is.</summary>
    private const int NotJudged = -1;

    /// <summary>Declares the rows out of date that other rules than today's have made.</summary>
    public void ByTodaysRules() => standings.MadeBy($"{typeof(Board).Module.ModuleVersionId} {typeof(Timeline).Module.ModuleVersionId}");

    /// <summary>Makes every row anew that is out of date; may take minutes on a large record.</summary>
    /// <param name="atOnce">So many at a time: one beside the pages, as many as there are cores where nobody waits for any.</param>
    public void RefreshAll(int atOnce = 1, CancellationToken stop = default)
    {
        while (standings.ToMake(Batch) is { Count: > 0 } batch && !stop.IsCancellationRequested)
            Parallel.ForEach(batch, new() { MaxDegreeOfParallelism = atOnce }, (id, loop) =>
            {
                if (stop.IsCancellationRequested)
                    loop.Stop();
                else
                    Of(id, forLists: true);
            });
    }

    /// <summary>The record is ready to be judged.</summary>
    public void Begin() => ready.TrySetResult();

    private readonly TaskCompletionSource ready = new();

    /// <summary>How a unit stands now.</summary>
    /// <param name="again">Judged anew although nothing has changed.</param>
    /// <param name="forLists">Visits before the last one are judged in brief: lists do not say how they stood.</param>
    public UnitStanding Of(Guid equipmentId, bool again = false, bool forLists = false)
    {
        lock (oneAtATime[(uint)equipmentId.GetHashCode() % oneAtATime.Length])
        {
            if (standings.Find(equipmentId) is not var (kept, changes, isCurrent))
                return new([], [], []);
            if (isCurrent && !again && (forLists || !kept.Visits.Any(v => v.IsInBrief)))
                return kept;
            var standing = Judge(equipmentId, kept, forLists);
            if (standing.Visits.All(v => v.Entries != NotJudged))
                failed.TryRemove(equipmentId, out _);
            else
                failed.TryAdd(equipmentId, (0, DateTime.UtcNow + BetweenTries));
            standings.Save(
                equipmentId, standing, changes, standing.Visits is [var last, var before, ..]
                && last.Visit.IsCallbackAfter(before.Visit, companies.Get().Policies, before.FollowUp, DayOf(equipmentId)));
            return standing;
        }
    }

    private Func<DateTimeOffset, DateOnly> DayOf(Guid equipmentId) => new SiteTime(units.Find(equipmentId)!.Value.Site).Date;

    /// <summary>Judges the visits that have grown since, those after them, and what follows from all of them.</summary>
    private UnitStanding Judge(Guid equipmentId, UnitStanding kept, bool forLists)
    {
        var counts = visits.CountsOfEquipment(equipmentId);
        var ofUnit = visits.OfEquipment(equipmentId);
        var current = kept.Visits.Where(v => counts.GetValueOrDefault(v.Visit.Id) == v.Entries && (forLists || !v.IsInBrief))
            .ToDictionary(v => v.Visit.Id);
        // What a visit says rests on those before it: one that has grown makes all later ones out of date.
        var known = ofUnit.Reverse().TakeWhile(v => current.ContainsKey(v.Id)).ToDictionary(v => v.Id, v => current[v.Id]);
        IReadOnlyList<OpenItem>? openItems = null;
        VisitRecord? ofLatest = null;
        var judged = new List<VisitStanding>();
        foreach (var visit in ofUnit)
        {
            var entries = counts.GetValueOrDefault(visit.Id);
            if (known.TryGetValue(visit.Id, out var standing))
                judged.Add(standing);
            else
                judged.Add(Judge(visit, entries, inBrief: forLists && judged.Count > 0, ref ofLatest, ref openItems));
        }

        return new(judged, openItems ?? kept.OpenItems, Drift.Of([.. judged.Where(v => v.Results.Count > 0).Select(v => v.Results)]));
    }

    /// <summary>A visit that cannot even be opened says so in its row; the other visits and units stand.</summary>
    private VisitStanding Judge(
        Visit visit, int entries, bool inBrief, ref VisitRecord? ofLatest, ref IReadOnlyList<OpenItem>? openItems)
    {
        try
        {
            // In brief the record is read once for all visits of the unit.
            var record = inBrief && ofLatest is not null ? ofLatest.About(visit) : desk.Load(visit.Id)!.Record;
            ofLatest ??= record;
            VisitStanding BenchByBench()
            {
                var judging = new SafeJudging(logger, visit.Id, CancellationToken.None);
                return Judge(new(record, [.. benches], judging), judging, entries, inBrief);
            }

            openItems ??= new VisitCase(record, [], PlainJudging.Instance).OpenItems;
            return SafeJudging.AllAtOnce(BenchByBench) ?? BenchByBench();
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            logger.LogError(e, "Visit {Visit} could not be judged.", visit.Id);
            return new(visit, NotJudged, IJudging.Finding(["visit"]), true, false, null, new Dictionary<ResultRef, double>());
        }
    }

    private static VisitStanding Judge(VisitCase visit, SafeJudging judging, int entries, bool inBrief)
    {
        // What stands is worked out first: only then is it known whether a bench failed at it.
        var (stands, needs) = inBrief ? (Finding.Of(VisitCase.NothingToSay), false) : (visit.Stands, visit.NeedsAttention);
        var failed = judging.NotJudged.Count > 0;
        return new(visit.Visit, failed ? NotJudged : entries, failed ? IJudging.Finding(judging.NotJudged) : stands, needs || failed,
            visit.SignOff is not null, visit.SignOff?.FollowUp, visit.Results)
        {
            RootCause = visit.SignOff?.RootCause ?? "", IsInBrief = inBrief,
            Found = inBrief || failed || visit.Faults.Count > 0 || visit.Found is not [var first, ..] ? null : first,
        };
    }
}
