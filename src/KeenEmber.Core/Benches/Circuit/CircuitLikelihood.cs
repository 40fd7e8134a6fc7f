using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using static KeenEmber.Core.Plant.ResultKind;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>How probable each fault is, by all results and facts of one coil together.</summary>
/// <remarks>
/// Every result has a value that a healthy unit of this make-up would show now, with its spread: half the target band, and what two
/// meters may differ. Each fault moves it (<see cref="CircuitFaults"/>). What is not known weighs nothing, a provisional result weighs
/// less, one result in a hundred is taken to be nonsense. In the race are a healthy unit, each fault at three stages, each pair of a
/// fault of the coil and one of the condenser, and something that this table does not know.
/// </remarks>
internal sealed class CircuitLikelihood
{
    /// <summary>Shares of the calls on which nothing of the circuit is wrong, and on which something is that the table does not
    /// know.</summary>
    private const double HealthyPrior = 0.32;
    private const double UnknownPrior = 0.01;

    /// <summary>Nonsense, and the unknown, may lie anywhere within so many healthy spreads.</summary>
    private const double NonsenseShare = 0.01;
    private const double AnywhereSpreads = 30;

    /// <summary>What a result made of two readings is good to with usual meters, K (see <see cref="InstrumentAccuracy"/>).</summary>
    private const double AccuracyK = 0.7;

    /// <summary>By how much of its own size the effect of a fault differs from unit to unit.</summary>
    private const double EffectSpread = 0.3;
    private const double ProvisionalSpread = 1.4;

    /// <summary>A box above its target lets a sound unit work harder: some 4 % more capacity a kelvin that it evaporates higher.</summary>
    private const double TdPerBoxK = 0.03;
    private const double SplitPerBoxK = 0.02;
    private const double ValveSuperheatPerBoxK = 0.1;
    private const double CapillarySuperheatPerBoxK = 0.6;
    private const double MostBoxAboveK = 15;

    /// <summary>A capillary tube is sized for a warm day: with cooler air on its condenser it feeds less.</summary>
    private const double CapillaryAirC = 28;
    private const double CapillarySuperheatPerAirK = 0.7;
    private const double CapillaryTdPerAirK = 0.03;

    /// <summary>Liquid leaves a condenser by so much of the way from condensing to the air nearer to the air; the same parts of it subcool
    /// more liquid the further it stands above its air. Trade bands of both, 3 to 8 of 8 to 17 K.</summary>
    private const double SubcoolingPerSplit = 0.43;
    private const double SubcoolingSpread = 0.27;
    private const double LeastSubcoolingSpreadK = 0.5;
    private const double UsualSplitK = 12.5;

    private const double AirDropShareUsual = 0.5;
    private const double AirDropShareSpread = 0.17;

    private readonly CircuitMakeUp makeUp;
    private readonly CircuitTargets settled;
    private readonly double boxAboveK;
    private readonly double? ownSubcoolingK;
    private readonly double coolAirK;
    private readonly Dictionary<AsFound, FactState> seen;
    private readonly List<Hypothesis> hypotheses = [];

    private sealed record Hypothesis(IReadOnlyList<CircuitFault> Faults, FaultStage Stage, double Share);

    /// <param name="Value">In the result's own unit.</param>
    internal sealed record Evidence(CircuitResult Result, double Value);

    /// <param name="settled">Targets with the box near its own.</param>
    /// <param name="sees">The state of a fact, as far as it tells anything now.</param>
    internal CircuitLikelihood(
        CircuitMakeUp makeUp, CircuitTargets settled, IReadOnlyList<CircuitResult> results, OperatingConditions now, int coil,
        Func<AsFound, FactState?> sees)
    {
        (this.makeUp, this.settled) = (makeUp, settled);
        boxAboveK = Math.Clamp((now.BoxAboveTarget?.Kelvin ?? 0) - 1, 0, MostBoxAboveK);
        CircuitResult? Usable(ResultKind kind) =>
            results.FirstOrDefault(r => r.Ref == kind.At(coil) && r is { IsUsable: true, Band: not null });
        ownSubcoolingK = makeUp.IsAirCooled && Usable(CondenserSplit)?.Value is { } split ? SubcoolingOf(split) : null;
        coolAirK = results.SelectMany(r => r.Basis).FirstOrDefault(b => b.Point == MeasuringPoint.CondenserAir) is { } air
            ? Math.Max(0, CapillaryAirC - air.Temperature.Celsius) : 0;
        var ofCoil = Usable(SuperheatCoil) ?? (makeUp.Coils == 1 ? Usable(SuperheatCompressor) : null);
        Known = [.. new[] { ofCoil, Usable(EvaporatorTd), Usable(Subcooling), Usable(CondenserSplit), Usable(CurrentShare) }
            .OfType<CircuitResult>().Select(r => new Evidence(r, r.Value!.Value))];
        if (Usable(AirDrop) is { } drop && Usable(EvaporatorTd) is { Value: > 2 and var td })
            Known = [.. Known, new(drop, drop.Value!.Value / td)];
        seen = CircuitFaults.All.SelectMany(f => f.Signs).Select(s => s.Fact).Distinct().Where(f => sees(f) is not null)
            .ToDictionary(f => f, f => sees(f)!.Value);
        Weigh();
    }

    /// <summary>Whether a result of this kind weighs at all; the others are made of the same readings.</summary>
    internal static bool Weighs(ResultKind kind) =>
        kind is SuperheatCoil or EvaporatorTd or Subcooling or CondenserSplit or CurrentShare or AirDrop;

    /// <summary>The results that weigh.</summary>
    internal IReadOnlyList<Evidence> Known { get; }

    /// <summary>That nothing of the circuit is wrong.</summary>
    internal double Healthy { get; private set; }

    /// <summary>Every fault of the table with its probability, alone or beside another, the most probable first.</summary>
    internal IReadOnlyList<(CircuitFault Fault, double Share)> Faults { get; private set; } = [];

    /// <summary>By how much a result speaks for a fault and against a healthy unit, in natural logarithms.</summary>
    internal double Speaks(Evidence evidence, CircuitFault fault) => LogOf(evidence, Likeliest(fault)) - LogOf(evidence, FaultStage.None);

    /// <summary>How far a result lies from where the fault would have it, in spreads.</summary>
    internal double Strays(Evidence evidence, CircuitFault fault)
    {
        var (mean, spread) = Expected(evidence.Result, Likeliest(fault));
        return Math.Abs(evidence.Value - mean) / spread;
    }

    /// <summary>How far the fault moves a result, in the spreads of a healthy unit.</summary>
    internal double Moves(CircuitResult result, CircuitFault fault)
    {
        var (mean, spread) = Expected(result, FaultStage.None);
        return (Expected(result, fault.Stages(makeUp)[1]).Mean - mean) / spread;
    }

    /// <summary>Below the usual split in proportion; above it by half of that, since what holds heat back takes condenser from subcooling
    /// too.</summary>
    private double SubcoolingOf(double splitK)
    {
        var usual = settled.For(CondenserSplit) is { } band ? Math.Max((band.Low + band.High) / 2, UsualSplitK) : UsualSplitK;
        return SubcoolingPerSplit * (Math.Clamp(splitK, 4, usual) + Math.Max(0, splitK - usual) / 2);
    }

    private FaultStage Likeliest(CircuitFault fault) =>
        hypotheses.Where(h => h.Faults.Contains(fault)).MaxBy(h => h.Share)?.Stage ?? fault.Stages(makeUp)[1];

    private void Weigh()
    {
        var faults = CircuitFaults.All.Where(CanBe).ToList();
        var logs = new List<(IReadOnlyList<CircuitFault> Faults, FaultStage Stage, double Log)>
        {
            ([], FaultStage.None, Math.Log(HealthyPrior) + LogOf([], FaultStage.None)),
        };
        foreach (var fault in faults)
            Add([fault], fault.Prior, fault.Stages(makeUp));
        foreach (var one in faults.Where(f => !f.IsHighSide))
            foreach (var other in faults.Where(f => f.IsHighSide))
                Add([one, other], one.Prior * other.Prior, [.. one.Stages(makeUp).SelectMany(a => other.Stages(makeUp).Select(a.And))]);
        var unknown = Math.Log(UnknownPrior) - Known.Count * Math.Log(AnywhereSpreads)
            - Known.Sum(e => Math.Log(Expected(e.Result, FaultStage.None).Spread)) + LogOfSeen([]);
        var most = Math.Max(unknown, logs.Max(l => l.Log));
        var all = Math.Exp(unknown - most) + logs.Sum(l => Math.Exp(l.Log - most));
        hypotheses.AddRange(logs.Select(l => new Hypothesis(l.Faults, l.Stage, Math.Exp(l.Log - most) / all)));
        Healthy = hypotheses.Where(h => h.Faults.Count == 0).Sum(h => h.Share);
        Faults =
            [.. faults.Select(f => (f, hypotheses.Where(h => h.Faults.Contains(f)).Sum(h => h.Share))).OrderByDescending(f => f.Item2)];

        void Add(CircuitFault[] of, double prior, FaultStage[] stages) =>
            logs.AddRange(stages.Select(s => ((IReadOnlyList<CircuitFault>)of, s, Math.Log(prior / stages.Length) + LogOf(of, s))));
    }

    /// <summary>A case on a rack ends at its own pipes: the rack's machines and charge are elsewhere. A capillary tube has nothing that
    /// could
    /// open too far, and a box at its target no heavy load.</summary>
    private bool CanBe(CircuitFault fault) => fault.Code switch
    {
        CircuitPatterns.NotPumping or CircuitPatterns.HighHead or CircuitPatterns.Overcharged => makeUp.Condenser != CondenserKind.Rack,
        CircuitPatterns.Overfed => makeUp.Metering != Metering.CapillaryTube,
        CircuitPatterns.HeavyLoad => boxAboveK > CircuitTargets.PullDownAboveK - 1,
        _ => true,
    };

    private double LogOf(IReadOnlyList<CircuitFault> faults, FaultStage stage) => Known.Sum(e => LogOf(e, stage)) + LogOfSeen(faults);

    private double LogOf(Evidence evidence, FaultStage stage)
    {
        var (mean, spread) = Expected(evidence.Result, stage);
        var healthy = Expected(evidence.Result, FaultStage.None).Spread;
        var off = (evidence.Value - mean) / spread;
        return Math.Log((1 - NonsenseShare) * Math.Exp(-off * off / 2) / (spread * Math.Sqrt(2 * Math.PI))
            + NonsenseShare / (AnywhereSpreads * healthy));
    }

    private double LogOfSeen(IReadOnlyList<CircuitFault> faults)
    {
        var log = 0.0;
        foreach (var (fact, state) in seen)
        {
            var telling = CircuitFaults.All.SelectMany(f => f.Signs).First(s => s.Fact == fact).State;
            var chance = faults.SelectMany(f => f.Signs).Where(s => s.Fact == fact).Select(s => s.Chance)
                .Append(CircuitFaults.ChanceOtherwise(telling)).Max();
            log += Math.Log(state == telling ? chance : 1 - chance);
        }

        return log;
    }

    /// <summary>What a result would show at a stage of a fault, with its spread.</summary>
    private (double Mean, double Spread) Expected(CircuitResult result, FaultStage stage)
    {
        var (sound, healthy) = Healthily(result.Kind, stage.FollowsBox ? boxAboveK : 0);
        var mean = Moved(result.Kind, sound, stage);
        var spread = result.Kind == Subcooling ? Both(AccuracyK, LeastSubcoolingSpreadK + SubcoolingSpread * mean)
            : Both(healthy, EffectSpread * (mean - sound));
        return (mean, result.Validity.Level == ValidityLevel.Provisional ? spread * ProvisionalSpread : spread);
    }

    /// <summary>What a sound unit shows of a result with its box so far above its target. A target band holds what is still good, so a unit
    /// lies in it more surely than one spread each way.</summary>
    private (double Mean, double Spread) Healthily(ResultKind kind, double boxAboveK)
    {
        var band = settled.For(kind)!.Value;
        var (middle, half) = ((band.Low + band.High) / 2, (band.High - band.Low) / 2);
        var coolForTubeK = IsCapillary ? coolAirK : 0;
        return kind switch
        {
            EvaporatorTd => (middle * (1 + TdPerBoxK * boxAboveK + CapillaryTdPerAirK * coolForTubeK), Both(0.75 * half, AccuracyK)),
            SuperheatCoil when IsCapillary => (
                middle + CapillarySuperheatPerBoxK * boxAboveK + CapillarySuperheatPerAirK * coolForTubeK,
                Both(1.2 * half + 0.15 * boxAboveK + 0.7 * CapillarySuperheatPerAirK * coolForTubeK, AccuracyK)),
            SuperheatCoil => (middle + ValveSuperheatPerBoxK * boxAboveK, Both(0.8 * half + 0.15 * boxAboveK, AccuracyK)),
            SuperheatCompressor => (middle, Both(half, AccuracyK)),
            Subcooling => (ownSubcoolingK ?? middle, 0),
            CondenserSplit => (middle * (1 + SplitPerBoxK * boxAboveK), Both(0.65 * half, AccuracyK)),
            AirDrop => (AirDropShareUsual, AirDropShareSpread),
            _ => (middle, 0.8 * half),
        };
    }

    /// <summary>Superheat that is lost goes towards none, however much there was.</summary>
    private double Moved(ResultKind kind, double mean, FaultStage stage) => kind switch
    {
        // A regulator holds the coil's pressure up: what starves it shows elsewhere.
        EvaporatorTd when makeUp.Has(CircuitParts.EvaporatorPressureRegulator) && stage.Td > 1 => mean,
        EvaporatorTd => mean * stage.Td,
        SuperheatCoil or SuperheatCompressor when stage.SuperheatK < 0 && settled.For(kind) is { } band =>
            mean * Math.Max(0, 1 + 2 * stage.SuperheatK / (band.Low + band.High)),
        SuperheatCoil or SuperheatCompressor => mean + stage.SuperheatK,
        Subcooling => mean * stage.Subcooling,
        CondenserSplit => mean * stage.Split,
        CurrentShare => mean + stage.Current,
        AirDrop => mean + stage.AirDropShare,
        _ => mean,
    };

    private bool IsCapillary => makeUp.Metering == Metering.CapillaryTube;

    private static double Both(double one, double other) => Math.Sqrt(one * one + other * other);
}
