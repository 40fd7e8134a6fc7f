using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Words.Benches.Circuit;
using KeenEmber.Words.Benches.Defrost;

namespace KeenEmber.Words.Benches.Controls;

/// <summary>The words of the controller bench: cycles, outputs, parameters, dial, damage.</summary>
public static class ControllerText
{
    public static string Name(ControlKind kind) => kind switch
    {
        ControlKind.SetIsCutOut => "the setting is the cut-out",
        ControlKind.SetIsCutIn => "the setting is the cut-in",
        ControlKind.SetIsMiddle => "the setting is the middle",
        _ => "constant cut-in, the dial moves the cut-out",
    };

    public static string Name(ControlOutput output) => output switch
    {
        ControlOutput.Compressor =>
            "compressor", ControlOutput.LiquidValve =>
            "liquid solenoid", ControlOutput.Defrost => "defrost", ControlOutput.Fans => "evaporator fans", _ => "alarm",
    };

    public static string Name(ControllerParameter parameter) => parameter switch
    {
        ControllerParameter.SetPoint => "set point",
        ControllerParameter.Differential => "differential",
        ControllerParameter.Offset => "sensor offset",
        ControllerParameter.DefrostInterval => "time between defrosts",
        ControllerParameter.DefrostLength => "longest defrost",
        ControllerParameter.DefrostEnd => "defrost end",
        ControllerParameter.Drip => "drip time",
        ControllerParameter.FanDelay => "fan delay",
        ControllerParameter.AlarmHigh => "high alarm",
        _ => "low alarm",
    };

    public static string Name(ControllerTemplate template) => template switch
    {
        ControllerTemplate.Thermostat => "thermostat alone",
        ControllerTemplate.CoolerOffCycle => "cooler, off-cycle defrost",
        ControllerTemplate.FreezerElectric => "freezer, electric defrost",
        ControllerTemplate.FreezerHotGas => "freezer, hot gas defrost",
        _ => "case with an electronic valve",
    };

    public static string Name(ControlPart part) => part switch
    {
        ControlPart.Control =>
            "control", ControlPart.Display =>
            "display", ControlPart.Cable => "cable", ControlPart.Sensors => "sensors", ControlPart.Relays => "relays", _ => "terminals",
    };

    public static string Name(DamageKind damage) => damage switch
    {
        DamageKind.None =>
            "sound", DamageKind.Wet =>
            "wet", DamageKind.Scaled => "scaled", DamageKind.Corroded => "corroded", DamageKind.Chafed => "chafed", _ => "burnt",
    };

    public static string Output(ControlOutput output, OutputResult result) => CircuitText.Sentence(Name(output)) + result.Verdict switch
    {
        OutputVerdict.Works => ": works, on and off.",
        OutputVerdict.WorksSoFar =>
            $": as it should be; look once more "
            + $"{(result.WouldSettle.Contains("called") ? "while it is called" : "while it is not called")}.",
        OutputVerdict.StuckClosed => ": live though not called. The contact is welded, or jumpered at the control; the load keeps running.",
        OutputVerdict.NotClosing => ": called, and dead at the load terminal. The contact does not close, or nothing feeds it.",
        OutputVerdict.LoadDead => ": called and live, but the load does not run. Fault is after the relay.",
        OutputVerdict.WiredPast => ": the load runs though its relay is dead. It is fed from elsewhere: a jumper past the control.",
        _ => ": measure the voltage at the load terminal; contact and load look alike without it.",
    };

    /// <summary>An output's fault for the lists of findings.</summary>
    public static string Finding(Finding f) =>
        f.About is [var about, ..] && about.As<ControlOutput>() is { } output && ControlsOnRecord.VerdictOf(f.Code) is { } verdict
        ? Output(output, new(verdict, [])) : f.Code;

    /// <summary>A fault of a control without its numbers.</summary>
    public static string Headline(Finding f) => f.Code switch
    {
        ControlsOnRecord.CycleShifted => "The control does not act where it is set.",
        ControlsOnRecord.CycleDifferential => "The control's band is not the one that is set.",
        ControlsOnRecord.CycleShort => "It short cycles.",
        ControlsOnRecord.CycleCreeping => "The control's cut-outs creep.",
        ControlsOnRecord.SidesApart => "One side is too warm, the other too cold: the bulbs or probes may sit in each other's case.",
        ControlsOnRecord.BulbsCrossed => "A control moves the neighbouring case: crossed bulbs.",
        _ => Finding(f),
    };

    /// <summary>What cycles and bulbs say against a control.</summary>
    public static string Finding(Finding f, UnitText units)
    {
        double V(string name) => f.Values.GetValueOrDefault(name);
        string T(string name) => units.Temperature(Temperature.FromCelsius(V(name)).Kelvin);
        return f.Code switch
        {
            ControlsOnRecord.CycleShifted =>
                $"The control cuts out at {T("cutOutC")} and in at {T("cutInC")}: {units.Difference(Math.Abs(V("offK")))} "
                + $"{(V("offK") > 0 ? "warm" : "cold")} of its setting, and its sensor does not account for it.",
            ControlsOnRecord.CycleDifferential => $"The control's band is {units.Difference(V("differentialK"))}, not the one that is set.",
            ControlsOnRecord.CycleShort =>
                "It short cycles"
                + (f.Values.ContainsKey("startsPerHour") ? $": {UnitText.Number(V("startsPerHour"), 1)} starts an hour" : "")
                + (f.Values.ContainsKey("shortestOnMin") ? $", shortest run {DefrostText.Minutes(V("shortestOnMin"))}." : "."),
            ControlsOnRecord.CycleCreeping => $"The control's cut-outs creep by {units.Difference(Math.Abs(V("driftKPerH")))} an hour.",
            ControlsOnRecord.SidesApart =>
                $"One side is {units.Difference(V("warmK"))} above its target, the other {units.Difference(V("coldK"))} below it. "
                + "The bulbs or probes may sit in each other's case.",
            _ => Headline(f),
        };
    }

    public static string State(OutputStateEntry entry) => Line(entry.Output, entry.State) + (entry.Tapped ? ", after a tap" : "");

    /// <summary>"compressor called, live, load still".</summary>
    public static string Line(ControlOutput output, OutputState state)
    {
        var called = state.IsCalled ? "called" : "not called";
        var live = state.IsLive switch { true => ", live", false => ", dead", null => "" };
        var runs = state.Runs switch { true => ", load runs", false => ", load still", null => "" };
        return $"{Name(output)} {called}{live}{runs}";
    }

    /// <summary>How far the display is from the reference, and whether its sensor accounts for that.</summary>
    public static string DisplayOff(double offK, double sensorErrorK, UnitText units)
    {
        var why = sensorErrorK switch
        {
            0 => "; a three-way check shows whether it is the sensor, the offset or the place",
            _ when Math.Abs(offK - sensorErrorK) <= 1 => ", as its sensor is",
            _ => ", and its sensor does not account for it: look for an offset of the display",
        };
        return $"The display is {units.Difference(Math.Abs(offK))} {(offK > 0 ? "above" : "below")} the reference{why}";
    }

    public static string Cycle(CycleResult r, UnitText units)
    {
        string T(double? c) => c is { } v ? units.Temperature(Temperature.ZeroCelsiusInKelvin + v) : "–";
        string K(double? k) => $"{units.Difference(Math.Abs(k ?? 0))} {(k > 0 ? "warm" : "cold")}";
        return (r.IsOnPressure && r.Verdict != CycleVerdict.TooFew ? "By suction pressure, as dew points: " : "") + r.Verdict switch
        {
            CycleVerdict.TooFew => "No verdict yet. Log one cut-out and one cut-in, with temperatures.",
            CycleVerdict.AsSet => $"Cuts out at {T(r.CutOutC)} and in at {T(r.CutInC)}: as it is set.",
            CycleVerdict.SensorExplains =>
                $"Cuts out at {T(r.CutOutC)} and in at {T(r.CutInC)}: {K(r.OffK)}, and its sensor's error accounts for it. The "
                + "control is right.",
            CycleVerdict.Shifted => $"Cuts out at {T(r.CutOutC)} and in at {T(r.CutInC)}: {K(r.UnexplainedK)} of what it is set to.",
            CycleVerdict.DifferentialOff =>
                $"Cuts out at {T(r.CutOutC)} and in at {T(r.CutInC)}: a band of {units.Difference(r.DifferentialK!.Value)}, not the "
                + "one that is set.",
            _ => $"Cuts out at {T(r.CutOutC)} and in at {T(r.CutInC)}. What it is set to is not known here.",
        } + (r.IsShortCycling ? " It short cycles." : "")
            + (r.IsDrifting ? $" Its cut-outs creep by {units.Difference(Math.Abs(r.DriftKPerH!.Value))} an hour." : "");
    }

    public static IEnumerable<(string Name, string Value)> Numbers(CycleResult r, UnitText units)
    {
        if (r.DifferentialK is { } d)
            yield return ("differential as measured", units.Difference(d));
        if (r.CutOutOffK is { } outOff && r.CutInOffK is { } inOff)
        {
            yield return ("cut-out against its setting", units.SignedDifference(outOff));
            yield return ("cut-in against its setting", units.SignedDifference(inOff));
        }

        yield return ("whole cycles", UnitText.Number(r.Cycles, 0));
        if (r.StartsPerHour is { } starts)
            yield return ("starts an hour", UnitText.Number(starts, 1));
        if (r.RunFraction is { } run)
            yield return ("running", $"{UnitText.Number(run * 100, 0)} %");
        if (r.ShortestOnMin is { } on)
            yield return ("shortest run", DefrostText.Minutes(on));
        if (r.ShortestOffMin is { } off)
            yield return ("shortest stop", DefrostText.Minutes(off));
    }

    public static string Dial(DialResult r, UnitText units) => r.Verdict switch
    {
        DialVerdict.TooFew => "No verdict yet. Log one dial setting and where it cut out.",
        DialVerdict.True => "Acts where its dial says.",
        DialVerdict.Shifted =>
            $"Off by {units.SignedDifference(r.OffK!.Value)} all over the dial: set it so much the other way, or turn its screw.",
        DialVerdict.Uneven => $"Off by different amounts, {units.Difference(r.SpreadK)} apart: no setting repairs it.",
        _ => "The cut-in stays and only the cut-out follows the dial: it is made so.",
    };

    public static string Bulbs(BulbVerdict verdict) => verdict switch
    {
        BulbVerdict.TooFew => "Not tried yet.",
        BulbVerdict.Own => "Each side follows its own control, as far as it was tried.",
        BulbVerdict.OneCrossed =>
            "A control moves the neighbour. Turn the other one too: if that moves this side, the bulbs sit in each other's case.",
        BulbVerdict.Crossed => "The bulbs sit in each other's case: each control moves the neighbour. Put them back and label them.",
        _ => "A control moves nothing: its bulb has lost its charge, or its contact does not act.",
    };

    public static string Parameter(Finding f, UnitText units)
    {
        string T(string name) => f.Values.TryGetValue(name, out var c) ? units.Temperature(Temperature.ZeroCelsiusInKelvin + c) : "–";
        var minutes = f.Values.TryGetValue("value", out var v) ? v : 0;
        return f.Code switch
        {
            ParameterChecks.SetPointOff => $"The set point, {T("value")}, does not belong to a unit for {T("against")}.",
            ParameterChecks.SetPointInVacuum =>
                $"For {T("value")} the coil would have to go to {T("against")}, where this refrigerant is under atmospheric pressure.",
            ParameterChecks.DifferentialOff =>
                $"A differential of {units.Difference(minutes)} "
                + $"{(minutes < ParameterLimits.DifferentialK.Low ? "short cycles" : "lets the box swing too far")}.",
            ParameterChecks.OffsetLarge => $"An offset of {units.SignedDifference(minutes)} hides a bad sensor: make the three-way check.",
            ParameterChecks.OffCycleTooCold => $"At {T("value")} the air does not clear the coil: off-cycle defrost will not do.",
            ParameterChecks.IntervalOff => $"{UnitText.Number(minutes / 60, 1)} h between defrosts is unusual.",
            ParameterChecks.LengthOff => $"A longest defrost of {UnitText.Number(minutes, 0)} min is unusual: left over from a test?",
            ParameterChecks.EndOff =>
                $"A defrost that ends at {T("value")} {(minutes < ParameterLimits.EndC.Low ? "leaves ice" : "heats the room")}.",
            ParameterChecks.DripOff =>
                $"{UnitText.Number(minutes, 0)} min of drip "
                + $"{(minutes < ParameterLimits.DripMin.Low ? "freezes the drops on the fins" : "is long")}.",
            ParameterChecks.FanDelayWarm => $"Fans that come back at {T("value")} blow warm, wet air into the box.",
            ParameterChecks.AlarmInside => $"An alarm at {T("value")} is inside the range it should watch ({T("against")}).",
            _ => f.Code,
        };
    }

    /// <summary>A parameter's value in the reader's units.</summary>
    public static string Value(ControllerParameter parameter, TypedValue value, UnitText units) => parameter.Measures() switch
    {
        QuantityKind.Difference => units.Difference(value.Si(default)),
        QuantityKind.Duration =>
            value.Si(default) >= 120 && parameter == ControllerParameter.DefrostInterval
            ? $"{UnitText.Number(value.Si(default) / 60, 1)} h" : $"{UnitText.Number(value.Si(default), 0)} min",
        _ => units.Temperature(value.Temperature.Kelvin),
    };
}
