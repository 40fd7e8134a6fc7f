using System.Globalization;
using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Web.Wording;

/// <summary>What the diagnosis says in words.</summary>
public static class DiagnosisText
{
    /// <summary>What to do now, before anything else.</summary>
    public static string Say(Danger danger) => danger switch
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
        foreach (var text in work)
        {
            var words = text.ToLowerInvariant().Replace('-', ' ');
            foreach (var (part, named) in PartWords.Where(p => p.Words.Any(w => words.Contains(w, StringComparison.Ordinal))))
            {
                parts.Add(part);
                if (words.Contains("replaced", StringComparison.Ordinal) || words.Contains("new ", StringComparison.Ordinal)
                    || words.Contains("changed", StringComparison.Ordinal))
                    replaced.Add(part);
            }
        }

        return (parts, replaced);
    }

    /// <summary>Parts of the table by words for them, the longer first.</summary>
    private static readonly (string Part, string[] Words)[] PartWords =
    [
        ("condenser-fan", ["condenser fan", "cond fan"]), ("evaporator-fan", ["evaporator fan", "evap fan", "box fan"]),
        ("control", ["control", "board", "thermostat"]), ("setting", ["setting", "set point", "parameter"]),
        ("expansion-valve", ["expansion valve", "txv"]), ("electronic-valve", ["electronic valve", "exv"]),
        ("compressor", ["compressor"]), ("contactor", ["contactor"]), ("start-relay", ["start relay", "start kit"]),
        ("start-capacitor", ["start cap"]), ("run-capacitor", ["run cap"]), ("overload", ["overload"]), ("drier", ["drier"]),
        ("refrigerant", ["refrigerant", "charge", "recover", "added"]), ("heater", ["heater"]), ("wiring", ["wir", "lead"]),
        ("defrost-clock", ["clock", "timer"]), ("defrost-relay", ["defrost relay", "defrost contactor", "change over"]),
        ("termination-switch", ["termination switch", "limit switch"]), ("fan-delay-switch", ["fan delay", "delay switch"]),
        ("end-sensor", ["end sensor", "end probe", "termination sensor", "coil sensor"]), ("box-sensor", ["box sensor", "box probe"]),
        ("other-sensor", ["sensor", "probe"]), ("lp-control", ["low pressure control", "lp control"]), ("door", ["door"]),
        ("gasket", ["gasket"]), ("drain", ["drain"]), ("glycol", ["glycol"]), ("water-valve", ["water valve"]),
        ("evaporator-regulator", ["regulator", "epr"]), ("fan-cycling-control", ["fan cycling"]), ("supply", ["supply"]),
        ("breaker", ["breaker"]), ("suction-line", ["suction line"]), ("coil", ["coil cleaned", "evaporator cleaned"]),
    ];
}
