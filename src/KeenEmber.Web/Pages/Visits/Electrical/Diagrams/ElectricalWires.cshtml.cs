using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches.Electrical.Diagrams;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Electrical.Diagrams;

/// <summary>A wired part is swapped: its wires on a list before anything is cut, ticked off on the new one.</summary>
public sealed class ElectricalWiresModel(VisitViews views) : VisitPage(views)
{
    private const int LongestText = 60;

    public ElectricalJudgement Bench => View.Of<ElectricalJudgement>()!;

    /// <summary>The part whose wires are to be listed; null as long as none is chosen.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Of { get; set; }

    public PlannedPart? Chosen => Bench.Diagram.Now.Part(Of);

    /// <summary>What a row of the list begins with, from the diagram.</summary>
    public IReadOnlyList<(PlannedTerminal Terminal, IReadOnlyList<string> GoesTo)> Wires => Bench.Diagram.Now.WiresOf(Chosen!);

    /// <summary>The first parts a wire goes to; null for a row beyond the diagram.</summary>
    public string? GoesTo(int row) => row < Wires.Count ? string.Join(", ", Wires[row].GoesTo.Take(3)) : null;

    /// <summary>The fields of a row.</summary>
    public static string Field(string name, int row) => $"{name}-{row}";

    /// <summary>Rows beside those of the diagram: there is nearly always a wire that nobody drew.</summary>
    public const int SpareRows = 2;

    public IActionResult OnPostList(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        if (Chosen is null)
            return null;
        var rows = Enumerable.Range(0, Wires.Count + SpareRows).Select(Row).Where(w => w.Terminal.Length > 0).ToList();
        var locked = Form.Text("locked", LongestText, missing: "Say which supplies are off and locked, and where.");
        if (rows.Count == 0)
            Form.Errors[Field("terminal", 0)] = "At least one wire.";
        if (rows.GroupBy(r => (r.Terminal, r.Wire)).Any(g => g.Count() > 1))
            Form.Errors[Field("terminal", 0)] = "Two wires on one terminal need two colours or tags.";
        return new WireSwapEntry(Writer.Next(), Chosen.Name, rows, locked);
    });

    private SwappedWire Row(int row) => new(Form.Text(Field("terminal", row), LongestText), Form.Text(Field("wire", row), LongestText),
        Form.Text(Field("goesTo", row), LongestText), Form.Text(Field("supply", row), LongestText));

    /// <summary>One wire is on the new part.</summary>
    /// <param name="list">The list it stands in.</param>
    /// <param name="row">Its number in the list.</param>
    public IActionResult OnPostOn(Guid id, Guid entryId, Guid list, int row) => Take(id, entryId, () =>
    {
        if (Bench.Swaps.FirstOrDefault(s => s.Id == list) is not { } swap || row < 0 || row >= swap.Wires.Count)
            return null;
        var to = Form.Text(Field("new", row), LongestText, missing: "Which terminal of the new part?");
        return new WireSwapEntry(Writer.Next(corrects: list), swap.Part,
            [.. swap.Wires.Select((w, i) => i == row ? w with { NewTerminal = to } : w)], swap.Locked);
    });

    /// <summary>Wires that are on nothing are open items.</summary>
    public IActionResult OnPostLeft(Guid id, Guid entryId, Guid list) => Take(id, entryId, () =>
        Bench.Swaps.FirstOrDefault(s => s.Id == list) is { } swap
            ? (IReadOnlyList<Entry>)[.. swap.LeftOver.Select(w => new ChangeEntry(Writer.Next(),
                $"wire left over at the {swap.Part}: {TraceText.Wire(w)}", "", "insulated, on nothing", "", OpenItemKind.WatchIt, false,
                WorkArea.Power))]
            : null);

    /// <summary>A wire that was left over and is noted as an open item already.</summary>
    public bool IsNoted(WireSwapEntry swap) => swap.LeftOver.Any() && swap.LeftOver.All(w =>
        View.OpenItems.Any(o => o.Change.What.EndsWith(TraceText.Wire(w), StringComparison.Ordinal)));
}
