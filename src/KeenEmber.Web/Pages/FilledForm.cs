using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Words;
using Microsoft.Extensions.Primitives;

namespace KeenEmber.Web.Pages;

/// <summary>
/// The fields of a form as text: as typed, or as they are first shown. Each is read as what it should be; what cannot be read stays as
/// typed,
/// with what is wrong with it at its field.
/// </summary>
/// <param name="units">What a bare number means.</param>
public sealed class FilledForm(UnitPreference units)
{
    private const int LongestField = 4000;

    /// <summary>Said at a choice that was not made.</summary>
    public const string ChooseOne = "Choose one.";

    private static readonly string[] TimesOfDay = ["H:mm", "HH:mm"];

    private readonly Dictionary<string, string> texts = new(StringComparer.OrdinalIgnoreCase);

    public Dictionary<string, string> Errors { get; } = [];

    public bool IsWrong => Errors.Count > 0;

    /// <summary>What stands in it was sent; false for a form that is shown for the first time.</summary>
    public bool IsSent { get; private set; }

    /// <summary>The text of a field; empty where there is none.</summary>
    public string this[string field]
    {
        get => texts.GetValueOrDefault(field, "");
        set => texts[field] = value;
    }

    /// <summary>Every field with its text.</summary>
    public IReadOnlyDictionary<string, string> Fields => texts;

    public bool Has(string field) => texts.ContainsKey(field);

    public string? Error(string field) => Errors.GetValueOrDefault(field);

    /// <summary>The text of a field, or what it starts with as long as nobody has sent it.</summary>
    public string Or(string field, string? start) => texts.TryGetValue(field, out var text) ? text : start ?? "";

    /// <summary>A line of text in a form.</summary>
    public FieldView Field(string name, string label, string? start = null) => new(name, label, Or(name, start), Error(name));

    /// <summary>Keeps what was sent, to be read and, when something is wrong, to be shown again.</summary>
    public void Keep(IEnumerable<KeyValuePair<string, StringValues>> sent)
    {
        IsSent = true;
        foreach (var (field, text) in sent)
            texts[field] = TypingText.Kept(text, LongestField);
    }

    /// <summary>The field that carries <see cref="Version"/>.</summary>
    public const string SeenField = "seen";

    /// <summary>What its fields say, in a few letters: a form carries it along, so that a save on an old copy is noticed.</summary>
    public string Version => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(
        string.Join(
            '\u001f',
            texts.Where(t => t.Key != SeenField).OrderBy(t => t.Key, StringComparer.Ordinal)
            .Select(t => $"{t.Key}\u001e{t.Value}")))))[..16];

    /// <summary>Fields that somebody else has saved meanwhile with another text than is typed here.</summary>
    public IReadOnlyList<(string Field, string Saved, string Typed)> Clashes { get; private set; } = [];

    /// <summary>
    /// Notices that what is saved is no longer what this form was made from. Both texts are shown then and nothing is saved; sent again,
    /// what was typed holds.
    /// </summary>
    /// <param name="saved">The form as it would be shown now.</param>
    /// <returns>True when there is something to decide.</returns>
    public bool IsOvertakenBy(FilledForm saved)
    {
        var seen = this[SeenField];
        this[SeenField] = saved.Version;
        if (seen == saved.Version)
            return false;
        Clashes =
            [.. saved.texts.Where(s => s.Key != SeenField && s.Value.ReplaceLineEndings("\n") != this[s.Key].ReplaceLineEndings("\n"))
            .Select(s => (s.Key, s.Value, this[s.Key]))];
        return Clashes.Count > 0;
    }

    /// <summary>Free text.</summary>
    /// <param name="missing">What to say where there is none; null when it may be left out.</param>
    public string Text(string field, int longest, string? missing = null)
    {
        var text = TypingText.Kept(this[field], longest);
        if (text.Length == 0 && missing is not null)
            Errors[field] = missing;
        return text;
    }

    /// <param name="required">An empty field is an error too.</param>
    /// <returns>Null where the field is empty or wrong.</returns>
    public TypedValue? Value(string field, QuantityKind kind, bool required = false)
    {
        if (this[field].Length == 0 && !required)
            return null;
        var read = QuantityReader.Read(this[field], kind, units);
        if (read.Problem is { } problem)
            Errors[field] = TypingText.Problem(problem, kind, units);
        return read.Value;
    }

    /// <summary>A value of one kind or, where its unit says so, of another.</summary>
    /// <returns>Null where the field is empty or wrong, which is an error.</returns>
    public TypedValue? Either(string field, QuantityKind kind, QuantityKind orKind)
    {
        var isOther = QuantityReader.Read(this[field], kind, units).Problem == TypingProblem.WrongKindOfUnit
            && QuantityReader.Read(this[field], orKind, units).Problem != TypingProblem.WrongKindOfUnit;
        return Value(field, isOther ? orKind : kind, required: true);
    }

    /// <summary>What a scale shows: a bare number counts kilograms, in a US company pounds.</summary>
    /// <returns>Null where the field is empty or wrong, which is an error.</returns>
    public TypedValue? OnScale(string field)
    {
        if (QuantityReader.Number(this[field]) is not null)
            this[field] += $" {units.Weight.Symbol}";
        return Value(field, QuantityKind.Mass, required: true);
    }

    /// <summary>A weight beyond that of refrigerant, kg: a bare number counts kilograms, in a US company pounds.</summary>
    /// <returns>Null where the field is empty or wrong.</returns>
    public double? Weight(string field, double lowKg, double highKg)
    {
        var unit = units.Weight;
        if (QuantityReader.Number(this[field]) is not null)
            this[field] += $" {unit.Symbol}";
        var kg = Value(field, QuantityKind.Mass)?.Si(default);
        if (kg is null || (kg >= lowKg && kg <= highKg))
            return kg;
        Errors[field] =
            string.Create(
            CultureInfo.InvariantCulture, $"It must be between {lowKg / unit.Scale:0.#} and {highKg / unit.Scale:0.#} {unit.Symbol}.");
        return null;
    }

    /// <summary>A small width, m: a bare number counts millimetres, in a US company inches.</summary>
    /// <returns>Null where the field is empty or wrong.</returns>
    public double? Bore(string field)
    {
        if (QuantityReader.Number(this[field]) is not null)
            this[field] += units == UnitPreference.Us ? " in" : " mm";
        var metres = Value(field, QuantityKind.Length)?.Si(default);
        if (metres is null or (>= 0 and <= WidestBoreM))
            return metres;
        Errors[field] = units == UnitPreference.Us ? "Type a width up to 20 in, such as 0.375." : "Type a width up to 500 mm, such as 10.";
        return null;
    }

    private const double WidestBoreM = 0.5;

    /// <summary>Lines of two fields each, as they are pasted from a sheet: parted by a semicolon, a tab or a blank.</summary>
    /// <returns>Null where there is none, or there are too many, or one has no second field; nothing is said at the field.</returns>
    public IReadOnlyList<(string First, string Second)>? Pairs(string field, int most)
    {
        var lines = this[field].Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        List<(string, string)> pairs = [.. lines.Select(l => l.Split(SeparatorOf(l), 2, StringSplitOptions.TrimEntries))
            .Where(p => p.Length == 2).Select(p => (p[0], p[1]))];
        return pairs.Count > 0 && pairs.Count == lines.Length && pairs.Count <= most ? pairs : null;
    }

    private static char SeparatorOf(string line) => ";\t".Where(line.Contains).DefaultIfEmpty(' ').First();

    /// <summary>A quantity in its SI unit, from nothing up.</summary>
    /// <returns>Null where the field is empty or wrong.</returns>
    public double? Si(string field, QuantityKind kind, bool required = false)
    {
        var value = Value(field, kind, required)?.Si(default);
        if (value is null or >= 0)
            return value;
        Errors[field] = "Type a number from 0 up.";
        return null;
    }

    /// <summary>A bare number between two ends; an empty field is an error only where it is required.</summary>
    /// <param name="what">What it counts, for what is said when it is none.</param>
    /// <param name="signs">Signs that may stand before or behind it and mean nothing more.</param>
    /// <returns>Null where the field is empty or wrong.</returns>
    public double? Number(string field, double low, double high, string what = "a number", string signs = "", bool required = false)
    {
        if (this[field].Length == 0 && !required)
            return null;
        if (QuantityReader.Number(this[field].Trim([.. signs, ' '])) is { } number && number >= low && number <= high)
            return number;
        Errors[field] = string.Create(CultureInfo.InvariantCulture, $"Type {what} from {low} to {high}{(required ? "" : ", or nothing")}.");
        return null;
    }

    /// <summary>A whole number between two ends; the lower end, with an error, where it is none.</summary>
    public int Whole(string field, int low, int high, string what)
    {
        if (int.TryParse(this[field], NumberStyles.Integer, CultureInfo.InvariantCulture, out var number) && number >= low
            && number <= high)
            return number;
        Errors[field] = $"A whole number of {what} from {low} to {high}.";
        return low;
    }

    /// <summary>One of the members of an enumeration; the first where the field is empty or, with an error, where it is none.</summary>
    public T Choice<T>(string field)
        where T : struct, Enum
    {
        if (EnumName.Find<T>(this[field]) is { } choice)
            return choice;
        if (this[field].Length > 0)
            Errors[field] = ChooseOne;
        return default;
    }

    /// <summary>The members of an enumeration that were ticked; what is no member is left out.</summary>
    public IEnumerable<T> Ticked<T>(string field)
        where T : struct, Enum => this[field].Split(',').Select(EnumName.Find<T>).OfType<T>();

    /// <summary>A day not before another, and not so far ahead that it is a slip.</summary>
    /// <returns>Null where the field is empty or wrong.</returns>
    public DateOnly? Day(string field, DateOnly earliest, bool required = false)
    {
        if (this[field].Length == 0 && !required)
            return null;
        if (DateOnly.TryParseExact(
            this[field], ["yyyy-MM-dd", "d.M.yyyy", "d/M/yyyy"], CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            && day >= earliest && day <= EntryBounds.LastDay)
            return day;
        Errors[field] = $"A day from {earliest:yyyy-MM-dd} to {EntryBounds.LastDay:yyyy-MM-dd}.";
        return null;
    }

    /// <summary>A time of day on a day of the site. One that a clock change leaves out, or has twice, is asked about: "02:30 first" and
    /// "02:30 second" tell them apart.</summary>
    /// <param name="errorAt">The field that says what is wrong.</param>
    /// <returns>Null where it is wrong.</returns>
    public DateTimeOffset? Moment(string field, DateOnly day, SiteClock clock, string errorAt)
    {
        var parts = Parts(this[field], ' ');
        if (parts.Length is 0 or > 2 || Time(parts[0]) is not { } time)
        {
            Errors[errorAt] = "Type a time of day such as 14:05.";
            return null;
        }

        var (moments, which) = (clock.Moments(day.ToDateTime(time)), parts.Length == 2 ? parts[1].ToLowerInvariant() : "");
        switch (moments.Count)
        {
            case 0:
                Errors[errorAt] = $"The clocks went forward then, and {time:HH:mm} was left out. Type the time after the change.";
                return null;
            case 2 when which is not ("first" or "second"):
                Errors[errorAt] =
                    $"The clocks went back then, and {time:HH:mm} came twice. Type “{time:HH:mm} first” or “{time:HH:mm} second”.";
                return null;
            default:
                return moments[which == "second" ? ^1 : 0];
        }
    }

    /// <summary>Times of day parted by blanks or commas, in their order, each once.</summary>
    public IReadOnlyList<TimeOnly> Times(string field) => [.. Parts(this[field], ' ', ',', ';').Select(p =>
    {
        if (Time(p) is null)
            Errors[field] = "Times of day such as 06:00 12:00 18:00.";
        return Time(p);
    }).OfType<TimeOnly>().Distinct().Order()];

    /// <summary>Parts of the day, from and to, parted by blanks or commas.</summary>
    /// <param name="text">The field's text, or a piece of it.</param>
    public IReadOnlyList<(TimeOnly From, TimeOnly To)> PartsOfDay(string field, string text) => [.. Parts(text, ' ', ',').Select(p =>
    {
        (TimeOnly, TimeOnly)? part = p.Split('-') is [var first, var second] && Time(first) is { } from && Time(second) is { } to
            ? (from, to) : null;
        if (part is null)
            Errors[field] = "Parts of the day such as 07:00-09:30, 16:00-18:00.";
        return part;
    }).OfType<(TimeOnly, TimeOnly)>()];

    private static string[] Parts(string text, params char[] between) =>
        text.Split(between, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    private static TimeOnly? Time(string text) =>
        TimeOnly.TryParseExact(text, TimesOfDay, CultureInfo.InvariantCulture, DateTimeStyles.None, out var time) ? time : null;
}

/// <summary>A line of text in a form, with what was typed and what is wrong with it.</summary>
public sealed record FieldView(string Name, string Label, string Value, string? Error);

/// <summary>A choice in a form, with what is chosen and what is wrong with it.</summary>
/// <param name="Options">What is sent, and what is read.</param>
public sealed record ChoiceView(
    string Name, string Label, string Value, string? Error, IReadOnlyList<(string Value, string Text)> Options)
{
    /// <summary>Of the field on its page, where several forms have one of that name.</summary>
    public string Id { get; init; } = Name;
}
