using KeenEmber.Core.Written;
using KeenEmber.Storage;
using KeenEmber.Words.Away;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>A visit that was taken along says what its page says.</summary>
public sealed class AwayVisitTests(DemoWeb demo) : IClassFixture<DemoWeb>
{
    private VisitViews Views => demo.App.Get<VisitViews>();

    private string Written(Guid visit) =>
        WrittenCase.Of(Views.Desk.Load(visit)!.Record, EntryKinds.House, demo.App.Get<RunSeriesStore>().Find);

    private IReadOnlyList<Guid> Visits() => [.. demo.App.Get<EquipmentStore>().All()
        .SelectMany(u => demo.App.Get<VisitStore>().OfEquipment(u.Id)).Select(v => v.Id)];

    [Fact]
    public void Every_visit_of_the_market_stands_away_as_it_stands_on_its_page()
    {
        var visits = Visits();
        Assert.True(visits.Count > 20);
        foreach (var id in visits)
        {
            var page = Views.Open(id)!;
            var away = new AwayVisit(Written(id)).Judge([], page.Now);
            Assert.Equal(page.StandsInWords, away.Stands);
            Assert.Equal(page.Next is { } next ? page.Say(next).Task : "", away.Next);
            Assert.Equal(
                page.Analysis?.Results.Select(r => (page.Name(r.Ref), page.Units.Result(r), CircuitText.Class(r.Validity.Level))) ?? [],
                away.Results.Select(r => (r.Name, r.Value, r.Validity)));
            Assert.Equal(page.Readings.Count, away.Readings.Count);
        }
    }

    [Fact]
    public void The_words_run_in_a_browser_they_know_the_core_alone()
    {
        var references = typeof(AwayVisit).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        Assert.Contains("KeenEmber.Core", references);
        Assert.DoesNotContain(references, n => n is "KeenEmber.Storage" or "KeenEmber.Web" || n.Contains("AspNetCore"));
    }

    [Fact]
    public void What_is_typed_away_counts_like_what_is_logged_and_what_is_wrong_in_it_does_not_stop_it()
    {
        var unit = demo.App.Get<EquipmentStore>().All().First(u => u.Tag == "F-3").Id;
        var begun = demo.App.Clock.Now;
        var written = WrittenCase.Of(Views.Desk.Ahead(unit)!.Record, EntryKinds.House, demo.App.Get<RunSeriesStore>().Find);
        var away = new AwayVisit(written, begun);
        KeptForm Form(string handler, int minute, params (string Field, string Text)[] fields) =>
            new(Guid.CreateVersion7(), handler, begun.AddMinutes(minute), fields.ToDictionary(f => f.Field, f => f.Text));
        KeptForm Line(string line, int minute) => Form("Log", minute, ("line", line));
        KeptForm Point(string point, string value) => Form("Reading", 3, ("point", point), ("value", value));
        var panel = away.Judge(
            [Line("fans on, coil clear, comp on 30 min, wobble 7", 1), Line("suc 1.2, line -24", 2), Point("BoxAir", "-18.5"),
                Point("DischargePressure", "eleven"), Form("Change", 3, ("what", "door gasket"))],
            begun.AddMinutes(4));
        Assert.Equal(["BoxAir", "SuctionLineCoil", "SuctionPressure"], panel.Readings.Select(r => r.Code).Order());
        Assert.Equal(2, panel.Unread);
        var superheat = panel.Results.Single(r => r.Code == "SuperheatCoil");
        Assert.Equal("usable", superheat.Validity);
        Assert.EndsWith(" K", superheat.Value, StringComparison.Ordinal);
        Assert.NotEqual("Nothing to judge yet.", panel.Stands);

        // What can hurt somebody comes before all else here too.
        var smell = away.Judge(
            [Line("suc 1.2, line -24", 1), Form("Fact", 2, ("fact", "Smell"), ("index", ""), ("state", "Burning"))], begun.AddMinutes(4));
        Assert.Equal(0, smell.Unread);
        Assert.Contains("Leave it off", smell.Stands + smell.Next + smell.Why, StringComparison.Ordinal);

        var (understood, items) = away.Understand("suc 1.2, wobble 7", begun.AddMinutes(4));
        Assert.Equal(1, understood);
        Assert.Contains("not understood", items[1], StringComparison.Ordinal);
    }
}
