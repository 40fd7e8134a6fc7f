using KeenEmber.Core.Benches.Charge;

namespace KeenEmber.Words.Benches.Charge;

/// <summary>How an evacuation stands, in a sentence or two.</summary>
public static class EvacuationText
{
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
