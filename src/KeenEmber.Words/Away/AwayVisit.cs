using System.Globalization;
using System.Text.Json;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;
using KeenEmber.Core.Written;
using KeenEmber.Words.Benches;
using KeenEmber.Words.Benches.Circuit;
using KeenEmber.Words.Benches.Defrost;

namespace KeenEmber.Words.Away;

/// <summary>A form that waits on a phone, as far as what it says can be judged there.</summary>
/// <param name="Key">Id that its entries get theirs from.</param>
/// <param name="Handler">What takes it on the server: Log, Reading, Box, Fact or Answer; others wait unread.</param>
/// <param name="Made">When, by the phone's clock.</param>
/// <param name="Fields">What was typed, by field.</param>
public sealed record KeptForm(Guid Key, string Handler, DateTimeOffset Made, IReadOnlyDictionary<string, string> Fields);

/// <summary>A reading or a result as it stands.</summary>
/// <param name="Code">Of the point or result.</param>
/// <param name="Validity">usable, provisional or unusable.</param>
/// <param name="Note">Where it lies in its band, or what it needs.</param>
public sealed record AwayValue(string Code, string Name, string Value, string Validity, string Note);

/// <summary>How a visit stands, as the panel says it.</summary>
/// <param name="Lines">What the benches say, each with its label.</param>
/// <param name="Unfit">What does not add up.</param>
/// <param name="Unread">How many of the forms are not in this judgement.</param>
public sealed record AwayPanel(
    string Stands, string Next, string Why, IReadOnlyList<string> Lines, IReadOnlyList<string> Unfit, IReadOnlyList<AwayValue> Readings,
        IReadOnlyList<AwayValue> Results, int Unread);

/// <summary>A visit taken along: judged by what was on record then and what was typed since, with the rules and words of the
/// pages.</summary>
public sealed class AwayVisit
{
    private static readonly IReadOnlyList<BenchText> Speakers =
        [.. typeof(BenchText).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(BenchText)))
            .Select(t => (BenchText)Activator.CreateInstance(t)!)];

    private readonly WrittenCase written;
    private readonly IReadOnlyList<IBench> benches;
    private readonly BenchTexts texts;

    /// <param name="written">As <see cref="WrittenCase.Of"/> wrote it.</param>
    /// <param name="begun">When it was begun on this phone, of a visit that is not on record yet; null for one that is.</param>
    /// <exception cref="JsonException">It is no case.</exception>
    public AwayVisit(string written, DateTimeOffset? begun = null)
    {
        this.written = WrittenCase.Read(written);
        if (begun is { } at)
            this.written = this.written with
            {
                Visits = [.. this.written.Visits.Select(v =>
                    v.Visit.Id == this.written.VisitId ? v with { Visit = v.Visit with { StartedAt = at } } : v)],
            };
        benches = BenchList.Of(run => this.written.Series.GetValueOrDefault(run, []));
        texts = new(benches, Speakers);
    }

    /// <summary>How it stands with what was typed since.</summary>
    public AwayPanel Judge(IReadOnlyList<KeptForm> kept, DateTimeOffset now)
    {
        var (view, unread) = View(kept, now);
        var next = view.Next is { } task ? view.Say(task) : null;
        var results = view.Analysis?.Results ?? [];
        return new(
            view.StandsInWords, next?.Task ?? "", next?.Why ?? "",
            [.. view.Judgements.SelectMany(j => texts.Of(j.Bench).Lines(j.Judgement, view)).Select(l => $"{l.Label} {l.Text}".Trim())],
            [.. view.Judgements.SelectMany(j => texts.Of(j.Bench).Unfit(j.Judgement, view)).Select(l => $"{l.Text} {l.Number}".Trim())],
            [.. view.Readings.Select(r => new AwayValue(
                r.Key.ToString(), view.Name(r.Key), view.Units.Value(r.Key, r.Value.Si), CircuitText.Class(view.LevelOf(r.Key)), ""))],
            [.. results.Select(r => new AwayValue(
                r.Ref.ToString(), view.Name(r.Ref), view.Units.Result(r), CircuitText.Class(r.Validity.Level), Note(r, view)))],
            unread);
    }

    /// <summary>What a line would be taken for, item by item.</summary>
    /// <returns>How many were understood, and each in words.</returns>
    public (int Understood, IReadOnlyList<string> Items) Understand(string line, DateTimeOffset now)
    {
        var (view, _) = View([], now);
        var items = QuickVocabulary.Read(line, view, now);
        return (items.Count(i => i is not QuickUnclear),
            [.. items.Select(i => QuickText.Understood(i, view))]);
    }

    private static string Note(CircuitResult result, VisitView view) => (result.Value, result.Validity.Level) switch
    {
        (null, _) => $"needs {CircuitText.List(result.Missing.Select(view.Name))}",
        (_, ValidityLevel.Good) => CircuitText.Position(result),
        _ => $"{CircuitText.Position(result)}, {CircuitText.Name(result.Validity.Level)}",
    };

    private (VisitView View, int Unread) View(IReadOnlyList<KeptForm> kept, DateTimeOffset now)
    {
        var (entries, unread) = (new List<Entry>(), 0);
        var view = With(entries, now);
        foreach (var form in kept)
        {
            IReadOnlyList<Entry> made = [.. Entries(form, view)];
            unread += made.Count == 0 ? 1 : 0;
            entries.AddRange(made);
            view = With(entries, now);
        }

        return (view, unread);
    }

    private VisitView With(List<Entry> added, DateTimeOffset now)
    {
        var record = written.ToRecord(EntryKinds.House, now, [.. added]);
        return new(new(record, now, TimeSpan.Zero), benches, PlainJudging.Instance, texts);
    }

    private static IEnumerable<Entry> Entries(KeptForm form, VisitView view)
    {
        var writer = new EntryWriter(view.Visit.Id, form.Key, form.Made, view.Visit.Author, "");
        return form.Handler switch
        {
            "Log" => QuickVocabulary.Read(form.Fields.GetValueOrDefault("line", ""), view, form.Made).Where(i => i is not QuickUnclear)
                .SelectMany(i => QuickEntries.Of(i, writer, view, view.WatchedRun?.Entry.Id)),
            "Reading" => Reading(form.Fields.GetValueOrDefault("point", ""), form.Fields.GetValueOrDefault("value", ""), view, writer),
            "Box" => form.Fields.SelectMany(f => Reading(f.Key, f.Value, view, writer)),
            "Fact" => Fact(form, writer),
            "Answer" => Answer(form, writer),
            _ => [],
        };
    }

    private static IEnumerable<Entry> Fact(KeptForm form, EntryWriter writer)
    {
        if (!Enum.TryParse<AsFound>(form.Fields.GetValueOrDefault("fact"), out var fact)
            || !Enum.TryParse<FactState>(form.Fields.GetValueOrDefault("state"), out var state) || !fact.States().Contains(state))
            yield break;
        int? index = int.TryParse(form.Fields.GetValueOrDefault("index"), out var n) ? n : null;
        DateTimeOffset? since = double.TryParse(
            form.Fields.GetValueOrDefault(FactText.TimeField(fact)), CultureInfo.InvariantCulture, out var minutes)
            && minutes is >= 0 and <= FactText.LongestMinutes ? form.Made.AddMinutes(-minutes) : null;
        yield return new ObservationEntry(writer.Next(), fact, index, state, since);
    }

    private static IEnumerable<Entry> Answer(KeptForm form, EntryWriter writer)
    {
        var answer = form.Fields.GetValueOrDefault("answer");
        if (DiagnosisText.Observables.TryGetValue(form.Fields.GetValueOrDefault("code", ""), out var observable)
            && answer is not null && observable.Answers.Contains(answer))
            yield return VisitFacts.LookOf(writer.Next(), observable.Code, answer)
                ?? (Entry)new DiagnosisFactEntry(writer.Next(), observable.Code, answer);
    }

    private static IEnumerable<Entry> Reading(string point, string typed, VisitView view, EntryWriter writer)
    {
        if (PointRef.Find(point) is not { } at || QuantityReader.Read(typed, at.Kind(), view.Company.Units).Value is not { } value)
            yield break;
        yield return new ReadingEntry(writer.Next(), at, value);
    }
}
