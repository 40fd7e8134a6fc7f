using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Web.Probing;

/// <summary>A unit that exists only in arithmetic, with what its probes and its controller send.</summary>
public sealed class UnitOnWire
{
    /// <summary>It has run for so long before anybody measures, s.</summary>
    private const int SettledS = 36 * 3600;

    /// <summary>Cooler than its design's day, and how far a day swings, K.</summary>
    private const double UnderDesignK = 3, SwingK = 3;

    /// <summary>On the scale before it flows, kg; what flows, kg/s.</summary>
    private const double CylinderKg = 8.4, FlowsKgPerS = 0.0006;

    /// <summary>A pump runs for so long and is shut off for as long, s.</summary>
    private const int PumpsS = 600;

    private readonly BenchCase made;
    private readonly SimulatedUnit unit;
    private readonly UnitLife life;
    private readonly Weather weather;
    private readonly SimulatedVacuum? vacuum;
    private double chargedKg;
    private int seconds;

    /// <param name="made">With what is wrong with it.</param>
    public UnitOnWire(BenchCase made)
    {
        this.made = made;
        var design = made.Design;
        weather = new(design.DesignAirC - UnderDesignK, SwingK);
        unit = new(design, design.TargetC + 1);
        vacuum = made.Opened is { } opened ? new(opened, weather.MeanC) : null;
        life = new(unit, [made.GrowsH > 0 ? new(made.Faults, FaultTime.Grows, made.GrowsH) : new(made.Faults)]);
        // What grows, flows or is pumped begins when somebody looks.
        for (var s = 0; made.GrowsH <= 0 && vacuum is null && s < SettledS; s++)
            life.Step(weather);
    }

    /// <summary>Lets time pass, s.</summary>
    public void Advance(int by)
    {
        for (var s = 0; s < by; s++, seconds++)
        {
            vacuum?.Step(seconds / PumpsS % 2 == 0);
            if (vacuum is not null)
                continue;
            life.Step(weather);
            if (chargedKg >= made.ChargesKg)
                continue;
            chargedKg += FlowsKgPerS;
            life.Charged = chargedKg / unit.PlateKg;
        }
    }

    /// <summary>What each probe on it sends now.</summary>
    public IEnumerable<(string Probe, ProbeDocument Document)> Probes(DateTimeOffset now)
    {
        if (vacuum is { } circuit)
            yield return Of("vacuum", new(circuit.Pa, Unit.Pascal), now, QuantityKind.Vacuum);
        else
        {
            foreach (var point in SimulatedUnit.Points)
                yield return Of(NameOf(point), unit.Shows(point, Pressure.StandardAtmosphere), now);
            if (made.ChargesKg > 0)
                yield return Of("scale", new(CylinderKg - chargedKg, Unit.Kilogram), now);
        }
    }

    /// <summary>What its controller says now; null for a unit that stands open.</summary>
    public ControllerDocument? Controller(DateTimeOffset now) => vacuum is not null ? null : new(made.Name.Replace('-', ' '), now,
        [.. unit.OnWire().Select(v => new ControllerValueDocument(v.Key, now, Math.Round(v.Value, 2)))]);

    private static (string Probe, ProbeDocument Document) Of(
        string probe, TypedValue shown, DateTimeOffset now, QuantityKind? measures = null) =>
        (probe, new(probe.Replace('-', ' '), measures, 0.8, now,
            [new(now.ToUnixTimeMilliseconds(), now, Math.Round(shown.Number, 3), shown.Unit.Symbol)]));

    /// <summary>What each probe is called.</summary>
    private string NameOf(MeasuringPoint point) => point switch
    {
        MeasuringPoint.SuctionPressure => "low-side",
        MeasuringPoint.DischargePressure => "high-side",
        MeasuringPoint.SuctionLineCoil => "blue-clamp",
        MeasuringPoint.SuctionLineCompressor => "green-clamp",
        MeasuringPoint.LiquidLine => "red-clamp",
        MeasuringPoint.DischargeLine => "hot-clamp",
        MeasuringPoint.BoxAir => "box-air",
        MeasuringPoint.AirLeaving => "coil-air",
        MeasuringPoint.CondenserAir => made.IsInWater ? "water-out" : "outside-air",
        _ => "amp-clamp",
    };
}
