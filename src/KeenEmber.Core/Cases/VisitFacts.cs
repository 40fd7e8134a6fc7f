using System.Text.RegularExpressions;
using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>Which part of a visit facts speak of: work divides it.</summary>
public enum VisitSpan
{
    /// <summary>Since the last work, or the whole visit where none was done.</summary>
    AsItIs,

    /// <summary>Before the first work: how the unit was found.</summary>
    AsFound,
}

/// <summary>What is on record of a visit, as the diagnosis takes it.</summary>
public static class VisitFacts
{
    /// <summary>What is known of one part of a visit; of two with one code the later stands alone.</summary>
    public static IReadOnlyList<Fact> Of(VisitCase visit, VisitSpan span = VisitSpan.AsItIs) => new FactsOfSpan(visit, span).Latest();

    /// <summary>An answer as an entry of the walk-round, which all benches read; null where the walk-round has none.</summary>
    public static ObservationEntry? LookOf(EntryHeader header, string code, string answer) =>
        FactsOfRecord.LookOf(code, answer) is var (fact, state) ? new(header, fact, null, state, null) : null;

    /// <summary>A fact as an entry: of the walk-round where that has a place for it.</summary>
    public static Entry EntryOf(EntryHeader header, Fact fact) =>
        LookOf(header, fact.Code, fact.Answer) ?? (Entry)new DiagnosisFactEntry(header, fact.Code, fact.Answer, fact.Number);

    /// <summary>What was said not to be had now.</summary>
    public static IReadOnlySet<string> CannotNow(VisitCase visit) => visit.Timeline.Standing
        .Where(e => visit.LastWork is not { } work || e.At > work).Concat(visit.UpToHere.SelectMany(t => t.Standing).Where(IsNever))
        .OfType<DiagnosisFactEntry>().Where(e => e.Cannot).Select(e => e.Observable).ToHashSet();

    private static bool IsNever(Entry entry) => entry is DiagnosisFactEntry { Cannot: true, Answer: DiagnosisFactEntry.Never };

    /// <summary>Parts that were worked on at earlier visits and, for the unit as it is, on this one.</summary>
    public static IReadOnlyList<EarlierWork> History(VisitCase visit, VisitSpan span = VisitSpan.AsItIs) =>
        [.. visit.AllVisits.Where(v => v.Visit.StartedAt < visit.Visit.StartedAt
            || (v.Visit.Id == visit.Visit.Id && span == VisitSpan.AsItIs))
            .Select(v => WorkOf(v.Timeline, (visit.Visit.StartedAt - v.Visit.StartedAt).TotalDays)).Where(w => w.Parts.Count > 0),
        .. visit.UpToHere.SelectMany(t => t.Standing).OfType<EarlierPartEntry>().Select(e => new EarlierWork(
            Math.Max(0, (visit.Visit.StartedAt - e.At).TotalDays) + e.DaysAgo, [PartCodes.Of(e.Component.Kind)],
            [PartCodes.Of(e.Component.Kind)]))];

    private static EarlierWork WorkOf(Timeline timeline, double daysAgo)
    {
        return new(daysAgo, [.. timeline.Standing.SelectMany(WorkedParts.Of).Distinct()],
            [.. timeline.Standing.OfType<PartEntry>().SelectMany(WorkedParts.Of).Distinct()]);
    }
}

/// <summary>Gathers the facts of one part of a visit.</summary>
internal sealed class FactsOfSpan(VisitCase visit, VisitSpan span)
{
    private readonly DateTimeOffset? firstWork = WorkDone.Moments(visit.Timeline).Select(m => (DateTimeOffset?)m).FirstOrDefault();

    private bool IsAsFound => span == VisitSpan.AsFound && firstWork is not null;

    private IReadOnlyList<Entry> Entries => field ??=
        [.. visit.Timeline.Standing.Where(e => IsIn(e.At) && !(e is ObservationEntry seen && IsOvertaken(seen))).OrderBy(e => e.At)];

    private bool IsOvertaken(ObservationEntry seen) =>
        visit.Timeline.IsOvertaken(seen, IsAsFound ? firstWork!.Value.AddTicks(-1) : DateTimeOffset.MaxValue);

    private bool IsIn(DateTimeOffset at) => IsAsFound ? at < firstWork : visit.LastWork is not { } work || at > work;

    /// <summary>Of two with one code the later stands alone.</summary>
    internal IReadOnlyList<Fact> Latest() =>
        [.. All.GroupBy(f => f.Code).Select(g => g.Last()).Where(f => f.Answer.Length > 0 || f.Number is not null)];

    /// <summary>What is not looked at a second time: what was said twice, and what benches and instruments say.</summary>
    internal IReadOnlySet<string> Settled()
    {
        var seen = Entries.SelectMany(Seen).ToList();
        return All.Select(f => f.Code).Except(seen.Select(f => f.Code)).Concat(DiagnosisInput.ToldAlike(seen)).ToHashSet();
    }

    private IReadOnlyList<Fact> All => field ??=
        [.. Complained(), .. FromBenches(), .. Measured(), .. Entries.Where(IsOfThisSide).SelectMany(Seen), .. Parts(), .. Fans(),
        .. Heaters()];

    private bool IsOfThisSide(Entry entry) =>
        entry is not ObservationEntry { Fact: AsFound.Coil, Index: { } coil } || visit.Equipment.MakeUp.Coils == 1 || coil == Side;

    /// <summary>What was complained of tells how the unit was found; what is so after work is seen.</summary>
    private IEnumerable<Fact> Complained() => firstWork is not null && !IsAsFound ? []
        : Complaints.Where(c => c.Words.IsMatch(visit.Visit.Complaint)).Select(c => new Fact(c.Code, c.Answer));

    /// <summary>Made once: every visit that is judged is matched against all of them.</summary>
    private static readonly (string Code, string Answer, Regex Words)[] Complaints = [.. FactsOfRecord.Complaints.Select(c =>
        (c.Code, c.Answer, new Regex($@"\b(?:{string.Join('|', c.Words.Select(Regex.Escape))})", RegexOptions.IgnoreCase)))];

    /// <summary>Before the work all that was found is so; afterwards what benches say of now.</summary>
    private IEnumerable<Fact> FromBenches() => (IsAsFound || firstWork is null ? visit.Found : visit.Faults).SelectMany(Said);

    /// <summary>The diagnosis takes what it says, as an answer or as the results it rests on.</summary>
    internal static bool IsWeighed(Finding finding) => finding.Bench is "danger" or "circuit" or "electrical" or "frost"
        || Said(finding).Any();

    private static IEnumerable<Fact> Said(Finding finding)
    {
        if (finding.Code == DefrostCodes.NotChangedOver)
            return [new("fans-in-defrost", "on"), new("heaters.current", "", 0)];
        if (finding.Code == CircuitTrace.Traced)
            return TraceFacts.Of(finding);
        return FactsOfRecord.Found.TryGetValue(finding.Code, out var fact) ? [new(fact.Code, fact.Answer)] : SensorFacts.Of(finding);
    }

    /// <summary>What one entry says by itself.</summary>
    internal static IEnumerable<Fact> Seen(Entry entry) => entry switch
    {
        ObservationEntry { Fact: AsFound.Coil } coil =>
            [new("coil", coil.State switch { FactState.Iced => "iced", FactState.Frosted => "frost", _ => "clear" })],
        ObservationEntry { Fact: AsFound.Defrost, State: FactState.Refrigerating }
            or ObservationEntry { Fact: AsFound.ControllerMode, State: FactState.Normal } => DefrostIsOver,
        ObservationEntry { Fact: AsFound.Defrost or AsFound.ControllerMode, State: FactState.Defrosting } => DefrostIsOn,
        ObservationEntry look when FactsOfRecord.Looks.TryGetValue((look.Fact, look.State), out var fact) => [new(fact.Code, fact.Answer)],
        OutputStateEntry output when FactsOfRecord.Outputs.TryGetValue(output.Output, out var code)
            && (output.State.IsLive ?? output.State.Runs) is { } isLive =>
            [new(code, $"{(output.State.IsCalled ? "called" : "uncalled")}-{(isLive ? "live" : "dead")}")],
        DamageEntry damage when WettedSet.ComesFromWater(damage.Damage) =>
            [new("control-wet", damage.Damage == DamageKind.Scaled ? "scaled" : "wet")],
        PartConditionEntry { IsOpen: true } damage when DamageFacts.Of(damage) is { } seen => [seen],
        BoxCheckEntry check => BoxFacts.Of(check),
        DiagnosisFactEntry { Cannot: false } told => [new(told.Observable, told.Answer, told.Number)],
        _ => [],
    };

    /// <summary>What was read of the mode while it defrosted is so no longer, and what it is instead was not read.</summary>
    private static readonly Fact[] DefrostIsOver = [new("shown-mode", ""), new("clock-position", ""), new("defrost-on", "")];

    /// <summary>None has to be forced for what is measured in one.</summary>
    private static readonly Fact[] DefrostIsOn = [new("shown-mode", "defrost"), new("defrost-on", "yes")];

    private IEnumerable<Fact> Parts() => PartFacts.Of(
        [.. Entries.Select(e => MeasuredPart.Of(e, visit.Company.Policies)).OfType<MeasuredPart>()], visit.Equipment);

    /// <summary>Fans that run in a defrost say nothing of how they run otherwise.</summary>
    private IEnumerable<Fact> Fans() => FansRunInDefrost ? [new("fans-in-defrost", "on")]
        : FansOf([.. Entries.OfType<ObservationEntry>()]) is { } fans ? [new("fans", fans)] : [];

    private bool FansRunInDefrost => Entries.OfType<ObservationEntry>().LastOrDefault(o => o.Fact == AsFound.EvaporatorFan)
        is { State: FactState.Running } seen && IsSeenInDefrost(seen);

    private bool IsSeenInDefrost(Entry entry) =>
        visit.Timeline.ConditionsAt(entry.At) is { IsInDefrost: true, FansStandInDefrost: true };

    /// <summary>Clamped in no watched run: without current it says something in a defrost alone.</summary>
    private IEnumerable<Fact> Heaters() => Entries.OfType<HeaterAmpsEntry>().LastOrDefault() is { } heaters
        && (!heaters.IsDead || IsSeenInDefrost(heaters)) ? DefrostFacts.Of(heaters, visit.Of<DefrostJudgement>()?.SetUp) : [];

    /// <summary>Null until every fan was seen.</summary>
    private string? FansOf(List<ObservationEntry> seen)
    {
        var states = Enumerable.Range(1, visit.Equipment.EvaporatorFans)
            .Select(n => seen.FindLast(o => o.Fact == AsFound.EvaporatorFan && (o.Index is null || o.Index == n))?.State).ToList();
        if (states.Count == 0 || states.Contains(null))
            return null;
        return states.Count(s => s == FactState.Stopped) switch
        {
            0 => "all-run",
            var stopped => stopped == states.Count ? "all-stopped" : "one-stopped",
        };
    }

    private IEnumerable<Fact> Measured()
    {
        if (AboveTarget(Side) is { } aboveK)
            yield return new("box", "", aboveK);
        if (visit.Equipment.MakeUp.Coils > 1 && AboveTarget(3 - Side) is { } otherK)
            yield return new("other-side", otherK switch
            {
                > ControlsOnRecord.ApartK => "warm",
                < -ControlsOnRecord.ApartK => "frozen",
                _ => "usual",
            });
        if (!IsAsFound && visit.DisplayOff is { } off)
            yield return new("display", "", off);
        foreach (var sensor in visit.Of<SensorsJudgement>()?.Unit.Sensors ?? [])
        {
            var result = (IsAsFound ? sensor.Found : sensor.Now)?.Result;
            if (result?.Error is { } error && double.IsFinite(error) && FactsOfRecord.Probe(sensor.Sensor.Role) is { } probe)
                yield return new(probe, "", error);
            if (result?.Verdict is SensorVerdict.Open or SensorVerdict.Shorted && sensor.Sensor.Role == SensorRole.Box)
                yield return new("box-sensor-ohms", "open-or-shorted");
        }

        foreach (var result in Results())
        {
            if (result.Ref == result.Kind.At(Side) && FactsOfRecord.Result(result.Kind, visit.Equipment.MakeUp) is { } code)
                yield return new(code, "", result.Value);
        }

        // Against the water that leaves it a condenser in water is judged; that it is hot at all is seen without.
        if (visit.Equipment.MakeUp.Condenser == CondenserKind.WaterCooled && IsHeadHigh)
            yield return new("head", "high");
        if (visit.Of<ControlsJudgement>()?.Cycle is { } cycle && (cycle.CutInOffK ?? cycle.OffK) is { } shift && firstWork is null)
            yield return new("cutin-error", "", shift);
        if (visit.Of<DefrostJudgement>()?.OwnRun is { } run && IsIn(run.At(run.Result.Phases.HeatOff ?? 0)))
        {
            foreach (var fact in DefrostFacts.Of(run.Result))
                yield return fact;
        }

        foreach (var fact in Charged())
            yield return fact;
    }

    /// <summary>Of two sides the one that is further above its target: what is asked and told of a coil is of that one.</summary>
    private int Side => visit.Equipment.MakeUp.Coils > 1 && AboveTarget(2) > (AboveTarget(1) ?? double.NegativeInfinity) ? 2 : 1;

    private double? AboveTarget(int coil) =>
        Entries.OfType<ReadingEntry>().LastOrDefault(r => r.Point == MeasuringPoint.BoxAir.At(coil)) is { } air
            ? (air.Value.Temperature - visit.Equipment.TargetOf(coil)).Kelvin : null;

    private bool IsHeadHigh
    {
        get
        {
            var circuit = visit.Of<CircuitJudgement>();
            var analysis = IsAsFound ? circuit?.AsFound is [.., var last] ? last : null : circuit?.Analysis;
            return analysis?.Findings.Any(f => f.Code == CircuitPatterns.HighHead) == true;
        }
    }

    /// <summary>What was weighed, evacuated, searched and pulled down says how the unit is, not how it was found.</summary>
    private IEnumerable<Fact> Charged() => IsAsFound ? [] :
        [.. visit.Of<ChargeJudgement>() is { } charge ? ChargeFacts.Of(charge) : [],
            .. visit.Of<BoxJudgement>() is { } box ? BoxFacts.Of(box) : []];

    private IEnumerable<CircuitResult> Results()
    {
        if (visit.Of<CircuitJudgement>() is not { } circuit)
            return [];
        var results = IsAsFound ? circuit.AsFound.Reverse().SelectMany(a => a.Results).DistinctBy(r => r.Ref)
            : circuit.Analysis?.Results ?? [];
        return results.Where(r => r is { IsUsable: true, Quantity: ResultQuantity.Difference });
    }
}
