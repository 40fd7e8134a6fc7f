using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Tests.Record;

/// <summary>Corrections as a small algebra: what stands follows from what was written, and from nothing else.</summary>
public sealed class CorrectionTests
{
    private static readonly DateTimeOffset Nine = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    private static NoteEntry Note(string text, int minute, Guid? corrects = null) =>
        new(new(Guid.CreateVersion7(), Guid.Empty, Nine, Nine.AddMinutes(minute), "Isolde", corrects), text);

    private static WithdrawalEntry Strike(Entry entry, int minute) =>
        new(new(Guid.CreateVersion7(), Guid.Empty, Nine, Nine.AddMinutes(minute), "Isolde", entry.Id));

    private static string Texts(params Entry[] written) =>
        string.Join(' ', new Corrections(written).Standing.Cast<NoteEntry>().Select(n => n.Text).Order());

    [Fact]
    public void Of_two_corrections_of_one_entry_the_later_written_stands()
    {
        var first = Note("a", 0);
        var (early, late) = (Note("b", 5, first.Id), Note("c", 6, first.Id));
        Assert.Equal("c", Texts(first, early, late));
        Assert.Equal("c", Texts(late, first, early));
    }

    [Fact]
    public void Striking_out_a_correction_brings_the_corrected_entry_back()
    {
        var first = Note("a", 0);
        var (early, late) = (Note("b", 5, first.Id), Note("c", 6, first.Id));
        Assert.Equal("b", Texts(first, early, late, Strike(late, 7)));
        Assert.Equal("a", Texts(first, early, late, Strike(late, 7), Strike(early, 8)));
        var again = Note("d", 7, late.Id);
        Assert.Equal("c", Texts(first, late, again, Strike(again, 9)));
    }

    [Fact]
    public void Striking_out_is_an_entry_too_and_can_be_struck_out()
    {
        var first = Note("a", 0);
        var strike = Strike(first, 1);
        Assert.Equal("", Texts(first, strike));
        Assert.Equal("a", Texts(first, strike, Strike(strike, 2)));
        Assert.Equal("b", Texts(first, strike, Note("b", 2, first.Id)));
    }

    [Fact]
    public void A_correction_that_names_what_is_not_there_or_comes_later_stands_for_itself()
    {
        var (one, other) = (Note("a", 0), Note("b", 1));
        Assert.Equal("a b c", Texts(one, other, Note("c", 2, Guid.NewGuid())));
        Assert.Equal("a b", Texts(one with { Header = one.Header with { Corrects = other.Id } }, other));
    }

    /// <summary>Random histories of writing, correcting and striking out whatever is there.</summary>
    private static List<Entry> History(Random random)
    {
        var written = new List<Entry> { Note("0", 0) };
        for (var n = 1; n < random.Next(2, 14); n++)
        {
            var any = written[random.Next(written.Count)];
            written.Add(random.Next(4) switch { 0 => Note($"{n}", n), 1 => Strike(any, n), _ => Note($"{n}", n, any.Id) });
        }

        return written;
    }

    [Fact]
    public void The_same_history_stands_the_same_in_any_order_and_one_wording_of_each_entry_at_most()
    {
        var random = new Random(20260302);
        for (var n = 0; n < 2000; n++)
        {
            var history = History(random);
            var corrections = new Corrections(history);
            var shuffled = history.ToArray();
            random.Shuffle(shuffled);
            Assert.Equal(corrections.Standing.ToHashSet(), new Corrections(shuffled).Standing.ToHashSet());
            Assert.All(corrections.Standing.CountBy(e => corrections.RootOf(e.Id)), root => Assert.Equal(1, root.Value));
        }
    }

    [Fact]
    public void Striking_out_what_was_just_written_undoes_it_and_striking_that_out_redoes_it()
    {
        var random = new Random(20260303);
        for (var n = 0; n < 2000; n++)
        {
            var history = History(random);
            var before = new Corrections(history[..^1]).Standing.ToHashSet();
            var after = new Corrections(history).Standing.ToHashSet();
            var strike = Strike(history[^1], 100);
            Assert.Equal(before, new Corrections([.. history, strike]).Standing.ToHashSet());
            Assert.Equal(after, new Corrections([.. history, strike, Strike(strike, 101)]).Standing.ToHashSet());
        }
    }

    [Fact]
    public void Two_corrections_of_one_row_of_refrigerant_count_once_in_the_balance()
    {
        RefrigerantEntry Row(double kg, int minute, Guid? corrects = null) =>
            new(new(Guid.CreateVersion7(), Guid.Empty, Nine, Nine.AddMinutes(minute), "Isolde", corrects), "R404A", kg, "", "");
        var first = Row(1, 0);
        var written = new Entry[] { first, Row(0.4, 1, first.Id), Row(0.6, 2, first.Id) };
        Assert.Equal([0.6], new Corrections(written).Standing.OfType<RefrigerantEntry>().Select(r => r.MassKg));
        Assert.Equal([0.4], new Corrections([.. written, Strike(written[2], 3)]).Standing.OfType<RefrigerantEntry>().Select(r => r.MassKg));
    }

    /// <summary>Ids of one line follow its own in no order: every second line counted the stopped fan as running.</summary>
    [Fact]
    public void What_a_line_says_last_of_a_fan_holds_whatever_its_ids_are()
    {
        for (var n = 0; n < 50; n++)
        {
            var writer = new EntryWriter(Guid.Empty, Guid.CreateVersion7(), Nine, "Isolde", "phone");
            Entry[] line =
                [new ObservationEntry(writer.Next(), AsFound.EvaporatorFan, null, FactState.Running, null),
                new ObservationEntry(writer.Next(), AsFound.EvaporatorFan, 2, FactState.Stopped, null)];
            var fans = Entries.Of(line).ConditionsAt(Nine).EvaporatorFans;
            Assert.Equal([FactState.Running, FactState.Stopped], fans.Take(2).Select(f => f!.Value));
        }
    }
}
