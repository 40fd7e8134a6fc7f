using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Sensors;

/// <summary>Sensors and controllers as the timelines have them: what checks speak for, what a mend ends, what is proved, what comes back
/// over the visits.</summary>
public sealed class SensorServiceTests
{
    private static readonly CurveSpec Ntc = new("ntc-10k-3435");

    private static SensorEntry Sensor(string name, double minute = 1, SensorRole role = SensorRole.Box, bool gone = false) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), name, role, Ntc, "", "",
            new(0, Unit.KelvinDifference), gone);

    private static SensorCheckEntry Check(
        string sensor, double minute, double reference, double told, double? shown = null, bool bath = false) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"),
        sensor, Round(minute), new(reference, Unit.Celsius), new(Ntc.Curve!.SignalAt(told) / 1000, Unit.Kiloohm), false, shown is { } s
            ? new(s, Unit.Celsius) : null, bath);

    /// <summary>Checks of one minute are one round.</summary>
    private static Guid Round(double minute) => new((int)minute, 0, 0, new byte[8]);

    private static SensorRepairEntry Repair(string sensor, double minute, SensorRepair repair = SensorRepair.Replaced) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), sensor, repair);

    private static UnitSensors Sensors(params Entry[] entries) => UnitSensors.Of(Of(entries), [Of(entries)], Pressure.StandardAtmosphere);

    [Theory]
    [InlineData(32_660, 0, 0.1, SensorVerdict.Good)]
    [InlineData(32_660, 0, 4, SensorVerdict.ControllerSide)]
    [InlineData(17_000, 0, 0.1, SensorVerdict.Good)]
    [InlineData(17_000, 0, 4, SensorVerdict.Unsettled)]
    public void A_sensor_of_no_known_kind_is_of_the_one_that_it_measures_like(
        double ohm, double reference, double shown, SensorVerdict verdict)
    {
        var unknown = Sensor("box") with { Curve = new() };
        var check = Check("box", 5, reference, 0, shown) with { Signal = new(ohm / 1000, Unit.Kiloohm) };
        Assert.Equal(verdict, Sensors(unknown, check).Sensors[0].Now!.Result.Verdict);
    }

    [Fact]
    public void What_was_found_stays_and_a_mended_sensor_speaks_anew()
    {
        var s = Sensors(Sensor("box"), Check("box", 5, -18, -10, -10), Repair("box", 20), Check("box", 30, -17, -17.1, -17));
        Assert.Equal(SensorVerdict.SensorOrPlace, s.Sensors[0].Found!.Result.Verdict);
        Assert.Equal(SensorVerdict.Good, s.Sensors[0].Now!.Result.Verdict);
        Assert.Equal("sensor.sensor-or-place", Assert.Single(s.Found).Code);
        Assert.Empty(s.Now);
        var proof = Assert.Single(s.Proofs);
        Assert.Equal((ProofKind.SensorAgrees, true), (proof.Kind, proof.IsProved));
        Assert.IsType<SensorCheckEntry>(proof.By);
    }

    [Fact]
    public void A_sensor_that_is_renamed_keeps_its_checks_and_its_mends()
    {
        var renamed = Sensor("box air", 40) with { FormerName = "box" };
        var s = Sensors(Sensor("box"), Check("box", 5, -18, -10, -10), Repair("box", 20), Check("box", 30, -17, -17.1, -17), renamed);
        Assert.Equal("box air", Assert.Single(s.Sensors).Name);
        Assert.Equal(
            (SensorVerdict.SensorOrPlace, SensorVerdict.Good), (s.Sensors[0].Found!.Result.Verdict, s.Sensors[0].Now!.Result.Verdict));
        Assert.Single(
            UnitSensors.Errors([Of(Sensor("box"), Check("box", 5, -18, -10, -10), renamed)], Pressure.StandardAtmosphere)["box air"]);
    }

    /// <summary>A worse thermometer named at noon says nothing of what was compared at nine.</summary>
    [Fact]
    public void A_check_is_judged_with_the_meter_named_before_it()
    {
        Entry[] before = [Sensor("box"), Uses(1, 0.3, isChecked: true), Check("box", 5, -18, -16.2, -16.2)];
        Assert.Equal(
            Sensors(before).Sensors[0].Found!.Result.Clear,
            Sensors([.. before, Uses(60, 5, isChecked: false)]).Sensors[0].Found!.Result.Clear);
        Assert.True(Sensors([.. before, Uses(60, 5, isChecked: false)]).InstrumentsChecked);
        Assert.False(Sensors([Sensor("box"), Uses(1, 5, isChecked: false), Check("box", 5, -18, -16.2, -16.2)]).InstrumentsChecked);
    }

    [Fact]
    public void A_mend_without_a_check_is_not_proved()
    {
        var s = Sensors(Sensor("box"), Check("box", 5, -18, -10, -10), Repair("box", 20));
        Assert.Null(s.Sensors[0].Now);
        Assert.False(Assert.Single(s.Proofs).IsProved);
    }

    [Fact]
    public void Checks_of_one_round_find_a_swap_and_checks_of_two_do_not()
    {
        var swapped =
            Sensors(Sensor("box"), Sensor("coil", 2, SensorRole.DefrostEnd), Check("box", 5, -18, -25, -25),
            Check("coil", 5, -25, -18, -18));
        Assert.Equal(["box", "coil"], Assert.Single(swapped.Found).About.Select(s => s.Id));
        Assert.Equal(2, swapped.Found[0].Basis.Count + swapped.Found[0].About.Count - 1);
        var apart =
            Sensors(Sensor("box"), Sensor("coil", 2, SensorRole.DefrostEnd), Check("box", 5, -18, -25, -25),
            Check("coil", 55, -25, -18, -18));
        Assert.DoesNotContain(apart.Found, f => f.Code == "sensor.swapped");
    }

    [Fact]
    public void The_list_keeps_its_order_the_last_word_holds_and_what_is_gone_is_gone()
    {
        var s = Sensors(
            Sensor("box"), Sensor("coil", 2), Sensor("line", 3), Sensor("box", 9) with { Channel = "S4" }, Sensor("coil", 10, gone: true));
        Assert.Equal(["box", "line"], s.Sensors.Select(x => x.Name));
        Assert.Equal("S4", s.Sensors[0].Sensor.Channel);
    }

    [Fact]
    public void A_slip_is_named_and_a_lead_is_taken_off()
    {
        var kilo = Check("box", 5, -18, -18) with { Signal = new(61.4, Unit.Ohm) };
        Assert.Equal(SensorSlip.KiloohmForOhm, Sensors(Sensor("box"), kilo).Sensors[0].Slip);
        var pt100 = Sensor("box") with { Curve = new("pt100") };
        var read = Check("box", 5, 0, 0) with { Signal = new(100.6, Unit.Ohm), LeadOhm = new(0.6, Unit.Ohm) };
        Assert.Equal(100, UnitSensors.Point(pt100, read, 0, Pressure.StandardAtmosphere).Signal!.Value, 9);
        Assert.Equal(
            double.PositiveInfinity,
            UnitSensors.Point(pt100, read with { IsOpen = true, Signal = null }, 0, Pressure.StandardAtmosphere).Signal);
    }

    [Fact]
    public void An_unchecked_meter_makes_it_provisional_and_a_good_one_narrows_it()
    {
        var meter =
            new InstrumentEntry(
            new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), QuantityKind.Temperature,
            new(Guid.CreateVersion7(), "T-5", null, IsChecked: false));
        Assert.False(Sensors(meter, Sensor("box")).InstrumentsChecked);
        var coarse = Sensors(Sensor("box"), Check("box", 5, -18, -16.7));
        var fine = Sensors(meter with { Instrument = new(Guid.CreateVersion7(), "T-1", 0.1, true) }, Sensor("box"),
            Check("box", 5, -18, -16.7));
        Assert.True(fine.Sensors[0].Now!.Result.Clear > coarse.Sensors[0].Now!.Result.Clear);
    }

    [Fact]
    public void The_error_of_a_sensor_goes_over_the_visits()
    {
        var errors =
            UnitSensors.Errors(
            [Of(Sensor("coil"), Check("coil", 5, -24, -24.2, -24.1)),
            Of(Check("coil", 5000, -23, -28, -28.1), Check("coil", 5010, 35, 34, bath: true))], Pressure.StandardAtmosphere)["coil"];
        Assert.Equal([-0.1, -5.1], errors.Select(m => Math.Round(m.Value, 1)));
        Assert.Equal([false, true], errors.Select(m => m.Moved));
    }

    [Theory]
    [InlineData(5, true, EndedBy.Temperature, null, DefrostLink.ExplainsEarlyEnd)]
    [InlineData(5, false, EndedBy.Temperature, 3.0, DefrostLink.None)]
    [InlineData(-5, false, EndedBy.TimeLimit, 12.0, DefrostLink.ExplainsLateEnd)]
    [InlineData(-5, false, EndedBy.Temperature, 9.0, DefrostLink.ExplainsLateEnd)]
    [InlineData(-1, false, EndedBy.TimeLimit, 12.0, DefrostLink.None)]
    [InlineData(double.NegativeInfinity, false, EndedBy.TimeLimit, 12.0, DefrostLink.ExplainsLateEnd)]
    public void An_end_sensors_error_explains_how_a_defrost_ended(double errorK, bool ice, EndedBy end, double? overRun, DefrostLink link)
    {
        var place =
            new PlaceMelt(new(RunPlaceKind.ColdestBend), ice ? ClearTold.NotClear : ClearTold.Plateau, 0, 5, ice ? null : 30 - overRun);
        var result =
            new DefrostResult(
            new(null, 0, 30, null, null, false), end, [place], ice ? null
            : 30 - overRun, place.Place, null, null, null, new(null, null, false, 0), null, []);
        Assert.Equal(link, SensorLinks.Of(errorK, result));
    }

    [Fact]
    public void Outputs_events_sheet_and_damage_come_from_the_timeline()
    {
        OutputStateEntry Look(double minute, OutputState state, bool tapped = false) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), ControlOutput.Compressor, state, tapped);
        var welded = Of(Look(1, new(false, true, true)), Look(2, new(false, false, false), tapped: true));
        var fault = Assert.Single(ControlsOnRecord.Faults(welded));
        Assert.Equal(("output.stuck-closed", 2), (fault.Code, fault.Basis.Count));
        Assert.True(ControlsOnRecord.ChangedOnTap([.. welded.Standing.OfType<OutputStateEntry>()]));
        Assert.Empty(ControlsOnRecord.Faults(Of(Look(1, new(true, true, true)))));

        // A new control ends what was seen of the old one; what was found stays found.
        var renewed =
            Of(Look(1, new(false, true, true)), Part(5, WorkArea.Control), Look(9, new(true, true, true)),
            Look(12, new(false, false, false)));
        Assert.Single(ControlsOnRecord.Faults(renewed));
        Assert.Empty(ControlsOnRecord.FaultsNow(renewed));
        Assert.Equal(OutputVerdict.Works, ControlsOnRecord.OutputsNow(renewed)[ControlOutput.Compressor].Verdict);

        ParameterEntry Set(double minute, SettingStage stage, double hours) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), ControllerParameter.DefrostInterval, stage,
            new(hours, Unit.Hour));
        Assert.Equal(
            360, ControlsOnRecord.InBaseUnits(
            ControlsOnRecord.Sheet(
            [Of(Set(1, SettingStage.AsFound, 12), Set(1, SettingStage.AsSet, 6))]))[ControllerParameter.DefrostInterval]);

        DamageEntry Damaged(double minute, DamageKind kind) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), ControlPart.Display, kind);
        Assert.Equal(
            DamageKind.None, ControlsOnRecord.Damage(Of(Damaged(1, DamageKind.Wet), Damaged(5, DamageKind.None)))[ControlPart.Display]);
    }

    [Fact]
    public void A_cut_out_seen_after_the_repair_proves_it()
    {
        ControlEventEntry Event(double minute, bool cutsIn) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), cutsIn, null);
        var proofs = Worked.Of(Event(1, true), Part(5, WorkArea.Control), Event(20, false)).Proofs;
        Assert.Equal([(ProofKind.CutOutReached, true), (ProofKind.CutInReached, false)], proofs.Select(p => (p.Kind, p.IsProved)));
    }

    [Fact]
    public void A_control_that_acts_elsewhere_is_to_be_explained_until_its_sensor_or_a_new_one_does()
    {
        ControlEventEntry Event(double minute, bool cutsIn, double tempC) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), cutsIn, new(tempC, Unit.Celsius));
        var set =
            new ControlSettingEntry(
            new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), ControlKind.SetIsCutOut, new(-20, Unit.Celsius),
            new(2, Unit.KelvinDifference), null);
        Entry[] cold = [set, Event(10, false, -24), Event(30, true, -22), Event(50, false, -24)];
        IEnumerable<string> Faults(params Entry[] entries) =>
            ControlsOnRecord.CycleFaults(
                Of(entries),
                ControlsOnRecord.Cycle(Of(entries), ControlsOnRecord.Setting([Of(entries)])?.Setting, Sensors(entries).BoxErrorK))
                .Select(f => f.Code);
        Assert.Equal([ControlsOnRecord.CycleShifted], Faults(cold));
        Assert.Empty(Faults([.. cold, Sensor("box"), Check("box", 5, -22, -18, -18)]));
        Assert.Empty(Faults([.. cold, Part(60, WorkArea.Control), Event(70, false, -20.1), Event(90, true, -18), Event(110, false, -20)]));
        Assert.Equal([ControlsOnRecord.CycleShort], Faults(Event(10, true, -18), Event(11, false, -20), Event(12, true, -18)));
        var turned = new BulbTurnEntry(new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), new("left", "right"));
        Assert.Equal([ControlsOnRecord.BulbsCrossed], Faults(turned));
    }

    [Fact]
    public void A_control_on_suction_pressure_is_held_against_the_low_pressure_settings_as_temperatures()
    {
        ControlEventEntry Event(double minute, bool cutsIn, double bar) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), cutsIn, new(bar, Unit.Bar));
        SettingEntry Low(PressureSetting setting, double bar) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), setting, SettingStage.AsFound, new(bar, Unit.Bar));
        CycleResult Cycle(params Entry[] entries) => Worked.Of(entries).Of<ControlsJudgement>()!.Cycle;
        Entry[] seen = [Event(10, false, 0.6), Event(30, true, 1.6), Event(50, false, 0.6), Sensor("box"), Check("box", 5, -22, -18, -18)];
        var asSet = Cycle([.. seen, Low(PressureSetting.LowCutOut, 0.6), Low(PressureSetting.LowCutIn, 1.6)]);
        Assert.Equal((CycleVerdict.AsSet, true), (asSet.Verdict, asSet.IsOnPressure));
        Assert.Equal(
            Freezer.Circuit.Refrigerant!.DewTemperature(new(160 + Pressure.StandardAtmosphere.Kpa))!.Value.Celsius, asSet.CutInC!.Value, 6);
        Assert.Equal(
            CycleVerdict.Shifted, Cycle([.. seen, Low(PressureSetting.LowCutOut, 0.2), Low(PressureSetting.LowCutIn, 1.05)]).Verdict);
        Assert.Equal(CycleVerdict.Measured, Cycle([.. seen, Low(PressureSetting.LowCutOut, 0.6)]).Verdict);
    }

    [Fact]
    public void Typed_events_come_before_those_of_a_series()
    {
        var readings = Enumerable.Range(0, 120)
            .Select(m => (Entry)new ReadingEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(m), Nine, "Isolde"),
            MeasuringPoint.BoxAir, new(-19 + Math.Abs(m % 40 - 20) / 10.0, Unit.Celsius))).ToArray();
        Assert.Equal(5, ControlsOnRecord.Events(Of(readings)).Count);
        var typed =
            new ControlEventEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(3), Nine, "Isolde"), true, new(-18, Unit.Celsius));
        Assert.Equal(typed.Id, Assert.Single(ControlsOnRecord.Events(Of([.. readings, typed]))).Entry);
    }
}
