using System.Globalization;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Simulation;
using KeenEmber.Core.Tests.Diagnosis;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>What is wrong with a whole unit in arithmetic, and what somebody sees of it that the model does not say.</summary>
/// <param name="Roots">Causes of the table that are this, one of which is to be named; none where nothing is wrong.</param>
/// <param name="Seen">What the part itself shows to who looks at it.</param>
public sealed record SimulatedFault(
    string Name, string[] Roots, Func<double, UnitDesign, UnitFaults> Made, IReadOnlyDictionary<string, string> Seen);

/// <summary>Jobs made of whole units: what is measured and felt comes from the model, which shares no number with the diagnosis.</summary>
public static class SimulatedJobs
{
    private static SimulatedFault Of(
        string name, string[] roots, Func<double, UnitDesign, UnitFaults> made, params (string, string)[] seen) =>
        new(name, roots, made, seen.ToDictionary(s => s.Item1, s => s.Item2));

    public static IReadOnlyList<SimulatedFault> Faults { get; } =
    [
        Of("nothing", [], (_, _) => UnitFaults.None),
        Of("leak", ["leak", "leak-all-gone", "cap-loose"], (s, d) => new(ChargeLost: d.HasReceiver ? 0.6 + 0.15 * s : 0.3 + 0.2 * s),
            ("oil", "found"), ("leak-found", "found")),
        Of("dirty condenser", ["condenser-dirty"], (s, _) => new(CondenserDirt: 0.6 + 0.2 * s), ("condenser-face", "dirty"),
            ("condenser-air", "weak")),
        Of("condenser fan", ["condfan-motor-dead"], (_, _) => new(CondenserFanOut: 1), ("condenser-fan", "stopped"),
            ("condenser-air", "none"), ("condfan-windings", "open")),
        Of("evaporator fan", ["fan-motor-dead"], (_, _) => new(EvaporatorAir: 0.5), ("fans", "one-stopped"), ("fan-windings", "open")),
        Of("valve or tube", ["txv-strainer", "capillary-blocked", "drier-restricted"], (s, _) => new(ValveShut: 0.6 + 0.2 * s),
            ("bulb-warmed", "falls-not"), ("sight-glass", "full")),
        Of("compressor valves", ["compressor-valves"], (s, _) => new(CompressorWear: 0.5 + 0.15 * s), ("pumps-down", "no")),
        Of("door", ["door-left-ajar"], (s, _) => new(DoorOpen: 0.5 + 0.4 * s), ("door", "ajar")),
        Of("box sensor", ["box-sensor-cold"], (s, _) => new(ProbeOffK: -4 - 2 * s), ("box-probe.error", "-5"), ("display", "-5"),
            ("probe-in-ice", "off")),
        Of("too full", ["overcharged-by-hand"], (s, _) => new(Overcharge: 0.35 + 0.15 * s), ("charge-last", "added"),
            ("overfilled-last", "yes")),
    ];

    /// <summary>A day later: what the customer says, and what would be found wherever somebody looked.</summary>
    /// <returns>Null where the fault shows in nothing that anybody would call for.</returns>
    public static DiagnosisCase? Make(EquipmentKind kind, SimulatedFault fault, double strength)
    {
        var design = UnitDesign.Of(kind);
        var unit = new SimulatedUnit(design, design.TargetC + 1) { Faults = fault.Made(strength, design) };
        Weather weather = new(design.DesignAirC - 3, 2);
        var (on, box) = (0, 0.0);
        for (var s = 0; s < 2 * 86_400; s++)
        {
            unit.Step(weather);
            (on, box) = s < 86_400 ? (0, 0) : (on + (unit.CompressorRuns ? 1 : 0), box + unit.BoxC / 86_400);
        }

        for (var s = 0; s < 43_200 && !(unit.CompressorRuns && unit.HeldS >= 480 && unit.FrostKg < 1); s++)
            unit.Step(weather);
        var complaints = new Dictionary<string, string>();
        if (box > design.TargetC + 2)
            complaints["complaint.warm"] = "yes";
        if (on > 0.93 * 86_400)
            complaints["complaint.runs-always"] = "yes";
        if (complaints.Count == 0 && fault.Roots.Length > 0)
            return null;
        complaints["box"] = Number(unit.BoxC - design.TargetC);
        var unitOfCase = new CaseUnit(kind, design.Metering,
            design.HasReceiver ? CondenserKind.AirCooledRemote : CondenserKind.AirCooledSelfContained, null, 1, design.TargetC, 2);
        var answers = Found(unit, design).Concat(fault.Seen).GroupBy(a => a.Key).ToDictionary(g => g.Key, g => g.Last().Value);
        return new($"{kind}, {fault.Name} {strength:0.0}", unitOfCase, fault.Roots, complaints, answers, null,
            unit.CompressorRuns ? OperatingMode.Calling : OperatingMode.Satisfied);
    }

    /// <summary>Thermometer, gauges and hand.</summary>
    private static Dictionary<string, string> Found(SimulatedUnit unit, UnitDesign design)
    {
        if (!unit.CompressorRuns)
            return [];
        double C(MeasuringPoint point) => unit.Shows(point, Pressure.StandardAtmosphere).Number;
        var (td, split) = (unit.BoxC - unit.EvaporatingC, unit.CondensingC - unit.OutsideC);
        var found = new Dictionary<string, string>
        {
            ["superheat"] = Number(unit.SuperheatK), ["subcooling"] = Number(unit.SubcoolingK), ["td"] = Number(td),
            ["split"] = Number(split),
            ["air-drop"] = Number(unit.BoxC - unit.CoilOutC), ["comp-superheat"] = Number(unit.SuperheatK + 7),
            ["liquid-hand"] = ByHand(C(MeasuringPoint.LiquidLine) - unit.OutsideC, 1, 20, "cold", "warm", "hot"),
            ["discharge-hand"] = ByHand(C(MeasuringPoint.DischargeLine), 45, 110, "cool", "hot", "too-hot"),
            ["suction"] = ByHand(td / design.TdK, 0.7, 1.5, "high", "usual", "low"),
            ["head"] = ByHand(split / design.SplitK, 0.6, 1.5, "low", "usual", "high"),
            ["suction-line"] = ByHand(unit.SuperheatK, 0.8, 14, "frosted-back", "cool", "warm"),
        };
        if (design.HasReceiver)
            found["sight-glass"] = unit.SubcoolingK < 1 ? "bubbles" : "full";
        return found;
    }

    private static string ByHand(double value, double low, double high, string below, string between, string above)
    {
        if (value < low)
            return below;
        return value > high ? above : between;
    }

    private static string Number(double value) => value.ToString("0.0", CultureInfo.InvariantCulture);
}
