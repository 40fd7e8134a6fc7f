using KeenEmber.Storage;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

/// <summary>Finds units, visits, notes, changes and parts by words.</summary>
public sealed class SearchModel(SearchStore search, EquipmentStore equipment) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public string? Q { get; set; }

    public IReadOnlyList<SearchHit> Hits { get; private set; } = [];

    public SiteClock? Clock { get; private set; }

    public void OnGet()
    {
        Hits = search.Find(Q?.Length > 200 ? Q[..200] : Q);
        Clock = equipment.Sites() is [var site, ..] ? new(site) : null;
    }

    /// <summary>How many places were found.</summary>
    public string HowMany => Hits.Count switch
    {
        0 => "Nothing holds all of these words.",
        1 => "1 place.",
        >= SearchStore.MostHits => $"The first {SearchStore.MostHits}. Add a word to narrow it.",
        var count => $"{count} places.",
    };

    /// <summary>A passage cut at its marks: plain and found pieces in turn, the first one plain.</summary>
    public static IEnumerable<(string Text, bool Found)> Pieces(string text) =>
        text.Split(SearchStore.MarkOpen).SelectMany((part, i) =>
            i > 0 && part.Split(SearchStore.MarkClose) is [var found, var rest] ? new[] { (found, true), (rest, false) } : [(part, false)]);
}
