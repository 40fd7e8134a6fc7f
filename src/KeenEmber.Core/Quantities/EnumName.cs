namespace KeenEmber.Core.Quantities;

/// <summary>Members of enumerations by their names. The framework's own reader takes numbers and lists too, which nobody who fills in a
/// form means.</summary>
public static class EnumName
{
    /// <param name="text">A name in upper or lower case.</param>
    /// <returns>Null when it is not the name of one member.</returns>
    public static T? Find<T>(string? text)
        where T : struct, Enum =>
            text is { Length: > 0 } name && char.IsLetter(name[0]) && !name.Contains(',', StringComparison.Ordinal)
            && Enum.TryParse<T>(name, ignoreCase: true, out var member) ? member : null;
}
