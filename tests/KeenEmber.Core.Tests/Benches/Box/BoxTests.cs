using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Box;

/// <summary>Balance, product, systems and forecasts of a box: worked cases.</summary>
public class BoxTests
{
    private static EntryHeader At(double minute) =>
        new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine.AddMinutes(minute), "Isolde");

    private static Temperature C(double celsius) => Temperature.FromCelsius(celsius);

    private static readonly HeatBalanceEntry Cooler = new(At(0), 3, 2.4, 2.3, 0.1, Insulation.Polyurethane, new(24, Unit.Celsius), 60, 1.8,
        0, false, 0, 0, null, 0, 0, 0, 0, null, null);

    private static BalanceResult Balance(HeatBalanceEntry entry, double boxC = 3, double? drop = null) =>
        HeatBalance.Of(entry, C(boxC), Pressure.StandardAtmosphere, drop);

    private static double Watts(BalanceResult result, HeatSource source) => result.Sources.Where(s => s.Source == source).Sum(s => s.W);

    [Fact]
    public void Walls_by_size_insulation_and_difference() =>
        // 39.2 m², 21 K, 0.1 m of 0.026 W/(m·K) and the air on both sides: 0.25 W/(m²·K).
        Assert.Equal(206, Watts(Balance(Cooler), HeatSource.Walls), 2.0);

    [Fact]
    public void An_open_door_lets_in_kilowatts()
    {
        // By hand, air at 24 °C and 60 % over one at 3 °C: 0.221·39.6 kJ/kg·1.27 kg/m³·√0.07·√(9.81·1.9 m) is 12.7 kW/m².
        var open = Watts(Balance(Cooler with { OpenMinPerDay = 1440 }), HeatSource.Doors);
        Assert.InRange(open, 0.8 * 1.8 * 12_700 * 0.95, 0.8 * 1.8 * 12_700 * 1.05);
        Assert.Equal(open / 24, Watts(Balance(Cooler with { OpenMinPerDay = 60 }), HeatSource.Doors), 3);
        Assert.True(Watts(Balance(Cooler with { OpenMinPerDay = 60, HasCurtain = true }), HeatSource.Doors) < open / 24 / 5);
        Assert.Equal(0, Watts(Balance(Cooler with { OpenMinPerDay = 60, Air = new(2, Unit.Celsius) }), HeatSource.Doors));
    }

    [Fact]
    public void Product_is_cooled_and_what_freezes_takes_its_latent_heat()
    {
        // 100 kg a day from 15 to 3 °C: 100·12·3.5 kJ; from 15 to -20 °C: 16.5·3.5 + 235 + 18.5·1.9 kJ/kg.
        var chilled = Cooler with { ProductKgPerDay = 100, ProductIn = new(15, Unit.Celsius) };
        Assert.Equal(4200 * 1000 / 86_400.0, Watts(Balance(chilled), HeatSource.Product), 1);
        Assert.Equal(100 * (16.5 * 3.5 + 235 + 18.5 * 1.9) * 1000 / 86_400, Watts(Balance(chilled, -20), HeatSource.Product), 1);
    }

    [Fact]
    public void Short_by_half_and_the_door_first()
    {
        var busy = Cooler with { OpenMinPerDay = 240, FansW = 150, LightsWh = 600 };
        var load = Balance(busy).LoadW;
        var result = Balance(busy with { CapacityW = load / 2 });
        Assert.Equal((BalanceVerdict.TooLittle, HeatSource.Doors), (result.Verdict, result.LookFirst!.Value));
        Assert.Equal(0.5, result.ShortShare, 6);
        Assert.Equal(BalanceVerdict.Tight, Balance(busy with { CapacityW = load * 1.05 }).Verdict);
        var enough = Balance(busy with { CapacityW = load * 2 });
        Assert.Equal((BalanceVerdict.Holds, 0.5), (enough.Verdict, Math.Round(enough.RunShare!.Value, 6)));
        Assert.Equal(BalanceVerdict.LoadOnly, Balance(busy).Verdict);
    }

    [Fact]
    public void Without_data_the_coils_air_and_its_drop_say_what_it_moves()
    {
        // 2,400 m³/h of air at 3 °C (1.27 kg/m³) dropping 5 K, 15 % of the heat for drying.
        var result = Balance(Cooler with { CoilAirM3PerH = 2400 }, drop: 5);
        Assert.InRange(result.CapacityW!.Value, 4800, 5150);
        Assert.Null(Balance(Cooler with { CoilAirM3PerH = 2400 }).CapacityW);
    }

    [Fact]
    public void Hours_over_the_limit_along_straight_lines()
    {
        var warm = ProductHours.Of([(Nine, C(4)), (Nine.AddHours(2), C(8)), (Nine.AddHours(3), C(8)), (Nine.AddHours(5), C(2))], C(5))!;
        Assert.Equal(1.5 + 1 + 1, warm.Hours, 6);
        Assert.Equal((8.0, false), (Math.Round(warm.Warmest.Celsius, 6), warm.IsOver));
        Assert.Null(ProductHours.Of([(Nine, C(4))], C(5)));
        Assert.True(ProductHours.Of([(Nine, C(9))], C(5))!.IsOver);
        Assert.Equal(-15, ProductHours.LimitOf(Freezer).Celsius, 6);
    }

    private static BoxSystemEntry System(string name, bool runs, bool called, double? drop = null) =>
        new(At(0), name, runs, called, null, null, drop is { } k ? new(k, Unit.KelvinDifference) : null);

    [Fact]
    public void Systems_side_by_side()
    {
        SystemRole[] Roles(params BoxSystemEntry[] seen) => [.. BoxSystems.Compare(seen).Select(s => s.Role)];
        Assert.Equal([SystemRole.Carries, SystemRole.Idles], Roles(System("A", true, true, 6), System("B", false, false)));
        Assert.Equal([SystemRole.Carries, SystemRole.CalledAndStands], Roles(System("A", true, true), System("B", false, true)));
        Assert.Equal([SystemRole.CarriesLess, SystemRole.Carries], Roles(System("a", true, true, 3), System("B", true, true, 6)));
        Assert.Single(Roles(System("A", true, true), System("a", false, false) with { Header = At(1) }));
    }

    [Fact]
    public void What_was_seen_before_the_work_says_nothing_of_now()
    {
        var stands = System("B", true, true, 2) with { Runs = false };
        Assert.Contains(Cases.Worked.Of(stands).Faults, f => f.Code == BoxBench.SystemStands);
        var after = Cases.Worked.Of(stands, new BoxCheckEntry(At(5), BoxPart.Closer, "", false, "adjusted"));
        Assert.DoesNotContain(after.Faults, f => f.Code == BoxBench.SystemStands);
        Assert.Contains(after.Found, f => f.Code == BoxBench.SystemStands);
    }

    private static ReadingEntry Air(double minute, double celsius) => new(At(minute), MeasuringPoint.BoxAir, new(celsius, Unit.Celsius));

    private static BoxForecastEntry Said(double minute, double due) =>
        new(At(minute), Nine.AddMinutes(due), new(-17, Unit.Celsius), new(-18, Unit.Celsius), new(-16, Unit.Celsius));

    private static BoxJudgement Of(params Entry[] entries) => Cases.Worked.Of(entries).Of<BoxJudgement>()!;

    [Theory]
    [InlineData(120, -16.4, true)]
    [InlineData(120, -12, false)]
    [InlineData(200, -12, null)]
    public void A_forecast_is_proved_contradicted_or_open(double minute, double celsius, bool? held) =>
        Assert.Equal(held, Of(Said(60, 120), Air(minute, celsius)).Forecasts[0].Held);

    [Fact]
    public void Work_meanwhile_makes_a_forecast_say_nothing()
    {
        var check = new BoxCheckEntry(At(80), BoxPart.Closer, "", false, "adjusted");
        Assert.Null(Of(Said(60, 120), check, Air(120, -12)).Forecasts[0].Held);
    }

    [Fact]
    public void A_pull_down_begins_at_the_warmest_reading_since_the_work()
    {
        Entry[] before = [Air(0, -8), Air(10, -2), Air(20, -4), Air(30, -5.5)];
        Assert.Equal(3, Of(before).PullDown!.Readings.Count);
        Entry work = new BoxCheckEntry(At(40), BoxPart.Closer, "", false, "adjusted");
        Assert.Null(Of([.. before, work]).PullDown);
        Assert.Equal(1, Of([.. before, work, Air(50, -6), Air(55, -6.5), Air(60, -7), Air(65, -7.4)]).PullDown!.StillToTake);
        Assert.Null(Of(Air(0, -19.5)).PullDown);
    }

    [Fact]
    public void A_box_that_will_have_cut_out_may_read_anything_between_its_cut_out_and_its_cut_in()
    {
        var course = Of([.. Enumerable.Range(0, 12).Select(i => Air(5 * i, -24 + 22 * Math.Exp(-5 * i / 60.0)))]).PullDown!;
        var later = course.Promised(Nine.AddHours(6), C(-20))!.Value;
        Assert.Equal((-21.5, -21.8), (Math.Round(later.Value, 6), Math.Round(later.Low, 6)));
        Assert.True(later.High >= -17.7);
    }

    [Fact]
    public void It_says_what_a_box_that_falls_evenly_reads_later()
    {
        // From -2 °C to a plateau of -24 °C with one time constant of 60 min.
        var course = Of([.. Enumerable.Range(0, 12).Select(i => Air(5 * i, -24 + 22 * Math.Exp(-5 * i / 60.0)))]).PullDown!;
        var later = course.At(Nine.AddMinutes(90))!.Value;
        var truth = -24 + 22 * Math.Exp(-1.5);
        Assert.InRange(truth, later.Low, later.High);
        Assert.InRange(later.Value, truth - 2.5, truth + 2.5);
    }
}
