using System.Net;
using KeenEmber.Storage;
using KeenEmber.Web.Edge;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Configuration;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>The machine fails: it is said in plain words, and what was typed is not lost.</summary>
public sealed class MachineFaultTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Technician technician;

    public MachineFaultTests() => technician = new(app);

    public void Dispose()
    {
        technician.Dispose();
        app.Dispose();
    }

    [Fact]
    public async Task A_record_that_another_program_holds_refuses_and_shows_what_was_typed()
    {
        var visit = await technician.StartVisit(await technician.AddUnit());
        var form = (await technician.Open(visit + "/circuit")).Forms.OfType<AngleSharp.Html.Dom.IHtmlFormElement>()
            .First(f => (f.GetAttribute("action") ?? "").Contains("handler=Log", StringComparison.Ordinal));
        using var held = app.Get<Database>().Open();
        using (var hold = held.CreateCommand())
        {
            hold.CommandText = "BEGIN EXCLUSIVE";
            hold.ExecuteNonQuery();
        }

        using var refused = await technician.Send(form, visit + "/circuit", ("line", "suc 1.4, note: oil at the flare"));
        Assert.Equal(HttpStatusCode.ServiceUnavailable, refused.StatusCode);
        var page = await Technician.Page(refused);
        Assert.Contains("holding the record", page.QuerySelector("[data-fault]")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("oil at the flare", page.QuerySelector(".unsaved")!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(13, "full")]
    [InlineData(8, "cannot be written")]
    [InlineData(11, "damaged")]
    [InlineData(26, "damaged")]
    [InlineData(5, "holding")]
    [InlineData(10, "disk")]
    public void Each_fault_of_the_disk_has_its_own_words(int code, string words)
    {
        var fault = new SqliteException("", code);
        Assert.Contains(words, Faults.Advice(fault)!, StringComparison.Ordinal);
        Assert.Equal(503, Faults.Status(fault));
        Assert.Equal(500, Faults.Status(new InvalidOperationException()));
    }

    [Fact]
    public async Task A_clock_behind_the_last_entry_is_said_and_hides_no_reading()
    {
        var visit = await technician.StartVisit(await technician.AddUnit());
        await technician.Log(visit, "suc 1.4");
        app.Clock.Advance(-TimeSpan.FromHours(3));
        await technician.Log(visit, "suc 2.2");
        var page = await technician.Open(visit + "/circuit");
        Assert.NotNull(page.QuerySelector("[data-panel=clock]"));
        Assert.Contains("2.2", page.QuerySelector("[data-point=SuctionPressure]")!.TextContent, StringComparison.Ordinal);
        app.Clock.Advance(TimeSpan.FromHours(3.1));
        Assert.Null((await technician.Open(visit + "/circuit")).QuerySelector("[data-panel=clock]"));
    }

    [Theory]
    [InlineData("abc")]
    [InlineData("0")]
    [InlineData("70000")]
    public void A_bad_port_is_refused(string port) =>
        Assert.Null(StartOptions.Read(new ConfigurationBuilder().AddInMemoryCollection([new("port", port)]).Build()));
}
