using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>What a watched defrost has to say: one rule a finding, in the order in which a technician would tell it.</summary>
internal static class DefrostFindings
{
    public static IReadOnlyList<Finding> Of(DefrostRun run, DefrostResult result) =>
        TiedTogether(result, [.. Ending(run, result).Concat(Sensing(run, result)).Concat(Heating(result.Heaters)).Concat(Fans(run, result))
            .Concat(After(run, result))]);

    /// <summary>No heater carries current and the fans run: one relay or switch that has not changed over explains both.</summary>
    private static IReadOnlyList<Finding> TiedTogether(DefrostResult r, IReadOnlyList<Finding> findings) =>
        !findings.Any(f => f.Code == DefrostCodes.FansInHeat) || !NoHeat(r) ? findings
            : [Of(DefrostCodes.NotChangedOver, Strength.Strong), .. findings.Where(f => !IsOfOneSide(f.Code))];

    /// <summary>Said of heaters or fans alone; wrong where both hang on one contact.</summary>
    public static bool IsOfOneSide(string code) =>
        code is DefrostCodes.FansInHeat or DefrostCodes.LegOut or DefrostCodes.LegWeak or DefrostCodes.LowVoltage;

    /// <summary>Every leg was measured in the heat, and none carries current.</summary>
    public static bool NoHeat(DefrostResult r) => r.Heaters is { Legs.Count: > 0 } h
        && h.Legs.All(l => l.MeasuredA is { } amps && amps <= DefrostLimits.DeadLegShare * l.HealthyA);

    private static IEnumerable<Finding> Ending(DefrostRun run, DefrostResult r)
    {
        if (r.Phases.HeatOff is null)
        {
            if (r.Phases.HeatOn is not null)
                yield return Of(DefrostCodes.EndUnknown, Strength.Weak) with { WouldConfirm = ["heat-off"] };
            yield break;
        }

        if (r.End == EndedBy.Unknown)
            yield return Of(DefrostCodes.EndUnknown, Strength.Weak, ("heatMin", r.Phases.HeatMin)) with { WouldConfirm = Unsettled(run) };
        if (r is { HeatAfterClearMin: { } over, HeatAfterClearRange: var (least, most) })
        {
            // Where the moment lies between two readings, it is strong only if it would be so at both.
            yield return over > DefrostLimits.GoodHeatAfterClearMin
                ? Of(DefrostCodes.HeatAfterClear, least > DefrostLimits.LongHeatAfterClearMin ? Strength.Strong : Strength.Fair,
                    ("heatAfterClearMin", over), ("leastMin", least), ("mostMin", most), ("share", r.HeatAfterClearShare),
                    ("kwh", r.EnergyKwh?.AfterClear))
                : Of(DefrostCodes.WellEnded, most > DefrostLimits.LongHeatAfterClearMin ? Strength.Fair : Strength.Strong,
                    ("heatAfterClearMin", over), ("leastMin", least), ("mostMin", most));
        }

        var leftSeen = run.Mark(RunMarkKind.IceLeft) is not null;
        if (r.IceIsLeft || leftSeen)
        {
            var coldest = DefrostAnalysis.Bends(r.Places).Where(p => p.Told == ClearTold.NotClear).Min(p => p.AtHeatOffC);
            yield return Of(
                r.End == EndedBy.TimeLimit ? DefrostCodes.LimitBeforeClear : DefrostCodes.EndedEarly, leftSeen && r.IceIsLeft
                ? Strength.Strong : Strength.Fair,
                ("coldestC", coldest), ("heatMin", r.Phases.HeatMin)) with { WouldConfirm = leftSeen ? [] : ["ice-left"] };
        }

        // The clock ended it although the spot was well over the setting.
        if (r.End == EndedBy.TimeLimit && run.SetUp.EndC is { } set && r.Sensor is { } spot
            && spot.SpotC > set + DefrostLimits.SwitchToleranceK)
            yield return Of(
                DefrostCodes.NotTerminated, Strength.Strong, ("spotC", spot.SpotC),
                ("setC", set)) with { WouldConfirm = [run.SetUp.EndedBy == TerminationKind.Probe ? "three-way-check" : "switch-voltage"] };
        if ((run.Mark(RunMarkKind.CeilingFrost) ?? run.Mark(RunMarkKind.Vapour)) is { } seen)
            yield return Of(
                DefrostCodes.Vapour, r.HeatAfterClearMin > DefrostLimits.GoodHeatAfterClearMin ? Strength.Strong
                : Strength.Fair, ("minute", seen), ("heatAfterClearMin", r.HeatAfterClearMin));
    }

    /// <summary>What would tell how an unexplained end came about.</summary>
    private static List<string> Unsettled(DefrostRun run) =>
    [
        .. run.SetUp.FailSafeMin is null ? ["fail-safe"] : Array.Empty<string>(),
        .. run.SetUp.EndedBy is TerminationKind.Switch or TerminationKind.Probe && run.Track(RunPlaceKind.AtSensor) is null ? ["at-sensor"]
            : Array.Empty<string>(),
        .. run.SetUp.EndedBy == TerminationKind.Switch ? ["switch-voltage"] : Array.Empty<string>(),
    ];

    private static IEnumerable<Finding> Sensing(DefrostRun run, DefrostResult r)
    {
        if (r.Sensor is { } s)
        {
            if (r.ClearMin is not null && r.End == EndedBy.Temperature && s.AheadK < -DefrostLimits.SensorSpreadK)
                yield return Of(
                    DefrostCodes.SensorLags, Strength.Strong, ("spotC", s.SpotC), ("coldestC", s.ColdestC), ("warmestC", s.WarmestC),
                    ("behindMin", s.BehindMin));
            else if (r.IceIsLeft && s.AheadK > DefrostLimits.SensorSpreadK)
                yield return Of(
                    DefrostCodes.SensorLeads, Strength.Strong, ("spotC", s.SpotC), ("coldestC", s.ColdestC), ("warmestC", s.WarmestC),
                    ("behindMin", s.BehindMin));
            else if (
                Math.Abs(s.AheadK) <= DefrostLimits.SensorSpreadK && r.ClearMin is not null
                    && r.HeatAfterClearMin <= DefrostLimits.LongHeatAfterClearMin)
                yield return Of(
                    DefrostCodes.SensorFits, Strength.Fair, ("spotC", s.SpotC), ("coldestC", s.ColdestC), ("warmestC", s.WarmestC),
                    ("behindMin", s.BehindMin));
        }

        if (run.Track(RunPlaceKind.EndSensor) is { } probe && run.Track(RunPlaceKind.AtSensor) is { } beside)
        {
            var off = probe.Minutes.Select((m, i) => probe.Values[i] - beside.At(m)).OfType<double>().ToArray();
            if (off.Length >= 3 && MeltPlateau.Median(off) is var median && Math.Abs(median) > DefrostLimits.ProbeToleranceK)
                yield return Of(
                    DefrostCodes.ProbeOff, Strength.Fair, ("offK", median),
                    ("readings", off.Length)) with { WouldConfirm = ["three-way-check"] };
        }

        if (run.SetUp is { EndedBy: TerminationKind.Switch, EndC: { } rated } && r is { End: EndedBy.Temperature, Sensor: { } at }
            && run.Track(RunPlaceKind.AtSensor) is not null
            && Math.Abs(at.SpotC - rated) > DefrostLimits.SwitchToleranceK)
            yield return Of(
                DefrostCodes.SwitchOff, Strength.Fair, ("spotC", at.SpotC), ("ratedC", rated)) with { WouldConfirm = ["ice-bath"] };
    }

    /// <summary>What the currents of the legs say.</summary>
    internal static IReadOnlyList<Finding> Heating(HeaterState? heaters) => heaters is { } h ? [.. OfLegs(h)] : [];

    private static IEnumerable<Finding> OfLegs(HeaterState h)
    {
        foreach (var element in h.ElementsOut.Where(_ => h.Legs.Any(l => l.MeasuredA is not null)))
            yield return Of(DefrostCodes.LegOut, Strength.Strong, ("element", element), ("powerKw", h.PowerKw), ("ratedKw", h.RatedKw));
        foreach (var leg in h.Legs.Where(l => l.IsWeak && l.ExpectedA > 0.1))
            yield return Of(
                DefrostCodes.LegWeak, Strength.Fair, ("leg", leg.Leg), ("measuredA", leg.MeasuredA),
                ("expectedA", leg.ExpectedA)) with { WouldConfirm = h.IsMeasured ? [] : ["heater-voltage"] };
        if (h.IsMeasured && RatedVolts(h) is var rated && h.Volts < rated * DefrostLimits.LowVoltageShare)
            yield return Of(DefrostCodes.LowVoltage, Strength.Strong, ("volts", h.Volts), ("ratedVolts", rated));
    }

    /// <summary>The voltage at which the healthy currents would give the rated power.</summary>
    private static double RatedVolts(HeaterState h) => h.Volts * Math.Sqrt(h.RatedKw / h.HealthyKw);

    private static IEnumerable<Finding> Fans(DefrostRun run, DefrostResult r)
    {
        var setC = run.SetUp.FanDelayC ?? DefrostLimits.FansBackC;
        if (r.Fans.RanInHeat)
            yield return Of(DefrostCodes.FansInHeat, Strength.Strong);
        if (r.Fans is { OnMin: { } on, CoilC: { } coil } && coil > setC + DefrostLimits.SwitchToleranceK)
            yield return Of(DefrostCodes.FansEarly, Strength.Strong, ("coilC", coil), ("setC", setC), ("afterMin", on - r.Phases.HeatOff));
        if (r.Fans.Cycles > 1)
            yield return Of(DefrostCodes.FansCycling, Strength.Strong, ("cycles", r.Fans.Cycles));
        if (r.Phases.HeatOff is not { } off || r.Fans.RanInHeat)
            yield break;
        var coilTrack = run.Track(RunPlaceKind.EndSensor) ?? run.Track(RunPlaceKind.AtSensor) ?? run.Track(RunPlaceKind.ColdestBend);
        var cold = coilTrack is null ? -1
            : Array.FindIndex(coilTrack.Values, Math.Min(coilTrack.Range(off, off).First, coilTrack.Values.Length), t => t <= setC);
        if (cold < 0)
            yield break;
        var coldAt = coilTrack!.Minutes[cold];
        if (r.Fans.OnMin - coldAt > DefrostLimits.FansLateMin)
            yield return Of(DefrostCodes.FansLate, Strength.Fair, ("lateMin", r.Fans.OnMin - coldAt), ("setC", setC));
        else if (r.Fans.OnMin is null && run.LastMinute - coldAt > DefrostLimits.FansLateMin)
            yield return Of(
                DefrostCodes.FansNever, Strength.Fair, ("waitedMin", run.LastMinute - coldAt),
                ("setC", setC)) with { WouldConfirm = ["fans-on"] };
    }

    private static IEnumerable<Finding> After(DefrostRun run, DefrostResult r)
    {
        if (run.SetUp.Kind != DefrostKind.OffCycle && r.Phases.DripMin is { } drip
            && drip < Math.Max(DefrostLimits.ShortestDripMin, (run.SetUp.DripMin ?? 0) - 1))
            yield return Of(DefrostCodes.DripShort, Strength.Fair, ("dripMin", drip), ("setMin", run.SetUp.DripMin));
        if (run.Track(RunPlaceKind.SuctionPressure) is { } suction && r.Phases is { HeatOn: { } on, HeatOff: { } off }
            && suction.Between(0, on) is { IsEmpty: false } before && suction.Between(off, double.MaxValue) is { IsEmpty: false } later
            && later.Values.Max() - MeltPlateau.Median(before.Values) is var rise && rise > DefrostLimits.RestartRiseKpa)
            yield return Of(DefrostCodes.RestartPressure, Strength.Fair, ("riseKpa", rise), ("peakKpa", later.Values.Max()));
        if (r.Box is not { } box)
            yield break;
        if ((box.RecoveryMin ?? run.LastMinute - r.Phases.HeatOff) > DefrostLimits.RecoveryMin)
            yield return Of(
                DefrostCodes.SlowRecovery, box.RecoveryMin is null ? Strength.Weak
                : Strength.Fair, ("recoveryMin", box.RecoveryMin), ("watchedMin", run.LastMinute - r.Phases.HeatOff));
        if (box.ProductPeakC is { } product && run.TargetC < DefrostLimits.FrozenProductC && product > DefrostLimits.FrozenProductC)
            yield return Of(DefrostCodes.ProductWarm, Strength.Strong, ("productC", product));
    }

    /// <summary>A finding with those of its numbers that are known.</summary>
    private static Finding Of(string code, Strength strength, params (string Name, double? Value)[] values) =>
        new(code, strength, [], values.Where(v => v.Value is not null).ToDictionary(v => v.Name, v => v.Value!.Value));
}
