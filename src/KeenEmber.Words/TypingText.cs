using KeenEmber.Core.Quantities;

namespace KeenEmber.Words;

/// <summary>What becomes of typed text, and what to say at a field when it is no value.</summary>
public static class TypingText
{
    /// <summary>A part of a sentence that is there only where something was typed: ", serial 1234".</summary>
    public static string With(string before, string typed) => typed.Length > 0 ? before + typed : "";

    /// <summary>Free text as it is kept: without blanks round it, and no longer than it may be.</summary>
    public static string Kept(string? text, int longest) => (text ?? "").Trim() is var t && t.Length > longest ? t[..longest] : t;

    /// <summary>The name of a field as words: "callback days" of callbackDays.</summary>
    public static string Words(string field) =>
        string.Concat(field.Select(c => char.IsAsciiLetterUpper(c) ? $" {char.ToLowerInvariant(c)}" : c.ToString())).Trim();

    public static string Problem(TypingProblem problem, QuantityKind kind, UnitPreference units) => problem switch
    {
        TypingProblem.Empty => $"Type a {Name(kind)}, such as {Example(kind, units)}.",
        TypingProblem.TooLong => $"That is too long for one value. Type a {Name(kind)}, such as {Example(kind, units)}.",
        TypingProblem.NotANumber => $"This is not a number with a unit. Type a {Name(kind)}, such as {Example(kind, units)}.",
        TypingProblem.UnknownUnit => kind switch
        {
            QuantityKind.Temperature => "Unknown unit. Use °C, °F or K.",
            QuantityKind.Pressure => "Unknown unit. Use psi, bar, kPa, inHg, psia, bar abs or kPa abs.",
            QuantityKind.Current => "Unknown unit. Use A or mA.",
            QuantityKind.Mass => "Unknown unit. Use kg, g, oz or lb.",
            QuantityKind.Voltage => "Unknown unit. Use V.",
            QuantityKind.Resistance => "Unknown unit. Use Ω, kΩ or MΩ; 9.8k will do.",
            QuantityKind.Difference => "Unknown unit. Use K or °F.",
            QuantityKind.Duration => "Unknown unit. Use min or h.",
            QuantityKind.Length => "Unknown unit. Use m or ft.",
            QuantityKind.AirFlow => "Unknown unit. Use m³/h or cfm.",
            QuantityKind.Capacitance => "Unknown unit. Use µF.",
            QuantityKind.Power => "Unknown unit. Use W or kW.",
            QuantityKind.Speed => "Unknown unit. Use rpm.",
            QuantityKind.Frequency => "Unknown unit. Use Hz.",
            QuantityKind.Vacuum => "Unknown unit. Use micron, Pa, mbar or Torr.",
            QuantityKind.Volume => "Unknown unit. Use l or cu ft.",
            _ => "Unknown unit. Use %.",
        },
        TypingProblem.WrongKindOfUnit => $"This unit does not fit: a {Name(kind)} belongs here, such as {Example(kind, units)}.",
        _ => kind switch
        {
            QuantityKind.Temperature => "Out of range. Type absolute zero to 500 °C.",
            QuantityKind.Pressure => "Out of range. Type full vacuum to 300 bar.",
            QuantityKind.Mass => "Out of range. Type 0 to 5000 kg.",
            QuantityKind.Voltage => "Out of range. Type 0 to 1000 V.",
            QuantityKind.Resistance => "Out of range. Type 0 to 1000 MΩ, or open when the meter reads nothing.",
            QuantityKind.Difference => "Out of range. Type a difference within 100 K.",
            QuantityKind.Duration => "Out of range. Type 0 to 14 days.",
            QuantityKind.Length => "Out of range. Type 0 to 50 m.",
            QuantityKind.Capacitance => "Out of range. Type 0 to 10,000 µF.",
            QuantityKind.Power => "Out of range. Type 0 to 200 kW.",
            QuantityKind.Speed => "Out of range. Type 0 to 20,000 rpm.",
            QuantityKind.Frequency => "Out of range. Type 1 to 400 Hz.",
            QuantityKind.Vacuum => "Out of range. Type an absolute pressure up to that of the air, 110 kPa.",
            QuantityKind.Volume => "Out of range. Type 0 to 5,000,000 l.",
            QuantityKind.AirFlow => "Out of range. Type 0 to 500,000 m³/h.",
            QuantityKind.Current => "Out of range. Type 0 to 2000 A.",
            _ => "Out of range. Type 0 to 100 %.",
        },
    };

    public static string Example(QuantityKind kind, UnitPreference units) => (kind, units == UnitPreference.Us) switch
    {
        (QuantityKind.Temperature, true) => "-13 or -25 °C",
        (QuantityKind.Temperature, false) => "-25 or -13 °F",
        (QuantityKind.Pressure, true) => "21 or 1.4 bar",
        (QuantityKind.Pressure, false) => "1.4 or 21 psi",
        (QuantityKind.Current, _) => "4.6",
        (QuantityKind.Voltage, _) => "231",
        (QuantityKind.Capacitance, _) => "35",
        (QuantityKind.Power, _) => "1200",
        (QuantityKind.Speed, _) => "1550",
        (QuantityKind.Frequency, _) => "50",
        (QuantityKind.Vacuum, true) => "450 or 60 Pa",
        (QuantityKind.Vacuum, false) => "60 or 450 micron",
        (QuantityKind.Volume, true) => "0.4 or 12 l",
        (QuantityKind.Volume, false) => "12 or 0.4 cu ft",
        (QuantityKind.Resistance, _) => "9795 or 9.8k",
        (QuantityKind.Difference, true) => "4 or 2.2 K",
        (QuantityKind.Difference, false) => "2 or 4 °F",
        (QuantityKind.Duration, _) => "25 or 6 h",
        (QuantityKind.Length, true) => "3 or 0.9 m",
        (QuantityKind.Length, false) => "0.9 or 3 ft",
        (QuantityKind.AirFlow, true) => "12 or 20 m³/h",
        (QuantityKind.AirFlow, false) => "20 or 12 cfm",
        (QuantityKind.Mass, true) => "14 or 0.4 kg",
        (QuantityKind.Mass, false) => "0.4 or 14 oz",
        _ => "35",
    };

    private static string Name(QuantityKind kind) => kind switch
    {
        QuantityKind.Temperature => "temperature",
        QuantityKind.Pressure => "pressure",
        QuantityKind.Current => "current",
        QuantityKind.Mass => "mass",
        QuantityKind.Voltage => "voltage",
        QuantityKind.Resistance => "resistance",
        QuantityKind.Difference => "difference",
        QuantityKind.Duration => "time",
        QuantityKind.Length => "length",
        QuantityKind.AirFlow => "flow of air",
        QuantityKind.Capacitance => "capacitance",
        QuantityKind.Power => "power",
        QuantityKind.Speed => "speed",
        QuantityKind.Frequency => "frequency",
        QuantityKind.Vacuum => "vacuum",
        QuantityKind.Volume => "volume",
        _ => "concentration",
    };
}
