using KeenEmber.Application.Import;

namespace KeenEmber.Web.Pages.Keeping;

/// <summary>What is wrong with a line of the list of a controller's values, in words.</summary>
public static class ControllerMapText
{
    /// <summary>One sentence.</summary>
    public static string Problem(MapProblem problem) => problem.Kind switch
    {
        MapProblemKind.Headings => $"The first line must be {ControllerMap.Headings}.",
        MapProblemKind.TooMany => $"At most {ControllerMap.MostLines} lines.",
        MapProblemKind.NoKey => $"Line {problem.Line}: the key is missing.",
        MapProblemKind.Kind => $"Line {problem.Line}: “{problem.Text}” is no kind. Sensor, output, parameter or alarm.",
        MapProblemKind.What => $"Line {problem.Line}: “{problem.Text}” is not known as what it is.",
        MapProblemKind.Unit => $"Line {problem.Line}: “{problem.Text}” is no unit of it.",
        _ => $"Line {problem.Line}: “{problem.Text}” stands there twice.",
    };
}
