using KeenEmber.Core.Findings;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>What a visit weighed, evacuated and searched.</summary>
/// <param name="Atmosphere">Local.</param>
public sealed record ChargeJudgement(Pressure Atmosphere) : BenchJudgement
{
    /// <summary>Cylinders that were on the scale.</summary>
    public required IReadOnlyList<ScaleSession> Sessions { get; init; }

    /// <summary>The evacuation; null without one.</summary>
    public required Evacuation? Evacuation { get; init; }

    /// <summary>The pressure test; null without one.</summary>
    public required (PressureTestEntry Begin, PressureTestEntry Last, double VolumeL)? PressureTest { get; init; }

    /// <summary>Places that were looked at for a leak, in order.</summary>
    public required IReadOnlyList<LeakEntry> Looks { get; init; }

    /// <summary>The places in the order in which to look.</summary>
    public required IReadOnlyList<PlaceToSearch> ToSearch { get; init; }

    /// <summary>The trimming by trial.</summary>
    public required TrimState Trim { get; init; }

    /// <summary>The volumes of the circuit, from this visit or an earlier one.</summary>
    public required ChargeGeometryEntry? Geometry { get; init; }

    /// <summary>The drier that belongs in by what was opened and found.</summary>
    public required DrierAdvice Drier { get; init; }

    /// <summary>When the circuit was last opened or repaired on this visit; null where it was not.</summary>
    public required DateTimeOffset? OpenedAt { get; init; }

    /// <summary>The circuit was opened on this visit, and no vacuum has held dry since.</summary>
    public bool IsOpened => OpenedAt is { } opened
        && !(Evacuation is { Decay.Verdict: DecayVerdict.Dry, Readings: [.., var last] } && last.At > opened);

    /// <summary>What the pressure test says; null without one.</summary>
    public TightResult? Tight =>
        PressureTest is var (begin, last, volume) ? Charge.PressureTest.Judge(begin, last, volume, Atmosphere) : null;

    /// <summary>Every leak that was found, repaired since or not.</summary>
    private IEnumerable<LeakEntry> Leaks => Looks.Where(l => l.Result == LeakResult.Leaks);

    /// <summary>Leaks that are not repaired.</summary>
    public IReadOnlyList<LeakEntry> OpenLeaks =>
        field ??= [.. Looks.GroupBy(l => (l.Place, Where: l.Where.ToUpperInvariant())).Select(g => g.Last())
            .Where(l => l.Result == LeakResult.Leaks)];

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => field ??= [.. Leaks.Select(Leak).DistinctBy(f => f.Detail), .. OfTests()];

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Now =>
        field ??= [.. Overfull(), .. OpenLeaks.Select(Leak), .. OfTests(sinceOpened: true), .. OfCharging()];

    /// <inheritdoc/>
    public override IReadOnlyList<BenchTask> Tasks => field ??=
    [
        .. Overfull().Select(_ => new StopRecoveryTask()),
        .. Evacuation is { Stage: VacuumStep.Isolated, StageAt: { } since } shut && shut.Decay is null or { Verdict: DecayVerdict.TooEarly }
            ? [new WatchVacuumTask(since.AddMinutes(shut.SinceIsolated.Select(s => s.Minute).LastOrDefault()
                + (shut.Decay?.WaitMin ?? FirstWatchMin)))] : Array.Empty<BenchTask>(),
    ];

    /// <summary>What a vacuum is watched for at first, min.</summary>
    private const double FirstWatchMin = 15;

    /// <inheritdoc/>
    public override Entry? ProvedBy(ProofKind kind, Entry repair, IReadOnlyList<Entry> after)
    {
        if (kind != ProofKind.HeldTight)
            return null;
        if (Charge.PressureTest.Of(after) is var (begin, last, volume)
            && Charge.PressureTest.Judge(begin, last, volume, Atmosphere).Verdict == TightVerdict.Holds)
            return last;
        return VacuumCourse.Of(after) is { Decay.Verdict: DecayVerdict.Dry or DecayVerdict.Moisture } held ? held.Readings[^1] : null;
    }

    private static Finding Leak(LeakEntry leak) => Finding.Of(ChargeBench.LeakFound) with
    {
        Basis = [leak.Id], Detail = $"{leak.Place}|{leak.Where}",
    };

    private IEnumerable<Finding> Overfull() => Sessions.Where(s => s.IsOverfull && s.Ended is null).Take(1)
        .Select(s => Finding.Of(ChargeBench.CylinderOverfull) with
        {
            Basis = [s.Start.Id], Detail = s.Start.Cylinder,
            Values = new Dictionary<string, double> { ["ContentKg"] = s.ContentKg!.Value, ["MostKg"] = s.MostKg!.Value },
        });

    /// <param name="sinceOpened">What was tested before the last repair says nothing of now.</param>
    private IEnumerable<Finding> OfTests(bool sinceOpened = false)
    {
        bool Counts(DateTimeOffset at) => !sinceOpened || OpenedAt is null || at > OpenedAt;
        if (Evacuation is { Decay: { } decay, Readings: [.., var read] } && Code(decay.Verdict) is { } code && Counts(read.At))
            yield return new(code, Strength.Strong, [read.Id], new Dictionary<string, double>
            {
                ["PlateauPa"] = decay.PlateauPa, ["LeakPaLPerS"] = decay.LeakPaLPerS, ["KgPerYear"] = decay.GramsPerYear / 1000,
            });
        if (Tight is { Verdict: TightVerdict.Loses } tight && Counts(PressureTest!.Value.Last.At))
            yield return new(ChargeBench.PressureLost, Strength.Strong, [PressureTest!.Value.Last.Id], new Dictionary<string, double>
            {
                ["LostKpa"] = tight.LostKpa, ["VisibleKpa"] = tight.VisibleKpa, ["Hours"] = tight.Hours,
            });
    }

    private static string? Code(DecayVerdict verdict) => verdict switch
    {
        DecayVerdict.Leak => ChargeBench.VacuumLeak,
        DecayVerdict.Moisture => ChargeBench.VacuumWet,
        DecayVerdict.MoistureAndLeak => ChargeBench.VacuumWetAndLeak,
        _ => null,
    };

    private IEnumerable<Finding> OfCharging()
    {
        if (Sessions.FirstOrDefault(s => s.SeparatesBlend && s.CircuitKg > 0) is { } session)
            yield return Finding.Of(ChargeBench.BlendAsVapour) with { Basis = [session.Start.Id], Detail = session.Start.Refrigerant };
        if (Trim.Advice == TrimAdvice.GoOnOut)
            yield return Finding.Of(ChargeBench.BetterAsItLeaves);
    }
}

/// <summary>Stop recovering: the cylinder is full.</summary>
public sealed record StopRecoveryTask() : BenchTask("charge", TaskOrder.Danger);

/// <summary>Watch the vacuum that was shut off.</summary>
/// <param name="Until">When it can be told.</param>
public sealed record WatchVacuumTask(DateTimeOffset Until) : BenchTask("charge", TaskOrder.Readings)
{
    /// <inheritdoc/>
    public override bool IsTest => true;
}
