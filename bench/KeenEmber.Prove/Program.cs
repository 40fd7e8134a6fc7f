using System.Globalization;
using System.Text;
using KeenEmber.Core.Practice;

const string Begin = "<!-- prove -->", End = "<!-- /prove -->";
if (args is not [var countText, var file] || !int.TryParse(countText, CultureInfo.InvariantCulture, out var count) || count < 1)
{
    Console.Error.WriteLine("KeenEmber.Prove JOBS FILE");
    return 2;
}

var started = DateTime.UtcNow;
var trials = Trials.Run(count, seed: 1);
var said = new StringBuilder();
void Say(string line) => said.Append(line).Append('\n');
static string Share(IReadOnlyCollection<Trial> of, Func<Trial, bool> isSo) => of.Count == 0 ? "none"
    : string.Create(CultureInfo.InvariantCulture, $"{of.Count(isSo)} of {of.Count} ({100.0 * of.Count(isSo) / of.Count:0} %)");

var (faulty, several) = (trials.Where(t => t.Faults.Count > 0).ToList(), trials.Where(t => t.Faults.Count > 1).ToList());
Say($"{trials.Count} jobs on units in arithmetic (`./keen-ember prove {count}`): a kind, one to three faults of random strength,");
Say("tests chosen by the engine, one answer in fifty wrong, one in ten not to be had.");
Say("");
Say("| | first | in three |");
Say("|---|---|---|");
Say($"| with faults | {Share(faulty, t => t.IsFirst)} | {Share(faulty, t => t.IsInThree)} |");
foreach (var kind in faulty.GroupBy(t => t.Job.Unit.Kind).OrderBy(g => g.Key))
    Say($"| {kind.Key} | {Share([.. kind], t => t.IsFirst)} | {Share([.. kind], t => t.IsInThree)} |");
foreach (var fault in faulty.Where(t => t.Faults.Count == 1).GroupBy(t => t.Faults[0].Name).OrderBy(g => g.Key, StringComparer.Ordinal))
    Say($"| {fault.Key} alone | {Share([.. fault], t => t.IsFirst)} | {Share([.. fault], t => t.IsInThree)} |");
Say("");
Say($"All of several faults named and nothing else: {Share(several, t => t.IsWhole)}. Sound ones left alone: "
    + $"{Share([.. trials.Where(t => t.Faults.Count == 0)], t => t.IsFirst)}. "
    + string.Create(CultureInfo.InvariantCulture, $"{trials.Average(t => t.Played.Minutes):0} minutes each."));
Say("");
Say("With repairs: what is likely is repaired, the unit runs for a day, and it is looked at again until nothing is said to be wrong.");
Say("");
Say("| | everything that shows repaired, and nothing else | something left | something in vain | looks | minutes |");
Say("|---|---|---|---|---|---|");
foreach (var group in trials.GroupBy(t => t.Faults.Count).OrderBy(g => g.Key))
{
    Say($"| {group.Key} faults | {Share([.. group], t => t.Mending.IsRight)} | {group.Count(t => t.Mending.Left.Count > 0)} "
        + $"| {group.Count(t => t.Mending.InVain.Count > 0)} "
        + string.Create(CultureInfo.InvariantCulture,
            $"| {group.Average(t => t.Mending.Rounds):0.0} | {group.Average(t => t.Mending.Minutes):0} |"));
}

Say("");
var likely = trials.SelectMany(t => t.Played.Said).Where(s => s.Said is >= 0.75 and < 0.85).ToList();
Say(string.Create(CultureInfo.InvariantCulture,
    $"What was called 75 to 85 % likely was so in {likely.Count(s => s.IsSo)} of {likely.Count} steps."));
Say("");
Say("The benches on the same kind of units (`BenchTrials`): what they say against what is so.");
Say("");
Say("| bench | tried | right | wrong |");
Say("|---|---|---|---|");
const int Units = 400;
void Bench(string name, IReadOnlyList<BenchTrial> tried)
{
    foreach (var group in tried.GroupBy(t => t.Of).OrderBy(g => g.Key, StringComparer.Ordinal))
        Say(string.Create(CultureInfo.InvariantCulture, $"| {name}: {group.Key} | {group.Count()} | {100.0 * group.Count(t => t.IsRight)
            / group.Count():0} % | {100.0 * group.Count(t => t.IsWrong) / group.Count():0} % |"));
}

Bench("circuit, named first", BenchTrials.Named(Units, 11));
Bench("circuit", BenchTrials.Sound(Units / 2, 12));
Bench("validity, within 3 K of settled", BenchTrials.Valid(Units / 4, 13));
Bench("vacuum", BenchTrials.Vacuum(Units, 14));
Bench("electrical, the part a trace takes out", BenchTrials.Traced(Units / 2, 16));
Bench("sensors", BenchTrials.Sensors(Units, 17));
Bench("defrost", BenchTrials.Defrosts(Units / 2, 18));
Bench("box, from the first third", BenchTrials.PullDowns(Units, 15));
Say("");
Say("The ten worst:");
Say("");
foreach (var trial in faulty.OrderByDescending(t => t.Played.Rank).ThenByDescending(t => t.Played.Minutes).Take(10))
    Say($"- {trial.Job.Name}: said " + string.Join(", ", trial.Played.Result.Causes.Take(2).Select(c =>
        string.Create(CultureInfo.InvariantCulture, $"{c.Cause.Name} {100 * c.Probability:0} %"))));

var text = await File.ReadAllTextAsync(file);
var (from, to) = (text.IndexOf(Begin, StringComparison.Ordinal), text.IndexOf(End, StringComparison.Ordinal));
if (from < 0 || to < from)
{
    Console.Error.WriteLine($"{file} has no place for it, between {Begin} and {End}.");
    return 2;
}

await File.WriteAllTextAsync(file, $"{text[..(from + Begin.Length)]}\n{said}{text[to..]}");
Console.Write(said);
Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{(DateTime.UtcNow - started).TotalMinutes:0.0} min"));
return 0;
