using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using KeenEmber.Core.Defrost;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Storage;

/// <summary>What a column of a logger's file is.</summary>
/// <param name="Place">Null for one that is left out.</param>
/// <param name="Unit">The unit it is written in.</param>
public sealed record LoggerColumn(RunPlace? Place, Unit? Unit);

/// <summary>What the columns of a logger mean: named once, remembered by the file's headings.</summary>
/// <param name="TimeColumn">Index of the time; the date may stand in the column before.</param>
/// <param name="Columns">One for each column of the file.</param>
public sealed record LoggerColumns(int TimeColumn, IReadOnlyList<LoggerColumn> Columns);

/// <summary>A series read from a file.</summary>
/// <param name="Start">Wall time of the first sample, as the logger's clock had it; null where only minutes or seconds count.</param>
/// <param name="Skipped">Rows without a time.</param>
/// <param name="Duplicates">Rows of a time that was there already; the first one stays.</param>
/// <param name="Backward">How often the clock jumped back, as at the end of summer time; what follows is moved on so that the series goes on.</param>
public sealed record LoggedSeries(DateTime? Start, IReadOnlyList<RunTrack> Tracks, int Rows, int Skipped, int Duplicates, int Backward);

/// <summary>A logger's file as text: comma, semicolon or tab; point or comma in numbers; most ways of writing a time.</summary>
public sealed class LoggerFile
{
    private static readonly string[] DateFormats =
        ["yyyy-MM-dd", "yyyy/MM/dd", "dd.MM.yyyy", "d.M.yyyy", "dd/MM/yyyy", "d/M/yyyy", "dd-MM-yyyy", "dd.MM.yy", "MM/dd/yyyy", "M/d/yyyy"];

    private static readonly string[] ClockFormats = ["H:mm:ss", "H:mm", "H:mm:ss.fff", "h:mm:ss tt", "h:mm tt"];

    private static readonly string[] Formats = [.. DateFormats.SelectMany(d => ClockFormats.SelectMany(c => new[] { $"{d} {c}", $"{d}T{c}" })).Append("yyyy-MM-ddTHH:mm:ssZ").Append("yyyy-MM-ddTHH:mm:sszzz")];

    private readonly string text;
    private readonly CsvConfiguration configuration;

    private LoggerFile(string text, char delimiter, IReadOnlyList<string> headings, IReadOnlyList<string[]> sample)
    {
        this.text = text;
        configuration = Configured(delimiter);
        (Headings, Sample) = (headings, sample);
    }

    public IReadOnlyList<string> Headings { get; }

    /// <summary>The first rows, for showing what the columns hold.</summary>
    public IReadOnlyList<string[]> Sample { get; }

    /// <summary>What a logger is known by again.</summary>
    public string Signature => string.Join('\u001f', Headings.Select(h => h.Trim().ToLowerInvariant()));

    /// <returns>Null when it has no line of headings with at least one row of two columns below.</returns>
    public static LoggerFile? Open(string text)
    {
        var lines = text.Split('\n', 3);
        if (lines.Length < 2)
            return null;
        var delimiter = ";\t,".MaxBy(d => lines[0].Count(c => c == d));
        using var parser = new CsvParser(new StringReader(text), Configured(delimiter));
        if (!parser.Read() || parser.Record is not { Length: > 1 } headings)
            return null;
        var sample = new List<string[]>();
        while (sample.Count < 5 && parser.Read())
            sample.Add(parser.Record!);
        return sample.Count == 0 ? null : new(text, delimiter, headings, sample);
    }

    /// <summary>Text of a file: UTF-8, else the usual single-byte letters.</summary>
    public static string Decode(byte[] bytes)
    {
        try
        {
            return new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(bytes).TrimStart('\uFEFF');
        }
        catch (DecoderFallbackException)
        {
            return Encoding.Latin1.GetString(bytes);
        }
    }

    /// <summary>What the columns probably are, from their headings.</summary>
    public LoggerColumns Guess()
    {
        var time = Math.Max(0, Headings.ToList().FindIndex(h => Has(h, "time", "clock", "timestamp", "zeit", "min", "sec")));
        return new(time, [.. Headings.Select((h, i) => i == time || Has(h, "date") ? new(null, null) : GuessOf(h))]);
    }

    /// <summary>Reads every row.</summary>
    /// <param name="columns">As many as the file has.</param>
    public LoggedSeries Read(LoggerColumns columns)
    {
        using var parser = new CsvParser(new StringReader(text), configuration);
        parser.Read();
        var wanted = columns.Columns.Select((c, i) => (Column: i, c.Place, c.Unit)).Where(c => c is { Place: not null, Unit: not null })
            .Select(c => (c.Column, Place: c.Place!.Value, Unit: c.Unit!, Minutes: new List<double>(), Values: new List<double>())).ToList();
        var clock = new RowClock(Headings[columns.TimeColumn], columns.TimeColumn > 0 && Has(Headings[columns.TimeColumn - 1], "date") ? columns.TimeColumn - 1 : null);
        var (rows, skipped, duplicates) = (0, 0, 0);
        var last = double.NegativeInfinity;
        while (parser.Read())
        {
            rows++;
            if (clock.Minute(parser, columns.TimeColumn) is not { } minute)
            {
                skipped++;
                continue;
            }

            if (minute <= last)
            {
                duplicates++;
                continue;
            }

            last = minute;
            foreach (var (column, place, unit, minutes, values) in wanted)
            {
                if (column < parser.Count && Number(parser[column]) is { } number)
                {
                    minutes.Add(minute);
                    values.Add(InTrack(place, number, unit));
                }
            }
        }

        return new(clock.Start, [.. wanted.Where(w => w.Values.Count > 0).Select(w => new RunTrack(w.Place, [.. w.Minutes], [.. w.Values]))], rows, skipped, duplicates, clock.Backward);
    }

    /// <summary>Gauge pressures are taken at the standard atmosphere: a logger knows no other.</summary>
    private static double InTrack(RunPlace place, double number, Unit unit) =>
        Core.Service.DefrostRuns.InTrack(place, new(number, unit), Pressure.StandardAtmosphere);

    private static double? Number(string field) =>
        double.TryParse(field, NumberStyles.Float, CultureInfo.InvariantCulture, out var plain) ? double.IsFinite(plain) ? plain : null
        : field.Contains(',', StringComparison.Ordinal) && double.TryParse(field.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var comma) ? comma : null;

    private static LoggerColumn GuessOf(string heading)
    {
        Unit unit = Has(heading, "°f", "(f)", "[f]", "fahrenheit") ? Unit.Fahrenheit : Unit.Celsius;
        RunPlace? place = heading switch
        {
            _ when Has(heading, "leg 1", "amps 1", "i1") => RunPlace.Leg(1),
            _ when Has(heading, "leg 2", "amps 2", "i2") => RunPlace.Leg(2),
            _ when Has(heading, "leg 3", "amps 3", "i3") => RunPlace.Leg(3),
            _ when Has(heading, "amp", "current", "(a)") => RunPlace.Leg(1),
            _ when Has(heading, "volt", "(v)") => new(RunPlaceKind.HeaterVoltage),
            _ when Has(heading, "suction") => new(RunPlaceKind.SuctionPressure),
            _ when Has(heading, "head") => new(RunPlaceKind.HeadPressure),
            _ when Has(heading, "cold") => new(RunPlaceKind.ColdestBend),
            _ when Has(heading, "warm") => new(RunPlaceKind.WarmestBend),
            _ when Has(heading, "beside") => new(RunPlaceKind.AtSensor),
            _ when Has(heading, "sensor", "probe", "termination") => new(RunPlaceKind.EndSensor),
            _ when Has(heading, "front", "return air") => new(RunPlaceKind.AirInFront),
            _ when Has(heading, "behind", "discharge air") => new(RunPlaceKind.AirBehind),
            _ when Has(heading, "product") => new(RunPlaceKind.Product),
            _ when Has(heading, "box", "room", "air") => new(RunPlaceKind.Box),
            _ when Has(heading, "bend", "coil") => new(RunPlaceKind.Bend, heading.Split('(', '[')[0].Trim()),
            _ => null,
        };
        return place is not { } known ? new(null, null) : new(known, known.Measures switch
        {
            QuantityKind.Temperature => unit, QuantityKind.Current => Unit.Ampere, QuantityKind.Voltage => Unit.Volt,
            _ => Has(heading, "kpa") ? Unit.KilopascalAbsolute : Has(heading, "psi") ? Unit.Psi : Unit.Bar,
        });
    }

    private static bool Has(string heading, params ReadOnlySpan<string> words)
    {
        foreach (var word in words)
        {
            if (heading.Contains(word, StringComparison.OrdinalIgnoreCase))
                return true;
        }

        return false;
    }

    private static CsvConfiguration Configured(char delimiter) =>
        new(CultureInfo.InvariantCulture) { Delimiter = delimiter.ToString(), BadDataFound = null, TrimOptions = TrimOptions.Trim, IgnoreBlankLines = true, CacheFields = false };

    /// <summary>Minutes since the first row, whichever way times are written; a file keeps to the way of its first row.</summary>
    private sealed class RowClock(string heading, int? dateColumn)
    {
        private readonly double? perUnit = Has(heading, "sec") || heading.Trim() is "s" ? 1 / 60.0 : Has(heading, "min") ? 1 : null;
        private string? format;
        private double added;
        private DateTime? last;

        public DateTime? Start { get; private set; }

        public int Backward { get; private set; }

        public double? Minute(CsvParser row, int column)
        {
            if (column >= row.Count)
                return null;
            if (perUnit is { } unit)
                return Number(row[column]) * unit;
            var written = dateColumn is { } date ? $"{row[date]} {row[column]}" : row[column];
            if (Moment(written) is not { } moment)
                return null;
            Start ??= moment;

            // A clock that jumps back by about an hour, or past midnight without a date, goes on from where it was.
            if (last is { } before && moment < before - TimeSpan.FromMinutes(30))
            {
                Backward++;
                added += format!.Contains('d', StringComparison.Ordinal) ? Math.Round((before - moment).TotalHours) * 60 : 24 * 60;
            }

            last = moment;
            return (moment - Start.Value).TotalMinutes + added;
        }

        private DateTime? Moment(string written)
        {
            if (format is not null && DateTime.TryParseExact(written, format, CultureInfo.InvariantCulture, DateTimeStyles.AdjustToUniversal, out var usual))
                return usual;
            foreach (var candidate in Formats.Concat(ClockFormats))
            {
                if (!DateTime.TryParseExact(written, candidate, CultureInfo.InvariantCulture, DateTimeStyles.AdjustToUniversal, out var moment))
                    continue;
                format = candidate;
                return moment;
            }

            return null;
        }
    }
}
