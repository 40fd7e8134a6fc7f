namespace KeenEmber.Core.Refrigerants;

/// <summary>What a refrigerant consists of, by mass. Shares are positive and sum to 1; the order is the designation's.</summary>
public sealed class Composition
{
    private Composition(IReadOnlyList<(BlendComponent Component, double Share)> parts) => Parts = parts;

    /// <summary>Components with their mass shares.</summary>
    public IReadOnlyList<(BlendComponent Component, double Share)> Parts { get; }

    /// <summary>Mass-weighted global warming potential.</summary>
    public double Gwp => Parts.Sum(p => p.Share * p.Component.Gwp);

    /// <param name="parts">Any positive amounts by mass; they are brought to a sum of 1, and the same component given twice is added
    /// up.</param>
    public static Composition ByMass(IEnumerable<(BlendComponent Component, double Amount)> parts)
    {
        var present = parts.GroupBy(p => p.Component.Name).Select(g => (g.First().Component, Amount: g.Sum(p => p.Amount)))
            .Where(p => p.Amount > 0).ToList();
        var sum = present.Sum(p => p.Amount);
        return present.Count == 0
            ? throw new ArgumentException("A refrigerant consists of something.", nameof(parts))
            : new([.. present.Select(p => (p.Component, p.Amount / sum))]);
    }

    /// <param name="moles">Amount of substance of each component, any unit.</param>
    internal static Composition ByMoles(IEnumerable<(BlendComponent Component, double Amount)> moles) =>
        ByMass(moles.Select(m => (m.Component, m.Amount * m.Component.MolarMass)));

    /// <summary>Mole fractions in the order of <see cref="Parts"/>.</summary>
    internal double[] MoleFractions()
    {
        double[] moles = [.. Parts.Select(p => p.Share / p.Component.MolarMass)];
        var sum = moles.Sum();
        return [.. moles.Select(n => n / sum)];
    }

    /// <summary>What results from pouring two together.</summary>
    /// <param name="other">The other refrigerant.</param>
    /// <param name="share">Its share of the whole by mass, 0 to 1; values outside are held at the nearer end.</param>
    public Composition MixedWith(Composition other, double share)
    {
        var held = Math.Clamp(share, 0, 1);
        return ByMass(
            Parts.Select(p => (p.Component, p.Share * (1 - held))).Concat(other.Parts.Select(p => (p.Component, p.Share * held))));
    }
}
