using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Charge;

/// <summary>Cylinders on the scale, and the books they fill.</summary>
public class ScaleTests
{
    private static EntryHeader At(double minute, Guid? corrects = null) =>
        new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine.AddMinutes(minute), "Isolde", Corrects: corrects);

    private static ScaleStartEntry Start(
        bool recovers = false, double weight = 10, double? target = 0.21, HosesAtEnd hoses = HosesAtEnd.Empty, Phase phase = Phase.Liquid,
        string refrigerant = "R134a", double? tare = 5.9, double? water = 14) =>
        new(At(0), "N-1", refrigerant, recovers, ChargePort.Suction, phase, new(weight, Unit.Kilogram), target, 1.5, 0.005, hoses, tare,
            water, "");

    private static ScaleWeightEntry Weigh(ScaleStartEntry start, double kg, double minute) =>
        new(At(minute), start.Id, new(kg, Unit.Kilogram));

    private static ScaleSession Of(ScaleStartEntry start, params Entry[] then) => Assert.Single(ScaleSession.Of([start, .. then]));

    [Fact]
    public void What_is_still_to_go_counts_down()
    {
        var start = Start();
        Assert.Equal(0.21, Of(start).ToGoKg!.Value, 6);
        var some = Of(start, Weigh(start, 9.88, 1));
        Assert.Equal((0.12, 0.09), (Math.Round(some.CircuitKg, 6), Math.Round(some.ToGoKg!.Value, 6)));
        Assert.Equal(-0.02, Of(start, Weigh(start, 9.88, 1), Weigh(start, 9.77, 2)).ToGoKg!.Value, 6);
    }

    [Fact]
    public void A_weight_that_was_typed_wrong_and_corrected_counts_once()
    {
        var start = Start();
        var slip = Weigh(start, 8.98, 1);
        var right = Weigh(start, 9.98, 1) with { Header = At(1.5, slip.Id) };
        var standing = new Timeline([start, slip, right], Freezer, Pressure.StandardAtmosphere).Standing;
        Assert.Equal(0.02, Assert.Single(ScaleSession.Of(standing)).CircuitKg, 6);
    }

    [Fact]
    public void A_hose_left_full_of_liquid_keeps_its_share()
    {
        var start = Start(hoses: HosesAtEnd.FullOfLiquid);
        var session = Of(start, Weigh(start, 9.8, 1));
        // A bore of 5 mm over 1.5 m is 29 ml: 36 g of R134a at 20 °C (1.225 kg/l).
        Assert.InRange(session.HosesKg, 0.034, 0.038);
        Assert.Equal(0.2, session.CircuitKg + session.HosesKg, 6);
        Assert.Equal(0, Of(start).HosesKg);
    }

    [Fact]
    public void Recovering_stops_at_four_fifths_of_the_warm_cylinder()
    {
        // 0.8 · 14 l · 1.10 kg/l at 50 °C.
        var start = Start(recovers: true, weight: 17.5, target: null);
        var session = Of(start, Weigh(start, 18.0, 1));
        Assert.InRange(session.MostKg!.Value, 11.9, 12.7);
        Assert.Equal(-0.5, session.CircuitKg, 6);
        Assert.False(session.IsOverfull);
        Assert.True(Of(start, Weigh(start, 18.9, 2)).IsOverfull);
        Assert.Null(Of(Start(recovers: true, water: null)).MostKg);
    }

    [Theory]
    [InlineData("R404A", Phase.Vapour, true)]
    [InlineData("R404A", Phase.Liquid, false)]
    [InlineData("R134a", Phase.Vapour, false)]
    public void A_blend_is_charged_as_liquid(string refrigerant, Phase phase, bool separates) =>
        Assert.Equal(separates, Of(Start(refrigerant: refrigerant, phase: phase)).SeparatesBlend);

    /// <summary>Whatever is typed, corrected and struck out in whatever order: cylinders, hoses and circuits come to nothing
    /// together.</summary>
    [Fact]
    public void The_books_close_to_the_gram_over_any_order_of_corrections()
    {
        var random = new Random(18);
        for (var run = 0; run < 200; run++)
        {
            List<Entry> written = [];
            for (var n = 0; n < 30; n++)
            {
                var corrected = written.Count > 0 && random.Next(2) == 0 ? written[random.Next(written.Count)].Id : (Guid?)null;
                var header = At(n, corrected);
                written.Add(corrected is not null && random.Next(3) == 0 ? new WithdrawalEntry(header)
                    : new RefrigerantEntry(header, random.Next(2) == 0 ? "R134a" : "R404A", Math.Round(random.NextDouble() * 6 - 3, 3),
                        $"N-{random.Next(3)}", "", Math.Round(random.NextDouble() * 0.05, 3)));
            }

            var rows = new Corrections(written).Standing.OfType<RefrigerantEntry>().ToList();
            Assert.All(ChargeBook.Years(rows, r => r.At.Year), y => Assert.Equal(0, y.OpenKg, 9));
            var cylinders = Enumerable.Range(0, 3).Select(n =>
                new Cylinder(Guid.Empty, $"n-{n}", CylinderKind.Supply, "", 6, 14, 10)).ToList();
            var left = cylinders.Sum(c => ChargeBook.ContentKg(c, rows));
            Assert.Equal(30, left + rows.Sum(r => r.MassKg) + rows.Sum(r => r.HosesKg), 9);
        }
    }

    [Fact]
    public void A_charge_recovered_and_weighed_in_again_is_no_leak()
    {
        RefrigerantEntry Row(double day, double kg) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddDays(day), Nine, "Isolde"), "R134a", kg, "", "");
        var leak = ChargeBook.Leak([Row(-400, 1), Row(-90, 0.4), Row(-10, -1.6), Row(-10, 2)], 2, Nine.AddDays(-500), Nine);
        Assert.Equal(0.8, leak.AddedKg, 6);
        Assert.Equal(0.4, leak.Share!.Value, 6);
        Assert.Equal(365, leak.Days);
        Assert.Null(ChargeBook.Leak([Row(-90, 0.4)], null, Nine.AddDays(-90), Nine).Share);
    }
}
