using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Words.Benches.Controls;

/// <summary>What the controls bench makes of a visit, for its pages.</summary>
public static class ControlsOfVisit
{
    extension(VisitCase visit)
    {
        public ControlsJudgement Controls => visit.Of<ControlsJudgement>() ?? ControlsJudgement.None;

        /// <summary>The latest earlier word on each pressure setting.</summary>
        public IReadOnlyDictionary<PressureSetting, (Visit Visit, TypedValue Value)> LastSettings =>
            visit.AllVisits.Where(v => v.Visit.StartedAt < visit.Visit.StartedAt)
            .SelectMany(v => v.Timeline.SettingsAsLeft().Values, (v, s) => (s.Setting, v.Visit, s.Value))
            .GroupBy(s => s.Setting).ToDictionary(g => g.Key, g => (g.First().Visit, g.First().Value));
    }
}
