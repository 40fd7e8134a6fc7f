using System.Globalization;
using CsvHelper;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Quantities;
using KeenEmber.Words.Benches.Defrost;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Extensions.Options;

namespace KeenEmber.Web.Api;

public sealed record PlaceAnswer(RunPlaceKind Place, string? Name, ClearTold Told, double? PlateauC, double? PlateauMin, double? ClearMin);

/// <param name="UncertaintyKg">One standard deviation.</param>
public sealed record IceAnswer(double IceKg, double UncertaintyKg, double EnergyKwh, double LostKwh);

/// <param name="HeatOn">Minutes since the start of the run, as all the others.</param>
/// <param name="HeatAfterClearShare">Share of the heat that came after clear.</param>
/// <param name="Findings">What it says; names of values carry their units.</param>
public sealed record DefrostAnswer(
    EndedBy EndedBy, double? HeatOn, double? HeatOff, double? HeatMin, bool IsInferred, double? ClearMin, double? HeatAfterClearMin,
        double? HeatAfterClearShare, PlaceAnswer[] Places,
    IceAnswer? Ice, double? HeaterKw, int[] ElementsOut, FindingAnswer[] Findings);

/// <summary>Analysis of a run that is sent in; the runs on record as files.</summary>
public static class DefrostEndpoints
{
    public static void MapDefrost(this IEndpointRouteBuilder routes)
    {
        routes.MapPost("/api/defrost/analysis", Analyse)
            .WithSummary("How a watched defrost ended, when the coil was clear, the heat after clear, and what is to be said of it")
                .ProducesValidationProblem();
        routes.MapGet(
            "/visits/{visit:guid}/runs/{run:guid}.json",
            (Guid visit, Guid run, VisitViews views, IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json) =>
            Find(visit, run, views) is { } found
            ? Results.Json(RunDocument.Of(found.Run), json.Value.SerializerOptions) : Results.NotFound()).ExcludeFromDescription();
        routes.MapGet(
            "/visits/{visit:guid}/runs/{run:guid}.csv", (Guid visit, Guid run, VisitViews views) => Find(visit, run, views) is { } found
            ? Results.File(Csv(found.Run), "text/csv", $"defrost-{found.Run.Start:yyyy-MM-dd-HHmm}.csv") : Results.NotFound())
                .ExcludeFromDescription();
    }

    private static WatchedRun? Find(Guid visit, Guid run, VisitViews views) =>
        views.Open(visit)?.Defrost.Runs.FirstOrDefault(r => r.Entry.Id == run);

    private static Results<Ok<DefrostAnswer>, ValidationProblem> Analyse(Sent<RunDocument> sent, TimeProvider time)
    {
        if (sent.Value is not { } question)
            return sent.Problem!;
        var (run, errors) = question.Read(time.GetUtcNow());
        if (run is null)
            return TypedResults.ValidationProblem(errors);
        var r = DefrostAnalysis.Analyse(run);
        return TypedResults.Ok(
            new DefrostAnswer(
            r.End, r.Phases.HeatOn, r.Phases.HeatOff, r.Phases.HeatMin, r.Phases.IsInferred, r.ClearMin, r.HeatAfterClearMin,
                r.HeatAfterClearShare,
            [.. r.Places.Select(
                p => new PlaceAnswer(
                p.Place.Kind, p.Place.Name.Length > 0 ? p.Place.Name : null, p.Told, p.LevelC, p.PlateauMin, p.ClearMin))],
            r.Ice is { } ice ? new(ice.IceKg, ice.UncertaintyKg, ice.EnergyKwh, ice.LostKwh)
                : null, r.Heaters?.PowerKw, [.. r.Heaters?.ElementsOut ?? []],
            [.. r.Findings.Select(
                f => new FindingAnswer(f.Code, f.Strength, f.Values, f.Seen, f.Against, f.SeenAgainst, f.WouldConfirm))]));
    }

    /// <summary>
    /// One row for each minute anything is known of: time, minute, a column for each place, what was marked. Read again by the logger
    /// import.
    /// A name that begins like a formula is written so that a sheet shows it as text.
    /// </summary>
    private static byte[] Csv(DefrostRun run)
    {
        using var bytes = new MemoryStream();
        using (var csv = CsvWriter.Create(bytes, CsvWriterOptions.Default with { Injection = CsvInjection.Escape }, leaveOpen: true))
        {
            csv.WriteField("time");
            foreach (var track in run.Tracks)
                csv.WriteField($"{DefrostText.Name(track.Place)} ({UnitOf(track.Place)})");
            csv.WriteField("seen");
            csv.EndRecord();
            var values = run.Tracks.Select(t => t.Minutes.Zip(t.Values).ToLookup(p => p.First, p => p.Second)).ToList();
            var marks = run.Marks.ToLookup(m => m.Minute, m => DefrostText.Name(m.Kind));
            foreach (var minute in run.Tracks.SelectMany(t => t.Minutes).Concat(run.Marks.Select(m => m.Minute)).Distinct().Order())
            {
                csv.WriteField(
                    (run.Start.UtcDateTime + TimeSpan.FromMinutes(minute))
                    .ToString("yyyy-MM-ddTHH:mm:ss.fffZ", CultureInfo.InvariantCulture));
                foreach (var track in values)
                {
                    if (track.Contains(minute))
                        csv.WriteField(track[minute].Last(), "0.###");
                    else
                        csv.WriteField("");
                }

                csv.WriteField(string.Join(", ", marks[minute]));
                csv.EndRecord();
            }
        }

        return bytes.ToArray();
    }

    private static string UnitOf(RunPlace place) => place.Measures switch
    {
        QuantityKind.Temperature => "°C", QuantityKind.Current => "A", QuantityKind.Voltage => "V", _ => "kPa abs",
    };
}
