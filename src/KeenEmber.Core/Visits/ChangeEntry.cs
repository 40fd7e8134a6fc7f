using System.Text.RegularExpressions;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>What may be left open by a change, or found open: everything temporary or unfinished.</summary>
public enum OpenItemKind
{
    /// <summary>Terminals bridged.</summary>
    Jumper,

    /// <summary>A safety bridged or held.</summary>
    SafetyBypassed,

    /// <summary>A panel left off.</summary>
    PanelOff,

    /// <summary>A service valve seated.</summary>
    ValveSeated,

    /// <summary>Pumped down and left so.</summary>
    PumpedDown,

    /// <summary>A breaker left off.</summary>
    BreakerOff,

    /// <summary>A plug pulled.</summary>
    PlugPulled,

    /// <summary>A setting moved for a test.</summary>
    SettingShifted,

    /// <summary>A repair with tape that must be made good.</summary>
    TapeRepair,

    /// <summary>A part on order.</summary>
    PartOnOrder,

    /// <summary>Something to watch.</summary>
    WatchIt,

    /// <summary>Terminals bridged of a control that is no safety, such as a fan delay, until the part comes.</summary>
    ControlJumper,
}

/// <summary>Which open items are what.</summary>
public static partial class OpenItemKinds
{
    /// <summary>What is a safety by its name: pressure controls, overloads, limits, interlocks.</summary>
    [GeneratedRegex(@"\b(safety|safeties|pressure|hpc?|lpc?|hps|lps|overload|protector|high limit|limit switch|oil|phase|flow|leak|gas|"
        + @"interlock|door)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Safeties();

    /// <summary>It is a safety by what it is called: then nobody may go and leave it bridged, whatever it was entered as.</summary>
    public static bool NamesASafety(string what) => Safeties().IsMatch(what);

    /// <summary>A visit cannot be signed off while one of these is open: it can hurt somebody or wreck the machine.</summary>
    public static bool IsSafety(this OpenItemKind kind) =>
        kind is OpenItemKind.Jumper or OpenItemKind.SafetyBypassed or OpenItemKind.PanelOff or OpenItemKind.ValveSeated;
}

/// <summary>Something was set, moved, bridged or repaired, or was found so.</summary>
/// <param name="What">The thing, in a few words: "defrost length", "fan delay switch".</param>
/// <param name="Before">How it was; may be empty.</param>
/// <param name="After">How it is now; may be empty.</param>
/// <param name="AskedBy">Who asked for it, where it was not the technician's own decision.</param>
/// <param name="Opens">What is left open by it; null for a change that is finished.</param>
/// <param name="FoundSo">It was not done on this visit but found.</param>
/// <param name="Area">What it was done to, which decides what proves it.</param>
public sealed record ChangeEntry(
    EntryHeader Header, string What, string Before, string After, string AskedBy, OpenItemKind? Opens, bool FoundSo,
    WorkArea Area = WorkArea.Other) : Entry(Header), IChangesUnit
{
    /// <summary>What stands before a breaker's reset.</summary>
    public const string Tripped = "tripped";

    bool IChangesUnit.ChangesUnit => !FoundSo;

    IReadOnlyList<ProofKind> IChangesUnit.WantsProof(Equipment unit) => Opens is null ? Proofs.Wanted(Area, unit) : [];
}

/// <summary>A part was replaced.</summary>
/// <param name="Part">Its name; may be empty where the component says it.</param>
/// <param name="Component">Which part of the unit; null for one that is only named.</param>
/// <param name="Place">Which of several, where there is more than one.</param>
/// <param name="Failure">What was wrong with the old one, and why.</param>
/// <param name="Area">What it belongs to, which decides what proves it.</param>
public sealed record PartEntry(
    EntryHeader Header, string Part, string Place, string Failure, string ReplacedBy, string Serial, bool Warranty,
    WorkArea Area = WorkArea.Other, Component? Component = null) : Entry(Header), IChangesUnit
{
    IReadOnlyList<ProofKind> IChangesUnit.WantsProof(Equipment unit) => Component?.Kind == ComponentKind.DefrostClock
        ? [ProofKind.ClockRuns, ProofKind.WholeDefrost] : Proofs.Wanted(Area, unit);
}

/// <summary>A part that somebody else replaced before this visit, as it was told: no work of this one, and no visit of its own.</summary>
/// <param name="DaysAgo">At the visit, not below 0.</param>
/// <param name="Told">In the words of who told it.</param>
public sealed record EarlierPartEntry(EntryHeader Header, Component Component, double DaysAgo, string Told) : Entry(Header);

/// <summary>A row of the refrigerant ledger.</summary>
/// <param name="MassKg">Of the circuit, kg; added positive, recovered negative.</param>
/// <param name="Cylinder">Its label; may be empty.</param>
/// <param name="HosesKg">What stayed in hoses or was purged, kg.</param>
/// <param name="Session">The weighing it comes of; null for one that was typed.</param>
public sealed record RefrigerantEntry(
    EntryHeader Header, string Refrigerant, double MassKg, string Cylinder, string Why, double HosesKg = 0, Guid? Session = null)
    : Entry(Header), IChangesUnit
{
    /// <summary>Of the cylinder, kg; what it gave off is negative.</summary>
    public double CylinderKg => -(MassKg + HosesKg);

    /// <inheritdoc/>
    public override Entry WithReferences(Func<Guid, Guid> map) =>
        (RefrigerantEntry)base.WithReferences(map) with { Session = Session is { } session ? map(session) : null };

    /// <summary>What was taken out proves itself on the scale, and so does what a sealed unit was given.</summary>
    IReadOnlyList<ProofKind> IChangesUnit.WantsProof(Equipment unit) => (MassKg > 0, unit.Circuit.Metering) switch
    {
        (false, _) => [],
        (true, Metering.CapillaryTube) => [ProofKind.BoxAtTarget],
        _ => [ProofKind.CircuitJudged],
    };
}

/// <summary>An open item was closed.</summary>
/// <param name="Item">Id of the change that opened it.</param>
/// <param name="How">What was done.</param>
public sealed record ClosureEntry(EntryHeader Header, Guid Item, string How) : Entry(Header), IChangesUnit
{
    /// <inheritdoc/>
    public override Entry WithReferences(Func<Guid, Guid> map) => (ClosureEntry)base.WithReferences(map) with { Item = map(Item) };
}

/// <summary>An open item was left open on purpose: why, who looks after it, and until when.</summary>
public sealed record HandoverEntry(EntryHeader Header, Guid Item, string Reason, string Owner, DateOnly Due) : Entry(Header)
{
    /// <inheritdoc/>
    public override Entry WithReferences(Func<Guid, Guid> map) => (HandoverEntry)base.WithReferences(map) with { Item = map(Item) };
}

/// <summary>The visit is closed, with what it came to.</summary>
/// <param name="RootCause">What made it fail; empty when it was not found.</param>
/// <param name="NotReproduced">What was complained of and did not show itself; empty when everything did.</param>
/// <param name="Recommendation">What else to say; what is to be done stands in <see cref="RecommendationEntry"/>.</param>
/// <param name="FollowUp">The day to look again; null for none.</param>
/// <param name="Contributing">What helped it to fail; may be empty.</param>
/// <param name="Consequences">What the failure did to machine and stock; may be empty.</param>
/// <param name="Explained">Codes of the findings that the causes explain, parted by spaces.</param>
public sealed record SignOffEntry(
    EntryHeader Header, string RootCause, string NotReproduced, string Recommendation, DateOnly? FollowUp, string Contributing = "",
    string Consequences = "", string Explained = "") : Entry(Header)
{
    /// <summary>Whether the causes given account for a finding.</summary>
    public bool Explains(Finding finding) => Explains(finding.Code);

    /// <summary>The same for the code of one.</summary>
    public bool Explains(string code) => Explained.Split(' ').Contains(code);
}
