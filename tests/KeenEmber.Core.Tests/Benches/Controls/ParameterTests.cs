using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Tests.Benches.Controls;

public sealed class ParameterTests
{
    private static readonly Dictionary<ControllerParameter, double> Sound = new()
    {
        [ControllerParameter.SetPoint] = -20, [ControllerParameter.Differential] = 2, [ControllerParameter.Offset] = 0,
            [ControllerParameter.DefrostInterval] = 360, [ControllerParameter.DefrostLength] = 30,
        [ControllerParameter.DefrostEnd] = 10, [ControllerParameter.Drip] = 2, [ControllerParameter.FanDelay] = -5,
            [ControllerParameter.AlarmHigh] = -12, [ControllerParameter.AlarmLow] = -26,
    };

    private static IEnumerable<string> Check(
        Dictionary<ControllerParameter, double> values, double targetC = -20, DefrostKind defrost = DefrostKind.Electric,
        string refrigerant = "R404A") =>
        ParameterChecks.Check(values, Temperature.FromCelsius(targetC),
            new(EquipmentKind.WalkInFreezer, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.None),
                RefrigerantCatalogue.Find(refrigerant), defrost).Select(f => f.Code);

    [Fact]
    public void A_sound_sheet_says_nothing() => Assert.Empty(Check(Sound));

    [Theory]
    [InlineData(ControllerParameter.SetPoint, -24.5, ParameterChecks.SetPointOff)]
    [InlineData(ControllerParameter.Differential, 6.5, ParameterChecks.DifferentialOff)]
    [InlineData(ControllerParameter.Offset, -3.5, ParameterChecks.OffsetLarge)]
    [InlineData(ControllerParameter.DefrostInterval, 2880, ParameterChecks.IntervalOff)]
    [InlineData(ControllerParameter.DefrostLength, 99, ParameterChecks.LengthOff)]
    [InlineData(ControllerParameter.DefrostEnd, 1, ParameterChecks.EndOff)]
    [InlineData(ControllerParameter.Drip, 0, ParameterChecks.DripOff)]
    [InlineData(ControllerParameter.FanDelay, 8, ParameterChecks.FanDelayWarm)]
    [InlineData(ControllerParameter.AlarmHigh, -19, ParameterChecks.AlarmInside)]
    [InlineData(ControllerParameter.AlarmLow, -18, ParameterChecks.AlarmInside)]
    public void One_parameter_out_of_line_is_named(ControllerParameter parameter, double value, string code) =>
        Assert.Equal(code, Assert.Single(Check(new(Sound) { [parameter] = value })));

    [Fact]
    public void The_set_point_must_suit_the_refrigerant_and_the_kind_of_defrost()
    {
        Assert.Contains(ParameterChecks.SetPointInVacuum, Check(new(Sound) { [ControllerParameter.SetPoint] = -22 }, refrigerant: "R134a"));
        Assert.Contains(ParameterChecks.OffCycleTooCold, Check(Sound, defrost: DefrostKind.OffCycle));
    }

    [Fact]
    public void A_kind_of_controller_has_its_own_parameters()
    {
        Assert.Equal(2, ControllerParameters.Of(ControllerTemplate.Thermostat).Count);
        Assert.DoesNotContain(ControllerParameter.FanDelay, ControllerParameters.Of(ControllerTemplate.CoolerOffCycle));
        Assert.Equal(ControllerTemplate.FreezerHotGas, ControllerParameters.Likely(Temperature.FromCelsius(-20), DefrostKind.HotGas));
        Assert.Equal(ControllerTemplate.CoolerOffCycle, ControllerParameters.Likely(Temperature.FromCelsius(3), null));
    }

    [Fact]
    public void A_wetted_set_goes_whole_or_singly_and_a_burnt_terminal_by_itself()
    {
        var wet = new Dictionary<ControlPart,
            DamageKind> { [ControlPart.Display] = DamageKind.Wet, [ControlPart.Terminals] = DamageKind.Burnt,
            [ControlPart.Cable] = DamageKind.None };
        Assert.Equal(
            [ControlPart.Control, ControlPart.Display, ControlPart.Cable, ControlPart.Sensors], WettedSet.ToReplace(wet, whole: true));
        Assert.Equal([ControlPart.Display, ControlPart.Terminals], WettedSet.ToReplace(wet, whole: false));
        Assert.Equal(
            [ControlPart.Terminals],
            WettedSet.ToReplace(new Dictionary<ControlPart, DamageKind> { [ControlPart.Terminals] = DamageKind.Burnt }, whole: true));
    }
}
