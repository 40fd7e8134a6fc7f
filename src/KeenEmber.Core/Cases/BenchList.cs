using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Danger;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>The benches of the house: a new one is a line here.</summary>
public static class BenchList
{
    /// <summary>In the order in which they speak where several find something: danger, what was measured of electrical parts, the
    /// circuit, what is in it, what controls it, what its coil shows, what the box does.</summary>
    /// <param name="logged">Fetches what a logger wrote of a defrost.</param>
    public static IReadOnlyList<IBench> Of(Func<Guid, IReadOnlyList<RunTrack>> logged) =>
        [new DangerBench(), new ElectricalBench(), new CircuitBench(), new ChargeBench(), new SensorsBench(), new ControlsBench(),
            new GlycolBench(), new FrostBench(), new DefrostBench(logged), new BoxBench()];
}
