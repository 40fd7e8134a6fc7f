using KeenEmber.Core.Findings;
using Microsoft.Extensions.Logging;

namespace KeenEmber.Application;

/// <summary>
/// Runs each bench on a thread of its own with a time budget. One that throws or runs over it is logged and named in
/// <see cref="NotJudged"/>;
/// what it would have said is missing, everything else stands.
/// </summary>
/// <param name="left">The client has left: nothing more is judged for it.</param>
public sealed class SafeJudging(ILogger logger, Guid visit, CancellationToken left) : IJudging
{
    /// <summary>What a bench may take before it is given up; a page is to answer within two seconds.</summary>
    public static readonly TimeSpan Budget = TimeSpan.FromMilliseconds(1500);

    /// <summary>A bench that needs another has it worked out on the thread it already has.</summary>
    [ThreadStatic]
    private static bool isOnItsOwnThread;

    private readonly HashSet<string> notJudged = [];

    /// <inheritdoc/>
    public IReadOnlyCollection<string> NotJudged => notJudged;

    /// <inheritdoc/>
    public T Of<T>(string bench, Func<T> judge, T otherwise)
    {
        left.ThrowIfCancellationRequested();
        if (notJudged.Contains(bench))
            return otherwise;
        try
        {
            return isOnItsOwnThread ? judge() : OnItsOwnThread(judge);
        }
        catch (Exception e) when (e is not OperationCanceledException || !left.IsCancellationRequested)
        {
            notJudged.Add(bench);
            logger.LogError(e, "Visit {Visit}: {Bench} could not be judged.", visit, bench);
            return otherwise;
        }
    }

    /// <summary>Everything on one thread, which takes less than one for each bench.</summary>
    /// <returns>Null where it ran over the budget of a single bench: which one it was is not known then.</returns>
    public static T? AllAtOnce<T>(Func<T> judge) where T : class
    {
        try
        {
            return OnItsOwnThread(judge);
        }
        catch (TimeoutException)
        {
            return null;
        }
    }

    private static T OnItsOwnThread<T>(Func<T> judge)
    {
        var judging = Task.Run(() =>
        {
            isOnItsOwnThread = true;
            try
            {
                return judge();
            }
            finally
            {
                isOnItsOwnThread = false;
            }
        });
        return judging.Wait(Budget) ? judging.GetAwaiter().GetResult()
            : throw new TimeoutException($"It ran over its budget of {Budget.TotalSeconds} s.");
    }
}
