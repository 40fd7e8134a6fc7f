using System.Globalization;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Defrost.Schedule;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Defrost;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Defrost.Schedule;

/// <summary>The schedule planner: how many, how long, when; against the schedule as it is and against what somebody else asked
/// for.</summary>
public sealed class DefrostPlanModel(VisitViews views) : VisitPage(views)
{
    public bool EndsByTemperature { get; private set; }

    public IReadOnlyList<DayPart> Busy { get; private set; } = [];

    public IReadOnlyList<Neighbour> Neighbours { get; private set; } = [];

    public PlanBasis? Basis { get; private set; }

    public double IcePerDayKg { get; private set; }

    public double LengthMin { get; private set; }

    /// <summary>Null when the neighbours leave no room, or something typed is wrong.</summary>
    public IReadOnlyList<TimeOnly>? Planned { get; private set; }

    public IReadOnlyList<TimeOnly> Today => View.Defrost.SetUp?.Starts ?? [];

    public double TodayMin => View.Defrost.SetUp?.FailSafeMin ?? LengthMin;

    public IReadOnlyList<TimeOnly> Asked { get; private set; } = [];

    public double AskedMin { get; private set; }

    public double DripMin => View.Defrost.SetUp?.DripMin ?? 0;

    public IReadOnlyList<DayPart> Parts(IReadOnlyList<TimeOnly>? starts, double lengthMin) =>
        [.. (starts ?? []).Select(s => new DayPart(s, s.AddMinutes(lengthMin + DripMin)))];

    /// <summary>The schedules side by side that there are.</summary>
    public IEnumerable<(string Name, IReadOnlyList<TimeOnly> Starts, double LengthMin, PlanForecast Forecast)> Schedules()
    {
        if (Basis is not { } basis)
            yield break;
        if (Planned is { } planned)
            yield return ("planned", planned, LengthMin, DefrostPlan.Forecast(basis, planned, LengthMin, EndsByTemperature));
        if (Today.Count > 0)
            yield return ("as it is", Today, TodayMin, DefrostPlan.Forecast(basis, Today, TodayMin, View.Defrost.SetUp!.EndC is not null));
        if (Asked.Count > 0)
            yield return (
                Form["askedBy"].Length > 0 ? $"asked for by {Form["askedBy"]}"
                : "asked for", Asked, AskedMin, DefrostPlan.Forecast(basis, Asked, AskedMin, EndsByTemperature));
    }

    public IActionResult OnPostPlan(Guid id, Guid lineId)
    {
        if (!Load(id, lineId))
            return NotFound();
        if (lineId == Guid.Empty)
            return BadRequest();
        var useAsked = Form["take"] == "asked";
        if (Form.IsWrong || (useAsked ? Asked.Count == 0 : Planned is null))
            return Page();
        var (starts, length) = useAsked ? (Asked, AskedMin) : (Planned!, LengthMin);
        var before = View.Defrost.SetUp ?? new(DefrostKind.Electric);
        var after =
            before with { Starts = starts, FailSafeMin = length, EndedBy = EndsByTemperature ? before.EndedBy : TerminationKind.Time };
        var look = Form["look"].Length > 0 ? $"; look for: {Form["look"]}" : "";
        Append(
        [
            new DefrostSetUpEntry(Writer.Next(), after),
            new ChangeEntry(Writer.Next(), "defrost schedule", Said(Today, View.Defrost.SetUp?.FailSafeMin), Said(starts, length) + look,
                Form["askedBy"], OpenItemKind.WatchIt, false, WorkArea.Defrost),
        ]);
        return RedirectToPage(new { id, saved = 2 });
    }

    public static string Said(IReadOnlyList<TimeOnly> starts, double? lengthMin) => starts.Count == 0 ? "not on record"
        : $"{starts.Count} × {(lengthMin is { } m ? UnitText.Number(m, 0) : "?")} min at {string.Join(", ", starts.Select(Time))}";

    public static string Time(TimeOnly time) => time.ToString("HH:mm", CultureInfo.InvariantCulture);

    /// <summary>Reads what was typed, or proposes, and works the plan out.</summary>
    protected override void Loaded()
    {
        Form.Keep(Request.HasFormContentType ? Request.Form : Request.Query);
        if (!Form.Has("count"))
        {
            Form["count"] = $"{Math.Max(Today.Count, 4)}";
            Form["length"] = UnitText.Number(View.Defrost.SetUp?.FailSafeMin ?? 30, 0);
            Form["temperature"] = View.Company.Policies.Of(Policy.Defrost) == PolicyChoice.FewLongByTemperature
                && View.Defrost.SetUp?.EndC is not null ? "true" : "";
        }

        EndsByTemperature = Form["temperature"].StartsWith("true", StringComparison.Ordinal);
        var count = (int)(Form.Number("count", 1, 24) ?? 4);
        LengthMin = Form.Number("length", 1, 240) ?? 30;
        Busy = DayParts("busy", Form["busy"]);
        Neighbours =
            [.. Form["neighbours"].Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(ReadNeighbour)
            .OfType<Neighbour>()];
        Asked = Form.Times("asked");
        AskedMin = Form.Number("askedLength", 1, 240) ?? LengthMin;
        IcePerDayKg = IcePerDay();
        Basis = DefrostPlan.BasisOf([.. View.Defrost.Runs.Select(r => r.Result)], IcePerDayKg);
        if (!Form.IsWrong)
        {
            Planned = DefrostPlan.Spread(count, LengthMin + DripMin, Busy, Neighbours);
            if (Planned is null)
                Form.Errors["count"] = "The neighbours' defrosts leave no room for so many of this length.";
        }
    }

    /// <summary>As typed; else by the frost load of door and leaks; else from the ice of the last run and today's schedule.</summary>
    private double IcePerDay()
    {
        if (Form.Weight("ice", 0, 500) is { } measured)
            return measured;
        if (OutsideC() is { } outside && Form.Number("outsideRh", 1, 100) is { } humidity)
        {
            var door = Length("doorWidth") is { } w && Length("doorHeight") is { } h && Form.Number("openings", 0, 5000) is { } n
                && Form.Number("seconds", 0, 3600) is { } s
                ? new BoxDoor(w, h, n, s, (Form.Number("curtain", 0, 95) ?? 0) / 100) : null;
            return FrostLoad.KgPerDay(
                new(View.Equipment.Target.Celsius, 0.85), new(outside, humidity / 100), door,
                Form.Value("leak", QuantityKind.AirFlow)?.Si(default) ?? 0, View.Site.Atmosphere.Kpa);
        }

        var perRun = View.Defrost.Runs.Select(r => r.Result.Ice?.IceKg).LastOrDefault(i => i is not null);
        return (perRun ?? 0) * Math.Max(1, Today.Count);
    }

    /// <summary>A side of the door, m.</summary>
    private double? Length(string field) => Form.Value(field, QuantityKind.Length)?.Si(default);

    /// <summary>The air that comes in through the door, °C, typed in any unit of temperature.</summary>
    private double? OutsideC()
    {
        var celsius = Form.Value("outside", QuantityKind.Temperature)?.Temperature.Celsius;
        if (celsius is null or >= -40 and <= 50)
            return celsius;
        Form.Errors["outside"] =
            $"Outside air must be between {View.Units.Temperature(Temperature.FromCelsius(-40).Kelvin)} and "
            + $"{View.Units.Temperature(Temperature.FromCelsius(50).Kelvin)}.";
        return null;
    }

    private IReadOnlyList<DayPart> DayParts(string field, string text) =>
        [.. Form.PartsOfDay(field, text).Select(p => new DayPart(p.From, p.To))];

    private Neighbour? ReadNeighbour(string text)
    {
        var named = text.Split(' ', 2, StringSplitOptions.RemoveEmptyEntries);
        if (named.Length == 2)
            return new(named[0].TrimEnd(':'), DayParts("neighbours", named[1]));
        Form.Errors["neighbours"] = "A tag and its defrosts, such as F-3 05:00-05:40, 17:00-17:40; B-2 06:00-06:30.";
        return null;
    }
}
