using System.Globalization;
using CsvHelper;

namespace KeenEmber.Application.Import;

/// <summary>Which of day and month a file writes first.</summary>
public enum DayOrder
{
    /// <summary>3/2 is the third of February.</summary>
    DayFirst,

    /// <summary>3/2 is the second of March.</summary>
    MonthFirst,
}

/// <summary>One way of writing a time.</summary>
/// <param name="Patterns">With and without seconds: a logger may leave out the ones that are nought.</param>
/// <param name="Order">Null where the order is plain: year first, days with points, or no day at all.</param>
internal sealed record TimeFormat(string[] Patterns, DayOrder? Order, bool HasDay, bool HasZone);

/// <summary>How the times of a file are written: decided once, from all of its rows, and never row by row.</summary>
internal sealed class RowTimes
{
    /// <summary>No logger's clock means a year before or after these.</summary>
    private const int FirstYear = 2000, LastYear = 2200;

    /// <summary>The formats that fit the first rows are tried on the others.</summary>
    private const int Sampled = 200;

    private static readonly (string[] Dates, DayOrder? Order)[] Dates =
    [
        (["yyyy-M-d"], null), (["yyyy/M/d"], null), (["d.M.yyyy", "d.M.yy"], null), (["d-M-yyyy"], null),
        (["d/M/yyyy", "d/M/yy"], DayOrder.DayFirst), (["M/d/yyyy", "M/d/yy"], DayOrder.MonthFirst),
    ];

    private static readonly string[][] Clocks = [["H:mm:ss", "H:mm", "H:mm:ss.FFFFFFF"], ["h:mm:ss tt", "h:mm tt"]];

    private static readonly TimeFormat[] All =
    [
        .. from d in Dates from c in Clocks from between in new[] { " ", "T" } select new TimeFormat(
            Joined(d.Dates, between, c), d.Order, HasDay: true, HasZone: false),
        .. from zone in new[] { "zzz", "Z", " zzz" } from between in new[] { " ", "T" }
           select new TimeFormat([.. Joined(["yyyy-M-d"], between, Clocks[0]).Select(p => p + zone)], null, HasDay: true, HasZone: true),
        .. Clocks.Select(c => new TimeFormat(c, null, HasDay: false, HasZone: false)),
    ];

    private static string[] Joined(string[] dates, string between, string[] clocks) =>
        [.. from d in dates from c in clocks select d + between + c];

    private RowTimes(TimeFormat format, bool isAmbiguous) => (Format, IsAmbiguous) = (format, isAmbiguous);

    public TimeFormat Format { get; }

    /// <summary>Day and month could be either way round: somebody has to say.</summary>
    public bool IsAmbiguous { get; }

    /// <summary>Looks at every row.</summary>
    /// <param name="reader">Stands before the first row of values.</param>
    /// <param name="written">The time of the row it stands on.</param>
    /// <param name="order">What somebody has said; null where nobody was asked.</param>
    /// <returns>Null when no way of writing a time fits any row.</returns>
    public static RowTimes? Decide(CsvReader reader, Func<CsvReader, string> written, DayOrder? order)
    {
        var sample = new List<string>();
        while (sample.Count < Sampled && Table.Next(reader))
            sample.Add(written(reader));
        var most = 0;
        var candidates = new List<Candidate>();
        foreach (var format in All.Where(f => order is null || f.Order is null || f.Order == order))
        {
            var candidate = new Candidate(format);
            sample.ForEach(candidate.See);
            most = Math.Max(most, candidate.Read);
            if (candidate.Read > 0)
                candidates.Add(candidate);
        }

        candidates.RemoveAll(c => c.Read < most);
        for (var rows = Sampled; rows < Table.MostRows && reader.Read(); rows++)
        {
            var text = written(reader);
            candidates.ForEach(c => c.See(text));
        }

        var best = candidates.OrderByDescending(c => c.Read).ThenBy(c => c.Wandered).ToList();
        return best is not [var first, ..] ? null
            : new(first.Format,
                best.Exists(
                c => c.Format.Order is not null && c.Format.Order != first.Format.Order && c.Read == first.Read
                && c.Wandered == first.Wandered));
    }

    /// <returns>Wall time, or the moment in UTC where the text names its zone; null when it is no time.</returns>
    public DateTime? Read(string text) => Read(text, Format);

    private static DateTime? Read(string text, TimeFormat format) =>
        text.Length <= 40 && DateTime.TryParseExact(text, format.Patterns, CultureInfo.InvariantCulture, Style(format), out var moment)
            && (!format.HasDay || moment.Year is >= FirstYear and <= LastYear) ? moment : null;

    private static DateTimeStyles Style(TimeFormat format) =>
        format.HasZone ? DateTimeStyles.AdjustToUniversal | DateTimeStyles.AssumeUniversal : DateTimeStyles.NoCurrentDateDefault;

    /// <summary>A format, how many rows it reads, and how far the times then jump about: the right one goes forward in small
    /// steps.</summary>
    private sealed class Candidate(TimeFormat format)
    {
        private DateTime? last;

        public TimeFormat Format => format;

        public int Read { get; private set; }

        public TimeSpan Wandered { get; private set; }

        public void See(string text)
        {
            if (RowTimes.Read(text, format) is not { } moment)
                return;
            Read++;
            if (last is { } before)
                Wandered += (moment - before).Duration();
            last = moment;
        }
    }
}
