using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>The usual ways in which a true reading becomes a false entry.</summary>
public enum Slip
{
    /// <summary>No slip makes the readings fit.</summary>
    Unknown,

    /// <summary>Suction and head were entered the other way round.</summary>
    PressuresSwapped,

    /// <summary>Two line temperatures were entered the other way round.</summary>
    LinesSwapped,

    /// <summary>Air on and air off were entered the other way round.</summary>
    AirSwapped,

    /// <summary>Typed in one unit and meant in another.</summary>
    OtherUnit,

    /// <summary>The unit holds another refrigerant than its label says.</summary>
    OtherRefrigerant,
}

/// <summary>Readings that cannot be right, kept as typed but questioned.</summary>
/// <param name="Points">The readings to look at again.</param>
/// <param name="Why">The first thing that cannot be so.</param>
/// <param name="Slip">The likeliest slip: the one that would make everything fit.</param>
/// <param name="MeantUnit">For <see cref="Slip.OtherUnit"/>: the unit that fits.</param>
/// <param name="MeantRefrigerant">For <see cref="Slip.OtherRefrigerant"/>: the first of the catalogue that fits.</param>
public sealed record CircuitChallenge(
    IReadOnlyList<PointRef> Points, Impossibility Why, Slip Slip, Unit? MeantUnit = null, string? MeantRefrigerant = null)
{
    private sealed record Hypothesis(CircuitChallenge Challenge, Refrigerant Refrigerant, Dictionary<PointRef, TypedValue> Values);

    /// <summary>Refrigerants that commercial units really carry, most common first; others are tried after them.</summary>
    private static readonly string[] CommonFirst = ["R404A", "R134a", "R290", "R407C", "R410A", "R22", "R507A", "R600a"];

    /// <summary>Looks for contradictions and, by trying each slip in turn, for the one that would explain them.</summary>
    /// <returns>One challenge when a slip explains everything, else one per group of readings; empty when all readings can be true
    /// together.</returns>
    public static IReadOnlyList<CircuitChallenge> Find(CircuitInput input)
    {
        if (input.Readings.Count == 0)
            return [];
        var atmosphere = input.Readings.Values.First().Atmosphere;
        var target = input.Readings.Values.First().Conditions.BoxTarget;
        var running = input.Readings.Values.All(r => r.Conditions.Compressor != FactState.Stopped);
        var values = input.Readings.ToDictionary(r => r.Key, r => r.Value.Typed);
        var violations = Plausibility.Violations(input.Refrigerant, atmosphere, target, values, running);
        if (violations.Count == 0)
            return [];
        var fit = Hypotheses(input.Refrigerant, values, violations)
            .FirstOrDefault(h => Plausibility.Violations(h.Refrigerant, atmosphere, target, h.Values, running).Count == 0);
        return fit is not null
            ? [fit.Challenge]
            : Unexplained(violations);
    }

    /// <summary>One challenge per group of readings: a contradiction that shares a reading with an earlier one is the same
    /// question.</summary>
    private static List<CircuitChallenge> Unexplained(IReadOnlyList<Violation> violations)
    {
        var asked = new List<CircuitChallenge>();
        foreach (var violation in violations)
        {
            if (!asked.Exists(c => c.Points.Intersect(violation.Points).Any()))
                asked.Add(new(violation.Points, violation.Code, Slip.Unknown));
        }

        return asked;
    }

    private static IEnumerable<Hypothesis> Hypotheses(
        Refrigerant refrigerant, Dictionary<PointRef, TypedValue> values, IReadOnlyList<Violation> violations)
    {
        var why = violations[0].Code;
        foreach (var (a, b, slip) in new[]
        {
            (SuctionPressure, DischargePressure, Slip.PressuresSwapped),
            (SuctionLineCoil, SuctionLineCompressor, Slip.LinesSwapped),
            (BoxAir, AirLeaving, Slip.AirSwapped),
        })
        {
            if (values.TryGetValue(a, out var first) && values.TryGetValue(b, out var second))
                yield return new(new([a, b], why, slip), refrigerant, With(values, (a, second), (b, first)));
        }

        var suspects = violations.SelectMany(v => v.Points).Distinct().ToList();
        foreach (var unit in LikelyUnits)
        {
            foreach (var point in suspects.Where(p => IsOther(values[p].Unit, unit)))
                yield return new(new([point], why, Slip.OtherUnit, unit), refrigerant, With(values, (point, InUnit(values[point], unit))));
        }

        foreach (var unit in LikelyUnits)
        {
            var all = values.Where(v => IsOther(v.Value.Unit, unit)).Select(v => v.Key).ToList();
            if (all.Count > 1)
                yield return new(
                    new(all, why, Slip.OtherUnit, unit), refrigerant, With(values, [.. all.Select(p => (p, InUnit(values[p], unit)))]));
        }

        var pressures = suspects.Where(p => p.Kind() == QuantityKind.Pressure).ToList();
        if (pressures.Count == 0)
            yield break;
        foreach (var other in CommonFirst.Select(n => RefrigerantCatalogue.Find(n)!).Union(RefrigerantCatalogue.All))
            yield return new(new(pressures, why, Slip.OtherRefrigerant, null, other.Name), other, values);
    }

    private static readonly Unit[] LikelyUnits = [Unit.Celsius, Unit.Fahrenheit, Unit.Psi, Unit.Bar, Unit.Kilopascal];

    private static bool IsOther(Unit typed, Unit candidate) => typed.Kind == candidate.Kind && typed != candidate;

    private static TypedValue InUnit(TypedValue value, Unit unit) => value with { Unit = unit };

    private static Dictionary<PointRef, TypedValue> With(
        Dictionary<PointRef, TypedValue> values, params (PointRef Point, TypedValue Value)[] changes)
    {
        var changed = new Dictionary<PointRef, TypedValue>(values);
        foreach (var (point, value) in changes)
            changed[point] = value;
        return changed;
    }
}
