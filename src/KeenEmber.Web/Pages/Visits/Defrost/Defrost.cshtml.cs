using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage.Gear;
using KeenEmber.Web.Pages.Visits.Probing;
using KeenEmber.Words.Benches.Defrost;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Defrost;

/// <summary>The defrost bench: the set-up, a run while it is watched, and what it came to.</summary>
public sealed class DefrostModel(VisitViews views, ProbeStore probes) : ProbePage(views, probes, ProbeUse.Defrost)
{
    /// <summary>Places a run asks for, in the order in which a technician goes round.</summary>
    private static readonly RunPlaceKind[] Round =
    [
        RunPlaceKind.ColdestBend, RunPlaceKind.WarmestBend, RunPlaceKind.AtSensor, RunPlaceKind.EndSensor, RunPlaceKind.AirInFront,
            RunPlaceKind.AirBehind, RunPlaceKind.Box, RunPlaceKind.Product,
        RunPlaceKind.HeaterVoltage, RunPlaceKind.SuctionPressure,
    ];

    /// <summary>The run to show; without it the one being watched, this visit's own, or the unit's last.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? Run { get; set; }

    /// <summary>A run to lay under it.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? With { get; set; }

    /// <summary>Something is wrong with the set-up as typed, not with a round of readings.</summary>
    public bool SetUpIsWrong =>
        Form.Errors.Keys.Any(k => k is not (FreeName or FreeValue) && k != MarkTime && !k.StartsWith(Reading, StringComparison.Ordinal));

    /// <summary>How the fields of a round begin, and the fields of the place that is named freely.</summary>
    private const string Reading = "v-", FreeName = "free-name", FreeValue = "free-value";

    public WatchedRun? Shown =>
        View.Defrost.Runs.FirstOrDefault(r => r.Entry.Id == Run) ?? Watched ?? View.Defrost.OwnRun
        ?? (View.Defrost.Runs.Count > 0 ? View.Defrost.Runs[^1] : null);

    public WatchedRun? Other => View.Defrost.Runs.FirstOrDefault(r => r.Entry.Id == With && r.Entry.Id != Shown?.Entry.Id);

    /// <summary>The run that is being watched on this visit.</summary>
    public WatchedRun? Watched => View.WatchedRun;

    public static string Field(RunPlace place) => Reading + place.Key;

    /// <summary>Places of the run that is watched, where a probe can hang.</summary>
    public override IEnumerable<(string Key, string Name)> PlacesFor(LiveProbe probe) => Watched is { } run
        ? Places(run).Where(p => p.Measures == probe.Probe.Measures).Select(p => (p.Key, DefrostText.Name(p))) : [];

    /// <summary>The usual places, a leg for each heater, and those that were named in the run.</summary>
    public IEnumerable<RunPlace> Places(WatchedRun run) => Round.Select(k => new RunPlace(k))
        .Concat(Enumerable.Range(1, run.Run.SetUp.Kind == DefrostKind.Electric ? Math.Max(1, run.Run.SetUp.Legs.Count) : 0)
            .Select(RunPlace.Leg))
        .Concat(run.Run.Tracks.Select(t => t.Place)).Distinct();

    /// <summary>What can be seen and heard at any minute.</summary>
    public static IEnumerable<RunMarkKind> Seen { get; } =
        [RunMarkKind.SeenClear, RunMarkKind.IceLeft, RunMarkKind.Vapour, RunMarkKind.CeilingFrost, RunMarkKind.Dripping, RunMarkKind.Hiss,
            RunMarkKind.Silent];

    /// <summary>The phase that comes next, and what switches meanwhile.</summary>
    public static IEnumerable<RunMarkKind> Phases(WatchedRun run)
    {
        bool Has(RunMarkKind kind) => run.Run.Mark(kind) is not null;
        RunMarkKind[] phases = run.Result.Phases switch
        {
            { HeatOn: null } => [RunMarkKind.PumpDown, RunMarkKind.HeatOn],
            { HeatOff: null } => [RunMarkKind.HeatOff, RunMarkKind.HeatOffByHand],
            { Refrigeration: null } => [RunMarkKind.Refrigeration],
            _ => [],
        };
        return phases.Where(k => !Has(k)).Concat(
            [RunMarkKind.FansOn, RunMarkKind.FansOff, RunMarkKind.SwitchOpen, RunMarkKind.SwitchClosed]);
    }

    /// <summary>Notes and photos that fall into a run.</summary>
    public IEnumerable<Entry> Told(WatchedRun run) => View.UpToHere.SelectMany(t => t.Standing)
        .Where(e =>
            e is NoteEntry or PhotoEntry && e.VisitId == run.Entry.VisitId && e.At >= run.Run.Start
            && e.At <= run.At(run.Run.LastMinute + 5));

    protected override void Loaded() => DefrostSetUpForm.Fill(Form, View.Defrost.SetUp, View.Units);

    public IActionResult OnPostSetUp(Guid id, Guid lineId, bool changed) => Take(id, lineId, () =>
    {
        if (DefrostSetUpForm.Read(Form) is not { } setUp)
            return [];
        var differences = changed && View.Defrost.SetUp is { } before ? DefrostSetUpText.Differences(before, setUp, View.Units) : [];
        return
        [
            new DefrostSetUpEntry(Writer.Next(), setUp),
            .. differences.Select((d, i) => new ChangeEntry(Writer.Next(),
                d.What, d.Before, d.After, Form.Text("askedBy", 80), null, false, WorkArea.Defrost)),
        ];
    });

    public IActionResult OnPostStart(Guid id, Guid entryId, bool heat)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty)
            return BadRequest();
        if (Watched is null)
        {
            var entries = new List<Entry> { new RunEntry(Writer.Next(), RunOrigin.Watched) };
            if (heat)
                entries.Add(new RunMarkEntry(Writer.Next(), entryId, RunMarkKind.HeatOn));
            Append(entries);
        }

        return RedirectToPage(new { id });
    }

    /// <summary>All readings of one round, whichever were typed.</summary>
    public IActionResult OnPostReadings(Guid id, Guid lineId, Guid run) => Take(id, lineId, () =>
    {
        if (View.Defrost.Runs.FirstOrDefault(r => r.Entry.Id == run) is not { IsOver: false } watched)
            return null;
        var entries = new List<Entry>();
        foreach (var place in Places(watched).ToList())
            Read(Field(place), place);
        if (Form[FreeValue].Length > 0 && Form.Text(FreeName, 30, missing: "Name the place.") is { Length: > 0 } name)
            Read(FreeValue, new(Form["free-kind"] == nameof(RunPlaceKind.Bend) ? RunPlaceKind.Bend : RunPlaceKind.Other, name));
        return entries;

        void Read(string field, RunPlace place)
        {
            if (Form.Value(field, place.Measures) is { } value)
                entries.Add(new RunReadingEntry(Writer.Next(), run, place, value));
        }
    });

    /// <summary>What happened in a run that is over, at the minute or time that was typed.</summary>
    public IActionResult OnPostMarkAt(Guid id, Guid entryId, Guid run, RunMarkKind mark) => Take(id, entryId, () =>
    {
        if (!Enum.IsDefined(mark) || View.Defrost.Runs.FirstOrDefault(r => r.Entry.Id == run) is not { } told)
            return null;
        var at = Form.Number(MarkTime, 0, DefrostRuns.Longest.TotalMinutes, "minutes from its start") is { } minute
            ? told.At(minute) : default;
        if (Form[MarkTime].Contains(':', StringComparison.Ordinal))
        {
            Form.Errors.Remove(MarkTime);
            at = Form.Moment(MarkTime, View.Clock.Date(told.Run.Start), View.Clock, MarkTime) ?? default;
            if (at < told.Run.Start && !Form.IsWrong)
                at = Form.Moment(MarkTime, View.Clock.Date(told.Run.Start).AddDays(1), View.Clock, MarkTime) ?? default;
        }

        if (!Form.IsWrong && (at < told.Run.Start || at > told.Run.Start + DefrostRuns.Longest || at > View.Now))
            Form.Errors[MarkTime] = "Type a minute of this run, such as 25, or a time of day in it.";
        return new RunMarkEntry(Writer.Next(at), run, mark);
    });

    /// <summary>When something happened in a run that is over.</summary>
    public const string MarkTime = "markAt";

    public IActionResult OnPostMark(Guid id, Guid entryId, Guid run, RunMarkKind kind)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || !Enum.IsDefined(kind)
            || View.Defrost.Runs.FirstOrDefault(r => r.Entry.Id == run) is not { IsOver: false })
            return BadRequest();
        // What the probes recorded is the run's, and nobody comes back to a run that is over to stop them.
        var recorded = kind == RunMarkKind.Over ? Recorded() : [];
        Append([new RunMarkEntry(Writer.Next(), run, kind), .. recorded]);
        return RedirectToPage(new { id });
    }
}
