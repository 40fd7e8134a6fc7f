using System.Globalization;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Record;
using KeenEmber.Storage.Gear;
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
        return [.. probes.Heard(View.Now - LookedBack, [.. ties.Keys]).Where(p => p.Probe.Use == use)
            .Select(p => new LiveProbe(p.Probe, p.Samples, ties.GetValueOrDefault(p.Probe.Id)?.Use ?? ProbeUse.None,
                ties.GetValueOrDefault(p.Probe.Id)?.Point, View.Now))
            .OrderBy(p => p.Use == ProbeUse.None).ThenBy(p => p.Point is { } at ? View.MakeUp.Points.ToList().IndexOf(at) : 0)];
    }

    /// <summary>Those that hang on this unit.</summary>
    public IEnumerable<LiveProbe> Tied => Live.Where(p => p.Use != ProbeUse.None);

    /// <summary>Two that hang the wrong way round; null where none do.</summary>
    public (LiveProbe One, LiveProbe Other)? Swapped =>
        View.Conditions.Compressor == FactState.Stopped ? null : ProbesOnVisit.Swapped([.. Tied]);

    /// <summary>Since when the probes are recorded; null while they are not.</summary>
    public DateTimeOffset? RecordingSince => ProbesOnVisit.RecordingSince(View.Timeline);

    /// <summary>Points a probe can hang at.</summary>
    public IEnumerable<PointRef> PointsFor(LiveProbe probe) => View.MakeUp.Points.Where(p => p.Kind() == probe.Probe.Measures);

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
        PointRef? point = use == ProbeUse.Point ? PointRef.Find(at) : null;
        if (point is { } wanted && !PointsFor(live).Contains(wanted))
            return null;
        var isTied = use == ProbeUse.Point ? point is not null : live.Use == ProbeUse.None;
        return new ProbeTieEntry(Writer.Next(), live.Probe.Id, live.Probe.Name, isTied ? use : ProbeUse.None, point);
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
        List<Entry> entries = [new ProbeRecordingEntry(Writer.Next(), begins)];
        if (RecordingSince is { } since)
        {
            var ties = ProbesOnVisit.Ties(View.Timeline);
            foreach (var (probe, samples) in probes.Heard(since, [.. ties.Keys]).Where(p => ties.ContainsKey(p.Probe.Id)))
                entries.AddRange(LiveProbe.Thinned(samples, since, View.Now).Select(s => EntryOf(ties[probe.Id], s)).OfType<Entry>());
        }

        return entries;
    });

    private Entry? EntryOf(ProbeTieEntry tie, ProbeSample sample)
    {
        var at = sample.At < View.Visit.StartedAt ? View.Visit.StartedAt : sample.At;
        return tie switch
        {
            { Use: ProbeUse.Point, Point: { } point } when point.Kind() == sample.Value.Unit.Kind =>
                new ReadingEntry(Writer.Next(at), point, sample.Value),
            { Use: ProbeUse.Vacuum } => new VacuumEntry(Writer.Next(at), VacuumStep.Reading, sample.Value),
            { Use: ProbeUse.Scale } when OnScale is { } session => new ScaleWeightEntry(Writer.Next(at), session.Id, sample.Value),
            _ => null,
        };
    }
}
