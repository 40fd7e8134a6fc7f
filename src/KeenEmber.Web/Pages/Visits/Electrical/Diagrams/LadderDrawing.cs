using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Web.Drawing;
using KeenEmber.Words.Benches.Electrical.Diagrams;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Electrical.Diagrams;

/// <summary>A terminal where it is drawn.</summary>
/// <param name="IsLive">It has the line's voltage where all is as it should be.</param>
public sealed record DrawnTerminal(string Name, double X, double Y, bool IsLive);

/// <summary>A part where it is drawn.</summary>
/// <param name="Lines">Its name, broken to fit.</param>
/// <param name="Suspicion">0 to 1; 0 for no suspect.</param>
/// <param name="Readings">Voltages across it.</param>
public sealed record DrawnPart(
    DiagramPart Part, double From, double To, double Y, bool IsLive, IReadOnlyList<string> Lines, double Suspicion,
    IReadOnlyList<string> Readings)
{
    /// <summary>The middle of it.</summary>
    public double Middle => (From + To) / 2;
}

/// <summary>A control circuit laid out as a ladder, narrow enough for a phone.</summary>
public sealed class LadderDrawing
{
    /// <summary>Of the drawing, in its own units: a phone's width.</summary>
    public const double Width = 360;

    private const double Left = 26, Right = 334, Top = 30, RungHeight = 70;

    /// <summary>Letters of a name that fit under a part, by the parts of its rung.</summary>
    private const double LettersAcross = 52;

    /// <summary>With what was measured, and with the suspects, in the mode that was measured in.</summary>
    public LadderDrawing(CircuitTrace trace, CircuitMode mode) : this(trace.In(mode),
        mode == trace.Mode ? trace.Entries : [], mode == trace.Mode && trace.Entries.Count > 0 ? trace.Result.Suspects : [])
    {
    }

    /// <summary>As it should be.</summary>
    public LadderDrawing(ControlDiagram diagram) : this(diagram, [], [])
    {
    }

    private LadderDrawing(ControlDiagram diagram, IReadOnlyList<TraceEntry> measured, IReadOnlyList<Suspect> traced)
    {
        var suspects = traced.Where(s => s.Of.Part is not null).GroupBy(s => s.Of.Part)
            .ToDictionary(g => g.Key, g => g.Sum(s => s.Probability));
        bool IsLive(string terminal) => diagram.Live.Contains(terminal);
        foreach (var (rung, row) in diagram.Rungs.Select((r, i) => (r, i)))
        {
            var y = Top + row * RungHeight;
            var begin = rung.Terminals[0] == ControlDiagram.Fed ? Left : Left + Indent;
            var reachesRail = rung.Terminals[^1] == ControlDiagram.Return;
            var step = (Right - begin) / (reachesRail ? rung.Parts.Count : rung.Parts.Count + 1);
            for (var i = 0; i < rung.Terminals.Count; i++)
                Terminals.Add(new(rung.Terminals[i], begin + i * step, y, IsLive(rung.Terminals[i])));

            var shown = Terminals.TakeLast(rung.Terminals.Count).ToList();
            for (var i = 0; i < rung.Parts.Count; i++)
            {
                var wired = rung.Parts[i].Wired;
                Parts.Add(new(rung.Parts[i], shown[i].X, shown[i + 1].X, y, IsLive(wired.A), Broken(wired.Id, rung.Parts.Count),
                    suspects.GetValueOrDefault(wired.Id), Readings(measured, wired)));
            }
        }

        Height = Top + diagram.Rungs.Count * RungHeight - BelowLast;
    }

    /// <summary>Nothing is drawn under the last rung's names.</summary>
    private const double BelowLast = 12;

    /// <summary>A rung that hangs on another one begins beside the left rail.</summary>
    private const double Indent = 34;

    public double Height { get; }

    public List<DrawnTerminal> Terminals { get; } = [];

    public List<DrawnPart> Parts { get; } = [];

    /// <summary>The whole ladder; terminals are targets a thumb can hit.</summary>
    public HtmlString Draw(string label)
    {
        var svg = new Svg().Open(Width, Height, "ladder", label)
            .Line(Left, FedRungs.Min(t => t.Y), Left, FedRungs.Max(t => t.Y), "rail-line live")
            .Line(Right, RailsFrom, Right, Height - BelowRails, "rail-line");
        foreach (var part in Parts)
            Draw(svg, part);
        foreach (var terminal in Terminals)
        {
            svg.OpenGroup($"terminal{(terminal.IsLive ? " live" : "")}", "role=\"button\" tabindex=\"0\" "
                    + $"data-terminal=\"{terminal.Name}\" aria-label=\"Terminal {terminal.Name}\" {Events}")
                .Circle(terminal.X, terminal.Y, ReachRadius, "reach").Circle(terminal.X, terminal.Y, DotRadius, "dot")
                .Text(terminal.X, terminal.Y + HalfLetter, terminal.Name, "part-name").CloseGroup();
        }

        return svg.Close();
    }

    private IEnumerable<DrawnTerminal> FedRungs => Terminals.Where(t => t.Name == ControlDiagram.Fed && Math.Abs(t.X - Left) < 1);

    private const string Events =
        "x-on:click=\"pick\" x-on:keydown.enter.prevent=\"pick\" x-on:keydown.space.prevent=\"pick\"";

    private const double RailsFrom = 14, BelowRails = 40, ReachRadius = 20, DotRadius = 10, HalfLetter = 3.5;

    /// <summary>Half the width of a symbol; the first line of a name under it; from line to line; the share above it.</summary>
    private const double HalfBody = 11, NameBelow = 22, LineHeight = 11, ShareAbove = 15;

    /// <summary>Less is not worth a colour.</summary>
    private const double Suspicious = 0.03;

    private static void Draw(Svg svg, DrawnPart part)
    {
        var isSuspect = part.Suspicion >= Suspicious;
        svg.OpenGroup($"wired{(part.IsLive ? " live" : "")}{(isSuspect ? " suspect" : "")}", $"data-part=\"{part.Part.Wired.Id}\"")
            .Line(part.From, part.Y, part.Middle - HalfBody, part.Y, "before")
            .Line(part.Middle + HalfBody, part.Y, part.To, part.Y, "after")
            .Path(FormattableString.Invariant($"M{part.Middle - HalfBody:0.#} {part.Y:0.#} {Body(part.Part.Wired)}"), "body");
        if (isSuspect)
            svg.Text(part.Middle, part.Y - ShareAbove, $"{part.Suspicion * 100:0} %", "suspicion");
        var y = part.Y + NameBelow;
        foreach (var line in part.Lines)
        {
            svg.Text(part.Middle, y, line, "part-name");
            y += LineHeight;
        }

        if (part.Readings.Count > 0)
            svg.Text(part.Middle, y, string.Join(", ", part.Readings), "read");
        svg.CloseGroup();
    }

    /// <summary>A load is a lozenge, a closed contact a bridge with a bar under it, an open one a lifted arm, a winding two
    /// humps.</summary>
    private static string Body(WiredPart part) => part switch
    {
        { IsLoad: true } => "l6 -9 h10 l6 9 l-6 9 h-10 z",
        { Kind: WiredKind.Transformer } => "c0 -12 11 -12 11 0 c0 -12 11 -12 11 0 m-20 5 h18",
        { Kind: WiredKind.Wire } => "h22",
        { Closed: true } => "h22 m-16 6 h10",
        _ => "l19 -11",
    };

    private static List<string> Broken(string name, int parts)
    {
        var most = LettersAcross / parts;
        var lines = new List<string> { "" };
        foreach (var word in name.Split(' '))
        {
            if (lines[^1].Length > 0 && lines[^1].Length + word.Length >= most)
                lines.Add("");
            lines[^1] = $"{lines[^1]} {word}".Trim();
        }

        return lines;
    }

    private static List<string> Readings(IReadOnlyList<TraceEntry> measured, WiredPart part) =>
    [
        .. measured.Where(e => (e.A == part.A && e.B == part.B) || (e.A == part.B && e.B == part.A)
            || e.Part == part.Id).Select(TraceText.Tag),
    ];
}
