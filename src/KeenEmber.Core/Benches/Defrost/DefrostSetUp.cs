using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>What begins a defrost.</summary>
public enum DefrostStart
{
    /// <summary>A defrost clock.</summary>
    Clock,

    /// <summary>A controller's board.</summary>
    Board,

    /// <summary>Somebody's hand.</summary>
    Hand,
}

/// <summary>What is meant to end the heat; the fail-safe time stands behind all of them.</summary>
public enum TerminationKind
{
    /// <summary>The time limit alone.</summary>
    Time,

    /// <summary>A switch on the coil.</summary>
    Switch,

    /// <summary>A controller's probe.</summary>
    Probe,

    /// <summary>A pressure switch.</summary>
    Pressure,
}

/// <summary>How the heater elements hang on the supply.</summary>
public enum HeaterConnection
{
    /// <summary>Each leg is a circuit of its own.</summary>
    Separate,

    /// <summary>Three elements, each between two lines; the currents measured are those of the lines.</summary>
    Delta,

    /// <summary>Three elements from the lines to a star point without neutral.</summary>
    Star,
}

/// <summary>One heater element or leg as its plate says.</summary>
/// <param name="Watts">At <paramref name="Volts"/>, the voltage across the element itself.</param>
public sealed record HeaterLeg(double Watts, double Volts)
{
    /// <summary>Warm, by its plate, Ω.</summary>
    public double ResistanceOhm => Volts * Volts / Watts;
}

/// <summary>How a unit defrosts. What is not known is null and only costs the results that need it.</summary>
/// <param name="SensorPlace">Where the switch or probe that ends it sits, in a few words.</param>
/// <param name="EndAt">The temperature at which the switch acts or the probe ends it.</param>
/// <param name="ResetAt">The temperature at which a switch goes back, which is also where it lets the fans run.</param>
/// <param name="EndPressure">The pressure that ends it, where a pressure does.</param>
/// <param name="FailSafeMin">The longest the heat may stay on, min; the length itself where time ends it.</param>
/// <param name="DripMin">From the end of the heat to the beginning of refrigeration, min.</param>
/// <param name="FanDelayAt">Coil temperature below which the fans may come back.</param>
/// <param name="Heaters">In the order of the legs they are measured on: 1, 2, 3.</param>
/// <param name="CoilMassKg">Tubes, fins and plates that are warmed with the ice, kg.</param>
/// <param name="Starts">Times of day on the site's clock.</param>
/// <param name="SwitchOpensWarm">The termination switch opens as it warms up; false where it closes.</param>
public sealed record DefrostSetUp(
    DefrostKind Kind, DefrostStart Start = DefrostStart.Clock, TerminationKind EndedBy = TerminationKind.Time, string SensorPlace = "",
    TypedValue? EndAt = null, TypedValue? ResetAt = null, TypedValue? EndPressure = null, double? FailSafeMin = null,
        double? DripMin = null,
    TypedValue? FanDelayAt = null, HeaterConnection Connection = HeaterConnection.Separate, IReadOnlyList<HeaterLeg>? Heaters = null,
    double? CoilMassKg = null, IReadOnlyList<TimeOnly>? Starts = null, bool? SwitchOpensWarm = null)
{
    /// <summary>Coil temperature meant to end it, °C; null where none does.</summary>
    public double? EndC => EndedBy is TerminationKind.Switch or TerminationKind.Probe ? EndAt?.Temperature.Celsius : null;

    /// <summary>Coil temperature below which the fans may come back, °C; null where not known.</summary>
    public double? FanDelayC => FanDelayAt?.Temperature.Celsius;

    /// <summary>The heater legs, none where they are not known.</summary>
    public IReadOnlyList<HeaterLeg> Legs => Heaters ?? [];

    /// <summary>Power of all elements at their rated voltage, kW; null when none is known.</summary>
    public double? RatedKw => Legs.Count > 0 ? Legs.Sum(l => l.Watts) / 1000 : null;
}
