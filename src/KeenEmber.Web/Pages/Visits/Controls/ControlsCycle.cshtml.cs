using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Controls;

/// <summary>What the temperature control really does: its cut-ins and cut-outs against its setting, and a mechanical one over its
/// dial.</summary>
public sealed class ControlsCycleModel(VisitViews views) : VisitPage(views)
{
    public ControlSettingEntry? Setting => ControlsOnRecord.Setting(View.UpToHere);

    public IReadOnlyList<ControlEvent> Events => ControlsOnRecord.Events(View.Timeline);

    public IReadOnlyList<DialEntry> Dial => [.. View.Timeline.Standing.OfType<DialEntry>()];

    public DialResult DialResult =>
        DialTest.Judge(
        [.. Dial.Select(d => new DialPoint(d.Dial.Temperature.Celsius, d.CutIn?.Temperature.Celsius, d.CutOut?.Temperature.Celsius))]);

    /// <summary>What the turning test says so far.</summary>
    public BulbVerdict Bulbs => CrossedBulbs.Judge([.. Turns.Select(t => t.Turn)]);

    public IReadOnlyList<BulbTurnEntry> Turns => [.. View.Timeline.Standing.OfType<BulbTurnEntry>()];

    /// <summary>Two sides that are tried against each other; the names are free.</summary>
    public IActionResult OnPostTurn(Guid id, Guid entryId) => Take(id, entryId, () => new BulbTurnEntry(Writer.Next(),
        new(Form.Text("control", 30, missing: "Which side's control was turned, such as left.").ToLowerInvariant(),
            Form.Text("followed", 30).ToLowerInvariant())));

    public IActionResult OnPostEvent(Guid id, Guid entryId, bool cutsIn) => Take(id, entryId, () =>
        new ControlEventEntry(
            Writer.Next(), cutsIn, Form["at"].Length == 0 ? null : Form.Either("at", QuantityKind.Temperature, QuantityKind.Pressure)));

    public IActionResult OnPostSetting(Guid id, Guid entryId, ControlKind kind) => Take(id, entryId, () =>
    {
        if (!Enum.IsDefined(kind))
            return null;
        var set = Form.Value("set", QuantityKind.Temperature, required: true);
        var isConstant = kind == ControlKind.ConstantCutIn;
        var differential = Form.Value("differential", QuantityKind.Difference, required: !isConstant);
        var cutIn = Form.Value("cutIn", QuantityKind.Temperature, required: isConstant);
        if (differential?.Si(default) <= 0)
            Form.Errors["differential"] = "A differential is above 0.";
        if (isConstant && cutIn is not null && set is not null && cutIn.Temperature <= set.Temperature)
            Form.Errors["cutIn"] = "The cut-in is above the cut-out.";
        return new ControlSettingEntry(Writer.Next(), kind, set!, differential, cutIn);
    });

    public IActionResult OnPostDial(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        var (dial, cutIn, cutOut) =
            (Form.Value("dial", QuantityKind.Temperature, required: true), Form.Value("dialIn", QuantityKind.Temperature),
            Form.Value("dialOut", QuantityKind.Temperature));
        if (cutIn is null && cutOut is null && !Form.IsWrong)
            Form.Errors["dialOut"] = "Where it opened or closed by the reference.";
        return new DialEntry(Writer.Next(), dial!, cutIn, cutOut);
    });
}
