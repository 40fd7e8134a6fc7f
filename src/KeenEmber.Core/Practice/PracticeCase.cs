using System.Text.Json;
using System.Text.Json.Serialization;

namespace KeenEmber.Core.Practice;

/// <summary>A job to practise on.</summary>
/// <param name="Code">Stable name.</param>
/// <param name="Level">1: one plain fault; 2: it hides, or looks like another; 3: several, or a history that misleads.</param>
/// <param name="Place">Where the unit stands.</param>
/// <param name="Said">What the customer says.</param>
/// <param name="Told">What else somebody tells, who may be wrong; empty for nothing.</param>
/// <param name="Job">The unit and its truth.</param>
public sealed record PracticeCase(string Code, int Level, string Place, string Said, string Told, Job Job)
{
    /// <summary>The hardest.</summary>
    public const int Levels = 3;

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
    };

    /// <summary>Cases of the hall and its neighbours, the plain ones first.</summary>
    public static IReadOnlyList<PracticeCase> All { get; } = Read();

    private static List<PracticeCase> Read()
    {
        using var file = typeof(PracticeCase).Assembly.GetManifestResourceStream("KeenEmber.Core.Practice.Cases.json")!;
        return [.. JsonSerializer.Deserialize<List<PracticeCase>>(file, Json)!.OrderBy(c => c.Level)];
    }

    /// <summary>As text, to be kept as it was begun: the model that made a random one may change.</summary>
    public string Write() => JsonSerializer.Serialize(this, Json);

    /// <summary>What <see cref="Write"/> wrote.</summary>
    public static PracticeCase Read(string text) => JsonSerializer.Deserialize<PracticeCase>(text, Json)!;

    /// <summary>One of the library by its code, or a random one by its own; null where there is none.</summary>
    public static PracticeCase? Find(string? code) => All.FirstOrDefault(c => c.Code == code) ?? RandomCases.Find(code);
}
