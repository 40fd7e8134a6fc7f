using System.Runtime.InteropServices.JavaScript;
using System.Runtime.Versioning;
using System.Text.Json;
using KeenEmber.Words.Away;

namespace KeenEmber.Phone;

/// <summary>What pages call where there is no signal: text in, text out.</summary>
[SupportedOSPlatform("browser")]
public static partial class Phone
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    private static AwayVisit? visit;

    /// <summary>Nothing starts by itself.</summary>
    public static void Main()
    {
    }

    /// <summary>Takes a visit up.</summary>
    /// <param name="written">As /api/visits/{id}/case gives it.</param>
    /// <param name="begun">ISO 8601, of a visit that was begun on this phone; null for one on record.</param>
    [JSExport]
    public static void Open(string written, string? begun) =>
        visit = new(written, begun is null ? null : DateTimeOffset.Parse(begun, System.Globalization.CultureInfo.InvariantCulture));

    /// <summary>How it stands with the forms that wait, both as JSON.</summary>
    [JSExport]
    public static string Judge(string kept) =>
        JsonSerializer.Serialize(visit!.Judge(JsonSerializer.Deserialize<List<KeptForm>>(kept, Json)!, DateTimeOffset.UtcNow), Json);

    /// <summary>What a line would be taken for, as JSON.</summary>
    [JSExport]
    public static string Understand(string line)
    {
        var (understood, items) = visit!.Understand(line, DateTimeOffset.UtcNow);
        return JsonSerializer.Serialize(new { understood, items }, Json);
    }
}
