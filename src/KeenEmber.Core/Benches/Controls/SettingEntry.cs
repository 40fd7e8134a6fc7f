using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Controls;

/// <summary>A pressure setting, found or made.</summary>
public sealed record SettingEntry(EntryHeader Header, PressureSetting Setting, SettingStage Stage, TypedValue Value)
    : Entry(Header), IChangesUnit
{
    bool IChangesUnit.ChangesUnit => Stage == SettingStage.AsSet;

    IReadOnlyList<ProofKind> IChangesUnit.WantsProof(Equipment unit) => [ProofKind.CutOutReached, ProofKind.CutInReached];
}

/// <summary>The pressure settings of a visit.</summary>
public static class SettingsOnRecord
{
    /// <summary>The last word on every pressure setting at a stage.</summary>
    public static IReadOnlyDictionary<PressureSetting, SettingEntry> Settings(this Timeline timeline, SettingStage stage) =>
        timeline.Standing.OfType<SettingEntry>().Where(s => s.Stage == stage).GroupBy(s => s.Setting)
            .ToDictionary(g => g.Key, g => g.Last());

    /// <summary>The settings as they were left: as set, or else as found.</summary>
    public static IReadOnlyDictionary<PressureSetting, SettingEntry> SettingsAsLeft(this Timeline timeline) =>
        timeline.Standing.OfType<SettingEntry>().GroupBy(s => s.Setting)
            .ToDictionary(g => g.Key, g => g.OrderBy(s => s.Stage).ThenBy(s => s.At).Last());
}
