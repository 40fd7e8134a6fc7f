using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests.Practising;

/// <summary>Practice on a phone: a case from the complaint to the debriefing.</summary>
public sealed class PracticeTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly Person person;

    public PracticeTests() => person = new(app, phone: true);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    [Fact]
    public void A_newcomers_first_case_is_worked_without_instructions()
    {
        person.Go("/").Press("Practise on units").See("[data-case=herring-clock]");
        Assert.Empty(person.Violations());
        person.Tap("[data-case=herring-clock] button").ReadUntil(".lead-line", "Thick ice all over the coil.");
        person.Tap("[data-place=coil] summary").Tap("[data-look=coil]").ReadUntil(".practice-said", "Evaporator coil: iced.");
        Assert.Empty(person.Violations());
        // The app judges along on a plain case, in the drawer it has on every visit.
        person.ReadUntil(".panel", "Find out why before thawing it");
        person.Tap("[data-place=control] summary").Tap("[data-look=clock]").ReadUntil(".practice-said", "Defrost clock: stopped.");
        person.Tap("#cause option[value=clock-stopped]").Press("Repair it").ReadUntil(".practice-said", "It runs. Prove it.");
        app.Restart();
        person.Go(person.Path).ReadUntil(".practice-said", "It runs. Prove it.");
        person.Press("Close the job").ReadUntil(".debriefing h2", "Found and mended.");
        person.ReadUntil(".practice-path", "defrost clock: stopped");
        Assert.Empty(person.Violations());
        Assert.Equal(0L, person.Run<long>("return document.documentElement.scrollWidth - window.innerWidth"));
        person.Press("Next case").ReadUntil("[data-case=herring-clock]", "solved");
    }
}
