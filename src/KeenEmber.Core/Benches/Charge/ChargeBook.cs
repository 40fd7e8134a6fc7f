using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>What went in and out of circuits, cylinders and hoses of one refrigerant in a year.</summary>
/// <param name="ChargedKg">Into circuits, kg.</param>
/// <param name="RecoveredKg">Out of circuits, kg.</param>
/// <param name="HosesKg">Lost with hoses and purging, kg.</param>
/// <param name="CylindersKg">What cylinders gave off less what they took, kg.</param>
public sealed record RefrigerantYear(int Year, string Refrigerant, double ChargedKg, double RecoveredKg, double HosesKg, double CylindersKg)
{
    /// <summary>What circuits, hoses and cylinders come to together, kg: nothing, or a row is wrong.</summary>
    public double OpenKg => ChargedKg - RecoveredKg + HosesKg - CylindersKg;
}

/// <summary>How much of its charge a circuit lost in a year.</summary>
/// <param name="AddedKg">To make up for what was lost, kg.</param>
/// <param name="Share">Of the full charge; null where that is not known.</param>
/// <param name="Days">Over which it is known.</param>
public sealed record LeakYear(double AddedKg, double? Share, double Days);

/// <summary>The books of refrigerant: nothing is lost between a cylinder, a hose and a circuit.</summary>
public static class ChargeBook
{
    /// <summary>Looked back over, days.</summary>
    public const double YearDays = 365;

    /// <param name="rows">That stand, of any units.</param>
    /// <param name="year">The year of a row where its unit stands.</param>
    public static IReadOnlyList<RefrigerantYear> Years(IEnumerable<RefrigerantEntry> rows, Func<RefrigerantEntry, int> year) =>
        [.. rows.GroupBy(r => (Year: year(r), r.Refrigerant)).OrderByDescending(g => g.Key.Year).ThenBy(g => g.Key.Refrigerant)
            .Select(g => new RefrigerantYear(g.Key.Year, g.Key.Refrigerant, g.Where(r => r.MassKg > 0).Sum(r => r.MassKg),
                -g.Where(r => r.MassKg < 0).Sum(r => r.MassKg), g.Sum(r => r.HosesKg), -g.Sum(r => r.CylinderKg)))];

    /// <summary>What is in a cylinder, kg.</summary>
    /// <param name="rows">That stand and name it.</param>
    public static double ContentKg(Cylinder cylinder, IEnumerable<RefrigerantEntry> rows) =>
        cylinder.ContentKg + rows.Where(r => IsOf(r, cylinder)).Sum(r => r.CylinderKg);

    /// <summary>A row names a cylinder by its label.</summary>
    public static bool IsOf(RefrigerantEntry row, Cylinder cylinder) =>
        string.Equals(row.Cylinder.Trim(), cylinder.Label, StringComparison.OrdinalIgnoreCase);

    /// <summary>What was added to a circuit in the year before a moment, less what was taken out of it: a whole charge that was recovered
    /// and weighed in again is no leak.</summary>
    /// <param name="rows">Of the unit, that stand.</param>
    /// <param name="fullKg">Its full charge, kg; null where it is not known.</param>
    /// <param name="since">From when the unit is on record.</param>
    public static LeakYear Leak(IEnumerable<RefrigerantEntry> rows, double? fullKg, DateTimeOffset since, DateTimeOffset now)
    {
        var added = Math.Max(0, rows.Where(r => r.At > now.AddDays(-YearDays) && r.At <= now).Sum(r => r.MassKg));
        return new(added, added / fullKg, Math.Clamp((now - since).TotalDays, 0, YearDays));
    }
}
