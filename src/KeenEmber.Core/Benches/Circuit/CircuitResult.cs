using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What kind of number a result is.</summary>
public enum ResultQuantity
{
    /// <summary>On the scale, K.</summary>
    Temperature,

    /// <summary>Between two temperatures, K.</summary>
    Difference,

    /// <summary>Of two absolute pressures.</summary>
    Ratio,

    /// <summary>Of 1.</summary>
    Share,
}

/// <summary>A named number inside a formula, for showing how a result came about.</summary>
public enum TermKind
{
    /// <summary>A value as it was read.</summary>
    Reading,

    /// <summary>A gauge pressure with the atmosphere added.</summary>
    AbsolutePressure,

    /// <summary>Where the last liquid boils off at a pressure.</summary>
    DewTemperature,

    /// <summary>Where the first vapour forms at a pressure.</summary>
    BubbleTemperature,

    /// <summary>Half-way between dew and bubble.</summary>
    MidpointTemperature,
}

/// <param name="Point">The reading the number is, or was looked up from.</param>
/// <param name="Si">K or kPa absolute.</param>
public readonly record struct FormulaTerm(TermKind Kind, PointRef Point, double Si);

/// <summary>One result, as far as the readings allow.</summary>
/// <param name="Value">Kelvin on the scale, kelvin of difference, a ratio, or a share of 1, by <see cref="Quantity"/>; null while something
/// is missing or outside the refrigerant's range.</param>
/// <param name="Band">Target range in the same unit; null when the result has none.</param>
/// <param name="Missing">Points still to be taken, in walking order.</param>
public sealed record CircuitResult(
    ResultRef Ref, double? Value, Band? Band, Validity Validity,
    IReadOnlyList<TakenReading> Basis, IReadOnlyList<PointRef> Missing, IReadOnlyList<FormulaTerm> Terms)
{
    /// <summary>Which result, whatever the coil.</summary>
    public ResultKind Kind => Ref.Kind;

    /// <summary>What kind of number its value is.</summary>
    public ResultQuantity Quantity => QuantityOf(Kind);

    /// <summary>What kind of number a result of this kind is.</summary>
    public static ResultQuantity QuantityOf(ResultKind kind) => kind switch
    {
        ResultKind.Evaporating or ResultKind.Condensing or ResultKind.CondensingLow or ResultKind.CondensingHigh
            or ResultKind.DischargeTemperature
            => ResultQuantity.Temperature,
        ResultKind.CurrentShare => ResultQuantity.Share,
        ResultKind.CompressionRatio => ResultQuantity.Ratio,
        _ => ResultQuantity.Difference,
    };

    /// <summary>Counts for a judgement: there is a value and nothing forbids its use.</summary>
    public bool IsUsable => Value is not null && Validity.Level != ValidityLevel.NotUsable;

    /// <summary>TD and split say it with the weather taken out; these two only show where they should be.</summary>
    public bool IsPlainTemperature => Kind is ResultKind.Evaporating or ResultKind.Condensing;

    /// <summary>Where the value lies against its band; null without a value or a band.</summary>
    public BandPosition? Position => Value is { } value ? Band?.Place(value) : null;
}

/// <summary>What the bench is given. A reading at a point the unit does not have is left aside.</summary>
/// <param name="Readings">The latest reading of each point.</param>
public sealed record CircuitInput(Refrigerant Refrigerant, CircuitMakeUp MakeUp, IReadOnlyDictionary<PointRef, TakenReading> Readings)
{
    /// <summary>The course of the readings in time, where points were logged repeatedly: its settled stretch is judged instead of the last
    /// values.</summary>
    public SeriesAnalysis? Series { get; init; }

    /// <summary>What the system's pressure said when it stood still, where that was tested.</summary>
    public StandingVerdict? Standing { get; init; }

    /// <summary>Gauges are on, or the case or the company's policy asks for them.</summary>
    public bool GaugesWanted { get; init; } = true;

    /// <summary>Points that were measured before the last work, and not since.</summary>
    public IReadOnlySet<PointRef> Again { get; init; } = new HashSet<PointRef>();
}

/// <summary>Everything the readings say.</summary>
public sealed record CircuitAnalysis(
    IReadOnlyList<CircuitResult> Results, IReadOnlyList<CircuitChallenge> Challenges,
    IReadOnlyList<Finding> Findings, NextStep? Next)
{
    /// <summary>The result of this name. There must be one.</summary>
    public CircuitResult this[ResultRef result] => Results.First(r => r.Ref == result);
}
