using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words;

/// <summary>Checks of meters as typed and as shown.</summary>
public static class InstrumentsText
{
    /// <summary>A check from its two typed values, or what is wrong with them.</summary>
    public static (InstrumentCheck? Check, string? Error) ReadCheck(
        Guid id, Instrument instrument, string? shown, string? known, DateTimeOffset now, string by, UnitPreference units,
            Pressure atmosphere)
    {
        var (s, k) = (QuantityReader.Read(shown, instrument.Measures, units), QuantityReader.Read(known, instrument.Measures, units));
        if ((s.Problem ?? k.Problem) is { } problem)
            return (null, TypingText.Problem(problem, instrument.Measures, units));
        var real = k.Value!.Si(atmosphere);
        var isIce = instrument.Measures == QuantityKind.Temperature && Math.Abs(real - Temperature.FromCelsius(0).Kelvin) < 0.01;
        return (new(
            id, instrument.Id, now, by, isIce ? InstrumentCheckKind.IceBath
                : InstrumentCheckKind.KnownSource, s.Value!.Si(atmosphere), real), null);
    }

    /// <summary>How far a check was off: "+0.3 K", "-0.04 bar".</summary>
    public static string Off(Instrument instrument, InstrumentCheck check, UnitText units)
    {
        var off = check.Shown - check.Known;
        return instrument.Measures switch
        {
            QuantityKind.Temperature => (off < 0 ? "-" : "+") + units.Result(ResultQuantity.Difference, Math.Abs(off)),
            QuantityKind.Pressure => units.Change(MeasuringPoint.SuctionPressure, off),
            QuantityKind.Current => units.Change(MeasuringPoint.CompressorCurrent, off),
            QuantityKind.Mass => (off < 0 ? "-" : "+") + units.Mass(Math.Abs(off)),
            _ => $"{off:+0.0;-0.0} %",
        };
    }
}
