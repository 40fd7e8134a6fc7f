using KeenEmber.Core.Quantities;

namespace KeenEmber.Web.Wording;

/// <summary>What to say at a field when the typed text is no value.</summary>
public static class TypingText
{
    public static string Problem(TypingProblem problem, QuantityKind kind, UnitPreference units) => problem switch
    {
        TypingProblem.Empty => $"Type a {Name(kind)}, such as {Example(kind, units)}.",
        TypingProblem.TooLong => $"That is too long for one value. Type a {Name(kind)}, such as {Example(kind, units)}.",
        TypingProblem.NotANumber => $"This is not a number with a unit. Type a {Name(kind)}, such as {Example(kind, units)}.",
        TypingProblem.UnknownUnit => kind == QuantityKind.Temperature
            ? "This unit is not known. Temperatures go in °C, °F or K."
            : "This unit is not known. Pressures go in psi, bar, kPa, inHg, psia, bar abs or kPa abs.",
        TypingProblem.WrongKindOfUnit => kind == QuantityKind.Temperature
            ? $"This is a pressure; a temperature belongs here, such as {Example(kind, units)}."
            : $"This is a temperature; a pressure belongs here, such as {Example(kind, units)}.",
        _ => kind == QuantityKind.Temperature
            ? "No thermometer shows this: it must lie between absolute zero and 500 °C."
            : "No gauge shows this: it must lie between a full vacuum and 300 bar.",
    };

    public static string Example(QuantityKind kind, UnitPreference units) => (kind, units == UnitPreference.Us) switch
    {
        (QuantityKind.Temperature, true) => "-13 or -25 °C",
        (QuantityKind.Temperature, false) => "-25 or -13 °F",
        (QuantityKind.Pressure, true) => "21 or 1.4 bar",
        _ => "1.4 or 21 psi",
    };

    private static string Name(QuantityKind kind) => kind == QuantityKind.Temperature ? "temperature" : "pressure";
}
