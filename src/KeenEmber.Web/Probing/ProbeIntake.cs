using System.Text.RegularExpressions;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Storage.Gear;

namespace KeenEmber.Web.Probing;

/// <param name="Number">Of the probe's own counting; what was sent twice is known by it.</param>
/// <param name="At">By the gateway's clock.</param>
/// <param name="Unit">"°C", "bar", "psi", "A", "kg", "micron" and so on.</param>
public sealed record ProbeReadingDocument(long Number, DateTimeOffset At, double Value, string? Unit);

/// <param name="Name">As its owner calls it; its id where it has none.</param>
/// <param name="Measures">Where the unit leaves it open, as for pascals.</param>
/// <param name="Battery">0 to 1.</param>
/// <param name="SentAt">The gateway's clock as it sends, from which its error is known.</param>
public sealed record ProbeDocument(
    string? Name, QuantityKind? Measures, double? Battery, DateTimeOffset? SentAt, ProbeReadingDocument?[]? Readings);

/// <param name="Taken">How many were new.</param>
/// <param name="ClockOffSeconds">How far the gateway's clock is behind this one's.</param>
public sealed record ProbeAnswer(int Taken, int KnownBefore, double ClockOffSeconds);

/// <summary>What became of what a gateway sent.</summary>
/// <param name="Answer">Null where nothing was taken.</param>
/// <param name="Errors">By field; empty where it was taken.</param>
public sealed record Intake(ProbeAnswer? Answer, IReadOnlyDictionary<string, string[]> Errors);

/// <summary>Takes in readings of probes, whichever way a gateway brings them.</summary>
public sealed partial class ProbeIntake(ProbeStore probes, TimeProvider clock)
{
    private const int MostReadings = 2000, LongestName = 40;

    /// <summary>A clock this near is right, s.</summary>
    private const double NearS = 2;

    [GeneratedRegex("^[A-Za-z0-9._-]{1,40}$")]
    private static partial Regex Ids();

    /// <summary>What an id on the wire looks like.</summary>
    internal const string IdRule = "1 to 40 letters, digits, dots, dashes and underscores.";

    /// <summary>It looks like one.</summary>
    internal static bool IsId(string id) => Ids().IsMatch(id);

    /// <summary>How far a gateway's clock is behind this one's; nothing where it is near.</summary>
    internal static TimeSpan ClockOff(DateTimeOffset? sentAt, DateTimeOffset now) =>
        sentAt is { } at && Math.Abs((now - at).TotalSeconds) > NearS ? now - at : TimeSpan.Zero;

    /// <summary>The gateway that knows this secret; null where none does, or it may send no more.</summary>
    public Guid? GatewayOf(string secret) => probes.GatewayOf(secret);

    /// <summary>The gateway that somebody's own phone is. Who is signed in may type what a thermometer shows, so the phone may send it: a
    /// secret is not wanted, and one that was revoked is made anew.</summary>
    public Guid OfPhone(string person)
    {
        var name = $"phone of {person}";
        if (probes.Gateways().FirstOrDefault(g => g.Name == name) is { } known)
            return known.Id;
        var made = new Gateway(Guid.CreateVersion7(), name, person, clock.GetUtcNow());
        probes.Add(made);
        return made.Id;
    }

    /// <param name="probe">Its id on the wire.</param>
    public Intake Take(string probe, Guid gateway, ProbeDocument document)
    {
        var now = clock.GetUtcNow();
        var errors = new Dictionary<string, string[]>();
        if (!IsId(probe))
            errors["id"] = [IdRule];
        if (document.Battery is < 0 or > 1)
            errors["battery"] = ["0 to 1."];
        var off = ClockOff(document.SentAt, now);
        var samples = Samples(document, off, now, errors);
        if (errors.Count > 0)
            return new(null, errors);
        var name = document.Name is { Length: > 0 } given ? given[..Math.Min(LongestName, given.Length)] : probe;
        var taken = probes.Take(gateway, new(probe, name, samples[0].Value.Unit.Kind, document.Battery), samples, now);
        return new(new(taken, samples.Count - taken, Math.Round(off.TotalSeconds, 1)), errors);
    }

    private static List<ProbeSample> Samples(
        ProbeDocument document, TimeSpan off, DateTimeOffset now, Dictionary<string, string[]> errors)
    {
        var samples = new List<ProbeSample>();
        foreach (var (reading, i) in (document.Readings ?? []).Select((r, i) => (r, i)))
        {
            if (reading is not null && Unit.Find(reading.Unit ?? "", document.Measures) is { } unit
                && (document.Measures ?? unit.Kind) == unit.Kind && new TypedValue(reading.Value, unit) is var value
                && QuantityReader.IsWithinPhysics(value) && reading.At >= EntryBounds.Earliest && reading.At <= now.AddDays(1))
                samples.Add(new(reading.Number, reading.At + off > now ? now : reading.At + off, value));
            else
                errors.TryAdd(
                    $"readings[{i}]", ["A number, a moment from the year 2000 on, a value and its unit, such as °C, bar, A, kg."]);
        }

        if (samples.Count is 0 or > MostReadings)
            errors.TryAdd("readings", [$"1 to {MostReadings} readings."]);
        else if (samples.Exists(s => s.Value.Unit.Kind != samples[0].Value.Unit.Kind))
            errors.TryAdd("readings", ["All of one quantity."]);
        return samples;
    }
}
