namespace KeenEmber.Storage.Backups;

/// <summary>A copy of the record as it was at one moment, with the photos that belong to it.</summary>
/// <param name="Name">Of its files in the backup folder, without an ending.</param>
/// <param name="TakenAt">When.</param>
/// <param name="Sha256">Of the copy when it was taken, to tell later whether it still is that.</param>
/// <param name="Bytes">Of the copy, photos not counted.</param>
/// <param name="Entries">How many the record holds.</param>
/// <param name="Photos">Names of the photo files that belong to it.</param>
public sealed record Backup(
    string Name, DateTimeOffset TakenAt, string Sha256, long Bytes, long Entries, IReadOnlyList<string> Photos);

/// <summary>A backup that cannot be taken or restored. The message says why and what to do.</summary>
public sealed class BackupException(string message, Exception? inner = null) : Exception(message, inner);
