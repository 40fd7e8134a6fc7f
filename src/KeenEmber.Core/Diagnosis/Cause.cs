namespace KeenEmber.Core.Diagnosis;

/// <summary>A share with which one thing brings about another.</summary>
/// <param name="Code">Of the other.</param>
/// <param name="Share">0 to 1.</param>
public readonly record struct Link(string Code, double Share);

/// <summary>What somebody can repair, replace, set or undo.</summary>
/// <param name="Code">Stable name, as the API has it.</param>
/// <param name="Name">As it is said.</param>
/// <param name="Part">The part it is a matter of.</param>
/// <param name="OnlyOn">Units that can have it.</param>
/// <param name="PerThousand">How often it is found in a thousand jobs, before anything is known of this one.</param>
/// <param name="Makes">Conditions it makes.</param>
/// <param name="BroughtOnBy">Conditions that bring it on, on top of its own frequency.</param>
/// <param name="AfterWorkOn">Parts whose recent work makes it likelier.</param>
/// <param name="SureAt">From this probability on it may be acted on: what a mistake costs decides.</param>
/// <param name="Source">Where the line comes from.</param>
public sealed record Cause(
    string Code, string Name, string Part, MakeUpRule OnlyOn, double PerThousand, IReadOnlyList<Link> Makes,
        IReadOnlyList<Link> BroughtOnBy,
    IReadOnlyList<string> AfterWorkOn, double SureAt, string Source);

/// <summary>What is physically so, between causes and what is seen.</summary>
/// <param name="Code">Stable name.</param>
/// <param name="Name">As it is said.</param>
/// <param name="OnlyOn">Units that can have it.</param>
/// <param name="Leak">The share of units in which it is so for no reason in the table.</param>
/// <param name="From">Conditions before it in the table that bring it about.</param>
/// <param name="Shows">What it pushes an observable to.</param>
public sealed record Condition(
    string Code, string Name, MakeUpRule OnlyOn, double Leak, IReadOnlyList<Link> From, IReadOnlyList<Sign> Shows)
{
    /// <summary>It says no more than that one cause is there.</summary>
    public bool IsCauseItself { get; init; }
}

/// <summary>What a condition does to an observable.</summary>
/// <param name="Observable">Its code.</param>
/// <param name="In">In this mode alone; null for every mode.</param>
public abstract record Sign(string Observable, OperatingMode? In)
{
    /// <summary>Who sees it sees the cause itself, and it is to be put right whatever else is wrong: a torn gasket.</summary>
    public bool IsTellTale { get; init; }
}

/// <summary>It makes one answer likelier.</summary>
/// <param name="Observable">Its code.</param>
/// <param name="In">In this mode alone; null for every mode.</param>
/// <param name="Answer">The answer.</param>
/// <param name="Share">The share of cases in which it is given because of the condition.</param>
public sealed record AnswerSign(string Observable, OperatingMode? In, string Answer, double Share) : Sign(Observable, In);

/// <summary>It shifts a number.</summary>
/// <param name="Observable">Its code.</param>
/// <param name="In">In this mode alone; null for every mode.</param>
/// <param name="By">In the unit of the observable.</param>
/// <param name="Spread">One standard deviation of the shift.</param>
public sealed record ShiftSign(string Observable, OperatingMode? In, double By, double Spread) : Sign(Observable, In);
