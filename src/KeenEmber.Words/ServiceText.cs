using System.Globalization;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words;

/// <summary>Words of the visit round the measuring: urgency, hazards, repairs and their proof, recommendations, meters.</summary>
public static class ServiceText
{
    public static string Name(Urgency urgency) =>
        urgency switch { Urgency.AtOnce => "at once", Urgency.Today => "today", _ => "can be planned" };

    public static string Name(RecommendationUrgency urgency) =>
        urgency switch
        {
            RecommendationUrgency.DoNow => "do now",
            RecommendationUrgency.Quote => "quote",
            RecommendationUrgency.Staff => "for the staff",
            _ => "watch",
        };

    public static string Name(Hazards hazard) => hazard switch
    {
        Hazards.Flammable => "flammable refrigerant",
        Hazards.HighPressureCo2 => "high-pressure CO2",
        Hazards.SecondSupply => "second supply",
        Hazards.Height => "ladder or roof",
        Hazards.ClosedRoom => "closed room",
        Hazards.WetFloor => "wet floor near electrics",
        _ => "hot heaters",
    };

    /// <summary>What to do about a hazard before a tool comes out.</summary>
    public static string Precaution(Hazards hazard) => hazard switch
    {
        Hazards.Flammable => "ventilate, no flame or spark, rated tools",
        Hazards.HighPressureCo2 => "rated hoses; leave the room before anything vents",
        Hazards.SecondSupply => "find both, lock out both, test dead",
        Hazards.Height => "secured ladder, nobody below",
        Hazards.ClosedRoom => "gas displaces air: door open, a second person knows",
        Hazards.WetFloor => "dry it or keep the power off",
        _ => "switch off and let cool before reaching in",
    };

    public static string Name(FactGroup group) => group switch
    {
        FactGroup.AirAndIce => "Air, ice and what runs",
        FactGroup.WithoutGauges => "Without gauges",
        FactGroup.Box => "Box and doors",
        FactGroup.Control => "Control",
        FactGroup.Power => "Power and wiring",
        _ => "Look, listen, smell",
    };

    public static string Name(WorkArea area) => area switch
    {
        WorkArea.Fans => "fans",
        WorkArea.Defrost => "defrost",
        WorkArea.LimitSwitch => "limit switch",
        WorkArea.Control => "control",
        WorkArea.Circuit => "refrigerant circuit",
        WorkArea.StartParts => "start components",
        WorkArea.Motor => "pump or other motor",
        WorkArea.CondenserFan => "condenser fan",
        WorkArea.Sensor => "sensor",
        WorkArea.Power => "power",
        WorkArea.Box => "box, door, drain",
        _ => "something else",
    };

    public static string Name(ProofKind kind) => kind switch
    {
        ProofKind.FansRun => "every evaporator fan seen running",
        ProofKind.CoilClear => "coil seen clear",
        ProofKind.CircuitJudged => "superheat and subcooling taken again, and they count",
        ProofKind.CurrentWithinPlate => "compressor current within the plate",
        ProofKind.BoxAtTarget => "box air back at its target",
        ProofKind.CondenserFanRuns => "condenser fan seen running",
        ProofKind.SensorAgrees => "thermometer, resistance and controller agree",
        ProofKind.StartedAgain => "started several times by itself",
        ProofKind.ClockRuns => "clock turned through by hand, and an hour on after an hour",
        ProofKind.WholeDefrost => "a whole defrost watched to its end",
        ProofKind.HeldTight => "pressure test or isolated vacuum held",
        ProofKind.CutOutReached => "cut-out reached",
        _ => "cut-in seen after it",
    };

    public static string Name(QuantityKind measures) => measures switch
    {
        QuantityKind.Temperature => "thermometer",
        QuantityKind.Pressure => "gauge",
        QuantityKind.Current => "clamp meter",
        QuantityKind.Mass => "scale",
        QuantityKind.Voltage => "voltmeter",
        QuantityKind.Resistance => "ohmmeter",
        QuantityKind.Capacitance => "capacitance meter",
        QuantityKind.Power => "power meter",
        QuantityKind.Speed => "tachometer",
        QuantityKind.Vacuum => "vacuum gauge",
        _ => "refractometer",
    };

    /// <param name="isGood">The check is not too old.</param>
    public static string Passed(bool passed, bool isGood) => (passed, isGood) switch
    {
        (false, _) => "failed",
        (true, true) => "passed",
        (true, false) => "passed, too long ago",
    };

    public static string Name(InstrumentCheckKind kind) => kind == InstrumentCheckKind.IceBath ? "ice bath" : "known source";

    /// <summary>"±0.5 K" or "±1 %", the instrument's own or what its kind usually has.</summary>
    public static string Accuracy(QuantityKind measures, double? accuracy, UnitText units) => (measures, accuracy) switch
    {
        (_, null) => "as usual for its kind",
        (QuantityKind.Temperature, { } kelvin) => $"±{units.Difference(kelvin)}",
        (_, { } share) => string.Create(CultureInfo.InvariantCulture, $"±{share * 100:0.##} %"),
    };

    public static string Recommendation(RecommendationEntry r, string currency) =>
        $"{r.Problem}: {r.Option}" + TypingText.With("; parts: ", r.Parts) + (r.Hours is { } h ? $"; {UnitText.Number(h, 1)} h" : "")
        + $"{Price(r, currency)} ({Name(r.Urgency)})";

    private static string Price(RecommendationEntry r, string currency) => (r.PriceFrom, r.PriceTo) switch
    {
        ({ } from, { } to) when to > from => $"; {currency} {UnitText.Number(from, 0)} to {UnitText.Number(to, 0)}",
        ({ } only, _) => $"; {currency} {UnitText.Number(only, 0)}",
        _ => "",
    };

    /// <summary>What the display shows against the reference, where they differ by more than thermometers may.</summary>
    public static string? Display(double? offK, UnitText units)
    {
        if (offK is not { } off)
            return null;
        return Math.Abs(off) <= Math.Sqrt(2) * InstrumentAccuracy.ThermometerK ? "The display agrees with the reference."
            : $"The display reads {units.Result(ResultQuantity.Difference, Math.Abs(off))} {(off > 0 ? "above" : "below")} the reference. "
                + "Check its sensor before changing settings.";
    }
}
