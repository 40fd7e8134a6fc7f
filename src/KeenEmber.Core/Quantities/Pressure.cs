namespace KeenEmber.Core.Quantities;

/// <summary>An absolute pressure. Gauge readings become absolute at the border, with the site's own atmosphere.</summary>
/// <param name="Kpa">Kilopascal absolute. Real pressures are above 0.</param>
public readonly record struct Pressure(double Kpa) : IComparable<Pressure>
{
    /// <summary>Standard atmosphere (ISO 2533:1975), 101.325 kPa.</summary>
    public static readonly Pressure StandardAtmosphere = new(101.325);

    /// <summary>Kilopascal above (negative: below) the given atmosphere.</summary>
    public double GaugeKpa(Pressure atmosphere) => Kpa - atmosphere.Kpa;

    /// <summary>By size.</summary>
    public int CompareTo(Pressure other) => Kpa.CompareTo(other.Kpa);

    /// <summary>Lower.</summary>
    public static bool operator <(Pressure a, Pressure b) => a.Kpa < b.Kpa;

    /// <summary>Higher.</summary>
    public static bool operator >(Pressure a, Pressure b) => a.Kpa > b.Kpa;

    /// <summary>Lower or the same.</summary>
    public static bool operator <=(Pressure a, Pressure b) => a.Kpa <= b.Kpa;

    /// <summary>Higher or the same.</summary>
    public static bool operator >=(Pressure a, Pressure b) => a.Kpa >= b.Kpa;
}
