using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using static KeenEmber.Core.Plant.PressureSetting;

namespace KeenEmber.Core.Tests.Benches.Controls;

public class PressureControlTests
{
    private static readonly Refrigerant R404A = RefrigerantCatalogue.Find("R404A")!;
    private static readonly CircuitMakeUp Cooler =
        new(EquipmentKind.WalkInCooler, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver);
    private static readonly CircuitMakeUp PumpDown = Cooler with { Parts = CircuitParts.Receiver | CircuitParts.LiquidSolenoid };

    /// <summary>The codes found for settings given as the temperatures they stand for.</summary>
    private static List<string> Codes(
        CircuitMakeUp makeUp, double boxC, double? coldestC, params (PressureSetting Setting, double Celsius)[] settings) =>
        [.. PressureControlChecks.Check(
            new(R404A, makeUp, Temperature.FromCelsius(boxC), coldestC is { } c ? Temperature.FromCelsius(c) : null,
            settings.ToDictionary(s => s.Setting, s => s.Setting.AsPressure(R404A, Temperature.FromCelsius(s.Celsius))!.Value)))
                .Select(f => f.Code)];

    [Fact]
    public void Sensible_settings_raise_nothing()
    {
        Assert.Empty(Codes(Cooler, 3, -5, (LowCutIn, 1), (LowCutOut, -11), (FanOn, 38), (FanOff, 27), (HighCutOut, 60)));
        Assert.Empty(Codes(PumpDown, -20, -15, (LowCutIn, -22), (LowCutOut, -36), (HighCutOut, 60)));
        Assert.Empty(Codes(Cooler with { Condenser = CondenserKind.WaterCooled }, 3, null, (WaterValveOpening, 32)));
        Assert.Empty(Codes(Cooler with { Condenser = CondenserKind.Rack }, 3, null, (EvaporatorRegulator, -3)));
        Assert.Empty(Codes(Cooler, 3, null));
    }

    [Fact]
    public void With_glide_a_regulator_that_holds_the_coil_at_its_mid_point_fits_the_box()
    {
        // The coil 7 K under a box of 3 °C by its mid-point; the dew point at that pressure is half the glide higher.
        var blend = RefrigerantCatalogue.Find("R449A")!;
        var held = FanOn.AsPressure(blend, Temperature.FromCelsius(3 - 5.5))!.Value;
        Assert.True(blend.DewTemperature(held)!.Value.Celsius > 0);
        Assert.Empty(PressureControlChecks.Check(new(blend, Cooler with { Condenser = CondenserKind.Rack }, Temperature.FromCelsius(3),
            null,
            new Dictionary<PressureSetting, Pressure> { [EvaporatorRegulator] = held })));
    }

    /// <summary>Kind of control, box °C, coldest air °C, then each setting as the temperature it stands for, and what must be
    /// said.</summary>
    public static TheoryData<string, double, double, PressureSetting, double, PressureSetting, double, string> Faults => new()
    {
        { "cooler", 3, 0, LowCutIn, -12, LowCutOut, -11, PressureControlChecks.CutInNotAboveCutOut },
        { "cooler", 3, 0, LowCutIn, 2.5, LowCutOut, -3, PressureControlChecks.CutOutAboveEvaporating },
        { "cooler", 3, 0, LowCutIn, 6, LowCutOut, -10, PressureControlChecks.CutInAboveBox },
        { "cooler", 3, 0, LowCutIn, -8, LowCutOut, -11, PressureControlChecks.DifferentialTooClose },
        { "cooler", 3, 0, LowCutIn, 1, LowCutOut, -20, PressureControlChecks.FreezesCooler },
        { "pump-down", -20, -15, LowCutIn, -22, LowCutOut, -29, PressureControlChecks.PumpDownCannotHold },
        { "pump-down", -20, -30, LowCutIn, -22, LowCutOut, -36, PressureControlChecks.CannotRestartInTheCold },
        { "cooler", 3, -15, FanOn, 30, FanOff, -20, PressureControlChecks.FanNeverStops },
        { "cooler", 3, -15, FanOn, 30, FanOff, 10, PressureControlChecks.FanOffTooLow },
        { "cooler", 3, -15, FanOn, 24, FanOff, 25, PressureControlChecks.FanOnNotAboveOff },
        { "cooler", 3, -15, FanOn, 48, FanOff, 30, PressureControlChecks.FanHoldsHeadHigh },
        { "cooler", 3, 0, HighCutOut, 48, HighCutOut, 48, PressureControlChecks.HighCutOutTooLow },
        { "cooler", 3, 0, HighCutOut, 69, HighCutOut, 69, PressureControlChecks.HighCutOutTooHigh },
        { "cooler", 3, 0, WaterValveOpening, 45, WaterValveOpening, 45, PressureControlChecks.WaterValveOutOfRange },
        { "cooler", 3, 0, EvaporatorRegulator, -12, EvaporatorRegulator, -12, PressureControlChecks.RegulatorOutOfRange },
        { "cooler", 3, 0, EvaporatorRegulator, 1, EvaporatorRegulator, 1, PressureControlChecks.RegulatorOutOfRange },
    };

    [Theory]
    [MemberData(nameof(Faults))]
    public void A_setting_that_cannot_work_is_named(
        string kind, double boxC, double coldestC, PressureSetting a, double aC, PressureSetting b, double bC, string expected)
    {
        var settings = new Dictionary<PressureSetting, double> { [a] = aC };
        settings[b] = bC;
        Assert.Equal([expected], Codes(kind == "cooler" ? Cooler : PumpDown, boxC, coldestC, [.. settings.Select(s => (s.Key, s.Value))]));
    }

    [Fact]
    public void Cold_weather_is_no_trouble_with_a_head_pressure_valve() =>
        Assert.Empty(
            Codes(PumpDown with { Parts = PumpDown.Parts | CircuitParts.HeadPressureValve }, -20, -30, (LowCutIn, -22), (LowCutOut, -36)));

    [Fact]
    public void A_pressure_outside_the_refrigerant_is_said_to_be()
    {
        var finding =
            Assert.Single(
            PressureControlChecks.Check(
            new(R404A, Cooler, Temperature.FromCelsius(3), null, new Dictionary<PressureSetting, Pressure> { [HighCutOut] = new(9000) })));
        Assert.Equal((PressureControlChecks.OutOfRange, "HighCutOut"), (finding.Code, finding.About[0].Id));
    }

    [Fact]
    public void A_setting_and_its_temperature_lead_back_to_each_other_for_any_refrigerant() => Prop.ForAll(
        Gen.Elements(RefrigerantCatalogue.All.Where(r => r.Name is not ("R744" or "R717")).ToArray()).ToArbitrary(),
        Gen.Elements(Enum.GetValues<PressureSetting>()).ToArbitrary(), Gen.Choose(-40, 55).ToArbitrary(), (refrigerant, setting, celsius) =>
        {
            var pressure = setting.AsPressure(refrigerant, Temperature.FromCelsius(celsius));
            return pressure is null || Math.Abs(setting.AsTemperature(refrigerant, pressure.Value)!.Value.Celsius - celsius) < 0.01;
        }).QuickCheckThrowOnFailure();

    [Fact]
    public void A_conversion_keeps_every_temperature_and_changes_every_pressure()
    {
        var to = RefrigerantCatalogue.Find("R448A")!;
        var settings = new Dictionary<PressureSetting, Pressure> { [LowCutOut] = new(130), [FanOff] = new(1300), [HighCutOut] = new(9000) };
        var converted = PressureSettings.Converted(settings, R404A, to);
        Assert.Equal(R404A.DewTemperature(new(130))!.Value.Celsius, to.DewTemperature(converted[LowCutOut]!.Value)!.Value.Celsius, 0.01);
        Assert.Equal(
            R404A.MidpointTemperature(new(1300))!.Value.Celsius, to.MidpointTemperature(converted[FanOff]!.Value)!.Value.Celsius, 0.01);
        Assert.Null(converted[HighCutOut]);
        Assert.True(converted[LowCutOut]!.Value.Kpa < 115);
    }

    [Theory]
    [InlineData(CondenserKind.AirCooledSelfContained, CircuitParts.None, new[] { HighCutOut })]
    [InlineData(CondenserKind.Rack, CircuitParts.EvaporatorPressureRegulator, new[] { EvaporatorRegulator })]
    [InlineData(CondenserKind.WaterCooled, CircuitParts.None, new[] { LowCutIn, LowCutOut, HighCutOut, WaterValveOpening })]
    [InlineData(CondenserKind.AirCooledRemote, CircuitParts.FanCyclingControl, new[] { LowCutIn, LowCutOut, FanOn, FanOff, HighCutOut })]
    public void A_unit_has_the_settings_of_its_make_up(CondenserKind condenser, CircuitParts parts, PressureSetting[] expected) =>
        Assert.Equal(expected, PressureSettings.Of(Cooler with { Condenser = condenser, Parts = parts }));

    [Fact]
    public void As_left_is_as_set_or_else_as_found()
    {
        var unit =
            new Equipment(
            Guid.CreateVersion7(), Guid.CreateVersion7(), "C-1", "", EquipmentKind.WalkInCooler, Temperature.FromCelsius(3), 1, "", "",
            new(Guid.CreateVersion7(), "R404A", null, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver,
                ""));
        SettingEntry Entry(PressureSetting setting, SettingStage stage, double bar, int minute) =>
            new(new(Guid.CreateVersion7(), Guid.Empty, Circuit.Bench.Noon.AddMinutes(minute), Circuit.Bench.Noon, "Isolde"), setting,
                stage, new(bar, Unit.Bar));
        var timeline = new Timeline([
            Entry(LowCutOut, SettingStage.AsSet, 1.6, 5), Entry(LowCutOut, SettingStage.AsFound, 0.4, 6),
                Entry(LowCutIn, SettingStage.AsFound, 3.9, 1)], unit, Pressure.StandardAtmosphere);
        Assert.Equal((1.6, 3.9), (timeline.SettingsAsLeft()[LowCutOut].Value.Number, timeline.SettingsAsLeft()[LowCutIn].Value.Number));
        Assert.Equal(0.4, timeline.Settings(SettingStage.AsFound)[LowCutOut].Value.Number);
    }
}
