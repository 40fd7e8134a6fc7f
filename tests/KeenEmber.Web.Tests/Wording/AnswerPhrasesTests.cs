using KeenEmber.Core.Diagnosis;
using KeenEmber.Words;

namespace KeenEmber.Web.Tests.Wording;

/// <summary>Phrases of the log line that answer a test of the diagnosis.</summary>
public sealed class AnswerPhrasesTests : IDisposable
{
    private readonly TestApp app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public void Each_is_an_answer_that_the_table_has()
    {
        var table = DiagnosisTable.Shipped.Observables.ToDictionary(o => o.Code);
        Assert.True(AnswerPhrases.All.Count > 120, $"{AnswerPhrases.All.Count} phrases");
        Assert.All(AnswerPhrases.All.Values, a => Assert.Contains(a.Answer, table[a.Observable].Answers));
        Assert.All(AnswerPhrases.All.Keys, p => Assert.Equal(p.Trim().ToLowerInvariant(), p));
    }

    [Theory]
    [InlineData("Liquid line  HOT", "liquid line by hand: hot")]
    [InlineData("no air from the condenser", "air leaving the condenser: none")]
    [InlineData("relay open both ways up", "start relay: open")]
    [InlineData("both fans are stuck in ice", "fan motor turned by hand, locked out: locked")]
    [InlineData("209 V across the stat", "thermostat while the box is warm: open")]
    [InlineData("0 volts at the heaters", "voltage at the heaters in defrost: dead")]
    [InlineData("the start relay is good", "start relay: good")]
    [InlineData("no air from the cond", "air leaving the condenser: none")]
    [InlineData("cools at once after a night off", "after a night off it cools at once, then fades")]
    public async Task What_is_typed_is_on_record_and_weighed(string line, string said)
    {
        using var isolde = new Technician(app);
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        await isolde.Log(visit, $"box -14, {line}");
        Assert.Contains(said, (await isolde.Open(visit + "/record")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains(said, (await isolde.Open(visit + "/diagnosis")).QuerySelector(".fact-places")!.TextContent,
            StringComparison.Ordinal);
    }
}
