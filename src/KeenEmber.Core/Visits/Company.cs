using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Visits;

/// <summary>What the company has chosen once for all its visits.</summary>
/// <param name="Words">The company's own words for measuring points, added to the built-in ones in quick entry.</param>
public sealed record Company(string Name, UnitPreference Units, IReadOnlyDictionary<string, PointRef> Words)
{
    /// <summary>What it has decided.</summary>
    public Policies Policies { get; init; } = Policies.Default;

    /// <summary>Who works here; the forms offer these names.</summary>
    public IReadOnlyList<string> Technicians { get; init; } = [];

    /// <summary>Sign or code put before prices; may be empty.</summary>
    public string Currency { get; init; } = "";
}
