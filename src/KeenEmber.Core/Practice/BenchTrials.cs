using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Practice;

/// <summary>What a bench said of a unit in arithmetic, and what was so.</summary>
/// <param name="Of">What was tried, as a person would group it.</param>
/// <param name="IsRight">It said what was so.</param>
/// <param name="IsWrong">It said something else that was not so; neither where it held its tongue.</param>
public sealed record BenchTrial(string Of, bool IsRight, bool IsWrong);

/// <summary>The benches on units in arithmetic that share no number with their rules.</summary>
public static partial class BenchTrials
{
    private const int DayS = 86_400;

    private static readonly EquipmentKind[] Kinds = Enum.GetValues<EquipmentKind>();

    private static readonly (string Code, Func<double, bool, UnitFaults> Made)[] CircuitFaults =
    [
        (CircuitPatterns.ShortOfCharge, (s, receiver) => new(ChargeLost: receiver ? 0.6 + 0.15 * s : 0.25 + 0.25 * s)),
        (CircuitPatterns.CoilStarved, (s, _) => new(ValveShut: 0.5 + 0.25 * s)),
        (CircuitPatterns.HighHead, (s, _) => new(CondenserDirt: 0.5 + 0.3 * s)),
        (CircuitPatterns.CoilNotLoaded, (s, _) => new(EvaporatorAir: 0.55 + 0.3 * s)),
        (CircuitPatterns.NotPumping, (s, _) => new(CompressorWear: 0.45 + 0.2 * s)),
    ];

    /// <summary>What the circuit bench names first where a fault of the circuit is strong enough to move a reading.</summary>
    public static IReadOnlyList<BenchTrial> Named(int count, int seed) => Drawn(count, seed, (random, _) =>
    {
        var (code, made) = CircuitFaults[random.Next(CircuitFaults.Length)];
        var design = UnitDesign.Of(Kinds[random.Next(Kinds.Length)]);
        return Running(design, made(random.NextDouble(), design.HasReceiver), random, RunS) is { } unit
            && Analysed(unit, design, random) is { } said ? Judged(code, said) : null;
    });

    /// <summary>What the circuit bench says of units with nothing wrong.</summary>
    public static IReadOnlyList<BenchTrial> Sound(int count, int seed) => Drawn(count, seed, (random, _) =>
    {
        var design = UnitDesign.Of(Kinds[random.Next(Kinds.Length)]);
        return Running(design, UnitFaults.None, random, RunS) is { } unit && Analysed(unit, design, random) is { } said
            ? Judged("sound", said) : null;
    });

    private static BenchTrial Judged(string code, CircuitAnalysis said)
    {
        var first = said.Findings is [var leads, ..] ? leads.Code : CircuitPatterns.WithinTargets;
        var isQuiet = first == CircuitPatterns.WithinTargets;
        return new(code, code == "sound" ? isQuiet : first == code, !isQuiet && first != code);
    }

    /// <summary>Results by how far they are said to count, against what the unit settles to: right where one lies near it, wrong where
    /// one that counts in full does not.</summary>
    public static IReadOnlyList<BenchTrial> Valid(int count, int seed) => [.. Drawn(count, seed, (random, _) =>
    {
        var design = UnitDesign.Of(Kinds[random.Next(Kinds.Length)]);
        if (Running(design, UnitFaults.None, random, random.Next(30, 1200)) is not { } unit
            || Analysed(unit, design, random) is not { } said)
            return null;
        var settled = Settled(design, unit.OutsideC);
        return said.Results.Where(r => settled.ContainsKey(r.Kind) && r.Value is not null).Select(r =>
        {
            var isNear = Math.Abs(r.Value!.Value - settled[r.Kind]) <= NearK;
            return new BenchTrial($"{r.Validity.Level}, {r.Kind}", isNear, r.Validity.Level == ValidityLevel.Good && !isNear);
        }).ToList();
    }).SelectMany(t => t)];

    /// <summary>Thermometers and gauges together are this good, and a unit swings about its mean, K.</summary>
    private const double NearK = 3;

    /// <summary>Means of runs that last, over a day in the same air.</summary>
    private static Dictionary<ResultKind, double> Settled(UnitDesign design, double outsideC)
    {
        var unit = new SimulatedUnit(design, design.TargetC + 1);
        var (n, superheat, td, split) = (0, 0.0, 0.0, 0.0);
        for (var s = 0; s < 2 * DayS; s++)
        {
            unit.Step(new(outsideC));
            if (s < DayS || !unit.CompressorRuns || unit.HeldS < SettlesS)
                continue;
            (n, superheat, td, split) = (n + 1, superheat + unit.SuperheatK, td + unit.BoxC - unit.EvaporatingC,
                split + unit.CondensingC - unit.OutsideC);
        }

        return n == 0 ? [] : new()
        {
            [ResultKind.SuperheatCoil] = superheat / n, [ResultKind.EvaporatorTd] = td / n, [ResultKind.CondenserSplit] = split / n,
        };
    }

    private const int SettlesS = 300, RunS = 600;

    /// <summary>What the vacuum bench says after three quarters of an hour with the pump shut off.</summary>
    public static IReadOnlyList<BenchTrial> Vacuum(int count, int seed) => Drawn(count, seed, (random, _) =>
    {
        var (isWet, leaks, roomC) = (random.Next(2) == 0, random.Next(2) == 0, 12 + 18 * random.NextDouble());
        var vacuum = new SimulatedVacuum(new(isWet ? 2 + 8 * random.NextDouble() : 0, leaks ? 5 + 40 * random.NextDouble() : 0.05), roomC);
        for (var s = 0; s < 2400; s++)
            vacuum.Step(isPumping: true);
        var samples = new List<VacuumSample>();
        for (var minute = 0; minute <= 45; minute++)
        {
            samples.Add(new(minute, vacuum.Pa * (1 + 0.02 * (random.NextDouble() - 0.5))));
            for (var s = 0; s < 60; s++)
                vacuum.Step(isPumping: false);
        }

        var truth = (isWet, leaks) switch
        {
            (true, true) => DecayVerdict.MoistureAndLeak, (true, false) => DecayVerdict.Moisture,
            (false, true) => DecayVerdict.Leak, _ => DecayVerdict.Dry,
        };
        var said = DecayFit.Fit(samples, SimulatedVacuum.VolumeL, Temperature.FromCelsius(roomC)).Verdict;
        return new BenchTrial(truth.ToString(), said == truth, said != truth && said != DecayVerdict.TooEarly);
    });

    /// <summary>When the box bench says, from the first third of a pull-down, that a box is at its target: right where that time lies in
    /// what it gave.</summary>
    public static IReadOnlyList<BenchTrial> PullDowns(int count, int seed) => Drawn(count, seed, (random, _) =>
    {
        var design = UnitDesign.Of(Kinds[random.Next(Kinds.Length)]) with { Defrosts = 0 };
        var unit = new SimulatedUnit(design, design.TargetC + 8 + 14 * random.NextDouble());
        Weather weather = new(design.DesignAirC - 10 * random.NextDouble(), 3);
        var samples = new List<PullDownSample>();
        var minute = 0;
        for (; minute < 30 * 60 && unit.BoxC > design.TargetC; minute++)
        {
            samples.Add(new(minute, unit.BoxC + 0.3 * (random.NextDouble() - 0.5)));
            for (var s = 0; s < 60; s++)
                unit.Step(weather);
        }

        if (minute is < 30 or 30 * 60)
            return null;
        var told = PullDownFit.Fit([.. samples.Take(minute / 3)], design.TargetC);
        if (told.ToTarget is not { } at)
            return new BenchTrial("pull-down", false, told.Verdict == PullDownVerdict.WillNotReach);
        var isIn = minute >= at.Low && minute <= at.High;
        return new BenchTrial("pull-down", isIn, !isIn);
    });

    private static List<T> Drawn<T>(int count, int seed, Func<Random, int, T?> trial)
        where T : class =>
        [.. Enumerable.Range(0, count).AsParallel().AsOrdered().Select(i => trial(new(seed + 7919 * i), i)).OfType<T>()];

    /// <summary>After a day, so many seconds into a run on a coil that is not iced; null where it comes to none.</summary>
    private static SimulatedUnit? Running(UnitDesign design, UnitFaults faults, Random random, int forS)
    {
        var unit = new SimulatedUnit(design, design.TargetC + 1) { Faults = faults };
        Weather weather = new(design.DesignAirC - 6 + 8 * random.NextDouble(), 2);
        for (var s = 0; s < 2 * DayS && !(s > DayS && unit.CompressorRuns && unit.HeldS >= forS); s++)
            unit.Step(weather);
        return unit.CompressorRuns && unit.HeldS >= forS ? unit : null;
    }

    /// <summary>A technician's readings: thermometers within 0.5 K, gauges within 1 %.</summary>
    private static CircuitAnalysis? Analysed(SimulatedUnit unit, UnitDesign design, Random random)
    {
        var now = new OperatingConditions([FactState.Running], FactState.Clear, FactState.Running, TimeSpan.FromSeconds(unit.HeldS),
            FactState.Running, null, new(unit.BoxC - design.TargetC), Temperature.FromCelsius(design.TargetC));
        var makeUp = new CircuitMakeUp(design.Kind, design.Metering, design.Condenser,
            design.HasReceiver ? CircuitParts.Receiver : CircuitParts.None);
        TypedValue Read(MeasuringPoint point)
        {
            var shown = unit.Shows(point, Pressure.StandardAtmosphere);
            var off = 2 * random.NextDouble() - 1;
            return shown.Unit == Unit.Celsius ? shown with { Number = Math.Round(shown.Number + 0.5 * off, 1) }
                : shown with { Number = shown.Number * (1 + 0.01 * off) };
        }

        var readings = SimulatedUnit.Points.Where(p => p != MeasuringPoint.CompressorCurrent && p != MeasuringPoint.DischargeLine)
            .Select(p => new TakenReading(Guid.Empty, p, DateTimeOffset.UnixEpoch, Read(p), Pressure.StandardAtmosphere, now))
            .ToDictionary(r => r.Point);
        return CircuitCalculation.Analyse(new(design.Refrigerant, makeUp, readings), now);
    }
}
