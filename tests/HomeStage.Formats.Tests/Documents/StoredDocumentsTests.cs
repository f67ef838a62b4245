using System.Text.Json;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;

namespace HomeStage.Formats.Tests.Documents;

/// <summary>Documents and edit logs as the application wrote them at each schema, kept as files: they are read in every run, and are what
/// they were.</summary>
public class StoredDocumentsTests
{
    public static TheoryData<int> Schemas => [.. Enumerable.Range(1, TemplateDocument.SchemaVersion)];

    [Theory]
    [MemberData(nameof(Schemas))]
    public void Documents_OfEverySchema_AreRead_AndKeepEveryRule(int schema)
    {
        foreach (var name in (string[])["beginning", "end"])
        {
            var template = Read(schema, name);

            Assert.Null(TemplateRules.Check(template));
            Assert.Equal(template, ((FormatResult<Template>.Read)TemplateDocument.Read(TemplateDocument.Write(template))).Value);
        }
    }

    [Theory]
    [MemberData(nameof(Schemas))]
    public void Log_OfEverySchema_LeadsFromTheBeginningToTheEnd_AndBack(int schema)
    {
        var beginning = Read(schema, "beginning");
        var log = Log(schema);
        Assert.True(log.Count > 5, "The log is too short to say anything.");

        var end = log.Aggregate(beginning, (template, entry) => Applied(template, entry.Edits));
        Assert.Equal(Read(schema, "end"), end);

        var back = Enumerable.Reverse(log).Aggregate(end, (template, entry) => Applied(template, entry.Inverse));
        Assert.Equal(beginning, back);
    }

    private static Template Applied(Template template, IReadOnlyList<Edit> edits) => Assert.IsType<BatchResult.Applied>(Batch.Apply(template, edits)).Template;

    private static Template Read(int schema, string name) =>
        Assert.IsType<FormatResult<Template>.Read>(TemplateDocument.Read(File.ReadAllBytes(PathOf(schema, $"{name}.template.json")))).Value;

    private static List<(List<Edit> Edits, List<Edit> Inverse)> Log(int schema)
    {
        using var log = JsonDocument.Parse(File.ReadAllBytes(PathOf(schema, "log.json")));
        return [.. log.RootElement.EnumerateArray().Select(e => (Edits(e.GetProperty("edits")), Edits(e.GetProperty("inverse"))))];
    }

    /// <summary>As the server reads an entry of its log.</summary>
    private static List<Edit> Edits(JsonElement json) => JsonSerializer.Deserialize<List<Edit>>(OldKits.Renewed(json.GetRawText()), DocumentJson.Options)!;

    private static string PathOf(int schema, string file) => Path.Combine(AppContext.BaseDirectory, "Documents", "Stored", $"schema-{schema}", file);
}
