namespace KeenEmber.Storage;

/// <summary>Keeps a second program off a data folder: each would hold in memory what the other changes.</summary>
/// <remarks>The system lets go of it with the process, however that ends.</remarks>
public sealed class DataLock : IDisposable
{
    private readonly FileStream held;

    /// <param name="folder">The data folder, which must be there.</param>
    /// <exception cref="UnusableRecordException">Another program has it.</exception>
    public DataLock(string folder)
    {
        try
        {
            held = new(Path.Combine(folder, "keen-ember.lock"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException)
        {
            throw new UnusableRecordException($"The data folder {folder} is in use by another Keen Ember. Stop that one first.");
        }
    }

    /// <inheritdoc/>
    public void Dispose() => held.Dispose();
}
