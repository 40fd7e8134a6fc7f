using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Service;

/// <summary>A place with equipment in it.</summary>
/// <param name="ElevationM">Metres above sea level; gives the atmosphere that gauges there start from.</param>
/// <param name="TimeZone">IANA name, as in "Europe/London"; times are kept in UTC and shown in this zone.</param>
public sealed record Site(Guid Id, string Name, double ElevationM, string TimeZone)
{
    public Pressure Atmosphere => Quantities.Atmosphere.AtElevation(ElevationM);
}

/// <summary>What the shop has chosen once for all its visits.</summary>
/// <param name="Words">The shop's own words for measuring points, added to the built-in ones in quick entry.</param>
public sealed record Shop(string Name, UnitPreference Units, IReadOnlyDictionary<string, Circuit.MeasuringPoint> Words)
{
    public Policies Policies { get; init; } = Policies.Default;

    /// <summary>Who works here; the forms offer these names.</summary>
    public IReadOnlyList<string> Technicians { get; init; } = [];

    /// <summary>Sign or code put before prices; may be empty.</summary>
    public string Currency { get; init; } = "";
}
