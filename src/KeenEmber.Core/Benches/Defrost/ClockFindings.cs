using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>What the tests of the defrost clock on a visit found, and what of it still holds.</summary>
/// <remarks>
/// Trade practice: a clock is tested by its motor (marked, and looked at again an hour later), by its contacts (turned by hand through a
/// defrost), by its terminate solenoid and by its time of day. A later test of the same, or a new clock, ends what an earlier one found.
/// </remarks>
internal static class ClockFindings
{
    /// <summary>A time of day this far off moves the defrosts into busy hours, min.</summary>
    private const double TimeOfDayMin = 30;

    /// <summary>Everything that a test or a look found, each once, put right since or not.</summary>
    public static IReadOnlyList<Finding> Ever(Timeline timeline) => [.. Said(timeline).SelectMany(s => s.Found).DistinctBy(f => f.Code)];

    /// <summary>What the last word on each thing says, where no new clock came after it.</summary>
    public static IReadOnlyList<Finding> Now(Timeline timeline)
    {
        var renewed = timeline.Standing.OfType<PartEntry>().LastOrDefault(p => p.Component?.Kind == ComponentKind.DefrostClock)?.At;
        return [.. Said(timeline).Where(s => !(s.At <= renewed)).GroupBy(s => s.About).SelectMany(about => about.Last().Found)];
    }

    /// <summary>The last test that shows the clock running true.</summary>
    public static ClockTestEntry? SeenTrue(IEnumerable<Entry> after) => after.OfType<ClockTestEntry>()
        .LastOrDefault(t => t is { WaitedMin: { } waited, DialMin: { } dial }
            && ClockTest.Judge(waited, dial).Verdict == ClockVerdict.RunsTrue);

    private enum Aspect { Motor, Contacts, Solenoid, TimeOfDay }

    private readonly record struct Word(Aspect About, DateTimeOffset At, Finding[] Found);

    private static IEnumerable<Word> Said(Timeline timeline)
    {
        foreach (var entry in timeline.Standing.OrderBy(e => e.At))
        {
            if (entry is ObservationEntry { Fact: AsFound.ClockMotor } look)
                yield return new(Aspect.Motor, look.At, look.State == FactState.Stopped ? [Of(DefrostCodes.ClockStopped, look)] : []);
            if (entry is ClockTestEntry test)
            {
                foreach (var word in Said(test))
                    yield return word;
            }
        }
    }

    private static IEnumerable<Word> Said(ClockTestEntry test)
    {
        if (test is { WaitedMin: { } waited, DialMin: { } dial }
            && ClockTest.Judge(waited, dial).Verdict is not ClockVerdict.TooSoon and var rate)
        {
            yield return new(Aspect.Motor, test.At, rate switch
            {
                ClockVerdict.Stopped => [Of(DefrostCodes.ClockStopped, test)],
                ClockVerdict.RunsTrue => [],
                _ => [Of(DefrostCodes.ClockOff, test, ("dialMin", dial), ("waitedMin", waited))],
            });
        }

        if (test.ContactsChange is { } change)
            yield return new(Aspect.Contacts, test.At, change ? [] : [Of(DefrostCodes.ClockContacts, test)]);
        if (test.SolenoidReleases is { } releases)
            yield return new(Aspect.Solenoid, test.At, releases ? [] : [Of(DefrostCodes.ClockSolenoid, test)]);
        if (test.TimeOfDayOffMin is { } off)
            yield return new(Aspect.TimeOfDay, test.At,
                Math.Abs(off) < TimeOfDayMin ? [] : [Of(DefrostCodes.ClockTime, test, ("offMin", off))]);
    }

    private static Finding Of(string code, Entry entry, params (string Name, double Value)[] values) =>
        new(code, Strength.Strong, [entry.Id], values.ToDictionary(v => v.Name, v => v.Value))
        {
            About = [Subject.Component(new(ComponentKind.DefrostClock))],
        };
}
