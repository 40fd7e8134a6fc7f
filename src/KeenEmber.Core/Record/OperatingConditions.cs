using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Record;

/// <summary>How the unit stood at the moment of one reading. Null means nobody has recorded it.</summary>
/// <param name="EvaporatorFans">One state per fan in order.</param>
/// <param name="RunTime">How long the compressor had been running.</param>
/// <param name="BoxAboveTarget">Box air less target.</param>
/// <param name="BoxTarget">What the box is meant to hold.</param>
public sealed record OperatingConditions(
    IReadOnlyList<FactState?> EvaporatorFans,
    FactState? Coil,
    FactState? Compressor,
    TimeSpan? RunTime,
    FactState? CondenserFan,
    FactState? CondenserFace,
    TemperatureDifference? BoxAboveTarget,
    Temperature BoxTarget)
{
    /// <summary>Its machines stand elsewhere: nobody at the case can say whether they run.</summary>
    public bool IsOnRack { get; init; }

    /// <summary>Whether it is in its defrost.</summary>
    public FactState? Defrost { get; init; }

    /// <summary>How long ago the last defrost ended, where that was noted.</summary>
    public TimeSpan? SinceDefrost { get; init; }

    /// <summary>Air entering the condenser.</summary>
    public Temperature? CondenserAir { get; init; }

    /// <summary>The facts without a property of their own that were looked at.</summary>
    public IReadOnlyDictionary<AsFound, FactState> Seen { get; init; } = new Dictionary<AsFound, FactState>();

    /// <summary>A valve is shut, so the coil is being pumped down.</summary>
    public bool IsPumpedDown => StateOf(AsFound.LiquidSolenoid) == FactState.Closed || StateOf(AsFound.SuctionStop) == FactState.Closed;

    /// <summary>The state of a fact there is one of; null when nobody has recorded it. The fans have a state each and none
    /// together.</summary>
    public FactState? StateOf(AsFound fact) => fact switch
    {
        AsFound.EvaporatorFan => null,
        AsFound.Coil => Coil,
        AsFound.Compressor => Compressor,
        AsFound.Defrost => Defrost,
        AsFound.CondenserFan => CondenserFan,
        AsFound.CondenserFace => CondenserFace,
        _ => Seen.TryGetValue(fact, out var seen) ? seen : null,
    };

    /// <summary>What the box thermometer shows is not the air that enters the coil.</summary>
    public bool IsBoxMisread => StateOf(AsFound.BoxThermometer) is FactState.AtDoor or FactState.InSun or FactState.InDischargeAir;

    /// <summary>It is in its defrost, by the fact or by the controller's mode: fans and compressor that stand are right then.</summary>
    public bool IsInDefrost => Defrost == FactState.Defrosting
        || (Defrost is null && StateOf(AsFound.ControllerMode) == FactState.Defrosting);

    /// <summary>The unit's evaporator fans stand while it defrosts: electric and hot-gas defrosts, not off-cycle ones.</summary>
    public bool FansStandInDefrost { get; init; }

    /// <summary>All fans stand, compressor and condenser fan are not seen to run, and nobody has looked whether that is a
    /// defrost.</summary>
    public bool MayBeInDefrost => FansStandInDefrost && Defrost is null && StateOf(AsFound.ControllerMode) is null
        && Compressor != FactState.Running && CondenserFan != FactState.Running && AnyFanStopped
        && EvaporatorFans.All(f => f == FactState.Stopped);

    /// <summary>How long ago the last work on the unit was done; null where none was.</summary>
    public TimeSpan? SinceWork { get; init; }

    /// <summary>The control is seen to call for the compressor.</summary>
    public bool IsCalled { get; init; }

    /// <summary>The compressor is off although the call arrives: it is seen at the control, or the condenser fan, which hangs on the same
    /// contact, runs.</summary>
    public bool IsNotStarting => Compressor == FactState.Stopped && (IsCalled || CondenserFan == FactState.Running);

    /// <summary>Box air this close to its target is held, K: the usual differential of a box control.</summary>
    public const double HeldWithinK = 2;

    /// <summary>The box is at its target or colder, by a thermometer that hangs where it should.</summary>
    public bool IsHeld => BoxAboveTarget is { Kelvin: <= HeldWithinK } && !IsBoxMisread;

    /// <summary>The compressor is off because the box is cold enough.</summary>
    public bool IsSatisfied => Compressor == FactState.Stopped && IsHeld && !IsNotStarting;

    /// <summary>At least one evaporator fan is seen to stand.</summary>
    public bool AnyFanStopped => EvaporatorFans.Contains(FactState.Stopped);

    /// <summary>At least one evaporator fan was not looked at.</summary>
    public bool AnyFanUnrecorded => EvaporatorFans.Contains(null);
}

/// <summary>A value at a point with everything needed to judge it.</summary>
/// <param name="Atmosphere">Of the site, to make a gauge pressure absolute.</param>
/// <param name="Conditions">At the moment of the reading, not now.</param>
public sealed record TakenReading(
    Guid EntryId, PointRef Point, DateTimeOffset At, TypedValue Typed, Pressure Atmosphere, OperatingConditions Conditions)
{
    /// <summary>What it was taken with, where that was named.</summary>
    public NamedInstrument? Instrument { get; init; }

    /// <summary>Kelvin, or kilopascal absolute.</summary>
    public double Si => Typed.Si(Atmosphere);

    /// <summary>For a temperature.</summary>
    public Temperature Temperature => new(Si);

    /// <summary>For a pressure, absolute.</summary>
    public Pressure Pressure => new(Si);
}
