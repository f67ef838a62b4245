using HomeStage.Formats.Documents;

namespace HomeStage.Formats.Tests.Documents;

/// <summary>Words that are stored stay as they are.</summary>
public class StoredWordsTests
{
    public static TheoryData<string> Families => [.. StoredWords.Families.Keys.Select(t => t.Name)];

    [Theory]
    [MemberData(nameof(Families))]
    public void EveryCaseOfAFamily_HasOneWordOfItsOwn(string name)
    {
        var (family, words) = StoredWords.Families.Single(f => f.Key.Name == name);

        Assert.Equal(family.Assembly.GetTypes().Where(t => !t.IsAbstract && t.IsSubclassOf(family)).Select(t => t.Name).Order(), words.Keys.Select(t => t.Name).Order());
        Assert.Equal(words.Count, words.Values.Distinct().Count());
        Assert.All(words.Values, word => Assert.Matches("^[a-z]+(-[a-z]+)*$", word));
    }

    [Fact]
    public void NoWordThatWasEverStored_IsGone()
    {
        var stored = File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "Documents", "stored-words.txt")).Where(l => l.Length > 0).ToList();
        var now = StoredWords.Families.SelectMany(f => f.Value.Values.Select(word => $"{f.Key.Name} {word}")).ToHashSet();

        Assert.True(stored.Count > 70, "The list of stored words is not whole.");
        Assert.Equal([], stored.Where(line => !now.Contains(line)));
    }
}
