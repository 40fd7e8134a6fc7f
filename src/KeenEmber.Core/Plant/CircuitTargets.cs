using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Plant;

/// <summary>A target range, in the unit of its result (K, a plain ratio, a share of 1), ends included.</summary>
public readonly record struct Band(double Low, double High)
{
    /// <summary>Where a value lies against the band; its edges are inside.</summary>
    public BandPosition Place(double value)
    {
        if (value < Low)
            return BandPosition.Below;
        return value > High ? BandPosition.Above : BandPosition.Inside;
    }

    /// <summary>Half way between its ends.</summary>
    public double Middle => (Low + High) / 2;

    internal static Band OfCelsius(double low, double high) =>
        new(low + Temperature.ZeroCelsiusInKelvin, high + Temperature.ZeroCelsiusInKelvin);
}

/// <summary>Where a value lies against a band.</summary>
public enum BandPosition
{
    /// <summary>Under it.</summary>
    Below,

    /// <summary>In it.</summary>
    Inside,

    /// <summary>Over it.</summary>
    Above,
}

/// <summary>How hard the unit works at the moment of judging.</summary>
public enum Load
{
    /// <summary>Box near its target.</summary>
    Settled,

    /// <summary>Box well above its target: the coil is given more heat than it is sized for.</summary>
    PullDown,
}

/// <summary>Where the results of a healthy circuit lie, by class of unit, make-up and load. Starting values; a maker's figure comes
/// first.</summary>
/// <remarks>
/// Source: trade practice for the differences. Coil TD follows the humidity a box is to keep: small in walk-ins, larger in
/// reach-ins, and grows with the load. A valve holds its superheat; a capillary tube lets it rise with the load. Compression
/// ratio: usual single-stage limits of about 8 to 1 at medium and 11 to 1 at low temperature. Discharge line 15 cm from the
/// compressor: oil suffers from about 107 °C (225 °F); a line barely above condensing carries liquid. Head over a whole fan
/// cycle: an expansion valve wants about 20 °C condensing to be fed, and 50 °C is left for summer. Line gain: an insulated
/// line. Air drop: a quarter to four fifths of the TD, by the coil's depth and air speed. Drop across a drier: within what two thermometers
/// may differ. Current: a share of the plate's.
/// </remarks>
public sealed record CircuitTargets(IReadOnlyDictionary<ResultKind, Band> Bands)
{
    /// <summary>Box above target by more than this is a pull-down, K.</summary>
    public const double PullDownAboveK = 3;

    private sealed record ClassRow(Band SettledTd, Band PullDownTd, Band Ratio, Band Split);

    private static readonly Band MediumRatio = new(1.8, 8);
    private static readonly Band LowRatio = new(3, 11);
    private static readonly Band MediumSplit = new(8, 17);
    private static readonly Band LowSplit = new(5, 16);

    private static readonly ClassRow WalkInCooler = new(new(5, 8.5), new(5, 11), MediumRatio, MediumSplit);
    private static readonly ClassRow WalkInFreezer = new(new(4, 7), new(4, 9.5), LowRatio, LowSplit);
    private static readonly ClassRow ReachInCooler = new(new(8, 15), new(8, 20), MediumRatio, MediumSplit);
    private static readonly ClassRow ReachInFreezer = new(new(8, 15), new(8, 20), LowRatio, MediumSplit);
    private static readonly ClassRow DisplayCase = new(new(6, 12), new(6, 16), MediumRatio, MediumSplit);
    private static readonly ClassRow Chiller = new(new(4, 9), new(4, 12), MediumRatio, MediumSplit);

    private static readonly Dictionary<EquipmentKind, ClassRow> Classes = new()
    {
        [EquipmentKind.WalkInCooler] = WalkInCooler, [EquipmentKind.WalkInFreezer] = WalkInFreezer,
            [EquipmentKind.DriveInFreezer] = WalkInFreezer,
        [EquipmentKind.ReachInCooler] = ReachInCooler, [EquipmentKind.BottleCooler] = ReachInCooler,
            [EquipmentKind.PrepTable] = ReachInCooler,
        [EquipmentKind.ReachInFreezer] = ReachInFreezer, [EquipmentKind.IceMerchandiser] = ReachInFreezer,
        [EquipmentKind.OpenCase] = DisplayCase, [EquipmentKind.GlassDoorCase] = DisplayCase, [EquipmentKind.GlycolChiller] = Chiller,
    };

    /// <summary>Superheat at the coil by what feeds it, and by load.</summary>
    private static readonly Dictionary<(Metering, Load), Band> CoilSuperheat = new()
    {
        [(Metering.ThermostaticValve, Load.Settled)] = new(3, 6), [(Metering.ThermostaticValve, Load.PullDown)] = new(3, 8),
        [(Metering.ElectronicValve, Load.Settled)] = new(3, 7), [(Metering.ElectronicValve, Load.PullDown)] = new(3, 8),
        [(Metering.CapillaryTube, Load.Settled)] = new(3, 8), [(Metering.CapillaryTube, Load.PullDown)] = new(5, 20),
    };

    private static readonly Band CompressorSuperheat = new(11, 17);
    private static readonly Band CapillaryCompressorSuperheat = new(8, 25);
    private static readonly Band ReceiverSubcooling = new(3, 8);
    private static readonly Band NoReceiverSubcooling = new(3, 10);
    private static readonly Band WaterApproach = new(2, 10);

    /// <summary>What a regulated condenser adds to its water, K; trade practice.</summary>
    private static readonly Band WaterRise = new(4, 12);

    /// <summary>What a coil takes out of the air, as a share of its TD.</summary>
    private static readonly Band AirDropShare = new(0.25, 0.8);

    /// <summary>The target of a result; null where it has none.</summary>
    public Band? For(ResultKind kind) => Bands.TryGetValue(kind, out var band) ? band : null;

    /// <summary>The load that a box so far above its target makes; settled while nobody knows.</summary>
    public static Load LoadOf(TemperatureDifference? boxAboveTarget) =>
        boxAboveTarget is { Kelvin: > PullDownAboveK } ? Load.PullDown : Load.Settled;

    /// <param name="box">Box air, or its target while nobody measured it: gives evaporating its place.</param>
    /// <param name="condenserAir">Air into the condenser or water off it; without it condensing has no target.</param>
    /// <param name="glideK">Glide of the refrigerant at its evaporating pressure: superheat is counted from its warm end and TD from its
    /// middle, so the two leave room for each other only where TD may grow and superheat shrink with it.</param>
    public static CircuitTargets Of(CircuitMakeUp makeUp, Load load, Temperature box, Temperature? condenserAir, double glideK = 0)
    {
        var row = Classes[makeUp.Kind];
        var td = load == Load.Settled ? row.SettledTd : row.PullDownTd;
        td = new(td.Low, td.High + glideK / 3);
        var superheat = CoilSuperheat[(makeUp.Metering, load)];
        superheat = new(superheat.Low - Math.Min(0.5, glideK / 10), superheat.High);
        var split = makeUp.Condenser == CondenserKind.WaterCooled ? WaterApproach : row.Split;
        var airDrop = new Band(AirDropShare.Low * td.Low, AirDropShare.High * td.High);
        var bands = new Dictionary<ResultKind, Band>
        {
            [ResultKind.Evaporating] = new(box.Kelvin - td.High, box.Kelvin - td.Low),
            [ResultKind.AirDrop] = airDrop,
            [ResultKind.EvaporatorTd] = td,
            [ResultKind.SuperheatCoil] = superheat,
            [ResultKind.SuperheatCompressor] = makeUp.Metering == Metering.CapillaryTube ? CapillaryCompressorSuperheat
                : CompressorSuperheat,
            [ResultKind.Subcooling] = makeUp.Has(CircuitParts.Receiver) ? ReceiverSubcooling : NoReceiverSubcooling,
            [ResultKind.CondenserSplit] = split,
            [ResultKind.CompressionRatio] = row.Ratio,
            [ResultKind.LineGain] = new(0, 14),
            [ResultKind.DischargeTemperature] = Band.OfCelsius(35, 107),
            [ResultKind.CondensingLow] = Band.OfCelsius(20, 40),
            [ResultKind.CondensingHigh] = Band.OfCelsius(25, 50),
            [ResultKind.CurrentShare] = new(0.5, 1.0),
            [ResultKind.DrierDrop] = new(-1, 1),
            [ResultKind.WaterRise] = WaterRise,
        };
        if (condenserAir is { } air)
            bands[ResultKind.Condensing] = new(air.Kelvin + split.Low, air.Kelvin + split.High);
        return new(bands);
    }
}
