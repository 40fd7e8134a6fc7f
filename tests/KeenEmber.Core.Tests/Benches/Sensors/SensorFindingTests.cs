using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Sensors;

/// <summary>What a board hands on: codes, order, numbers, next steps, and pressure transducers like any other sensor.</summary>
public sealed class SensorFindingTests
{
    private static readonly SensorCurve Ntc = SensorFamilies.Find("ntc-10k-3435")!;

    private static BoardChannel Channel(string name, double reference, double told, double? shown) =>
        new(name, Ntc, [new(reference, Ntc.SignalAt(told), shown)], 0);

    [Fact]
    public void Codes_are_the_verdicts_in_small_letters_and_no_two_are_alike()
    {
        var codes = Enum.GetValues<SensorVerdict>().Select(SensorFindings.Code).ToList();
        Assert.Equal("sensor.sensor-or-place", SensorFindings.Code(SensorVerdict.SensorOrPlace));
        Assert.Equal("sensor.open", SensorFindings.Code(SensorVerdict.Open));
        Assert.Equal(codes.Count, codes.Distinct().Count());
        Assert.All(codes, c => Assert.Matches("^sensor\\.[a-z-]+$", c));
    }

    [Fact]
    public void The_clearest_fault_comes_first_with_its_numbers_and_what_it_rests_on()
    {
        var entry = Guid.CreateVersion7();
        var board = SensorBoard.Judge([Channel("box", -18, -18.1, -18), Channel("coil", -25, -21, -21), Channel("line", -5, 9, 9)], new());
        var findings = SensorFindings.Of(board, c => c.Name == "line" ? [entry] : []);
        Assert.Equal(["line", "coil"], findings.Select(f => f.About[0].Id));
        Assert.Equal(entry, Assert.Single(findings[0].Basis));
        Assert.Equal(14, findings[0].Values["error"], 1e-9);
        Assert.Equal(9, findings[0].Values["told"], 1e-6);
        Assert.Equal(["ice-bath"], findings[0].WouldConfirm);
    }

    [Fact]
    public void A_curve_that_explains_it_is_named_beside_the_sensor()
    {
        var wrong = SensorFamilies.Find("ntc-5k-3977")!;
        SensorPoint Read(double at) => new(at, Ntc.SignalAt(at), wrong.ValueOf(Ntc.SignalAt(at)));
        var board = SensorBoard.Judge([new("box", Ntc, [Read(-18), Read(5)], 0)], new());
        var named = Assert.Single(SensorFindings.Of(board, _ => []));
        Assert.Equal(("box", "ntc-5k-3977"), (named.About[0].Id, named.Detail));
    }

    [Fact]
    public void An_open_sensors_error_without_end_is_no_number()
    {
        var board = SensorBoard.Judge([new("box", Ntc, [new(-18, double.PositiveInfinity, null)])], new());
        var finding = Assert.Single(SensorFindings.Of(board, _ => []));
        Assert.Equal("sensor.open", finding.Code);
        Assert.False(finding.Values.ContainsKey("error"));
    }

    [Fact]
    public void A_good_board_says_nothing()
    {
        var board = SensorBoard.Judge([Channel("box", -18, -18.1, -18), Channel("coil", -25, -25.2, -25)], new());
        Assert.Empty(SensorFindings.Of(board, _ => []));
        Assert.False(board.HasSwap);
        Assert.Empty(board.Order);
    }

    [Fact]
    public void Pressure_transducers_are_compared_in_kilopascals()
    {
        var item =
            new CurveSpec(Points: [new(4, 0), new(20, 3000)], Signal: SignalKind.Milliampere, Measures: QuantityKind.Pressure).Curve!;
        var accuracy = new CheckAccuracy(SignalShare: 0.005);
        Assert.Equal(SensorVerdict.Good, ThreeWayCheck.Judge(item, [new(300, item.SignalAt(310), 312)], accuracy).Verdict);
        var off = ThreeWayCheck.Judge(item, [new(300, item.SignalAt(520), 521)], accuracy);
        Assert.Equal((SensorVerdict.SensorOrPlace, 221), (off.Verdict, off.Error));
        Assert.Equal(SensorVerdict.ControllerSide, ThreeWayCheck.Judge(item, [new(300, item.SignalAt(303), 700)], accuracy, 0).Verdict);
        Assert.Null(SensorSlips.Find(item, new(300, item.SignalAt(520), 521)));
    }

    [Theory]
    [InlineData(SensorVerdict.SensorOrPlace, SensorStep.CheckSeat, SensorStep.IceBath)]
    [InlineData(SensorVerdict.Misplaced, SensorStep.CheckSeat)]
    [InlineData(SensorVerdict.Drifted, SensorStep.ReplaceSensor)]
    [InlineData(SensorVerdict.WrongType, SensorStep.SetCurve, SensorStep.ReplaceSensor)]
    [InlineData(SensorVerdict.Shorted, SensorStep.RepairWire, SensorStep.ReplaceSensor)]
    [InlineData(SensorVerdict.WrongCurve, SensorStep.SetCurve)]
    [InlineData(SensorVerdict.OffsetParameter, SensorStep.SetOffset)]
    [InlineData(SensorVerdict.ControllerSide, SensorStep.CheckInputAndWire)]
    [InlineData(SensorVerdict.Swapped, SensorStep.WarmByHand, SensorStep.SwapBack)]
    [InlineData(SensorVerdict.Good)]
    public void Each_verdict_has_its_next_steps(SensorVerdict verdict, params SensorStep[] steps) =>
        Assert.Equal(steps, SensorSteps.For(new(verdict, 1, 3, null, []), byElimination: false, isWet: false, wholeSet: true));

    [Fact]
    public void What_is_not_settled_asks_for_the_missing_way_and_a_pair_by_elimination_for_a_bath()
    {
        Assert.Equal([SensorStep.MeasureAtLeads, SensorStep.ReadController, SensorStep.TakeReference, SensorStep.LookUpOffset],
            SensorSteps.For(
                new(SensorVerdict.Unsettled, null, 0, null, ["signal", "shown", "reference", "offset-parameter"]), false, false, true));
        Assert.Equal(SensorStep.IceBath, SensorSteps.For(new(SensorVerdict.Swapped, 1, 3, null, []), byElimination: true, false, true)[^1]);
        Assert.Equal(
            [SensorStep.WarmBath, SensorStep.ReplaceSensor],
            SensorSteps.For(new(SensorVerdict.SensorOffset, 1, 3, null, ["warm-bath"]), false, false, true));
    }
}
