using System.IO.Compression;
using Dapper;
using KeenEmber.Core.Benches.Defrost;

namespace KeenEmber.Storage;

/// <summary>Series that loggers wrote of defrosts: kept whole, as numbers, packed.</summary>
public sealed class RunSeriesStore(Database database)
{
    /// <summary>A new series; the same id twice is stored once.</summary>
    public void Save(Guid id, IReadOnlyList<RunTrack> tracks)
    {
        using var packed = new MemoryStream();
        using (var zip = new BrotliStream(packed, CompressionLevel.Fastest, leaveOpen: true))
        using (var writer = new BinaryWriter(zip))
        {
            writer.Write(tracks.Count);
            foreach (var track in tracks)
            {
                writer.Write(track.Place.Kind.ToString());
                writer.Write(track.Place.Name);
                writer.Write(track.Minutes.Length);
                WriteAll(writer, track.Minutes);
                WriteAll(writer, track.Values);
            }
        }

        using var db = database.Open();
        db.Execute(
            "INSERT INTO run_series (id, body) VALUES (@id, @body) ON CONFLICT (id) DO NOTHING",
            new { id = id.ToString(), body = packed.ToArray() });
    }

    /// <returns>Empty when there is none of that id.</returns>
    public IReadOnlyList<RunTrack> Find(Guid id)
    {
        using var db = database.Open();
        if (db.QuerySingleOrDefault<byte[]>("SELECT body FROM run_series WHERE id = @id", new { id = id.ToString() }) is not { } body)
            return [];
        using var reader = new BinaryReader(new BrotliStream(new MemoryStream(body), CompressionMode.Decompress));
        var tracks = new List<RunTrack>(reader.ReadInt32());
        for (var left = tracks.Capacity; left > 0; left--)
        {
            var place = new RunPlace(Enum.Parse<RunPlaceKind>(reader.ReadString()), reader.ReadString());
            var count = reader.ReadInt32();
            tracks.Add(new(place, ReadAll(reader, count), ReadAll(reader, count)));
        }

        return tracks;
    }

    /// <summary>Single precision: a hundredth of a second in a day, a thousandth of a kelvin.</summary>
    private static void WriteAll(BinaryWriter writer, double[] values)
    {
        var bytes = new byte[values.Length * sizeof(float)];
        for (var i = 0; i < values.Length; i++)
            BitConverter.TryWriteBytes(bytes.AsSpan(i * sizeof(float)), (float)values[i]);
        writer.Write(bytes);
    }

    private static double[] ReadAll(BinaryReader reader, int count)
    {
        var bytes = reader.ReadBytes(count * sizeof(float));
        return [.. Enumerable.Range(0, count).Select(i => (double)BitConverter.ToSingle(bytes, i * sizeof(float)))];
    }
}
