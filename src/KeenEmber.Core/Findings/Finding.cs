namespace KeenEmber.Core.Findings;

/// <summary>How surely a finding is so.</summary>
public enum Strength
{
    /// <summary>It may be so.</summary>
    Weak,

    /// <summary>It is likely.</summary>
    Fair,

    /// <summary>It is so, as far as readings can say.</summary>
    Strong,
}

/// <summary>Something a bench says, without a sentence: those are made where the reader's units are known.</summary>
/// <param name="Code">Stable name, bench first: "circuit.short-of-charge".</param>
/// <param name="Basis">Ids of the timeline entries it rests on; empty for one that rests on a whole series or on a fact.</param>
/// <param name="Values">The numbers that speak for it, by name, in SI units.</param>
public sealed record Finding(string Code, Strength Strength, IReadOnlyList<Guid> Basis, IReadOnlyDictionary<string, double> Values)
{
    /// <summary>The bench that says so: "circuit", "sensor", "defrost".</summary>
    public string Bench => Code[..Code.IndexOf('.', StringComparison.Ordinal)];

    /// <summary>What it is about, the first thing first; empty where it is about the unit as a whole.</summary>
    public IReadOnlyList<Subject> About { get; init; } = [];

    /// <summary>A code or a name that its sentence needs beside its numbers: the curve that fits instead, a refrigerant that is not
    /// known.</summary>
    public string Detail { get; init; } = "";

    /// <summary>The numbers that speak against it.</summary>
    public IReadOnlyDictionary<string, double> Against { get; init; } = new Dictionary<string, double>();

    /// <summary>Facts that speak for it, as "SightGlass.Bubbles".</summary>
    public IReadOnlyList<string> Seen { get; init; } = [];

    /// <summary>What would speak for it, but is seen to be otherwise.</summary>
    public IReadOnlyList<string> SeenAgainst { get; init; } = [];

    /// <summary>Names of results and facts not known yet that would speak for or against it.</summary>
    public IReadOnlyList<string> WouldConfirm { get; init; } = [];

    /// <summary>The same thing said of the same thing, whatever the numbers.</summary>
    public bool IsSameAs(Finding other) => Code == other.Code && About.SequenceEqual(other.About);

    /// <summary>A finding seen outright, without a number.</summary>
    public static Finding Of(string code) => new(code, Strength.Strong, [], new Dictionary<string, double>());
}
