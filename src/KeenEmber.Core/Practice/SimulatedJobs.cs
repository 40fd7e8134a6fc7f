using System.Globalization;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Practice;

/// <summary>What is wrong with a whole unit in arithmetic, and what somebody sees of it that the model does not say.</summary>
/// <param name="Roots">Causes of the table that are this, one of which is to be named; none where nothing is wrong.</param>
/// <param name="Seen">What the part itself shows to who looks at it.</param>
public sealed record SimulatedFault(
    string Name, IReadOnlyList<string> Roots, Func<double, UnitDesign, UnitFaults> Made, IReadOnlyDictionary<string, string> Seen);

/// <summary>Jobs made of whole units: what is measured and felt comes from the model, which shares no number with the diagnosis.</summary>
public static class SimulatedJobs
{
    private static SimulatedFault Of(
        string name, string[] roots, Func<double, UnitDesign, UnitFaults> made, params (string, string)[] seen) =>
        new(name, roots, made, seen.ToDictionary(s => s.Item1, s => s.Item2));

    /// <summary>Nothing first.</summary>
    public static IReadOnlyList<SimulatedFault> Faults { get; } =
    [
        Of("nothing", [], (_, _) => UnitFaults.None),
        Of("leak", ["leak", "leak-all-gone", "cap-loose"], (s, d) => new(ChargeLost: d.HasReceiver ? 0.7 + 0.15 * s : 0.5 + 0.2 * s),
            ("oil", "found"), ("leak-found", "found")),
        Of("dirty condenser", ["condenser-dirty"], (s, _) => new(CondenserDirt: 0.75 + 0.15 * s), ("condenser-face", "dirty"),
            ("condenser-air", "weak")),
        Of("condenser fan", ["condfan-motor-dead"], (_, _) => new(CondenserFanOut: 1), ("condenser-fan", "stopped"),
            ("condenser-air", "none"), ("condfan-windings", "open")),
        Of("evaporator fan", ["fan-motor-dead"], (_, _) => new(EvaporatorAir: 0.65), ("fans", "one-stopped"), ("fan-windings", "open"),
            ("box-spread", "5")),
        Of("valve or tube", ["txv-strainer", "capillary-blocked", "exv-stuck-shut"], (s, _) => new(ValveShut: 0.6 + 0.2 * s),
            ("bulb-warmed", "falls-not"), ("sight-glass", "full"), ("valve-opened", "rises-not"), ("valve-inlet", "blocked"),
            ("exv-moved", "no"), ("exv-opening", "90")),
        Of("compressor valves", ["compressor-valves"], (s, _) => new(CompressorWear: 0.5 + 0.15 * s), ("pumps-down", "no")),
        Of("door", ["door-left-ajar"], (s, _) => new(DoorOpen: 0.5 + 0.4 * s), ("door", "ajar"),
            ("condensation", "found"), ("ceiling-frost", "found")),
        Of("box sensor", ["box-sensor-cold"], (s, _) => new(ProbeOffK: -4 - 2 * s), ("box-probe.error", "-5"), ("display", "-5"),
            ("probe-in-ice", "off")),
        Of("too full", ["overcharged-by-hand"], (s, _) => new(Overcharge: 0.6 + 0.3 * s), ("charge-last", "added"),
            ("overfilled-last", "yes")),
    ];

    /// <summary>A day later: what the customer says, and what would be found wherever somebody looked.</summary>
    /// <returns>Null where the fault shows in nothing that anybody would call for.</returns>
    public static Job? Make(EquipmentKind kind, SimulatedFault fault, double strength) => Make(kind, [fault], strength);

    /// <summary>The same with several at once.</summary>
    /// <param name="strength">Of each, from 0 to 1.</param>
    public static Job? Make(EquipmentKind kind, IReadOnlyList<SimulatedFault> faults, double strength)
    {
        if (faults.Any(f => f.Name == "door") && kind is (EquipmentKind.OpenCase or EquipmentKind.GlycolChiller))
            return null;
        var design = UnitDesign.Of(kind);
        var unit = new SimulatedUnit(design, design.TargetC + 1)
        {
            Faults = faults.Aggregate(UnitFaults.None, (all, f) => all.With(f.Made(strength, design))),
        };
        Weather weather = new(design.DesignAirC + 2, 3);
        var (on, box, trips) = (0, 0.0, 0);
        for (var s = 0; s < 2 * 86_400; s++)
        {
            var held = unit.IsTripped;
            unit.Step(weather);
            (on, box) = s < 86_400 ? (0, 0) : (on + (unit.CompressorRuns ? 1 : 0), box + unit.BoxC / 86_400);
            trips += s > 86_400 && unit.IsTripped && !held ? 1 : 0;
        }

        // What it does when somebody comes; who sees a protector hold it and let it go sees it while it is called.
        var mode = trips > 0 || unit.Mode == UnitMode.Cooling ? OperatingMode.Calling : OperatingMode.Satisfied;
        // Measured once it has run for a while, on a clear coil where that comes within a day; where it trips, just before.
        for (var s = 0; s < 2 * 86_400 && !(unit.CompressorRuns && (trips > 0 ? unit.CondensingC > AlmostC || unit.HeldS >= 900
            : unit.HeldS >= 480 && (unit.FrostKg < 1 || s > 86_400))); s++)
            unit.Step(weather);
        var complaints = new Dictionary<string, string>();
        if (box > design.TargetC + 2)
            complaints["complaint.warm"] = "yes";
        if (on > 0.93 * 86_400)
            complaints["complaint.runs-always"] = "yes";
        if (complaints.Count == 0 && faults.Any(f => f.Roots.Count > 0))
            return null;
        complaints["box"] = Number(unit.BoxC - design.TargetC);
        var unitOfCase = new JobUnit(kind, design.Metering,
            design.HasReceiver ? CondenserKind.AirCooledRemote : CondenserKind.AirCooledSelfContained, null, 1, design.TargetC, 2);
        var answers = Found(unit, design, weather, on > 0.93 * 86_400, trips).Concat(faults.SelectMany(f => f.Seen)).GroupBy(a => a.Key)
            .ToDictionary(g => g.Key, g => g.Last().Value);
        var name = string.Join(" and ", faults.Select(f => f.Name));
        return new(string.Create(CultureInfo.InvariantCulture, $"{kind}, {name} {strength:0.0}"), unitOfCase,
            [.. faults.SelectMany(f => f.Roots)], complaints, answers, null, mode);
    }

    /// <summary>Thermometer, gauges, hand and eye.</summary>
    private static Dictionary<string, string> Found(SimulatedUnit unit, UnitDesign design, Weather weather, bool runsAlways, int trips)
    {
        var found = new Dictionary<string, string>
        {
            ["run-share"] = runsAlways ? "always" : "usual", ["product-temp"] = Number(unit.ProductC - design.TargetC),
        };
        if (trips > 0)
            (found["compressor"], found["starts"], found["overload"]) = ("cycling", trips > 48 ? "many" : "usual", "open");
        if (!unit.CompressorRuns)
            return found;
        double C(MeasuringPoint point) => unit.Shows(point, Pressure.StandardAtmosphere).Number;
        var (td, split) = (unit.BoxC - unit.EvaporatingC, unit.CondensingC - unit.OutsideC);
        foreach (var (code, number) in new Dictionary<string, double>
        {
            ["superheat"] = unit.SuperheatK, ["subcooling"] = unit.SubcoolingK, ["td"] = td, ["split"] = split,
            ["air-drop"] = unit.BoxC - unit.CoilOutC, ["comp-superheat"] = unit.SuperheatK + 7,
            ["current"] = OfNameplate * unit.Amperes / Sound(design, weather).Amperes, ["discharge"] = unit.DischargeC,
        })
            found[code] = Number(number);
        found["liquid-hand"] = ByHand(C(MeasuringPoint.LiquidLine) - unit.OutsideC, 1, 20, "cold", "warm", "hot");
        found["discharge-hand"] = ByHand(C(MeasuringPoint.DischargeLine), 45, 110, "cool", "hot", "too-hot");
        found["shell"] = trips > 0 ? "hot" : ByHand(unit.ShellC, 30, 95, "cold", "warm", "hot");
        found["suction"] = ByHand(td / design.TdK, 0.7, 1.5, "high", "usual", "low");
        found["head"] = ByHand(split / design.SplitK, 0.6, 1.5, "low", "usual", "high");
        found["suction-line"] = ByHand(unit.SuperheatK, 0.8, 14, "frosted-back", "cool", "warm");
        found["coil"] = ByHand(unit.FrostKg / (design.CapacityW / 1000), 0.15, 1.1, "clear", "frost", "iced");
        if (found["coil"] != "clear")
            found["frost-pattern"] = unit.SuperheatK > 0.6 * td ? "inlet-only" : "even";
        if (design.HasReceiver)
            found["sight-glass"] = unit.SubcoolingK < 1 ? "bubbles" : "full";
        var moved = unit.CoilKw * 1000;
        var box = unit.BoxC;
        for (var s = 0; s < 1200 && unit.CompressorRuns; s++)
            unit.Step(weather);
        found["pulls-down"] = unit.BoxC < box - 0.2 || !unit.CompressorRuns ? "yes" : "no";
        found["heat-balance"] = moved < design.LoadW * (unit.Faults.DoorOpen > 0.3 ? 2 : 1) ? "short" : "holds";
        return found;
    }

    /// <summary>A little under where the simulated unit trips, °C.</summary>
    private const double AlmostC = 62;

    /// <summary>A sound compressor takes so much of its nameplate, %.</summary>
    private const double OfNameplate = 75;

    /// <summary>The same unit with nothing wrong, in the same weather, running.</summary>
    private static SimulatedUnit Sound(UnitDesign design, Weather weather)
    {
        var unit = new SimulatedUnit(design, design.TargetC + 2);
        for (var s = 0; s < 43_200 && !(s > 3600 && unit.CompressorRuns && unit.HeldS >= 480); s++)
            unit.Step(weather);
        return unit;
    }

    private static string ByHand(double value, double low, double high, string below, string between, string above)
    {
        if (value < low)
            return below;
        return value > high ? above : between;
    }

    private static string Number(double value) => value.ToString("0.0", CultureInfo.InvariantCulture);
}
