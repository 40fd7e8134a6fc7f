using System.Globalization;
using KeenEmber.Core.Benches.Electrical.Tracing;
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
        Wired("thermostat open", ["thermostat-open"], ComponentKind.Control, WiredKind.Contact, WiredFault.StuckOpen,
            ("thermostat-turned", "does-not")),
        Wired("thermostat welded", ["thermostat-stuck"], ComponentKind.Control, WiredKind.Contact, WiredFault.StuckClosed,
            ("turned-warmer", "goes-on")),
        Wired("contactor coil", ["contactor-coil-open"], ComponentKind.Contactor, WiredKind.Coil, WiredFault.Open,
            ("contactor-coil-ohms", "open")),
        Wired("contactor welded", ["contactor-stuck"], ComponentKind.Contactor, WiredKind.Contact, WiredFault.StuckClosed,
            ("turned-warmer", "goes-on")),
        Wired("compressor winding", ["compressor-winding-open"], ComponentKind.Compressor, WiredKind.Load, WiredFault.Open,
            ("windings", "open")),
        Wired("overload", ["overload-open"], ComponentKind.Overload, WiredKind.Contact, WiredFault.StuckOpen, ("overload", "open")),
        Wired("clock stands", ["clock-stopped"], ComponentKind.DefrostClock, WiredKind.Load, WiredFault.Open, ("clock", "stopped"),
            ("clock-hour", "less")),
        Wired("heaters", ["heater-open", "heaters-unfed"], ComponentKind.HeaterElement, WiredKind.Load, WiredFault.Open,
            ("heater-ohms", "one-open"), ("heater-each", "one-none"), ("heater-warm", "cold"), ("ice-left", "some"),
            ("end-by", "time-limit")),
        Wired("fan delay", ["delay-switch-stuck-open"], ComponentKind.FanDelaySwitch, WiredKind.Contact, WiredFault.StuckOpen,
            ("delay-switch", "stuck-open")),
    ];

    /// <summary>A fault of one part of the diagram.</summary>
    private static SimulatedFault Wired(
        string name, string[] roots, ComponentKind part, WiredKind kind, WiredFault fault, params (string, string)[] seen) =>
        Of(name, roots, (_, design) => UnitWiring.Of(design).Part(part, kind) is { } wired
            ? UnitFaults.None with { Wired = [new(wired.Name, fault)] } : UnitFaults.None, seen);

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
        var made = faults.Select(f => f.Made(strength, design)).ToList();
        // A part that this kind does not have cannot fail.
        if (faults.Zip(made).Any(f => f.First.Roots.Count > 0 && f.Second == UnitFaults.None))
            return null;
        var unit = new SimulatedUnit(design, design.TargetC + 1) { Faults = made.Aggregate((all, f) => all.With(f)) };
        Weather weather = new(design.DesignAirC + 2, 3);
        var day = Live(unit, weather);
        var complaints = Complaints(day, design);
        if (complaints.Count == 0 && faults.Any(f => f.Roots.Count > 0))
            return null;
        // What stands is called for within hours.
        if (day.Stands)
            unit = Standing(design, unit.Faults, weather);
        else
            Wait(unit, day, weather);
        // Who sees a protector hold it and let it go sees it while it is called.
        var mode = day.Trips > 0 || unit.Mode == UnitMode.Cooling ? OperatingMode.Calling : OperatingMode.Satisfied;
        complaints["box"] = Number(unit.BoxC - design.TargetC);
        var unitOfCase = new JobUnit(kind, design.Metering,
            design.HasReceiver ? CondenserKind.AirCooledRemote : CondenserKind.AirCooledSelfContained, null, 1, design.TargetC, 2);
        var wires = Wires(unit, mode, day.Defrosts);
        var answers = Found(unit, design, weather, day).Concat(wires).Concat(faults.SelectMany(f => f.Seen)).GroupBy(a => a.Key)
            .ToDictionary(g => g.Key, g => g.Last().Value);
        var name = string.Join(" and ", faults.Select(f => f.Name));
        return new(string.Create(CultureInfo.InvariantCulture, $"{kind}, {name} {strength:0.0}"), unitOfCase,
            [.. faults.SelectMany(f => f.Roots)], complaints, answers, null, mode);
    }

    private const int DayS = 86_400;

    /// <summary>How a day went.</summary>
    /// <param name="OnS">The compressor ran, s.</param>
    /// <param name="BoxC">On average, °C.</param>
    /// <param name="Trips">How often its protector opened.</param>
    /// <param name="Defrosts">That were begun.</param>
    private sealed record Day(int OnS, double BoxC, int Trips, int Defrosts)
    {
        internal bool RunsAlways => OnS > 0.93 * DayS;

        internal bool NeverRests => OnS == DayS;

        internal bool Stands => OnS == 0 && Trips == 0;
    }

    /// <summary>A day to settle, and one to look at.</summary>
    private static Day Live(SimulatedUnit unit, Weather weather)
    {
        for (var s = 0; s < DayS; s++)
            unit.Step(weather);
        var (on, box, trips, before) = (0, 0.0, 0, unit.DefrostsBegun);
        for (var s = 0; s < DayS; s++)
        {
            var held = unit.IsTripped;
            unit.Step(weather);
            (on, box, trips) = (on + (unit.CompressorRuns ? 1 : 0), box + unit.BoxC / DayS, trips + (unit.IsTripped && !held ? 1 : 0));
        }

        return new(on, box, trips, unit.DefrostsBegun - before);
    }

    /// <summary>What somebody would call for after such a day; empty for nothing.</summary>
    private static Dictionary<string, string> Complaints(Day day, UnitDesign design)
    {
        var complaints = new Dictionary<string, string>();
        if (day.BoxC > design.TargetC + 2)
            complaints["complaint.warm"] = "yes";
        if (day.RunsAlways)
            complaints["complaint.runs-always"] = "yes";
        if (day.BoxC < design.TargetC - 2)
            complaints["complaint.cold"] = "yes";
        return complaints;
    }

    /// <summary>Until it can be measured: once it has run for a while, on a clear coil where that comes within a day; where it trips, just
    /// before; and what never rests while it should, where its control comes to that within a day.</summary>
    private static void Wait(SimulatedUnit unit, Day day, Weather weather)
    {
        bool IsTime(int s) => unit.CompressorRuns && (day.Trips > 0 ? unit.CondensingC > AlmostC || unit.HeldS >= 900
            : unit.HeldS >= 480 && (unit.FrostKg < 1 || s > DayS));
        for (var s = 0; s < 2 * DayS && !IsTime(s); s++)
            unit.Step(weather);
        for (var s = 0; day.NeverRests && unit.Mode != UnitMode.Satisfied && s < DayS; s++)
            unit.Step(weather);
    }

    /// <summary>Sound for half a day, then with what is wrong for some hours.</summary>
    private static SimulatedUnit Standing(UnitDesign design, UnitFaults faults, Weather weather)
    {
        var unit = new SimulatedUnit(design, design.TargetC + 1);
        for (var s = 0; s < DayS / 2 + StandsS; s++)
        {
            if (s == DayS / 2)
                unit.Faults = faults;
            unit.Step(weather);
        }

        return unit;
    }

    /// <summary>Until somebody comes, s.</summary>
    private const int StandsS = 5 * 3600;

    /// <summary>Thermometer, gauges, hand and eye.</summary>
    private static Dictionary<string, string> Found(SimulatedUnit unit, UnitDesign design, Weather weather, Day day)
    {
        var found = new Dictionary<string, string>
        {
            ["run-share"] = day.RunsAlways ? "always" : "usual", ["product-temp"] = Number(unit.ProductC - design.TargetC),
        };
        if (day.Trips > 0)
            (found["compressor"], found["starts"], found["overload"]) = ("cycling", day.Trips > 48 ? "many" : "usual", "open");
        if (!unit.CompressorRuns)
        {
            (found["discharge-hand"], found["shell"], found["liquid-hand"]) = ("cool", unit.ShellC > 40 ? "warm" : "cold", "cold");
            return found;
        }

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
        found["shell"] = day.Trips > 0 ? "hot" : ByHand(unit.ShellC, 30, 95, "cold", "warm", "hot");
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

    /// <summary>Voltmeter, clamp and eye, as it stands now.</summary>
    /// <param name="mode">What it ought to be doing.</param>
    /// <param name="defrosts">Of the last day.</param>
    private static Dictionary<string, string> Wires(SimulatedUnit unit, OperatingMode mode, int defrosts)
    {
        var wiring = unit.Wiring;
        static string Live(bool isLive) => isLive ? "live" : "dead";
        var found = new Dictionary<string, string>();
        if (unit.CompressorRuns != (mode == OperatingMode.Calling))
            found["compressor"] = unit.CompressorRuns ? "running" : "stopped";
        if (wiring.Part(ComponentKind.Control, WiredKind.Contact) is { } thermostat)
        {
            var makes = wiring.IsLive(thermostat.B);
            found["thermostat-across"] = wiring.IsLive(thermostat) ? "open" : "closed";
            (found["output.compressor"], found["shown-mode"]) = makes ? ("called-live", "calling") : ("uncalled-dead", "satisfied");
        }

        if (wiring.Part(ComponentKind.Compressor, WiredKind.Load) is { } compressor)
            found["comp-volts"] = Live(wiring.IsLive(compressor));
        if (wiring.Part(ComponentKind.CondenserFan, WiredKind.Load) is { } fan)
        {
            (found["condfan-voltage"], found["condenser-fan"]) = (Live(wiring.IsLive(fan)), unit.IsCondenserFanFed ? "running" : "stopped");
            found["condenser-air"] = unit is { IsCondenserFanFed: true, CompressorRuns: true } ? "warm" : "none";
        }

        if (wiring.Part(ComponentKind.Contactor, WiredKind.Coil) is { } coil
            && wiring.Part(ComponentKind.Contactor, WiredKind.Contact) is { } pole)
        {
            found["contactor-coil"] = Live(wiring.IsLive(coil));
            (found["contactor-out"], found["contactor"]) = wiring.IsLive(pole.B) ? ("live", "pulled-in") : ("dead", "out");
        }

        if (!unit.AreFansFed && wiring.Part(ComponentKind.EvaporatorFan, WiredKind.Load) is { } fans)
            (found["fans"], found["fan-voltage"]) = ("all-stopped", Live(wiring.IsLive(fans)));
        if (wiring.Part(ComponentKind.DefrostClock, WiredKind.Load) is not null)
            (found["defrosts"], found["clock"]) = (defrosts > 0 ? "as-set" : "none", unit.IsClockFed ? "turning" : "stopped");
        if (unit.Faults.Wired.Any(f => wiring.Plan.Part(f.Part)?.Component?.Kind == ComponentKind.HeaterElement))
            found["heaters.current"] = "0";
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
