using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches.Circuit;
using KeenEmber.Words.Live;

namespace KeenEmber.Words;

/// <summary>One line for every kind of timeline entry, wherever it is listed.</summary>
public static class EntryText
{
    public static string What(Entry entry, VisitView view) => entry switch
    {
        ReadingEntry r => $"{view.Name(r.Point)} {view.Units.Value(r.Point, r.Value.Si(view.Site.Atmosphere))}",
        ObservationEntry o => $"{FactText.Of(o.Fact, o.Index, view.Equipment.MakeUp)} {FactText.Name(o.State)}"
            + (o.Since is { } since ? $" since {view.Clock.Time(since)}" : ""),
        NoteEntry n => n.Text,
        ChangeEntry c => ChangeText.Change(c) + (c.Opens is { } kind ? $" ({ChangeText.Name(kind)}, left open)" : ""),
        PartEntry p => ChangeText.Part(p, view.Equipment),
        EarlierPartEntry p => $"told: {ComponentText.Name(p.Component, view.Equipment)} replaced "
            + $"{SiteClock.Span(TimeSpan.FromDays(p.DaysAgo))} before",
        RefrigerantEntry r => ChangeText.Ledger(r, view.Units),
        ClosureEntry c => $"closed: {(view.OpenItemChange(c.Item) is { } change ? ChangeText.Change(change) + ", " : "")}{c.How}",
        HandoverEntry h =>
            $"left open: {(view.OpenItemChange(h.Item) is { } change ? ChangeText.Change(change) + ", " : "")}{h.Reason}; {h.Owner} by "
            + $"{SiteClock.Day(h.Due)}",
        PhotoEntry p => $"photo{(p.Caption.Length > 0 ? $": {p.Caption}" : "")}",
        InstrumentEntry m => $"{ServiceText.Name(m.Measures)} in use: {m.Instrument.Name}{(
            m.Instrument.IsChecked ? ", checked" : ", not checked")}",
        HazardsEntry h => $"hazards seen and made safe: {CircuitText.List(h.Seen.Each().Select(ServiceText.Name))}",
        ProofEntry p => $"{ServiceText.Name(p.Kind)}{(p.What.Length > 0 ? $": {p.What}" : "")}",
        RecommendationEntry r => $"recommended: {ServiceText.Recommendation(r, view.Company.Currency)}",
        SignatureEntry s => $"signed by {s.Name}",
        SignOffEntry s => ChangeText.SignOff(s),
        ProbeTieEntry t => ProbeText.Tie(t, view),
        ProbeRecordingEntry r => r.Begins ? "probes recorded from here" : "recording of the probes ends",
        UnknownEntry u => $"{u.Kind}: cannot be read by this version. It is kept as written.",
        DiagnosisFactEntry f => DiagnosisText.Entry(f, view.Units),
        _ => view.Texts.All.Select(t => t.Entry(entry, view)).FirstOrDefault(said => said is not null) ?? "",
    };
}
