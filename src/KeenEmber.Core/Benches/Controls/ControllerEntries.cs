using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Controls;

/// <summary>What the temperature control is set to, and which end of its band that names.</summary>
public sealed record ControlSettingEntry(
    EntryHeader Header, ControlKind Kind, TypedValue Set, TypedValue? Differential, TypedValue? FixedCutIn) : Entry(Header)
{
    /// <summary>What was set.</summary>
    public ControlSetting Setting => new(Kind, Set.Temperature.Celsius, Differential?.Si(default), FixedCutIn?.Temperature.Celsius);
}

/// <summary>The control cut in or out.</summary>
/// <param name="Temperature">Of the box by the reference at that moment; where the control works on suction pressure, that
/// pressure.</param>
public sealed record ControlEventEntry(EntryHeader Header, bool CutsIn, TypedValue? Temperature) : Entry(Header);

/// <summary>One look at a relay of the controller.</summary>
/// <param name="Tapped">After the relay was tapped or cycled.</param>
public sealed record OutputStateEntry(EntryHeader Header, ControlOutput Output, OutputState State, bool Tapped) : Entry(Header);

/// <summary>A parameter of the controller as found or as left.</summary>
public sealed record ParameterEntry(EntryHeader Header, ControllerParameter Parameter, SettingStage Stage, TypedValue Value)
    : Entry(Header), IChangesUnit
{
    bool IChangesUnit.ChangesUnit => Stage == SettingStage.AsSet;
}

/// <summary>Where a mechanical thermostat acted at one place of its dial.</summary>
public sealed record DialEntry(EntryHeader Header, TypedValue Dial, TypedValue? CutIn, TypedValue? CutOut) : Entry(Header);

/// <summary>What water, scale or wear has done to a part of the control.</summary>
public sealed record DamageEntry(EntryHeader Header, ControlPart Part, DamageKind Damage) : Entry(Header);

/// <summary>The control of one side was turned, and this side followed.</summary>
public sealed record BulbTurnEntry(EntryHeader Header, BulbTurn Turn) : Entry(Header);
