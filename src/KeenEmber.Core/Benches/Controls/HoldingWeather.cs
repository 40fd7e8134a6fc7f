using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Controls;

/// <summary>How much a unit ran on a visit, and in which air.</summary>
/// <param name="RunShare">0 to 1.</param>
/// <param name="Air">Entering its condenser; null where it was not measured.</param>
/// <param name="Hour">Of the site's clock, h.</param>
public sealed record HeldBox(DateTimeOffset At, double RunShare, Temperature? Air, double Hour);

/// <summary>What makes a unit run more or less than before.</summary>
public enum HoldingVerdict
{
    /// <summary>About as much as before.</summary>
    Same,

    /// <summary>The weather accounts for it.</summary>
    Weather,

    /// <summary>It runs more than the weather accounts for.</summary>
    More,

    /// <summary>It runs less than the weather accounts for.</summary>
    Less,

    /// <summary>The air was not measured both times.</summary>
    AirUnknown,
}

/// <summary>A visit's holding beside an earlier one's.</summary>
/// <param name="Low">What it should run in today's air, from what it ran then; 0 to 1.</param>
/// <param name="High">The upper end of it.</param>
/// <param name="IsOtherHour">Another part of the day: doors are used otherwise.</param>
public sealed record HoldingBeside(HeldBox Before, HeldBox Now, HoldingVerdict Verdict, double Low, double High, bool IsOtherHour);

/// <summary>Run fractions of two visits, with the weather taken out.</summary>
/// <remarks>Warmer air costs an air-cooled unit about 1 % of its capacity for each kelvin of condensing temperature, and lets more heat
/// through the walls, up to in proportion to how much warmer than the box it is: doors and product do not follow it, so that the truth lies
/// between.</remarks>
public static class HoldingWeather
{
    /// <summary>Share of capacity lost for each kelvin of warmer air; compressor data of common units, 0.8 to 1.3 %.</summary>
    private const double CapacityPerK = 0.011;

    /// <summary>One visit's run fraction is as good as this, as a share of time.</summary>
    private const double Off = 0.08;

    /// <summary>Visits at hours this far apart see another use of the doors, h.</summary>
    private const double OtherHourH = 5;

    private const double DayH = 24;

    /// <param name="visits">Up to the one that is looked at, the latest first.</param>
    /// <param name="clock">The site's.</param>
    /// <returns>Null where the latest has no whole cycle, or none before it has.</returns>
    public static HoldingBeside? Of(IReadOnlyList<Timeline> visits, Temperature target, SiteTime clock)
    {
        if (visits.Count < 2 || HeldOn(visits[0], clock) is not { } now)
            return null;
        var before = visits.Skip(1).Select(v => HeldOn(v, clock)).OfType<HeldBox>().ToList();
        return before.Count == 0 ? null : Beside(before.Find(b => b.Air is not null) ?? before[0], now, target);
    }

    private static HeldBox? HeldOn(Timeline visit, SiteTime clock)
    {
        var events = ControlsOnRecord.Events(visit);
        if (events.Count < 3 || ControlCycle.Judge(events, null).RunFraction is not { } share)
            return null;
        var air = visit.LatestReadings().GetValueOrDefault(MeasuringPoint.CondenserAir);
        return new(events[^1].At, share, air is null ? null : new Temperature(air.Si), clock.Local(events[^1].At).TimeOfDay.TotalHours);
    }

    /// <summary>Today's run fraction beside an earlier one.</summary>
    public static HoldingBeside Beside(HeldBox before, HeldBox now, Temperature target)
    {
        var hours = Math.Abs(now.Hour - before.Hour);
        var isOtherHour = Math.Min(hours, DayH - hours) >= OtherHourH;
        if (now.Air is not { } air || before.Air is not { } then)
            return new(before, now, HoldingVerdict.AirUnknown, before.RunShare, before.RunShare, isOtherHour);
        var warmer = (air - then).Kelvin;
        var byCapacity = before.RunShare / (1 - CapacityPerK * warmer);
        var byWalls = byCapacity * Math.Clamp((air - target).Kelvin / Math.Max(1, (then - target).Kelvin), 0.2, 3);
        var (low, high) = (Math.Min(1, Math.Min(byCapacity, byWalls)), Math.Min(1, Math.Max(byCapacity, byWalls)));
        var verdict = (now.RunShare - before.RunShare) switch
        {
            _ when now.RunShare > high + Off => HoldingVerdict.More,
            _ when now.RunShare < low - Off => HoldingVerdict.Less,
            > Off or < -Off => HoldingVerdict.Weather,
            _ => HoldingVerdict.Same,
        };
        return new(before, now, verdict, low, high, isOtherHour);
    }
}
