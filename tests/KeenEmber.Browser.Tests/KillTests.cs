using System.Collections.Concurrent;
using System.Net;
using System.Text.RegularExpressions;
using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>The process is killed at random moments while entries and photos stream in: whatever was acknowledged is there, and nothing is
/// half there.</summary>
/// <remarks>A few rounds in every run; ./keen-ember kills makes two hundred.</remarks>
public sealed class KillTests : IDisposable
{
    private static readonly int Rounds = int.TryParse(Environment.GetEnvironmentVariable("KEEN_EMBER_KILLS"), out var rounds) ? rounds : 4;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private readonly AppServer app = new();
    private readonly Random random = new(20260302);

    public void Dispose() => app.Dispose();

    private async Task<string> Token(string page) =>
        Regex.Match(
            await app.Http.GetStringAsync(page, Cancel), "__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)").Groups[1].Value;

    private async Task<string> StartVisit()
    {
        var added = await app.Http.PostAsync("/equipment/new", new FormUrlEncodedContent(new Dictionary<string, string>
        {
            ["__RequestVerificationToken"] = await Token("/equipment/new"), ["UnitId"] = Guid.CreateVersion7().ToString(), ["Tag"] = "F-9",
                ["Refrigerant"] = "R404A", ["Target"] = "-20", ["Kind"] = "WalkInFreezer",
        }), Cancel);
        var unit = added.Headers.Location!.ToString();
        var started = await app.Http.PostAsync(unit, new FormUrlEncodedContent(new Dictionary<string, string>
        {
            ["__RequestVerificationToken"] = await Token(unit), ["visitId"] = Guid.CreateVersion7().ToString(),
                ["author"] = "Isolde Marrin",
        }), Cancel);
        return started.Headers.Location!.ToString().Replace("/circuit", "", StringComparison.Ordinal);
    }

    /// <summary>A picture of its own for every number, small enough to send often.</summary>
    private static byte[] Picture(int number)
    {
        using var bitmap = new SkiaSharp.SKBitmap(64, 48);
        bitmap.Erase(new((byte)(number * 37), (byte)(number * 11), (byte)(number * 73)));
        bitmap.SetPixel(number % 64, number / 64 % 48, SkiaSharp.SKColors.White);
        using var data = bitmap.Encode(SkiaSharp.SKEncodedImageFormat.Png, 100);
        return data.ToArray();
    }

    /// <summary>Sends line after line, every third time a photo, until the server is gone.</summary>
    /// <param name="acknowledged">Gets the number each acknowledged line or caption carries.</param>
    private async Task Stream(string visit, string token, int first, ConcurrentQueue<int> acknowledged)
    {
        for (var number = first; ; number++)
        {
            try
            {
                using var photo = new ByteArrayContent(Picture(number));
                using var form = new MultipartFormDataContent
                {
                    { new StringContent(token), "__RequestVerificationToken" },
                        { new StringContent(Guid.CreateVersion7().ToString()), "lineId" },
                };
                var isPhoto = number % 3 == 0;
                form.Add(new StringContent(isPhoto ? $"shot {number}." : $"note: said {number}."), isPhoto ? "caption" : "line");
                if (isPhoto)
                    form.Add(photo, "photos", $"{number}.png");
                var answer = await app.Http.PostAsync($"{visit}/record?handler={(isPhoto ? "Photos" : "Log")}", form, Cancel);
                if (answer.StatusCode == HttpStatusCode.Redirect)
                    acknowledged.Enqueue(number);
            }
            catch (HttpRequestException)
            {
                return;
            }
        }
    }

    [Fact]
    public async Task Whatever_was_acknowledged_is_there_after_a_kill()
    {
        var visit = await StartVisit();
        var acknowledged = new List<int>();
        var first = 1;
        for (var round = 0; round < Rounds; round++)
        {
            var sent = new ConcurrentQueue<int>();
            var stream = Stream(visit, await Token(visit + "/record"), first, sent);
            while (sent.IsEmpty)
                await Task.Delay(5, Cancel);
            await Task.Delay(random.Next(0, 400), Cancel);
            app.Kill();
            await stream;
            acknowledged.AddRange(sent);
            first = sent.Max() + 5;
            app.Start();
        }

        var record = await app.Http.GetStringAsync(visit + "/record?all=true", Cancel);
        Assert.True(acknowledged.Count >= Rounds);
        foreach (var number in acknowledged)
            Assert.Contains(number % 3 == 0 ? $"shot {number}." : $"said {number}.", record, StringComparison.Ordinal);

        // No half entry: every photo of the record can be fetched whole, small and large.
        foreach (var address in Regex.Matches(record, "/photos/[0-9a-f]{64}").Select(m => m.Value).Distinct())
        {
            foreach (var file in new[] { address, address + "/small" })
            {
                using var picture = SkiaSharp.SKBitmap.Decode(await app.Http.GetByteArrayAsync(file, Cancel));
                Assert.NotNull(picture);
            }
        }

        TestContext.Current.SendDiagnosticMessage($"{Rounds} kills, {acknowledged.Count} entries acknowledged, none lost");
    }
}
