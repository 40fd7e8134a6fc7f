using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Glycol;

public class GlycolTests
{
    private static readonly Band Td = new(4, 9);

    private static GlycolResult Judge(double percent, double setC, double? surfaceC = null) =>
        GlycolCheck.Judge(Input(percent, setC, surfaceC));

    private static GlycolInput Input(double percent, double setC, double? surfaceC) =>
        new(GlycolKind.Propylene, percent, Temperature.FromCelsius(setC), surfaceC is { } c ? Temperature.FromCelsius(c) : null, Td);

    /// <summary>Published points that are not the curve's own: same handbook, the table's odd rows; and the common charts' 33 % and 52
    /// %.</summary>
    [Theory]
    [InlineData(GlycolKind.Propylene, 22, -8.0)]
    [InlineData(GlycolKind.Propylene, 33, -14.8)]
    [InlineData(GlycolKind.Propylene, 37, -18.2)]
    [InlineData(GlycolKind.Propylene, 43, -24.3)]
    [InlineData(GlycolKind.Propylene, 52, -36.6)]
    [InlineData(GlycolKind.Ethylene, 22, -8.9)]
    [InlineData(GlycolKind.Ethylene, 33, -16.2)]
    public void Freezing_points_agree_with_the_tables_between_the_curves_points(GlycolKind kind, double percent, double freezingC) =>
        Assert.Equal(freezingC, GlycolMixture.FreezingPoint(kind, percent)!.Value.Celsius, 0.3);

    /// <summary>Concentrations that the same handbook lists for freeze and for burst protection at one temperature (volume %, within 2 K of
    /// mass %).</summary>
    [Theory]
    [InlineData(12, -6.7)]
    [InlineData(24, -17.8)]
    [InlineData(28, -23.3)]
    public void Burst_protection_reaches_as_far_as_published(double percent, double burstC) =>
        Assert.Equal(burstC, GlycolMixture.BurstPoint(GlycolKind.Propylene, percent)!.Value.Celsius, 2.0);

    [Fact]
    public void More_glycol_freezes_colder_and_the_inverse_leads_back() => Prop.ForAll(
        Gen.Choose(0, 5999).Select(n => n / 100.0).ToArbitrary(), Gen.Elements(GlycolKind.Propylene, GlycolKind.Ethylene).ToArbitrary(),
            (percent, kind) =>
        {
            var freezing = GlycolMixture.FreezingPoint(kind, percent)!.Value;
            return GlycolMixture.FreezingPoint(kind, percent + 0.01)!.Value < freezing
                && Math.Abs(GlycolMixture.PercentFor(kind, freezing)!.Value - percent) < 0.3
                && GlycolMixture.BurstPoint(kind, percent) <= freezing;
        }).QuickCheckThrowOnFailure();

    [Fact]
    public void Outside_the_table_there_is_no_answer()
    {
        Assert.Null(GlycolMixture.FreezingPoint(GlycolKind.Ethylene, 60.1));
        Assert.Null(GlycolMixture.FreezingPoint(GlycolKind.Ethylene, -1));
        Assert.Null(GlycolMixture.PercentFor(GlycolKind.Propylene, Temperature.FromCelsius(1)));
        Assert.Equal(GlycolCheck.OutOfRange, Judge(75, -2).Findings[0].Code);
    }

    [Theory]
    [InlineData(20, -2, null, GlycolCheck.TooWeak)]
    [InlineData(20, -2, -16.0, GlycolCheck.TooWeak)]
    [InlineData(35, -2, -19.0, GlycolCheck.ControlTooCold)]
    [InlineData(35, -2, -12.0, GlycolCheck.ThinMargin)]
    [InlineData(40, -2, -12.0, GlycolCheck.Fits)]
    [InlineData(40, -2, null, GlycolCheck.Fits)]
    [InlineData(58, 2, -8.0, GlycolCheck.TooStrong)]
    public void It_is_the_mixture_or_the_control(double percent, double setC, double? surfaceC, string expected)
    {
        var result = Judge(percent, setC, surfaceC);
        Assert.Equal(expected, Assert.Single(result.Findings).Code);
        Assert.Equal(setC - result.Freezing!.Value.Celsius, result.MarginAtSetPoint!.Value.Kelvin, 1e-9);
        Assert.Equal(surfaceC is null, result.MarginAtSurface is null);
    }

    [Theory]
    [InlineData(40, -2, true, GlycolCheck.FrozeThoughStrong)]
    [InlineData(35, -2, true, GlycolCheck.FrozeThoughStrong)]
    [InlineData(20, -2, true, GlycolCheck.TooWeak)]
    public void Ice_in_a_strong_mixture_points_elsewhere(double percent, double setC, bool froze, string expected) =>
        Assert.Equal(expected, GlycolCheck.Judge(Input(percent, setC, null) with { Froze = froze }).Findings[0].Code);

    [Fact]
    public void A_strip_between_two_fields_that_say_different_things_leaves_it_fair()
    {
        var wide = GlycolCheck.Judge(Input(30, -2, null) with { UpToPercent = 40 }).Findings[0];
        Assert.Equal(Strength.Fair, wide.Strength);
        Assert.Equal(Strength.Strong, GlycolCheck.Judge(Input(40, -2, null) with { UpToPercent = 42 }).Findings[0].Strength);
    }

    [Fact]
    public void Pump_bath_and_inhibitors_speak_by_the_last_word_on_each()
    {
        GlycolEntry Seen(bool? pump, bool? bath, bool? alkalinity) => new(
            new(Guid.CreateVersion7(), Guid.Empty, DateTimeOffset.UnixEpoch, DateTimeOffset.UnixEpoch, ""),
            GlycolKind.Propylene, null, null, null, pump, bath, null, alkalinity);
        Assert.Equal([GlycolCircuit.PumpStopped, GlycolCircuit.InhibitorSpent],
            GlycolCircuit.Judge([Seen(false, null, null), Seen(null, true, false)]).Select(f => f.Code));
        Assert.Empty(GlycolCircuit.Judge([Seen(false, false, false), Seen(true, true, true)]));
    }

    [Fact]
    public void What_is_needed_leaves_the_margin_under_the_coil()
    {
        var needed = Judge(20, -2).NeededPercent!.Value;
        Assert.Equal(-2 - Td.High - GlycolCheck.MarginK, GlycolMixture.FreezingPoint(GlycolKind.Propylene, needed)!.Value.Celsius, 0.3);
        Assert.Equal(GlycolCheck.Fits, Judge(needed + 0.5, -2).Findings[0].Code);
    }
}
