using System.Globalization;
using System.Text;
using BenchmarkDotNet.Attributes;
using KeenEmber.Core.Defrost;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Drawing;
using KeenEmber.Web.Wording;

namespace KeenEmber.Bench;

/// <summary>A logger's day, a row a second in twelve columns with four defrosts: reading, parting, judging and drawing it.</summary>
[ShortRunJob]
public class DayOfSeconds
{
    private static readonly Site Hall = new(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");
    private static readonly UnitText Units = new(UnitPreference.Metric, Hall.Atmosphere);
    private static readonly SiteClock Clock = new(Hall);

    private readonly string text = Day();
    private readonly DefrostRun log;
    private readonly WatchedRun judged;

    public DayOfSeconds()
    {
        log = new(DateTimeOffset.UnixEpoch, new(DefrostKind.Electric, Heaters: [new(2000, 230)]), Read().Tracks, []);
        judged = new(new(Guid.Empty, Guid.Empty, log.Start, log.Start, "", null, RunOrigin.Logged), log, IsOver: true);
        _ = judged.Result;
    }

    [Benchmark]
    public LoggedSeries Read()
    {
        var file = LoggerFile.Open(text)!;
        return file.Read(file.Guess());
    }

    [Benchmark]
    public DefrostResult JudgeTheWholeDay() => DefrostBench.Analyse(log);

    [Benchmark]
    public double? PartAndJudgeFourDefrosts() => DefrostSplit.Of(log).Max(run => DefrostBench.Analyse(run).OverRunMin);

    [Benchmark]
    public object DrawTheWholeDay() => DefrostChart.DrawWide(judged, null, Units, Clock);

    private static string Day()
    {
        var rows = new StringBuilder("time,cold,warm,beside sensor,sensor,front,behind,box,product,leg 1,leg 2,volts\n");
        for (var second = 0; second < 86_400; second++)
        {
            var minute = second / 60.0 % 360 - 100;
            var coil = minute is < 0 or > 60 ? -24 : minute < 8 ? -24 + 3 * minute : minute < 20 ? 0.2 : minute < 28 ? 3 * (minute - 20) : Math.Max(-24, 24 - 5 * (minute - 28));
            rows.Append(CultureInfo.InvariantCulture, $"2026-03-02 {second / 3600:00}:{second / 60 % 60:00}:{second % 60:00}");
            rows.Append(CultureInfo.InvariantCulture, $",{coil:F2},{coil + 1:F2},{coil:F2},{coil - 1:F2},-18.2,-19.1,-20.0,-19.4,{(minute is >= 0 and < 28 ? 8.7 : 0):F1},{(minute is >= 0 and < 28 ? 8.6 : 0):F1},230\n");
        }

        return rows.ToString();
    }
}
