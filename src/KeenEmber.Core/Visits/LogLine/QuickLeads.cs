using System.Text.RegularExpressions;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Visits.LogLine;

/// <summary>A lead of an electrical part was seen to be damaged.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Component">The part.</param>
/// <param name="State">Rubbed, burnt or wet.</param>
/// <param name="Place">Where on it, in the words that were typed.</param>
public sealed record QuickDamage(string Text, Component Component, FactState State, string Place) : QuickItem(Text);

/// <summary>A part or its lead was put right, and not replaced.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Component">The part.</param>
/// <param name="Named">What it was called.</param>
/// <param name="How">In the words that were typed.</param>
public sealed record QuickMended(string Text, Component Component, string Named, string How) : QuickItem(Text);

/// <summary>Reads pieces that tell of the leads of a part, and of a part that was put right: "heater lead rubbed through at the bracket",
/// "heater lead rerouted", "water valve set".</summary>
/// <param name="partOf">The part that words stand for; null where it is none.</param>
internal sealed partial class QuickLeads(Func<string, Component?> partOf)
{
    private const string Lead = @"(?<part>.+?)\s+(?<lead>leads?|wires?|wiring|cables?|terminals?|plug)(?:\s+(?<number>\d))?";

    /// <summary>Where, up to the next thing that is said.</summary>
    private const string Where = @"(?:\s+(?<where>(?:at|by|on|in|under|behind|near|against|away|clear|with)\s+(?:(?!\band\b)[^,;])+))?";

    private const string DeedOnLead = @"(?:re-?routed|repaired|mended|renewed|replaced|clipped|spliced|sleeved|re-?terminated|re-?made)";

    private const string DoneToLead = DeedOnLead + @"(?:\s+and\s+" + DeedOnLead + ")*";

    [GeneratedRegex("^" + Lead + @"\s+(?:(?:is|are|was|were)\s+)?(?:(?<rubbed>chafed|rubbed|worn)|(?<burnt>burnt|burned|melted|scorched)"
        + @"|(?<wet>wet))(?:\s+through)?" + Where + "$")]
    private static partial Regex Damaged();

    [GeneratedRegex("^" + Lead + @"\s+(?:(?:is|are|was|were)\s+)?(?<how>" + DoneToLead + Where + ")$")]
    private static partial Regex Mended();

    [GeneratedRegex(@"^(?:i\s+)?(?<how>" + DoneToLead + @")\s+(?:the\s+|a\s+)?" + Lead + Where + "$")]
    private static partial Regex Mending();

    private const string DeedOnPart =
        "(?:(?:re-?)?adjusted|set|tightened|cleaned|freed|unblocked|flushed|straightened|refitted|put back|put right)";

    [GeneratedRegex(@"^(?<part>.+?)\s+(?:(?:is|are|was|were)\s+)?(?<how>" + DeedOnPart + @")$|^(?:i\s+)?(?<how>" + DeedOnPart
        + @")\s+(?:the\s+)?(?<part>.+)$")]
    private static partial Regex PutRight();

    /// <returns>Null for a piece that tells of no lead, or of one of a part that is not known.</returns>
    internal QuickItem? Read(string piece, string plain)
    {
        if (Damaged().Match(plain) is { Success: true } seen && PartOf(seen) is { } damaged)
            return new QuickDamage(piece, damaged,
                seen.Groups["rubbed"].Success ? FactState.Rubbed : seen.Groups["burnt"].Success ? FactState.Burnt : FactState.Wet,
                $"{seen.Groups["lead"].Value} {seen.Groups["where"].Value}".TrimEnd());
        if (Mended().Match(plain) is { Success: true } mended && PartOf(mended) is { } part)
            return new QuickMended(piece, part, NameOf(mended), mended.Groups["how"].Value);
        if (Mending().Match(plain) is { Success: true } mending && PartOf(mending) is { } put)
            return new QuickMended(
                piece, put, NameOf(mending), $"{mending.Groups["how"].Value} {mending.Groups["where"].Value}".TrimEnd());
        return PutRight().Match(plain) is { Success: true } right && partOf(right.Groups["part"].Value) is { } whole
            ? new QuickMended(piece, whole, right.Groups["part"].Value, right.Groups["how"].Value) : null;
    }

    private static readonly string[] Named = ["part", "lead", "number"];

    private static string NameOf(Match lead) => string.Join(' ', Named.Select(g => lead.Groups[g].Value).Where(g => g.Length > 0));

    private Component? PartOf(Match told) => partOf($"{told.Groups["part"].Value} {told.Groups["number"].Value}".TrimEnd());
}
