using System.Globalization;
using System.Text;
using System.Text.Unicode;
using CsvHelper;

namespace KeenEmber.Application.Import;

/// <summary>A table of separated values as loggers and sheets write it: comma, semicolon or tab, UTF-8, UTF-16 or single-byte
/// letters.</summary>
public static class Table
{
    /// <summary>More columns are no table.</summary>
    public const int MostColumns = 60;

    /// <summary>Rows taken of one file: more than two days of seconds.</summary>
    public const int MostRows = 200_000;

    /// <summary>Characters of a cell that can mean anything.</summary>
    public const int LongestCell = 1000;

    /// <summary>A line break always ends a row, so that one lost quote spoils one row and not the rest of the file.</summary>
    private static readonly CsvReaderOptions Options = new()
    {
        HasHeader = false, AllowLineBreaksInQuotes = false, TrimWhitespace = true, MaxRecordSize = MostColumns * LongestCell * 4,
    };

    /// <summary>A table typed or pasted.</summary>
    public static CsvReader Open(string text) => CsvReader.FromText(text, Options);

    /// <param name="bytes">Of the file, read in place; a mark of its encoding at the beginning is obeyed.</param>
    public static CsvReader Open(byte[] bytes) => EncodingOf(bytes) is { } encoding
        ? CsvReader.Create(new MemoryStream(bytes, writable: false), Options with { Encoding = encoding })
        : CsvReader.Create(bytes, Options);

    /// <summary>On to the next row; false at the end, and at a row so long that it is none.</summary>
    public static bool Next(CsvReader reader)
    {
        try
        {
            return reader.Read();
        }
        catch (CsvFormatException)
        {
            return false;
        }
    }

    /// <summary>The row the reader stands on; cells longer than any that means something are cut.</summary>
    public static string[] Row(CsvReader reader) =>
        [.. Enumerable.Range(0, Math.Min(reader.FieldCount, MostColumns + 1))
            .Select(i => reader.GetString(i) is { Length: > LongestCell } cell ? cell[..LongestCell] : reader.GetString(i))];

    /// <summary>A number with decimal point or, where that is none, decimal comma; null for anything else.</summary>
    public static double? Number(CsvReader reader, int column)
    {
        var cell = reader.GetSpan(column);
        if (cell.Length is 0 or > 60)
            return null;
        if (double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var plain))
            return double.IsFinite(plain) ? plain : null;
        return cell.Contains((byte)',')
            && double.TryParse(
            Encoding.UTF8.GetString(cell).Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var comma) ? comma
            : null;
    }

    /// <summary>What is not UTF-8: UTF-16 by its mark or by every other byte being nought, else the usual single-byte letters. Null for
    /// UTF-8.</summary>
    private static Encoding? EncodingOf(byte[] bytes)
    {
        if (bytes is [0xFF, 0xFE, ..])
            return Encoding.Unicode;
        if (bytes is [0xFE, 0xFF, ..])
            return Encoding.BigEndianUnicode;
        var head = bytes.AsSpan(0, Math.Min(bytes.Length, 1000));
        var (even, odd) = (0, 0);
        for (var i = 0; i < head.Length; i++)
        {
            if (head[i] == 0)
                (even, odd) = i % 2 == 0 ? (even + 1, odd) : (even, odd + 1);
        }

        if (odd > head.Length / 4)
            return Encoding.Unicode;
        if (even > head.Length / 4)
            return Encoding.BigEndianUnicode;
        return Utf8.IsValid(bytes) ? null : Encoding.Latin1;
    }
}
