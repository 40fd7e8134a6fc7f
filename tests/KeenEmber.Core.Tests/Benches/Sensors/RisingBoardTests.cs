using KeenEmber.Core.Benches.Sensors;

namespace KeenEmber.Core.Tests.Benches.Sensors;

/// <summary>Boards of platinum and PTC sensors, of which an ohm is worth kelvins to a meter: one fault at most, read with one meter that is
/// off by up to 0.8 % on all of them.</summary>
public sealed class RisingBoardTests(ITestOutputHelper output)
{
    private enum Fault { None, Input, Sensor, Curve, Open, Swap }

    private const int Boards = 1200;

    [Fact]
    public void The_first_finding_is_the_fault()
    {
        var judged = Enumerable.Range(1, Boards).Select(Judge).ToList();
        foreach (var kind in judged.GroupBy(j => j.Fault).OrderBy(g => g.Key))
        {
            output.WriteLine($"{kind.Key}: {kind.Count(j => j.IsRight)} of {kind.Count()}; else "
                + string.Join(", ", kind.Where(j => !j.IsRight).CountBy(j => j.Said).OrderByDescending(s => s.Value)));
        }

        var faulty = judged.Where(j => j.Fault != Fault.None).ToList();
        Assert.True(faulty.Count(j => j.IsRight) >= 0.92 * faulty.Count);
        var healthy = judged.Where(j => j.Fault == Fault.None).ToList();
        Assert.True(healthy.Count > 100);
        Assert.True(healthy.Count(j => j.IsRight) >= 0.99 * healthy.Count);
    }

    private static (Fault Fault, bool IsRight, string Said) Judge(int seed)
    {
        var random = new Random(seed);
        double Either(double most) => (random.NextDouble() * 2 - 1) * most;
        var rising = SensorFamilies.All.Where(f => f is { Signal: SignalKind.Ohm, IsFalling: false }).ToList();
        var curve = rising[random.Next(rising.Count)];
        var n = random.Next(3, 6);
        var fault = (Fault)random.Next(6);
        var meter = 1 + Either(0.008);
        var own = Enumerable.Range(0, n).Select(_ => Either(0.7)).ToArray();
        var size = (random.Next(2) == 0 ? 1 : -1) * (2 + random.NextDouble() * 5);
        var other = rising.Where(f => f != curve && f.ValueOf(curve.SignalAt(-28)) is not null
            && f.ValueOf(curve.SignalAt(0)) is { } v && Math.Abs(v) > 3 && f.ValueOf(curve.SignalAt(38)) is not null).ToList();
        if (fault == Fault.Curve && other.Count == 0)
            fault = Fault.Input;
        var at = Enumerable.Range(0, 2).Select(round => Enumerable.Range(0, n).Select(i =>
            -25 + 9.0 * i + 14 * round + Either(2)).ToArray())
            .ToArray();
        SensorPoint Read(int i, int round)
        {
            var sensor = (fault, i) switch { (Fault.Swap, 0) => 1, (Fault.Swap, 1) => 0, _ => i };
            var sits = at[round][sensor];
            var really = curve.SignalAt(sits + own[sensor] * curve.ToleranceAt(sits) + (fault == Fault.Sensor && i == 0 ? size * 1.5 : 0));
            if (fault == Fault.Open && i == 0)
                return new(Math.Round(at[round][i] + Either(0.4), 1), double.PositiveInfinity, null, Moment: round);
            var by = fault == Fault.Curve && i == 0 ? other[0] : curve;
            var shown = by.ValueOf(really) + Either(0.3) + (fault == Fault.Input && i == 0 ? size : 0);
            return new(Math.Round(at[round][i] + Either(0.4), 1), really * meter, shown is { } s ? Math.Round(s, 1) : null, Moment: round);
        }

        var board = SensorBoard.Judge(
            [.. Enumerable.Range(0, n).Select(i => new BoardChannel($"{i}", curve, [Read(i, 0), Read(i, 1)], 0))], new());
        var first = board.Order.Count > 0 ? board.Order[0] : -1;
        var verdict = first < 0 ? SensorVerdict.Good : board.Channels[first].Result.Verdict;
        var isRight = fault switch
        {
            Fault.None => first < 0,
            Fault.Swap => verdict == SensorVerdict.Swapped,
            Fault.Input => (first, verdict) == (0, SensorVerdict.ControllerSide),
            Fault.Sensor => first == 0 && verdict is SensorVerdict.SensorOrPlace or SensorVerdict.SensorOffset or SensorVerdict.Drifted,
            Fault.Curve => (first, verdict) == (0, SensorVerdict.WrongCurve),
            _ => (first, verdict) == (0, SensorVerdict.Open),
        };
        return (fault, isRight, $"{verdict}{(first > 0 ? " of a good one" : "")}");
    }
}
