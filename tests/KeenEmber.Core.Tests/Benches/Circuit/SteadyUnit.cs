using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Tests.Benches.Circuit;

/// <summary>What may be wrong with a <see cref="SteadyUnit"/>.</summary>
internal enum UnitFault
{
    None, LowCharge, Restriction, Overcharge, DirtyCondenser, CondenserFanStopped, LowAir, Overfed, WeakCompressor, HeavyLoad,
}

/// <summary>
/// A unit in its steady state, from heat balances: compressor by displacement and clearance, coil and condenser each with a part that is
/// dry or flooded, a valve that holds its superheat as far as it can open or a tube whose flow follows the pressures, a box that settles
/// where load and capacity meet. It knows nothing of targets or patterns: its numbers come from sizes of machines.
/// </summary>
/// <remarks>Heat balances as in textbooks of refrigeration (effectiveness by number of transfer units; clearance volumetric
/// efficiency).</remarks>
internal sealed class SteadyUnit
{
    /// <summary>Air passes the coil this many times its own transfer unit: how quickly vapour comes up to the air.</summary>
    private const double DryUnits = 9;
    private const double FloodedUnits = 7;
    private const double Clearance = 0.045;
    private const double Polytropic = 1.1;

    private readonly Refrigerant fluid;
    private readonly CircuitMakeUp makeUp;
    private readonly Random random;
    private readonly double targetC, ambientC, coil, condenser, displacement, setSuperheatK, opening, loadW, flooded, currentPerW;
    private readonly bool isReceiver;

    public SteadyUnit(int seed, UnitFault fault, double severity)
    {
        random = new(seed);
        Fault = fault;
        var low = random.NextDouble() < 0.4;
        var capillary = !low && random.NextDouble() < 0.4 && fault != UnitFault.Overfed;
        var reach = capillary || random.NextDouble() < 0.3;
        fluid = RefrigerantCatalogue.Find(Pick(low ? ["R404A", "R448A", "R290"] : ["R134a", "R404A", "R513A", "R290"]))!;
        isReceiver = !capillary;
        makeUp = new(
            (low, reach) switch
            {
                (true, true) => EquipmentKind.ReachInFreezer, (true, false) => EquipmentKind.WalkInFreezer,
                (false, true) => EquipmentKind.ReachInCooler, _ => EquipmentKind.WalkInCooler,
            },
            capillary ? Metering.CapillaryTube : Metering.ThermostaticValve,
            reach ? CondenserKind.AirCooledSelfContained : CondenserKind.AirCooledRemote,
            isReceiver ? CircuitParts.Receiver : CircuitParts.None, 1, random.NextDouble() < 0.5 ? 10 : null);
        targetC = low ? Between(-22, -18) : Between(1, 4);
        ambientC = capillary ? Between(22, 33) : Between(14, 33);

        // Sized at 30 °C and at the target: coil and condenser differ from unit to unit as makers' choices do.
        var designTd = reach ? Between(9.5, 13) : low ? Between(4.8, 6.2) : Between(5.6, 7.4);
        var designSplit = Between(9.5, 14);
        setSuperheatK = capillary ? Between(4, 7) : Between(3.6, 5.4);
        var (te, tc) = (targetC - designTd, 30 + designSplit);
        var capacityW = reach ? 700.0 : 4000;
        displacement = 1;
        displacement = capacityW / Capacity(te, tc);
        coil = capacityW / (designTd * Wet(setSuperheatK, designTd));
        flooded = Between(0.05, 0.09) * (capillary ? 1.2 : 1);
        condenser = capacityW * Rejected(te, tc) / (designSplit * (1 - flooded));
        opening = capacityW * (capillary ? 1.12 : Between(1.5, 2.0)) / Math.Sqrt(Kpa(tc) - Kpa(te));
        currentPerW = Between(6.2, 8.4) / (capacityW * (Rejected(te, tc) - 1));
        loadW = capacityW * Between(0.55, 0.8);

        switch (fault)
        {
            case UnitFault.DirtyCondenser: condenser *= 1 - 0.35 - 0.3 * severity; break;
            case UnitFault.CondenserFanStopped: condenser *= Between(0.12, 0.2); break;
            case UnitFault.LowAir: coil *= 1 - 0.38 - 0.27 * severity; break;
            case UnitFault.WeakCompressor: displacement *= 1 - 0.35 - 0.25 * severity; break;
            case UnitFault.HeavyLoad: loadW *= 2 + 0.6 * severity; break;
            case UnitFault.Restriction: opening *= (capillary ? 0.8 : 0.52) - 0.2 * severity; break;
            case UnitFault.Overfed: (setSuperheatK, opening) = (Between(0, 0.5), opening * 1.4); break;
            case UnitFault.LowCharge: (flooded, opening) = (0, opening * ((capillary ? 0.95 : 0.54) - 0.2 * severity)); break;
            case UnitFault.Overcharge: flooded += 0.09 + 0.12 * severity; break;
            default: break;
        }
    }

    public UnitFault Fault { get; }

    public CircuitMakeUp MakeUp => makeUp;

    public string Refrigerant => fluid.Name;

    /// <summary>The readings a technician takes with usual meters, and what can be seen.</summary>
    public (List<TakenReading> Readings, OperatingConditions Now) Taken()
    {
        var (boxC, te, tc, superheat) = Settle();
        var subcooling = flooded == 0 ? Between(-0.3, 0.6) : (tc - ambientC) * (1 - Math.Exp(-FloodedUnits * flooded));
        var dewShift = 0.0;
        var suction = new Pressure(fluid.DewPressure(Temperature.FromCelsius(te))!.Value.Kpa * Between(0.99, 1.01));
        var head = new Pressure(Kpa(tc) * Between(0.99, 1.01));
        var dewC = fluid.DewTemperature(suction)!.Value.Celsius + dewShift;
        var now = new OperatingConditions(
            [FactState.Running], FactState.Clear, FactState.Running, TimeSpan.FromMinutes(60),
            null, null, new(boxC - targetC), Temperature.FromCelsius(targetC));
        var amps = Capacity(te, tc) * displacement * (Rejected(te, tc) - 1) * currentPerW;
        List<TakenReading> current = makeUp.RatedCurrentA is null ? []
            : [Bench.At(MeasuringPoint.CompressorCurrent, Math.Round(1.5 + 0.8 * amps, 1), Unit.Ampere, now)];
        return
        ([
            .. current,
            Reading(MeasuringPoint.BoxAir, boxC + Noise(), now),
            Reading(MeasuringPoint.SuctionLineCoil, dewC + superheat + Noise(), now),
            Bench.At(MeasuringPoint.SuctionPressure, suction.Kpa, Unit.KilopascalAbsolute, now),
            Reading(MeasuringPoint.SuctionLineCompressor, dewC + superheat + Between(5, 10) + Noise(), now),
            Bench.At(MeasuringPoint.DischargePressure, head.Kpa, Unit.KilopascalAbsolute, now),
            Reading(MeasuringPoint.CondenserAir, ambientC + Noise(), now),
            Reading(MeasuringPoint.LiquidLine, fluid.BubbleTemperature(head)!.Value.Celsius - subcooling + Noise(), now),
        ], now);
    }

    /// <summary>The box cycles at its target where the unit can hold it there; else it settles where load and capacity meet.</summary>
    private (double BoxC, double Te, double Tc, double SuperheatK) Settle()
    {
        var atTarget = targetC + Between(0, 1.2);
        if (Run(atTarget) is var (q, te, tc, sh) && q >= loadW)
            return (atTarget, te, tc, sh);
        var (cold, warm) = (atTarget, atTarget + 15);
        for (var step = 0; step < 40; step++)
        {
            var middle = (cold + warm) / 2;
            (cold, warm) = Run(middle).Q < loadW * (1 + 0.012 * (targetC - middle)) ? (middle, warm) : (cold, middle);
        }

        var run = Run(warm);
        return (warm, run.Te, run.Tc, run.SuperheatK);
    }

    /// <summary>What the unit does with the box at a temperature.</summary>
    private (double Q, double Te, double Tc, double SuperheatK) Run(double boxC)
    {
        var (low, high) = (boxC - 36, boxC - 0.2);
        var found = (Q: 0.0, Tc: 0.0, SuperheatK: 0.0);
        for (var step = 0; step < 50; step++)
        {
            var te = (low + high) / 2;
            var tc = Condensing(te);
            var pumped = Capacity(te, tc) * displacement;
            var (taken, superheat) = Taken(boxC - te, te, tc);
            found = (pumped, tc, superheat);
            (low, high) = taken > pumped ? (te, high) : (low, te);
        }

        return (found.Q, (low + high) / 2, found.Tc, found.SuperheatK);
    }

    /// <summary>What the coil takes up at this difference, and the superheat it then ends with.</summary>
    private (double Q, double SuperheatK) Taken(double td, double te, double tc)
    {
        var sub = flooded == 0 ? 0 : (tc - ambientC) * (1 - Math.Exp(-FloodedUnits * flooded));
        var fed = opening * Math.Sqrt(Math.Max(Kpa(tc) - Kpa(te), 1)) * (isReceiver ? 1 : 0.75 + 0.035 * Math.Min(sub, 16));
        if (isReceiver)
        {
            var held = Math.Min(setSuperheatK, 0.75 * td);
            var asked = coil * td * Wet(held, td);
            if (asked <= fed)
                return (asked, held);
        }

        // What is fed decides: the coil is wet as far as it takes that up, and what is too much comes back as liquid.
        var wet = Math.Min(1, fed / (coil * td));
        return (coil * td * wet, Math.Max(0, td * (1 - Math.Exp(-DryUnits * (1 - wet)))));
    }

    /// <summary>The share of the coil that is wet when it ends with this superheat.</summary>
    private static double Wet(double superheatK, double td) => 1 + Math.Log(1 - Math.Min(superheatK / td, 0.97)) / DryUnits;

    private double Condensing(double te)
    {
        var (low, high) = (ambientC, ambientC + 38);
        for (var step = 0; step < 40; step++)
        {
            var tc = (low + high) / 2;
            var rejected = condenser * Math.Max(0.1, 1 - flooded) * (tc - ambientC);
            (low, high) = Capacity(te, tc) * displacement * Rejected(te, tc) > rejected ? (tc, high) : (low, tc);
        }

        return high;
    }

    /// <summary>Per displacement: vapour density by the gas law, clearance efficiency, latent heat less what flashes.</summary>
    private double Capacity(double te, double tc)
    {
        var (pe, pc) = (Kpa(te), Kpa(tc));
        var efficiency = Math.Max(0.05, 1 + Clearance - Clearance * Math.Pow(pc / pe, 1 / Polytropic));
        return pe / (te + 273.15) * efficiency * (1 - 0.0065 * (tc - te));
    }

    private static double Rejected(double te, double tc) => 1 + (tc - te) / (te + 273.15) / 0.6;

    private double Kpa(double tempC) => fluid.DewPressure(Temperature.FromCelsius(tempC)) is { } dew ? dew.Kpa : 6000;

    private static TakenReading Reading(MeasuringPoint point, double tempC, OperatingConditions now) =>
        Bench.At(point, Math.Round(tempC, 1), Unit.Celsius, now);

    private double Noise() => Between(-0.5, 0.5);

    private double Between(double low, double high) => low + (high - low) * random.NextDouble();

    private string Pick(string[] names) => names[random.Next(names.Length)];
}
