using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>One set of circuit readings → results with validity, challenges, findings and what to take next.</summary>
public static class CircuitCalculation
{
    /// <summary>Computes what can be computed; a missing reading leaves only the results that need it open.</summary>
    /// <param name="now">How the unit stands at this moment, for what to do next.</param>
    public static CircuitAnalysis Analyse(CircuitInput input, OperatingConditions now)
    {
        input = OfItsPoints(input);
        if (input.Series is { Settled: { } settled } series)
            input = input with { Readings = CircuitSeries.MeansOf(settled, series, input.Readings) };
        var challenges = CircuitChallenge.Find(input);
        var targets = CircuitTargets.Of(input.MakeUp, CircuitTargets.LoadOf(now.BoxAboveTarget),
            Measured(BoxAir) ?? now.BoxTarget, Measured(CondenserAir), GlideAt(input));
        Temperature? Measured(PointRef point) => input.Readings.TryGetValue(point, out var reading) ? reading.Temperature : null;
        var results = ResultKinds.InReadingOrder(input.MakeUp.Coils).Where(result => IsWanted(result, input, now))
            .Select(result => Compute(result, input, targets.For(result.Kind), challenges)).ToList();
        var findings = CircuitPatterns.Find(input, results, now);
        if (input.Series is { Findings.Count: > 0 } moving)
            findings = [.. moving.Findings, .. findings.Where(f => f.Code != CircuitPatterns.WithinTargets)];
        return new(results, challenges, findings, NextStep.Choose(results, challenges, now, input));
    }

    /// <summary>Glide at the suction pressure, K; 0 while that is not known.</summary>
    internal static double GlideAt(CircuitInput input) => input.Readings.TryGetValue(SuctionPressure, out var suction)
        && input.Refrigerant.DewTemperature(suction.Pressure) is { } dew
            && input.Refrigerant.BubbleTemperature(suction.Pressure) is { } bubble
            ? (dew - bubble).Kelvin : 0;

    private static CircuitInput OfItsPoints(CircuitInput input)
    {
        var points = input.MakeUp.Points;
        return input.Readings.Keys.All(points.Contains) ? input
            : input with { Readings = input.Readings.Where(r => points.Contains(r.Key)).ToDictionary(r => r.Key, r => r.Value) };
    }

    /// <summary>A unit without one of the points has no such result; those of points taken on demand are listed once there is a
    /// reason.</summary>
    private static bool IsWanted(ResultRef result, CircuitInput input, OperatingConditions now) =>
        NeedsOf(result).All(input.MakeUp.Points.Contains) && result.Kind switch
        {
            ResultKind.CondensingLow or ResultKind.CondensingHigh =>
                now.CondenserFan == FactState.Cycling || NeedsOf(result).Any(input.Readings.ContainsKey),
            ResultKind.DrierDrop => input.Readings.ContainsKey(LiquidAfterDrier),
            ResultKind.WaterRise => input.Readings.ContainsKey(WaterIn),
            _ => true,
        };

    /// <summary>For one coil; <c>at</c> is a reading at that coil.</summary>
    private sealed record Recipe(
        MeasuringPoint[] Needs, Func<Refrigerant, Func<MeasuringPoint, TakenReading>, double?> Value, TermKind[] Lookups);

    private static IEnumerable<PointRef> NeedsOf(ResultRef result) => Recipes[result.Kind].Needs.Select(p => p.At(result.Coil));

    /// <summary>What each result needs, how it is computed, and which saturation temperatures its formula shows.</summary>
    private static readonly Dictionary<ResultKind, Recipe> Recipes = new()
    {
        [ResultKind.Evaporating] = new([SuctionPressure],
            (r, at) => r.DewTemperature(at(SuctionPressure).Pressure)?.Kelvin, [TermKind.DewTemperature]),
        [ResultKind.Condensing] = new([DischargePressure],
            (r, at) =>
                r.MidpointTemperature(at(DischargePressure).Pressure)?.Kelvin,
                [TermKind.BubbleTemperature, TermKind.DewTemperature, TermKind.MidpointTemperature]),
        [ResultKind.SuperheatCoil] = new([SuctionLineCoil, SuctionPressure],
            (r, at) =>
                CircuitFormulas.Superheat(r, at(SuctionPressure).Pressure, at(SuctionLineCoil).Temperature)?.Kelvin,
                [TermKind.DewTemperature]),
        [ResultKind.LineGain] = new([SuctionLineCoil, SuctionLineCompressor],
            (_, at) => (at(SuctionLineCompressor).Temperature - at(SuctionLineCoil).Temperature).Kelvin, []),
        [ResultKind.SuperheatCompressor] = new([SuctionPressure, SuctionLineCompressor],
            (r, at) =>
                CircuitFormulas.Superheat(r, at(SuctionPressure).Pressure, at(SuctionLineCompressor).Temperature)?.Kelvin,
                [TermKind.DewTemperature]),
        [ResultKind.Subcooling] = new([DischargePressure, LiquidLine],
            (r, at) =>
                CircuitFormulas.Subcooling(r, at(DischargePressure).Pressure, at(LiquidLine).Temperature)?.Kelvin,
                [TermKind.BubbleTemperature]),
        [ResultKind.EvaporatorTd] = new([BoxAir, SuctionPressure],
            (r, at) =>
                CircuitFormulas.EvaporatorTd(r, at(SuctionPressure).Pressure, at(BoxAir).Temperature)?.Kelvin,
                [TermKind.MidpointTemperature]),
        [ResultKind.AirDrop] = new([BoxAir, AirLeaving],
            (_, at) => (at(BoxAir).Temperature - at(AirLeaving).Temperature).Kelvin, []),
        [ResultKind.CondenserSplit] = new([DischargePressure, CondenserAir],
            (r, at) =>
                CircuitFormulas.CondenserSplit(r, at(DischargePressure).Pressure, at(CondenserAir).Temperature)?.Kelvin,
                [TermKind.MidpointTemperature]),
        [ResultKind.CompressionRatio] = new([SuctionPressure, DischargePressure],
            (_, at) => CircuitFormulas.CompressionRatio(at(SuctionPressure).Pressure, at(DischargePressure).Pressure), []),
        [ResultKind.CondensingLow] = new([HeadCycleLow],
            (r, at) => r.MidpointTemperature(at(HeadCycleLow).Pressure)?.Kelvin, [TermKind.MidpointTemperature]),
        [ResultKind.CondensingHigh] = new([HeadCycleHigh],
            (r, at) => r.MidpointTemperature(at(HeadCycleHigh).Pressure)?.Kelvin, [TermKind.MidpointTemperature]),
        [ResultKind.DischargeTemperature] = new([DischargeLine], (_, at) => at(DischargeLine).Si, []),
        [ResultKind.CurrentShare] = new([CompressorCurrent], (_, at) => at(CompressorCurrent).Si, []),
        [ResultKind.DrierDrop] = new([LiquidLine, LiquidAfterDrier],
            (_, at) => (at(LiquidLine).Temperature - at(LiquidAfterDrier).Temperature).Kelvin, []),
        [ResultKind.WaterRise] = new([CondenserAir, WaterIn],
            (_, at) => (at(CondenserAir).Temperature - at(WaterIn).Temperature).Kelvin, []),
    };

    private static CircuitResult Compute(ResultRef result, CircuitInput input, Band? band, IReadOnlyList<CircuitChallenge> challenges)
    {
        var recipe = Recipes[result.Kind];
        var needs = NeedsOf(result).ToList();
        var basis = needs.Where(input.Readings.ContainsKey).Select(p => input.Readings[p]).ToList();
        var missing = needs.Where(p => !input.Readings.ContainsKey(p)).ToList();
        var challenged = challenges.Any(c => c.Points.Any(needs.Contains));
        var validity = ValidityRules.Judge(result.Kind, basis, challenged, input.Series?.StillMoves == true);
        if (missing.Count > 0)
            return new(result, null, band, validity, basis, missing, []);

        var value = recipe.Value(input.Refrigerant, p => input.Readings[p.At(result.Coil)]);
        if (result.Kind == ResultKind.CurrentShare)
            value /= input.MakeUp.RatedCurrentA;
        // The target is that of the mid-point; with glide the dew point lies above it.
        if (result.Kind == ResultKind.Evaporating && band is { } ofMidpoint
            && value - input.Refrigerant.MidpointTemperature(basis[0].Pressure)?.Kelvin is { } above)
            band = new(ofMidpoint.Low + above, ofMidpoint.High + above);
        if (value is null)
            validity = new([.. validity.Reasons, new(ReasonCode.OutsideRefrigerantRange, ValidityLevel.NotUsable)]);
        return new(result, value, band, validity, basis, [], Terms(input.Refrigerant, recipe, basis));
    }

    private static List<FormulaTerm> Terms(Refrigerant refrigerant, Recipe recipe, List<TakenReading> basis)
    {
        var terms = new List<FormulaTerm>();
        foreach (var reading in basis)
        {
            if (reading.Point.Kind() != QuantityKind.Pressure)
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
