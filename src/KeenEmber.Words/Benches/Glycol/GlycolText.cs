using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Findings;

namespace KeenEmber.Words.Benches.Glycol;

/// <summary>Glycol mixtures in words.</summary>
public static class GlycolText
{
    public static string Name(GlycolKind kind) => kind == GlycolKind.Propylene ? "propylene glycol" : "ethylene glycol";

    /// <summary>A test in a line: "propylene glycol 30 to 35 %, pump runs, bath low".</summary>
    public static string Line(GlycolEntry entry)
    {
        var upper = entry.UpToPercent is { } high ? $" to {UnitText.Number(high, 0)}" : "";
        var strength = entry.Percent is { } percent ? $" {UnitText.Number(percent, 0)}{upper} %" : "";
        return string.Join(", ", new[]
        {
            Name(entry.Kind) + strength, Said(entry.PumpRuns, "pump runs", "pump stopped"), Said(entry.BathFull, "bath full", "bath low"),
            Said(entry.Froze, "ice in it", "no ice in it"), Said(entry.AlkalinityHolds, "alkalinity in range", "alkalinity out of range"),
        }.Where(t => t.Length > 0));
    }

    private static string Said(bool? answer, string yes, string no) => answer switch { true => yes, false => no, null => "" };

    /// <summary>What a check says, with its numbers.</summary>
    public static string Finding(Finding finding, UnitText units)
    {
        string T(string name) => finding.Values.TryGetValue(name, out var kelvin) ? units.Temperature(kelvin) : "unknown";
        return finding.Code switch
        {
            GlycolCheck.TooWeak =>
                $"The mixture is too weak: it freezes at {T("Freezing")}, and at the right set point the coil is at "
                + $"{T("CoilAtSetPoint")}. If it froze, the mixture let it.",
            GlycolCheck.ControlTooCold =>
                $"The glycol is strong enough ({T("Freezing")}). A surface reached {T("ColdestSurface")}. Check the control and "
                + "suction pressure.",
            GlycolCheck.FrozeThoughStrong =>
                $"It froze, though strong enough: it freezes at {T("Freezing")}, the coil should be at {T("CoilAtSetPoint")}. Check "
                + "the pump, the bath level, then control and suction pressure.",
            GlycolCircuit.PumpStopped =>
                "The glycol pump does not run. Switch the compressor off: standing glycol freezes round the coil. Check its supply, then "
                + "its motor.",
            GlycolCircuit.BathLow => "The bath is low. Fill with the same mixture, then find where it went.",
            GlycolCircuit.InhibitorSpent =>
                "Reserve alkalinity is out of range: the inhibitors are spent. Renew the mixture; do not top it up with water.",
            GlycolCheck.ThinMargin =>
                $"Freezes at {T("Freezing")}, too close to the coil at {T("CoilAtSetPoint")}. Strengthen the mixture.",
            GlycolCheck.TooStrong =>
                $"It freezes only at {T("Freezing")}, far stronger than the coil's {T("CoilAtSetPoint")} needs: thick, and poor at "
                + "carrying heat.",
            GlycolCheck.Fits =>
                $"The mixture fits: it freezes at {T("Freezing")}, the coil at the right set point is at {T("CoilAtSetPoint")}.",
            GlycolCheck.OutOfRange => "This strength is outside 0 to 60 % by mass: nothing is known of it here.",
            _ => finding.Code,
        };
    }

    /// <summary>Without figures, for a line in a list.</summary>
    public static string Headline(Finding finding) => finding.Code switch
    {
        GlycolCheck.TooWeak => "The glycol is too weak for its set point.",
        GlycolCheck.ControlTooCold => "The glycol is strong enough; the control or a low suction pressure let it freeze.",
        GlycolCheck.FrozeThoughStrong => "The glycol froze, though it is strong enough.",
        GlycolCircuit.PumpStopped => "The glycol pump does not run.",
        GlycolCircuit.BathLow => "The glycol bath is low.",
        GlycolCircuit.InhibitorSpent => "The glycol's inhibitors are spent.",
        GlycolCheck.ThinMargin => "The glycol is hardly strong enough.",
        GlycolCheck.TooStrong => "The glycol is far stronger than it needs to be.",
        GlycolCheck.OutOfRange => "The glycol's strength is outside what is known.",
        GlycolCheck.Fits => "The glycol fits its set point.",
        _ => finding.Code,
    };
}
