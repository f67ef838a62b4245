using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.Documents;

public class TemplateDocumentTests
{
    [Property(MaxTest = 150)]
    public void Read_WhatWasWritten_IsTheSameTemplate(int seed)
    {
        var template = new RandomTemplates(seed).Grown(60);

        Assert.Equal(template, ReadBack(TemplateDocument.Write(template)));
    }

    [Property(MaxTest = 30)]
    public void Write_TheSameTemplateTwice_GivesTheSameBytes(int seed)
    {
        Assert.Equal(TemplateDocument.Write(new RandomTemplates(seed).Grown(30)), TemplateDocument.Write(new RandomTemplates(seed).Grown(30)));
    }

    [Property(MaxTest = 60)]
    public void Edits_SurviveTheLog_AsTheSameEdits(int seed)
    {
        var chance = new RandomTemplates(seed);
        var edits = chance.Edits(chance.Grown(20), 10);

        var json = JsonSerializer.Serialize(edits, DocumentJson.Options);

        Assert.Equal(edits, JsonSerializer.Deserialize<List<Edit>>(json, DocumentJson.Options));
    }

    [Fact]
    public void Edits_OfEveryKind_HaveAWordOfTheirOwn()
    {
        var kinds = typeof(Edit).Assembly.GetTypes().Where(t => !t.IsAbstract && t.IsSubclassOf(typeof(Edit))).ToList();
        var words = DocumentJson.Options.GetTypeInfo(typeof(Edit)).PolymorphismOptions!.DerivedTypes;

        Assert.Equal(kinds.Count, words.Select(w => w.TypeDiscriminator).Distinct().Count());
        Assert.Contains(words, w => w.TypeDiscriminator is "set-level" && w.DerivedType == typeof(SetLevel));
    }

    [Fact]
    public void Write_Silence_IsNull_AndNullIsReadAsSilence()
    {
        var template = Stages.OneBar(new SetLevel(EmptyStage.MixBus, Decibels.Silence));

        var json = JsonNode.Parse(TemplateDocument.Write(template))!["template"]!["channels"]![1]!.AsObject();

        Assert.True(json.ContainsKey("level"));
        Assert.Null(json["level"]);
        Assert.True(ReadBack(TemplateDocument.Write(template)).Channels[EmptyStage.MixBus].Level.IsSilence);
    }

    [Fact]
    public void Read_AKitOfTheSecondSchema_HasItsFarMicrophonesAsThingsOfTheirOwn()
    {
        var second = """
            { "format": "home-stage-template", "schemaVersion": 2, "template": {
              "name": "Old", "acts": [{ "id": "write", "name": "Write" }],
              "timeline": { "tempoBpm": 100, "meter": { "beats": 4, "unit": 4 }, "sections": [{ "name": "Song", "bars": 4, "tempoBpm": null, "meter": null }] },
              "channels": [
                { "id": "main", "name": "Main", "kind": "main", "outputPair": 1 },
                { "id": "kit", "name": "Kit", "kind": "instrument", "destination": "main", "source": { "type": "instrument", "instrument": "tidewater-kit", "kit": {
                  "pieces": [{ "name": "Gong", "note": 52, "family": "percussion/metal", "output": 1, "sound": "gong", "pan": 0.25, "sample": null }],
                  "outputs": [{ "name": "The rest", "format": "stereo", "hears": "close" }, { "name": "Hall", "format": "stereo", "hears": "hall" }],
                  "firstReserved": true } } }] } }
            """;

        var kit = ((InstrumentSource)ReadBack(Encoding.UTF8.GetBytes(second)).Channels[new ChannelId("kit")].Source!).Kit!;

        Assert.Equal(FarMicrophone.Stereo("Hall", "drums/rooms", 2, FarPlace.Hall), Assert.Single(kit.Far));
        Assert.Equal(Piece.Pad("Gong", 52, "percussion/metal", 1, DrumSound.Gong, 0.25), Assert.Single(kit.Pieces));
        Assert.Equal([new("The rest", ChannelFormat.Stereo), new("Hall", ChannelFormat.Stereo)], kit.Outputs);
    }

    [Fact]
    public void Read_ADocumentOfTheThirdSchema_KnowsItsSectionsByIds_AndSoDoesAllThatNamedThem()
    {
        var third = """
            { "format": "home-stage-template", "schemaVersion": 3, "template": {
              "name": "Old", "acts": [{ "id": "write", "name": "Write" }], "opening": { "act": null, "folded": [], "loopSection": "VERSE", "gridTicks": 240 },
              "timeline": { "tempoBpm": 100, "meter": { "beats": 4, "unit": 4 }, "sections": [
                { "name": "Verse", "bars": 4, "tempoBpm": null, "meter": null }, { "name": "VERSE", "bars": 4, "tempoBpm": null, "meter": null },
                { "name": "満潮", "bars": 4, "tempoBpm": null, "meter": null }, { "name": "干潮", "bars": 4, "tempoBpm": null, "meter": null }] },
              "levers": [{ "id": "dive", "name": "Dive", "position": 0, "ranges": [], "shapes": [{ "section": "満潮", "points": [{ "place": 0, "value": 0 }, { "place": 1, "value": 1 }] }] }],
              "channels": [
                { "id": "main", "name": "Main", "kind": "main", "outputPair": 1 },
                { "id": "keys", "name": "Keys", "kind": "instrument", "destination": "main", "source": { "type": "instrument", "instrument": "bellbuoy" },
                  "patterns": [{ "name": "Chords", "lengthTicks": 960, "notes": [], "sections": ["VERSE", "満潮", "Gone"] }],
                  "shapes": [{ "target": { "type": "level" }, "section": "干潮", "points": [{ "place": 0, "value": -60 }, { "place": 1, "value": 0 }] }] }] } }
            """;

        var template = ReadBack(Encoding.UTF8.GetBytes(third));

        var (verse, loud, high, low) = (template.Timeline.Sections[0].Id, template.Timeline.Sections[1].Id, template.Timeline.Sections[2].Id, template.Timeline.Sections[3].Id);
        Assert.Equal("verse", verse);
        Assert.Equal(4, template.Timeline.Sections.Select(s => s.Id).Distinct().Count());
        var keys = template.Channels[new ChannelId("keys")];
        Assert.Equal([loud, high, "gone"], keys.Patterns[0].Sections);
        Assert.Equal((low, loud, high), (keys.Shapes[0].Section, template.Opening!.LoopSection, template.Levers[0].Shapes[0].Section));
    }

    [Fact]
    public void Read_ADocumentOfTheFirstSchema_HasWhatCameLaterAtItsDefaults()
    {
        var first = """
            { "format": "home-stage-template", "schemaVersion": 1, "template": {
              "name": "Old", "acts": [{ "id": "write", "name": "Write" }],
              "timeline": { "tempoBpm": 100, "meter": { "beats": 4, "unit": 4 }, "sections": [{ "name": "Song", "bars": 4, "tempoBpm": null, "meter": null }] },
              "channels": [
                { "id": "main", "name": "Main", "kind": "main", "outputPair": 1 },
                { "id": "voice", "name": "Voice", "kind": "audio", "destination": "main", "source": { "type": "input", "first": 1, "second": null, "monitored": true },
                  "inserts": [{ "id": "eq", "processor": "equaliser", "settings": {}, "parkedIn": [], "key": null }] }] } }
            """;

        var read = ReadBack(Encoding.UTF8.GetBytes(first));

        Assert.Equal(new InputSource(1, null, Monitored: true, Armed: false), read.Channels[new ChannelId("voice")].Source);
        Assert.Empty(read.Grooves);
        Assert.Null(read.Channels[new ChannelId("voice")].NoteInput);
    }

    [Fact]
    public void Read_ADocumentOfANewerSchema_IsRefusedWithASentence()
    {
        var newer = Changed(root => root["schemaVersion"] = TemplateDocument.SchemaVersion + 1);

        var refused = Refused(newer);

        Assert.Equal("newer-schema", refused.Code);
        Assert.Contains("newer version", refused.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void Read_ADocumentThatBreaksARule_SaysWhich()
    {
        Assert.Equal("out-of-range", Refused(Changed(root => root["template"]!["timeline"]!["tempoBpm"] = 1000)).Code);
        Assert.Equal("unknown-channel", Refused(Changed(root => root["template"]!["channels"]![1]!["destination"] = "nobody")).Code);
        Assert.Equal("doubled", Refused(Changed(root => root["template"]!["channels"]!.AsArray().Add(root["template"]!["channels"]![1]!.DeepClone()))).Code);
    }

    [Theory]
    [InlineData("level", "\"loud\"")]
    [InlineData("level", "1e999")]
    [InlineData("kind", "\"vinyl\"")]
    [InlineData("kind", "3")]
    [InlineData("name", "null")]
    [InlineData("id", "\"Not An Id\"")]
    [InlineData("sparkle", "1")]
    [InlineData("source", "{\"first\":1}")]
    [InlineData("source", "{\"type\":\"radio\"}")]
    public void Read_AMemberThatIsNotWhatItShouldBe_IsRefused(string member, string value)
    {
        var text = Encoding.UTF8.GetString(Changed(root => root["template"]!["channels"]![1]![member] = "HERE"));

        var refused = Refused(Encoding.UTF8.GetBytes(text.Replace("\"HERE\"", value, StringComparison.Ordinal)));

        Assert.Equal("not-a-document", refused.Code);
    }

    [Fact]
    public void Read_DamagedDocuments_NeverThrows()
    {
        var whole = TemplateDocument.Write(new RandomTemplates(4).Grown(40));
        var random = new Random(8);
        for (var i = 0; i < 2000; i++)
        {
            var damaged = whole.ToArray();
            for (var hit = random.Next(1, 6); hit > 0; hit--)
                damaged[random.Next(damaged.Length)] = (byte)random.Next(256);
            if (i % 3 == 0)
                damaged = damaged[..random.Next(damaged.Length)];

            if (TemplateDocument.Read(damaged) is FormatResult<Template>.Read read)
                Assert.Null(TemplateRules.Check(read.Value));
        }
    }

    [Fact]
    public void Read_ANullInAnyPlace_IsRefused_OrStaysANull()
    {
        for (var seed = 0; seed < Runs.Of(1, 30); seed++)
        {
            var whole = JsonNode.Parse(TemplateDocument.Write(new RandomTemplates(seed).Grown(130)))!;
            var paths = PlacesIn(whole).ToList();
            Assert.True(paths.Count > 200, $"only {paths.Count} places");
            foreach (var path in paths)
            {
                var spoiled = whole.DeepClone();
                Put(spoiled, path, null);

                if (TemplateDocument.Read(Encoding.UTF8.GetBytes(spoiled.ToJsonString())) is FormatResult<Template>.Read read)
                    Assert.True(At(JsonNode.Parse(TemplateDocument.Write(read.Value))!, path) is null, $"a null at {string.Join('/', path)} became something");
            }
        }
    }

    [Theory]
    [InlineData("")]
    [InlineData("{}")]
    [InlineData("[1,2,3]")]
    [InlineData("{\"format\":7}")]
    [InlineData("{\"format\":\"home-stage-template\",\"schemaVersion\":\"one\"}")]
    public void Read_JsonOfAnotherKind_IsRefused(string text)
    {
        Assert.Equal("not-a-document", Refused(Encoding.UTF8.GetBytes(text)).Code);
    }

    private static IEnumerable<object[]> PlacesIn(JsonNode? node)
    {
        var members = node switch
        {
            JsonObject o => o.Select(m => ((object)m.Key, m.Value)),
            JsonArray a => a.Select((item, i) => ((object)i, item)),
            _ => [],
        };
        foreach (var (key, value) in members)
        {
            yield return [key];
            foreach (var deeper in PlacesIn(value))
                yield return [key, .. deeper];
        }
    }

    private static JsonNode? At(JsonNode? node, IEnumerable<object> path) =>
        path.Aggregate(node, (at, key) => key is string name ? at?[name] : at is JsonArray list && (int)key < list.Count ? list[(int)key] : null);

    private static void Put(JsonNode root, object[] path, JsonNode? value)
    {
        var holder = At(root, path[..^1])!;
        if (path[^1] is string name)
            holder[name] = value;
        else
            holder[(int)path[^1]] = value;
    }

    private static Template ReadBack(byte[] bytes) => Assert.IsType<FormatResult<Template>.Read>(TemplateDocument.Read(bytes)).Value;

    private static FormatResult<Template>.Refused Refused(byte[] bytes) => Assert.IsType<FormatResult<Template>.Refused>(TemplateDocument.Read(bytes));

    private static byte[] Changed(Action<JsonNode> change)
    {
        var root = JsonNode.Parse(TemplateDocument.Write(Stages.OneBar()))!;
        change(root);
        return Encoding.UTF8.GetBytes(root.ToJsonString());
    }
}
