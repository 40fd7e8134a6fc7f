using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Tests.Benches.Circuit;

/// <summary>Makes bench inputs: a walk-in on R404A at sea level, running settled with clear coil, unless told otherwise.</summary>
internal static class Bench
{
    public static readonly DateTimeOffset Noon = new(2026, 3, 2, 12, 0, 0, TimeSpan.Zero);

    public static readonly OperatingConditions Settled = new(
        [FactState.Running, FactState.Running], FactState.Clear, FactState.Running, TimeSpan.FromMinutes(40),
        FactState.Running, FactState.Clean, new(1), Temperature.FromCelsius(-20));

    public static readonly CircuitMakeUp WalkIn = new(
        EquipmentKind.WalkInFreezer, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver);

    public static readonly CircuitMakeUp ReachIn = new(
        EquipmentKind.ReachInCooler, Metering.CapillaryTube, CondenserKind.AirCooledSelfContained, CircuitParts.None);

    public static TakenReading At(PointRef point, double number, Unit unit, OperatingConditions? conditions = null, int minute = 0) =>
        new(Guid.CreateVersion7(), point, Noon.AddMinutes(minute), new(number, unit), Pressure.StandardAtmosphere, conditions ?? Settled);

    public static CircuitAnalysis Analyse(IEnumerable<TakenReading> readings, OperatingConditions? now = null,
        string refrigerant = "R404A", CircuitMakeUp? makeUp = null) =>
        CircuitCalculation.Analyse(
            new(RefrigerantCatalogue.Find(refrigerant)!, makeUp ?? WalkIn, readings.ToDictionary(r => r.Point)), now ?? Settled);

    /// <summary>A full set of readings whose results are exactly the given ones.</summary>
    public static List<TakenReading> Consistent(
        double boxC = -20, double tdK = 5, double superheatK = 5, double lineGainK = 9, double splitK = 12, double subcoolingK = 5,
        double ambientC = 18, string refrigerant = "R404A", OperatingConditions? conditions = null)
    {
        var fluid = RefrigerantCatalogue.Find(refrigerant)!;
        var suction = AtMidpoint(fluid, Temperature.FromCelsius(boxC - tdK));
        var head = AtMidpoint(fluid, Temperature.FromCelsius(ambientC + splitK));
        var dewC = fluid.DewTemperature(suction)!.Value.Celsius;
        return
        [
            At(MeasuringPoint.BoxAir, boxC, Unit.Celsius, conditions),
            At(MeasuringPoint.AirLeaving, boxC - 3, Unit.Celsius, conditions),
            At(MeasuringPoint.SuctionLineCoil, dewC + superheatK, Unit.Celsius, conditions),
            At(MeasuringPoint.SuctionPressure, suction.Kpa, Unit.KilopascalAbsolute, conditions),
            At(MeasuringPoint.SuctionLineCompressor, dewC + superheatK + lineGainK, Unit.Celsius, conditions),
            At(MeasuringPoint.DischargeLine, ambientC + splitK + 35, Unit.Celsius, conditions),
            At(MeasuringPoint.DischargePressure, head.Kpa, Unit.KilopascalAbsolute, conditions),
            At(MeasuringPoint.CondenserAir, ambientC, Unit.Celsius, conditions),
            At(MeasuringPoint.LiquidLine, fluid.BubbleTemperature(head)!.Value.Celsius - subcoolingK, Unit.Celsius, conditions),
        ];
    }

    public static List<TakenReading> With(this List<TakenReading> readings, PointRef point, double number, Unit unit) =>
        [.. readings.Select(r => r.Point == point ? At(point, number, unit, r.Conditions) : r)];

    public static double Value(this List<TakenReading> readings, PointRef point) =>
        readings.Single(r => r.Point == point).Typed.Number;

    private static Pressure AtMidpoint(Refrigerant fluid, Temperature midpoint)
    {
        var (low, high) = (10.0, 4000.0);
        while (high - low > 1e-9)
        {
            var middle = (low + high) / 2;
            (low, high) = fluid.MidpointTemperature(new(middle)) is { } t && t > midpoint ? (low, middle) : (middle, high);
        }

        return new(low);
    }
}
