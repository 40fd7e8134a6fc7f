namespace KeenEmber.Core.Quantities;

/// <summary>A measured value exactly as it was typed, with the unit it was taken in. This, not a converted number, is what the record
/// keeps.</summary>
/// <param name="Number">The number typed.</param>
/// <param name="Unit">The unit typed, or the company's own when none was.</param>
public sealed record TypedValue(double Number, Unit Unit)
{
    /// <summary>Kelvin for a temperature, absolute kilopascal for a pressure, ampere, mass %, kg, V, Ω, K of a difference, min.</summary>
    /// <param name="atmosphere">Local atmosphere, needed to make a gauge pressure absolute.</param>
    public double Si(Pressure atmosphere)
    {
        var value = Number * Unit.Scale + Unit.Offset;
        return Unit is { Kind: QuantityKind.Pressure, Reference: PressureReference.Gauge } ? value + atmosphere.Kpa : value;
    }

    /// <summary>Only meaningful when <see cref="Unit"/> is a unit of temperature.</summary>
    public Temperature Temperature => new(Number * Unit.Scale + Unit.Offset);
}
