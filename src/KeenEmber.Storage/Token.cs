using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;

namespace KeenEmber.Storage;

/// <summary>A secret that opens something once it is sent back: made at random, kept as its hash alone.</summary>
internal static class Token
{
    private const int Bytes = 32;

    internal static string New() => Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(Bytes));

    internal static string Hash(string token) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(token)));
}
