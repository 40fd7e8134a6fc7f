using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>The table as it ships: every line refers to lines that are there, shows itself, and can be told from the others.</summary>
public sealed class TableTests(ITestOutputHelper output)
{
    private static readonly DiagnosisTable Table = DiagnosisTable.Shipped;

    [Fact]
    public void Every_code_is_there_once_and_every_reference_finds_its_line()
    {
        var conditions = Table.Conditions.Select((c, i) => (c.Code, i)).ToDictionary(c => c.Code, c => c.i);
        var observables = Table.Observables.ToDictionary(o => o.Code);
        Assert.Equal(Table.Causes.Count, Table.Causes.Select(c => c.Code).Distinct().Count());
        Assert.All(Table.Causes, c => Assert.All(c.Makes.Concat(c.BroughtOnBy), l => Assert.Contains(l.Code, conditions)));
        Assert.All(Table.Conditions, c => Assert.All(c.From, f => Assert.True(conditions[f.Code] < conditions[c.Code], $"{c.Code}: {f}")));
        foreach (var sign in Table.Conditions.SelectMany(c => c.Shows))
        {
            Assert.True(observables.TryGetValue(sign.Observable, out var observable), sign.Observable);
            if (sign is AnswerSign answer)
                Assert.Contains(answer.Answer, observable.Answers);
            else
                Assert.True(observable.IsNumber, sign.Observable);
        }

        Assert.All(Table.Observables.SelectMany(o => o.Needs), n => Assert.All(n.Answers,
            a => Assert.Contains(a, observables[n.Observable].Answers)));
    }

    [Fact]
    public void Shares_are_shares_and_rules_use_words_that_units_have()
    {
        var links = Table.Causes.SelectMany(c => c.Makes.Concat(c.BroughtOnBy)).Concat(Table.Conditions.SelectMany(c => c.From));
        Assert.All(links, l => Assert.InRange(l.Share, 0.001, 1));
        Assert.All(Table.Conditions.SelectMany(c => c.Shows).OfType<AnswerSign>(), s => Assert.InRange(s.Share, 0.001, 0.99));
        Assert.All(Table.Observables.SelectMany(o => o.Healthy.Values).Where(h => h.Shares.Count > 0),
            h => Assert.Equal(1, h.Shares.Sum(), 1e-9));
        var rules = Table.Causes.Select(c => c.OnlyOn).Concat(Table.Conditions.Select(c => c.OnlyOn))
            .Concat(Table.Observables.Select(o => o.OnlyOn));
        Assert.All(rules.SelectMany(r => r.Text.Split(' ', '/').Where(w => w.Length > 0)),
            w => Assert.Contains(w.TrimStart('!'), UnitWords.Known));
        Assert.All(Table.Causes, c => Assert.InRange(c.SureAt, 0.7, 0.98));
    }

    [Fact]
    public void Causes_that_show_nothing_and_observables_that_nothing_moves_are_few_and_known()
    {
        var shown = Table.Conditions.Where(c => c.Shows.Count > 0).Select(c => c.Code).ToHashSet();
        Assert.Empty(Table.Causes.Where(c => !c.Makes.Any(m => shown.Contains(m.Code))).Select(c => c.Code));
        var moved = Table.Conditions.SelectMany(c => c.Shows).Select(s => s.Observable).ToHashSet();
        var still = Table.Observables.Select(o => o.Code).Where(o => !moved.Contains(o)).ToList();
        output.WriteLine("nothing moves: " + string.Join(", ", still));
        Assert.True(still.Count <= 8, string.Join(", ", still));
    }

    [Fact]
    public void Causes_that_no_test_tells_apart_are_known()
    {
        var alike = Table.Causes.GroupBy(c => string.Join(' ', c.Makes.Select(m => m.Code).Order())).Where(g => g.Count() > 1)
            .Select(g => string.Join(" = ", g.Select(c => c.Code))).ToList();
        output.WriteLine(string.Join("\n", alike));
        Assert.True(alike.Count <= 6, string.Join("; ", alike));
    }
}
