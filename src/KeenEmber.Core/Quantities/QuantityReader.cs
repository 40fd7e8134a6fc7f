using System.Globalization;
using System.Text.RegularExpressions;

namespace KeenEmber.Core.Quantities;

/// <summary>Why a typed text could not become a value.</summary>
public enum TypingProblem
{
    /// <summary>Nothing was typed.</summary>
    Empty,

    /// <summary>Longer than a value can be.</summary>
    TooLong,

    /// <summary>No number.</summary>
    NotANumber,

    /// <summary>A unit nobody knows.</summary>
    UnknownUnit,

    /// <summary>A unit of another kind of quantity.</summary>
    WrongKindOfUnit,

    /// <summary>A value that cannot be: below absolute zero, below vacuum.</summary>
    BeyondPhysics,
}

/// <summary>Either a value or the problem that prevented one.</summary>
public readonly record struct TypedReading(TypedValue? Value, TypingProblem? Problem)
{
    /// <summary>What was understood.</summary>
    public static implicit operator TypedReading(TypedValue value) => new(value, null);

    /// <summary>Why nothing was understood.</summary>
    public static implicit operator TypedReading(TypingProblem problem) => new(null, problem);
}

/// <summary>Reads what a person types for a quantity: "21", "21 psi", "1,4 bar", "-13F", "5 inHg".</summary>
public static partial class QuantityReader
{
    /// <summary>Longer texts are no value, characters.</summary>
    public const int LongestText = 40;

    /// <summary>Absolute zero up to well above any discharge line, °C.</summary>
    private static readonly (double Low, double High) TemperatureLimitsC = (-273.15, 500);

    /// <summary>From a perfect vacuum to twice the highest transcritical CO2 test pressure, kPa absolute.</summary>
    private static readonly (double Low, double High) PressureLimitsKpa = (0, 30_000);

    /// <summary>Nothing to beyond the largest clamp meter, A.</summary>
    private static readonly (double Low, double High) CurrentLimitsA = (0, 2000);

    /// <summary>Nothing to the largest charge on the books, kg.</summary>
    private static readonly (double Low, double High) MassLimitsKg = (0, 5000);

    /// <summary>Low-voltage installations end at 1000 V alternating (IEC 60364-1).</summary>
    private static readonly (double Low, double High) VoltageLimitsV = (0, 1000);

    /// <summary>A short to beyond what a hand meter reads, Ω.</summary>
    private static readonly (double Low, double High) ResistanceLimitsOhm = (0, 1e9);

    /// <summary>No differential or offset is larger, K.</summary>
    private static readonly (double Low, double High) DifferenceLimitsK = (-100, 100);

    /// <summary>No door of a box is larger, m.</summary>
    private static readonly (double Low, double High) LengthLimitsM = (0, 50);

    /// <summary>More than any coil blows, m³/h.</summary>
    private static readonly (double Low, double High) AirFlowLimits = (0, 500_000);

    /// <summary>More than any capacitor of a motor, µF.</summary>
    private static readonly (double Low, double High) CapacitanceLimits = (0, 10_000);

    /// <summary>More than any load of a unit, W.</summary>
    private static readonly (double Low, double High) PowerLimitsW = (0, 200_000);

    /// <summary>More than any motor of a unit turns, rpm.</summary>
    private static readonly (double Low, double High) SpeedLimitsRpm = (0, 20_000);

    /// <summary>Any supply of a unit, an inverter's too, Hz.</summary>
    private static readonly (double Low, double High) FrequencyLimitsHz = (1, 400);

    /// <summary>Nothing to somewhat above the atmosphere, Pa absolute.</summary>
    private static readonly (double Low, double High) VacuumLimitsPa = (0, 110_000);

    /// <summary>More than any circuit or box holds, l.</summary>
    private static readonly (double Low, double High) VolumeLimitsL = (0, 5_000_000);

    /// <summary>A fortnight, min.</summary>
    private static readonly (double Low, double High) DurationLimitsMin = (0, 20_160);

    [GeneratedRegex(@"^(?<number>[+\-−–]?\s*(\d+([.,]\d+)?|[.,]\d+))\s*(?<unit>[^\d\s][^\d]*)?$", RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    /// <param name="text">A number, with or without a unit; decimal point or decimal comma.</param>
    /// <param name="kind">What is asked for; a unit of another kind is a problem, not a conversion.</param>
    /// <param name="preference">Says what a bare number means.</param>
    /// <returns>The value as typed, or the problem. A value beyond physics (below absolute zero or vacuum, above 500 °C, 300 bar, 2000 A,
    /// 5000 kg, 1000 V, 1 GΩ, 100 K of difference, a fortnight, 50 m, 500,000 m³/h, 10,000 µF, 200 kW, 20,000 rpm, 400 Hz,
    /// 110 kPa of a vacuum, 5,000 m³ or 100 %) is a problem; a merely unlikely one is accepted.</returns>
    public static TypedReading Read(string? text, QuantityKind kind, UnitPreference preference)
    {
        var trimmed = (text ?? "").Trim();
        if (trimmed.Length == 0)
            return TypingProblem.Empty;
        if (trimmed.Length > LongestText)
            return TypingProblem.TooLong;
        var match = Pattern().Match(trimmed);
        if (!match.Success || Number(match.Groups["number"].Value) is not { } number)
            return TypingProblem.NotANumber;
        var unit = preference.For(kind);
        if (match.Groups["unit"] is { Success: true, Value: var spelling })
        {
            if (Unit.Find(spelling, kind) is not { } typed)
                return TypingProblem.UnknownUnit;
            if (typed.Kind != kind)
                return TypingProblem.WrongKindOfUnit;
            unit = typed;
        }

        // A compound gauge shows vacuum as a plain figure; some write the minus all the same.
        var value = new TypedValue(unit == Unit.InchesOfVacuum ? Math.Abs(number) : number, unit);
        return IsWithinPhysics(value) ? value : TypingProblem.BeyondPhysics;
    }

    /// <summary>A number with decimal point or comma and any of the usual minus signs; null when it is not finite or not a
    /// number.</summary>
    public static double? Number(string text)
    {
        var plain = string.Concat(text.Where(c => !char.IsWhiteSpace(c))).Replace(',', '.').Replace('−', '-').Replace('–', '-');
        return double.TryParse(
            plain, NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number)
            && double.IsFinite(number) ? number : null;
    }

    /// <summary>Whether anything an instrument can be held to has this value; false for what is not finite.</summary>
    public static bool IsWithinPhysics(TypedValue value)
    {
        var (number, (low, high)) = value.Unit.Kind switch
        {
            QuantityKind.Temperature => (value.Temperature.Celsius, TemperatureLimitsC),
            QuantityKind.Pressure => (value.Si(Pressure.StandardAtmosphere), PressureLimitsKpa),
            QuantityKind.Current => (value.Number * value.Unit.Scale, CurrentLimitsA),
            QuantityKind.Mass => (value.Number * value.Unit.Scale, MassLimitsKg),
            QuantityKind.Voltage => (value.Number, VoltageLimitsV),
            QuantityKind.Resistance => (value.Number * value.Unit.Scale, ResistanceLimitsOhm),
            QuantityKind.Difference => (value.Number * value.Unit.Scale, DifferenceLimitsK),
            QuantityKind.Duration => (value.Number * value.Unit.Scale, DurationLimitsMin),
            QuantityKind.Length => (value.Number * value.Unit.Scale, LengthLimitsM),
            QuantityKind.AirFlow => (value.Number * value.Unit.Scale, AirFlowLimits),
            QuantityKind.Capacitance => (value.Number * value.Unit.Scale, CapacitanceLimits),
            QuantityKind.Power => (value.Number * value.Unit.Scale, PowerLimitsW),
            QuantityKind.Speed => (value.Number * value.Unit.Scale, SpeedLimitsRpm),
            QuantityKind.Frequency => (value.Number, FrequencyLimitsHz),
            QuantityKind.Vacuum => (value.Number * value.Unit.Scale, VacuumLimitsPa),
            QuantityKind.Volume => (value.Number * value.Unit.Scale, VolumeLimitsL),
            _ => (value.Number, (0, 100)),
        };
        return number >= low && number <= high;
    }
}
