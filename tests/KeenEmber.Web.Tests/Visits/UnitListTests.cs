using KeenEmber.Core.Plant;
using KeenEmber.Storage;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>Many units from a table: looked through first, the good lines added, the others said.</summary>
public sealed class UnitListTests : IDisposable
{
    private const string Mixed = """
        Tag;Site;Kind;Refrigerant;Target;Fans;Charge
        F-1;Quillmere Market Hall;walk-in freezer;404a;-20;2;3.2 kg
        K-1;Quillmere Market Hall;Walk-in cooler;R999;+2 °C;1;
        B-1;Harbour Annexe;WalkInCooler;R134a;35 °F;;
        X-1;Quillmere Market Hall;spaceship;R134a;cold;;
        F-1;Quillmere Market Hall;walk-in freezer;404a;-20;2;
        """;

    private readonly TestApp app = new();
    private readonly Technician lead;

    public UnitListTests() => lead = new(app);

    public void Dispose()
    {
        lead.Dispose();
        app.Dispose();
    }

    [Fact]
    public async Task Good_lines_are_added_when_looked_at_and_the_others_say_why_not()
    {
        using var looked = await lead.Send("/equipment/list", "", ("list", Mixed));
        var page = await Technician.Page(looked);
        Assert.Empty(app.Get<EquipmentStore>().All());
        var rows = page.QuerySelectorAll("tbody tr").Select(r => r.TextContent).ToList();
        Assert.Contains("not in the catalogue", rows[1], StringComparison.Ordinal);
        Assert.Contains("“spaceship” is none of", rows[3], StringComparison.Ordinal);
        Assert.Contains("target: This is not a number", rows[3], StringComparison.Ordinal);
        Assert.Contains("has a unit F-1 already", rows[4], StringComparison.Ordinal);
        Assert.Contains("Add 3 units", page.Body!.TextContent, StringComparison.Ordinal);

        using var added = await lead.Send("/equipment/list", "", ("list", Mixed), ("sure", "true"));
        Assert.Contains("3 units added", (await Technician.Page(added)).Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(["B-1", "F-1", "K-1"], app.Get<EquipmentStore>().All().Select(u => u.Tag).Order());
        Assert.Equal(3.2, app.Get<EquipmentStore>().All().First(u => u.Tag == "F-1").Circuit.ChargeKg);
        Assert.Equal(2, app.Get<EquipmentStore>().Sites().Count);

        // Sent again: all are there.
        using var again = await lead.Send("/equipment/list", "", ("list", Mixed), ("sure", "true"));
        Assert.Contains("0 units added", (await Technician.Page(again)).Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(3, app.Get<EquipmentStore>().All().Count);
    }

    [Fact]
    public async Task What_a_list_does_not_say_of_a_circuit_is_as_usual_for_its_kind()
    {
        using var added = await lead.Send("/equipment/list", "", ("sure", "true"), ("list", """
            tag,kind,refrigerant,target,metering
            R-1,reach-in cooler,R290,3,
            R-2,reach-in cooler,R134a,3,expansion valve
            W-1,walk-in cooler,R449A,3,
            """));
        var units = app.Get<EquipmentStore>().All().ToDictionary(u => u.Tag, u => u.MakeUp);
        Assert.Equal(CircuitMakeUp.UsualOf(EquipmentKind.ReachInCooler), units["R-1"]);
        Assert.Equal(Metering.ThermostaticValve, units["R-2"].Metering);
        Assert.Equal((Metering.ThermostaticValve, true), (units["W-1"].Metering, units["W-1"].Has(CircuitParts.Receiver)));
    }

    [Theory]
    [InlineData("", "An empty list")]
    [InlineData("tag,kind,refrigerant,target", "no units under them")]
    [InlineData("tag,kind\nF-1,walk-in freezer", "There is no column “refrigerant”")]
    [InlineData("tag,kind,refrigerant,target,colour\nF-1,walk-in freezer,R404A,-20,blue", "“colour” is no column")]
    public async Task A_list_that_is_none_says_so_and_keeps_what_was_pasted(string list, string said)
    {
        using var answer = await lead.Send("/equipment/list", "", ("list", list));
        var page = await Technician.Page(answer);
        Assert.Contains(said, page.QuerySelector("#list-error")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(list, page.QuerySelector("#list")!.TextContent.Replace("\r", "", StringComparison.Ordinal));
    }
}
