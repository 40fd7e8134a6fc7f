using KeenEmber.Core.Findings;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Box;

/// <summary>What a visit saw of the box.</summary>
public sealed record BoxJudgement : BenchJudgement
{
    /// <summary>When work was last done: what was seen before it says nothing of now. Null while none was.</summary>
    public required DateTimeOffset? LastWork { get; init; }

    /// <summary>Null where the box is not pulled down.</summary>
    public required PullDownCourse? PullDown { get; init; }

    /// <summary>What was said before leaving, and what became of it.</summary>
    public required IReadOnlyList<ForecastCheck> Forecasts { get; init; }

    /// <summary>Null where none was made up.</summary>
    public required (HeatBalanceEntry Entry, BalanceResult Result)? Balance { get; init; }

    /// <summary>How much it would have to run with something wrong; empty where no balance says.</summary>
    public required IReadOnlyList<(BoxTrouble Trouble, double RunShare)> Troubles { get; init; }

    /// <summary>The systems on the box, where they were compared.</summary>
    public required IReadOnlyList<SystemState> Systems { get; init; }

    /// <summary>Null where no product was over its limit.</summary>
    public required ProductWarm? Product { get; init; }

    /// <summary>How long product that follows the air slowly was over its limit; null where the air never was.</summary>
    public required ProductBehind? AirOver { get; init; }

    /// <summary>Air at several places, since the last work.</summary>
    public required AirByPlace Air { get; init; }

    /// <summary>The last bottle of water; null without one.</summary>
    public required BottleEntry? Bottle { get; init; }

    /// <summary>What stands in the box spoils when it freezes.</summary>
    public required bool MustNotFreeze { get; init; }

    /// <summary>What was looked at, in order.</summary>
    public required IReadOnlyList<BoxCheckEntry> Checks { get; init; }

    /// <summary>What lets air in and was not put right, or was found so again.</summary>
    public IReadOnlyList<BoxCheckEntry> Open => field ??= [.. Checks.GroupBy(c => (c.Part, Where: c.Where.ToUpperInvariant()))
        .Select(g => g.Last()).Where(c => !c.IsSound && c.Repaired.Length == 0)];

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found =>
        field ??= [.. Checks.Where(c => !c.IsSound).Select(Lets).DistinctBy(f => f.Detail), .. Others()];

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Now => field ??= [.. Others(sinceWork: true), .. Open.Select(Lets)];

    /// <inheritdoc/>
    public override IReadOnlyList<BenchTask> Tasks => field ??= Forecasts is [.., { Read: null } last]
        ? [new ReadForecastTask(last.Forecast)] : [];

    private static Finding Lets(BoxCheckEntry check) =>
        Finding.Of(BoxBench.LetsAirIn) with { Basis = [check.Id], Detail = $"{check.Part}|{check.Where}" };

    private IEnumerable<Finding> Others(bool sinceWork = false)
    {
        bool Counts(Entry entry) => !sinceWork || LastWork is null || entry.At > LastWork;
        if (Bottle is { } bottle && Counts(bottle) && MustNotFreeze && (bottle.HasIce || bottle.Temperature.Temperature.Celsius < 0))
            yield return Finding.Of(BoxBench.BottleFroze) with
            {
                Basis = [bottle.Id], Values = Kelvin(("Water", bottle.Temperature.Temperature.Kelvin)),
            };
        if (Product is { } product)
            yield return Finding.Of(BoxBench.ProductOver) with
            {
                Values = new Dictionary<string, double>
                {
                    ["Hours"] = product.Hours, ["Warmest"] = product.Warmest.Kelvin, ["Limit"] = product.Limit.Kelvin,
                    ["IsOver"] = product.IsOver ? 1 : 0,
                },
            };
        foreach (var system in Systems.Where(s => s.Role == SystemRole.CalledAndStands && Counts(s.Last)))
            yield return Finding.Of(BoxBench.SystemStands) with { Basis = [system.Last.Id], Detail = system.Last.System };
        foreach (var system in Systems.Where(s => s.Role == SystemRole.CarriesLess && Counts(s.Last)))
            yield return Finding.Of(BoxBench.SystemWeak) with { Basis = [system.Last.Id], Detail = system.Last.System };
        foreach (var (code, place) in new[] { (BoxBench.AirStraightBack, Air.StraightBack), (BoxBench.AirUneven, Air.WarmPlace),
            (BoxBench.SupplyUneven, Air.WarmSupply) })
        {
            if (place is not null)
                yield return new(code, Strength.Fair, [place.Id], Kelvin(("Air", place.Temperature.Temperature.Kelvin)))
                { Detail = place.Where };
        }

        if (Balance is var (entry, balance) && Counts(entry) && balance.Verdict == BalanceVerdict.TooLittle)
            yield return new(BoxBench.BalanceShort, Strength.Fair, [entry.Id], new Dictionary<string, double>
            {
                ["ShortShare"] = balance.ShortShare, ["LoadW"] = balance.LoadW, ["CapacityW"] = balance.CapacityW ?? 0,
            }) { Detail = $"{balance.LookFirst}" };
        if (PullDown is { Result: { Verdict: PullDownVerdict.WillNotReach } result } course)
            yield return new(BoxBench.WillNotReach, Strength.Fair, [course.Readings[^1].Entry], Kelvin(
                ("Plateau", result.Plateau.Value + Zero), ("Low", result.Plateau.Low + Zero), ("High", result.Plateau.High + Zero)));
        if (Forecasts is [.., { Held: false, Read: { } read } missed])
            yield return new(BoxBench.ForecastMissed, Strength.Strong, [read.Entry], Kelvin(
                ("Read", read.Value.Kelvin), ("Expected", missed.Forecast.Expected.Temperature.Kelvin)));
    }

    private const double Zero = Quantities.Temperature.ZeroCelsiusInKelvin;

    private static Dictionary<string, double> Kelvin(params (string Name, double K)[] values) => values.ToDictionary(v => v.Name, v => v.K);
}

/// <summary>Come back and read the box.</summary>
public sealed record ReadForecastTask(BoxForecastEntry Forecast) : BenchTask("box", TaskOrder.AfterDefrost)
{
    /// <inheritdoc/>
    public override bool IsTest => true;
}
