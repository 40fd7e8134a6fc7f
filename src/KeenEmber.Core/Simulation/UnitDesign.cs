using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Simulation;

/// <summary>How a unit that exists only in arithmetic is built.</summary>
/// <remarks>Sizes follow from what the box needs on its design day, as a maker chooses them: so much capacity over the load, a coil and a
/// condenser for usual differences, a valve that can open half as far again, volumes and charge that go with the capacity.</remarks>
/// <param name="TargetC">Of the box, °C.</param>
/// <param name="BoxM3">Inside.</param>
/// <param name="WallWPerK">Heat through the walls.</param>
/// <param name="DoorW">What doors and gaps let in on average while the place is open, at the design day.</param>
/// <param name="ProductKg">Stored; it follows the air slowly.</param>
/// <param name="DesignAirC">Air outside on the design day, °C.</param>
/// <param name="TdK">Box less evaporating by design.</param>
/// <param name="SplitK">Condensing less outside air by design.</param>
/// <param name="Fluid">By name.</param>
/// <param name="Metering">Thermostatic or electronic valve, or a capillary tube.</param>
/// <param name="HasReceiver">Liquid is kept in one.</param>
/// <param name="Defrosts">A day; none where the coil melts by itself while it is off.</param>
/// <param name="HeaterW">Of a defrost; 0 where air melts it.</param>
public sealed record UnitDesign(
    EquipmentKind Kind, double TargetC, double BoxM3, double WallWPerK, double DoorW, double ProductKg, double DesignAirC, double TdK,
    double SplitK, string Fluid, Metering Metering, bool HasReceiver, int Defrosts, double HeaterW)
{
    /// <summary>Of the time it runs on its design day.</summary>
    private const double DesignRun = 0.65;

    /// <summary>Fans and lights heat the box by so much of its other load.</summary>
    private const double FansShare = 0.12;

    /// <summary>What the fans give off, W.</summary>
    public double FansW => FansShare * (WallWPerK * (DesignAirC - TargetC) + DoorW);

    /// <summary>What comes in on the design day, W.</summary>
    public double LoadW => WallWPerK * (DesignAirC - TargetC) + DoorW + FansW;

    /// <summary>What it moves while it runs by design, W.</summary>
    public double CapacityW => LoadW / DesignRun;

    /// <summary>The usual unit of a kind.</summary>
    public static UnitDesign Of(EquipmentKind kind) => kind switch
    {
        EquipmentKind.WalkInCooler => new(kind, 3, 24, 16, 500, 600, 28, 6.5, 11, "R448A", Metering.ThermostaticValve, true, 3, 0),
        EquipmentKind.WalkInFreezer => new(kind, -20, 20, 12, 350, 700, 28, 5.5, 10, "R404A", Metering.ThermostaticValve, true, 4, 1800),
        EquipmentKind.DriveInFreezer =>
            new(kind, -20, 160, 55, 1600, 6000, 28, 5.5, 10, "R449A", Metering.ThermostaticValve, true, 4, 9000),
        EquipmentKind.ReachInCooler => new(kind, 3, 0.6, 1.8, 60, 60, 28, 11, 12, "R134a", Metering.CapillaryTube, false, 4, 0),
        EquipmentKind.ReachInFreezer => new(kind, -19, 0.6, 1.6, 45, 70, 28, 11, 12, "R290", Metering.CapillaryTube, false, 3, 300),
        EquipmentKind.PrepTable => new(kind, 3, 0.5, 2.2, 120, 40, 28, 11.5, 12, "R134a", Metering.CapillaryTube, false, 4, 0),
        EquipmentKind.OpenCase => new(kind, 2, 1.6, 9, 900, 120, 24, 9, 12, "R448A", Metering.ThermostaticValve, true, 6, 0),
        EquipmentKind.GlassDoorCase => new(kind, 3, 1.4, 6, 260, 150, 24, 9, 12, "R449A", Metering.ElectronicValve, true, 6, 0),
        EquipmentKind.IceMerchandiser => new(kind, -9, 1.2, 2.4, 50, 300, 30, 11, 12, "R404A", Metering.CapillaryTube, false, 2, 350),
        EquipmentKind.BottleCooler => new(kind, 3, 0.5, 1.7, 70, 120, 28, 11, 12, "R290", Metering.CapillaryTube, false, 8, 0),
        _ => new(EquipmentKind.GlycolChiller, -2, 0.3, 3, 1500, 250, 26, 6.5, 11, "R134a", Metering.ThermostaticValve, true, 0, 0),
    };

    /// <summary>The refrigerant of the catalogue.</summary>
    internal Refrigerant Refrigerant => RefrigerantCatalogue.Find(Fluid)!;
}

/// <summary>What can be wrong with it, each from 0 (sound) to 1.</summary>
/// <param name="ChargeLost">Of its charge.</param>
/// <param name="Overcharge">Of its charge, too much in it.</param>
/// <param name="CondenserDirt">Of the condenser's air that is held back.</param>
/// <param name="CondenserFanOut">1: it stands.</param>
/// <param name="EvaporatorAir">Of the coil's air that is missing: a fan out, a coil blocked.</param>
/// <param name="ValveShut">Of the valve or tube that is closed: dirt, ice, a lost bulb.</param>
/// <param name="ValveOpen">How far it feeds too much.</param>
/// <param name="CompressorWear">Of what it pumps that comes back through its valves.</param>
/// <param name="DoorOpen">Of the time a door stands open.</param>
/// <param name="HeaterOut">Of the defrost heat that is missing.</param>
/// <param name="ProbeOffK">What the control's sensor reads too much, K.</param>
public sealed record UnitFaults(
    double ChargeLost = 0, double Overcharge = 0, double CondenserDirt = 0, double CondenserFanOut = 0, double EvaporatorAir = 0,
    double ValveShut = 0, double ValveOpen = 0, double CompressorWear = 0, double DoorOpen = 0, double HeaterOut = 0, double ProbeOffK = 0)
{
    /// <summary>In its wiring, by the names of its diagram.</summary>
    public IReadOnlyList<PartFault> Wired { get; init; } = [];

    /// <summary>Nothing is wrong.</summary>
    public static readonly UnitFaults None = new();

    /// <summary>Both together.</summary>
    public UnitFaults With(UnitFaults other) => new(Math.Min(1, ChargeLost + other.ChargeLost), Overcharge + other.Overcharge,
        Math.Min(1, CondenserDirt + other.CondenserDirt), Math.Min(1, CondenserFanOut + other.CondenserFanOut),
        Math.Min(1, EvaporatorAir + other.EvaporatorAir), Math.Min(1, ValveShut + other.ValveShut), ValveOpen + other.ValveOpen,
        Math.Min(1, CompressorWear + other.CompressorWear), Math.Min(1, DoorOpen + other.DoorOpen),
        Math.Min(1, HeaterOut + other.HeaterOut), ProbeOffK + other.ProbeOffK) { Wired = [.. Wired, .. other.Wired] };
}

/// <summary>The day outside.</summary>
/// <param name="MeanC">Of the day, °C.</param>
/// <param name="SwingK">From the mean to the warmest hour.</param>
/// <param name="Humidity">Relative, 0 to 1.</param>
/// <param name="OpenFromH">The place is open from this hour on.</param>
/// <param name="OpenToH">And closes at this one.</param>
public sealed record Weather(double MeanC, double SwingK = 0, double Humidity = 0.55, double OpenFromH = 7, double OpenToH = 19)
{
    private const double WarmestH = 15;

    /// <summary>Outside air, °C, by hours since midnight.</summary>
    public double AirC(double hour) => MeanC + SwingK * Math.Cos((hour - WarmestH) / 24 * Math.Tau);

    /// <summary>Doors are used.</summary>
    public bool IsOpen(double hour) => hour % 24 >= OpenFromH && hour % 24 < OpenToH;
}
