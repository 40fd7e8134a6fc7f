namespace KeenEmber.Core.Benches.Sensors;

/// <summary>What a controller uses a sensor for.</summary>
public enum SensorRole
{
    /// <summary>Box or return air, by which the unit is switched.</summary>
    Box,

    /// <summary>Air off the coil.</summary>
    Discharge,

    /// <summary>On the coil, ends the defrost.</summary>
    DefrostEnd,

    /// <summary>On the suction line.</summary>
    SuctionLine,

    /// <summary>On the liquid line.</summary>
    LiquidLine,

    /// <summary>In the product.</summary>
    Product,

    /// <summary>On the condenser.</summary>
    Condensing,

    /// <summary>Pressure transmitter on the suction side.</summary>
    SuctionPressure,

    /// <summary>Pressure transmitter on the high side.</summary>
    CondensingPressure,

    /// <summary>Anything else.</summary>
    Other,
}

/// <summary>What a wrong sensor does to a unit.</summary>
public enum SensorConsequence
{
    /// <summary>Never cuts out: overcools, freezes product.</summary>
    Overcools,

    /// <summary>Calls too late or never: the box gets warm.</summary>
    RunsWarm,

    /// <summary>Ends the defrost before the coil is clear: ice stays, and grows back.</summary>
    EndsDefrostEarly,

    /// <summary>Never ends the defrost by temperature: it runs to its time limit.</summary>
    DefrostToLimit,

    /// <summary>An electronic valve sees too much superheat and opens: liquid may come back.</summary>
    ValveOpens,

    /// <summary>An electronic valve sees too little superheat and closes: the coil starves.</summary>
    ValveCloses,

    /// <summary>Condenser fans run too much, or head pressure falls in the cold.</summary>
    FansTooEager,

    /// <summary>Condenser fans wait too long: head pressure rises.</summary>
    FansTooLate,

    /// <summary>Alarms and records are wrong; nothing is controlled by it.</summary>
    RecordsWrong,
}

/// <summary>What a wrong sensor does, by its role and the sign of its error.</summary>
public static class SensorConsequences
{
    /// <summary>What an error means for the unit.</summary>
    /// <param name="error">What the controller works with less the truth; infinite for an open or shorted sensor.</param>
    public static SensorConsequence Of(SensorRole role, double error) => (role, error > 0) switch
    {
        (SensorRole.Box or SensorRole.Discharge, true) => SensorConsequence.Overcools,
        (SensorRole.Box or SensorRole.Discharge, false) => SensorConsequence.RunsWarm,
        (SensorRole.DefrostEnd, true) => SensorConsequence.EndsDefrostEarly,
        (SensorRole.DefrostEnd, false) => SensorConsequence.DefrostToLimit,
        // Superheat is line less saturation: a line that reads warm and a pressure that reads low look the same.
        (SensorRole.SuctionLine, true) or (SensorRole.SuctionPressure, false) => SensorConsequence.ValveOpens,
        (SensorRole.SuctionLine, false) or (SensorRole.SuctionPressure, true) => SensorConsequence.ValveCloses,
        (SensorRole.Condensing or SensorRole.CondensingPressure, true) => SensorConsequence.FansTooEager,
        (SensorRole.Condensing or SensorRole.CondensingPressure, false) => SensorConsequence.FansTooLate,
        _ => SensorConsequence.RecordsWrong,
    };
}

/// <summary>What to do about a sensor.</summary>
public enum SensorStep
{
    /// <summary>Measure at its leads, off the controller.</summary>
    MeasureAtLeads,

    /// <summary>Check it in melting ice.</summary>
    IceBath,

    /// <summary>Check it in warm water.</summary>
    WarmBath,

    /// <summary>Check it in salted ice, as cold as its place.</summary>
    ColdBath,

    /// <summary>Read what the controller shows of it.</summary>
    ReadController,

    /// <summary>Put a thermometer beside it.</summary>
    TakeReference,

    /// <summary>See how it sits.</summary>
    CheckSeat,

    /// <summary>Warm it by hand.</summary>
    WarmByHand,

    /// <summary>Put it back on its own input.</summary>
    SwapBack,

    /// <summary>Replace it.</summary>
    ReplaceSensor,

    /// <summary>Replace the whole wetted set.</summary>
    ReplaceWettedSet,

    /// <summary>Repair its wire.</summary>
    RepairWire,

    /// <summary>Set the controller to its curve.</summary>
    SetCurve,

    /// <summary>Set the controller's offset.</summary>
    SetOffset,

    /// <summary>See whether an offset is set.</summary>
    LookUpOffset,

    /// <summary>Check the controller's input and the wire.</summary>
    CheckInputAndWire,
}

/// <summary>What comes next for a sensor.</summary>
public static class SensorSteps
{
    /// <summary>What comes next for a result, the first thing first.</summary>
    /// <param name="byElimination">Of a swap: the sensor there fits no better, so it wants a check of its own.</param>
    /// <param name="isWet">Water was seen at the control or a splice.</param>
    /// <param name="wholeSet">The company's policy: wetted sets are replaced whole.</param>
    public static IReadOnlyList<SensorStep> For(SensorResult result, bool byElimination, bool isWet, bool wholeSet)
    {
        SensorStep[] replace = isWet && wholeSet ? [SensorStep.ReplaceWettedSet] : [SensorStep.ReplaceSensor];
        return result.Verdict switch
        {
            SensorVerdict.Unsettled => [.. result.WouldSettle.Select(Measure)],
            SensorVerdict.SensorOrPlace when result.WouldSettle.Contains("cold-bath") => [SensorStep.CheckSeat, SensorStep.ColdBath],
            SensorVerdict.SensorOrPlace => [SensorStep.CheckSeat, SensorStep.IceBath],
            SensorVerdict.Unsteady => [SensorStep.CheckInputAndWire, .. isWet && wholeSet ? replace : []],
            SensorVerdict.Misplaced => [SensorStep.CheckSeat],
            SensorVerdict.SensorOffset when result.WouldSettle.Contains("warm-bath") => [SensorStep.WarmBath, .. replace],
            SensorVerdict.SensorOffset or SensorVerdict.Drifted => replace,
            SensorVerdict.SeriesResistance => [SensorStep.RepairWire],
            SensorVerdict.Leakage => [SensorStep.RepairWire, wholeSet ? SensorStep.ReplaceWettedSet : SensorStep.ReplaceSensor],
            SensorVerdict.WrongType => [SensorStep.SetCurve, SensorStep.ReplaceSensor],
            SensorVerdict.Open or SensorVerdict.Shorted => [SensorStep.RepairWire, .. replace],
            SensorVerdict.ControllerSide =>
                [.. result.WouldSettle.Select(Measure), SensorStep.CheckInputAndWire, .. isWet && wholeSet ? replace : []],
            SensorVerdict.WrongCurve => [SensorStep.SetCurve],
            SensorVerdict.OffsetParameter => [SensorStep.SetOffset],
            SensorVerdict.Swapped =>
                byElimination ? [SensorStep.WarmByHand, SensorStep.SwapBack, SensorStep.IceBath]
                : [SensorStep.WarmByHand, SensorStep.SwapBack],
            _ => [],
        };
    }

    private static SensorStep Measure(string what) => what switch
    {
        "signal" => SensorStep.MeasureAtLeads,
        "shown" => SensorStep.ReadController,
        "reference" => SensorStep.TakeReference,
        "offset-parameter" => SensorStep.LookUpOffset,
        "warm-bath" => SensorStep.WarmBath,
        "cold-bath" => SensorStep.ColdBath,
        _ => SensorStep.IceBath,
    };
}
