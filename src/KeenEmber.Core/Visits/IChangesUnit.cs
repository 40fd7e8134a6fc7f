using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Visits;

/// <summary>An entry about work on the unit. As found, briefing, run comparison, report and compare all ask it here.</summary>
public interface IChangesUnit
{
    /// <summary>From it on the unit is no longer as it was found; false where it only tells what was found.</summary>
    bool ChangesUnit => true;

    /// <summary>What must be seen for it to be proved.</summary>
    IReadOnlyList<ProofKind> WantsProof(Equipment unit) => [];
}
