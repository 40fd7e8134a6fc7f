using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What the results mean together: first what one fact or one result says by itself, then the fault that explains all of them
/// best.</summary>
/// <remarks>
/// Only usable results speak; a doubtful one weighs less. "Suction low" is read as an evaporator TD above its target (the coil is colder
/// than its air asks for, whatever the box temperature happens to be), "head" as the condenser split, which takes the weather out of it.
/// A unit with two coils is asked once for each. See <see cref="CircuitLikelihood"/> for how faults are weighed.
/// </remarks>
public static class CircuitPatterns
{
    /// <summary>A fan stands or the coil is iced: nothing behind it can be judged before it breathes.</summary>
    public const string AirFirst = "circuit.air-first";

    /// <summary>The compressor is off, and not for a defrost.</summary>
    public const string NotRunning = "circuit.not-running";

    /// <summary>The compressor is off although it is called: itself, its overload or its start parts.</summary>
    public const string NotStarting = "circuit.not-starting";

    /// <summary>By that fact alone: nothing behind the condenser can be judged before it runs.</summary>
    public const string CondenserFanStopped = "circuit.condenser-fan-stopped";

    /// <summary>Too little refrigerant.</summary>
    public const string ShortOfCharge = "circuit.short-of-charge";

    /// <summary>Liquid is there and does not get into the coil.</summary>
    public const string CoilStarved = "circuit.coil-starved";

    /// <summary>The liquid line is colder behind the drier than before it.</summary>
    public const string DrierRestricted = "circuit.drier-restricted";
    /// <summary>Detail of <see cref="HighHead"/> where the condenser stands in water and not in air.</summary>
    public const string OverWater = "water";

    /// <summary>Detail of a high head where the water leaves much warmer than it comes.</summary>
    public const string ShortOfWater = "little-water";

    /// <summary>Detail of <see cref="CoilStarved"/> where a capillary tube feeds and no valve.</summary>
    public const string ByCapillary = "capillary";

    /// <summary>The coil gets too little heat: ice, dirt, slow air.</summary>
    public const string CoilNotLoaded = "circuit.coil-not-loaded";

    /// <summary>More liquid gets into the coil than it can boil off.</summary>
    public const string Overfed = "circuit.overfed";

    /// <summary>More heat comes in than the unit is made for.</summary>
    public const string HeavyLoad = "circuit.heavy-load";

    /// <summary>The compressor runs and moves too little.</summary>
    public const string NotPumping = "circuit.not-pumping";

    /// <summary>The condenser does not get rid of its heat.</summary>
    public const string HighHead = "circuit.high-head";

    /// <summary>Liquid backs up in the condenser.</summary>
    public const string Overcharged = "circuit.overcharged";

    /// <summary>The discharge line is hotter than the oil bears.</summary>
    public const string DischargeTooHot = "circuit.discharge-too-hot";

    /// <summary>Head falls so low that the valve is not fed.</summary>
    public const string HeadTooLow = "circuit.head-too-low-in-the-cold";

    /// <summary>It goes on and off by its low-pressure control.</summary>
    public const string ShortCycling = "circuit.short-cycling";

    /// <summary>Standing pressure lies above that of the refrigerant on the label.</summary>
    public const string NonCondensables = "circuit.air-or-wrong-refrigerant";

    /// <summary>Standing pressure lies below that of liquid.</summary>
    public const string NearlyEmpty = "circuit.nearly-empty";

    /// <summary>All results that count lie in their targets.</summary>
    public const string WithinTargets = "circuit.within-targets";

    /// <summary>How the standing-pressure test is named among the facts of a finding.</summary>
    public const string StandingSign = "Standing";

    /// <summary>Findings, the one that must be dealt with first at the front; empty when the results allow none yet.</summary>
    public static IReadOnlyList<Finding> Find(CircuitInput input, IReadOnlyList<CircuitResult> results, OperatingConditions now)
    {
        var findings = new List<Finding>();
        var mayStand = now.IsInDefrost || now.MayBeInDefrost;
        // What a defrost after the work is to melt is no longer a question.
        var isThawing = now is { IsInDefrost: true, SinceWork: not null };
        if ((now.AnyFanStopped && !mayStand) || (now.Coil == FactState.Iced && !isThawing))
            findings.Add(Finding.Of(AirFirst) with { About = [.. StoppedFans(now).Select(Subject.Component)] });
        if (now.Compressor == FactState.Stopped && !mayStand && !now.IsSatisfied)
            findings.Add(Finding.Of(now.IsNotStarting ? NotStarting : NotRunning));
        if (now is { CondenserFan: FactState.Stopped, Compressor: FactState.Running } && !input.MakeUp.Has(CircuitParts.FanCyclingControl))
            findings.Add(Finding.Of(CondenserFanStopped));
        var plain = new PlainSigns(input, results, now);
        findings.AddRange(plain.First());
        var coils = Enumerable.Range(1, input.MakeUp.Coils).Select(coil => new CoilEvidence(input, results, now, coil)).ToList();
        // Without air over the coil nothing behind it can be judged; what the condenser shows can. With equal pressures nothing can.
        var withoutAir = findings.Exists(f => f.Code is AirFirst);
        var faults = findings.Exists(f => f.Code == NotPumping) ? [] : coils.SelectMany(c => c.Faults());
        foreach (var finding in faults.Where(f => !withoutAir || f.Code == HighHead).Concat(plain.Last()))
        {
            if (!IsCovered(finding, findings))
                findings.Add(finding);
        }

        if (findings.Count == 0 && coils.ConvertAll(c => c.Sound()) is var sound && sound.TrueForAll(s => s is not null))
            findings.Add(sound[0]!);
        return findings;
    }

    private static IEnumerable<Component> StoppedFans(OperatingConditions now) => now.EvaporatorFans
        .Select((state, i) => (state, fan: new Component(ComponentKind.EvaporatorFan, i + 1))).Where(f => f.state == FactState.Stopped)
            .Select(f => f.fan);

    /// <summary>Air or a wrong refrigerant explains a full-looking condenser, a stopped fan whatever the condenser shows, and what is
    /// measured at the drier the coil behind it; what both coils share is said once.</summary>
    private static bool IsCovered(Finding finding, List<Finding> findings) => finding.Code switch
    {
        Overcharged => findings.Exists(f => f.Code is NonCondensables or CondenserFanStopped),
        HighHead => findings.Exists(f => f.Code is HighHead or NonCondensables or CondenserFanStopped),
        CoilStarved => findings.Exists(f => f.Code == DrierRestricted) || IsSaid(finding, findings),
        ShortOfCharge => findings.Exists(f => f.Code == NearlyEmpty) || IsSaid(finding, findings),
        _ => IsSaid(finding, findings),
    };

    private static bool IsSaid(Finding finding, List<Finding> findings) =>
        findings.Exists(f => f.Code == finding.Code && f.Values.Keys.All(finding.Values.ContainsKey));
}
