using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Web.Demo;

/// <summary>The entries of one round on a unit: facts first, then every reading the state gives, then its trend.</summary>
internal static class DemoVisit
{
    public static List<Entry> Entries(Visit visit, Equipment unit, Site site, DemoState state, DemoSeen seen, DemoTrend? trend)
    {
        var entries = new List<Entry>();
        var looked = visit.StartedAt + TimeSpan.FromMinutes(3);
        void See(AsFound fact, FactState? state, int? index = null, DateTimeOffset? since = null)
        {
            if (state is { } known)
                entries.Add(
                    new ObservationEntry(
                    new(Guid.CreateVersion7(looked), visit.Id, looked, looked, visit.Author), fact, index, known, since));
        }

        for (var fan = 1; fan <= unit.EvaporatorFans; fan++)
            See(AsFound.EvaporatorFan, fan == unit.EvaporatorFans ? seen.LastFan : FactState.Running, fan);
        See(AsFound.Compressor, FactState.Running, null, looked - TimeSpan.FromMinutes(seen.RunMin));
        if (unit.Target.Celsius < 0)
            See(AsFound.Defrost, FactState.Refrigerating, null, visit.StartedAt - TimeSpan.FromHours(2));
        foreach (var fact in unit.MakeUp.Facts)
            See(fact, seen.StateOf(fact), fact == AsFound.ValveBody && unit.Circuit.Coils > 1 ? unit.Circuit.Coils : null);
        var at = visit.StartedAt + TimeSpan.FromMinutes(9);
        foreach (var (point, value) in state.Readings(unit, site.Atmosphere))
        {
            entries.Add(new ReadingEntry(new(Guid.CreateVersion7(at), visit.Id, at, at, visit.Author), point, value));
            at += TimeSpan.FromMinutes(0.8);
        }

        entries.AddRange(trend?.Samples(unit, state, site.Atmosphere).Select(s => (at + s.After, s.Point, s.Value))
            .Select(s => new ReadingEntry(new(Guid.CreateVersion7(s.Item1), visit.Id, s.Item1, s.Item1, visit.Author), s.Point, s.Value))
                ?? []);
        return entries;
    }
}
