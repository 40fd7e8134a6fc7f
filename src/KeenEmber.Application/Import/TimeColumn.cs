using CsvHelper;

namespace KeenEmber.Application.Import;

/// <summary>The time of a table's rows: minutes or seconds since they begin, or times in one way of writing that holds for all of
/// them.</summary>
internal sealed class TimeColumn
{
    private readonly int column;
    private readonly int? date;
    private readonly double? minutesPerUnit;
    private readonly RowTimes? times;

    private TimeColumn(int column, int? date, double? minutesPerUnit, RowTimes? times) =>
        (this.column, this.date, this.minutesPerUnit, this.times) = (column, date, minutesPerUnit, times);

    /// <param name="column">Index of the time; a date may stand in the column before.</param>
    /// <param name="open">Opens the table at its headings.</param>
    /// <param name="order">Which of day and month stands first, where somebody had to say.</param>
    public static TimeColumn Of(IReadOnlyList<string> headings, int column, Func<CsvReader> open, DayOrder? order)
    {
        if (MinutesPerUnit(headings[column]) is { } minutes)
            return new(column, null, minutes, null);
        int? date = column > 0 && headings[column - 1].Contains("date", StringComparison.OrdinalIgnoreCase) ? column - 1 : null;
        using var rows = open();
        Table.Next(rows);
        return new(column, date, null, RowTimes.Decide(rows, row => Text(row, column, date), order));
    }

    /// <summary>Rows count from their beginning.</summary>
    public bool IsElapsed => minutesPerUnit is not null;

    /// <summary>Day and month could be either way round: somebody has to say.</summary>
    public bool NeedsDayOrder => times is { IsAmbiguous: true };

    /// <summary>How times are written; null where rows count from their beginning, and where no way fits any row.</summary>
    public TimeFormat? Format => times?.Format;

    /// <summary>Minutes since the beginning; null where the cell is no number.</summary>
    public double? Elapsed(CsvReader row) => column < row.FieldCount ? Table.Number(row, column) * minutesPerUnit : null;

    /// <summary>Wall time, or the moment in UTC where the text names its zone; null when it is no time.</summary>
    public DateTime? Written(CsvReader row) => times?.Read(Text(row, column, date));

    /// <summary>The time as it stands in a row.</summary>
    public string Text(CsvReader row) => Text(row, column, date);

    private static string Text(CsvReader row, int column, int? date)
    {
        if (column >= row.FieldCount)
            return "";
        return date is { } day ? $"{row.GetString(day)} {row.GetString(column)}" : row.GetString(column);
    }

    private static double? MinutesPerUnit(string heading)
    {
        if (heading.Contains("sec", StringComparison.OrdinalIgnoreCase) || heading.Trim() is "s")
            return 1 / 60.0;
        return heading.Contains("min", StringComparison.OrdinalIgnoreCase) ? 1 : null;
    }
}
