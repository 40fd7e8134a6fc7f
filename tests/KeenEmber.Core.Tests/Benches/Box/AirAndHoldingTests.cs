using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Tests.Benches.Box;

/// <summary>Air at several places, product that follows it, systems side by side, and how a box is held in other weather.</summary>
public sealed class AirAndHoldingTests
{
    private static readonly DateTimeOffset Nine = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    private static EntryHeader At(double minute) =>
        new(Guid.CreateVersion7(), Guid.Empty, Nine.AddMinutes(minute), Nine.AddMinutes(minute), "Isolde Marrin");

    private static Temperature C(double celsius) => Temperature.FromCelsius(celsius);

    private static AirAtEntry Air(AirSide side, string where, double celsius, double minute = 0) =>
        new(At(minute), side, where, new(celsius, Unit.Celsius));

    [Fact]
    public void Air_that_is_even_says_nothing_and_uneven_air_names_its_place()
    {
        var even = AirByPlace.Of([Air(AirSide.Return, "left", 3), Air(AirSide.Return, "right", 4.5), Air(AirSide.Supply, "left", -2)]);
        Assert.Equal((null, null, null), (even.WarmPlace, even.WarmSupply, even.StraightBack));

        var uneven = AirByPlace.Of([Air(AirSide.Return, "left", 3), Air(AirSide.Return, "door", 7.2), Air(AirSide.Supply, "left", -2),
            Air(AirSide.Supply, "right", 1.6)]);
        Assert.Equal(("door", "right"), (uneven.WarmPlace?.Where, uneven.WarmSupply?.Where));

        // Measured again at the same place: the later one holds.
        Assert.Null(AirByPlace.Of([Air(AirSide.Return, "left", 3), Air(AirSide.Return, "Door", 7.2), Air(AirSide.Return, "door", 4, 9)])
            .WarmPlace);
    }

    [Fact]
    public void Air_as_cold_as_it_was_blown_out_went_straight_back()
    {
        var air = AirByPlace.Of([Air(AirSide.Supply, "", -3), Air(AirSide.Return, "left", -2.2), Air(AirSide.Return, "right", 5)]);
        Assert.Equal("left", air.StraightBack?.Where);
        var visit = Cases.Worked.Of(Air(AirSide.Supply, "", -3), Air(AirSide.Return, "left", -2.2), Air(AirSide.Return, "right", 5));
        Assert.Contains(visit.Faults, f => f.Code == BoxBench.AirStraightBack && f.Detail == "left");
        // What was seen before the work is not so any more.
        var after = Cases.Worked.Of(Air(AirSide.Supply, "", -3), Air(AirSide.Return, "left", -2.2), Air(AirSide.Return, "right", 5),
            new BoxCheckEntry(At(20), BoxPart.Deflector, "", false, "bent back"));
        Assert.DoesNotContain(after.Faults, f => f.Code == BoxBench.AirStraightBack);
    }

    /// <summary>A step from 2 to 8 °C for six hours: product that follows with two hours reaches 5 °C after 2·ln 2 = 1.39 h.</summary>
    [Fact]
    public void Product_lags_behind_the_air()
    {
        List<(DateTimeOffset, Temperature)> air = [(Nine, C(2)), (Nine.AddSeconds(1), C(8))];
        air.AddRange(Enumerable.Range(1, 360).Select(m => (Nine.AddMinutes(m), C(8))));
        var behind = ProductHours.Behind(air, C(5))!;
        Assert.Equal(6, behind.AirHours, 2);
        Assert.Equal(6 - 2 * Math.Log(2), behind.BehindHours, 1);
        Assert.Null(ProductHours.Behind([(Nine, C(2)), (Nine.AddHours(1), C(4))], C(5)));
    }

    private static BoxSystemEntry System(string name, double drop, double? evaporating = null, FactState? glass = null) =>
        new(At(0), name, true, true, null, null, new(drop, Unit.KelvinDifference), evaporating is { } c ? new(c, Unit.Celsius) : null,
            glass);

    [Fact]
    public void Systems_carry_by_their_air_drop_and_the_weak_one_says_why()
    {
        var states = BoxSystems.Compare([System("A", 6, -7), System("B", 2, -14)]);
        Assert.Equal([0.75, 0.25], states.Select(s => s.Share));
        Assert.Equal([SystemHint.None, SystemHint.Starved], states.Select(s => s.Hint));
        Assert.Equal(SystemHint.Starved, BoxSystems.Compare([System("A", 6), System("B", 2, null, FactState.Bubbles)])[1].Hint);
        Assert.Equal(SystemHint.PumpsLittle, BoxSystems.Compare([System("A", 6, -7), System("B", 2, -1)])[1].Hint);
        Assert.Equal(SystemHint.None, BoxSystems.Compare([System("A", 6, -7), System("B", 2, -6)])[1].Hint);
    }

    private static HeldBox Held(double run, double? air, double hour = 10) => new(Nine, run, air is { } c ? C(c) : null, hour);

    [Theory]
    [InlineData(0.50, 20, 0.52, 20, HoldingVerdict.Same)]
    [InlineData(0.50, 20, 0.70, 20, HoldingVerdict.More)]
    [InlineData(0.50, 20, 0.72, 30, HoldingVerdict.Weather)]
    [InlineData(0.50, 20, 0.90, 26, HoldingVerdict.More)]
    [InlineData(0.70, 30, 0.50, 18, HoldingVerdict.Weather)]
    [InlineData(0.70, 30, 0.20, 25, HoldingVerdict.Less)]
    public void Weather_is_taken_out_before_a_run_fraction_is_held_against_another(
        double before, double airBefore, double now, double airNow, HoldingVerdict verdict)
    {
        var beside = HoldingWeather.Beside(Held(before, airBefore), Held(now, airNow), C(3));
        Assert.Equal(verdict, beside.Verdict);
        Assert.True(beside.Low <= beside.High);
    }

    [Fact]
    public void Without_the_air_nothing_is_said_and_another_hour_is_named()
    {
        Assert.Equal(HoldingVerdict.AirUnknown, HoldingWeather.Beside(Held(0.5, null), Held(0.9, 20), C(3)).Verdict);
        Assert.True(HoldingWeather.Beside(Held(0.5, 20, 23), Held(0.5, 20, 4), C(3)).IsOtherHour);
        Assert.False(HoldingWeather.Beside(Held(0.5, 20, 23), Held(0.5, 20, 2), C(3)).IsOtherHour);
    }

    /// <summary>The walls of the worked box of BoxTests alone; a door ajar must cost more than a metre of gasket.</summary>
    [Fact]
    public void Troubles_cost_run_time_in_their_order()
    {
        var sheet = new HeatBalanceEntry(At(0), 4, 3, 2.5, 0.1, Insulation.Polyurethane, new(25, Unit.Celsius), 60, 2, 30, true, 0, 100,
            new(10, Unit.Celsius), 1, 500, 150, 0, 3000, null);
        var plain = HeatBalance.Of(sheet, C(3), Pressure.StandardAtmosphere, null).RunShare!.Value;
        var with = HeatBalance.With(sheet, C(3), Pressure.StandardAtmosphere, null, 2).ToDictionary(t => t.Trouble, t => t.RunShare);
        Assert.All(with.Values, share => Assert.True(share > plain));
        Assert.True(with[BoxTrouble.DoorAjar] > with[BoxTrouble.TornGasket]);
        Assert.Equal(plain / Math.Pow(0.5, 0.6), with[BoxTrouble.FanOut], 9);
        Assert.DoesNotContain(HeatBalance.With(sheet, C(3), Pressure.StandardAtmosphere, null, 1), t => t.Trouble == BoxTrouble.FanOut);
        Assert.Empty(HeatBalance.With(sheet with { CapacityW = null }, C(3), Pressure.StandardAtmosphere, null, 2));
    }
}
