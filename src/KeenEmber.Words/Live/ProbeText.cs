using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;
using KeenEmber.Words.Benches.Defrost;

namespace KeenEmber.Words.Live;

/// <summary>Probes in words.</summary>
public static class ProbeText
{
    public static string Name(ProbeUse use) => use switch
    {
        ProbeUse.Scale => "under the cylinder",
        ProbeUse.Vacuum => "vacuum gauge",
        _ => "not in use",
    };

    public static string Tie(ProbeTieEntry tie, VisitView view) =>
        $"probe {tie.Name}: {(tie.Point is { } point ? $"at {view.Name(point)}"
            : RunPlace.Find(tie.Place) is { } place ? $"in the defrost, {DefrostText.Name(place)}" : Name(tie.Use))}";

    /// <summary>What a probe shows.</summary>
    public static string Value(LiveProbe live, VisitView view)
    {
        var (value, units) = (live.Last.Value, view.Units);
        return value.Unit.Kind switch
        {
            QuantityKind.Temperature => units.Temperature(value.Temperature.Kelvin),
            QuantityKind.Pressure => units.Gauge(value.Si(view.Site.Atmosphere)),
            QuantityKind.Mass => units.Mass(value.Si(default)),
            QuantityKind.Vacuum => units.Vacuum(value.Si(default)),
            _ => $"{UnitText.Number(value.Number, 1)} {value.Unit.Symbol}",
        };
    }

    /// <summary>Whether it is heard, since when it stands still, and whether its battery ends.</summary>
    public static string State(LiveProbe live, SiteClock clock)
    {
        var signal = live.Signal switch
        {
            ProbeSignal.Live when live.SettledSince is { } since => $"settled since {clock.Time(since)}",
            ProbeSignal.Live => "live",
            ProbeSignal.Late => $"{live.Age.TotalSeconds:0} s old",
            _ => $"no signal since {clock.Time(live.Last.At)}",
        };
        return live.Probe.Battery < LowBattery ? $"{signal}, battery {100 * live.Probe.Battery:0} %" : signal;
    }

    private const double LowBattery = 0.2;
}
