using System.Collections.Concurrent;
using System.Globalization;

namespace KeenEmber.Load;

/// <summary>How long each answer took, by what was asked for.</summary>
internal sealed class Measured
{
    private readonly ConcurrentDictionary<string, ConcurrentBag<double>> took = new();
    private readonly ConcurrentBag<string> errors = [];

    internal int Errors => errors.Count;

    internal void Took(string what, TimeSpan time) => took.GetOrAdd(what, _ => []).Add(time.TotalMilliseconds);

    internal void Failed(string what) => errors.Add(what);

    /// <summary>What came before is not of the measurement.</summary>
    internal void Clear()
    {
        took.Clear();
        errors.Clear();
    }

    internal void Say(TextWriter to)
    {
        to.WriteLine($"{"",-12}{"answers",8}{"median",9}{"p95",9}{"longest",9}  ms");
        foreach (var (what, times) in took.OrderBy(t => t.Key, StringComparer.Ordinal))
        {
            var sorted = times.Order().ToList();
            to.WriteLine(string.Create(CultureInfo.InvariantCulture,
                $"{what,-12}{sorted.Count,8}{At(sorted, 0.5),9:0.0}{At(sorted, 0.95),9:0.0}{sorted[^1],9:0.0}"));
        }

        to.WriteLine($"{Errors} errors");
        foreach (var some in errors.GroupBy(e => e).OrderByDescending(g => g.Count()).Take(10))
            to.WriteLine($"  {some.Count()} × {some.Key}");
    }

    private static double At(List<double> sorted, double part) => sorted[(int)Math.Min(sorted.Count - 1, part * sorted.Count)];
}
