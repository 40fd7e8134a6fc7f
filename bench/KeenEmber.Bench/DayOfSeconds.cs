using BenchmarkDotNet.Attributes;
using KeenEmber.Application.Import;
using KeenEmber.Application.Tests.Import;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Web.Pages.Visits.Defrost;
using KeenEmber.Words;
using NodaTime;

namespace KeenEmber.Bench;

/// <summary>A logger's day, a row a second in twelve columns with four defrosts: reading, parting, judging and drawing it.</summary>
[ShortRunJob]
public class DayOfSeconds
{
    private static readonly Site Hall = new(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");
    private static readonly UnitText Units = new(UnitPreference.Metric, Hall.Atmosphere);
    private static readonly SiteClock Clock = new(Hall);

    private readonly string text = LoggedDay.Text();
    private readonly DefrostRun log;
    private readonly WatchedRun judged;

    public DayOfSeconds()
    {
        log = new(DateTimeOffset.UnixEpoch, new(DefrostKind.Electric, Heaters: [new(2000, 230)]), Read().Tracks, []);
        judged =
            new(new(new(Guid.Empty, Guid.Empty, log.Start, log.Start, ""), RunOrigin.Logged), log, IsOver: true, PlainJudging.Instance);
        _ = judged.Result;
    }

    [Benchmark]
    public LoggedSeries Read()
    {
        var file = LoggerFile.Open(text)!;
        return file.Read(file.Guess(), DateTimeZone.Utc);
    }

    [Benchmark]
    public DefrostResult JudgeTheWholeDay() => DefrostAnalysis.Analyse(log);

    [Benchmark]
    public double? PartAndJudgeFourDefrosts() => DefrostSplit.Of(log).Max(run => DefrostAnalysis.Analyse(run).HeatAfterClearMin);

    [Benchmark]
    public object DrawTheWholeDay() => DefrostChart.DrawWide(judged, null, Units, Clock);
}
