namespace KeenEmber.Core.Findings;

/// <summary>One value of something over time.</summary>
/// <param name="Accuracy">Half-width of what it may be off by.</param>
/// <param name="Moved">Farther from the one before than both may be off by.</param>
public readonly record struct TrendMark(DateTimeOffset At, double Value, double Accuracy, bool Moved);
