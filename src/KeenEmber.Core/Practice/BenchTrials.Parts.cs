using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Practice;

/// <content>Wires, sensors and defrosts of the same units.</content>
public static partial class BenchTrials
{
    /// <summary>Nobody lifts the meter more often, and from where on a part is taken out.</summary>
    private const int MostReadings = 14;

    private const double TakenOut = 0.85;

    /// <summary>Faults of a part that is there: open or welded contacts, open loads and coils.</summary>
    private static readonly (WiredKind Kind, WiredFault Fault)[] WiredFaults =
    [
        (WiredKind.Contact, WiredFault.StuckOpen), (WiredKind.Contact, WiredFault.StuckClosed), (WiredKind.Load, WiredFault.Open),
        (WiredKind.Coil, WiredFault.Open),
    ];

    /// <summary>Which part the trace takes out, measuring what it asks for with a meter that is off by up to 1 %.</summary>
    public static IReadOnlyList<BenchTrial> Traced(int count, int seed) => Drawn(count, seed, (random, _) =>
    {
        var usual = UnitDesign.Of(Kinds[random.Next(Kinds.Length)]);
        var wiring = UnitWiring.Of(usual.HasReceiver && random.Next(2) == 0 ? usual.WithPumpDown() : usual);
        var mode = wiring.Plan.Parts.Any(p => p.Component?.Kind == ComponentKind.HeaterElement) && random.Next(3) == 0
            ? CircuitMode.Defrost : CircuitMode.Calling;
        var (kind, fault) = WiredFaults[random.Next(WiredFaults.Length)];
        var parts = wiring.Plan.Parts.Where(p => p.Kind == kind && (fault != WiredFault.StuckOpen || CircuitPlan.IsClosed(p, mode))
            && (fault != WiredFault.StuckClosed || !CircuitPlan.IsClosed(p, mode))).ToList();
        if (parts.Count == 0)
            return null;
        var broken = parts[random.Next(parts.Count)].Name;
        wiring.Faults = [new(broken, fault)];
        wiring.Under(new(mode, false, false, mode == CircuitMode.Defrost, false));
        var trace = Follow(wiring, mode, random);
        var named = trace.Sets[0] is { Probability: >= TakenOut, Faults: [var first, ..] } ? first.Part : null;
        return new BenchTrial($"{mode}", named == broken, named is not null && named != broken);
    });

    private static Trace Follow(UnitWiring wiring, CircuitMode mode, Random random)
    {
        var circuit = wiring.Plan.In(mode, UnitWiring.SupplyVolts).Wiring;
        var readings = new List<TraceReading>();
        var trace = Tracer.Find(circuit, readings);
        while (readings.Count < MostReadings && trace.Next is [var next, ..])
        {
            var off = 1 + 0.01 * (2 * random.NextDouble() - 1);
            readings.Add(next.Kind switch
            {
                TraceKind.Volts => TraceReading.Volts(next.A, next.B, off * wiring.VoltsBetween(next.A, next.B)!.Value),
                TraceKind.Amps => new(TraceKind.Amps, "", "", next.Part, off * wiring.AmpsThrough(next.Part)!.Value),
                var seen => new(seen, "", "", next.Part, 0, wiring.Runs(next.Part) == true),
            });
            trace = Tracer.Find(circuit, readings);
        }

        return trace;
    }

    private static readonly (string Code, double R25, double Beta)[] Thermistors =
        [("ntc-1k-3528", 1000, 3528), ("ntc-2k-3500", 2000, 3500), ("ntc-100k-3950", 100_000, 3950)];

    /// <summary>Of one sensor from the next of its kind, of R25 and of beta, as shares.</summary>
    private const double SensorSpread = 0.005;

    /// <summary>What the sensor bench says of the box sensor, read at its place while the unit runs, in ice and in a warm bath: the
    /// sensor by one beta, its fault in its leads, its bead or behind it.</summary>
    public static IReadOnlyList<BenchTrial> Sensors(int count, int seed) => Drawn(count, seed, (random, _) =>
    {
        var (code, plate, plateBeta) = Thermistors[random.Next(Thermistors.Length)];
        var curve = SensorFamilies.Find(code)!;
        var (r25, beta) = (plate * (1 + Off(random, SensorSpread)), plateBeta * (1 + Off(random, SensorSpread)));
        var design = UnitDesign.Of(Kinds[random.Next(Kinds.Length)]);
        if (Running(design, UnitFaults.None, random, RunS) is not { } unit)
            return null;
        var (name, are, fault) = SensorCases[random.Next(SensorCases.Length)];
        var size = 0.5 + 0.5 * random.NextDouble();
        var points = new[] { (At: unit.BoxC, InBath: false), (At: 0.0, InBath: true), (At: 22.0, InBath: true) }
            .Select((p, moment) =>
            {
                var ohms = r25 * Math.Exp(beta * (1 / (p.At + KelvinAtZero) - 1 / (25 + KelvinAtZero)));
                var (signal, shownK) = fault(ohms, size * r25);
                var shown = curve.ValueOf(signal) is { } read ? Math.Round(read + shownK + Off(random, 0.2), 1) : (double?)null;
                return new SensorPoint(
                    Math.Round(p.At + Off(random, 0.2), 1), signal * (1 + Off(random, 0.004)), shown, p.InBath, moment);
            }).ToList();
        var said = ThreeWayCheck.Judge(curve, points, new()).Verdict;
        return new BenchTrial(name, are.Contains(said), said != SensorVerdict.Unsettled && !are.Contains(said));
    });

    private const double KelvinAtZero = Temperature.ZeroCelsiusInKelvin;

    private static double Off(Random random, double by) => by * (2 * random.NextDouble() - 1);

    /// <summary>By ohms and so many ohms at 25 °C, what is measured at the leads and what the control adds, K.</summary>
    private static readonly (string Name, SensorVerdict[] Are, Func<double, double, (double Ohms, double ShownK)> Made)[] SensorCases =
    [
        ("sound", [SensorVerdict.Good], (ohms, _) => (ohms, 0)),
        ("off by a share of its ohms", [SensorVerdict.SensorOffset, SensorVerdict.Drifted], (ohms, _) => (1.4 * ohms, 0)),
        ("a bad joint in series", [SensorVerdict.SeriesResistance, SensorVerdict.Drifted], (ohms, s) => (ohms + s, 0)),
        ("water across its leads", [SensorVerdict.Leakage, SensorVerdict.Drifted], (ohms, s) => (1 / (1 / ohms + 1 / (4 * s)), 0)),
        ("broken", [SensorVerdict.Open], (_, _) => (double.PositiveInfinity, 0)),
        ("control off", [SensorVerdict.ControllerSide, SensorVerdict.OffsetParameter, SensorVerdict.WrongCurve],
            (ohms, _) => (ohms, 6)),
    ];

    /// <summary>What the defrost bench says of a defrost of a whole unit, watched each half minute: coil, box, current, fans.</summary>
    public static IReadOnlyList<BenchTrial> Defrosts(int count, int seed) => Drawn(count, seed, (random, _) =>
    {
        var heated = Kinds.Select(UnitDesign.Of).Where(d => d.HeaterW > 0).ToList();
        var design = heated[random.Next(heated.Count)];
        var (name, are, part, fault) = DefrostCases[random.Next(DefrostCases.Length)];
        var unit = new SimulatedUnit(design, design.TargetC + 1);
        var wired = part is { } kind ? unit.Wiring.Part(kind, WiredKind.Contact) : null;
        if (part is not null && wired is null)
            return null;
        unit.Faults = wired is null ? fault : fault with { Wired = [new(wired.Name, part == ComponentKind.FanDelaySwitch
            ? WiredFault.StuckClosed : WiredFault.StuckOpen)] };
        var said = DefrostAnalysis.Analyse(Watch(unit, design, random)).Findings.Select(f => f.Code).ToHashSet();
        var isNamed = are.Any(said.Contains);
        var isAccused = Accusations.Except(are).Any(said.Contains);
        return new BenchTrial(name, are.Length == 0 ? !isAccused : isNamed, are.Length == 0 ? isAccused : !isNamed && isAccused);
    });

    /// <summary>What is said of a defrost that is not as it should be.</summary>
    private static readonly string[] Accusations =
    [
        DefrostCodes.EndedEarly, DefrostCodes.NotTerminated, DefrostCodes.LimitBeforeClear, DefrostCodes.LegOut, DefrostCodes.LegWeak,
        DefrostCodes.FansInHeat, DefrostCodes.FansEarly, DefrostCodes.FansNever, DefrostCodes.HeatAfterClear,
    ];

    private static readonly (string Name, string[] Are, ComponentKind? Part, UnitFaults Fault)[] DefrostCases =
    [
        ("sound", [], null, UnitFaults.None),
        ("half of the heat", [DefrostCodes.LegOut, DefrostCodes.LegWeak, DefrostCodes.LimitBeforeClear], null, new(HeaterOut: 0.5)),
        ("end switch never closes", [DefrostCodes.NotTerminated, DefrostCodes.HeatAfterClear], ComponentKind.TerminationSwitch,
            UnitFaults.None),
        ("fan delay stays closed", [DefrostCodes.FansInHeat, DefrostCodes.FansEarly], ComponentKind.FanDelaySwitch, UnitFaults.None),
    ];

    private const int WatchEveryS = 30, WatchBeforeMin = 5, WatchMin = 90;

    private static DefrostRun Watch(SimulatedUnit unit, UnitDesign design, Random random)
    {
        Weather weather = new(design.DesignAirC - 4 * random.NextDouble(), 2);
        // A day in, so many minutes before the next one.
        while (unit.Seconds < DayS || unit.Mode == UnitMode.Defrost)
            unit.Step(weather);
        var before = new Queue<Sample>();
        while (unit.Mode != UnitMode.Defrost)
        {
            unit.Step(weather);
            if (unit.Seconds % WatchEveryS == 0)
                before.Enqueue(SampleOf(unit));
            if (before.Count > WatchBeforeMin * 60 / WatchEveryS)
                before.Dequeue();
        }

        var samples = before.ToList();
        while (samples.Count < WatchMin * 60 / WatchEveryS)
        {
            unit.Step(weather);
            if (unit.Seconds % WatchEveryS == 0)
                samples.Add(SampleOf(unit));
        }

        RunTrack Track(RunPlace place, Func<Sample, double> of, double noise) =>
            RunTrack.Of(place, samples.Select((s, i) => (i * WatchEveryS / 60.0, of(s) + Off(random, noise))));
        List<RunMark> marks = [];
        for (var i = 1; i < samples.Count; i++)
        {
            var minute = i * WatchEveryS / 60.0;
            if (samples[i].IsHeated != samples[i - 1].IsHeated)
                marks.Add(new(samples[i].IsHeated ? RunMarkKind.HeatOn : RunMarkKind.HeatOff, minute));
            if (samples[i].AreFansOn != samples[i - 1].AreFansOn)
                marks.Add(new(samples[i].AreFansOn ? RunMarkKind.FansOn : RunMarkKind.FansOff, minute));
        }

        if (samples[0].AreFansOn)
            marks.Insert(0, new(RunMarkKind.FansOn, 0));
        var setUp = new DefrostSetUp(DefrostKind.Electric, EndedBy: TerminationKind.Switch, EndAt: new(SimulatedUnit.EndsAtC, Unit.Celsius),
            FailSafeMin: SimulatedUnit.LongestHeatMin, FanDelayAt: new(SimulatedUnit.FansAtC, Unit.Celsius),
            Heaters: [new(design.HeaterW, UnitWiring.SupplyVolts)]);
        return new(DateTimeOffset.UnixEpoch, setUp,
        [
            Track(new(RunPlaceKind.ColdestBend), s => s.CoilC, 0.4), Track(new(RunPlaceKind.Box), s => s.BoxC, 0.4),
            Track(RunPlace.Leg(1), s => s.Amperes, 0.05),
        ], marks) { TargetC = design.TargetC };
    }

    private readonly record struct Sample(double CoilC, double BoxC, double Amperes, bool IsHeated, bool AreFansOn);

    private static Sample SampleOf(SimulatedUnit unit) =>
        new(unit.EvaporatingC, unit.BoxC, unit.HeaterAmperes, unit.IsHeated, unit.AreFansFed);
}
