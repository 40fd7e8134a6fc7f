using KeenEmber.Core.Diagnosis;
using static KeenEmber.Core.Circuit.BandPosition;
using static KeenEmber.Core.Circuit.ResultKind;

namespace KeenEmber.Core.Circuit;

/// <summary>What the results mean together: one row a pattern. Only usable results speak; a doubtful one lowers the strength.</summary>
/// <remarks>
/// Rows as in the trade's troubleshooting tables. "Suction low" is read as an evaporator TD above its band (the coil is colder than
/// its air asks for, whatever the box temperature happens to be), "suction high" as one below it; "head" as the condenser split, which
/// takes the weather out of it. Superheat is the coil's, or the compressor's where the coil's is not usable.
/// </remarks>
public static class CircuitPatterns
{
    public const string AirFirst = "circuit.air-first";
    public const string NotRunning = "circuit.not-running";
    public const string ShortOfCharge = "circuit.short-of-charge";
    public const string CoilStarved = "circuit.coil-starved";
    public const string CoilNotLoaded = "circuit.coil-not-loaded";
    public const string Overfed = "circuit.overfed";
    public const string HeavyLoad = "circuit.heavy-load";
    public const string NotPumping = "circuit.not-pumping";
    public const string HighHead = "circuit.high-head";
    public const string Overcharged = "circuit.overcharged";
    public const string WithinTargets = "circuit.within-targets";

    private sealed record Sign(ResultKind Kind, params BandPosition[] Where);

    /// <param name="Needs">Signs without which the pattern is not named.</param>
    /// <param name="Supports">Signs that speak for it where they hold, against it where they do not, and would confirm it while unknown.</param>
    private sealed record Pattern(string Code, Sign[] Needs, Sign[] Supports);

    /// <summary>In the order in which a technician would take them up.</summary>
    private static readonly Pattern[] Rows =
    [
        new(NotPumping, [new(EvaporatorTd, Below), new(CondenserSplit, Below), new(CompressionRatio, Below)], []),
        new(ShortOfCharge, [new(SuperheatCoil, Above), new(Subcooling, Below)], [new(EvaporatorTd, Above), new(CondenserSplit, Below, Inside)]),
        new(CoilStarved, [new(SuperheatCoil, Above), new(Subcooling, Inside, Above), new(EvaporatorTd, Above)], [new(CondenserSplit, Below, Inside)]),
        new(CoilNotLoaded, [new(SuperheatCoil, Below), new(EvaporatorTd, Above)], [new(Subcooling, Inside), new(SuperheatCompressor, Below)]),
        new(Overfed, [new(SuperheatCoil, Below), new(EvaporatorTd, Below, Inside)], [new(SuperheatCompressor, Below), new(Subcooling, Inside)]),
        new(HeavyLoad, [new(SuperheatCoil, Above), new(EvaporatorTd, Below)], [new(CondenserSplit, Inside, Above)]),
        new(Overcharged, [new(CondenserSplit, Above), new(Subcooling, Above)], [new(CompressionRatio, Above, Inside)]),
        new(HighHead, [new(CondenserSplit, Above)], [new(Subcooling, Inside)]),
        new(WithinTargets, [new(SuperheatCoil, Inside), new(Subcooling, Inside), new(EvaporatorTd, Inside)], [new(CondenserSplit, Inside)]),
    ];

    /// <summary>Findings, the one that must be dealt with first at the front; empty when the results allow none yet.</summary>
    public static IReadOnlyList<Finding> Find(IReadOnlyList<CircuitResult> results, OperatingConditions now)
    {
        var findings = new List<Finding>();
        if (now.AnyFanStopped || now.Coil == FactState.Iced)
            findings.Add(Finding.Of(AirFirst));
        if (now.Compressor == FactState.Stopped)
            findings.Add(Finding.Of(NotRunning));

        CircuitResult? Usable(ResultKind kind) => results.FirstOrDefault(r => r.Kind == kind && r is { IsUsable: true, Position: not null })
            ?? (kind == SuperheatCoil ? Usable(SuperheatCompressor) : null);
        foreach (var row in Rows)
        {
            if (row.Needs.All(sign => Usable(sign.Kind) is { } r && sign.Where.Contains(r.Position!.Value)) && !IsCovered(row.Code, findings))
                findings.Add(Judge(row, Usable));
        }

        return findings;
    }

    /// <summary>A full condenser explains the high head that goes with it; "within targets" stands only alone.</summary>
    private static bool IsCovered(string code, List<Finding> findings) => code switch
    {
        HighHead => findings.Exists(f => f.Code == Overcharged),
        WithinTargets => findings.Count > 0,
        _ => false,
    };

    private static Finding Judge(Pattern row, Func<ResultKind, CircuitResult?> usable)
    {
        var needed = row.Needs.Select(s => usable(s.Kind)!).ToList();
        var known = row.Supports.Where(s => usable(s.Kind) is not null).ToList();
        var speaking = known.Where(s => s.Where.Contains(usable(s.Kind)!.Position!.Value)).Select(s => usable(s.Kind)!).ToList();
        var against = known.Where(s => !s.Where.Contains(usable(s.Kind)!.Position!.Value)).Select(s => usable(s.Kind)!).ToList();
        var behind = needed.Concat(speaking).ToList();
        var strength = behind.Exists(r => r.Validity.Level != ValidityLevel.Good) || against.Count > 0 ? Strength.Weak
            : behind.Count >= 3 ? Strength.Strong : Strength.Fair;
        return new(row.Code, strength, [.. behind.SelectMany(r => r.Basis).Select(r => r.EntryId).Distinct()], Values(behind))
        {
            Against = Values(against),
            WouldConfirm = [.. row.Supports.Except(known).Select(s => s.Kind.ToString())],
        };
    }

    private static Dictionary<string, double> Values(IEnumerable<CircuitResult> results) =>
        results.DistinctBy(r => r.Kind).ToDictionary(r => r.Kind.ToString(), r => r.Value!.Value);
}
