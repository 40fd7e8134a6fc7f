using System.Net;
using AngleSharp.Html.Dom;
using KeenEmber.Storage;
using KeenEmber.Storage.Gear;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>Two people change the same thing: neither loses what they typed, and the later one decides knowingly.</summary>
public sealed class LostUpdateTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Technician one;
    private readonly Technician other;

    public LostUpdateTests() => (one, other) = (new(app), new(app));

    public void Dispose()
    {
        one.Dispose();
        other.Dispose();
        app.Dispose();
    }

    private static IHtmlFormElement FormOf(AngleSharp.Dom.IDocument page) =>
        page.Forms.OfType<IHtmlFormElement>().First(f => f.Method == "post");

    private async Task TwoSave(string address, string field, string mine, string theirs)
    {
        var old = await one.Open(address);
        using (var first = await other.Send(address, "", (field, theirs)))
            Assert.Equal(HttpStatusCode.Redirect, first.StatusCode);
        using var clash = await one.Send(FormOf(old), address, (field, mine));
        Assert.Equal(HttpStatusCode.OK, clash.StatusCode);
        var shown = await Technician.Page(clash);
        Assert.Contains(theirs, shown.QuerySelector(".clash")!.TextContent, StringComparison.Ordinal);
        Assert.Contains(mine, shown.QuerySelector(".clash")!.TextContent, StringComparison.Ordinal);
        using var decided = await one.Send(FormOf(shown), address);
        Assert.Equal(HttpStatusCode.Redirect, decided.StatusCode);
        Assert.Equal(mine, FormOf(await other.Open(address)).Elements.OfType<IHtmlInputElement>().First(e => e.Name == field).Value);
    }

    [Fact]
    public async Task A_nameplate_saved_on_an_old_copy_shows_both_and_asks() =>
        await TwoSave(await one.AddUnit() + "/edit", "product", "ice cream", "frozen fish");

    [Fact]
    public async Task Settings_saved_on_an_old_copy_show_both_and_ask() =>
        await TwoSave("/settings", "name", "Marrin Cooling", "Harbour Cooling");

    [Fact]
    public async Task Saving_the_same_twice_asks_nothing()
    {
        var address = await one.AddUnit() + "/edit";
        var old = await one.Open(address);
        for (var n = 0; n < 2; n++)
        {
            using var saved = await one.Send(FormOf(old), address, ("product", "milk"));
            Assert.Equal(HttpStatusCode.Redirect, saved.StatusCode);
        }
    }

    [Fact]
    public async Task A_meters_form_filled_in_anew_and_sent_again_makes_another_meter()
    {
        var old = await one.Open("/instruments");
        foreach (var name in new[] { "T-1", "T-2", "T-2" })
        {
            using var saved = await one.Send(FormOf(old), "/instruments", ("name", name), ("measures", "Temperature"));
            Assert.Equal(HttpStatusCode.Redirect, saved.StatusCode);
        }

        Assert.Equal(["T-1", "T-2"], app.Get<InstrumentStore>().All().Select(i => i.Name).Distinct());
    }

    [Fact]
    public async Task Units_added_to_a_new_site_at_the_same_moment_share_it()
    {
        await Task.WhenAll(one.AddUnit("A-1", "Harbour annex"), other.AddUnit("A-2", "harbour Annex"));
        Assert.Single(app.Get<EquipmentStore>().Sites());
    }
}
