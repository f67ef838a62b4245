namespace HomeStage.Server.Hosting;

/// <summary>How the server was asked to run.</summary>
/// <param name="Port">0 takes any free one.</param>
/// <param name="DataFolder">Where the database is.</param>
/// <param name="WebFolder">Where the built front end is.</param>
/// <param name="Demo">Whether an empty library is filled with the demo.</param>
/// <param name="WriteOpenApi">A file to write the API's description to, instead of serving.</param>
public sealed record ServerOptions(int Port, string DataFolder, string WebFolder, bool Demo, string? WriteOpenApi)
{
    /// <exception cref="FormatException">A word that is not known, or lacks its value.</exception>
    public static ServerOptions Parse(IReadOnlyList<string> words)
    {
        var options = new ServerOptions(5180, "data", Path.Combine("web", "dist"), true, null);
        for (var i = 0; i < words.Count; i++)
        {
            string Value() => ++i < words.Count ? words[i] : throw new FormatException($"{words[i - 1]} needs a value.");
            options = words[i] switch
            {
                "--port" => options with { Port = PortOf(Value()) },
                "--data" => options with { DataFolder = Value() },
                "--web" => options with { WebFolder = Value() },
                "--no-demo" => options with { Demo = false },
                "--write-openapi" => options with { WriteOpenApi = Value() },
                _ => throw new FormatException($"'{words[i]}' is not known. Known are --port N, --data FOLDER, --web FOLDER, --no-demo."),
            };
        }

        return options with { DataFolder = Path.GetFullPath(options.DataFolder), WebFolder = Path.GetFullPath(options.WebFolder) };
    }

    private static int PortOf(string text) =>
        int.TryParse(text, out var port) && port is >= 0 and <= 65535 ? port : throw new FormatException($"'{text}' is not a port from 0 to 65535.");
}
