using HomeStage.Core.Kits;

namespace HomeStage.TestKit;

/// <summary>Kits with one thing changed, for tests.</summary>
public static class KitChanges
{
    /// <param name="line">Name of a piece with one microphone, of a microphone at a piece, or of a far one.</param>
    public static Kit At(this Kit kit, string line, Func<Microphone, Microphone> change) => kit.Rewired(l => l.Name == line ? change(l.Microphone) : l.Microphone);

    public static KitLine Line(this Kit kit, string name) => kit.Lines.Single(l => l.Name == name);
}
