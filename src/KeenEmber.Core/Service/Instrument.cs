using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Service;

/// <summary>How a meter was checked.</summary>
public enum MeterCheckKind
{
    /// <summary>A thermometer in melting ice: 0 °C.</summary>
    IceBath,

    /// <summary>Against something known: another gauge, a known load, a live source.</summary>
    KnownSource,
}

/// <summary>One check of a meter.</summary>
/// <param name="Shown">What it showed, in SI units of what it measures.</param>
/// <param name="Known">What was really there.</param>
public sealed record MeterCheck(Guid Id, Guid InstrumentId, DateTimeOffset At, string By, MeterCheckKind Kind, double Shown, double Known);

/// <summary>A meter of the shop's.</summary>
/// <param name="Accuracy">As in <see cref="Meter.Accuracy"/>.</param>
/// <param name="LastCheck">Null when it never was checked.</param>
public sealed record Instrument(Guid Id, string Name, QuantityKind Measures, double? Accuracy, MeterCheck? LastCheck)
{
    /// <summary>A scale is checked to this share of the known mass; trade practice.</summary>
    private const double ScaleShare = 0.01;

    /// <summary>What it may be off by at a value, in SI units.</summary>
    public double AllowedAt(double known) => Measures switch
    {
        QuantityKind.Temperature => Accuracy ?? MeterAccuracy.ThermometerK,
        QuantityKind.Pressure => Math.Max(MeterAccuracy.GaugeFloorKpa, (Accuracy ?? MeterAccuracy.GaugeShare) * Math.Abs(known)),
        QuantityKind.Current => Math.Max(MeterAccuracy.ClampFloorA, (Accuracy ?? MeterAccuracy.ClampShare) * Math.Abs(known)),
        _ => (Accuracy ?? ScaleShare) * Math.Abs(known),
    };

    public bool Passed(MeterCheck check) => Math.Abs(check.Shown - check.Known) <= AllowedAt(check.Known);

    /// <summary>It passed its last check, and that is not too long ago.</summary>
    public bool IsChecked(DateTimeOffset now, Policies policies) => LastCheck is { } check && Passed(check) && now - check.At <= TimeSpan.FromDays(policies.MeterCheckDays);

    /// <summary>As it is at a moment, to go on record with the readings taken with it.</summary>
    public Meter At(DateTimeOffset now, Policies policies) => new(Id, Name, Accuracy, IsChecked(now, policies));
}
