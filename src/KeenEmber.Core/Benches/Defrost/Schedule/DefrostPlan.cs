namespace KeenEmber.Core.Benches.Defrost.Schedule;

/// <summary>A part of the day, on the clock; one that ends before it begins goes over midnight.</summary>
public readonly record struct DayPart(TimeOnly From, TimeOnly To)
{
    /// <summary>Length, min.</summary>
    public double Minutes => (To - From).TotalMinutes is var m && m <= 0 ? m + 1440 : m;

    /// <summary>Minutes that two parts of the day have in common.</summary>
    public double Overlap(DayPart other)
    {
        var start = (other.From - From).TotalMinutes;
        start = start < 0 ? start + 1440 : start;
        // The other part begins inside this one, or this one begins inside the other.
        var ahead = Math.Min(Minutes - start, other.Minutes);
        var behind = Math.Min(start + other.Minutes - 1440, Minutes);
        return Math.Max(0, ahead) + Math.Max(0, behind);
    }
}

/// <summary>A unit on the same circuit, whose defrosts must not coincide.</summary>
public sealed record Neighbour(string Tag, IReadOnlyList<DayPart> Defrosts);

/// <summary>What a plan rests on.</summary>
/// <param name="IcePerDayKg">Frost the coil gets in a day.</param>
/// <param name="PowerKw">Heaters as they are.</param>
/// <param name="WarmUpMin">From heat on until the ice begins to melt.</param>
/// <param name="MinPerKg">Heat for each kilogram of ice after that, min.</param>
/// <param name="LimitKg">More ice than this on the coil costs air: the most that should gather between two defrosts.</param>
/// <param name="RisePerMin">Box rise for each minute of heat, K; null when no run tells.</param>
public sealed record PlanBasis(double IcePerDayKg, double PowerKw, double WarmUpMin, double MinPerKg, double LimitKg, double? RisePerMin);

/// <summary>What a schedule needs, costs and risks.</summary>
/// <param name="NeededMin">Heat for the ice of the longest wait, and the drops to fall, min.</param>
/// <param name="EnergyKwh">In a day: the length where time ends it, what is needed where temperature does.</param>
/// <param name="IceKg">On the coil after the longest wait.</param>
/// <param name="MarginMin">Length less what is needed.</param>
/// <param name="RoomKwh">Of the energy, what is past clear.</param>
public sealed record PlanForecast(
    int Defrosts, double LengthMin, double NeededMin, double EnergyKwh, double RoomKwh, double IceKg, double? BoxRiseK, double MarginMin,
    double LongestWaitHours)
{
    /// <summary>The longest wait needs more heat than there is.</summary>
    public bool UnderDefrosts => MarginMin < 0;

    /// <summary>Heat runs on past the good over-run, day after day.</summary>
    public bool OverDefrosts(bool endsByTemperature) => !endsByTemperature && MarginMin > DefrostLimits.LongHeatAfterClearMin;

    /// <summary>More ice gathers than the coil should carry.</summary>
    public bool LoadsTheCoil(PlanBasis basis) => IceKg > basis.LimitKg;
}

/// <summary>Sets defrosts into a day and says what they would do.</summary>
public static class DefrostPlan
{
    /// <summary>Between the ends of neighbours' defrosts and one's own, min: pressures settle, the shared condensing unit gets its load
    /// back.</summary>
    private const int ApartMin = 10;

    /// <summary>Times are set in steps of the clock's trippers, min.</summary>
    private const int StepMin = 15;

    /// <summary>What the watched runs of a coil tell.</summary>
    /// <param name="runs">Judged; those that came clear count.</param>
    /// <param name="icePerDayKg">From the frost load, or measured.</param>
    /// <param name="limitKg">Null: a third more than the most ice a watched run melted.</param>
    /// <returns>Null while no run with heaters, ice and a clear moment is there.</returns>
    public static PlanBasis? BasisOf(IReadOnlyList<DefrostResult> runs, double icePerDayKg, double? limitKg = null)
    {
        var good = runs.Where(r => r is { Ice.IceKg: > 0.1, ClearMin: not null, Phases.HeatOn: not null, Heaters: not null }).ToList();
        if (good.Count == 0)
            return null;
        var last = good[^1];
        var warmUp =
            good.Average(
            r => r.Places.Where(p => p.FromMin is not null).Select(p => p.FromMin!.Value - r.Phases.HeatOn!.Value).DefaultIfEmpty(3).Min());
        var perKg = good.Average(r => Math.Max(0.2, r.ClearMin!.Value - r.Phases.HeatOn!.Value - warmUp) / r.Ice!.IceKg);
        var rises = good.Where(r => r.Box is { RiseK: > 0 } && r.Phases.HeatMin > 0).Select(r => r.Box!.RiseK / r.Phases.HeatMin!.Value)
            .ToList();
        return new(
            icePerDayKg, last.Heaters!.PowerKw, warmUp, perKg, limitKg ?? good.Max(r => r.Ice!.IceKg) * 4 / 3, rises.Count == 0 ? null
            : rises.Average());
    }

    /// <summary>What a schedule would do.</summary>
    /// <param name="lengthMin">Set time, or the fail-safe where temperature ends it.</param>
    public static PlanForecast Forecast(PlanBasis basis, IReadOnlyList<TimeOnly> starts, double lengthMin, bool endsByTemperature)
    {
        var waits = Waits(starts);
        var longest = waits.Count == 0 ? 24 : waits.Max();
        double Needed(double hours) =>
            basis.WarmUpMin + basis.IcePerDayKg * hours / 24 * basis.MinPerKg + DefrostLimits.GoodHeatAfterClearMin / 2;
        var heat = waits.Sum(w => endsByTemperature ? Math.Min(lengthMin, Needed(w)) : lengthMin);
        var past = waits.Sum(w => endsByTemperature ? 0 : Math.Max(0, lengthMin - Needed(w)));
        var needed = Needed(longest);
        return new(starts.Count, lengthMin, needed, heat * basis.PowerKw / 60, past * basis.PowerKw / 60, basis.IcePerDayKg * longest / 24,
            basis.RisePerMin * (endsByTemperature ? Math.Min(lengthMin, needed) : lengthMin), lengthMin - needed, longest);
    }

    /// <summary>Hours from each defrost to the next.</summary>
    private static List<double> Waits(IReadOnlyList<TimeOnly> starts)
    {
        var sorted = starts.Order().ToList();
        return [.. sorted.Select((s, i) => new DayPart(s, sorted[(i + 1) % sorted.Count]).Minutes / 60)];
    }

    /// <summary>So many defrosts, as evenly as may be, out of the busy hours and apart from the neighbours'.</summary>
    /// <param name="count">1 to 24.</param>
    /// <param name="lengthMin">Heat and drip together.</param>
    /// <param name="busy">Hours and deliveries to keep free, if it can be.</param>
    /// <param name="neighbours">Never to coincide with.</param>
    /// <returns>Null when the neighbours leave no room.</returns>
    public static IReadOnlyList<TimeOnly>? Spread(
        int count, double lengthMin, IReadOnlyList<DayPart> busy, IReadOnlyList<Neighbour> neighbours)
    {
        DayPart At(int minute) => new(TimeOnly.MinValue.AddMinutes(minute), TimeOnly.MinValue.AddMinutes(minute + lengthMin));
        DayPart Wide(DayPart p) => new(p.From.AddMinutes(-ApartMin), p.To.AddMinutes(ApartMin));
        var taken = neighbours.SelectMany(n => n.Defrosts).Select(Wide).ToList();
        (double Cost, List<int> Starts)? best = null;
        for (var offset = 0; offset < 1440 / count; offset += StepMin)
        {
            var starts = new List<int>();
            var cost = 0.0;
            for (var i = 0; i < count; i++)
            {
                var ideal = offset + i * 1440.0 / count;
                // The nearest free step to the even place: minutes moved cost as much as minutes of busy hours twice over.
                var choice = Enumerable.Range(0, 1440 / StepMin).Select(s => s * StepMin)
                    .Where(m => taken.TrueForAll(t => t.Overlap(At(m)) <= 0) && starts.TrueForAll(o => At(o).Overlap(At(m)) <= 0))
                    .Select(m => (Minute: m, Cost: Away(m, ideal) + 2 * busy.Sum(b => b.Overlap(At(m)))))
                    .OrderBy(c => c.Cost).Cast<(int Minute, double Cost)?>().FirstOrDefault();
                if (choice is not { } chosen)
                    return best?.Starts is { } found ? Times(found) : null;
                starts.Add(chosen.Minute);
                cost += chosen.Cost;
            }

            if (best is null || cost < best.Value.Cost - 1e-9)
                best = (cost, starts);
        }

        return best is { } spread ? Times(spread.Starts) : null;
    }

    /// <summary>Defrosts that coincide with a neighbour's, by its tag.</summary>
    public static IEnumerable<(TimeOnly Start, string Tag)> Clashes(
        IReadOnlyList<TimeOnly> starts, double lengthMin, IReadOnlyList<Neighbour> neighbours) =>
        from start in starts
        from neighbour in neighbours
        where neighbour.Defrosts.Any(d => d.Overlap(new(start, start.AddMinutes(lengthMin))) > 0)
        select (start, neighbour.Tag);

    private static double Away(double minute, double ideal) => Math.Abs(minute - ideal) is var d ? Math.Min(d, 1440 - d) : 0;

    private static List<TimeOnly> Times(List<int> minutes) => [.. minutes.Select(m => TimeOnly.MinValue.AddMinutes(m)).Order()];
}
