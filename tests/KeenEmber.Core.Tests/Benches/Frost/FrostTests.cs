using KeenEmber.Core.Benches.Frost;

namespace KeenEmber.Core.Tests.Benches.Frost;

public class FrostTests
{
    private static FrostPicture Face(Func<int, int, bool> frosted, char how = '1') => FrostPicture.AllClear with
    {
        Face = string.Concat(
            Enumerable.Range(0, FrostPicture.Rows * FrostPicture.Columns)
            .Select(i => frosted(i / FrostPicture.Columns, i % FrostPicture.Columns) ? how : '0')),
    };

    private static IEnumerable<string> Codes(FrostPicture picture) => FrostPatterns.Find(picture).Select(f => f.Code);

    public static TheoryData<string, FrostPicture> Patterns => new()
    {
        { FrostPatterns.Even, Face((_, _) => true, '2') },
        { FrostPatterns.Even, Face((r, c) => (r + c) % 5 != 0) },
        { FrostPatterns.InletOnly, Face((_, c) => c < 2) },
        { FrostPatterns.InletOnly, Face((_, c) => c == 0, '2') },
        { FrostPatterns.BottomOnly, Face((r, _) => r == 3, '2') },
        { FrostPatterns.BottomOnly, Face((r, _) => r >= 2) },
        { FrostPatterns.TopOnly, Face((r, _) => r == 0) },
        { FrostPatterns.BehindOneFan, Face((_, c) => c is 4 or 5, '2') },
        { FrostPatterns.BehindOneFan, Face((r, c) => c is 2 or 3 && r > 0) },
        { FrostPatterns.Clear, FrostPicture.AllClear },
    };

    [Theory]
    [MemberData(nameof(Patterns))]
    public void A_pattern_is_named(string code, FrostPicture picture) => Assert.Equal([code], Codes(picture));

    [Fact]
    public void Two_causes_at_once_are_both_named() =>
        Assert.Equal([FrostPatterns.BottomOnly, FrostPatterns.BehindOneFan], Codes(Face((r, c) => r == 3 || c >= 4, '2')));

    [Fact]
    public void A_few_cells_here_and_there_are_no_pattern() =>
        Assert.Empty(Codes(Face((r, c) => (r, c) is (0, 0) or (2, 3) or (3, 5) or (1, 1) or (1, 4))));

    [Theory]
    [InlineData(FrostPlace.SuctionLine, FrostPatterns.SuctionLine)]
    [InlineData(FrostPlace.DrainPan, FrostPatterns.DrainPan)]
    [InlineData(FrostPlace.Ceiling, FrostPatterns.Ceiling)]
    [InlineData(FrostPlace.Door, FrostPatterns.Door)]
    public void Frost_at_a_place_around_is_named_with_what_the_face_says(FrostPlace place, string code)
    {
        var around = new string([.. Enum.GetValues<FrostPlace>().Select(p => p == place ? '1' : '0')]);
        Assert.Equal([FrostPatterns.Even, code], Codes(Face((_, _) => true) with { Around = around }));
    }

    [Fact]
    public void A_valve_may_be_frosted_but_not_be_a_ball_of_ice()
    {
        Assert.Empty(Codes(FrostPicture.AllClear with { Around = "10000" }));
        Assert.Equal([FrostPatterns.ValveBall], Codes(FrostPicture.AllClear with { Around = "20000" }));
    }

    [Theory]
    [InlineData(null, "00000")]
    [InlineData("0", "00000")]
    [InlineData("000000000000000000000003", "00000")]
    [InlineData("000000000000000000000000", "0000")]
    public void What_is_no_picture_is_refused(string? face, string around) => Assert.Null(FrostPicture.Read(face, around));

    [Fact]
    public void Two_pictures_are_compared_cell_by_cell()
    {
        var before = Face((_, c) => c < 2, '2');
        Assert.Equal(8, before.Differs(FrostPicture.AllClear));
        Assert.Equal(0, before.Differs(FrostPicture.Read(before.Face, before.Around)!));
        Assert.Equal(1.0 / 3, before.Share((_, _) => true), 1e-9);
        Assert.Equal(FrostState.Ice, before.At(3, 1));
    }
}
