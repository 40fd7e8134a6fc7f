using KeenEmber.Core.Findings;

namespace KeenEmber.Core.Benches.Glycol;

/// <summary>What keeps the mixture moving and sound: pump, bath, inhibitors. Trade practice.</summary>
public static class GlycolCircuit
{
    /// <summary>The pump moves nothing: the coil freezes the mixture round it, however strong it is.</summary>
    public const string PumpStopped = "glycol.pump-stopped";

    /// <summary>Coil or intake stand out of the bath.</summary>
    public const string BathLow = "glycol.bath-low";

    /// <summary>The inhibitors are used up: the mixture eats metal and turns sour.</summary>
    public const string InhibitorSpent = "glycol.inhibitor-spent";

    /// <summary>The last word on each.</summary>
    /// <param name="tests">Of the visit, in their order.</param>
    public static IEnumerable<Finding> Judge(IReadOnlyList<GlycolEntry> tests)
    {
        if (tests.LastOrDefault(t => t.PumpRuns is not null) is { PumpRuns: false } pump)
            yield return Finding.Of(PumpStopped) with { Basis = [pump.Id] };
        if (tests.LastOrDefault(t => t.BathFull is not null) is { BathFull: false } bath)
            yield return Finding.Of(BathLow) with { Basis = [bath.Id] };
        if (tests.LastOrDefault(t => t.AlkalinityHolds is not null) is { AlkalinityHolds: false } strip)
            yield return Finding.Of(InhibitorSpent) with { Basis = [strip.Id] };
    }
}
