namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>What one observable shows in one mode: on a healthy unit, and what conditions make of it.</summary>
/// <param name="shares">Of answers on a healthy unit; empty for a number.</param>
/// <param name="mean">Of a number on a healthy unit.</param>
/// <param name="deviation">One standard deviation of it.</param>
/// <param name="wrong">The share of answers that are wrong.</param>
/// <param name="pushes">What conditions do to it in this mode, in their order.</param>
internal sealed class Shown(double[] shares, double mean, double deviation, double wrong, Shown.Push[] pushes)
{
    /// <summary>What a condition does to an observable.</summary>
    /// <param name="Condition">Its number.</param>
    /// <param name="Answer">Number of the answer; -1 for a shift.</param>
    /// <param name="Share">Of an answer.</param>
    /// <param name="By">Of a shift.</param>
    /// <param name="Spread">Of a shift.</param>
    internal readonly record struct Push(int Condition, int Answer, double Share, double By, double Spread);

    internal double[] Shares => shares;

    internal double Mean => mean;

    internal double Deviation => deviation;

    internal double Wrong => wrong;

    internal Push[] Pushes => pushes;

    internal bool IsNumber => shares.Length == 0;
}
