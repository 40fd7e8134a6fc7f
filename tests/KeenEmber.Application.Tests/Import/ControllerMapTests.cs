using KeenEmber.Application.Import;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Application.Tests.Import;

/// <summary>The company's list of what a controller's values mean.</summary>
public sealed class ControllerMapTests
{
    private static string Of(params string[] lines) => string.Join('\n', [ControllerMap.Headings, .. lines]);

    [Theory]
    [InlineData(",")]
    [InlineData(";")]
    [InlineData("\t")]
    public void Each_kind_is_read_however_it_is_spaced(string separator)
    {
        var (lines, problems) = ControllerMap.Read(Of("*,ai1,sensor,box,°F", "plant-2,p01,Parameter,set point,°C",
            ",p03,parameter,DefrostInterval,h", "*,do1,output,liquid valve,", "", "*,al1,alarm,door open,").Replace(",", separator,
            StringComparison.Ordinal));
        Assert.Empty(problems);
        Assert.Equal([new("*", "ai1", WireKind.Sensor, "box", Unit.Fahrenheit), new("plant-2", "p01", WireKind.Parameter, "SetPoint",
            Unit.Celsius), new("*", "p03", WireKind.Parameter, "DefrostInterval", Unit.Hour),
            new("*", "do1", WireKind.Output, "LiquidValve", null), new WireMeaning("*", "al1", WireKind.Alarm, "door open", null)], lines);
        Assert.Equal((ControllerParameter.SetPoint, ControlOutput.LiquidValve), (lines[1].Parameter, lines[3].Output));
    }

    [Theory]
    [InlineData("*,,sensor,box,°C", MapProblemKind.NoKey)]
    [InlineData("*,a,thing,box,°C", MapProblemKind.Kind)]
    [InlineData("*,a,1,box,°C", MapProblemKind.Kind)]
    [InlineData("*,a,parameter,colour,°C", MapProblemKind.What)]
    [InlineData("*,a,output,,", MapProblemKind.What)]
    [InlineData("*,a,alarm,,", MapProblemKind.What)]
    [InlineData("*,a,parameter,set point,bar", MapProblemKind.Unit)]
    [InlineData("*,a,parameter,differential,", MapProblemKind.Unit)]
    [InlineData("*,a,sensor,box,V", MapProblemKind.Unit)]
    [InlineData("*,p01,alarm,again,", MapProblemKind.Twice)]
    [InlineData("*", MapProblemKind.NoKey)]
    public void What_is_wrong_is_told_by_line(string line, MapProblemKind kind)
    {
        var (lines, problems) = ControllerMap.Read(Of("*,p01,parameter,offset,K", line));
        Assert.Equal((kind, 3), (Assert.Single(problems).Kind, problems[0].Line));
        Assert.Single(lines);
    }

    [Fact]
    public void Nothing_is_an_empty_list_and_other_headings_are_none()
    {
        Assert.Equal((0, 0), (ControllerMap.Read(" \n").Lines.Count, ControllerMap.Read("").Problems.Count));
        Assert.Equal(MapProblemKind.Headings, Assert.Single(ControllerMap.Read("key,what\na,b").Problems).Kind);
        Assert.Equal(MapProblemKind.TooMany, Assert.Single(ControllerMap.Read(Of([.. Enumerable.Range(0, 1001)
            .Select(i => $"*,k{i},alarm,a,")])).Problems).Kind);
    }

    [Fact]
    public void A_line_for_one_controller_goes_before_one_for_all()
    {
        var at = new DateTimeOffset(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);
        var map = ControllerMap.Read(Of("*,p01,parameter,set point,°F", "plant-2,p01,parameter,set point,°C", "*,x,alarm,door,")).Lines;
        var said = new ControllerOnWire("plant-2", "plant 2", [new("zz", at, 1), new("p01", at.AddMinutes(1), -21)]);
        Assert.Equal([(ControllerParameter.SetPoint, new TypedValue(-21, Unit.Celsius))], said.Parameters(map));
        Assert.Equal([true, false], said.Read(map).Select(v => v.Meaning is not null));
        Assert.Equal(at.AddMinutes(1), said.At);
        var other = said with { Id = "plant-3" };
        Assert.Equal([(ControllerParameter.SetPoint, new TypedValue(-21, Unit.Fahrenheit))], other.Parameters(map));
    }
}
