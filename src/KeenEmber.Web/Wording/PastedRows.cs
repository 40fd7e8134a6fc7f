using System.Globalization;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;
using KeenEmber.Storage;
using KeenEmber.Web.Pages.Visits.Circuit;

namespace KeenEmber.Web.Wording;

/// <summary>A value read from pasted rows.</summary>
public sealed record PastedValue(DateTimeOffset At, PointRef Point, TypedValue Value);

/// <summary>Reads rows copied from a logger or a sheet: first line names the columns, first column is the time.</summary>
/// <remarks>Separators comma, semicolon or tab; decimal comma where the separator allows it; a unit in brackets in a heading or with the
/// value.</remarks>
public sealed class PastedRows(Shop shop, Equipment unit, SiteClock clock, DateTimeOffset visitStart, DateTimeOffset now)
{
    public const int LongestText = 400_000;
    public const int MostValues = 6000;
    private const int MostProblems = 6;

    /// <summary>A logger's clock may be this far ahead of ours.</summary>
    private static readonly TimeSpan MostAhead = TimeSpan.FromMinutes(2);

    private static readonly string[] TimeHeadings =
        ["time", "clock", "date", "datetime", "timestamp", "min", "mins", "minute", "minutes", "at"];
    private static readonly string[] MinuteHeadings = ["min", "mins", "minute", "minutes"];

    private readonly List<string> problems = [];

    /// <summary>What was read; problems name the row and the column, and with any of them nothing is to be saved.</summary>
    public (IReadOnlyList<PastedValue> Values, IReadOnlyList<string> Problems) Read(string? text)
    {
        if (string.IsNullOrWhiteSpace(text))
            return ([], ["Paste rows: a line of headings, then a time and the values in each line."]);
        if (text.Length > LongestText)
            return ([], [$"This is too long: {LongestText / 1000} kB at most."]);
        var rows = Rows(text);
        if (rows.Count < 2)
            return ([], ["There must be a line of headings and at least one line of values."]);
        var columns = Columns(rows[0]);
        var values = new List<PastedValue>();
        var inMinutes = MinuteHeadings.Contains(Plain(rows[0][0]));
        var zero = inMinutes ? ZeroOf(rows) : visitStart;
        DateTimeOffset? last = null;
        foreach (var (row, number) in rows.Skip(1).Select((r, i) => (r, i + 2)))
        {
            if ((inMinutes ? Minute(row[0], zero) : Time(row[0], last)) is not { } at)
            {
                Problem($"Row {number}: “{Short(row[0])}” is no time. Write 14:05, 14:05:30, 2026-03-02 14:05, or minutes under a "
                    + "heading “min”.");
                continue;
            }

            if (at > now + MostAhead)
            {
                Problem($"Row {number}: {Short(row[0])} is still to come. Check the logger's clock, or use minutes.");
                continue;
            }

            if (at < EntryBounds.Earliest)
            {
                Problem($"Row {number}: {Short(row[0])} is before {EntryBounds.Earliest:yyyy}. Check the logger's clock, or use minutes.");
                continue;
            }

            last = at;
            foreach (var (column, point, given) in columns.Where(c => c.Column < row.Length && !string.IsNullOrWhiteSpace(row[c.Column])))
            {
                var typed = row[column].Trim();
                var read = QuantityReader.Read(QuantityReader.Number(typed) is null ? typed : typed + given, point.Kind(), shop.Units);
                if (read.Problem is { } problem)
                    Problem($"Row {number}, {CircuitText.Name(point, unit.MakeUp)}: “{Short(typed)}”. "
                        + $"{TypingText.Problem(problem, point.Kind(), shop.Units)}");
                else
                    values.Add(new(at, point, read.Value!));
            }
        }

        if (values.Count > MostValues)
            Problem($"{values.Count} values are more than {MostValues} at once. Paste fewer rows or columns.");
        if (values.Count == 0 && problems.Count == 0)
            Problem("No value was found under a heading that is known.");
        return (values, problems);
    }

    private static List<string[]> Rows(string text)
    {
        using var reader = Table.Open(text.Trim());
        var rows = new List<string[]>();
        while (Table.Next(reader))
            rows.Add(Table.Row(reader));
        return rows;
    }

    /// <summary>The columns that are points of the circuit; a heading that is not understood is a problem, an empty one is passed
    /// over.</summary>
    private List<(int Column, PointRef Point, string Unit)> Columns(string[] headings)
    {
        var words = QuickVocabulary.For(shop).Points;
        var columns = new List<(int, PointRef, string)>();
        if (!TimeHeadings.Contains(Plain(headings[0])))
            Problem($"The first column is headed “{Short(headings[0])}”: it must be the time, headed “time” or “min”.");
        for (var i = 1; i < headings.Length; i++)
        {
            var name = Plain(headings[i]);
            var named =
                unit.MakeUp.Points.Where(
                p => CircuitText.Name(p, unit.MakeUp) == name || CircuitText.Name(p) == name
                || p.ToString().Equals(name, StringComparison.OrdinalIgnoreCase))
                .Select(p => (PointRef?)p).FirstOrDefault() ?? (words.TryGetValue(name, out var word) ? word : null);
            if (named is { } point)
                columns.Add((i, point, UnitIn(headings[i])));
            else if (name.Length > 0)
                Problem($"The heading “{Short(headings[i])}” is no point of this circuit. Use words of the log line, such as suction, "
                    + "line, box, head, liquid.");
        }

        return columns;
    }

    /// <summary>A heading without its unit in brackets, in lower case.</summary>
    private static string Plain(string heading) => heading.Split('(', '[')[0].Trim().ToLowerInvariant();

    private static string UnitIn(string heading)
    {
        var open = heading.IndexOfAny(['(', '[']);
        return open < 0 ? "" : " " + heading[(open + 1)..].Trim(')', ']', ' ');
    }

    /// <summary>Minutes count from the beginning of the visit; where that would reach beyond now, the last row is now.</summary>
    private DateTimeOffset ZeroOf(List<string[]> rows)
    {
        var longest = TimeSpan.FromMinutes(rows.Skip(1).Select(r => MinutesIn(r[0]) ?? 0).Max());
        return visitStart + longest > now ? now - longest : visitStart;
    }

    private static double? MinutesIn(string text) => QuantityReader.Number(text) is >= 0 and <= 100_000 and var minutes ? minutes : null;

    private static DateTimeOffset? Minute(string text, DateTimeOffset zero) =>
        MinutesIn(text) is { } minutes ? zero + TimeSpan.FromMinutes(minutes) : null;

    /// <summary>A clock time belongs to the day of the visit, or to the day after once it has passed midnight.</summary>
    private DateTimeOffset? Time(string text, DateTimeOffset? last)
    {
        if (TimeOnly.TryParseExact(
            text.Trim(), ["H:mm", "H:mm:ss", "h:mm tt", "h:mm:ss tt"], CultureInfo.InvariantCulture, DateTimeStyles.None, out var time))
        {
            var at = clock.At(visitStart, time, last);
            return last is { } before && at < before - TimeSpan.FromHours(12) ? at + TimeSpan.FromDays(1) : at;
        }

        var written = text.Trim();
        if (!DateTime.TryParseExact(
            written.TrimEnd('Z'), ["yyyy-MM-dd H:mm", "yyyy-MM-dd H:mm:ss", "yyyy-MM-ddTHH:mm", "yyyy-MM-ddTHH:mm:ss"],
            CultureInfo.InvariantCulture, DateTimeStyles.None, out var moment)
            || moment.Year < EntryBounds.Earliest.Year)
            return null;
        return written.EndsWith('Z') ? new(moment, TimeSpan.Zero) : clock.At(moment, last);
    }

    private void Problem(string text)
    {
        if (problems.Count == MostProblems)
            problems.Add("There is more after these.");
        else if (problems.Count < MostProblems)
            problems.Add(text);
    }

    private static string Short(string text) => text.Length > 40 ? text[..40] + "…" : text;
}
