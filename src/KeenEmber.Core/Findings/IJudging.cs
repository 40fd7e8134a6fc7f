namespace KeenEmber.Core.Findings;

/// <summary>How what a bench works out is run, so that a bench that fails or runs on costs only its own verdict.</summary>
public interface IJudging
{
    /// <param name="bench">Its name, for saying what could not be judged.</param>
    /// <param name="otherwise">What stands in its place then.</param>
    T Of<T>(string bench, Func<T> judge, T otherwise);

    /// <summary>Benches that have no verdict, by name.</summary>
    IReadOnlyCollection<string> NotJudged { get; }

    /// <summary>Code of the finding that a bench could not judge.</summary>
    public const string CouldNotJudge = "visit.could-not-judge";

    /// <summary>How a visit stands of which some benches have no verdict; their names are its detail, separated by commas.</summary>
    public static Finding Finding(IEnumerable<string> benches) =>
        Findings.Finding.Of(CouldNotJudge) with { Detail = string.Join(", ", benches.Order(StringComparer.Ordinal)) };
}

/// <summary>Runs a bench and lets its failure through: where failing is to be seen.</summary>
public sealed class PlainJudging : IJudging
{
    /// <summary>It has no state, so one serves all.</summary>
    public static readonly PlainJudging Instance = new();

    /// <inheritdoc/>
    public T Of<T>(string bench, Func<T> judge, T otherwise) => judge();

    /// <inheritdoc/>
    public IReadOnlyCollection<string> NotJudged => [];
}
