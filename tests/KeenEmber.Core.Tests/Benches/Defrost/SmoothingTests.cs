using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Defrost;

namespace KeenEmber.Core.Tests.Benches.Defrost;

public sealed class SmoothingTests
{
    [Fact]
    public void Smoothing_takes_the_median_of_five_and_of_three_next_to_the_ends() =>
        Check.QuickThrowOnFailure(Prop.ForAll(Gen.Choose(-300, 300).ArrayOf().ToArbitrary(), tenths =>
    {
        double[] values = [.. tenths.Select(t => t / 10.0)];
        var smooth = MeltPlateau.Smooth(values);
        return smooth.Length == values.Length && Enumerable.Range(0, values.Length).All(i =>
        {
            var reach = Math.Min(2, Math.Min(i, values.Length - 1 - i));
            return smooth[i] == MeltPlateau.Median(values.AsSpan(i - reach, 2 * reach + 1));
        });
    }));

    [Fact]
    public void A_single_spike_goes_and_a_step_stays_where_it_is()
    {
        Assert.Equal([0, 0, 0, 0, 0], MeltPlateau.Smooth([0, 0, 50, 0, 0]));
        Assert.Equal([0, 0, 0, 9, 9, 9], MeltPlateau.Smooth([0, 0, 0, 9, 9, 9]));
    }
}
