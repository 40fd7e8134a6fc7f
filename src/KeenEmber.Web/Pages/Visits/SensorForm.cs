using KeenEmber.Core.Quantities;
using KeenEmber.Core.Sensors;
using KeenEmber.Core.Service;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>One sensor of the unit as the form has it: name, what it is for, its curve, place, input and offset.</summary>
public sealed class SensorForm(IReadOnlyDictionary<string, string> typed)
{
    /// <summary>Choices of curve beside the families.</summary>
    public const string ByBeta = "beta", ByTable = "table", Volts = "0-10V", Milliamperes = "4-20mA", Ratio = "ratio";

    public static IReadOnlyList<(string Code, string Name)> Curves { get; } =
    [
        .. SensorFamilies.All.Select(f => (f.Code, SensorText.Name(f))), (ByBeta, "NTC by R25 and beta"), (ByTable, "two or three points of a maker's table"),
        (Volts, "pressure transducer, 0 to 10 V"), (Milliamperes, "pressure transducer, 4 to 20 mA"), (Ratio, "pressure transducer, share of its supply"),
    ];

    public string this[string field] => typed.GetValueOrDefault(field, "");

    public static SensorForm Of(SensorEntry s, UnitPreference units)
    {
        var c = s.Curve;
        var fields = new Dictionary<string, string>
        {
            ["name"] = s.Name, ["role"] = s.Role.ToString(), ["place"] = s.Place, ["channel"] = s.Channel, ["offset"] = s.Offset is { } o ? $"{UnitText.Number(o.Number, 1)} {(o.Unit == Unit.FahrenheitDifference ? "°F" : "K")}" : "",
            ["curve"] = c.Family.Length > 0 ? c.Family : c.R25 is not null ? ByBeta : c.Signal switch { SignalKind.Volt => Volts, SignalKind.Milliampere => Milliamperes, SignalKind.Ratio => Ratio, _ => ByTable },
            ["r25"] = c.R25 is { } r ? UnitText.Number(r, 0) : "", ["beta"] = c.Beta is { } b ? UnitText.Number(b, 0) : "",
        };
        foreach (var (point, i) in (c.Points ?? []).Select((p, i) => (p, i)))
        {
            fields[$"signal{i}"] = UnitText.Number(c.Signal == SignalKind.Ratio ? point.Signal * 100 : point.Signal, 1);
            fields[$"value{i}"] = c.Measures == QuantityKind.Pressure ? $"{UnitText.Number(point.Value / units.Pressure.Scale, 2)} {units.Pressure.Symbol}" : $"{UnitText.Number(point.Value, 1)} °C";
        }

        return new(fields);
    }

    /// <summary>The sensor, or null with what is wrong at each field.</summary>
    public (string Name, SensorRole Role, CurveSpec Curve, string Place, string Channel, TypedValue? Offset)? Read(UnitPreference units, Dictionary<string, string> errors)
    {
        var name = TypingText.Kept(this["name"], 30);
        if (name.Length == 0)
            errors["name"] = "Name it as you call it, such as box or coil.";
        if (!Enum.TryParse<SensorRole>(this["role"], out var role) || !Enum.IsDefined(role))
            errors["role"] = "Choose what the controller uses it for.";
        TypedValue? offset = null;
        if (this["offset"].Length > 0)
        {
            var read = QuantityReader.Read(this["offset"], QuantityKind.Difference, units);
            if (read.Problem is { } problem)
                errors["offset"] = TypingText.Problem(problem, QuantityKind.Difference, units);
            offset = read.Value;
        }

        var curve = ReadCurve(units, errors);
        if (errors.Count == 0 && curve.Curve is null)
            errors["curve"] = "These points make no curve: the signal must rise or fall all the way.";
        return errors.Count > 0 ? null : (name, role, curve, TypingText.Kept(this["place"], 60), TypingText.Kept(this["channel"], 20), offset);
    }

    private CurveSpec ReadCurve(UnitPreference units, Dictionary<string, string> errors)
    {
        switch (this["curve"])
        {
            case ByBeta:
                var r25 = QuantityReader.Read(this["r25"], QuantityKind.Resistance, units);
                if (r25.Value?.Si(default) is not >= 10)
                    errors["r25"] = "Resistance at 25 °C, such as 10k.";
                if (QuantityReader.Number(this["beta"]) is not (>= 1000 and <= 7000))
                    errors["beta"] = "Beta lies between 1000 and 7000 K, such as 3435.";
                return new(R25: r25.Value?.Si(default), Beta: QuantityReader.Number(this["beta"]));
            case ByTable:
                return new(Points: Points(3, SignalKind.Ohm, QuantityKind.Temperature, units, errors));
            case Volts or Milliamperes or Ratio:
                var signal = this["curve"] switch { Volts => SignalKind.Volt, Milliamperes => SignalKind.Milliampere, _ => SignalKind.Ratio };
                return new(Points: Points(2, signal, QuantityKind.Pressure, units, errors), Signal: signal, Measures: QuantityKind.Pressure);
            default:
                if (SensorFamilies.Find(this["curve"]) is null)
                    errors["curve"] = "Choose the curve; the sensor's sheet or marking tells it.";
                return new(this["curve"]);
        }
    }

    private List<CurvePoint> Points(int most, SignalKind signal, QuantityKind measures, UnitPreference units, Dictionary<string, string> errors)
    {
        var points = new List<CurvePoint>();
        for (var i = 0; i < most; i++)
        {
            var (s, v) = (this[$"signal{i}"], this[$"value{i}"]);
            if (s.Length == 0 && v.Length == 0 && i >= 2)
                continue;
            var at = signal == SignalKind.Ohm ? QuantityReader.Read(s, QuantityKind.Resistance, units).Value?.Si(default) : QuantityReader.Number(s) / (signal == SignalKind.Ratio ? 100 : 1);
            var value = QuantityReader.Read(v, measures, units).Value;
            if (at is null)
                errors[$"signal{i}"] = signal switch { SignalKind.Ohm => "Resistance, such as 27.28k.", SignalKind.Ratio => "Per cent of the supply, such as 10.", SignalKind.Volt => "Volts, such as 0.5.", _ => "Milliamperes, such as 4." };
            if (value is null)
                errors[$"value{i}"] = $"What it stands for, such as {TypingText.Example(measures, units)}.";
            if (at is not null && value is not null)
                points.Add(new(at.Value, measures == QuantityKind.Pressure ? value.Number * value.Unit.Scale : value.Temperature.Celsius));
        }

        return points;
    }
}
