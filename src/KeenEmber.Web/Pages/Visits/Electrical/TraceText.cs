using KeenEmber.Core.Benches.Electrical.Tracing;

namespace KeenEmber.Web.Pages.Visits.Electrical;

/// <summary>What a trace says, in a technician's words.</summary>
public static class TraceText
{
    /// <summary>One suspect: "thermostat does not close".</summary>
    public static string Say(Wiring wiring, PartFault suspect)
    {
        if (suspect.Part is null)
            return "nothing is wrong along here";
        if (suspect.Part == Tracer.Meter)
            return "the meter, a slip of the probe, or the diagram is wrong";
        if (wiring.Part(suspect.Part) is not { } part)
            return $"{suspect.Part} is dead";
        return $"{suspect.Part} {Fault(part, suspect.Fault)}";
    }

    private static string Fault(WiredPart part, WiredFault fault) => fault switch
    {
        WiredFault.StuckOpen => "is open and should be closed",
        WiredFault.StuckClosed => "is closed, or bridged, and should be open",
        WiredFault.Shorted => "is shorted",
        WiredFault.HighResistance when part.Kind == WiredKind.Contact => "closes badly: resistance across it",
        WiredFault.HighResistance => "has a bad joint: resistance in it",
        WiredFault.ToEarth => "touches earth",
        WiredFault.Open when part.Kind == WiredKind.Fuse => "is blown",
        WiredFault.Open when part.Kind == WiredKind.Wire => "is broken or off its terminal",
        WiredFault.Open when part.Kind == WiredKind.Transformer => "gives nothing: a winding is open",
        WiredFault.Open => "is open: it has its voltage and does nothing",
        _ => "is as it should be",
    };
}
