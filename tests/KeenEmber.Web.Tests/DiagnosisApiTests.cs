using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace KeenEmber.Web.Tests;

/// <summary>The diagnosis on the wire, as another program plays technician against it.</summary>
public sealed class DiagnosisApiTests(DemoWeb demo) : IClassFixture<DemoWeb>
{
    private async Task<(HttpStatusCode Status, JsonElement Body)> Ask(object question)
    {
        var answer = await demo.Http.PostAsJsonAsync("/api/diagnosis", question, TestContext.Current.CancellationToken);
        var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        return (answer.StatusCode, text.Length == 0 ? default : JsonDocument.Parse(text).RootElement);
    }

    private static object Fact(string code, string value) => new { code, value };

    [Fact]
    public async Task The_vocabulary_says_what_can_be_asked_of_a_unit_and_what_a_healthy_one_answers()
    {
        using var body = JsonDocument.Parse(await demo.Http.GetStringAsync(
            "/api/diagnosis/vocabulary?kind=reachInCooler&metering=capillaryTube&condenser=airCooledSelfContained&target=3",
            TestContext.Current.CancellationToken));
        var observables = body.RootElement.GetProperty("observables").EnumerateArray().ToDictionary(o =>
            o.GetProperty("code").GetString()!);
        Assert.Equal("running", observables["compressor"].GetProperty("healthy").GetProperty("calling").GetString());
        Assert.Equal("stopped", observables["compressor"].GetProperty("healthy").GetProperty("satisfied").GetString());
        Assert.EndsWith(" K", observables["superheat"].GetProperty("healthy").GetProperty("calling").GetString(), StringComparison.Ordinal);
        Assert.DoesNotContain("bulb", observables.Keys);
        Assert.DoesNotContain("sight-glass", observables.Keys);
        Assert.DoesNotContain(body.RootElement.GetProperty("causes").EnumerateArray(),
            c => c.GetProperty("code").GetString()!.StartsWith("txv", StringComparison.Ordinal));
        using var wrong = await demo.Http.GetAsync("/api/diagnosis/vocabulary?kind=spaceship&target=3",
            TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.BadRequest, wrong.StatusCode);
    }

    [Fact]
    public async Task A_tripped_breaker_and_a_burning_smell_come_before_every_explanation()
    {
        var (status, body) = await Ask(new
        {
            kind = "walkInFreezer", target = "-20 C",
            facts = new[] { Fact("supply", "tripped"), Fact("smell", "burning"), Fact("clock-position", "defrost"),
                Fact("fans", "all-stopped"),
                Fact("heaters-earth", "grounded"), Fact("wiring", "chafed") },
        });
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.StartsWith("It smells of burning. Leave it off.", body.GetProperty("danger")[0].GetString(), StringComparison.Ordinal);
        Assert.Contains("It went in defrost: test heaters", body.GetProperty("danger")[1].GetString(), StringComparison.Ordinal);
        var set = body.GetProperty("explanations")[0].GetProperty("set");
        Assert.Equal("heater-lead-chafed", set[0].GetProperty("code").GetString());
        Assert.Contains("heater-shorted", body.GetProperty("explanations")[0].GetProperty("chain").EnumerateArray().Select(c =>
            c.GetString()));
    }

    [Fact]
    public async Task Numbers_are_typed_with_units_history_counts_and_the_next_test_says_what_its_answers_would_do()
    {
        var facts = new[] { Fact("complaint.iced", "yes"), Fact("coil", "iced"), Fact("end-probe.error", "23 °F"),
            Fact("end-by", "temperature") };
        var (_, plain) = await Ask(new { kind = "iceMerchandiser", metering = "electronicValve", target = "-8", facts });
        var (_, after) = await Ask(new
        {
            kind = "iceMerchandiser", metering = "electronicValve", target = "-8", facts,
            history = new[] { new { daysAgo = 9, work = new[] { "controller-board replaced" } } },
        });
        double Swapped(JsonElement body) => body.GetProperty("causes").EnumerateArray()
            .Where(c => c.GetProperty("code").GetString() == "probes-swapped").Sum(c => c.GetProperty("probability").GetDouble());
        Assert.True(Swapped(after) > Swapped(plain));
        var next = after.GetProperty("next")[0];
        Assert.True(next.GetProperty("bits").GetDouble() > 0);
        Assert.InRange(next.GetProperty("answers").EnumerateArray().Sum(a => a.GetProperty("probability").GetDouble()), 0.99, 1.01);
    }

    [Fact]
    public async Task A_fault_seen_beside_the_cause_is_in_the_set_and_what_was_found_and_left_counts()
    {
        var facts = new[] { Fact("complaint.warm", "yes"), Fact("box", "5"), Fact("condenser-face", "blocked"), Fact("split", "22"),
            Fact("head", "high"), Fact("condenser-air", "weak"), Fact("gasket", "torn") };
        var (_, body) = await Ask(new { kind = "walkInCooler", target = "3", facts });
        Assert.Equal([("condenser-dirty", "root"), ("gasket-torn", "separate")], body.GetProperty("explanations")[0].GetProperty("set")
            .EnumerateArray().Select(c => (c.GetProperty("code").GetString(), c.GetProperty("role").GetString())));
        var next = body.GetProperty("next")[0];
        Assert.Equal("condenser-dirty", next.GetProperty("beside").GetString());
        Assert.False(body.GetProperty("sure").GetBoolean());

        async Task<double> Clock(string[] work) => (await Ask(new
        {
            kind = "walkInFreezer", target = "-20", facts = new[] { Fact("complaint.iced", "yes"), Fact("coil", "iced") },
            history = new[] { new { daysAgo = 9, work, explained = new[] { "clock-stopped" } } },
        })).Body.GetProperty("causes").EnumerateArray().Where(c => c.GetProperty("code").GetString() == "clock-stopped")
            .Sum(c => c.GetProperty("probability").GetDouble());
        Assert.True(await Clock([]) > 2 * await Clock(["defrost clock replaced"]));
        var (status, wrong) = await Ask(new { kind = "walkInCooler", target = "3", history = new[] { new { daysAgo = 9,
            explained = new[] { "gremlins" } } } });
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Equal("history[0].explained", wrong.GetProperty("errors").EnumerateObject().Single().Name);
    }

    [Fact]
    public async Task What_is_wrong_is_said_at_its_field()
    {
        var (status, body) = await Ask(new
        {
            kind = "walkInCooler", target = "warm", facts = new[] { Fact("coil", "blue"), Fact("moon", "full"), Fact("box", "much") },
            history = new[] { new { daysAgo = -1 } },
        });
        Assert.Equal(HttpStatusCode.BadRequest, status);
        var errors = body.GetProperty("errors");
        Assert.Equal(["facts[0].value", "facts[1].code", "facts[2].value", "history[0].daysAgo", "target"],
            errors.EnumerateObject().Select(e => e.Name).Order());
        Assert.Contains("iced", errors.GetProperty("facts[0].value")[0].GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Something_missing_in_a_list_is_named_and_breaks_nothing()
    {
        using var answer = await demo.Http.PostAsJsonAsync("/api/diagnosis", new
        {
            target = "3", facts = new object?[] { null },
            history = new object?[] { null, new { daysAgo = 3, work = new string?[] { null } } },
        }, TestContext.Current.CancellationToken);
        Assert.Equal(System.Net.HttpStatusCode.BadRequest, answer.StatusCode);
        var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.Contains("facts[0]", text, StringComparison.Ordinal);
        Assert.Contains("history[0]", text, StringComparison.Ordinal);
    }
}
