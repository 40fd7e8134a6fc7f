using System.Text.Json;
using KeenEmber.Core.Defrost;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Api;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Options;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>A defrost from a logger's file or from rows typed in: the columns are named once, then remembered.</summary>
[RequestFormLimits(ValueLengthLimit = MostBytes, MultipartBodyLengthLimit = MostBytes)]
[RequestSizeLimit(MostBytes)]
public sealed class DefrostFileModel(VisitDesk desk, LoggerStore loggers, RunSeriesStore series, IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json) : VisitPage(desk)
{
    public const int MostBytes = 40_000_000;

    /// <summary>The file whose columns are being named.</summary>
    [BindProperty(SupportsGet = true, Name = "file")]
    public Guid? FileId { get; set; }

    public string Rows { get; private set; } = "";

    public (string Name, LoggerFile File)? Waiting => waiting ??= FileId is { } id ? loggers.Find(id, View.Visit.Id) : null;

    public LoggerColumns Columns => Waiting is var (_, file) ? loggers.ColumnsOf(file) ?? file.Guess() : new(0, []);

    public bool IsKnown => Waiting is var (_, file) && loggers.ColumnsOf(file) is not null;

    /// <summary>What a column can be, by the value of its choice.</summary>
    public static IReadOnlyList<RunPlace> Choices { get; } =
    [
        .. Enum.GetValues<RunPlaceKind>().Where(k => k is not (RunPlaceKind.HeaterCurrent or RunPlaceKind.Other or RunPlaceKind.Bend)).Select(k => new RunPlace(k)),
        RunPlace.Leg(1), RunPlace.Leg(2), RunPlace.Leg(3),
    ];

    private (string Name, LoggerFile File)? waiting;

    public async Task<IActionResult> OnPostFileAsync(Guid id, Guid fileId, string? rows, IFormFile? file)
    {
        if (!Load(id))
            return NotFound();
        if (fileId == Guid.Empty)
            return BadRequest();
        Rows = rows ?? "";
        if (file is null && string.IsNullOrWhiteSpace(rows))
        {
            Form.Errors["file"] = "Choose a file, or type rows with a line of headings.";
            return Page();
        }

        using var bytes = new MemoryStream();
        if (file is not null)
            await file.CopyToAsync(bytes);
        var text = file is null ? rows! : LoggerFile.Decode(bytes.ToArray());
        if (text.TrimStart().StartsWith('{'))
            return TakeDocument(id, fileId, text, file?.FileName ?? "");
        if (LoggerFile.Open(text) is null)
        {
            Form.Errors["file"] = "This is no table: a line of headings is needed, rows below it, and at least two columns parted by comma, semicolon or tab.";
            return Page();
        }

        loggers.Save(fileId, id, TypingText.Kept(file?.FileName ?? "typed in", 80), text);
        return RedirectToPage(new { id, file = fileId });
    }

    /// <summary>A run as it was exported.</summary>
    private IActionResult TakeDocument(Guid id, Guid fileId, string text, string name)
    {
        try
        {
            if (JsonSerializer.Deserialize<RunDocument>(text, json.Value.SerializerOptions)?.Read() is not { Run: { } run })
            {
                Form.Errors["file"] = "This file is no whole run: its tracks or its set-up are missing or broken.";
                return Page();
            }

            Keep(id, fileId, [run], RunOrigin.Logged, name);
            return RedirectToPage("/Visits/Defrost", new { id });
        }
        catch (JsonException)
        {
            Form.Errors["file"] = "This JSON could not be read.";
            return Page();
        }
    }

    public IActionResult OnPostColumns(Guid id, Guid lineId, int timeColumn, string? startDay, string? startTime)
    {
        if (!Load(id))
            return NotFound();
        if (lineId == Guid.Empty || Waiting is not var (name, file) || timeColumn < 0 || timeColumn >= file.Headings.Count)
            return BadRequest();
        var columns = new LoggerColumns(timeColumn, [.. Enumerable.Range(0, file.Headings.Count).Select(Column)]);
        if (columns.Columns.All(c => c.Place is null))
            Form.Errors["columns"] = "Say of one column at least where it was measured.";
        if (columns.Columns.Where(c => c.Place is not null).GroupBy(c => c.Place).FirstOrDefault(g => g.Count() > 1) is { } twice)
            Form.Errors["columns"] = $"Two columns are {DefrostText.Name(twice.Key!.Value)}. Name one of them otherwise.";
        if (Form.IsWrong)
            return Page();
        var read = file.Read(columns);
        var start = read.Start is { Year: > 1 } wall ? View.Clock.At(wall) : StartTyped(startDay, startTime ?? (read.Start is { } clock ? $"{clock:HH:mm}" : null));
        if (read.Tracks.Count == 0)
            Form.Errors["columns"] = $"No value was found: {read.Skipped} of {read.Rows} rows have no time that is understood. Is the time column the right one?";
        else if (start > View.Now + TimeSpan.FromMinutes(2))
            Form.Errors["start"] = "This would begin after now. Is the day right?";
        if (Form.IsWrong || start is not { } begins)
            return Page();
        loggers.Remember(file, columns);
        var log = new DefrostRun(begins, View.DefrostSetUp ?? new(DefrostKind.Electric), read.Tracks, []);
        Keep(id, lineId, DefrostSplit.Of(log), name == "typed in" ? RunOrigin.TypedIn : RunOrigin.Logged, Told(name, read));
        loggers.Remove(FileId!.Value);
        return RedirectToPage("/Visits/Defrost", new { id });
    }

    private LoggerColumn Column(int i)
    {
        var choice = Request.Form[$"place-{i}"].ToString();
        var name = TypingText.Kept(Request.Form[$"name-{i}"], 30);
        RunPlace? place = choice switch
        {
            "" => null,
            "bend" => new(RunPlaceKind.Bend, name.Length > 0 ? name : Waiting!.Value.File.Headings[i]),
            "other" => new(RunPlaceKind.Other, name.Length > 0 ? name : Waiting!.Value.File.Headings[i]),
            _ => int.TryParse(choice, out var index) && index >= 0 && index < Choices.Count ? Choices[index] : null,
        };
        var unit = Unit.Find(Request.Form[$"unit-{i}"].ToString());
        return new(place, place is null ? null : unit?.Kind == place.Value.Measures ? unit : View.Shop.Units.For(place.Value.Measures));
    }

    private DateTimeOffset? StartTyped(string? day, string? time)
    {
        if (TimeOnly.TryParse(time, System.Globalization.CultureInfo.InvariantCulture, out var clock))
            return View.Clock.At((DateOnly.TryParse(day, System.Globalization.CultureInfo.InvariantCulture, out var date) ? date : View.Clock.Date(View.Visit.StartedAt)).ToDateTime(clock));
        Form.Errors["start"] = "These rows only count minutes: type the time at which they begin, such as 14:05.";
        return null;
    }

    /// <summary>The file's name with what was odd about it.</summary>
    private static string Told(string name, LoggedSeries read)
    {
        var odd = new[] { (read.Skipped, "without a time"), (read.Duplicates, "double"), (read.Backward, "clock set back") }.Where(o => o.Item1 > 0).Select(o => $"{o.Item1} {o.Item2}");
        return string.Join(", ", odd.Prepend($"{name}, {read.Rows} rows"));
    }

    private void Keep(Guid id, Guid lineId, IReadOnlyList<DefrostRun> runs, RunOrigin origin, string source)
    {
        var entries = new List<TimelineEntry>();
        foreach (var run in runs)
        {
            var runId = EntryId.OfLine(lineId, entries.Count);
            series.Save(runId, run.Tracks);
            entries.Add(new RunEntry(runId, id, run.Start, View.Now, View.Visit.Author, null, origin, runId, source));
            entries.AddRange(run.Marks.Select((m, i) => new RunMarkEntry(EntryId.OfLine(lineId, entries.Count + i), id, run.Start + TimeSpan.FromMinutes(m.Minute), View.Now, View.Visit.Author, null, runId, m.Kind)));
        }

        Desk.Append(entries);
    }
}
