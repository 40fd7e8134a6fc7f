using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Simulation;

/// <content>Its refrigerant: compressor, condenser in air or water, what backs liquid up in it, valve or tube.</content>
public sealed partial class SimulatedUnit
{
    /// <summary>Compressor, condenser, valve or tube: who pumps how much, and where the liquid is.</summary>
    private void Circuit()
    {
        var liquid = Math.Max(0, ChargeKg - CoilLiquidKg - lineKg);
        var dense = fluid.Liquid(CondensingC);
        var bottom = BaseFlooded * condenserM3 * dense;
        BackUp();
        var held = Math.Min(backedUp * condenserM3 * dense, Math.Max(0, liquid - bottom));
        liquid -= held;
        var inReceiver = design.HasReceiver ? Math.Min(liquid, receiverM3 * dense) : 0;
        // A condenser with a receiver below it drains into it and keeps only what subcools; without one, or with a full one, it fills up.
        var flooded = design.HasReceiver
            ? Math.Clamp((held + Math.Min(liquid, bottom) + Math.Max(0, liquid - bottom - receiverM3 * dense)) / (condenserM3 * dense),
                0, 0.9)
            : Math.Clamp(liquid / (condenserM3 * dense), 0, 0.9);
        var seal = design.HasReceiver ? Math.Max(0, inReceiver - bottom) / (SealShare * receiverM3 * dense)
            : flooded / SealOfTube;
        Sealed = Math.Clamp(seal, 0, 1) * (1 - Flash());
        var feed = LeastFeed + (1 - LeastFeed) * Sealed;
        var warmer = Math.Max(0, CondensingC - CoolantC);
        SubcoolingK = warmer * (1 - Math.Exp(-FloodedUnits * flooded)) * Math.Clamp(seal, 0, 1);

        FlowKgPerS = CompressorRuns
            ? displacement * (1 - Faults.CompressorWear) * Volumetric(SuctionC, CondensingC) * fluid.Vapour(SuctionC)
                * (SuctionC + Zero) / (SuctionC + SuperheatK + Zero) : 0;
        var leaks = Faults.CompressorWear / (1 - Faults.CompressorWear);
        WorkKw = CompressorRuns ? Work(SuctionC, CondensingC, FlowKgPerS * (1 + LeakWork * leaks)) : 0;
        RejectedKw = (1 - flooded) * (IsInWater ? IntoWater() : IntoAir());

        var passes = Math.Max(0, fluid.Kpa(CondensingC) - SuctionKpa);
        bulbC += (EvaporatingC + SuperheatK - bulbC) / BulbS;
        var opens = Math.Clamp((bulbC - SuctionC - OpensAtK) / (FullK - OpensAtK), 0.03, 1);
        // A bulb over an empty coil holds its valve open.
        stem += ((CompressorRuns || isPumpedDown ? opens : 0) - stem) / StemS;
        var open = (design.Metering == Metering.CapillaryTube ? 0.72 + 0.05 * Math.Min(SubcoolingK, 12) : stem)
            * (1 - Faults.ValveShut) * (1 - iceShut) + Faults.ValveOpen;
        FedKgPerS = Math.Min(flowArea * Math.Sqrt(dense * passes) * open * feed * LiquidValve, liquid);
        Freeze();

        var gained = FlowKgPerS * (fluid.Latent(EvaporatingC) + fluid.VapourCp * SuperheatK
            - fluid.LiquidCp * (CondensingC - EvaporatingC)) + WorkKw - ShellKw;
        CondensingC = Math.Min(fluid.Highest - 1,
            CondensingC + (gained - RejectedKw) / (condenserKj + fluid.LiquidCp * Math.Max(0.05, liquid)));
    }

    /// <summary>How far the valve in the liquid line is open; it shuts while the box is cold enough. Open where there is none.</summary>
    private double LiquidValve => fed.Liquid ? 1 - Faults.LiquidShut : Faults.LiquidLeak;

    /// <summary>Evaporating temperature that belongs to the pressure at the compressor, °C: of the coil but where it is pumped
    /// down.</summary>
    public double SuctionC => isPumpedDown ? lowSideC : EvaporatingC;

    private bool isPumpedDown;

    private double lowSideC;

    /// <summary>Less than this the liquid valve is shut; the line to the compressor holds so many times the coil's gas.</summary>
    private const double AsGoodAsShut = 0.05, LowSideTimes = 2;

    /// <summary>Once the low-pressure control has opened behind a shut valve the low side holds gas alone: what leaks in raises its
    /// pressure, what is pumped lowers it, until there is liquid again.</summary>
    private void PumpDown()
    {
        if (!isPumpedDown)
        {
            isPumpedDown = isLowPressure && LiquidValve < AsGoodAsShut;
            lowSideC = EvaporatingC;
            return;
        }

        var gasKg = LowSideTimes * coilM3 * fluid.Vapour(lowSideC);
        var logPerK = Math.Log(fluid.Kpa(lowSideC + 1) / fluid.Kpa(lowSideC));
        lowSideC = Math.Max(LowestC, lowSideC + (FedKgPerS - FlowKgPerS) / gasKg / logPerK);
        isPumpedDown = lowSideC < EvaporatingC;
    }

    private const double LowestC = -60;

    /// <summary>Of a condenser with a receiver that is liquid, of a receiver that must be for its dip tube to be covered, of a condenser
    /// that must be for a tube to get no gas; and what still passes as gas.</summary>
    private const double BaseFlooded = 0.055, SealShare = 0.12, SealOfTube = 0.03, LeastFeed = 0.35;

    /// <summary>A fan that stands leaves this much of the heat transfer.</summary>
    private const double StillAir = 0.12;

    /// <summary>Of the liquid line that is liquid, 0 to 1: gas comes in where the receiver or the condenser runs empty, and where the line
    /// is warmed above what its pressure boils at.</summary>
    public double Sealed { get; private set; }

    /// <summary>A line from a receiver boils through where the room is so much warmer than it condenses, K.</summary>
    private const double BoilsThroughK = 25;

    private double Flash() => design.HasReceiver ? Math.Clamp((RoomC - CondensingC) / BoilsThroughK, 0, 1) : 0;

    private bool IsInWater => design.Condenser == CondenserKind.WaterCooled;

    /// <summary>What the condenser is cooled by as it comes in: air or water, °C.</summary>
    public double CoolantC { get; private set; }

    /// <summary>Water out of a condenser in water, °C; the air at one in air.</summary>
    public double CoolantOutC { get; private set; }

    /// <summary>What a condenser in air gives off with nothing flooded, kW.</summary>
    private double IntoAir()
    {
        CoolantOutC = OutsideC;
        var fan = fed.CondenserFan ? 1 - Faults.CondenserFanOut * (1 - StillAir) : StillAir;
        var air = Math.Pow(fan * (1 - Faults.CondenserDirt), 0.7);
        var isBlown = CompressorRuns || fed.CondenserFan;
        return condenserWPerK / 1000 * (isBlown ? air : StillAir) * (CondensingC - OutsideC);
    }

    /// <summary>A water valve begins to open at so much under the design's condensing temperature and is open at so much over it, K; it
    /// follows in so many seconds; open it passes so many times the design's flow, and shut it weeps.</summary>
    private const double WaterOpensK = -5, WaterFullK = 3, WaterValveS = 15, MostWater = 1.6, Weeps = 0.01;

    private double waterStem;

    /// <summary>What a condenser in water gives off with nothing flooded, kW: the valve lets in more as the head rises.</summary>
    private double IntoWater()
    {
        var setC = design.DesignAirC + design.SplitK + Faults.WaterValveOffK;
        var (opens, full) = (fluid.Kpa(Math.Min(fluid.Highest, setC + WaterOpensK)),
            fluid.Kpa(Math.Min(fluid.Highest, setC + WaterFullK)));
        waterStem += (Math.Clamp((HeadKpa - opens) / (full - opens), 0, 1) - waterStem) / WaterValveS;
        var kwPerK = waterKwPerK * MostWater * Math.Max(Weeps, fed.Water ? waterStem * (1 - Faults.WaterShort) : 0);
        var share = 1 - Math.Exp(-condenserWPerK / 1000 * (1 - Faults.Scale) / kwPerK);
        CoolantOutC = CoolantC + share * (CondensingC - CoolantC);
        return kwPerK * (CoolantOutC - CoolantC);
    }

    /// <summary>A head-pressure valve holds the condenser at this temperature, °C; how quickly it backs liquid up, of the condenser in a
    /// second by a kelvin, and no more than so much; a unit that has one holds so much of its condenser more charge.</summary>
    private const double HeldC = 27, BacksUp = 0.0004, MostBackedUp = 0.85, WinterShare = 0.7;

    private double backedUp;

    private void BackUp()
    {
        if (design.HasHeadValve && CompressorRuns)
            backedUp = Math.Clamp(backedUp + BacksUp * (HeldC - CondensingC), 0, MostBackedUp * (1 - Faults.HeadValveOut));
    }

    /// <summary>Where the liquid expands: it follows the coil while anything flows and the box where nothing does, in so many seconds;
    /// less than such a share of the design's flow is nothing.</summary>
    private const double InletS = 1500, ColdInletS = 60, NoFlow = 0.12;

    /// <summary>Moisture shuts it in so many seconds, and melts in so many; between, °C.</summary>
    private const double FreezesS = 1500, MeltsS = 240, FreezesC = -1, MeltsC = 0.5;

    private double inletC, iceShut;

    private bool isMelting;

    /// <summary>Of valve or tube that ice has shut.</summary>
    public double IceShut => iceShut;

    private void Freeze()
    {
        if (Faults.Moisture <= 0 && iceShut <= 0)
            return;
        var flows = FedKgPerS > NoFlow * designFlow;
        inletC += flows ? (EvaporatingC - inletC) / ColdInletS : (BoxC - inletC) / InletS;
        // A plug that has begun to melt lets warm liquid past, which melts the rest of it.
        isMelting = iceShut > 0 && (isMelting || inletC > MeltsC);
        if (isMelting)
            iceShut = Math.Max(0, iceShut - 1 / MeltsS);
        else if (inletC < FreezesC && flows)
            iceShut = Math.Min(1, iceShut + Faults.Moisture / FreezesS);
    }
}
