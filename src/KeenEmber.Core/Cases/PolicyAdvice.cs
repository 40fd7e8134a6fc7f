using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>Which of the shop's policies have something to say about a visit as it stands.</summary>
public static class PolicyAdvice
{
    /// <param name="analysis">What the circuit bench makes of it; null without a refrigerant it knows.</param>
    public static IReadOnlyList<Policy> For(Timeline timeline, Equipment unit, OperatingConditions conditions, CircuitAnalysis? analysis)
    {
        var areas = timeline.Standing.Select(AreaOf).ToHashSet();
        bool Found(string code) => analysis?.Findings.Any(f => f.Code == code) == true;
        bool Applies(Policy policy) => policy switch
        {
            Policy.Gauges => AsksForGauges(analysis?.Next),
            Policy.StartParts => areas.Contains(WorkArea.StartParts),
            Policy.LimitSwitches => areas.Contains(WorkArea.LimitSwitch),
            Policy.WettedControls => conditions.StateOf(AsFound.ControlMoisture) is FactState.Wet or FactState.Scaled,
            Policy.Charging => Found(CircuitPatterns.ShortOfCharge) || Found(CircuitPatterns.Overcharged) || Found(CircuitPatterns.NearlyEmpty) || timeline.Standing.OfType<RefrigerantEntry>().Any(),
            Policy.Defrost => areas.Contains(WorkArea.Defrost),
            Policy.MotorCapacitor or Policy.RunCapacitor => areas.Contains(WorkArea.Motor),
            Policy.FanCycling => unit.MakeUp.Has(CircuitParts.FanCyclingControl) && conditions.CondenserFan == FactState.Cycling,
            Policy.EvaporatorFans => areas.Contains(WorkArea.Fans) && unit.Target.Celsius > ValidityRules.SelfClearingAboveC,
            _ => false,
        };
        return [.. Enum.GetValues<Policy>().Where(Applies)];
    }

    /// <summary>Whether the step asked for needs a gauge: every connection costs charge.</summary>
    private static bool AsksForGauges(NextStep? next) => next?.Point?.Kind() == QuantityKind.Pressure;

    private static WorkArea AreaOf(Entry entry) => entry switch { PartEntry p => p.Area, ChangeEntry { FoundSo: false } c => c.Area, _ => WorkArea.Other };
}
