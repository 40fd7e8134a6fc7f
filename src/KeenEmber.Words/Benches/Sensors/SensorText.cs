using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Sensors;

/// <summary>The words of the sensor bench.</summary>
public static class SensorText
{
    /// <summary>What the dashed curve of a sensor's chart is; empty without one.</summary>
    public static string Dashed(SensorResult result)
    {
        if (result.Beside is { } beside)
            return $"Dashed: its curve with {UnitText.Resistance(beside.Ohm)} {(beside.IsInSeries ? "in series" : "across its leads")}.";
        return Others(result).Count > 0 ? "Dashed: another curve that fits." : "";
    }

    /// <summary>Curves by which a sensor's points are explained, the likeliest first.</summary>
    public static IReadOnlyList<SensorCurve> Others(SensorResult result) =>
        [.. new[] { result.Beside, result.Other }.OfType<SensorCurve>(), .. result.AlsoFits];

    public static string Name(SensorRole role) => role switch
    {
        SensorRole.Box => "box or return air",
        SensorRole.Discharge => "discharge air",
        SensorRole.DefrostEnd => "coil, defrost end",
        SensorRole.SuctionLine => "suction line",
        SensorRole.LiquidLine => "liquid line",
        SensorRole.Product => "product",
        SensorRole.Condensing => "condensing",
        SensorRole.SuctionPressure => "suction pressure",
        SensorRole.CondensingPressure => "condensing pressure",
        _ => "other",
    };

    /// <summary>A curve as its family is known: "NTC 10 kΩ, slope 3435".</summary>
    public static string Name(SensorCurve curve) => curve.Code switch
    {
        "ntc-1k-3528" => "NTC 1 kΩ, slope 3528",
        "ntc-2k-3500" => "NTC 2 kΩ, slope 3500",
        "ntc-2252-3977" => "NTC 2.25 kΩ, slope 3977",
        "ntc-3k-3977" => "NTC 3 kΩ, slope 3977",
        "ntc-5k-3977" => "NTC 5 kΩ, slope 3977",
        "ntc-10k-3977" => "NTC 10 kΩ, slope 3977",
        "ntc-10k-3695" => "NTC 10 kΩ, slope 3695",
        "ntc-10k-3435" => "NTC 10 kΩ, slope 3435",
        "ntc-100k-3950" => "NTC 100 kΩ, slope 3950",
        "ptc-1k" => "PTC 1 kΩ at 25 °C",
        "pt100" => "Pt100",
        "pt1000" => "Pt1000",
        "own-beta" when curve is BetaCurve b => $"NTC {UnitText.Resistance(b.R25)}, slope {UnitText.Number(b.Beta, 0)}",
        "own-transducer" => $"transducer, {Name(curve.Signal)}",
        _ => "by a manufacturer's table",
    };

    public static string Name(SignalKind signal) =>
        signal switch { SignalKind.Ohm =>
        "resistance", SignalKind.Volt => "0 to 10 V", SignalKind.Milliampere => "4 to 20 mA", _ => "share of the supply" };

    public static string Verdict(SensorVerdict verdict) => verdict switch
    {
        SensorVerdict.Unsettled => "not settled",
        SensorVerdict.Good => "good",
        SensorVerdict.SensorOrPlace => "sensor or its place",
        SensorVerdict.Misplaced => "wrong place",
        SensorVerdict.SensorOffset => "constant offset",
        SensorVerdict.Drifted => "drifted",
        SensorVerdict.SeriesResistance => "bad joint or wire",
        SensorVerdict.Leakage => "leak across its leads",
        SensorVerdict.WrongType => "another kind of sensor",
        SensorVerdict.Open => "open",
        SensorVerdict.Shorted => "shorted",
        SensorVerdict.ControllerSide => "controller's side",
        SensorVerdict.WrongCurve => "wrong curve selected",
        SensorVerdict.OffsetParameter => "offset parameter",
        SensorVerdict.Unsteady => "unsteady",
        _ => "swapped",
    };

    /// <summary>A finding of the sensor bench in a sentence, with its numbers.</summary>
    public static string Finding(Finding f, UnitText units)
    {
        var name = CircuitText.Sentence(f.About[0].Id);
        string T(string value) => f.Values.TryGetValue(value, out var c) ? units.Temperature(Temperature.ZeroCelsiusInKelvin + c) : "–";
        var family = SensorFamilies.Find(f.Detail) is { } other ? Name(other) : "another family";
        var off = f.Values.TryGetValue("error", out var e) ? $"{units.Difference(Math.Abs(e))} {(e > 0 ? "warm" : "cold")}" : "";
        return VerdictOf(f) switch
        {
            SensorVerdict.SensorOrPlace =>
                $"{name} reads {off}: {T("told")} by its resistance and {T("shown")} at the controller, {T("reference")} by the "
                + "thermometer. The sensor has drifted, or it is not where it should be.",
            SensorVerdict.Misplaced =>
                $"{name} reads {off} at its place and right in the bath: it sits in the wrong place or off its seat.",
            SensorVerdict.SensorOffset => $"{name} reads {off}, by the same at every temperature tried: the sensor is off.",
            SensorVerdict.Drifted => $"{name} has drifted: {off} at the last look, by another amount in the bath.",
            SensorVerdict.SeriesResistance =>
                $"{name} reads {off} at the last look, and has {UnitText.Resistance(f.Values["besideOhm"])} too much at every "
                + "temperature: a bad joint, plug or wire; the sensor itself is good.",
            SensorVerdict.Leakage =>
                $"{name} reads {off} at the last look, and {UnitText.Resistance(f.Values["besideOhm"])} lie across its leads at every "
                + "temperature: water in a splice or plug; the sensor itself is good.",
            SensorVerdict.WrongType => $"{name} is another kind of sensor: its resistance fits {family}.",
            SensorVerdict.Open => $"{name} is open: sensor, wire or plug.",
            SensorVerdict.Shorted => $"{name} is shorted: sensor, wire or a wet plug.",
            SensorVerdict.ControllerSide =>
                $"{name} is right ({T("told")} by its resistance, {T("reference")} by the thermometer), the controller shows "
                + $"{T("shown")}: input, wire or a setting.",
            SensorVerdict.WrongCurve =>
                $"{name} is right, the controller shows {T("shown")} for {T("reference")}: it reads it as {family}.",
            SensorVerdict.OffsetParameter =>
                $"{name} is right, the controller shows {T("shown")} for {T("reference")}: its offset parameter makes the difference.",
            SensorVerdict.Unsteady =>
                $"{name} is unsteady: clearly warm at one look and clearly cold at another. No offset helps: look for a wet plug or "
                + "control, or a loose contact.",
            SensorVerdict.Swapped =>
                $"{CircuitText.Sentence(CircuitText.List(f.About.Select(s => s.Id)))} are swapped: each input shows the other's place.",
            _ => name,
        };
    }

    /// <summary>A finding without its numbers.</summary>
    public static string Headline(Finding f) =>
        f.Code == SensorFindings.Code(SensorVerdict.Swapped) ? $"Sensors {CircuitText.List(f.About.Select(s => s.Id))} are swapped."
        : $"Sensor {f.About[0].Id}: {Verdict(VerdictOf(f))}.";

    /// <summary>What was done about a sensor, and whether that is proved; nothing where nothing was done.</summary>
    public static string Repaired(CheckedSensor sensor) => sensor.IsRepaired
        ? $"{CircuitText.Sentence(Name(sensor.Repairs[^1].Repair))}{(
            sensor.IsProved ? ", checked again and good." : ", not checked since.")}"
            : "";

    private static SensorVerdict VerdictOf(Finding f) =>
        Enum.GetValues<SensorVerdict>().FirstOrDefault(v => SensorFindings.Code(v) == f.Code);

    public static string Consequence(SensorConsequence consequence) => consequence switch
    {
        SensorConsequence.Overcools => "It never cuts out: the box overcools, product freezes.",
        SensorConsequence.RunsWarm => "It calls too late or never: the box gets warm.",
        SensorConsequence.EndsDefrostEarly => "Defrost ends early: ice stays, and grows back.",
        SensorConsequence.DefrostToLimit => "Defrost never ends by temperature: it runs to its maximum time and heats the box.",
        SensorConsequence.ValveOpens => "An electronic valve sees too much superheat and opens: liquid may come back.",
        SensorConsequence.ValveCloses => "An electronic valve sees too little superheat and closes: the coil starves.",
        SensorConsequence.FansTooEager => "Condenser fans run too much; head pressure falls in the cold.",
        SensorConsequence.FansTooLate => "Condenser fans wait too long; head pressure rises.",
        _ => "Alarms and records are wrong; nothing is controlled by it.",
    };

    public static string Step(SensorStep step) => step switch
    {
        SensorStep.MeasureAtLeads => "Unplug it and measure at its leads.",
        SensorStep.IceBath => "Hold it in an ice bath and measure at its leads: right there means its place is wrong.",
        SensorStep.WarmBath => "Hold it in warm water beside the thermometer too: the same error is an offset, another is drift.",
        SensorStep.ColdBath =>
            "Check it in salted ice, as cold as its place: a leak across its leads shows only in the cold, and an ice bath clears it.",
        SensorStep.ReadController => "Read what the controller shows for it.",
        SensorStep.TakeReference => "Hold the reference thermometer at the same spot.",
        SensorStep.CheckSeat => "Look at its seat: clip, paste, insulation, and whether it is the place on its label.",
        SensorStep.WarmByHand => "Warm one of them by hand and watch which input moves.",
        SensorStep.SwapBack => "Swap the sensor leads back, label them, measure again.",
        SensorStep.ReplaceSensor => "Replace the sensor by one of its own curve, and take the round again.",
        SensorStep.ReplaceWettedSet => "It was wet: replace control, display, cable and sensors as one set.",
        SensorStep.RepairWire => "Measure again at the sensor's own end: right there means the wire or its splice.",
        SensorStep.SetCurve => "Select the curve that the sensor has, or fit the sensor that matches the curve.",
        SensorStep.SetOffset => "Put the offset parameter to where it belongs, and take the round again.",
        SensorStep.LookUpOffset => "Look up the offset parameter of this input.",
        _ => "Try a known resistor at the input: shown right, the wire; shown wrong, the controller.",
    };

    public static string Slip(SensorSlip slip, string sensor) => slip switch
    {
        SensorSlip.KiloohmForOhm => $"{sensor}: kΩ for Ω? A thousand times as much fits.",
        SensorSlip.OhmForKiloohm => $"{sensor}: Ω for kΩ? A thousandth fits.",
        SensorSlip.FahrenheitReference => $"{sensor}: is the reference in °F? Then it fits.",
        SensorSlip.CelsiusReference => $"{sensor}: is the reference in °C? Then it fits.",
        SensorSlip.FahrenheitShown => $"{sensor}: does the controller show °F? Then it fits.",
        _ => $"{sensor}: resistance and temperature in each other's box?",
    };

    private static string OffBy(double errorK, UnitText units) => errorK switch
    {
        double.PositiveInfinity => "at its warmest",
        double.NegativeInfinity => "at its coldest",
        > 0 => $"{units.Difference(errorK)} warm",
        _ => $"{units.Difference(-errorK)} cold",
    };

    /// <summary>How a defrost and its end sensor hang together, on either bench.</summary>
    public static string Link(DefrostLink link, double errorK, UnitText units, string day) =>
        $"The sensor that ends the defrost reads {OffBy(errorK, units)}: "
        + (link == DefrostLink.ExplainsEarlyEnd ? $"that explains why the defrost of {day} ended with ice left."
            : $"that explains why the defrost of {day} stayed on after clear.");

    public static string Name(SensorRepair repair) => repair switch
    {
        SensorRepair.Replaced => "replaced",
        SensorRepair.SwappedBack => "put into its own socket",
        SensorRepair.Reseated => "put where it belongs",
        SensorRepair.WireRepaired => "wire repaired",
        SensorRepair.CurveSet => "curve set at the controller",
        _ => "offset set at the controller",
    };

    public static string Response(SensorResponse response, UnitText units) => response.Verdict switch
    {
        ResponseVerdict.TooFew => "No verdict yet. It needs two readings, a step of 5 K or more, and a minute.",
        ResponseVerdict.Dead => $"Dead: it moved {units.Difference(Math.Abs(response.MovedK))} in a minute and more.",
        ResponseVerdict.Slow =>
            $"Slow: {UnitText.Number(response.TimeConstantS!.Value, 0)} s for two thirds of the way; {ResponseTest.SlowS} s is much "
            + "for a sensor in water.",
        _ => response.TimeConstantS is { } tau ? $"Quick enough: {UnitText.Number(tau, 0)} s for two thirds of the way."
            : "Quick enough: there before the first reading.",
    };

    /// <summary>What a check recorded: "box in place: ref -18.0 °C, 67.77 kΩ, shows -12.2 °C".</summary>
    public static string Check(SensorCheckEntry check, UnitText units)
    {
        var said = new List<string>();
        if (check.Reference is { } r)
            said.Add($"reference {Value(r, units)}");
        if (check.IsOpen)
            said.Add("open at the leads");
        else if (check.Signal is { } s)
            said.Add(
                s.Unit.Kind == QuantityKind.Resistance ? UnitText.Resistance(s.Si(default))
                : $"{UnitText.Number(s.Number, 2)} {s.Unit.Symbol}");
        if (check.Shown is { } c)
            said.Add($"shows {Value(c, units)}");
        return $"{check.Sensor}{(check.InBath ? " in a bath" : "")}: {string.Join(", ", said)}";
    }

    /// <summary>What a check of each kind of sensor is held against, in the reader's units.</summary>
    public static string Error(SensorRole role, double error, UnitText units) => error switch
    {
        double.PositiveInfinity => "reads at its warmest",
        double.NegativeInfinity => "reads at its coldest",
        _ when IsPressure(role) => units.Change(MeasuringPoint.SuctionPressure, error),
        _ => units.SignedDifference(error),
    };

    public static bool IsPressure(SensorRole role) => role is SensorRole.SuctionPressure or SensorRole.CondensingPressure;

    private static string Value(TypedValue value, UnitText units) =>
        value.Unit.Kind == QuantityKind.Temperature ? units.Temperature(value.Temperature.Kelvin)
        : $"{UnitText.Number(value.Number, 2)} {value.Unit.Symbol}";
}
