using KeenEmber.Core.Benches.Defrost;

namespace KeenEmber.Core.Cases;

/// <summary>What the error of the sensor that ends a defrost has to do with how one ended.</summary>
public enum DefrostLink
{
    /// <summary>The sensor explains nothing of the run.</summary>
    None,

    /// <summary>It reads warm, and the run ended with ice left.</summary>
    ExplainsEarlyEnd,

    /// <summary>It reads cold, and the run went on too long.</summary>
    ExplainsLateEnd,
}

/// <summary>What a wrong end sensor explains of a defrost.</summary>
public static class SensorLinks
{
    /// <summary>Warm: it ends before the coil is clear. Cold: it ends late, or leaves it to the clock.</summary>
    /// <param name="errorK">What the controller works with less the truth; infinite for an open or shorted sensor.</param>
    public static DefrostLink Of(double errorK, DefrostResult run)
    {
        if (errorK > DefrostLimits.ProbeToleranceK && run is { IceIsLeft: true, End: EndedBy.Temperature })
            return DefrostLink.ExplainsEarlyEnd;
        return errorK < -DefrostLimits.ProbeToleranceK && (run.End == EndedBy.TimeLimit
            || run.HeatAfterClearMin > DefrostLimits.GoodHeatAfterClearMin) ? DefrostLink.ExplainsLateEnd : DefrostLink.None;
    }
}
