namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>A set of causes that is weighed: nothing wrong where it is empty.</summary>
/// <param name="Causes">Numbers of the causes, rising.</param>
/// <param name="Log">Logarithm of how likely the set is together with all facts.</param>
internal sealed record CauseSet(int[] Causes, double Log)
{
    /// <summary>How likely each condition is, knowing all facts.</summary>
    internal double[] Conditions { get; init; } = [];

    /// <summary>How likely each mode is, knowing all facts.</summary>
    internal double[] Modes { get; init; } = [];
}
