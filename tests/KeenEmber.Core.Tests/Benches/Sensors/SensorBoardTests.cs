using KeenEmber.Core.Benches.Sensors;

namespace KeenEmber.Core.Tests.Benches.Sensors;

public sealed class SensorBoardTests(ITestOutputHelper output)
{
    private static readonly SensorCurve Ntc = SensorFamilies.Find("ntc-10k-3435")!;

    private static BoardChannel Channel(string name, double reference, double told, double? second = null, double? toldThen = null) =>
        new(name, Ntc,
        second is null ? [new(reference, Ntc.SignalAt(told), told)]
            : [new(reference, Ntc.SignalAt(told), told), new(second, Ntc.SignalAt(toldThen!.Value), toldThen, Moment: 1)], 0);

    private static BoardResult Judge(params BoardChannel[] channels) => SensorBoard.Judge(channels, new());

    [Fact]
    public void Two_that_match_each_others_reference_are_swapped()
    {
        var board = Judge(Channel("box", -18, -25.2), Channel("coil", -25, -18.3), Channel("discharge", -22, -22.1));
        Assert.True(board.HasSwap);
        Assert.Equal([SensorVerdict.Swapped, SensorVerdict.Swapped, SensorVerdict.Good], board.Channels.Select(c => c.Result.Verdict));
        Assert.Equal((1, 0), (board.Channels[0].Place, board.Channels[1].Place));
        var finding = Assert.Single(SensorFindings.Of(board, _ => []));
        Assert.Equal("sensor.swapped", finding.Code);
        Assert.Equal(["box", "coil"], finding.About.Select(s => s.Id));
    }

    [Fact]
    public void Of_a_swapped_pair_each_input_is_off_by_what_it_reads_at_its_own_place()
    {
        // The end sensor's input reads the warm place: the defrost ends early, not never.
        var board = Judge(Channel("coil", -25, -12), Channel("box", -12, -25));
        Assert.Equal([SensorVerdict.Swapped, SensorVerdict.Swapped], board.Channels.Select(c => c.Result.Verdict));
        Assert.Equal(13, board.Channels[0].Result.Error!.Value, 1.0);
        Assert.Equal(-13, board.Channels[1].Result.Error!.Value, 1.0);
        Assert.Equal(SensorConsequence.EndsDefrostEarly, SensorConsequences.Of(SensorRole.DefrostEnd,
            board.Channels[0].Result.Error!.Value));
    }

    [Fact]
    public void Two_of_different_families_are_found_swapped_by_each_others_curve()
    {
        var steep = SensorFamilies.Find("ntc-5k-3977")!;
        var (boxOhm, coilOhm) = (Ntc.SignalAt(4), steep.SignalAt(-25));
        var board =
            Judge(new("box", Ntc, [new(4, coilOhm, Ntc.ValueOf(coilOhm))], 0),
            new("coil", steep, [new(-25, boxOhm, steep.ValueOf(boxOhm))], 0));
        Assert.All(board.Channels, c => Assert.Equal((SensorVerdict.Swapped, false), (c.Result.Verdict, c.ByElimination)));
    }

    [Fact]
    public void A_ring_of_three_is_one_finding()
    {
        var board = Judge(Channel("box", -18, -25), Channel("coil", -25, 4), Channel("line", 4, -18));
        Assert.Equal(["box", "coil", "line"], Assert.Single(SensorFindings.Of(board, _ => [])).About.Select(s => s.Id));
    }

    [Fact]
    public void Places_at_one_temperature_cannot_be_told_apart() =>
        Assert.False(Judge(Channel("box", -18, -18.1), Channel("coil", -18.3, -18.2)).HasSwap);

    [Fact]
    public void A_second_round_tells_what_the_first_could_not()
    {
        Assert.False(Judge(Channel("box", -18, -18.2), Channel("coil", -18.3, -18)).HasSwap);
        Assert.True(Judge(Channel("box", -18, -18.2, -16, 9), Channel("coil", -18.3, -18, 9.2, -15.8)).HasSwap);
    }

    [Fact]
    public void One_bad_sensor_beside_a_swapped_pair_is_told_from_it()
    {
        var board = Judge(Channel("box", -18, -25), Channel("coil", -25, -18.1), Channel("discharge", -22, -14));
        Assert.Equal(
            [SensorVerdict.Swapped, SensorVerdict.Swapped, SensorVerdict.SensorOrPlace], board.Channels.Select(c => c.Result.Verdict));
    }

    [Fact]
    public void One_bad_sensor_alone_swaps_nobody()
    {
        var board = Judge(Channel("box", -18, -25), Channel("coil", -25, -25.1));
        Assert.Equal([SensorVerdict.SensorOrPlace, SensorVerdict.Good], board.Channels.Select(c => c.Result.Verdict));
    }

    /// <summary>The figures in docs/numbers.md. A board is right when its first finding names a channel that is at fault, and the
    /// fault.</summary>
    [Fact]
    public void A_thousand_random_boards_are_judged_rightly()
    {
        int boards = 0, firstRight = 0, allRight = 0, good = 0, condemned = 0, faults = 0, named = 0;
        for (var seed = 1; seed <= 1000; seed++)
        {
            var board = new SimulatedBoard(seed);
            if (board.Truth.All(t => t is null))
                continue;
            boards++;
            var result = board.Judge();
            bool Right(int i) => result.Channels[i].Result.Verdict == board.Truth[i];
            if (result.Order.Count > 0 && Right(result.Order[0]))
                firstRight++;
            var all = Enumerable.Range(0, board.Truth.Length).ToList();
            allRight += all.TrueForAll(i => board.Truth[i] is null ? !result.Channels[i].Result.IsFault : Right(i)) ? 1 : 0;
            faults += all.Count(i => board.Truth[i] is not null);
            named += all.Count(i => board.Truth[i] is not null && Right(i));
            // A good sensor: nothing wrong with the sensor itself, wherever it sits and whatever reads it.
            bool IsGood(int i) => board.Truth[i] is null or SensorVerdict.Swapped or SensorVerdict.WrongCurve or SensorVerdict.Misplaced;
            good += all.Count(IsGood);
            condemned += all.Count(i => IsGood(i) && result.Channels[i].Result.CondemnsSensor);
        }

        output.WriteLine(
            $"{boards} boards: first right {firstRight}, everything right {allRight}; {named} of {faults} faults named; {condemned} "
            + $"of {good} good sensors condemned");
        Assert.True(boards > 950);
        Assert.True(firstRight >= 0.95 * boards, $"first right {firstRight} of {boards}");
        Assert.True(named >= 0.95 * faults, $"named {named} of {faults}");
        Assert.True(condemned <= 0.01 * good, $"condemned {condemned} of {good}");
    }
}
