namespace KeenEmber.Core.Visits;

/// <summary>Questions good technicians answer differently; a shop answers each once.</summary>
public enum Policy { Gauges, StartParts, LimitSwitches, WettedControls, Charging, Defrost, MotorCapacitor, FanCycling, EvaporatorFans,
    RunCapacitor }

/// <summary>The answers.</summary>
public enum PolicyChoice
{
    GaugesWhenNeeded, GaugesOnEveryCall,
    StartPartsAsKit, StartPartsSingly,
    LimitSwitchesAsSet, LimitSwitchesSingly,
    WettedSetWhole, WettedSetSingly,
    ChargeByWeight, ChargeToSightGlass, ChargeBySuperheat,
    FewLongByTemperature, ManyShortByTime,
    CapacitorThenQuoteMotor, MotorAtOnce,
    KeepFanCycling, RemoveFanCycling,
    FansWithCompressor, FansAlways,
    SixPercent, TenPercent,
}

/// <summary>What the shop has decided, with our default where it has not.</summary>
/// <param name="Choices">Only what differs from the defaults need be here.</param>
/// <param name="CallbackDays">The same unit seen again within so many days is a callback; 1 to 365.</param>
/// <param name="MeterCheckDays">A meter's check is good for so many days; 1 to 1000.</param>
public sealed record Policies(IReadOnlyDictionary<Policy, PolicyChoice> Choices, int CallbackDays = 30, int MeterCheckDays = 90)
{
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

    /// <summary>The shop's answer, or our default.</summary>
    public PolicyChoice Of(Policy policy) =>
        Choices.TryGetValue(policy, out var choice) && Options(policy).Contains(choice) ? choice : Options(policy)[0];
}
