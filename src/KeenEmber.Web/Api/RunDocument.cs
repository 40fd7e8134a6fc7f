using KeenEmber.Core.Defrost;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Web.Api;

/// <param name="Watts">Of one element at <paramref name="Volts"/> across it.</param>
public sealed record HeaterDocument(double Watts, double Volts);

/// <summary>How a unit defrosts, in °C, minutes, kPa absolute, W and V.</summary>
public sealed record SetUpDocument(
    DefrostKind Kind, DefrostStart Start = DefrostStart.Clock, TerminationKind EndedBy = TerminationKind.Time, string? SensorPlace = null, double? EndC = null, double? ResetC = null,
    double? EndPressureKpa = null, double? FailSafeMin = null, double? DripMin = null, double? FanDelayC = null, HeaterConnection Connection = HeaterConnection.Separate,
    HeaterDocument[]? Heaters = null, double? CoilMassKg = null, TimeOnly[]? Starts = null)
{
    public static SetUpDocument Of(DefrostSetUp s) => new(s.Kind, s.Start, s.EndedBy, s.SensorPlace, s.EndAt?.Temperature.Celsius, s.ResetAt?.Temperature.Celsius,
        s.EndPressure?.Si(Pressure.StandardAtmosphere), s.FailSafeMin, s.DripMin, s.FanDelayC, s.Connection, [.. s.Legs.Select(l => new HeaterDocument(l.Watts, l.Volts))], s.CoilMassKg, s.Starts?.ToArray());

    public DefrostSetUp ToSetUp()
    {
        static TypedValue? Celsius(double? c) => c is { } value ? new(value, Unit.Celsius) : null;
        return new(Kind, Start, EndedBy, SensorPlace ?? "", Celsius(EndC), Celsius(ResetC), EndPressureKpa is { } p ? new(p, Unit.KilopascalAbsolute) : null, FailSafeMin, DripMin,
            Celsius(FanDelayC), Connection, [.. (Heaters ?? []).Select(h => new HeaterLeg(h.Watts, h.Volts))], CoilMassKg, Starts);
    }
}

/// <param name="Minutes">Since the start of the run, rising.</param>
/// <param name="Values">°C, A, V or kPa absolute, one for each minute.</param>
public sealed record TrackDocument(RunPlaceKind Place, string? Name, double[] Minutes, double[] Values);

public sealed record MarkDocument(RunMarkKind Kind, double Minute);

/// <summary>A defrost run as it goes in and out: for the analysis, for export, for import.</summary>
/// <param name="TargetC">Box temperature the unit is meant to hold.</param>
public sealed record RunDocument(DateTimeOffset? Start, SetUpDocument? SetUp, TrackDocument[]? Tracks, MarkDocument[]? Marks = null, double? TargetC = null)
{
    public const int MostTracks = 40, MostSamples = 200_000, MostMarks = 500;

    public static RunDocument Of(DefrostRun run) => new(run.Start, SetUpDocument.Of(run.SetUp),
        [.. run.Tracks.Select(t => new TrackDocument(t.Place.Kind, t.Place.Name.Length > 0 ? t.Place.Name : null, t.Minutes, t.Values))],
        [.. run.Marks.Select(m => new MarkDocument(m.Kind, m.Minute))], run.TargetC);

    /// <summary>The run, or what is wrong with it by field.</summary>
    public (DefrostRun? Run, Dictionary<string, string[]> Errors) Read()
    {
        var errors = new Dictionary<string, string[]>();
        if (SetUp is null)
            errors["setUp"] = ["How the unit defrosts is missing."];
        if (Tracks is not { Length: > 0 and <= MostTracks })
            errors["tracks"] = [$"1 to {MostTracks} tracks."];
        if (Marks is { Length: > MostMarks } || Marks?.Any(m => !double.IsFinite(m.Minute)) == true)
            errors["marks"] = [$"At most {MostMarks} marks, each with its minute."];
        if (SetUp?.Heaters?.Any(h => h is not { Watts: > 0, Volts: > 0 }) == true)
            errors["setUp.heaters"] = ["Watts and volts above 0."];
        for (var i = 0; i < Math.Min(Tracks?.Length ?? 0, MostTracks); i++)
        {
            var track = Tracks![i];
            if (track.Minutes is null || track.Values is null || track.Minutes.Length != track.Values.Length || track.Minutes.Length > MostSamples)
                errors[$"tracks[{i}]"] = [$"As many values as minutes, at most {MostSamples}."];
            else if (!track.Minutes.Zip(track.Minutes.Skip(1)).All(p => p.Second > p.First) || !track.Values.All(double.IsFinite))
                errors[$"tracks[{i}]"] = ["Minutes must rise, and every value be a number."];
        }

        return errors.Count > 0 ? (null, errors) : (new(Start ?? DateTimeOffset.UnixEpoch, SetUp!.ToSetUp(),
            [.. Tracks!.Select(t => new RunTrack(new(t.Place, t.Name ?? ""), t.Minutes, t.Values))], [.. (Marks ?? []).Select(m => new RunMark(m.Kind, m.Minute))]) { TargetC = TargetC }, errors);
    }
}
