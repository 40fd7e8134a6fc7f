using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>A part of a diagram with what it is on the unit.</summary>
/// <param name="Wired">Its id is its name: "box thermostat".</param>
/// <param name="Component">Null for what is no part of its own.</param>
public sealed record DiagramPart(WiredPart Wired, Component? Component);

/// <summary>Parts in a row, from one terminal to another.</summary>
public sealed record Rung(IReadOnlyList<DiagramPart> Parts)
{
    /// <summary>Terminals from left to right: one more than parts.</summary>
    public IReadOnlyList<string> Terminals => field ??= [Parts[0].Wired.A, .. Parts.Select(p => p.Wired.B)];
}

/// <summary>The control circuit of a unit in one mode.</summary>
public sealed record ControlDiagram(IReadOnlyList<WiredSource> Sources, IReadOnlyList<Rung> Rungs)
{
    /// <summary>Names of the two conductors.</summary>
    public const string Line = "L1", Return = "L2";

    /// <summary>The third phase, where there is one.</summary>
    public const string Third = "L3";

    /// <summary>The line behind the breaker, which feeds the rungs.</summary>
    public const string Fed = "1";

    /// <summary>As a circuit to be solved.</summary>
    public Wiring Wiring => field ??= new(Sources, [.. Rungs.SelectMany(r => r.Parts).Select(p => p.Wired)]);

    /// <summary>The part of that name; null where there is none.</summary>
    public DiagramPart? Part(string? id) => Rungs.SelectMany(r => r.Parts).FirstOrDefault(p => p.Wired.Id == id);

    /// <summary>From this share of its supply on a terminal is live.</summary>
    private const double LiveShare = 0.5;

    /// <summary>Terminals that have their supply's voltage against its return where all is as it should be, those behind a transformer
    /// against the other end of its winding.</summary>
    public IReadOnlySet<string> Live => field ??= Against().SelectMany(a => Tracer.Expected(Wiring, a.Return)
        .Where(v => v.Value > LiveShare * a.Volts).Select(v => v.Key)).ToHashSet();

    private IEnumerable<(string Return, double Volts)> Against()
    {
        var supply = Tracer.Expected(Wiring, Return)[Line];
        return Wiring.Parts.Where(p => p.Kind == WiredKind.Transformer).Select(p => (p.D, supply / p.Ratio)).Prepend((Return, supply));
    }
}
