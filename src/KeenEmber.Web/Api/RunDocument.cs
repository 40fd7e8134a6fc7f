using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Web.Api;

/// <param name="Watts">Of one element at <paramref name="Volts"/> across it.</param>
public sealed record HeaterDocument(double Watts, double Volts);

/// <summary>How a unit defrosts, in °C, minutes, kPa absolute, W and V.</summary>
public sealed record SetUpDocument(
    DefrostKind Kind, DefrostStart Start = DefrostStart.Clock, TerminationKind EndedBy = TerminationKind.Time, string? SensorPlace = null,
        double? EndC = null, double? ResetC = null,
    double? EndPressureKpa = null, double? FailSafeMin = null, double? DripMin = null, double? FanDelayC = null,
        HeaterConnection Connection = HeaterConnection.Separate,
    HeaterDocument?[]? Heaters = null, double? CoilMassKg = null, TimeOnly[]? Starts = null)
{
    internal const int MostHeaters = 24, LongestName = 80;

    public static SetUpDocument Of(DefrostSetUp s) =>
        new(s.Kind, s.Start, s.EndedBy, s.SensorPlace, s.EndAt?.Temperature.Celsius, s.ResetAt?.Temperature.Celsius,
        s.EndPressure?.Si(Pressure.StandardAtmosphere), s.FailSafeMin, s.DripMin, s.FanDelayC, s.Connection,
            [.. s.Legs.Select(l => new HeaterDocument(l.Watts, l.Volts))], s.CoilMassKg, s.Starts?.ToArray());

    public DefrostSetUp ToSetUp()
    {
        static TypedValue? Celsius(double? c) => c is { } value ? new(value, Unit.Celsius) : null;
        return new(
            Kind, Start, EndedBy, SensorPlace ?? "", Celsius(EndC), Celsius(ResetC), EndPressureKpa is { } p
            ? new(p, Unit.KilopascalAbsolute) : null, FailSafeMin, DripMin,
            Celsius(FanDelayC), Connection, [.. (Heaters ?? []).Select(h => new HeaterLeg(h!.Watts, h.Volts))], CoilMassKg, Starts);
    }
}

/// <param name="Minutes">Since the start of the run, rising.</param>
/// <param name="Values">°C, A, V or kPa absolute, one for each minute.</param>
public sealed record TrackDocument(RunPlaceKind Place, string? Name, double[] Minutes, double[] Values)
{
    internal RunPlace At => new(Place, Name ?? "");
}

public sealed record MarkDocument(RunMarkKind Kind, double Minute);

/// <summary>A defrost run as it goes in and out: for the analysis, for export, for import.</summary>
/// <param name="TargetC">Box temperature the unit is meant to hold.</param>
public sealed record RunDocument(
    DateTimeOffset? Start, SetUpDocument? SetUp, TrackDocument?[]? Tracks, MarkDocument?[]? Marks = null, double? TargetC = null)
{
    public static RunDocument Of(DefrostRun run) => new(run.Start, SetUpDocument.Of(run.SetUp),
        [.. run.Tracks.Select(t => new TrackDocument(t.Place.Kind, t.Place.Name.Length > 0 ? t.Place.Name : null, t.Minutes, t.Values))],
        [.. run.Marks.Select(m => new MarkDocument(m.Kind, m.Minute))], run.TargetC);

    /// <summary>The run, or what is wrong with it by field.</summary>
    /// <param name="now">A run cannot have begun later than tomorrow.</param>
    public (DefrostRun? Run, Dictionary<string, string[]> Errors) Read(DateTimeOffset now)
    {
        var errors = new Dictionary<string, string[]>();
        if (SetUp is null)
            errors["setUp"] = ["How the unit defrosts is missing."];
        else
            Check(SetUp, errors);
        if (Start is { } start && !EntryBounds.IsMoment(start, now))
            errors["start"] = [$"A moment from {EntryBounds.Earliest:yyyy} to tomorrow."];
        if (Tracks is not { Length: > 0 and <= RunBounds.MostTracks })
            errors["tracks"] = [$"1 to {RunBounds.MostTracks} tracks."];
        if (Marks is { Length: > RunBounds.MostMarks } || Marks?.Any(m => m is null || !RunBounds.IsMinute(m.Minute)) == true)
            errors["marks"] = [$"At most {RunBounds.MostMarks} marks, each with its minute within {RunBounds.LongestMin:F0} of the start."];
        if (TargetC is { } target && !RunBounds.CanBe(new(RunPlaceKind.Box), target))
            errors["targetC"] = ["A temperature that a box can have, °C."];
        for (var i = 0; i < Math.Min(Tracks?.Length ?? 0, RunBounds.MostTracks); i++)
        {
            if (Wrong(Tracks![i]) is { } wrong)
                errors[$"tracks[{i}]"] = [wrong];
        }

        return errors.Count > 0 ? (null, errors) : (new(Start ?? DateTimeOffset.UnixEpoch, SetUp!.ToSetUp(),
            [.. Tracks!.Select(t => new RunTrack(t!.At, t.Minutes, t.Values))],
                [.. (Marks ?? []).Select(m => new RunMark(m!.Kind, m.Minute))]) { TargetC = TargetC }, errors);
    }

    private static string? Wrong(TrackDocument? track) => track switch
    {
        not { Minutes: not null, Values: not null } => "A place with its minutes and values.",
        { Name.Length: > SetUpDocument.LongestName } => $"A name of up to {SetUpDocument.LongestName} characters.",
        { Minutes.Length: > RunBounds.MostSamples } => $"At most {RunBounds.MostSamples} samples.",
        _ when track.Minutes.Length != track.Values.Length => "As many values as minutes.",
        _ when !track.Minutes.All(RunBounds.IsMinute) => $"Minutes within {RunBounds.LongestMin:F0} of the start.",
        _ when !track.Minutes.Zip(track.Minutes.Skip(1)).All(p => p.Second > p.First) => "Minutes must rise.",
        _ when !track.Values.All(v => RunBounds.CanBe(track.At, v)) => "A value that nothing at this place can have.",
        _ => null,
    };

    private static void Check(SetUpDocument s, Dictionary<string, string[]> errors)
    {
        if (s.SensorPlace is { Length: > SetUpDocument.LongestName })
            errors["setUp.sensorPlace"] = [$"Up to {SetUpDocument.LongestName} characters."];
        if (s.Heaters is { Length: > SetUpDocument.MostHeaters }
            || s.Heaters?.Any(h => h is not { Watts: > 0 and <= 100_000, Volts: > 0 and <= 1000 }) == true)
            errors["setUp.heaters"] = [$"Up to {SetUpDocument.MostHeaters} heaters, each of 0 to 100,000 W at 0 to 1,000 V."];
        if (s.Starts is { Length: > 48 })
            errors["setUp.starts"] = ["Up to 48 starts a day."];
        foreach (var (field, celsius) in new[] { ("endC", s.EndC), ("resetC", s.ResetC), ("fanDelayC", s.FanDelayC) })
        {
            if (celsius is { } c && !RunBounds.CanBe(new(RunPlaceKind.EndSensor), c))
                errors["setUp." + field] = ["A temperature a coil can have, °C."];
        }

        foreach (
            var (field, number, most) in new[] { ("failSafeMin", s.FailSafeMin, 1440.0), ("dripMin", s.DripMin, 1440),
            ("coilMassKg", s.CoilMassKg, 5000), ("endPressureKpa", s.EndPressureKpa, 30_000) })
        {
            if (number is not (null or >= 0) || number > most)
                errors["setUp." + field] = [$"A number from 0 to {most:F0}."];
        }
    }
}
