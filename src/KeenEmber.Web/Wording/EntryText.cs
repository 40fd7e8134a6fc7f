using KeenEmber.Core.Service;

namespace KeenEmber.Web.Wording;

/// <summary>One line for every kind of timeline entry, wherever it is listed.</summary>
public static class EntryText
{
    public static string What(TimelineEntry entry, VisitView view) => entry switch
    {
        ReadingEntry r => $"{view.Name(r.Point)} {view.Units.Value(r.Point, r.Value.Si(view.Site.Atmosphere))}",
        ObservationEntry o => $"{FactText.Name(o.Fact)}{(o.Index is { } n ? $" {n}" : "")} {FactText.Name(o.State)}"
            + (o.Since is { } since ? $" since {view.Clock.Time(since)}" : ""),
        NoteEntry n => n.Text,
        SettingEntry s => $"{ControlsText.Name(s.Setting)} {ControlsText.Name(s.Stage)} {view.Units.Gauge(s.Value.Si(view.Site.Atmosphere))}",
        GlycolEntry g => $"{ControlsText.Name(g.Kind)} {UnitText.Number(g.Percent ?? 0, 0)} %",
        StandingEntry s => $"standing at {view.Units.Gauge(s.Pressure.Si(view.Site.Atmosphere))}, {view.Units.Temperature(s.Temperature.Temperature.Kelvin)}",
        FrostEntry f => $"frost picture {(f.After ? "after the work" : "as found")}: {FrostText.Summary(f.Picture)}",
        ChangeEntry c => ChangeText.Change(c) + (c.Opens is { } kind ? $" ({ChangeText.Name(kind)}, left open)" : ""),
        PartEntry p => ChangeText.Part(p),
        RefrigerantEntry r => ChangeText.Ledger(r, view.Units),
        ClosureEntry c => $"closed: {(view.LoopChange(c.Loop) is { } change ? ChangeText.Change(change) + ", " : "")}{c.How}",
        HandoverEntry h => $"left open: {(view.LoopChange(h.Loop) is { } change ? ChangeText.Change(change) + ", " : "")}{h.Reason}; {h.Owner} by {SiteClock.Day(h.Due)}",
        PhotoEntry p => $"photo{(p.Caption.Length > 0 ? $": {p.Caption}" : "")}",
        MeterEntry m => $"{ServiceText.Name(m.Measures)} in use: {m.Meter.Name}{(m.Meter.IsChecked ? ", checked" : ", not checked")}",
        HazardsEntry h => $"hazards seen and made safe: {CircuitText.List(h.Seen.Each().Select(ServiceText.Name))}",
        ProofEntry p => $"{ServiceText.Name(p.Kind)}{(p.What.Length > 0 ? $": {p.What}" : "")}",
        RecommendationEntry r => $"recommended: {ServiceText.Recommendation(r, view.Shop.Currency)}",
        DefrostSetUpEntry s => $"how it defrosts: {DefrostSetUpText.Line(s.SetUp, view.Units)}",
        RunEntry r => r.Origin switch { RunOrigin.Watched => "defrost watched from here", RunOrigin.Logged => $"defrost from a logger: {r.Source}", _ => "defrost typed in" },
        RunReadingEntry r => $"{DefrostText.Name(r.Place)} {DefrostText.Value(r.Place, DefrostRuns.InTrack(r.Place, r.Value, view.Site.Atmosphere), view.Units)}, in the defrost",
        RunMarkEntry m => $"defrost: {DefrostText.Name(m.Kind)}",
        ClockTestEntry c => DefrostText.Clock(c),
        SwitchStateEntry s => $"{(s.Switch == DefrostSwitch.EndOfHeat ? "end switch" : "fan delay")} {(s.IsClosed ? "closed" : "open")} at {view.Units.Temperature(s.Temperature.Temperature.Kelvin)}",
        SignatureEntry s => $"signed by {s.Name}",
        SignOffEntry s => ChangeText.SignOff(s),
        _ => "",
    };
}
