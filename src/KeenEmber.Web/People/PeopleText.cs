using System.Globalization;
using KeenEmber.Storage;

namespace KeenEmber.Web.People;

/// <summary>What roles are called.</summary>
public static class PeopleText
{
    /// <summary>"TA": of the first and the last part of a name.</summary>
    public static string Initials(string name) => name.Split(' ', StringSplitOptions.RemoveEmptyEntries) switch
    {
        [] => "",
        [var one] => StringInfo.GetNextTextElement(one),
        [var first, .., var last] => StringInfo.GetNextTextElement(first) + StringInfo.GetNextTextElement(last),
    };

    public static string Name(Role role) => role switch
    {
        Role.Lead => "lead",
        Role.Office => "office, reads and prints",
        _ => "technician",
    };
}

/// <summary>A page whose form the office may send too: signing in and out.</summary>
public interface IForAnybody;
