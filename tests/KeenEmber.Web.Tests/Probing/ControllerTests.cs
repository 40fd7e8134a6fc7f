using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using KeenEmber.Core.Simulation;
using KeenEmber.Storage.Gear;

namespace KeenEmber.Web.Tests.Probing;

/// <summary>A controller on the wire: heard from a gateway that may send, understood by the company's list, read into the sheet.</summary>
public sealed class ControllerTests : IDisposable
{
    private const string List = "controller,key,kind,what,unit\n*,ai1,sensor,box,°C\n*,do1,output,compressor,\n*,al1,alarm,door open,\n"
        + "*,p01,parameter,set point,°C\n*,p02,parameter,differential,K\n*,p03,parameter,defrost interval,h";

    private readonly TestApp app = new();
    private readonly Person person;
    private readonly HttpClient gateway;

    public ControllerTests()
    {
        person = new(app);
        gateway = app.Browser();
        var secret = app.Get<ProbeStore>().Add(new(Guid.CreateVersion7(), "van 2", "Isolde Marrin", app.Clock.Now))!;
        gateway.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", secret);
    }

    public void Dispose()
    {
        gateway.Dispose();
        person.Dispose();
        app.Dispose();
    }

    private Task<HttpResponseMessage> Say(string id, DateTimeOffset at, params (string Key, double Value)[] values) =>
        gateway.PostAsJsonAsync($"/api/controllers/{id}/values", new
        {
            name = id.Replace('-', ' '), values = values.Select(v => new { key = v.Key, at, value = v.Value }),
        }, TestContext.Current.CancellationToken);

    private async Task Hear(params (string Key, double Value)[] values)
    {
        using var answer = await Say("plant-2", app.Clock.Now, values);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Fact]
    public async Task Only_a_gateway_is_heard_and_the_later_value_holds()
    {
        await Hear(("p01", -20));
        using (var earlier = await Say("plant-2", app.Clock.Now.AddMinutes(-5), ("p01", -30)))
            Assert.Contains("\"taken\":0", await earlier.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        Assert.Equal(-20, Assert.Single(app.Get<ControllerStore>().Heard(app.Clock.Now.AddMinutes(-1))[0].Values).Value);
        gateway.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", "no secret");
        using var refused = await Say("plant-2", app.Clock.Now, ("p01", 5));
        Assert.Equal(HttpStatusCode.Unauthorized, refused.StatusCode);
    }

    [Theory]
    [InlineData("no id at all", "p01", 1, "id")]
    [InlineData("plant-2", "", 1, "values[0]")]
    [InlineData("plant-2", null, 1, "values")]
    public async Task What_cannot_be_is_refused_by_field(string id, string? key, double value, string field)
    {
        using var answer = await Say(Uri.EscapeDataString(id), app.Clock.Now, key is null ? [] : [(key, value)]);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains($"\"{field}\"", await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public void The_list_is_kept_whole_or_not_at_all()
    {
        person.Go("/probes").Type("#map", List + "\n*,p09,parameter,colour,").Press("Keep the list");
        person.ReadUntil("#map-error", "Line 8: “colour” is not known");
        Assert.Contains("colour", person.Value("#map"), StringComparison.Ordinal);
        Assert.Equal("", app.Get<ControllerStore>().Map());
        person.Type("#map", List).Press("Keep the list");
        Assert.Equal(List, app.Get<ControllerStore>().Map());
    }

    [Fact]
    public async Task What_it_is_set_to_is_as_found_then_as_left_and_a_change()
    {
        app.Get<ControllerStore>().KeepMap(List, "Isolde Marrin", app.Clock.Now);
        await Hear(("ai1", -14.2), ("do1", 1), ("al1", 0), ("p01", -18), ("p02", 3), ("p03", 6), ("x7", 4));
        person.Go("/equipment/new").Type("#tag", "Q-9").Type("#refrigerant", "R404A").Type("#target", "-20")
            .Tap("#kind option[value=WalkInFreezer]").Press("Add this unit");
        person.Type("#author", "Tobin Ashgrove").Type("#complaint", "too warm").Press("Start a visit");
        person.Station("controls").Press("Parameter sheet").Press("plant 2");
        person.ReadUntil("[data-key=ai1]", "-14.2 °C");
        person.ReadUntil("[data-key=do1]", "called");
        person.ReadUntil("[data-key=al1]", "off");
        person.ReadUntil("[data-key=x7]", "4");
        person.Press("Read it into the sheet");
        Assert.Equal("-18.0 °C", person.Value("#AsFound-SetPoint"));
        Assert.Equal("", person.Value("#AsSet-SetPoint"));

        // Read twice it says nothing new.
        person.Press("Read it into the sheet");
        Assert.Equal("", person.Value("#AsSet-SetPoint"));
        app.Clock.Advance(TimeSpan.FromMinutes(5));
        await Hear(("p01", -21), ("p02", 3));
        person.Press("Read it into the sheet");
        Assert.Equal("-21.0 °C", person.Value("#AsSet-SetPoint"));
        Assert.Equal("", person.Value("#AsSet-Differential"));
        person.Station("changes").ReadUntil(".sheet", "-18.0 °C → -21.0 °C");

        // What it said a quarter of an hour ago is no longer what it says.
        app.Clock.Advance(TimeSpan.FromMinutes(20));
        person.Station("controls").Press("Parameter sheet");
        Assert.False(person.SeesNow(".on-wire"));
    }

    /// <summary>Everything the unit in arithmetic says is in the list of the documentation.</summary>
    [Fact]
    public void The_list_of_the_documentation_names_every_value_of_the_unit_in_arithmetic()
    {
        var document = File.ReadAllText(Path.Combine(Wording.RetiredWordsTests.Root(), "docs", "probes.md"));
        var csv = document[document.IndexOf(Application.Import.ControllerMap.Headings, StringComparison.Ordinal)..];
        var (lines, problems) = Application.Import.ControllerMap.Read(csv[..csv.IndexOf("```", StringComparison.Ordinal)]);
        Assert.Empty(problems);
        foreach (var kind in Enum.GetValues<Core.Plant.EquipmentKind>())
            Assert.All(new SimulatedUnit(UnitDesign.Of(kind), 0).OnWire(), v => Assert.Contains(lines, l => l.Key == v.Key));
    }
}
