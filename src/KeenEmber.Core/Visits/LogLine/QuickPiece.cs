using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Visits.LogLine;

/// <summary>Reads one piece of a line from left to right.</summary>
internal sealed class QuickPiece(QuickWords words, UnitPreference units, int evaporatorFans, string line, List<QuickToken> tokens)
    : QuickCursor(words, line, tokens)
{
    private const double MostKg = 5000;

    private readonly List<(int Start, int End, QuickItem Item)> found = [];

    private sealed record State(FactState[] Meanings, bool IsTurned);

    internal IEnumerable<QuickItem> Read()
    {
        while (At < Tokens.Count)
        {
            var start = At;
            if (IsIn(Words.Fillers, At))
            {
                At++;
                continue;
            }

            var item = Next();
            found.Add((start, Math.Max(At, start + 1), item));
            At = Math.Max(At, start + 1);
        }

        return Joined();
    }

    /// <summary>What stands right beside something unclear is unclear with it.</summary>
    private IEnumerable<QuickItem> Joined()
    {
        for (var i = 0; i < found.Count;)
        {
            var last = i;
            while (last + 1 < found.Count && (found[last].Item is QuickUnclear || found[last + 1].Item is QuickUnclear))
                last++;
            if (last == i)
            {
                yield return found[i].Item;
            }
            else
            {
                var unclear = found.Skip(i).Take(last - i + 1).Select(f => f.Item).OfType<QuickUnclear>().First();
                yield return unclear with { Text = Slice(found[i].Start, found[last].End) };
            }

            i = last + 1;
        }
    }

    private QuickItem Next()
    {
        var start = At;
        return Saying() ?? Weighed() ?? Evacuated() ?? NumberFirst() ?? Reading() ?? Rewound(start, StateFirst)
            ?? Rewound(start, Turned) ?? Observation() ?? ValueMissing() ?? Unknown(start);
    }

    private QuickItem? Rewound(int start, Func<QuickItem?> read)
    {
        var item = read();
        if (item is null)
            At = start;
        return item;
    }

    /// <summary>"comp hums": a phrase that says fact and state in one.</summary>
    private QuickObservation? Saying()
    {
        var start = At;
        if (!Phrase(Words.Sayings, out var said))
            return null;
        var runTime = RunTimeHere();
        return new(Slice(start, At), said.Fact, null, said.State, runTime);
    }

    /// <summary>"added 60 g", "recovered 2 lb 12 oz".</summary>
    private QuickItem? Weighed()
    {
        var start = At;
        if (!Phrase(Words.Weighed, out var sign))
            return null;
        SkipFillers();
        var (massKg, parts) = (0.0, 0);
        while (At + 1 < Tokens.Count && Tokens[At].IsNumber && !Tokens[At + 1].IsNumber
            && QuantityReader.Number(Tokens[At].Word) is > 0 and var number
            && Unit.Find(Tokens[At + 1].Word, QuantityKind.Mass) is { Kind: QuantityKind.Mass } unit)
        {
            massKg += number * unit.Scale;
            parts++;
            At += 2;
        }

        var named = parts > 0 && At < Tokens.Count ? RefrigerantCatalogue.Find(Tokens[At].Word) : null;
        At += named is null ? 0 : 1;
        return parts is 1 or 2 && massKg is > 0 and <= MostKg
            ? new QuickRefrigerant(Slice(start, At), sign * massKg) { Refrigerant = named?.Name ?? "" }
            : new QuickUnclear(Slice(start, Math.Max(At, start + 1)), QuickProblem.UnknownWords);
    }

    /// <summary>"vacuum 40 Pa", "evacuated to 300 micron"; without a value and a unit it says nothing.</summary>
    private QuickVacuum? Evacuated()
    {
        var start = At;
        if (Phrase(Words.Vacuum, out _) && NumberAt(At) is var (text, next))
        {
            At = next;
            if (At < Tokens.Count && Unit.Find(Tokens[At].Word, QuantityKind.Vacuum) is { Kind: QuantityKind.Vacuum } unit
                && QuantityReader.Read(text + unit.Symbol, QuantityKind.Vacuum, units).Value is { } value)
            {
                At++;
                return new(Slice(start, At), value);
            }
        }

        At = start;
        return null;
    }

    /// <summary>"21 psi on the low side", at the beginning of a piece.</summary>
    private QuickReading? NumberFirst()
    {
        if (found.Count > 0 || NumberAt(At) is not var (text, next))
            return null;
        var start = At;
        At = next;
        var unit = UnitHere();
        SkipAll(Words.Prepositions);
        if (Phrase(Words.Points, out var point) && NumberAt(At) is null
            && QuantityReader.Read(text + unit, point.Kind(), units).Value is { } value)
            return new(Slice(start, At), point, value);
        At = start;
        return null;
    }

    /// <summary>"suc 1.2", "box is at -18.5 °C".</summary>
    private QuickItem? Reading()
    {
        var start = At;
        if (!Phrase(Words.Points, out var point))
            return null;
        SkipFillers();
        SkipBeforeNumber();
        if (NumberAt(At) is not var (text, next))
        {
            At = start;
            return null;
        }

        At = next;
        var unit = UnitHere();
        // A word glued to the number was meant as its unit, known or not.
        if (unit.Length == 0 && At < Tokens.Count && !Tokens[At].IsNumber && Tokens[At].Start == Tokens[At - 1].End)
            unit = Tokens[At++].Word;
        var read = QuantityReader.Read(text + unit, point.Kind(), units);
        return read.Value is { } value ? new QuickReading(Slice(start, At), point, value)
            : new QuickUnclear(Slice(start, At), QuickProblem.BadValue, point, read.Problem);
    }

    /// <summary>"dirty condenser", "no fans running", "ice on the coil".</summary>
    private QuickItem? StateFirst()
    {
        var start = At;
        if (StateHere() is not { IsTurned: false } state)
            return null;
        SkipAll(Words.Prepositions);
        var index = OrdinalHere();
        if (!Phrase(Words.Facts, out var fact) || !state.Meanings.Any(fact.States().Contains))
            return null;
        index ??= IndexHere(fact);
        var end = At;
        SkipFillers();
        if (StateHere() is not null)
            return null;
        At = end;
        return Seen(start, fact, index, state.Meanings, isTurned: false);
    }

    /// <summary>"no fans running", "all fans on".</summary>
    private QuickItem? Turned()
    {
        var start = At;
        var isTurned = TakeNegation();
        var isEvery = Take(Words.Every);
        SkipAll(Words.Prepositions);
        return (isTurned || isEvery) && Observation(isTurned, isEvery) is { } said ? said with { Text = Slice(start, At) } : null;
    }

    /// <summary>"fan 2 off", "door won't close", "comp on for 25 min".</summary>
    private QuickItem? Observation(bool isTurned = false, bool isEvery = false)
    {
        var start = At;
        var index = OrdinalHere();
        if (!Phrase(Words.Facts, out var fact))
        {
            At = start;
            return null;
        }

        index ??= IndexHere(fact);
        SkipFillers();
        isEvery |= Take(Words.Every);
        SkipFillers();
        if (StateHere() is not { } state)
        {
            // "no jumpers" says all there is to say.
            return isTurned && fact.States().Contains(FactState.None)
                ? new QuickObservation(Slice(start, At), fact, null, FactState.None, null)
                : new QuickUnclear(Slice(start, At), QuickProblem.StateMissing);
        }

        // "not all fans run" does not say which.
        var isDoubtful = (isTurned && isEvery) || (isTurned && state.IsTurned) || (isEvery && index is not null);
        return isDoubtful ? new QuickUnclear(Slice(start, At), QuickProblem.StateMissing)
            : Seen(start, fact, index, state.Meanings, isTurned || state.IsTurned);
    }

    private QuickItem Seen(int start, AsFound fact, int? index, FactState[] meanings, bool isTurned)
    {
        var fitting = meanings.Where(fact.States().Contains).ToList();
        if (fitting is not [var straight, ..] || (isTurned ? fact.Opposite(straight) : straight) is not { } seen)
            return new QuickUnclear(Slice(start, At), QuickProblem.StateDoesNotFit);
        if (index is { } fan && (fan < 1 || fan > evaporatorFans))
            return new QuickUnclear(Slice(start, At), QuickProblem.NoSuchFan);
        var runTime = RunTimeHere();
        var end = At;
        SkipAll(Words.Prepositions);
        At = At == Tokens.Count ? At : end;
        return new QuickObservation(Slice(start, end), fact, index, seen, runTime);
    }

    private QuickUnclear? ValueMissing()
    {
        var start = At;
        return Phrase(Words.Points, out var point) ? new(Slice(start, At), QuickProblem.ValueMissing, point) : null;
    }

    private QuickUnclear Unknown(int start)
    {
        At = start + 1;
        while (At < Tokens.Count && !StartsPhrase())
            At++;
        return new(Slice(start, At), QuickProblem.UnknownWords);
    }

    private bool StartsPhrase()
    {
        var start = At;
        var starts = Phrase(Words.Points, out _) || Phrase(Words.Facts, out _);
        At = start;
        return starts;
    }

    private State? StateHere()
    {
        var start = At;
        if (Meanings() is { } plain)
            return new(plain, IsTurned: false);
        if (TakeNegation())
        {
            SkipFillers();
            if (Meanings() is { } turned)
                return new(turned, IsTurned: true);
        }

        At = start;
        return null;
    }
}
