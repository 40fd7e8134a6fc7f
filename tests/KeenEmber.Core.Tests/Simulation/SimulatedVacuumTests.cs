using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>A circuit on a vacuum pump, and what the bench says of it.</summary>
public sealed class SimulatedVacuumTests
{
    private const double RoomC = 22;

    private static SimulatedVacuum Pumped(double waterG, double leak, int minutes = 40)
    {
        var vacuum = new SimulatedVacuum(new(waterG, leak), RoomC);
        for (var s = 0; s < minutes * 60; s++)
            vacuum.Step(isPumping: true);
        return vacuum;
    }

    [Fact]
    public void A_dry_circuit_comes_down_to_the_pumps_end_and_stays_there()
    {
        var vacuum = Pumped(0, 0);
        Assert.InRange(vacuum.Pa, 3, 6);
        for (var s = 0; s < 1800; s++)
            vacuum.Step(isPumping: false);
        Assert.InRange(vacuum.Pa, 3, 6);
    }

    [Fact]
    public void Water_holds_the_pump_up_until_it_has_boiled_away()
    {
        Assert.True(Pumped(3, 0).Pa > 100);
        Assert.InRange(Pumped(3, 0, minutes: 300).Pa, 3, 10);
    }

    /// <summary>Read each minute for three quarters of an hour after the pump was shut off, the bench names what is so.</summary>
    [Theory]
    [InlineData(0, 0.05, DecayVerdict.Dry)]
    [InlineData(6, 0.05, DecayVerdict.Moisture)]
    [InlineData(0, 30, DecayVerdict.Leak)]
    [InlineData(6, 30, DecayVerdict.MoistureAndLeak)]
    public void The_bench_tells_water_from_a_leak(double waterG, double leakPaPerMin, DecayVerdict verdict)
    {
        var vacuum = Pumped(waterG, leakPaPerMin);
        var samples = new List<VacuumSample>();
        for (var minute = 0; minute <= 45; minute++)
        {
            samples.Add(new(minute, vacuum.Pa));
            for (var s = 0; s < 60; s++)
                vacuum.Step(isPumping: false);
        }

        Assert.Equal(verdict, DecayFit.Fit(samples, 20, Temperature.FromCelsius(RoomC)).Verdict);
    }
}
