namespace KeenEmber.Core.Plant;

/// <summary>What the nameplate and make-up of a unit are from a moment on.</summary>
/// <param name="At">Since when it is so.</param>
/// <param name="WrittenAt">When it was put on record.</param>
/// <param name="Author">Who wrote it; empty in records from before that was kept.</param>
public sealed record Nameplate(DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Equipment Unit);
