using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits.LogLine;

namespace KeenEmber.Words;

/// <summary>What a bench brings to the words of the log line.</summary>
/// <param name="Points">Points by the words that technicians use for them.</param>
/// <param name="Settings">Settings by the words that technicians use for them.</param>
public sealed record BenchWords(IReadOnlyDictionary<string, PointRef> Points, IReadOnlyDictionary<string, NamedSetting> Settings)
{
    /// <summary>Of a bench whose entries no line makes.</summary>
    public static BenchWords None { get; } = new(new Dictionary<string, PointRef>(), new Dictionary<string, NamedSetting>());
}
