using KeenEmber.Core.Plant;
using static KeenEmber.Core.Benches.Circuit.FaultStage;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What a fault makes of the results of a healthy unit, at one of its stages.</summary>
/// <param name="Td">Factor on the coil's temperature difference.</param>
/// <param name="SuperheatK">Added to the superheat, K; where it is less than nought, lost of the usual one.</param>
/// <param name="Subcooling">Factor on the subcooling that belongs to the split.</param>
/// <param name="Split">Factor on the condenser split.</param>
/// <param name="Current">Added to the compressor's share of its rated current.</param>
/// <param name="AirDropShare">Added to the share of the TD that the air gives off.</param>
internal sealed record FaultStage(
    double Td = 1, double SuperheatK = 0, double Subcooling = 1, double Split = 1, double Current = 0, double AirDropShare = 0)
{
    internal static FaultStage None { get; } = new();

    /// <summary>Whether a warm box makes the unit work harder. Where what is fed is short, it does not.</summary>
    internal bool FollowsBox { get; init; } = true;

    /// <summary>Two faults at once: factors multiply, what is added adds.</summary>
    internal FaultStage And(FaultStage other) => new(
        Td * other.Td, SuperheatK + other.SuperheatK, Subcooling * other.Subcooling, Split * other.Split, Current + other.Current,
        AirDropShare + other.AirDropShare) { FollowsBox = FollowsBox && other.FollowsBox };

    /// <summary>The same where the coil is fed too little to follow.</summary>
    internal static FaultStage Starved(
        double td, double superheatK, double subcooling, double split, double current = 0, double airDropShare = 0) =>
        new(td, superheatK, subcooling, split, current, airDropShare) { FollowsBox = false };
}

/// <summary>Something seen that speaks for a fault: how often it is seen with it.</summary>
internal sealed record FaultSign(AsFound Fact, FactState State, double Chance);

/// <summary>A fault of the circuit: how often, and what it shows as it grows.</summary>
/// <param name="Prior">Share of the calls at which it is the cause, as a starting value.</param>
/// <param name="IsHighSide">Of the condenser and its charge, so that it can stand beside a fault of the coil and its feeding.</param>
/// <param name="Valve">Mild, plain and severe, where a valve feeds.</param>
/// <param name="Capillary">The same where a capillary tube feeds.</param>
internal sealed record CircuitFault(
    string Code, double Prior, bool IsHighSide, FaultStage[] Valve, FaultStage[] Capillary, params FaultSign[] Signs)
{
    /// <summary>Empty for what cannot be wrong with such a unit.</summary>
    internal FaultStage[] Stages(CircuitMakeUp makeUp) => makeUp.Metering == Metering.CapillaryTube ? Capillary : Valve;
}

/// <summary>The faults that are told from each other by what they do to all results together.</summary>
/// <remarks>
/// Source of the directions: heat balances of the vapour-compression cycle and the trade's troubleshooting tables. A coil that is fed too
/// little evaporates colder and ends with vapour near its air's temperature; one that gets too little air evaporates colder with the valve
/// holding its superheat; a compressor that pumps too little leaves both differences small; a condenser that rejects poorly raises the
/// split, and the subcooling with it in proportion, while a flooded one raises the subcooling out of proportion; where no liquid
/// stands before the valve, none is subcooled. A valve evens out at the coil what a capillary tube passes on. The sizes are drawn wide:
/// mild ones lie just outside what a healthy unit shows, severe ones where it hardly cools.
/// </remarks>
internal static class CircuitFaults
{
    internal static IReadOnlyList<CircuitFault> All { get; } =
    [
        new(CircuitPatterns.ShortOfCharge, 0.12, false,
            [Starved(1.1, 2, 0.3, 0.92), Starved(1.8, 10, 0.12, 0.75, -0.12, -0.1), Starved(3.4, 23, 0.03, 0.55, -0.2, -0.2)],
            [Starved(1.15, 4, 0.3, 0.9), Starved(1.7, 13, 0.12, 0.75, -0.12, -0.1), Starved(2.4, 20, 0.03, 0.6, -0.2, -0.2)],
            new(AsFound.SightGlass, FactState.Bubbles, 0.85), new(AsFound.CompressorShell, FactState.Hot, 0.35)),
        new(CircuitPatterns.CoilStarved, 0.08, false,
            [Starved(1.4, 6, 1, 0.9), Starved(2.3, 14, 1, 0.72, -0.12, -0.1), Starved(4, 25, 1, 0.52, -0.2, -0.2)],
            [Starved(1.3, 6, 1.2, 0.88), Starved(1.8, 14, 1.25, 0.72, -0.12, -0.1), Starved(2.5, 22, 1.3, 0.58, -0.2, -0.2)],
            new FaultSign(AsFound.ValveBody, FactState.IceBall, 0.4), new(AsFound.CompressorShell, FactState.Hot, 0.3)),
        new(CircuitPatterns.CoilNotLoaded, 0.12, false,
            [new(1.45, 0, 1, 0.88, 0, 0.1), new(1.8, -0.5, 1, 0.76, -0.08, 0.15), new(2.6, -2, 1, 0.62, -0.12, 0.2)],
            [new(1.35, -4, 1, 0.9, 0, 0.1), new(1.6, -5, 1, 0.78, -0.08, 0.15), new(2.2, -6, 1, 0.65, -0.12, 0.2)],
            new FaultSign(AsFound.SuctionLineFrost, FactState.FrostedBack, 0.35), new(AsFound.Return, FactState.Blocked, 0.4)),
        new(CircuitPatterns.Overfed, 0.05, false,
            [new(1, -3.2), new(0.97, -4.2), new(0.9, -5)],
            [],
            new FaultSign(AsFound.SuctionLineFrost, FactState.FrostedBack, 0.6)),
        new(CircuitPatterns.HeavyLoad, 0.08, false,
            [new(1.1, 1, 1, 1.05), new(1.3, 3, 1, 1.15, 0.05), new(2.2, 14, 1, 1.2, 0.05)],
            [new(1.15, 3, 1, 1.05), new(1.5, 10, 1, 1.1, 0.05), new(2.1, 18, 1, 1.05)]),
        new(CircuitPatterns.NotPumping, 0.07, false,
            [new(0.75, -0.3, 1, 0.72, -0.12), new(0.6, -0.6, 1, 0.58, -0.22), new(0.4, -1, 1, 0.4, -0.3)],
            [new(0.75, -4, 1, 0.72, -0.12), new(0.6, -5, 1, 0.58, -0.22), new(0.4, -5, 1, 0.4, -0.3)],
            new FaultSign(AsFound.CompressorShell, FactState.Hot, 0.5)),
        new(CircuitPatterns.Overcharged, 0.08, true,
            [new(1, 0, 1.6, 1.05), new(1, 0, 2.2, 1.2), new(0.97, -0.3, 1.9, 1.6)],
            [new(0.98, -3, 1.6, 1.05), new(0.95, -5, 2.2, 1.2), new(0.9, -6, 1.9, 1.6)],
            new FaultSign(AsFound.SuctionLineFrost, FactState.FrostedBack, 0.2)),
        new(CircuitPatterns.HighHead, 0.12, true,
            [new(1, 0, 1, 1.45, 0.05), new(0.95, 0, 1, 1.9, 0.1), new(0.85, -0.5, 1, 2.9, 0.2)],
            [new(0.98, -2, 1, 1.45, 0.05), new(0.94, -4, 1, 1.9, 0.1), new(0.85, -6, 1, 2.9, 0.2)],
            new FaultSign(AsFound.CondenserFace, FactState.Dirty, 0.5), new(AsFound.CondenserFace, FactState.Blocked, 0.3),
            new(AsFound.CompressorShell, FactState.Hot, 0.3)),
    ];

    /// <summary>How often a sign is seen where nothing that makes it is wrong.</summary>
    internal static double ChanceOtherwise(FactState state) => state switch
    {
        FactState.Dirty => 0.15,
        FactState.Hot => 0.12,
        FactState.FrostedBack => 0.1,
        _ => 0.05,
    };
}
