using KeenEmber.Core.Record;

namespace KeenEmber.Storage.Tests;

/// <summary>Dependencies point one way: web, storage, core.</summary>
public class LayeringTests
{
    [Fact]
    public void The_core_knows_no_database_no_web_and_no_storage()
    {
        var references = typeof(Visit).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        Assert.NotEmpty(references);
        Assert.DoesNotContain(
            references, n =>
            n.StartsWith("KeenEmber", StringComparison.Ordinal) || n.Contains("Sqlite") || n.Contains("Dapper")
            || n.Contains("AspNetCore"));
    }

    [Fact]
    public void The_storage_knows_no_web()
    {
        var references = typeof(VisitStore).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        Assert.Contains("KeenEmber.Core", references);
        Assert.DoesNotContain(references, n => n == "KeenEmber.Web" || n.Contains("AspNetCore"));
    }

    /// <summary>The rooms of the core from the ground up. A folder may use those before its own line; benches stand beside each
    /// other.</summary>
    private static readonly string[][] Rooms =
    [
        ["Quantities"],
        ["Refrigerants"],
        ["Plant"],
        ["Findings"],
        ["Record"],
        ["Probes"],
        ["Visits"],
        ["Visits/LogLine"],
        ["Diagnosis/Weighing"],
        ["Diagnosis", "Benches/Electrical/Tracing"],
        ["Benches/Box", "Benches/Charge", "Benches/Circuit", "Benches/Controls", "Benches/Danger", "Benches/Defrost",
            "Benches/Electrical", "Benches/Frost", "Benches/Glycol", "Benches/Sensors"],
        ["Benches/Defrost/Schedule"],
        ["Cases"],
        ["Simulation", "Written"],
        ["Practice"],
    ];

    [Fact]
    public void Each_folder_of_the_core_has_its_floor_and_uses_only_the_floors_below()
    {
        var core = Path.Combine(Root(), "src", "KeenEmber.Core");
        var folders = Directory.GetFiles(core, "*.cs", SearchOption.AllDirectories)
            .Select(f => Path.GetDirectoryName(Path.GetRelativePath(core, f))!.Replace('\\', '/'))
            .Where(f => !f.StartsWith("obj", StringComparison.Ordinal) && !f.StartsWith("bin", StringComparison.Ordinal)).ToHashSet();
        Assert.Equal(Rooms.SelectMany(r => r).Order(), folders.Order());
        var floors = Rooms.SelectMany((rooms, floor) => rooms.Select(r => (r, floor))).ToDictionary(r => r.r, r => r.floor);
        foreach (var folder in folders)
        {
            var needs = Directory.GetFiles(Path.Combine(core, folder), "*.cs").SelectMany(File.ReadLines)
                .Where(l => l.StartsWith("using KeenEmber.Core.", StringComparison.Ordinal))
                .Select(l => l["using KeenEmber.Core.".Length..^1].Replace('.', '/')).Distinct();
            Assert.All(needs, n => Assert.True(floors[n] < floors[folder], $"{folder} uses {n}"));
        }
    }

    /// <summary>An address of a drawing cannot be broken.</summary>
    private const string Unbreakable = "url(\"data:";

    [Fact]
    public void No_line_is_wider_than_a_screen()
    {
        string[] kinds = [".cs", ".cshtml", ".css", ".js"];
        var files = new[] { "src", "tests", "bench" }
            .SelectMany(f => Directory.GetFiles(Path.Combine(Root(), f), "*", SearchOption.AllDirectories))
            .Where(f => kinds.Contains(Path.GetExtension(f)) && !f.Split('/').Any(part => part is "obj" or "bin" or "lib")).ToList();
        Assert.True(files.Count > 500);
        Assert.Empty(files.SelectMany(f => File.ReadLines(f).Select((line, i) => (Line: line, At: $"{f}:{i + 1}")))
            .Where(l => l.Line.Length > 140 && !l.Line.Contains(Unbreakable)).Select(l => l.At));
    }

    [Fact]
    public void A_folder_fits_one_screen()
    {
        var folders = new[] { "src", "tests" }
            .SelectMany(f => Directory.GetDirectories(Path.Combine(Root(), f), "*", SearchOption.AllDirectories))
            // Migrations are numbered and only ever grow.
            .Where(f => !f.Split('/').Any(part => part is "obj" or "bin" or "lib" or "wwwroot" or "Migrations"));
        Assert.DoesNotContain(folders, f => Directory.GetFiles(f).Length > 20);
    }

    private static string Root()
    {
        var place = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(place!.FullName, "KeenEmber.slnx")))
            place = place.Parent;
        return place.FullName;
    }
}
