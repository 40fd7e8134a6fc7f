using System.Collections.Concurrent;
using System.Globalization;
using KeenEmber.Core.Diagnosis.Weighing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Diagnosis;

/// <summary>Causes, conditions and observables, as they stand in the three files of the folder Table, for people to read.</summary>
/// <remarks>Numbers are starting values from trade practice and the sources named in each line; none was fitted to cases.</remarks>
public sealed class DiagnosisTable
{
    /// <summary>The one that ships with the program.</summary>
    public static DiagnosisTable Shipped { get; } = new(Lines("causes"), Lines("conditions"), Lines("observables"));

    /// <summary>In the order of the file.</summary>
    public IReadOnlyList<Cause> Causes { get; }

    /// <summary>Each after those it comes from.</summary>
    public IReadOnlyList<Condition> Conditions { get; }

    /// <summary>In the order of the file.</summary>
    public IReadOnlyList<Observable> Observables { get; }

    /// <param name="causes">Lines of the file of causes; the other two likewise.</param>
    /// <param name="conditions">Lines of the file of conditions.</param>
    /// <param name="observables">Lines of the file of observables.</param>
    public DiagnosisTable(IEnumerable<string> causes, IEnumerable<string> conditions, IEnumerable<string> observables)
    {
        Observables = [.. Rows(observables, 10).Select(ObservableOf)];
        var written = Rows(causes, 10).ToList();
        Conditions = [.. Rows(conditions, 6).Select(ConditionOf), .. written.Select(ItselfOf).OfType<Condition>()];
        Causes = [.. written.Select(CauseOf)];
    }

    /// <summary>Units built in so many ways are remembered.</summary>
    private const int Remembered = 32;

    private readonly ConcurrentDictionary<(CircuitMakeUp MakeUp, Temperature Target, int Fans), Network> networks = [];

    /// <summary>The table as it holds for units built like this one, whatever was done to them.</summary>
    internal Network NetworkOf(DiagnosisInput input)
    {
        if (networks.Count >= Remembered)
            networks.Clear();
        return networks.GetOrAdd((input.MakeUp, input.Target, input.EvaporatorFans), u => new(this, u.MakeUp, u.Target, u.Fans));
    }

    private static IEnumerable<string> Lines(string name)
    {
        var assembly = typeof(DiagnosisTable).Assembly;
        using var stream = assembly.GetManifestResourceStream($"KeenEmber.Core.Diagnosis.Table.{name}.txt")!;
        using var reader = new StreamReader(stream);
        while (reader.ReadLine() is { } line)
            yield return line;
    }

    private static IEnumerable<string[]> Rows(IEnumerable<string> lines, int columns)
    {
        foreach (var line in lines.Where(l => l.Length > 0 && l[0] != '#'))
        {
            var row = line.Split('|', StringSplitOptions.TrimEntries);
            yield return row.Length == columns ? row : throw new FormatException($"{columns} columns expected: {line}");
        }
    }

    /// <summary>What is before the code of the condition that a cause is itself there.</summary>
    private const string Itself = "is-";

    private static Cause CauseOf(string[] row)
    {
        var makes = Parts(row[5]);
        List<Link> links = [.. makes.Where(m => !IsSign(m)).Select(LinkOf)];
        if (makes.Any(IsSign))
            links.Add(new(Itself + row[0], 1));
        return new(row[0], row[1], row[2], new(row[3]), Number(row[4]), links, Links(row[6]), Words(row[7]), Number(row[8]) / 100, row[9]);
    }

    /// <summary>What a cause shows of itself hangs on a condition of its own; null for one that shows nothing.</summary>
    private static Condition? ItselfOf(string[] row) => Parts(row[5]).Where(IsSign).Select(SignOf).ToList() is { Count: > 0 } signs
        ? new(Itself + row[0], row[1], new(row[3]), 0, [], signs) { IsCauseItself = true } : null;

    private static bool IsSign(string text) => text.Contains('=', StringComparison.Ordinal) || text.Contains('~', StringComparison.Ordinal);

    private static Condition ConditionOf(string[] row) =>
        new(row[0], row[1], new(row[2]), Number(row[3]) / 1000, Links(row[4]), [.. Parts(row[5]).Select(SignOf)]);

    private static Observable ObservableOf(string[] row)
    {
        var (unit, answers, healthy) = Healthy(row[3]);
        return new(row[0], row[1], new(row[2]), healthy, row[4], Number(row[5]), row[6], WrongShare(row[7]), [.. Needs(row[8])], row[9])
        {
            Answers = answers, Unit = unit, IsSeldomAsked = row[7] is "noticed" or "checked",
        };
    }

    /// <summary>People err: in 2 of 100 measurements, in 3 of 100 looks, in 10 of 100 things they were told.</summary>
    private static double WrongShare(string toldBy) => toldBy switch { "told" => 0.10, "seen" or "noticed" => 0.03, _ => 0.02 };

    private static IEnumerable<Need> Needs(string text) => text.Split(';', StringSplitOptions.RemoveEmptyEntries).Select(n => n.Split('='))
        .Select(n => new Need(n[0], n[1].Split(',')));

    /// <summary>"no:94 yes:6 @satisfied …", or "K 1.2~1.4 @off 8~6", or "K band td".</summary>
    private static (string Unit, IReadOnlyList<string> Answers, Dictionary<OperatingMode, HealthyAnswer> Healthy) Healthy(string text)
    {
        var words = Words(text);
        var isNumber = !words[0].Contains(':', StringComparison.Ordinal);
        List<string> answers = isNumber ? [] : [.. words.TakeWhile(w => w[0] != '@').Select(w => w.Split(':')[0])];
        var healthy = new Dictionary<OperatingMode, HealthyAnswer>();
        var mode = OperatingMode.Calling;
        var said = new List<string>();
        foreach (var word in words.Skip(isNumber ? 1 : 0).Append("@end"))
        {
            if (word[0] != '@')
            {
                said.Add(word);
                continue;
            }

            healthy[mode] = isNumber ? NumberOf(said) : SharesOf(said, answers);
            mode = word == "@end" ? mode : ModeOf(word[1..]);
            said.Clear();
        }

        foreach (var other in Enum.GetValues<OperatingMode>())
            healthy.TryAdd(other, healthy[OperatingMode.Calling]);
        return (isNumber ? words[0] : "", answers, healthy);
    }

    private static HealthyAnswer NumberOf(List<string> said) => said is ["band", var result] ? new([], 0, 0, result)
        : said[0].Split('~') is [var mean, var deviation] ? new([], Number(mean), Number(deviation))
        : throw new FormatException($"A number, give or take: {said[0]}");

    private static HealthyAnswer SharesOf(List<string> said, List<string> answers)
    {
        var shares = said.Select(s => s.Split(':')).ToDictionary(s => s[0], s => Number(s[1]));
        var all = shares.Values.Sum();
        return new([.. answers.Select(a => shares.GetValueOrDefault(a) / all)], 0, 0);
    }

    private static OperatingMode ModeOf(string word) => Enum.Parse<OperatingMode>(word, ignoreCase: true);

    /// <summary>After a sign: who sees it sees the cause itself.</summary>
    private const char TellTale = '!';

    /// <summary>"compressor=stopped:98@calling", "superheat+9~4" or "gasket=torn:93!".</summary>
    private static Sign SignOf(string marked)
    {
        var text = marked.TrimEnd(TellTale);
        var isTellTale = text.Length < marked.Length;
        var at = text.Split('@');
        OperatingMode? mode = at.Length > 1 ? ModeOf(at[1]) : null;
        if (at[0].Split('=') is [var code, var answer] && answer.Split(':') is [var given, var share])
            return new AnswerSign(code, mode, given, Number(share) / 100) { IsTellTale = isTellTale };
        var sign = at[0].LastIndexOfAny(['+', '-'], at[0].IndexOf('~', StringComparison.Ordinal));
        var shift = at[0][sign..].Split('~');
        return new ShiftSign(at[0][..sign], mode, Number(shift[0]), Number(shift[1])) { IsTellTale = isTellTale };
    }

    private static List<Link> Links(string text) => [.. Parts(text).Select(LinkOf)];

    private static Link LinkOf(string text) => text.Split(':') is [var code, var share] ? new(code, Number(share) / 100)
        : throw new FormatException($"A code and its share: {text}");

    private static string[] Parts(string text) => text.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);

    private static string[] Words(string text) => text.Split(' ', StringSplitOptions.RemoveEmptyEntries);

    private static double Number(string text) => double.Parse(text, NumberStyles.Float, CultureInfo.InvariantCulture);
}
