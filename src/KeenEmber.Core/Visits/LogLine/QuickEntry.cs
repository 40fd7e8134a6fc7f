using System.Text.RegularExpressions;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits.LogLine;

/// <summary>Why a piece of a line was not understood.</summary>
public enum QuickProblem
{
    /// <summary>Words that mean nothing here.</summary>
    UnknownWords,

    /// <summary>A point without a value.</summary>
    ValueMissing,

    /// <summary>A value that cannot be.</summary>
    BadValue,

    /// <summary>A fact without a state.</summary>
    StateMissing,

    /// <summary>A state the fact does not have.</summary>
    StateDoesNotFit,

    /// <summary>A fan the unit does not have.</summary>
    NoSuchFan,

    /// <summary>A sensor that is not on the unit's list.</summary>
    NoSuchSensor,

    /// <summary>The line is longer than can be read.</summary>
    LineTooLong,

    /// <summary>The line says more than one line may.</summary>
    TooManyEntries,
}

/// <summary>One piece of a quick-entry line and what became of it.</summary>
/// <param name="Text">The piece as typed.</param>
public abstract record QuickItem(string Text)
{
    /// <summary>The time of day that was said with it; null for now.</summary>
    public TimeOnly? Time { get; init; }

    /// <summary>The moment of that time; null for now.</summary>
    public DateTimeOffset? At { get; init; }
}

/// <summary>A reading of the unit.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Point">Where it was taken.</param>
/// <param name="Value">What was read.</param>
public sealed record QuickReading(string Text, PointRef Point, TypedValue Value) : QuickItem(Text);

/// <param name="RunTime">How long it had been so, where that was said.</param>
public sealed record QuickObservation(string Text, AsFound Fact, int? Index, FactState State, TimeSpan? RunTime) : QuickItem(Text);

/// <summary>Refrigerant weighed in or out.</summary>
/// <param name="MassKg">kg; added positive, recovered negative.</param>
public sealed record QuickRefrigerant(string Text, double MassKg) : QuickItem(Text)
{
    /// <summary>By the catalogue's name, where the line says which; empty for the unit's own.</summary>
    public string Refrigerant { get; init; } = "";
}

/// <summary>A vacuum that was read.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Pressure">Absolute.</param>
public sealed record QuickVacuum(string Text, TypedValue Pressure) : QuickItem(Text);

/// <summary>An answer to a test of the diagnosis: what was felt, heard or asked.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Observable">Its code in the table of causes.</param>
/// <param name="Answer">One of its answers; empty for a number.</param>
/// <param name="Number">In its unit; null for an answer.</param>
public sealed record QuickAnswer(string Text, string Observable, string Answer, double? Number = null) : QuickItem(Text);

/// <summary>A note, which is kept as it is.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Note">The words of the note.</param>
/// <param name="Topic">What it is about.</param>
public sealed record QuickNote(string Text, string Note, Topic Topic = Topic.Visit) : QuickItem(Text);

/// <param name="Typing">For <see cref="QuickProblem.BadValue"/>: what is wrong with the value.</param>
public sealed record QuickUnclear(string Text, QuickProblem Problem, PointRef? Point = null, TypingProblem? Typing = null)
    : QuickItem(Text);

/// <summary>Reads a line such as "suc 1.2, line -16.4 box -18 fan 2 off, comp on 25 min".</summary>
/// <remarks>
/// A line falls into pieces at commas, semicolons, line ends and "and"; a piece is read from left to right as values of points and states
/// of facts, either of the two first. A word that is not known makes what stands right beside it unclear too: half of a phrase can mean the
/// opposite of the whole.
/// </remarks>
/// <param name="evaporatorFans">How many fans the unit has, so that a fan that does not exist is refused.</param>
/// <param name="sensors">The names of the sensors on the unit's list.</param>
public sealed partial class QuickEntry(QuickWords words, UnitPreference units, int evaporatorFans, IReadOnlyList<string>? sensors = null)
{
    private readonly QuickControl control = new(words, units);
    private readonly QuickDone done = new(words, units, evaporatorFans, sensors ?? []);

    /// <summary>Characters.</summary>
    public const int LongestLine = 500;

    /// <summary>Characters.</summary>
    public const int LongestNote = 2000;

    /// <summary>Of one line.</summary>
    public const int MostEntries = 40;

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();

    /// <summary>Everything in the line in order, understood or not. Never throws, whatever is pasted.</summary>
    public IReadOnlyList<QuickItem> Read(string? line)
    {
        var text = line ?? "";
        if ((NoteOf(text, words.Note, Topic.Visit) ?? NoteOf(text, words.Wiring, Topic.Wiring)) is { } note)
            return [note];
        if (NoteWithin(text) is var (before, said))
            return [.. Read(before), said];
        if (text.Length > LongestLine)
            return [new QuickUnclear(text[..60], QuickProblem.LineTooLong)];
        if (QuickControl.OutputIn(text) is { } output)
            return [output];
        // "Comp on and off": the whole of it says one thing.
        if (words.Answers.TryGetValue(Spaces().Replace(text.Trim().ToLowerInvariant(), " "), out var whole))
            return [new QuickAnswer(text.Trim(), whole.Observable, whole.Answer)];
        if (done.ReadLead(text) is { } lead)
            return [lead];
        var items = new List<QuickItem>();
        TimeOnly? standing = null;
        foreach (var piece in QuickTokens.Pieces(text, words))
        {
            var typed = text[piece[0].Start..piece[^1].End];
            if (QuickTime.Of(typed) is var (time, rest, isFirst))
            {
                standing = isFirst ? time : standing;
                var timed = rest.Length > 0 ? ReadPiece(rest, [.. QuickTokens.Pieces(rest, words).SelectMany(p => p)]) : [];
                items.AddRange(timed.Select(i => i with { Time = time, Text = timed.Count == 1 ? typed : i.Text }));
            }
            else
            {
                foreach (var item in ReadPiece(text, piece))
                    Add(items, item with { Time = standing });
            }

            if (items.Count > MostEntries)
                return [new QuickUnclear(text[..Math.Min(60, text.Length)], QuickProblem.TooManyEntries)];
        }

        return items;
    }

    private List<QuickItem> ReadPiece(string text, List<QuickToken> piece)
    {
        if (piece.Count == 0)
            return [];
        var said = text[piece[0].Start..piece[^1].End];
        if (words.Answers.TryGetValue(Spaces().Replace(said.Trim().ToLowerInvariant(), " "), out var answer))
            return [new QuickAnswer(said, answer.Observable, answer.Answer)];
        if ((control.Read(said) ?? done.Read(said)) is { } whole)
            return [whole];
        var items = new QuickPiece(words, units, evaporatorFans, text, piece).Read().ToList();
        if (!items.OfType<QuickUnclear>().Any())
            return items;
        return (words.AnswerLoosely(said) ?? words.AnswerNamed(said)) is { } meant ? [new QuickAnswer(said, meant.Observable, meant.Answer)]
            : CoilOfSide(text, piece) is { } coil ? [coil] : items;
    }

    /// <summary>"Base coil iced": how the coil of one side is.</summary>
    private QuickObservation? CoilOfSide(string text, List<QuickToken> piece)
    {
        var named = piece.FindIndex(t => words.Sides.ContainsKey(t.Word));
        if (named < 0)
            return null;
        List<QuickToken> rest = [.. piece[..named], .. piece[(named + 1)..]];
        return rest.Count > 0
            && new QuickPiece(words, units, evaporatorFans, text, rest).Read().ToList()
                is [QuickObservation { Fact: AsFound.Coil, Index: null } coil]
            ? coil with { Text = text[piece[0].Start..piece[^1].End], Index = words.Sides[piece[named].Word] } : null;
    }

    /// <summary>Voltages typed one after the other are one test of the supply.</summary>
    private static void Add(List<QuickItem> items, QuickItem item)
    {
        if (item is QuickLoadTest { Test: LoadTest.Voltage } test
            && items.LastOrDefault() is QuickLoadTest { Test: LoadTest.Voltage } before)
            items[^1] = before with { Text = $"{before.Text}, {test.Text}", Readings = [.. before.Readings, .. test.Readings] };
        else
            items.Add(item);
    }

    /// <summary>A note that begins after other pieces: it goes to the end of the line, commas and all.</summary>
    private (string Before, QuickNote Note)? NoteWithin(string text)
    {
        for (var at = text.IndexOfAny(PieceEnds); at >= 0; at = text.IndexOfAny(PieceEnds, at + 1))
        {
            var rest = text[(at + 1)..];
            if (rest.Contains(':', StringComparison.Ordinal)
                && (NoteOf(rest, words.Note, Topic.Visit, needsColon: true) ?? NoteOf(rest, words.Wiring, Topic.Wiring)) is { } note)
                return (text[..at], note);
        }

        return null;
    }

    private static readonly char[] PieceEnds = [',', ';', '\n'];

    private static QuickNote? NoteOf(string text, string word, Topic topic, bool needsColon = false)
    {
        var trimmed = text.Trim();
        return trimmed.Length > word.Length && trimmed.StartsWith(word, StringComparison.OrdinalIgnoreCase) && trimmed.Length <= LongestNote
            && (trimmed[word.Length] == ':' || (topic == Topic.Visit && !needsColon && trimmed[word.Length] == ' '))
                && trimmed[(word.Length + 1)..].Trim() is { Length: > 0 } said
            ? new(trimmed, said, topic) : null;
    }
}

/// <summary>A number or a word of a line.</summary>
/// <param name="Word">In lower case, a small misspelling mended; of a number what was typed.</param>
/// <param name="Start">Where it begins in the line.</param>
internal readonly record struct QuickToken(string Word, int Start, int End, bool IsNumber);

/// <summary>Takes a line apart into pieces of words and numbers.</summary>
internal static partial class QuickTokens
{
    /// <summary>Shorter words are not mended: too many others are one letter away.</summary>
    private const int ShortestMended = 5;
    private const int LongForTwo = 8;

    [GeneratedRegex(
        @"(?<number>[+\-−–]?(\d+([.,]\d+)?|[.,]\d+))|(?<end>[,;\n]|[.!?](?=\s|$))|(?<word>([^\s\d,;:=+\-−–.!?]|[+\-−–.](?!\d))+)")]
    private static partial Regex Pattern();

    internal static IEnumerable<List<QuickToken>> Pieces(string text, QuickWords words)
    {
        var piece = new List<QuickToken>();
        foreach (Match match in Pattern().Matches(text))
        {
            var isNumber = match.Groups["number"].Success;
            var word = isNumber ? match.Value : Spelled(Plain(match.Value), words);
            if (match.Groups["end"].Success || words.Joins.Contains(word))
            {
                if (piece.Count > 0)
                    yield return piece;
                piece = [];
                continue;
            }

            piece.Add(new(word, match.Index, match.Index + match.Length, isNumber));
        }

        if (piece.Count > 0)
            yield return piece;
    }

    /// <summary>In lower case, with the plain apostrophe, without the point of a short form.</summary>
    private static string Plain(string word) => word.ToLowerInvariant().Replace('’', '\'').TrimEnd('.');

    /// <summary>The one known word that is a slip of the finger away; the word itself where there is none, or more than one.</summary>
    private static string Spelled(string word, QuickWords words)
    {
        if (words.Vocabulary.Contains(word))
            return word;
        if (word.EndsWith("'s", StringComparison.Ordinal))
            return Spelled(word[..^2], words);
        if (word.Length < ShortestMended)
            return word;
        var near = words.Vocabulary.Where(w => w.Length >= ShortestMended && w[0] == word[0]
            && IsNear(word, w, word.Length >= LongForTwo ? 2 : 1)).Take(2).ToList();
        return near.Count == 1 ? near[0] : word;
    }

    /// <summary>Whether so few letters are left out, put in, changed or exchanged with their neighbour (optimal string
    /// alignment).</summary>
    private static bool IsNear(string one, string other, int most)
    {
        if (Math.Abs(one.Length - other.Length) > most)
            return false;
        var rows = new int[one.Length + 1, other.Length + 1];
        for (var i = 0; i <= one.Length; i++)
            rows[i, 0] = i;
        for (var j = 0; j <= other.Length; j++)
            rows[0, j] = j;
        for (var i = 1; i <= one.Length; i++)
            for (var j = 1; j <= other.Length; j++)
            {
                var changed = one[i - 1] == other[j - 1] ? 0 : 1;
                rows[i, j] = Math.Min(Math.Min(rows[i - 1, j], rows[i, j - 1]) + 1, rows[i - 1, j - 1] + changed);
                if (i > 1 && j > 1 && one[i - 1] == other[j - 2] && one[i - 2] == other[j - 1])
                    rows[i, j] = Math.Min(rows[i, j], rows[i - 2, j - 2] + 1);
            }

        return rows[one.Length, other.Length] <= most;
    }
}
