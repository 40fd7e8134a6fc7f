using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What was seen to be wrong with an electrical part, its wires or its plug.</summary>
public enum PartCondition
{
    /// <summary>Burnt.</summary>
    Burnt,

    /// <summary>Rubbed through.</summary>
    Rubbed,

    /// <summary>Wet.</summary>
    Wet,

    /// <summary>Dried crust on it.</summary>
    Scaled,

    /// <summary>Loose.</summary>
    Loose,

    /// <summary>Of the wrong size for its load.</summary>
    WrongSize,

    /// <summary>On the wrong terminal.</summary>
    WrongLead,

    /// <summary>A plug that no longer locks.</summary>
    PlugDoesNotLock,

    /// <summary>A lead so long that it may be plugged in the wrong way or touch what moves.</summary>
    LeadTooLong,
}

/// <summary>Damage to an electrical part was seen, or repaired.</summary>
/// <param name="Place">Where on it, in a few words.</param>
/// <param name="Repaired">How it was repaired; empty as long as it was not.</param>
public sealed record PartConditionEntry(EntryHeader Header, Component Component, PartCondition Condition, string Place, string Repaired)
    : Entry(Header), IChangesUnit
{
    /// <summary>It is as it was seen.</summary>
    public bool IsOpen => Repaired.Length == 0;

    bool IChangesUnit.ChangesUnit => !IsOpen;

    IReadOnlyList<ProofKind> IChangesUnit.WantsProof(Equipment unit) => Proofs.Wanted(WorkAreas.Of(Component.Kind), unit);
}

/// <summary>What was found inside a part that was cut open or taken apart.</summary>
public enum AutopsySign
{
    /// <summary>One winding burnt, the others clean.</summary>
    OneWindingBurnt,

    /// <summary>All windings burnt alike.</summary>
    AllWindingsBurnt,

    /// <summary>Oil black or sour.</summary>
    BlackOil,

    /// <summary>Hardly any oil.</summary>
    LittleOil,

    /// <summary>Copper on bearings and valves.</summary>
    CopperPlating,

    /// <summary>A valve plate or reed broken.</summary>
    BrokenValve,

    /// <summary>A bearing or rod seized or scored.</summary>
    ScoredBearing,

    /// <summary>The discharge line inside the shell broken or loose.</summary>
    BrokenDischargeLine,

    /// <summary>Rust.</summary>
    Rust,

    /// <summary>Contacts welded.</summary>
    WeldedContacts,

    /// <summary>Contacts pitted or burnt.</summary>
    PittedContacts,

    /// <summary>Insects between contacts.</summary>
    Insects,

    /// <summary>Swollen or leaking.</summary>
    Swollen,

    /// <summary>Nothing to be seen.</summary>
    Clean,
}

/// <summary>A part was opened and looked into.</summary>
/// <param name="Signs">What was found; at least one.</param>
/// <param name="Note">In a few words.</param>
public sealed record AutopsyEntry(EntryHeader Header, Component Component, IReadOnlyList<AutopsySign> Signs, string Note) : Entry(Header)
{
    /// <summary>The same findings.</summary>
    public bool Equals(AutopsyEntry? other) => base.Equals(other) && Component == other.Component && Note == other.Note
        && Signs.SequenceEqual(other.Signs);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), Component, Note, Signs.Count);
}

/// <summary>Damage that is still there.</summary>
public static class PartDamage
{
    /// <summary>Code of the finding.</summary>
    public const string Damaged = "electrical.damaged";

    /// <summary>What was seen, on this visit or before, and not repaired since: the latest of each kind on each part.</summary>
    public static IReadOnlyList<PartConditionEntry> Open(IEnumerable<Timeline> upToHere)
    {
        var standing = upToHere.SelectMany(t => t.Standing).ToList();
        return [.. standing.OfType<PartConditionEntry>().OrderBy(e => e.At).GroupBy(e => (e.Component, e.Condition))
            .Select(g => g.Last()).Where(e => e.IsOpen && !standing.OfType<PartEntry>().Any(p => p.At > e.At
                && p.Component == e.Component))];
    }

    internal static Finding Of(PartConditionEntry damage) => new(Damaged, Strength.Strong, [damage.Id], new Dictionary<string, double>())
    {
        About = [Subject.Component(damage.Component)], Detail = damage.Condition.ToString(),
    };
}
