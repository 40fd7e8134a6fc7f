using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Words;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Api;

/// <summary>One thing that is known: an answer of the vocabulary, or a number as typed with its unit.</summary>
public sealed record FactQuestion(string Code, string Value);

/// <summary>An earlier visit.</summary>
/// <param name="Work">What was done, in a few words each: "controller-board replaced".</param>
/// <param name="Explained">Codes of the causes that were found then; what was not worked on may be so still.</param>
public sealed record HistoryQuestion(double DaysAgo, string[]? Work = null, string[]? Explained = null);

/// <summary>A unit's make-up, its history, and what is known of it.</summary>
/// <param name="Target">Box target as typed, such as "-20 C"; bare: °C.</param>
/// <param name="EvaporatorFans">How many; two when nothing is said.</param>
/// <param name="CannotNow">Observables that cannot be had now: asked for no more.</param>
/// <param name="At">Where the technician is: box, coil, control, unit, panel.</param>
public sealed record DiagnosisQuestion(
    EquipmentKind Kind, string? Target, Metering Metering = Metering.ThermostaticValve,
    CondenserKind Condenser = CondenserKind.AirCooledRemote, CircuitParts[]? Parts = null, int Coils = 1, int EvaporatorFans = 2,
    FactQuestion[]? Facts = null, HistoryQuestion[]? History = null, string[]? CannotNow = null, string? At = null);

/// <param name="Role">root, consequence, or separate: seen as well, while the rest is explained without it.</param>
/// <param name="BroughtOnBy">Code of the cause that brought it on; null for a root.</param>
public sealed record CauseAnswer(string Code, string Name, CauseRole Role, string? BroughtOnBy);

/// <param name="Set">Causes, roots first; empty where nothing is wrong.</param>
/// <param name="Chain">Conditions by which it shows, in the order in which they bring each other about.</param>
/// <param name="Explains">Codes of the facts it explains.</param>
/// <param name="Leaves">Codes of the facts it leaves odd.</param>
public sealed record ExplanationAnswer(CauseAnswer[] Set, double Probability, string[] Chain, string[] Explains, string[] Leaves);

public sealed record WeighedAnswer(string Code, string Name, double Probability, string Role);

/// <param name="Leads">Code of the cause that would lead then; null where nothing would be wrong.</param>
public sealed record OutcomeAnswer(string Answer, double Probability, string? Leads, double LeadProbability);

/// <param name="Bits">What it is expected to tell of what to repair.</param>
/// <param name="Why">Code of the cause whose reason is looked for; null for every other test.</param>
/// <param name="Beside">Code of the leading cause, where it is looked for what else is wrong or what it has broken; null for every
/// other test.</param>
/// <param name="Again">It is among the facts and fits none of the others: look once more, and send both.</param>
public sealed record NextAnswer(
    string Code, string Name, string Place, double Minutes, string Tool, string Hazard, double Bits, OutcomeAnswer[] Answers,
    bool Again, string? Why, string? Beside);

/// <param name="Danger">What to do now, before anything else.</param>
/// <param name="NothingFits">How likely it is that the truth is nothing the table knows.</param>
/// <param name="Next">The best first; empty where nothing is worth asking. Once the leading explanation is sure, why it failed, then what
/// else is wrong beside it.</param>
/// <param name="Sure">The leading explanation may be acted on, and nothing is left to look at.</param>
public sealed record DiagnosisAnswer(
    string[] Danger, ExplanationAnswer[] Explanations, WeighedAnswer[] Causes, string[] Unexplained, NextAnswer[] Next, double NothingFits,
    bool Sure);

/// <param name="Type">answer or number.</param>
/// <param name="Options">Its answers; empty for a number.</param>
/// <param name="Healthy">What a healthy unit answers in each mode.</param>
public sealed record ObservableAnswer(
    string Code, string Words, string Type, string[] Options, string Unit, IReadOnlyDictionary<OperatingMode, string> Healthy, string Place,
    double Minutes, string Tool, string Hazard, string[] Needs);

/// <param name="PerThousand">How often it is found in a thousand jobs.</param>
public sealed record CauseLine(string Code, string Words, string Part, double PerThousand, string Source);

public sealed record VocabularyAnswer(CauseLine[] Causes, ObservableAnswer[] Observables);

/// <summary>The diagnosis on the wire, so that another program can play technician.</summary>
public static class DiagnosisEndpoints
{
    public static void MapDiagnosis(this IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/diagnosis/vocabulary", Vocabulary)
            .WithSummary("Causes and observables of a unit of this make-up, and what a healthy one answers").ProducesValidationProblem();
        routes.MapPost("/api/diagnosis", Diagnose)
            .WithSummary("What explains the facts, and which test to make next").ProducesValidationProblem();
    }

    private const double MostDays = 40_000;

    private static Results<Ok<VocabularyAnswer>, ValidationProblem> Vocabulary(
        string? kind, string? target, string? metering, string? condenser, [FromQuery] string[]? parts, int coils = 1,
        int evaporatorFans = 2)
    {
        var errors = new Dictionary<string, string[]>();
        T Named<T>(string field, string? text, T otherwise)
            where T : struct, Enum
        {
            if (text is null)
                return otherwise;
            if (EnumName.Find<T>(text) is { } member)
                return member;
            errors[field] = [$"One of {string.Join(", ", Enum.GetNames<T>())}."];
            return otherwise;
        }

        var question = new DiagnosisQuestion(Named("kind", kind, EquipmentKind.WalkInCooler), target,
            Named("metering", metering, Metering.ThermostaticValve), Named("condenser", condenser, CondenserKind.AirCooledRemote),
            parts is { Length: > 0 } ? [.. parts.Select(p => Named("parts", p, CircuitParts.None))] : null, coils, evaporatorFans);
        var box = TargetOf(question, errors);
        if (errors.Count > 0)
            return TypedResults.ValidationProblem(errors);
        var makeUp = MakeUp(question);
        var words = UnitWords.Of(makeUp, box, question.EvaporatorFans);
        var table = DiagnosisTable.Shipped;
        return TypedResults.Ok(new VocabularyAnswer(
            [.. table.Causes.Where(c => c.OnlyOn.Holds(words))
                .Select(c => new CauseLine(c.Code, c.Name, c.Part, c.PerThousand, c.Source))],
            [.. table.Observables.Where(o => o.OnlyOn.Holds(words)).Select(o => Say(o, makeUp, box))]));
    }

    private static ObservableAnswer Say(Observable o, CircuitMakeUp makeUp, Temperature target) => new(o.Code, o.Name,
        o.IsNumber ? "number" : "answer", [.. o.Answers], o.Unit,
        Enum.GetValues<OperatingMode>().ToDictionary(m => m, m => HealthyIn(o, Diagnoser.Healthy(o, m, makeUp, target))), o.Place,
        o.Minutes, o.Tool, o.Hazard, [.. o.Needs.Select(n => $"{n.Observable}={string.Join(',', n.Answers)}")]);

    private static string HealthyIn(Observable o, HealthyAnswer healthy) => o.IsNumber
        ? $"{Round(healthy.Mean)} {o.Unit}" : o.Answers[healthy.Shares.ToList().IndexOf(healthy.Shares.Max())];

    private static Results<Ok<DiagnosisAnswer>, ValidationProblem> Diagnose(Sent<DiagnosisQuestion> sent)
    {
        if (sent.Value is not { } question)
            return sent.Problem!;
        var errors = new Dictionary<string, string[]>();
        var target = TargetOf(question, errors);
        var facts = (question.Facts ?? []).Select((f, i) => FactOf(f, $"facts[{i}]", errors)).OfType<Fact>().ToList();
        foreach (var (past, i) in (question.History ?? []).Select((h, i) => (h, i)))
        {
            if (!(past?.DaysAgo is >= 0 and <= MostDays))
                errors[$"history[{i}].daysAgo"] = [$"Days, 0 to {MostDays}."];
            foreach (var code in (past?.Explained ?? []).Where(c => CauseOf(c) is null))
                errors[$"history[{i}].explained"] = [$"No cause is called {code}. See /api/diagnosis/vocabulary."];
        }

        if (errors.Count > 0)
            return TypedResults.ValidationProblem(errors);
        var result = new Diagnoser(DiagnosisTable.Shipped).Diagnose(new(MakeUp(question), target, question.EvaporatorFans, facts)
        {
            History = [.. (question.History ?? []).Select(h => Earlier(h!))],
            LeftOpen = [.. (question.History ?? []).SelectMany(h => LeftBy(h!))],
            Settled = DiagnosisInput.ToldAlike(facts),
            CannotNow = (question.CannotNow ?? []).OfType<string>().ToHashSet(), At = question.At ?? "",
        });
        return TypedResults.Ok(Say(result, facts));
    }

    private static EarlierWork Earlier(HistoryQuestion history)
    {
        var (parts, replaced) = DiagnosisText.Work([.. (history.Work ?? []).OfType<string>()]);
        return new(history.DaysAgo, parts, replaced);
    }

    private static Cause? CauseOf(string? code) => DiagnosisTable.Shipped.Causes.FirstOrDefault(c => c.Code == code);

    private static IEnumerable<WeighedCause> LeftBy(HistoryQuestion history)
    {
        var worked = Earlier(history).Parts;
        return (history.Explained ?? []).Select(CauseOf).OfType<Cause>().Where(c => !worked.Contains(c.Part))
            .Select(c => new WeighedCause(c, 1).Later(history.DaysAgo));
    }

    private static Temperature TargetOf(DiagnosisQuestion question, Dictionary<string, string[]> errors)
    {
        var read = QuantityReader.Read(question.Target, QuantityKind.Temperature, UnitPreference.Metric);
        if (read.Value is { } value)
            return value.Temperature;
        errors["target"] = [TypingText.Problem(read.Problem!.Value, QuantityKind.Temperature, UnitPreference.Metric)];
        return default;
    }

    private static CircuitMakeUp MakeUp(DiagnosisQuestion q) => new(q.Kind, q.Metering, q.Condenser,
        q.Parts?.Aggregate(CircuitParts.None, (all, part) => all | part)
            ?? (q.Metering == Metering.CapillaryTube ? CircuitParts.None : CircuitParts.Receiver),
        q.Coils == 2 ? 2 : 1);

    private static Fact? FactOf(FactQuestion? fact, string field, Dictionary<string, string[]> errors)
    {
        if (fact is null)
        {
            errors[field] = ["A fact is missing."];
            return null;
        }

        if (DiagnosisTable.Shipped.Observables.FirstOrDefault(o => o.Code == fact.Code) is not { } observable)
        {
            errors[$"{field}.code"] = [$"Nothing is called {fact.Code}. See /api/diagnosis/vocabulary."];
            return null;
        }

        if (!observable.IsNumber)
        {
            if (observable.Answers.Contains(fact.Value))
                return new(fact.Code, fact.Value);
            errors[$"{field}.value"] = [$"One of {string.Join(", ", observable.Answers)}."];
            return null;
        }

        if (NumberOf(observable, fact.Value) is { } number)
            return new(fact.Code, "", number);
        errors[$"{field}.value"] = [$"A number, such as 5 {observable.Unit}."];
        return null;
    }

    /// <summary>In the unit of the observable.</summary>
    private static double? NumberOf(Observable observable, string? typed) => observable.Unit switch
    {
        "K" => QuantityReader.Read(typed, QuantityKind.Difference, UnitPreference.Metric).Value?.Si(default),
        "min" => QuantityReader.Read(typed, QuantityKind.Duration, UnitPreference.Metric).Value?.Si(default),
        "°C" => QuantityReader.Read(typed, QuantityKind.Temperature, UnitPreference.Metric).Value?.Temperature.Celsius,
        _ => QuantityReader.Number((typed ?? "").TrimEnd('%', ' ')),
    };

    private static DiagnosisAnswer Say(DiagnosisResult r, IReadOnlyList<Fact> facts) => new(
        [.. r.Dangers.Select(d => DiagnosisText.Say(d, facts))],
        [.. r.Explanations.Select(e => new ExplanationAnswer(
            [.. e.Causes.Select(c => new CauseAnswer(c.Cause.Code, c.Cause.Name, c.Role, c.BroughtOnBy?.Code))], Round(e.Probability),
            [.. e.Through.Select(t => t.Code)], [.. e.Explains.Select(f => f.Code)], [.. e.Leaves.Select(f => f.Code)]))],
        [.. r.Causes.Select(c => new WeighedAnswer(c.Cause.Code, c.Cause.Name, Round(c.Probability), RoleOf(r, c.Cause)))],
        [.. r.Unexplained.Select(f => f.Code)],
        [.. r.Next.Select(Say)], Round(r.NothingFits), r.IsSure && r.Next.Count == 0);

    private static NextAnswer Say(NextTest n) => new(n.Observable.Code, n.Observable.Name, n.Observable.Place, n.Minutes, n.Observable.Tool,
        n.Observable.Hazard, Round(n.Bits),
        [.. n.Outcomes.Select(o => new OutcomeAnswer(o.Answer, Round(o.Probability), o.Leads?.Code, Round(o.LeadProbability)))], n.IsAgain,
        n.ReasonOf?.Code, n.Beside?.Code);

    /// <summary>In the likeliest explanation that holds it.</summary>
    private static string RoleOf(DiagnosisResult result, Cause cause) => result.Explanations.SelectMany(e => e.Causes)
        .FirstOrDefault(c => c.Cause == cause)?.Role switch
        {
            CauseRole.Consequence => "consequence", CauseRole.Separate => "separate", _ => "root",
        };

    private static double Round(double value) => Math.Round(value, 4);
}
