using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits.LogLine;

namespace KeenEmber.Core.Tests.Visits.LogLine;

public class QuickEntryTests
{
    private static readonly QuickWords Words = new(
        new Dictionary<string, PointRef>
        {
            ["suc"] = MeasuringPoint.SuctionPressure, ["line"] = MeasuringPoint.SuctionLineCoil,
                ["suction line"] = MeasuringPoint.SuctionLineCoil,
            ["suction line comp"] = MeasuringPoint.SuctionLineCompressor, ["head"] = MeasuringPoint.DischargePressure,
                ["box"] = MeasuringPoint.BoxAir,
        },
        new Dictionary<string,
            AsFound> { ["fan"] = AsFound.EvaporatorFan, ["fans"] = AsFound.EvaporatorFan, ["coil"] = AsFound.Coil,
            ["comp"] = AsFound.Compressor },
        new[] { ("on", FactState.SwitchedOn), ("on", FactState.Running), ("off", FactState.Stopped), ("iced", FactState.Iced) }.ToLookup(
            s => s.Item1, s => s.Item2),
        new HashSet<string> { "min" }, new HashSet<string> { "h" }, "note", "wiring");

    private static IReadOnlyList<QuickItem> Read(string line) => new QuickEntry(Words, UnitPreference.Metric, 2).Read(line);

    private static (PointRef, double, string) Reading(QuickItem item) =>
        Assert.IsType<QuickReading>(item) is var r ? (r.Point, r.Value.Number, r.Value.Unit.Symbol) : default;

    [Theory]
    [InlineData("suc 1.2, line -16.4, head 14.8")]
    [InlineData("suc 1.2 line -16.4 head 14.8")]
    [InlineData("suc 1,2, line -16,4, head 14,8")]
    [InlineData("SUC 1.2; Line −16.4\nhead=14.8")]
    [InlineData("suc:1.2 bar,line-16.4 °C,head 14.8bar")]
    public void Several_readings_in_one_go_however_they_are_parted(string line) =>
        Assert.Equal(
            [(MeasuringPoint.SuctionPressure, 1.2, "bar"), (MeasuringPoint.SuctionLineCoil, -16.4, "°C"),
                (MeasuringPoint.DischargePressure, 14.8, "bar")],
            Read(line).Select(Reading));

    [Fact]
    public void A_unit_typed_beside_the_number_wins_over_the_shops() =>
        Assert.Equal(
            [(MeasuringPoint.SuctionPressure, 21, "psi"), (MeasuringPoint.BoxAir, 0, "°F"),
            (MeasuringPoint.SuctionPressure, 5, "inHg vac")],
            Read("suc 21 psig box 0F suc 5 in hg").Select(Reading));

    [Fact]
    public void The_longest_name_is_taken() =>
        Assert.Equal(MeasuringPoint.SuctionLineCompressor, Reading(Assert.Single(Read("suction line comp 4"))).Item1);

    /// <summary>Which side's coil; a reading of a side stays a reading, and a side that the unit does not have is not guessed.</summary>
    [Fact]
    public void The_coil_of_a_side_is_that_side_s()
    {
        var sided = Words with
        {
            Sides = new Dictionary<string, int> { ["rail"] = 1, ["base"] = 2 },
            Points = new Dictionary<string, PointRef>(Words.Points) { ["base"] = MeasuringPoint.BoxAir.At(2) },
        };
        var items = new QuickEntry(sided, UnitPreference.Metric, 2).Read("base coil iced, coil rail iced, base 4, base comp on");
        Assert.Equal(
            [(2, FactState.Iced), (1, FactState.Iced)], items.Take(2).Cast<QuickObservation>().Select(o => (o.Index!.Value, o.State)));
        Assert.Equal((MeasuringPoint.BoxAir.At(2), 4, "°C"), Reading(items[2]));
        Assert.IsType<QuickUnclear>(items[3]);
        Assert.IsType<QuickUnclear>(Read("base coil iced")[0]);
    }

    [Fact]
    public void Facts_and_run_time_are_understood()
    {
        var items = Read("fan 2 off, coil iced, comp on 25 min, fans on, comp on 2 h").Cast<QuickObservation>().ToList();
        Assert.Equal((AsFound.EvaporatorFan, 2, FactState.Stopped), (items[0].Fact, items[0].Index, items[0].State));
        Assert.Equal((AsFound.Coil, FactState.Iced), (items[1].Fact, items[1].State));
        Assert.Equal(TimeSpan.FromMinutes(25), items[2].RunTime);
        Assert.Null(items[3].Index);
        Assert.Equal(TimeSpan.FromHours(2), items[4].RunTime);
    }

    [Fact]
    public void A_note_after_other_pieces_goes_to_the_end_of_the_line()
    {
        var items = Read("suc 1.4, line -20, note: oil at the flare, clock in defrost");
        Assert.Equal(3, items.Count);
        Assert.Equal("oil at the flare, clock in defrost", Assert.IsType<QuickNote>(items[2]).Note);
        Assert.IsType<QuickReading>(items[1]);
    }

    [Fact]
    public void A_note_is_the_rest_of_the_line_whatever_it_holds() =>
        Assert.Equal(
            "oil at the flare, suc 1.2 <script>alert(1)</script>",
            Assert.IsType<QuickNote>(Assert.Single(Read("note: oil at the flare, suc 1.2 <script>alert(1)</script>"))).Note);

    [Theory]
    [InlineData("suc", QuickProblem.ValueMissing)]
    [InlineData("suc line", QuickProblem.ValueMissing)]
    [InlineData("suc 21 °C", QuickProblem.BadValue)]
    [InlineData("suc 21stone", QuickProblem.BadValue)]
    [InlineData("suc 9999999999", QuickProblem.BadValue)]
    [InlineData("fan 3 off", QuickProblem.NoSuchFan)]
    [InlineData("fan 1", QuickProblem.StateMissing)]
    [InlineData("fan 1 iced", QuickProblem.StateDoesNotFit)]
    [InlineData("gibberish 12", QuickProblem.UnknownWords)]
    [InlineData("12", QuickProblem.UnknownWords)]
    public void What_is_not_understood_says_why(string line, QuickProblem problem) =>
        Assert.Equal(problem, Assert.IsType<QuickUnclear>(Read(line)[0]).Problem);

    [Fact]
    public void The_rest_of_a_line_is_still_understood()
    {
        var items = Read("suc 1.2, wobble 4, box -18");
        Assert.Equal(["suc 1.2", "wobble 4", "box -18"], items.Select(i => i.Text));
        Assert.IsType<QuickUnclear>(items[1]);
        Assert.IsType<QuickReading>(items[2]);
    }

    [Fact]
    public void A_huge_paste_is_refused_whole()
    {
        Assert.Equal(
            QuickProblem.LineTooLong,
            Assert.IsType<QuickUnclear>(Assert.Single(Read(string.Concat(Enumerable.Repeat("suc 1 ", 100_000))))).Problem);
        Assert.Equal(
            QuickProblem.TooManyEntries,
            Assert.IsType<QuickUnclear>(Assert.Single(Read(string.Concat(Enumerable.Repeat("suc 1 ", 60))))).Problem);
    }

    [Fact]
    public void Nothing_typed_is_nothing_said() => Assert.Empty(Read("  , ; \n "));

    [Fact]
    public void Whatever_is_typed_every_piece_of_the_answer_is_a_piece_of_the_line() =>
        Check.QuickThrowOnFailure(Prop.ForAll(ArbMap.Default.ArbFor<string>(), text =>
            new QuickEntry(Words, UnitPreference.Us, 1).Read(text)
                .All(item => item.Text.Length > 0 && text.Contains(item.Text, StringComparison.Ordinal))));
}
