namespace KeenEmber.Core.Diagnosis;

public enum Strength { Weak, Fair, Strong }

/// <summary>Something the readings say, without a sentence: those are made where the reader's units are known.</summary>
/// <param name="Code">Stable name, bench first: "circuit.short-of-charge".</param>
/// <param name="Basis">Ids of the timeline entries it rests on.</param>
/// <param name="Values">The numbers behind it, by name, in SI units.</param>
public sealed record Finding(string Code, Strength Strength, IReadOnlyList<Guid> Basis, IReadOnlyDictionary<string, double> Values);
