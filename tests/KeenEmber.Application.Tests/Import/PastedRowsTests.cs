using KeenEmber.Application.Import;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Application.Tests.Import;

public class PastedRowsTests
{
    private static readonly DateTimeOffset Two = new(2026, 3, 2, 14, 0, 0, TimeSpan.Zero);

    private static readonly Dictionary<string, PointRef> Points = new()
    {
        ["suction"] = MeasuringPoint.SuctionPressure, ["line"] = MeasuringPoint.SuctionLineCoil,
    };

    private static (IReadOnlyList<PastedValue> Values, IReadOnlyList<PasteProblem> Problems) Read(string text,
        DateTimeOffset? now = null) =>
        new PastedRows(
            name => Points.TryGetValue(name, out var point) ? point : null, UnitPreference.Metric,
            new SiteTime(new(Guid.NewGuid(), "Quillmere Market Hall", 0, "Europe/London")), Two, now ?? Two.AddHours(4)).Read(text);

    [Theory]
    [InlineData("min; suction; line\n0; 1,45; -20,1\n5; 1,44; -20,4")]
    [InlineData("sec,suction (bar),line (°C)\n0,1.45,-20.1\n300,1.44,-20.4")]
    [InlineData("time\tsuction\tline\n14:00\t1.45 bar\t-20.1\n14:05\t1.44 bar\t-20.4")]
    [InlineData("time,suction,line\n2:00 PM,1.45,-20.1\n2:05 PM,1.44,-20.4")]
    [InlineData("time,suction,line\n2026-03-02T14:00:00Z,1.45,-20.1\n2026-03-02T14:05:00Z,1.44,-20.4")]
    [InlineData("time,suction,line\n02.03.2026 14:00,1.45,-20.1\n02.03.2026 14:05,1.44,-20.4")]
    [InlineData("time,suction,line\n2026-03-02 15:00+01:00,1.45,-20.1\n2026-03-02 15:05+01:00,1.44,-20.4")]
    public void Rows_are_read_like_a_loggers_file(string text)
    {
        var (values, problems) = Read(text);
        Assert.Empty(problems);
        Assert.Equal([Two, Two, Two.AddMinutes(5), Two.AddMinutes(5)], values.Select(v => v.At));
        Assert.Equal(-20.4, values[3].Value.Temperature.Celsius, 1);
        Assert.Equal(1.44 * 100, values[2].Value.Number * values[2].Value.Unit.Scale, 1);
    }

    [Fact]
    public void Dates_that_could_be_either_way_round_are_asked_about() =>
        Assert.Equal(
            PasteProblemKind.DayOrder, Assert.Single(Read("time,suction\n02/03/2026 14:00,1.45\n02/03/2026 14:05,1.44").Problems).Kind);

    [Fact]
    public void A_day_past_the_twelfth_decides_it() => Assert.Empty(Read(
        "time,suction\n13/02/2026 14:00,1.45\n14/02/2026 14:05,1.44").Problems);

    [Theory]
    [InlineData("", PasteProblemKind.Empty, 0)]
    [InlineData("min,suction", PasteProblemKind.NoRows, 0)]
    [InlineData("wobble,suction\n14:05,1.4", PasteProblemKind.NoTimeFirst, 0)]
    [InlineData("min,wobble\n0,1.4", PasteProblemKind.UnknownHeading, 0)]
    [InlineData("min,suction\n0,1.4\nzero,1.4", PasteProblemKind.NotATime, 3)]
    [InlineData("time,suction\n14:00,1.4\n19:00,1.4", PasteProblemKind.StillToCome, 3)]
    [InlineData("time,suction\n1999-01-01 14:00,1.4", PasteProblemKind.NotATime, 2)]
    [InlineData("min,suction\n0,warm", PasteProblemKind.BadValue, 2)]
    [InlineData("min,suction\n0,", PasteProblemKind.NoValues, 0)]
    public void What_is_wrong_is_told_by_row(string text, PasteProblemKind kind, int row)
    {
        var problem = Read(text).Problems[0];
        Assert.Equal((kind, row), (problem.Kind, problem.Row));
    }

    [Fact]
    public void Minutes_that_would_reach_beyond_now_end_now()
    {
        var (values, _) = Read("min,suction\n0,1.45\n60,1.44", now: Two.AddMinutes(10));
        Assert.Equal([Two.AddMinutes(-50), Two.AddMinutes(10)], values.Select(v => v.At));
    }

    [Fact]
    public void Clock_times_pass_midnight()
    {
        var (values, problems) = Read("time,suction\n23:50,1.45\n0:10,1.44", now: Two.AddDays(1));
        Assert.Empty(problems);
        Assert.Equal(TimeSpan.FromMinutes(20), values[1].At - values[0].At);
    }
}
