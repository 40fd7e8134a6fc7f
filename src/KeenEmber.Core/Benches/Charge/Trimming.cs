using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>What a trimming by trial says to do.</summary>
public enum TrimAdvice
{
    /// <summary>Note how the unit does before anything is changed.</summary>
    Begin,

    /// <summary>Wait: the last step has not shown yet.</summary>
    Wait,

    /// <summary>Change the charge by one small step.</summary>
    Step,

    /// <summary>It got better: another step the same way.</summary>
    GoOn,

    /// <summary>It got worse: back by one step, and stop there.</summary>
    GoBack,

    /// <summary>Neither better nor worse: the best charge is here.</summary>
    Stop,

    /// <summary>It got better as refrigerant left: it is overcharged.</summary>
    GoOnOut,
}

/// <summary>How the unit did at one charge.</summary>
/// <param name="NetKg">Against the charge at the beginning, kg.</param>
/// <param name="DropK">Air drop, K.</param>
public sealed record TrimPoint(DateTimeOffset At, double NetKg, double DropK);

/// <summary>A trimming as it stands.</summary>
/// <param name="Points">One for each charge, the last response at it.</param>
/// <param name="WaitUntil">From when a response counts; null where no step waits.</param>
public sealed record TrimState(TrimAdvice Advice, IReadOnlyList<TrimPoint> Points, DateTimeOffset? WaitUntil);

/// <summary>The last resort of charging, step by step: which way the best charge lies.</summary>
public static class Trimming
{
    /// <summary>How long a capillary unit or a small case takes to answer, min; trade practice.</summary>
    public const double WaitMin = 10;

    /// <summary>A change of the air drop that two readings of one thermometer can show, K.</summary>
    public const double VisibleK = 0.4;

    /// <summary>While two responses at one charge still differ by more than this, it has not settled, K.</summary>
    private const double SettledK = 0.3;

    /// <summary>The same charge, as scales go, kg.</summary>
    private const double SameKg = 0.001;

    /// <summary>More than this at a time is no step, as a share of the charge on the plate; and where the plate does not say, kg.</summary>
    private const double LargestShare = 0.1, LargestKg = 0.2;

    /// <summary>The largest step, kg.</summary>
    public static double LargestStepKg(double? plateKg) => plateKg * LargestShare ?? LargestKg;

    /// <param name="standing">Of a visit, in order.</param>
    public static TrimState Of(IReadOnlyList<Entry> standing, DateTimeOffset now)
    {
        var responses = standing.OfType<TrimEntry>().OrderBy(t => t.At).ToList();
        if (responses.Count == 0)
            return new(TrimAdvice.Begin, [], null);
        var steps = standing.OfType<RefrigerantEntry>().Where(r => r.At > responses[0].At).OrderBy(r => r.At).ToList();
        double Net(DateTimeOffset at) => steps.Where(s => s.At <= at).Sum(s => s.MassKg);
        bool Counts(TrimEntry t) => steps.FindLast(s => s.At <= t.At) is not { } step || (t.At - step.At).TotalMinutes >= WaitMin;
        var counting = responses.Where(Counts).Select(t => new TrimPoint(t.At, Net(t.At), t.AirDrop.Si(default))).ToList();
        List<TrimPoint> points = [.. counting.GroupAdjacent(p => p.NetKg).Select(g => g[^1])];
        var last = steps.Count > 0 ? steps[^1].At : (DateTimeOffset?)null;
        if (last is { } stepped && (points.Count == 0 || points[^1].At < stepped))
            return new(TrimAdvice.Wait, points, stepped.AddMinutes(WaitMin));
        var atLast = counting.Where(p => p.NetKg == points[^1].NetKg).TakeLast(2).ToList();
        if (atLast.Count == 2 && Math.Abs(atLast[1].DropK - atLast[0].DropK) > SettledK)
            return new(TrimAdvice.Wait, points, now.AddMinutes(WaitMin / 2));
        return new(Judge(points), points, null);
    }

    private static TrimAdvice Judge(List<TrimPoint> points)
    {
        if (points.Count < 2)
            return TrimAdvice.Step;
        // Back at a charge that was tried before: the other way is known to be worse.
        if (points.SkipLast(1).Any(p => Math.Abs(p.NetKg - points[^1].NetKg) < SameKg))
            return TrimAdvice.Stop;
        var (better, added) = (points[^1].DropK - points[^2].DropK, points[^1].NetKg - points[^2].NetKg);
        return better switch
        {
            > VisibleK => added < 0 ? TrimAdvice.GoOnOut : TrimAdvice.GoOn,
            < -VisibleK => TrimAdvice.GoBack,
            _ => TrimAdvice.Stop,
        };
    }

    private static IEnumerable<List<T>> GroupAdjacent<T, TKey>(this IEnumerable<T> items, Func<T, TKey> key)
    {
        var group = new List<T>();
        foreach (var item in items)
        {
            if (group.Count > 0 && !Equals(key(group[^1]), key(item)))
            {
                yield return group;
                group = [];
            }

            group.Add(item);
        }

        if (group.Count > 0)
            yield return group;
    }
}
