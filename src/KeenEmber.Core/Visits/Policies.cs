namespace KeenEmber.Core.Visits;

/// <summary>Questions good technicians answer differently; a company answers each once.</summary>
public enum Policy
{
    /// <summary>When gauges are connected.</summary>
    Gauges,

    /// <summary>Start parts one by one or as a kit.</summary>
    StartParts,

    /// <summary>Limit switches one by one or as a set.</summary>
    LimitSwitches,

    /// <summary>A wetted control's parts one by one or as a set.</summary>
    WettedControls,

    /// <summary>How a charge is judged.</summary>
    Charging,

    /// <summary>How defrosts are set.</summary>
    Defrost,

    /// <summary>What is done about a motor whose capacitor is weak.</summary>
    MotorCapacitor,

    /// <summary>What is done about a fan-cycling control.</summary>
    FanCycling,

    /// <summary>When evaporator fans run.</summary>
    EvaporatorFans,

    /// <summary>How far a run capacitor may be off.</summary>
    RunCapacitor,
}

/// <summary>The answers.</summary>
public enum PolicyChoice
{
    /// <summary>Only where the case asks for them.</summary>
    GaugesWhenNeeded,

    /// <summary>On every call.</summary>
    GaugesOnEveryCall,

    /// <summary>Relay, overload and capacitor together.</summary>
    StartPartsAsKit,

    /// <summary>What is bad.</summary>
    StartPartsSingly,

    /// <summary>All of the coil together.</summary>
    LimitSwitchesAsSet,

    /// <summary>What is bad.</summary>
    LimitSwitchesSingly,

    /// <summary>Control, display and sensors together.</summary>
    WettedSetWhole,

    /// <summary>What is bad.</summary>
    WettedSetSingly,

    /// <summary>By the plate, weighed in.</summary>
    ChargeByWeight,

    /// <summary>To a clear glass, plus an allowance.</summary>
    ChargeToSightGlass,

    /// <summary>By superheat and subcooling.</summary>
    ChargeBySuperheat,

    /// <summary>Few and long, ended by temperature.</summary>
    FewLongByTemperature,

    /// <summary>Many and short, ended by time.</summary>
    ManyShortByTime,

    /// <summary>The capacitor at once, the motor by quote.</summary>
    CapacitorThenQuoteMotor,

    /// <summary>Both at once.</summary>
    MotorAtOnce,

    /// <summary>It stays.</summary>
    KeepFanCycling,

    /// <summary>It goes.</summary>
    RemoveFanCycling,

    /// <summary>With the compressor.</summary>
    FansWithCompressor,

    /// <summary>All the time but in defrost.</summary>
    FansAlways,

    /// <summary>6 % of its plate.</summary>
    SixPercent,

    /// <summary>10 % of its plate.</summary>
    TenPercent,
}

/// <summary>What the company has decided, with our default where it has not.</summary>
/// <param name="Choices">Only what differs from the defaults need be here.</param>
/// <param name="CallbackDays">The same unit seen again within so many days is a callback; 1 to 365.</param>
/// <param name="InstrumentCheckDays">A meter's check is good for so many days; 1 to 1000.</param>
public sealed record Policies(IReadOnlyDictionary<Policy, PolicyChoice> Choices, int CallbackDays = 30, int InstrumentCheckDays = 90)
{
    /// <summary>Our own answers.</summary>
    public static readonly Policies Default = new(new Dictionary<Policy, PolicyChoice>());

    /// <summary>The answers to a question, our default first.</summary>
    public static IReadOnlyList<PolicyChoice> Options(Policy policy) => policy switch
    {
        Policy.Gauges => [PolicyChoice.GaugesWhenNeeded, PolicyChoice.GaugesOnEveryCall],
        Policy.StartParts => [PolicyChoice.StartPartsAsKit, PolicyChoice.StartPartsSingly],
        Policy.LimitSwitches => [PolicyChoice.LimitSwitchesAsSet, PolicyChoice.LimitSwitchesSingly],
        Policy.WettedControls => [PolicyChoice.WettedSetWhole, PolicyChoice.WettedSetSingly],
        Policy.Charging => [PolicyChoice.ChargeByWeight, PolicyChoice.ChargeToSightGlass, PolicyChoice.ChargeBySuperheat],
        Policy.Defrost => [PolicyChoice.FewLongByTemperature, PolicyChoice.ManyShortByTime],
        Policy.MotorCapacitor => [PolicyChoice.CapacitorThenQuoteMotor, PolicyChoice.MotorAtOnce],
        Policy.FanCycling => [PolicyChoice.KeepFanCycling, PolicyChoice.RemoveFanCycling],
        Policy.EvaporatorFans => [PolicyChoice.FansWithCompressor, PolicyChoice.FansAlways],
        _ => [PolicyChoice.SixPercent, PolicyChoice.TenPercent],
    };

    /// <summary>The company's answer, or our default.</summary>
    public PolicyChoice Of(Policy policy) =>
        Choices.TryGetValue(policy, out var choice) && Options(policy).Contains(choice) ? choice : Options(policy)[0];
}
