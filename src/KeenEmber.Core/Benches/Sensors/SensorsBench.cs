using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>Sensors against a thermometer, a meter and what the controller shows.</summary>
public sealed class SensorsBench : IBench
{
    /// <summary>Evidence: what the sensor that controls the box reads too much, K.</summary>
    public const string BoxErrorK = "sensor.box-error-k";

    /// <inheritdoc/>
    public string Name => "sensors";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["sensor"];

    /// <inheritdoc/>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type>
    {
        ["sensor"] = typeof(SensorEntry), ["sensor-check"] = typeof(SensorCheckEntry), ["sensor-mend"] = typeof(SensorRepairEntry),
        ["warmed"] = typeof(WarmedEntry), ["response"] = typeof(ResponseEntry),
    };

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit)
    {
        var wetWhole = visit.Policies.Of(Policy.WettedControls) == PolicyChoice.WettedSetWhole;
        var moisture = visit.Timeline.FactAt(AsFound.ControlMoisture, null, DateTimeOffset.MaxValue)?.State;
        bool IsWet() => moisture is FactState.Wet or FactState.Scaled || visit.Evidence(WaterDamage) is > 0;
        return new SensorsJudgement(
            UnitSensors.Of(visit.Timeline, visit.UpToHere, visit.Site.Atmosphere), visit.UpToHere, visit.Site, IsWet, wetWhole);
    }

    /// <summary>Evidence of another bench: how many parts of the control water has damaged.</summary>
    private const string WaterDamage = "damage.water";
}

/// <summary>The sensors of the unit, and what the visit's checks say of them.</summary>
/// <param name="IsWet">Water was seen at the control.</param>
/// <param name="WettedSetsWhole">The company's policy.</param>
public sealed record SensorsJudgement(
    UnitSensors Unit, IReadOnlyList<Timeline> UpToHere, Site Site, Func<bool> IsWet, bool WettedSetsWhole) : BenchJudgement
{
    /// <summary>Name of the trend of a sensor's error, K.</summary>
    public const string ErrorTrend = "sensor.error";

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => field ??= [.. Unit.Everything];

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Now => Unit.Now;

    /// <summary>A check since the part was fitted that finds its sensor good.</summary>
    public override Entry? ProvedBy(ProofKind kind, Entry repair, IReadOnlyList<Entry> after) => kind != ProofKind.SensorAgrees ? null
        : Unit.Sensors.Where(s => repair is not PartEntry { Component: { } part } || s.Sensor.Component == part)
            .Where(s => s.Now is { Result.Verdict: SensorVerdict.Good })
            .Select(s => s.Checks[^1]).FirstOrDefault(after.Contains);

    /// <inheritdoc/>
    public override IReadOnlyDictionary<string, double> Evidence =>
        field ??= new Dictionary<string, double> { [SensorsBench.BoxErrorK] = Unit.BoxErrorK };

    /// <inheritdoc/>
    public override IReadOnlyList<Proof> Proofs => field ??= [.. Unit.Proofs];

    /// <inheritdoc/>
    public override IReadOnlyList<BenchTask> Tasks => field ??=
        [.. Now.Select(f => f.About[0].Id).SelectMany(name => StepsFor(name).Take(1), (name, step) => new SensorTask(step, name))];

    /// <summary>What to do about a sensor, the first thing first; nothing where it is right.</summary>
    public IReadOnlyList<SensorStep> StepsFor(string sensor) => Unit.Sensors.FirstOrDefault(s => s.Name == sensor) is { Now: { } now }
        ? SensorSteps.For(now.Result, now.ByElimination, IsWet(), WettedSetsWhole) : [];

    /// <summary>How each sensor's error went over the visits.</summary>
    public override IReadOnlyList<Trend> Trends => field ??=
        [.. UnitSensors.Errors(UpToHere, Site.Atmosphere).Where(e => e.Value.Count > 1)
            .Select(e => new Trend(ErrorTrend, Subject.Sensor(e.Key), e.Value))];

    /// <summary>What the sensor that ends the defrost reads too much or too little, K, by its last check on any visit; null without
    /// one.</summary>
    public double? EndSensorErrorK => Unit.Sensors.Where(s => s.Sensor.Role == SensorRole.DefrostEnd)
        .Select(s =>
            s.Found?.Result.Error
            ?? (UnitSensors.Errors(UpToHere, Site.Atmosphere).TryGetValue(s.Name, out var marks) ? marks[^1].Value : null))
        .FirstOrDefault(e => e is not null);
}

/// <param name="Sensor">Its name.</param>
public sealed record SensorTask(SensorStep Step, string Sensor) : BenchTask("sensors", TaskOrder.Call);
