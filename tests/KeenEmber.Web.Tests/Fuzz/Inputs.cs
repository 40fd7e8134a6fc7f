using System.Globalization;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace KeenEmber.Web.Tests.Fuzz;

/// <summary>What a person in a hurry types, and what somebody types who wants to break something.</summary>
internal sealed class Inputs(Random random)
{
    private static readonly string[] Sensible =
    [
        "21", "1.4", "-20", "-18.5", "4.6", "9.8k", "35", "0", "3,5", "-4 °F", "21 psi", "1.4 bar", "12 oz", "0.5 kg", "230", "6 h", "25",
            "2 K", "06:00 12:00 18:00", "07:00-09:30",
        "14:05", "2026-03-10", "2026-04-01", "fan motor", "Ann Tarrow", "drier replaced", "open", "2", "10", "45", "1500 W 230 V", "1500",
            "ice at the inlet",
        "suc 1.4, line -20, fan 2 off, comp on 25 min, note: oil at the flare", "coil iced", "box -18, head 11 bar", "M-1", "R404A", "-25",
            "32700", "0 = 32700, 25 = 10000",
        "t,coldest bend,leg 1\n0,-20,6\n5,-2,6\n10,0.1,6\n15,8,6\n20,9,0\n25,-3,0", "time,suction,box\n09:00,1.2,-18\n09:01,1.3,-18.1",
    ];

    private static readonly string[] Hostile =
    [
        "", " ", "-0", "1e308", "1e-320", "NaN", "Infinity", "∞", "99999999999999999999999", "0.0000000000001", "-273.15", "-1e16", "1e16",
            "500 °C", "300 bar", "9999-12-31", "0001-01-01",
        "2026-02-30", "24:00", "25:61", "<script>alert(1)</script>", "'; DROP TABLE entry; --", "=1+1", "@SUM(A1)", "\u0000",
            "\u202E\u0301\u200D", "😀😀😀", "\"", "\\", "{}", "[]", "null", "true",
        "99", "-1", "2147483648", "00000000-0000-0000-0000-000000000000", "suc suc suc", ",,,,", ":", "note:", "fan 99 off", "%00",
            "../../etc/passwd", "١٢٣", "1,2,3,4", "\n\n\n", "0 = 1, 1 = 1, 2 = 1",
    ];

    public bool Chance(double share) => random.NextDouble() < share;

    public T Of<T>(IReadOnlyList<T> choices) => choices[random.Next(choices.Count)];

    /// <param name="hostile">Share of what is not meant well.</param>
    public string Text(double hostile) => Chance(hostile)
        ? Chance(0.05) ? new string('x', random.Next(1, 20_000)) : Of(Hostile)
        : Chance(0.3) ? (random.NextDouble() * 200 - 60).ToString("0.##", CultureInfo.InvariantCulture) : Of(Sensible);

    /// <summary>Every field of a form with something in it.</summary>
    public List<KeyValuePair<string, string>> Fill(IHtmlFormElement form, double hostile)
    {
        var fields = new List<KeyValuePair<string, string>>();
        foreach (var element in form.Elements)
        {
            if (element.GetAttribute("name") is not { Length: > 0 } name || element is IHtmlInputElement { Type: "file" })
                continue;
            if (Value(element, hostile) is { } value)
                fields.Add(new(name, value));
        }

        return fields;
    }

    private string? Value(IElement element, double hostile) => element switch
    {
        IHtmlInputElement { Type: "hidden" } hidden =>
            hidden.Name == "__RequestVerificationToken" || !Chance(hostile / 4) ? hidden.Value : Text(1),
        IHtmlInputElement { Type: "checkbox" or "radio" } box => Chance(0.4) ? Chance(hostile) ? Text(1) : box.Value : null,
        IHtmlSelectElement select =>
            Chance(hostile) || select.Options.Length == 0 ? Text(1) : select.Options[random.Next(select.Options.Length)].Value,
        IHtmlButtonElement button => Chance(0.5) ? button.Value : null,
        IHtmlInputElement or IHtmlTextAreaElement =>
            Chance(0.35) ? element is IHtmlInputElement input ? input.Value : element.TextContent : Text(hostile),
        _ => null,
    };

    /// <summary>A value for a parameter that no form shows.</summary>
    public string Of(Type type, Guid known)
    {
        var plain = Nullable.GetUnderlyingType(type) ?? type;
        if (Chance(0.2))
            return Text(1);
        return plain switch
        {
            _ when plain == typeof(Guid) => Chance(0.5) ? known.ToString() : Guid.CreateVersion7().ToString(),
            _ when plain == typeof(bool) => Chance(0.5) ? "true" : "false",
            _ when plain.IsEnum => Chance(0.8) ? Of(Enum.GetNames(plain)) : "99",
            _ when plain == typeof(int) => random.Next(-2, 30).ToString(CultureInfo.InvariantCulture),
            _ => Text(0.5),
        };
    }
}
