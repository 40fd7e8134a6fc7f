using System.Diagnostics;
using KeenEmber.Browser.Tests.Harness;
using OpenQA.Selenium;

namespace KeenEmber.Browser.Tests;

/// <summary>A shop begins: from an empty folder to people, phones, a reader and a restored backup.</summary>
public sealed class NewShopTests : IDisposable
{
    private const string Password = "harbour lantern seven";

    private readonly string root = Directory.CreateTempSubdirectory("keen-ember-shop-").FullName;
    private readonly AppServer app;
    private readonly Person lead;

    public NewShopTests()
    {
        app = new(arguments: ["--backup", Path.Combine(root, "backups")]);
        lead = new(app);
    }

    public void Dispose()
    {
        lead.Dispose();
        app.Dispose();
        Directory.Delete(root, recursive: true);
    }

    private static Person Join(Person person, string invitation, string name) => person.Go(invitation).Type("#name", name)
        .Type("#signIn", name.Split(' ')[0]).Type("#password", Password).Type("#again", Password).Press("Create the account");

    private string Invite()
    {
        lead.Go("/people").Tap("button[value=Technician]");
        return new Uri(lead.Read("[data-invitation]")).AbsolutePath;
    }

    private static void SignIn(Person person, string name) =>
        person.Go("/sign-in").Type("#name", name).Type("#password", Password).Press("Sign in").See(".board, .lead-line");

    private void BecomeLead() => Join(lead, app.FirstInvitation.AbsolutePath, "Maren Oakhurst").ReadUntil("[data-signed-in]", "Maren");

    [Fact]
    public void First_lead_two_technicians_three_phones_a_reader_and_a_backup_restored_elsewhere()
    {
        BecomeLead();
        lead.Press("Add a unit").Type("#tag", "F-9").Type("#refrigerant", "404a").Type("#target", "-20")
            .Tap("#kind option[value=WalkInFreezer]").Press("Add this unit");

        var storage = Directory.CreateDirectory(Path.Combine(root, "phone")).FullName;
        using var offline = new Person(app, phone: true, profile: storage);
        using var second = new Person(app, phone: true);
        Join(offline, Invite(), "Tobin Ashgrove").ReadUntil("[data-signed-in]", "TA");
        Join(second, Invite(), "Sorcha Venn").ReadUntil("[data-signed-in]", "SV");

        // One works where there is no signal, the other where there is.
        offline.Unit("F-9").Type("#complaint", "Soft ice cream").Press("Start a visit").See("#line");
        var visit = offline.Path[..^"/circuit".Length];
        second.Go(visit + "/circuit").Type("#line", "head 12").Keys(Keys.Enter).ReadUntil("#understood", "saved");
        app.Kill();
        offline.Type("#line", "suc 1.4").Keys(Keys.Enter).ReadUntil("#understood", "Kept on this phone");
        app.Start();

        // Meanwhile the phone was reported lost: nothing is sent under a name that may not enter, nor under another.
        lead.Go("/people").Tap("[data-person=tobin] form[action*=Out] button").See("[data-person=tobin]");
        offline.Go("/sign-in").ReadUntil(".signal", "1 kept on this phone");
        SignIn(offline, "Sorcha");
        offline.ReadUntil(".signal", "1 kept on this phone");
        offline.Wait(() => offline.Run<string?>("return localStorage.getItem('told')") == "1 0");
        lead.Go("/health").ReadUntil("[data-waiting]", "Sorcha Venn");
        SignIn(offline, "Tobin");
        offline.Wait(() => offline.Attribute(".signal", "data-kept") == "0");
        lead.Go(visit + "/record").ReadUntil(".timeline", "by Sorcha Venn");
        Assert.Equal(2, lead.Count(".timeline > li"));

        // A warranty desk reads the report, and nothing else.
        lead.Go(visit + "/report").ReadUntil(".report", "by Tobin Ashgrove and Sorcha Venn");
        lead.Press("Make an address for");
        var address = new Uri(lead.Read("[data-reader]")).AbsolutePath;
        using (var desk = new Person(app))
        {
            desk.Go(address).ReadUntil("main", "F-9");
            desk.Go(visit + "/report").ReadUntil("h1", "Sign in");
        }

        lead.Go("/health").Press("Back up now").ReadUntil("[role=status]", "Backed up and checked");
        Restore();
    }

    /// <summary>The backup on another machine, so to speak: people, units and what was logged are there.</summary>
    private void Restore()
    {
        var elsewhere = Path.Combine(root, "elsewhere");
        using (var restore = Process.Start("dotnet", [AppServer.App, "--restore", Path.Combine(root, "backups"), "--data", elsewhere]))
            restore.WaitForExit();
        using var restored = new AppServer(folder: elsewhere);
        using var person = new Person(restored);
        SignIn(person, "Sorcha");
        person.Unit("F-9").ReadUntil(".visits", "Soft ice cream");
        person.Tap(".visits a").ReadUntil("[data-point=SuctionPressure] .tag-value", "1.40 bar");
    }

    [Fact]
    public void A_passkey_made_on_a_device_signs_in_there()
    {
        // A passkey belongs to a name, and an address made of numbers is none.
        var named = $"http://localhost:{app.Address.Port}";
        using var phone = new Person(app, phone: true);
        phone.WithPasskeys();
        Join(phone, named + app.FirstInvitation.AbsolutePath, "Maren Oakhurst").ReadUntil("[data-signed-in]", "MO");
        phone.Go(named + "/account").Type("#key", "phone").Press("Make a passkey").ReadUntil("[data-passkey]", "phone");
        phone.Go(named + "/sign-in").Press("Sign out").See("#password");
        phone.Press("Use a passkey").ReadUntil("[data-signed-in]", "MO");
        phone.Go(named + "/account").Tap("[data-passkey] button").ReadUntil("[role=status]", "Taken away");
        phone.Go(named + "/sign-in").Press("Sign out").See("#password");
        phone.Press("Use a passkey").ReadUntil(".field-error", "opens nothing here");
    }
}
