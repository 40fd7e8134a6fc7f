using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Tests.Plant;

public class PointRefTests
{
    [Fact]
    public void Every_point_and_result_is_found_by_the_name_it_writes()
    {
        Assert.All(MeasuringPoints.InWalkingOrder, p => Assert.Equal(p, PointRef.Find(p.ToString())));
        Assert.All(ResultKinds.InReadingOrder(coils: 3), r => Assert.Equal(r, ResultRef.Parse(r.ToString())));
    }

    [Theory]
    [InlineData("boxair2", MeasuringPoint.BoxAir, 2)]
    [InlineData("SuctionLineCoil", MeasuringPoint.SuctionLineCoil, 1)]
    [InlineData("AirLeaving4", MeasuringPoint.AirLeaving, 4)]
    public void The_number_behind_the_name_is_the_coil(string text, MeasuringPoint point, int coil) =>
        Assert.Equal(new PointRef(point, coil), PointRef.Find(text));

    [Theory]
    [InlineData("SuctionPressure2")]
    [InlineData("BoxAir1")]
    [InlineData("BoxAir0")]
    [InlineData("2")]
    [InlineData("")]
    [InlineData(null)]
    public void What_a_unit_has_once_has_no_number(string? text) => Assert.Null(PointRef.Find(text));

    [Fact]
    public void What_is_at_a_coil_comes_coil_by_coil_and_then_the_rest()
    {
        Assert.Equal(
            ["BoxAir", "AirLeaving", "SuctionLineCoil", "BoxDisplay", "BoxAir2", "AirLeaving2", "SuctionLineCoil2", "BoxDisplay2",
                "SuctionPressure"],
            MeasuringPoints.InWalkingOrder.Take(9).Select(p => p.ToString()));
        Assert.Equal(MeasuringPoint.LiquidLine, MeasuringPoint.LiquidLine.At(2).Point);
        Assert.Equal(1, MeasuringPoint.LiquidLine.At(2).Coil);
    }
}
