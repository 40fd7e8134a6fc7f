using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using static KeenEmber.Core.Circuit.MeasuringPoint;

namespace KeenEmber.Core.Circuit;

/// <summary>One set of circuit readings → results with validity, challenges, findings and what to take next.</summary>
public static class CircuitBench
{
    /// <summary>Computes what can be computed; a missing reading leaves only the results that need it open.</summary>
    /// <param name="now">How the unit stands at this moment, for what to do next.</param>
    public static CircuitAnalysis Analyse(CircuitInput input, OperatingConditions now)
    {
        var challenges = CircuitChallenge.Find(input);
        var results = Enum.GetValues<ResultKind>().Select(kind => Compute(kind, input, challenges)).ToList();
        var findings = CircuitPatterns.Find(results, now);
        return new(results, challenges, findings, NextStep.Choose(results, challenges, now));
    }

    private sealed record Recipe(MeasuringPoint[] Needs, Func<Refrigerant, Func<MeasuringPoint, TakenReading>, double?> Value, TermKind[] Lookups);

    /// <summary>What each result needs, how it is computed, and which saturation temperatures its formula shows.</summary>
    private static readonly Dictionary<ResultKind, Recipe> Recipes = new()
    {
        [ResultKind.Evaporating] = new([SuctionPressure],
            (r, at) => r.DewTemperature(at(SuctionPressure).Pressure)?.Kelvin, [TermKind.DewTemperature]),
        [ResultKind.Condensing] = new([DischargePressure],
            (r, at) => r.MidpointTemperature(at(DischargePressure).Pressure)?.Kelvin, [TermKind.BubbleTemperature, TermKind.DewTemperature, TermKind.MidpointTemperature]),
        [ResultKind.SuperheatCoil] = new([SuctionLineCoil, SuctionPressure],
            (r, at) => CircuitFormulas.Superheat(r, at(SuctionPressure).Pressure, at(SuctionLineCoil).Temperature)?.Kelvin, [TermKind.DewTemperature]),
        [ResultKind.SuperheatCompressor] = new([SuctionPressure, SuctionLineCompressor],
            (r, at) => CircuitFormulas.Superheat(r, at(SuctionPressure).Pressure, at(SuctionLineCompressor).Temperature)?.Kelvin, [TermKind.DewTemperature]),
        [ResultKind.Subcooling] = new([DischargePressure, LiquidLine],
            (r, at) => CircuitFormulas.Subcooling(r, at(DischargePressure).Pressure, at(LiquidLine).Temperature)?.Kelvin, [TermKind.BubbleTemperature]),
        [ResultKind.EvaporatorTd] = new([BoxAir, SuctionPressure],
            (r, at) => CircuitFormulas.EvaporatorTd(r, at(SuctionPressure).Pressure, at(BoxAir).Temperature)?.Kelvin, [TermKind.MidpointTemperature]),
        [ResultKind.AirDrop] = new([BoxAir, AirLeaving],
            (_, at) => (at(BoxAir).Temperature - at(AirLeaving).Temperature).Kelvin, []),
        [ResultKind.CondenserSplit] = new([DischargePressure, CondenserAir],
            (r, at) => CircuitFormulas.CondenserSplit(r, at(DischargePressure).Pressure, at(CondenserAir).Temperature)?.Kelvin, [TermKind.MidpointTemperature]),
        [ResultKind.CompressionRatio] = new([SuctionPressure, DischargePressure],
            (_, at) => CircuitFormulas.CompressionRatio(at(SuctionPressure).Pressure, at(DischargePressure).Pressure), []),
    };

    private static CircuitResult Compute(ResultKind kind, CircuitInput input, IReadOnlyList<CircuitChallenge> challenges)
    {
        var recipe = Recipes[kind];
        var basis = recipe.Needs.Where(input.Readings.ContainsKey).Select(p => input.Readings[p]).ToList();
        var missing = recipe.Needs.Where(p => !input.Readings.ContainsKey(p)).ToList();
        var challenged = challenges.Any(c => c.Points.Any(recipe.Needs.Contains));
        var validity = ValidityRules.Judge(kind, basis, challenged);
        if (missing.Count > 0)
            return new(kind, null, input.Targets.For(kind), validity, basis, missing, []);

        var value = recipe.Value(input.Refrigerant, p => input.Readings[p]);
        if (value is null)
            validity = new([.. validity.Reasons, new(ReasonCode.OutsideRefrigerantRange, ValidityLevel.NotUsable)]);
        return new(kind, value, input.Targets.For(kind), validity, basis, [], Terms(input.Refrigerant, recipe, basis));
    }

    private static List<FormulaTerm> Terms(Refrigerant refrigerant, Recipe recipe, List<TakenReading> basis)
    {
        var terms = new List<FormulaTerm>();
        foreach (var reading in basis)
        {
            if (reading.Point.Kind() == QuantityKind.Temperature)
            {
                terms.Add(new(TermKind.Reading, reading.Point, reading.Si));
                continue;
            }

            terms.Add(new(TermKind.AbsolutePressure, reading.Point, reading.Si));
            foreach (var lookup in recipe.Lookups)
            {
                var saturation = lookup switch
                {
                    TermKind.DewTemperature => refrigerant.DewTemperature(reading.Pressure),
                    TermKind.BubbleTemperature => refrigerant.BubbleTemperature(reading.Pressure),
                    _ => refrigerant.MidpointTemperature(reading.Pressure),
                };
                if (saturation is { } t)
                    terms.Add(new(lookup, reading.Point, t.Kelvin));
            }
        }

        return terms;
    }
}
