using KeenEmber.Storage;

namespace KeenEmber.Web.People;

/// <summary>What roles are called.</summary>
public static class PeopleText
{
    public static string Name(Role role) => role switch
    {
        Role.Lead => "lead",
        Role.Office => "office, reads and prints",
        _ => "technician",
    };
}

/// <summary>A page whose form the office may send too: signing in and out.</summary>
public interface IForAnybody;
