using System.Globalization;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Practice;

/// <summary>Jobs made of whole units: what is measured and felt comes from the model, which shares no number with the diagnosis.</summary>
public static class SimulatedJobs
{
    /// <summary>A day later: what the customer says, and what would be found wherever somebody looked.</summary>
    /// <returns>Null where the fault shows in nothing that anybody would call for.</returns>
    public static Job? Make(EquipmentKind kind, SimulatedFault fault, double strength) => Make(kind, [fault], strength);

    /// <summary>The same with several at once.</summary>
    /// <param name="strength">Of each, from 0 to 1.</param>
    public static Job? Make(EquipmentKind kind, IReadOnlyList<SimulatedFault> faults, double strength) =>
        SimulatedPlace.For(kind, faults) is { } place ? Make(place, faults, strength) : null;

    /// <summary>The same on a unit that stands already.</summary>
    public static Job? Make(SimulatedPlace place, IReadOnlyList<SimulatedFault> faults, double strength)
    {
        var (design, weather) = (place.Design, place.Weather);
        var made = faults.Select(f => f.Made(strength, design)).ToList();
        // A part that this kind does not have cannot fail.
        if (faults.Zip(made).Any(f => f.First.Roots.Count > 0 && (f.Second == UnitFaults.None || !place.CanHave(f.First))))
            return null;
        var unit = new SimulatedUnit(design, design.TargetC + 1) { Faults = made.Aggregate((all, f) => all.With(f)) };
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
        var wires = Wires(unit, mode, day.Defrosts, day.StartsOften);
        var answers = Found(unit, design, weather, day).Concat(wires).Concat(faults.SelectMany(f => f.Seen)).GroupBy(a => a.Key)
            .ToDictionary(g => g.Key, g => g.Last().Value);
        var name = string.Join(" and ", faults.Select(f => f.Name));
        return new(string.Create(CultureInfo.InvariantCulture, $"{design.Kind}, {name} {strength:0.0}"), place.Unit,
            [.. faults.SelectMany(f => f.Roots)], complaints, answers, null, mode);
    }

    private const int DayS = 86_400;

    /// <summary>How a day went.</summary>
    /// <param name="OnS">The compressor ran, s.</param>
    /// <param name="BoxC">On average, °C.</param>
    /// <param name="Trips">How often its protector opened.</param>
    /// <param name="Defrosts">That were begun.</param>
    /// <param name="Freezes">How often ice shut its valve or tube.</param>
    /// <param name="IsByPressure">It was its high-pressure control.</param>
    /// <param name="Starts">How often it started.</param>
    private sealed record Day(int OnS, double BoxC, int Trips, int Defrosts, int Freezes, bool IsByPressure, int Starts)
    {
        internal bool StartsOften => Starts > 6 * 24;

        internal bool NeverTurns => OnS == 0 && Trips > 0;

        internal bool RunsAlways => OnS > 0.93 * DayS;

        internal bool NeverRests => OnS == DayS;

        internal bool Stands => OnS == 0 && Trips == 0;
    }

    /// <summary>A day to settle, and one to look at.</summary>
    private static Day Live(SimulatedUnit unit, Weather weather)
    {
        for (var s = 0; s < DayS; s++)
            unit.Step(weather);
        var (on, box, trips, freezes, starts, before, byPressure) = (0, 0.0, 0, 0, 0, unit.DefrostsBegun, false);
        for (var s = 0; s < DayS; s++)
        {
            var (held, shut, ran) = (unit.IsTripped, unit.IceShut >= FrozenShut, unit.CompressorRuns);
            unit.Step(weather);
            (on, box, trips) = (on + (unit.CompressorRuns ? 1 : 0), box + unit.BoxC / DayS, trips + (unit.IsTripped && !held ? 1 : 0));
            byPressure |= unit.IsHeldByPressure;
            starts += unit.CompressorRuns && !ran ? 1 : 0;
            freezes += unit.IceShut >= FrozenShut && !shut ? 1 : 0;
        }

        return new(on, box, trips, unit.DefrostsBegun - before, freezes, byPressure, starts);
    }

    /// <summary>Of valve or tube, from where nothing gets cold any more.</summary>
    private const double FrozenShut = 0.85;

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
        if (day.Freezes > 1)
            complaints["complaint.comes-and-goes"] = "yes";
        if (day.StartsOften)
            complaints["complaint.starts-often"] = "yes";
        return complaints;
    }

    /// <summary>Until it can be measured: once it has run for a while, on a clear coil where that comes within a day; where it trips, just
    /// before; where it cannot turn, while it hums; and what never rests while it should, where its control
    /// comes to that within a day.</summary>
    private static void Wait(SimulatedUnit unit, Day day, Weather weather)
    {
        bool IsTime(int s) => day.NeverTurns ? unit.IsStalled : unit.CompressorRuns && (day.Trips > 0
            ? unit.CondensingC > AlmostC || unit.HeldS >= 900
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
        found["starts"] = day.StartsOften || day.Trips > 48 ? "many" : "usual";
        if (day.Trips > 0)
            found["compressor"] = "cycling";
        if (day.Trips > 0)
            (found["overload"], found["hp-control"]) = day.IsByPressure ? ("closed", "tripped") : ("open", "closed");
        if (unit.IsStalled)
            (found["noise"], found["start-amps"], found["current"]) = ("hum", "stays-high",
                Number(OfNameplate * unit.Amperes / Sound(design, weather).Amperes));
        if (!unit.CompressorRuns)
        {
            (found["discharge-hand"], found["shell"], found["liquid-hand"]) = ("cool", unit.ShellC > 40 ? "warm" : "cold", "cold");
            return found;
        }

        double C(MeasuringPoint point) => unit.Shows(point, Pressure.StandardAtmosphere).Number;
        var (td, split) = (unit.BoxC - unit.EvaporatingC, unit.CondensingC - unit.CoolantC);
        foreach (var (code, number) in new Dictionary<string, double>
        {
            ["superheat"] = unit.SuperheatK, ["td"] = td,
            ["air-drop"] = unit.BoxC - unit.CoilOutC, ["comp-superheat"] = unit.SuperheatK + 7,
            ["current"] = OfNameplate * unit.Amperes / Sound(design, weather).Amperes, ["discharge"] = unit.DischargeC,
        })
            found[code] = Number(number);
        if (design.Condenser == CondenserKind.WaterCooled)
            (found["water-rise"], found["water-approach"], found["subcooling"]) = (Number(unit.CoolantOutC - unit.CoolantC),
                Number(unit.CondensingC - unit.CoolantOutC), Number(unit.SubcoolingK));
        else if (!IsHeldUp(unit, design))
            (found["split"], found["subcooling"]) = (Number(split), Number(unit.SubcoolingK));
        if (unit.OutsideC < ColdC)
            (found["ambient"], found["head-cold"]) = ("cold", unit.CondensingC < HeldUpC ? "falls" : "held");
        found["liquid-hand"] = ByHand(C(MeasuringPoint.LiquidLine) - unit.OutsideC, 1, 20, "cold", "warm", "hot");
        found["discharge-hand"] = ByHand(C(MeasuringPoint.DischargeLine), 45, 110, "cool", "hot", "too-hot");
        found["shell"] = day.Trips > 0 ? "hot" : ByHand(unit.ShellC, 30, 95, "cold", "warm", "hot");
        found["suction"] = ByHand(td / design.TdK, 0.7, 1.5, "high", "usual", "low");
        found["head"] = IsHeldUp(unit, design) ? "usual"
            : ByHand(split / (design.DesignAirC + design.SplitK - design.DesignCoolantC), 0.6, 1.5, "low", "usual", "high");
        found["suction-line"] = ByHand(unit.SuperheatK, 0.8, 14, "frosted-back", "cool", "warm");
        found["coil"] = ByHand(unit.FrostKg / (design.CapacityW / 1000), 0.15, 1.1, "clear", "frost", "iced");
        if (found["coil"] != "clear")
            found["frost-pattern"] = unit.SuperheatK > 0.6 * td ? "inlet-only" : "even";
        if (design.HasReceiver)
            found["sight-glass"] = unit.Sealed < 0.9 ? "bubbles" : "full";
        var moved = unit.CoilKw * 1000;
        var box = unit.BoxC;
        var (vacuum, s) = (0, 0);
        for (; s < 1200 && unit.CompressorRuns; s++)
        {
            unit.Step(weather);
            vacuum += unit.SuctionKpa < Pressure.StandardAtmosphere.Kpa ? 1 : 0;
        }

        if (vacuum > s / 2)
            found["suction-pattern"] = "vacuum";
        found["pulls-down"] = unit.BoxC < box - 0.2 || !unit.CompressorRuns ? "yes" : "no";
        found["heat-balance"] = moved < design.LoadW * (unit.Faults.DoorOpen > 0.3 ? 2 : 1) ? "short" : "holds";
        return found;
    }

    /// <summary>Outside air that is cold for a condenser, and what a valve holds the head above in it, °C.</summary>
    private const double ColdC = 5, HeldUpC = 20;

    /// <summary>A valve floods the condenser: its head says nothing of the air round it.</summary>
    private static bool IsHeldUp(SimulatedUnit unit, UnitDesign design) => design.HasHeadValve && unit.OutsideC < ColdC
        && unit.CondensingC >= HeldUpC;

    /// <summary>Voltmeter, clamp and eye, as it stands now.</summary>
    /// <param name="mode">What it ought to be doing.</param>
    /// <param name="defrosts">Of the last day.</param>
    /// <param name="startsOften">Within an hour.</param>
    private static Dictionary<string, string> Wires(SimulatedUnit unit, OperatingMode mode, int defrosts, bool startsOften)
    {
        var wiring = unit.Wiring;
        static string Live(bool isLive) => isLive ? "live" : "dead";
        var found = new Dictionary<string, string>();
        if (unit.IsStalled)
            found["compressor"] = "hums";
        else if (unit.CompressorRuns != (mode == OperatingMode.Calling))
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

        if (wiring.Part(ComponentKind.LiquidSolenoid, WiredKind.Load) is { } valve)
            (found["solenoid-magnet"], found["output.valve"], found["lp-control"], found["low-side"]) = (
                wiring.Runs(valve.Name) == true ? "felt" : "none", wiring.IsLive(valve) ? "called-live" : "uncalled-dead",
                LowPressure(unit, startsOften), unit is { IsHeldByLowPressure: true, CompressorRuns: false } ? "low" : "usual");
        if (!unit.AreFansFed && wiring.Part(ComponentKind.EvaporatorFan, WiredKind.Load) is { } fans)
            (found["fans"], found["fan-voltage"]) = ("all-stopped", Live(wiring.IsLive(fans)));
        if (wiring.Part(ComponentKind.DefrostClock, WiredKind.Load) is not null)
            (found["defrosts"], found["clock"]) = (defrosts > 0 ? "as-set" : "none", unit.IsClockFed ? "turning" : "stopped");
        if (unit.Faults.Wired.Any(f => wiring.Plan.Part(f.Part)?.Component?.Kind == ComponentKind.HeaterElement))
            found["heaters.current"] = "0";
        return found;
    }

    private static string LowPressure(SimulatedUnit unit, bool startsOften)
    {
        if (unit.Faults.Wired.Any(f => unit.Wiring.Plan.Part(f.Part)?.Component?.Kind == ComponentKind.LowPressureControl))
            return "open";
        if (startsOften)
            return "chatters";
        return unit.IsHeldByLowPressure ? "open" : "closed";
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
