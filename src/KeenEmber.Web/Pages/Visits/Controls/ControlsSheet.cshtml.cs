using KeenEmber.Application.Import;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage.Gear;
using KeenEmber.Words.Benches.Controls;
using KeenEmber.Words.Benches.Defrost;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Controls;

/// <summary>The controller's parameters in general terms, as found and as left, held against unit and refrigerant.</summary>
public sealed class ControlsSheetModel(VisitViews views, ControllerStore controllers) : VisitPage(views)
{
    /// <summary>What is older is no longer what the controller says.</summary>
    private static readonly TimeSpan Fresh = TimeSpan.FromMinutes(15);

    /// <summary>The controller on the wire whose values are shown.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Wire { get; set; }

    /// <summary>Controllers that say something now.</summary>
    public IReadOnlyList<ControllerOnWire> Heard => field ??= View.Equipment.IsPractice ? [] : controllers.Heard(View.Now - Fresh);

    /// <summary>The one that was chosen; null for none.</summary>
    public ControllerOnWire? OnWire => Heard.FirstOrDefault(c => c.Id == Wire);

    /// <summary>The company's list of what its values mean.</summary>
    public IReadOnlyList<WireMeaning> Map => field ??= ControllerMap.Read(controllers.Map()).Lines;

    /// <summary>A value on the wire, in the company's units.</summary>
    public string Said(WireValue value, WireMeaning? meaning) => meaning switch
    {
        { Parameter: { } parameter, Unit: { } unit } => ControllerText.Value(parameter, new(value.Value, unit), View.Units),
        { Unit: { } unit } => View.Units.Temperature(new TypedValue(value.Value, unit).Temperature.Kelvin),
        { Kind: WireKind.Output } => value.Value > 0 ? "called" : "not called",
        { Kind: WireKind.Alarm } => value.Value > 0 ? "on" : "off",
        _ => UnitText.Number(value.Value, 2),
    };

    /// <summary>Reads what the controller is set to into the sheet: as found the first time on a visit; what is set otherwise later is as
    /// left, and a change.</summary>
    public IActionResult OnPostWire(Guid id, Guid lineId, string? askedBy)
    {
        if (!Load(id, lineId))
            return NotFound();
        if (lineId == Guid.Empty || OnWire is not { } controller)
            return BadRequest();
        var written = new List<Entry>();
        foreach (var (parameter, value) in controller.Parameters(Map))
        {
            var last = View.Timeline.Standing.OfType<ParameterEntry>().LastOrDefault(p => p.Parameter == parameter);
            if (last is null || Math.Abs(last.Value.Si(default) - value.Si(default)) > SameK)
                written.Add(new ParameterEntry(Writer.Next(), parameter, last is null ? SettingStage.AsFound : SettingStage.AsSet, value));
        }

        written.AddRange(Changes([.. written.OfType<ParameterEntry>()], lineId, written.Count, TypingText.Kept(askedBy, 80)));
        if (written.Count > 0)
            Append(written);
        return RedirectToPage(new { id, saved = written.Count, template = Template, wire = Wire });
    }

    /// <summary>Of two numbers that are the same, K or min.</summary>
    private const double SameK = 0.01;

    /// <summary>The kind of controller whose parameters are listed.</summary>
    [BindProperty(SupportsGet = true)]
    public ControllerTemplate? Template { get; set; }

    private IReadOnlyDictionary<ControllerParameter, ParameterEntry> Sheet => ControlsOnRecord.Sheet(View.UpToHere);

    public ControllerTemplate Shown =>
        Template is { } t && Enum.IsDefined(t) ? t : ControllerParameters.Likely(View.Equipment.Target, View.Defrost.SetUp?.Kind);

    public IEnumerable<ControllerParameter> Parameters => ControllerParameters.Of(Shown).Union(Sheet.Keys);

    /// <summary>What the sheet, as the last visit to look at it left it, says against itself.</summary>
    public IReadOnlyList<Finding> Findings =>
        ParameterChecks.Check(
        ControlsOnRecord.InBaseUnits(Sheet), View.Equipment.Target, View.MakeUp, View.Equipment.Circuit.Refrigerant, Defrost);

    private DefrostKind? Defrost => View.Defrost.SetUp?.Kind ?? (Shown switch
    {
        ControllerTemplate.CoolerOffCycle =>
            DefrostKind.OffCycle, ControllerTemplate.FreezerElectric =>
            DefrostKind.Electric, ControllerTemplate.FreezerHotGas => DefrostKind.HotGas, _ => null,
    });

    public static string Cell(ControllerParameter parameter, SettingStage stage) => $"{stage}-{parameter}";

    public ParameterEntry? Recorded(ControllerParameter parameter, SettingStage stage) =>
        View.Timeline.Standing.OfType<ParameterEntry>().LastOrDefault(p => p.Parameter == parameter && p.Stage == stage);

    /// <summary>The text a field shows: as typed while something is wrong, else as recorded on this visit.</summary>
    public string Text(ControllerParameter parameter, SettingStage stage)
    {
        if (Form.IsWrong)
            return Form[Cell(parameter, stage)];
        return Recorded(parameter, stage) is { } p ? ControllerText.Value(parameter, p.Value, View.Units) : "";
    }

    /// <summary>What an earlier visit left a parameter at.</summary>
    public string LastTime(ControllerParameter parameter) =>
        ControlsOnRecord.Sheet(View.UpToHere.Where(t => t != View.Timeline)).TryGetValue(parameter, out var last)
        ? $"{ControllerText.Value(parameter, last.Value, View.Units)} on {View.Clock.Day(last.At)}" : "";

    public IActionResult OnPostSheet(Guid id, Guid lineId, string? askedBy)
    {
        if (!Load(id, lineId))
            return NotFound();
        if (lineId == Guid.Empty)
            return BadRequest();
        var before = Parameters.SelectMany(p => Enum.GetValues<SettingStage>(), (p, stage) => (Parameter: p, Stage: stage))
            .ToDictionary(c => c, c => Text(c.Parameter, c.Stage));
        Keep();
        var entries = new List<Entry>();
        foreach (
            var ((parameter, stage), was) in before.Where(
            c => Form[Cell(c.Key.Parameter, c.Key.Stage)].Length > 0 && Form[Cell(c.Key.Parameter, c.Key.Stage)] != c.Value))
        {
            if (Form.Value(Cell(parameter, stage), parameter.Measures()) is { } value)
                entries.Add(new ParameterEntry(Writer.Next(), parameter, stage, value));
        }

        foreach (var parameter in Request.Form["back"].Select(EnumName.Find<ControllerParameter>).OfType<ControllerParameter>())
        {
            if (!entries.OfType<ParameterEntry>().Any(e => e.Parameter == parameter && e.Stage == SettingStage.AsSet))
                Form.Errors.TryAdd(Cell(parameter, SettingStage.AsSet), "What was it set to for the test?");
        }

        if (Form.IsWrong)
            return Page();
        entries.AddRange(Changes([.. entries.OfType<ParameterEntry>()], lineId, entries.Count, TypingText.Kept(askedBy, 80)));
        if (entries.Count > 0)
            Append(entries);
        return RedirectToPage(new { id, saved = entries.Count, template = Template });
    }

    /// <summary>Each parameter left other than it was found is a change; one that is to go back later stays open until it is
    /// closed.</summary>
    private IEnumerable<ChangeEntry> Changes(List<ParameterEntry> written, Guid lineId, int from, string askedBy)
    {
        foreach (var left in written.Where(p => p.Stage == SettingStage.AsSet))
        {
            var found = written.Find(p => p.Parameter == left.Parameter && p.Stage == SettingStage.AsFound)
                ?? Recorded(left.Parameter, SettingStage.AsFound);
            yield return new(Writer.Next(), ControllerText.Name(left.Parameter),
                found is null ? ""
                    : ControllerText.Value(left.Parameter, found.Value, View.Units),
                    ControllerText.Value(left.Parameter, left.Value, View.Units), askedBy,
                Request.Form["back"].Contains(left.Parameter.ToString()) ? OpenItemKind.SettingShifted : null, false, WorkArea.Control);
        }
    }
}
