using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Refrigerants;

/// <summary>Safety class of ISO 817 / ASHRAE 34: letter for toxicity, figure for flammability.</summary>
public enum SafetyClass { A1, A2L, A2, A3, B2L }

/// <summary>A refrigerant by its saturation lines. For a pure fluid and an azeotrope bubble and dew are the same line.</summary>
/// <param name="Name">Designation without a hyphen, as in "R404A".</param>
/// <param name="Safety">Class used for the cautions shown at the step.</param>
/// <param name="Bubble">Boiling liquid: subcooling is counted from here.</param>
/// <param name="Dew">Condensing vapour: superheat is counted from here.</param>
/// <param name="Source">Where the equation comes from.</param>
public sealed record Refrigerant(string Name, SafetyClass Safety, WagnerEquation Bubble, WagnerEquation Dew, string Source)
{
    public bool IsFlammable => Safety != SafetyClass.A1;

    /// <returns>Null outside the equation's range, as for every lookup here.</returns>
    public Temperature? DewTemperature(Pressure pressure) => Dew.TemperatureAt(pressure);

    public Temperature? BubbleTemperature(Pressure pressure) => Bubble.TemperatureAt(pressure);

    public Pressure? DewPressure(Temperature temperature) => Dew.PressureAt(temperature);

    public Pressure? BubblePressure(Temperature temperature) => Bubble.PressureAt(temperature);

    /// <summary>Mean of bubble and dew temperature: what a coil works at on average when the blend glides.</summary>
    public Temperature? MidpointTemperature(Pressure pressure) =>
        BubbleTemperature(pressure) is { } bubble && DewTemperature(pressure) is { } dew ? Temperature.Midpoint(bubble, dew) : null;

    public override string ToString() => Name;
}
