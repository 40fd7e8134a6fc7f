namespace KeenEmber.Core.Tests;

/// <summary>Tests that measure time: they run after all others, one at a time, with the cores to themselves.</summary>
[CollectionDefinition(nameof(Alone), DisableParallelization = true)]
public sealed class Alone;
