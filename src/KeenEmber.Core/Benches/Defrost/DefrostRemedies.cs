using KeenEmber.Core.Findings;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>What can be done about a defrost.</summary>
public enum Remedy
{
    /// <summary>Measure at the relay or switch that changes over between heaters and fans.</summary>
    CheckChangeOver,

    /// <summary>Look for voltage at the clock, then replace or set it.</summary>
    CheckClock,

    /// <summary>Repair or replace heaters.</summary>
    RepairHeaters,

    /// <summary>Find what takes the voltage away.</summary>
    RepairSupply,

    /// <summary>Check the end sensor against a reference.</summary>
    CheckSensor,

    /// <summary>Replace limit switches.</summary>
    ReplaceSwitches,

    /// <summary>Move the end sensor to where the coil clears last.</summary>
    MoveSensor,

    /// <summary>Put a probe on the coil in place of the sensor.</summary>
    CoilProbe,

    /// <summary>End the heat at a lower temperature.</summary>
    LowerEnd,

    /// <summary>Shorten the heat and watch one more.</summary>
    ShortenAndRepeat,

    /// <summary>Stop the moist air that comes in.</summary>
    FixInfiltration,

    /// <summary>Give it longer, or defrost more often.</summary>
    LengthenOrMoreOften,

    /// <summary>Give the melt water longer to run off.</summary>
    LengthenDrip,

    /// <summary>Repair what holds the fans back.</summary>
    RepairFanDelay,

    /// <summary>Find what ended the heat.</summary>
    FindWhatEndedIt,
}

/// <param name="Because">The finding it answers.</param>
public sealed record RemedyStep(Remedy Remedy, Finding Because);

/// <summary>What to do after a run. What is broken comes first; where good technicians differ, the company's school decides the
/// order.</summary>
public static class DefrostRemedies
{
    /// <summary>Remedies for heat past clear, few-and-long school: let the temperature end it where the ice is.</summary>
    private static readonly Remedy[] ByTemperature =
        [Remedy.MoveSensor, Remedy.CoilProbe, Remedy.LowerEnd, Remedy.FixInfiltration, Remedy.ShortenAndRepeat];

    /// <summary>Many-and-short school: the clock ends it before the room gets warm.</summary>
    private static readonly Remedy[] ByTime =
        [Remedy.ShortenAndRepeat, Remedy.FixInfiltration, Remedy.MoveSensor, Remedy.CoilProbe, Remedy.LowerEnd];

    /// <param name="findings">Of one run.</param>
    /// <param name="fewLong">The company ends few long defrosts by temperature; else many short ones by time.</param>
    /// <param name="setUp">How the unit defrosts: a probe is checked and not fitted, a switch tested in ice.</param>
    /// <returns>Each remedy once.</returns>
    public static IReadOnlyList<RemedyStep> For(IReadOnlyList<Finding> findings, bool fewLong, DefrostSetUp setUp)
    {
        // A sensor whose spot follows the coil stays where it is: then the setting is what is too high. One that lies cannot tell yet.
        var placeFits = findings.Any(f => f.Code == DefrostCodes.SensorFits);
        var lies = findings.Any(f => f.Code == DefrostCodes.ProbeOff);
        var steps = findings.SelectMany(f => Remedies(f.Code, fewLong, setUp.EndedBy), (f, remedy) => new RemedyStep(remedy, f))
            .DistinctBy(s => s.Remedy)
            .Where(s => s.Remedy switch
            {
                Remedy.MoveSensor => !placeFits && !lies,
                Remedy.CoilProbe => !placeFits && !lies && setUp.EndedBy != TerminationKind.Probe,
                Remedy.LowerEnd => placeFits && !lies && setUp.EndC is not null,
                _ => true,
            }).ToList();
        int Rank(Remedy remedy) => Array.IndexOf(fewLong ? ByTemperature : ByTime, remedy) is var i and >= 0 ? 100 + i : (int)remedy;
        return [.. steps.OrderBy(s => Rank(s.Remedy))];
    }

    private static Remedy[] Remedies(string code, bool fewLong, TerminationKind endedBy) => code switch
    {
        DefrostCodes.NotChangedOver => [Remedy.CheckChangeOver],
        DefrostCodes.ClockStopped or DefrostCodes.ClockOff or DefrostCodes.ClockContacts or DefrostCodes.ClockSolenoid
            or DefrostCodes.ClockTime => [Remedy.CheckClock],
        DefrostCodes.LegOut or DefrostCodes.LegWeak => [Remedy.RepairHeaters],
        DefrostCodes.LowVoltage => [Remedy.RepairSupply],
        DefrostCodes.ProbeOff => [Remedy.CheckSensor],
        DefrostCodes.NotTerminated when endedBy == TerminationKind.Probe => [Remedy.CheckSensor],
        DefrostCodes.NotTerminated or DefrostCodes.SwitchOff => [Remedy.ReplaceSwitches],
        DefrostCodes.HeatAfterClear => fewLong ? ByTemperature : ByTime,
        DefrostCodes.SensorLeads => [Remedy.MoveSensor, Remedy.CoilProbe],
        DefrostCodes.EndedEarly or DefrostCodes.LimitBeforeClear => [Remedy.LengthenOrMoreOften, Remedy.FixInfiltration],
        DefrostCodes.DripShort => [Remedy.LengthenDrip],
        DefrostCodes.FansInHeat or DefrostCodes.FansEarly or DefrostCodes.FansLate or DefrostCodes.FansNever or DefrostCodes.FansCycling =>
            [Remedy.RepairFanDelay],
        DefrostCodes.EndUnknown => [Remedy.FindWhatEndedIt],
        _ => [],
    };
}
