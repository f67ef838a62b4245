using FsCheck;
using FsCheck.Fluent;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>A kit on a stage, and numbers to choose plans by.</summary>
public sealed record KitOnStage(Template Template, Kit Kit, int[] Choices)
{
    public static readonly ChannelId Player = new("kit");

    public Kit KitNow(Template template) => ((InstrumentSource)template.Channels[Player].Source!).Kit!;
}

/// <summary>Kits of up to 14 pieces in some families, over pairs or single jacks, with everything on the first output.</summary>
public static class RandomKits
{
    private static readonly string[] Families = ["drums/kick", "drums/snare", "drums/toms", "drums/hats", "drums/cymbals", "percussion/wood", "percussion/metal"];

    public static Arbitrary<KitOnStage> Stages() => (from kit in Kits() from choices in Gen.Choose(0, 1000).ArrayOf(6) select Staged(kit, choices)).ToArbitrary();

    public static Arbitrary<(KitOnStage Stage, Kit Next)> Swaps() =>
        (from kit in Kits() from next in Kits() from choices in Gen.Choose(0, 1000).ArrayOf(3) select (Staged(kit, choices), next)).ToArbitrary();

    private static Gen<Kit> Kits() =>
        from count in Gen.Choose(1, 14)
        from names in Gen.Shuffle(Enumerable.Range(0, 20).ToArray())
        from families in Gen.Elements(Families).ArrayOf(count)
        from importances in Gen.Choose(1, 3).ArrayOf(count)
        from wide in Gen.Frequency((3, Gen.Constant(ChannelFormat.Mono)), (1, Gen.Constant(ChannelFormat.Stereo))).ArrayOf(count)
        from pans in Gen.Choose(-4, 4).ArrayOf(count)
        from format in Gen.Elements(ChannelFormat.Stereo, ChannelFormat.Mono)
        from outputs in Gen.Choose(2, 14)
        from reserved in Gen.Frequency((3, Gen.Constant(true)), (1, Gen.Constant(false)))
        from several in Gen.Choose(0, 3 * count)
        from far in Gen.Choose(0, 2)
        select new Kit(
            Enumerable.Range(0, count).Select(i => Miked(
                Piece.Pad($"Piece {(char)('A' + names[i])}", 36 + i, families[i], 1, DrumSound.Clap, pans[i] / 4.0, format: wide[i], importance: importances[i]), i == several)).ToSequence(),
            Enumerable.Range(1, outputs).Select(n => new KitOutput($"Output {n}", format)).ToSequence(),
            reserved)
        {
            Far = Enumerable.Range(0, far).Select(n => FarMicrophone.Stereo($"Far {n}", "drums/rooms", 1, (FarPlace)n)).ToSequence(),
        };

    private static Piece Miked(Piece piece, bool twice) => twice ? piece with
    {
        Microphones = [piece.Microphones[0] with { Name = "top" }, piece.Microphones[0] with { Name = "bottom", Pan = 0.25, NeighboursDb = -18 }],
    }
        : piece;

    private static KitOnStage Staged(Kit kit, int[] choices)
    {
        var player = new Channel { Id = KitOnStage.Player, Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Flotsam, kit) };
        var voice = new Channel { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = new InputSource(1) };
        return new(((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Kits"), [new AddChannel(player), new AddChannel(voice)])).Template, kit, choices);
    }
}
