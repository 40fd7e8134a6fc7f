using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Frost;

/// <summary>The frost picture, as found and after: painted, or chosen from the usual ones.</summary>
public sealed class FrostModel(VisitViews views) : VisitPage(views)
{
    /// <summary>The usual pictures by name, to begin with.</summary>
    public static readonly IReadOnlyList<(string Name, FrostPicture Picture)> Presets =
    [
        ("clear", FrostPicture.AllClear),
        ("even frost", Face((_, _) => '1')),
        ("iced all over", Face((_, _) => '2')),
        ("inlet only", Face((_, c) => c < 2 ? '1' : '0')),
        ("bottom iced", Face((r, _) => r == FrostPicture.Rows - 1 ? '2' : '0')),
        ("behind a fan", Face((_, c) => c >= FrostPicture.Columns - 2 ? '2' : '0')),
    ];

    /// <summary>Where the painting starts: the preset asked for, else the last picture of this visit.</summary>
    public FrostPicture Start =>
        Presets.FirstOrDefault(p => p.Name == From).Picture ?? View.Timeline.Standing.OfType<FrostEntry>().LastOrDefault()?.Picture
        ?? FrostPicture.AllClear;

    [BindProperty(SupportsGet = true)]
    public string? From { get; set; }

    public string? Error { get; private set; }

    public IActionResult OnPostPicture(Guid id, Guid entryId, string? face, bool after)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty)
            return BadRequest();
        var around = string.Concat(Enum.GetValues<FrostPlace>().Select(p => Request.Form[$"place-{p}"].ToString()));
        if (FrostPicture.Read(face, around) is not { } picture)
        {
            Error = "This picture could not be read. Paint it again.";
            return Page();
        }

        Append([new FrostEntry(Writer.Next(), after, picture)]);
        return RedirectToPage(new { id, saved = 1 });
    }

    public IActionResult OnPostThaw(Guid id, Guid entryId, ThawMethod method, bool allOut, bool? drain, int coil) => Take(id, entryId, () =>
    {
        if (!Enum.IsDefined(method))
            return null;
        var minutes = Form.Number("minutes", 1, 24 * 60, "minutes", required: true);
        var of = Math.Clamp(coil, 1, View.MakeUp.Coils);
        Entry thaw = new ThawEntry(Writer.Next(), method, minutes ?? 1, allOut, drain, of);
        // What was seen of the coil is over with it; ice that is left stays on record as it was.
        int? which = View.MakeUp.Coils > 1 ? of : null;
        return allOut ? [thaw, new ObservationEntry(Writer.Next(), AsFound.Coil, which, FactState.Clear, null)]
            : (IReadOnlyList<Entry>)[thaw];
    });

    private static FrostPicture Face(Func<int, int, char> cell) => FrostPicture.AllClear with
    {
        Face = string.Concat(
            Enumerable.Range(0, FrostPicture.Rows * FrostPicture.Columns)
            .Select(i => cell(i / FrostPicture.Columns, i % FrostPicture.Columns))),
    };
}
