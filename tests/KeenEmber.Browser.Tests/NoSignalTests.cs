using System.Net.Http.Json;
using KeenEmber.Browser.Tests.Harness;
using OpenQA.Selenium;

namespace KeenEmber.Browser.Tests;

/// <summary>A phone where there is no signal: the server cannot be reached at all.</summary>
public sealed class NoSignalTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly string storage = Directory.CreateTempSubdirectory("keen-ember-phone-").FullName;
    private Person person;

    public NoSignalTests() => person = Phone();

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
        Directory.Delete(storage, recursive: true);
    }

    private Person Phone() => new(app, phone: true, profile: storage);

    private void TakeAlong()
    {
        person.Go("/").Press("Add a unit");
        person.Type("#tag", "F-9").Type("#refrigerant", "404a").Type("#target", "-20");
        person.Tap("#kind option[value=WalkInFreezer]").Tap(".later summary").Type("#fans", "2").Press("Add this unit").See("#author");
        person.Go("/");
        // Until the page's scripts have come, a button does nothing.
        person.Wait(() => person.Tap(".along").Read(".along") != "Take along");
        person.ReadUntil(".along", "pages are on this phone");
    }

    private void Begin()
    {
        person.Go("/").Unit("F-9").Type("#author", "Isolde Marrin").Type("#complaint", "Soft ice cream").Press("Start a visit");
        person.See("#line");
    }

    private void Keep(string line) =>
        person.Type("#line", line).Keys(Keys.Enter).ReadUntil("#understood", "Kept on this phone");

    private static void Cut(Person phone, bool isCut) => phone.Run<object?>(isCut
        ? "window.kept = window.fetch; window.fetch = () => Promise.reject(new TypeError('no signal'))" : "window.fetch = window.kept");

    /// <summary>Waits until nothing is left on the phone.</summary>
    private static void Sent(Person phone) => phone.Wait(() => phone.Attribute(".signal", "data-kept") == "0");

    [Fact]
    public void A_whole_first_visit_without_signal_is_on_record_once_when_there_is_signal_again()
    {
        TakeAlong();
        var photos = Enumerable.Range(0, 6).Select(Photo).ToArray();
        app.Kill();

        Begin();
        var visit = person.Path;
        for (var n = 1; n <= 8; n++)
            Keep($"suc 1.{n:00}, box -{n}");

        // What it means is worked out here, by the same rules and in the same words; what is typed is understood as it is there.
        person.Type("#line", "fans on, coil clear, comp on 30 min").ReadUntil("#save-line", "Save 3");
        Keep("fans on, coil clear, comp on 30 min");
        Keep("line -21.2, suc 1.45");
        person.ReadUntil("[data-point=SuctionPressure] .tag-value", "1.45 bar");
        person.ReadUntil("[data-result=SuperheatCoil] .result-value", "3.9 K");
        person.Tap(".drawer summary").ReadUntil(".drawer-body", "Worked out on this phone");
        person.ReadUntil(".drawer-body", "superheat at the coil 3.9 K");
       
        person.Upload("#photos", photos[..3]).ReadUntil(".signal", "12 kept on this phone");
        person.Upload("#photos", photos[3..]).ReadUntil(".signal", "13 kept on this phone");
        person.Station("look").Type("#box-BoxAir", "-11").Tap(".in-box button").ReadUntil(".signal", "No signal · 14 kept on this phone");
        person.Station("changes").Type("#what", "door gasket").Type("#before", "torn").Type("#after", "new")
            .Tap(".change-form button").ReadUntil(".signal", "15 kept on this phone");

        // Switched off and on again in the cold room: everything is still there, and so are the pages.
        person.Dispose();
        person = Phone();
        person.Go(visit).ReadUntil(".signal", "No signal · 15 kept on this phone");
        person.Go("/unsent").ReadUntil(".unsent", "Soft ice cream");

        app.Start();
        person.Go(visit);
        Sent(person);
        // The gasket was changed since: what was read before is as found.
        person.Go(visit).ReadUntil("[data-point=SuctionPressure]", "as found");
        person.ReadUntil(".complaint", "Soft ice cream");
        person.Station("record").See(".timeline");
        // 19 readings, 3 facts, 6 photos, a change.
        Assert.Equal(29, person.Count(".timeline > li"));
        Assert.Equal(6, person.Count(".timeline .thumbs img"));
        person.Unit("F-9");
        Assert.Equal(1, person.Count(".visits li"));
    }

    [Fact]
    public void Two_phones_about_one_visit_lose_and_double_nothing()
    {
        TakeAlong();
        Begin();
        using var other = new Person(app, phone: true);
        other.Go(person.Path).See("#line");
        Cut(person, true);
        Keep("suc 1.10");
        Keep("head 11");
        other.Type("#line", "suc 1.30").Keys(Keys.Enter).ReadUntil("#understood", "saved");
        Cut(person, false);
        person.Type("#line", "liq 25").Keys(Keys.Enter).ReadUntil("#understood", "saved");
        Sent(person);

        // What was sent last was made first: the later reading stands.
        person.ReadUntil("[data-point=SuctionPressure] .tag-value", "1.30 bar");
        person.ReadUntil("[data-point=DischargePressure] .tag-value", "11.00 bar");
        person.Station("record").See(".timeline");
        Assert.Equal(4, person.Count(".timeline > li"));
    }

    [Fact]
    public void What_the_server_refuses_stays_on_the_phone_with_its_reason_and_is_mended_there()
    {
        TakeAlong();
        Begin();
        var visit = person.Path;
        Cut(person, true);
        Keep("suc 1.10, wobble 7");
        person.Tap(".circuit-map.tall [data-point=DischargePressure]").Type("#value", "elven").Keys(Keys.Enter)
            .ReadUntil("[data-point=DischargePressure] .tag-value", "elven");
        Cut(person, false);
        person.Go("/unsent").ReadUntil(".signal", "2 kept on this phone, 2 refused");
        person.ReadUntil(".unsent:nth-child(3) .field-error", "not a number");
        person.ReadUntil(".unsent:nth-child(2) .field-error", "“wobble 7” is not understood");
        person.Type(".unsent:nth-child(2) input", "box -7").Tap(".unsent:nth-child(2) form button");
        person.ReadUntil(".signal", "1 kept on this phone");
        person.Type(".unsent:nth-child(2) input", "11").Tap(".unsent:nth-child(2) form button");
        Sent(person);
        person.Go(visit).ReadUntil("[data-point=DischargePressure] .tag-value", "11.00 bar");
        person.Station("record").See(".timeline");
        Assert.Equal(3, person.Count(".timeline > li"));
    }

    /// <summary>The signal goes in the middle of a visit with a probe on the pipe: the map says so, what is typed is kept, and when it is
    /// back what the gateway saw in between is there once, and the probe is live again.</summary>
    [Fact]
    public async Task A_signal_lost_in_the_middle_of_a_visit_with_a_probe_loses_and_doubles_nothing()
    {
        using var gateway = new HttpClient { BaseAddress = app.Address };
        person.Go("/probes").Type("#name", "box in van 2").Press("Add it");
        gateway.DefaultRequestHeaders.Authorization = new("Bearer", person.Read("[data-secret]"));
        async Task Send(params double[] bar)
        {
            var now = DateTimeOffset.UtcNow;
            using var answer = await gateway.PostAsJsonAsync("/api/probes/low-side/readings", new
            {
                name = "low side", sentAt = now, readings = bar.Select((b, i) =>
                    new { number = (long)(b * 1000), at = now.AddSeconds(i + 1 - bar.Length), value = b, unit = "bar" }),
            }, TestContext.Current.CancellationToken);
            Assert.True(answer.IsSuccessStatusCode, $"{answer.StatusCode}");
        }

        const string live = ".circuit-map.tall [data-point=SuctionPressure] .tag-live";
        const string kept = ".circuit-map.tall [data-point=SuctionPressure] .tag-value";
        await Send(1.92);
        TakeAlong();
        Begin();
        person.Tap("[data-probe=low-side] select option[value=SuctionPressure]").ReadUntil(live, "1.92 bar");
        person.Press("Keep all").ReadUntil(kept, "1.92 bar");

        app.Kill();
        person.ReadUntil(live, "no signal");
        Keep("head 14.2");

        app.Start();
        double[] meanwhile = [2.01, 2.13, 2.25];
        await Send(meanwhile);
        await Send(meanwhile);
        person.Go(person.Path);
        Sent(person);
        person.ReadUntil(live, "2.25 bar");
        person.ReadUntil("[data-point=DischargePressure] .tag-value", "14.20 bar");
        person.Press("Keep all").ReadUntil(kept, "2.25 bar");
        person.Station("record").See(".timeline");
        foreach (var value in new[] { "1.92 bar", "14.20 bar", "2.25 bar" })
            Assert.Equal(1, person.Run<long>(
                $"return [...document.querySelectorAll('.timeline > li')].filter(e => e.textContent.includes('{value}')).length"));
    }

    private string Photo(int number)
    {
        using var bitmap = new SkiaSharp.SKBitmap(64, 48);
        bitmap.Erase(new SkiaSharp.SKColor((byte)(40 * number), 120, 90));
        var file = Path.Combine(storage, $"{number}.png");
        using var written = File.Create(file);
        bitmap.Encode(written, SkiaSharp.SKEncodedImageFormat.Png, 90);
        return file;
    }
}
