using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Benches.Defrost;

/// <summary>Random coils, heaters and ways of watching, each with its truth.</summary>
internal static class RandomDefrosts
{
    public static readonly DateTimeOffset Start = new(2026, 3, 2, 4, 0, 0, TimeSpan.Zero);

    /// <param name="watch">How it is watched; null: at random, with noise and gaps.</param>
    /// <param name="losses">How many times the usual losses to the air.</param>
    public static (DefrostRun Run, DefrostTruth Truth, int? DeadElement) Make(int seed, SimulatedWatch? watch = null, double losses = 1)
    {
        var random = new Random(seed);
        double Between(double low, double high) => low + random.NextDouble() * (high - low);
        while (true)
        {
            var connection = (HeaterConnection)random.Next(3);
            var legs =
                Enumerable.Repeat(
                new HeaterLeg(
                Math.Round(Between(700, 2400)), connection == HeaterConnection.Star ? 230 : connection == HeaterConnection.Delta ? 400
                : 230), 3).ToList();
            var kw = legs.Sum(l => l.Watts) / 1000;
            var metal = Between(12, 30);
            int? dead = random.NextDouble() < 0.3 ? random.Next(1, 4) : null;
            var iceKg = kw * Between(5, 15) * 60 / 334 * 0.75;
            double[] iceParts = [Between(0.3, 0.4), Between(0.2, 0.3), Between(0.25, 0.4)];
            double[] heatParts = [Between(0.28, 0.33), Between(0.34, 0.42), Between(0.28, 0.34)];
            var coil =
                new SimulatedCoil(
                [.. iceParts.Select(p => p * iceKg / iceParts.Sum())], [.. heatParts.Select(p => p / heatParts.Sum())], metal,
                losses * Between(0.004, 0.02) * kw, Between(0.005, 0.03), Between(-30, -15), Between(-24, -12), Between(0.3, 7),
                    ElementsOut: dead is { } d ? [d] : null);
            var ended = random.NextDouble() < 0.5 ? TerminationKind.Probe : TerminationKind.Switch;
            var setUp =
                new DefrostSetUp(
                DefrostKind.Electric, DefrostStart.Clock, ended, "beside the header", new(Math.Round(Between(6, 24)), Unit.Celsius), null,
                null,
                Math.Round(Between(18, 60)), 4, new(-4, Unit.Celsius), connection, legs,
                    Math.Round(metal * Between(0.92, 1.08) / IceBalance.MetalKjPerK, 1));
            var volts = (connection == HeaterConnection.Separate ? 230 : 400) * Between(0.95, 1.04);
            var seen = watch
                ?? new SimulatedWatch(random.Next(4) switch { 0 => 5, 1 => 15, 2 => 30, _ => 60 }, 0.5, 0.1, random.NextDouble() < 0.6);
            var run =
                SimulatedDefrost.Make(
                coil, setUp,
                seen with { Volts = volts, StopByHandMin = seen.StopByHandMin
                ?? (random.NextDouble() < 0.1 ? Math.Round(Between(8, 30), 1) : null) }, Start, random);
            // Where the setting and the fail-safe are reached together, both ended it: no truth to find.
            if (!run.Truth.AtLimitAndSetting)
                return (run.Run, run.Truth, dead);
        }
    }

}
