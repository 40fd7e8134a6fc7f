using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words.Benches.Defrost;

/// <summary>What the defrost bench says in words.</summary>
public sealed class DefrostBenchText() : BenchText("defrost")
{
    public override string Label => "Defrost.";

    public override string Finding(Finding finding, VisitView view) =>
        DefrostText.Finding(finding, view.Defrost.SetUp ?? new(DefrostKind.Electric), view.Units);

    public override string Headline(Finding finding, EquipmentKind kind) => DefrostText.Headline(finding);

    public override TaskText Task(BenchTask task, VisitView view)
    {
        var step = ((DefrostTask)task).Step;
        return new(DefrostAdviceText.Remedy(step), DefrostText.Headline(step.Because), "To the defrost", "defrost");
    }

    public override IEnumerable<Station> Stations(VisitView view)
    {
        if (view.MakeUp.Kind == EquipmentKind.GlycolChiller)
            return [];
        var runs = view.Defrost.Runs;
        var inside = runs.Count switch
        {
            0 => "not watched",
            _ when runs.Any(r => !r.IsOver) => "running",
            1 => "1 run",
            _ => $"{runs.Count} runs",
        };
        return [new(50, "Defrost", "Defrost", inside)];
    }

    public override string? Entry(Entry entry, VisitView view) => entry switch
    {
        DefrostSetUpEntry s => $"how it defrosts: {DefrostSetUpText.Line(s.SetUp, view.Units)}",
        RunEntry { Origin: RunOrigin.Watched } => "defrost watched from here",
        RunEntry { Origin: RunOrigin.Logged } r => $"defrost from a logger: {r.Source}",
        RunEntry => "defrost typed in",
        RunReadingEntry r => Round([r], view),
        RunMarkEntry m => $"defrost: {DefrostText.Name(m.Kind)}",
        ClockTestEntry c => DefrostTestText.Clock(c),
        HeaterAmpsEntry h => DefrostTestText.HeaterAmps(h),
        SwitchStateEntry s =>
            $"{(s.Switch == DefrostSwitch.EndOfHeat ? "termination switch" : "fan delay")} {(s.IsClosed ? "closed" : "open")} at "
            + $"{view.Units.Temperature(s.Temperature.Temperature.Kelvin)}",
        _ => null,
    };

    /// <summary>What was read in one round of a defrost, in one line.</summary>
    public static string Round(IEnumerable<RunReadingEntry> round, VisitView view)
    {
        string Value(RunReadingEntry r) =>
            DefrostText.Value(r.Place, DefrostRuns.InTrack(r.Place, r.Value, view.Site.Atmosphere), view.Units);
        return "in the defrost: " + string.Join(", ", round.OrderBy(r => r.Place.Kind).ThenBy(r => r.Place.Name, StringComparer.Ordinal)
            .Select(r => $"{DefrostText.Name(r.Place)} {Value(r)}"));
    }

    /// <summary>One sentence on the run that was watched, and what is so without one: clock, change-over, fans in the heat.</summary>
    public override IEnumerable<PanelLine> Lines(BenchJudgement judgement, VisitView view) =>
    [
        .. view.Defrost.OwnRun is { Run.Tracks.Count: > 0 } run
            ? [new PanelLine("defrost", Label, DefrostText.Verdict(run, view.Clock))] : Array.Empty<PanelLine>(),
        .. judgement.Now.Where(f => DefrostCodes.IsSoWithoutARun(f.Code) || view.Defrost.OwnRun is null)
            .Select(f => new PanelLine(f.Code, Label, view.Say(f)))
            .Where(l => l.Text != view.StandsInWords),
    ];

    public override string? ReportPart => "/Pages/Visits/Defrost/_Report.cshtml";

    public override (string Name, Func<double, string> Value) Trend(Trend trend, UnitText units) =>
        (DefrostTrendText.Name(trend), v => DefrostTrendText.Value(trend, v, units));
}
