namespace KeenEmber.Core.Simulation;

/// <content>Its controller on the wire.</content>
public sealed partial class SimulatedUnit
{
    /// <summary>What its controller says: its two sensors, °C; what it calls for, 0 or 1; what it is set to, in °C, K, h and min; its
    /// alarm.</summary>
    /// <remarks>Keys as a controller might call them; what they mean stands in docs/probes.md.</remarks>
    public IEnumerable<(string Key, double Value)> OnWire()
    {
        static double Is(bool so) => so ? 1 : 0;
        yield return ("ai1", SensorC + Faults.ProbeOffK);
        yield return ("ai2", EvaporatingC);
        yield return ("do1", Is(Mode == UnitMode.Cooling));
        yield return ("do2", Is(Mode is not (UnitMode.Defrost or UnitMode.Drip) || design.HeaterW <= 0));
        yield return ("do3", Is(Mode == UnitMode.Defrost && design.HeaterW > 0));
        yield return ("p01", design.TargetC - OutK);
        yield return ("p02", InK + OutK);
        if (design.Defrosts > 0)
        {
            yield return ("p03", 24.0 / design.Defrosts);
            yield return ("p04", (design.HeaterW > 0 ? HeatedS : AirS) / 60);
        }

        if (design.HeaterW > 0)
        {
            yield return ("p05", EndC);
            yield return ("p06", DripS / 60);
            yield return ("p07", FansBackC);
        }

        yield return ("al1", Is(SensorC + Faults.ProbeOffK > design.TargetC + AlarmK));
    }

    /// <summary>Its alarm goes so much over its target, K.</summary>
    private const double AlarmK = 8;
}
