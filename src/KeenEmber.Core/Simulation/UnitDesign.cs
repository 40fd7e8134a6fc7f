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

    /// <summary>What cools its condenser.</summary>
    public CondenserKind Condenser { get; init; } =
        HasReceiver ? CondenserKind.AirCooledRemote : CondenserKind.AirCooledSelfContained;

    /// <summary>A valve keeps its head pressure up in the cold by backing liquid up in the condenser; it holds charge for that.</summary>
    public bool HasHeadValve { get; init; }

    /// <summary>Its thermostat shuts a valve in the liquid line; the compressor empties the low side and goes off by its low-pressure
    /// control.</summary>
    public bool PumpsDown { get; init; }

    /// <summary>Water into a condenser that it cools, on the design day, °C, and how much warmer it comes out, K.</summary>
    public const double DesignWaterC = 18, WaterRiseK = 10;

    /// <summary>What takes the condenser's heat, on the design day, °C.</summary>
    public double DesignCoolantC => Condenser == CondenserKind.WaterCooled ? DesignWaterC : DesignAirC;

    /// <summary>The same box with a condenser in water.</summary>
    /// <exception cref="InvalidOperationException">It has no receiver: nobody builds that.</exception>
    public UnitDesign InWater() => HasReceiver ? this with { Condenser = CondenserKind.WaterCooled, SplitK = WaterSplitK }
        : throw new InvalidOperationException("A condenser in water has its receiver.");

    /// <summary>The same unit with pump-down.</summary>
    /// <exception cref="InvalidOperationException">It has no receiver that would hold what is pumped down.</exception>
    public UnitDesign WithPumpDown() => HasReceiver ? this with { PumpsDown = true }
        : throw new InvalidOperationException("What is pumped down needs a receiver.");

    /// <summary>Condensing less outside air of a condenser in water, K.</summary>
    private const double WaterSplitK = 7;

    /// <summary>What its circuit has besides the usual.</summary>
    public CircuitParts Parts => (HasReceiver ? CircuitParts.Receiver : CircuitParts.None)
        | (HasHeadValve ? CircuitParts.HeadPressureValve : CircuitParts.None)
        | (PumpsDown ? CircuitParts.LiquidSolenoid : CircuitParts.None);

    /// <summary>The refrigerant of the catalogue.</summary>
    internal Refrigerant Refrigerant => RefrigerantCatalogue.Find(Fluid)!;
}

/// <summary>The day outside.</summary>
/// <param name="MeanC">Of the day, °C.</param>
/// <param name="SwingK">From the mean to the warmest hour.</param>
/// <param name="Humidity">Relative, 0 to 1.</param>
/// <param name="OpenFromH">The place is open from this hour on.</param>
/// <param name="OpenToH">And closes at this one.</param>
/// <param name="DriftK">From the mean to the warmest day of warm and cold spells that take turns.</param>
/// <param name="WaterC">Of a mains that cools a condenser, °C.</param>
/// <param name="RoomC">Round the box, °C; null where it stands outside.</param>
public sealed record Weather(
    double MeanC, double SwingK = 0, double Humidity = 0.55, double OpenFromH = 7, double OpenToH = 19, double DriftK = 0,
    double WaterC = UnitDesign.DesignWaterC, double? RoomC = null)
{
    /// <summary>From one warm spell to the next, h.</summary>
    private const double SpellH = 9 * 24;

    private const double WarmestH = 15;

    /// <summary>Outside air, °C, by hours since midnight.</summary>
    public double AirC(double hour) => MeanC + SwingK * Math.Cos((hour - WarmestH) / 24 * Math.Tau)
        + (DriftK == 0 ? 0 : DriftK * Math.Sin(hour / SpellH * Math.Tau));

    /// <summary>Doors are used.</summary>
    public bool IsOpen(double hour) => hour % 24 >= OpenFromH && hour % 24 < OpenToH;
}
