using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Sensors;

namespace KeenEmber.Core.Tests.Benches.Sensors;

/// <summary>What must hold whatever is typed: healthy boards are left in peace, and nothing typed breaks the bench.</summary>
public sealed class HealthyBoardTests
{
    private static readonly IReadOnlyList<SensorCurve> Families = SensorFamilies.All;

    [Fact]
    public void Sensors_within_half_their_tolerance_are_never_accused_nor_swapped() => Check.QuickThrowOnFailure(Prop.ForAll(
        Gen.Choose(0, 1_000_000).ToArbitrary(), seed =>
        {
            var random = new Random(seed);
            var curve = Families[random.Next(Families.Count)];
            var board = SensorBoard.Judge([.. Enumerable.Range(0, random.Next(1, 7)).Select(i =>
            {
                var reference = -30 + random.NextDouble() * 60;
                var told = reference + (random.NextDouble() - 0.5) * curve.ToleranceAt(reference);
                return new BoardChannel($"{i}", curve, [new(reference, curve.SignalAt(told), told + (random.NextDouble() - 0.5) * 0.6)], 0);
            })], new());
            return !board.HasSwap && board.Order.Count == 0;
        }));

    /// <summary>Tenths of a degree that the reader of typed values lets through.</summary>
    private static Arbitrary<int> Typeable => Gen.Choose(-2731, 5000).ToArbitrary();

    [Fact]
    public void Any_three_numbers_get_a_verdict_and_no_exception() => Check.QuickThrowOnFailure(Prop.ForAll(
        Typeable, ArbMap.Default.ArbFor<double>(), Typeable, (reference, signal, shown) =>
        {
            var point =
                new SensorPoint(
                reference % 7 == 0 ? null : reference / 10.0, double.IsNaN(signal) ? null : signal, shown % 7 == 0 ? null : shown / 10.0);
            return Families.All(curve =>
            {
                var (result, slip) = (ThreeWayCheck.Judge(curve, [point], new()), SensorSlips.Find(curve, point));
                return Enum.IsDefined(result.Verdict) && !double.IsNaN(result.Clear)
                    && (slip is null || point.Reference is not null || point.Shown is not null || point.Signal is not null);
            });
        }));

    [Fact]
    public void A_reference_next_to_absolute_zero_is_only_far_off() => Assert.All(Families, curve =>
        Assert.False(double.IsNaN(ThreeWayCheck.Judge(curve, [new(-268.9, 29, 478.8)], new()).Clear)));

    [Fact]
    public void A_reading_in_the_wrong_unit_is_asked_about_on_every_thermistor() => Assert.All(Families.Where(f => f.IsFalling), curve =>
    {
        foreach (var celsius in new[] { -20.0, -5, 3 })
        {
            var ohm = curve.SignalAt(celsius);
            Assert.Equal(SensorSlip.KiloohmForOhm, SensorSlips.Find(curve, new(celsius, ohm / 1000, celsius)));
            Assert.Equal(SensorSlip.FahrenheitReference, SensorSlips.Find(curve, new(celsius * 1.8 + 32, ohm, celsius)));
            Assert.Null(SensorSlips.Find(curve, new(celsius, ohm, celsius)));
        }
    });
}
