using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Glycol;

public class GlycolTests
{
    private static readonly Band Td = new(4, 9);

    private static GlycolResult Judge(double percent, double setC, double? surfaceC = null) => GlycolCheck.Judge(new(
        GlycolKind.Propylene, percent, Temperature.FromCelsius(setC), surfaceC is { } c ? Temperature.FromCelsius(c) : null, Td));

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

    [Fact]
    public void What_is_needed_leaves_the_margin_under_the_coil()
    {
        var needed = Judge(20, -2).NeededPercent!.Value;
        Assert.Equal(-2 - Td.High - GlycolCheck.MarginK, GlycolMixture.FreezingPoint(GlycolKind.Propylene, needed)!.Value.Celsius, 0.3);
        Assert.Equal(GlycolCheck.Fits, Judge(needed + 0.5, -2).Findings[0].Code);
    }
}
