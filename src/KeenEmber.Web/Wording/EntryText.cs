using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Web.Pages.Visits.Circuit;
using KeenEmber.Web.Pages.Visits.Controls;
using KeenEmber.Web.Pages.Visits.Defrost;
using KeenEmber.Web.Pages.Visits.Frost;
using KeenEmber.Web.Pages.Visits.Sensors;

namespace KeenEmber.Web.Wording;

/// <summary>One line for every kind of timeline entry, wherever it is listed.</summary>
public static class EntryText
{
    public static string What(Entry entry, VisitView view) => entry switch
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
        RunReadingEntry r => $"in the defrost: {Value(r, view)}",
        RunMarkEntry m => $"defrost: {DefrostText.Name(m.Kind)}",
        ClockTestEntry c => DefrostTestText.Clock(c),
        SwitchStateEntry s => $"{(s.Switch == DefrostSwitch.EndOfHeat ? "end switch" : "fan delay")} {(s.IsClosed ? "closed" : "open")} at {view.Units.Temperature(s.Temperature.Temperature.Kelvin)}",
        SensorEntry s => s.Gone ? $"sensor {s.Name} gone" : $"sensor {s.Name}: {SensorText.Name(s.Role)}{(s.Curve.Curve is { } curve ? ", " + SensorText.Name(curve) : "")}{(s.Channel.Length > 0 ? $", input {s.Channel}" : "")}",
        SensorCheckEntry c => SensorText.Check(c, view.Units),
        SensorMendEntry m => $"sensor {m.Sensor} {SensorText.Name(m.Mend)}",
        WarmedEntry w => $"{w.Warmed} warmed by hand, input {w.Moved} moved",
        ResponseEntry r => $"{r.Sensor} moved from {view.Units.Temperature(r.From.Temperature.Kelvin)} to {view.Units.Temperature(r.To.Temperature.Kelvin)}: {SensorText.Response(r.Judge(), view.Units)}",
        ControlSettingEntry s => $"control set to {view.Units.Temperature(s.Set.Temperature.Kelvin)}{(s.Differential is { } d ? $", differential {view.Units.Difference(d.Si(default))}" : "")}, {ControllerText.Name(s.Kind)}",
        ControlEventEntry e => $"control cut {(e.CutsIn ? "in" : "out")}{(e.Temperature is { } t ? $" at {(t.Unit.Kind == QuantityKind.Pressure ? $"{view.Units.Gauge(t.Si(view.Site.Atmosphere))}, {(view.Timeline.TemperatureOf(t) is { } dew ? view.Units.Temperature(dew.Kelvin) : "outside its range")}" : view.Units.Temperature(t.Temperature.Kelvin))}" : "")}",
        OutputStateEntry o => $"output {ControllerText.State(o)}",
        ParameterEntry p => $"{ControllerText.Name(p.Parameter)} {ControlsText.Name(p.Stage)} {ControllerText.Value(p.Parameter, p.Value, view.Units)}",
        DialEntry d => $"dial at {view.Units.Temperature(d.Dial.Temperature.Kelvin)}{(d.CutIn is { } i ? $", in at {view.Units.Temperature(i.Temperature.Kelvin)}" : "")}{(d.CutOut is { } o ? $", out at {view.Units.Temperature(o.Temperature.Kelvin)}" : "")}",
        BulbTurnEntry b => $"control of {b.Turn.Control} turned, {(b.Turn.Followed.Length > 0 ? b.Turn.Followed : "nothing")} followed",
        DamageEntry d => $"{ControllerText.Name(d.Part)} {ControllerText.Name(d.Damage)}",
        SignatureEntry s => $"signed by {s.Name}",
        SignOffEntry s => ChangeText.SignOff(s),
        UnknownEntry u => $"{u.Kind}: cannot be read by this version. It is kept as written.",
        _ => "",
    };

    /// <summary>What was read in one round of a defrost, in one line.</summary>
    public static string Round(IEnumerable<RunReadingEntry> round, VisitView view) => $"in the defrost: {string.Join(", ", round.OrderBy(r => r.Place.Kind).ThenBy(r => r.Place.Name, StringComparer.Ordinal).Select(r => Value(r, view)))}";

    private static string Value(RunReadingEntry r, VisitView view) => $"{DefrostText.Name(r.Place)} {DefrostText.Value(r.Place, DefrostRuns.InTrack(r.Place, r.Value, view.Site.Atmosphere), view.Units)}";
}
