namespace KeenEmber.Core.Findings;

/// <summary>One thing a bench measures, visit by visit.</summary>
/// <param name="Code">Stable name, bench first: "sensor.error".</param>
/// <param name="About">Which of several; null where there is one.</param>
/// <param name="Marks">The earliest first, at least two.</param>
public sealed record Trend(string Code, Subject? About, IReadOnlyList<TrendMark> Marks)
{
    /// <summary>The bench that measures it.</summary>
    public string Bench => Code[..Code.IndexOf('.', StringComparison.Ordinal)];
}
