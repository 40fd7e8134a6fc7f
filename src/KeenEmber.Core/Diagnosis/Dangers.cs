namespace KeenEmber.Core.Diagnosis;

/// <summary>What can hurt somebody or wreck the machine: said before anything else, and no probability.</summary>
public enum Danger
{
    /// <summary>Gas in the room: leave first.</summary>
    Gas,

    /// <summary>It smells of burning.</summary>
    Burning,

    /// <summary>A breaker or fuse went, and why is not known.</summary>
    ProtectionWent,

    /// <summary>Wiring is burnt.</summary>
    BurntWiring,

    /// <summary>A wire is chafed.</summary>
    ChafedWiring,

    /// <summary>A part is grounded.</summary>
    Grounded,

    /// <summary>Terminals are bridged, perhaps a safety.</summary>
    Bridged,

    /// <summary>The compressor runs without air over its condenser.</summary>
    RunsWithoutCondenserAir,
}

/// <summary>Which facts are a danger.</summary>
public static class Dangers
{
    private static readonly (Danger Danger, string Code, string[] Answers)[] Rules =
    [
        (Danger.Gas, "smell", ["gas"]),
        (Danger.Burning, "smell", ["burning"]),
        (Danger.ProtectionWent, "supply", ["tripped", "fuse-blown"]),
        (Danger.BurntWiring, "wiring", ["burnt"]),
        (Danger.Grounded, "heaters-earth", ["grounded"]),
        (Danger.Grounded, "fan-earth", ["grounded"]),
        (Danger.Grounded, "windings-earth", ["grounded"]),
        (Danger.Grounded, "heater-alone", ["grounded"]),
        (Danger.Grounded, "fan-alone", ["grounded"]),
        (Danger.Grounded, "condfan-earth", ["grounded"]),
        (Danger.ChafedWiring, "wiring", ["chafed"]),
        (Danger.Bridged, "jumper", ["found"]),
    ];

    /// <summary>What a customer tells is one until somebody has looked.</summary>
    private static readonly (Danger Danger, string Told, string[] LookedAt)[] ToldOf =
    [
        (Danger.Burning, "complaint.smell", ["smell", "wiring"]),
        (Danger.ProtectionWent, "complaint.trips", ["supply"]),
    ];

    /// <summary>Every danger that these facts are, the worst first, each once.</summary>
    public static IReadOnlyList<Danger> Of(IReadOnlyList<Fact> facts)
    {
        var known = facts.GroupBy(f => f.Code).ToDictionary(g => g.Key, g => g.Last().Answer);
        bool Is(string code, params string[] answers) => known.TryGetValue(code, out var answer) && answers.Contains(answer);
        var found = Rules.Where(r => Is(r.Code, r.Answers)).Select(r => r.Danger).ToList();
        found.AddRange(ToldOf.Where(t => Is(t.Told, "yes") && !t.LookedAt.Any(known.ContainsKey)).Select(t => t.Danger));
        if (Is("compressor", "running", "cycling") && (Is("condenser-fan", "stopped") || Is("condenser-air", "none")))
            found.Add(Danger.RunsWithoutCondenserAir);
        return [.. found.Distinct().Order()];
    }
}
