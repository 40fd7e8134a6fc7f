namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>What earlier work says of a cause before anything is seen.</summary>
internal static class Histories
{
    /// <summary>So many times likelier the day after work beside it; it fades with <see cref="FadesInDays"/>. Trade practice: most
    /// callbacks within a month are of the last work.</summary>
    private const double AfterWork = 14;

    private const double FadesInDays = 30;

    /// <summary>A part that is new fails less, a part that was replaced twice was hardly the fault.</summary>
    private const double NewPart = 0.4, ReplacedTwice = 0.15;

    /// <summary>A part is new for so long, days.</summary>
    private const double NewForDays = 120;

    private const double MostLikely = 0.3;

    /// <summary>A repair works in 97 of 100 cases.</summary>
    private const double RepairFails = 0.03;

    /// <summary>What was not worked on is as likely as before the work, less what may have gone by itself.</summary>
    private const double Stays = 0.8;

    /// <summary>Likelier after work on parts beside it, less likely where its own part is new; what explained the unit before the work and
    /// was not replaced goes on.</summary>
    internal static double Prior(Cause cause, DiagnosisInput input)
    {
        if (input.Before.FirstOrDefault(b => b.Cause.Code == cause.Code) is not { } then)
            return Math.Max(Prior(cause, input.Closed, input.History),
                Math.Min(MostLikely, input.LeftOpen.FirstOrDefault(l => l.Cause.Code == cause.Code)?.Probability ?? 0));
        var isWorkedOn = input.History.Any(w => w.DaysAgo <= 0 && w.Parts.Contains(cause.Part));
        return Math.Clamp(then.Probability * (isWorkedOn ? RepairFails : Stays), cause.PerThousand / 1000 * RepairFails, Stays);
    }

    /// <summary>Likelier after work on parts beside it, less likely where its own part is new.</summary>
    private static double Prior(Cause cause, ClosedCases closed, IReadOnlyList<EarlierWork> history)
    {
        var prior = closed.Prior(cause);
        var renewed = history.Count(w => w.DaysAgo <= NewForDays && w.Replaced.Contains(cause.Part));
        var worked = history.Where(w => w.Parts.Any(p => cause.AfterWorkOn.Contains(p))).Select(w => w.DaysAgo).ToList();
        if (worked.Count > 0)
            prior *= 1 + (AfterWork - 1) * Math.Exp(-worked.Min() / FadesInDays);
        else if (renewed > 0)
            prior *= renewed > 1 ? ReplacedTwice : NewPart;
        return Math.Min(prior, MostLikely);
    }
}
