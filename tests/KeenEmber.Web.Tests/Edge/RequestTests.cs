using System.Net;
using System.Text;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>Requests that no page of ours sends, and what every answer carries.</summary>
public sealed class RequestTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician technician;

    public RequestTests(EmptyWeb web) => technician = new(app = web.Begin());

    public void Dispose() => technician.Dispose();

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("/settings?handler=NoSuchHandler")]
    [InlineData("/instruments?handler=NoSuchHandler")]
    [InlineData("/equipment/new?handler=Strike")]
    public async Task A_handler_that_does_not_exist_is_not_found(string address)
    {
        using var answer =
            await technician.Http.PostAsync(address, new FormUrlEncodedContent([new("__RequestVerificationToken", await Token())]), Cancel);
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }

    private async Task<string> Token() =>
        (await technician.Open("/settings")).QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;

    [Fact]
    public async Task A_body_that_is_no_form_is_refused_with_a_token_in_the_header_too()
    {
        var visit = await technician.StartVisit(await technician.AddUnit());
        using var request =
            new HttpRequestMessage(
            HttpMethod.Post, visit + "/circuit?handler=Log") { Content = new StringContent("{}", Encoding.UTF8, "application/json") };
        request.Headers.Add("RequestVerificationToken", await Token());
        using var answer = await technician.Http.SendAsync(request, Cancel);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, answer.StatusCode);
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/settings")]
    [InlineData("/errors/404")]
    public async Task A_page_stays_out_of_caches_and_with_its_own_origin(string address)
    {
        using var answer = await technician.Http.GetAsync(address, Cancel);
        Assert.Contains("no-store", answer.Headers.CacheControl!.ToString(), StringComparison.Ordinal);
        Assert.Equal("same-origin", answer.Headers.GetValues("Cross-Origin-Resource-Policy").Single());
        Assert.Equal("same-origin", answer.Headers.GetValues("Cross-Origin-Opener-Policy").Single());
    }

    [Fact]
    public async Task More_than_a_form_may_send_is_too_large_and_a_loggers_file_is_not()
    {
        var visit = await technician.StartVisit(await technician.AddUnit());
        using var large = await technician.Send(visit + "/circuit", "handler=Log", ("line", new string('x', 1_100_000)));
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, large.StatusCode);
        var rows = new StringBuilder("sec,cold,leg 1\n");
        for (var i = 0; i < 90_000; i++)
            rows.Append(i).Append(",-20.25,0\n");
        using var file = await technician.Send(visit + "/defrostfile", "handler=File", ("rows", rows.ToString()));
        Assert.Equal(HttpStatusCode.Redirect, file.StatusCode);
    }

    [Fact]
    public async Task A_bare_number_for_a_milliampere_sensor_is_taken_or_refused_at_its_field()
    {
        var visit = await technician.StartVisit(await technician.AddUnit());
        using (await technician.Send(
            visit + "/sensors", "handler=Sensor", ("name", "suction"), ("role", "SuctionPressure"), ("curve", "4-20mA"), ("signal0", "4"),
            ("value0", "0"), ("signal1", "20"), ("value1", "10")))
        {
        }

        var cell = (await technician.Open(visit + "/sensors")).QuerySelector("input[name^='sig-']")!.GetAttribute("name")!;
        using var large = await technician.Send(visit + "/sensors", "handler=Round", (cell, "3000000"));
        Assert.Equal(HttpStatusCode.OK, large.StatusCode);
        using var usual = await technician.Send(visit + "/sensors", "handler=Round", (cell, "12"));
        Assert.Equal(HttpStatusCode.Redirect, usual.StatusCode);
        await technician.Open(visit + "/sensors");
    }
}
