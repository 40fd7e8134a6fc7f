using System.Globalization;
using System.Text.RegularExpressions;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Visits.LogLine;

/// <summary>Times of day in a line: "box 50 at 4am", "10:40 box 38, suc 21". A number alone is no time.</summary>
internal static partial class QuickTime
{
    private const string Clock = @"(?:(?<hour>\d{1,2})(?::(?<minute>\d\d))?\s*(?<half>am|pm)|(?<hour>\d{1,2}):(?<minute>\d\d))";

    [GeneratedRegex(@"^(?:at\s+)?" + Clock + @"\b:?\s*(?<rest>.*)$", RegexOptions.IgnoreCase | RegexOptions.Singleline)]
    private static partial Regex First();

    [GeneratedRegex(@"^(?<rest>.*?\S)\s+(?:(?:at|@|since)\s+)?" + Clock + "$", RegexOptions.IgnoreCase | RegexOptions.Singleline)]
    private static partial Regex Last();

    /// <returns>The time, what else the piece says, and whether the time stood first; null where none stands in it.</returns>
    internal static (TimeOnly Time, string Said, bool IsFirst)? Of(string piece)
    {
        foreach (var (pattern, isFirst) in new[] { (First(), true), (Last(), false) })
        {
            if (pattern.Match(piece.Trim()) is { Success: true } match && Read(match) is { } time)
                return (time, match.Groups["rest"].Value, isFirst);
        }

        return null;
    }

    private static TimeOnly? Read(Match match)
    {
        var hour = int.Parse(match.Groups["hour"].Value, CultureInfo.InvariantCulture);
        var minute = match.Groups["minute"].Success ? int.Parse(match.Groups["minute"].Value, CultureInfo.InvariantCulture) : 0;
        var half = match.Groups["half"].Value.ToLowerInvariant();
        if (minute > 59 || (half.Length > 0 ? hour is < 1 or > 12 : hour > 23))
            return null;
        return new(half.Length == 0 ? hour : (hour % 12) + (half == "pm" ? 12 : 0), minute);
    }
}

/// <summary>Puts what was said with a time of day at its moment.</summary>
public static class QuickMoments
{
    /// <summary>The last time the clock on the wall showed it. What was before the visit was told, not seen: it is kept as a note in its
    /// words, and judged by nothing.</summary>
    /// <param name="begun">When the visit began.</param>
    public static IReadOnlyList<QuickItem> Place(
        IReadOnlyList<QuickItem> items, SiteTime clock, DateTimeOffset begun, DateTimeOffset now) =>
        [.. items.Select(item => Place(item, clock, begun, now))];

    private static QuickItem Place(QuickItem item, SiteTime clock, DateTimeOffset begun, DateTimeOffset now)
    {
        if (item.Time is not { } time || item is QuickUnclear or QuickNote)
            return item;
        var moment = clock.At(now, time);
        if (moment > now)
            moment = clock.At(now - TimeSpan.FromDays(1), time);
        return moment + ToTheMinute >= begun ? item with { At = moment < begun ? begun : moment } : new QuickNote(item.Text, item.Text);
    }

    /// <summary>A time of day is said to the minute.</summary>
    private static readonly TimeSpan ToTheMinute = TimeSpan.FromMinutes(1);
}
