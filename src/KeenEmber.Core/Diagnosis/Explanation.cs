namespace KeenEmber.Core.Diagnosis;

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

/// <summary>What a cause is in an explanation.</summary>
public enum CauseRole
{
    /// <summary>Nothing else in the explanation brought it on.</summary>
    Root,

    /// <summary>Another cause of the explanation brought it on.</summary>
    Consequence,
}

/// <summary>A cause in an explanation.</summary>
/// <param name="Cause">Which.</param>
/// <param name="Role">Whether it began it.</param>
/// <param name="BroughtOnBy">The cause that brought it on; null for a root.</param>
public sealed record ExplainingCause(Cause Cause, CauseRole Role, Cause? BroughtOnBy);

/// <summary>A set of causes that would explain what is known.</summary>
/// <param name="Causes">Roots first; empty where nothing is wrong.</param>
/// <param name="Probability">0 to 1, over everything that was weighed.</param>
/// <param name="Through">Conditions by which it shows, in the order in which they bring each other about.</param>
/// <param name="Explains">Facts that it makes likely and a healthy unit does not.</param>
/// <param name="Leaves">Facts that are odd with it as well.</param>
public sealed record Explanation(
    IReadOnlyList<ExplainingCause> Causes, double Probability, IReadOnlyList<Condition> Through, IReadOnlyList<Fact> Explains,
    IReadOnlyList<Fact> Leaves);

/// <summary>A cause by itself, over all explanations.</summary>
/// <param name="Cause">Which.</param>
/// <param name="Probability">Of all explanations that hold it, together.</param>
public sealed record WeighedCause(Cause Cause, double Probability);
