using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Simulation;

/// <summary>What a unit is doing.</summary>
public enum UnitMode
{
    /// <summary>Called, and running.</summary>
    Cooling,

    /// <summary>Cold enough.</summary>
    Satisfied,

    /// <summary>The coil is melted.</summary>
    Defrost,

    /// <summary>Water drips off, the fans wait.</summary>
    Drip,
}

/// <summary>
/// A whole unit in steps of a second: box air, walls and product; a coil with its frost; compressor; condenser; valve or tube; and where
/// the charge is. Lumped, from balances of mass and heat; it knows nothing of the rules that judge it.
/// </summary>
/// <remarks>
/// Its wiring decides what runs (<see cref="UnitWiring"/>). Left out: pressure drop in lines, oil, glide along the coil,
/// stratified air, air in the circuit. Sources: textbook balances (effectiveness by transfer units, clearance
/// volumetric efficiency, polytropic work), psychrometrics after Magnus, Lewis number 1.
/// </remarks>
public sealed partial class SimulatedUnit
{
    /// <summary>kJ/(kg·K), kg/m³, kJ/kg.</summary>
    private const double AirCp = 1.006, AirDensity = 1.25, ProductCp = 3.2, MetalCp = 0.45, FusionKj = 333.5, VaporisationKj = 2501;

    /// <summary>Compressor: clearance, polytropic and isentropic efficiency, share of its work that its shell loses by design.</summary>
    private const double Clearance = 0.04, Polytropic = 1.12, Isentropic = 0.58, ShellLoss = 0.12;

    /// <summary>How quickly vapour comes up to the air once it is dry, and liquid to the outside air in the flooded part of a
    /// condenser, in transfer units.</summary>
    private const double DryUnits = 8, FloodedUnits = 9;

    /// <summary>A valve's superheat where it begins to open and is fully open, K; its bulb and its stem follow in so many
    /// seconds.</summary>
    private const double OpensAtK = 2.6, FullK = 6.4, BulbS = 12, StemS = 20;

    private readonly UnitDesign design;
    private readonly FluidTable fluid;

    /// <summary>Sizes, from the design.</summary>
    private readonly double displacement, coilWPerK, condenserWPerK, waterKwPerK, designFlow, designKw, flowArea, coilFullKg, coilM3,
        condenserM3, receiverM3, plateKg, coilKj, condenserKj, airKg, wallKj, wallWPerK, coilAirKgPerS, shellKwPerK;

    private double stem, bulbC, frostKg, heldS, sinceDefrostS, chargeKg;

    /// <param name="design">How it is built.</param>
    /// <param name="startC">Everything in the box, °C.</param>
    public SimulatedUnit(UnitDesign design, double startC)
    {
        this.design = design;
        fluid = new(design.Refrigerant);
        var (te, tc, kw) = (design.TargetC - design.TdK, design.DesignAirC + design.SplitK, design.CapacityW / 1000);
        var isTube = design.Metering == Metering.CapillaryTube;
        var held = isTube ? 4 : 4.5;
        var sub = design.HasReceiver ? 4.5 : 5.5;
        var effect = fluid.Latent(te) + fluid.VapourCp * held - fluid.LiquidCp * (tc - sub - te);
        var flow = kw / effect;
        displacement = flow / (Volumetric(te, tc) * fluid.Vapour(te) * (te + Zero) / (te + held + Zero));
        var work = Work(te, tc, flow);
        coilWPerK = 1000 * kw / (design.TdK * (1 + Math.Log(1 - held / design.TdK) / DryUnits));
        var flooded = -Math.Log(1 - sub / (tc - design.DesignCoolantC)) / FloodedUnits;
        var hot = te + held + LineGainK + work * (1 - ShellLoss) / (flow * fluid.HotCp);
        shellKwPerK = ShellLoss * work / (hot - design.DesignAirC);
        var rejected = kw + work * (1 - ShellLoss);
        waterKwPerK = IsInWater ? rejected / UnitDesign.WaterRiseK : 0;
        condenserWPerK = 1000 / (1 - flooded) * (IsInWater
            ? -Math.Log(1 - UnitDesign.WaterRiseK / (tc - UnitDesign.DesignWaterC)) * waterKwPerK : rejected / design.SplitK);
        (designFlow, designKw) = (flow, work);
        flowArea = flow / Math.Sqrt(fluid.Liquid(tc) * (fluid.Kpa(tc) - fluid.Kpa(te))) * (isTube ? 1 : 1.9);
        (coilM3, var lineM3) = (0.0016 * kw, 0.00018 * kw);
        coilFullKg = 0.22 * coilM3 * fluid.Liquid(te);
        (condenserM3, receiverM3) = (0.0011 * kw, design.HasReceiver ? 0.0022 * kw : 0);
        plateKg = coilFullKg * (isTube ? 0.94 : 0.8) + lineM3 * fluid.Liquid(tc) + flooded * condenserM3 * fluid.Liquid(tc)
            + 0.35 * receiverM3 * fluid.Liquid(tc) + (design.HasHeadValve ? WinterShare * condenserM3 * fluid.Liquid(tc) : 0);
        lineKg = lineM3 * fluid.Liquid(tc);
        (coilKj, condenserKj) = (6 * kw * MetalCp, 5 * kw * MetalCp);
        airKg = design.BoxM3 * AirDensity;
        innerKj = design.Kind == EquipmentKind.GlycolChiller ? BathKj : Math.Max(LeastInnerKj, InnerKjPerM3 * design.BoxM3);
        (wallKj, wallWPerK) = (Math.Max(4, design.BoxM3 * 6), design.WallWPerK * 6);
        coilAirKgPerS = kw / (0.5 * design.TdK * AirCp);
        Wiring = UnitWiring.Of(design);
        fed = Wiring.Under(new(CircuitMode.Satisfied, false, false, false, false));
        (BoxC, WallC, ProductC, EvaporatingC, bulbC, SensorC, CoilOutC) = (startC, startC, startC, startC, startC, startC, startC);
        (ShellC, CondensingC, CoilLiquidKg, chargeKg) = (design.DesignAirC, design.DesignAirC, coilFullKg * 0.5, plateKg);
        (CoolantC, inletC) = (design.DesignCoolantC, startC);
        Humidity = 0.7 * Moisture(startC);
        sinceDefrostS = design.Defrosts > 0 ? 43_200.0 / design.Defrosts : 0;
    }

    private readonly double lineKg, innerKj;

    /// <summary>What goes with the air at once, kJ/K: a chiller's bath; shelves and liner of a box.</summary>
    private const double BathKj = 300, LeastInnerKj = 14, InnerKjPerM3 = 1.6;

    private const double Zero = Temperature.ZeroCelsiusInKelvin;

    /// <summary>What is wrong with it.</summary>
    public UnitFaults Faults
    {
        get;
        set
        {
            // Setting them has the wiring solved anew.
            if (!ReferenceEquals(value.Wired, field.Wired))
                Wiring.Faults = value.Wired;
            field = value;
        }
    } = UnitFaults.None;

    /// <summary>Its diagram, which decides what runs, and the voltages in it.</summary>
    public UnitWiring Wiring { get; }

    private FedLoads fed;

    /// <summary>Seconds since midnight of the first day.</summary>
    public double Seconds { get; private set; }

    /// <summary>°C.</summary>
    public double BoxC { get; private set; }

    /// <summary>°C.</summary>
    public double ProductC { get; private set; }

    private double WallC { get; set; }

    /// <summary>Air leaving the coil, °C.</summary>
    public double CoilOutC { get; private set; }

    /// <summary>Air round it, °C.</summary>
    public double OutsideC { get; private set; }

    /// <summary>Air round its box and its lines, °C.</summary>
    private double RoomC { get; set; }

    /// <summary>°C.</summary>
    public double EvaporatingC { get; private set; }

    /// <summary>°C.</summary>
    public double CondensingC { get; private set; }

    /// <summary>At the end of the coil, K.</summary>
    public double SuperheatK { get; private set; }

    /// <summary>At the end of the condenser, K.</summary>
    public double SubcoolingK { get; private set; }

    /// <summary>What the compressor pumps, kg/s.</summary>
    public double FlowKgPerS { get; private set; }

    /// <summary>kW.</summary>
    public double WorkKw { get; private set; }

    /// <summary>What the coil takes from the air, water that freezes on it included, kW.</summary>
    public double CoilKw { get; private set; }

    /// <summary>What the condenser gives off, kW.</summary>
    public double RejectedKw { get; private set; }

    /// <summary>Ice on the coil, kg.</summary>
    public double FrostKg => frostKg;

    /// <summary>Of the coil that ice fills, 0 to 1.</summary>
    public double IceShare => Math.Clamp(frostKg / (FullFrostKg * design.CapacityW / 1000), 0, 1);

    /// <summary>Its low-pressure control is open.</summary>
    public bool IsHeldByLowPressure => isLowPressure;

    /// <summary>What it does now.</summary>
    public UnitMode Mode { get; private set; } = UnitMode.Satisfied;

    /// <summary>Runs.</summary>
    public bool CompressorRuns { get; private set; }

    /// <summary>The fan of the condenser has its voltage.</summary>
    public bool IsCondenserFanFed => fed.CondenserFan;

    /// <summary>The fans of the coil have their voltage; of a chiller its pump.</summary>
    public bool AreFansFed => fed.EvaporatorFans;

    /// <summary>Its heaters have their voltage.</summary>
    public bool IsHeated => fed.Heaters;

    /// <summary>Of its heaters, A.</summary>
    public double HeaterAmperes => fed.Heaters ? design.HeaterW * (1 - Faults.HeaterOut) / UnitWiring.SupplyVolts : 0;

    /// <summary>How its defrost by heaters is set: it ends at this coil temperature, °C, or after so many minutes, and the fans come back
    /// below this one, °C.</summary>
    public const double EndsAtC = EndC, LongestHeatMin = HeatedS / 60, FansAtC = FansBackC;

    /// <summary>The defrost clock has its voltage; so where there is none.</summary>
    public bool IsClockFed => fed.Clock;

    /// <summary>Defrosts that were begun.</summary>
    public int DefrostsBegun { get; private set; }

    /// <summary>Since the compressor last changed, s.</summary>
    public double HeldS => heldS;

    /// <summary>What it holds now, kg.</summary>
    public double ChargeKg => chargeKg * (1 - Faults.ChargeLost + Faults.Overcharge);

    /// <summary>Its nameplate, kg.</summary>
    public double PlateKg => plateKg;

    /// <summary>Liquid in the coil, kg.</summary>
    public double CoilLiquidKg { get; private set; }

    private double SensorC { get; set; }

    /// <summary>kg of water in a kg of air.</summary>
    private double Humidity { get; set; }

    /// <summary>Suction and head pressure, kPa absolute.</summary>
    public double SuctionKpa => fluid.Kpa(SuctionC);

    /// <summary>kPa absolute.</summary>
    public double HeadKpa => fluid.Kpa(CondensingC);

    /// <summary>Liquid line, °C.</summary>
    public double LiquidC => CondensingC - SubcoolingK;

    /// <summary>Suction line at the compressor, °C.</summary>
    public double SuctionLineC => CompressorRuns ? Math.Min(OutsideC, EvaporatingC + SuperheatK + LineGainK) : OutsideC;

    /// <summary>An insulated line, K.</summary>
    private const double LineGainK = 7;

    /// <summary>Discharge line, °C: what came in, and the work that the shell does not lose to the air round it.</summary>
    public double DischargeC => FlowKgPerS > 0
        ? (WorkKw + FlowKgPerS * fluid.HotCp * SuctionLineC + shellKwPerK * OutsideC) / (FlowKgPerS * fluid.HotCp + shellKwPerK)
        : OutsideC;

    /// <summary>What the shell loses, kW.</summary>
    private double ShellKw => CompressorRuns ? shellKwPerK * (DischargeC - OutsideC) : 0;

    /// <summary>Of the compressor, °C.</summary>
    public double ShellC { get; private set; }

    /// <summary>It has its voltage and does not turn.</summary>
    public bool IsStalled { get; private set; }

    /// <summary>High-pressure control or overload is open: it waits until it has cooled.</summary>
    public bool IsTripped => isHighPressure || isOverheated || isStripOpen;

    /// <summary>It is the high-pressure control that holds it; a unit without one goes off by its overload.</summary>
    public bool IsHeldByPressure => isHighPressure && Wiring.Part(ComponentKind.HighPressureControl, WiredKind.Contact) is not null;

    private bool isHighPressure, isOverheated;

    /// <summary>Of the compressor on 230 V, A; so many times what it takes by design while it starts or is held.</summary>
    public double Amperes
    {
        get
        {
            if (IsStalled || (CompressorRuns && heldS < 1))
                return LockedTimes * AmperesOf(designKw);
            return CompressorRuns ? AmperesOf(WorkKw) : 0;
        }
    }

    private const double LockedTimes = 5;

    private static double AmperesOf(double kw) => 1000 * kw / (UnitWiring.SupplyVolts * 0.8) + 0.4;

    private double Volumetric(double te, double tc) =>
        Math.Max(0.05, 1 + Clearance - Clearance * Math.Pow(fluid.Kpa(tc) / fluid.Kpa(te), 1 / Polytropic));

    /// <summary>Polytropic compression over its efficiency, kW.</summary>
    private double Work(double te, double tc, double flow)
    {
        const double Power = (Polytropic - 1) / Polytropic;
        var (low, high) = (fluid.Kpa(te), fluid.Kpa(tc));
        return flow * low / fluid.Vapour(te) / Power * (Math.Pow(Math.Max(1, high / low), Power) - 1) / Isentropic;
    }

    /// <summary>kg of water in a kg of air that can hold no more.</summary>
    private static double Moisture(double at)
    {
        var vapour = WaterVapour.Saturation(Temperature.FromCelsius(at)).Kpa;
        return 0.622 * vapour / (101.3 - vapour);
    }
}
