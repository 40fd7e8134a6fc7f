using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Tests.Record;

public class TimelineTests
{
    private static DateOnly AtUtc(DateTimeOffset moment) => DateOnly.FromDateTime(moment.UtcDateTime);

    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);
    private static readonly Guid VisitId = Guid.CreateVersion7();

    private static readonly Equipment Unit = new(
        Guid.CreateVersion7(), Guid.CreateVersion7(), "F-3", "Freezer", EquipmentKind.WalkInFreezer, Temperature.FromCelsius(-20), 2, "",
            "",
        new(Guid.CreateVersion7(), "R404A", null, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver, ""));

    private static ReadingEntry Reading(PointRef point, double celsius, int minute, Guid? corrects = null) =>
        new(new(Guid.CreateVersion7(), VisitId, Start.AddMinutes(minute), Start.AddMinutes(minute), "Isolde", corrects), point,
            new(celsius, Core.Quantities.Unit.Celsius));

    private static ObservationEntry Seen(AsFound fact, FactState state, int minute, int? index = null, int? sinceMinute = null) =>
        new(new(Guid.CreateVersion7(), VisitId, Start.AddMinutes(minute), Start.AddMinutes(minute), "Isolde"), fact, index, state,
            sinceMinute is { } m ? Start.AddMinutes(m) : null);

    private static Timeline Of(params Entry[] entries) => new(entries, Unit, Pressure.StandardAtmosphere);

    [Fact]
    public void The_latest_reading_of_a_point_stands()
    {
        var timeline = Of(Reading(MeasuringPoint.BoxAir, -15, 1), Reading(MeasuringPoint.BoxAir, -18, 9));
        Assert.Equal(-18, timeline.LatestReadings()[MeasuringPoint.BoxAir].Temperature.Celsius, 1e-9);
    }

    [Fact]
    public void A_correction_takes_the_place_of_what_it_corrects_and_nothing_is_lost()
    {
        var wrong = Reading(MeasuringPoint.BoxAir, 18, 1);
        var right = Reading(MeasuringPoint.BoxAir, -18, 1, wrong.Id);
        var timeline = Of(wrong, right);
        Assert.Equal([right], timeline.Standing);
        Assert.Equal(2, timeline.Written.Count);
    }

    [Fact]
    public void A_struck_out_entry_is_gone_from_what_stands()
    {
        var wrong = Reading(MeasuringPoint.BoxAir, 18, 1);
        var timeline =
            Of(wrong, new WithdrawalEntry(new(Guid.CreateVersion7(), VisitId, wrong.At, Start.AddMinutes(2), "Isolde", wrong.Id)));
        Assert.Empty(timeline.Standing);
        Assert.Empty(timeline.LatestReadings());
    }

    [Fact]
    public void A_condenser_fan_that_stood_with_its_compressor_is_not_known_once_that_runs()
    {
        FactState? Fan(params Entry[] entries) => Of(entries).ConditionsAt(Start.AddMinutes(30)).CondenserFan;
        var (off, fan) = (Seen(AsFound.Compressor, FactState.Stopped, 1), Seen(AsFound.CondenserFan, FactState.Stopped, 2));
        var on = Seen(AsFound.Compressor, FactState.Running, 9);
        Assert.Equal(FactState.Stopped, Fan(off, fan));
        Assert.Null(Fan(off, fan, on));
        Assert.Equal(FactState.Stopped, Fan(off, fan, on, Seen(AsFound.CondenserFan, FactState.Stopped, 10)));
        Assert.Equal(FactState.Stopped, Fan(fan, on));
        Assert.Equal(FactState.Running, Fan(off, Seen(AsFound.CondenserFan, FactState.Running, 2), on));
    }

    [Fact]
    public void A_reading_keeps_the_conditions_of_its_own_moment()
    {
        var timeline = Of(
            Seen(AsFound.EvaporatorFan, FactState.Stopped, 0, 1), Seen(AsFound.EvaporatorFan, FactState.Running, 0, 2),
            Reading(MeasuringPoint.SuctionLineCoil, -22, 5), Seen(AsFound.EvaporatorFan, FactState.Running, 8, 1));
        Assert.True(timeline.LatestReadings()[MeasuringPoint.SuctionLineCoil].Conditions.AnyFanStopped);
        Assert.False(timeline.ConditionsAt(Start.AddMinutes(9)).AnyFanStopped);
    }

    [Fact]
    public void A_fact_noted_after_a_reading_was_so_already()
    {
        var timeline = Of(Reading(MeasuringPoint.SuctionLineCoil, -22, 5), Seen(AsFound.Coil, FactState.Iced, 7));
        Assert.Equal(FactState.Iced, timeline.LatestReadings()[MeasuringPoint.SuctionLineCoil].Conditions.Coil);
    }

    [Fact]
    public void Fans_noted_together_hold_for_each()
    {
        var conditions = Of(Seen(AsFound.EvaporatorFan, FactState.Running, 0), Seen(AsFound.EvaporatorFan, FactState.Stopped, 3, 2))
            .ConditionsAt(Start.AddMinutes(4));
        Assert.Equal([FactState.Running, FactState.Stopped], conditions.EvaporatorFans);
    }

    [Fact]
    public void Run_time_grows_with_the_clock()
    {
        var timeline = Of(Seen(AsFound.Compressor, FactState.Running, 2, sinceMinute: -8));
        Assert.Equal(TimeSpan.FromMinutes(20), timeline.ConditionsAt(Start.AddMinutes(12)).RunTime);
        Assert.Equal(TimeSpan.Zero, timeline.ConditionsAt(Start.AddMinutes(-30)).RunTime);
    }

    [Fact]
    public void Time_since_a_defrost_and_the_condenser_air_are_those_of_the_moment()
    {
        var timeline = Of(
            Seen(AsFound.Defrost, FactState.Defrosting, 0), Seen(AsFound.Defrost, FactState.Refrigerating, 20, sinceMinute: 18),
            Reading(MeasuringPoint.CondenserAir, 8, 1), Reading(MeasuringPoint.CondenserAir, 12, 21));
        Assert.Equal(FactState.Defrosting, timeline.ConditionsAt(Start.AddMinutes(5)).Defrost);
        Assert.Null(timeline.ConditionsAt(Start.AddMinutes(5)).SinceDefrost);
        Assert.Equal(TimeSpan.FromMinutes(7), timeline.ConditionsAt(Start.AddMinutes(25)).SinceDefrost);
        Assert.Equal(8, timeline.ConditionsAt(Start.AddMinutes(5)).CondenserAir!.Value.Celsius, 1e-9);
        Assert.Equal(12, timeline.ConditionsAt(Start.AddMinutes(25)).CondenserAir!.Value.Celsius, 1e-9);
    }

    [Fact]
    public void The_box_is_compared_with_its_target() =>
        Assert.Equal(8, Of(Reading(MeasuringPoint.BoxAir, -12, 1)).ConditionsAt(Start.AddMinutes(2)).BoxAboveTarget!.Value.Kelvin, 1e-9);

    [Fact]
    public void What_nobody_recorded_is_unknown()
    {
        var conditions = Of().ConditionsAt(Start);
        Assert.Equal([null, null], conditions.EvaporatorFans);
        Assert.Null(conditions.Coil);
        Assert.Null(conditions.RunTime);
    }

    [Theory]
    [InlineData(-18.0, -18.7, false)]
    [InlineData(-18.0, -18.8, true)]
    public void A_temperature_has_moved_when_two_thermometers_could_not_differ_so(double todayC, double earlierC, bool moved)
    {
        var today = Of(Reading(MeasuringPoint.BoxAir, todayC, 1)).LatestReadings();
        var visit = new Visit(Guid.CreateVersion7(), Unit.Id, Start.AddDays(-6), "Tobin", "");
        var history = PointHistory.Of([(visit, Of(Reading(MeasuringPoint.BoxAir, earlierC, 1)))], today);
        Assert.Equal(moved, Assert.Single(history[MeasuringPoint.BoxAir]).Moved);
    }

    [Theory]
    [InlineData(250, 252.5, false)]
    [InlineData(250, 254, true)]
    [InlineData(1500, 1520, false)]
    [InlineData(1500, 1522, true)]
    public void A_pressure_has_moved_beyond_what_two_gauges_may_differ(double kpa, double earlierKpa, bool moved) =>
        Assert.Equal(moved, InstrumentAccuracy.Differ(MeasuringPoint.SuctionPressure, kpa, earlierKpa));

    [Fact]
    public void The_ids_of_a_line_are_its_own_and_always_the_same()
    {
        var line = Guid.CreateVersion7();
        Assert.Equal(line, EntryId.OfLine(line, 0));
        Assert.Equal(EntryId.OfLine(line, 3), EntryId.OfLine(line, 3));
        Assert.Equal(3000, Enumerable.Range(0, 3000).Select(i => EntryId.OfLine(line, i)).Distinct().Count());
        Assert.Throws<ArgumentOutOfRangeException>(() => EntryId.OfLine(line, 65536));
    }

    [Fact]
    public void A_visit_within_thirty_days_is_a_callback()
    {
        var first = new Visit(Guid.CreateVersion7(), Unit.Id, Start, "Isolde", "");
        Assert.True((first with { StartedAt = Start.AddDays(30) }).IsCallbackAfter(first, Policies.Default, null, AtUtc));
        Assert.False((first with { StartedAt = Start.AddDays(31) }).IsCallbackAfter(first, Policies.Default, null, AtUtc));
    }

    [Theory]
    [InlineData(10, 12, false)]
    [InlineData(10, 20, true)]
    public void A_visit_on_the_day_it_was_booked_for_is_no_callback(int day, int booked, bool callback)
    {
        var first = new Visit(Guid.CreateVersion7(), Unit.Id, Start, "Isolde", "");
        Assert.Equal(
            callback,
            (first with { StartedAt = Start.AddDays(day) })
            .IsCallbackAfter(first, Policies.Default, DateOnly.FromDateTime(Start.UtcDateTime.AddDays(booked)), AtUtc));
    }

    [Fact]
    public void The_shop_says_for_how_long_it_is_a_callback()
    {
        var first = new Visit(Guid.CreateVersion7(), Unit.Id, Start, "Isolde", "");
        Assert.False(
            (first with { StartedAt = Start.AddDays(10) }).IsCallbackAfter(first, Policies.Default with { CallbackDays = 7 }, null, AtUtc));
    }

    /// <summary>Late in the evening in Chicago it is the next day in Greenwich already.</summary>
    [Fact]
    public void Days_are_those_of_the_site()
    {
        var chicago = TimeZoneInfo.FindSystemTimeZoneById("America/Chicago");
        var first = new Visit(Guid.CreateVersion7(), Unit.Id, new(2026, 3, 2, 15, 0, 0, TimeSpan.Zero), "Isolde", "");
        var late = first with { StartedAt = new(2026, 4, 2, 3, 30, 0, TimeSpan.Zero) };
        Assert.True(
            late.IsCallbackAfter(first, Policies.Default, null, m => DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(m, chicago).Date)));
        Assert.False(late.IsCallbackAfter(first, Policies.Default, null, AtUtc));
    }
}
