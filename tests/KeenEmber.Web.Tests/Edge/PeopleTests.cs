using System.Net;
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
            Assert.Contains("At least 10 characters", page.QuerySelector("#password-error")!.TextContent, StringComparison.Ordinal);
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
        Assert.True(Accounts.ShortestPassword >= 10);
    }
}
