using KeenEmber.Core.Findings;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>What a board of sensors says to the other benches and to the reader. The sensor it is about stands first under
/// <see cref="Finding.About"/>; swapped ones follow it.</summary>
public static class SensorFindings
{
    /// <summary>With what the codes of all these findings begin.</summary>
    public const string Prefix = "sensor.";

    /// <summary>"sensor.drifted", "sensor.wrong-curve" and so on, from the verdict's name.</summary>
    public static string Code(SensorVerdict verdict) =>
        Prefix + string.Concat(
            verdict.ToString().Select((c, i) => char.IsUpper(c) && i > 0 ? $"-{char.ToLowerInvariant(c)}" : $"{char.ToLowerInvariant(c)}"));

    /// <summary>One finding for each channel with something wrong, the clearest first; a swapped pair is told once.</summary>
    /// <param name="basis">Entries that a channel's result rests on.</param>
    public static IReadOnlyList<Finding> Of(BoardResult board, Func<BoardChannel, IReadOnlyList<Guid>> basis)
    {
        var findings = new List<Finding>();
        var told = new HashSet<int>();
        foreach (var i in board.Order.Where(told.Add))
        {
            var c = board.Channels[i];
            var (names, detail) = (new List<string> { c.Channel.Name }, "");
            if (c.Result.Verdict == SensorVerdict.Swapped)
            {
                // Round the ring of inputs that hold each other's leads.
                for (var next = c.Place; next != i; next = board.Channels[next].Place)
                {
                    told.Add(next);
                    names.Add(board.Channels[next].Channel.Name);
                }
            }
            else if (c.Result.Other is { } other)
            {
                detail = other.Code;
            }

            findings.Add(
                new(Code(c.Result.Verdict), c.ByElimination ? Strength.Fair
                : Strength.Strong, [.. basis(c.Channel)], Values(c)) { About = [.. names.Select(Subject.Sensor)], Detail = detail,
                WouldConfirm = c.Result.WouldSettle });
        }

        return findings;
    }

    private static Dictionary<string, double> Values(ChannelResult c)
    {
        var values = new Dictionary<string, double>();
        var last = c.Channel.Points.LastOrDefault(p => p.Reference is not null);
        Add("error", c.Result.Error);
        Add("reference", last?.Reference);
        Add("told", last?.Signal is { } s ? c.Channel.Curve.ValueOf(s) : null);
        Add("shown", last?.Shown);
        Add("besideOhm", c.Result.Beside?.Ohm);
        return values;

        void Add(string name, double? value)
        {
            if (value is { } v && double.IsFinite(v))
                values[name] = v;
        }
    }
}
