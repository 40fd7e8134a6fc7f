namespace KeenEmber.Core.Diagnosis;

/// <summary>A test that would tell something.</summary>
/// <param name="Observable">What to look at, ask or measure.</param>
/// <param name="Bits">What it is expected to tell of what to repair, bits.</param>
/// <param name="Minutes">With the way there and what its hazard costs.</param>
/// <param name="Outcomes">What each answer would do, the likeliest first.</param>
public sealed record NextTest(Observable Observable, double Bits, double Minutes, IReadOnlyList<Outcome> Outcomes)
{
    /// <summary>It is known, and odd with everything else: somebody may have erred.</summary>
    public bool IsAgain { get; init; }

    /// <summary>It is asked what broke this, which is sure to be broken; null for every other test.</summary>
    public Cause? ReasonOf { get; init; }

    /// <summary>It is asked what else is wrong beside this, which is sure to be; null for every other test.</summary>
    public Cause? Beside { get; init; }
}

/// <summary>One answer a test can give.</summary>
/// <param name="Answer">The answer, or the range of a number: far-below, below, usual, above, far-above.</param>
/// <param name="Probability">How likely it is to be given.</param>
/// <param name="Leads">The cause that would lead then; null where nothing would be wrong.</param>
/// <param name="LeadProbability">How likely that would be.</param>
public sealed record Outcome(string Answer, double Probability, Cause? Leads, double LeadProbability);
