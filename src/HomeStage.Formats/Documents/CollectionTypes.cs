using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Documents;

/// <summary>Tells the serialiser what the core's own collections and its closed families of records are.</summary>
/// <remarks>The core knows nothing of JSON. Told here, the collections are seen as plain arrays and objects, by the
/// generated description of the API too, which a converter would hide.</remarks>
internal sealed class CollectionTypes : DefaultJsonTypeInfoResolver
{
    private const string Discriminator = "type";
    private static readonly HashSet<Type> Families = [typeof(Edit), typeof(Source), typeof(NoteProcessor), typeof(Target)];

    public override JsonTypeInfo GetTypeInfo(Type type, JsonSerializerOptions options)
    {
        if (type == typeof(ChannelList))
            return JsonMetadataServices.CreateImmutableEnumerableInfo<ChannelList, Channel>(options, new(), items => ChannelList.From(Whole(items)));
        if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(Sequence<>))
            return Make(nameof(SequenceInfo), type, options);
        if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(Map<>))
            return Make(nameof(MapInfo), type, options);
        var info = base.GetTypeInfo(type, options);
        if (Families.Contains(type))
            info.PolymorphismOptions = Cases(type);
        if (info.Kind == JsonTypeInfoKind.Object)
            DropComputed(info);
        return info;
    }

    /// <summary>The word for one case of a closed family: "set-level" for SetLevel, "input" for InputSource.</summary>
    private static string WordFor(Type family, Type type)
    {
        var name = type.Name.EndsWith(family.Name, StringComparison.Ordinal) ? type.Name[..^family.Name.Length] : type.Name;
        return JsonNamingPolicy.KebabCaseLower.ConvertName(name);
    }

    private static JsonPolymorphismOptions Cases(Type family)
    {
        var options = new JsonPolymorphismOptions { TypeDiscriminatorPropertyName = Discriminator };
        foreach (var type in family.Assembly.GetTypes().Where(t => !t.IsAbstract && t.IsSubclassOf(family)).OrderBy(t => t.Name, StringComparer.Ordinal))
            options.DerivedTypes.Add(new(type, WordFor(family, type)));
        return options;
    }

    /// <summary>What can be computed is not written down.</summary>
    private static void DropComputed(JsonTypeInfo info)
    {
        foreach (var property in info.Properties.Where(p => p.Set is null && p.AssociatedParameter is null).ToList())
            info.Properties.Remove(property);
    }

    private static JsonTypeInfo Make(string method, Type type, JsonSerializerOptions options) =>
        (JsonTypeInfo)typeof(CollectionTypes)
            .GetMethod(method, System.Reflection.BindingFlags.NonPublic | System.Reflection.BindingFlags.Static)!
            .MakeGenericMethod(type.GetGenericArguments()[0])
            .Invoke(null, [options])!;

    private static JsonTypeInfo SequenceInfo<T>(JsonSerializerOptions options) =>
        JsonMetadataServices.CreateImmutableEnumerableInfo<Sequence<T>, T>(options, new(), items => Whole(items).ToSequence());

    private static JsonTypeInfo MapInfo<T>(JsonSerializerOptions options) =>
        JsonMetadataServices.CreateImmutableDictionaryInfo<Map<T>, string, T>(options, new(), entries => Map<T>.From(WholeEntries(entries)));

    /// <summary>The serialiser holds members against their annotations, but not what lists hold.</summary>
    private static IEnumerable<T> Whole<T>(IEnumerable<T> items) =>
        default(T) is null && Nullable.GetUnderlyingType(typeof(T)) is null && items.Any(i => i is null) ? throw new JsonException("A list holds a null.") : items;

    private static IEnumerable<KeyValuePair<string, T>> WholeEntries<T>(IEnumerable<KeyValuePair<string, T>> entries) =>
        default(T) is null && Nullable.GetUnderlyingType(typeof(T)) is null && entries.Any(e => e.Value is null) ? throw new JsonException("A map holds a null.") : entries;
}
