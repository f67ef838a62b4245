using System.Globalization;
using HomeStage.Server.Memory;

namespace HomeStage.Server.Hosting;

/// <summary>How the program was asked to run.</summary>
/// <param name="Port">0 takes any free one.</param>
/// <param name="DataFolder">Where the database is.</param>
/// <param name="WebFolder">Where the built front end is.</param>
/// <param name="Demo">Whether an empty library is filled with the demo.</param>
/// <param name="WriteOpenApi">A file to write the API's description to, instead of serving.</param>
public sealed record ServerOptions(int Port, string DataFolder, string WebFolder, bool Demo, string? WriteOpenApi)
{
    /// <summary>What all caches together may take.</summary>
    public MemoryBudget Memory { get; init; } = new();

    /// <summary>A file to write the JSON Schema of the template document to, instead of serving.</summary>
    public string? WriteSchema { get; init; }

    /// <summary>A file to write everything to, instead of serving.</summary>
    public string? Backup { get; init; }

    /// <summary>A backup to be put back before serving.</summary>
    public string? Restore { get; init; }

    /// <exception cref="FormatException">A word that is not known, or lacks its value.</exception>
    public static ServerOptions Parse(IReadOnlyList<string> words)
    {
        var options = new ServerOptions(5180, "data", Path.Combine("web", "dist"), true, null);
        for (var i = 0; i < words.Count; i++)
        {
            string Value() => ++i < words.Count ? words[i] : throw new FormatException($"{words[i - 1]} needs a value.");
            options = words[i] switch
            {
                "--port" => options with { Port = NumberOf(Value(), "a port", 0, 65535) },
                "--data" => options with { DataFolder = Value() },
                "--web" => options with { WebFolder = Value() },
                "--no-demo" => options with { Demo = false },
                "--memory" => options with { Memory = new(NumberOf(Value(), "a number of megabytes", MemoryBudget.Least, MemoryBudget.Most)) },
                "--backup" => options with { Backup = Path.GetFullPath(Value()) },
                "--restore" => options with { Restore = Path.GetFullPath(Value()) },
                "--write-schema" => options with { WriteSchema = Path.GetFullPath(Value()) },
                "--write-openapi" => options with { WriteOpenApi = Value() },
                _ => throw new FormatException(
                    $"'{words[i]}' is not known. Known are --port N, --data FOLDER, --web FOLDER, --no-demo, --memory MB, --backup FILE, --restore FILE."),
            };
        }

        return options with { DataFolder = Path.GetFullPath(options.DataFolder), WebFolder = Path.GetFullPath(options.WebFolder) };
    }

    private static int NumberOf(string text, string what, int least, int most) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number >= least && number <= most
            ? number
            : throw new FormatException($"'{text}' is not {what} from {least} to {most}.");
}
