using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Probes;

/// <summary>What a probe is used for on a visit.</summary>
public enum ProbeUse
{
    /// <summary>Nothing any more.</summary>
    None,

    /// <summary>It hangs at a measuring point.</summary>
    Point,

    /// <summary>The scale under the cylinder.</summary>
    Scale,

    /// <summary>The vacuum gauge.</summary>
    Vacuum,

    /// <summary>It hangs at a place of a defrost that is watched.</summary>
    Defrost,
}

/// <summary>From here on a probe hangs somewhere on this unit.</summary>
/// <param name="Probe">Its id on the wire.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Point">Where it hangs; null unless at a point.</param>
/// <param name="Place">Key of the place of a defrost; empty unless at one.</param>
public sealed record ProbeTieEntry(EntryHeader Header, string Probe, string Name, ProbeUse Use, PointRef? Point = null, string Place = "")
    : Entry(Header);

/// <summary>What the probes of the visit send is recorded from here on, or no longer.</summary>
public sealed record ProbeRecordingEntry(EntryHeader Header, bool Begins) : Entry(Header);

/// <summary>What a probe sent.</summary>
/// <param name="Number">Of its own counting: the same one is the same reading.</param>
/// <param name="At">By this machine's clock.</param>
public sealed record ProbeSample(long Number, DateTimeOffset At, TypedValue Value);

/// <summary>A probe that was heard.</summary>
/// <param name="Id">On the wire.</param>
/// <param name="Battery">0 to 1; null where it does not say.</param>
public sealed record Probe(string Id, string Name, QuantityKind Measures, double? Battery)
{
    /// <summary>What it can be used for; nothing where it measures what no point takes.</summary>
    public ProbeUse Use => Measures switch
    {
        QuantityKind.Temperature or QuantityKind.Pressure or QuantityKind.Current => ProbeUse.Point,
        QuantityKind.Mass => ProbeUse.Scale,
        QuantityKind.Vacuum => ProbeUse.Vacuum,
        _ => ProbeUse.None,
    };

    /// <summary>It is of use there: what hangs at points hangs at the places of a defrost as well.</summary>
    public bool Fits(ProbeUse use) => Use == (use == ProbeUse.Defrost ? ProbeUse.Point : use);
}
