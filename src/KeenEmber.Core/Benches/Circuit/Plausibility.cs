using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What about a set of readings cannot be so.</summary>
public enum Impossibility
{
    /// <summary>Outside what its point can be.</summary>
    PointOutOfRange,

    /// <summary>A box much colder than it could get.</summary>
    BoxFarBelowTarget,

    /// <summary>A pressure outside the refrigerant's range.</summary>
    SaturationOutOfRange,

    /// <summary>Head not above suction with the compressor running.</summary>
    DischargeNotAboveSuction,

    /// <summary>Superheat far below zero or beyond what a box can give.</summary>
    SuperheatImpossible,

    /// <summary>Subcooling far below zero or beyond what the weather can give.</summary>
    SubcoolingImpossible,

    /// <summary>Evaporating not below the air on the coil.</summary>
    CoilNotColderThanAir,

    /// <summary>Condensing not above the air on the condenser.</summary>
    CondenserNotWarmerThanAir,

    /// <summary>Air off the coil warmer than air on.</summary>
    AirWarmedByCoil,

    /// <summary>A discharge line colder than the condensing temperature.</summary>
    DischargeLineBelowCondensing,
}

/// <param name="Points">The readings that contradict each other.</param>
public sealed record Violation(Impossibility Code, IReadOnlyList<PointRef> Points);

/// <summary>Which readings no working unit can show. Wide limits: meant to catch slips, not faults.</summary>
public static class Plausibility
{
    /// <summary>°C at each place on any refrigeration unit from blast freezer to hot roof; trade experience, drawn wide.</summary>
    private static readonly Dictionary<MeasuringPoint, Band> RangesC = new()
    {
        [BoxAir] = new(-45, 45), [AirLeaving] = new(-50, 45), [SuctionLineCoil] = new(-55, 40),
        [SuctionLineCompressor] = new(-50, 50),
        [DischargeLine] = new(-10, 150), [CondenserAir] = new(-40, 55), [LiquidLine] = new(-15, 70), [WaterIn] = new(0, 50),
        [LiquidAfterDrier] = new(-15, 70),
    };

    private static readonly Band SuctionSaturationC = new(-65, 28);
    private static readonly Band DischargeSaturationC = new(-10, 85);
    private static readonly Band SuperheatCoilK = new(-3, 50);
    private static readonly Band SuperheatCompressorK = new(-3, 60);
    private static readonly Band SubcoolingK = new(-5, 35);
    private static readonly Band EvaporatorTdK = new(-2, 50);
    private static readonly Band CondenserSplitK = new(-1, 65);
    private const double AirWarmedK = 2;

    /// <summary>Below this head and suction are taken for swapped; up to <see cref="NotPumpingRatio"/> they are equal, whatever
    /// runs.</summary>
    private const double LeastRatio = 0.93;

    /// <summary>Absolute head over absolute suction below which a running compressor hardly pumps. The lowest a sound one shows, a warm box
    /// on
    /// a cold day, is about 1.8.</summary>
    public const double NotPumpingRatio = 1.25;

    /// <summary>A control stuck on overcools, but not by this much in any box that still holds its product.</summary>
    private const double BoxBelowTargetK = 15;
    private const double DischargeBelowCondensingK = 3;

    /// <param name="running">False with the compressor off: then pressures equalise and only the plain ranges hold.</param>
    public static IReadOnlyList<Violation> Violations(
        Refrigerant refrigerant, Pressure atmosphere, Temperature boxTarget, IReadOnlyDictionary<PointRef, TypedValue> values,
            bool running)
    {
        var found = new List<Violation>();
        Temperature? TemperatureAt(PointRef p) => values.TryGetValue(p, out var v) ? v.Temperature : null;
        Pressure? PressureAt(PointRef p) => values.TryGetValue(p, out var v) ? new(v.Si(atmosphere)) : null;
        void Check(bool broken, Impossibility code, params PointRef[] points)
        {
            if (broken)
                found.Add(new(code, points));
        }

        foreach (var (point, value) in values)
            Check(RangesC.TryGetValue(point.Point, out var range)
                && Outside(value.Temperature.Celsius, range), Impossibility.PointOutOfRange, point);
        Check((boxTarget - TemperatureAt(BoxAir))?.Kelvin > BoxBelowTargetK, Impossibility.BoxFarBelowTarget, BoxAir);
        if (!running)
            return found;

        var suction = PressureAt(SuctionPressure);
        var discharge = PressureAt(DischargePressure);
        Check(suction is { } ps && !Saturates(refrigerant, ps, SuctionSaturationC), Impossibility.SaturationOutOfRange, SuctionPressure);
        Check(discharge is { } pd
            && !Saturates(refrigerant, pd, DischargeSaturationC), Impossibility.SaturationOutOfRange, DischargePressure);
        Check(discharge?.Kpa < suction?.Kpa * LeastRatio, Impossibility.DischargeNotAboveSuction, SuctionPressure, DischargePressure);
        // A compressor that turns and does not pump: then nothing is colder or warmer than its air.
        if (discharge?.Kpa / suction?.Kpa < NotPumpingRatio)
            return found;
        if (suction is { } low)
        {
            foreach (var (coil, value) in values.Where(v => v.Key.Point == SuctionLineCoil))
                Check(Outside(CircuitFormulas.Superheat(refrigerant, low, value.Temperature)?.Kelvin, SuperheatCoilK),
                    Impossibility.SuperheatImpossible, SuctionPressure, coil);
            Check(TemperatureAt(SuctionLineCompressor) is { } line
                && Outside(CircuitFormulas.Superheat(refrigerant, low, line)?.Kelvin, SuperheatCompressorK),
                Impossibility.SuperheatImpossible, SuctionPressure, SuctionLineCompressor);
            foreach (var (air, value) in values.Where(v => v.Key.Point == BoxAir))
                Check(Outside(CircuitFormulas.EvaporatorTd(refrigerant, low, value.Temperature)?.Kelvin, EvaporatorTdK),
                    Impossibility.CoilNotColderThanAir, SuctionPressure, air);
        }

        if (discharge is { } high)
        {
            Check(TemperatureAt(LiquidLine) is { } liquid
                && Outside(CircuitFormulas.Subcooling(refrigerant, high, liquid)?.Kelvin, SubcoolingK),
                Impossibility.SubcoolingImpossible, DischargePressure, LiquidLine);
            Check(TemperatureAt(CondenserAir) is { } ambient
                && Outside(CircuitFormulas.CondenserSplit(refrigerant, high, ambient)?.Kelvin, CondenserSplitK),
                Impossibility.CondenserNotWarmerThanAir, DischargePressure, CondenserAir);
            Check((refrigerant.DewTemperature(high) - TemperatureAt(DischargeLine))?.Kelvin > DischargeBelowCondensingK,
                Impossibility.DischargeLineBelowCondensing, DischargePressure, DischargeLine);
        }

        foreach (var (air, value) in values.Where(v => v.Key.Point == BoxAir))
        {
            var leaving = AirLeaving.At(air.Coil);
            Check((TemperatureAt(leaving) - value.Temperature)?.Kelvin > AirWarmedK, Impossibility.AirWarmedByCoil, air, leaving);
        }

        return found;
    }

    private static bool Outside(double? value, Band range) => value is { } v && range.Place(v) != BandPosition.Inside;

    private static bool Saturates(Refrigerant refrigerant, Pressure pressure, Band rangeC) =>
        refrigerant.DewTemperature(pressure) is { } dew && rangeC.Place(dew.Celsius) == BandPosition.Inside;
}
