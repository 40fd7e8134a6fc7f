using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>How the unit was found: what was on record before anything was disturbed.</summary>
/// <param name="FrozenAt">When the first change was made; null while nothing has been touched.</param>
/// <param name="Facts">Facts on record up to then.</param>
/// <param name="Missing">Facts the work can wipe out that were not on record by then.</param>
public sealed record AsFoundRecord(DateTimeOffset? FrozenAt, IReadOnlyList<ObservationEntry> Facts, IReadOnlyList<AsFound> Missing)
{
    /// <summary>A power cycle, a pulled plug or a thaw erases these: record them first.</summary>
    private static readonly AsFound[] EasilyWipedOut =
        [AsFound.EvaporatorFan, AsFound.Coil, AsFound.Compressor, AsFound.CondenserFan, AsFound.ControllerMode, AsFound.Alarm,
            AsFound.ClockMotor, AsFound.Supply];

    /// <summary>What of the unit's facts is on record, and what is not.</summary>
    public static AsFoundRecord Of(Timeline timeline, Equipment unit)
    {
        DateTimeOffset?[] firsts =
        [
            timeline.Standing.Where(e => e is IChangesUnit { ChangesUnit: true }).Select(e => (DateTimeOffset?)e.At).FirstOrDefault(),
            ResetAt(timeline),
        ];
        var frozenAt = firsts.Min();
        var facts = timeline.Standing.OfType<ObservationEntry>().Where(o => frozenAt is null || o.At < frozenAt)
            .GroupBy(o => (o.Fact, o.Index)).Select(g => g.Last()).ToList();
        var missing = EasilyWipedOut.Where(f => unit.MakeUp.Facts.Contains(f) && !IsOnRecord(f, facts, unit));
        return new(frozenAt, facts, [.. missing]);
    }

    /// <summary>A breaker that was seen tripped and is on afterwards has been reset: that is a change like any other.</summary>
    private static DateTimeOffset? ResetAt(Timeline timeline) => timeline.Standing.OfType<ObservationEntry>()
        .Where(o => o.Fact == AsFound.Supply).SkipWhile(o => o.State != FactState.Tripped)
        .FirstOrDefault(o => o.State == FactState.SwitchedOn)?.At;

    private static bool IsOnRecord(AsFound fact, List<ObservationEntry> facts, Equipment unit) => fact == AsFound.EvaporatorFan
        ? Enumerable.Range(1, unit.EvaporatorFans).All(n => facts.Exists(o => o.Fact == fact && (o.Index is null || o.Index == n)))
        : facts.Exists(o => o.Fact == fact);
}
