using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Box;

/// <summary>What the box should read at a later moment, said before leaving.</summary>
/// <param name="Due">When to read it.</param>
/// <param name="Expected">What it should read then; nine of ten boxes lie between <paramref name="Low"/> and
/// <paramref name="High"/>.</param>
public sealed record BoxForecastEntry(EntryHeader Header, DateTimeOffset Due, TypedValue Expected, TypedValue Low, TypedValue High)
    : Entry(Header);

/// <summary>What of a box keeps warm air out or cold air moving.</summary>
public enum BoxPart
{
    /// <summary>Gasket, tried with a strip of paper in the closed door.</summary>
    GasketPaper,

    /// <summary>Gap at the latch side.</summary>
    LatchGap,

    /// <summary>The closer pulls the door shut.</summary>
    Closer,

    /// <summary>Strip curtain.</summary>
    StripCurtain,

    /// <summary>Air curtain and honeycomb of an open case.</summary>
    AirCurtain,

    /// <summary>Deflector or panel of the coil.</summary>
    Deflector,

    /// <summary>Panel joints, holes, pipe passages.</summary>
    PanelJoint,
}

/// <summary>A part of the box was looked at.</summary>
/// <param name="Where">Which door, which side; may be empty.</param>
/// <param name="Repaired">How it was put right; empty where it was not.</param>
public sealed record BoxCheckEntry(EntryHeader Header, BoxPart Part, string Where, bool IsSound, string Repaired = "")
    : Entry(Header), IChangesUnit
{
    bool IChangesUnit.ChangesUnit => Repaired.Length > 0;

    IReadOnlyList<ProofKind> IChangesUnit.WantsProof(Equipment unit) => Repaired.Length > 0 ? Proofs.Wanted(WorkArea.Box, unit) : [];
}

/// <summary>One of several systems on a box, as it was seen.</summary>
/// <param name="System">Its name: "A", "left".</param>
/// <param name="Current">Of its compressor; null where it was not measured.</param>
/// <param name="Split">Condensing less air entering its condenser; null where it was not measured.</param>
/// <param name="AirDrop">Over its coil; null where it was not measured.</param>
/// <param name="Evaporating">What it evaporates at; null where no gauge was on.</param>
/// <param name="Glass">What its sight glass showed, full or bubbles; null where nobody looked.</param>
public sealed record BoxSystemEntry(
    EntryHeader Header, string System, bool Runs, bool IsCalled, TypedValue? Current, TypedValue? Split, TypedValue? AirDrop,
    TypedValue? Evaporating = null, FactState? Glass = null) : Entry(Header);

/// <summary>Which air of a box.</summary>
public enum AirSide
{
    /// <summary>On its way back to the coil.</summary>
    Return,

    /// <summary>Blown out of the coil.</summary>
    Supply,
}

/// <summary>Air at one place of a box.</summary>
/// <param name="Where">"left", "over the door"; may be empty.</param>
public sealed record AirAtEntry(EntryHeader Header, AirSide Side, string Where, TypedValue Temperature) : Entry(Header);

/// <summary>A bottle of water that stood in a cooler which must not freeze.</summary>
/// <param name="Temperature">Of the water.</param>
/// <param name="HasIce">Ice was seen in it.</param>
public sealed record BottleEntry(EntryHeader Header, TypedValue Temperature, bool HasIce) : Entry(Header);

/// <summary>What a box is insulated with.</summary>
public enum Insulation
{
    /// <summary>Polyurethane panels.</summary>
    Polyurethane,

    /// <summary>Polystyrene.</summary>
    Polystyrene,

    /// <summary>Old, wet or unknown.</summary>
    Unknown,
}

/// <summary>What comes into a box, as it was measured or asked for, and what its circuit moves.</summary>
/// <param name="Air">Outside the box.</param>
/// <param name="HumidityPercent">Relative, of the air outside.</param>
/// <param name="OpenMinPerDay">How long doors stand open in a day, min.</param>
/// <param name="GapM">Length of gaps in gaskets and joints, m, taken at 5 mm.</param>
/// <param name="ProductKgPerDay">kg a day.</param>
/// <param name="PeopleHoursPerDay">h a day, all together.</param>
/// <param name="LightsWh">Wh a day.</param>
/// <param name="FansW">Of the evaporator fans, W.</param>
/// <param name="DefrostWh">Of defrost heaters, Wh a day.</param>
/// <param name="CapacityW">What the circuit moves by the compressor's data at what it works at now, W; null where there are none.</param>
/// <param name="CoilAirM3PerH">What the coil blows, m³/h; null where it is not known.</param>
public sealed record HeatBalanceEntry(
    EntryHeader Header, double LengthM, double WidthM, double HeightM, double WallM, Insulation Insulation, TypedValue Air,
    double HumidityPercent, double DoorM2, double OpenMinPerDay, bool HasCurtain, double GapM, double ProductKgPerDay,
    TypedValue? ProductIn, double PeopleHoursPerDay, double LightsWh, double FansW, double DefrostWh, double? CapacityW,
    double? CoilAirM3PerH) : Entry(Header);
