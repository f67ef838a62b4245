using HomeStage.Core.Catalogue;
using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>What plays a kit.</summary>
public static class KitPlayer
{
    /// <param name="instrument">Id in the catalogue of what would play it.</param>
    /// <returns>That one, or a machine of one's own where it has too few jacks.</returns>
    public static string For(string instrument, Kit kit) =>
        InstrumentCatalogue.Find(instrument) is not { HasJacksOfItsOwn: false, Kit: { } own } || KitJacks.Of(kit).Total <= KitJacks.Of(own).Total ? instrument : InstrumentCatalogue.OwnMachine;
}
