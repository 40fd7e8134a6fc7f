using System.Globalization;
using System.Text.RegularExpressions;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Visits.LogLine;

/// <summary>The words quick entry knows, all in lower case. Made where the language is known.</summary>
/// <param name="Points">Points, by phrases of one to five words.</param>
/// <param name="States">A phrase may stand for several states: the one that the fact can have is meant.</param>
public sealed partial record QuickWords(
    IReadOnlyDictionary<string, PointRef> Points,
    IReadOnlyDictionary<string, AsFound> Facts,
    ILookup<string, FactState> States,
    IReadOnlySet<string> Minutes,
    IReadOnlySet<string> Hours,
    string Note,
    string Wiring)
{
    private static readonly HashSet<string> Nothing = [];

    private IReadOnlySet<string>? vocabulary;

    /// <summary>Words that may stand anywhere and say nothing: "is", "the", "now".</summary>
    public IReadOnlySet<string> Fillers { get; init; } = Nothing;

    /// <summary>Words that join a state to the fact behind it: "ice on the coil".</summary>
    public IReadOnlySet<string> Prepositions { get; init; } = Nothing;

    /// <summary>Words that turn a state round: "not running", "won't close", "no fans running".</summary>
    public IReadOnlySet<string> Negations { get; init; } = Nothing;

    /// <summary>"all", "both".</summary>
    public IReadOnlySet<string> Every { get; init; } = Nothing;

    /// <summary>"minus" before a number.</summary>
    public IReadOnlySet<string> Minus { get; init; } = Nothing;

    /// <summary>"and", between two pieces.</summary>
    public IReadOnlySet<string> Joins { get; init; } = Nothing;

    /// <summary>Degrees that leave open which.</summary>
    public IReadOnlySet<string> Degrees { get; init; } = Nothing;

    /// <summary>Refrigerant in, and out: 1 and -1.</summary>
    public IReadOnlyDictionary<string, int> Weighed { get; init; } = new Dictionary<string, int>();

    /// <summary>A vacuum gauge: "vacuum", "evacuated to".</summary>
    public IReadOnlyDictionary<string, bool> Vacuum { get; init; } = new Dictionary<string, bool>();

    /// <summary>Phrases that say fact and state in one.</summary>
    public IReadOnlyDictionary<string, (AsFound Fact, FactState State)> Sayings { get; init; } =
        new Dictionary<string, (AsFound Fact, FactState State)>();

    /// <summary>Whole phrases that answer a test of the diagnosis: "liquid line hot".</summary>
    public IReadOnlyDictionary<string, (string Observable, string Answer)> Answers { get; init; } =
        new Dictionary<string, (string Observable, string Answer)>();

    /// <summary>What a sensor of the control is off by, as an observable, by the words the sensor goes by.</summary>
    public IReadOnlyDictionary<string, string> Probes { get; init; } = new Dictionary<string, string>();

    /// <summary>Words for the sides of a unit with two coils; none on other units.</summary>
    public IReadOnlyDictionary<string, int> Sides { get; init; } = new Dictionary<string, int>();

    /// <summary>Words that are one in such a phrase: "stuck" is "locked".</summary>
    public IReadOnlyDictionary<string, string> Alike { get; init; } = new Dictionary<string, string>();

    private Dictionary<string, (string Observable, string Answer)>? loosely;

    /// <summary>The answer that a phrase comes to without the words that say nothing, be it of one thing or of several; null where that is
    /// none, or more than one.</summary>
    internal (string Observable, string Answer)? AnswerLoosely(string phrase)
    {
        loosely ??= Answers.GroupBy(a => Bare(a.Key)).Where(g => g.Select(a => a.Value).Distinct().Count() == 1)
            .ToDictionary(g => g.Key, g => g.First().Value);
        return loosely.TryGetValue(Bare(phrase), out var answer) ? answer : null;
    }

    /// <summary>Tests by code: what each is called, and its answers as they are said.</summary>
    public IReadOnlyDictionary<string, (string Name, IReadOnlyList<(string Answer, string Said)> Answers)> Tests { get; init; } =
        new Dictionary<string, (string Name, IReadOnlyList<(string Answer, string Said)> Answers)>();

    private List<(string Observable, string Answer, HashSet<string> Name, string[] Said)>? named;

    /// <summary>The answer of the one test that a phrase names, by some of the words it is called by, before or after the answer itself:
    /// "relay coil live". Null where that is none, or more than one.</summary>
    internal (string Observable, string Answer)? AnswerNamed(string phrase)
    {
        named ??= [.. from test in Tests from answer in test.Value.Answers let said = Tokens(answer.Said) where said.Length > 0
            select (test.Key, answer.Answer, Tokens(test.Value.Name).ToHashSet(), said)];
        var typed = Tokens(phrase);
        var meant = named.Where(n => Rest(typed, n.Said) is { } rest && Array.TrueForAll(rest, n.Name.Contains)
            && (rest.Length >= LeastNamed || (rest.Length > 0 && n.Name.SetEquals(rest)))).ToList();
        return meant is [var one] ? (one.Observable, one.Answer) : null;
    }

    /// <summary>So many words of a name tell which test is meant; a single one might be anything's.</summary>
    private const int LeastNamed = 2;

    private string[] Tokens(string phrase) => [.. Bare(phrase).Split(' ').Where(w => w.Length > 0 && !Prepositions.Contains(w))];

    /// <summary>What is left of a phrase without the answer at its end or beginning; null where it has none.</summary>
    private static string[]? Rest(string[] typed, string[] said)
    {
        if (typed.Length <= said.Length)
            return null;
        if (typed.TakeLast(said.Length).SequenceEqual(said))
            return typed[..^said.Length];
        return typed.Take(said.Length).SequenceEqual(said) ? typed[said.Length..] : null;
    }

    /// <summary>From here on a voltage is one and not what a long lead picks up, V; below the other there is none.</summary>
    private const double Live = 20, Dead = 3;

    [GeneratedRegex(@"\b(\d+(?:[.,]\d+)?)\s*v(?:olts?|ac)?\b")]
    private static partial Regex Volts();

    private string Bare(string phrase) => string.Join(' ', Volts().Replace(phrase.ToLowerInvariant(), m =>
            double.Parse(m.Groups[1].Value.Replace(',', '.'), CultureInfo.InvariantCulture) switch
            {
                >= Live => "volts",
                < Dead => "no volts",
                _ => m.Value,
            })
        .Split(' ', StringSplitOptions.RemoveEmptyEntries).Where(w => !Fillers.Contains(w) && !Every.Contains(w))
        .Select(w => Alike.GetValueOrDefault(w, w)).Select(w => w is [.., not 's', 's'] ? w[..^1] : w));

    /// <summary>Parts by the words technicians use for them.</summary>
    public IReadOnlyDictionary<string, ComponentKind> Parts { get; init; } = new Dictionary<string, ComponentKind>();

    /// <summary>Settings of the control by the words technicians use for them.</summary>
    public IReadOnlyDictionary<string, NamedSetting> Settings { get; init; } = new Dictionary<string, NamedSetting>();

    /// <summary>Numbers in words, for fans.</summary>
    public IReadOnlyDictionary<string, int> Numbers { get; init; } = new Dictionary<string, int>();

    /// <summary>Every single word that means something, for mending misspellings.</summary>
    internal IReadOnlySet<string> Vocabulary => vocabulary ??= new[]
    {
        Points.Keys, Facts.Keys, States.Select(s => s.Key), Minutes, Hours, Fillers, Prepositions, Negations, Every, Minus, Joins, Degrees,
        Weighed.Keys, Vacuum.Keys, Numbers.Keys, Sayings.Keys,
    }.SelectMany(w => w).SelectMany(w => w.Split(' ')).Append(Note).Append(Wiring).ToHashSet();
}
