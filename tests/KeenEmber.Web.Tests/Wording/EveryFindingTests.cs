using System.Reflection;
using System.Text.RegularExpressions;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches;

namespace KeenEmber.Web.Tests.Wording;

/// <summary>Whatever a bench can find has words of its own: no sentence stands for everything else.</summary>
public sealed partial class EveryFindingTests : IDisposable
{
    private readonly TestApp app = new();

    public void Dispose() => app.Dispose();

    [GeneratedRegex("^[a-z]+\\.[a-z-]+$")]
    private static partial Regex CodeOfAFinding();

    /// <summary>Codes that are no findings: numbers for other benches, and trends.</summary>
    private static readonly HashSet<string> NoFindings =
    [
        SensorsBench.BoxErrorK, "damage.water", ControlsBench.CompressorCalled, SensorsJudgement.ErrorTrend,
        DefrostTrends.HeatMin, DefrostTrends.HeatAfterClearMin, DefrostTrends.IcePerRunKg, DefrostTrends.IcePerDayKg,
            DefrostTrends.HeaterCurrentA, ElectricalTrends.Microfarad, ElectricalTrends.CurrentA,
            ElectricalJudgement.UnsafeParts, ElectricalJudgement.RubbedWires,
            ElectricalJudgement.BurntParts, ElectricalTrends.InsulationMegohm,
            ElectricalTrends.DropPercent, ElectricalTrends.HeaterOhm,
            HoldingTrends.RunPercent, HoldingTrends.StartsPerHour, HoldingTrends.MiddleK,
    ];

    /// <summary>Every code written down in the core, and those made of the names of verdicts.</summary>
    public static IReadOnlyList<string> Codes { get; } =
    [
        .. typeof(VisitCase).Assembly.GetTypes()
            .SelectMany(t => t.GetFields(BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Static))
            .Where(f => f.IsLiteral && f.FieldType == typeof(string)).Select(f => (string)f.GetRawConstantValue()!)
            .Where(c => CodeOfAFinding().IsMatch(c)).Concat(FaultsOfSensors).Concat(FaultsOfOutputs).Concat(PartFindings.All)
            .Append(IJudging.CouldNotJudge)
            .Where(c => !NoFindings.Contains(c)).Distinct().Order(StringComparer.Ordinal),
    ];

    private static IEnumerable<string> FaultsOfSensors =>
        Enum.GetValues<SensorVerdict>().Where(v => v is not (SensorVerdict.Unsettled or SensorVerdict.Good)).Select(SensorFindings.Code);

    private static IEnumerable<string> FaultsOfOutputs =>
        ["output.stuck-closed", "output.not-closing", "output.load-dead", "output.wired-past"];

    private static Finding Made(string code) => Finding.Of(code) with
    {
        About = code.StartsWith("sensor.", StringComparison.Ordinal) ? [Subject.Sensor("box"), Subject.Sensor("coil")]
            : code.StartsWith("electrical.", StringComparison.Ordinal) ? [Subject.Component(new(ComponentKind.CondenserFanCapacitor))]
            : code.StartsWith("output.", StringComparison.Ordinal) ? [Subject.Output(ControlOutput.Compressor)]
            : code == PressureControlChecks.OutOfRange ? [Subject.Setting(PressureSetting.LowCutIn)] : [],
        Values = new Dictionary<string, double>
        {
            ["usable"] = 3, ["warmK"] = 9, ["coldK"] = 8, ["leastMin"] = 8, ["measured"] = 5, ["marked"] = 8, ["ohm"] = 0, ["low"] = 2,
                ["middle"] = 3, ["high"] = 9,
            ["mostMin"] = 13, ["offMin"] = -45,
            ["of"] = 9, ["share"] = 0.2, ["offK"] = 2, ["besideOhm"] = 900, ["peakKpa"] = 300, ["riseKpa"] = 90,
                ["SwingK"] = 3, ["PeriodMin"] = 2, ["Swings"] = 5, ["parameter"] = 0, ["value"] = 2, ["against"] = 5,
        },
    };

    [Fact]
    public void Every_code_of_the_core_has_a_headline_of_its_own()
    {
        Assert.True(Codes.Count > 90, $"Only {Codes.Count} codes were found.");
        var texts = app.Get<BenchTexts>();
        Assert.All(
            Codes, code => Assert.DoesNotContain(code, texts.Headline(Made(code), EquipmentKind.WalkInFreezer), StringComparison.Ordinal));
    }

    [Fact]
    public async Task And_a_sentence_with_its_numbers()
    {
        using var isolde = new Technician(app);
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var view = app.Get<VisitViews>().Open(Guid.Parse(visit.Split('/')[^1]))!;
        Assert.All(Codes.Where(c => !c.StartsWith("visit.", StringComparison.Ordinal)), code =>
        {
            var sentence = view.Say(Made(code));
            Assert.DoesNotContain(code, sentence, StringComparison.Ordinal);
            Assert.True(sentence.Length > 12, $"{code}: {sentence}");
        });
    }

    [Fact]
    public void Every_bench_has_its_words_and_every_code_a_bench()
    {
        var texts = app.Get<BenchTexts>();
        Assert.Equal(app.Get<IEnumerable<IBench>>().Select(b => b.Name), texts.All.Select(t => t.Bench));
        var spoken = app.Get<IEnumerable<IBench>>().SelectMany(b => b.Speaks).Append("visit").Append("diagnosis").ToHashSet();
        Assert.All(Codes, code => Assert.Contains(code.Split('.')[0], spoken));
    }
}
