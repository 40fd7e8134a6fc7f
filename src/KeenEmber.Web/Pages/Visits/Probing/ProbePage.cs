using System.Globalization;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Record;
using KeenEmber.Storage.Gear;
using KeenEmber.Words.Benches.Defrost;
using KeenEmber.Words.Live;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Probing;

/// <summary>A station at which probes hang: what they show now, and keeping it.</summary>
/// <param name="use">What probes are used for at this station.</param>
public abstract class ProbePage(VisitViews views, ProbeStore probes, ProbeUse use) : VisitPage(views)
{
    /// <summary>What probes are used for here.</summary>
    public ProbeUse Use => use;

    /// <summary>So far back samples are looked at: long enough to see one settle.</summary>
    private static readonly TimeSpan LookedBack = TimeSpan.FromMinutes(15);

    /// <summary>Probes of this use that were heard lately, tied or not; those that hang first, in the order of the walk.</summary>
    public IReadOnlyList<LiveProbe> Live => field ??= Heard();

    private List<LiveProbe> Heard()
    {
        var ties = ProbesOnVisit.Ties(View.Timeline);
        return [.. probes.Heard(View.Now - LookedBack, [.. ties.Keys]).Where(p => p.Probe.Fits(use)).Select(p =>
            ties.GetValueOrDefault(p.Probe.Id) is { } tie && tie.Use == use
                ? new LiveProbe(p.Probe, p.Samples, use, tie.Point, View.Now) { Place = tie.Place }
                : new LiveProbe(p.Probe, p.Samples, ProbeUse.None, null, View.Now))
            .OrderBy(p => p.Use == ProbeUse.None)
            .ThenBy(p => p.Use == ProbeUse.None ? 0 : PlacesFor(p).Select(at => at.Key).ToList().IndexOf(KeyOf(p)))];
    }

    /// <summary>Those that hang on this unit.</summary>
    public IEnumerable<LiveProbe> Tied => Live.Where(p => p.Use != ProbeUse.None);

    /// <summary>Two that hang the wrong way round; null where none do.</summary>
    public (LiveProbe One, LiveProbe Other)? Swapped =>
        View.Conditions.Compressor == FactState.Stopped ? null : ProbesOnVisit.Swapped([.. Tied]);

    /// <summary>Since when the probes are recorded; null while they are not.</summary>
    public DateTimeOffset? RecordingSince => ProbesOnVisit.RecordingSince(View.Timeline);

    /// <summary>Places a probe can hang at here, in the order of the walk; none where it is used or not.</summary>
    public virtual IEnumerable<(string Key, string Name)> PlacesFor(LiveProbe probe) => use == ProbeUse.Point
        ? View.MakeUp.Points.Where(p => p.Kind() == probe.Probe.Measures).Select(p => ($"{p}", View.Name(p))) : [];

    /// <summary>Key of the place where it hangs; empty where at none.</summary>
    public static string KeyOf(LiveProbe probe) => probe.Point is { } point ? $"{point}" : probe.Place;

    /// <summary>Where it hangs, in words.</summary>
    public string Hangs(LiveProbe probe) =>
        PlacesFor(probe).FirstOrDefault(p => p.Key == KeyOf(probe)).Name ?? ProbeText.Name(probe.Use);

    /// <summary>Probes hang at places here, of which somebody chooses one.</summary>
    public bool HasPlaces => use is ProbeUse.Point or ProbeUse.Defrost;

    /// <summary>The weighing whose cylinder stands on the scale; null where none does.</summary>
    protected virtual ScaleStartEntry? OnScale => null;

    /// <summary>What a probe's value comes to at this station; empty where its value says all.</summary>
    public virtual string Says(LiveProbe live) => "";

    /// <summary>What the probes show, as a piece of page that is fetched again and again.</summary>
    public IActionResult OnGetLive(Guid id) => Load(id) ? Partial("/Pages/Visits/Probing/_Live.cshtml", this) : NotFound();

    /// <summary>Ties a probe to a point, to the scale or to the gauge; without a point where one is wanted it is untied.</summary>
    public IActionResult OnPostTie(Guid id, Guid entryId, string? probe, string? at) => Take(id, entryId, () =>
    {
        if (Live.FirstOrDefault(p => p.Probe.Id == probe) is not { } live)
            return null;
        at ??= "";
        if (HasPlaces && at.Length > 0 && PlacesFor(live).All(p => p.Key != at))
            return null;
        var isTied = HasPlaces ? at.Length > 0 : live.Use == ProbeUse.None;
        return new ProbeTieEntry(Writer.Next(), live.Probe.Id, live.Probe.Name, isTied ? use : ProbeUse.None,
            use == ProbeUse.Point ? PointRef.Find(at) : null, use == ProbeUse.Defrost ? at : "");
    });

    /// <summary>Puts what probes showed on record.</summary>
    /// <param name="kept">Probe and number of the sample that was on the screen: "red-clamp:1043".</param>
    public IActionResult OnPostKeep(Guid id, Guid entryId, string[] kept) => Take(id, entryId, () =>
    {
        var ties = ProbesOnVisit.Ties(View.Timeline);
        var entries = new List<Entry>();
        foreach (var parts in kept.Take(MostKept).Select(k => (k ?? "").Split(':')))
        {
            if (parts is [var probe, var digits] && long.TryParse(digits, CultureInfo.InvariantCulture, out var number)
                && ties.TryGetValue(probe, out var tie) && probes.Find(probe, number) is { } sample && EntryOf(tie, sample) is { } entry)
                entries.Add(entry);
        }

        return entries;
    });

    private const int MostKept = 30;

    /// <summary>Begins a recording, or ends it and keeps what was recorded.</summary>
    public IActionResult OnPostRecord(Guid id, Guid entryId, bool begins) => Take(id, entryId, () =>
    {
        if (begins == RecordingSince is not null)
            return [];
        return begins ? [new ProbeRecordingEntry(Writer.Next(), true)] : Recorded();
    });

    /// <summary>Ends a recording, with what was recorded; nothing where none runs.</summary>
    protected IReadOnlyList<Entry> Recorded()
    {
        if (RecordingSince is not { } since)
            return [];
        var ties = ProbesOnVisit.Ties(View.Timeline);
        return [new ProbeRecordingEntry(Writer.Next(), false), .. probes.Heard(since, [.. ties.Keys])
            .Where(p => ties.ContainsKey(p.Probe.Id)).SelectMany(p => LiveProbe.Thinned(p.Samples, since, View.Now)
                .Select(s => EntryOf(ties[p.Probe.Id], s)).OfType<Entry>())];
    }

    private Entry? EntryOf(ProbeTieEntry tie, ProbeSample sample)
    {
        var at = sample.At < View.Visit.StartedAt ? View.Visit.StartedAt : sample.At;
        return tie switch
        {
            { Use: ProbeUse.Point, Point: { } point } when point.Kind() == sample.Value.Unit.Kind =>
                new ReadingEntry(Writer.Next(at), point, sample.Value),
            { Use: ProbeUse.Vacuum } => new VacuumEntry(Writer.Next(at), VacuumStep.Reading, sample.Value),
            { Use: ProbeUse.Scale } when OnScale is { } session => new ScaleWeightEntry(Writer.Next(at), session.Id, sample.Value),
            { Use: ProbeUse.Defrost } when RunAt(at) is { } run && RunPlace.Find(tie.Place) is { } place
                && place.Measures == sample.Value.Unit.Kind =>
                new RunReadingEntry(Writer.Next(at < run.Run.Start ? run.Run.Start : at), run.Entry.Id, place, sample.Value),
            _ => null,
        };
    }

    /// <summary>What a probe showed so shortly before a run began is the run's first.</summary>
    private static readonly TimeSpan JustBefore = TimeSpan.FromSeconds(20);

    /// <summary>The defrost of this visit that was being watched at a moment; null where none was.</summary>
    private WatchedRun? RunAt(DateTimeOffset at) => View.Defrost.Runs.LastOrDefault(r => r.Entry.VisitId == View.Visit.Id
        && r.Entry.Origin == RunOrigin.Watched && at >= r.Run.Start - JustBefore && (!r.IsOver || at <= r.At(r.Run.LastMinute)));
}
