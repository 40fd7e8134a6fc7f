using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words.Benches;

/// <summary>A station of the rail, with what is in it.</summary>
/// <param name="Order">Where in the order of the job it stands.</param>
/// <param name="Page">Of the visit.</param>
/// <param name="Inside">"3 readings".</param>
public sealed record Station(int Order, string Page, string Name, string Inside);

/// <summary>A paragraph of the standing panel.</summary>
/// <param name="Code">Of the finding it tells.</param>
/// <param name="Label">Bold, before the sentence; may be empty.</param>
/// <param name="Quiet">What it rests on; may be empty.</param>
public sealed record PanelLine(string Code, string Label, string Text, string Quiet = "");

/// <summary>A line of what does not add up.</summary>
/// <param name="Number">At the right; may be empty.</param>
/// <param name="IsChallenge">A value that cannot be so.</param>
public sealed record UnfitLine(string Text, string Number = "", bool IsChallenge = false);

/// <summary>What a bench says in words. Each bench has one class under it, found by the bench's name.</summary>
/// <param name="bench">The name of the bench.</param>
public abstract class BenchText(string bench)
{
    /// <summary>The name of the bench.</summary>
    public string Bench => bench;

    /// <summary>Before its findings in the panel.</summary>
    public abstract string Label { get; }

    /// <summary>What it brings to the words of the log line.</summary>
    public virtual BenchWords LogWords => BenchWords.None;

    /// <summary>A finding in a sentence, with its numbers.</summary>
    public abstract string Finding(Finding finding, VisitView view);

    /// <summary>The same without figures, for a line in a list.</summary>
    public abstract string Headline(Finding finding, EquipmentKind kind);

    /// <summary>What it asks for.</summary>
    public abstract TaskText Task(BenchTask task, VisitView view);

    /// <summary>Its stations on the rail; none on a unit that has nothing of it.</summary>
    public abstract IEnumerable<Station> Stations(VisitView view);

    /// <summary>One of its entries in a line; null for an entry of another bench.</summary>
    public virtual string? Entry(Entry entry, VisitView view) => null;

    /// <summary>What the panel says of its findings: what is wrong still, unless it is the headline already.</summary>
    public virtual IEnumerable<PanelLine> Lines(BenchJudgement judgement, VisitView view) =>
        judgement.Now.Select(f => new PanelLine(f.Code, Label, view.Say(f))).Where(l => l.Text != view.StandsInWords);

    /// <summary>What it has that does not add up.</summary>
    public virtual IEnumerable<UnfitLine> Unfit(BenchJudgement judgement, VisitView view) => [];

    /// <summary>Its piece of the report, a partial page; null where its findings alone are listed.</summary>
    public virtual string? ReportPart => null;

    /// <summary>What a trend measures, and a value of it.</summary>
    public virtual (string Name, Func<double, string> Value) Trend(Trend trend, UnitText units) => (trend.Code, v => UnitText.Number(v, 1));
}

/// <summary>The words of all benches.</summary>
public sealed class BenchTexts(IEnumerable<IBench> benches, IEnumerable<BenchText> texts)
{
    private readonly Dictionary<string, BenchText> bySpeech = benches
        .SelectMany(b => b.Speaks, (b, speech) => (speech, Text: texts.First(t => t.Bench == b.Name)))
            .ToDictionary(s => s.speech, s => s.Text);

    /// <summary>In the order of their benches.</summary>
    public IReadOnlyList<BenchText> All { get; } = [.. benches.Select(b => texts.First(t => t.Bench == b.Name))];

    public BenchText Of(Finding finding) => bySpeech[finding.Bench];

    public BenchText Of(Trend trend) => bySpeech[trend.Bench];

    public BenchText Of(BenchTask task) => All.First(t => t.Bench == task.Bench);

    public BenchText Of(IBench bench) => All.First(t => t.Bench == bench.Name);

    /// <summary>How a visit stands in a sentence without figures.</summary>
    public string Headline(Finding stands, EquipmentKind kind) =>
        bySpeech.TryGetValue(stands.Bench, out var text) ? text.Headline(stands, kind) : PanelText.OfTheVisit(stands);
}
