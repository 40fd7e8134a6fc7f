using CsvHelper;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Quantities;
using KeenEmber.Storage;
using NodaTime;

namespace KeenEmber.Application.Import;

/// <summary>A series read from a file.</summary>
/// <param name="Start">The moment of the first sample; null where the rows have no day.</param>
/// <param name="ClockOfStart">Where they have a time of day only: that of the first sample.</param>
/// <param name="Skipped">Rows without a time.</param>
/// <param name="Duplicates">Rows of a time that was there already; the first one stays.</param>
/// <param name="Backward">How often the clock jumped back without a clock change of its zone; what follows is moved on so that the series
/// goes on.</param>
/// <param name="IsCut">There were more rows than <see cref="Table.MostRows"/>; the rest was left.</param>
public sealed record LoggedSeries(
    DateTimeOffset? Start, TimeOnly? ClockOfStart, IReadOnlyList<RunTrack> Tracks, int Rows, int Skipped, int Duplicates, int Backward,
    bool IsCut)
{
    /// <summary>Day and month of the file could be either way round; nothing was read.</summary>
    public bool NeedsDayOrder { get; init; }
}

/// <summary>A logger's file: comma, semicolon or tab; point or comma in numbers; most ways of writing a time.</summary>
public sealed class LoggerFile
{
    /// <summary>So many rows are shown when the columns are named.</summary>
    private const int Shown = 5;

    private readonly Func<CsvReader> open;

    private LoggerFile(Func<CsvReader> open, IReadOnlyList<string> headings, IReadOnlyList<string[]> sample) =>
        (this.open, Headings, Sample) = (open, headings, sample);

    /// <summary>The first line.</summary>
    public IReadOnlyList<string> Headings { get; }

    /// <summary>The first rows, for showing what the columns hold.</summary>
    public IReadOnlyList<string[]> Sample { get; }

    /// <summary>What a logger is known by again.</summary>
    public string Signature => string.Join('\u001f', Headings.Select(h => h.Trim().ToLowerInvariant()));

    /// <summary>A table typed or pasted.</summary>
    public static LoggerFile? Open(string text) => Open(() => Table.Open(text));

    /// <returns>Null when it has no line of headings with at least one row of two columns below, or more than
    /// <see cref="Table.MostColumns"/>.</returns>
    public static LoggerFile? Open(byte[] bytes) => Open(() => Table.Open(bytes));

    private static LoggerFile? Open(Func<CsvReader> open)
    {
        using var reader = open();
        if (!Table.Next(reader) || reader.FieldCount is < 2 or > Table.MostColumns)
            return null;
        var headings = Table.Row(reader);
        var sample = new List<string[]>();
        while (sample.Count < Shown && Table.Next(reader))
            sample.Add(Table.Row(reader));
        return sample.Count == 0 ? null : new(open, headings, sample);
    }

    /// <summary>What the columns probably are, from their headings.</summary>
    public LoggerColumns Guess()
    {
        var time = Math.Max(0, Headings.ToList().FindIndex(h => Has(h, "time", "clock", "timestamp", "zeit", "min", "sec")));
        return new(time, [.. Headings.Select((h, i) => i == time || Has(h, "date") ? new(null, null) : GuessOf(h))]);
    }

    /// <summary>Reads every row.</summary>
    /// <param name="columns">As many as the file has.</param>
    /// <param name="zone">Where the logger's clock was set; a time that names its own zone does not need it.</param>
    /// <param name="order">Which of day and month stands first, where somebody had to say.</param>
    public LoggedSeries Read(LoggerColumns columns, DateTimeZone zone, DayOrder? order = null)
    {
        var time = TimeColumn.Of(Headings, columns.TimeColumn, open, order);
        if (time.NeedsDayOrder)
            return new(null, null, [], 0, 0, 0, 0, false) { NeedsDayOrder = true };
        using var reader = open();
        Table.Next(reader);
        var clock = new RowClock(time.Format, zone);
        var wanted = columns.Columns.Select((c, i) => (Column: i, c.Place, c.Unit)).Where(c => c is { Place: not null, Unit: not null })
            .Select(c => (c.Column, Place: c.Place!.Value, Unit: c.Unit!, Values: new List<double>())).ToList();
        var minutes = new List<double>();
        var (rows, skipped, duplicates) = (0, 0, 0);
        var last = double.NegativeInfinity;
        while (rows < Table.MostRows && Table.Next(reader))
        {
            rows++;
            double? minute = null;
            if (time.IsElapsed)
                minute = time.Elapsed(reader);
            else if (time.Written(reader) is { } moment)
                minute = clock.Minute(moment);
            if (minute is not (>= -RunBounds.LongestMin and <= RunBounds.LongestMin))
            {
                skipped++;
                continue;
            }

            if (minute <= last)
            {
                duplicates++;
                continue;
            }

            last = minute.Value;
            minutes.Add(minute.Value);
            foreach (var (column, place, unitOf, values) in wanted)
                values.Add(
                    column < reader.FieldCount && Table.Number(reader, column) is { } number ? InTrack(place, number, unitOf) ?? Missing
                    : Missing);
        }

        double[] all = [.. minutes];

        return new(clock.Start, clock.ClockOfStart, [.. wanted.Select(w => Track(w.Place, all, w.Values)).Where(t => !t.IsEmpty)],
            rows, skipped, duplicates, clock.Backward, rows == Table.MostRows && Table.Next(reader));
    }

    /// <summary>Stands for a cell without a value while the rows are read.</summary>
    private const double Missing = double.NaN;

    /// <summary>Columns without a gap share their minutes: a day of seconds in thirty columns would else hold them thirty times.</summary>
    private static RunTrack Track(RunPlace place, double[] minutes, List<double> values)
    {
        if (!values.Exists(double.IsNaN))
            return new(place, minutes, [.. values]);
        var there = Enumerable.Range(0, minutes.Length).Where(i => !double.IsNaN(values[i])).ToList();
        return new(place, [.. there.Select(i => minutes[i])], [.. there.Select(i => values[i])]);
    }

    /// <summary>Gauge pressures are taken at the standard atmosphere: a logger knows no other.</summary>
    /// <returns>Null for what no instrument at this place can show.</returns>
    private static double? InTrack(RunPlace place, double number, Unit unit) =>
        DefrostRuns.InTrack(place, new(number, unit), Pressure.StandardAtmosphere) is var value && RunBounds.CanBe(place, value) ? value
            : null;

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
            _ => PressureUnit(heading),
        });
    }

    private static Unit PressureUnit(string heading) => heading switch
    {
        _ when Has(heading, "kpa") => Unit.KilopascalAbsolute,
        _ when Has(heading, "psi") => Unit.Psi,
        _ => Unit.Bar,
    };

    private static bool Has(string heading, params ReadOnlySpan<string> words)
    {
        foreach (var word in words)
        {
            if (heading.Contains(word, StringComparison.OrdinalIgnoreCase))
                return true;
        }

        return false;
    }

    /// <summary>Minutes since the first row.</summary>
    private sealed class RowClock(TimeFormat? format, DateTimeZone zone)
    {
        /// <summary>A jump back by less is disorder among the rows, not a clock that was set.</summary>
        private static readonly TimeSpan Jump = TimeSpan.FromMinutes(30);

        private TimeSpan added;
        private DateTime? first;
        private DateTime? last;

        public DateTimeOffset? Start => format is { HasDay: true } && first is { } moment ? new(moment, TimeSpan.Zero) : null;

        public TimeOnly? ClockOfStart => format is { HasDay: false } && first is { } moment ? TimeOnly.FromDateTime(moment) : null;

        public int Backward { get; private set; }

        public double Minute(DateTime written)
        {
            var moment = format is { HasDay: true, HasZone: false } ? InUtc(written) : written;
            first ??= moment;
            if (last is { } before && before - moment > Jump)
            {
                Backward++;
                added += format!.HasDay ? TimeSpan.FromHours(Math.Round((before - moment).TotalHours)) : TimeSpan.FromDays(1);
            }

            last = moment;
            return (moment - first.Value + added).TotalMinutes;
        }

        /// <summary>The hour that a clock change has twice goes by what came before it; one that it leaves out is that of a clock nobody
        /// changed.</summary>
        private DateTime InUtc(DateTime wall)
        {
            var at = zone.MapLocal(LocalDateTime.FromDateTime(wall));
            if (at.Count != 2)
                return wall - at.EarlyInterval.WallOffset.ToTimeSpan();
            var (early, late) = (at.First().ToDateTimeUtc(), at.Last().ToDateTimeUtc());
            return last is { } before && before - early > Jump ? late : early;
        }
    }
}
