using KeenEmber.Core.Benches.Sensors;

namespace KeenEmber.Core.Tests.Benches.Sensors;

/// <summary>A controller's sensors with one or two known faults, read as a technician reads them.</summary>
/// <remarks>
/// Instruments scatter by half their half-width (one standard deviation), each sensor sits anywhere within half its tolerance. Baths are
/// made only
/// for what the first look suspects, as one would. Places differ by 5 K or more in one of the two rounds: closer ones cannot be told apart.
/// </remarks>
internal sealed class SimulatedBoard
{
    private static readonly SensorVerdict[] Kinds =
        [SensorVerdict.Drifted, SensorVerdict.SensorOffset, SensorVerdict.Open, SensorVerdict.Shorted, SensorVerdict.Swapped,
            SensorVerdict.WrongCurve, SensorVerdict.Misplaced];

    private readonly Random random;
    private readonly double[][] placeC;
    private readonly SensorCurve[] curves;
    private readonly double[] ownOff;
    private readonly int[] plugged;
    private readonly double[] offsetK, driftPerK, misplacedK;
    private readonly SensorCurve?[] selected;

    public SimulatedBoard(int seed)
    {
        random = new(seed);
        var n = random.Next(2, 7);
        Truth = new SensorVerdict?[n];
        placeC = Places(n);
        var family = SensorFamilies.All[random.Next(SensorFamilies.All.Count)];
        curves = [.. Enumerable.Repeat(family, n)];
        ownOff = [.. curves.Select(_ => random.NextDouble() - 0.5)];
        plugged = [.. Enumerable.Range(0, n)];
        (offsetK, driftPerK, misplacedK, selected) = (new double[n], new double[n], new double[n], new SensorCurve?[n]);
        for (var faults = random.Next(1, 3); faults > 0; faults--)
            Break(Kinds[random.Next(Kinds.Length)]);
    }

    /// <summary>What is wrong with each channel; null where nothing is.</summary>
    public SensorVerdict?[] Truth { get; }

    public BoardResult Judge()
    {
        var first = Enumerable.Range(0, Truth.Length).Select(i => new BoardChannel($"{i}", curves[i], [Read(i, 0), Read(i, 1)], 0))
            .ToList();
        var look = SensorBoard.Judge(first, new());
        var then =
            first.Select(
            (c, i) =>
            look.Channels[i].Result.Verdict == SensorVerdict.SensorOrPlace ? c with { Points = [.. c.Points, Bath(i, 0), Bath(i, 35)] } : c)
            .ToList();
        return SensorBoard.Judge(then, new());
    }

    private void Break(SensorVerdict kind)
    {
        var free = Enumerable.Range(0, Truth.Length).Where(i => Truth[i] is null).OrderBy(_ => random.Next()).ToList();
        if (free.Count < (kind == SensorVerdict.Swapped ? 2 : 1))
            return;
        var i = free[0];
        Truth[i] = kind;
        var size = (random.Next(2) == 0 ? 1 : -1) * (4 + random.NextDouble() * 6);
        switch (kind)
        {
            case SensorVerdict.Swapped:
                Truth[free[1]] = kind;
                (plugged[i], plugged[free[1]]) = (free[1], i);
                break;
            case SensorVerdict.SensorOffset:
                offsetK[i] = size;
                break;
            case SensorVerdict.Drifted:
                // Right when warm, and further off the colder it is.
                driftPerK[i] = -size / 25;
                break;
            case SensorVerdict.Misplaced:
                misplacedK[i] = size;
                break;
            case SensorVerdict.WrongCurve:
                var others =
                    SensorFamilies.All.Where(
                    f => f.Code != curves[i].Code
                    && Enumerable.Range(0, 2)
                    .All(m => f.ValueOf(curves[i].SignalAt(placeC[i][m])) is { } v && Math.Abs(v - placeC[i][m]) > 3)).ToList();
                if (others.Count == 0)
                    Truth[i] = null;
                else
                    selected[i] = others[random.Next(others.Count)];
                break;
        }
    }

    private double[][] Places(int n)
    {
        while (true)
        {
            double[][] places =
                [.. Enumerable.Range(0, n).Select(_ => new[] { -30 + random.NextDouble() * 45, -30 + random.NextDouble() * 45 })];
            if (Enumerable.Range(0, n)
                .All(i =>
                Enumerable.Range(0, i).All(j => Math.Abs(places[i][0] - places[j][0]) >= 5 || Math.Abs(places[i][1] - places[j][1]) >= 5)))
                return places;
        }
    }

    private double Noise(double halfWidth)
    {
        var (u, v) = (1 - random.NextDouble(), random.NextDouble());
        return halfWidth / 2 * Math.Sqrt(-2 * Math.Log(u)) * Math.Cos(2 * Math.PI * v);
    }

    /// <summary>What a sensor at a temperature lets a meter read.</summary>
    private double Ohms(int sensor, double tempC) => Truth[sensor] switch
    {
        SensorVerdict.Open => double.PositiveInfinity,
        SensorVerdict.Shorted => 0.4,
        _ => curves[sensor]
            .SignalAt(tempC + ownOff[sensor] * curves[sensor].ToleranceAt(tempC) + offsetK[sensor] + driftPerK[sensor] * (tempC - 30)) * (
            1 + Noise(0.01)),
    };

    private SensorPoint Read(int channel, int round)
    {
        var sensor = plugged[channel];
        var ohms = Ohms(sensor, placeC[sensor][round] + misplacedK[sensor]);
        double? shown = double.IsInfinity(ohms) || ohms < 1 ? null : (selected[channel] ?? curves[channel]).ValueOf(ohms);
        return new(
            Math.Round(placeC[channel][round] + Noise(0.5), 1), ohms, shown is { } s ? Math.Round(s + Noise(0.5), 1) : null, Moment: round);
    }

    private SensorPoint Bath(int sensor, double tempC) => new(tempC + Noise(0.5), Ohms(sensor, tempC), null, InBath: true, Moment: 2);
}
