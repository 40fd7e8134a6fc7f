namespace KeenEmber.Core.Record;

/// <summary>
/// What stands of a record in which nothing is overwritten. Of several entries that correct one, the one written last holds; striking out
/// is a correction
/// that puts nothing in its place. An entry that is struck out corrects nothing any more: what it had put right is as it was before.
/// </summary>
public sealed class Corrections
{
    private readonly ILookup<Guid, Entry> corrections;
    private readonly Dictionary<Guid, Entry> byId;
    private readonly Dictionary<Guid, int> taken;
    private readonly Dictionary<Guid, bool> struckOut = [];

    /// <param name="written">Everything ever written. The order matters only among entries of one moment of writing: the later in the list
    /// is the later one.</param>
    public Corrections(IReadOnlyList<Entry> written)
    {
        byId = written.ToDictionary(e => e.Id);
        taken = written.Index().ToDictionary(e => e.Item.Id, e => e.Index);
        corrections = written.Where(e => e.Corrects is { } corrected && byId.TryGetValue(corrected, out var first) && IsAfter(e, first))
            .ToLookup(e => e.Corrects!.Value);
        Standing = [.. written.Where(Stands)];
    }

    /// <summary>What holds, in the order in which it was given.</summary>
    public IReadOnlyList<Entry> Standing { get; }

    /// <summary>The first entry of the row of corrections that an entry belongs to: what other entries named when they spoke of
    /// it.</summary>
    public Guid RootOf(Guid id)
    {
        while (byId.TryGetValue(id, out var entry) && entry.Corrects is { } earlier && byId.TryGetValue(earlier, out var first)
            && IsAfter(entry, first))
            id = earlier;
        return id;
    }

    private bool Stands(Entry entry) => entry is not WithdrawalEntry && Holding(entry.Id) is null && IsChosen(entry);

    /// <summary>It corrects nothing, or is the correction that holds, and so is what it corrects.</summary>
    private bool IsChosen(Entry entry) =>
        entry.Corrects is not { } corrected || !byId.TryGetValue(corrected, out var first) || !IsAfter(entry, first)
        || (Holding(corrected) == entry && IsChosen(first));

    /// <summary>The last written correction of an entry that is not struck out itself; null when the entry is as it was.</summary>
    private Entry? Holding(Guid id) => corrections[id].Where(c => !IsStruckOut(c)).MaxBy(Order);

    private bool IsStruckOut(Entry entry)
    {
        if (!struckOut.TryGetValue(entry.Id, out var isStruck))
            struckOut[entry.Id] = isStruck = Holding(entry.Id) is WithdrawalEntry;
        return isStruck;
    }

    /// <summary>A correction is written after what it corrects; anything else would go in circles.</summary>
    private bool IsAfter(Entry correction, Entry corrected) => Order(correction).CompareTo(Order(corrected)) > 0;

    private (DateTimeOffset, int) Order(Entry entry) => (entry.WrittenAt, taken[entry.Id]);
}
