using KeenEmber.Core.Findings;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>What ended the heat.</summary>
public enum EndedBy
{
    /// <summary>Its switch or probe.</summary>
    Temperature,

    /// <summary>A pressure switch.</summary>
    Pressure,

    /// <summary>The time limit.</summary>
    TimeLimit,

    /// <summary>Somebody's hand.</summary>
    Hand,

    /// <summary>Not known.</summary>
    Unknown,
}

/// <summary>The spot of the switch or probe against the bends at one moment of the heat, °C.</summary>
public readonly record struct SpotMoment(double Minute, double SpotC, double ColdestC, double WarmestC)
{
    /// <summary>Spot less coldest bend, K; negative where the spot is the colder.</summary>
    public double OverColdestK => SpotC - ColdestC;

    /// <summary>Spot less warmest bend, K.</summary>
    public double OverWarmestK => SpotC - WarmestC;
}

/// <summary>The spot of the switch or probe against the coil, when the heat ended.</summary>
/// <param name="SpotC">A thermometer beside it, else the probe's own reading, °C.</param>
/// <param name="ColdestC">The coldest place of the coil then.</param>
/// <param name="BehindMin">How much later than the last bend the spot itself came clear; negative when it was ahead. Null when either did
/// not.</param>
public sealed record SensorSpot(double SpotC, double ColdestC, double WarmestC, double? BehindMin)
{
    /// <summary>Spot less coldest place, K; negative where the spot is the colder.</summary>
    public double AheadK => SpotC - ColdestC;

    /// <summary>How it was all through the heat, at most <see cref="MostMoments"/> moments evenly spread; empty where no bend was read
    /// meanwhile.</summary>
    public IReadOnlyList<SpotMoment> Along { get; init; } = [];

    /// <summary>More moments than this are not compared.</summary>
    public const int MostMoments = 12;
}

/// <param name="OnMin">Fans back; null when they were not seen to.</param>
/// <param name="CoilC">Coil then, °C.</param>
/// <param name="RanInHeat">They were seen running while the heat was on.</param>
/// <param name="Cycles">How often they stopped again after coming back.</param>
public sealed record FanReturn(double? OnMin, double? CoilC, bool RanInHeat, int Cycles);

/// <param name="RecoveryMin">From the end of the heat until it was back; null when it was not seen.</param>
public sealed record BoxAfter(double BeforeC, double PeakC, double? RecoveryMin, double? ProductPeakC)
{
    /// <summary>How much warmer the box got than it was when the heat came on, K.</summary>
    public double RiseK => PeakC - BeforeC;
}

/// <summary>What one defrost came to. Minutes count from the start of the run.</summary>
/// <param name="ClearMin">When the last watched bend of the coil was clear; null when one was not, or none was watched.</param>
/// <param name="LastClear">The place that cleared last; null without places on the coil.</param>
public sealed record DefrostResult(
    DefrostPhases Phases, EndedBy End, IReadOnlyList<PlaceMelt> Places, double? ClearMin, RunPlace? LastClear,
    HeaterState? Heaters, IceEstimate? Ice, SensorSpot? Sensor, FanReturn Fans, BoxAfter? Box, IReadOnlyList<Finding> Findings)
{
    /// <summary>Of a run that could not be judged: nothing is known of it.</summary>
    public static readonly DefrostResult None =
        new(DefrostPhases.None, EndedBy.Unknown, [], null, null, null, null, null, new(null, null, false, 0), null, []);

    /// <summary>Heat on after the last place was clear, min; null when that is not known.</summary>
    public double? HeatAfterClearMin => ClearMin is { } clear && Phases.HeatOff is { } off ? Math.Max(0, off - clear) : null;

    /// <summary>Where the coil was read only every few minutes: still iced at the first, clear at the second. Null where the moment is
    /// known, or never came.</summary>
    public (double Still, double Clear)? ClearBetween
    {
        get
        {
            var bends = DefrostAnalysis.Bends(Places);
            if (ClearMin is null || bends.Count == 0)
                return null;
            var still = bends.Max(p => p.ClearBetween?.Still ?? p.ClearMin ?? 0);
            var clear = bends.Max(p => p.ClearBetween?.Clear ?? p.ClearMin ?? 0);
            return clear - still >= MeltPlateau.CoarseMin ? (still, clear) : null;
        }
    }

    /// <summary>Heat on after clear at least and at most, min; null when that is not known.</summary>
    public (double Least, double Most)? HeatAfterClearRange
    {
        get
        {
            if (HeatAfterClearMin is not { } over)
                return null;
            return ClearBetween is var (still, clear) ? (Math.Max(0, Phases.HeatOff!.Value - clear), Phases.HeatOff!.Value - still)
                : (over, over);
        }
    }

    /// <summary>Share of the heat given after clear, which warmed metal and room.</summary>
    public double? HeatAfterClearShare => HeatAfterClearMin / Phases.HeatMin;

    /// <summary>kWh given in all and after clear; null when the power is not known.</summary>
    public (double Total, double AfterClear)? EnergyKwh =>
        Heaters is { } h && Phases.HeatMin is { } min ? (h.PowerKw * min / 60, h.PowerKw * (HeatAfterClearMin ?? 0) / 60) : null;

    /// <summary>A place on the coil was not clear when the heat ended.</summary>
    public bool IceIsLeft => DefrostAnalysis.Bends(Places).Any(p => p.Told == ClearTold.NotClear) && Phases.HeatOff is not null;
}
