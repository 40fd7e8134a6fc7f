namespace KeenEmber.Core.Quantities;

/// <summary>A point on the temperature scale. Stored in kelvin; never a difference, which has no 32.</summary>
/// <param name="Kelvin">Thermodynamic temperature, K. Any finite value; below 0 K is not refused here but by the reader of typed
/// values.</param>
public readonly record struct Temperature(double Kelvin) : IComparable<Temperature>
{
    /// <summary>0 °C in kelvin (SI Brochure, 9th edition, 2.3.1).</summary>
    public const double ZeroCelsiusInKelvin = 273.15;

    /// <summary>The same in °C.</summary>
    public double Celsius => Kelvin - ZeroCelsiusInKelvin;

    /// <summary>The same in °F.</summary>
    public double Fahrenheit => Celsius * 1.8 + 32;

    /// <summary>From °C.</summary>
    public static Temperature FromCelsius(double tempC) => new(tempC + ZeroCelsiusInKelvin);

    /// <summary>From °F.</summary>
    public static Temperature FromFahrenheit(double tempF) => FromCelsius((tempF - 32) / 1.8);

    /// <summary>The point half way between two temperatures, as used for the mean of a glide.</summary>
    public static Temperature Midpoint(Temperature a, Temperature b) => new((a.Kelvin + b.Kelvin) / 2);

    /// <summary>By warmth.</summary>
    public int CompareTo(Temperature other) => Kelvin.CompareTo(other.Kelvin);

    /// <summary>How much warmer the first is.</summary>
    public static TemperatureDifference operator -(Temperature a, Temperature b) => new(a.Kelvin - b.Kelvin);

    /// <summary>So much warmer.</summary>
    public static Temperature operator +(Temperature t, TemperatureDifference d) => new(t.Kelvin + d.Kelvin);

    /// <summary>So much colder.</summary>
    public static Temperature operator -(Temperature t, TemperatureDifference d) => new(t.Kelvin - d.Kelvin);

    /// <summary>Colder.</summary>
    public static bool operator <(Temperature a, Temperature b) => a.Kelvin < b.Kelvin;

    /// <summary>Warmer.</summary>
    public static bool operator >(Temperature a, Temperature b) => a.Kelvin > b.Kelvin;

    /// <summary>Colder or the same.</summary>
    public static bool operator <=(Temperature a, Temperature b) => a.Kelvin <= b.Kelvin;

    /// <summary>Warmer or the same.</summary>
    public static bool operator >=(Temperature a, Temperature b) => a.Kelvin >= b.Kelvin;
}

/// <summary>How far apart two temperatures are: superheat, subcooling, a split.</summary>
/// <param name="Kelvin">Kelvin; may be negative.</param>
public readonly record struct TemperatureDifference(double Kelvin)
{
    /// <summary>The same difference in Fahrenheit degrees: 1 K is 1.8 °F, without the 32.</summary>
    public double FahrenheitDegrees => Kelvin * 1.8;
}
