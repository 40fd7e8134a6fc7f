using KeenEmber.Core.Benches.Defrost;

namespace KeenEmber.Core.Simulation;

/// <summary>A coil of three zones (the coldest bend, the warmest, and the spot of the end sensor) with its ice, its heat and its
/// losses.</summary>
/// <param name="IceKg">By zone.</param>
/// <param name="HeatShare">By zone; adds up to 1.</param>
/// <param name="MetalKjPerK">Heat capacity of all the metal, a third in each zone.</param>
/// <param name="LossKwPerK">To the air, all zones together.</param>
/// <param name="CouplingKwPerK">Between neighbouring zones along the tubes.</param>
/// <param name="StartC">The coil when the heat comes on.</param>
/// <param name="BoxC">Air of the box.</param>
/// <param name="SensorLagMin">Time constant of the end sensor behind its spot.</param>
/// <param name="Shows">What the controller makes of the end sensor at its own temperature, °C; null for a good one.</param>
/// <param name="ElementsOut">Numbers of the heater elements that are out.</param>
public sealed record SimulatedCoil(
    double[] IceKg, double[] HeatShare, double MetalKjPerK, double LossKwPerK, double CouplingKwPerK, double StartC, double BoxC,
    double SensorLagMin, Func<double, double>? Shows = null, IReadOnlyList<int>? ElementsOut = null)
{
    /// <summary>Zone indices.</summary>
    public const int Coldest = 0, Warmest = 1, Spot = 2;
}

/// <summary>How a simulated run is watched.</summary>
/// <param name="EverySeconds">Between samples, from 1.</param>
/// <param name="NoiseK">Standard deviation of every temperature.</param>
/// <param name="MissingShare">Of samples, lost at random; 0 to 0.9.</param>
/// <param name="MarksHeat">Beginning and end of the heat are marked; else only the currents tell.</param>
/// <param name="Volts">Of the supply.</param>
/// <param name="StopByHandMin">Minute of heat at which a person ends it; null: nobody does.</param>
/// <param name="FansInHeat">The fans run through.</param>
public sealed record SimulatedWatch(
    double EverySeconds, double NoiseK = 0, double MissingShare = 0, bool MarksHeat = true, double? Volts = null,
        double? StopByHandMin = null, bool FansInHeat = false);

/// <summary>What really happened in a simulated run.</summary>
/// <param name="ClearMin">Minute of the run at which the last ice of the two bends was gone; null when some was left at the end of the
/// heat.</param>
/// <param name="MeltedKg">Everywhere, until the heat ended.</param>
/// <param name="LeftKg">On the two bends when it ended.</param>
/// <param name="AtLimitAndSetting">The setting was reached, or within a minute would have been, so near to the fail-safe that the watching
/// cannot tell which ended it.</param>
public sealed record DefrostTruth(
    double? ClearMin, double HeatOn, double HeatOff, EndedBy End, double MeltedKg, double LeftKg, bool AtLimitAndSetting)
{
    /// <summary>Heat after the coil was clear, min.</summary>
    public double? HeatAfterClearMin => HeatOff - ClearMin;
}

/// <summary>
/// A defrost by an energy balance of coil, ice, heater and sensor, in steps of one second: in each zone metal × dT/dt = heat - loss to the
/// air + conduction from
/// its neighbours, held a little above 0 °C while ice is on it. The end sensor follows its spot with a first-order lag and ends the heat at
/// its setting.
/// Made for trying the bench on runs whose truth is known, and for examples.
/// </summary>
public static class SimulatedDefrost
{
    private const double BeforeMin = 6, AfterMin = 30, DripMin = 4;

    /// <summary>Metal under melting ice stands this much above freezing, K per kW and zone.</summary>
    private const double OverIceKPerKw = 0.25;

    /// <param name="start">The moment the run is taken to begin.</param>
    /// <param name="setUp">Electric; with an end temperature, a fail-safe time and heaters.</param>
    public static (DefrostRun Run, DefrostTruth Truth) Make(
        SimulatedCoil coil, DefrostSetUp setUp, SimulatedWatch watch, DateTimeOffset start, Random random)
    {
        var volts = watch.Volts ?? setUp.Legs[0].Volts * (setUp.Connection == HeaterConnection.Star ? Math.Sqrt(3) : 1);
        var currents = HeaterCheck.Supply(setUp, volts, coil.ElementsOut ?? []);
        var samples = new Samples(watch, random);
        var zones = Enumerable.Repeat(coil.StartC, 3).ToArray();
        var ice = (double[])coil.IceKg.Clone();
        var (sensor, box) = (coil.StartC, coil.BoxC);
        double Shown(double sensorC) => coil.Shows?.Invoke(sensorC) ?? sensorC;
        double? clear = null, off = null, fansOn = null, settingAt = null;
        var end = EndedBy.Unknown;
        var (melted, left, isBoth) = (0.0, 0.0, false);
        for (var second = 0; second <= (BeforeMin + (setUp.FailSafeMin ?? 60) + AfterMin) * 60; second++)
        {
            var minute = second / 60.0;
            var heats = minute >= BeforeMin && off is null;
            var refrigerates = minute < BeforeMin || off + DripMin <= minute;
            if (second % (int)watch.EverySeconds == 0)
                samples.Take(minute, zones, Shown(sensor), box, heats ? currents.Amperes : [.. currents.Amperes.Select(_ => 0.0)], volts);
            var conduction = Enumerable.Range(0, 3)
                .Select(i => coil.CouplingKwPerK * (zones[(i + 1) % 3] + zones[(i + 2) % 3] - 2 * zones[i])).ToArray();
            for (var i = 0; i < 3; i++)
            {
                var kw = (heats ? currents.Kw * coil.HeatShare[i] : 0)
                    + conduction[i] - coil.LossKwPerK / 3 * (zones[i] - box) * (watch.FansInHeat && heats ? 3 : 1);
                if (refrigerates && minute > BeforeMin)
                    kw -= Math.Max(0, zones[i] - coil.StartC) * coil.MetalKjPerK / 3 / 240;
                else if (refrigerates)
                    kw = 0;
                Warm(ref zones[i], ref ice[i], kw, coil.MetalKjPerK / 3);
            }

            var sensorPerMinute = (zones[SimulatedCoil.Spot] - sensor) / (coil.SensorLagMin + 1 / 60.0);
            sensor += sensorPerMinute / 60;
            box += (heats || !refrigerates ? coil.LossKwPerK * zones.Sum(z => Math.Max(0, z - box)) / 3 / 900 : (coil.BoxC - box) / 500);
            if (clear is null && ice[SimulatedCoil.Coldest] + ice[SimulatedCoil.Warmest] <= 0)
                clear = minute;
            if (heats && settingAt is null && Shown(sensor) >= setUp.EndC)
                settingAt = minute;
            if (heats
                && (minute - BeforeMin >= watch.StopByHandMin || (settingAt is not null && setUp.EndC is not null)
                || minute - BeforeMin >= setUp.FailSafeMin))
            {
                off = minute;
                isBoth = Math.Abs(minute - BeforeMin - (setUp.FailSafeMin ?? 1000)) < Math.Max(1.5, watch.EverySeconds / 30)
                    && Shown(sensor + sensorPerMinute) >= setUp.EndC && !(minute - BeforeMin >= watch.StopByHandMin);
                melted = coil.IceKg.Sum() - ice.Sum();
                left = ice[SimulatedCoil.Coldest] + ice[SimulatedCoil.Warmest];
                end = (minute - BeforeMin >= watch.StopByHandMin, settingAt) switch
                {
                    (true, _) => EndedBy.Hand,
                    (_, not null) => EndedBy.Temperature,
                    _ => EndedBy.TimeLimit,
                };
            }

            if (fansOn is null && off + DripMin < minute && zones.Max() <= (setUp.FanDelayC ?? DefrostLimits.FansBackC))
                fansOn = minute;
            if (off + AfterMin <= minute)
                break;
        }

        var truth = new DefrostTruth(clear <= off ? clear : null, BeforeMin, off ?? 0, end, melted, left, isBoth);
        var marks = new List<RunMark> { new(RunMarkKind.Refrigeration, (off ?? 0) + DripMin) };
        if (watch.MarksHeat)
            marks.AddRange(
                [new(RunMarkKind.HeatOn, BeforeMin), new(end == EndedBy.Hand ? RunMarkKind.HeatOffByHand : RunMarkKind.HeatOff, off ?? 0)]);
        else if (end == EndedBy.Hand)
            marks.Add(new(RunMarkKind.HeatOffByHand, off ?? 0));
        if (watch.FansInHeat)
            marks.Add(new(RunMarkKind.FansOn, BeforeMin));
        if (fansOn is { } fans && !watch.FansInHeat)
            marks.AddRange([new(RunMarkKind.FansOff, BeforeMin), new(RunMarkKind.FansOn, fans)]);
        return (new(start, setUp, samples.Tracks(setUp), marks) { TargetC = coil.BoxC }, truth);
    }

    /// <summary>Heat into a zone: up to the melting point, into the ice, and on.</summary>
    private static void Warm(ref double tempC, ref double iceKg, double kw, double metalKjPerK)
    {
        if (iceKg <= 0)
        {
            tempC += kw / metalKjPerK;
            return;
        }

        var heatKjPerK = metalKjPerK + iceKg * IceBalance.IceKjPerK;
        var warming = Math.Min(kw, Math.Max(0, kw * OverIceKPerKw - tempC) * heatKjPerK);
        tempC += warming / heatKjPerK;
        iceKg = Math.Max(0, iceKg - (kw - warming) / IceBalance.FusionKj);
    }

    /// <summary>What the watcher writes down, noise and gaps included.</summary>
    private sealed class Samples(SimulatedWatch watch, Random random)
    {
        private static readonly RunPlaceKind[] Temperatures =
            [RunPlaceKind.ColdestBend, RunPlaceKind.WarmestBend, RunPlaceKind.AtSensor, RunPlaceKind.EndSensor, RunPlaceKind.Box];

        private readonly Dictionary<RunPlace, (List<double> Minutes, List<double> Values)> taken = [];

        public void Take(double minute, double[] zones, double sensorC, double boxC, double[] amperes, double volts)
        {
            double[] temperatures = [zones[SimulatedCoil.Coldest], zones[SimulatedCoil.Warmest], zones[SimulatedCoil.Spot], sensorC, boxC];
            for (var i = 0; i < Temperatures.Length; i++)
                Add(new(Temperatures[i]), minute, temperatures[i] + watch.NoiseK * Normal());
            for (var i = 0; i < amperes.Length; i++)
                Add(RunPlace.Leg(i + 1), minute, amperes[i] * (1 + 0.01 * Normal()));
            Add(new(RunPlaceKind.HeaterVoltage), minute, volts * (1 + 0.003 * Normal()));
        }

        /// <summary>A switch shows no temperature of its own.</summary>
        public List<RunTrack> Tracks(DefrostSetUp setUp) =>
            [.. taken.Where(t => t.Key.Kind != RunPlaceKind.EndSensor || setUp.EndedBy == TerminationKind.Probe)
                .Select(t => new RunTrack(t.Key, [.. t.Value.Minutes], [.. t.Value.Values]))];

        private void Add(RunPlace place, double minute, double value)
        {
            if (random.NextDouble() < watch.MissingShare)
                return;
            if (!taken.TryGetValue(place, out var track))
                taken[place] = track = ([], []);
            track.Minutes.Add(minute);
            track.Values.Add(value);
        }

        /// <summary>Standard normal by Box and Muller.</summary>
        private double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(Math.Tau * random.NextDouble());
    }
}
