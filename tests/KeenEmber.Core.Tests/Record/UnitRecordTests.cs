using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Tests.Record;

/// <summary>A unit is what it was at the moment asked about.</summary>
public sealed class UnitRecordTests
{
    private static Nameplate From(int minute, string refrigerant, int written = 0) =>
        new(Entries.Nine.AddMinutes(minute), Entries.Nine.AddMinutes(written), "Isolde",
        Entries.Freezer with { Circuit = Entries.Freezer.Circuit with { RefrigerantName = refrigerant } });

    private static string At(UnitRecord record, int minute) => record.AsOf(Entries.Nine.AddMinutes(minute)).Circuit.RefrigerantName;

    [Fact]
    public void It_is_what_the_last_word_before_the_moment_says()
    {
        var record = new UnitRecord([From(0, "R404A"), From(60, "R448A", 60)]);
        Assert.Equal(("R404A", "R404A", "R448A", "R448A"), (At(record, -5), At(record, 59), At(record, 60), At(record, 600)));
        Assert.Equal("R448A", record.Now.Circuit.RefrigerantName);
        Assert.Equal(["R404A"], record.Changes.Select(c => c.Before.Unit.Circuit.RefrigerantName));
    }

    [Fact]
    public void Of_two_words_on_one_moment_the_later_written_corrects_the_other()
    {
        var record = new UnitRecord([From(0, "R404A"), From(60, "R448A"), From(0, "R507A", 90)]);
        Assert.Equal(("R507A", "R448A"), (At(record, 30), At(record, 90)));
        Assert.Single(record.Changes);
    }

    [Fact]
    public void A_change_that_leaves_the_circuit_alone_does_not_part_its_readings()
    {
        var renamed = From(60, "R404A") with { Unit = Entries.Freezer with { Name = "Fillet freezer" } };
        Assert.Equal(Entries.Nine, new UnitRecord([From(0, "R404A"), renamed]).CircuitSince(Entries.Nine.AddMinutes(90)));
        Assert.Equal(
            Entries.Nine.AddMinutes(60), new UnitRecord([From(0, "R404A"), From(60, "R448A")]).CircuitSince(Entries.Nine.AddMinutes(90)));
    }
}
