using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Findings;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web.Pages.Visits.Glycol;

/// <summary>Glycol mixtures in words.</summary>
public static class GlycolText
{
    public static string Name(GlycolKind kind) => kind == GlycolKind.Propylene ? "propylene glycol" : "ethylene glycol";

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
                $"The mixture would do ({T("Freezing")}), but a surface was at {T("ColdestSurface")}: the control, or a low suction, "
                + "let it freeze.",
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
        GlycolCheck.ControlTooCold => "The glycol would do, but the control or a low suction let it freeze.",
        GlycolCheck.ThinMargin => "The glycol is hardly strong enough.",
        GlycolCheck.TooStrong => "The glycol is far stronger than it needs to be.",
        GlycolCheck.OutOfRange => "The glycol's strength is outside what is known.",
        GlycolCheck.Fits => "The glycol fits its set point.",
        _ => finding.Code,
    };
}
