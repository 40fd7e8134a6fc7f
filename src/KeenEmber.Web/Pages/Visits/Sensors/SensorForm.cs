using System.Globalization;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Quantities;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using KeenEmber.Words.Benches.Sensors;

namespace KeenEmber.Web.Pages.Visits.Sensors;

/// <summary>One sensor of the unit in the fields of a form: name, what it is for, its curve, place, input and offset.</summary>
public static class SensorForm
{
    /// <summary>Choices of curve beside the families.</summary>
    public const string ByBeta = "beta", ByTable = "table", NotKnown = "unknown", Volts = "0-10V", Milliamperes = "4-20mA", Ratio = "ratio";

    /// <summary>Below this, Ω, nothing is a thermistor.</summary>
    private const double LeastR25 = 10;

    public static IReadOnlyList<(string Code, string Name)> Curves { get; } =
    [
        .. SensorFamilies.All.Select(f => (f.Code, SensorText.Name(f))), (ByBeta, "NTC by R25 and beta"),
            (ByTable, "known points, such as 27.28 kΩ in ice: one to three"),
            (NotKnown, "not known: what is measured will tell"),
        (Volts, "pressure transducer, 0 to 10 V"), (Milliamperes, "pressure transducer, 4 to 20 mA"),
            (Ratio, "pressure transducer, share of its supply"),
    ];

    /// <summary>Shows a sensor as it is on the list.</summary>
    public static void Fill(FilledForm form, SensorEntry s, UnitPreference units)
    {
        var c = s.Curve;
        (form["name"], form["role"], form["place"], form["channel"]) = (s.Name, s.Role.ToString(), s.Place, s.Channel);
        form["coil"] = $"{s.Coil}";
        form["offset"] = s.Offset is { } o ? $"{Plain(o.Number)} {(o.Unit == Unit.FahrenheitDifference ? "°F" : "K")}" : "";
        form["curve"] = c switch
        {
            { Family.Length: > 0 } => c.Family,
            { IsUnknown: true } => NotKnown,
            { R25: not null } => ByBeta,
            { Signal: SignalKind.Volt } => Volts,
            { Signal: SignalKind.Milliampere } => Milliamperes,
            { Signal: SignalKind.Ratio } => Ratio,
            _ => ByTable,
        };
        form["r25"] = c.R25 is { } r ? Plain(r) : "";
        form["beta"] = c.Beta is { } b ? Plain(b) : "";
        foreach (var (point, i) in (c.Points ?? []).Select((p, i) => (p, i)))
        {
            form[$"signal{i}"] = Plain(c.Signal == SignalKind.Ratio ? point.Signal * 100 : point.Signal);
            form[$"value{i}"] = c.Measures == QuantityKind.Pressure
                ? $"{Plain(point.Value / units.Pressure.Scale)} {units.Pressure.Symbol}" : $"{Plain(point.Value)} °C";
        }
    }

    /// <summary>As exact as it was typed: what is shown here is read again.</summary>
    private static string Plain(double number) => number.ToString("0.####", CultureInfo.InvariantCulture);

    /// <summary>The sensor, or null with what is wrong at each field.</summary>
    public static (string Name, SensorRole Role, CurveSpec Curve, string Place, string Channel, TypedValue? Offset)? Read(
        FilledForm form, UnitPreference units)
    {
        var name = form.Text("name", 30, missing: "Name it as you call it, such as box or coil.");
        var role = form.Choice<SensorRole>("role");
        var offset = form.Value("offset", QuantityKind.Difference);
        var curve = ReadCurve(form, units);
        if (!form.IsWrong && curve is { Curve: null, IsUnknown: false })
            form.Errors["curve"] = "These points make no curve: the signal must rise or fall all the way.";
        return form.IsWrong ? null : (name, role, curve, form.Text("place", 60), form.Text("channel", 20), offset);
    }

    private static CurveSpec ReadCurve(FilledForm form, UnitPreference units)
    {
        switch (form["curve"])
        {
            case ByBeta:
                var r25 = form.Value("r25", QuantityKind.Resistance, required: true)?.Si(default);
                if (r25 < LeastR25)
                    form.Errors["r25"] = "Resistance at 25 °C, such as 10k.";
                return new(R25: r25, Beta: form.Number("beta", 1000, 7000, "beta in kelvin", required: true));
            case NotKnown:
                return new();
            case ByTable:
                var points = Points(form, 3, SignalKind.Ohm, QuantityKind.Temperature, units);
                return points is [var one] ? OfOne(form, one) : new(Points: points);
            case Volts or Milliamperes or Ratio:
                var signal =
                    form["curve"] switch { Volts => SignalKind.Volt, Milliamperes => SignalKind.Milliampere, _ => SignalKind.Ratio };
                return new(Points: Points(form, 2, signal, QuantityKind.Pressure, units), Signal: signal, Measures: QuantityKind.Pressure);
            default:
                if (SensorFamilies.Find(form["curve"]) is null)
                    form.Errors["curve"] = "Choose the curve; it is on the sensor's sheet or marking.";
                return new(form["curve"]);
        }
    }

    /// <summary>The kind of which one value is known.</summary>
    private static CurveSpec OfOne(FilledForm form, CurvePoint one)
    {
        var kinds = SensorFamilies.Through(one);
        if (kinds is [var only])
            return new(only.Code);
        form.Errors["curve"] = kinds.Count == 0 ? "No known kind has that resistance there. Add a second point."
            : $"That fits {CircuitText.List(kinds.Select(SensorText.Name))}. Choose one, or add a second point.";
        return new();
    }

    private static List<CurvePoint> Points(FilledForm form, int most, SignalKind signal, QuantityKind measures, UnitPreference units)
    {
        var points = new List<CurvePoint>();
        for (var i = 0; i < most; i++)
        {
            var (s, v) = (form[$"signal{i}"], form[$"value{i}"]);
            if (s.Length == 0 && v.Length == 0 && i >= (signal == SignalKind.Ohm ? 1 : 2))
                continue;
            var at = signal switch
            {
                SignalKind.Ohm => QuantityReader.Read(s, QuantityKind.Resistance, units).Value?.Si(default),
                SignalKind.Ratio => QuantityReader.Number(s) / 100,
                _ => QuantityReader.Number(s),
            };
            var value = QuantityReader.Read(v, measures, units).Value;
            if (at is null)
                form.Errors[$"signal{i}"] =
                    signal switch { SignalKind.Ohm =>
                    "Resistance, such as 27.28k.", SignalKind.Ratio =>
                    "Per cent of the supply, such as 10.", SignalKind.Volt => "Volts, such as 0.5.", _ => "Milliamperes, such as 4." };
            if (value is null)
                form.Errors[$"value{i}"] = $"What it stands for, such as {TypingText.Example(measures, units)}.";
            if (at is not null && value is not null)
                points.Add(new(at.Value, measures == QuantityKind.Pressure ? value.Number * value.Unit.Scale : value.Temperature.Celsius));
        }

        return points;
    }
}
