using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words;

/// <summary>A visit worked out, with the words for it: what one page of a visit shows.</summary>
public sealed class VisitView(LoadedVisit loaded, IReadOnlyList<IBench> benches, IJudging judging, BenchTexts texts)
    : VisitCase(loaded.Record, benches, judging)
{
    /// <summary>Benches that failed or ran over their time on this page so far: they have no verdict, and that is said.</summary>
    public IReadOnlyCollection<string> NotJudged => Judging.NotJudged;

    /// <summary>When what is put on record now is written.</summary>
    public DateTimeOffset WrittenAt => loaded.WrittenAt;

    /// <summary>How far the machine's clock is behind the last entry of the visit; nothing when it is not.</summary>
    public TimeSpan ClockIsBehind => loaded.ClockIsBehind;

    public UnitText Units => field ??= new(Company.Units, Site.Atmosphere);

    public SiteClock Clock => field ??= new(Site);

    /// <summary>What each bench says in words.</summary>
    public BenchTexts Texts => texts;

    public string Name(PointRef point) => CircuitText.Name(point, MakeUp);

    public string Name(ResultRef kind) => CircuitText.Name(kind, MakeUp);

    /// <summary>A finding of any bench in a sentence, with its numbers.</summary>
    public string Say(Finding finding) => finding.Bench == DiagnosisTask.Name ? DiagnosisText.Headline(finding)
        : texts.Of(finding).Finding(finding, this);

    /// <summary>What is to be done next, in words.</summary>
    public TaskText Say(BenchTask task) => task.Bench == DiagnosisTask.Name ? DiagnosisText.Task(task) : texts.Of(task).Task(task, this);

    /// <summary>One sentence without figures on how the visit stands.</summary>
    public string StandsInWords
    {
        get
        {
            // Worked out first: a bench that fails at it is known only afterwards.
            var stands = Stands;
            return texts.Headline(NotJudged.Count > 0 ? IJudging.Finding(NotJudged) : stands, Equipment.Kind);
        }
    }
}
