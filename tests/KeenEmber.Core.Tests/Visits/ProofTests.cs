using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Benches.Circuit;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Visits;

/// <summary>What proves a repair, and that nothing seen before it does.</summary>
public class ProofTests
{
    private static bool IsProved(ProofKind kind, params Entry[] entries) =>
        Worked.Of(entries).Proofs.Single(p => p.Kind == kind).IsProved;

    [Theory]
    [InlineData(WorkArea.Fans, ProofKind.FansRun)]
    [InlineData(WorkArea.Defrost, ProofKind.WholeDefrost, ProofKind.CoilClear)]
    [InlineData(WorkArea.LimitSwitch, ProofKind.WholeDefrost)]
    [InlineData(WorkArea.Control, ProofKind.CutOutReached, ProofKind.CutInReached)]
    [InlineData(WorkArea.Circuit, ProofKind.CircuitJudged, ProofKind.BoxAtTarget)]
    [InlineData(WorkArea.StartParts, ProofKind.StartedAgain, ProofKind.CurrentWithinPlate)]
    [InlineData(WorkArea.Box, ProofKind.BoxAtTarget)]
    [InlineData(WorkArea.CondenserFan, ProofKind.CondenserFanRuns)]
    [InlineData(WorkArea.Motor, ProofKind.StartedAgain)]
    [InlineData(WorkArea.Sensor, ProofKind.SensorAgrees)]
    [InlineData(WorkArea.Other, ProofKind.CutOutReached)]
    public void Each_area_wants_its_own_proof(WorkArea area, params ProofKind[] wanted)
    {
        Assert.Equal(wanted, Worked.Of(Freezer, Part(1, area)).Proofs.Select(p => p.Kind));
        var gauge = Read(0, MeasuringPoint.SuctionPressure, 1.2, Unit.Bar);
        Assert.Equal(wanted, Worked.Of(Freezer, gauge, Change(1, area)).Proofs.Select(p => p.Kind));
    }

    [Fact]
    public void What_was_found_so_or_is_still_temporary_wants_none() =>
        Assert.Empty(Worked.Of(Freezer, Change(1, foundSo: true), Change(2, opens: OpenItemKind.Jumper)).Proofs);

    [Fact]
    public void A_unit_without_a_plate_current_is_not_asked_for_it() =>
        Assert.Equal(
            [ProofKind.StartedAgain],
            Worked.Of(Freezer with { Circuit = Freezer.Circuit with { RatedCurrentA = null } }, Part(1, WorkArea.Power)).Proofs.Select(
            p => p.Kind));

    [Fact]
    public void Every_fan_must_be_seen_running_after_the_part()
    {
        var part = Part(10, WorkArea.Fans);
        Assert.False(IsProved(ProofKind.FansRun, part, Seen(5, AsFound.EvaporatorFan, FactState.Running)));
        Assert.False(IsProved(ProofKind.FansRun, part, Seen(12, AsFound.EvaporatorFan, FactState.Running, 1)));
        Assert.True(
            IsProved(
            ProofKind.FansRun, part, Seen(12, AsFound.EvaporatorFan, FactState.Running, 1),
            Seen(13, AsFound.EvaporatorFan, FactState.Running, 2)));
        Assert.False(
            IsProved(
            ProofKind.FansRun, part, Seen(12, AsFound.EvaporatorFan, FactState.Running),
            Seen(13, AsFound.EvaporatorFan, FactState.Stopped, 2)));
    }

    [Theory]
    [InlineData(7.9, true)]
    [InlineData(8.0, true)]
    [InlineData(8.1, false)]
    public void Current_is_held_against_the_plate(double amps, bool proved) =>
        Assert.Equal(
            proved, IsProved(
            ProofKind.CurrentWithinPlate, Part(1, WorkArea.Power), Read(5, MeasuringPoint.CompressorCurrent, amps, Unit.Ampere)));

    [Theory]
    [InlineData(-18.1, true)]
    [InlineData(-17.5, false)]
    [InlineData(-21.9, true)]
    [InlineData(-27, false)]
    public void The_box_is_back_when_it_is_within_its_differential(double boxC, bool proved) =>
        Assert.Equal(proved, IsProved(ProofKind.BoxAtTarget, Part(1, WorkArea.Box), Read(30, MeasuringPoint.BoxAir, boxC, Unit.Celsius)));

    [Fact]
    public void A_clear_coil_is_proved_by_picture_or_fact_afterwards()
    {
        FrostEntry Picture(FrostPicture picture, bool after) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(20), Nine, "Isolde"), after, picture);
        var part = Part(10, WorkArea.Defrost);
        Assert.True(IsProved(ProofKind.CoilClear, part, Picture(FrostPicture.AllClear, after: true)));
        Assert.False(IsProved(ProofKind.CoilClear, part, Picture(FrostPicture.AllClear, after: false)));
        Assert.False(IsProved(ProofKind.CoilClear, part, Picture(new(new('1', 24), "00000"), after: true)));
        Assert.True(IsProved(ProofKind.CoilClear, part, Seen(20, AsFound.Coil, FactState.Clear)));
    }

    [Fact]
    public void What_nobody_can_read_off_is_proved_by_saying_so()
    {
        var part = Part(10, WorkArea.LimitSwitch);
        ProofEntry Said(int minute) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), ProofKind.WholeDefrost,
            "ended at 13 °C after 22 min");
        Assert.False(IsProved(ProofKind.WholeDefrost, part, Said(9)));
        Assert.True(IsProved(ProofKind.WholeDefrost, part, Said(40)));
        Assert.False(ProofKind.WholeDefrost.FillsItself());
        Assert.True(ProofKind.BoxAtTarget.FillsItself());
    }

    [Fact]
    public void A_charge_is_proved_by_results_that_count_from_readings_after_it()
    {
        var added = new RefrigerantEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(10), Nine, "Isolde"), "R404A", 0.4, "", "");
        Entry[] Round(int minute) =>
        [
            Read(minute, MeasuringPoint.SuctionPressure, 1.4, Unit.Bar), Read(minute, MeasuringPoint.SuctionLineCoil, -20, Unit.Celsius),
            Read(minute, MeasuringPoint.DischargePressure, 12, Unit.Bar), Read(minute, MeasuringPoint.LiquidLine, 24, Unit.Celsius),
        ];
        bool Proved(Entry[] readings, CircuitAnalysis analysis) =>
            Proofs.Of(Of([added, .. readings]), Freezer, [new CircuitJudgement(Freezer, analysis, null, null, true)]).Single().IsProved;
        CircuitAnalysis Judged(Entry[] readings, OperatingConditions? conditions = null) => Bench.Analyse(readings.Cast<ReadingEntry>()
            .Select(r => new TakenReading(r.Id, r.Point, r.At, r.Value, Pressure.StandardAtmosphere, conditions ?? Bench.Settled)));
        var (before, after) = (Round(5), Round(40));
        Assert.True(Proved(after, Judged(after)));
        Assert.False(Proved(before, Judged(before)));
        Assert.False(Proved(after, Judged(after, Bench.Settled with { Coil = FactState.Iced })));
    }

    [Fact]
    public void What_was_recovered_is_not_proved_by_superheat() => Assert.Empty(Proofs.Of(
        Of(new RefrigerantEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(10), Nine, "Isolde"), "R404A", -0.4, "", "")),
        Freezer, []));

    [Fact]
    public void A_setting_made_is_proved_by_both_ends_of_its_cycle()
    {
        var set =
            new SettingEntry(
            new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), PressureSetting.LowCutOut, SettingStage.AsSet, new(1, Unit.Bar));
        Assert.Equal([ProofKind.CutOutReached, ProofKind.CutInReached], Worked.Of(Freezer, set).Proofs.Select(p => p.Kind));
        Assert.Empty(Worked.Of(Freezer, set with { Stage = SettingStage.AsFound }).Proofs);
    }

    [Fact]
    public void A_condenser_fan_is_proved_by_running_afterwards_and_not_by_the_compressors_current()
    {
        var part = Part(10, WorkArea.CondenserFan);
        Assert.False(IsProved(ProofKind.CondenserFanRuns, Seen(5, AsFound.CondenserFan, FactState.Running), part));
        Assert.True(IsProved(ProofKind.CondenserFanRuns, part, Seen(12, AsFound.CondenserFan, FactState.Running)));
        Assert.False(
            IsProved(
                ProofKind.CondenserFanRuns, part, Seen(12, AsFound.CondenserFan, FactState.Running),
                Seen(20, AsFound.CondenserFan, FactState.Stopped)));
    }

    [Fact]
    public void A_cleaned_condenser_asks_for_gauges_only_where_they_were_on()
    {
        var cleaned = Change(10, WorkArea.Circuit);
        Assert.Equal([ProofKind.BoxAtTarget], Worked.Of(cleaned).Proofs.Select(p => p.Kind));
        Assert.Equal(
            [ProofKind.CircuitJudged, ProofKind.BoxAtTarget],
            Worked.Of(Read(5, MeasuringPoint.SuctionPressure, 1.2, Unit.Bar), cleaned).Proofs.Select(p => p.Kind));
    }

    [Fact]
    public void A_sealed_unit_is_never_asked_for_gauges()
    {
        var sealedUnit = Freezer with { Circuit = Freezer.Circuit with { Metering = Metering.CapillaryTube } };
        var charged = new RefrigerantEntry(Part(20, WorkArea.Circuit).Header, "R404A", 0.145, "", "");
        Assert.Equal(
            [ProofKind.BoxAtTarget, ProofKind.BoxAtTarget],
            Worked.Of(sealedUnit, Part(10, WorkArea.Circuit), charged).Proofs.Select(p => p.Kind));
    }

    [Fact]
    public void A_replaced_box_sensor_is_proved_by_its_own_check_afterwards()
    {
        var part = Part(10, WorkArea.Sensor) with { Component = new(ComponentKind.BoxSensor) };
        SensorEntry Named(string name, SensorRole role) =>
            new(Seen(1, AsFound.Door, FactState.Shut).Header, name, role, new("ntc-10k-3435"), "", "", null);
        SensorCheckEntry Good(int minute, string sensor) => new(
            Seen(minute, AsFound.Door, FactState.Shut).Header, sensor, Guid.CreateVersion7(), new(-18, Unit.Celsius),
            new(new CurveSpec("ntc-10k-3435").Curve!.SignalAt(-18) / 1000, Unit.Kiloohm), false, new(-18, Unit.Celsius), false);
        Entry[] named = [Named("box", SensorRole.Box), Named("coil", SensorRole.DefrostEnd)];
        Assert.Equal(new Component(ComponentKind.EndSensor, 2), (Named("coil", SensorRole.DefrostEnd) with { Coil = 2 }).Component);
        Assert.False(IsProved(ProofKind.SensorAgrees, [.. named, Good(5, "box"), part]));
        Assert.False(IsProved(ProofKind.SensorAgrees, [.. named, part, Good(20, "coil")]));
        Assert.True(IsProved(ProofKind.SensorAgrees, [.. named, part, Good(20, "box")]));
    }
}
