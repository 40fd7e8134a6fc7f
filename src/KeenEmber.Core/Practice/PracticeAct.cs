namespace KeenEmber.Core.Practice;

/// <summary>What somebody does on a case.</summary>
public enum PracticeStep
{
    /// <summary>Looks, asks or measures.</summary>
    Look,

    /// <summary>Puts the meter on two terminals of the diagram, or the clamp on a part.</summary>
    Measure,

    /// <summary>Repairs, replaces, sets or undoes a cause.</summary>
    Repair,

    /// <summary>Thaws the coil.</summary>
    Thaw,

    /// <summary>Switches the power off and on.</summary>
    PowerOff,

    /// <summary>Asks what to do.</summary>
    Hint,

    /// <summary>Says that the job is done.</summary>
    End,
}

/// <summary>One thing that was done.</summary>
/// <param name="Id">Of the form that said so: the same one again is the same act.</param>
/// <param name="Code">Of the observable or the cause; terminals or part of a measurement; empty for the rest.</param>
/// <param name="Answer">What was found; unit of a measurement; empty for a number and where nothing was.</param>
/// <param name="Number">In the unit of the observable or the measurement; null for an answer and an open circuit.</param>
/// <param name="Minutes">What it took, with the way there.</param>
/// <param name="IsSafe">What it asks to mind was minded.</param>
/// <param name="Blocked">What stood in the way of a reading; empty where it counts.</param>
public sealed record PracticeAct(
    Guid Id, PracticeStep Step, string Code = "", string Answer = "", double? Number = null, double Minutes = 0, bool IsSafe = true,
    string Blocked = "");
