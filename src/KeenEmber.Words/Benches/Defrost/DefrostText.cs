using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Defrost;

/// <summary>The words of the defrost bench.</summary>
public static class DefrostText
{
    public static string Name(RunPlace place) => place.Kind switch
    {
        RunPlaceKind.ColdestBend => "coldest return bend",
        RunPlaceKind.WarmestBend => "warmest return bend",
        RunPlaceKind.Bend => place.Name.Length > 0 ? place.Name : "another bend",
        RunPlaceKind.AtSensor => "beside the termination sensor",
        RunPlaceKind.EndSensor => "termination sensor as shown",
        RunPlaceKind.AirInFront => "air in front of the coil",
        RunPlaceKind.AirBehind => "air behind the coil",
        RunPlaceKind.Box => "box air",
        RunPlaceKind.Product => "product",
        RunPlaceKind.HeaterCurrent => $"heater leg {place.Name}",
        RunPlaceKind.HeaterVoltage => "heater voltage",
        RunPlaceKind.SuctionPressure => "suction pressure",
        RunPlaceKind.HeadPressure => "head pressure",
        _ => place.Name.Length > 0 ? place.Name : "another place",
    };

    /// <summary>For the end of a curve.</summary>
    public static string OnCurve(RunPlace place) => place.Kind switch
    {
        RunPlaceKind.ColdestBend => "coldest bend",
        RunPlaceKind.WarmestBend => "warmest bend",
        RunPlaceKind.AtSensor => "at sensor",
        RunPlaceKind.EndSensor => "sensor shows",
        RunPlaceKind.AirInFront => "air in front",
        RunPlaceKind.AirBehind => "air behind",
        RunPlaceKind.HeaterCurrent => $"leg {place.Name}",
        RunPlaceKind.Box => "box",
        _ => Name(place),
    };

    public static string Name(RunMarkKind kind) => kind switch
    {
        RunMarkKind.PumpDown => "pump-down",
        RunMarkKind.HeatOn => "heat on",
        RunMarkKind.HeatOff => "heat off",
        RunMarkKind.HeatOffByHand => "heat off by hand",
        RunMarkKind.Refrigeration => "refrigeration on",
        RunMarkKind.FansOn => "fans on",
        RunMarkKind.FansOff => "fans off",
        RunMarkKind.SwitchOpen => "switch opened",
        RunMarkKind.SwitchClosed => "switch closed",
        RunMarkKind.SeenClear => "coil seen clear",
        RunMarkKind.IceLeft => "ice left",
        RunMarkKind.Vapour => "steam off the coil",
        RunMarkKind.CeilingFrost => "drops or frost on the ceiling",
        RunMarkKind.Hiss => "hissing heard",
        RunMarkKind.Dripping => "dripping heard",
        RunMarkKind.Silent => "quiet",
        _ => "watched to the end",
    };

    private static IEnumerable<PlaceMelt> NotClear(DefrostResult result) =>
        result.Places.Where(p => p.Told == ClearTold.NotClear && p.Place.Kind != RunPlaceKind.AtSensor);

    /// <summary>Whether the coil of a run that goes on is clear.</summary>
    private static string SoFar(WatchedRun run, SiteClock clock)
    {
        if (run.Result.ClearMin is { } clear)
            return $"; coil clear {When(run, clear, run.Result.ClearBetween, clock)}";
        return run.Result.Places.Count > 0 ? "; the coil is not clear yet" : "";
    }

    /// <summary>The sentence that stands above everything else: what it was, how it ended, what was proved.</summary>
    public static string Verdict(WatchedRun run, SiteClock clock)
    {
        var (r, setUp) = (run.Result, run.Run.SetUp);
        var kind = CircuitText.Sentence(DefrostSetUpText.Name(setUp.Kind));
        if (r.Phases.HeatOn is not { } on)
            return "No verdict yet. Mark when the heat came on.";
        if (r.Phases is not { HeatOff: { } off, HeatMin: { } length })
            return $"{kind} defrost, heat on since {clock.Time(run.At(on))}{SoFar(run, clock)}.";
        var end = r.End switch
        {
            EndedBy.Temperature => $"by the {DefrostSetUpText.Name(setUp.EndedBy)}",
            EndedBy.Pressure => "by pressure",
            EndedBy.TimeLimit when setUp.EndedBy == TerminationKind.Time => "by its set time",
            EndedBy.TimeLimit => "by the maximum defrost time, not by temperature",
            EndedBy.Hand => "by hand",
            _ => "by what is not known",
        };
        var said = $"{kind} defrost: {Minutes(length)} of heat, ended at {clock.Time(run.At(off))} {end}; ";
        if (r.ClearMin is { } clear)
        {
            var when = When(run, clear, r.ClearBetween, clock);
            var after = r.HeatAfterClearRange is var (least, most) ? Minutes(least, most) : Minutes(0);
            return said + (r.HeatAfterClearMin > DefrostLimits.GoodHeatAfterClearMin
                ? $"the coil was clear {when}, so the last {after} "
                    + $"({UnitText.Number(r.HeatAfterClearShare!.Value * 100, 0)} % of the heat) only heated the coil and box."
                : $"the coil was clear {when}, {after} before the end: "
                    + "it ended when it should.");
        }

        if (r.IceIsLeft)
            return said
                + $"ice was left: {CircuitText.List(NotClear(r).Select(p => Name(p.Place)))} had not come clear.";
        return said + "no place on the coil was watched, so whether it came clear is not proved.";
    }

    public static string Minutes(double minutes) =>
        minutes < 1.5 ? $"{UnitText.Number(minutes, 1)} min" : $"{UnitText.Number(minutes, 0)} min";

    /// <summary>From the least to the most; one number where they are the same.</summary>
    public static string Minutes(double least, double most) =>
        most - least < 1 ? Minutes(most) : $"{UnitText.Number(least, 0)} to {UnitText.Number(most, 0)} min";

    /// <summary>The moment something came clear, or the two readings it lies between.</summary>
    public static string When(WatchedRun run, double clear, (double Still, double Clear)? between, SiteClock clock) =>
        between is var (still, gone) ? $"between {clock.Time(run.At(still))} and {clock.Time(run.At(gone))}"
            : $"at {clock.Time(run.At(clear))}";

    public static string Told(PlaceMelt melt, UnitText units) => melt.Told switch
    {
        ClearTold.Plateau =>
            $"stayed {Minutes(melt.PlateauMin)} at {units.Temperature(Temperature.ZeroCelsiusInKelvin + melt.LevelC!.Value)}, then rose",
        ClearTold.Crossing => "went through freezing without a pause: next to no ice",
        ClearTold.NeverFrozen => "was above freezing from the start",
        _ => melt.LevelC is { } level ? $"still at {units.Temperature(Temperature.ZeroCelsiusInKelvin + level)} when the heat ended"
            : "never reached the melting point",
    };

    /// <summary>Where an element is connected, as its terminals are marked.</summary>
    private static string Between(DefrostSetUp setUp, double element) => (setUp.Connection, element) switch
    {
        (HeaterConnection.Delta, 1) => " between lines 1 and 2",
        (HeaterConnection.Delta, 2) => " between lines 2 and 3",
        (HeaterConnection.Delta, 3) => " between lines 3 and 1",
        (HeaterConnection.Star, _) => $" on line {UnitText.Number(element, 0)}",
        _ => "",
    };

    public static string Finding(Finding f, DefrostSetUp setUp, UnitText units)
    {
        string T(string name) => f.Values.TryGetValue(name, out var c) ? units.Temperature(Temperature.ZeroCelsiusInKelvin + c) : "–";
        string N(string name, int decimals = 0) => f.Values.TryGetValue(name, out var v) ? UnitText.Number(v, decimals) : "–";
        bool Has(string name) => f.Values.ContainsKey(name);
        return f.Code switch
        {
            DefrostCodes.HeatAfterClear =>
                $"Ran {Minutes(f.Values["leastMin"], f.Values["mostMin"])} after clear: "
                + $"{UnitText.Number(f.Values["share"] * 100, 0)} % of the heat"
                + (Has("kwh") ? $", {N("kwh", 1)} kWh, melted nothing." : ", melted nothing."),
            DefrostCodes.WellEnded =>
                $"Ended {Minutes(f.Values["leastMin"], f.Values["mostMin"])} after the last place was clear: time for the drops, no more.",
            DefrostCodes.EndedEarly =>
                $"Ended before the coil was clear{(Has("coldestC") ? $": its coldest place was at {T("coldestC")}" : "")}. Ice left "
                + "behind can ice the coil again. Clear it all.",
            DefrostCodes.NotTerminated =>
                $"The {DefrostSetUpText.Name(setUp.EndedBy)} never ended it: its spot had {T("spotC")}, it is set to {T("setC")}. "
                + (setUp.EndedBy == TerminationKind.Probe ? "Probe reading cold, in the wrong input, or its relay welded."
                    : "Switch open, wrong lead, or a jumper."),
            DefrostCodes.LimitBeforeClear =>
                $"The time was up before the coil was clear{(Has("coldestC") ? $" ({T("coldestC")} at its coldest place)" : "")}: "
                + "heaters weak, too few defrosts, or too much frost.",
            DefrostCodes.EndUnknown => "What ended the heat is not settled.",
            DefrostCodes.SensorLags =>
                $"The termination sensor sits too cold: {T("spotC")} at its spot when the coldest bend had "
                + $"{T("coldestC")}{(Has("behindMin") && f.Values["behindMin"] > 1 ? $", and clear {N("behindMin")} min after it" : "")}.",
            DefrostCodes.SensorLeads =>
                $"The termination sensor sits too warm: {T("spotC")} at its spot while the coldest place had {T("coldestC")}.",
            DefrostCodes.SensorFits =>
                $"The termination sensor's spot ({T("spotC")}) follows the coil ({T("coldestC")} to {T("warmestC")}).",
            DefrostCodes.ProbeOff =>
                $"The termination sensor shows {units.Difference(Math.Abs(f.Values["offK"]))} "
                    + $"{(f.Values["offK"] > 0 ? "more" : "less")} than "
                + $"the thermometer beside it, so it ends {(f.Values["offK"] > 0 ? "early" : "late or never")}.",
            DefrostCodes.SwitchOff => $"Switched at {T("spotC")}, rated {T("ratedC")}. Test it: slow or out of calibration.",
            DefrostCodes.ClockStopped => "The defrost clock has stopped: the unit stays in the state it was left in.",
            DefrostCodes.ClockOff => $"The defrost clock moved {N("dialMin")} min in {N("waitedMin")} min.",
            DefrostCodes.ClockContacts => "Turned by hand, the contacts of the defrost clock do not change over.",
            DefrostCodes.ClockSolenoid => "The terminate solenoid of the defrost clock does not release: only its time ends the heat.",
            DefrostCodes.ClockTime =>
                $"The clock's time of day is {UnitText.Number(Math.Abs(f.Values["offMin"]), 0)} min "
                + $"{(f.Values["offMin"] > 0 ? "ahead" : "behind")}: defrosts start at the wrong time.",
            DefrostCodes.NotChangedOver =>
                "In the defrost the heaters carry no current and the fans run: one relay or switch that has not changed "
                + "over explains both.",
            DefrostCodes.LegOut =>
                $"Heater element {N("element")}{(Has("element") ? Between(setUp, f.Values["element"]) : "")} is out: {N("powerKw", 1)} of "
                + $"{N("ratedKw", 1)} kW left.",
            DefrostCodes.LegWeak => $"Leg {N("leg")} is weak: {N("measuredA", 1)} A, should carry {N("expectedA", 1)} A at this voltage.",
            DefrostCodes.LowVoltage =>
                $"The supply is low: {N("volts")} V for heaters of {N("ratedVolts")} V; their power falls with its square.",
            DefrostCodes.DripShort =>
                $"Only {N("dripMin", 1)} min to drip{(Has("setMin") ? $", set to {N("setMin", 1)}" : "")}: drops freeze on the fins again.",
            DefrostCodes.FansInHeat => "The fans ran while the heat was on: delay switch stuck, relay welded, or a jumper.",
            DefrostCodes.FansEarly =>
                $"The fans came back with the coil at {T("coilC")}, should wait for {T("setC")}: they blew warm, wet air into the box.",
            DefrostCodes.FansLate => $"The fans came back {N("lateMin")} min after the coil had {T("setC")}.",
            DefrostCodes.FansNever =>
                $"The fans were not seen to come back, {N("waitedMin")} min after the coil had {T("setC")}: delay open, or they are dead.",
            DefrostCodes.FansCycling =>
                $"The fan delay opened {N("cycles")} times in pull-down. Liquid can reach the compressor. Log any jumper as an open item.",
            DefrostCodes.RestartPressure =>
                $"Suction peaked at {units.Gauge(f.Values["peakKpa"])} on restart, "
                + $"{units.Change(MeasuringPoint.SuctionPressure, f.Values["riseKpa"])} on what it was before the heat: look at "
                + "pump-down, drip time and a crankcase regulator.",
            DefrostCodes.SlowRecovery =>
                Has("recoveryMin") ? $"The box needed {N("recoveryMin")} min to come back."
                : $"The box was not back after {N("watchedMin")} min of watching.",
            DefrostCodes.ProductWarm => $"Product reached {T("productC")} in the defrost.",
            DefrostCodes.Vapour =>
                "Steam came off the coil or froze above it"
                + (Has("heatAfterClearMin") ? $": the heat ran {N("heatAfterClearMin")} min after clear." : "."),
            _ => f.Code,
        };
    }

    /// <summary>A fault without figures, for a line in a list.</summary>
    public static string Headline(Finding f) => f.Code switch
    {
        DefrostCodes.HeatAfterClear => "The defrost runs on after the coil is clear.",
        DefrostCodes.EndedEarly => "The defrost ends before the coil is clear.",
        DefrostCodes.NotTerminated => "The defrost is not ended by temperature: only its maximum time stops it.",
        DefrostCodes.LimitBeforeClear => "The defrost's time is up before the coil is clear.",
        DefrostCodes.SensorLags or DefrostCodes.SensorLeads => "The sensor that ends the defrost sits in the wrong spot.",
        DefrostCodes.ProbeOff => "The probe that ends the defrost does not agree with the thermometer beside it.",
        DefrostCodes.SwitchOff => "The switch that ends the defrost acts beside its rating.",
        DefrostCodes.ClockStopped => "The defrost clock has stopped.",
        DefrostCodes.ClockOff => "The defrost clock runs slow or fast.",
        DefrostCodes.ClockContacts => "The contacts of the defrost clock do not change over.",
        DefrostCodes.ClockSolenoid => "The terminate solenoid of the defrost clock does not release.",
        DefrostCodes.ClockTime => "The defrost clock has the wrong time of day.",
        DefrostCodes.NotChangedOver => "In the defrost nothing changes over from fans to heaters.",
        DefrostCodes.LegOut => "A defrost heater is out.",
        DefrostCodes.LegWeak => "A leg of the defrost heaters is weak.",
        DefrostCodes.LowVoltage => "The defrost heaters get too little voltage.",
        DefrostCodes.FansInHeat => "The fans run while the defrost heat is on.",
        DefrostCodes.FansEarly => "The fans come back too early after a defrost.",
        DefrostCodes.FansCycling => "The fan delay lets go again and again after a defrost.",
        DefrostCodes.FansLate or DefrostCodes.FansNever => "The fans come back late or not at all after a defrost.",
        DefrostCodes.DripShort => "The drip time is too short.",
        DefrostCodes.RestartPressure => "Suction peaks on restart after a defrost.",
        DefrostCodes.SlowRecovery => "The box is slow to come back after a defrost.",
        DefrostCodes.ProductWarm => "Product warms too much in a defrost.",
        DefrostCodes.Vapour => "Steam comes off the coil during defrost.",
        DefrostCodes.EndUnknown => "What ended the defrost is not settled.",
        DefrostCodes.WellEnded => "The defrost ended when it should.",
        DefrostCodes.SensorFits => "The sensor that ends the defrost follows the coil.",
        _ => f.Code,
    };

    /// <summary>A value of a track in the reader's units.</summary>
    public static string Value(RunPlace place, double inTrack, UnitText units) => place.Measures switch
    {
        QuantityKind.Temperature => units.Temperature(Temperature.ZeroCelsiusInKelvin + inTrack),
        QuantityKind.Pressure => units.Gauge(inTrack),
        QuantityKind.Current => $"{UnitText.Number(inTrack, 1)} A",
        _ => $"{UnitText.Number(inTrack, 0)} V",
    };

    /// <summary>The numbers behind a verdict, by name.</summary>
    public static IEnumerable<(string Name, string Value)> Numbers(WatchedRun run, UnitText units, SiteClock clock)
    {
        var r = run.Result;
        if (r.Phases.HeatMin is { } heat)
            yield return ($"heat on{(r.Phases.IsInferred ? ", read from the curves" : "")}", Minutes(heat));
        if (r.EnergyKwh is { } energy)
            yield return ("energy", $"{UnitText.Number(energy.Total, 1)} kWh");
        if (r.Ice is { } ice)
            yield return ("ice melted", $"{units.Weight(ice.IceKg)} ± {units.Weight(ice.UncertaintyKg)}");
        if (r.Heaters is { } h && h.Legs.Any(l => l.MeasuredA is not null))
            yield return (
                "heaters",
                $"{UnitText.Number(h.PowerKw, 2)} of {UnitText.Number(h.RatedKw, 2)} kW at {UnitText.Number(h.Volts, 0)} "
                + $"V{(h.IsMeasured ? "" : " (rated)")}");
        if (r.Phases.DripMin is { } drip)
            yield return ("drip", Minutes(drip));
        if (r.Fans is { OnMin: { } fans } f)
            yield return (
                "fans back",
                clock.Time(run.At(fans))
                + (f.CoilC is { } coil ? $", coil at {units.Temperature(Temperature.ZeroCelsiusInKelvin + coil)}" : ""));
        if (r.Box is { } box)
            yield return (
                "box", $"{units.Temperature(Temperature.ZeroCelsiusInKelvin + box.BeforeC)} to "
                + units.Temperature(Temperature.ZeroCelsiusInKelvin + box.PeakC)
                + (box.RecoveryMin is { } back ? $", back after {Minutes(back)}" : ""));
        if (r.Box?.ProductPeakC is { } product)
            yield return ("product at its warmest", units.Temperature(Temperature.ZeroCelsiusInKelvin + product));
    }
}
