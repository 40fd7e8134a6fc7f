using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Cases;

/// <summary>What the sensors' bench found, as the diagnosis takes it.</summary>
internal static class SensorFacts
{
    private static readonly Dictionary<string, (string Code, string Answer)> ByCode = new Dictionary<SensorVerdict, (string, string)>
    {
        [SensorVerdict.Swapped] = ("probe-warmed", "other"), [SensorVerdict.Misplaced] = ("probe-seat", "misplaced"),
        [SensorVerdict.WrongCurve] = ("curve-set", "wrong"), [SensorVerdict.OffsetParameter] = ("offset", "found"),
        [SensorVerdict.Unsteady] = ("probe-steady", "jumps"), [SensorVerdict.Leakage] = ("joints", "wet"),
        [SensorVerdict.SeriesResistance] = ("joints", "wet"),
    }.ToDictionary(v => SensorFindings.Code(v.Key), v => v.Value);

    internal static IEnumerable<Fact> Of(Finding finding) =>
        ByCode.TryGetValue(finding.Code, out var fact) ? [new(fact.Code, fact.Answer)] : [];
}

/// <summary>What was seen to be wrong with a part or its leads, as the diagnosis takes it.</summary>
internal static class DamageFacts
{
    /// <returns>Null for what it does not ask about.</returns>
    internal static Fact? Of(PartConditionEntry damage) => (damage.Component.Kind, damage.Condition) switch
    {
        (ComponentKind.Control, PartCondition.Wet) => new("control-wet", "wet"),
        (ComponentKind.Control, PartCondition.Scaled) => new("control-wet", "scaled"),
        (ComponentKind.Contactor, PartCondition.Burnt) => new("contactor", "burnt"),
        (_, PartCondition.Burnt) => new("wiring", "burnt"),
        (_, PartCondition.Rubbed) => new("wiring", "chafed"),
        (_, PartCondition.Loose) => new("wiring", "loose"),
        _ => null,
    };
}

/// <summary>What a watched defrost came to, as the diagnosis takes it.</summary>
internal static class DefrostFacts
{
    internal static IEnumerable<Fact> Of(DefrostResult run)
    {
        if (run.Phases.HeatOff is null)
            yield break;
        if (run.End switch { EndedBy.Temperature => "temperature", EndedBy.TimeLimit => "time-limit", EndedBy.Hand => "hand", _ => null }
            is { } end)
            yield return new("end-by", end);
        if (run.IceIsLeft)
            yield return new("ice-left", "some");
        else if (run.ClearMin is not null)
            yield return new("ice-left", "none");
        if (run.HeatAfterClearMin is { } past)
            yield return new("past-clear", "", past);
        if (Of(run.Heaters) is { } current)
            yield return current;
        if (run.Fans is { OnMin: not null, RanInHeat: false } && !run.Findings.Any(f => f.Code == DefrostCodes.FansEarly))
            yield return new("fans-in-defrost", "off");
    }

    /// <summary>What carries no current needs no rating to be told.</summary>
    internal static IEnumerable<Fact> Of(HeaterAmpsEntry clamped, DefrostSetUp? setUp) =>
        Of(clamped.Judge(setUp)) is { } current ? [current] : clamped.IsDead ? [Current(0)] : [];

    private static Fact Current(double percent) => new("heaters.current", "", percent);

    private static Fact? Of(HeaterState? heaters) =>
        heaters is { RatedKw: > 0, HealthyKw: > 0 } && heaters.Legs.Any(l => l.MeasuredA is not null)
            ? Current(100 * heaters.PowerKw / heaters.HealthyKw) : null;
}

/// <summary>What was weighed, evacuated and searched, as the diagnosis takes it: what is sound; faults come as findings.</summary>
internal static class ChargeFacts
{
    /// <summary>So many places without a leak say that none is to be found with a detector.</summary>
    private const int Searched = 4;

    internal static IEnumerable<Fact> Of(ChargeJudgement charge)
    {
        if (charge.Evacuation?.Decay?.Verdict == DecayVerdict.Dry)
            yield return new("vacuum-rise", "levels-low");
        if (charge.Tight?.Verdict == TightVerdict.Holds)
            yield return new("pressure-test", "holds");
        if (charge.Trim.Advice == TrimAdvice.GoOn)
            yield return new("trim-response", "better-in");
        var caps = charge.Looks.LastOrDefault(l => l.Place == LeakPlace.CapOrCore);
        if (caps is { Result: LeakResult.Leaks or LeakResult.Tight })
            yield return new("caps", caps.Result == LeakResult.Leaks ? "loose" : "tight");
        if (charge.Looks.Count(l => l.Result == LeakResult.Tight) >= Searched && charge.Looks.All(l => l.Result == LeakResult.Tight))
            yield return new("leak-found", "none");
    }
}

/// <summary>What the box does, as the diagnosis takes it.</summary>
internal static class BoxFacts
{
    private static readonly Dictionary<BoxPart, (string Code, string Sound, string Faulty)> ByPart = new()
    {
        [BoxPart.GasketPaper] = ("gasket", "sound", "torn"), [BoxPart.LatchGap] = ("door", "closes", "not-closing"),
        [BoxPart.Closer] = ("door", "closes", "not-closing"), [BoxPart.AirCurtain] = ("curtain", "whole", "disturbed"),
        [BoxPart.Deflector] = ("coil-panel", "in-place", "off"), [BoxPart.PanelJoint] = ("panel-joints", "sound", "gap"),
    };

    internal static IEnumerable<Fact> Of(BoxCheckEntry check) => check.Repaired.Length == 0 && ByPart.TryGetValue(check.Part, out var said)
        ? [new(said.Code, check.IsSound ? said.Sound : said.Faulty)] : [];

    internal static IEnumerable<Fact> Of(BoxJudgement box)
    {
        if (box.PullDown is { Result: not null, Readings: [var first, .., var last] })
            yield return new("pulls-down", first.Value.Kelvin - last.Value.Kelvin > LeastFallK ? "yes" : "no");
        if (box.Balance is { Result.Verdict: BalanceVerdict.Holds })
            yield return new("heat-balance", "holds");
        if (box.Systems.Count > 1 && box.Systems.All(s => s.Role == SystemRole.Carries))
            yield return new("sister-system", "runs");
    }

    /// <summary>Less than this from the first reading to the last is no fall, K.</summary>
    private const double LeastFallK = 0.5;
}

/// <summary>What the control circuit was traced to, as the diagnosis takes it.</summary>
internal static class TraceFacts
{
    private static readonly Dictionary<(ComponentKind, WiredFault), (string Code, string Answer)> ByPart = new()
    {
        [(ComponentKind.Breaker, WiredFault.StuckOpen)] = ("supply", "tripped"),
        [(ComponentKind.LowPressureControl, WiredFault.StuckOpen)] = ("lp-control", "open"),
        [(ComponentKind.HighPressureControl, WiredFault.StuckOpen)] = ("hp-control", "tripped"),
        [(ComponentKind.Control, WiredFault.StuckOpen)] = ("thermostat-across", "open"),
        [(ComponentKind.Overload, WiredFault.StuckOpen)] = ("overload", "open"),
        [(ComponentKind.Contactor, WiredFault.Open)] = ("contactor-coil-ohms", "open"),
        [(ComponentKind.FanDelaySwitch, WiredFault.StuckOpen)] = ("delay-switch", "stuck-open"),
        [(ComponentKind.FanDelaySwitch, WiredFault.StuckClosed)] = ("delay-switch", "stuck-closed"),
        [(ComponentKind.TerminationSwitch, WiredFault.StuckClosed)] = ("term-switch", "stuck-closed"),
        [(ComponentKind.LiquidSolenoid, WiredFault.Open)] = ("solenoid-magnet", "none"),
    };

    internal static IEnumerable<Fact> Of(Finding finding) => CircuitTrace.FaultOf(finding) is { } fault
        && Component.Find(finding.About[0].Id) is { } component && ByPart.TryGetValue((component.Kind, fault.Fault), out var fact)
        ? [new(fact.Code, fact.Answer)] : [];
}

/// <summary>What a test of a part showed, as the diagnosis takes it.</summary>
internal static class PartFacts
{
    private static readonly Dictionary<(ComponentKind, TestedPart), (string Code, string Sound, string Faulty)> ByTest = new()
    {
        [(ComponentKind.CondenserFan, TestedPart.Insulation)] = ("condfan-earth", "clear", "grounded"),
        [(ComponentKind.Compressor, TestedPart.Insulation)] = ("windings-earth", "clear", "grounded"),
        [(ComponentKind.EvaporatorFan, TestedPart.Insulation)] = ("fan-earth", "clear", "grounded"),
        [(ComponentKind.HeaterElement, TestedPart.Insulation)] = ("heaters-earth", "clear", "grounded"),
        [(ComponentKind.Contactor, TestedPart.ContactorPole)] = ("contactor-drop", "fine", "high"),
        [(ComponentKind.Contactor, TestedPart.Coil)] = ("contactor-coil-ohms", "sound", "open"),
        [(ComponentKind.EvaporatorFan, TestedPart.Coil)] = ("fan-windings", "sound", "open"),
        [(ComponentKind.CondenserFan, TestedPart.Coil)] = ("condfan-windings", "sound", "open"),
        [(ComponentKind.LiquidSolenoid, TestedPart.Coil)] = ("solenoid-coil-ohms", "sound", "open"),
        [(ComponentKind.HeaterElement, TestedPart.Heater)] = ("heater-ohms", "sound", "one-open"),
        [(ComponentKind.Control, TestedPart.Transformer)] = ("transformer-out", "right", "low-or-none"),
        [(ComponentKind.Overload, TestedPart.Overload)] = ("overload", "closed", "open"),
        [(ComponentKind.LowPressureControl, TestedPart.Switch)] = ("lp-control", "closed", "open"),
        [(ComponentKind.HighPressureControl, TestedPart.Switch)] = ("hp-control", "closed", "tripped"),
        [(ComponentKind.Control, TestedPart.Switch)] = ("thermostat-across", "closed", "open"),
        [(ComponentKind.HeaterSafety, TestedPart.Switch)] = ("heater-safety", "closed", "open"),
        [(ComponentKind.FanCyclingControl, TestedPart.Switch)] = ("fancycle-control", "closed", "open"),
    };

    /// <summary>Verdicts that the faulty answer of a test stands for: others, as a coil that gets too little voltage, say something
    /// else.</summary>
    private static readonly HashSet<PartVerdict> Faulty =
        [PartVerdict.Open, PartVerdict.Unsafe, PartVerdict.High, PartVerdict.Low, PartVerdict.Shorted];

    private static readonly Dictionary<ComponentKind, string> Windings = new()
    {
        [ComponentKind.Compressor] = "windings", [ComponentKind.EvaporatorFan] = "fan-windings",
        [ComponentKind.CondenserFan] = "condfan-windings",
    };

    private static readonly Dictionary<ComponentKind, string> Capacitors = new()
    {
        [ComponentKind.RunCapacitor] = "run-cap", [ComponentKind.StartCapacitor] = "start-cap",
        [ComponentKind.CondenserFanCapacitor] = "condfan-cap",
    };

    private static readonly Dictionary<(ComponentKind, TestedPart), string> Currents = new()
    {
        [(ComponentKind.EvaporatorFan, TestedPart.FanMotor)] = "fan-current",
        [(ComponentKind.CondenserFan, TestedPart.FanMotor)] = "condfan-current",
        [(ComponentKind.GlycolPump, TestedPart.FanMotor)] = "pump-current",
        [(ComponentKind.Compressor, TestedPart.CompressorCurrent)] = "current",
    };

    /// <summary>Said of all parts of a kind together: one sound part does not say it.</summary>
    private static readonly HashSet<string> OfTheWholeSet = ["heaters-earth", "fan-earth", "heater-ohms"];

    /// <param name="tests">In the order of time; the last of each kind of each part holds, and one faulty part of several speaks for
    /// all.</param>
    internal static IEnumerable<Fact> Of(IReadOnlyList<MeasuredPart> tests, Equipment unit)
    {
        var last = tests.GroupBy(t => (t.Component, t.Test.Part)).Select(g => g.Last()).OrderBy(t => t.Result.IsFault).ToList();
        bool IsWhole(MeasuredPart part) => Components.Of(unit).Where(c => c.Kind == part.Component.Kind)
            .All(c => last.Exists(t => t.Component == c && t.Test.Part == part.Test.Part));
        return last.SelectMany(t => Of(t).Where(f => t.Result.IsFault || !OfTheWholeSet.Contains(f.Code) || IsWhole(t)));
    }

    private static IEnumerable<Fact> Of(MeasuredPart part)
    {
        var (kind, verdict) = ((part.Component.Kind, part.Test.Part), part.Result.Verdict);
        if (verdict == PartVerdict.CannotTell)
            return [];
        if (part.Test.Part == TestedPart.Capacitor)
            return Percent(Capacitors.GetValueOrDefault(part.Component.Kind), part.Test, "microfarad");
        if (Currents.TryGetValue(kind, out var current))
            return Percent(current, part.Test, "amps");
        if (part.Test.Part == TestedPart.Windings)
            return Windings.TryGetValue(part.Component.Kind, out var windings) && WindingAnswer(verdict) is { } answer
                ? [new(windings, answer)] : [];
        if (part.Component.Kind == ComponentKind.StartRelay)
            return RelayAnswer(verdict) is { } state ? [new("start-relay", state)] : [];
        if (SupplyAnswer(part) is { } supply)
            return [supply];
        // A lead that conducts to earth is rubbed through or wet; one that does not may still be rubbed.
        if (kind == (ComponentKind.Wiring, TestedPart.Insulation))
            return verdict == PartVerdict.Unsafe ? [new("wiring", "chafed")] : [];
        if (!ByTest.TryGetValue(kind, out var said))
            return [];
        return part.Result.IsFault
            ? Faulty.Where(f => f == verdict).Select(_ => new Fact(said.Code, said.Faulty)) : [new(said.Code, said.Sound)];
    }

    private static Fact? SupplyAnswer(MeasuredPart part) => (part.Test.Part, part.Result.Verdict) switch
    {
        (TestedPart.ThreePhaseSupply, PartVerdict.Dead) => new("supply-volts", "dead"),
        (TestedPart.PhaseOrder, PartVerdict.Reversed) => new("phase-order", "reversed"),
        (TestedPart.PhaseOrder, PartVerdict.Sound) => new("phase-order", "right"),
        (TestedPart.Fuse, PartVerdict.Open) => new("supply", "fuse-blown"),
        (TestedPart.SinglePhaseSupply, PartVerdict.LegLost) => new("supply-volts", "dead"),
        (TestedPart.SinglePhaseSupply, PartVerdict.Low) => new("supply-volts", "low"),
        (TestedPart.SinglePhaseSupply, PartVerdict.Sound) => new("supply-volts", "right"),
        (TestedPart.SplitPhaseSupply, PartVerdict.LegLost) => new("supply-volts", "leg-lost"),
        (TestedPart.SplitPhaseSupply, PartVerdict.NeutralLost) => new("neutral-volts", "high"),
        (TestedPart.ThreePhaseSupply, PartVerdict.Sound or PartVerdict.Watch or PartVerdict.High) when part.Test.Measured.Count == 3 =>
            new("unbalance", "", part.Result.Value!.Value),
        _ => null,
    };

    private static IEnumerable<Fact> Percent(string? code, PartTest test, string name) =>
        code is not null && test.Read(name) / test.Marked(name) is var share && double.IsFinite(share) ? [new(code, "", 100 * share)] : [];

    /// <summary>Null for resistances that do not add up, and for a protector that a hot shell holds open: they are measured again before
    /// they speak.</summary>
    private static string? WindingAnswer(PartVerdict verdict) => verdict switch
    {
        PartVerdict.Sound => "sound",
        PartVerdict.Shorted => "shorted",
        PartVerdict.Open => "open",
        _ => null,
    };

    private static string? RelayAnswer(PartVerdict verdict) => verdict switch
    {
        PartVerdict.Sound => "good",
        PartVerdict.Open => "open",
        PartVerdict.Shorted => "welded",
        _ => null,
    };
}
