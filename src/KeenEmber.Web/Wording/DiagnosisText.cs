using System.Globalization;
using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Web.Wording;

/// <summary>What the diagnosis says in words.</summary>
public static class DiagnosisText
{
    /// <summary>What to do now, before anything else.</summary>
    /// <param name="facts">What else is known: the mode in which it went says which circuits to open.</param>
    public static string Say(Danger danger, IReadOnlyList<Fact> facts) => danger == Danger.ProtectionWent && WentInDefrost(facts)
        ? $"{Say(danger)} It went in defrost: test heaters and fan leads first, each to earth." : Say(danger);

    private static bool WentInDefrost(IReadOnlyList<Fact> facts) =>
        facts.Any(f => f is { Code: "clock-position" or "shown-mode", Answer: "defrost" });

    private static string Say(Danger danger) => danger switch
    {
        Danger.Gas => "Gas in the room. Leave and ventilate. No flame, no switch, until it is clear.",
        Danger.Burning => "It smells of burning. Leave it off. Lock out before looking.",
        Danger.ProtectionWent =>
            "A breaker or fuse went. Leave it off and lock out. Test each circuit on it to earth before a reset or a new fuse.",
        Danger.BurntWiring => "Wiring is burnt. Leave it off. Repair it and find why before power goes on.",
        Danger.Grounded => "A part is grounded. Leave it off until it is disconnected.",
        Danger.ChafedWiring => "A wire is chafed. Lock out, then repair and reroute it.",
        Danger.Bridged => "Terminals are bridged. Find out what they bypass. Never run on a bypassed safety.",
        _ => "The compressor runs without air over its condenser. Switch it off before it overheats.",
    };

    /// <summary>How sure, in words with the number behind.</summary>
    public static string Sureness(double probability) => probability switch
    {
        >= 0.95 => "almost certain",
        >= 0.8 => "very likely",
        >= 0.6 => "likely",
        >= 0.35 => "may well be",
        _ => "possible",
    };

    /// <summary>"92 %".</summary>
    public static string Percent(double probability) => probability switch
    {
        < 0.01 => "under 1 %",
        > 0.99 => "over 99 %",
        _ => (probability * 100).ToString("0", CultureInfo.InvariantCulture) + " %",
    };

    /// <summary>An answer as it stands on a button: "all run".</summary>
    public static string Answer(string answer) => answer.Replace('-', ' ');

    /// <summary>The causes of an explanation in one phrase.</summary>
    public static string Causes(Explanation explanation) => explanation.Causes.Count == 0 ? "nothing wrong"
        : string.Join(" and ", explanation.Causes.Where(c => c.Role == CauseRole.Root).Select(c => c.Cause.Name));

    /// <summary>A fact: "evaporator coil: iced".</summary>
    public static string Fact(Fact fact, Observable observable) => fact.Number is { } number
        ? $"{observable.Name}: {number.ToString("0.#", CultureInfo.InvariantCulture)} {observable.Unit}"
        : $"{observable.Name}: {Answer(fact.Answer)}";

    /// <summary>A fact on record: "fan motor turned by hand, locked out: locked".</summary>
    public static string Entry(DiagnosisFactEntry entry)
    {
        if (DiagnosisTable.Shipped.Observables.FirstOrDefault(o => o.Code == entry.Observable) is not { } observable)
            return entry.Observable;
        return entry.Cannot ? $"{observable.Name}: cannot be had now" : Fact(new(entry.Observable, entry.Answer, entry.Number), observable);
    }

    /// <summary>Where it is got.</summary>
    public static string Place(string place) => place switch
    {
        "box" => "in the box", "coil" => "at the coil", "control" => "at the control", "unit" => "at the condensing unit",
        "panel" => "at the breaker panel", "customer" => "ask the customer", _ => "in the record",
    };

    /// <summary>What work an entry of the history was done to: "controller-board replaced" is work on the control.</summary>
    /// <returns>Parts as the table calls them, and those that were replaced.</returns>
    public static (IReadOnlyList<string> Parts, IReadOnlyList<string> Replaced) Work(IEnumerable<string> work)
    {
        var (parts, replaced) = (new List<string>(), new List<string>());
        foreach (var words in work.Select(w => $" {w.ToLowerInvariant().Replace('-', ' ')} "))
        {
            // The longest name that stands in it: "fan delay switch" is no fan.
            var named = QuickVocabulary.Parts.Where(p => words.Contains($" {p.Key.Replace('-', ' ')} ", StringComparison.Ordinal))
                .OrderByDescending(p => p.Key.Length).Select(p => PartCodes.Of(p.Value)).Take(1)
                .Concat(OtherWork.Where(o => o.Words.Any(w => words.Contains(w, StringComparison.Ordinal))).Select(o => o.Part)).ToList();
            parts.AddRange(named);
            if (Renewed.Any(w => words.Contains(w, StringComparison.Ordinal)))
                replaced.AddRange(named);
        }

        return (parts, replaced);
    }

    private static readonly string[] Renewed = ["replaced", " new ", "changed", "swapped"];

    /// <summary>Work that is on no single part.</summary>
    private static readonly (string Part, string[] Words)[] OtherWork =
    [
        ("setting", ["setting", "set point", "setpoint", "parameter"]), ("refrigerant", ["refrigerant", "charge", "recover", " added "]),
        ("wiring", ["wire", "wiring", " lead"]), ("supply", ["supply"]), ("door", ["door"]), ("drain", ["drain"]), ("glycol", ["glycol"]),
        ("suction-line", ["suction line"]), ("control", [" controller"]), ("other-sensor", ["sensor", "probe"]),
    ];
}
