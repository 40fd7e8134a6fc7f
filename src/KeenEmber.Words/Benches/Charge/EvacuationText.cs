using KeenEmber.Core.Benches.Charge;

namespace KeenEmber.Words.Benches.Charge;

/// <summary>How an evacuation stands, in a sentence or two.</summary>
public static class EvacuationText
{
    /// <summary>Which drier belongs in, and why.</summary>
    public static string Say(DrierAdvice advice) => advice switch
    {
        DrierAdvice.BurnOut => "The compressor burnt out: clean the circuit, fit acid-binding driers in the liquid and the suction line, "
            + "test the oil for acid, and take the suction drier out again after it has run. The maker’s burn-out instructions come first.",
        DrierAdvice.NewAndAgain => "Water was found: fit a new drier now, and another one when it has run for a day or two.",
        _ => "The circuit was opened: fit a new liquid-line drier before evacuating. Open it last.",
    };

    /// <summary>What the course of an earlier day has to do with this vacuum.</summary>
    public static string MoistureSeen(DecayVerdict? now, string day) => now switch
    {
        DecayVerdict.Moisture or DecayVerdict.MoistureAndLeak =>
            $"This is the water that froze in the valve: feeding came and went on {day}.",
        DecayVerdict.Dry => $"It is dry now. Feeding that came and went on {day} should not come back: record its course again.",
        _ => $"Feeding came and went on {day}, as water that freezes in a valve lets it. Shut off and watch the rise.",
    };

    public static string Stands(Evacuation evacuation, UnitText units, SiteClock clock) => (evacuation.Stage, evacuation.Decay) switch
    {
        (VacuumStep.Isolated, { } decay) => ChargeText.Say(decay, units),
        (VacuumStep.Isolated, null) => $"Shut off at {clock.Time(evacuation.StageAt!.Value)}. Log a reading every few minutes, "
            + $"{Math.Max(1, DecayFit.Fewest - evacuation.SinceIsolated.Count)} more at least.",
        (VacuumStep.NitrogenIn, _) => "Nitrogen is in. Let it stand some minutes, then pump again.",
        _ => Pumping(evacuation, units, clock),
    };

    private static string Pumping(Evacuation evacuation, UnitText units, SiteClock clock)
    {
        if (evacuation.Target is { } at)
            return $"Falling. About {clock.DayAndTime(at)} it is at {units.Vacuum(VacuumCourse.TargetPa)}: shut it off then and watch.";
        if (evacuation.HasStalled)
            return $"It no longer falls, above {units.Vacuum(VacuumCourse.TargetPa)}. Shut it off: the rise tells water from a leak. "
                + "Check pump oil and hoses too.";
        return evacuation.Readings is [.., { Pa: <= VacuumCourse.TargetPa }]
            ? "Deep enough. Shut it off from the pump and watch the rise." : "Pumping. Log a reading every few minutes.";
    }
}
