using System.Text.Json;
using System.Text.Json.Serialization;
using KeenEmber.Core.Circuit;
using KeenEmber.Core.Controls;
using KeenEmber.Core.Frost;
using KeenEmber.Core.Glycol;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;

namespace KeenEmber.Storage;

/// <summary>How the body of a timeline entry is written: names, not numbers, and values in the unit they were typed in.</summary>
internal static class EntryJson
{
    internal static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter() } };

    private sealed record ReadingBody(MeasuringPoint Point, double Value, string Unit);

    private sealed record ObservationBody(AsFound Fact, int? Index, FactState State, DateTimeOffset? Since);

    private sealed record NoteBody(string Text);

    private sealed record Typed(double Value, string Unit);

    private sealed record SettingBody(PressureSetting Setting, SettingStage Stage, double Value, string Unit);

    private sealed record GlycolBody(GlycolKind Kind, Typed Strength, Typed? ColdestSurface);

    private sealed record ChangeBody(string What, string Before, string After, string AskedBy, LoopKind? Opens, bool FoundSo);

    private sealed record PartBody(string Part, string Place, string Failure, string ReplacedBy, string Serial, bool Warranty);

    private sealed record RefrigerantBody(string Refrigerant, double MassKg, string Cylinder, string Why);

    private sealed record ClosureBody(Guid Loop, string How);

    private sealed record HandoverBody(Guid Loop, string Reason, string Owner, DateOnly Due);

    private sealed record SignOffBody(string RootCause, string NotReproduced, string Recommendation, DateOnly? FollowUp);

    private sealed record FrostBody(bool After, string Face, string Around);

    private sealed record StandingBody(Typed Pressure, Typed Temperature, Typed? SecondPressure, Typed? SecondTemperature);

    internal static (string Kind, string Body) Write(TimelineEntry entry) => entry switch
    {
        ReadingEntry r => ("reading", Json(new ReadingBody(r.Point, r.Value.Number, r.Value.Unit.Symbol))),
        ObservationEntry o => ("observation", Json(new ObservationBody(o.Fact, o.Index, o.State, o.Since))),
        NoteEntry n => ("note", Json(new NoteBody(n.Text))),
        SettingEntry s => ("setting", Json(new SettingBody(s.Setting, s.Stage, s.Value.Number, s.Value.Unit.Symbol))),
        GlycolEntry g => ("glycol", Json(new GlycolBody(g.Kind, Of(g.Strength)!, Of(g.ColdestSurface)))),
        StandingEntry s => ("standing", Json(new StandingBody(Of(s.Pressure)!, Of(s.Temperature)!, Of(s.SecondPressure), Of(s.SecondTemperature)))),
        ChangeEntry c => ("change", Json(new ChangeBody(c.What, c.Before, c.After, c.AskedBy, c.Opens, c.FoundSo))),
        PartEntry p => ("part", Json(new PartBody(p.Part, p.Place, p.Failure, p.ReplacedBy, p.Serial, p.Warranty))),
        RefrigerantEntry r => ("refrigerant", Json(new RefrigerantBody(r.Refrigerant, r.MassKg, r.Cylinder, r.Why))),
        ClosureEntry c => ("closure", Json(new ClosureBody(c.Loop, c.How))),
        HandoverEntry h => ("handover", Json(new HandoverBody(h.Loop, h.Reason, h.Owner, h.Due))),
        SignOffEntry s => ("sign-off", Json(new SignOffBody(s.RootCause, s.NotReproduced, s.Recommendation, s.FollowUp))),
        FrostEntry f => ("frost", Json(new FrostBody(f.After, f.Picture.Face, f.Picture.Around))),
        WithdrawalEntry => ("withdrawal", "{}"),
        _ => throw new ArgumentException($"No body is defined for {entry.GetType().Name}.", nameof(entry)),
    };

    internal static TimelineEntry Read(Guid id, Guid visit, DateTimeOffset at, DateTimeOffset writtenAt, string author, Guid? corrects, string kind, string body)
    {
        switch (kind)
        {
            case "reading":
                var r = Of<ReadingBody>(body);
                return new ReadingEntry(id, visit, at, writtenAt, author, corrects, r.Point, Value(new(r.Value, r.Unit))!);
            case "observation":
                var o = Of<ObservationBody>(body);
                return new ObservationEntry(id, visit, at, writtenAt, author, corrects, o.Fact, o.Index, o.State, o.Since);
            case "note":
                return new NoteEntry(id, visit, at, writtenAt, author, corrects, Of<NoteBody>(body).Text);
            case "setting":
                var s = Of<SettingBody>(body);
                return new SettingEntry(id, visit, at, writtenAt, author, corrects, s.Setting, s.Stage, Value(new(s.Value, s.Unit))!);
            case "glycol":
                var g = Of<GlycolBody>(body);
                return new GlycolEntry(id, visit, at, writtenAt, author, corrects, g.Kind, Value(g.Strength)!, Value(g.ColdestSurface));
            case "standing":
                var t = Of<StandingBody>(body);
                return new StandingEntry(id, visit, at, writtenAt, author, corrects,
                    Value(t.Pressure)!, Value(t.Temperature)!, Value(t.SecondPressure), Value(t.SecondTemperature));
            case "change":
                var c = Of<ChangeBody>(body);
                return new ChangeEntry(id, visit, at, writtenAt, author, corrects, c.What, c.Before, c.After, c.AskedBy, c.Opens, c.FoundSo);
            case "part":
                var p = Of<PartBody>(body);
                return new PartEntry(id, visit, at, writtenAt, author, corrects, p.Part, p.Place, p.Failure, p.ReplacedBy, p.Serial, p.Warranty);
            case "refrigerant":
                var f = Of<RefrigerantBody>(body);
                return new RefrigerantEntry(id, visit, at, writtenAt, author, corrects, f.Refrigerant, f.MassKg, f.Cylinder, f.Why);
            case "closure":
                var e = Of<ClosureBody>(body);
                return new ClosureEntry(id, visit, at, writtenAt, author, corrects, e.Loop, e.How);
            case "handover":
                var h = Of<HandoverBody>(body);
                return new HandoverEntry(id, visit, at, writtenAt, author, corrects, h.Loop, h.Reason, h.Owner, h.Due);
            case "sign-off":
                var x = Of<SignOffBody>(body);
                return new SignOffEntry(id, visit, at, writtenAt, author, corrects, x.RootCause, x.NotReproduced, x.Recommendation, x.FollowUp);
            case "frost":
                var picture = Of<FrostBody>(body);
                return new FrostEntry(id, visit, at, writtenAt, author, corrects, picture.After,
                    FrostPicture.Read(picture.Face, picture.Around) ?? throw new InvalidDataException($"Entry {id} holds no frost picture."));
            case "withdrawal":
                return new WithdrawalEntry(id, visit, at, writtenAt, author, corrects);
            default:
                throw new InvalidDataException($"Entry {id} is of the unknown kind {kind}.");
        }
    }

    private static Typed? Of(TypedValue? value) => value is null ? null : new(value.Number, value.Unit.Symbol);

    private static TypedValue? Value(Typed? typed) => typed is null ? null
        : new(typed.Value, Unit.Find(typed.Unit) ?? throw new InvalidDataException($"The unit {typed.Unit} is unknown."));

    private static string Json<T>(T body) => JsonSerializer.Serialize(body, Options);

    private static T Of<T>(string body) => JsonSerializer.Deserialize<T>(body, Options)!;
}
