using System.Text.Json;
using KeenEmber.Application.Import;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Storage;
using KeenEmber.Web.Api;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Defrost;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Options;

namespace KeenEmber.Web.Pages.Visits.Defrost.Import;

/// <summary>A defrost from a logger's file or from rows typed in: the columns are named once, then remembered.</summary>
[RequestFormLimits(ValueLengthLimit = MostBytes, MultipartBodyLengthLimit = MostBytes)]
public sealed class DefrostFileModel(
    VisitViews views, LoggerStore loggers, IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json)
    : VisitPage(views)
{
    public const int MostBytes = 40_000_000;

    private const string TypedIn = "typed in";

    /// <summary>The file whose columns are being named.</summary>
    [BindProperty(SupportsGet = true, Name = "file")]
    public Guid? FileId { get; set; }

    public string Rows { get; private set; } = "";

    /// <summary>The head of the file that waits: enough to name its columns.</summary>
    public (string Name, LoggerFile File)? Waiting { get; private set; }

    /// <summary>As named last time, or else as its headings sound.</summary>
    public LoggerColumns Columns { get; private set; } = new(0, []);

    public bool IsKnown { get; private set; }

    /// <summary>Day and month of its times could be either way round: it is asked.</summary>
    public bool AsksDayOrder { get; private set; }

    /// <summary>What a column can be, by the value of its choice.</summary>
    public static IReadOnlyList<RunPlace> Choices { get; } =
    [
        .. Enum.GetValues<RunPlaceKind>().Where(k => k is not (RunPlaceKind.HeaterCurrent or RunPlaceKind.Other or RunPlaceKind.Bend))
            .Select(k => new RunPlace(k)),
        RunPlace.Leg(1), RunPlace.Leg(2), RunPlace.Leg(3),
    ];

    protected override void Loaded()
    {
        if (FileId is not { } id || loggers.Find(id, View.Visit.Id, whole: false) is not var (name,
            head) || LoggerFile.Open(head) is not { } file)
            return;
        Waiting = (name, file);
        var known = loggers.ColumnsOf(file.Signature);
        (Columns, IsKnown) = (known ?? file.Guess(), known is not null);
    }

    public async Task<IActionResult> OnPostFileAsync(Guid id, Guid fileId, string? rows, IFormFile? file)
    {
        if (!Load(id, fileId))
            return NotFound();
        if (fileId == Guid.Empty)
            return BadRequest();
        Rows = rows ?? "";
        if (file is null && string.IsNullOrWhiteSpace(rows))
        {
            Form.Errors["file"] = "Choose a file, or type rows with a line of headings.";
            return Page();
        }

        var sent = file is null ? System.Text.Encoding.UTF8.GetBytes(rows!) : new byte[file.Length];
        if (file is not null)
        {
            await using var stream = file.OpenReadStream();
            await stream.ReadExactlyAsync(sent);
        }

        if (IsDocument(sent))
            return TakeDocument(id, fileId, sent, file?.FileName ?? "");
        if (LoggerFile.Open(sent) is null)
        {
            Form.Errors["file"] =
                $"This is not a table. It needs a line of headings with rows below, in 2 to {Table.MostColumns} columns separated by "
                + "comma, semicolon or tab.";
            return Page();
        }

        loggers.Save(fileId, id, TypingText.Kept(file?.FileName ?? TypedIn, 80), sent);
        return RedirectToPage(new { id, file = fileId });
    }

    /// <summary>An exported run begins with a brace, a table never does.</summary>
    private static bool IsDocument(ReadOnlySpan<byte> file) => file.TrimStart(" \t\r\n\uFEFF"u8) is [(byte)'{', ..];

    /// <summary>A run as it was exported.</summary>
    private IActionResult TakeDocument(Guid id, Guid fileId, byte[] file, string name)
    {
        try
        {
            var (run, errors) =
                JsonSerializer.Deserialize<RunDocument>(file.AsSpan(Array.IndexOf(file, (byte)'{')), json.Value.SerializerOptions)?.Read(
                View.Now) ?? (null, []);
            if (run is null)
            {
                Form.Errors["file"] =
                    $"This file is not a whole run. {string.Join(" ", errors.Take(3).Select(e => $"{e.Key}: {e.Value[0]}"))}".TrimEnd();
                return Page();
            }

            Desk.KeepRuns([run], RunOrigin.Logged, name, Writer);
            return RedirectToPage("/Visits/Defrost/Defrost", new { id });
        }
        catch (JsonException)
        {
            Form.Errors["file"] = "This JSON could not be read.";
            return Page();
        }
    }

    public IActionResult OnPostColumns(Guid id, Guid lineId, int timeColumn, string? startDay, string? startTime, DayOrder? order)
    {
        if (!Load(id, lineId))
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
        if (loggers.Find(FileId!.Value, id, whole: true) is not var (_, body) || LoggerFile.Open(body) is not { } whole)
            return NotFound();
        var read = whole.Read(columns, View.Clock.Zone, order);
        if (read.NeedsDayOrder)
        {
            (Columns, AsksDayOrder) = (columns, true);
            Form.Errors["order"] = "Its dates could be read either way round. Choose which comes first, day or month.";
            return Page();
        }

        var start = read.Start
            ?? StartTyped(startDay, string.IsNullOrEmpty(startTime) && read.ClockOfStart is { } clock ? $"{clock:HH:mm}" : startTime);
        if (read.Tracks.Count == 0)
            Form.Errors["columns"] =
                $"No value was found: {read.Skipped} of {read.Rows} rows have no time that is understood. Is the time column the right "
                    + $"one?";
        else if (start > View.Now + TimeSpan.FromMinutes(2))
            Form.Errors["start"] = "This would begin after now. Check the day.";
        else if (start < EntryBounds.Earliest)
            Form.Errors["start"] = $"This would begin before {EntryBounds.Earliest:yyyy}. Check the logger's clock.";
        if (Form.IsWrong || start is not { } begins)
            return Page();
        loggers.Remember(file.Signature, columns);
        var log = new DefrostRun(begins, View.Defrost.SetUp ?? new(DefrostKind.Electric), read.Tracks, []);
        Desk.KeepRuns(DefrostSplit.Of(log), name == TypedIn ? RunOrigin.TypedIn : RunOrigin.Logged, Told(name, read), Writer);
        loggers.Remove(FileId!.Value);
        return RedirectToPage("/Visits/Defrost/Defrost", new { id });
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
        if (place is not { } known)
            return new(null, null);
        return new(known, unit?.Kind == known.Measures ? unit : View.Company.Units.For(known.Measures));
    }

    private DateTimeOffset? StartTyped(string? day, string? time)
    {
        if (string.IsNullOrWhiteSpace(time))
        {
            Form.Errors["start"] = "These rows only count minutes: type the time at which they begin, such as 14:05.";
            return null;
        }

        Form["startTime"] = time;
        var date = DateOnly.TryParse(day, System.Globalization.CultureInfo.InvariantCulture, out var typed) ? typed
            : View.Clock.Date(View.Visit.StartedAt);
        if (date < DateOnly.FromDateTime(EntryBounds.Earliest.Date) || date > EntryBounds.LastDay)
        {
            Form.Errors["start"] = $"Type a day from {EntryBounds.Earliest:yyyy} on.";
            return null;
        }

        return Form.Moment("startTime", date, View.Clock, "start");
    }

    /// <summary>The file's name with what was odd about it.</summary>
    private static string Told(string name, LoggedSeries read)
    {
        var odd =
            new[] { (read.Skipped, "without a time"), (read.Duplicates, "double"), (read.Backward, "clock set back"),
            (read.IsCut ? 1 : 0, "end left out: too many rows") }.Where(o => o.Item1 > 0).Select(o => $"{o.Item1} {o.Item2}");
        return string.Join(", ", odd.Prepend($"{name}, {read.Rows} rows"));
    }
}
