using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Frost;

namespace KeenEmber.Words.Benches.Frost;

/// <summary>Places, states and patterns of frost in words.</summary>
public static class FrostText
{
    public static string Name(FrostPlace place) => place switch
    {
        FrostPlace.Valve => "valve",
        FrostPlace.SuctionLine => "suction line",
        FrostPlace.DrainPan => "drain pan",
        FrostPlace.Ceiling => "ceiling, walls",
        _ => "door",
    };

    public static string Name(FrostState state) => state switch { FrostState.Clear => "clear", FrostState.Frost => "frost", _ => "ice" };

    public static string Pattern(string code) => code switch
    {
        FrostPatterns.Even => "Even over the whole face: look at defrost, air and door. The circuit is probably fed right.",
        FrostPatterns.InletOnly => "Only near the inlet: the coil is starved. Short of charge, restricted, or the valve.",
        FrostPatterns.BottomOnly => "Only at the bottom: the drain, or the lower heater.",
        FrostPatterns.TopOnly => "Only at the top: the upper heater, or how the heaters sit.",
        FrostPatterns.BehindOneFan => "An upright stripe: behind a fan that does not blow.",
        FrostPatterns.ValveBall => "A ball of ice at the valve: it flashes or throttles too far.",
        FrostPatterns.SuctionLine => "Frost along the suction line: overfed, or the fans are off.",
        FrostPatterns.DrainPan => "Frost in the drain pan: the drain or its heater.",
        FrostPatterns.Ceiling => "Frost on ceiling or walls: the heat stays on far too long after clear, and its steam freezes in the box.",
        FrostPatterns.Door => "Frost at the door: warm air comes in there.",
        _ => "Clear everywhere.",
    };

    public static string Name(ThawMethod method) => method switch
    {
        ThawMethod.Water => "warm water",
        ThawMethod.Air => "warm air",
        ThawMethod.Defrost => "its own defrost",
        _ => "time, left off",
    };

    /// <summary>"with warm water, 40 min, all of it out, drain ran".</summary>
    public static string Thaw(ThawEntry thaw) => $"with {Name(thaw.Method)}, {UnitText.Number(thaw.Minutes, 0)} min, "
        + (thaw.IsAllOut ? "all of it out" : "ice left")
        + thaw.DrainRuns switch { true => ", drain ran", false => ", water stood in the drain", _ => "" };

    /// <summary>What follows from a thaw: whether readings will be usable, and from when.</summary>
    public static string AfterThaw(ThawEntry thaw) => thaw.IsAllOut
        ? $"Readings are usable again once the unit has run {ValidityRules.SettledAfter.TotalMinutes:F0} min."
        : "Ice that is left ices the coil again and spoils every reading. Thaw the rest, or draw what is still iced.";

    public static string Summary(FrostPicture picture) => $"{picture.Share((_, _) => true) * 100:F0} % of the face not clear";
}
