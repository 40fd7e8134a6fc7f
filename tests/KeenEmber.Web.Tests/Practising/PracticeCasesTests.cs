using System.Net;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Practice;
using KeenEmber.Storage;

namespace KeenEmber.Web.Tests.Practising;

/// <summary>Every eighth case of the library, every one by KEEN_EMBER_CASES=all, worked by script through the commands of its pages: what
/// the app asks is looked at, what it is sure of is repaired, until it is over.</summary>
public sealed class PracticeCasesTests(ITestOutputHelper output) : IDisposable
{
    private const int MostLooks = 45, MostRepairs = 4;

    private static readonly int Every = Environment.GetEnvironmentVariable("KEEN_EMBER_CASES") == "all" ? 1 : 8;

    private static readonly Diagnoser Engine = new(DiagnosisTable.Shipped);

    private readonly TestApp app = new();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Nine_of_ten_are_found_and_mended_by_who_does_what_the_app_asks()
    {
        using var technician = new Technician(app);
        var store = app.Get<PracticeStore>();
        var (mended, cases) = (0, PracticeCase.All.Where((_, i) => i % Every == 0).ToList());
        foreach (var practised in cases)
        {
            var visit = Guid.CreateVersion7(app.Clock.Now);
            await Post(technician, "/practise", "Start", ("visitId", $"{visit}"), ("code", practised.Code));
            var address = $"/visits/{visit}/practice";
            Task Act(string handler, params (string, string)[] fields) =>
                Post(technician, address, handler, [("entryId", $"{Guid.CreateVersion7(app.Clock.Now)}"), .. fields]);
            for (var (looks, repairs) = (0, 0); looks < MostLooks && repairs < MostRepairs; looks++)
            {
                var run = store.Find(visit)!;
                var told = Said(run);
                if (!told.IsSure && told.Next is [{ Beside: null, Observable.Code: var asked }, ..]
                    && run.Looks.All(l => l.Code != asked || repairs > 0))
                {
                    await Act("Look", ("code", asked), ("isSafe", "true"));
                    continue;
                }

                var roots = told.Explanations[0].Causes.Where(c => !run.Repaired.Contains(c.Cause.Code)).ToList();
                if (roots.Count == 0)
                    break;
                foreach (var cause in roots)
                    await Act("Repair", ("cause", cause.Cause.Code));
                repairs++;
            }

            await Act("End");
            var ended = store.Find(visit)!;
            Assert.True(ended.IsOver, practised.Code);
            var isFound = practised.Job.Truth.Any() ? practised.Job.Root.Any(ended.Repaired.Contains) : ended.Repaired.Count == 0;
            mended += isFound ? 1 : 0;
            if (!isFound)
                output.WriteLine($"{practised.Code}: repaired {string.Join(' ', ended.Repaired)}; looked at "
                    + string.Join(' ', ended.Looks.Select(l => $"{l.Code}={l.Answer}{l.Number}")));
        }

        output.WriteLine($"{mended} of {cases.Count}");
        Assert.InRange(mended / (double)cases.Count, 0.9, 1);
    }

    private static DiagnosisResult Said(PracticeRun run)
    {
        var unit = run.Case.Job.Unit;
        return Engine.Diagnose(new(unit.MakeUp, unit.Target, unit.Fans, run.Known)
        {
            At = run.At, CannotNow = run.Acts.Where(a => a.Blocked.Length > 0).Select(a => a.Code).ToHashSet(),
            History = [.. (run.Case.Job.History ?? []).Select(h => new EarlierWork(h.DaysAgo, h.Parts, h.Replaced ?? []))],
        });
    }

    private static async Task Post(Technician technician, string address, string handler, params (string, string)[] fields)
    {
        using var answer = await technician.Send(address, $"handler={handler}", fields);
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
    }
}
