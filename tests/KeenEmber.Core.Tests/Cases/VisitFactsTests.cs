using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Plant.MeasuringPoint;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Cases;

/// <summary>What is on record, as the diagnosis takes it.</summary>
public sealed class VisitFactsTests
{
    private static string Said(params Entry[] entries) => string.Join(' ', VisitFacts.Of(Worked.Of(entries)).Select(f => f.Number is { } n
        ? string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{f.Code}={n:0.#}") : $"{f.Code}={f.Answer}"));

    private static DiagnosisFactEntry Told(int minute, string observable, string answer, bool cannot = false) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), observable, answer, null, cannot);

    [Fact]
    public void Looks_readings_and_answers_become_facts()
    {
        var said = Said(Seen(1, AsFound.EvaporatorFan, FactState.Running), Seen(2, AsFound.EvaporatorFan, FactState.Stopped, 2),
            Seen(3, AsFound.Coil, FactState.Iced), Seen(4, AsFound.Supply, FactState.Tripped), Read(5, BoxAir, -12, Unit.Celsius),
            Told(6, "fan-motor", "locked"));
        Assert.Equal("box=8 coil=iced supply=tripped fan-motor=locked fans=one-stopped", said);
    }

    [Fact]
    public void A_fan_nobody_looked_at_leaves_the_fans_open() =>
        Assert.Equal("", Said(Seen(1, AsFound.EvaporatorFan, FactState.Running, 1)));

    [Fact]
    public void What_was_seen_before_work_says_nothing_of_the_unit_as_it_is()
    {
        Assert.Equal("", Said(Seen(1, AsFound.Coil, FactState.Iced), Read(2, BoxAir, -12, Unit.Celsius), Part(20, WorkArea.Fans)));
        Assert.Equal("coil=clear",
            Said(Seen(1, AsFound.Coil, FactState.Iced), Part(20, WorkArea.Fans), Seen(30, AsFound.Coil, FactState.Clear)));
    }

    /// <summary>Of two sides the one that is too warm is spoken of, whichever it is, and the other beside it.</summary>
    [Theory]
    [InlineData(-20, -12, "box=8 other-side=usual")]
    [InlineData(-12, -20, "box=8 other-side=usual")]
    [InlineData(-12, -13, "box=8 other-side=warm")]
    [InlineData(-26, -12, "other-side=frozen box=8")]
    public void Of_two_sides_the_warmer_one_is_spoken_of(double one, double two, string said)
    {
        var unit = Freezer with { Circuit = Freezer.Circuit with { Coils = 2 } };
        var facts = VisitFacts.Of(Worked.Of(unit, Worked.Benches, [(Worked.Visit(unit),
            [Read(1, BoxAir, one, Unit.Celsius), Read(2, BoxAir.At(2), two, Unit.Celsius)])]));
        Assert.Equal(said, string.Join(' ', facts.Select(f => f.Number is { } n ? $"{f.Code}={n:0}" : $"{f.Code}={f.Answer}")));
    }

    /// <summary>Ice on the other side's coil is no ice on this one.</summary>
    [Fact]
    public void A_coil_is_spoken_of_on_the_side_that_is_too_warm()
    {
        var unit = Freezer with { Circuit = Freezer.Circuit with { Coils = 2 } };
        var facts = VisitFacts.Of(Worked.Of(unit, Worked.Benches, [(Worked.Visit(unit),
            [Read(1, BoxAir, -20, Unit.Celsius), Read(2, BoxAir.At(2), -12, Unit.Celsius),
                Seen(3, AsFound.Coil, FactState.Frosted, 2), Seen(4, AsFound.Coil, FactState.Iced, 1)])]));
        Assert.Equal("frost", facts.Single(f => f.Code == "coil").Answer);
    }

    /// <summary>A mode that was read in a defrost is not the mode once that is over.</summary>
    [Fact]
    public void What_was_read_in_a_defrost_ends_with_it()
    {
        Assert.Equal("clock-position=defrost shown-mode=defrost defrost-on=yes",
            Said(Told(1, "clock-position", "defrost"), Seen(2, AsFound.Defrost, FactState.Defrosting)));
        Assert.Equal("", Said(Told(1, "clock-position", "defrost"), Seen(2, AsFound.Defrost, FactState.Defrosting),
            Seen(30, AsFound.Defrost, FactState.Refrigerating)));
        Assert.Equal("shown-mode=defrost defrost-on=yes", Said(Seen(1, AsFound.Defrost, FactState.Refrigerating),
            Seen(9, AsFound.ControllerMode, FactState.Defrosting)));
    }

    /// <summary>A defrost that was forced: what ran before it is no contradiction, and a fan that runs in it is one.</summary>
    [Fact]
    public void What_ran_before_a_defrost_is_not_so_in_it_nor_what_stood_in_it_afterwards()
    {
        Entry[] before = [Seen(1, AsFound.Compressor, FactState.Running), Seen(1, AsFound.EvaporatorFan, FactState.Running)];
        Entry[] forced = [.. before, Seen(5, AsFound.Defrost, FactState.Defrosting)];
        Assert.Equal("shown-mode=defrost defrost-on=yes", Said(forced));
        Assert.Equal("shown-mode=defrost defrost-on=yes fans=all-stopped",
            Said([.. forced, Seen(6, AsFound.EvaporatorFan, FactState.Stopped)]));
        Assert.Equal("fans-in-defrost=on shown-mode=defrost defrost-on=yes",
            Said([.. forced, Seen(6, AsFound.EvaporatorFan, FactState.Running)]));
        Assert.Equal("", Said([.. forced, Seen(6, AsFound.EvaporatorFan, FactState.Stopped),
            Seen(30, AsFound.Defrost, FactState.Refrigerating)]));
        // It may have stood in its defrost from the beginning.
        Assert.Equal("shown-mode=defrost defrost-on=yes fans=all-stopped",
            Said(Seen(1, AsFound.EvaporatorFan, FactState.Stopped), Seen(5, AsFound.Defrost, FactState.Defrosting)));
    }

    /// <summary>What others did is history of the unit, at this visit and at each later one, and no work of ours.</summary>
    [Fact]
    public void What_others_replaced_before_is_history_and_no_work()
    {
        var told = Worked.Of(new EarlierPartEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(1), Nine, "Isolde"),
            new(ComponentKind.Control), 9, "board replaced nine days ago"));
        var work = Assert.Single(VisitFacts.History(told));
        Assert.Equal((9, "control", "control"), (Math.Round(work.DaysAgo), Assert.Single(work.Parts), Assert.Single(work.Replaced)));
        Assert.Empty(VisitFacts.Of(told));
        Assert.Null(told.LastWork);
        Assert.Empty(told.Proofs);
    }

    /// <summary>No current says something in a defrost alone; a current says that there is one.</summary>
    [Fact]
    public void Heaters_without_current_count_in_a_defrost()
    {
        HeaterAmpsEntry Clamped(params double?[] amps) => new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(6), Nine, "Isolde"),
            null, amps);
        Assert.Equal("", Said(Clamped(0)));
        Assert.Equal("shown-mode=defrost defrost-on=yes heaters.current=0",
            Said(Seen(5, AsFound.Defrost, FactState.Defrosting), Clamped(0)));
        Assert.Equal("shown-mode=defrost defrost-on=yes", Said(Seen(5, AsFound.Defrost, FactState.Defrosting), Clamped(6.1, 6, 6.1)));
    }

    [Theory]
    [InlineData("Compressor clicks on and off all day", "complaint.starts-often complaint.comes-and-goes")]
    [InlineData("Coffee counter: price on the label wrong", "")]
    [InlineData("Smells burnt, breaker down", "complaint.trips complaint.smell")]
    [InlineData("Warm, but the light is on", "complaint.warm")]
    [InlineData("Cools, then not, then again", "complaint.comes-and-goes")]
    [InlineData("Base warm, rail fine", "complaint.warm other-side")]
    public void A_complaint_is_read_by_whole_words(string complaint, string codes)
    {
        var visit = Worked.Visit(Freezer) with { Complaint = complaint };
        Assert.Equal(codes, string.Join(' ', VisitFacts.Of(Worked.Of(Freezer, Worked.Benches, [(visit, [])])).Select(f => f.Code)));
    }

    [Theory]
    [InlineData(2.4, 9.8, 12.1, "windings=sound")]
    [InlineData(0.02, 9.8, 9.8, "windings=shorted")]
    [InlineData(2.4, 9.8, 30, "")]
    public void Windings_that_do_not_add_up_are_not_called_sound(double one, double two, double three, string said) =>
        Assert.Equal(said, Said(new LoadTestEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(1), Nine, "Isolde"),
            new(ComponentKind.Compressor), LoadTest.Windings,
            [.. new[] { one, two, three }.Select(o => new LoadReading("", new(o, Unit.Ohm)))])));

    [Fact]
    public void What_cannot_be_had_is_no_fact() => Assert.Equal((0, "fan-motor"),
        (VisitFacts.Of(Worked.Of(Told(1, "fan-motor", "", cannot: true))).Count,
            Assert.Single(VisitFacts.CannotNow(Worked.Of(Told(1, "fan-motor", "", cannot: true))))));

    [Fact]
    public void Every_answer_that_the_record_gives_is_one_of_the_table()
    {
        var table = DiagnosisTable.Shipped.Observables.ToDictionary(o => o.Code);
        Assert.All(FactsOfRecord.Looks.Values.Concat(FactsOfRecord.Found.Values), f => Assert.Contains(f.Answer, table[f.Code].Answers));
        Assert.All(FactsOfRecord.ResultCodes, code => Assert.True(table[code].IsNumber));
        Assert.All(FactsOfRecord.Complaints, c => Assert.Contains(c.Answer, table[c.Code].Answers));
    }
}
