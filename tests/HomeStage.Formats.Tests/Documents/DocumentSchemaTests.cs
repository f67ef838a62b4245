using System.Text;
using System.Text.Json.Nodes;
using HomeStage.Formats.Documents;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.Documents;

/// <summary>The published JSON Schema, in docs/ as tools/describe-api writes it. That documents keep to it is looked at by a JSON Schema library in the browser suite, which takes the random documents that this test writes.</summary>
public class DocumentSchemaTests
{
    [Fact]
    public void TheSchemaInTheDocs_IsTheOneThatIsMade() =>
        Assert.Equal(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "template-document.schema.json")), Encoding.UTF8.GetString(DocumentSchema.Write()));

    [Fact]
    public void ItIsClosed_SaysItsVersion_AndRequiresWhatATemplateCannotBeWithout()
    {
        var schema = JsonNode.Parse(DocumentSchema.Write())!;

        Assert.Equal(TemplateDocument.SchemaVersion, (int)schema["properties"]!["schemaVersion"]!["const"]!);
        Assert.False((bool)schema["additionalProperties"]!);
        Assert.Equal(["channels", "name", "acts", "timeline"], schema["properties"]!["template"]!["required"]!.AsArray().Select(n => (string)n!).Intersect(["channels", "name", "acts", "timeline"]).OrderBy(n => Array.IndexOf(["channels", "name", "acts", "timeline"], n)));
    }

    [Fact]
    public void RandomDocuments_AreWritten_ForTheOther()
    {
        var folder = Directory.CreateDirectory(Path.Combine(AppContext.BaseDirectory, "random-documents")).FullName;
        for (var seed = 0; seed < 60; seed++)
            File.WriteAllBytes(Path.Combine(folder, $"{seed}.json"), TemplateDocument.Write(new RandomTemplates(seed).Grown(100)));

        Assert.Equal(60, Directory.GetFiles(folder, "*.json").Length);
    }
}
