namespace KeenEmber.Core.Benches.Controls;

/// <summary>Parts of a control that share a harness and an age.</summary>
public enum ControlPart
{
    /// <summary>The control itself.</summary>
    Control,

    /// <summary>Its display.</summary>
    Display,

    /// <summary>The cable between them.</summary>
    Cable,

    /// <summary>Its sensors.</summary>
    Sensors,

    /// <summary>The relays it drives.</summary>
    Relays,

    /// <summary>Its terminals.</summary>
    Terminals,
}

/// <summary>What water or heat has done to a part.</summary>
public enum DamageKind
{
    /// <summary>Sound.</summary>
    None,

    /// <summary>Water on it.</summary>
    Wet,

    /// <summary>Dried crust on it.</summary>
    Scaled,

    /// <summary>Metal eaten.</summary>
    Corroded,

    /// <summary>Chafed through its insulation.</summary>
    Chafed,

    /// <summary>Burnt.</summary>
    Burnt,
}

/// <summary>Which parts of a damaged control to change.</summary>
public static class WettedSet
{
    /// <summary>What was wet together fails one after the other; wires rubbed or burnt are mended where they are.</summary>
    public static bool ComesFromWater(this DamageKind damage) => damage is DamageKind.Wet or DamageKind.Scaled or DamageKind.Corroded;

    /// <param name="seen">The last word on each part looked at.</param>
    /// <param name="whole">The company's policy: wetted sets are replaced whole.</param>
    public static IReadOnlyList<ControlPart> ToReplace(IReadOnlyDictionary<ControlPart, DamageKind> seen, bool whole)
    {
        if (whole && seen.Values.Any(ComesFromWater))
            return [ControlPart.Control, ControlPart.Display, ControlPart.Cable, ControlPart.Sensors];
        return [.. seen.Where(s => s.Value != DamageKind.None).Select(s => s.Key).Order()];
    }
}
