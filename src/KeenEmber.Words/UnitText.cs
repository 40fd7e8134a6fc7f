using System.Globalization;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Words;

/// <summary>Numbers in the reader's units: every measured or computed number on a page comes through here.</summary>
/// <param name="units">The company's preference.</param>
/// <param name="atmosphere">The site's, to show an absolute pressure on the gauge it was read from.</param>
public sealed class UnitText(UnitPreference units, Pressure atmosphere)
{
    public UnitPreference Units => units;

    private bool Us => units == UnitPreference.Us;

    public string TemperatureUnit => units.Temperature.Symbol;

    /// <summary>A difference has no degrees mark in metric (K) and Fahrenheit degrees in US units.</summary>
    public string DifferenceUnit => Us ? "°F" : "K";

    public string Temperature(double tempK) => $"{Number(InTemperature(tempK), 1)} {TemperatureUnit}";

    public string Difference(double kelvin) => $"{Number(InDifference(kelvin), 1)} {DifferenceUnit}";

    /// <summary>The same with its sign: "+2.1 K", "-0.4 K".</summary>
    public string SignedDifference(double kelvin) => kelvin > 0 ? "+" + Difference(kelvin) : Difference(kelvin);

    /// <summary>Gauge pressure, as the manifold shows it.</summary>
    public string Gauge(double absoluteKpa) => Us
        ? $"{Number(InGauge(absoluteKpa), 1)} psi"
        : $"{Number(InGauge(absoluteKpa), 2)} bar";

    /// <summary>Refrigerant: to the gram or tenth of an ounce, large charges in pounds.</summary>
    public string Mass(double kg) =>
        (Us, kg < LargeChargeKg) switch
    {
        (true, true) => $"{Number(kg / Unit.Ounce.Scale, 1)} oz",
        (true, false) => $"{Number(kg / Unit.Pound.Scale, 2)} lb",
        (false, true) => $"{Number(kg, 3)} kg",
        _ => $"{Number(kg, 2)} kg",
    };

    private const double LargeChargeKg = 1;

    /// <summary>Absolute pressure under vacuum, from Pa.</summary>
    public string Vacuum(double pa) =>
        Us ? $"{Number(pa / Unit.Micron.Scale, 0)} micron" : $"{Number(pa, pa < 10 ? 1 : 0)} Pa";

    /// <summary>A volume, from l.</summary>
    public string Volume(double litres) => Us ? $"{Number(litres / Unit.CubicFoot.Scale, 2)} cu ft" : $"{Number(litres, 1)} l";

    /// <summary>What is heavier than refrigerant: ice, a coil.</summary>
    public Unit WeightUnit => units.Weight;

    public string Weight(double kg) => $"{Number(kg / WeightUnit.Scale, 1)} {WeightUnit.Symbol}";

    /// <summary>"815 Ω", "32.65 kΩ"; "open" for one that lets nothing through.</summary>
    public static string Resistance(double ohm) => ohm switch
    {
        double.PositiveInfinity => "open",
        < 200 => $"{Number(ohm, 1)} Ω",
        < 9999.5 => $"{Number(ohm, 0)} Ω",
        < 999_950 => $"{Number(ohm / 1000, 2)} kΩ",
        _ => $"{Number(ohm / 1e6, 2)} MΩ",
    };

    /// <summary>What a sensor's curve gives (°C, or kPa gauge) on the reader's scale, for drawing.</summary>
    public double OnCurve(double value, QuantityKind measures) =>
        measures == QuantityKind.Pressure ? value / units.Pressure.Scale
        : InTemperature(value + Core.Quantities.Temperature.ZeroCelsiusInKelvin);

    /// <summary>The same backwards.</summary>
    public double FromCurve(double shown, QuantityKind measures)
    {
        if (measures == QuantityKind.Pressure)
            return shown * units.Pressure.Scale;
        return Us ? Core.Quantities.Temperature.FromFahrenheit(shown).Celsius : shown;
    }

    /// <summary>What a sensor's curve gives, with its unit.</summary>
    public string Curve(double value, QuantityKind measures) =>
        measures == QuantityKind.Pressure ? $"{Number(OnCurve(value, measures), Us ? 1 : 2)} {units.Pressure.Symbol}"
        : Temperature(value + Core.Quantities.Temperature.ZeroCelsiusInKelvin);

    public Unit AbsoluteUnit => Us ? Unit.PsiAbsolute : Unit.BarAbsolute;

    public string Absolute(double absoluteKpa) => $"{Number(absoluteKpa / AbsoluteUnit.Scale, Us ? 1 : 2)} {AbsoluteUnit.Symbol}";

    /// <summary>A point's value: gauge pressure or temperature.</summary>
    public string Value(PointRef point, double si) => point.Kind() switch
    {
        QuantityKind.Pressure => Gauge(si),
        QuantityKind.Current => $"{Number(si, 1)} A",
        _ => Temperature(si),
    };

    /// <summary>How far a point moved, signed.</summary>
    public string Change(PointRef point, double deltaSi)
    {
        if (point.Kind() == QuantityKind.Temperature)
            return SignedDifference(deltaSi);
        var text = (point.Kind(), Us) switch
        {
            (QuantityKind.Current, _) => $"{Number(deltaSi, 1)} A",
            (_, true) => $"{Number(deltaSi / Unit.Psi.Scale, 1)} psi",
            _ => $"{Number(deltaSi / Unit.Bar.Scale, 2)} bar",
        };
        return deltaSi > 0 ? "+" + text : text;
    }

    public string Result(CircuitResult result) => result.Value is { } v ? Result(result.Quantity, v) : "–";

    public string Result(ResultQuantity quantity, double value) => quantity switch
    {
        ResultQuantity.Temperature => Temperature(value),
        ResultQuantity.Difference => Difference(value),
        ResultQuantity.Share => $"{Number(value * 100, 0)} %",
        _ => $"{Number(value, 1)} : 1",
    };

    /// <summary>The value of a result on its own scale in the reader's units, for drawing.</summary>
    public double OnScale(ResultQuantity quantity, double value) => quantity switch
    {
        ResultQuantity.Temperature => InTemperature(value),
        ResultQuantity.Difference => InDifference(value),
        ResultQuantity.Share => value * 100,
        _ => value,
    };

    public string Band(ResultQuantity quantity, Band band)
    {
        var (decimals, unit) = quantity switch
        {
            ResultQuantity.Ratio => (1, ""),
            ResultQuantity.Share => (0, " %"),
            ResultQuantity.Temperature => (0, $" {TemperatureUnit}"),
            _ => (0, $" {DifferenceUnit}"),
        };
        return $"{Number(OnScale(quantity, band.Low), decimals)} to {Number(OnScale(quantity, band.High), decimals)}{unit}";
    }

    public static string Number(double value, int decimals)
    {
        var text = Math.Round(value, decimals, MidpointRounding.AwayFromZero).ToString("F" + decimals, CultureInfo.InvariantCulture);
        return text.Trim('-', '0', '.').Length == 0 ? text.TrimStart('-') : text;
    }

    private double InTemperature(double tempK) => Us ? new Temperature(tempK).Fahrenheit : new Temperature(tempK).Celsius;

    private double InDifference(double kelvin) => Us ? kelvin * 1.8 : kelvin;

    private double InGauge(double absoluteKpa) => new Pressure(absoluteKpa).GaugeKpa(atmosphere) / units.Pressure.Scale;
}
