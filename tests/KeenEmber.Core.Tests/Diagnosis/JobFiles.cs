using System.Text.Json;
using System.Text.Json.Serialization;
using KeenEmber.Core.Practice;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>Jobs that were written down to be played.</summary>
public static class JobFiles
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() }, ReadCommentHandling = JsonCommentHandling.Skip, AllowTrailingCommas = true,
    };

    /// <summary>Those of all files, or of one.</summary>
    public static IReadOnlyList<(string File, Job Case)> All(string files = "*.json") =>
        [.. Directory.GetFiles(Path.Combine(AppContext.BaseDirectory, "Diagnosis", "Cases"), files).Order()
            .SelectMany(f => JsonSerializer.Deserialize<List<Job>>(File.ReadAllText(f), Json)!
                .Select(c => (Path.GetFileNameWithoutExtension(f), c)))];
}
