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
        RoomC = weather.RoomC ?? OutsideC;
        CoolantC = IsInWater ? weather.WaterC : OutsideC;
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
    /// follows in so many seconds; a winding that is held warms it by so much, K.</summary>
    private const double TripsC = 66, TripsShellC = 130, BackC = 48, BackShellC = 95, ShellS = 400, HeldK = 500;

    /// <summary>The strip of the overload: a locked current opens it in so many seconds, it cools in so many, and closes again at such a
    /// share of its warmth.</summary>
    private const double StripOpensS = 12, StripCoolsS = 90, StripCloses = 0.2;

    private double strip;

    private bool isStripOpen;

    private void Protect()
    {
        var around = IsStalled ? OutsideC + HeldK : OutsideC;
        ShellC += ((CompressorRuns ? DischargeC : around) - ShellC) / ShellS;
        strip += IsStalled ? 1 / StripOpensS : -strip / StripCoolsS;
        isStripOpen = isStripOpen ? strip > StripCloses : strip >= 1;
        isHighPressure = isHighPressure ? CondensingC > BackC : CondensingC > TripsC;
        isOverheated = isOverheated ? ShellC > BackShellC : ShellC > TripsShellC;
        isLowPressure = design.PumpsDown && (isLowPressure ? SuctionC < DesignSuctionC - CutsInK : SuctionC < DesignSuctionC - CutsOutK);
    }

    /// <summary>A low-pressure control goes in and out so much under what the coil evaporates at by design, K.</summary>
    private const double CutsInK = 7, CutsOutK = 16;

    private double DesignSuctionC => design.TargetC - design.TdK;

    private bool isLowPressure;

    /// <summary>Switches stand as pressures and temperatures have them; what is fed follows from the diagram.</summary>
    private void Feed()
    {
        isCoilWarm = isCoilWarm ? EvaporatingC > FansBackC : EvaporatingC > FansOffC;
        var asked = Mode switch
        {
            UnitMode.Cooling => CircuitMode.Calling,
            UnitMode.Satisfied when design.PumpsDown && CompressorRuns => CircuitMode.PumpingDown,
            UnitMode.Defrost when design.HeaterW > 0 => CircuitMode.Defrost,
            _ => CircuitMode.Satisfied,
        };
        // Where no control watches the pressure, the current it takes opens the overload.
        fed = Wiring.Under(new(asked, isHighPressure, IsTripped, isCoilWarm, EvaporatingC >= EndC,
            design.PumpsDown ? isLowPressure : null));
        var isOn = fed.Compressor && !IsTripped;
        IsStalled = isOn && !CompressorRuns && Faults.StartFails >= Fails;
        CompressorRuns = isOn && !IsStalled;
    }

    /// <summary>From here on it does not start; what turns goes on turning.</summary>
    private const double Fails = 0.5;

    /// <summary>Of the work on vapour that comes back through worn valves; the rest it gives back as it expands.</summary>
    private const double LeakWork = 0.5;

    private double defrostS;

    private bool IsDefrostOver => design.HeaterW > 0 ? fed.Release || defrostS >= HeatedS
        : defrostS >= AirS || (frostKg <= 0 && EvaporatingC > 2);

    /// <summary>What valve or tube lets in, kg/s.</summary>
    public double FedKgPerS { get; private set; }

    /// <summary>Some air always finds a way.</summary>
    private const double MostBlocked = 0.95;

    /// <summary>Air against the coil, its frost, and what the refrigerant takes away.</summary>
    private void Coil(double fans, bool isHeated)
    {
        var blocked = Math.Min(MostBlocked, IceShare);
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
            - (isPumpedDown ? FedKgPerS : FlowKgPerS) * fluid.Latent(EvaporatingC);
        Warm(taken);
        sensibleKw = sensible + dry;
        if (!isPumpedDown)
            CoilLiquidKg = Math.Clamp(CoilLiquidKg + FedKgPerS - Math.Min(FlowKgPerS, CoilLiquidKg + FedKgPerS), 0,
                Math.Max(0.01, ChargeKg));
        PumpDown();
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
        var outside = weather.Humidity * Moisture(RoomC);
        var use = (weather.IsOpen(hour) ? BusyDoors : QuietDoors) + Faults.DoorOpen * OpenDoor;
        var doors = design.DoorW / 1000 * use * (RoomC - BoxC) / Math.Max(1, design.DesignAirC - design.TargetC);
        // Doors' heat is half dry and half the water that comes with it, on the design day: the air that changes follows from the dry half.
        var changed = Math.Max(0, doors * DryShare / (AirCp * Math.Max(1, RoomC - BoxC)));
        var toWall = wallWPerK / 1000 * (WallC - BoxC);
        var toProduct = ProductKwPerK * (ProductC - BoxC);
        BoxC += (doors * DryShare + toWall + toProduct + design.FansW / 1000 * fans - sensibleKw) / (airKg * AirCp + innerKj);
        WallC += (design.WallWPerK / 1000 * (RoomC - WallC) - toWall) / wallKj;
        ProductC -= toProduct / (design.ProductKg * ProductCp);
        Humidity = Math.Clamp(Humidity + (changed * (outside - Humidity) - waterKgPerS) / airKg, 0, Moisture(BoxC));
    }

    private const double DryShare = 0.6, BusyDoors = 1.5, QuietDoors = 0.5, OpenDoor = 6;

    /// <summary>Of what is stored, which follows the air in some hours.</summary>
    private double ProductKwPerK => design.ProductKg * ProductCp / (ProductH * 3600);

    private const double ProductH = 3;
}
