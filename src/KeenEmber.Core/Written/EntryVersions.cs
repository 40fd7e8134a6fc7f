using System.Text.Json.Nodes;

namespace KeenEmber.Core.Written;

/// <summary>Versions of the bodies of entries. A body stays as it was written; when it is read, one step after another brings it up to
/// today's shape.</summary>
public static class EntryVersions
{
    private const int First = 1;

    /// <summary>The step that leads on from a version of a kind. A kind without steps is at its first version.</summary>
    private static readonly Dictionary<(string Kind, int From), Func<JsonObject, JsonObject>> Steps = [];

    /// <summary>The version that bodies of a kind are written in today.</summary>
    public static int Of(string kind) => First + Steps.Keys.Count(s => s.Kind == kind);

    /// <summary>A body in today's shape; null for a version that this program does not know yet.</summary>
    public static string? BroughtUp(string kind, int version, string body)
    {
        var newest = Of(kind);
        if (version == newest)
            return body;
        if (version < First || version > newest || JsonNode.Parse(body) is not JsonObject read)
            return null;
        for (; version < newest; version++)
            read = Steps[(kind, version)](read);
        return read.ToJsonString();
    }
}
