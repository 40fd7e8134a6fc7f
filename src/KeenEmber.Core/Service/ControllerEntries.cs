using KeenEmber.Core.Controls;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Service;

/// <summary>What the temperature control is set to, and which end of its band that names.</summary>
public sealed record ControlSettingEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    ControlKind Kind, TypedValue Set, TypedValue? Differential, TypedValue? FixedCutIn) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects)
{
    public ControlSetting Setting => new(Kind, Set.Temperature.Celsius, Differential?.Si(default), FixedCutIn?.Temperature.Celsius);
}

/// <summary>The control cut in or out.</summary>
/// <param name="Temperature">Of the box by the reference at that moment; where the control works on suction pressure, that pressure.</param>
public sealed record ControlEventEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    bool CutsIn, TypedValue? Temperature) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>One look at a relay of the controller.</summary>
/// <param name="Tapped">After the relay was tapped or cycled.</param>
public sealed record OutputStateEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    ControlOutput Output, OutputState State, bool Tapped) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>A parameter of the controller as found or as left.</summary>
public sealed record ParameterEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    ControllerParameter Parameter, SettingStage Stage, TypedValue Value) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>Where a mechanical thermostat acted at one place of its dial.</summary>
public sealed record DialEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    TypedValue Dial, TypedValue? CutIn, TypedValue? CutOut) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>What water, scale or wear has done to a part of the control.</summary>
public sealed record DamageEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    ControlPart Part, DamageKind Damage) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>The control of one side was turned, and this side followed.</summary>
public sealed record BulbTurnEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    BulbTurn Turn) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);
