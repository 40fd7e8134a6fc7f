using System.Globalization;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Record;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Electrical;

/// <summary>Whether a fan motor may stand in for another one: two plates side by side. Nothing is kept but what is asked to be.</summary>
public sealed class ElectricalMotorModel(VisitViews views) : VisitPage(views)
{
    /// <summary>The numbers of a plate, and the most each can be.</summary>
    public static IReadOnlyList<(string Name, string Label, double Most)> Numbers { get; } =
    [
        ("volts", "Voltage, V", 1000), ("hertz", "Frequency, Hz", 400), ("phases", "Phases", 3), ("watts", "Output, W", 50_000),
        ("rpm", "Speed, rpm", 20_000), ("shaft", "Shaft, mm", 100), ("shaftLength", "Shaft length, mm", 1000),
        ("stack", "Stack height, mm", 1000),
        ("blade", "Blade, mm", 3000), ("pitch", "Blade pitch, °", 60), ("lead", "Leads, mm", 10_000),
    ];

    /// <summary>What is a word.</summary>
    public static IReadOnlyList<(string Name, string Label)> Words { get; } =
        [("rotation", "Turns: cw, ccw or both"), ("mount", "Mount"), ("enclosure", "Open, drip or sealed"), ("connector", "Connector")];

    /// <summary>Line by line; empty as long as nothing was sent.</summary>
    public IReadOnlyList<MotorComparison> Lines { get; private set; } = [];

    public IActionResult OnPostCompare(Guid id)
    {
        if (!Load(id))
            return NotFound();
        Keep();
        Lines = Form.IsWrong ? [] : MotorMatch.Compare(Plate("old"), Plate("new"));
        if (!Form.IsWrong && Lines.Count == 0)
            Form.Errors["old-volts"] = "Type at least one thing that is known of both.";
        return Page();
    }

    public IActionResult OnPostKeep(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        var lines = MotorMatch.Compare(Plate("old"), Plate("new"));
        return lines.Count == 0 ? null : new NoteEntry(Writer.Next(), MotorText.Line(lines));
    });

    private MotorPlate Plate(string of)
    {
        double? N(string name) => Form.Number($"{of}-{name}", 0, Numbers.First(n => n.Name == name).Most);
        string W(string name) => Form.Text($"{of}-{name}", 30);
        return new(N("volts"), N("hertz"), N("phases"), N("watts"), N("rpm"), W("rotation"), N("shaft"), N("shaftLength"), W("mount"),
            N("stack"), N("blade"), N("pitch"), W("enclosure"), N("lead"), W("connector"));
    }
}

/// <summary>A comparison of two motors in words.</summary>
public static class MotorText
{
    public static string Name(MotorLine line) => line switch
    {
        MotorLine.Volts => "voltage, V",
        MotorLine.Hertz => "frequency, Hz",
        MotorLine.Phases => "phases",
        MotorLine.Watts => "power for this blade at its speed, W",
        MotorLine.Rpm => "speed, rpm",
        MotorLine.Rotation => "rotation",
        MotorLine.Shaft => "shaft, mm",
        MotorLine.ShaftLength => "shaft length, mm",
        MotorLine.Mount => "mount",
        MotorLine.Stack => "height, mm",
        MotorLine.Pitch => "blade pitch, °",
        MotorLine.Enclosure => "enclosure",
        MotorLine.Leads => "leads, mm",
        _ => "connector",
    };

    public static string Name(MotorFit fit) => fit switch
    {
        MotorFit.Passes => "fits",
        MotorFit.Near => "near",
        _ => "does not fit",
    };

    /// <summary>What to do about a line that does not pass.</summary>
    public static string Advice(MotorComparison line) => (line.Line, line.Fit) switch
    {
        (_, MotorFit.Passes) => "",
        (MotorLine.Watts, MotorFit.Near) => "Stronger than needed: it wastes power and heats the box.",
        (MotorLine.Watts, _) => "Too weak: it runs hot and dies. A smaller or flatter blade takes less.",
        (MotorLine.Rpm, MotorFit.Near) => "The air changes with it and the power with its cube: look at the power line.",
        (MotorLine.Rpm, _) => "Another number of poles: blade and coil were chosen for the old speed.",
        (MotorLine.Rotation, _) => "It blows the wrong way. Only a motor that can be reversed.",
        (MotorLine.Shaft, MotorFit.Near) => "A bush of the right bore fits it to the blade’s hub.",
        (MotorLine.ShaftLength, MotorFit.Near) => "Longer: watch the guard, move the blade to where it sat in its ring.",
        (MotorLine.ShaftLength, _) => "Too short: the blade sits outside its ring.",
        (MotorLine.Mount, _) => "Another mount: a bracket must carry it without play.",
        (MotorLine.Stack, _) => "Taller: the blade moves towards the guard or the coil.",
        (MotorLine.Pitch, _) => "A blade of another pitch takes another power: move the old blade over.",
        (MotorLine.Enclosure, _) => "Less protected than the old one: not in a wet or frosted box.",
        (MotorLine.Leads, _) => "Shorter leads: no joint within reach of water or the blade.",
        (MotorLine.Connector, _) => "Change the plug with the power locked out; keep the order of its wires.",
        _ => "Not on this supply.",
    };

    /// <summary>What all lines together come to.</summary>
    public static string Sum(IReadOnlyList<MotorComparison> lines) => lines.Max(l => l.Fit) switch
    {
        MotorFit.Passes => "It fits in every line compared.",
        MotorFit.Near => "It can be made to fit.",
        _ => "It must not go in as it is.",
    };

    /// <summary>In a line, for the record.</summary>
    public static string Line(IReadOnlyList<MotorComparison> lines)
    {
        var bad = lines.Where(l => l.Fit != MotorFit.Passes)
            .Select(l => string.Create(CultureInfo.InvariantCulture, $"{Name(l.Line)} {Name(l.Fit)}, {l.Gives} for {l.Needs}")).ToList();
        return "replacement motor: " + (bad.Count == 0 ? $"fits in all {lines.Count} lines compared" : string.Join("; ", bad));
    }
}
