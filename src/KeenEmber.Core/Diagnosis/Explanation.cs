namespace KeenEmber.Core.Diagnosis;

/// <summary>What a cause is in an explanation.</summary>
public enum CauseRole
{
    /// <summary>Nothing else in the explanation brought it on.</summary>
    Root,

    /// <summary>Another cause of the explanation brought it on.</summary>
    Consequence,

    /// <summary>Seen as well, while everything else is explained without it.</summary>
    Separate,
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
    IReadOnlyList<Fact> Leaves)
{
    /// <summary>Facts that would be a fault beside it, which nothing else speaks of and who looked may have mistaken.</summary>
    public IReadOnlyList<Fact> LookAgain { get; init; } = [];
}

/// <summary>A cause by itself, over all explanations.</summary>
/// <param name="Cause">Which.</param>
/// <param name="Probability">Of all explanations that hold it, together.</param>
public sealed record WeighedCause(Cause Cause, double Probability)
{
    /// <summary>Half of what was taken to be so and left alone is so no more after this, days, or never was. Trade practice: a callback
    /// within a month is for the same thing.</summary>
    private const double HalfAfterDays = 30;

    /// <summary>As likely as it still is so many days later, where nobody worked on it.</summary>
    public WeighedCause Later(double days) => this with { Probability = Probability * Math.Pow(0.5, days / HalfAfterDays) };
}
