using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Defrost;
using KeenEmber.Words.Benches.Sensors;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Sensors;

/// <summary>The sensor bench: which sensors the unit has, their comparisons, and what was done about them.</summary>
public sealed class SensorsModel(VisitViews views) : VisitPage(views)
{
    /// <summary>What meters write where nothing flows.</summary>
    private static readonly string[] OpenWords = ["open", "ol", "o.l", "o.l.", "inf", "∞"];

    /// <summary>More is a bad contact, not a meter's leads.</summary>
    private const double MostLeadOhm = 5;

    /// <summary>Temperatures of a sensor's printed table, °C.</summary>
    public static IReadOnlyList<double> TableC { get; } = [-40, -30, -20, -10, 0, 10, 20, 25, 30, 40];

    /// <summary>The sensor whose line on the unit's list is being changed.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Edit { get; set; }

    /// <summary>The field of a sensor's row.</summary>
    public static string Cell(string what, SensorEntry sensor) => $"{what}-{sensor.Id:N}";

    /// <summary>What each sensor was off by on each visit that checked it.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<TrendMark>> ErrorTrends =>
        field ??= UnitSensors.Errors(View.UpToHere, View.Site.Atmosphere);

    /// <summary>What hangs on a sensor's error; null where it is right or not settled.</summary>
    public static SensorConsequence? Consequence(CheckedSensor sensor) =>
        sensor.Now is { Result: { IsFault: true, Error: { } error } } ? SensorConsequences.Of(sensor.Sensor.Role, error) : null;

    /// <summary>What the warming by hand said of a pair; null when it was not done.</summary>
    public WarmedEntry? Warmed(string sensor) => View.Sensors.Confirmed.LastOrDefault(w => w.Warmed == sensor);

    /// <summary>What the end sensor's error has to do with the last defrost that was watched; null where nothing.</summary>
    public (DefrostLink Link, string Said, Guid Visit, Guid Run)? EndLink()
    {
        if (View.EndSensorErrorK is not { } error
            || View.Defrost.Runs.LastOrDefault(r => r.Result.Phases.HeatOff is not null) is not { } run
            || SensorLinks.Of(error, run.Result) is var link && link == DefrostLink.None)
            return null;
        return (link, SensorText.Link(link, error, View.Units, View.Clock.Day(run.Run.Start)), run.Entry.VisitId, run.Entry.Id);
    }

    public IReadOnlyList<ResponseEntry> Responses => [.. View.Timeline.Standing.OfType<ResponseEntry>()];

    protected override void Loaded()
    {
        if (View.Sensors.Sensors.FirstOrDefault(s => s.Name == Edit) is { } edited)
            SensorForm.Fill(Form, edited.Sensor, View.Company.Units);
    }

    /// <summary>Everything read in one round, whichever fields were filled.</summary>
    public IActionResult OnPostRound(Guid id, Guid lineId, bool bath) => Take(id, lineId, () =>
    {
        var entries = new List<Entry>();
        var lead = Form.Value("lead", QuantityKind.Resistance);
        if (lead?.Si(default) > MostLeadOhm)
            Form.Errors["lead"] = $"Leads have less than {MostLeadOhm} Ω: short their tips and read again.";
        foreach (var sensor in View.Sensors.Sensors.Select(s => s.Sensor))
        {
            var measures = sensor.Curve.Measures;
            var (reference, shown) = (Form.Value(Cell("ref", sensor), measures), Form.Value(Cell("shown", sensor), measures));
            if (sensor.Curve.Signal == SignalKind.Milliampere && QuantityReader.Number(Form[Cell("sig", sensor)]) is not null)
                Form[Cell("sig", sensor)] += $" {Unit.Milliampere.Symbol}";
            var isOpen = OpenWords.Contains(Form[Cell("sig", sensor)].ToLowerInvariant());
            var signal = isOpen ? null : Form.Value(Cell("sig", sensor), UnitSensors.MeasuredAs(sensor.Curve.Signal));
            if (reference is not null || shown is not null || signal is not null || isOpen)
                entries.Add(new SensorCheckEntry(Writer.Next(), sensor.Name, lineId, reference, signal, isOpen, shown, bath,
                    sensor.Curve.Signal == SignalKind.Ohm && signal is not null ? lead : null));
        }

        if (!Form.IsWrong && entries.Count == 0)
            Form.Errors["round"] = "Nothing is filled in yet. Any of the three columns is a start.";
        return entries;
    });

    /// <summary>A sensor comes on the unit's list, is described anew, or goes.</summary>
    public IActionResult OnPostSensor(Guid id, Guid entryId, bool gone) => Take(id, entryId, () =>
    {
        if (gone && View.Sensors.Sensors.FirstOrDefault(s => s.Name == Form["name"]) is { } known)
            return [known.Sensor with { Header = Writer.Next(), Gone = true }];
        if (SensorForm.Read(Form, View.Company.Units) is not { } s)
            return [];
        var former = Form["former"] != s.Name && IsNamed(Form["former"]) ? Form["former"] : "";
        if (former.Length > 0 && IsNamed(s.Name))
            Form.Errors["name"] = $"There is another sensor called {s.Name}. Type a name that is free.";
        return [new SensorEntry(Writer.Next(), s.Name, s.Role, s.Curve, s.Place, s.Channel, s.Offset, FormerName: former, Coil: Coil)];
    });

    /// <summary>The side that was chosen, where the unit has two.</summary>
    private int Coil => int.TryParse(Form["coil"], out var coil) && coil >= 1 && coil <= View.MakeUp.Coils ? coil : 1;

    public IActionResult OnPostRepair(Guid id, Guid entryId, string? sensor, SensorRepair repair) => Take(id, entryId, () =>
    {
        if (!Enum.IsDefined(repair) || View.Sensors.Sensors.FirstOrDefault(s => s.Name == sensor) is not { } repaired)
            return null;
        // Leads put back concern every input of the ring: none of their earlier rounds speaks for it any more.
        var names = repair == SensorRepair.SwappedBack && repaired.Now is { Result.Verdict: SensorVerdict.Swapped }
            ? View.Sensors.Sensors.Where(s => s.Now is { Result.Verdict: SensorVerdict.Swapped }).Select(s => s.Name).ToList()
                : [repaired.Name];
        return [.. names.Select((n, i) => new SensorRepairEntry(Writer.Next(), n, repair))];
    });

    public IActionResult OnPostWarmed(Guid id, Guid entryId, string? warmed, string? moved) => Take(id, entryId, () =>
        IsNamed(warmed) && IsNamed(moved) ? new WarmedEntry(Writer.Next(), warmed!, moved!) : null);

    private bool IsNamed(string? sensor) => View.Sensors.Sensors.Any(s => s.Name == sensor);

    /// <summary>A sensor moved between two temperatures; its way there as "10 12.5, 20 8.1": seconds and what it told.</summary>
    public IActionResult OnPostResponse(Guid id, Guid entryId, string? sensor) => Take(id, entryId, () =>
    {
        if (!IsNamed(sensor))
            return null;
        var (from, to) =
            (Form.Value("from", QuantityKind.Temperature, required: true), Form.Value("to", QuantityKind.Temperature, required: true));
        var samples = new List<ResponseSample>();
        foreach (
            var pair in Form["samples"].Split([',', ';', '\n'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var parts = pair.Split(' ', 2, StringSplitOptions.RemoveEmptyEntries);
            if (parts.Length == 2 && QuantityReader.Number(parts[0]) is >= 0 and <= 3600 and var seconds
                && QuantityReader.Read(parts[1], QuantityKind.Temperature, View.Company.Units).Value is { } told)
                samples.Add(new(seconds, told));
            else
                Form.Errors["samples"] = $"“{TypingText.Kept(pair, 20)}” is not seconds and a temperature, such as 10 12.5.";
        }

        if (samples.Count == 0 && !Form.Errors.ContainsKey("samples"))
            Form.Errors["samples"] = "Seconds and temperature, such as 10 12.5, 30 6.1.";
        return new ResponseEntry(Writer.Next(), sensor!, from!, to!, [.. samples.OrderBy(s => s.Seconds)]);
    });
}
