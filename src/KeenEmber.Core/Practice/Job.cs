using System.Text.Json.Serialization;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Practice;

/// <summary>A job with its truth: what a technician finds wherever he looks.</summary>
/// <param name="Name">In a few words.</param>
/// <param name="Unit">Its make-up.</param>
/// <param name="Root">Causes that began it; none where nothing was wrong.</param>
/// <param name="Follows">Causes that they brought on.</param>
/// <param name="Opening">What is known before anything is asked.</param>
/// <param name="Answers">What else differs from a healthy unit in that mode.</param>
/// <param name="Mode">What it ought to be doing.</param>
/// <param name="History">Earlier work.</param>
public sealed record Job(
    string Name, JobUnit Unit, IReadOnlyList<string> Root, IReadOnlyDictionary<string, string> Opening,
    IReadOnlyDictionary<string, string> Answers, IReadOnlyList<string>? Follows = null, OperatingMode Mode = OperatingMode.Calling,
    IReadOnlyList<JobWork>? History = null)
{
    /// <summary>Everything that is to be found.</summary>
    [JsonIgnore]
    public IEnumerable<string> Truth => Root.Concat(Follows ?? []);
}

/// <summary>A unit in a few words.</summary>
public sealed record JobUnit(
    EquipmentKind Kind, Metering Metering = Metering.ThermostaticValve, CondenserKind Condenser = CondenserKind.AirCooledRemote,
    IReadOnlyList<CircuitParts>? Parts = null, int Coils = 1, double TargetC = 3, int Fans = 2)
{
    /// <summary>What its circuit has; parts that are not told are a receiver on all but capillary units.</summary>
    [JsonIgnore]
    public CircuitMakeUp MakeUp => new(Kind, Metering, Condenser,
        (Parts ?? (Metering == Metering.CapillaryTube ? [] : [CircuitParts.Receiver])).Aggregate(CircuitParts.None, (a, p) => a | p),
            Coils);

    /// <summary>What the box is to hold.</summary>
    [JsonIgnore]
    public Temperature Target => Temperature.FromCelsius(TargetC);
}

/// <summary>Earlier work in a case.</summary>
public sealed record JobWork(double DaysAgo, IReadOnlyList<string> Parts, IReadOnlyList<string>? Replaced = null);
