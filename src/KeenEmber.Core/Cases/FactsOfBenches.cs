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
        if (run.Heaters is { RatedKw: > 0, HealthyKw: > 0 } heaters && heaters.Legs.Any(l => l.MeasuredA is not null))
            yield return new("heaters.current", "", 100 * heaters.PowerKw / heaters.HealthyKw);
        if (run.Fans is { OnMin: not null, RanInHeat: false } && !run.Findings.Any(f => f.Code == DefrostCodes.FansEarly))
            yield return new("fans-in-defrost", "off");
    }
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

/// <summary>What a test of a named part showed, as the diagnosis takes it.</summary>
internal static class LoadTestFacts
{
    internal static IEnumerable<Fact> Of(LoadTestEntry test)
    {
        if (test.Test == LoadTest.Capacitance && test.Marked?.Si(default) is > 0 and var marked && Capacitor(test) is { } code)
            yield return new(code, "", 100 * test.Readings[0].Value.Si(default) / marked);
        if (test is { Test: LoadTest.Windings, Component.Kind: ComponentKind.Compressor } && Windings(test) is { } windings)
            yield return new("windings", windings);
    }

    /// <summary>Null for resistances that do not add up: they are measured again before they speak.</summary>
    private static string? Windings(LoadTestEntry test) => LoadTests.Judge(test)?.Code switch
    {
        null => "sound",
        LoadTests.WindingShorted => "shorted",
        _ => null,
    };

    private static string? Capacitor(LoadTestEntry test) => test.Component.Kind switch
    {
        ComponentKind.RunCapacitor => "run-cap",
        ComponentKind.StartCapacitor => "start-cap",
        ComponentKind.CondenserFanCapacitor => "condfan-cap",
        _ => null,
    };
}
