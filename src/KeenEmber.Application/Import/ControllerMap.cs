using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Application.Import;

/// <summary>What can be wrong with a line of the list.</summary>
public enum MapProblemKind
{
    /// <summary>The first line is not the headings.</summary>
    Headings,

    /// <summary>More lines than anybody keeps by hand.</summary>
    TooMany,

    /// <summary>No key.</summary>
    NoKey,

    /// <summary>Neither sensor, output, parameter nor alarm.</summary>
    Kind,

    /// <summary>No output or parameter of that name, or no name.</summary>
    What,

    /// <summary>No unit of what it measures.</summary>
    Unit,

    /// <summary>The same controller and key stand on two lines.</summary>
    Twice,
}

/// <param name="Line">From 1, the headings; 0 for the whole.</param>
/// <param name="Text">As it stands.</param>
public sealed record MapProblem(MapProblemKind Kind, int Line, string Text);

/// <summary>The company's list of what values on a controller's wire mean, as CSV: controller, key, kind, what, unit.</summary>
public static class ControllerMap
{
    /// <summary>Its first line.</summary>
    public const string Headings = "controller,key,kind,what,unit";

    /// <summary>Lines at the most.</summary>
    public const int MostLines = 1000;

    /// <returns>Every line that is right, and what is wrong with the others.</returns>
    public static (IReadOnlyList<WireMeaning> Lines, IReadOnlyList<MapProblem> Problems) Read(string text)
    {
        var (lines, problems) = (new List<WireMeaning>(), new List<MapProblem>());
        if (string.IsNullOrWhiteSpace(text))
            return (lines, problems);
        using var csv = Table.Open(text.Trim());
        for (var number = 1; Table.Next(csv); number++)
        {
            var cells = Table.Row(csv);
            string Cell(int i) => i < cells.Length ? cells[i] : "";
            if (number == 1 && !string.Join(',', cells).Equals(Headings, StringComparison.OrdinalIgnoreCase))
                return (lines, [new(MapProblemKind.Headings, 1, string.Join(',', cells))]);
            if (number > MostLines)
                return (lines, [.. problems, new(MapProblemKind.TooMany, 0, "")]);
            if (number == 1 || cells.All(c => c.Length == 0))
                continue;
            var (meaning, problem) = Line(number, Cell(0), Cell(1), Cell(2), Cell(3), Cell(4));
            if (meaning is not null && lines.Exists(l => (l.Controller, l.Key) == (meaning.Controller, meaning.Key)))
                problem = new(MapProblemKind.Twice, number, meaning.Key);
            if (problem is not null)
                problems.Add(problem);
            else
                lines.Add(meaning!);
        }

        return (lines, problems);
    }

    private static (WireMeaning? Meaning, MapProblem? Problem) Line(
        int number, string controller, string key, string kindText, string what, string unitText)
    {
        (WireMeaning?, MapProblem?) Wrong(MapProblemKind kind, string text) => (null, new(kind, number, text));
        if (key.Length == 0)
            return Wrong(MapProblemKind.NoKey, "");
        if (Find<WireKind>(kindText) is not { } kind)
            return Wrong(MapProblemKind.Kind, kindText);
        var of = controller.Length == 0 ? WireMeaning.Any : controller;
        switch (kind)
        {
            case WireKind.Parameter:
                if (Find<ControllerParameter>(what) is not { } parameter)
                    return Wrong(MapProblemKind.What, what);
                return Unit.Find(unitText, parameter.Measures()) is { } unit && unit.Kind == parameter.Measures()
                    ? (new(of, key, kind, parameter.ToString(), unit), null) : Wrong(MapProblemKind.Unit, unitText);
            case WireKind.Output:
                return Find<ControlOutput>(what) is { } output ? (new(of, key, kind, output.ToString(), null), null)
                    : Wrong(MapProblemKind.What, what);
            case WireKind.Sensor when Unit.Find(unitText, QuantityKind.Temperature) is not { Kind: QuantityKind.Temperature }:
                return Wrong(MapProblemKind.Unit, unitText);
            default:
                return what.Length == 0 ? Wrong(MapProblemKind.What, what) : (new(of, key, kind, what,
                    kind == WireKind.Sensor ? Unit.Find(unitText, QuantityKind.Temperature) : null), null);
        }
    }

    /// <summary>A member by its name, however it is spaced: "set point".</summary>
    private static T? Find<T>(string text)
        where T : struct, Enum =>
        Enum.TryParse<T>(text.Replace(" ", "", StringComparison.Ordinal), ignoreCase: true, out var found) && Enum.IsDefined(found)
            && !text.Any(char.IsAsciiDigit) ? found : null;
}
