using System.Net;
using KeenEmber.Storage.Backups;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>A backup taken on its page, restored elsewhere, and what is said where none can be taken.</summary>
public sealed class BackupPagesTests : IDisposable
{
    private readonly DirectoryInfo root = Directory.CreateTempSubdirectory("keen-ember-copies-");

    public void Dispose() => root.Delete(recursive: true);

    private string Copies => Path.Combine(root.FullName, "copies");

    [Fact]
    public async Task A_restored_record_gives_the_same_pages_to_the_letter()
    {
        using var app = new TestApp(demo: true) { Backup = Copies };
        using var technician = new Technician(app);
        using var taken = await technician.Send("/health", "Backup");
        var page = await technician.Open("/health");
        Assert.NotEmpty(page.QuerySelectorAll(".backups li"));
        using var checkedAgain = await technician.Send("/health", "Check");
        Assert.Contains("as it was taken", (await technician.Open("/health")).QuerySelector("[role=status]")!.TextContent,
            StringComparison.Ordinal);

        var folder = new BackupFolder(Copies);
        var elsewhere = Path.Combine(root.FullName, "elsewhere");
        folder.Restore(folder.All()[0], elsewhere);
        using var restored = new TestApp(demo: true) { Folder = new(elsewhere) };
        restored.Clock.Now = app.Clock.Now;
        Assert.InRange(await SamePages.Compare(app, restored), 4, 100);
    }

    [Fact]
    public async Task Where_none_can_be_taken_it_is_said_and_the_work_goes_on()
    {
        await File.WriteAllTextAsync(Copies, "a file in the way", TestContext.Current.CancellationToken);
        using var app = new TestApp { Backup = Path.Combine(Copies, "below") };
        using var technician = new Technician(app);
        using var tried = await technician.Send("/health", "Backup");
        Assert.Contains("last try failed", (await technician.Open("/health")).QuerySelector("[data-backup=failed]")!.TextContent,
            StringComparison.Ordinal);
        using var http = app.Browser();
        using var answer = await http.GetAsync("/healthz", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.ServiceUnavailable, answer.StatusCode);
        Assert.Contains("backup is overdue", await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
        var visit = await technician.StartVisit(await technician.AddUnit());
        await technician.Log(visit, "suc 1.4");
    }

    [Fact]
    public async Task Without_a_folder_for_them_it_is_ready_and_says_how_to_have_them()
    {
        using var app = new TestApp();
        using var http = app.Browser();
        var answer = await http.GetStringAsync("/healthz", TestContext.Current.CancellationToken);
        Assert.Contains("\"ready\"", answer, StringComparison.Ordinal);
        using var technician = new Technician(app);
        var page = await technician.Open("/health");
        Assert.NotNull(page.QuerySelector("[data-health=ready]"));
        Assert.Contains("--backup", page.Body!.TextContent, StringComparison.Ordinal);
        using var held = app.Get<KeenEmber.Storage.Database>().Open();
        using var hold = held.CreateCommand();
        hold.CommandText = "BEGIN EXCLUSIVE";
        hold.ExecuteNonQuery();
        using var busy = await http.GetAsync("/healthz", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.ServiceUnavailable, busy.StatusCode);
    }
}
