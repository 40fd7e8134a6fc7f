using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using static KeenEmber.Core.Plant.BandPosition;
using static KeenEmber.Core.Plant.ResultKind;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What the results mean together: one row a pattern. Only usable results speak; a doubtful one lowers the strength.</summary>
/// <remarks>
/// Rows as in the trade's troubleshooting tables. "Suction low" is read as an evaporator TD above its band (the coil is colder than
/// its air asks for, whatever the box temperature happens to be), "suction high" as one below it; "head" as the condenser split, which
/// takes the weather out of it. Superheat is the coil's, or the compressor's where the coil's is not usable. A unit with two
/// coils is asked once for each.
/// </remarks>
public static class CircuitPatterns
{
    public const string AirFirst = "circuit.air-first";
    public const string NotRunning = "circuit.not-running";
    public const string ShortOfCharge = "circuit.short-of-charge";
    public const string CoilStarved = "circuit.coil-starved";
    public const string DrierRestricted = "circuit.drier-restricted";
    /// <summary>Detail of <see cref="HighHead"/> where the condenser stands in water and not in air.</summary>
    public const string OverWater = "water";
    public const string CoilNotLoaded = "circuit.coil-not-loaded";
    public const string Overfed = "circuit.overfed";
    public const string HeavyLoad = "circuit.heavy-load";
    public const string NotPumping = "circuit.not-pumping";
    public const string HighHead = "circuit.high-head";
    public const string Overcharged = "circuit.overcharged";
    public const string DischargeTooHot = "circuit.discharge-too-hot";
    public const string HeadTooLow = "circuit.head-too-low-in-the-cold";
    public const string ShortCycling = "circuit.short-cycling";
    public const string NonCondensables = "circuit.air-or-wrong-refrigerant";
    public const string NearlyEmpty = "circuit.nearly-empty";
    public const string WithinTargets = "circuit.within-targets";

    /// <summary>How the standing-pressure test is named among the facts of a finding.</summary>
    public const string StandingSign = "Standing";

    /// <summary>A sign of a pattern: a result that lies somewhere, or a fact that is so.</summary>
    private abstract record Sign
    {
        public sealed record OfResult(ResultKind Kind, BandPosition[] Where) : Sign;

        public sealed record OfFact(AsFound Fact, FactState State) : Sign;

        public sealed record OfStanding(StandingVerdict[] Verdicts) : Sign;
    }

    private static Sign.OfResult Is(ResultKind kind, params BandPosition[] where) => new(kind, where);

    private static Sign.OfStanding Stood(params StandingVerdict[] verdicts) => new(verdicts);

    private static Sign.OfFact Is(AsFound fact, FactState state) => new(fact, state);

    /// <param name="Needs">Signs without which the pattern is not named.</param>
    /// <param name="Supports">Signs that speak for it where they hold, against it where they do not, and would confirm it while
    /// unknown.</param>
    private sealed record Pattern(string Code, Sign[] Needs, Sign[] Supports);

    /// <summary>In the order in which a technician would take them up.</summary>
    private static readonly Pattern[] Rows =
    [
        new(NearlyEmpty, [Stood(StandingVerdict.ShortOfLiquid)], [Is(Subcooling, Below)]),
        new(NonCondensables, [Stood(StandingVerdict.TooHigh, StandingVerdict.NonCondensables, StandingVerdict.OtherRefrigerant)],
            [Is(CondenserSplit, Above), Is(Subcooling, Above)]),
        new(NotPumping, [Is(EvaporatorTd, Below), Is(CondenserSplit, Below), Is(CompressionRatio, Below)],
            [Is(CurrentShare, Below), Is(AsFound.CompressorShell, FactState.Hot)]),
        new(ShortOfCharge, [Is(SuperheatCoil, Above), Is(Subcooling, Below)],
            [Is(EvaporatorTd, Above), Is(CondenserSplit, Below, Inside), Is(CurrentShare, Below, Inside),
                Is(AsFound.SightGlass, FactState.Bubbles)]),
        new(DrierRestricted, [Is(DrierDrop, Above)], [Is(SuperheatCoil, Above), Is(EvaporatorTd, Above)]),
        new(CoilStarved, [Is(SuperheatCoil, Above), Is(Subcooling, Inside, Above), Is(EvaporatorTd, Above)],
            [Is(CondenserSplit, Below, Inside), Is(AsFound.ValveBody, FactState.IceBall)]),
        new(CoilNotLoaded, [Is(SuperheatCoil, Below), Is(EvaporatorTd, Above)],
            [Is(Subcooling, Inside), Is(SuperheatCompressor, Below)]),
        new(Overfed, [Is(SuperheatCoil, Below), Is(EvaporatorTd, Below, Inside)],
            [Is(SuperheatCompressor, Below), Is(Subcooling, Inside), Is(AsFound.SuctionLineFrost, FactState.FrostedBack)]),
        new(HeavyLoad, [Is(SuperheatCoil, Above), Is(EvaporatorTd, Below)],
            [Is(CondenserSplit, Inside, Above), Is(CurrentShare, Inside, Above)]),
        new(Overcharged, [Is(CondenserSplit, Above), Is(Subcooling, Above)],
            [Is(CompressionRatio, Above, Inside), Stood(StandingVerdict.Normal)]),
        new(HighHead, [Is(CondenserSplit, Above)],
            [Is(Subcooling, Inside), Is(AsFound.CondenserFace, FactState.Dirty), Stood(StandingVerdict.Normal)]),
        new(DischargeTooHot, [Is(DischargeTemperature, Above)], [Is(CompressionRatio, Above), Is(SuperheatCompressor, Above)]),
        new(HeadTooLow, [Is(CondensingLow, Below)], [Is(AsFound.CondenserFan, FactState.Cycling)]),
        new(ShortCycling, [Is(AsFound.LowPressureControl, FactState.Chattering)], [Is(SuperheatCoil, Above), Is(Subcooling, Below)]),
        new(WithinTargets, [Is(SuperheatCoil, Inside), Is(Subcooling, Inside), Is(EvaporatorTd, Inside)], [Is(CondenserSplit, Inside)]),
    ];

    /// <summary>Findings, the one that must be dealt with first at the front; empty when the results allow none yet.</summary>
    public static IReadOnlyList<Finding> Find(CircuitInput input, IReadOnlyList<CircuitResult> results, OperatingConditions now)
    {
        var findings = new List<Finding>();
        if ((now.AnyFanStopped && !now.IsInDefrost) || now.Coil == FactState.Iced)
            findings.Add(Finding.Of(AirFirst) with { About = [.. StoppedFans(now).Select(Subject.Component)] });
        if (now.Compressor == FactState.Stopped && !now.IsInDefrost)
            findings.Add(Finding.Of(NotRunning));
        foreach (var row in Rows)
        {
            for (var coil = 1; coil <= input.MakeUp.Coils; coil++)
            {
                var evidence = new Evidence(input, results, now, coil);
                if (evidence.Judge(row) is { } finding && !IsCovered(finding, findings))
                    findings.Add(finding);
            }
        }

        return findings;
    }

    private static IEnumerable<Component> StoppedFans(OperatingConditions now) => now.EvaporatorFans
        .Select((state, i) => (state, fan: new Component(ComponentKind.EvaporatorFan, i + 1))).Where(f => f.state == FactState.Stopped)
            .Select(f => f.fan);

    /// <summary>Air or a wrong refrigerant explains a full-looking condenser; a full condenser explains the high head that goes with it;
    /// "within targets" stands only alone; what both coils share is said once.</summary>
    private static bool IsCovered(Finding finding, List<Finding> findings) => finding.Code switch
    {
        Overcharged => findings.Exists(f => f.Code == NonCondensables),
        HighHead => findings.Exists(f => f.Code is Overcharged or HighHead or NonCondensables),
        WithinTargets => findings.Count > 0,
        _ => findings.Exists(f => f.Code == finding.Code && f.Values.Keys.All(finding.Values.ContainsKey)),
    };

    /// <summary>What is known at one coil, and how a sign stands against it.</summary>
    private sealed class Evidence(CircuitInput input, IReadOnlyList<CircuitResult> results, OperatingConditions now, int coil)
    {
        private readonly CircuitMakeUp makeUp = input.MakeUp;

        /// <summary>With the coil out of action or the condenser swinging, bubbles prove nothing.</summary>
        private bool SightGlassTells => !now.AnyFanStopped && now.Coil != FactState.Iced && !now.IsPumpedDown
            && now.CondenserFan is not (FactState.Cycling or FactState.Stopped)
            && now.CondenserAir is not { Celsius: < ValidityRules.ColdAmbientC }
            && CircuitTargets.LoadOf(now.BoxAboveTarget) == Load.Settled;

        public Finding? Judge(Pattern row)
        {
            if (!row.Needs.All(s => Holds(s) == true))
                return null;
            var asked = row.Supports.Where(Exists).ToList();
            var speaking = row.Needs.Concat(asked.Where(s => Holds(s) == true)).ToList();
            var against = asked.Where(s => Holds(s) == false).ToList();
            var behind = Results(speaking);
            var strength = behind.Exists(r => r.Validity.Level != ValidityLevel.Good) || against.Count > 0 ? Strength.Weak
                : speaking.Count >= 3 ? Strength.Strong : Strength.Fair;
            return new(row.Code, strength, [.. behind.SelectMany(r => r.Basis).Select(r => r.EntryId).Distinct()], Values(behind))
            {
                Seen = Facts(speaking),
                Against = Values(Results(against)),
                SeenAgainst = Facts(against),
                WouldConfirm = [.. asked.Where(s => Holds(s) is null).Select(Name)],
                About = CoilOf(row.Code, behind) is { } number ? [Subject.Coil(number)] : [],
                Detail = row.Code == HighHead && makeUp.Condenser == CondenserKind.WaterCooled ? OverWater : "",
            };
        }

        /// <summary>Which of two coils it is about; null on a unit with one, and where it rests on what both share.</summary>
        private int? CoilOf(string code, List<CircuitResult> behind)
        {
            if (makeUp.Coils == 1 || code == WithinTargets)
                return null;
            return behind.Find(r => r.Kind == SuperheatCoil)?.Ref.Coil;
        }

        /// <summary>Null while it is not known, or not fit to tell.</summary>
        private bool? Holds(Sign sign) => sign switch
        {
            Sign.OfResult r => Usable(r.Kind)?.Position is { } position ? r.Where.Contains(position) : null,
            Sign.OfFact { Fact: AsFound.SightGlass } when !SightGlassTells => null,
            Sign.OfStanding s => input.Standing is { } verdict ? s.Verdicts.Contains(verdict) : null,
            Sign.OfFact f => now.StateOf(f.Fact) is { } state ? state == f.State : null,
            _ => null,
        };

        /// <summary>Whether this unit has the thing at all.</summary>
        private bool Exists(Sign sign) => sign switch
        {
            Sign.OfResult r => results.Any(x => x.Ref == r.Kind.At(coil)),
            Sign.OfFact { Fact: AsFound.SightGlass } => SightGlassTells && makeUp.Facts.Contains(AsFound.SightGlass),
            Sign.OfFact f => makeUp.Facts.Contains(f.Fact),
            _ => true,
        };

        private CircuitResult? Usable(ResultKind kind) =>
            results.FirstOrDefault(r => r.Ref == kind.At(coil) && r is { IsUsable: true, Position: not null })
            ?? (kind == SuperheatCoil && makeUp.Coils == 1 ? Usable(SuperheatCompressor) : null);

        private List<CircuitResult> Results(IEnumerable<Sign> signs) => [.. signs.OfType<Sign.OfResult>().Select(s => Usable(s.Kind)!)];

        private static List<string> Facts(IEnumerable<Sign> signs) => [.. signs.Where(s => s is not Sign.OfResult).Select(Name)];

        private static string Name(Sign sign) => sign switch
        {
            Sign.OfResult r => r.Kind.ToString(),
            Sign.OfFact f => $"{f.Fact}.{f.State}",
            Sign.OfStanding s => $"{StandingSign}.{s.Verdicts[0]}",
            _ => "",
        };

        private static Dictionary<string, double> Values(IEnumerable<CircuitResult> results) =>
            results.DistinctBy(r => r.Ref).ToDictionary(r => r.Ref.ToString(), r => r.Value!.Value);
    }
}
