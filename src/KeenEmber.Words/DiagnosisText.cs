using System.Globalization;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words;

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

    private static readonly Dictionary<string, Cause> Causes = DiagnosisTable.Shipped.Causes.ToDictionary(c => c.Code);

    /// <summary>How a visit stands by what explains it, in a sentence without figures.</summary>
    public static string Headline(Finding stands)
    {
        var names = stands.Detail.Split(CaseDiagnosis.Between, StringSplitOptions.RemoveEmptyEntries)
            .Select(c => Causes.TryGetValue(c, out var cause) ? cause.Name : c).ToList();
        var together = names.Count > 1 ? $"{(names.Count == 2 ? "two" : "several")} separate things: {CircuitText.List(names)}"
            : CircuitText.List(names);
        return stands.Code switch
        {
            CaseDiagnosis.Explained => names.Count > 1 ? $"Found {together}." : $"Cause found: {together}.",
            CaseDiagnosis.Likely => names.Count > 1 ? $"Likely {together}." : $"Likely cause: {together}.",
            CaseDiagnosis.Open => $"Not clear yet: {string.Join(", or ", names)}.",
            _ => "No known cause explains this yet.",
        };
    }

    /// <summary>What was seen beside the explanation that leads: while nothing is likely yet, it may be part of it.</summary>
    public static string AlsoFound(CaseDiagnosis diagnosis)
    {
        var found = diagnosis.Separate.Select(c => c.Name).ToList();
        var them = found.Count == 1 ? "it" : "them";
        return $"Also found: {CircuitText.List(found)}. " + (diagnosis.Stands?.Code == CaseDiagnosis.Open
            ? $"Not clear yet whether {(found.Count == 1 ? "it is" : "they are")} part of this."
            : $"Repair {them} too: the rest is explained without {them}.");
    }

    /// <summary>What the diagnosis asks for.</summary>
    public static TaskText Task(BenchTask task) => task switch
    {
        DiagnosisTask { Test: { IsAgain: true, Observable: var odd } again } => new(Asked(again),
            $"What was said of it fits nothing else. {How(odd)}", "Answer", "diagnosis"),
        DiagnosisTask { Test: { ReasonOf: { } broken, Observable: var why } reason } => new(Asked(reason),
            $"{CircuitText.Sentence(broken.Name)}: look for what made it fail before you replace it. {How(why)}", "Answer", "diagnosis"),
        DiagnosisTask { Test: var test } => new(Asked(test), How(test.Observable), "Answer", "diagnosis"),
        RepairTask repair => new($"Repair: {repair.Cause.Name}",
            $"{CircuitText.Sentence(Sureness(repair.Probability))}, {Percent(repair.Probability)}. Then prove it.", "Log the work",
                "changes"),
        ProveTask prove => new($"Prove it: {ServiceText.Name(prove.Proof.Kind)}",
            "Work was done. What was seen before it says nothing of now.", "Prove the work", "prove"),
        _ => throw new InvalidOperationException("The diagnosis asks for tests, repairs and proofs."),
    };

    /// <summary>What is asked for: "Supply of the unit".</summary>
    public static string Asked(NextTest test) =>
        test.IsAgain ? $"Once more: {test.Observable.Name}" : CircuitText.Sentence(test.Observable.Name);

    /// <summary>Where it is got, how long it takes and with what.</summary>
    public static string How(Observable asked) =>
        $"{CircuitText.Sentence(Place(asked.Place))}, about {UnitText.Number(asked.Minutes, 0)} min, {asked.Tool}.";

    /// <summary>What is likely to be asked for after a test, and where.</summary>
    public static string Then(IEnumerable<NextTest> tests) =>
        CircuitText.List(tests.Select(t => $"{t.Observable.Name}{(t.IsAgain ? " once more" : "")} ({Place(t.Observable.Place)})"));

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

    /// <summary>By code.</summary>
    public static IReadOnlyDictionary<string, Observable> Observables { get; } =
        DiagnosisTable.Shipped.Observables.ToDictionary(o => o.Code);

    /// <summary>What a test asks to mind.</summary>
    public static string Caution(string hazard) => hazard switch
    {
        "lock out" => "Lock out and test dead first. There may be more than one supply.",
        "live test" => "Live test: qualified, equipped people only.",
        "discharge first" => "Lock out, then discharge the capacitor through a resistor before touching.",
        "rotating blades" => "Blades start without warning. Lock out before reaching in.",
        "hot surface" => "The surface may burn. Touch it briefly with the back of a glove.",
        "melts the frost" => "Record the frost pattern and ice first: the heat melts them. Hot heaters: keep hands out.",
        "opens the circuit" => "Pump down or recover first. Certified handling only.",
        _ => $"{CircuitText.Sentence(hazard)}. Qualified people only.",
    };

    /// <summary>An explanation as it is drawn: what began it, what that brings about, and each further cause behind what broke it; what was
    /// found beside it is left out.</summary>
    /// <returns>Names in their order, each with the cause it is; none for a condition.</returns>
    public static IReadOnlyList<(string Name, CauseRole? Role)> Chain(Explanation explanation)
    {
        var told = Told(explanation).ToList();
        var chain = explanation.Causes.Where(c => c.Role == CauseRole.Root).Select(c => (c.Cause.Name, Role: (CauseRole?)c.Role))
            .Concat(told.Select(t => (t.Name, Role: (CauseRole?)null))).ToList();
        foreach (var follows in explanation.Causes.Where(c => c.Role == CauseRole.Consequence))
        {
            var by = told.Where(t => follows.Cause.BroughtOnBy.Any(l => l.Code == t.Code)).Select(t => t.Name)
                .Append(follows.BroughtOnBy!.Name).ToHashSet();
            chain.Insert(chain.FindLastIndex(c => by.Contains(c.Name)) + 1, (follows.Cause.Name, follows.Role));
        }

        return chain;
    }

    /// <summary>Conditions of an explanation that are said: those that bring each other about or bring on another cause; the first where
    /// none does.</summary>
    private static IEnumerable<Condition> Told(Explanation explanation)
    {
        var all = explanation.Through
            .Where(c => !c.IsCauseItself && explanation.Causes.All(e => !c.Name.EndsWith(e.Cause.Name, StringComparison.Ordinal))).ToList();
        var codes = all.Select(c => c.Code).ToHashSet();
        var leading = all.SelectMany(c => c.From).Concat(explanation.Causes.SelectMany(c => c.Cause.BroughtOnBy)).Select(l => l.Code)
            .Where(codes.Contains).ToHashSet();
        var told = all.Where(c => leading.Contains(c.Code) || c.From.Any(f => codes.Contains(f.Code))).Take(MostTold).ToList();
        return told.Count > 0 ? told : all.Take(1);
    }

    private const int MostTold = 3;

    /// <summary>A fact: "evaporator coil: iced".</summary>
    public static string Fact(Fact fact, UnitText units) => Observables.TryGetValue(fact.Code, out var observable)
        ? Fact(observable, fact, units) : fact.Code;

    private static string Fact(Observable observable, Fact fact, UnitText units) => fact switch
    {
        { Number: { } number } => $"{observable.Name} {Number(number, observable.Unit, units)}",
        { Answer: "yes" } => observable.Name,
        _ => $"{observable.Name}: {Answer(fact.Answer)}",
    };

    private static string Number(double number, string unit, UnitText units) => unit switch
    {
        "K" => units.Difference(number),
        "°C" => units.Temperature(Core.Quantities.Temperature.FromCelsius(number).Kelvin),
        _ => $"{UnitText.Number(number, 1)} {unit}",
    };

    /// <summary>Facts one after the other.</summary>
    public static string Facts(IEnumerable<Fact> facts, UnitText units) => CircuitText.List(facts.Select(f => Fact(f, units)));

    /// <summary>The unit a number is typed in.</summary>
    public static string TypedUnit(Observable observable, UnitText units) => observable.Unit switch
    {
        "K" => units.DifferenceUnit,
        "°C" => units.TemperatureUnit,
        var unit => unit,
    };

    /// <summary>A fact on record: "fan motor turned by hand, locked out: locked".</summary>
    public static string Entry(DiagnosisFactEntry entry, UnitText units) =>
        entry.Cannot && Observables.TryGetValue(entry.Observable, out var observable)
            ? $"{observable.Name}: {(entry.Answer == DiagnosisFactEntry.Never ? "never on this unit" : "cannot be had now")}"
            : Fact(new(entry.Observable, entry.Answer, entry.Number), units);

    /// <summary>What a cause would show: "start relay: open".</summary>
    public static string Expected(Expected expected, UnitText units) =>
        Fact(new(expected.Observable.Code, expected.Answer, expected.Number), units);

    /// <summary>What a part was seen to do, beside what it ought to.</summary>
    public static string Seen(Ought ought) => ought.Seen is not { } seen ? "not looked at"
        : ought.IsOdd ? $"seen: {Answer(seen.Answer)}" : "seen so";

    /// <summary>What the unit ought to be doing.</summary>
    public static string Mode(OperatingMode mode) => mode switch
    {
        OperatingMode.Calling => "calling for cold",
        OperatingMode.Satisfied => "satisfied",
        OperatingMode.Defrost => "in defrost",
        _ => "off",
    };

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
