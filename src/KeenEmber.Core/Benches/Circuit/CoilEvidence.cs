using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What all results and facts of one coil say together, as findings with what speaks for and against them.</summary>
internal sealed class CoilEvidence
{
    /// <summary>A fault less probable than this is not named; from the others on it is said more surely.</summary>
    private const double LeastShare = 0.35;
    private const double FairShare = 0.6;
    private const double StrongShare = 0.9;

    /// <summary>A sound unit is called so from here on.</summary>
    private const double SoundShare = 0.5;
    private const double StrongSoundShare = 0.7;

    /// <summary>From here on a result is named among what speaks for a fault, in natural logarithms.</summary>
    private const double SpeaksFrom = 0.4;

    /// <summary>From here on it is named among what speaks against it, in spreads.</summary>
    private const double StraysFrom = 1.8;

    /// <summary>A result that a fault moves by so many spreads is worth taking, a sign so many times likelier with it worth looking
    /// for.</summary>
    private const double MovesFrom = 1;
    private const double LikelierFrom = 4;

    /// <summary>So many results that agree make a strong finding.</summary>
    private const int StrongFrom = 3;

    /// <summary>A standing pressure that is right: no air in the condenser.</summary>
    private static readonly string NoAir = $"{CircuitPatterns.StandingSign}.{StandingVerdict.Normal}";

    private static readonly ResultKind[] AskedOfASoundUnit = [ResultKind.SuperheatCoil, ResultKind.Subcooling, ResultKind.EvaporatorTd];

    private readonly CircuitInput input;
    private readonly IReadOnlyList<CircuitResult> results;
    private readonly OperatingConditions now;
    private readonly int coil;
    private readonly CircuitLikelihood likelihood;

    internal CoilEvidence(CircuitInput input, IReadOnlyList<CircuitResult> results, OperatingConditions now, int coil)
    {
        (this.input, this.results, this.now, this.coil) = (input, results, now, coil);
        var settled = CircuitTargets.Of(input.MakeUp, Load.Settled, now.BoxTarget, null, CircuitCalculation.GlideAt(input));
        likelihood = new(input.MakeUp, settled, results, now, coil, Sees);
    }

    /// <summary>The faults that are probable enough to be named.</summary>
    internal IEnumerable<Finding> Faults() =>
        from f in likelihood.Faults
        where f.Share >= LeastShare && f.Share > likelihood.Healthy
        let speaking = likelihood.Known.Where(e => likelihood.Speaks(e, f.Fault) >= SpeaksFrom).ToList()
        where speaking.Count > 0
        orderby f.Share < StrongShare, f.Fault.IsHighSide
        select Say(f.Fault, f.Share, speaking);

    /// <summary>That nothing is wrong; null while that cannot be said.</summary>
    internal Finding? Sound()
    {
        var asked = results.Where(r => AskedOfASoundUnit.Contains(r.Kind) && r.Ref == r.Kind.At(coil)).ToList();
        if (likelihood.Healthy < SoundShare || !asked.TrueForAll(r => r.IsUsable))
            return null;
        var code = CircuitTargets.LoadOf(now.BoxAboveTarget) == Load.PullDown ? CircuitPatterns.HeavyLoad : CircuitPatterns.WithinTargets;
        var split = results.Where(r => r is { Kind: ResultKind.CondenserSplit, IsUsable: true, Band: not null });
        List<CircuitResult> behind = [.. asked, .. split];
        return Finding(code, StrengthOf(likelihood.Healthy + StrongShare - StrongSoundShare, behind), behind);
    }

    private Finding Say(CircuitFault fault, double share, List<CircuitLikelihood.Evidence> speaking)
    {
        var behind = speaking.ConvertAll(e => e.Result);
        var against = likelihood.Known.Where(e => !speaking.Contains(e) && likelihood.Strays(e, fault) >= StraysFrom).Select(e => e.Result)
            .ToList();
        var known = fault.Signs.Where(s => Sees(s.Fact) is not null).ToList();
        return Finding(fault.Code, against.Count > 0 ? Strength.Weak : StrengthOf(share, behind), behind) with
        {
            Seen = [.. known.Where(s => Sees(s.Fact) == s.State).Select(Name), .. fault.IsHighSide
                && input.Standing == StandingVerdict.Normal
                ? [NoAir] : Array.Empty<string>()],
            SeenAgainst = [.. known.Where(s => s.Chance > 0.5 && Sees(s.Fact) != s.State).Select(Name)],
            Against = Values(against),
            WouldConfirm = [.. WouldConfirm(fault)],
            About = CoilOf(behind) is { } number ? [Subject.Coil(number)] : [],
            Detail = DetailOf(fault.Code),
        };
    }

    private string DetailOf(string code) => code switch
    {
        CircuitPatterns.HighHead when input.MakeUp.Condenser == CondenserKind.WaterCooled => CircuitPatterns.OverWater,
        CircuitPatterns.CoilStarved when input.MakeUp.Metering == Metering.CapillaryTube => CircuitPatterns.ByCapillary,
        _ => "",
    };

    private static Finding Finding(string code, Strength strength, List<CircuitResult> behind) =>
        new(code, strength, [.. behind.SelectMany(r => r.Basis).Select(r => r.EntryId).Distinct()], Values(behind));

    private static Strength StrengthOf(double share, List<CircuitResult> behind) => share switch
    {
        _ when behind.Exists(r => r.Validity.Level != ValidityLevel.Good) => Strength.Weak,
        >= StrongShare when behind.Count >= StrongFrom => Strength.Strong,
        >= FairShare => Strength.Fair,
        _ => Strength.Weak,
    };

    private IEnumerable<string> WouldConfirm(CircuitFault fault) => results
        .Where(r => r.Ref == r.Kind.At(coil) && !r.IsUsable && CircuitLikelihood.Weighs(r.Kind) && r.Band is not null
            && Math.Abs(likelihood.Moves(r, fault)) >= MovesFrom)
        .Select(r => r.Ref.ToString())
        .Concat(fault.Signs
            .Where(s => s.Chance >= LikelierFrom * CircuitFaults.ChanceOtherwise(s.State) && Exists(s.Fact) && now.StateOf(s.Fact) is null)
            .Select(Name))
        .Concat(fault.IsHighSide && input.Standing is null ? [NoAir] : []);

    /// <summary>Which of several coils it is about; null on a unit with one, and where it rests on what all share.</summary>
    private int? CoilOf(List<CircuitResult> behind) => input.MakeUp.Coils > 1 && behind.Exists(r => r.Kind.IsOfCoil()) ? coil : null;

    private FactState? Sees(AsFound fact) => Exists(fact) ? now.StateOf(fact) : null;

    private bool Exists(AsFound fact) => input.MakeUp.Facts.Contains(fact) && (fact != AsFound.SightGlass || SightGlassTells);

    /// <summary>With the coil out of action or the condenser swinging, bubbles prove nothing.</summary>
    private bool SightGlassTells => !now.AnyFanStopped && now.Coil != FactState.Iced && !now.IsPumpedDown
        && now.CondenserFan is not (FactState.Cycling or FactState.Stopped)
        && now.CondenserAir is not { Celsius: < ValidityRules.ColdAmbientC }
        && CircuitTargets.LoadOf(now.BoxAboveTarget) == Load.Settled;

    private static string Name(FaultSign sign) => $"{sign.Fact}.{sign.State}";

    private static Dictionary<string, double> Values(IEnumerable<CircuitResult> results) =>
        results.DistinctBy(r => r.Ref).ToDictionary(r => r.Ref.ToString(), r => r.Value!.Value);
}
