using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>Where a cylinder is connected.</summary>
public enum ChargePort
{
    /// <summary>The suction side.</summary>
    Suction,

    /// <summary>The liquid line or the receiver.</summary>
    LiquidLine,

    /// <summary>The discharge side.</summary>
    Discharge,

    /// <summary>The process tube of a sealed unit.</summary>
    ProcessTube,
}

/// <summary>Liquid or vapour.</summary>
public enum Phase
{
    /// <summary>Liquid.</summary>
    Liquid,

    /// <summary>Vapour.</summary>
    Vapour,
}

/// <summary>What is left in the hoses when they come off.</summary>
public enum HosesAtEnd
{
    /// <summary>Nothing to speak of: it was drawn into the circuit, or the fittings are on the unit.</summary>
    Empty,

    /// <summary>Liquid.</summary>
    FullOfLiquid,

    /// <summary>Vapour at the pressure of the suction side.</summary>
    FullOfVapour,
}

/// <summary>A cylinder goes on the scale.</summary>
/// <param name="Recovers">Refrigerant is taken out of the unit, else charged into it.</param>
/// <param name="Weight">Of the cylinder as it goes on.</param>
/// <param name="TargetKg">What is to go in or come out, kg; null where it is stopped by something else.</param>
/// <param name="HoseM">Length of the hose between cylinder and unit, m.</param>
/// <param name="HoseBoreM">Its inside width, m.</param>
/// <param name="TareKg">Of the cylinder, kg; null where its list does not have it.</param>
/// <param name="WaterL">What the cylinder holds of water, l; null where its list does not have it.</param>
public sealed record ScaleStartEntry(
    EntryHeader Header, string Cylinder, string Refrigerant, bool Recovers, ChargePort Port, Phase Phase, TypedValue Weight,
    double? TargetKg, double HoseM, double HoseBoreM, HosesAtEnd Hoses, double? TareKg, double? WaterL, string Why) : Entry(Header);

/// <summary>The cylinder's weight was read.</summary>
/// <param name="Session">The entry that put it on the scale.</param>
public sealed record ScaleWeightEntry(EntryHeader Header, Guid Session, TypedValue Weight) : Entry(Header)
{
    /// <inheritdoc/>
    public override Entry WithReferences(Func<Guid, Guid> map) =>
        (ScaleWeightEntry)base.WithReferences(map) with { Session = map(Session) };
}

/// <summary>How the unit did at the charge it had: one step of a trimming by trial.</summary>
/// <param name="AirDrop">Air entering less leaving the coil.</param>
/// <param name="Box">Box air; null where it was not read.</param>
/// <param name="Superheat">Null where no gauge was on.</param>
public sealed record TrimEntry(EntryHeader Header, TypedValue AirDrop, TypedValue? Box, TypedValue? Superheat) : Entry(Header)
{
    /// <summary>What rows of the ledger say that come of it.</summary>
    public const string Why = "trial trimming";
}
