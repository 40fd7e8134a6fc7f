using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Box;

/// <summary>A box as it is pulled down on a visit.</summary>
/// <param name="Readings">From the warmest one since the last work on.</param>
/// <param name="Result">Null with too few readings.</param>
/// <param name="StillToTake">Readings that are missing before it can be told.</param>
public sealed record PullDownCourse(
    IReadOnlyList<BoxReading> Readings, IReadOnlyList<BoxReading> Product, PullDownResult? Result, int StillToTake)
{
    /// <summary>Nothing is pulled down: it never was more than this over its target, K.</summary>
    private const double LeastAboveK = 2;

    /// <summary>Of a logger's course so many are enough.</summary>
    private const int MostSamples = 40;

    /// <summary>Product and air read within so long are of one moment.</summary>
    private static readonly TimeSpan OneMoment = TimeSpan.FromMinutes(5);

    /// <summary>What a box should read at a later moment, °C; null where nothing can be said.</summary>
    public Forecast? At(DateTimeOffset moment) => Result?.BoxAt?.Invoke((moment - Readings[0].At).TotalMinutes);

    /// <summary>A control cuts out about so far below the target and in again so far above it, and two thermometers differ by so much,
    /// K; trade practice.</summary>
    private const double CutsOutK = 1.5, CutsInK = 2, ReadingK = 0.3;

    /// <summary>The same for a box whose control cuts out at its target and in again above it: what it should read, °C.</summary>
    public Forecast? Promised(DateTimeOffset moment, Temperature target)
    {
        if (At(moment) is not { } falling)
            return null;
        var (coldest, warmest) = (target.Celsius - CutsOutK, target.Celsius + CutsInK);
        var mayCycle = falling.Low <= target.Celsius;
        return new(Math.Max(falling.Value, coldest), Math.Max(falling.Low, coldest) - ReadingK,
            (mayCycle ? Math.Max(falling.High, warmest) : falling.High) + ReadingK);
    }

    /// <summary>A moment so many minutes after the first reading.</summary>
    public DateTimeOffset Moment(double minute) => Readings[0].At.AddMinutes(minute);

    /// <param name="air">Of the box, in order of time.</param>
    /// <param name="product">In order of time.</param>
    /// <param name="work">When work was last done; what was read before says nothing of now. Null while none was.</param>
    /// <returns>Null where the box is not pulled down.</returns>
    public static PullDownCourse? Of(
        IReadOnlyList<BoxReading> air, IReadOnlyList<BoxReading> product, Temperature target, DateTimeOffset? work)
    {
        var since = air.Where(a => work is null || a.At >= work).ToList();
        if (since.Count == 0 || since.MaxBy(a => a.Value.Kelvin) is not { } top || (top.Value - target).Kelvin < LeastAboveK)
            return null;
        since = [.. since.Where(a => a.At >= top.At)];
        List<BoxReading> goods = [.. product.Where(p => p.At >= top.At)];
        double? ProductAt(DateTimeOffset at) =>
            goods.Where(p => (p.At - at).Duration() <= OneMoment).MinBy(p => (p.At - at).Duration())?.Value.Celsius;
        var every = 1 + (since.Count - 1) / MostSamples;
        var samples = since.Where((_, i) => i % every == 0 || i == since.Count - 1)
            .Select(a => new PullDownSample((a.At - top.At).TotalMinutes, a.Value.Celsius, ProductAt(a.At))).ToList();
        return new(since, goods, samples.Count >= PullDownFit.Fewest && samples[^1].Minute > 0
            ? PullDownFit.Fit(samples, target.Celsius) : null, Math.Max(0, PullDownFit.Fewest - samples.Count));
    }
}

/// <summary>What became of a forecast.</summary>
/// <param name="Read">The reading that decides; null while there is none.</param>
/// <param name="Held">It read what was said; null while it was not read, or where work was done meanwhile.</param>
public sealed record ForecastCheck(BoxForecastEntry Forecast, BoxReading? Read, bool? Held)
{
    /// <summary>A reading this much before or after the moment decides.</summary>
    private static readonly TimeSpan Around = TimeSpan.FromMinutes(20);

    /// <param name="air">Of the box, in order of time.</param>
    /// <param name="work">When work was last done.</param>
    internal static ForecastCheck Of(BoxForecastEntry forecast, IReadOnlyList<BoxReading> air, DateTimeOffset? work)
    {
        var read = air.Where(a => a.At > forecast.At && (a.At - forecast.Due).Duration() <= Around)
            .MinBy(a => (a.At - forecast.Due).Duration());
        var isOvertaken = work > forecast.At && (read is null || work < read.At);
        return new(forecast, read, read is null || isOvertaken ? null
            : read.Value >= forecast.Low.Temperature && read.Value <= forecast.High.Temperature);
    }
}
