using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Tests.Benches.Circuit;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Visits;

/// <summary>How a unit was found, its hazards, and the meters it was measured with.</summary>
public class AsFoundTests
{
    [Fact]
    public void A_breaker_that_is_on_again_has_been_reset_and_closes_the_as_found_record()
    {
        var found = AsFoundRecord.Of(
            Of(Seen(1, AsFound.Supply, FactState.Tripped), Seen(9, AsFound.Supply, FactState.SwitchedOn),
                Seen(12, AsFound.Coil, FactState.Iced)),
            Freezer);
        Assert.Equal(Nine.AddMinutes(9), found.FrozenAt);
        Assert.DoesNotContain(found.Facts, f => f.Fact == AsFound.Coil);
        Assert.Null(AsFoundRecord.Of(Of(Seen(1, AsFound.Supply, FactState.SwitchedOn)), Freezer).FrozenAt);
    }

    [Fact]
    public void The_first_change_freezes_how_it_was_found()
    {
        var fan = Seen(3, AsFound.EvaporatorFan, FactState.Stopped, 1);
        var later = Seen(20, AsFound.EvaporatorFan, FactState.Running, 1);
        Assert.Null(AsFoundRecord.Of(Of(fan, later), Freezer).FrozenAt);
        var frozen = AsFoundRecord.Of(Of(fan, Part(10, WorkArea.Fans), later, Change(30)), Freezer);
        Assert.Equal(Nine.AddMinutes(10), frozen.FrozenAt);
        Assert.Equal([fan], frozen.Facts);
    }

    [Fact]
    public void Finding_something_so_or_reading_a_setting_disturbs_nothing()
    {
        var setting =
            new SettingEntry(
            new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), PressureSetting.LowCutOut, SettingStage.AsFound, new(1, Unit.Bar));
        Assert.False(((IChangesUnit)Change(1, foundSo: true)).ChangesUnit);
        Assert.False(((IChangesUnit)setting).ChangesUnit);
        Assert.True(((IChangesUnit)(setting with { Stage = SettingStage.AsSet })).ChangesUnit);
        Assert.True(((IChangesUnit)Change(1)).ChangesUnit);
    }

    [Fact]
    public void What_the_work_can_wipe_out_is_missing_until_it_is_on_record()
    {
        var missing =
            AsFoundRecord.Of(
            Of(Seen(1, AsFound.EvaporatorFan, FactState.Running, 1), Seen(1, AsFound.Coil, FactState.Clear)), Freezer).Missing;
        Assert.Contains(AsFound.EvaporatorFan, missing);
        Assert.Contains(AsFound.ControllerMode, missing);
        Assert.DoesNotContain(AsFound.Coil, missing);
        Assert.DoesNotContain(
            AsFound.EvaporatorFan, AsFoundRecord.Of(Of(Seen(1, AsFound.EvaporatorFan, FactState.Running)), Freezer).Missing);
        Assert.Contains(AsFound.Coil, AsFoundRecord.Of(Of(Change(1), Seen(5, AsFound.Coil, FactState.Clear)), Freezer).Missing);
        var onRack = Freezer with { Circuit = Freezer.Circuit with { Condenser = CondenserKind.Rack } };
        Assert.DoesNotContain(AsFound.Compressor, AsFoundRecord.Of(Of(), onRack).Missing);
    }

    [Fact]
    public void Every_state_of_every_fact_has_its_place_in_the_walk_round()
    {
        foreach (var fact in Enum.GetValues<AsFound>())
        {
            Assert.True(fact.States().Count >= 2);
            Assert.Equal(fact.States().Count, fact.States().Distinct().Count());
            Assert.True(Enum.IsDefined(fact.Group()));
        }

        Assert.Equal(FactGroup.Control, AsFound.Alarm.Group());
        Assert.Equal(FactGroup.Power, AsFound.Jumpers.Group());
    }

    [Theory]
    [InlineData("R290", Hazards.None, Hazards.Flammable)]
    [InlineData("R744", Hazards.ClosedRoom, Hazards.HighPressureCo2 | Hazards.ClosedRoom)]
    [InlineData("R404A", Hazards.Height, Hazards.Height)]
    [InlineData("R404A", Hazards.Flammable, Hazards.None)]
    public void Hazards_of_the_refrigerant_come_by_themselves_and_only_from_it(string refrigerant, Hazards noted, Hazards all) =>
        Assert.Equal(
            all, (Freezer with { Hazards = noted, Circuit = Freezer.Circuit with { RefrigerantName = refrigerant } }).AllHazards());

    [Fact]
    public void A_reading_carries_the_meter_in_use_at_its_moment_and_the_display_none()
    {
        var timeline =
            Of(Read(1, MeasuringPoint.BoxAir, -18, Unit.Celsius), Uses(2, 0.2, false), Read(3, MeasuringPoint.LiquidLine, 24, Unit.Celsius),
            Read(3, MeasuringPoint.SuctionPressure, 1, Unit.Bar), Read(4, MeasuringPoint.BoxDisplay, -19, Unit.Celsius));
        var readings = timeline.LatestReadings();
        Assert.Null(readings[MeasuringPoint.BoxAir].Instrument);
        Assert.Equal("T-2", readings[MeasuringPoint.LiquidLine].Instrument!.Name);
        Assert.Null(readings[MeasuringPoint.SuctionPressure].Instrument);
        Assert.Null(readings[MeasuringPoint.BoxDisplay].Instrument);
    }

    [Theory]
    [InlineData(false, ValidityLevel.Provisional)]
    [InlineData(true, ValidityLevel.Good)]
    public void An_unchecked_meter_makes_what_rests_on_it_provisional(bool isChecked, ValidityLevel level)
    {
        var readings = Bench.Consistent()
            .Select(r => r.Point == MeasuringPoint.SuctionLineCoil ? r with { Instrument = new(Guid.Empty, "T-5", null, isChecked) } : r);
        var analysis = Bench.Analyse(readings);
        Assert.Equal(level, analysis[ResultKind.SuperheatCoil].Validity.Level);
        Assert.Equal(ValidityLevel.Good, analysis[ResultKind.Subcooling].Validity.Level);
    }

    [Theory]
    [InlineData(0.2, 0.2, 0.4, true)]
    [InlineData(null, null, 0.4, false)]
    [InlineData(0.2, null, 0.52, false)]
    [InlineData(0.2, null, 0.56, true)]
    public void A_finer_meter_sees_a_smaller_move(double? now, double? before, double differenceK, bool moved)
    {
        static NamedInstrument? With(double? accuracy) => accuracy is null ? null : new(Guid.Empty, "T", accuracy, true);
        Assert.Equal(moved, InstrumentAccuracy.Differ(MeasuringPoint.BoxAir, 255 + differenceK, 255, With(now), With(before)));
    }

    [Theory]
    [InlineData(0.4, 10, true)]
    [InlineData(0.6, 10, false)]
    [InlineData(0.4, 91, false)]
    public void A_thermometer_is_good_when_its_ice_bath_is_close_and_not_long_ago(double shownC, int daysAgo, bool good)
    {
        var check =
            new InstrumentCheck(Guid.Empty, Guid.Empty, Nine.AddDays(-daysAgo), "Isolde", InstrumentCheckKind.IceBath, 273.15 + shownC,
                273.15);
        Assert.Equal(good, new Instrument(Guid.Empty, "T-2", QuantityKind.Temperature, null, check).IsChecked(Nine, Policies.Default));
    }

    [Fact]
    public void A_meter_never_checked_is_not_good_and_gauges_are_held_to_their_share()
    {
        Assert.False(new Instrument(Guid.Empty, "T-2", QuantityKind.Temperature, null, null).At(Nine, Policies.Default).IsChecked);
        var gauge = new Instrument(Guid.Empty, "G-1", QuantityKind.Pressure, 0.01, null);
        InstrumentCheck At(double shown, double known) => new(Guid.Empty, Guid.Empty, Nine, "Isolde", InstrumentCheckKind.KnownSource,
            shown, known);
        Assert.True(gauge.Passed(At(809, 801)));
        Assert.False(gauge.Passed(At(811, 801)));
        Assert.True(gauge.Passed(At(101.9, 100)));
    }
}
