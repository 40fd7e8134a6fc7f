using System.Net;
using System.Net.Http.Json;
using KeenEmber.Storage;
using KeenEmber.Web.People;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>From an app that is open to one that nobody enters without an account: first lead, invitations, roles, a lost phone.</summary>
public sealed class PeopleTests : IDisposable
{
    private const string Password = "harbour lantern seven";

    private readonly TestApp app = new();
    private readonly Technician lead;
    private readonly Technician other;

    public PeopleTests()
    {
        // A browser goes by its own clock when it lets a cookie go.
        app.Clock.Now = DateTimeOffset.UtcNow;
        (lead, other) = (new(app), new(app));
    }

    public void Dispose()
    {
        lead.Dispose();
        other.Dispose();
        app.Dispose();
    }

    private PeopleStore People => app.Get<PeopleStore>();

    private string FirstInvitation() => $"/welcome/{People.InviteFirst(app.Clock.Now, app.Clock.Now.AddDays(1))}";

    private static Task<HttpResponseMessage> Join(Technician who, string address, string name, string signIn, string? again = null) =>
        who.Send(address, "", ("name", name), ("signIn", signIn), ("password", Password), ("again", again ?? Password));

    private async Task BecomeLead()
    {
        using var joined = await Join(lead, FirstInvitation(), "Maren Oakhurst", "maren");
        Assert.Equal(HttpStatusCode.Redirect, joined.StatusCode);
    }

    private async Task<string> Invite(Role role)
    {
        using var made = await lead.Send("/people", "handler=Invite", ("role", role.ToString()));
        return new Uri((await Technician.Page(made)).QuerySelector("[data-invitation]")!.TextContent).AbsolutePath;
    }

    private static async Task<HttpStatusCode> Status(Technician who, string page)
    {
        using var answer = await who.Http.GetAsync(page, TestContext.Current.CancellationToken);
        return answer.StatusCode;
    }

    [Fact]
    public async Task It_is_open_until_somebody_has_an_account_and_then_nobody_enters_without()
    {
        Assert.Equal(HttpStatusCode.OK, await Status(other, "/"));
        await BecomeLead();
        Assert.Equal(HttpStatusCode.OK, await Status(lead, "/"));
        using (var turned = await other.Http.GetAsync("/equipment/new", TestContext.Current.CancellationToken))
            Assert.Contains("/sign-in?back=%2Fequipment%2Fnew", turned.Headers.Location!.ToString(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Unauthorized, await Status(other, "/api/archive"));
        Assert.Equal(HttpStatusCode.OK, await Status(other, "/healthz"));
        Assert.Equal(HttpStatusCode.OK, await Status(other, "/sign-in"));
        Assert.Equal(HttpStatusCode.OK, await Status(other, "/lib/bootstrap/bootstrap.min.css"));
    }

    [Fact]
    public async Task The_first_address_works_once_and_a_wrong_password_says_only_that()
    {
        var first = FirstInvitation();
        using (var short_ = await lead.Send(first, "", ("name", "Maren Oakhurst"), ("signIn", "maren"), ("password", "short"),
            ("again", "other")))
        {
            var page = await Technician.Page(short_);
            Assert.Contains("At least 12 characters", page.QuerySelector("#password-error")!.TextContent, StringComparison.Ordinal);
            Assert.Contains("not the same", page.QuerySelector("#again-error")!.TextContent, StringComparison.Ordinal);
            Assert.Equal("maren", page.QuerySelector("#signIn")!.GetAttribute("value"));
        }

        using (await Join(lead, first, "Maren Oakhurst", "Maren"))
            Assert.Equal("maren", Assert.Single(People.All()).NormalSignIn);
        Assert.Contains("used, over, or none", (await other.Open(first)).Body!.TextContent, StringComparison.Ordinal);
        using (var wrong = await other.Send("/sign-in", "handler=In", ("name", "maren"), ("password", "something else here")))
            Assert.Contains("do not go together", (await Technician.Page(wrong)).Body!.TextContent, StringComparison.Ordinal);
        using (var nobody = await other.Send("/sign-in", "handler=In", ("name", "nobody"), ("password", Password)))
            Assert.Contains("do not go together", (await Technician.Page(nobody)).Body!.TextContent, StringComparison.Ordinal);
        using var right = await other.Send("/sign-in?back=%2Fsettings", "handler=In", ("name", "MAREN"), ("password", Password));
        Assert.Equal("/settings", right.Headers.Location!.ToString());
        var cookie = right.Headers.GetValues("Set-Cookie").Single(c => c.StartsWith("keen-ember-person=", StringComparison.Ordinal));
        Assert.Contains("httponly", cookie, StringComparison.Ordinal);
        Assert.Contains("samesite=lax", cookie, StringComparison.Ordinal);
        using (await other.Send("/sign-in", "handler=Out"))
            Assert.Equal(HttpStatusCode.Redirect, await Status(other, "/"));
        using var astray = await other.Send("/sign-in?back=https%3A%2F%2Felsewhere.test", "handler=In", ("name", "maren"),
            ("password", Password));
        Assert.Equal("/", astray.Headers.Location!.ToString());
    }

    [Fact]
    public async Task What_is_written_bears_the_name_of_who_is_signed_in()
    {
        await BecomeLead();
        using (await Join(other, await Invite(Role.Technician), "Tobin Ashgrove", "tobin"))
        {
        }

        var visit = await lead.StartVisit(await lead.AddUnit());
        await lead.Log(visit, "suc 1.4");
        await other.Log(visit, "head 12");
        var entries = app.Get<VisitStore>().PlainEntries(Guid.Parse(visit.Split('/')[^1]));
        Assert.Equal(["Maren Oakhurst", "Tobin Ashgrove"], entries.Select(e => e.Author).Order());
        Assert.Contains("Tobin Ashgrove", (await other.Open("/")).QuerySelector("[data-signed-in]")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Roles_hold_and_the_office_only_reads()
    {
        await BecomeLead();
        var visit = await lead.StartVisit(await lead.AddUnit());
        using (await Join(other, await Invite(Role.Office), "Odile Fenn", "odile"))
        {
        }

        Assert.Equal(HttpStatusCode.OK, await Status(other, visit + "/report"));
        Assert.Equal(HttpStatusCode.Forbidden, await Status(other, "/people"));
        using var refused = await other.Send(visit + "/circuit", "handler=Log", ("line", "suc 1.4"));
        Assert.Equal(HttpStatusCode.Forbidden, refused.StatusCode);
        using var saved = await other.Send("/settings", "", ("name", "another company"));
        Assert.NotEqual("another company", app.Get<CompanyStore>().Get().Name);
    }

    [Fact]
    public async Task Who_decided_what_for_the_company_stays_on_record()
    {
        await BecomeLead();
        using (await lead.Send("/settings", "", ("StartParts", "StartPartsSingly"), ("callbackDays", "14")))
        {
        }

        var page = await lead.Open("/settings");
        var said = Assert.Single(page.QuerySelectorAll("[data-decided] li")).TextContent;
        Assert.Contains("Start components: as a kit, now only the failed one", said, StringComparison.Ordinal);
        Assert.Contains("no callback: 30, now 14, by Maren Oakhurst", said, StringComparison.Ordinal);

        // Saved again as it is: nothing was decided.
        using (await lead.Send("/settings", ""))
        {
        }

        Assert.Single((await lead.Open("/settings")).QuerySelectorAll("[data-decided] li"));
    }

    [Fact]
    public async Task A_lost_phone_is_out_with_its_next_request_and_somebody_removed_stays_out()
    {
        await BecomeLead();
        using (await Join(other, await Invite(Role.Technician), "Tobin Ashgrove", "tobin"))
        {
        }

        var tobin = People.Find("tobin")!;
        Assert.Equal(HttpStatusCode.OK, await Status(other, "/"));
        await Do("Out");
        Assert.Equal(HttpStatusCode.Redirect, await Status(other, "/"));
        using (await other.Send("/sign-in", "handler=In", ("name", "tobin"), ("password", Password)))
            Assert.Equal(HttpStatusCode.OK, await Status(other, "/"));
        await Do("Remove");
        Assert.Equal(HttpStatusCode.Redirect, await Status(other, "/"));
        using (await other.Send("/sign-in", "handler=In", ("name", "tobin"), ("password", Password)))
            Assert.Equal(HttpStatusCode.Redirect, await Status(other, "/"));
        Assert.Equal(["removed", "signed out everywhere", "joined as technician", "joined as lead"],
            People.Changes(10).Select(c => c.What));
        Assert.All(People.Changes(3).Take(2), c => Assert.Equal("Maren Oakhurst", c.By));

        async Task Do(string handler)
        {
            using var done = await lead.Send("/people", $"handler={handler}", ("person", tobin.Id.ToString()));
            Assert.Equal(HttpStatusCode.Redirect, done.StatusCode);
        }
    }

    /// <summary>Sends what no form of the page offers.</summary>
    private static async Task<HttpStatusCode> Post(Technician who, string page, string handler, params (string Name, string Value)[] fields)
    {
        var token = (await who.Open(page)).QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        using var answer = await who.Http.PostAsync($"{page}?handler={handler}", new FormUrlEncodedContent(
            fields.Append(("__RequestVerificationToken", token)).Select(f => KeyValuePair.Create(f.Item1, f.Item2))),
            TestContext.Current.CancellationToken);
        return answer.StatusCode;
    }

    private static Task<HttpResponseMessage> SignIn(Technician who, string name, bool shared = false) => who.Send("/sign-in", "handler=In",
        ("name", name), ("password", Password), ("shared", shared ? "true" : "false"));

    [Fact]
    public async Task On_a_shared_tablet_those_who_agreed_are_two_taps_away_and_nobody_else()
    {
        await BecomeLead();
        using (await Join(other, await Invite(Role.Technician), "Tobin Ashgrove", "tobin"))
        using (await SignIn(other, "tobin", shared: true))
        using (await SignIn(other, "maren"))
        {
        }

        var (tobin, maren) = (People.Find("tobin")!.Id.ToString(), People.Find("maren")!.Id.ToString());
        var taps = (await other.Open("/sign-in")).QuerySelectorAll("[data-change-to] button");
        Assert.Equal("Tobin Ashgrove", Assert.Single(taps).TextContent);
        Assert.Equal(HttpStatusCode.Redirect, await Post(other, "/sign-in", "As", ("person", tobin)));
        Assert.Contains("Tobin Ashgrove", (await other.Open("/")).QuerySelector("[data-signed-in]")!.TextContent, StringComparison.Ordinal);

        // Who did not agree cannot be changed to, and neither can anybody on a device they never signed in on.
        await Post(other, "/sign-in", "As", ("person", maren));
        Assert.Contains("Tobin Ashgrove", (await other.Open("/")).QuerySelector("[data-signed-in]")!.TextContent, StringComparison.Ordinal);
        using var third = new Technician(app);
        await Post(third, "/sign-in", "As", ("person", tobin));
        Assert.Equal(HttpStatusCode.Redirect, await Status(third, "/"));

        // Signed out everywhere holds here too.
        using (await SignIn(other, "maren"))
        using (await lead.Send("/people", "handler=Out", ("person", tobin)))
            Assert.Empty((await other.Open("/sign-in")).QuerySelectorAll("[data-change-to] button"));
    }

    [Fact]
    public async Task Somebody_changes_their_own_name_and_password_and_other_devices_are_out()
    {
        await BecomeLead();
        using (await Join(other, await Invite(Role.Technician), "Tobin Ashgrove", "tobin"))
        {
        }

        using var phone = new Technician(app);
        using (await SignIn(phone, "tobin"))
            Assert.Equal(HttpStatusCode.OK, await Status(phone, "/"));
        using (var wrong = await other.Send("/account", "handler=Password", ("current", "not this one at all"),
            ("password", "a longer lantern"), ("again", "a longer lantern")))
            Assert.Contains("not your password", (await Technician.Page(wrong)).QuerySelector("#current-error")!.TextContent,
                StringComparison.Ordinal);
        foreach (var easy in new[] { "aaaaaaaaaaaaaa", "tobin ashgrove" })
        {
            using var guessed = await other.Send(
                "/account", "handler=Password", ("current", Password), ("password", easy), ("again", easy));
            Assert.Contains("easy to guess", (await Technician.Page(guessed)).QuerySelector("#password-error")!.TextContent,
                StringComparison.Ordinal);
        }

        using (await other.Send("/account", "handler=Password", ("current", Password), ("password", "a longer lantern"),
            ("again", "a longer lantern")))
            Assert.Equal(HttpStatusCode.OK, await Status(other, "/"));
        Assert.Equal(HttpStatusCode.Redirect, await Status(phone, "/"));
        using (await SignIn(phone, "tobin"))
            Assert.Equal(HttpStatusCode.Redirect, await Status(phone, "/"));
        using (await phone.Send("/sign-in", "handler=In", ("name", "tobin"), ("password", "a longer lantern")))
        using (await other.Send("/account", "handler=Elsewhere"))
            Assert.Equal((HttpStatusCode.OK, HttpStatusCode.Redirect), (await Status(other, "/"), await Status(phone, "/")));
        using (await other.Send("/account", "handler=Name", ("name", "Tobin Reedmace")))
            Assert.Contains("Tobin Reedmace", (await other.Open("/")).QuerySelector("[data-signed-in]")!.TextContent,
                StringComparison.Ordinal);
        Assert.Equal(["was Tobin Ashgrove", "signed out everywhere else", "changed the password"], People.Changes(3).Select(c => c.What));
    }

    [Fact]
    public async Task A_passkey_that_nobody_was_asked_for_opens_nothing()
    {
        await BecomeLead();
        using (var made = await lead.Send("/account", "handler=Passkey", ("credential", "{}"), ("key", "phone")))
            Assert.Contains("could not be checked", (await Technician.Page(made)).Body!.TextContent, StringComparison.Ordinal);
        foreach (var credential in new[] { "", "{}", "not json", """{"id":"AA","rawId":"AA","type":"public-key","response":{}}""" })
        {
            using var used = await other.Send("/sign-in", "handler=Passkey", ("credential", credential));
            Assert.Contains("opens nothing here", (await Technician.Page(used)).Body!.TextContent, StringComparison.Ordinal);
        }

        Assert.Equal(HttpStatusCode.Redirect, await Status(other, "/"));
    }

    [Fact]
    public async Task A_name_is_deleted_on_request_and_the_record_stands()
    {
        await BecomeLead();
        using (await Join(other, await Invite(Role.Technician), "Tobin Ashgrove", "tobin"))
        {
        }

        var unit = await lead.AddUnit();
        var visit = await other.StartVisit(unit);
        await other.Log(visit, "suc 1.4");
        await lead.Log(visit, "note: Tobin Ashgrove oiled the door, Tobin Ashgrovelli did not");
        Assert.Contains("Tobin Ashgrove", (await lead.Open(visit + "/report")).Body!.TextContent, StringComparison.Ordinal);
        var tobin = People.Find("tobin")!.Id.ToString();
        async Task Ask(string handler, params (string, string)[] more)
        {
            using var done = await lead.Send("/people", "handler=" + handler, [("person", tobin), .. more]);
            Assert.True(done.StatusCode is HttpStatusCode.OK or HttpStatusCode.Redirect, string.Join('\n', app.Errors));
        }

        // Nobody who may enter loses their name, and it is asked twice.
        Assert.Equal(HttpStatusCode.BadRequest, await Post(lead, "/people", "Forget", ("person", tobin), ("sure", "Tobin Ashgrove")));
        await Ask("Remove");
        await Ask("Forget");
        Assert.NotNull(People.Find("tobin"));
        await Ask("Forget", ("sure", "Tobin Ashgrove"));

        foreach (var page in new[] { unit, visit + "/circuit", visit + "/record", visit + "/report", "/people", "/search?q=Tobin", "/" })
            Assert.DoesNotMatch(@"Ashgrove\b", (await lead.Open(page)).Body!.TextContent);
        var record = (await lead.Open(visit + "/record")).Body!.TextContent;
        Assert.Contains("Former technician 1 oiled the door, Tobin Ashgrovelli did not", record, StringComparison.Ordinal);
        Assert.Contains("1.4", record, StringComparison.Ordinal);

        // What must never be changed is guarded as before.
        Assert.Throws<Microsoft.Data.Sqlite.SqliteException>(() =>
        {
            using var db = app.Get<Database>().Open();
            using var change = db.CreateCommand();
            change.CommandText = "UPDATE entry SET author = 'somebody'";
            change.ExecuteNonQuery();
        });
        await lead.Log(visit, "head 12");
    }

    [Fact]
    public async Task A_device_says_what_waits_on_it_and_a_lead_sees_that()
    {
        await BecomeLead();
        async Task<HttpStatusCode> Tell(object said)
        {
            using var told = await lead.Http.PostAsJsonAsync("/waiting", said, TestContext.Current.CancellationToken);
            return told.StatusCode;
        }

        Assert.Equal(HttpStatusCode.NoContent, await Tell(new { kept = 3, refused = 1, oldest = "2026-11-20T08:15:00Z" }));
        var line = (await lead.Open("/health")).QuerySelector("[data-waiting]")!.TextContent;
        Assert.Contains("Maren Oakhurst", line, StringComparison.Ordinal);
        Assert.Contains("3 unsent, 1 of them refused", line, StringComparison.Ordinal);
        Assert.Contains("20 Nov 2026 08:15 UTC", line, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.BadRequest, await Tell(new { kept = 1, refused = 2 }));
        Assert.Equal(HttpStatusCode.NoContent, await Tell(new { kept = 0, refused = 0 }));
        Assert.Empty((await lead.Open("/health")).QuerySelectorAll("[data-waiting]"));
    }

    [Fact]
    public async Task A_device_gone_wild_is_slowed_down_and_the_others_are_not()
    {
        await BecomeLead();
        var last = HttpStatusCode.OK;
        for (var i = 0; i < 800 && last != HttpStatusCode.TooManyRequests; i++)
            last = await Status(lead, "/token");
        Assert.Equal(HttpStatusCode.TooManyRequests, last);
        using (await Join(other, $"/welcome/{People.Invite(Role.Technician, "Maren Oakhurst", app.Clock.Now, app.Clock.Now.AddDays(1))}",
            "Tobin Ashgrove", "tobin"))
            Assert.Equal(HttpStatusCode.OK, await Status(other, "/token"));
    }

    [Fact]
    public async Task Guessing_is_slowed_down()
    {
        await BecomeLead();
        var last = HttpStatusCode.OK;
        for (var i = 0; i < 40 && last != HttpStatusCode.TooManyRequests; i++)
        {
            using var guess = await other.Send("/sign-in", "handler=In", ("name", "maren"), ("password", $"guess number {i}"));
            last = guess.StatusCode;
        }

        Assert.Equal(HttpStatusCode.TooManyRequests, last);
        Assert.True(Accounts.ShortestPassword >= 12);
    }
}
