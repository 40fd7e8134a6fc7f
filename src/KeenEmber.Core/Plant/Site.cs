using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Plant;

/// <summary>A place with equipment in it.</summary>
/// <param name="ElevationM">Metres above sea level; gives the atmosphere that gauges there start from.</param>
/// <param name="TimeZone">IANA name, as in "Europe/London"; times are kept in UTC and shown in this zone.</param>
public sealed record Site(Guid Id, string Name, double ElevationM, string TimeZone)
{
    /// <summary>Of its elevation.</summary>
    public Pressure Atmosphere => Core.Quantities.Atmosphere.AtElevation(ElevationM);
}
