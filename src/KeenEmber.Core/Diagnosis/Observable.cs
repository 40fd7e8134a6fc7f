namespace KeenEmber.Core.Diagnosis;

/// <summary>What a person can see, hear, measure or read in the record.</summary>
/// <param name="Code">Stable name, as the API has it.</param>
/// <param name="Name">As it is asked.</param>
/// <param name="OnlyOn">Units that have it.</param>
/// <param name="Healthy">What a healthy unit shows in each mode.</param>
/// <param name="Place">Where it is got: box, coil, control, unit, panel, customer, record.</param>
/// <param name="Minutes">What it takes there.</param>
/// <param name="Tool">What it is got with.</param>
/// <param name="WrongShare">The share of answers that are wrong.</param>
/// <param name="Needs">What must be known to be so before it can tell.</param>
/// <param name="Hazard">What to mind; empty for nothing.</param>
public sealed record Observable(
    string Code, string Name, MakeUpRule OnlyOn, IReadOnlyDictionary<OperatingMode, HealthyAnswer> Healthy, string Place, double Minutes,
    string Tool, double WrongShare, IReadOnlyList<Need> Needs, string Hazard)
{
    /// <summary>Its answers; empty for a number.</summary>
    public IReadOnlyList<string> Answers { get; init; } = [];

    /// <summary>The unit of a number: K, °C, %, min; empty for answers.</summary>
    public string Unit { get; init; } = "";

    /// <summary>It is weighed when it is told, and asked for only where nothing quicker decides.</summary>
    public bool IsSeldomAsked { get; init; }

    /// <summary>It is a number.</summary>
    public bool IsNumber => Answers.Count == 0;

    /// <summary>Done so that something else can be seen, a defrost that is forced: it melts the frost.</summary>
    public bool IsAct => Hazard == "melts the frost";
}

/// <summary>What a healthy unit shows in a mode: shares of answers, or a number give or take.</summary>
/// <param name="Shares">By answer, summing to 1; empty for a number.</param>
/// <param name="Mean">Of a number.</param>
/// <param name="Deviation">One standard deviation.</param>
/// <param name="Band">The result whose target on the unit gives the number; empty where the table has it.</param>
public sealed record HealthyAnswer(IReadOnlyList<double> Shares, double Mean, double Deviation, string Band = "");

/// <summary>An observable that must have one of these answers.</summary>
/// <param name="Observable">Its code.</param>
/// <param name="Answers">Any of them will do.</param>
public sealed record Need(string Observable, IReadOnlyList<string> Answers);
