using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Simulation;

/// <content>One second of it.</content>
public sealed partial class SimulatedUnit
{
    /// <summary>Cuts in this much over its target and out this much under it, K.</summary>
    private const double InK = 1.5, OutK = 1.0;

    /// <summary>Longest defrost by heaters and by air, end of one at the coil, and how long it drips, s and °C.</summary>
    private const double HeatedS = 2400, AirS = 1800, EndC = 12, DripS = 180;

    /// <summary>So much frost fills the coil, kg per kW; the fan delay opens above the one and closes below the other, °C.</summary>
    private const double FullFrostKg = 2.2, FansOffC = 4, FansBackC = -2;

    /// <summary>Control's sensor in air, s.</summary>
    private const double SensorS = 90;

    /// <summary>Lets one second pass.</summary>
    public void Step(Weather weather)
    {
        Seconds++;
        heldS++;
        sinceDefrostS += fed.Clock ? 1 : 0;
        var hour = Seconds / 3600;
        OutsideC = weather.AirC(hour);
        SensorC += (BoxC - SensorC) / SensorS;
        Decide();
        var fans = fed.EvaporatorFans ? 1 - Faults.EvaporatorAir : 0;
        Circuit();
        Coil(fans, fed.Heaters);
        Box(weather, hour, fans);
    }

    private bool isCoilWarm;

    private void Decide()
    {
        var before = CompressorRuns;
        var shown = SensorC + Faults.ProbeOffK;
        Mode = Mode switch
        {
            UnitMode.Defrost when IsDefrostOver => design.HeaterW > 0 ? UnitMode.Drip : UnitMode.Satisfied,
            UnitMode.Defrost => UnitMode.Defrost,
            UnitMode.Drip when sinceDefrostS < DripS => UnitMode.Drip,
            _ when design.Defrosts > 0 && sinceDefrostS >= 86_400.0 / design.Defrosts => UnitMode.Defrost,
            UnitMode.Cooling when shown <= design.TargetC - OutK => UnitMode.Satisfied,
            UnitMode.Satisfied or UnitMode.Drip when shown >= design.TargetC + InK => UnitMode.Cooling,
            UnitMode.Drip => UnitMode.Satisfied,
            var same => same,
        };
        if (Mode == UnitMode.Defrost && sinceDefrostS >= 86_400.0 / design.Defrosts)
            (sinceDefrostS, defrostS, DefrostsBegun) = (0, 0, DefrostsBegun + 1);
        if (Mode == UnitMode.Defrost)
            defrostS += fed.Clock ? 1 : 0;
        if (Mode == UnitMode.Drip && defrostS > 0)
            (defrostS, sinceDefrostS) = (0, 0);
        Protect();
        Feed();
        if (before != CompressorRuns)
            heldS = 0;
    }

    /// <summary>Goes off at this much condensing or at this warm a shell, and comes back where both are so much cooler, °C; the shell
    /// follows in so many seconds.</summary>
    private const double TripsC = 66, TripsShellC = 130, BackC = 48, BackShellC = 95, ShellS = 400;

    private void Protect()
    {
        ShellC += ((CompressorRuns ? DischargeC : OutsideC) - ShellC) / ShellS;
        isHighPressure = isHighPressure ? CondensingC > BackC : CondensingC > TripsC;
        isOverheated = isOverheated ? ShellC > BackShellC : ShellC > TripsShellC;
    }

    /// <summary>Switches stand as pressures and temperatures have them; what is fed follows from the diagram.</summary>
    private void Feed()
    {
        isCoilWarm = isCoilWarm ? EvaporatingC > FansBackC : EvaporatingC > FansOffC;
        var asked = Mode switch
        {
            UnitMode.Cooling => CircuitMode.Calling,
            UnitMode.Defrost when design.HeaterW > 0 => CircuitMode.Defrost,
            _ => CircuitMode.Satisfied,
        };
        // Where no control watches the pressure, the current it takes opens the overload.
        fed = Wiring.Under(new(asked, isHighPressure, IsTripped, isCoilWarm, EvaporatingC >= EndC));
        CompressorRuns = fed.Compressor && !IsTripped;
    }

    /// <summary>Of the work on vapour that comes back through worn valves; the rest it gives back as it expands.</summary>
    private const double LeakWork = 0.5;

    private double defrostS;

    private bool IsDefrostOver => design.HeaterW > 0 ? fed.Release || defrostS >= HeatedS
        : defrostS >= AirS || (frostKg <= 0 && EvaporatingC > 2);

    /// <summary>Compressor, condenser, valve or tube: who pumps how much, and where the liquid is.</summary>
    private void Circuit()
    {
        var liquid = Math.Max(0, ChargeKg - CoilLiquidKg - lineKg);
        var dense = fluid.Liquid(CondensingC);
        var inReceiver = design.HasReceiver ? Math.Min(liquid, receiverM3 * dense) : 0;
        var bottom = BaseFlooded * condenserM3 * dense;
        // A condenser with a receiver below it drains into it and keeps only what subcools; without one, or with a full one, it fills up.
        var flooded = design.HasReceiver
            ? Math.Clamp((Math.Min(liquid, bottom) + Math.Max(0, liquid - bottom - receiverM3 * dense)) / (condenserM3 * dense), 0, 0.9)
            : Math.Clamp(liquid / (condenserM3 * dense), 0, 0.9);
        var seal = design.HasReceiver ? Math.Max(0, inReceiver - bottom) / (SealShare * receiverM3 * dense)
            : flooded / SealOfTube;
        var feed = LeastFeed + (1 - LeastFeed) * Math.Clamp(seal, 0, 1);
        var warmer = Math.Max(0, CondensingC - OutsideC);
        SubcoolingK = warmer * (1 - Math.Exp(-FloodedUnits * flooded)) * Math.Clamp(seal, 0, 1);

        FlowKgPerS = CompressorRuns
            ? displacement * (1 - Faults.CompressorWear) * Volumetric(EvaporatingC, CondensingC) * fluid.Vapour(EvaporatingC)
                * (EvaporatingC + Zero) / (EvaporatingC + SuperheatK + Zero) : 0;
        var leaks = Faults.CompressorWear / (1 - Faults.CompressorWear);
        WorkKw = CompressorRuns ? Work(EvaporatingC, CondensingC, FlowKgPerS * (1 + LeakWork * leaks)) : 0;
        var fan = fed.CondenserFan ? 1 - Faults.CondenserFanOut * (1 - StillAir) : StillAir;
        var air = Math.Pow(fan * (1 - Faults.CondenserDirt), 0.7);
        var isBlown = CompressorRuns || fed.CondenserFan;
        RejectedKw = condenserWPerK / 1000 * (1 - flooded) * (isBlown ? air : StillAir) * (CondensingC - OutsideC);

        var passes = Math.Max(0, fluid.Kpa(CondensingC) - fluid.Kpa(EvaporatingC));
        bulbC += (EvaporatingC + SuperheatK - bulbC) / BulbS;
        var opens = Math.Clamp((bulbC - EvaporatingC - OpensAtK) / (FullK - OpensAtK), 0.03, 1);
        stem += ((CompressorRuns ? opens : 0) - stem) / StemS;
        var open = (design.Metering == Metering.CapillaryTube ? 0.72 + 0.05 * Math.Min(SubcoolingK, 12) : stem)
            * (1 - Faults.ValveShut) + Faults.ValveOpen;
        FedKgPerS = Math.Min(flowArea * Math.Sqrt(dense * passes) * open * feed, liquid);

        var gained = FlowKgPerS * (fluid.Latent(EvaporatingC) + fluid.VapourCp * SuperheatK
            - fluid.LiquidCp * (CondensingC - EvaporatingC)) + WorkKw - ShellKw;
        CondensingC = Math.Min(fluid.Highest - 1,
            CondensingC + (gained - RejectedKw) / (condenserKj + fluid.LiquidCp * Math.Max(0.05, liquid)));
    }

    /// <summary>Of a condenser with a receiver that is liquid, of a receiver that must be for its dip tube to be covered, of a condenser
    /// that must be for a tube to get no gas; and what still passes as gas.</summary>
    private const double BaseFlooded = 0.055, SealShare = 0.12, SealOfTube = 0.03, LeastFeed = 0.35;

    /// <summary>A fan that stands leaves this much of the heat transfer.</summary>
    private const double StillAir = 0.12;

    /// <summary>What valve or tube lets in, kg/s.</summary>
    public double FedKgPerS { get; private set; }

    /// <summary>Air against the coil, its frost, and what the refrigerant takes away.</summary>
    private void Coil(double fans, bool isHeated)
    {
        var blocked = Math.Clamp(frostKg / (FullFrostKg * design.CapacityW / 1000), 0, 0.95);
        var air = fans * (1 - blocked * blocked);
        var wet = CompressorRuns ? Math.Clamp(CoilLiquidKg / coilFullKg, 0, 1) : 1;
        var td = BoxC - EvaporatingC;
        var wPerK = coilWPerK * Math.Pow(Math.Max(air, StillAir / 2), 0.6) * (1 - 0.3 * blocked);
        var sensible = wPerK / 1000 * wet * td;
        SuperheatK = CompressorRuns && td > 0 ? td * (1 - Math.Exp(-DryUnits * (1 - wet))) : 0;
        var dry = FlowKgPerS * fluid.VapourCp * SuperheatK;
        // A chiller's coil hangs in its bath.
        var water = design.Kind == EquipmentKind.GlycolChiller ? 0
            : Math.Max(0, wPerK / 1000 / AirCp * wet * (Humidity - Moisture(EvaporatingC)));
        var freezes = EvaporatingC < 0;
        var latent = water * (VaporisationKj + (freezes ? FusionKj : 0));
        CoilKw = sensible + dry + latent;
        CoilOutC = fans > 0 ? BoxC - (sensible + dry) / (coilAirKgPerS * Math.Max(air, 0.05) * AirCp) : BoxC;
        waterKgPerS = water;
        if (freezes)
            frostKg += water;

        var heat = isHeated ? design.HeaterW / 1000 * (1 - Faults.HeaterOut) : 0;
        var taken = sensible + latent + heat + FedKgPerS * fluid.LiquidCp * (LiquidC - EvaporatingC)
            - FlowKgPerS * fluid.Latent(EvaporatingC);
        Warm(taken);
        sensibleKw = sensible + dry;
        CoilLiquidKg = Math.Clamp(CoilLiquidKg + FedKgPerS - Math.Min(FlowKgPerS, CoilLiquidKg + FedKgPerS), 0, Math.Max(0.01, ChargeKg));
    }

    private double waterKgPerS, sensibleKw;

    /// <summary>Heat into the coil: up to the melting point, into the frost, and on.</summary>
    private void Warm(double kw)
    {
        var heatKj = coilKj + frostKg * IceKjPerK + CoilLiquidKg * fluid.LiquidCp;
        var after = EvaporatingC + kw / heatKj;
        if (frostKg > 0 && after > 0 && kw > 0)
        {
            var melted = Math.Min(frostKg, (after - Math.Max(0, EvaporatingC)) * heatKj / FusionKj);
            frostKg -= melted;
            after -= melted * FusionKj / heatKj;
        }

        EvaporatingC = Math.Clamp(after, -60, 60);
    }

    private const double IceKjPerK = 2.05;

    /// <summary>Air, walls and product of the box, doors and what they let in.</summary>
    private void Box(Weather weather, double hour, double fans)
    {
        var outside = weather.Humidity * Moisture(OutsideC);
        var use = (weather.IsOpen(hour) ? BusyDoors : QuietDoors) + Faults.DoorOpen * OpenDoor;
        var doors = design.DoorW / 1000 * use * (OutsideC - BoxC) / Math.Max(1, design.DesignAirC - design.TargetC);
        // Doors' heat is half dry and half the water that comes with it, on the design day: the air that changes follows from the dry half.
        var changed = Math.Max(0, doors * DryShare / (AirCp * Math.Max(1, OutsideC - BoxC)));
        var toWall = wallWPerK / 1000 * (WallC - BoxC);
        var toProduct = ProductKwPerK * (ProductC - BoxC);
        BoxC += (doors * DryShare + toWall + toProduct + design.FansW / 1000 * fans - sensibleKw) / (airKg * AirCp + innerKj);
        WallC += (design.WallWPerK / 1000 * (OutsideC - WallC) - toWall) / wallKj;
        ProductC -= toProduct / (design.ProductKg * ProductCp);
        Humidity = Math.Clamp(Humidity + (changed * (outside - Humidity) - waterKgPerS) / airKg, 0, Moisture(BoxC));
    }

    private const double DryShare = 0.6, BusyDoors = 1.5, QuietDoors = 0.5, OpenDoor = 6;

    /// <summary>Of what is stored, which follows the air in some hours.</summary>
    private double ProductKwPerK => design.ProductKg * ProductCp / (ProductH * 3600);

    private const double ProductH = 3;
}
