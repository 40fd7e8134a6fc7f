using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Tests.Benches.Circuit;

/// <summary>What creeps the same way visit after visit, and what only wanders.</summary>
public class DriftTests
{
    private static IReadOnlyList<Drifting> Of(params double[] latestFirst) =>
        Drift.Of(
            [.. latestFirst.Select(v => new Dictionary<ResultRef, double> { [ResultKind.SuperheatCoil] = v, [ResultKind.AirDrop] = v })]);

    [Fact]
    public void A_superheat_that_rises_on_every_visit_drifts() =>
        Assert.Equal(new Drifting(ResultKind.SuperheatCoil, 5, 9), Assert.Single(Of(9, 6.5, 5)));

    [Theory]
    [InlineData(9, 4, 5)]
    [InlineData(9, 5, 5)]
    [InlineData(6.9, 6, 5)]
    [InlineData(5, 5, 5)]
    public void Wandering_standing_still_or_within_the_meters_is_no_drift(double latest, double before, double first) =>
        Assert.Empty(Of(latest, before, first));

    [Fact]
    public void Falling_drifts_too_and_only_the_latest_visits_count() => Assert.Equal(7, Assert.Single(Of(3, 5, 7, 1, 1)).From);

    [Fact]
    public void Two_visits_are_not_enough() => Assert.Empty(Of(9, 5));

    [Fact]
    public void A_result_missing_on_one_of_the_visits_is_not_judged() =>
        Assert.Empty(
            Drift.Of(
            [new Dictionary<ResultRef, double> { [ResultKind.Subcooling] = 9 }, new Dictionary<ResultRef, double>(),
            new Dictionary<ResultRef, double> { [ResultKind.Subcooling] = 1 }]));
}
