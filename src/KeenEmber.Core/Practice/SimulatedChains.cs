using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Practice;

/// <summary>What faults bring on where nobody comes for days: each by the unit's own arithmetic.</summary>
public static class SimulatedChains
{
    /// <summary>Until somebody comes, days.</summary>
    private const int Days = 6;

    private const int DayS = 86_400;

    /// <summary>What has followed, in the order in which it came; none where the unit bears it.</summary>
    /// <param name="strength">Of each, from 0 to 1.</param>
    public static IReadOnlyList<SimulatedFault> Of(SimulatedPlace place, IReadOnlyList<SimulatedFault> faults, double strength)
    {
        var unit = new SimulatedUnit(place.Design, place.Design.TargetC + 1);
        var life = new UnitLife(unit, [.. faults.Select(f => new FaultCourse(f.Made(strength, place.Design)))]);
        for (var s = 0; s < Days * DayS; s++)
            life.Step(place.Weather);
        return [.. life.Followed.Select(FaultOf).Where(f => !faults.Contains(f))];
    }

    private static SimulatedFault FaultOf(BroughtOn what) => SimulatedFaults.All.First(f => f.Name == what switch
    {
        BroughtOn.OverloadOpen => "overload",
        BroughtOn.StartRelayBurnt => "start relay",
        BroughtOn.ContactorBurnt => "contactor burnt",
        _ => "evaporator fan",
    });
}
