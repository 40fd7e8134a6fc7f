using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Storage;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Electrical;

/// <summary>One electrical part after the other, tested field by field.</summary>
public sealed class ElectricalModel(VisitViews views, VisitStore visits) : VisitPage(views)
{
    private static readonly string[] OpenWords = ["open", "ol", "o.l.", "o.l", "∞"];

    /// <summary>The part that is tested: "Compressor/1".</summary>
    [BindProperty(SupportsGet = true)]
    public string? Of { get; set; }

    /// <summary>How it is tested.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Test { get; set; }

    /// <summary>Capacitors in the van, µF, to stand in for a bad one.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Stock { get; set; }

    /// <summary>What of the van comes nearest to a capacitor; null where nothing was typed or nothing is near.</summary>
    public (IReadOnlyList<double> Parts, bool InSeries, double Microfarad)? StandInFor(MeasuredPart part) =>
        CapacitorStandIn.Best(((part.Result.Low + part.Result.High) / 2) ?? 0,
            [.. (Stock ?? "").Split([' ', ';'], StringSplitOptions.RemoveEmptyEntries).Select(QuantityReader.Number).OfType<double>()]);

    /// <summary>What was measured.</summary>
    public ElectricalJudgement Bench => View.Of<ElectricalJudgement>()!;

    /// <summary>Parts of the unit that can be tested, those of a kind together.</summary>
    public IEnumerable<IGrouping<ComponentKind, Component>> Parts => PartFields.PartsOf(View.Equipment).GroupBy(c => c.Kind);

    /// <summary>The part that was chosen; null as long as none is, or none the unit has.</summary>
    public Component? Chosen => PartFields.PartsOf(View.Equipment).FirstOrDefault(c => c.Id == Of);

    /// <summary>The test that was chosen, or the quickest.</summary>
    public TestedPart? ChosenTest => Chosen is { } part ? Choose(PartFields.TestsOf(part.Kind)) : null;

    private TestedPart Choose(IReadOnlyList<TestedPart> tests) =>
        EnumName.Find<TestedPart>(Test ?? "") is { } test && tests.Contains(test) ? test : tests[0];

    /// <summary>What a field starts with: what the part is marked with was typed last time, and what the circuit's readings
    /// say.</summary>
    public string? Start(PartField field, PartTestEntry? before) => field switch
    {
        { IsPlate: true } when before?.Numbers.FirstOrDefault(n => n.Name == MeasuredPart.Key(field))?.Value is { } typed => Typed(typed),
        { Name: "boxC" } => View.Units.Temperature(View.Equipment.Target.Kelvin),
        { Name: "evaporatingC" } => Saturated(ResultKind.Evaporating),
        { Name: "condensingC" } => Saturated(ResultKind.Condensing),
        _ => null,
    };

    private static string Typed(TypedValue value) =>
        $"{value.Number.ToString(System.Globalization.CultureInfo.InvariantCulture)} {value.Unit.Symbol}";

    /// <summary>By the pressures, where they count.</summary>
    private string? Saturated(ResultKind kind) => View.Of<CircuitJudgement>()?.Analysis?.Results
        .FirstOrDefault(r => r.Kind == kind && r.IsUsable)?.Value is { } kelvin ? View.Units.Temperature(kelvin) : null;

    /// <summary>A field that is answered by one of a few words.</summary>
    public ChoiceView Choice(PartField field, string label) => new(MeasuredPart.Key(field), label, Form[MeasuredPart.Key(field)],
        Form.Error(MeasuredPart.Key(field)), [("", "choose"), .. field.Words.Select(w => (w, w))]);

    /// <summary>When a part that drifts will have left its band.</summary>
    public DateTimeOffset? OutOfBandAt(MeasuredPart part) =>
        ElectricalTrends.OutOfBandAt(Bench.UpToHere, View.Company.Policies, part.Component, part.Test.Part);

    private const int LongestKind = 60, LongestNote = 1000;

    /// <summary>Every note on a kind of part, from all units.</summary>
    public IReadOnlyList<PartNoteEntry> Notes => field ??= [.. visits.PartNotes().OfType<PartNoteEntry>()];

    /// <summary>Kinds somebody has written a note on, to choose from.</summary>
    public IEnumerable<string> KnownKinds =>
        Notes.Select(n => n.Kind).Concat(Bench.Kinds.Values).Distinct(StringComparer.OrdinalIgnoreCase)
            .Order(StringComparer.OrdinalIgnoreCase);

    /// <summary>What kind the chosen part is, and a note for every unit that has one.</summary>
    public IActionResult OnPostNote(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        if (Chosen is not { } part)
            return null;
        var kind = Form.Text("kind", LongestKind, missing: "Give the kind a name of your own, such as four-key controller.");
        var note = Form.Text("note", LongestNote);
        var entries = new List<Entry>();
        if (!kind.Equals(Bench.Kinds.GetValueOrDefault(part), StringComparison.OrdinalIgnoreCase))
            entries.Add(new PartKindEntry(Writer.Next(), part, kind));
        if (note.Length > 0)
            entries.Add(new PartNoteEntry(Writer.Next(), kind, note));
        return entries;
    });

    /// <summary>The fields of a test, those that were filled in.</summary>
    public IActionResult OnPostTest(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        if (Chosen is not { } part || ChosenTest is not { } test)
            return null;
        var fields = PartFields.Of(test);
        var numbers = fields.Select(f => (Field: f, Number: Read(f))).Where(n => n.Number is not null).ToList();
        if (!Form.IsWrong && !numbers.Exists(n => !n.Field.IsPlate))
            Form.Errors[MeasuredPart.Key(fields[^1])] = "Type at least one number that was measured.";
        return new PartTestEntry(Writer.Next(), part, test, [.. numbers.Select(n => n.Number!)]);
    });

    private PartNumber? Missing(string key)
    {
        Form.Errors[key] = "Choose what it shows.";
        return null;
    }

    private PartNumber? Read(PartField field)
    {
        var key = MeasuredPart.Key(field);
        if (field.Words.Count > 0)
            return field.Words.Contains(Form[key]) ? new(key, null, Form[key]) : Missing(key);
        if (field.MayBeOpen && OpenWords.Contains(Form[key].Trim().ToLowerInvariant()))
            return new(key, null);
        // An insulation tester shows MΩ; a bare number there means what the display says.
        if (field.Name == "megohm" && QuantityReader.Number(Form[key]) is not null)
            Form[key] += $" {Unit.Megaohm.Symbol}";
        return Form.Value(key, field.Kind, required: !field.IsOptional) is { } value ? new(key, value) : null;
    }
}
