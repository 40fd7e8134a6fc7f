namespace KeenEmber.Core.Benches.Defrost;

/// <summary>Ice that was melted, from the energy.</summary>
/// <param name="IceKg">kg; never below 0.</param>
/// <param name="UncertaintyKg">About two times in three the truth is nearer than this.</param>
/// <param name="EnergyKwh">What the heat gave until the coil was clear, or until it ended.</param>
/// <param name="LostKwh">What of it left the coil for the air.</param>
/// <param name="LossIsMeasured">The loss was read from the coil's own warm stretch; else it is a usual share.</param>
public sealed record IceEstimate(double IceKg, double UncertaintyKg, double EnergyKwh, double CoilKwh, double LostKwh, bool LossIsMeasured);

/// <summary>
/// Ice = (energy - warming of the metal - loss to the air) / (heat of fusion + warming of the ice). The loss per kelvin is the coil's own,
/// read where
/// it has no more ice: heat on after clear, and heat off before the refrigeration comes back.
/// </summary>
public static class IceBalance
{
    /// <summary>Heat of fusion of ice at 0 °C, kJ/kg (IAPWS R14-08).</summary>
    public const double FusionKj = 333.5;

    /// <summary>Specific heat of ice near -10 °C, kJ/(kg K) (IAPWS R10-06).</summary>
    public const double IceKjPerK = 2.05;

    /// <summary>Copper tubes and aluminium fins in the usual proportion, kJ/(kg K) (copper 0.385, aluminium 0.90).</summary>
    public const double MetalKjPerK = 0.60;

    /// <summary>Share of the heat that a sheltered coil usually loses before it is clear, where nothing tells.</summary>
    private const double UsualLossShare = 0.2;

    /// <summary>Ice melts with this much uncertainty of the measured power, of the metal's heat and of the loss.</summary>
    private const double PowerShare = 0.05, RatedPowerShare = 0.12, MetalShare = 0.15, LossShare = 0.3, UsualLossUncertainty = 1.2;

    /// <summary>Shorter warm stretches tell nothing of the loss, min.</summary>
    private const double ShortestStretchMin = 3;

    /// <param name="powerKw">Of the heaters while they are on.</param>
    /// <param name="powerIsMeasured">Currents were measured; else the rating is used.</param>
    /// <param name="clear">Minute the last place came clear; null when none did.</param>
    /// <returns>Null without temperatures of the coil, or when neither its mass nor two warm stretches are known.</returns>
    public static IceEstimate? Of(DefrostRun run, DefrostPhases phases, double? clear, double powerKw, bool powerIsMeasured)
    {
        var coil = run.Tracks.Where(t => t.Place.IsOnCoil && !t.IsEmpty).ToList();
        if (coil.Count == 0 || phases is not { HeatOn: { } on, HeatOff: { } off } || (clear ?? off) - on < 1)
            return null;
        var until = clear ?? off;
        var air = run.Track(RunPlaceKind.AirBehind) ?? run.Track(RunPlaceKind.AirInFront) ?? run.Track(RunPlaceKind.Box);
        var heating = Stretch(coil, air, on, until);
        var afterClear = clear is { } c && off - c >= ShortestStretchMin ? Stretch(coil, air, c + 1, off) : null;
        var drip = (phases.Refrigeration ?? phases.FansOn ?? run.LastMinute) is var end && end - off >= ShortestStretchMin
            && clear is not null
            ? Stretch(coil, air, off + 0.5, Math.Min(end, off + 12)) : null;
        if (heating is null)
            return null;
        var (metal, loss) = MetalAndLoss(run.SetUp.CoilMassKg * MetalKjPerK, powerKw, afterClear, drip);
        if (metal is not { } kjPerK)
            return null;
        var energy = powerKw * 60 * (until - on);
        var stored = kjPerK * heating.Rise;
        var lost = loss is { } kw ? kw * heating.Above : UsualLossShare * energy;
        var perKg = FusionKj + IceKjPerK * Math.Max(0, -heating.FirstC);
        var spread = new[]
        {
            energy * (powerIsMeasured ? PowerShare : RatedPowerShare), stored * MetalShare,
                lost * (loss is null ? UsualLossUncertainty : LossShare), powerKw * 60,
        };
        return new(
            Math.Max(0, energy - stored - lost) / perKg, Math.Sqrt(spread.Sum(s => s * s)) / perKg, energy / 3600, stored / 3600,
            lost / 3600, loss is not null);
    }

    /// <summary>Heat capacity of the metal, kJ/K, and loss, kW/K times 60 (kJ per K and minute).</summary>
    private static (double? Metal, double? Loss) MetalAndLoss(double? metal, double powerKw, WarmStretch? afterClear, WarmStretch? drip)
    {
        var heat = afterClear is null ? 0 : powerKw * 60 * afterClear.Minutes;
        if (metal is { } known)
        {
            var above = (afterClear?.Above ?? 0) + (drip?.Above ?? 0);
            var lost = heat - known * ((afterClear?.Rise ?? 0) + (drip?.Rise ?? 0));
            return (known, above > 10 && lost > 0 ? lost / above : null);
        }

        if (afterClear is null || drip is null)
            return (null, null);

        // heat = metal × rise + loss × above, once with the heat on and once with it off
        var determinant = afterClear.Rise * drip.Above - drip.Rise * afterClear.Above;
        if (determinant <= 0)
            return (null, null);
        var found = heat * drip.Above / determinant;
        return found > 0 ? (found, Math.Max(0, -found * drip.Rise / drip.Above)) : (null, null);
    }

    /// <param name="Rise">K from first to last.</param>
    /// <param name="Above">Integral of coil less air, K min; 0 where the air was not measured.</param>
    private sealed record WarmStretch(double Minutes, double FirstC, double Rise, double Above);

    private static WarmStretch? Stretch(List<RunTrack> coil, RunTrack? air, double from, double to)
    {
        var steps = Math.Clamp((int)((to - from) * 2), 2, 600);
        var width = (to - from) / steps;
        double? Mean(double minute)
        {
            var at = coil.Select(t => t.Mean(minute - Math.Max(width, 0.5), minute + Math.Max(width, 0.5))).OfType<double>().ToList();
            return at.Count == 0 ? null : at.Average();
        }

        if (Mean(from) is not { } first || Mean(to) is not { } last)
            return null;
        var above = 0.0;
        for (var i = 0; i < steps && air is not null; i++)
        {
            var minute = from + (i + 0.5) * width;
            above += ((Mean(minute) ?? first) - (air.At(minute) ?? air.Values[^1])) * width;
        }

        return new(to - from, first, last - first, above);
    }
}
