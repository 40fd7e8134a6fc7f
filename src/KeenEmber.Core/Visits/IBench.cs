namespace KeenEmber.Core.Visits;

/// <summary>One way of looking at a unit. Pure: the same record gives the same judgement.</summary>
public interface IBench
{
    /// <summary>"sensors": its folder and address, and what is said of it when it fails.</summary>
    string Name { get; }

    /// <summary>First parts of the codes it speaks in: "sensor".</summary>
    IReadOnlyList<string> Speaks { get; }

    /// <summary>The kinds of entries it puts on record, by their wire names.</summary>
    IReadOnlyDictionary<string, Type> Entries { get; }

    /// <summary>Which words of its entries the search finds: wire name and member.</summary>
    IReadOnlyList<(string Kind, string Field)> Searched => [];

    /// <summary>What it makes of a visit.</summary>
    BenchJudgement Judge(VisitInput visit);
}
