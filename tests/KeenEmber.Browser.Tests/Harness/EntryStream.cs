using System.Collections.Concurrent;
using System.Net;
using System.Text.RegularExpressions;

namespace KeenEmber.Browser.Tests.Harness;

/// <summary>Entries and photos that stream in until the server is gone, and whether all that were acknowledged are there
/// afterwards.</summary>
internal sealed class EntryStream(AppServer app)
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    internal async Task<string> Token(string page) =>
        Regex.Match(
            await app.Http.GetStringAsync(page, Cancel), "__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)").Groups[1].Value;

    internal async Task<string> StartVisit()
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

    /// <summary>One line, or every third time a photo.</summary>
    internal async Task<HttpStatusCode> Send(string visit, string token, int number)
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
        using var answer = await app.Http.PostAsync($"{visit}/record?handler={(isPhoto ? "Photos" : "Log")}", form, Cancel);
        return answer.StatusCode;
    }

    /// <summary>Sends line after line, every third time a photo, until the server is gone.</summary>
    /// <param name="acknowledged">Gets the number each acknowledged line or caption carries.</param>
    internal async Task Stream(string visit, string token, int first, ConcurrentQueue<int> acknowledged)
    {
        for (var number = first; ; number++)
        {
            try
            {
                if (await Send(visit, token, number) == HttpStatusCode.Redirect)
                    acknowledged.Enqueue(number);
            }
            catch (HttpRequestException)
            {
                return;
            }
        }
    }

    /// <summary>Those of the acknowledged that are not on record, and photos of it that are not whole.</summary>
    internal async Task<IReadOnlyList<string>> Missing(string visit, IEnumerable<int> acknowledged)
    {
        var record = await app.Http.GetStringAsync(visit + "/record?all=true", Cancel);
        List<string> missing = [.. acknowledged.Select(Said).Where(said => !record.Contains(said, StringComparison.Ordinal))];
        foreach (var address in Regex.Matches(record, "/photos/[0-9a-f]{64}").Select(m => m.Value).Distinct())
        {
            foreach (var file in new[] { address, address + "/small" })
            {
                using var answer = await app.Http.GetAsync(file, Cancel);
                using var picture = SkiaSharp.SKBitmap.Decode(await answer.Content.ReadAsByteArrayAsync(Cancel));
                if (picture is null)
                    missing.Add(file);
            }
        }

        return missing;
    }

    private static string Said(int number) => number % 3 == 0 ? $"shot {number}." : $"said {number}.";
}
