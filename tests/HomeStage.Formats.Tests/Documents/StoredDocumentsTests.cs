using System.Text.Json;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Documents.Changes;

namespace HomeStage.Formats.Tests.Documents;

/// <summary>Documents and edit logs as the application wrote them at each schema, kept as files: they are read in every run, and are what
/// they were.</summary>
public class StoredDocumentsTests
{
    private const int FirstThatLogsWhatWasDone = 4;

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
        var log = Log(schema);
        Assert.True(log.Count > 5, "The log is too short to say anything.");

        Assert.Equal(Read(schema, "end"), Followed(schema, "beginning", log.Select(e => e.Done)));
        Assert.Equal(Read(schema, "beginning"), Followed(schema, "end", Enumerable.Reverse(log).Select(e => e.Back)));
    }

    [Fact]
    public void Log_OfTodaysSchema_CanBeGivenToATemplateOfToday()
    {
        var log = Log(TemplateDocument.SchemaVersion);
        Assert.All(log, e => Assert.True(DocumentChange.IsOfToday(e.Done) && DocumentChange.IsOfToday(e.Back)));
        Assert.All(Log(TemplateDocument.SchemaVersion - 1), e => Assert.False(DocumentChange.IsOfToday(e.Done)));
        var replay = new DocumentReplay(Read(TemplateDocument.SchemaVersion, "beginning"));
        foreach (var (done, _) in log)
            replay.Apply(done);

        Assert.Equal(Read(TemplateDocument.SchemaVersion, "end"), replay.Template());
    }

    /// <summary>Edits on a template of today; what was done on the text as it was stored.</summary>
    private static Template Followed(int schema, string from, IEnumerable<string> entries)
    {
        if (schema < FirstThatLogsWhatWasDone)
            return entries.Aggregate(Read(schema, from), (now, entry) => Applied(now, JsonSerializer.Deserialize<List<Edit>>(OldDocuments.RenewedEdits(entry), DocumentJson.Options)!));
        var replay = new DocumentReplay(File.ReadAllBytes(PathOf(schema, $"{from}.template.json")));
        foreach (var entry in entries)
            replay.Apply(entry);
        return replay.Template();
    }

    private static Template Applied(Template template, IReadOnlyList<Edit> edits) => Assert.IsType<BatchResult.Applied>(Batch.Apply(template, edits)).Template;

    private static Template Read(int schema, string name) =>
        Assert.IsType<FormatResult<Template>.Read>(TemplateDocument.Read(File.ReadAllBytes(PathOf(schema, $"{name}.template.json")))).Value;

    /// <summary>Entries as the server stores them: batches of edits up to schema 3, what they did from then on.</summary>
    private static List<(string Done, string Back)> Log(int schema)
    {
        using var log = JsonDocument.Parse(File.ReadAllBytes(PathOf(schema, "log.json")));
        var (done, back) = schema < FirstThatLogsWhatWasDone ? ("edits", "inverse") : ("done", "back");
        return [.. log.RootElement.EnumerateArray().Select(e => (e.GetProperty(done).GetRawText(), e.GetProperty(back).GetRawText()))];
    }

    private static string PathOf(int schema, string file) => Path.Combine(AppContext.BaseDirectory, "Documents", "Stored", $"schema-{schema}", file);
}
