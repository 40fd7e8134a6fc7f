using CsvHelper;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Application.Import;

/// <summary>A value read from pasted rows.</summary>
/// <param name="At">When it was read.</param>
/// <param name="Point">Where.</param>
/// <param name="Value">As it stands in the row.</param>
public sealed record PastedValue(DateTimeOffset At, PointRef Point, TypedValue Value);

/// <summary>What can be wrong with pasted rows.</summary>
public enum PasteProblemKind
{
    /// <summary>Nothing was pasted.</summary>
    Empty,

    /// <summary>More than <see cref="PastedRows.LongestText"/>.</summary>
    TooLong,

    /// <summary>A line of headings with a line of values below is the least.</summary>
    NoRows,

    /// <summary>The first column is not headed as a time.</summary>
    NoTimeFirst,

    /// <summary>A heading that is no point of this circuit.</summary>
    UnknownHeading,

    /// <summary>Day and month could be either way round.</summary>
    DayOrder,

    /// <summary>A cell that is no time.</summary>
    NotATime,

    /// <summary>A time that has not come yet.</summary>
    StillToCome,

    /// <summary>A cell that is no value of its point.</summary>
    BadValue,

    /// <summary>More than <see cref="PastedRows.MostValues"/>.</summary>
    TooMany,

    /// <summary>No value under a heading that is known.</summary>
    NoValues,
}

/// <summary>One thing wrong with pasted rows.</summary>
/// <param name="Kind">What.</param>
/// <param name="Row">Number of the line, counted from 1; 0 where it is about no single one.</param>
/// <param name="Text">The cell or heading as it stands, or the number of values.</param>
/// <param name="Point">For <see cref="PasteProblemKind.BadValue"/>.</param>
/// <param name="Typing">For <see cref="PasteProblemKind.BadValue"/>: what is wrong with the value.</param>
public sealed record PasteProblem(
    PasteProblemKind Kind, int Row = 0, string Text = "", PointRef? Point = null, TypingProblem? Typing = null);

/// <summary>Reads rows copied from a logger or a sheet: the first line names the columns, the first column is the time.</summary>
/// <remarks>Tables and times are read as those of a logger's file (<see cref="Table"/>, <see cref="RowTimes"/>); a unit may stand in
/// brackets
/// in a heading or with the value.</remarks>
/// <param name="named">The point a heading names; null where it names none.</param>
/// <param name="units">For numbers without a unit.</param>
public sealed class PastedRows(
    Func<string, PointRef?> named, UnitPreference units, SiteTime clock, DateTimeOffset visitStart, DateTimeOffset now)
{
    /// <summary>Longer texts are refused, characters.</summary>
    public const int LongestText = 400_000;

    /// <summary>More values at once are refused.</summary>
    public const int MostValues = 6000;

    /// <summary>A logger's clock may be this far ahead of ours.</summary>
    private static readonly TimeSpan MostAhead = TimeSpan.FromMinutes(2);

    private static readonly string[] TimeHeadings =
        ["time", "clock", "date", "datetime", "timestamp", "min", "mins", "minute", "minutes", "sec", "secs", "second", "seconds", "at"];

    private readonly List<PasteProblem> problems = [];

    private sealed record Column(int Index, PointRef Point, string Unit);

    /// <summary>What was read; with any problem nothing is to be saved.</summary>
    public (IReadOnlyList<PastedValue> Values, IReadOnlyList<PasteProblem> Problems) Read(string? text)
    {
        if (string.IsNullOrWhiteSpace(text))
            return ([], [new(PasteProblemKind.Empty)]);
        if (text.Length > LongestText)
            return ([], [new(PasteProblemKind.TooLong)]);
        CsvReader Open() => Table.Open(text.Trim());
        using var reader = Open();
        if (!Table.Next(reader) || Table.Row(reader) is not { } headings || !Table.Next(reader))
            return ([], [new(PasteProblemKind.NoRows)]);
        var columns = Columns(headings);
        var time = TimeColumn.Of(headings, 0, Open, order: null);
        if (time.NeedsDayOrder)
            return ([], [.. problems, new(PasteProblemKind.DayOrder)]);
        var values = new List<PastedValue>();
        var zero = time.IsElapsed ? ZeroOf(Open, time) : visitStart;
        DateTimeOffset? last = null;
        var number = 1;
        do
        {
            number++;
            if (MomentOf(reader, time, zero, last, number) is not { } at)
                continue;
            last = at;
            values.AddRange(columns.Select(c => ValueOf(reader, c, at, number)).OfType<PastedValue>());
        }
        while (Table.Next(reader));

        if (values.Count > MostValues)
            problems.Add(new(PasteProblemKind.TooMany, Text: $"{values.Count}"));
        if (values.Count == 0 && problems.Count == 0)
            problems.Add(new(PasteProblemKind.NoValues));
        return (values, problems);
    }

    /// <summary>The columns that are points of the circuit; an empty heading is passed over.</summary>
    private List<Column> Columns(string[] headings)
    {
        var columns = new List<Column>();
        if (!TimeHeadings.Contains(Plain(headings[0])))
            problems.Add(new(PasteProblemKind.NoTimeFirst, Text: headings[0]));
        for (var i = 1; i < headings.Length; i++)
        {
            var name = Plain(headings[i]);
            if (named(name) is { } point)
                columns.Add(new(i, point, UnitIn(headings[i])));
            else if (name.Length > 0)
                problems.Add(new(PasteProblemKind.UnknownHeading, Text: headings[i]));
        }

        return columns;
    }

    private DateTimeOffset? MomentOf(CsvReader row, TimeColumn time, DateTimeOffset zero, DateTimeOffset? last, int number)
    {
        var at = time.IsElapsed ? Elapsed(row, time, zero) : Written(row, time, last);
        PasteProblemKind? problem = at switch
        {
            null => PasteProblemKind.NotATime,
            { } moment when moment < EntryBounds.Earliest => PasteProblemKind.NotATime,
            { } moment when moment > now + MostAhead => PasteProblemKind.StillToCome,
            _ => null,
        };
        if (problem is not { } wrong)
            return at;
        problems.Add(new(wrong, number, time.Text(row)));
        return null;
    }

    private PastedValue? ValueOf(CsvReader row, Column column, DateTimeOffset at, int number)
    {
        var typed = column.Index < row.FieldCount ? row.GetString(column.Index).Trim() : "";
        if (typed.Length == 0)
            return null;
        var read = QuantityReader.Read(QuantityReader.Number(typed) is null ? typed : typed + column.Unit, column.Point.Kind(), units);
        if (read.Problem is { } problem)
            problems.Add(new(PasteProblemKind.BadValue, number, typed, column.Point, problem));
        return read.Value is { } value ? new(at, column.Point, value) : null;
    }

    /// <summary>A heading without its unit in brackets, in lower case.</summary>
    private static string Plain(string heading) => heading.Split('(', '[')[0].Trim().ToLowerInvariant();

    private static string UnitIn(string heading)
    {
        var open = heading.IndexOfAny(['(', '[']);
        return open < 0 ? "" : " " + heading[(open + 1)..].Trim(')', ']', ' ');
    }

    /// <summary>Rows that count from their beginning begin with the visit; where they would reach beyond now, the last row is
    /// now.</summary>
    private DateTimeOffset ZeroOf(Func<CsvReader> open, TimeColumn time)
    {
        using var reader = open();
        Table.Next(reader);
        var longest = TimeSpan.Zero;
        while (Table.Next(reader))
        {
            if (MinutesOf(reader, time) is { } minutes && TimeSpan.FromMinutes(minutes) > longest)
                longest = TimeSpan.FromMinutes(minutes);
        }

        return visitStart + longest > now ? now - longest : visitStart;
    }

    private static double? MinutesOf(CsvReader row, TimeColumn time) =>
        time.Elapsed(row) is >= 0 and <= 100_000 and var minutes ? minutes : null;

    private static DateTimeOffset? Elapsed(CsvReader row, TimeColumn time, DateTimeOffset zero) =>
        MinutesOf(row, time) is { } minutes ? zero + TimeSpan.FromMinutes(minutes) : null;

    /// <summary>A clock time belongs to the day of the visit, or to the day after once it has passed midnight.</summary>
    private DateTimeOffset? Written(CsvReader row, TimeColumn time, DateTimeOffset? last)
    {
        if (time.Written(row) is not { } moment)
            return null;
        if (time.Format!.HasZone)
            return new(moment, TimeSpan.Zero);
        if (time.Format.HasDay)
            return clock.At(moment, last);
        var at = clock.At(visitStart, TimeOnly.FromDateTime(moment), last);
        return last is { } before && at < before - TimeSpan.FromHours(12) ? at + TimeSpan.FromDays(1) : at;
    }
}
