using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Core.Circuit;

/// <summary>What the results mean together. Only usable results speak; a doubtful one lowers the strength.</summary>
/// <remarks>
/// Patterns as in the trade's troubleshooting tables. "Suction low" is read as an evaporator TD above its band: the coil is
/// colder than its air asks for, whatever the box temperature happens to be.
/// </remarks>
public static class CircuitPatterns
{
    public const string AirFirst = "circuit.air-first";
    public const string NotRunning = "circuit.not-running";
    public const string ShortOfCharge = "circuit.short-of-charge";
    public const string CoilStarved = "circuit.coil-starved";
    public const string CoilNotLoaded = "circuit.coil-not-loaded";
    public const string Overfed = "circuit.overfed";
    public const string HighHead = "circuit.high-head";
    public const string WithinTargets = "circuit.within-targets";

    /// <summary>Findings, the one that must be dealt with first at the front; empty when the results allow none yet.</summary>
    public static IReadOnlyList<Finding> Find(IReadOnlyList<CircuitResult> results, OperatingConditions now)
    {
        var findings = new List<Finding>();
        if (now.AnyFanStopped || now.Coil == FactState.Iced)
            findings.Add(new(AirFirst, Strength.Strong, [], new Dictionary<string, double>()));
        if (now.Compressor == FactState.Stopped)
            findings.Add(new(NotRunning, Strength.Strong, [], new Dictionary<string, double>()));

        CircuitResult? Usable(ResultKind kind) => results.FirstOrDefault(r => r.Kind == kind && r.IsUsable);
        var superheat = Usable(ResultKind.SuperheatCoil) ?? Usable(ResultKind.SuperheatCompressor);
        var subcooling = Usable(ResultKind.Subcooling);
        var td = Usable(ResultKind.EvaporatorTd);
        var split = Usable(ResultKind.CondenserSplit);

        switch (superheat?.Position, subcooling?.Position, td?.Position)
        {
            case (BandPosition.Above, BandPosition.Below, not BandPosition.Below):
                findings.Add(Of(ShortOfCharge, superheat, subcooling, td));
                break;
            case (BandPosition.Above, BandPosition.Inside or BandPosition.Above, BandPosition.Above):
                findings.Add(Of(CoilStarved, superheat, subcooling, td));
                break;
            case (BandPosition.Below, _, BandPosition.Above):
                findings.Add(Of(CoilNotLoaded, superheat, td));
                break;
            case (BandPosition.Below, _, BandPosition.Inside or BandPosition.Below):
                findings.Add(Of(Overfed, superheat, td));
                break;
            case (BandPosition.Inside, BandPosition.Inside, BandPosition.Inside) when split?.Position is null or BandPosition.Inside:
                findings.Add(Of(WithinTargets, superheat, subcooling, td));
                break;
        }

        if (split?.Position == BandPosition.Above)
            findings.Add(Of(HighHead, split));
        return findings;
    }

    private static Finding Of(string code, params CircuitResult?[] behind)
    {
        var results = behind.OfType<CircuitResult>().ToList();
        var doubtful = results.Count(r => r.Validity.Level != ValidityLevel.Good);
        var strength = doubtful > 0 ? Strength.Weak : results.Count >= 3 ? Strength.Strong : Strength.Fair;
        return new(code, strength,
            [.. results.SelectMany(r => r.Basis).Select(r => r.EntryId).Distinct()],
            results.ToDictionary(r => r.Kind.ToString(), r => r.Value!.Value));
    }
}
