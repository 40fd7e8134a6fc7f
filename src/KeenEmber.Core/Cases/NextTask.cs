using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Findings;

namespace KeenEmber.Core.Cases;

/// <summary>The one thing worth doing next on a visit, whichever bench asks for it.</summary>
public abstract record NextTask
{
    /// <summary>In the order of the job: what makes every reading lie, then the call (sensors, outputs), then readings and settings, then the defrost.</summary>
    /// <param name="analysis">Null when the unit's refrigerant is not in the catalogue.</param>
    /// <param name="advice">What to do after the defrost that was watched, the first thing first.</param>
    /// <param name="wettedSetsWhole">The shop's policy.</param>
    /// <returns>Null when no bench has anything to ask.</returns>
    public static NextTask? Choose(VisitBenches benches, CircuitAnalysis? analysis, IReadOnlyList<RemedyStep> advice, bool wettedSetsWhole)
    {
        if (analysis?.Next is { Kind: StepKind.Recheck or StepKind.RestoreFans or StepKind.ClearCoil or StepKind.LetDefrostEnd or StepKind.FindWhyStopped } first)
            return new CircuitTask(first);
        foreach (var wrong in benches.Sensors.Now)
        {
            if (benches.StepsFor(wrong.Seen[0], wettedSetsWhole) is [var step, ..])
                return new SensorTask(step, wrong.Seen[0]);
        }

        if (benches.OutputFaults is [var (output, verdict), ..])
            return new OutputTask(output, verdict);
        if (analysis?.Next is { } next)
            return new CircuitTask(next);
        if (benches.SettingFaults is [var setting, ..])
            return new SettingTask(setting);
        return advice.Count > 0 ? new DefrostTask(advice[0]) : null;
    }
}

public sealed record CircuitTask(NextStep Step) : NextTask;

/// <param name="Sensor">Its name.</param>
public sealed record SensorTask(SensorStep Step, string Sensor) : NextTask;

public sealed record OutputTask(ControlOutput Output, OutputVerdict Verdict) : NextTask;

/// <param name="Fault">The setting that does not fit.</param>
public sealed record SettingTask(Finding Fault) : NextTask;

public sealed record DefrostTask(RemedyStep Step) : NextTask;
