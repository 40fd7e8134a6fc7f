using System.Globalization;
using System.Text.RegularExpressions;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>The words quick entry knows, all in lower case. Made where the language is known.</summary>
/// <param name="States">A word may stand for several states: the one that the fact can have is meant.</param>
public sealed record QuickWords(
    IReadOnlyDictionary<string, PointRef> Points,
    IReadOnlyDictionary<string, AsFound> Facts,
    ILookup<string, FactState> States,
    IReadOnlySet<string> Minutes,
    IReadOnlySet<string> Hours,
    string Note,
    string Wiring);

public enum QuickProblem { UnknownWords, ValueMissing, BadValue, StateMissing, StateDoesNotFit, NoSuchFan, LineTooLong, TooManyEntries }

/// <summary>One piece of a quick-entry line and what became of it.</summary>
/// <param name="Text">The piece as typed.</param>
public abstract record QuickItem(string Text);

public sealed record QuickReading(string Text, PointRef Point, TypedValue Value) : QuickItem(Text);

/// <param name="RunTime">How long it had been so, where that was said.</param>
public sealed record QuickObservation(string Text, AsFound Fact, int? Index, FactState State, TimeSpan? RunTime) : QuickItem(Text);

public sealed record QuickNote(string Text, string Note, Topic Topic = Topic.Visit) : QuickItem(Text);

/// <param name="Typing">For <see cref="QuickProblem.BadValue"/>: what is wrong with the value.</param>
public sealed record QuickUnclear(string Text, QuickProblem Problem, PointRef? Point = null, TypingProblem? Typing = null)
    : QuickItem(Text);

/// <summary>Reads a line such as "suc 1.2, line -16.4 box -18 fan 2 off, comp on 25 min".</summary>
/// <param name="evaporatorFans">How many fans the unit has, so that a fan that does not exist is refused.</param>
public sealed partial class QuickEntry(QuickWords words, UnitPreference units, int evaporatorFans)
{
    public const int LongestLine = 500;
    public const int LongestNote = 2000;
    public const int MostEntries = 40;
    private const int LongestPhrase = 4;

    [GeneratedRegex(@"(?<number>[+\-−–]?(\d+([.,]\d+)?|[.,]\d+))|(?<word>([^\s\d,;:=+\-−–]|[+\-−–](?!\d))+)|(?<end>[,;\n])")]
    private static partial Regex TokenPattern();

    private readonly record struct Token(string Text, int Start, int End, bool IsNumber, bool IsEnd);

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
        var tokens = TokenPattern().Matches(text)
            .Select(m => new Token(m.Value, m.Index, m.Index + m.Length, m.Groups["number"].Success, m.Groups["end"].Success)).ToList();
        var items = new List<QuickItem>();
        for (var i = 0; i < tokens.Count;)
        {
            if (tokens[i].IsEnd)
            {
                i++;
                continue;
            }

            var start = i;
            items.Add(Next(text, tokens, ref i));
            if (i == start)
                i++;
            if (items.Count > MostEntries)
                return [new QuickUnclear(text[..Math.Min(60, text.Length)], QuickProblem.TooManyEntries)];
        }

        return items;
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

    private QuickItem Next(string text, List<Token> tokens, ref int i)
    {
        var start = i;
        string Slice(int end) => text[tokens[start].Start..tokens[Math.Max(start, end - 1)].End];
        if (Phrase(words.Points, tokens, ref i) is { } point)
            return ReadingOf(point, tokens, ref i, Slice);
        if (Phrase(words.Facts, tokens, ref i) is { } fact)
            return ObservationOf(fact, tokens, ref i, Slice);
        while (i < tokens.Count && !tokens[i].IsEnd && (i == start || !StartsPhrase(tokens, i)))
            i++;
        return new QuickUnclear(Slice(i), QuickProblem.UnknownWords);
    }

    private QuickItem ReadingOf(PointRef point, List<Token> tokens, ref int i, Func<int, string> slice)
    {
        if (i >= tokens.Count || !tokens[i].IsNumber)
            return new QuickUnclear(slice(i), QuickProblem.ValueMissing, point);
        var number = tokens[i++].Text;
        var unit = "";
        for (var length = 2; length >= 1 && unit.Length == 0; length--)
        {
            var candidate = string.Concat(tokens.Skip(i).Take(length).TakeWhile(t => !t.IsNumber && !t.IsEnd).Select(t => t.Text));
            if (candidate.Length > 0 && Unit.Find(candidate) is not null)
            {
                unit = candidate;
                i += tokens.Skip(i).Take(length).TakeWhile(t => !t.IsNumber && !t.IsEnd).Count();
            }
        }

        // A word glued to the number was meant as its unit, known or not.
        if (unit.Length == 0 && i < tokens.Count && !tokens[i].IsNumber && !tokens[i].IsEnd && tokens[i].Start == tokens[i - 1].End)
            unit = tokens[i++].Text;
        var read = QuantityReader.Read(number + unit, point.Kind(), units);
        return read.Value is { } value
            ? new QuickReading(slice(i), point, value)
            : new QuickUnclear(slice(i), QuickProblem.BadValue, point, read.Problem);
    }

    private QuickItem ObservationOf(AsFound fact, List<Token> tokens, ref int i, Func<int, string> slice)
    {
        int? index = null;
        if (fact == AsFound.EvaporatorFan && i < tokens.Count && tokens[i].IsNumber)
        {
            index = int.TryParse(tokens[i++].Text, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 0;
        }

        var meanings = i >= tokens.Count || tokens[i].IsEnd ? [] : words.States[tokens[i].Text.ToLowerInvariant()];
        if (!meanings.Any())
            return new QuickUnclear(slice(i), QuickProblem.StateMissing);
        i++;
        if (!meanings.Any(fact.States().Contains))
            return new QuickUnclear(slice(i), QuickProblem.StateDoesNotFit);
        var state = meanings.First(fact.States().Contains);
        if (index is { } fan && (fan < 1 || fan > evaporatorFans))
            return new QuickUnclear(slice(i), QuickProblem.NoSuchFan);
        var runTime = RunTimeOf(tokens, ref i);
        return new QuickObservation(slice(i), fact, index, state, runTime);
    }

    private TimeSpan? RunTimeOf(List<Token> tokens, ref int i)
    {
        if (i + 1 >= tokens.Count || !tokens[i].IsNumber
            || QuantityReader.Number(tokens[i].Text) is not (>= 0 and < 100_000 and var amount))
            return null;
        var word = tokens[i + 1].Text.ToLowerInvariant();
        var span = words.Minutes.Contains(word) ? TimeSpan.FromMinutes(amount)
            : words.Hours.Contains(word) ? TimeSpan.FromHours(amount) : (TimeSpan?)null;
        if (span is not null)
            i += 2;
        return span;
    }

    private bool StartsPhrase(List<Token> tokens, int at)
    {
        var i = at;
        return Phrase(words.Points, tokens, ref i) is not null || Phrase(words.Facts, tokens, ref i) is not null;
    }

    /// <summary>The longest run of words from here that is in the dictionary; moves on past it.</summary>
    private static T? Phrase<T>(IReadOnlyDictionary<string, T> dictionary, List<Token> tokens, ref int i) where T : struct
    {
        for (var length = LongestPhrase; length >= 1; length--)
        {
            var run = tokens.Skip(i).Take(length).TakeWhile(t => !t.IsNumber && !t.IsEnd).Select(t => t.Text.ToLowerInvariant()).ToList();
            if (run.Count == length && dictionary.TryGetValue(string.Join(' ', run), out var meaning))
            {
                i += length;
                return meaning;
            }
        }

        return null;
    }
}
