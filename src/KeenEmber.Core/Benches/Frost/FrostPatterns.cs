using KeenEmber.Core.Findings;

namespace KeenEmber.Core.Benches.Frost;

/// <summary>What a frost picture says. The pattern is evidence: where the frost is tells infiltration from defrost from feeding.</summary>
/// <remarks>Source: trade practice. More than one may stand.</remarks>
public static class FrostPatterns
{
    /// <summary>The whole face alike: defrost, air or door; the circuit is probably fed right.</summary>
    public const string Even = "frost.even";

    /// <summary>Only near the inlet: starved.</summary>
    public const string InletOnly = "frost.inlet-only";

    /// <summary>Only low: the drain, or the lower heater.</summary>
    public const string BottomOnly = "frost.bottom-only";

    /// <summary>Only high: the upper heater, or how the heaters lie.</summary>
    public const string TopOnly = "frost.top-only";

    /// <summary>An upright stripe: behind a fan that does not blow.</summary>
    public const string BehindOneFan = "frost.behind-one-fan";

    /// <summary>A ball of ice at the valve.</summary>
    public const string ValveBall = "frost.ball-at-the-valve";

    /// <summary>Frost on the suction line.</summary>
    public const string SuctionLine = "frost.on-the-suction-line";

    /// <summary>Ice in the drain pan.</summary>
    public const string DrainPan = "frost.in-the-drain-pan";

    /// <summary>On ceiling and walls: defrost runs far past clear and its vapour freezes in the room.</summary>
    public const string Ceiling = "frost.on-the-ceiling";

    /// <summary>Frost at the door.</summary>
    public const string Door = "frost.at-the-door";

    /// <summary>No ice where none should be.</summary>
    public const string Clear = "frost.clear";

    /// <summary>A part counts as frosted from here, and as clear up to here.</summary>
    private const double Mostly = 0.75;
    private const double Hardly = 0.15;

    private static readonly (FrostPlace Place, string Code)[] Places =
    [
        (FrostPlace.Valve, ValveBall), (FrostPlace.SuctionLine, SuctionLine), (FrostPlace.DrainPan, DrainPan),
            (FrostPlace.Ceiling, Ceiling), (FrostPlace.Door, Door),
    ];

    /// <summary>What a picture shows.</summary>
    public static IReadOnlyList<Finding> Find(FrostPicture picture)
    {
        var findings = new List<Finding>();
        findings.AddRange(OfFace(picture).Select(code => Of(code, picture)));
        // A valve's own frost is normal; a ball of ice is not.
        findings.AddRange(
            Places.Where(p => p.Place == FrostPlace.Valve ? picture.At(p.Place) == FrostState.Ice : picture.At(p.Place) != FrostState.Clear)
            .Select(p => Of(p.Code, picture)));
        if (findings.Count == 0 && picture == FrostPicture.AllClear)
            findings.Add(Of(Clear, picture));
        return findings;
    }

    private static Finding Of(string code, FrostPicture picture) =>
        new(code, Strength.Fair, [], new Dictionary<string, double> { ["FaceShare"] = picture.Share((_, _) => true) });

    private sealed record Part(string Code, Func<int, int, bool> Holds);

    private static readonly Part[] Parts =
    [
        new(InletOnly, (_, c) => c < 2), new(InletOnly, (_, c) => c < 1),
        new(BottomOnly, (r, _) => r >= FrostPicture.Rows - 1), new(BottomOnly, (r, _) => r >= FrostPicture.Rows - 2),
        new(TopOnly, (r, _) => r < 1), new(TopOnly, (r, _) => r < 2),
        .. from first in Enumerable.Range(1, FrostPicture.Columns - 1)
           from width in Enumerable.Range(1, 3)
           where first + width <= FrostPicture.Columns
           select new Part(BehindOneFan, (_, c) => c >= first && c < first + width),
    ];

    /// <summary>The whole face, or the part that is frosted while the rest is clear, or two such parts together; none for anything
    /// else.</summary>
    private static IReadOnlyList<string> OfFace(FrostPicture picture)
    {
        if (picture.Share((_, _) => true) >= Mostly)
            return [Even];
        bool RestIsClear(Func<int, int, bool> part) => picture.Share((r, c) => !part(r, c)) <= Hardly;
        var frosted = Parts.Where(p => picture.Share(p.Holds) >= Mostly).ToList();
        if (frosted.Find(p => RestIsClear(p.Holds)) is { } one)
            return [one.Code];
        foreach (var (first, index) in frosted.Select((p, i) => (p, i)))
        {
            if (frosted.Skip(index + 1)
                .FirstOrDefault(p => p.Code != first.Code && RestIsClear((r, c) => first.Holds(r, c) || p.Holds(r, c))) is { } second)
                return [first.Code, second.Code];
        }

        return [];
    }
}
