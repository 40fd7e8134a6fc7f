using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>Which of the company's policies have something to say about a visit as it stands.</summary>
public static class PolicyAdvice
{
    /// <param name="found">What the benches found.</param>
    /// <param name="next">What is asked for next.</param>
    public static IReadOnlyList<Policy> For(
        Timeline timeline, Equipment unit, OperatingConditions conditions, IReadOnlyList<Finding> found, BenchTask? next)
    {
        var areas = timeline.Standing.Select(AreaOf).ToHashSet();
        // Work on the condenser's fan belongs to its area; cleaning its face asks for no motor or capacitor.
        if (next is RepairTask { Cause.Part: not "condenser" } repair)
            areas.Add(WorkedParts.AreaOf(repair.Cause.Part));
        bool Applies(Policy policy) => policy switch
        {
            Policy.Gauges => next?.Asks?.Kind() == QuantityKind.Pressure, // Every connection costs charge.
            Policy.StartParts => areas.Contains(WorkArea.StartParts),
            Policy.LimitSwitches => areas.Contains(WorkArea.LimitSwitch),
            Policy.WettedControls => conditions.StateOf(AsFound.ControlMoisture) is FactState.Wet or FactState.Scaled,
            Policy.Charging => found.Any(IsAboutCharge) || timeline.Standing.OfType<RefrigerantEntry>().Any(),
            Policy.Defrost => areas.Contains(WorkArea.Defrost),
            Policy.MotorCapacitor or Policy.RunCapacitor => areas.Overlaps([WorkArea.Motor, WorkArea.CondenserFan]),
            Policy.FanCycling => unit.MakeUp.Has(CircuitParts.FanCyclingControl) && conditions.CondenserFan == FactState.Cycling,
            Policy.EvaporatorFans => areas.Contains(WorkArea.Fans) && unit.Target.Celsius > ValidityRules.SelfClearingAboveC,
            _ => false,
        };
        return [.. Enum.GetValues<Policy>().Where(Applies)];
    }

    private static bool IsAboutCharge(Finding finding) =>
        finding.Code is CircuitPatterns.ShortOfCharge or CircuitPatterns.Overcharged or CircuitPatterns.NearlyEmpty;

    private static WorkArea AreaOf(Entry entry) =>
        entry switch { PartEntry p => p.Area, ChangeEntry { FoundSo: false } c => c.Area, _ => WorkArea.Other };
}
