using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Practice;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Practising;

/// <summary>What practice says.</summary>
public static class PracticeText
{
    /// <summary>What a level asks of somebody.</summary>
    public static string Level(int level) => level switch
    {
        1 => "One plain fault",
        2 => "It hides, or looks like another",
        _ => "Several, or a history that misleads",
    };

    /// <summary>Where something is got, as a heading.</summary>
    public static string Place(string place) => place switch
    {
        "customer" => "Ask the customer",
        "record" => "Read the record",
        "box" => "At the box",
        "coil" => "At the coil and its fans",
        "control" => "At the control",
        "unit" => "At the condensing unit",
        "panel" => "At the panel",
        _ => CircuitText.Sentence(place),
    };

    /// <summary>What the last act came to.</summary>
    public static string Said(PracticeRun run, PracticeAct act, UnitText units) => act.Step switch
    {
        PracticeStep.Look when act.Blocked == "supply" => $"{Name(act)}: gone. The power was off in between.",
        PracticeStep.Look when act.Blocked.Length > 0 =>
            $"{Name(act)}: cannot tell now. First: {DiagnosisText.Observables[act.Blocked].Name}.",
        PracticeStep.Look => $"{CircuitText.Sentence(DiagnosisText.Fact(new(act.Code, act.Answer, act.Number), units))}."
            + (act.IsSafe ? "" : $" That could have hurt you. {DiagnosisText.Caution(DiagnosisText.Observables[act.Code].Hazard)}"),
        PracticeStep.Measure when act.Number is { } number => $"{act.Code}: {UnitText.Number(number, 1)} {act.Answer}.",
        PracticeStep.Measure when act.Answer is PracticeMeter.RunsText or PracticeMeter.StandsText =>
            $"{CircuitText.Sentence(act.Code)}: {act.Answer}.",
        PracticeStep.Measure => $"{act.Code}: open circuit.",
        PracticeStep.Repair => Repaired(run, act),
        PracticeStep.Thaw => "An hour later the coil is clear. What the ice would have told is told no more.",
        PracticeStep.PowerOff => "Off and on. What was shown and counted before is gone.",
        PracticeStep.Hint => "A hint.",
        _ => "The job is closed.",
    };

    private static string Name(PracticeAct act) => CircuitText.Sentence(DiagnosisText.Observables[act.Code].Name);

    private static string Repaired(PracticeRun run, PracticeAct act)
    {
        var upTo = new PracticeRun(run.Case, [.. run.Acts.TakeWhile(a => a.Id != act.Id), act]);
        var name = CircuitText.Sentence(Cause(act.Code).Name);
        if (!run.Case.Job.Truth.Contains(act.Code))
            return $"{name}: seen to. Nothing has changed.";
        return upTo.IsMended ? $"{name}: repaired. It runs. Prove it."
            : $"{name}: repaired. It is not as it should be yet, or will not stay so.";
    }

    /// <summary>By its code.</summary>
    public static Cause Cause(string code) => DiagnosisTable.Shipped.Causes.First(c => c.Code == code);

    /// <summary>A hint, each one tells more.</summary>
    /// <param name="count">Hints so far, from 1.</param>
    public static string Hint(int count, NextTest? next) => next?.Observable is not { } asked
        ? "Nothing more is worth looking at. Decide."
        : count == 1 ? $"Look {Where(asked.Place)}." : $"Look at this: {asked.Name}.";

    private static string Where(string place) => place switch
    {
        "customer" => "no further than the customer",
        "record" => "into the record",
        _ => $"at the {place}",
    };

    /// <summary>How a job ended, in a sentence.</summary>
    public static string Ended(Debriefing told)
    {
        if (told.Truth.Count == 0)
            return told.InVain.Count == 0 ? "Nothing was wrong, and you left it alone." : "Nothing was wrong.";
        if (told.Missed.Count == 0)
            return told.InVain.Count == 0 ? "Found and mended." : "Found and mended, with parts in vain.";
        return told.Missed.Count == told.Truth.Count ? "Not found." : "Only part of it was found. They will call again.";
    }

    /// <summary>Causes one after the other.</summary>
    public static string Causes(IEnumerable<Cause> causes) => CircuitText.List(causes.Select(c => c.Name));
}
