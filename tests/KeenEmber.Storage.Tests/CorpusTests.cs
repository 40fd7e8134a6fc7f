using System.Text.Json;
using System.Text.Json.Nodes;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Written;

namespace KeenEmber.Storage.Tests;

/// <summary>
/// Bodies of every kind and version that were ever written are read for good. A line is added to Corpus/bodies.tsv with every kind, version
/// and shape;
/// none is ever changed or taken out.
/// </summary>
public sealed class CorpusTests
{
    private static readonly IReadOnlyList<(string Kind, int Version, string Body)> Corpus =
        [.. File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Corpus", "bodies.tsv")).Select(l => l.Split('\t'))
            .Select(l => (l[0], int.Parse(l[1], System.Globalization.CultureInfo.InvariantCulture), l[2]))];

    private static readonly EntryHeader Header =
        new(Guid.CreateVersion7(), Guid.CreateVersion7(), DateTimeOffset.UnixEpoch, DateTimeOffset.UnixEpoch, "Isolde");

    [Fact]
    public void Every_body_ever_written_is_read_and_says_what_it_said()
    {
        foreach (var (kind, version, body) in Corpus)
        {
            var entry = EntryKinds.House.Read(Header, kind, version, body);
            Assert.True(entry is not UnknownEntry, $"{kind} {version} {body}");
            var (_, newest, written) = EntryKinds.House.Write(entry);
            if (version == newest)
                AssertSame(JsonNode.Parse(body)!, JsonNode.Parse(written)!, $"{kind}: {body}\nnow {written}");
        }
    }

    /// <summary>All that was written is there still, number by number; what has come since has its default value.</summary>
    private static void AssertSame(JsonNode was, JsonNode now, string what)
    {
        switch (was)
        {
            case JsonObject members:
                foreach (var (name, value) in members)
                {
                    var found = now[name];
                    if (value is null)
                        Assert.True(found is null, what);
                    else
                        AssertSame(value, found ?? throw new Xunit.Sdk.XunitException($"{name} is gone. {what}"), what);
                }

                break;
            case JsonArray list:
                Assert.True(now.AsArray().Count == list.Count, what);
                foreach (var (a, b) in list.Zip(now.AsArray()))
                    AssertSame(a!, b!, what);
                break;
            default:
                Assert.True(
                    JsonNode.DeepEquals(was, now)
                    || (was.GetValueKind() == JsonValueKind.Number && was.GetValue<double>() == now.GetValue<double>()), what);
                break;
        }
    }

    [Fact]
    public void Every_kind_and_its_newest_version_stand_in_the_corpus()
    {
        var known = Corpus.Select(c => (c.Kind, c.Version)).ToHashSet();
        var missing = EveryKind.Of(Guid.CreateVersion7()).Select(EntryKinds.House.Write).Where(w => !known.Contains((w.Kind, w.Version)))
            .Select(w => $"{w.Kind}\t{w.Version}\t{w.Body}");
        Assert.True(!missing.Any(), "Add to Corpus/bodies.tsv:\n" + string.Join('\n', missing));
        Assert.All(EntryKinds.House.ByName.Keys, kind => Assert.Contains((kind, EntryVersions.Of(kind)), known));
    }

    /// <summary>Names of members are written down for good: one that is renamed in the code keeps its name on the wire
    /// (WireNames.Renamed).</summary>
    [Fact]
    public void Every_member_ever_written_is_still_read()
    {
        var now = EnumsWritten().SelectMany(e => Enum.GetValues(e).Cast<object>().Distinct(), (e, m) => $"{e.Name}.{NameOf(e, m)}")
            .Concat(MeasuringPoints.InWalkingOrder.Select(p => $"{nameof(MeasuringPoint)}.{NameOf(typeof(PointRef), p)}")).ToHashSet();
        var ever = File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Corpus", "members.txt")).ToHashSet();
        Assert.True(ever.IsSubsetOf(now), "No longer read: " + string.Join(", ", ever.Except(now)));
        Assert.True(now.IsSubsetOf(ever), "Add to Corpus/members.txt:\n" + string.Join('\n', now.Except(ever)));
    }

    [Fact]
    public void A_point_at_the_second_coil_is_read_by_the_name_it_was_first_written_with() => Assert.Equal(
        MeasuringPoint.SuctionLineCoil.At(2), JsonSerializer.Deserialize<PointRef>("\"SuctionLineCoil2\"", EntryJson.Options));

    private static string NameOf(Type type, object member) => JsonSerializer.Serialize(member, type, EntryJson.Options).Trim('"');

    /// <summary>Enumerations that some body holds.</summary>
    private static HashSet<Type> EnumsWritten()
    {
        var found = new HashSet<Type>();
        var seen = new HashSet<Type>();
        foreach (var kind in EntryKinds.House.ByName.Values)
            Look(kind);
        return found;

        void Look(Type type)
        {
            type = Nullable.GetUnderlyingType(type) ?? type;
            if (type.IsEnum)
                found.Add(type);
            else if (type.IsGenericType)
                Array.ForEach(type.GetGenericArguments(), Look);
            else if (type.Assembly == typeof(Entry).Assembly && seen.Add(type))
                Array.ForEach(type.GetConstructors().SelectMany(c => c.GetParameters()).Select(p => p.ParameterType).ToArray(), Look);
        }
    }

    [Theory]
    [InlineData("reading", 2, """{"point":"BoxAir","value":{"value":1,"unit":"°C"}}""")]
    [InlineData("reading", 0, """{"point":"BoxAir","value":{"value":1,"unit":"°C"}}""")]
    [InlineData("reading", 1, """{"point":"BoxAir"}""")]
    [InlineData("reading", 1, """{"point":"7","value":{"value":1,"unit":"°C"}}""")]
    [InlineData("something new", 1, "{}")]
    public void What_a_newer_program_wrote_is_kept_as_it_is(string kind, int version, string body)
    {
        var kept = Assert.IsType<UnknownEntry>(EntryKinds.House.Read(Header, kind, version, body));
        Assert.Equal((kind, body), (kept.Kind, kept.Body));
    }
}
