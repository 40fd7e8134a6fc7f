using KeenEmber.Core.Circuit;
using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Web.Wording;

/// <summary>What the standing panel says: how it stands, and what to do next.</summary>
public static class PanelText
{
    /// <summary>One sentence on how the unit stands, for the panel, the unit page and the start page alike.</summary>
    public static string Stands(CircuitAnalysis analysis, bool anyReading)
    {
        if (analysis.Challenges.Count > 0)
            return "A reading cannot be right. Settle that first.";
        if (analysis.Findings.Count > 0)
            return Headline(analysis.Findings[0].Code);
        if (!anyReading)
            return "No readings yet.";
        var waiting = analysis.Results.Count(r => !r.IsUsable);
        return waiting > 0 ? $"Not enough to judge yet: {analysis.Results.Count - waiting} of {analysis.Results.Count} results usable."
            : "Some results are outside their band, in no pattern that is known here.";
    }

    public static bool NeedsAttention(CircuitAnalysis analysis) =>
        analysis.Challenges.Count > 0 || analysis.Findings.Any(f => f.Code != CircuitPatterns.WithinTargets)
        || analysis.Results.Any(r => r is { IsUsable: true, Position: BandPosition.Above or BandPosition.Below });

    private static string Headline(string code) => code switch
    {
        CircuitPatterns.AirFirst => "The coil cannot breathe. Put air and ice right before judging the refrigerant.",
        CircuitPatterns.NotRunning => "The compressor is off. Find out whether it is being asked to run.",
        CircuitPatterns.ShortOfCharge => "This reads as short of charge. Find the leak first.",
        CircuitPatterns.CoilStarved => "The coil is starved although there is liquid: look for a restriction or a valve that stays shut.",
        CircuitPatterns.CoilNotLoaded => "The coil is not being loaded: look for ice, dirt, a fan or a blocked return.",
        CircuitPatterns.Overfed => "The coil is overfed: look at the valve, its bulb and its seat.",
        CircuitPatterns.HeavyLoad => "The coil carries a heavy load: warm product, an open door or a pull-down. Let it come down, then judge.",
        CircuitPatterns.NotPumping => "The compressor turns but hardly pumps: valves or an inner leak. Prove it by its current before condemning it.",
        CircuitPatterns.Overcharged => "The condenser is full of liquid: overcharged, or the charge was set in cold weather.",
        CircuitPatterns.HighHead => "Head is high for the air that cools it: look at the condenser and its fan.",
        _ => "The sealed circuit is doing its job.",
    };

    private static string Strength(Strength strength) => strength switch
    {
        Core.Diagnosis.Strength.Strong => "strong",
        Core.Diagnosis.Strength.Fair => "fair",
        _ => "weak: a reading is provisional or speaks against it",
    };

    public static string Finding(Finding finding) => Headline(finding.Code);

    /// <summary>What speaks for a finding, what against, and what would confirm it, in the reader's units.</summary>
    public static IEnumerable<string> Evidence(Finding finding, UnitText units)
    {
        yield return $"For it: {Numbers(finding.Values, units)}.";
        if (finding.Against.Count > 0)
            yield return $"Against it: {Numbers(finding.Against, units)}.";
        if (finding.WouldConfirm.Count > 0)
            yield return $"Would settle it: {CircuitText.List(finding.WouldConfirm.Select(n => CircuitText.Name(Enum.Parse<ResultKind>(n))))}.";
        yield return $"Evidence: {Strength(finding.Strength)}.";
    }

    private static string Numbers(IReadOnlyDictionary<string, double> values, UnitText units) => string.Join(", ", values.Select(v =>
        Enum.Parse<ResultKind>(v.Key) is var kind && kind == ResultKind.CompressionRatio
            ? $"{CircuitText.Name(kind)} {units.Result(ResultQuantity.Ratio, v.Value)}"
            : $"{CircuitText.Name(kind)} {units.Result(ResultQuantity.Difference, v.Value)}"));

    public static string Step(NextStep step) => step.Kind switch
    {
        StepKind.Recheck => $"Check {CircuitText.Name(step.Point!.Value)} again",
        StepKind.RecordFact when step.Fact == AsFound.EvaporatorFan => "Look at each evaporator fan",
        StepKind.RecordFact when step.Fact == AsFound.Coil => "Look at the coil: clear, frosted or iced",
        StepKind.RecordFact => "Note whether the compressor runs, and for how long",
        StepKind.RestoreFans => "Get every evaporator fan running",
        StepKind.ClearCoil => "Thaw the coil, all of it",
        StepKind.LetDefrostEnd => "Let the defrost end",
        StepKind.FindWhyStopped => "Find out why the compressor is off",
        StepKind.WaitToSettle => $"Let it run {Math.Ceiling(step.Wait!.Value.TotalMinutes):F0} min more",
        StepKind.LogAgain => $"Log {CircuitText.Name(step.Point!.Value)} again",
        _ => $"Log {CircuitText.Name(step.Point!.Value)}",
    };

    public static string StepReason(NextStep step)
    {
        var results = CircuitText.List(step.Unlocks.Select(CircuitText.Name).Take(3));
        return step.Kind switch
        {
            StepKind.Recheck => "It contradicts the others. What you typed is kept.",
            StepKind.RestoreFans => "About 10 min. Lock out before touching a blade. Until then nothing on the low side counts.",
            StepKind.ClearCoil => "Ice left in the return bends seeds the next freeze-up. Keep melt water out of the wiring. Heaters and fins: gloves.",
            StepKind.LetDefrostEnd => "Note when it ended. Readings count 10 min later. Hot heaters: gloves.",
            StepKind.FindWhyStopped => "Follow the call before opening anything. Live tests only by those licensed and equipped.",
            StepKind.WaitToSettle => "Then log the same points again.",
            StepKind.LogAgain => "It was taken before the unit was right or had settled.",
            StepKind.RecordFact when results.Length == 0 => "One tap. Without it no reading fully counts.",
            _ when results.Length == 0 => "It is needed together with others.",
            StepKind.RecordFact => $"One tap. It decides whether {results} {(step.Unlocks.Count == 1 ? "counts" : "count")}.",
            _ => $"Gives {results}.",
        };
    }
}
