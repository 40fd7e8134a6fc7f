using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text.RegularExpressions;
using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests.Running;

/// <summary>What the server asks of the system while it takes entries and photos: no answer leaves before what it acknowledges is on the
/// disk, data and name.</summary>
public sealed partial class DurabilityTests : IDisposable
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private readonly string root = Directory.CreateTempSubdirectory("keen-ember-trace-").FullName;

    public void Dispose() => Directory.Delete(root, recursive: true);

    /// <summary>A call the server made, with the places in the trace where it began and ended.</summary>
    private sealed record Call(string Name, string Arguments, int Began, int Ended)
    {
        /// <summary>The file or folder of the descriptor it was made on.</summary>
        internal string Path => Descriptor().Match(Arguments).Groups[1].Value;
    }

    [GeneratedRegex(@"^\d+<([^>]*)>")]
    private static partial Regex Descriptor();

    [GeneratedRegex("\"([^\"]*)\"")]
    private static partial Regex Quoted();

    [GeneratedRegex(@"^(?<task>\d+)\s+(?:(?<name>\w+)\((?<given>.*?)(?:\)\s+= (?<result>-?\d+).*| <unfinished \.\.\.>)"
        + @"|<\.\.\. (?<name>\w+) resumed>(?<rest>.*)\)\s+= (?<result>-?\d+).*)$")]
    private static partial Regex Line();

    private static List<Call> Read(IEnumerable<string> trace)
    {
        var (calls, begun) = (new List<Call>(), new Dictionary<string, (int At, string Given)>());
        var at = 0;
        foreach (var match in trace.Select(l => Line().Match(l)).Where(m => m.Success))
        {
            at++;
            var (task, name) = (match.Groups["task"].Value, match.Groups["name"].Value);
            if (match.Groups["rest"].Success)
            {
                if (begun.Remove(task, out var before))
                    calls.Add(new(name, before.Given + match.Groups["rest"].Value, before.At, at));
            }
            else if (match.Groups["result"].Success)
                calls.Add(new(name, match.Groups["given"].Value, at, at));
            else
                begun[task] = (at, match.Groups["given"].Value);
        }

        return calls;
    }

    /// <summary>What was written of the record before an answer, and not synced before it.</summary>
    private static IEnumerable<string> Unsynced(List<Call> calls, Call answer, int since)
    {
        var before = calls.Where(c => c.Ended < answer.Began && c.Began > since).ToList();
        bool IsSynced(string path, int written) =>
            before.Exists(c => c.Name is "fsync" or "fdatasync" && c.Path == path && c.Began > written);
        foreach (var file in before.Where(c => c.Name is "pwrite64" or "write" && IsRecord(c.Path)).GroupBy(c => c.Path))
        {
            if (!IsSynced(file.Key, file.Max(c => c.Ended)))
                yield return file.Key;
        }

        foreach (var named in before.Where(c => c.Name.StartsWith("rename", StringComparison.Ordinal)))
        {
            var to = Quoted().Matches(named.Arguments)[^1].Groups[1].Value;
            if (IsRecord(to) && !IsSynced(Path.GetDirectoryName(to)!, named.Ended))
                yield return "the name of " + to;
        }
    }

    private static bool IsRecord(string path) => path.EndsWith("keen-ember.db", StringComparison.Ordinal)
        || path.EndsWith("-wal", StringComparison.Ordinal) || path.Contains("/photos/", StringComparison.Ordinal);

    /// <summary>Without syncing it is seen that something is not: the test can tell.</summary>
    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task No_answer_leaves_before_what_it_acknowledges_is_on_the_disk(bool isSynced)
    {
        using var app = new AppServer(arguments: isSynced ? [] : ["--synchronous", "off"], folder: Path.Combine(root, "data"));
        var entries = new EntryStream(app);
        var visit = await entries.StartVisit();
        var token = await entries.Token(visit + "/record");
        await app.Settle(Cancel);
        var file = Path.Combine(root, "calls");
        using var strace = Trace(app, file);
        for (var number = 1; number <= 6; number++)
            Assert.Equal(HttpStatusCode.Redirect, await entries.Send(visit, token, number));
        using (Process.Start("kill", ["-INT", strace.Id.ToString(CultureInfo.InvariantCulture)]))
            await strace.WaitForExitAsync(Cancel);

        var calls = Read(File.ReadLines(file));
        var answers = calls.Where(c => c.Name.StartsWith("send", StringComparison.Ordinal)
            && c.Arguments.Contains("HTTP/1.1 302", StringComparison.Ordinal)).ToList();
        Assert.Equal(6, answers.Count);
        var since = 0;
        foreach (var answer in answers)
        {
            Assert.Contains(calls, c => c.Began > since && c.Ended < answer.Began && c.Name == "pwrite64"
                && c.Path.EndsWith("-wal", StringComparison.Ordinal));
            Assert.Equal(isSynced, !Unsynced(calls, answer, since).Any());
            since = answer.Ended;
        }

        Assert.Equal(4, calls.Count(c => c.Name.StartsWith("rename", StringComparison.Ordinal)
            && c.Arguments.Contains("/photos/", StringComparison.Ordinal)));
    }

    private static Process Trace(AppServer app, string file)
    {
        Process? strace = null;
        try
        {
            strace = Process.Start(new ProcessStartInfo("strace", ["-f", "-y", "-s", "30", "-o", file, "-e",
                "trace=pwrite64,write,fsync,fdatasync,rename,renameat,renameat2,sendto,sendmsg", "-p",
                app.ProcessId.ToString(CultureInfo.InvariantCulture)]) { RedirectStandardError = true });
        }
        catch (System.ComponentModel.Win32Exception)
        {
            Assert.Skip("There is no strace here.");
        }

        var first = new TaskCompletionSource<string>();
        strace!.ErrorDataReceived += (_, said) => first.TrySetResult(said.Data ?? "");
        strace.BeginErrorReadLine();
        if (!first.Task.Wait(TimeSpan.FromSeconds(20), Cancel) || !first.Task.Result.Contains("attached", StringComparison.Ordinal))
            Assert.Skip("This machine lets no process be traced.");
        return strace;
    }
}
