using System.Diagnostics;
using System.Net.Http.Headers;
using System.Text.RegularExpressions;

namespace KeenEmber.Load;

/// <summary>The phone of one person, behind a proxy that does TLS: cookies and tokens as a browser keeps them.</summary>
internal sealed class Device(Uri server, int number, Measured measured) : IDisposable
{
    public void Dispose() => http.Dispose();

    private readonly HttpClient http = new(new SocketsHttpHandler { UseCookies = false, AllowAutoRedirect = false })
    {
        BaseAddress = new(server.GetLeftPart(UriPartial.Authority)), Timeout = TimeSpan.FromSeconds(30),
    };

    private readonly Dictionary<string, string> cookies = [];
    private string token = "";

    internal async Task<string> Page(string path, string what)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, path);
        var (_, text) = await Ask(request, what);
        if (Regex.Match(text, "__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)") is { Success: true } found)
            token = found.Groups[1].Value;
        return text;
    }

    internal async Task<(int Status, string Text)> Send(string path, string what, params (string Name, string Value)[] fields)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path)
        {
            Content = new FormUrlEncodedContent(
                fields.Append(("__RequestVerificationToken", token)).Select(f => KeyValuePair.Create(f.Item1, f.Item2))),
        };
        return await Ask(request, what);
    }

    internal async Task Photo(string path, byte[] picture)
    {
        using var photo = new ByteArrayContent(picture);
        photo.Headers.ContentType = new("image/jpeg");
        using var request = new HttpRequestMessage(HttpMethod.Post, path)
        {
            Content = new MultipartFormDataContent
            {
                { new StringContent(token), "__RequestVerificationToken" },
                { new StringContent(Guid.CreateVersion7().ToString()), "lineId" }, { photo, "photos", "photo.jpg" },
            },
        };
        await Ask(request, "photo");
    }

    private async Task<(int Status, string Text)> Ask(HttpRequestMessage request, string what)
    {
        request.Headers.Add("X-Forwarded-For", $"10.1.{number / 250}.{number % 250 + 1}");
        request.Headers.Add("X-Forwarded-Proto", "https");
        request.Headers.Accept.Add(new MediaTypeWithQualityHeaderValue("text/html"));
        if (cookies.Count > 0)
            request.Headers.Add("Cookie", string.Join("; ", cookies.Select(c => $"{c.Key}={c.Value}")));
        var began = Stopwatch.GetTimestamp();
        try
        {
            using var answer = await http.SendAsync(request);
            var text = await answer.Content.ReadAsStringAsync();
            measured.Took(what, Stopwatch.GetElapsedTime(began));
            if ((int)answer.StatusCode >= 400)
                measured.Failed($"{what}: {(int)answer.StatusCode}");
            foreach (var cookie in answer.Headers.TryGetValues("Set-Cookie", out var set) ? set : [])
            {
                var pair = cookie.Split(';')[0].Split('=', 2);
                cookies[pair[0]] = pair[1];
            }

            return ((int)answer.StatusCode, text);
        }
        catch (Exception e) when (e is HttpRequestException or TaskCanceledException)
        {
            measured.Failed($"{what}: {e.GetType().Name}");
            return (0, "");
        }
    }
}
