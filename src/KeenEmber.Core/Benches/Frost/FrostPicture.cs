namespace KeenEmber.Core.Benches.Frost;

/// <summary>What is on a spot.</summary>
public enum FrostState
{
    /// <summary>Nothing.</summary>
    Clear,

    /// <summary>Frost.</summary>
    Frost,

    /// <summary>Ice.</summary>
    Ice,
}

/// <summary>Places beside the coil's face where frost tells something.</summary>
public enum FrostPlace
{
    /// <summary>At the expansion valve.</summary>
    Valve,

    /// <summary>On the suction line.</summary>
    SuctionLine,

    /// <summary>In the drain pan.</summary>
    DrainPan,

    /// <summary>On the ceiling.</summary>
    Ceiling,

    /// <summary>At the door.</summary>
    Door,
}

/// <summary>The coil's face seen from the air's entering side, as a grid of passes (rows, top first) and sections (columns, the inlet's
/// side first), and the places around it.</summary>
/// <param name="Face">One digit a cell, row by row: 0 clear, 1 frost, 2 ice.</param>
/// <param name="Around">One digit a place, in the order of <see cref="FrostPlace"/>.</param>
public sealed record FrostPicture(string Face, string Around)
{
    /// <summary>Rows of spots on the coil's face.</summary>
    public const int Rows = 4;

    /// <summary>Columns of spots on the coil's face.</summary>
    public const int Columns = 6;

    /// <summary>A picture without frost.</summary>
    public static readonly FrostPicture AllClear = new(new('0', Rows * Columns), new('0', Enum.GetValues<FrostPlace>().Length));

    /// <summary>A picture from two strings of digits; null when they are not a picture.</summary>
    public static FrostPicture? Read(string? face, string? around)
    {
        static bool Fits(string? text, int length) => text?.Length == length && text.All(c => c is >= '0' and <= '2');
        return Fits(face, AllClear.Face.Length) && Fits(around, AllClear.Around.Length) ? new(face!, around!) : null;
    }

    /// <summary>What is on a spot of the face; the bounds are <see cref="Rows"/> and <see cref="Columns"/>.</summary>
    public FrostState At(int row, int column) => (FrostState)(Face[row * Columns + column] - '0');

    /// <summary>What is at a place beside the face.</summary>
    public FrostState At(FrostPlace place) => (FrostState)(Around[(int)place] - '0');

    /// <summary>Share of the cells of a part of the face that are not clear, 0 to 1.</summary>
    public double Share(Func<int, int, bool> part)
    {
        var cells = Enumerable.Range(0, Rows).SelectMany(r => Enumerable.Range(0, Columns), (r, c) => (r, c)).Where(x => part(x.r, x.c))
            .ToList();
        return cells.Count == 0 ? 0 : cells.Count(x => At(x.r, x.c) != FrostState.Clear) / (double)cells.Count;
    }

    /// <summary>Cells that differ from another picture.</summary>
    public int Differs(FrostPicture other) =>
        Face.Zip(other.Face).Count(p => p.First != p.Second) + Around.Zip(other.Around).Count(p => p.First != p.Second);
}
