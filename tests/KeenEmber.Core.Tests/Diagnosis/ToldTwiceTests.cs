using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>What somebody looked at a second time.</summary>
public sealed class ToldTwiceTests
{
    private static readonly Diagnoser Engine = new(DiagnosisTable.Shipped);

    private static double NothingWrong(params Fact[] facts) => Engine.Diagnose(new(
        new(EquipmentKind.WalkInFreezer, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver),
        Temperature.FromCelsius(-20), 2, facts) { Settled = DiagnosisInput.ToldAlike(facts) })
        .Explanations.Where(e => e.Causes.Count == 0).Sum(e => e.Probability);

    /// <summary>One look at something rare may be a mistake; two that agree are hardly one.</summary>
    [Fact]
    public void What_was_seen_twice_is_hardly_a_mistake()
    {
        var gone = new Fact("drain", "blocked");
        Assert.True(NothingWrong(gone, gone) < 0.9 * NothingWrong(gone), $"{NothingWrong(gone)}, {NothingWrong(gone, gone)}");
    }

    [Theory]
    [InlineData("blocked clear", "")]
    [InlineData("blocked blocked", "drain")]
    [InlineData("blocked clear clear", "drain")]
    public void Two_looks_that_differ_settle_nothing(string answers, string settled) => Assert.Equal(
        settled, string.Join(' ', DiagnosisInput.ToldAlike(answers.Split(' ').Select(a => new Fact("drain", a)))));
}
