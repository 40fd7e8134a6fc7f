using KeenEmber.Core.Plant;

namespace KeenEmber.Words.Benches.Circuit;

/// <summary>What technicians call the points of a circuit.</summary>
public static class CircuitLogWords
{
    /// <summary>Points by the words that technicians use for them.</summary>
    public static IReadOnlyDictionary<string, PointRef> Points { get; } = QuickVocabulary.Table(
        (MeasuringPoint.BoxAir, "box, box air, air, room, bath, rail, side a, case, return air, air on, entering air, return, "
            + "return air temp, box temp, air temp, room temp, case temp, box temperature, freezer temp, cooler temp, ra, "
            + "inlet air, air in"),
        (MeasuringPoint.AirLeaving, "leaving, air leaving, air leaving coil, supply air, air off, leaving air, supply, "
            + "supply air temp, discharge air, discharge air temp, outlet air, sa, air out, off coil"),
        (MeasuringPoint.SuctionPressure, "suc, suct, suction, suction pressure, low side, lp, sp, low pressure, "
            + "low side pressure, suc pressure, suction psi, suction press, suction side, blue gauge, back pressure"),
        (MeasuringPoint.SuctionLineCoil, "line, suction line, suc line, sl, coil out, coil outlet, suction line coil, bulb, "
            + "suction line temp, line temp, suction temp, suc temp, slt, suction line at coil, suction line temperature, "
            + "evap outlet, coil outlet temp, bulb temp"),
        (MeasuringPoint.SuctionLineCompressor, "comp line, suction line comp, suction line compressor, comp inlet, line comp, "
            + "return gas, suction line at comp, suction line at compressor, return gas temp, comp suction temp"),
        (MeasuringPoint.DischargePressure, "head, head pressure, discharge pressure, high side, hp, dis, high pressure, "
            + "high side pressure, discharge psi, discharge, disch, disch press, discharge press, discharge side, red gauge, "
            + "condensing pressure, liquid pressure"),
        (MeasuringPoint.DischargeLine, "discharge line, comp discharge, compressor discharge, hot gas, discharge temp, dis line, "
            + "dl, discharge line temp, "
            + "discharge temperature, dlt, hot gas temp, discharge gas"),
        (MeasuringPoint.LiquidLine, "liq, liquid, liquid line, ll, liquid line temp, liq line, liquid temp, liq temp, llt, "
            + "liq line temp"),
        (MeasuringPoint.CondenserAir,
            "amb, ambient, cond air, condenser air, condenser air in, air on condenser, outside, outdoor, air to condenser, water "
            + "off, water out, water leaving, cond water out, outside air, "
            + "outdoor temp, outside temp, ambient temp, cond air in, cond inlet, "
            + "air onto condenser, oat"),
        (MeasuringPoint.BoxAir.At(2), "base, base air, box b, side b, air b"),
        (MeasuringPoint.AirLeaving.At(2), "leaving b, leaving base, base leaving"),
        (MeasuringPoint.SuctionLineCoil.At(2), "line b, line base, base line"),
        (MeasuringPoint.BoxDisplay.At(2), "display b, display side b, base display, display base"),
        (MeasuringPoint.CompressorCurrent, "amps, comp amps, current, compressor current, compressor amps, comp current, "
            + "comp draw, running amps, amp draw, compressor draws, comp draws, comp pulls"),
        (MeasuringPoint.HeadCycleLow, "head low, head cycle low"),
        (MeasuringPoint.HeadCycleHigh, "head high, head cycle high"),
        (MeasuringPoint.WaterIn, "water in, water entering, cond water in, water into condenser, water on, supply water"),
        (MeasuringPoint.LiquidAfterDrier, "drier, drier out, after drier, liquid after drier, filter drier out, liquid line after drier"),
        (MeasuringPoint.BoxDisplay, "display, tstat, t-stat, shown, controller shows, display shows, controller display, "
            + "display reads, readout, "
            + "thermostat shows"),
        (MeasuringPoint.Product, "product, product temps, stock, core, product temp, core temp, food temp, food"));
}
