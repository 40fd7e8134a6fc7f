using KeenEmber.Core.Quantities;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>A station whose fields are filled in freely: what was typed is kept while something in it is wrong, and each error stands at its field.</summary>
public abstract class BenchPage(VisitDesk desk) : VisitPage(desk)
{
    public Dictionary<string, string> Errors { get; } = [];

    private IReadOnlyDictionary<string, string> typed = new Dictionary<string, string>();

    public string Typed(string field) => typed.GetValueOrDefault(field, "");

    public string? Error(string field) => Errors.GetValueOrDefault(field);

    /// <summary>A line of text in a form of this page.</summary>
    public FieldView Field(string name, string label) => new(name, label, Typed(name), Error(name));

    /// <summary>Keeps what was sent, to be read and to be shown again.</summary>
    protected IReadOnlyDictionary<string, string> Keep() => typed = Request.Form.ToDictionary(f => f.Key, f => TypingText.Kept(f.Value, 400));

    /// <summary>The value typed in a field; null where it is empty or wrong, which then stands in <see cref="Errors"/>.</summary>
    /// <param name="required">An empty field is an error too.</param>
    protected TypedValue? Read(string field, QuantityKind kind, bool required = false)
    {
        if (Typed(field).Length == 0 && !required)
            return null;
        var read = QuantityReader.Read(Typed(field), kind, View.Shop.Units);
        if (read.Problem is { } problem)
            Errors[field] = TypingText.Problem(problem, kind, View.Shop.Units);
        return read.Value;
    }
}
