using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Storage;
using KeenEmber.Web.Pages.Visits.Circuit;
using KeenEmber.Web.Pages.Visits.Controls;
using KeenEmber.Web.Pages.Visits.Defrost;
using KeenEmber.Web.Pages.Visits.Sensors;

namespace KeenEmber.Web.Wording;

/// <summary>What the standing panel says: how it stands, and what to do next.</summary>
public static class PanelText
{
    /// <summary>Benches that have no verdict.</summary>
    public static string NotJudged(IEnumerable<string> benches) =>
        $"Could not be judged: {CircuitText.List(benches.Order(StringComparer.Ordinal))}. Everything typed is kept. The record shows it, and there an entry can be struck out.";

    /// <summary>One sentence without figures on how a visit stands, for the panel, the unit page and the start page alike.</summary>
    /// <param name="analysis">Null when the unit's refrigerant is not in the catalogue.</param>
    /// <param name="beside">What is wrong beside the circuit; the first is said where the circuit itself has no fault.</param>
    public static string Stands(CircuitAnalysis? analysis, bool anyReading, Equipment unit, IReadOnlyList<Finding> beside)
    {
        if (beside.Count > 0 && (analysis is null || (analysis.Challenges.Count == 0 && analysis.Findings.All(f => f.Code == CircuitPatterns.WithinTargets))))
            return Beside(beside[0]);
        if (analysis is null)
            return $"{unit.Circuit.RefrigerantName} is not in the catalogue: readings are kept, but nothing can be computed.";
        if (analysis.Challenges.Count > 0)
            return "One reading is not possible. Check it first.";
        if (analysis.Findings.Count > 0)
            return Finding(analysis.Findings[0], unit.MakeUp);
        if (!anyReading)
            return "No readings yet.";
        var waiting = analysis.Results.Count(r => !r.IsUsable);
        return waiting > 0 ? $"Not enough to judge yet: {analysis.Results.Count - waiting} of {analysis.Results.Count} results usable."
            : "Some results are off target but match no known fault. Check each one.";
    }

    private static string Beside(Finding fault) => fault.Bench switch
    {
        "sensor" => SensorText.Headline(fault),
        "defrost" => DefrostText.Headline(fault),
        "control" or "glycol" => ControlsText.Headline(fault),
        _ => ControllerText.Headline(fault),
    };

    /// <summary>What creeps on a unit: "superheat at the coil from 5.0 K to 9.1 K over 3 visits".</summary>
    public static string Drift(UnitLine unit, UnitText units) => CircuitText.List(unit.Drift.Select(d =>
        $"{CircuitText.Name(d.Kind)} from {units.Result(ResultQuantity.Difference, d.From)} to {units.Result(ResultQuantity.Difference, d.To)}")) + $" over {Core.Benches.Circuit.Drift.Visits} visits";

    public static bool NeedsAttention(CircuitAnalysis analysis) =>
        analysis.Challenges.Count > 0 || analysis.Findings.Any(f => f.Code != CircuitPatterns.WithinTargets)
        || analysis.Results.Any(r => r is { IsUsable: true, IsPlainTemperature: false, Position: BandPosition.Above or BandPosition.Below });

    private static string Headline(string code) => code switch
    {
        CircuitPatterns.AirFirst => "Not enough air through the coil. Fix airflow and ice before judging the charge.",
        CircuitPatterns.NotRunning => "The compressor is off. Check whether the control is calling.",
        CircuitPatterns.ShortOfCharge => "Looks low on charge. Find the leak before adding refrigerant.",
        CircuitPatterns.CoilStarved => "The coil is starved, but liquid is available. Check for a restriction or a closed valve.",
        CircuitPatterns.CoilNotLoaded => "Too little heat reaches the coil. Check for ice, dirt, a stopped fan or blocked return.",
        CircuitPatterns.Overfed => "The coil looks overfed. Check the valve, bulb clamp and seat.",
        CircuitPatterns.HeavyLoad => "Heavy load: warm product, open door or pull-down. Let the box pull down, then measure again.",
        CircuitPatterns.NotPumping => "The compressor runs but pumps poorly: valves or internal leakage. Check current before condemning it.",
        CircuitPatterns.Overcharged => "Liquid is backing up in the condenser: overcharged, or charged in cold weather. Check the charge.",
        CircuitPatterns.NearlyEmpty => "Standing pressure is far too low: almost no liquid is left. Find the leak before adding refrigerant.",
        CircuitPatterns.NonCondensables => "Standing pressure is too high: air, or not the refrigerant on the label. Take a second reading at another temperature.",
        CircuitPatterns.DrierRestricted => "Temperature drops across the drier: it is restricted. Replace it and find the cause.",
        CircuitPatterns.DischargeTooHot => "The discharge line is too hot for the oil. Find the cause.",
        CircuitPatterns.HeadTooLow => "Head falls so low in the fan's cycle that the valve is not fed: look at the fan-cycling control.",
        CircuitPatterns.ShortCycling => "It short cycles on low pressure: low charge, or cut-in and cut-out too close. This burns out start components.",
        SeriesPatterns.Hunting => "The valve hunts: superheat swings up and down. Look at the bulb, its clamp, and the valve's size and setting.",
        SeriesPatterns.ComesAndGoes => "The valve feeds, starves, feeds again: likely moisture. Replace the drier and pull a deep vacuum.",
        CircuitPatterns.HighHead => "Head pressure is high for the condenser air. Check the condenser and fan.",
        _ => "The refrigerant circuit is on target.",
    };

    private static string Strength(Strength strength) => strength switch
    {
        Core.Findings.Strength.Strong => "strong",
        Core.Findings.Strength.Fair => "fair",
        _ => "weak (a reading is provisional or points elsewhere)",
    };

    /// <summary>A finding in one sentence; on a unit with two coils it says which one.</summary>
    public static string Finding(Finding finding, CircuitMakeUp makeUp)
    {
        var (first, second) = EquipmentText.Coils(makeUp.Kind);
        var coil = makeUp.Coils == 1 || finding.Code == CircuitPatterns.WithinTargets ? ""
            : finding.Values.ContainsKey(nameof(ResultKind.SuperheatCoil2)) ? second
            : finding.Values.ContainsKey(nameof(ResultKind.SuperheatCoil)) ? first : "";
        var sentence = finding.Code == CircuitPatterns.HighHead && makeUp.Condenser == CondenserKind.WaterCooled
            ? "It condenses too far above its water: look at the flow, for scale, and at the water valve's setting."
            : Headline(finding.Code);
        return coil.Length == 0 ? sentence : $"{CircuitText.Sentence(coil)}: {char.ToLowerInvariant(sentence[0])}{sentence[1..]}";
    }

    /// <summary>What speaks for a finding, what against, and what would confirm it, in the reader's units.</summary>
    public static IEnumerable<string> Evidence(Finding finding, UnitText units, CircuitMakeUp makeUp)
    {
        if (SeriesText.Evidence(finding, units) is { } course)
        {
            yield return course;
            yield break;
        }

        if (finding.Values.Count + finding.Seen.Count > 0)
            yield return $"For it: {Signs(finding.Values, finding.Seen, units, makeUp)}.";
        if (finding.Against.Count + finding.SeenAgainst.Count > 0)
            yield return $"Against it: {Signs(finding.Against, finding.SeenAgainst, units, makeUp)}.";
        if (finding.WouldConfirm.Count > 0)
            yield return $"To confirm: {CircuitText.List(finding.WouldConfirm.Select(n => n.Contains('.', StringComparison.Ordinal) ? Fact(n) : CircuitText.Name(Enum.Parse<ResultKind>(n), makeUp)))}.";
        yield return $"Evidence: {Strength(finding.Strength)}.";
    }

    private static string Signs(IReadOnlyDictionary<string, double> values, IReadOnlyList<string> seen, UnitText units, CircuitMakeUp makeUp) => string.Join(", ", values
        .Select(v => (Kind: Enum.Parse<ResultKind>(v.Key), v.Value))
        .Select(v => $"{CircuitText.Name(v.Kind, makeUp)} {units.Result(CircuitResult.QuantityOf(v.Kind), v.Value)}")
        .Concat(seen.Select(Fact)));

    /// <summary>A fact as a finding names it: "SightGlass.Bubbles".</summary>
    private static string Fact(string name)
    {
        var parts = name.Split('.');
        if (parts[0] == CircuitPatterns.StandingSign)
            return parts[1] == nameof(StandingVerdict.Normal) ? "standing pressure normal" : parts[1] == nameof(StandingVerdict.ShortOfLiquid) ? "standing pressure far too low" : "standing pressure too high";
        return $"{FactText.Name(Enum.Parse<AsFound>(parts[0]))} {FactText.Name(Enum.Parse<FactState>(parts[1]))}";
    }

    public static string Step(NextStep step, CircuitMakeUp makeUp) => step.Kind switch
    {
        StepKind.Recheck => $"Check {CircuitText.Name(step.Point!.Value, makeUp)} again",
        StepKind.RecordFact when step.Fact == AsFound.EvaporatorFan => "Look at each evaporator fan",
        StepKind.RecordFact when step.Fact == AsFound.Coil => "Look at the coil: clear, frosted or iced",
        StepKind.RecordFact => "Note whether the compressor runs, and for how long",
        StepKind.RestoreFans => "Get every evaporator fan running",
        StepKind.ClearCoil => "Thaw the coil, all of it",
        StepKind.LetDefrostEnd => "Let the defrost end",
        StepKind.FindWhyStopped => "Find out why the compressor is off",
        StepKind.WaitToSettle => $"Let it run {Math.Ceiling(step.Wait!.Value.TotalMinutes):F0} min more",
        StepKind.LogAgain => $"Log {CircuitText.Name(step.Point!.Value, makeUp)} again",
        _ => $"Log {CircuitText.Name(step.Point!.Value, makeUp)}",
    };

    public static string StepReason(NextStep step, CircuitMakeUp makeUp)
    {
        var results = CircuitText.List(step.Unlocks.Select(k => CircuitText.Name(k, makeUp)).Take(3));
        return step.Kind switch
        {
            StepKind.Recheck => "It does not agree with the other readings. Your value is saved.",
            StepKind.RestoreFans => "About 10 min. Lock out before touching a blade. Until then low-side readings are not usable.",
            StepKind.ClearCoil => "Ice left in the return bends can ice the coil again. Keep melt water out of the wiring. Heaters and fins: gloves.",
            StepKind.LetDefrostEnd => "Note when it ended. Readings are usable 10 min later. Hot heaters: gloves.",
            StepKind.FindWhyStopped => "Trace the call first. Live tests: qualified, equipped people only.",
            StepKind.WaitToSettle => "Then log the same points again.",
            StepKind.LogAgain => "It was taken before the unit was right or had settled.",
            StepKind.RecordFact when results.Length == 0 => "One tap. Without it no reading is fully usable.",
            _ when results.Length == 0 => "It is needed together with others.",
            StepKind.RecordFact => $"One tap. It decides whether {results} {(step.Unlocks.Count == 1 ? "is" : "are")} usable.",
            _ => $"Gives {results}.",
        };
    }
}
