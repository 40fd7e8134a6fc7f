using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Diagnosis.Weighing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>The engine against trying everything, against the clock, and against danger.</summary>
public sealed class EngineTests(ITestOutputHelper output)
{
    private static readonly CircuitMakeUp WalkIn = new(EquipmentKind.WalkInFreezer, Metering.ThermostaticValve,
        CondenserKind.AirCooledRemote, CircuitParts.Receiver | CircuitParts.LiquidSolenoid);

    private static readonly Diagnoser Engine = new(DiagnosisTable.Shipped);

    private static DiagnosisInput Input(params Fact[] facts) => new(WalkIn, Temperature.FromCelsius(-20), 2, facts);

    private static DiagnosisInput Input(string facts) => Input([.. facts.Split(' ').Select(f => f.Split('='))
        .Select(f => double.TryParse(f[1], out var number) ? new Fact(f[0], "", number) : new Fact(f[0], f[1]))]);

    /// <summary>Ten causes with chains, shared signs and a consequence.</summary>
    private static readonly DiagnosisTable Small = new(
    [
        "leak | leak | circuit | | 20 | low:90 | | | 85 | T",
        "valve | valve starves | valve | | 10 | starved:95 | | | 85 | T",
        "fan | fan dead | fan | | 60 | stands:95 | locked:30 | | 85 | T",
        "drain | drain blocked | drain | | 12 | melt:95 | | | 85 | T",
        "clock | clock stopped | clock | | 8 | ice:80 | | | 85 | T",
        "dirty | condenser dirty | condenser | | 30 | hot:95 | | | 85 | T",
        "relay | relay burnt | relay | | 6 | silent:95 | short:30 | | 85 | T",
        "probe | probe drifted | probe | | 8 | reads=off:95, ice:30 | | | 85 | T",
        "door | door open | door | | 25 | ice:35, warm:30 | | | 85 | T",
        "set | set wrong | setting | | 10 | warm:80 | | | 85 | T",
    ],
    [
        "low | low charge | | 1 | | bubbles=yes:85, superheat+9~3",
        "starved | starved | | 1 | | superheat+11~4, ball=yes:60",
        "short | short cycling | | 1 | low:50 | starts=many:85",
        "melt | melt water stays | | 1 | | water=yes:80",
        "ice | iced | | 2 | melt:50 | coil=iced:92",
        "locked | fans locked in ice | | 0 | ice:30 | stiff=yes:85",
        "stands | a fan stands | | 1 | | fans=one:90",
        "hot | condenser hot | | 2 | | line=hot:80",
        "silent | compressor silent | | 1 | | runs=no:95",
        "warm | box warm | | 5 | low:80, starved:80, silent:97, ice:60, stands:30, hot:30 | complaint=yes:88, box+7~4",
    ],
    [
        "bubbles | bubbles | | no:95 yes:5 | unit | 1 | eye | seen | |", "ball | ice ball | | no:97 yes:3 | coil | 1 | eye | seen | |",
        "superheat | superheat | | K 5~1.5 | coil | 5 | gauges | measured | |",
            "starts | starts | | few:96 many:4 | unit | 5 | eye | seen | |",
        "water | water | | no:97 yes:3 | box | 1 | eye | seen | |", "coil | coil | | clear:98 iced:2 | coil | 1 | eye | seen | |",
        "stiff | fan stiff | | no:98 yes:2 | coil | 3 | hand | seen | |", "fans | fans | | all:97 one:3 | coil | 1 | eye | seen | |",
        "line | liquid line | | warm:94 hot:6 | unit | 1 | hand | seen | |",
            "runs | compressor runs | | yes:97 no:3 | unit | 1 | eye | seen | |",
        "reads | sensor | | right:97 off:3 | control | 5 | meter | measured | |",
            "complaint | warm | | no:94 yes:6 | customer | 1 | ask | told | |",
        "box | box | | K 1~1.3 | box | 1 | thermometer | measured | |",
    ]);

    [Theory]
    [InlineData("complaint=yes box=8 coil=iced water=yes stiff=yes fans=one")]
    [InlineData("complaint=yes superheat=15 bubbles=yes starts=many runs=no")]
    [InlineData("box=6 line=hot superheat=13 ball=yes")]
    [InlineData("complaint=yes box=1 coil=clear fans=all line=warm runs=yes")]
    [InlineData("coil=iced reads=off box=5 water=no stiff=no")]
    public void The_search_finds_what_trying_every_set_finds(string facts)
    {
        var input = Input(facts);
        var network = Network.Of(Small, input);
        var evidence = new Evidence(network, input);
        var search = new SetSearch(network, evidence);
        var found = search.Find();
        var every = Subsets(network.Causes.Count, 4).Select(s => search.Refine(new(s, 0))).OrderByDescending(s => s.Log).ToList();
        var (allFound, all) = (Evidence.Sum([.. found.Select(s => s.Log)]), Evidence.Sum([.. every.Select(s => s.Log)]));
        Assert.Equal(all, allFound, 0.01);
        foreach (var (one, other) in found.Take(8).Zip(every))
        {
            Assert.Equal(other.Causes, one.Causes);
            Assert.Equal(other.Log, one.Log, 1e-9);
        }
    }

    private static IEnumerable<int[]> Subsets(int count, int most) => Enumerable.Range(0, 1 << count)
        .Select(mask => Enumerable.Range(0, count).Where(i => (mask >> i & 1) == 1).ToArray()).Where(s => s.Length <= most);

    [Fact]
    public void A_chain_beats_a_coincidence_and_names_what_brought_on_what()
    {
        var chain = new Diagnoser(Small).Diagnose(Input("complaint=yes superheat=15 bubbles=yes starts=many runs=no"));
        var lead = chain.Explanations[0];
        Assert.Equal(["leak", "relay"], lead.Causes.Select(c => c.Cause.Code));
        Assert.Equal([CauseRole.Root, CauseRole.Consequence], lead.Causes.Select(c => c.Role));
        Assert.Equal("leak", lead.Causes[1].BroughtOnBy!.Code);
        Assert.Contains(lead.Through, c => c.Code == "short");
        Assert.Empty(lead.Leaves);
    }

    [Fact]
    public void What_a_single_cause_leaves_odd_is_named()
    {
        var result = new Diagnoser(Small).Diagnose(Input(
            "fans=one line=warm reads=right superheat=5 box=1 coil=clear bubbles=no ball=yes"));
        Assert.Equal("fan", Assert.Single(result.Explanations[0].Causes).Cause.Code);
        Assert.Equal(["ball"], result.Unexplained.Select(f => f.Code));
    }

    [Fact]
    public void The_same_facts_in_another_order_say_the_same()
    {
        var facts = Input("complaint.warm=yes box=9 compressor=stopped condenser-fan=running shell=cold overload=closed").Facts;
        var (one, other) = (Engine.Diagnose(Input([.. facts])), Engine.Diagnose(Input([.. facts.Reverse()])));
        Assert.Equal(one.Explanations.Select(e => Math.Round(e.Probability, 9)),
            other.Explanations.Select(e => Math.Round(e.Probability, 9)));
        Assert.Equal(one.Next.Select(n => n.Observable.Code), other.Next.Select(n => n.Observable.Code));
    }

    [Fact]
    public void Recent_work_raises_what_it_may_have_left_and_a_part_replaced_twice_is_hardly_it()
    {
        var facts = "complaint.iced=yes coil=iced end-by=temperature ice-left=some end-probe.error=12";
        double Swapped(params EarlierWork[] history) => Engine.Diagnose(Input(facts) with { History = history }).Causes
            .FirstOrDefault(c => c.Cause.Code == "probes-swapped")?.Probability ?? 0;
        static double Odds(double probability) => probability / (1 - probability);
        output.WriteLine($"swapped: {Swapped()}, after work {Swapped(new EarlierWork(9, ["control"], ["control"]))}");
        Assert.True(Odds(Swapped(new EarlierWork(9, ["control"], ["control"]))) > 3 * Odds(Swapped()));
        double Dead(params EarlierWork[] history) => Engine.Diagnose(Input("fans=one-stopped") with { History = history }).Causes
            .First(c => c.Cause.Code == "fan-motor-dead").Probability;
        var renewed = new EarlierWork(20, ["evaporator-fan"], ["evaporator-fan"]);
        Assert.True(Dead(renewed, renewed with { DaysAgo = 60 }) < 0.6 * Dead());
    }

    [Fact]
    public void Any_facts_with_a_danger_among_them_say_it()
    {
        (string Code, string Answer, Danger Danger)[] dangers =
        [
            ("smell", "burning", Danger.Burning), ("smell", "gas", Danger.Gas), ("supply", "tripped", Danger.ProtectionWent),
            ("supply", "fuse-blown", Danger.ProtectionWent), ("wiring", "burnt", Danger.BurntWiring),
            ("wiring", "chafed", Danger.ChafedWiring), ("heaters-earth", "grounded", Danger.Grounded),
            ("windings-earth", "grounded", Danger.Grounded), ("condfan-earth", "grounded", Danger.Grounded),
            ("jumper", "found", Danger.Bridged),
        ];
        var observables = DiagnosisTable.Shipped.Observables.Where(o => !o.IsNumber && dangers.All(d => d.Code != o.Code)).ToList();
        Prop.ForAll(Gen.Choose(0, int.MaxValue - 1).ToArbitrary(), seed =>
        {
            var random = new Random(seed);
            var danger = dangers[random.Next(dangers.Length)];
            List<Fact> facts = [.. observables.Where(_ => random.NextDouble() < 0.15).Select(o =>
                new Fact(o.Code, o.Answers[random.Next(o.Answers.Count)]))];
            facts.Insert(random.Next(facts.Count + 1), new(danger.Code, danger.Answer));
            return Dangers.Of(facts).Contains(danger.Danger);
        }).QuickCheckThrowOnFailure();
        Assert.Equal(Danger.RunsWithoutCondenserAir,
            Assert.Single(Dangers.Of([new("compressor", "running"), new("condenser-fan", "stopped")])));
        Assert.Empty(Dangers.Of([new("compressor", "stopped"), new("condenser-fan", "stopped")]));
    }

    [Theory]
    [InlineData("complaint.smell=yes", "complaint.smell=yes smell=none", Danger.Burning)]
    [InlineData("complaint.trips=yes", "complaint.trips=yes supply=on", Danger.ProtectionWent)]
    public void What_the_customer_told_is_a_danger_until_somebody_has_looked(string told, string looked, Danger danger)
    {
        Assert.Equal(danger, Assert.Single(Dangers.Of(Input(told).Facts)));
        Assert.Empty(Dangers.Of(Input(looked).Facts));
    }

    [Fact]
    public void What_rests_because_the_box_is_cold_is_made_to_run_before_the_circuit_is_measured()
    {
        const string Rests = "complaint.warm=yes box=0 fans=all-run coil=clear compressor=stopped condenser-fan=stopped suction-line=warm";
        Assert.Contains(Engine.Diagnose(Input(Rests)).Next, n => n.Observable.Code == "thermostat-turned");
        Assert.Contains(Engine.Diagnose(Input(Rests.Replace("compressor=stopped condenser-fan=stopped",
            "thermostat-turned=makes compressor=running", StringComparison.Ordinal))).Next, n => n.Observable.Tool == "gauges");
    }

    [Fact]
    public void Once_gauges_are_on_a_small_charge_what_they_cost_is_spent()
    {
        var reachIn = new CircuitMakeUp(EquipmentKind.ReachInCooler, Metering.CapillaryTube, CondenserKind.AirCooledSelfContained,
            CircuitParts.None, 1);
        List<NextTest> Gauges(string facts) => [.. Engine.Diagnose(Input(facts) with
            { MakeUp = reachIn, Target = Temperature.FromCelsius(3), At = "unit" }).Next.Where(n => n.Observable.Tool == "gauges")];
        const string Before = "complaint.warm=yes box=9 compressor=running condenser-fan=running fans=all-run coil=frost";
        Assert.All(Gauges(Before), n => Assert.True(n.Minutes > 15));
        var after = Gauges(Before + " superheat=40");
        Assert.NotEmpty(after);
        Assert.All(after, n => Assert.True(n.Minutes < 15, $"{n.Observable.Code} {n.Minutes}"));
    }

    [Fact]
    public void What_needs_it_running_is_asked_where_that_could_not_be_seen_and_is_likely()
    {
        var warm = Input("complaint.warm=yes box=4 fans=all-run coil=clear condenser-fan=running contactor=pulled-in");
        bool NeedsItRunning(NextTest t) => t.Observable.Needs.Any(n => n is { Observable: "compressor", Answers: ["running"] });
        Assert.DoesNotContain(Engine.Diagnose(warm).Next, t => t.Observable.Code != "compressor" && NeedsItRunning(t));
        var unseen = new HashSet<string> { "compressor" };
        Assert.Contains(Engine.Diagnose(warm with { CannotNow = unseen }).Next, NeedsItRunning);
        // Called, and nothing pulled in: it hardly runs, and nobody is sent to measure that.
        var dead = Input("complaint.warm=yes box=14 contactor=out contactor-coil=dead shell=cold") with { CannotNow = unseen };
        Assert.DoesNotContain(Engine.Diagnose(dead).Next, NeedsItRunning);
        // What has to be proved dead first is never taken for granted.
        var tripped = Input("supply=tripped") with { CannotNow = new HashSet<string> { "heaters-earth", "fan-earth", "windings-earth" } };
        Assert.DoesNotContain(Engine.Diagnose(tripped).Next, t => t.Observable.Code == "breaker-holds");
    }

    /// <summary>Units built alike share their network, and two visits may be judged at once.</summary>
    [Fact]
    public async Task What_is_weighed_for_one_visit_changes_nothing_under_another()
    {
        var network = Network.Of(DiagnosisTable.Shipped, Input("superheat=45"));
        var numbers = Enumerable.Range(0, network.Observables.Count).Where(o => network.Observables[o].IsNumber)
            .Select(o => network.Shown(o, OperatingMode.Calling)).ToList();
        var before = network.Baseline.Sum();
        var weighing = Task.Run(() => Enumerable.Range(0, 20_000)
            .Sum(_ => numbers.Sum(n => Likelihood.Density(n, network.Baseline, n.Mean))));
        while (!weighing.IsCompleted)
            Assert.Equal(before, network.Baseline.Sum());
        Assert.True(await weighing > 0);
    }

    [Fact]
    public void A_superheat_far_beyond_the_usual_speaks_for_a_leak_more_than_for_nothing()
    {
        var network = Network.Of(DiagnosisTable.Shipped, Input("superheat=45"));
        var superheat = network.Shown(network.ObservableAt("superheat")!.Value, OperatingMode.Calling);
        double Of(params string[] causes) => Likelihood.Density(superheat,
            network.ConditionsOf([.. causes.Select(c => network.Causes.ToList().FindIndex(x => x.Code == c))]), 45);
        Assert.True(Of("leak") > 3 * Of(), $"{Of("leak")} {Of()}");
    }

    [Theory]
    [InlineData("supply=tripped smell=burning fans=all-stopped clock-position=defrost")]
    [InlineData("supply=fuse-blown complaint.warm=yes box=9")]
    [InlineData("wiring=burnt compressor=stopped")]
    [InlineData("complaint.trips=yes complaint.warm=yes")]
    [InlineData("complaint.smell=yes box=9")]
    public void After_something_went_only_what_is_tested_locked_out_is_asked(string facts)
    {
        var next = Engine.Diagnose(Input(facts)).Next;
        output.WriteLine(string.Join(", ", next.Select(n => n.Observable.Code)));
        Assert.NotEmpty(next);
        Assert.All(next, n => Assert.DoesNotContain("live", n.Observable.Hazard, StringComparison.Ordinal));
        Assert.All(next, n => Assert.NotEqual("breaker-holds", n.Observable.Code));
        Assert.All(next, n => Assert.True(n.Observable.Hazard == "lock out" || n.Observable.Minutes <= 2, n.Observable.Code));
    }

    [Fact]
    public void What_brought_something_on_stands_before_it_however_much_surer_that_is()
    {
        var result = Engine.Diagnose(Input("complaint.still=yes box=10 compressor=stopped condenser-fan=stopped hp-control=tripped "
            + "contactor=out contactor-coil=dead condenser-face=blocked output.compressor=called-live shell=warm low-side=usual"));
        var causes = result.Causes.Select(c => c.Cause.Code).ToList();
        Assert.Equal(["condenser-dirty", "hp-tripped"], causes.Take(2));
        Assert.True(result.Causes[1].Probability > result.Causes[0].Probability);
    }

    [Fact]
    public void Where_nothing_new_is_worth_asking_what_fits_nothing_is_looked_at_once_more()
    {
        var known = Input("box=8 complaint.warm=yes compressor=running condfan-motor=locked shell=hot condfan-voltage=live "
            + "fans=all-run coil=frost liquid-hand=cold");
        var input = known with
        {
            CannotNow = DiagnosisTable.Shipped.Observables.Select(o => o.Code).Except(known.Facts.Select(f => f.Code)).ToHashSet(),
        };
        var result = Engine.Diagnose(input);
        Assert.Contains("liquid-hand", result.Unexplained.Select(f => f.Code));
        var again = Assert.Single(result.Next);
        Assert.Equal(("liquid-hand", true), (again.Observable.Code, again.IsAgain));
        Assert.Empty(Engine.Diagnose(input with { Settled = new HashSet<string> { "liquid-hand" } }).Next);
    }

    [Fact]
    public void With_every_dead_test_done_what_needs_no_power_is_looked_at()
    {
        var locked = Input("complaint.warm=yes supply=tripped coil=frost");
        var done = DiagnosisTable.Shipped.Observables.Where(o => o.Hazard.Length > 0).Select(o => o.Code)
            .Concat(["clock-position", "wiring", "smell"]).ToHashSet();
        var next = Engine.Diagnose(locked with { CannotNow = done }).Next;
        Assert.NotEmpty(next);
        Assert.All(next, t => Assert.Equal("", t.Observable.Hazard));
    }

    [Fact]
    public void What_cannot_tell_yet_is_not_asked_and_what_cannot_be_had_is_asked_no_more()
    {
        var asked = Engine.Diagnose(Input("complaint.warm=yes box=8")).Next.Select(n => n.Observable).ToList();
        Assert.NotEmpty(asked);
        Assert.DoesNotContain(asked, o => o.Needs.Count > 0);
        var again = Engine.Diagnose(Input("complaint.warm=yes box=8") with { CannotNow = new HashSet<string> { asked[0].Code } });
        Assert.DoesNotContain(again.Next, n => n.Observable.Code == asked[0].Code);
    }

    /// <summary>A box far above its target: "nothing" does not lead with a share that is the largest of many small ones. A healthy box
    /// stays with it.</summary>
    [Theory]
    [InlineData("complaint.warm=yes box=6 compressor=running fans=all-run coil=clear shell=hot liquid-hand=hot", false)]
    [InlineData("complaint.warm=yes box=0.5 compressor=running fans=all-run coil=clear", true)]
    public void Nothing_leads_only_where_nothing_that_was_seen_is_odd(string facts, bool isNothing)
    {
        var said = new Diagnoser(DiagnosisTable.Shipped).Diagnose(Input(facts));
        Assert.Equal(isNothing, said.Explanations[0].Causes.Count == 0);
        Assert.True(isNothing || said.Explanations.Where(e => e.Causes.Count == 0).All(e => e.Probability < 0.5));
    }

    /// <summary>It is told to be switched off: nothing is asked that needs it running.</summary>
    [Fact]
    public void What_is_to_be_switched_off_is_not_measured_while_it_runs()
    {
        var said = new Diagnoser(DiagnosisTable.Shipped).Diagnose(
            Input("complaint.warm=yes box=8 compressor=cycling condenser-fan=stopped condenser-air=none"));
        Assert.NotEmpty(said.Next);
        Assert.All(said.Next, t =>
            Assert.DoesNotContain(t.Observable.Needs, n => n.Observable == "compressor" && n.Answers.Contains("running")));
    }

    /// <summary>Its own control may stop that fan: what it runs at is just what tells whether it should.</summary>
    [Fact]
    public void A_fan_that_its_control_may_stop_keeps_nothing_from_being_measured()
    {
        var known = Input("complaint.warm=yes box=4 compressor=running condenser-fan=stopped ambient=cold");
        var said = new Diagnoser(DiagnosisTable.Shipped).Diagnose(
            known with { MakeUp = known.MakeUp with { Parts = known.MakeUp.Parts | CircuitParts.FanCyclingControl } });
        Assert.Contains(said.Next, t => t.Observable.Needs.Any(n => n.Observable == "compressor"));
    }

    /// <summary>Why everything stands behind an open breaker needs no cause of its own.</summary>
    [Fact]
    public void What_opens_the_breaker_explains_by_itself_why_everything_stands()
    {
        var lead = new Diagnoser(DiagnosisTable.Shipped).Diagnose(
            Input("complaint.trips=yes supply=tripped clock-position=defrost wiring=chafed fan-earth=clear box=12 compressor=stopped "
                + "fans=all-stopped supply-volts=dead")).Explanations[0];
        Assert.Equal(["heater-lead-chafed"], lead.Causes.Select(c => c.Cause.Code));
        Assert.Superset(
            new HashSet<string> { "supply", "supply-volts", "wiring" }, lead.Explains.Select(f => f.Code).ToHashSet());
        Assert.Empty(lead.Leaves);
    }
}
