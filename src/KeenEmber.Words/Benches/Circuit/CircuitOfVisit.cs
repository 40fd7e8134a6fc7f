using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words.Benches.Circuit;

/// <summary>What the circuit bench makes of a visit, for its pages and drawings.</summary>
public static class CircuitOfVisit
{
    extension(VisitCase visit)
    {
        /// <summary>Null when the unit's refrigerant is not in the catalogue.</summary>
        public CircuitAnalysis? Analysis => visit.Of<CircuitJudgement>()?.Analysis;

        /// <summary>The readings in their course of time; null as the analysis is.</summary>
        public SeriesAnalysis? Series => visit.Of<CircuitJudgement>()?.Series;

        /// <summary>What the last standing-pressure test of the visit says; null without one.</summary>
        public StandingResult? Standing => visit.Of<CircuitJudgement>()?.Standing;

        /// <summary>The reading the map asks for: to be checked, or the one that unlocks most; none while something is dangerous.</summary>
        public PointRef? Asked =>
            visit.Next is { Order: TaskOrder.Danger } ? null : visit.Of<CircuitJudgement>()?.AskedPoint;

        /// <summary>The gravest verdict on a reading from the results that rest on it; a reading that no result uses yet counts.</summary>
        public ValidityLevel LevelOf(PointRef point) =>
            visit.Analysis?.Results.Where(r => r.Basis.Any(b => b.Point == point)).Select(r => r.Validity.Level)
                .DefaultIfEmpty(ValidityLevel.Good).Max() ?? ValidityLevel.Good;
    }
}
