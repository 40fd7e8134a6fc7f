using System.Text.Json;
using KeenEmber.Application;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;

namespace KeenEmber.Web.Tests.DummyBench;

/// <summary>
/// What adding a bench takes: the two files beside this one and, in the house, a line in BenchList (here: two registrations).
/// Everything else finds it.
/// </summary>
public sealed class DummyBenchTests : IAsyncLifetime
{
    private readonly TestApp plain = new();
    private WebApplicationFactory<Program> app = null!;
    private Technician isolde = null!;
    private string unit = "";
    private string visit = "";

    public async ValueTask InitializeAsync()
    {
        app = plain.WithWebHostBuilder(
            host => host.ConfigureServices(s => s.AddSingleton<IBench, SealBench>().AddSingleton<BenchText, SealBenchText>()));
        isolde = new(plain, app.CreateClient(new() { AllowAutoRedirect = false }));
        unit = await isolde.AddUnit();
        visit = await isolde.StartVisit(unit);
        Note("hinge side", 2.5);
    }

    public ValueTask DisposeAsync()
    {
        isolde.Dispose();
        app.Dispose();
        plain.Dispose();
        return ValueTask.CompletedTask;
    }

    private Guid VisitId => Guid.Parse(visit.Split('/')[^1]);

    private void Note(string side, double mm) => app.Services.GetRequiredService<VisitDesk>()
        .Append([new SealEntry(new(Guid.CreateVersion7(), VisitId, plain.Clock.Now, plain.Clock.Now, "Isolde Marrin"), side, mm)]);

    [Fact]
    public async Task It_speaks_in_the_panel_and_asks_there()
    {
        var page = await isolde.Open(visit + "/circuit");
        Assert.Equal("A door seal gapes.", page.QuerySelector(".stands")!.FirstChild!.TextContent.Trim());
        Assert.Equal("Seals. The seal gapes by 2.5 mm at the hinge side.", page.QuerySelector("[data-code='seal.leaks']")!.TextContent);
        Assert.Equal("Seat the seal at the hinge side", page.QuerySelector(".next .step")!.TextContent);
    }

    [Fact]
    public async Task It_has_its_station_on_the_rail_between_those_of_the_others()
    {
        var page = await isolde.Open(visit + "/circuit");
        Assert.Equal(
            ["Diagnosis", "Frost", "Seals", "Circuit"],
            page.QuerySelectorAll(".rail .station").Select(s => s.FirstChild!.TextContent.Trim()).Skip(1).Take(4));
    }

    [Fact]
    public async Task Its_finding_is_in_the_report_and_its_entry_in_the_record()
    {
        Assert.Contains(
            "The seal gapes by 2.5 mm at the hinge side.", (await isolde.Open(visit + "/report")).Body!.TextContent,
            StringComparison.Ordinal);
        Assert.Contains(
            "seal at the hinge side: 2.5 mm", (await isolde.Open(visit + "/record")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("The seal gapes", (await isolde.Open(visit + "/close")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_it_measured_is_remembered_and_what_it_found_is_told_to_the_next_visit()
    {
        plain.Clock.Advance(TimeSpan.FromDays(2));
        visit = await isolde.StartVisit(unit);
        Note("hinge side", 0.2);
        Assert.Contains(
            "The seal gapes by 2.5 mm", (await isolde.Open(visit + "/look")).QuerySelector("[data-brief='not-explained']")!.TextContent,
            StringComparison.Ordinal);
        var trend = (await isolde.Open(unit + "/history")).QuerySelector("[data-trend='seal.gap']")!;
        Assert.Equal(
            "Gap of the seal 0.2 mm",
            string.Join(' ', trend.QuerySelector("h3")!.TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)));
    }

    [Fact]
    public async Task The_search_finds_its_words_and_the_start_page_says_how_it_stands()
    {
        Assert.Contains("hinge side", (await isolde.Open("/search?q=hinge")).QuerySelector("main")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("A door seal gapes.", (await isolde.Open("/")).QuerySelector(".board")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_api_gives_its_judgement()
    {
        var answer =
            JsonDocument.Parse(
            await isolde.Http.GetStringAsync($"/api/visits/{VisitId}", TestContext.Current.CancellationToken)).RootElement;
        var seals = answer.GetProperty("benches").EnumerateArray().Single(b => b.GetProperty("bench").GetString() == "seals");
        Assert.Equal("seal.leaks", seals.GetProperty("now")[0].GetProperty("code").GetString());
        Assert.Equal("seals", answer.GetProperty("next").GetProperty("bench").GetString());
    }
}
