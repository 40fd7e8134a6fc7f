using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>The circuit bench on whole units that exist only in arithmetic and share no number with its rules.</summary>
public sealed class CircuitNamedTests(ITestOutputHelper output)
{
    private static readonly EquipmentKind[] Kinds =
        [EquipmentKind.WalkInCooler, EquipmentKind.WalkInFreezer, EquipmentKind.GlassDoorCase, EquipmentKind.ReachInCooler,
            EquipmentKind.ReachInFreezer];

    private static (string Code, Func<double, bool, UnitFaults> Made)[] Faults { get; } =
    [
        (CircuitPatterns.ShortOfCharge, (s, receiver) => new(ChargeLost: receiver ? 0.6 + 0.15 * s : 0.25 + 0.25 * s)),
        (CircuitPatterns.CoilStarved, (s, _) => new(ValveShut: 0.5 + 0.25 * s)),
        (CircuitPatterns.HighHead, (s, _) => new(CondenserDirt: 0.5 + 0.3 * s)),
        (CircuitPatterns.CoilNotLoaded, (s, _) => new(EvaporatorAir: 0.55 + 0.3 * s)),
        (CircuitPatterns.NotPumping, (s, _) => new(CompressorWear: 0.45 + 0.2 * s)),
    ];

    /// <summary>A technician's readings once the unit has run for a while: thermometers within 0.5 K, gauges within 1 %.</summary>
    private static CircuitAnalysis? Looked(EquipmentKind kind, UnitFaults faults, int seed)
    {
        var (design, random) = (UnitDesign.Of(kind), new Random(seed));
        var unit = new SimulatedUnit(design, design.TargetC + 1) { Faults = faults };
        Weather weather = new(design.DesignAirC - 6 + 8 * random.NextDouble(), 2);
        for (var s = 0; s < 86_400; s++)
            unit.Step(weather);
        for (var s = 0; s < 86_400 && !(unit.CompressorRuns && unit.HeldS >= 600); s++)
            unit.Step(weather);
        if (!unit.CompressorRuns)
            return null;
        var now = new OperatingConditions(
            [FactState.Running], FactState.Clear, FactState.Running, TimeSpan.FromSeconds(unit.HeldS), FactState.Running, null,
            new(unit.BoxC - design.TargetC), Temperature.FromCelsius(design.TargetC));
        var makeUp = new CircuitMakeUp(kind, design.Metering,
            design.HasReceiver ? CondenserKind.AirCooledRemote : CondenserKind.AirCooledSelfContained,
            design.HasReceiver ? CircuitParts.Receiver : CircuitParts.None);
        TypedValue Read(MeasuringPoint point)
        {
            var shown = unit.Shows(point, Pressure.StandardAtmosphere);
            var off = 2 * random.NextDouble() - 1;
            return shown.Unit == Unit.Celsius ? shown with { Number = Math.Round(shown.Number + 0.5 * off, 1) }
                : shown with { Number = shown.Number * (1 + 0.01 * off) };
        }

        var readings = SimulatedUnit.Points.Where(p => p != MeasuringPoint.CompressorCurrent && p != MeasuringPoint.DischargeLine)
            .Select(p => new TakenReading(Guid.CreateVersion7(), p, new(2026, 3, 2, 12, 0, 0, TimeSpan.Zero), Read(p),
                Pressure.StandardAtmosphere, now)).ToDictionary(r => r.Point);
        return CircuitCalculation.Analyse(new(RefrigerantCatalogue.Find(design.Fluid)!, makeUp, readings), now);
    }

    private static string First(CircuitAnalysis analysis) => analysis.Findings is [var first, ..] ? first.Code : "nothing";

    [Fact]
    public void Faults_strong_enough_to_matter_are_named_first()
    {
        var (named, wrong, all) = (0, 0, 0);
        foreach (var (code, made) in Faults)
        {
            var said = Kinds.SelectMany(k => Enumerable.Range(0, 4).Select(i => (Kind: k, Analysis: Looked(
                k, made(i / 3.0, UnitDesign.Of(k).HasReceiver), 17 * i + (int)k)))).Where(l => l.Analysis is not null)
                .Select(l => First(l.Analysis!)).ToList();
            (named, all) = (named + said.Count(s => s == code), all + said.Count);
            wrong += said.Count(s => s != code && s is not ("nothing" or CircuitPatterns.WithinTargets));
            output.WriteLine($"{code}: {string.Join(", ", said.CountBy(s => s).Select(s => $"{s.Key} {s.Value}"))}");
        }

        // The rest moves no reading out of its band: what cannot be seen is not accused.
        output.WriteLine($"{named} of {all} named first, {wrong} taken for another fault");
        Assert.True(named >= 0.63 * all);
        Assert.True(wrong <= 0.05 * all);
    }

    [Fact]
    public void Sound_units_are_not_accused()
    {
        var said = Enum.GetValues<EquipmentKind>().SelectMany(k => Enumerable.Range(0, 3).Select(i => Looked(k, UnitFaults.None, i)))
            .OfType<CircuitAnalysis>().Select(First).ToList();
        output.WriteLine(string.Join(", ", said.CountBy(s => s).Select(s => $"{s.Key} {s.Value}")));
        Assert.All(said, s => Assert.True(s is "nothing" or CircuitPatterns.WithinTargets, s));
    }
}
