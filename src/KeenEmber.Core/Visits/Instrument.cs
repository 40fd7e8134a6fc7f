using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Visits;

/// <summary>How a meter was checked.</summary>
public enum InstrumentCheckKind
{
    /// <summary>A thermometer in melting ice: 0 °C.</summary>
    IceBath,

    /// <summary>Against something known: another gauge, a known load, a live source.</summary>
    KnownSource,
}

/// <summary>One check of a meter.</summary>
/// <param name="Shown">What it showed, in SI units of what it measures.</param>
/// <param name="Known">What was really there.</param>
public sealed record InstrumentCheck(Guid Id, Guid InstrumentId, DateTimeOffset At, string By, InstrumentCheckKind Kind, double Shown,
    double Known);

/// <summary>A meter of the company's.</summary>
/// <param name="Accuracy">As in <see cref="NamedInstrument.Accuracy"/>.</param>
/// <param name="LastCheck">Null when it never was checked.</param>
public sealed record Instrument(Guid Id, string Name, QuantityKind Measures, double? Accuracy, InstrumentCheck? LastCheck)
{
    /// <summary>What a company has meters for.</summary>
    public static IReadOnlyList<QuantityKind> Kinds { get; } =
        [QuantityKind.Temperature, QuantityKind.Pressure, QuantityKind.Current, QuantityKind.Voltage, QuantityKind.Resistance,
            QuantityKind.Mass, QuantityKind.Concentration];

    /// <summary>The check found it within its accuracy.</summary>
    public bool Passed(InstrumentCheck check) => Math.Abs(check.Shown - check.Known) <= InstrumentAccuracy.Of(Measures, check.Known,
        Accuracy);

    /// <summary>It passed its last check, and that is not too long ago.</summary>
    public bool IsChecked(DateTimeOffset now, Policies policies) =>
        LastCheck is { } check && Passed(check) && now - check.At <= TimeSpan.FromDays(policies.InstrumentCheckDays);

    /// <summary>As it is at a moment, to go on record with the readings taken with it.</summary>
    public NamedInstrument At(DateTimeOffset now, Policies policies) => new(Id, Name, Accuracy, IsChecked(now, policies));
}
