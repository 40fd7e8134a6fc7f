using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>What goes in and out of a circuit, how tight it is and how dry.</summary>
public sealed class ChargeBench : IBench
{
    /// <summary>A leak was found at a place and is not repaired.</summary>
    public const string LeakFound = "charge.leak-found";

    /// <summary>A vacuum that was shut off keeps on rising.</summary>
    public const string VacuumLeak = "charge.vacuum-leak";

    /// <summary>A vacuum that was shut off levels off where water boils.</summary>
    public const string VacuumWet = "charge.vacuum-wet";

    /// <summary>Both at once.</summary>
    public const string VacuumWetAndLeak = "charge.vacuum-wet-and-leak";

    /// <summary>A circuit under nitrogen loses pressure.</summary>
    public const string PressureLost = "charge.pressure-lost";

    /// <summary>A recovery cylinder holds more than it may.</summary>
    public const string CylinderOverfull = "charge.cylinder-overfull";

    /// <summary>A blend with glide was charged as vapour.</summary>
    public const string BlendAsVapour = "charge.blend-as-vapour";

    /// <summary>It cooled better as refrigerant left.</summary>
    public const string BetterAsItLeaves = "charge.better-as-it-leaves";

    /// <inheritdoc/>
    public string Name => "charge";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["charge"];

    /// <inheritdoc/>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type>
    {
        ["vacuum"] = typeof(VacuumEntry), ["leak-look"] = typeof(LeakEntry), ["pressure-test"] = typeof(PressureTestEntry),
        ["scale-start"] = typeof(ScaleStartEntry), ["scale-weight"] = typeof(ScaleWeightEntry), ["trim"] = typeof(TrimEntry),
        ["charge-geometry"] = typeof(ChargeGeometryEntry),
    };

    /// <inheritdoc/>
    public IReadOnlyList<(string Kind, string Field)> Searched { get; } = [("leak-look", "where"), ("leak-look", "how")];

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit)
    {
        var standing = visit.Timeline.Standing;
        var looks = standing.OfType<LeakEntry>().OrderBy(l => l.At).ToList();
        var before = visit.UpToHere.Where(t => t != visit.Timeline).SelectMany(t => t.Standing).ToList();
        var lately = before.Concat(standing).Where(e => e.At > visit.Now.AddDays(-ChargeBook.YearDays)).ToList();
        var evacuation = VacuumCourse.Of(standing);
        return new ChargeJudgement(visit.Site.Atmosphere)
        {
            Sessions = ScaleSession.Of(standing),
            Evacuation = evacuation,
            Drier = Driers.Advice(standing, OpenedAt(standing),
                evacuation?.Decay?.Verdict is DecayVerdict.Moisture or DecayVerdict.MoistureAndLeak),
            PressureTest = PressureTest.Of(standing),
            Looks = looks,
            ToSearch = LeakSearch.Order(visit.Unit, looks, [.. before.OfType<LeakEntry>()],
                lately.Exists(e => e is RefrigerantEntry || IsGauge(e)),
                [.. lately.OfType<PartEntry>().Select(p => p.Component?.Kind).OfType<ComponentKind>()],
                visit.Conditions.StateOf(AsFound.OilTraces) == FactState.Found || looks.Exists(l => l.HasOil)),
            OpenedAt = OpenedAt(standing),
            Trim = Trimming.Of(standing, visit.Now),
            Geometry = before.Concat(standing).OfType<ChargeGeometryEntry>().MaxBy(g => g.At),
        };
    }

    /// <summary>Parts that cannot be replaced without opening the circuit.</summary>
    private static readonly HashSet<ComponentKind> OfTheCircuit =
    [
        ComponentKind.Compressor, ComponentKind.Drier, ComponentKind.ExpansionValve, ComponentKind.ElectronicValve,
        ComponentKind.CapillaryTube, ComponentKind.Coil,
    ];

    private static DateTimeOffset? OpenedAt(IReadOnlyList<Entry> standing) =>
        standing.Where(e => e is LeakEntry { Result: LeakResult.Repaired }
            || (e is PartEntry { Component.Kind: var kind } && OfTheCircuit.Contains(kind))).Select(e => (DateTimeOffset?)e.At).Max();

    private static bool IsGauge(Entry entry) =>
        entry is ReadingEntry reading && reading.Point.Kind() == QuantityKind.Pressure;
}
