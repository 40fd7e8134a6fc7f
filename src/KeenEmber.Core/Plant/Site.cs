using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Plant;

/// <summary>A place with equipment in it.</summary>
/// <param name="ElevationM">Metres above sea level; gives the atmosphere that gauges there start from.</param>
/// <param name="TimeZone">IANA name, as in "Europe/London"; times are kept in UTC and shown in this zone.</param>
public sealed record Site(Guid Id, string Name, double ElevationM, string TimeZone)
{
    /// <summary>Where units stand that somebody practises on: shown in no list.</summary>
    public static readonly Guid PracticeId = new("9f0c0de5-0000-7000-8000-000000000001");

    /// <summary>Of its elevation.</summary>
    public Pressure Atmosphere => Core.Quantities.Atmosphere.AtElevation(ElevationM);
}
