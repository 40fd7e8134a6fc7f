using KeenEmber.Core.Benches.Electrical;

namespace KeenEmber.Words.Benches.Electrical;

/// <summary>Damage and what an opened part says, in words.</summary>
public static class DamageText
{
    public static string Name(PartCondition condition) => condition switch
    {
        PartCondition.Burnt => "burnt",
        PartCondition.Rubbed => "rubbed through",
        PartCondition.Wet => "wet",
        PartCondition.Scaled => "scaled",
        PartCondition.Loose => "loose",
        PartCondition.WrongSize => "of the wrong size",
        PartCondition.WrongLead => "on the wrong terminal",
        PartCondition.PlugDoesNotLock => "plug no longer locks",
        _ => "lead too long",
    };

    /// <summary>What it can do.</summary>
    public static string Means(PartCondition condition) => condition switch
    {
        PartCondition.Burnt => "Leave it off. Heat came from a bad joint or too much current: find which before it is renewed.",
        PartCondition.Rubbed => "Leave it off. Reroute it away from the edge; test it to earth before power goes on.",
        PartCondition.Wet => "Find where the water comes from. Dry it; what sat in water is not trusted again.",
        PartCondition.Scaled => "Water was here before. Its seal or the drain is the cause.",
        PartCondition.Loose => "Tighten it with the power locked out; look for heat marks on its neighbours.",
        PartCondition.WrongSize => "Compare with the nameplate; replace it before it fails under load.",
        PartCondition.WrongLead => "Compare with the diagram, move it with the power locked out, then see one whole cycle.",
        PartCondition.PlugDoesNotLock => "Replace the plug: a tie holds it until the next vibration.",
        _ => "Shorten or clip it: it reaches what moves, or the wrong socket.",
    };

    public static string Name(AutopsySign sign) => sign switch
    {
        AutopsySign.OneWindingBurnt => "one winding burnt",
        AutopsySign.AllWindingsBurnt => "all windings burnt",
        AutopsySign.BlackOil => "oil black or sour",
        AutopsySign.LittleOil => "hardly any oil",
        AutopsySign.CopperPlating => "copper on bearings and valves",
        AutopsySign.BrokenValve => "valve broken",
        AutopsySign.ScoredBearing => "bearing scored or seized",
        AutopsySign.BrokenDischargeLine => "discharge line broken inside",
        AutopsySign.Rust => "rust",
        AutopsySign.WeldedContacts => "contacts welded",
        AutopsySign.PittedContacts => "contacts pitted or burnt",
        AutopsySign.Insects => "insects between contacts",
        AutopsySign.Swollen => "swollen or leaking",
        _ => "nothing to be seen",
    };

    /// <summary>What it says of the cause, and what it cannot say.</summary>
    public static string Says(AutopsySign sign) => sign switch
    {
        AutopsySign.OneWindingBurnt => "Start winding: it stayed on, start relay or capacitor. Of three phases: one was lost. "
            + "Not whether the part was bad from the beginning.",
        AutopsySign.AllWindingsBurnt => "Too hot for long: low voltage, no cooling by the suction gas, or its protector did not open.",
        AutopsySign.BlackOil => "It ran too hot or the charge is acid: drier, oil and suction drier with the new one.",
        AutopsySign.LittleOil => "Oil lies elsewhere in the circuit or went with a leak: a new one dies the same way.",
        AutopsySign.CopperPlating => "Moisture and heat over a long time: evacuation and drier.",
        AutopsySign.BrokenValve => "Liquid came back, or it started full of liquid: feed, crankcase heat, off-cycle.",
        AutopsySign.ScoredBearing => "Oil was missing or thinned by liquid. It cannot say which by itself.",
        AutopsySign.BrokenDischargeLine => "It turned and did not pump: equal pressures and a low current go with it.",
        AutopsySign.Rust => "Water was in the circuit.",
        AutopsySign.WeldedContacts => "Short cycling, a short behind it, or contacts too small for the load.",
        AutopsySign.PittedContacts => "Wear, or chatter from a coil that gets too little voltage.",
        AutopsySign.Insects => "They held the contact open; close the box.",
        AutopsySign.Swollen => "Heat or too much voltage; nothing of what it fed.",
        _ => "It does not show why it failed: measure what stood round it.",
    };
}
