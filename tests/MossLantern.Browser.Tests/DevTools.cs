using System.Net.Http.Json;
using System.Net.WebSockets;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace MossLantern.Browser.Tests;

/// <summary>The browser's own protocol over one socket: commands that are sent together are answered together.</summary>
internal sealed class DevTools : IDisposable
{
    private readonly ClientWebSocket socket = new();
    private readonly byte[] buffer = new byte[1 << 16];
    private int last;

    private DevTools()
    {
    }

    /// <summary>Opens the socket of a browser that listens for its debugger.</summary>
    public static DevTools Of(string debuggerAddress)
    {
        using var client = new HttpClient();
        var version = client.GetFromJsonAsync<JsonObject>(new Uri($"http://{debuggerAddress}/json/version")).GetAwaiter().GetResult()!;
        var tools = new DevTools();
        tools.socket.ConnectAsync(new((string)version["webSocketDebuggerUrl"]!), CancellationToken.None).GetAwaiter().GetResult();
        return tools;
    }

    /// <summary>Sends a command and waits for its answer.</summary>
    public JsonObject Send(string method, JsonObject? arguments = null, string? session = null) => Wait(Begin(method, arguments, session));

    /// <summary>Sends a command without waiting.</summary>
    /// <returns>Its number.</returns>
    public int Begin(string method, JsonObject? arguments = null, string? session = null)
    {
        var command = new JsonObject { ["id"] = ++last, ["method"] = method, ["params"] = arguments ?? [] };
        if (session is not null)
        {
            command["sessionId"] = session;
        }

        socket.SendAsync(JsonSerializer.SerializeToUtf8Bytes(command), WebSocketMessageType.Text, true,
            CancellationToken.None).GetAwaiter().GetResult();
        return last;
    }

    /// <summary>Waits for the answer to a command; those to earlier ones are passed over.</summary>
    public JsonObject Wait(int number)
    {
        while (true)
        {
            var message = Receive();
            Assert.True(message["error"] is null, message.ToJsonString());
            if ((int?)message["id"] == number)
            {
                return message["result"]!.AsObject();
            }
        }
    }

    private JsonObject Receive()
    {
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        using var whole = new MemoryStream();
        while (true)
        {
            var part = socket.ReceiveAsync(new ArraySegment<byte>(buffer), limit.Token).GetAwaiter().GetResult();
            whole.Write(buffer, 0, part.Count);
            if (part.EndOfMessage)
            {
                return JsonNode.Parse(whole.ToArray())!.AsObject();
            }
        }
    }

    public void Dispose() => socket.Dispose();
}
