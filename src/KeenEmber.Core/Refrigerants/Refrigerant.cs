using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Refrigerants;

/// <summary>Safety class of ISO 817 / ASHRAE 34: letter for toxicity, figure for flammability.</summary>
public enum SafetyClass
{
    /// <summary>Not flammable, lower toxicity.</summary>
    A1,

    /// <summary>Hard to ignite, burns slowly, lower toxicity.</summary>
    A2L,

    /// <summary>Flammable, lower toxicity.</summary>
    A2,

    /// <summary>Highly flammable, lower toxicity.</summary>
    A3,

    /// <summary>Hard to ignite, burns slowly, toxic.</summary>
    B2L,
}

/// <summary>Usual compressor oil; the compressor maker's list comes first.</summary>
public enum Oil
{
    /// <summary>Mineral oil.</summary>
    Mineral,

    /// <summary>Mineral oil or alkylbenzene.</summary>
    MineralOrAlkylbenzene,

    /// <summary>Mineral oil or polyolester.</summary>
    MineralOrPolyolester,

    /// <summary>Polyolester.</summary>
    Polyolester,

    /// <summary>Any of them where oil return is proved.</summary>
    AnyWithReturn,
}

/// <summary>A refrigerant by its composition and its saturation lines. For a pure fluid and an azeotrope bubble and dew are the same
/// line.</summary>
/// <param name="Name">Designation without a hyphen, as in "R404A".</param>
/// <param name="Safety">Class used for the cautions shown at the step.</param>
/// <param name="Bubble">Boiling liquid: subcooling is counted from here.</param>
/// <param name="Dew">Condensing vapour: superheat is counted from here.</param>
/// <param name="Source">Where the lines come from.</param>
public sealed record Refrigerant(
    string Name, SafetyClass Safety, Oil Oil, Composition Composition, SaturationTable Bubble, SaturationTable Dew, string Source)
{
    /// <summary>How saturation of its blend is computed; null for a pure fluid.</summary>
    public const string MixtureMethod = "Peng-Robinson from the composition";

    /// <summary>Mixtures are solved from here, K: -70 °C, below any commercial evaporator.</summary>
    private const double MixtureLowestK = 203.15;

    /// <summary>Up to this share of the mass-weighted critical temperature; nearer, bubble and dew run together and the solver may not
    /// settle.</summary>
    private const double MixtureHighestShare = 0.97;

    /// <summary>Distance of a mixture's table points, K: each costs a solution.</summary>
    private const double MixtureStepK = 1;

    /// <summary>Distance for an equation, K: cheap, and needed where the pseudo-pure lines bend sharply in the last kelvin below
    /// critical.</summary>
    private const double EquationStepK = 0.2;

    /// <summary>A refrigerant known only by what it consists of: a listed blend, a top-up, what a leak left.</summary>
    public static Refrigerant FromComposition(string name, SafetyClass safety, Oil oil, Composition composition)
    {
        var equilibrium = new MixtureEquilibrium(composition);
        var highestK = MixtureHighestShare * composition.Parts.Sum(p => p.Share * p.Component.Line.Highest.Kelvin);
        return new(name, safety, oil, composition,
            new SaturationTable(MixtureLowestK, highestK, MixtureStepK, tempK => equilibrium.Bubble(tempK)?.PressureKpa),
            new SaturationTable(MixtureLowestK, highestK, MixtureStepK, tempK => equilibrium.Dew(tempK)?.PressureKpa),
            MixtureMethod);
    }

    /// <summary>Tables end this far below the critical point, K: nearer, the lines bend too sharply for a table.</summary>
    private const double BelowCriticalK = 0.5;

    internal static SaturationTable Table(WagnerEquation equation) =>
        new(equation.Lowest.Kelvin, equation.Highest.Kelvin - BelowCriticalK, EquationStepK, tempK => equation.PressureAt(new(tempK))?.Kpa);

    /// <summary>Of any class but A1.</summary>
    public bool IsFlammable => Safety != SafetyClass.A1;

    /// <returns>Null outside the line's range, as for every lookup here.</returns>
    public Temperature? DewTemperature(Pressure pressure) => Dew.TemperatureAt(pressure);

    /// <summary>Temperature at which the first vapour forms; null outside the range.</summary>
    public Temperature? BubbleTemperature(Pressure pressure) => Bubble.TemperatureAt(pressure);

    /// <summary>Pressure at which the last liquid boils off; null outside the range.</summary>
    public Pressure? DewPressure(Temperature temperature) => Dew.PressureAt(temperature);

    /// <summary>Pressure at which the first vapour forms; null outside the range.</summary>
    public Pressure? BubblePressure(Temperature temperature) => Bubble.PressureAt(temperature);

    /// <summary>Mean of bubble and dew temperature: what a coil works at on average when the blend glides.</summary>
    public Temperature? MidpointTemperature(Pressure pressure) =>
        BubbleTemperature(pressure) is { } bubble && DewTemperature(pressure) is { } dew ? Temperature.Midpoint(bubble, dew) : null;

    /// <inheritdoc/>
    public override string ToString() => Name;
}
