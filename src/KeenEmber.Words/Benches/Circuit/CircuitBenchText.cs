using System.Globalization;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words.Benches.Circuit;

/// <summary>What the circuit bench says in words.</summary>
public sealed class CircuitBenchText() : BenchText("circuit")
{
    public override string Label => "Circuit.";

    public override BenchWords LogWords { get; } = BenchWords.None with { Points = CircuitLogWords.Points };

    public override string Finding(Finding finding, VisitView view) => Headline(finding, view.MakeUp.Kind);

    /// <summary>On a unit with two coils it says which one.</summary>
    public override string Headline(Finding finding, EquipmentKind kind)
    {
        var sentence = finding.Code switch
        {
            CircuitPatterns.CoilStarved when finding.Detail == CircuitPatterns.ByCapillary =>
                "The coil is starved, but liquid is available. Check the capillary tube and the drier for a restriction.",
            CircuitPatterns.HighHead when finding.Detail == CircuitPatterns.OverWater =>
                "It condenses too hot for a condenser in water: look at the flow, for scale, and at the water valve's setting.",
            CircuitPatterns.HighHead when finding.Detail == CircuitPatterns.ShortOfWater =>
                "Too little water: it leaves much warmer than it comes. Look at the water valve, its strainer and the supply.",
            CircuitJudgement.MeasureAgain when finding.Detail == CircuitJudgement.Over =>
                "Work was done; nothing was measured after it.",
            CircuitJudgement.UnknownRefrigerant =>
                CircuitText.NotInCatalogue(finding.Detail),
            CircuitJudgement.NotEnough =>
                $"Not enough to judge yet: {finding.Values["usable"]:F0} of {finding.Values["of"]:F0} results usable.",
            _ => Headline(finding.Code),
        };
        if (finding.About is not [{ Kind: SubjectKind.Coil, Id: var number }, ..])
            return sentence;
        var coil = EquipmentText.Coil(kind, int.Parse(number, CultureInfo.InvariantCulture));
        return $"{CircuitText.Sentence(coil)}: {char.ToLowerInvariant(sentence[0])}{sentence[1..]}";
    }

    public override TaskText Task(BenchTask task, VisitView view)
    {
        var step = ((CircuitTask)task).Step;
        var button = step switch
            {
                { Point: null } => "Note what you see",
                { Kind: StepKind.Recheck } => "Type it again",
                _ => "Log it",
            };
        return new(
            Step(step, view.MakeUp), StepReason(step, view.MakeUp), button, step.Point is null ? "look"
            : "circuit", step.Kind != StepKind.WaitToSettle);
    }

    public override IEnumerable<Station> Stations(VisitView view)
    {
        var taken = view.Readings.Keys.Count(view.MakeUp.Points.Contains);
        yield return new(30, "Circuit", "Circuit", taken == 1 ? "1 reading" : $"{taken} readings");
        var logged = view.Series?.Measured.Values.Select(c => c.Count).DefaultIfEmpty().Max() ?? 0;
        yield return new(40, "Trend", "Trend", view.Series switch
        {
            { IsSeries: true, Settled: null } => "moving",
            { IsSeries: true } => "settled",
            _ => logged <= 1 ? "no series" : $"{logged} each",
        });
    }

    public override string? Entry(Entry entry, VisitView view) => entry is StandingEntry s
        ? $"standing at {view.Units.Gauge(s.Pressure.Si(view.Site.Atmosphere))}, "
            + $"{view.Units.Temperature(s.Temperature.Temperature.Kelvin)}" : null;

    /// <summary>Every finding with what it rests on, the headline's too.</summary>
    public override IEnumerable<PanelLine> Lines(BenchJudgement judgement, VisitView view)
    {
        foreach (var finding in view.Analysis?.Findings.Where(f => f.Values.Count + f.Seen.Count > 0) ?? [])
        {
            var sentence = Finding(finding, view);
            yield return new(
                finding.Code, "", sentence == view.StandsInWords ? ""
                : sentence, string.Join(" ", Evidence(finding, view.Units, view.MakeUp)));
        }
    }

    public override IEnumerable<UnfitLine> Unfit(BenchJudgement judgement, VisitView view) =>
    [
        .. (view.Analysis?.Challenges ?? [])
            .Select(c => new UnfitLine(CircuitText.Challenge(c, view.Equipment.Circuit.RefrigerantName), IsChallenge: true)),
        .. ((CircuitJudgement)judgement).Unexplained.Select(r => new UnfitLine(
            $"{CircuitText.Sentence(view.Name(r.Kind))} {CircuitText.Position(r)}, target {view.Units.Band(r.Quantity, r.Band!.Value)}",
                view.Units.Result(r))),
    ];

    public override string? ReportPart => "/Pages/Visits/Circuit/_Report.cshtml";

    /// <summary>What was so, without what to do about it: on paper that is over.</summary>
    public static string OnPaper(string sentence) =>
        sentence.IndexOf(". ", StringComparison.Ordinal) is > 0 and var end ? sentence[..(end + 1)] : sentence;

    /// <summary>What a finding rests on, in one line.</summary>
    public static string Rests(Finding finding, VisitView view) => string.Join(" ", Evidence(finding, view.Units, view.MakeUp));

    private static string Headline(string code) => code switch
    {
        CircuitPatterns.AirFirst => "Not enough air through the coil. Find out why before thawing it or judging the charge.",
        CircuitPatterns.CondenserFanStopped =>
            "The condenser fan is stopped with the compressor on. Get it running before judging anything else.",
        CircuitPatterns.NotRunning => "The compressor is off. Check whether the control is calling.",
        CircuitPatterns.NotStarting =>
            "The call arrives, but the compressor does not start: overload, a safety control, start components or itself.",
        CircuitPatterns.ShortOfCharge => "Looks low on charge. Find the leak before adding refrigerant.",
        CircuitPatterns.CoilStarved => "The coil is starved, but liquid is available. Check for a restriction or a closed valve.",
        CircuitPatterns.CoilNotLoaded => "Too little heat reaches the coil. Check for ice, dirt, a stopped fan or blocked return.",
        CircuitPatterns.Overfed => "The coil looks overfed. Check the valve, bulb clamp and seat.",
        CircuitPatterns.HeavyLoad => "Heavy load: warm product, open door or pull-down. Let the box pull down, then measure again.",
        CircuitPatterns.NotPumping =>
            "The compressor runs but pumps poorly: valves or internal leakage. Check current before condemning it.",
        CircuitPatterns.Overcharged => "Liquid is backing up in the condenser: overcharged, or charged in cold weather. Check the charge.",
        CircuitPatterns.NearlyEmpty =>
            "Standing pressure is far too low: almost no liquid is left. Find the leak before adding refrigerant.",
        CircuitPatterns.NonCondensables =>
            "Standing pressure is too high: air, or not the refrigerant on the label. Take a second reading at another temperature.",
        CircuitPatterns.DrierRestricted => "Temperature drops across the drier: it is restricted. Replace it and find the cause.",
        CircuitPatterns.DischargeTooHot => "The discharge line is too hot for the oil. Find the cause.",
        CircuitPatterns.HeadTooLow => "Head falls so low in the fan's cycle that the valve is not fed: look at the fan-cycling control.",
        CircuitPatterns.ShortCycling =>
            "It short cycles on low pressure: low charge, or cut-in and cut-out too close. This burns out start components.",
        SeriesPatterns.Hunting =>
            "The valve hunts: superheat swings up and down. Look at the bulb, its clamp, and the valve's size and setting.",
        SeriesPatterns.ComesAndGoes => "The valve feeds, starves, feeds again: likely moisture. Replace the drier and pull a deep vacuum.",
        CircuitPatterns.HighHead => "Head pressure is high for the condenser air. Check the condenser and fan.",
        CircuitPatterns.WithinTargets => "The refrigerant circuit is on target.",
        CircuitJudgement.NotPossible => "One reading is not possible. Check it first.",
        CircuitJudgement.InDefrost => "It is in its defrost. Nothing is wrong so far. Look again when it has ended.",
        CircuitJudgement.MayBeInDefrost => "Nothing runs. First see whether it is in its defrost: then that is as it should be.",
        CircuitJudgement.Satisfied => "The compressor is off and the box is at its target: that is as it should be.",
        CircuitJudgement.Holding => "The box is at its target and the compressor runs. No gauges needed.",
        CircuitJudgement.NoReadings => "No readings yet.",
        CircuitJudgement.MeasureAgain => "Work was done since the last reading. Measure again to see what it changed.",
        CircuitJudgement.NoKnownFault => "Some results are off target but match no known fault. Check each one.",
        _ => code,
    };

    private static string Strength(Strength strength) => strength switch
    {
        Core.Findings.Strength.Strong => "strong",
        Core.Findings.Strength.Fair => "fair",
        _ => "weak (a reading is provisional or points elsewhere)",
    };

    /// <summary>What speaks for a finding, what against, and what would confirm it, in the reader's units.</summary>
    private static IEnumerable<string> Evidence(Finding finding, UnitText units, CircuitMakeUp makeUp)
    {
        if (SeriesText.Evidence(finding, units) is { } trend)
        {
            yield return trend;
            yield break;
        }

        if (finding.Values.Count + finding.Seen.Count > 0)
            yield return $"For it: {Signs(finding.Values, finding.Seen, units, makeUp)}.";
        if (finding.Against.Count + finding.SeenAgainst.Count > 0)
            yield return $"Against it: {Signs(finding.Against, finding.SeenAgainst, units, makeUp, isSeen: false)}.";
        if (finding.WouldConfirm.Count > 0)
            yield return $"To confirm: {CircuitText.List(finding.WouldConfirm.Select(n => FactOrResult(n, makeUp)))}.";
        yield return $"Evidence: {Strength(finding.Strength)}.";
    }

    private static string FactOrResult(string name, CircuitMakeUp makeUp) =>
        name.Contains('.', StringComparison.Ordinal) ? Fact(name) : CircuitText.Name(ResultRef.Parse(name), makeUp);

    private static string Signs(
        IReadOnlyDictionary<string, double> values, IReadOnlyList<string> seen, UnitText units, CircuitMakeUp makeUp,
        bool isSeen = true) =>
        string.Join(", ", values
        .Select(v => (Of: ResultRef.Parse(v.Key), v.Value))
        .Select(v => $"{CircuitText.Name(v.Of, makeUp)} {units.Result(CircuitResult.QuantityOf(v.Of.Kind), v.Value)}")
        .Concat(seen.Select(name => Fact(name, isSeen))));

    /// <summary>A fact as a finding names it: "SightGlass.Bubbles".</summary>
    /// <param name="isSeen">It is so; else it would speak for the finding, and is seen to be otherwise.</param>
    private static string Fact(string name, bool isSeen = true)
    {
        var parts = name.Split('.');
        if (parts[0] == CircuitPatterns.StandingSign)
            return parts[1] switch
            {
                nameof(StandingVerdict.Normal) => "standing pressure normal",
                nameof(StandingVerdict.ShortOfLiquid) => "standing pressure far too low",
                _ => "standing pressure too high",
            };
        return $"{FactText.Name(Enum.Parse<AsFound>(parts[0]))} {(isSeen ? "" : "not ")}{FactText.Name(Enum.Parse<FactState>(parts[1]))}";
    }

    private static string Step(NextStep step, CircuitMakeUp makeUp) => step.Kind switch
    {
        StepKind.Recheck => $"Check {CircuitText.Name(step.Point!.Value, makeUp)} again",
        StepKind.RecordFact when step.Fact == AsFound.EvaporatorFan => "Look at each evaporator fan",
        StepKind.RecordFact when step.Fact == AsFound.Coil => "Look at the coil: clear, frosted or iced",
        StepKind.RecordFact when step.Fact == AsFound.Defrost => "See whether it is in its defrost",
        StepKind.RecordFact => "Note whether the compressor runs, and for how long",
        StepKind.RestoreFans => "Get every evaporator fan running",
        StepKind.NoteBeforeThaw => step.Fact switch
        {
            AsFound.EvaporatorFan => "Before any thaw: look at each evaporator fan",
            AsFound.ClockMotor => "Before any thaw: see whether the defrost clock turns",
            AsFound.Drain => "Before any thaw: look at the drain",
            _ => "Before any thaw: look at the door",
        },
        StepKind.ClearCoil => "Thaw the coil, all of it",
        StepKind.LetDefrostEnd => "Let the defrost end",
        StepKind.TestStartParts => "Test the overload first, then the start relay, capacitor and windings",
        StepKind.SeeItCall => "Make it call, and see it start",
        StepKind.FindWhyStopped => "Find out why the compressor is off",
        StepKind.WaitToSettle => $"Let it run {Math.Ceiling(step.Wait!.Value.TotalMinutes):F0} min more",
        StepKind.LogAgain => $"Log {CircuitText.Name(step.Point!.Value, makeUp)} again",
        _ => $"Log {CircuitText.Name(step.Point!.Value, makeUp)}",
    };

    private static string StepReason(NextStep step, CircuitMakeUp makeUp)
    {
        var results = CircuitText.List(step.Unlocks.Select(k => CircuitText.Name(k, makeUp)).Take(3));
        return step.Kind switch
        {
            StepKind.Recheck => "It does not agree with the other readings. Your value is saved.",
            StepKind.RestoreFans => "About 10 min. Lock out before touching a blade. Until then low-side readings are not usable.",
            StepKind.NoteBeforeThaw => "Why is it iced? The thaw wipes the answer out.",
            StepKind.ClearCoil =>
                "Ice left in the return bends can ice the coil again. Keep melt water out of the wiring. Heaters and fins: gloves.",
            StepKind.LetDefrostEnd => "Note when it ended. Readings are usable 10 min later. Hot heaters: gloves.",
            StepKind.TestStartParts =>
                "Isolate and lock out; discharge the capacitor before touching it. Hot shell: an open overload may only need to cool. "
                + "A pressure control that is open has a reason: find it, never bypass it. "
                + "Replace by the company's policy on start components.",
            StepKind.SeeItCall => "Turn the set point down, note what it was, and set it back.",
            StepKind.FindWhyStopped => "Trace the call first. Live tests: qualified, equipped people only.",
            StepKind.WaitToSettle => "Then log the same points again.",
            StepKind.LogAgain => "It was taken before the unit was right or had settled.",
            StepKind.RecordFact when step.Fact == AsFound.Defrost =>
                "In a defrost fans and compressor stand rightly. Look at the clock or the controller; feel for warm heaters with the "
                    + "back of "
                + "your hand near them, not on them.",
            StepKind.RecordFact when results.Length == 0 => "One tap. Without it no reading is fully usable.",
            _ when results.Length == 0 => "It is needed together with others.",
            StepKind.RecordFact => $"One tap. It decides whether {results} {(step.Unlocks.Count == 1 ? "is" : "are")} usable.",
            _ => $"Gives {results}.",
        };
    }
}
