using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Documents;

/// <summary>Tells the serialiser what the core's own collections and its closed families of records are.</summary>
/// <remarks>The core knows nothing of JSON. Told here, the collections are seen as plain arrays and objects, by the
/// generated description of the API too, which a converter would hide.</remarks>
internal sealed class CollectionTypes : DefaultJsonTypeInfoResolver
{
    private const string Discriminator = "type";
    public override JsonTypeInfo GetTypeInfo(Type type, JsonSerializerOptions options)
    {
        if (type == typeof(ChannelList))
            return JsonMetadataServices.CreateImmutableEnumerableInfo<ChannelList, Channel>(options, new(), items => ChannelList.From(Whole(items)));
        if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(Sequence<>))
            return Make(nameof(SequenceInfo), type, options);
        if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(Map<>))
            return Make(nameof(MapInfo), type, options);
        var info = base.GetTypeInfo(type, options);
        if (StoredWords.Families.TryGetValue(type, out var words))
            info.PolymorphismOptions = Cases(words);
        if (info.Kind == JsonTypeInfoKind.Object)
        {
            DropComputed(info);
            RefuseNulls(info);
        }

        return info;
    }

    private static JsonPolymorphismOptions Cases(Dictionary<Type, string> words)
    {
        var options = new JsonPolymorphismOptions { TypeDiscriminatorPropertyName = Discriminator };
        foreach (var (type, word) in words.OrderBy(w => w.Key.Name, StringComparer.Ordinal))
            options.DerivedTypes.Add(new(type, word));
        return options;
    }

    /// <summary>What can be computed is not written down.</summary>
    private static void DropComputed(JsonTypeInfo info)
    {
        foreach (var property in info.Properties.Where(p => p.Set is null && p.AssociatedParameter is null).ToList())
            info.Properties.Remove(property);
    }

    /// <summary>Members that are set after a constructor with parameters escape the serialiser's own look at annotations.</summary>
    private static void RefuseNulls(JsonTypeInfo info)
    {
        foreach (var property in info.Properties.Where(p => !p.IsSetNullable && !p.PropertyType.IsValueType && p.Set is not null))
        {
            var set = property.Set!;
            property.Set = (owner, value) => set(owner, value ?? throw new JsonException($"'{property.Name}' is null."));
        }
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
