namespace KeenEmber.Core.Record;

/// <summary>Ids for entries.</summary>
public static class EntryId
{
    /// <summary>The id of the n-th entry of one line, made from the line's own id, so that the same line always gives the same
    /// ids.</summary>
    /// <param name="lineId">UUIDv7 of the line.</param>
    /// <param name="index">0 to 65535.</param>
    public static Guid OfLine(Guid lineId, int index)
    {
        ArgumentOutOfRangeException.ThrowIfGreaterThan(index, ushort.MaxValue);
        Span<byte> bytes = stackalloc byte[16];
        lineId.TryWriteBytes(bytes, bigEndian: true, out _);
        bytes[14] ^= (byte)(index >> 8);
        bytes[15] ^= (byte)index;
        return new Guid(bytes, bigEndian: true);
    }
}
