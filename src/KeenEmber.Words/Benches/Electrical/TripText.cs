using KeenEmber.Core.Cases;

namespace KeenEmber.Words.Benches.Electrical;

/// <summary>The search for what made a breaker or fuse go, in words.</summary>
public static class TripText
{
    /// <summary>Path of the search for what made a breaker or fuse go, below the visit.</summary>
    public const string Path = "tripped";

    /// <summary>How it stands.</summary>
    public static string Headline(TripJob job) => job.Step switch
    {
        TripStep.Look => "Leave it off. Test what hangs on it, one circuit after the other.",
        TripStep.Repair => "Found. Leave it off until it is repaired.",
        TripStep.TestAgain => "Repaired: test it to earth once more before it is switched on.",
        TripStep.CannotTest => "Something could not be tested. Leave it off and hand it over.",
        TripStep.SwitchOn => "Clear. Switch it on once.",
        TripStep.Holds => "Found, repaired, and it holds.",
        TripStep.NotReproduced => "It holds. Why it went did not show.",
        _ => "It went again. Leave it off: no further reset.",
    };

    /// <summary>What to do with that.</summary>
    public static string Next(TripJob job) => job.Step switch
    {
        TripStep.Look => job.WentInDefrost
            ? "It went in the defrost: what heats comes first. Every lead where it passes a bracket, a drain or a bulkhead."
            : "What moves comes first: fan leads where they pass a bracket or a guard.",
        TripStep.Repair => "Reroute or replace it and enter the work under Changes. Of a set of fuses replace all.",
        TripStep.TestAgain => "With the power locked out, in the place and position it will stay in.",
        TripStep.CannotTest => "Say in the report which circuit was not tested.",
        TripStep.SwitchOn => "Stand aside of the breaker. Of a set of fuses all are new. If it goes, it stays off.",
        TripStep.Holds => "Measure the current of what was repaired; after a defrost fault watch a whole defrost.",
        TripStep.NotReproduced => Untested(job) is > 0 and var open
            ? $"{open} of its circuits were not tested. Say so in the report, and set a day to look again."
            : "Say so in the report, set a day to look again, and have somebody watch the first defrost.",
        _ => "It shows only with voltage on it. Lock out, take its circuits off one by one, test each to earth alone.",
    };

    /// <summary>For report and briefing; empty while nothing is decided.</summary>
    public static string Ending(TripJob? job) => job?.Step switch
    {
        TripStep.Holds => "What made it go was found and repaired; it holds.",
        TripStep.NotReproduced when Untested(job) > 0 => "It holds; not every circuit was tested and why it went is not known.",
        TripStep.NotReproduced => "Every circuit tested clear and it holds: why it went did not show.",
        TripStep.WentAgain => "It went again after it was switched on, and was left off.",
        _ => "",
    };

    /// <summary>For the close of the visit: what nobody saw happen.</summary>
    public static string NeverShown(TripJob job) => job.Step == TripStep.Holds
        ? "The cause was found, not seen to trip it." : "Why the breaker or fuse went did not show.";

    private static int Untested(TripJob job) => job.Circuits.Count(c => c.Answer.Length == 0);
}
