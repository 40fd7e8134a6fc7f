using KeenEmber.Storage.Backups;
using KeenEmber.Web.Edge;

namespace KeenEmber.Web.Running;

/// <summary>Takes a backup whenever the last one has become old, and says how that went. A failure never stops the app.</summary>
public sealed class BackupKeeper(StartOptions options, TimeProvider clock, ILogger<BackupKeeper> log) : BackgroundService
{
    private static readonly TimeSpan BetweenLooks = TimeSpan.FromMinutes(5);

    /// <summary>A backup from the future, after the clock was set back, says nothing of its age.</summary>
    private static readonly TimeSpan ClockMayBeOff = TimeSpan.FromHours(1);

    /// <summary>Overdue once it is this many times as old as it should get.</summary>
    private const int OverdueTimes = 2;

    private readonly Lock taking = new();

    /// <summary>Where they go; null where none were asked for.</summary>
    public string? Folder => options.Backup;

    /// <summary>How old the last one may get.</summary>
    public TimeSpan Every => TimeSpan.FromHours(options.BackupHours);

    /// <summary>Why the last try failed; null when it went well.</summary>
    public string? Problem { get; private set; }

    /// <summary>Every one there is, the newest first; each was checked when it was taken.</summary>
    public IReadOnlyList<Backup> All
    {
        get
        {
            try
            {
                return Folder is { } folder ? new BackupFolder(folder).All() : [];
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                Problem = e.Message;
                return [];
            }
        }
    }

    /// <summary>The last one is so old that somebody must look, or none could be taken. Before the first try nothing is overdue.</summary>
    public bool IsOverdue => Folder is not null && ((All.Count > 0 && IsOlderThan(OverdueTimes * Every)) || Problem is not null);

    /// <summary>Takes one now.</summary>
    /// <returns>False, with the reason in <see cref="Problem"/>, when it could not be taken.</returns>
    public bool TakeNow()
    {
        if (Folder is not { } folder)
            return false;
        lock (taking)
        {
            try
            {
                var backup = new BackupFolder(folder).Take(options.Data, clock.GetUtcNow());
                Problem = null;
                log.LogInformation("Backup {Name} taken and checked: {Entries} entries", backup.Name, backup.Entries);
                return true;
            }
            catch (Exception e) when (e is BackupException or IOException or UnauthorizedAccessException
                or Microsoft.Data.Sqlite.SqliteException)
            {
                Problem = Faults.Advice(e) ?? e.Message;
                log.LogError(e, "No backup could be taken");
                return false;
            }
        }
    }

    /// <summary>Reads the newest one again, whole.</summary>
    /// <returns>What is wrong with it; null when nothing is, or there is none.</returns>
    public string? CheckNewest() => All is [var newest, ..] ? new BackupFolder(Folder!).ProblemOf(newest) : null;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (Folder is null)
            return;
        await Task.Yield();
        using var looks = new PeriodicTimer(BetweenLooks);
        do
        {
            if (IsOlderThan(Every))
                TakeNow();
        }
        while (await looks.WaitForNextTickAsync(stoppingToken));
    }

    private bool IsOlderThan(TimeSpan age) => All is not [var newest, ..]
        || clock.GetUtcNow() - newest.TakenAt >= age || newest.TakenAt - clock.GetUtcNow() > ClockMayBeOff;
}
