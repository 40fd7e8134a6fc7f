using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Benches.Controls;

/// <summary>Kinds of controller, by what they have.</summary>
public enum ControllerTemplate
{
    /// <summary>A thermostat alone.</summary>
    Thermostat,

    /// <summary>A cooler whose defrosts are stops of the compressor.</summary>
    CoolerOffCycle,

    /// <summary>A freezer with heaters.</summary>
    FreezerElectric,

    /// <summary>A freezer that defrosts with discharge gas.</summary>
    FreezerHotGas,

    /// <summary>A case that drives its own expansion valve.</summary>
    CaseWithValve,
}

/// <summary>Which parameters a controller has and what they measure.</summary>
public static class ControllerParameters
{
    /// <summary>The parameters a kind of controller has.</summary>
    public static IReadOnlyList<ControllerParameter> Of(ControllerTemplate template) => template switch
    {
        ControllerTemplate.Thermostat => [ControllerParameter.SetPoint, ControllerParameter.Differential],
        ControllerTemplate.CoolerOffCycle =>
            [ControllerParameter.SetPoint, ControllerParameter.Differential, ControllerParameter.Offset,
                ControllerParameter.DefrostInterval, ControllerParameter.DefrostLength, ControllerParameter.AlarmHigh,
                ControllerParameter.AlarmLow],
        _ => [.. Enum.GetValues<ControllerParameter>()],
    };

    /// <summary>The kind of controller a unit most likely has.</summary>
    public static ControllerTemplate Likely(Temperature target, DefrostKind? defrost) => defrost switch
    {
        DefrostKind.HotGas => ControllerTemplate.FreezerHotGas,
        DefrostKind.Electric => ControllerTemplate.FreezerElectric,
        _ => target.Celsius < ParameterLimits.OffCycleFromC ? ControllerTemplate.FreezerElectric : ControllerTemplate.CoolerOffCycle,
    };
}

/// <summary>What parameters are held against. Trade practice.</summary>
public static class ParameterLimits
{
    /// <summary>Air colder than this does not melt ice off a coil by itself, °C.</summary>
    public const double OffCycleFromC = 1;

    /// <summary>A set point further from the unit's target than this belongs to another product, K.</summary>
    public const double SetPointK = 3;

    /// <summary>Where a differential usually lies, K.</summary>
    public static readonly Band DifferentialK = new(0.5, 6);

    /// <summary>An offset beyond this hides a bad sensor, K.</summary>
    public const double OffsetK = 2;

    /// <summary>Hours between defrosts.</summary>
    public static readonly Band IntervalH = new(2, 24);

    /// <summary>Minutes of heat at the most.</summary>
    public static readonly Band LengthMin = new(5, 60);

    /// <summary>Ends of a heated defrost: under it ice stays, over it the room takes the heat, °C.</summary>
    public static readonly Band EndC = new(4, 25);

    /// <summary>Where a drip time usually lies, min.</summary>
    public static readonly Band DripMin = new(1, 10);

    /// <summary>Fans that wait for less cold than this blow warm wet air, °C.</summary>
    public const double FanDelayC = 2;

    /// <summary>A coil below atmospheric pressure draws air in through every leak.</summary>
    public static readonly Pressure LowestEvaporating = Pressure.StandardAtmosphere;
}

/// <summary>The sheet held against the unit and its refrigerant.</summary>
public static class ParameterChecks
{
    /// <summary>With what the codes of all these findings begin.</summary>
    public const string Prefix = "parameter.";

    /// <summary>The set point is not the target of the box.</summary>
    public const string SetPointOff = "parameter.set-point-off-target";

    /// <summary>The set point can only be reached with suction below the atmosphere.</summary>
    public const string SetPointInVacuum = "parameter.set-point-needs-vacuum";

    /// <summary>The differential is unusually close or wide.</summary>
    public const string DifferentialOff = "parameter.differential";

    /// <summary>The offset is larger than a sound sensor needs.</summary>
    public const string OffsetLarge = "parameter.offset-large";

    /// <summary>The box is too cold to clear its coil without heat.</summary>
    public const string OffCycleTooCold = "parameter.off-cycle-too-cold";

    /// <summary>Defrosts are unusually close or far apart.</summary>
    public const string IntervalOff = "parameter.defrost-interval";

    /// <summary>The longest defrost is unusually short or long.</summary>
    public const string LengthOff = "parameter.defrost-length";

    /// <summary>The end temperature leaves ice or heats the box.</summary>
    public const string EndOff = "parameter.defrost-end";

    /// <summary>The drip time is unusually short or long.</summary>
    public const string DripOff = "parameter.drip";

    /// <summary>Fans come back while the coil is still warm.</summary>
    public const string FanDelayWarm = "parameter.fan-delay-warm";

    /// <summary>An alarm lies inside the band in which the box cycles.</summary>
    public const string AlarmInside = "parameter.alarm-inside-band";

    /// <param name="values">In °C, K and minutes.</param>
    /// <param name="refrigerant">Null when unknown.</param>
    public static IReadOnlyList<Finding> Check(
        IReadOnlyDictionary<ControllerParameter, double> values, Temperature target, CircuitMakeUp makeUp, Refrigerant? refrigerant,
        DefrostKind? defrost)
    {
        var findings = new List<Finding>();
        double? V(ControllerParameter p) => values.TryGetValue(p, out var v) ? v : null;
        void Say(bool? so, string code, double? value, double? against = null)
        {
            if (so == true)
                findings.Add(
                    new(code, Strength.Fair, [],
                    new[] { ("value", value), ("against", against) }.Where(v => v.Item2 is not null)
                    .ToDictionary(v => v.Item1, v => v.Item2!.Value)));
        }

        var (set, differential) = (V(ControllerParameter.SetPoint), V(ControllerParameter.Differential));
        Say(Math.Abs((set ?? target.Celsius) - target.Celsius) > ParameterLimits.SetPointK, SetPointOff, set, target.Celsius);
        if (set is { } c && refrigerant is not null)
        {
            var coil = c - CircuitTargets.Of(makeUp, Load.Settled, target, null).For(ResultKind.EvaporatorTd)!.Value.High;
            Say(refrigerant.DewPressure(Temperature.FromCelsius(coil)) is not { } p
                || p.Kpa < ParameterLimits.LowestEvaporating.Kpa, SetPointInVacuum, set, coil);
        }

        Say(Outside(differential, ParameterLimits.DifferentialK), DifferentialOff, differential);
        Say(Math.Abs(V(ControllerParameter.Offset) ?? 0) > ParameterLimits.OffsetK, OffsetLarge, V(ControllerParameter.Offset));
        Say(defrost == DefrostKind.OffCycle && set < ParameterLimits.OffCycleFromC, OffCycleTooCold, set);
        Say(Outside(V(ControllerParameter.DefrostInterval) / 60, ParameterLimits.IntervalH), IntervalOff,
            V(ControllerParameter.DefrostInterval));
        var heated = defrost is DefrostKind.Electric or DefrostKind.HotGas;
        Say(heated
            && Outside(V(ControllerParameter.DefrostLength), ParameterLimits.LengthMin), LengthOff, V(ControllerParameter.DefrostLength));
        Say(heated && Outside(V(ControllerParameter.DefrostEnd), ParameterLimits.EndC), EndOff, V(ControllerParameter.DefrostEnd));
        Say(heated && Outside(V(ControllerParameter.Drip), ParameterLimits.DripMin), DripOff, V(ControllerParameter.Drip));
        Say(heated && V(ControllerParameter.FanDelay) > ParameterLimits.FanDelayC, FanDelayWarm, V(ControllerParameter.FanDelay));
        Say(V(ControllerParameter.AlarmHigh) <= set + (differential ?? 0), AlarmInside, V(ControllerParameter.AlarmHigh),
            set + (differential ?? 0));
        Say(V(ControllerParameter.AlarmLow) >= set, AlarmInside, V(ControllerParameter.AlarmLow), set);
        return findings;
    }

    private static bool Outside(double? value, Band band) => value is { } v && band.Place(v) != BandPosition.Inside;
}
