using System.Runtime.InteropServices;

namespace KeenEmber.Storage.Backups;

/// <summary>What the disk must have taken before anybody is told that it has.</summary>
internal static partial class Disk
{
    private const int ReadOnly = 0;

    /// <summary>A file as it is now.</summary>
    internal static void SyncFile(string path)
    {
        using var stream = new FileStream(path, FileMode.Open, FileAccess.ReadWrite);
        stream.Flush(flushToDisk: true);
    }

    /// <summary>The names in a folder: a new file is lost with its name in a power cut, however well its bytes were kept. Windows keeps
    /// names by itself, and has no such call.</summary>
    internal static void SyncFolder(string folder)
    {
        if (OperatingSystem.IsWindows())
            return;
        var handle = Open(folder, ReadOnly);
        if (handle < 0)
            throw new IOException($"{folder} cannot be opened to keep its names: error {Marshal.GetLastPInvokeError()}.");
        var kept = Sync(handle);
        var error = Marshal.GetLastPInvokeError();
        _ = Close(handle);
        if (kept != 0)
            throw new IOException($"{folder} did not keep its names: error {error}.");
    }

    [LibraryImport("libc", EntryPoint = "open", SetLastError = true, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int Open(string path, int flags);

    [LibraryImport("libc", EntryPoint = "fsync", SetLastError = true)]
    private static partial int Sync(int handle);

    [LibraryImport("libc", EntryPoint = "close")]
    private static partial int Close(int handle);
}
