namespace KeenEmber.Web.Tests.Fuzz;

/// <summary>What an attack came to.</summary>
internal sealed class Tally
{
    public int Sent { get; set; }

    public int Accepted { get; set; }

    public int Reopened { get; set; }

    /// <summary>Each with its seed and step, so that it can be done again.</summary>
    public List<string> Failures { get; } = [];

    public void Add(Tally other)
    {
        (Sent, Accepted, Reopened) = (Sent + other.Sent, Accepted + other.Accepted, Reopened + other.Reopened);
        Failures.AddRange(other.Failures);
    }

    public override string ToString() => $"{Sent} inputs, {Accepted} accepted, {Reopened} pages re-opened, {Failures.Count} failures";
}
