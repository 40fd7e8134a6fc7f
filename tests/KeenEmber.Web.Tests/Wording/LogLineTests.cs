using System.Globalization;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using KeenEmber.Words.Benches.Controls;

namespace KeenEmber.Web.Tests.Wording;

/// <summary>What technicians type into the log line, and what must become of it: each line of the file is a phrase, a tab, and what is
/// meant, with a question mark for what must be asked about.</summary>
public sealed class LogLineTests(ITestOutputHelper output)
{
    private const double LeastRight = 0.97;
    private static readonly Company Company = new("", UnitPreference.Metric, new Dictionary<string, Core.Plant.PointRef>());

    private static IReadOnlyList<QuickItem> Read(string line) =>
        new QuickEntry(QuickVocabulary.For(Company, [new CircuitBenchText().LogWords, new ControlsBenchText().LogWords]),
            Company.Units, 2, ["coil", "box"]).Read(line);

    private static string Typed(TypedValue? value) =>
        value is null ? "" : string.Create(CultureInfo.InvariantCulture, $"{value.Number} {value.Unit.Symbol}");

    private static string Written(QuickItem item) =>
        Said(item) + (item is { Time: { } time } and not QuickUnclear
            ? time.ToString("'@'HH:mm", CultureInfo.InvariantCulture) : "");

    private static string Said(QuickItem item) => item switch
    {
        QuickReading r => string.Create(CultureInfo.InvariantCulture, $"{r.Point}={r.Value.Number} {r.Value.Unit.Symbol}"),
        QuickObservation o => $"{o.Fact}{o.Index}={o.State}"
            + (o.RunTime is { } t ? string.Create(CultureInfo.InvariantCulture, $"@{t.TotalMinutes}") : ""),
        QuickRefrigerant r => string.Create(CultureInfo.InvariantCulture, $"Refrigerant={r.MassKg:F3}"),
        QuickVacuum v => string.Create(CultureInfo.InvariantCulture, $"Vacuum={v.Pressure.Number} {v.Pressure.Unit.Symbol}"),
        QuickNote n => $"Note={n.Note}",
        QuickLoadTest t => string.Create(CultureInfo.InvariantCulture,
            $"{t.Component.Id} {t.Test}={string.Join('/', t.Readings.Select(r => $"{r.Between}{(r.Between.Length > 0 ? ":"
                : "")}{r.Value.Number.ToString(CultureInfo.InvariantCulture)}"))}{(t.Marked is { } m ? $" of {m.Number}" : "")}"),
        QuickDamage d => $"Damage={d.Component.Id} {d.State} {d.Place}",
        QuickMended m => $"Mended={m.Component.Id} {m.Named}: {m.How}",
        QuickEarlierPart p => $"Earlier={p.Component.Id}@{p.DaysAgo}",
        QuickPart p => $"Part={p.Component.Id}",
        QuickJob j => $"Job={j.Job}",
        QuickSensor s => string.Create(CultureInfo.InvariantCulture,
            $"Sensor {s.Sensor}={s.Signal.Si(default):F0}@{s.Reference.Temperature.Celsius:F1}"),
        QuickSetting s => $"Set {s.Setting.Parameter?.ToString() ?? s.Setting.Pressure?.ToString()}="
            + $"{Typed(s.Found)}>{Typed(s.Set)}",
        QuickOutput o => $"Output {o.Output}={o.State.IsCalled}/{o.State.IsLive?.ToString() ?? "-"}/{o.State.Runs?.ToString() ?? "-"}",
        QuickHeat h => $"Heat={h.IsOn}",
        _ => "?",
    };

    private static IEnumerable<(string Line, string Meant)> Corpus() =>
        File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Wording", "log-lines.tsv")).Select(l => l.Split('\t'))
            .Select(l => (l[0], l[1]));

    [Fact]
    public void What_is_typed_is_understood_and_nothing_is_taken_for_something_else()
    {
        var (right, wrong, all) = (0, new List<string>(), 0);
        foreach (var (line, meant) in Corpus())
        {
            var said = string.Join('|', Read(line).Select(Written));
            all++;
            if (said == meant)
                right++;
            else
                output.WriteLine($"“{line}”: {meant} was meant, {said} understood");
            if (said.Split('|').Any(part => part != "?" && !meant.Split('|').Contains(part)))
                wrong.Add(line);
        }

        output.WriteLine($"{right} of {all} right, {wrong.Count} taken for something else");
        Assert.True(all >= 500);
        Assert.Empty(wrong);
        Assert.InRange(right / (double)all, LeastRight, 1);
    }

    /// <summary>A test that was asked for is answered as it is called; where a word of the name might be another's, or the answer is none
    /// of its own, nothing is taken for it.</summary>
    [Theory]
    [InlineData("relay coil live", "relay-coil=live")]
    [InlineData("24 V at the relay coil", "relay-coil=live")]
    [InlineData("no volts at the defrost relay coil", "relay-coil=dead")]
    [InlineData("0 V at the relay coil", "relay-coil=dead")]
    [InlineData("defrost relay contact stays open", "defrost-relay=not-changing")]
    [InlineData("neighbours okay", "neighbours=usual")]
    [InlineData("end probe reads 11 K high", "end-probe.error=11")]
    [InlineData("defrost probe shows 11 K more than the coil", "end-probe.error=11")]
    [InlineData("suction sensor 10 K low", "suction-probe.error=-10")]
    [InlineData("suction probe shows 10 K less than its line", "suction-probe.error=-10")]
    [InlineData("box sensor 3.5 K too warm", "box-probe.error=3.5")]
    [InlineData("sensors swapped", "probe-warmed=other")]
    [InlineData("oil probe 3 K low", "?")]
    [InlineData("relay coil not live", "?")]
    [InlineData("coil live", "?")]
    [InlineData("relay coil 24", "?")]
    [InlineData("relay live", "?")]
    [InlineData("live", "?")]
    public void A_test_is_answered_by_its_name(string line, string meant) => Assert.Equal(
        meant, string.Join('|', Read(line).Select(i => i is QuickAnswer a
            ? string.Create(CultureInfo.InvariantCulture, $"{a.Observable}={a.Answer}{a.Number}") : Written(i))));

    /// <summary>Whatever the name and the answer of a test make a line of, it is that answer or nothing.</summary>
    [Fact]
    public void No_test_is_taken_for_another()
    {
        var asked = DiagnosisTable.Shipped.Observables.Where(o => !o.IsNumber && o.Place != "customer")
            .SelectMany(o => o.Answers, (o, a) => (o.Code, Answer: a, Line: $"{o.Name} {a.Replace('-', ' ')}")).ToList();
        var understood = asked.Select(t => (t, Said: Read(t.Line))).Where(x => x.Said is [QuickAnswer]).ToList();
        output.WriteLine($"{understood.Count} of {asked.Count}");
        Assert.True(understood.Count > asked.Count / 2);
        Assert.Empty(understood.Where(x => x.Said[0] is QuickAnswer a && (a.Observable, a.Answer) != (x.t.Code, x.t.Answer))
            .Select(x => x.t.Line));
    }

    [Theory]
    [InlineData("suc 1.2 wobble box -18", "suc 1.2 wobble box -18")]
    [InlineData("box -18, oil amps 2.3", "oil amps 2.3")]
    [InlineData("suc 1.4 box -18 mumble", "box -18 mumble")]
    public void A_word_that_is_not_known_makes_what_stands_beside_it_unclear(string line, string unclear) =>
        Assert.Equal(unclear, Assert.Single(Read(line).OfType<QuickUnclear>()).Text);
}
