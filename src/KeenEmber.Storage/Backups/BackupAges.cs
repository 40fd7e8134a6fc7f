using System.Globalization;

namespace KeenEmber.Storage.Backups;

/// <summary>Which backups are kept: every one of two days, one a day for a month, one a week for a year, one a month for good.</summary>
public static class BackupAges
{
    private const int EveryOneDays = 2, OneADayDays = 31, OneAWeekDays = 366;

    /// <summary>Those that may go.</summary>
    /// <param name="backups">In any order. The newest is never among what may go.</param>
    public static IReadOnlyList<Backup> Past(IReadOnlyList<Backup> backups, DateTimeOffset now)
    {
        var newest = backups.OrderByDescending(b => b.TakenAt).ToList();
        var kept = newest.Take(1)
            .Concat(newest.Where(b => now - b.TakenAt < TimeSpan.FromDays(EveryOneDays)))
            .Concat(LastOfEach(newest, now, OneADayDays, b => b.TakenAt.UtcDateTime.ToString("yyyyMMdd", CultureInfo.InvariantCulture)))
            .Concat(LastOfEach(newest, now, OneAWeekDays, b => WeekOf(b.TakenAt.UtcDateTime)))
            .Concat(newest.GroupBy(b => b.TakenAt.UtcDateTime.ToString("yyyyMM", CultureInfo.InvariantCulture)).Select(g => g.First()))
            .ToHashSet();
        return [.. newest.Where(b => !kept.Contains(b))];
    }

    private static IEnumerable<Backup> LastOfEach(List<Backup> newest, DateTimeOffset now, int days, Func<Backup, string> span) =>
        newest.Where(b => now - b.TakenAt < TimeSpan.FromDays(days)).GroupBy(span).Select(g => g.First());

    private static string WeekOf(DateTime day) => $"{ISOWeek.GetYear(day)}-{ISOWeek.GetWeekOfYear(day)}";
}
