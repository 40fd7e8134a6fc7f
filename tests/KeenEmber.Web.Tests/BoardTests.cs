using KeenEmber.Application;
using KeenEmber.Core.Cases;
using KeenEmber.Storage;

namespace KeenEmber.Web.Tests;

/// <summary>How the units stand, as the lists have it and as a unit's own page has it.</summary>
public sealed class BoardTests(DemoWeb web) : IClassFixture<DemoWeb>
{
    [Fact]
    public void Lists_get_earlier_visits_in_brief_and_the_unit_gets_them_in_full()
    {
        var (board, standings) = (web.App.Get<Board>(), web.App.Get<StandingStore>());
        var unit = web.App.Get<EquipmentStore>().All().First(u => u.Tag == "C-1").Id;
        var before = board.Of(unit);
        standings.MadeBy("rules of another day");

        var listed = board.Of(unit, forLists: true);
        var looked = board.Of(unit);

        Assert.True(listed.Visits.Count > 1);
        Assert.All(listed.Visits, (v, i) => Assert.Equal(i > 0, v.IsInBrief));
        Assert.All(looked.Visits, v => Assert.False(v.IsInBrief));
        Assert.Equal(before.Visits.Select(v => v.Stands.Code), looked.Visits.Select(v => v.Stands.Code));
        Assert.Equal(listed.Visits[0].Stands.Code, looked.Visits[0].Stands.Code);
        Assert.Equal(listed.Visits.Select(v => (v.RootCause, v.IsSignedOff, v.Results.Count)),
            looked.Visits.Select(v => (v.RootCause, v.IsSignedOff, v.Results.Count)));
        Assert.Equal(listed.Drift.Count, looked.Drift.Count);
        Assert.Contains(looked.Visits.Skip(1), v => v.Stands.Code != VisitCase.NothingToSay);
    }
}
