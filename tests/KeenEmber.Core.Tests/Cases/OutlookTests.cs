using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Plant.MeasuringPoint;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Cases;

/// <summary>How a visit stands and what is asked for next, in one way: danger, then what explains it, then what a bench found.</summary>
public sealed class OutlookTests
{
    private static DiagnosisFactEntry Told(int minute, string observable, string answer) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), observable, answer);

    private static SignOffEntry Signed(int minute, string cause) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), cause, "", "", null);

    private static PartEntry Replaced(int minute, ComponentKind kind) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), "", "", "", "", "", false, WorkArea.StartParts,
            new(kind));

    private static readonly Entry[] SilentCompressor =
    [
        Read(1, BoxAir, -8, Unit.Celsius), Seen(2, AsFound.Compressor, FactState.Stopped), Seen(2, AsFound.CondenserFan, FactState.Running),
        Seen(3, AsFound.EvaporatorFan, FactState.Running), Told(4, "contactor", "pulled-in"), Told(5, "overload", "closed"),
        Told(6, "windings", "sound"), Told(7, "comp-terminals", "sound"),
    ];

    [Fact]
    public void What_explains_it_leads_and_is_repaired_once_it_is_sure()
    {
        var visit = Worked.Of([.. SilentCompressor, Told(8, "start-relay", "open")]);
        Assert.Equal((CaseDiagnosis.Explained, "start-relay-open"), (visit.Stands.Code, visit.Stands.Detail));
        // Start parts rarely fail by themselves: what broke it is looked for first, a few quick looks long.
        var asked = new List<Entry>();
        while (visit.Next is DiagnosisTask { Test: { ReasonOf.Code: "start-relay-open", Observable: var why } } && asked.Count < 10)
        {
            Assert.NotEqual("customer", why.Place);
            var usual = why.Healthy[OperatingMode.Calling].Shares;
            asked.Add(Told(9 + asked.Count, why.Code, why.Answers[usual.ToList().IndexOf(usual.Max())]));
            visit = Worked.Of([.. SilentCompressor, Told(8, "start-relay", "open"), .. asked]);
        }

        Assert.True(asked.Count is >= 1 and <= 8, string.Join(' ', asked.OfType<DiagnosisFactEntry>().Select(a => a.Observable)));
        Assert.Equal("start-relay-open", Assert.IsType<RepairTask>(visit.Next).Cause.Code);
        Assert.InRange(visit.Stands.Values[CaseDiagnosis.ProbabilityValue], 0.88, 1);
        Assert.Contains(Policy.StartParts, visit.Policies);
        Assert.DoesNotContain(Policy.StartParts, Worked.Of(SilentCompressor).Policies);
    }

    [Fact]
    public void A_condenser_to_be_cleaned_asks_for_no_capacitor_and_takes_short_looks_along()
    {
        var visit = Worked.Of(Read(1, BoxAir, -13, Unit.Celsius), Seen(2, AsFound.Compressor, FactState.Running),
            Seen(2, AsFound.CondenserFan, FactState.Running), Seen(3, AsFound.CondenserFace, FactState.Blocked),
            Told(4, "condenser-air", "weak"), Told(5, "head", "high"), Told(6, "insulation", "missing"));
        var repair = Assert.IsType<RepairTask>(visit.Next);
        Assert.Equal("condenser-dirty", repair.Cause.Code);
        Assert.NotEmpty(repair.Beside);
        Assert.DoesNotContain(Policy.MotorCapacitor, visit.Policies);
        Assert.Equal("insulation-missing", visit.Diagnosis!.Separate.Single().Code);
    }

    /// <summary>The visit before saw an iced coil and a clock that stood, and left it.</summary>
    [Theory]
    [InlineData(null, null, true)]
    [InlineData("", null, true)]
    [InlineData("defrost clock stopped", null, false)]
    [InlineData(null, ComponentKind.DefrostClock, false)]
    public void What_the_last_visit_suspected_and_left_weighs_on_the_next(string? signedOff, ComponentKind? replaced, bool isLeft)
    {
        Entry[] before =
        [
            Told(-2000, "coil", "iced"), Told(-1999, "clock", "stopped"), Told(-1998, "defrosts", "none"),
            .. replaced is { } part ? [Replaced(-1990, part)] : Array.Empty<Entry>(),
            .. signedOff is { } cause ? [Signed(-1980, cause)] : Array.Empty<Entry>(),
        ];
        double Clock(IReadOnlyList<Entry> earlier) => Worked.Of(Freezer, Worked.Benches,
            [(Worked.Visit(Freezer), [Told(1, "coil", "iced")]), (Worked.Visit(Freezer, 2), earlier)])
            .Diagnosis!.Result.Causes.FirstOrDefault(c => c.Cause.Code == "clock-stopped")?.Probability ?? 0;
        Assert.Equal(isLeft, Clock(before) > 1.5 * Clock([]));
    }

    [Fact]
    public void A_repair_ends_what_explained_it_and_asks_for_its_proof()
    {
        var repaired = Worked.Of([.. SilentCompressor, Told(8, "start-relay", "open"), Replaced(20, ComponentKind.StartRelay)]);
        Assert.Equal(CircuitJudgement.MeasureAgain, repaired.Stands.Code);
        Assert.IsType<ProveTask>(repaired.Next);
        Assert.Equal("start-relay-open", repaired.DiagnosisAsFound!.Roots.Single().Code);
        var runs = Worked.Of([.. SilentCompressor, Told(8, "start-relay", "open"), Replaced(20, ComponentKind.StartRelay),
            Seen(25, AsFound.Compressor, FactState.Running), Read(40, BoxAir, -19.5, Unit.Celsius)]);
        Assert.True(runs.Diagnosis!.IsHealthy);
        Assert.DoesNotContain("start-relay", runs.Stands.Detail, StringComparison.Ordinal);
    }

    [Fact]
    public void The_wrong_part_replaced_leaves_the_cause_where_it_was()
    {
        Entry[] still = [Seen(25, AsFound.Compressor, FactState.Stopped), Seen(25, AsFound.CondenserFan, FactState.Running),
            Read(26, BoxAir, -7, Unit.Celsius)];
        double Relay(ComponentKind replaced) => Worked.Of([.. SilentCompressor, Told(8, "start-relay", "open"), Replaced(20, replaced),
            .. still])
            .Diagnosis!.Result.Causes.FirstOrDefault(c => c.Cause.Code == "start-relay-open")?.Probability ?? 0;
        Assert.True(Relay(ComponentKind.RunCapacitor) > 0.5, $"{Relay(ComponentKind.RunCapacitor)}");
        Assert.True(Relay(ComponentKind.StartRelay) < 0.3, $"{Relay(ComponentKind.StartRelay)}");
    }

    [Fact]
    public void A_consequence_replaced_without_its_cause_is_said()
    {
        Entry[] found = [Read(1, BoxAir, -8, Unit.Celsius), Seen(2, AsFound.EvaporatorFan, FactState.Running),
            Seen(2, AsFound.Compressor, FactState.Stopped), Seen(2, AsFound.CondenserFan, FactState.Running),
                Told(3, "contactor", "pulled-in"),
            Told(4, "start-relay", "open"), Told(5, "starts", "many"), Told(6, "caps", "loose"), Told(7, "leak-found", "found"),
            Told(8, "lp-control", "chatters"), Told(9, "oil", "found"), Told(10, "overload", "closed")];
        var before = Worked.Of(found);
        Assert.Equal("cap-loose", Assert.Single(before.Diagnosis!.Roots).Code);
        Assert.Equal("start-relay-open", Assert.Single(before.Diagnosis.Consequences).Cause.Code);
        Assert.Empty(before.LeftToBreakAgain);
        Assert.Equal("start-relay-open", Assert.Single(Worked.Of([.. found,
            Replaced(20, ComponentKind.StartRelay)]).LeftToBreakAgain).Cause.Code);
        var both = Worked.Of([.. found, Replaced(20, ComponentKind.StartRelay), new PartEntry(new(Guid.CreateVersion7(), VisitId,
            Nine.AddMinutes(21), Nine, "Isolde"), "service cap", "", "", "", "", false, WorkArea.Circuit)]);
        Assert.Empty(both.LeftToBreakAgain);
    }

    [Fact]
    public void Danger_stands_before_what_explains_it_and_the_test_that_is_safe_beside_it()
    {
        var visit = Worked.Of(Seen(1, AsFound.Supply, FactState.Tripped), Seen(2, AsFound.Defrost, FactState.Defrosting));
        Assert.Equal("danger.tripped", visit.Stands.Code);
        Assert.Equal(TaskOrder.Danger, visit.Next!.Order);
        Assert.Contains(Assert.IsType<DiagnosisTask>(visit.PastDanger).Test.Observable.Code, new[] { "smell", "wiring", "heaters-earth" });
        var grounded = Worked.Of(Told(1, "heaters-earth", "grounded"));
        Assert.Equal("danger.grounded", grounded.Stands.Code);
        Assert.Equal("danger.tripped", Worked.Of(Told(1, "supply", "fuse-blown")).Stands.Code);
        Assert.NotEqual("danger.grounded", Worked.Of(Told(1, "heaters-earth", "grounded"), Told(5, "heaters-earth", "clear")).Stands.Code);
    }

    [Fact]
    public void An_answer_given_later_holds_whichever_form_it_came_by()
    {
        string Compressor(params Entry[] entries) => VisitFacts.Of(Worked.Of(entries)).Single(f => f.Code == "compressor").Answer;
        Assert.Equal("running", Compressor(Told(1, "compressor", "hums"), Seen(9, AsFound.Compressor, FactState.Running)));
        Assert.Equal("hums", Compressor(Seen(1, AsFound.Compressor, FactState.Running), Told(9, "compressor", "hums")));
    }
}
