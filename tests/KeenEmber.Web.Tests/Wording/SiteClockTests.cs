using System.Globalization;
using KeenEmber.Core.Quantities;
using KeenEmber.Web.Pages;
using KeenEmber.Words;

namespace KeenEmber.Web.Tests.Wording;

/// <summary>The clock on the site's wall, clock changes and all.</summary>
public sealed class SiteClockTests
{
    private static readonly SiteClock Berlin = new(new(Guid.Empty, "Annex", 0, "Europe/Berlin"));

    private static DateTimeOffset Utc(string moment) =>
        DateTimeOffset.Parse(moment, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal);

    [Theory]
    [InlineData("2026-07-01 06:00", "2026-07-01 04:00")]
    [InlineData("2026-10-25 02:30", "2026-10-25 00:30", "2026-10-25 01:30")]
    [InlineData("2026-03-29 02:30")]
    public void A_time_on_the_wall_is_one_moment_or_two_or_none(string wall, params string[] moments) =>
        Assert.Equal(moments.Select(Utc), Berlin.Moments(DateTime.Parse(wall, CultureInfo.InvariantCulture)));

    [Fact]
    public void Rows_in_their_order_go_through_the_hour_that_comes_twice()
    {
        var first = Berlin.At(new DateTime(2026, 10, 25, 2, 50, 0));
        Assert.Equal(Utc("2026-10-25 00:50"), first);
        Assert.Equal(Utc("2026-10-25 01:10"), Berlin.At(new DateTime(2026, 10, 25, 2, 10, 0), first));
    }

    [Fact]
    public void Days_and_times_are_those_of_the_site()
    {
        Assert.Equal(new DateOnly(2026, 7, 2), Berlin.Date(Utc("2026-07-01 22:30")));
        Assert.Equal("00:30", Berlin.Time(Utc("2026-07-01 22:30")));
        Assert.Equal("22:30", new SiteClock(new(Guid.Empty, "", 0, "No/Where")).Time(Utc("2026-07-01 22:30")));
    }

    [Theory]
    [InlineData("02:30", "came twice")]
    [InlineData("02:30 third", "came twice")]
    [InlineData("2.30", "such as 14:05")]
    public void A_typed_time_that_is_not_one_moment_is_asked_about(string typed, string says)
    {
        var form = new FilledForm(UnitPreference.Metric) { ["at"] = typed };
        Assert.Null(form.Moment("at", new(2026, 10, 25), Berlin, "at"));
        Assert.Contains(says, form.Error("at"), StringComparison.Ordinal);
    }

    [Fact]
    public void First_and_second_tell_the_two_apart_and_a_time_left_out_is_said()
    {
        var form = new FilledForm(UnitPreference.Metric) { ["first"] = "02:30 first", ["second"] = "02:30 Second", ["gone"] = "02:30" };
        Assert.Equal(Utc("2026-10-25 00:30"), form.Moment("first", new(2026, 10, 25), Berlin, "at"));
        Assert.Equal(Utc("2026-10-25 01:30"), form.Moment("second", new(2026, 10, 25), Berlin, "at"));
        Assert.Null(form.Moment("gone", new(2026, 3, 29), Berlin, "at"));
        Assert.Contains("left out", form.Error("at"), StringComparison.Ordinal);
    }
}
