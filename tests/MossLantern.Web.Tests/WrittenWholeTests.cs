using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using MossLantern.Web.Endpoints;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Tests;

/// <summary>An answer is written whole, or is told in words.</summary>
public class WrittenWholeTests
{
    private sealed record Told(double Ml);

    private static async Task<(int Status, string Body, string? Location)> Answered(object result)
    {
        var context = new DefaultHttpContext();
        using var body = new MemoryStream();
        context.Response.Body = body;
        var filter = new WrittenWhole(Options.Create(new JsonOptions()));
        var made = await filter
            .InvokeAsync(new DefaultEndpointFilterInvocationContext(context), _ => ValueTask.FromResult<object?>(result));
        await Assert.IsType<IResult>(made, exactMatch: false).ExecuteAsync(context);
        body.Position = 0;
        using var reader = new StreamReader(body);
        return (context.Response.StatusCode, await reader.ReadToEndAsync(), context.Response.Headers.Location);
    }

    [Theory]
    [InlineData(double.PositiveInfinity)]
    [InlineData(double.NegativeInfinity)]
    [InlineData(double.NaN)]
    public async Task A_number_that_is_none_is_refused_before_a_byte_is_sent(double number)
    {
        await Assert.ThrowsAsync<UnplannableException>(() => Answered(TypedResults.Ok(new Told(number))));
        Results<Ok<Told>, NotFound> either = TypedResults.Ok(new Told(number));
        await Assert.ThrowsAsync<UnplannableException>(() => Answered(either));
    }

    [Fact]
    public async Task An_answer_keeps_its_status_and_its_place()
    {
        Assert.Equal((200, """{"ml":1.5}""", null), await Answered(TypedResults.Ok(new Told(1.5))));
        Assert.Equal((201, """{"ml":2}""", "/here"), await Answered(TypedResults.Created("/here", new Told(2))));
    }
}
