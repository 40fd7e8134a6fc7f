using KeenEmber.Core.Benches.Danger;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches.Electrical;

namespace KeenEmber.Words.Benches.Danger;

/// <summary>What is said before anything else.</summary>
public sealed class DangerBenchText() : BenchText("danger")
{
    public override string Label => "Danger.";

    /// <summary>What was found, for panel, report and the next visit; what to do about it is the headline and the task.</summary>
    public override string Finding(Finding finding, VisitView view) => finding.Code switch
    {
        DangerBench.Gas => $"Gas was smelt{Left(finding)}.",
        DangerBench.Burning => $"It smelt burnt, or a wire was found burnt{InDefrost(finding)}{Left(finding)}.",
        DangerBench.Tripped =>
            $"A breaker or fuse went{InDefrost(finding)}{Left(finding)}. {TripText.Ending(TripJob.Of(view))}".TrimEnd(),
        DangerBench.Chafed => $"A wire was found chafed through{Left(finding)}.",
        DangerBench.Grounded => $"A heater, motor or winding conducted to earth{Left(finding)}.",
        DangerBench.NoAirOverCondenser when finding.Detail == DangerBench.AirFelt =>
            "No air left the condenser while the compressor ran.",
        DangerBench.NoAirOverCondenser => "The condenser fan was stopped while the compressor ran.",
        _ => finding.Code,
    };

    private static string InDefrost(Finding finding) => finding.Detail == DangerBench.InDefrost ? " in the defrost" : "";

    private static bool IsLeft(Finding finding) => finding.Values.ContainsKey(DangerBench.DaysAgo);

    /// <summary>Of an earlier visit's danger that nobody has explained.</summary>
    private static string Left(Finding finding) => IsLeft(finding) ? $" {Ago(finding)}, not explained since" : "";

    private static string Ago(Finding finding) => Math.Round(finding.Values[DangerBench.DaysAgo]) switch
    {
        < 1 => "less than a day ago",
        1 => "a day ago",
        var days => $"{days:F0} days ago",
    };

    /// <summary>The first is the headline already.</summary>
    public override IEnumerable<PanelLine> Lines(BenchJudgement judgement, VisitView view) => base.Lines(judgement, view).Skip(1);

    public override string Headline(Finding finding, EquipmentKind kind) => IsLeft(finding) ? HeadlineOfLeft(finding) : finding.Code switch
    {
        DangerBench.Gas => "Gas in the air. Leave the room and ventilate it first.",
        DangerBench.Burning => "Something burns or has burnt. Leave it off until it is found.",
        DangerBench.Tripped => "A breaker or fuse went. Leave it off until it is known why.",
        DangerBench.Chafed => "A wire is chafed through. Isolate the power before reaching in.",
        DangerBench.Grounded => "A part is grounded. Leave it off until it is disconnected.",
        DangerBench.NoAirOverCondenser when finding.Detail == DangerBench.AirFelt =>
            "No air leaves the condenser and the compressor runs. Switch it off before it overheats.",
        DangerBench.NoAirOverCondenser => "The condenser fan is stopped and the compressor runs. Switch it off before it overheats.",
        _ => finding.Code,
    };

    private static string HeadlineOfLeft(Finding finding) => finding.Code switch
    {
        DangerBench.Gas => $"Gas was smelt {Ago(finding)}; where it came from is not recorded. Ventilate before you go in.",
        DangerBench.Burning => $"Something burnt {Ago(finding)}; what it was is not recorded. Leave it off until it is found.",
        DangerBench.Tripped => $"A breaker or fuse went {Ago(finding)}; why is not recorded. Leave it off until it is known.",
        DangerBench.Chafed =>
            $"A wire was chafed through {Ago(finding)}; that it is sound is not recorded. Isolate the power before reaching in.",
        DangerBench.Grounded => $"A part was grounded {Ago(finding)}; its repair is not recorded. Leave it off until it is known.",
        _ => finding.Code,
    };

    public override TaskText Task(BenchTask task, VisitView view)
    {
        var danger = ((DangerTask)task).Danger;
        var (what, why) = danger.Code switch
        {
            DangerBench.Gas =>
                ("Get out, and let air in",
                "Refrigerant and CO2 displace the air of a closed room. No flame, and no switch that can spark."),
            DangerBench.Burning or DangerBench.Tripped =>
                ("Leave it off. Lock out and tag", WhereToLook(danger.Detail == DangerBench.InDefrost)),
            DangerBench.Grounded =>
                ("Leave it off. Disconnect the grounded part",
                    "Lock out and test dead first. Find which part it is, leads off, one by one."),
            DangerBench.Chafed =>
                ("Isolate the power, then follow the chafed wire", "Test it to earth and reroute it. There may be more than one supply."),
            _ => ("Switch the compressor off, then find why the condenser fan stands",
                "With the power isolated: does it turn by hand? Then: is it fed, and is its capacitor good?"),
        };
        return TripJob.Of(view) is { } job && IsFollowedBy(job, danger)
            ? Tripped(job, what, why) : new(what, why, "Note what you see", "look");
    }

    /// <summary>What burnt or conducts is found by the same search, and nothing is switched on before that danger is gone.</summary>
    private static bool IsFollowedBy(TripJob job, Finding danger) => danger.Code == DangerBench.Tripped
        || (danger.Code is DangerBench.Burning or DangerBench.Grounded or DangerBench.Chafed
            && job.Step is TripStep.Look or TripStep.Repair or TripStep.TestAgain);

    /// <summary>Until the circuits are tested it is left off; then it is as far as the search has come.</summary>
    private static TaskText Tripped(TripJob job, string what, string why)
    {
        const string Button = "Go through what hangs on it";
        if (job.Step != TripStep.Look)
            return new(TripText.Headline(job), TripText.Next(job), Button, TripText.Path);
        var begun = job.Circuits.Any(c => c.Answer.Length > 0) ? $" Next: {job.Next!.Test.Name}." : "";
        return new(what, why + begun, Button, TripText.Path);
    }

    /// <summary>What hangs on it in the mode it went in comes first.</summary>
    private static string WhereToLook(bool inDefrost) => (inDefrost
            ? "It went in defrost: test heaters and fan leads first, each to earth."
            : "Test what hangs on it, each to earth: fan leads, heaters, compressor, wiring.")
        + " Reset once at most, and only after that. Live tests: qualified, equipped people only.";

    /// <summary>It has no station: its facts are those of the walk-round.</summary>
    public override IEnumerable<Station> Stations(VisitView view) => [];
}
