using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Practice;

/// <summary>What is done on a case as entries of its visit, so that the whole workplace reads them.</summary>
public static class PracticeEntries
{
    /// <summary>Null for what leaves nothing on the visit: a look that tells nothing, a hint, the end.</summary>
    public static Entry? Of(EntryHeader header, PracticeAct act) => act.Step switch
    {
        PracticeStep.Look when act.Blocked.Length == 0 => VisitFacts.EntryOf(header, new(act.Code, act.Answer, act.Number)),
        PracticeStep.Repair => Repaired(header, DiagnosisTable.Shipped.Causes.First(c => c.Code == act.Code)),
        PracticeStep.Thaw => new NoteEntry(header, "Coil thawed"),
        PracticeStep.PowerOff => new NoteEntry(header, "Power off and on"),
        _ => null,
    };

    private static PartEntry Repaired(EntryHeader header, Cause cause) =>
        new(header, cause.Name, "", "", "", "", false, WorkedParts.AreaOf(cause.Part));
}
