using System.Globalization;
using KeenEmber.Storage;
using KeenEmber.Web.Running;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Keeping;

/// <summary>How the service stands: record, disk, backups.</summary>
public sealed class HealthModel(Health health, BackupKeeper backups, WaitingDevices devices, TimeProvider clock) : PageModel
{
    /// <summary>So many of the newest backups are listed.</summary>
    public const int Listed = 12;

    /// <summary>Whether it can do its work.</summary>
    public Health Health => health;

    /// <summary>What was copied.</summary>
    public BackupKeeper Backups => backups;

    /// <summary>Devices that hold something unsent.</summary>
    public IReadOnlyList<WaitingDevice> Waiting { get; } = devices.All();

    /// <summary>How what was asked for went.</summary>
    [TempData]
    public string? Said { get; set; }

    public void OnGet()
    {
    }

    public IActionResult OnPostBackup()
    {
        Said = backups.TakeNow() ? "Backed up and checked." : null;
        return RedirectToPage();
    }

    public IActionResult OnPostCheck()
    {
        Said = backups.CheckNewest() is { } problem ? $"The newest backup is damaged: {problem} Take another one now."
            : "The newest backup is as it was taken.";
        return RedirectToPage();
    }

    /// <summary>How old the last good one is.</summary>
    public string Age()
    {
        if (backups.All is not [var newest, ..])
            return "None yet.";
        var age = clock.GetUtcNow() - newest.TakenAt;
        return age.TotalHours < 1 ? "The last one is less than an hour old."
            : $"The last one is {Number(age.TotalHours < 48 ? age.TotalHours : age.TotalDays)} {(age.TotalHours < 48 ? "h" : "days")} old.";
    }

    /// <summary>Whose device it is, as far as that is known.</summary>
    public static string Name(WaitingDevice device) =>
        device.Person.Length > 0 ? $"{device.Person}, device {device.Device}" : $"Device {device.Device}";

    /// <summary>"3 Nov 2026 14:05 UTC".</summary>
    public static string Time(DateTimeOffset time) =>
        time.UtcDateTime.ToString("d MMM yyyy HH:mm", CultureInfo.InvariantCulture) + " UTC";

    private static string Number(double value) => Math.Round(value).ToString("0", CultureInfo.InvariantCulture);

    /// <summary>"2,246,850".</summary>
    public static string Count(long count) => count.ToString("N0", CultureInfo.InvariantCulture);

    /// <summary>"12 MB", in the unit that leaves one to three figures.</summary>
    public static string Size(long bytes) => bytes switch
    {
        < 1 << 20 => $"{bytes >> 10} KB",
        < 1 << 30 => $"{bytes >> 20} MB",
        _ => string.Create(CultureInfo.InvariantCulture, $"{bytes / (double)(1 << 30):0.0} GB"),
    };
}
