using System.Diagnostics;
using System.Globalization;
using System.Text;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Application.Import;
using KeenEmber.Storage;
using Microsoft.Data.Sqlite;
using NodaTime;

namespace KeenEmber.Application.Tests.Import;

public sealed class LoggerTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-").FullName;
    private readonly ITestOutputHelper output;
    private readonly Database database;

    public LoggerTests(ITestOutputHelper output)
    {
        (this.output, database) = (output, new(folder));
        database.Migrate();
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private static readonly RunPlace Cold = new(RunPlaceKind.ColdestBend), Box = new(RunPlaceKind.Box);

    private static LoggedSeries Read(string text, DayOrder? order = null)
    {
        var file = LoggerFile.Open(text)!;
        return file.Read(file.Guess(), DateTimeZone.Utc, order);
    }

    [Theory]
    [InlineData("Time,Coldest bend (°C),Box (°C)\n2026-03-02 04:00:00,-24.5,-20\n2026-03-02 04:01:30,-12.25,-19.5")]
    [InlineData("Time;Coldest bend (°C);Box (°C)\n02.03.2026 04:00;-24,5;-20\n02.03.2026 04:01:30;-12,25;-19,5")]
    [InlineData("Time\tCold bend (°F)\tBox (°F)\n3/2/2026 4:00:00 AM\t-12.1\t-4\n3/2/2026 4:01:30 AM\t9.95\t-3.1")]
    [InlineData("min,cold,box\n0,-24.5,-20\n1.5,-12.25,-19.5")]
    [InlineData("sec,cold,box\n0,-24.5,-20\n90,-12.25,-19.5")]
    [InlineData("Date,Time,cold,box\n02/03/2026,04:00:00,-24.5,-20\n02/03/2026,04:01:30,-12.25,-19.5")]
    public void Ways_of_writing_the_same_series_read_the_same(string text)
    {
        // The day in "02.03." and "3/2/" differs by reading; minutes do not.
        var series = Read(text, DayOrder.DayFirst);
        var cold = series.Tracks.Single(t => t.Place == Cold);
        Assert.Equal([0, 1.5], cold.Minutes);
        Assert.Equal(-24.5, cold.Values[0], 1);
        Assert.Equal(-12.25, cold.Values[1], 2);
        Assert.Equal(-19.5, series.Tracks.Single(t => t.Place == Box).Values[1], 1);
    }

    [Fact]
    public void Gaps_doubles_lines_without_time_and_a_clock_set_back_are_told()
    {
        var series =
            Read("time,cold\n2026-10-25 01:50,1\n2026-10-25 01:50,1\nlogger stopped,\n2026-10-25 01:59,2\n2026-10-25 "
            + "01:00,3\n2026-10-25 01:05,\n2026-10-25 01:10,5");
        Assert.Equal((7, 1, 1, 1), (series.Rows, series.Skipped, series.Duplicates, series.Backward));
        var track = series.Tracks.Single();
        Assert.Equal([1, 2, 3, 5], track.Values);
        Assert.Equal([0, 9, 10, 20], track.Minutes);
        Assert.Equal(new DateTimeOffset(2026, 10, 25, 1, 50, 0, TimeSpan.Zero), series.Start);
    }

    [Fact]
    public void Times_without_a_date_go_on_past_midnight()
    {
        var series = Read("clock,cold\n23:50,1\n23:59:30,2\n00:10,3");
        Assert.Equal([0, 9.5, 20], series.Tracks.Single().Minutes);
        Assert.Equal([0, 3], Read("clock,cold\n00:02,1\n00:05,2\n00:04,3").Tracks.Single().Minutes);
    }

    [Theory]
    [InlineData("")]
    [InlineData("one line only")]
    [InlineData("heading\nvalue")]
    [InlineData("a,b\n")]
    public void What_is_no_table_is_refused(string text) => Assert.Null(LoggerFile.Open(text));

    [Fact]
    public void Letters_of_any_logger_are_read()
    {
        const string Text = "Time,Temp °C\n04:00,1";
        foreach (var encoding in new[] { Encoding.Latin1, Encoding.UTF8, Encoding.Unicode, Encoding.BigEndianUnicode })
        {
            Assert.Equal("Temp °C", LoggerFile.Open([.. encoding.Preamble, .. encoding.GetBytes(Text)])!.Headings[1]);
            Assert.Equal("Temp °C", LoggerFile.Open(encoding.GetBytes(Text))!.Headings[1]);
        }
    }

    [Theory]
    [InlineData("2026-07-01T04:00:00Z", "2026-07-01T04:02:00Z")]
    [InlineData("2026-07-01T06:00:00+02:00", "2026-07-01T06:02:00+02:00")]
    [InlineData("2026-07-01 06:00:00", "2026-07-01 06:02:00")]
    public void A_time_with_its_zone_is_that_moment_wherever_the_site_is(string first, string second)
    {
        var file = LoggerFile.Open($"time,cold\n{first},1\n{second},2")!;
        var series = file.Read(file.Guess(), DateTimeZoneProviders.Tzdb["Europe/Berlin"]);
        Assert.Equal(new DateTimeOffset(2026, 7, 1, 4, 0, 0, TimeSpan.Zero), series.Start);
        Assert.Equal([0, 2], series.Tracks.Single().Minutes);
    }

    [Theory]
    [InlineData("10/25/2026 01:50,1\n10/25/2026 02:50,2\n10/25/2026 02:10,3\n10/25/2026 03:10,4", 0d, 60d, 80d, 140d)]
    [InlineData("03/29/2026 01:50,1\n03/29/2026 03:10,2\n03/29/2026 03:20,3\n03/29/2026 03:30,4", 0d, 20d, 30d, 40d)]
    public void A_clock_change_of_the_site_leaves_no_hole_and_no_double(string rows, params double[] minutes)
    {
        var file = LoggerFile.Open("time,cold\n" + rows)!;
        var series = file.Read(file.Guess(), DateTimeZoneProviders.Tzdb["Europe/Berlin"]);
        Assert.Equal(minutes, series.Tracks.Single().Minutes);
        Assert.Equal(0, series.Backward);
    }

    /// <summary>US loggers: row by row, the third of September would be followed by the tenth of March.</summary>
    [Fact]
    public void Day_and_month_are_decided_once_for_the_file()
    {
        var series = Read("time,cold\n3/9/2026 11:58 PM,1\n3/9/2026 11:59 PM,2\n3/10/2026 12:00 AM,3\n3/10/2026 12:01 AM,4");
        Assert.Equal(new DateTimeOffset(2026, 3, 9, 23, 58, 0, TimeSpan.Zero), series.Start);
        Assert.Equal([0, 1, 2, 3], series.Tracks.Single().Minutes);
        Assert.Equal(
            new DateTimeOffset(2026, 3, 12, 23, 58, 0, TimeSpan.Zero), Read("time,cold\n12/03/2026 23:58,1\n13/03/2026 00:01,2").Start);
    }

    [Fact]
    public void Day_and_month_that_cannot_be_told_apart_are_asked_about()
    {
        var file = LoggerFile.Open("time,cold\n03/09/2026 10:00,1\n03/09/2026 10:01,2")!;
        Assert.True(file.Read(file.Guess(), DateTimeZone.Utc).NeedsDayOrder);
        Assert.Equal(
            new DateTimeOffset(2026, 9, 3, 10, 0, 0, TimeSpan.Zero), file.Read(file.Guess(), DateTimeZone.Utc, DayOrder.DayFirst).Start);
        Assert.Equal(
            new DateTimeOffset(2026, 3, 9, 10, 0, 0, TimeSpan.Zero), file.Read(file.Guess(), DateTimeZone.Utc, DayOrder.MonthFirst).Start);
    }

    [Fact]
    public void A_lost_quote_spoils_its_own_row_only()
    {
        var series = Read("time,cold\n04:00,1\n04:01,\"2\n04:02,3\n04:03,4");
        Assert.Equal(4, series.Rows);
        Assert.Contains(3, series.Tracks.Single().Values);
        Assert.Contains(4, series.Tracks.Single().Values);
    }

    [Theory]
    [InlineData("min,cold\n0,1\n1e16,2\n2,3")]
    [InlineData("min,cold\n0,1\nInfinity,2\n2,3")]
    [InlineData("min,cold\n0,1\n1,1e300\n2,3")]
    public void What_no_run_can_hold_is_left_out(string text) => Assert.Equal([0, 2], Read(text).Tracks.Single().Minutes);

    [Fact]
    public void A_file_is_cut_at_the_most_rows_and_says_so()
    {
        var text = new StringBuilder("sec,cold\n");
        for (var i = 0; i < Table.MostRows + 5; i++)
            text.Append(CultureInfo.InvariantCulture, $"{i},-20\n");
        var series = Read(text.ToString());
        Assert.True(series.IsCut);
        Assert.Equal(Table.MostRows, series.Rows);
        Assert.Null(LoggerFile.Open(string.Join(',', Enumerable.Repeat("a", Table.MostColumns + 1)) + "\n1,2"));
    }

    [Fact]
    public void What_the_columns_were_named_is_remembered_by_the_headings()
    {
        var loggers = new LoggerStore(database);
        var file = LoggerFile.Open("time,ch1,ch2\n04:00,1,2")!;
        Assert.Null(loggers.ColumnsOf(file.Signature));
        var columns = new LoggerColumns(0, [new(null, null), new(new(RunPlaceKind.Bend, "lower left"), Unit.Fahrenheit), new(null, null)]);
        loggers.Remember(file.Signature, columns);
        var again = loggers.ColumnsOf(LoggerFile.Open("Time,CH1,ch2\n05:00,3,4")!.Signature)!;
        Assert.Equal(columns.Columns, again.Columns);
        Assert.Null(loggers.ColumnsOf(LoggerFile.Open("time,ch1,ch3\n04:00,1,2")!.Signature));
    }

    [Fact]
    public void A_series_comes_back_as_it_was_kept()
    {
        var store = new RunSeriesStore(database);
        var id = Guid.CreateVersion7();
        store.Save(id, [new(Cold, [0, 1.5], [-24.5, 0.25]), new(RunPlace.Leg(2), [0], [6.125])]);
        store.Save(id, []);
        var tracks = store.Find(id);
        Assert.Equal([Cold, RunPlace.Leg(2)], tracks.Select(t => t.Place));
        Assert.Equal([-24.5, 0.25], tracks[0].Values);
        Assert.Equal([0, 1.5], tracks[0].Minutes);
        Assert.Empty(store.Find(Guid.NewGuid()));
    }

    /// <summary>The whole way of a day's log: read, part, keep. The bound is for starved machines and only catches work that grows with the
    /// square; the measured figure is in the docs.</summary>
    [Fact]
    public void A_day_of_seconds_in_twelve_columns_is_read_and_judged_quickly()
    {
        var text = LoggedDay.Text();
        var watch = Stopwatch.StartNew();
        var file = LoggerFile.Open(text)!;
        var series = file.Read(file.Guess(), DateTimeZone.Utc);
        var read = watch.ElapsedMilliseconds;
        Assert.Equal(86_400, series.Tracks[0].Minutes.Length);
        Assert.Equal(11, series.Tracks.Count);
        var log = new DefrostRun(DateTimeOffset.UnixEpoch, new(DefrostKind.Electric, Heaters: [new(2000, 230)]), series.Tracks, []);
        watch.Restart();
        var whole = DefrostAnalysis.Analyse(log);
        var judged = watch.ElapsedMilliseconds;
        watch.Restart();
        var parts = DefrostSplit.Of(log);
        var split = watch.ElapsedMilliseconds;
        Assert.Equal(4, parts.Count);
        Assert.NotNull(whole.Phases.HeatOn);
        watch.Restart();
        Assert.All(parts, p => Assert.Equal(8, DefrostAnalysis.Analyse(p).HeatAfterClearMin!.Value, 0.5));
        output.WriteLine($"read {read} ms, judged whole {judged} ms, parted {split} ms, all four judged {watch.ElapsedMilliseconds} ms");
        Assert.True(read < 30_000 && judged < 10_000);
    }
}
