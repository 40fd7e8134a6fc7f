using KeenEmber.Core.Plant;
using KeenEmber.Storage;
using KeenEmber.Storage.Archives;
using KeenEmber.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Keeping;

/// <summary>The record out of here as open files, and one of another record in.</summary>
[RequestFormLimits(MultipartBodyLengthLimit = MostBytes)]
public sealed class ArchivesModel(Archive archives, EquipmentStore equipment, PeopleStore people) : PageModel
{
    /// <summary>A larger one is read by the command, with the app stopped.</summary>
    public const long MostBytes = 200_000_000;

    public IReadOnlyList<Site> Sites => equipment.Sites();

    /// <summary>Reading one in changes the record for everybody.</summary>
    public bool MayRead => Accounts.MayDecide(User, people);

    /// <summary>What was read, or why nothing was.</summary>
    [TempData]
    public string? Said { get; set; }

    public string? Problem { get; private set; }

    public void OnGet()
    {
    }

    public IActionResult OnPostArchive(IFormFile? archive)
    {
        if (!MayRead)
            return StatusCode(StatusCodes.Status403Forbidden);
        if (archive is not { Length: > 0 })
        {
            Problem = "Choose an archive first: a file that ends in .zip.";
            return Page();
        }

        try
        {
            using var file = archive.OpenReadStream();
            var (head, added) = archives.Read(file);
            Said = Read(head, added);
            return RedirectToPage();
        }
        catch (ArchiveException e)
        {
            Problem = e.Message;
            return Page();
        }
    }

    private static string Read(ArchiveHead head, long added) => added == 0 ? "Everything in it was here already."
        : $"{HealthModel.Count(head.Units.Count)} units with {HealthModel.Count(head.Rows.GetValueOrDefault("entry"))} entries are in it; "
            + $"{HealthModel.Count(added)} rows were new here.";
}
