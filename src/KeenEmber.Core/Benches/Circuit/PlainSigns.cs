using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What one result or one fact says by itself, whatever the others show.</summary>
internal sealed class PlainSigns(CircuitInput input, IReadOnlyList<CircuitResult> results, OperatingConditions now)
{
    /// <summary>Where a water valve holds head, condensing lies at 35 to 43 °C (95 to 110 °F); well above that no heat leaves, however
    /// near the water is. Source: trade practice.</summary>
    private const double MostOverWaterC = 46;

    /// <summary>The compression ratio of a compressor that runs and hardly pumps; null for any other.</summary>
    private CircuitResult? IsEqual => now.Compressor != FactState.Running ? null
        : results.FirstOrDefault(r => r is { Kind: ResultKind.CompressionRatio, IsUsable: true, Value: < Plausibility.NotPumpingRatio });

    /// <summary>What comes before any judgement of all results together.</summary>
    internal IEnumerable<Finding> First()
    {
        if (IsEqual is { } ratio)
            yield return Of(CircuitPatterns.NotPumping, Strength.Fair, ratio);
        if (input.Standing == StandingVerdict.ShortOfLiquid)
            yield return ByStanding(CircuitPatterns.NearlyEmpty, BandPosition.Below, ResultKind.Subcooling);
        if (input.Standing is StandingVerdict.TooHigh or StandingVerdict.NonCondensables or StandingVerdict.OtherRefrigerant)
            yield return ByStanding(CircuitPatterns.NonCondensables, BandPosition.Above, ResultKind.CondenserSplit, ResultKind.Subcooling);
        if (Usable(ResultKind.DrierDrop, BandPosition.Above) is { } drop)
            yield return Of(CircuitPatterns.DrierRestricted, Strength.Strong, drop);
    }

    /// <summary>What stands beside it.</summary>
    internal IEnumerable<Finding> Last()
    {
        if (Usable(ResultKind.DischargeTemperature, BandPosition.Above) is { } hot)
            yield return Of(CircuitPatterns.DischargeTooHot, Strength.Fair, hot);
        if (Usable(ResultKind.CondensingLow, BandPosition.Below) is { } low)
            yield return Of(CircuitPatterns.HeadTooLow, Strength.Fair, low) with
            {
                Seen = now.CondenserFan == FactState.Cycling ? [$"{AsFound.CondenserFan}.{FactState.Cycling}"] : [],
            };
        if (Usable(ResultKind.CondensingHigh, BandPosition.Above) is { } high)
            yield return Of(CircuitPatterns.HighHead, Strength.Fair, high);
        if (now.StateOf(AsFound.LowPressureControl) == FactState.Chattering)
            yield return Of(CircuitPatterns.ShortCycling, Strength.Fair) with
            {
                Seen = [$"{AsFound.LowPressureControl}.{FactState.Chattering}"],
                WouldConfirm = [.. results.Where(r => r.Kind is ResultKind.SuperheatCoil or ResultKind.Subcooling && !r.IsUsable)
                    .Select(r => r.Ref.ToString())],
            };
        if (input.MakeUp.Condenser == CondenserKind.WaterCooled
            && results.FirstOrDefault(r => r is { Kind: ResultKind.Condensing, IsUsable: true }) is { Value: { } condensing } over
            && condensing > Temperature(MostOverWaterC))
            yield return Usable(ResultKind.WaterRise, BandPosition.Above) is { } rise
                ? Of(CircuitPatterns.HighHead, Strength.Strong, over, rise) with { Detail = CircuitPatterns.ShortOfWater }
                : Of(CircuitPatterns.HighHead, Strength.Fair, over) with { Detail = CircuitPatterns.OverWater };
    }

    private static double Temperature(double celsius) => Quantities.Temperature.FromCelsius(celsius).Kelvin;

    private CircuitResult? Usable(ResultKind kind, BandPosition where) =>
        results.FirstOrDefault(r => r.Kind == kind && r.IsUsable && r.Position == where);

    private Finding ByStanding(string code, BandPosition where, params ResultKind[] supports)
    {
        var asked = results.Where(r => supports.Contains(r.Kind)).ToList();
        var known = asked.Where(r => r is { IsUsable: true, Position: not null }).ToList();
        List<CircuitResult> speaking = [.. known.Where(r => r.Position == where)];
        return Of(code, known.Count > speaking.Count ? Strength.Weak : Strength.Fair, [.. speaking]) with
        {
            Seen = [$"{CircuitPatterns.StandingSign}.{input.Standing}"],
            Against = known.Except(speaking).ToDictionary(r => r.Ref.ToString(), r => r.Value!.Value),
            WouldConfirm = [.. asked.Except(known).Select(r => r.Ref.ToString())],
        };
    }

    private static Finding Of(string code, Strength strength, params CircuitResult[] behind) => new(
        code, behind.Any(r => r.Validity.Level != ValidityLevel.Good) ? Strength.Weak : strength,
        [.. behind.SelectMany(r => r.Basis).Select(r => r.EntryId).Distinct()],
        behind.ToDictionary(r => r.Ref.ToString(), r => r.Value!.Value));
}
