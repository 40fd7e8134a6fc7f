using System.Globalization;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Visits.LogLine;

/// <summary>Walks over the words and numbers of a piece: what stands here, and past it.</summary>
internal abstract class QuickCursor(QuickWords words, string line, List<QuickToken> tokens)
{
    private const int LongestPhrase = 5;
    private const int LongestUnit = 3;

    protected QuickWords Words => words;

    protected List<QuickToken> Tokens => tokens;

    /// <summary>Index of the token that is read next.</summary>
    protected int At { get; set; }

    /// <summary>A number here, with the word "minus" before it or without: as text, and where it goes on.</summary>
    protected (string Text, int Next)? NumberAt(int place)
    {
        if (place < tokens.Count && tokens[place].IsNumber)
            return (tokens[place].Word, place + 1);
        return IsIn(words.Minus, place) && place + 1 < tokens.Count && tokens[place + 1] is { IsNumber: true } number
            && char.IsDigit(number.Word[0]) ? ("-" + number.Word, place + 2) : null;
    }

    /// <summary>The longest unit here, as text; empty for none, and for degrees that leave open which.</summary>
    protected string UnitHere()
    {
        for (var length = LongestUnit; length >= 1; length--)
        {
            var run = tokens.Skip(At).Take(length).TakeWhile(t => !t.IsNumber).Select(t => t.Word).ToList();
            if (run.Count < length)
                continue;
            var unit = string.Concat(length > 1 ? run.Where(w => !words.Degrees.Contains(w)) : run);
            if (unit.Length > 0 && Unit.Find(unit) is not null)
            {
                At += length;
                return unit;
            }
        }

        Take(words.Degrees);
        return "";
    }

    /// <summary>The longest run of words from here that is in the dictionary; moves on past it.</summary>
    protected bool Phrase<T>(IReadOnlyDictionary<string, T> dictionary, out T meaning)
    {
        for (var length = LongestPhrase; length >= 1; length--)
        {
            var run = tokens.Skip(At).Take(length).TakeWhile(t => !t.IsNumber).Select(t => t.Word).ToList();
            if (run.Count == length && dictionary.TryGetValue(string.Join(' ', run), out meaning!))
            {
                At += length;
                return true;
            }
        }

        meaning = default!;
        return false;
    }

    /// <summary>A word that turns round what follows; an apostrophe may be left out.</summary>
    protected bool TakeNegation() => Take(words.Negations);

    protected bool Take(IReadOnlySet<string> set)
    {
        if (!IsIn(set, At))
            return false;
        At++;
        return true;
    }

    protected bool IsIn(IReadOnlySet<string> set, int place) =>
        place < tokens.Count && !tokens[place].IsNumber && set.Contains(tokens[place].Word);

    protected void SkipFillers() => SkipAll(words.Fillers);

    /// <summary>Between a point and its number stand words that would mean something elsewhere: "box at -18".</summary>
    protected void SkipBeforeNumber()
    {
        var start = At;
        while (IsIn(words.Fillers, At) || IsIn(words.Prepositions, At))
            At++;
        if (NumberAt(At) is null)
            At = start;
    }

    protected void SkipAll(IReadOnlySet<string> set)
    {
        while (IsIn(set, At) || IsIn(words.Fillers, At))
            At++;
    }

    protected string Slice(int start, int end) => line[tokens[start].Start..tokens[Math.Max(start, Math.Min(end, tokens.Count) - 1)].End];

    protected FactState[]? Meanings()
    {
        for (var length = LongestPhrase; length >= 1; length--)
        {
            var run = tokens.Skip(At).Take(length).TakeWhile(t => !t.IsNumber).Select(t => t.Word).ToList();
            if (run.Count == length && words.States[string.Join(' ', run)].ToArray() is { Length: > 0 } meanings)
            {
                At += length;
                return meanings;
            }
        }

        return null;
    }

    /// <summary>"2nd" before a fan.</summary>
    protected int? OrdinalHere()
    {
        if (At + 1 >= Tokens.Count || !Tokens[At].IsNumber || Tokens[At + 1].Start != Tokens[At].End
            || Tokens[At + 1].Word is not ("st" or "nd" or "rd" or "th")
            || !int.TryParse(Tokens[At].Word, NumberStyles.None, CultureInfo.InvariantCulture, out var number))
            return null;
        At += 2;
        return number;
    }

    /// <summary>Which of the evaporator fans.</summary>
    protected int? IndexHere(AsFound fact)
    {
        if (fact != AsFound.EvaporatorFan || At >= Tokens.Count)
            return null;
        var start = At;
        if (Tokens[At].Word == "#")
            At++;
        if (At < Tokens.Count && Tokens[At].IsNumber)
            return int.TryParse(Tokens[At++].Word, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : 0;
        if (At < Tokens.Count && Words.Numbers.TryGetValue(Tokens[At].Word, out var said))
        {
            At++;
            return said;
        }

        At = start;
        return null;
    }

    /// <summary>"for 25 min", "2 h 10 min"; null where no span stands here.</summary>
    protected TimeSpan? RunTimeHere()
    {
        var start = At;
        SkipFillers();
        SkipBeforeNumber();
        TimeSpan? span = null;
        while (At + 1 < Tokens.Count && Tokens[At].IsNumber && QuantityReader.Number(Tokens[At].Word) is >= 0 and < 100_000 and var amount)
        {
            var word = Tokens[At + 1].Word;
            if (Words.Minutes.Contains(word))
                span = (span ?? TimeSpan.Zero) + TimeSpan.FromMinutes(amount);
            else if (Words.Hours.Contains(word))
                span = (span ?? TimeSpan.Zero) + TimeSpan.FromHours(amount);
            else
                break;
            At += 2;
        }

        if (span is null)
            At = start;
        else
            SkipFillers();
        return span;
    }
}
