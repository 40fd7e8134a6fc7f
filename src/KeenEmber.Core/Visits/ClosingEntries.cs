using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>How soon a recommendation wants doing.</summary>
public enum RecommendationUrgency
{
    /// <summary>Before leaving.</summary>
    DoNow,

    /// <summary>With a price.</summary>
    Quote,

    /// <summary>Look again next time.</summary>
    Watch,

    /// <summary>For the people who use the unit: no water at the louvres, door shut, stock below the line.</summary>
    Staff,
}

/// <summary>One way to put something right; several of the same <paramref name="Problem"/> are options to choose from.</summary>
/// <param name="Problem">What it is for, in a few words.</param>
/// <param name="Option">What to do.</param>
/// <param name="Parts">What is needed for it; may be empty.</param>
/// <param name="Hours">Working hours, h; null when nobody has said.</param>
/// <param name="PriceFrom">In the company's currency; null when nobody has said.</param>
/// <param name="PriceTo">The same; not less than <paramref name="PriceFrom"/>.</param>
public sealed record RecommendationEntry(
    EntryHeader Header, string Problem, string Option, string Parts, double? Hours, double? PriceFrom, double? PriceTo,
    RecommendationUrgency Urgency) : Entry(Header);

/// <summary>A signature drawn on the screen.</summary>
/// <param name="Name">Of the person who signed.</param>
/// <param name="Strokes">Strokes parted by spaces, each a list of whole x,y pairs on a field of <see cref="Width"/> × <see cref="Height"/>,
/// parted by semicolons; empty when only the name was given.</param>
public sealed record SignatureEntry(EntryHeader Header, string Name, string Strokes) : Entry(Header)
{
    /// <summary>Of the field, in its own units.</summary>
    public const int Width = 600;

    /// <summary>Of the field, in its own units.</summary>
    public const int Height = 200;

    /// <summary>Longer texts are no signature, characters.</summary>
    public const int LongestStrokes = 40_000;

    /// <summary>The strokes as lists of points; null when the text is not strokes.</summary>
    public static IReadOnlyList<IReadOnlyList<(int X, int Y)>>? Read(string strokes)
    {
        if (strokes.Length > LongestStrokes)
            return null;
        var read = new List<IReadOnlyList<(int, int)>>();
        foreach (var stroke in strokes.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var points = new List<(int, int)>();
            foreach (var pair in stroke.Split(';'))
            {
                if (pair.Split(',') is not [var xText, var yText] || !int.TryParse(xText, out var x) || !int.TryParse(yText, out var y)
                    || x is < 0 or > Width || y is < 0 or > Height)
                    return null;
                points.Add((x, y));
            }

            read.Add(points);
        }

        return read;
    }
}
