using KeenEmber.Application.Import;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;
using KeenEmber.Words;

namespace KeenEmber.Web.Pages.Units;

/// <summary>A line of a list of units.</summary>
/// <param name="Line">Of the list, its headings being 1.</param>
/// <param name="Unit">Null where something is wrong.</param>
/// <param name="Problem">What is wrong; empty where nothing is.</param>
public sealed record ListedUnit(int Line, string Tag, (Equipment Unit, Site Site)? Unit, string Problem);

/// <summary>Units from a table: headings, then one unit a line, read like the form of one.</summary>
public static class UnitList
{
    /// <summary>More are sent in several lists.</summary>
    public const int MostUnits = 500;

    private const int LongestProblem = 300;

    /// <summary>The headings it knows, and the field of the form that each is.</summary>
    public static readonly IReadOnlyDictionary<string, string> Headings = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase)
    {
        ["tag"] = "tag", ["site"] = "site", ["kind"] = "kind", ["refrigerant"] = "refrigerant", ["target"] = "target", ["name"] = "name",
        ["location"] = "location", ["metering"] = "metering", ["condenser"] = "condenser", ["charge"] = "charge", ["fans"] = "fans",
        ["product"] = "product", ["current"] = "current", ["nameplate"] = "nameplate", ["elevation"] = "elevation", ["time zone"] = "zone",
    };

    /// <summary>Reads a list.</summary>
    /// <param name="known">Sites that are on record.</param>
    /// <param name="isTaken">Whether a site has a unit of a tag already.</param>
    /// <param name="newId">Makes ids.</param>
    /// <returns>Its lines, or what is wrong with the whole of it.</returns>
    public static (IReadOnlyList<ListedUnit> Units, string Problem) Read(
        string text, Company company, IReadOnlyList<Site> known, Func<Guid, string, bool> isTaken, Func<Guid> newId)
    {
        using var csv = Table.Open(text.Trim());
        if (!Table.Next(csv))
            return ([], "An empty list. Its first line names the columns.");
        var headings = Table.Row(csv).Select(h => h.Trim()).ToArray();
        foreach (var needed in new[] { "tag", "kind", "refrigerant", "target" })
            if (!headings.Contains(needed, StringComparer.OrdinalIgnoreCase))
                return ([], $"There is no column “{needed}”. Name the columns in the first line: {string.Join(", ", Headings.Keys)}.");
        if (headings.FirstOrDefault(h => !Headings.ContainsKey(h)) is { } unknown)
            return ([], $"“{unknown}” is no column of a unit. There are: {string.Join(", ", Headings.Keys)}.");

        var (units, sites) = (new List<ListedUnit>(), known.ToList());
        for (var number = 2; Table.Next(csv); number++)
        {
            if (units.Count == MostUnits)
                return ([], $"More than {MostUnits} units. Send them in several lists.");
            units.Add(Line(number, Table.Row(csv), headings, company, sites, newId) is var line && line.Unit is var (unit, site)
                && (isTaken(site.Id, unit.Tag) || units.Exists(u => u.Unit is var (other, at) && at.Id == site.Id && other.Tag == unit.Tag))
                ? line with { Unit = null, Problem = $"{site.Name} has a unit {unit.Tag} already." } : line);
        }

        return units.Count == 0 ? ([], "There are headings and no units under them.") : (units, "");
    }

    private static ListedUnit Line(
        int number, string[] cells, string[] headings, Company company, List<Site> sites, Func<Guid> newId)
    {
        var form = new FilledForm(company.Units);
        UnitForm.Begin(form, sites.Count > 0 ? sites[0] : null);
        form["byName"] = "true";
        foreach (var (heading, typed) in headings.Zip(cells))
            if (typed.Trim().Length > 0)
                form[Headings[heading]] = TypingText.Kept(typed, 200);
        var kind = Name<EquipmentKind>(form, "kind", EquipmentText.Name);
        UnitForm.AsUsual(form);
        string?[] unknown =
        [
            kind, Name<Metering>(form, "metering", EquipmentText.Name), Name<CondenserKind>(form, "condenser", EquipmentText.Name),
        ];
        var read = UnitForm.Read(form, newId(), null, sites);
        if (read is var (_, site) && !sites.Contains(site))
            sites.Add(site);
        return new(number, form["tag"], read,
            TypingText.Kept(string.Join(
                " ", unknown.OfType<string>().Concat(form.Errors.Where(e => e.Value != FilledForm.ChooseOne)
                    .Select(e => $"{e.Key}: {e.Value}"))), LongestProblem));
    }

    /// <summary>A choice by the name that pages call it by, or as the program does; nothing is the first.</summary>
    /// <returns>What is wrong with it; null where nothing is.</returns>
    private static string? Name<T>(FilledForm form, string field, Func<T, string> name)
        where T : struct, Enum
    {
        var typed = form[field];
        var all = Enum.GetValues<T>();
        var found = all.Where(t => typed.Length == 0 || typed.Equals(name(t), StringComparison.OrdinalIgnoreCase)
            || typed.Equals(t.ToString(), StringComparison.OrdinalIgnoreCase)).ToList();
        if (found.Count == 0)
            return $"{field}: “{typed}” is none of {string.Join(", ", all.Select(name))}.";
        form[field] = found[0].ToString();
        return null;
    }
}
