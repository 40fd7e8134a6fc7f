using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Controls;

/// <summary>What a visit saw of its controller, from the entries of the timeline.</summary>
public static class ControlsOnRecord
{
    /// <summary>Each output as it was found: by the looks before a part of the control was replaced, where there were any.</summary>
    public static IReadOnlyDictionary<ControlOutput, OutputResult> Outputs(Timeline timeline) => Judge(Looks(timeline, found: true));

    /// <summary>Each output as it stands: by the looks since a part of the control was replaced, and without those that work of any
    /// kind and a look after it have put right.</summary>
    public static IReadOnlyDictionary<ControlOutput, OutputResult> OutputsNow(Timeline timeline) => Judge(Looks(timeline, found: false));

    /// <summary>Outputs that were found with something wrong: "output.stuck-closed", about its output.</summary>
    public static IReadOnlyList<Finding> Faults(Timeline timeline) => FaultsOf(Looks(timeline, found: true));

    /// <summary>Those that still have.</summary>
    public static IReadOnlyList<Finding> FaultsNow(Timeline timeline) => FaultsOf(Looks(timeline, found: false));

    private static ILookup<ControlOutput, OutputStateEntry> Looks(Timeline timeline, bool found)
    {
        var replaced = timeline.Standing.OfType<PartEntry>().Where(p => p.Area == WorkArea.Control).Select(p => p.At).ToList();
        return timeline.Standing.OfType<OutputStateEntry>().GroupBy(o => o.Output).SelectMany(looks =>
        {
            var before = looks.Where(o => replaced.TrueForAll(at => o.At < at)).ToList();
            if (found)
                return before.Count > 0 ? before : looks;
            var since = looks.Where(o => replaced.TrueForAll(at => o.At >= at)).ToList();
            return since.Where(o => !IsPutRight(o, since, timeline));
        }).ToLookup(o => o.Output);
    }

    /// <summary>A fault that work and a later look in the same state of the call contradict is over, whatever the work was filed
    /// under. Without work between them it comes and goes, and stands.</summary>
    private static bool IsPutRight(OutputStateEntry look, List<OutputStateEntry> looks, Timeline timeline) =>
        OutputCheck.Judge([look.State]).IsFault && looks.Exists(later =>
            later.State.IsCalled == look.State.IsCalled && !OutputCheck.Judge([later.State]).IsFault
            && WorkOn(timeline).Any(work => look.At < work.At && work.At <= later.At));

    /// <summary>What was done to the unit on the visit.</summary>
    private static IEnumerable<Entry> WorkOn(Timeline timeline) => timeline.Standing.Where(e => e is IChangesUnit { ChangesUnit: true });

    private static Dictionary<ControlOutput, OutputResult> Judge(ILookup<ControlOutput, OutputStateEntry> looks) =>
        looks.ToDictionary(g => g.Key, g => OutputCheck.Judge([.. g.Select(o => o.State)]));

    private static IReadOnlyList<Finding> FaultsOf(ILookup<ControlOutput, OutputStateEntry> looks) =>
        [.. Judge(looks).Where(o => o.Value.IsFault)
            .Select(o =>
            Finding.Of(Code(o.Value.Verdict)) with { Basis = [.. looks[o.Key].Select(e => e.Id)], About = [Subject.Output(o.Key)] })];

    private const string Output = "output.";

    private static string Code(OutputVerdict verdict) => Output + verdict switch
    {
        OutputVerdict.StuckClosed =>
            "stuck-closed", OutputVerdict.NotClosing => "not-closing", OutputVerdict.LoadDead => "load-dead", _ => "wired-past",
    };

    /// <summary>The verdict a finding on an output tells; null for a finding on anything else.</summary>
    public static OutputVerdict? VerdictOf(string code) => code.StartsWith(Output, StringComparison.Ordinal)
        ? Enum.GetValues<OutputVerdict>().Where(v => v >= OutputVerdict.StuckClosed).Select(v => (OutputVerdict?)v)
            .FirstOrDefault(v => Code(v!.Value) == code) : null;

    /// <summary>Tapping or cycling a relay changed what was seen: the contact comes and goes.</summary>
    public static bool ChangedOnTap(IReadOnlyList<OutputStateEntry> looks) =>
        looks.Zip(looks.Skip(1))
            .Any(p =>
            p.Second.Tapped && p.First.State.IsCalled == p.Second.State.IsCalled
            && (p.First.State.IsLive != p.Second.State.IsLive || p.First.State.Runs != p.Second.State.Runs));

    /// <summary>What the control is set to, by the last word on it over all visits; null when nobody has said.</summary>
    public static ControlSettingEntry? Setting(IEnumerable<Timeline> all) =>
        all.SelectMany(t => t.Standing).OfType<ControlSettingEntry>().MaxBy(s => s.At);

    /// <summary>The cut-ins and cut-outs of a visit: typed and watched ones, or read from its series of box air and compressor current.
    /// Those since a part of the control was replaced count where there are any.</summary>
    public static IReadOnlyList<ControlEvent> Events(Timeline timeline)
    {
        var renewed = timeline.Standing.OfType<PartEntry>().LastOrDefault(p => p.Area == WorkArea.Control)?.At;
        var seen = timeline.Standing.OfType<ControlEventEntry>().ToLookup(e => renewed is null || e.At >= renewed);
        var typed = (seen[true].Any() ? seen[true] : seen[false])
            .Select(e => new ControlEvent(e.At, e.CutsIn, e.Temperature is { } t ? timeline.TemperatureOf(t)?.Celsius : null, e.Id))
            .ToList();
        if (typed.Count > 0)
            return typed;
        var samples = timeline.Samples().OrderBy(s => s.At).ToLookup(s => s.Point);
        var temps = samples[MeasuringPoint.BoxAir].Select(s => (s.At, new Temperature(s.Si).Celsius)).ToList();
        return temps.Count < FewestOfSeries ? []
            : ControlCycle.Of(temps, [.. samples[MeasuringPoint.CompressorCurrent].Select(s => (s.At, s.Si))]);
    }

    /// <summary>What the visit's cycles and bulbs have against the control: "cycle.shifted", "cycle.differential-off", "cycle.short",
    /// "cycle.creeping", "bulbs.crossed".</summary>
    /// <param name="cycle">As judged against its setting, the sensor's error taken out.</param>
    /// <param name="found">As it was found; else as it stands, by the turns since the last work where there are any.</param>
    public static IReadOnlyList<Finding> CycleFaults(Timeline timeline, CycleResult cycle, bool found = true)
    {
        List<Guid> basis = [.. timeline.Standing.OfType<ControlEventEntry>().Select(e => e.Id)];
        Finding Of(string code, params (string Name, double? Value)[] values) =>
            new(code, Strength.Fair, basis, values.Where(v => v.Value is not null).ToDictionary(v => v.Name, v => v.Value!.Value));
        var findings = new List<Finding>();
        // Turning points of a series are good for a look, not for an accusation: a door makes them too.
        if (basis.Count == 0)
            cycle = NotSeen;
        if (cycle.Verdict == CycleVerdict.Shifted)
            findings.Add(Of(CycleShifted, ("cutOutC", cycle.CutOutC), ("cutInC", cycle.CutInC), ("offK", cycle.UnexplainedK)));
        if (cycle.Verdict == CycleVerdict.DifferentialOff)
            findings.Add(Of(CycleDifferential, ("differentialK", cycle.DifferentialK)));
        if (cycle.IsShortCycling)
            findings.Add(
                Of(CycleShort, ("startsPerHour", cycle.StartsPerHour), ("shortestOnMin", cycle.ShortestOnMin),
                ("shortestOffMin", cycle.ShortestOffMin)));
        if (cycle.IsDrifting)
            findings.Add(Of(CycleCreeping, ("driftKPerH", cycle.DriftKPerH)));
        var turns = timeline.Standing.OfType<BulbTurnEntry>().ToList();
        // Work with turns on both sides parts what was found from what is.
        if (WorkOn(timeline).LastOrDefault(w => turns.Exists(t => t.At < w.At) && turns.Exists(t => t.At >= w.At)) is { } work)
            turns.RemoveAll(t => t.At < work.At != found);
        if (CrossedBulbs.Judge([.. turns.Select(t => t.Turn)]) is BulbVerdict.Crossed or BulbVerdict.OneCrossed)
            findings.Add(Finding.Of(BulbsCrossed) with { Basis = [.. turns.Select(t => t.Id)] });
        return findings;
    }

    private static readonly CycleResult NotSeen = ControlCycle.Judge([], null);

    /// <summary>It cycles beside its setting.</summary>
    public const string CycleShifted = "cycle.shifted";

    /// <summary>Cut-in and cut-out are closer or wider than set.</summary>
    public const string CycleDifferential = "cycle.differential-off";

    /// <summary>It starts too often.</summary>
    public const string CycleShort = "cycle.short";

    /// <summary>The mean of the box creeps.</summary>
    public const string CycleCreeping = "cycle.creeping";

    /// <summary>Each of two controls feels the other's side.</summary>
    public const string BulbsCrossed = "bulbs.crossed";

    /// <summary>One side far too warm beside one far too cold.</summary>
    public const string SidesApart = "bulbs.sides-apart";

    /// <summary>So far from its target on either side two controls are hardly off by themselves, K.</summary>
    internal const double ApartK = 4;

    /// <summary>A warm side beside a frozen one: each may be run by the other's control. Until a control was turned to see which side
    /// follows.</summary>
    internal static Finding? SidesDiffer(Timeline timeline, Equipment unit)
    {
        if (unit.Circuit.Coils < 2 || timeline.Standing.OfType<BulbTurnEntry>().Any())
            return null;
        var (one, other) = (Last(1), Last(2));
        if (one is null || other is null || Math.Max(Above(one), Above(other)) < ApartK || Math.Min(Above(one), Above(other)) > -ApartK)
            return null;
        return Finding.Of(SidesApart) with
        {
            Strength = Strength.Fair, Basis = [one.Id, other.Id],
            Values = new Dictionary<string, double>
            {
                ["warmK"] = Math.Max(Above(one), Above(other)), ["coldK"] = -Math.Min(Above(one), Above(other)),
            },
        };

        ReadingEntry? Last(int coil) =>
            timeline.Standing.OfType<ReadingEntry>().LastOrDefault(r => r.Point == MeasuringPoint.BoxAir.At(coil));
        double Above(ReadingEntry reading) => (reading.Value.Temperature - unit.TargetOf(reading.Point.Coil)).Kelvin;
    }

    /// <summary>The control's cycles on a visit against what it is set to.</summary>
    /// <param name="setting">Null where nobody has said.</param>
    /// <param name="sensorErrorK">What its sensor reads too much, K. A control on suction pressure has none.</param>
    public static CycleResult Cycle(Timeline timeline, ControlSetting? setting, double sensorErrorK) =>
        ControlCycle.Judge(
            Events(timeline), setting, IsOnPressure(timeline) ? 0 : sensorErrorK) with { IsOnPressure = IsOnPressure(timeline) };

    /// <summary>The control works on suction pressure: it was seen to act by the gauge.</summary>
    public static bool IsOnPressure(Timeline timeline) =>
        timeline.Standing.OfType<ControlEventEntry>().Any(e => e.Temperature?.Unit.Kind == QuantityKind.Pressure);

    /// <summary>A low-pressure control's cut-out and cut-in as the temperatures they stand for; null while one is not known.</summary>
    public static ControlSetting? OfPressures(IReadOnlyDictionary<PressureSetting, TypedValue> settings, Timeline timeline)
    {
        double? Celsius(PressureSetting setting) =>
            settings.TryGetValue(setting, out var typed) ? timeline.TemperatureOf(typed)?.Celsius : null;
        return Celsius(PressureSetting.LowCutOut) is { } cutOut && Celsius(PressureSetting.LowCutIn) is { } cutIn
            ? new(ControlKind.SetIsCutOut, cutOut, cutIn - cutOut) : null;
    }

    /// <summary>Fewer readings of box air are no series.</summary>
    private const int FewestOfSeries = 8;

    /// <summary>The controller's parameters at a stage, the last word on each over all visits; as left before as found.</summary>
    public static IReadOnlyDictionary<ControllerParameter, ParameterEntry> Sheet(IEnumerable<Timeline> all) =>
        all.SelectMany(t => t.Standing).OfType<ParameterEntry>().GroupBy(p => p.Parameter)
            .ToDictionary(g => g.Key, g => g.OrderBy(p => p.At).ThenBy(p => p.Stage).Last());

    /// <summary>The sheet in °C, K and minutes, for the checks.</summary>
    public static IReadOnlyDictionary<ControllerParameter,
        double> InBaseUnits(IReadOnlyDictionary<ControllerParameter, ParameterEntry> sheet) =>
        sheet.ToDictionary(
            p => p.Key, p =>
            p.Value.Value.Unit.Kind == QuantityKind.Temperature ? p.Value.Value.Temperature.Celsius : p.Value.Value.Si(default));

    /// <summary>Water was seen at the control on the visit.</summary>
    public static bool IsWet(Timeline timeline) =>
        timeline.FactAt(AsFound.ControlMoisture, null, DateTimeOffset.MaxValue)?.State is FactState.Wet or FactState.Scaled
            || Damage(timeline).Values.Any(WettedSet.ComesFromWater);

    /// <summary>The last word on every part of the control that was looked at.</summary>
    public static IReadOnlyDictionary<ControlPart, DamageKind> Damage(Timeline timeline) =>
        timeline.Standing.OfType<DamageEntry>().GroupBy(d => d.Part).ToDictionary(g => g.Key, g => g.Last().Damage);
}
