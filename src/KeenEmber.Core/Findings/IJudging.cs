namespace KeenEmber.Core.Findings;

/// <summary>How what a bench works out is run, so that a bench that fails or runs on costs only its own verdict.</summary>
public interface IJudging
{
    /// <param name="bench">Its name, for saying what could not be judged.</param>
    /// <param name="otherwise">What stands in its place then.</param>
    T Of<T>(string bench, Func<T> judge, T otherwise);
}

/// <summary>Runs a bench and lets its failure through: where failing is to be seen.</summary>
public sealed class PlainJudging : IJudging
{
    /// <summary>It has no state, so one serves all.</summary>
    public static readonly PlainJudging Instance = new();

    /// <inheritdoc/>
    public T Of<T>(string bench, Func<T> judge, T otherwise) => judge();
}
