using KeenEmber.Core.Findings;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What is wrong with a part, as a finding: one code for each verdict that condemns it.</summary>
public static class PartFindings
{
    /// <summary>A capacitor has lost capacitance.</summary>
    public const string CapacitorWeak = "electrical.capacitor-weak";

    /// <summary>A capacitor has next to none left.</summary>
    public const string CapacitorOpen = "electrical.capacitor-open";

    /// <summary>A capacitor has more than it is marked with: another one, or one that fails.</summary>
    public const string CapacitorHigh = "electrical.capacitor-high";

    /// <summary>A winding has no resistance.</summary>
    public const string WindingShorted = "electrical.winding-shorted";

    /// <summary>Three resistances that no sound motor has.</summary>
    public const string WindingsOdd = "electrical.windings-odd";

    /// <summary>A conductor of the supply is dead against another.</summary>
    public const string LegLost = "electrical.leg-lost";

    /// <summary>The voltages of a three-phase supply differ.</summary>
    public const string Unbalanced = "electrical.unbalanced";

    private static readonly Dictionary<(TestedPart, PartVerdict), string> Codes = new()
    {
        [(TestedPart.Capacitor, PartVerdict.Low)] = CapacitorWeak,
        [(TestedPart.Capacitor, PartVerdict.Open)] = CapacitorOpen,
        [(TestedPart.Capacitor, PartVerdict.High)] = CapacitorHigh,
        [(TestedPart.Windings, PartVerdict.Shorted)] = WindingShorted,
        [(TestedPart.Windings, PartVerdict.DoesNotAddUp)] = WindingsOdd,
        [(TestedPart.Windings, PartVerdict.Open)] = "electrical.winding-open",
        [(TestedPart.Windings, PartVerdict.ProtectorOpen)] = "electrical.protector-open",
        [(TestedPart.Insulation, PartVerdict.Unsafe)] = "electrical.insulation-unsafe",
        [(TestedPart.ThreePhaseSupply, PartVerdict.LegLost)] = LegLost,
        [(TestedPart.ThreePhaseSupply, PartVerdict.High)] = Unbalanced,
        [(TestedPart.ThreePhaseSupply, PartVerdict.Dead)] = "electrical.phases-dead",
        [(TestedPart.PhaseOrder, PartVerdict.Reversed)] = "electrical.phases-reversed",
        [(TestedPart.SinglePhaseSupply, PartVerdict.LegLost)] = "electrical.supply-dead",
        [(TestedPart.SinglePhaseSupply, PartVerdict.Low)] = "electrical.supply-low",
        [(TestedPart.SinglePhaseSupply, PartVerdict.High)] = "electrical.supply-high",
        [(TestedPart.SplitPhaseSupply, PartVerdict.LegLost)] = "electrical.split-leg-lost",
        [(TestedPart.SplitPhaseSupply, PartVerdict.NeutralLost)] = "electrical.neutral-lost",
        [(TestedPart.SplitPhaseSupply, PartVerdict.DoesNotAddUp)] = "electrical.split-odd",
        [(TestedPart.Fuse, PartVerdict.Open)] = "electrical.fuse-blown",
        [(TestedPart.ContactorPole, PartVerdict.Open)] = "electrical.pole-open",
        [(TestedPart.ContactorPole, PartVerdict.High)] = "electrical.pole-burnt",
        [(TestedPart.Switch, PartVerdict.Open)] = "electrical.switch-open",
        [(TestedPart.Switch, PartVerdict.High)] = "electrical.switch-burnt",
        [(TestedPart.Coil, PartVerdict.Open)] = "electrical.coil-open",
        [(TestedPart.Coil, PartVerdict.Shorted)] = "electrical.coil-shorted",
        [(TestedPart.Coil, PartVerdict.Low)] = "electrical.coil-low",
        [(TestedPart.Coil, PartVerdict.High)] = "electrical.coil-high",
        [(TestedPart.Coil, PartVerdict.Starved)] = "electrical.coil-starved",
        [(TestedPart.Heater, PartVerdict.Open)] = "electrical.heater-open",
        [(TestedPart.Heater, PartVerdict.Shorted)] = "electrical.heater-shorted",
        [(TestedPart.Heater, PartVerdict.Low)] = "electrical.heater-low",
        [(TestedPart.Heater, PartVerdict.High)] = "electrical.heater-high",
        [(TestedPart.FanMotor, PartVerdict.High)] = "electrical.motor-overloaded",
        [(TestedPart.FanMotor, PartVerdict.Low)] = "electrical.motor-slow",
        [(TestedPart.Transformer, PartVerdict.Low)] = "electrical.transformer-low",
        [(TestedPart.Transformer, PartVerdict.High)] = "electrical.transformer-high",
        [(TestedPart.Transformer, PartVerdict.Shorted)] = "electrical.transformer-dead",
        [(TestedPart.CurrentRelay, PartVerdict.Shorted)] = "electrical.current-relay-closed",
        [(TestedPart.CurrentRelay, PartVerdict.Open)] = "electrical.current-relay-open",
        [(TestedPart.PotentialRelay, PartVerdict.Shorted)] = "electrical.potential-relay-shorted",
        [(TestedPart.PotentialRelay, PartVerdict.Open)] = "electrical.potential-relay-open",
        [(TestedPart.PotentialRelay, PartVerdict.Low)] = "electrical.potential-relay-early",
        [(TestedPart.PotentialRelay, PartVerdict.High)] = "electrical.potential-relay-late",
        [(TestedPart.SolidStateRelay, PartVerdict.Shorted)] = "electrical.solid-relay-shorted",
        [(TestedPart.SolidStateRelay, PartVerdict.Open)] = "electrical.solid-relay-open",
        [(TestedPart.Overload, PartVerdict.Open)] = "electrical.overload-open",
        [(TestedPart.Overload, PartVerdict.ProtectorOpen)] = "electrical.overload-hot",
        [(TestedPart.Overload, PartVerdict.TooSoon)] = "electrical.overload-too-soon",
        [(TestedPart.CompressorCurrent, PartVerdict.Locked)] = "electrical.rotor-held",
        [(TestedPart.CompressorCurrent, PartVerdict.High)] = "electrical.compressor-overloaded",
        [(TestedPart.CompressorCurrent, PartVerdict.Low)] = "electrical.compressor-unloaded",
        [(TestedPart.CompressorCurrent, PartVerdict.Open)] = "electrical.compressor-no-current",
    };

    private static readonly Dictionary<string, (TestedPart Test, PartVerdict Verdict)> ByCode =
        Codes.ToDictionary(c => c.Value, c => c.Key);

    /// <summary>Every code there is.</summary>
    public static IEnumerable<string> All => ByCode.Keys;

    /// <summary>Those that hold only until something cools, or until they are measured again.</summary>
    private static readonly HashSet<PartVerdict> Fair = [PartVerdict.DoesNotAddUp, PartVerdict.ProtectorOpen];

    /// <summary>What burns out a motor or makes metal live comes before what only stops the unit.</summary>
    public static bool IsGrave(Finding finding) => TestOf(finding) is { } of
        && of.Verdict is PartVerdict.LegLost or PartVerdict.NeutralLost or PartVerdict.Unsafe or PartVerdict.Locked
            or PartVerdict.Shorted;

    /// <summary>The test and the verdict of a finding; null for one that is no part's.</summary>
    public static (TestedPart Test, PartVerdict Verdict)? TestOf(Finding finding) =>
        ByCode.TryGetValue(finding.Code, out var of) ? of : null;

    internal static Finding? Of(MeasuredPart part)
    {
        var result = part.Result;
        if (!Codes.TryGetValue((part.Test.Part, result.Verdict), out var code))
            return null;
        var values = new (string Name, double? Value)[] { ("value", result.Value), ("low", result.Low), ("high", result.High) }
            .Where(v => v.Value is { } n && double.IsFinite(n)).ToDictionary(v => v.Name, v => v.Value!.Value);
        return new(code, Fair.Contains(result.Verdict) ? Strength.Fair : Strength.Strong, [part.Entry.Id], values)
        {
            About = [Subject.Component(part.Component)],
            Detail = code == LegLost ? string.Join(", ", SupplyTests.LowPairs(part.Test)) : "",
        };
    }
}
