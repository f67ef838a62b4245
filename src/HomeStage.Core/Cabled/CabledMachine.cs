using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Machines;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Cabled;

/// <summary>A device that stands beside this machine, simulated: pads that are pressed on it, and jacks that somebody has cabled to hardware inputs.</summary>
/// <param name="cables">For each jack in turn, the input that its cable ends in, counted from 0 at the first of the device; no two end in one.</param>
public sealed class CabledMachine(string id, MachineWish plays, Sequence<int> cables)
{
    /// <summary>A stroke is over by then.</summary>
    private const double Seconds = 1;

    /// <summary>What the gains of the inputs are set to leave above it.</summary>
    private const double HeadroomDb = 12;

    private readonly Lazy<(Template Template, ChannelId Player)> _plays = new(() => Built(plays));

    public string Id => id;

    public string Name => plays.Name;

    public int Jacks => plays.Jacks;

    public Sequence<int> Cables => cables;

    /// <summary>What can be pressed.</summary>
    public IReadOnlyList<Piece> Pads => KitIn(_plays.Value.Template, _plays.Value.Player).Pieces;

    /// <summary>The inputs that a pressed pad is seen on, the loudest first.</summary>
    /// <param name="note">Of one of its pads.</param>
    /// <param name="firstInput">The hardware input that the device begins at, from 1.</param>
    public IReadOnlyList<InputLight> Press(int note, int firstInput, CancellationToken cancellation = default)
    {
        if (Pads.All(p => p.Note != note))
            throw new ArgumentOutOfRangeException(nameof(note), note, $"{Name} has no pad of that note.");
        var (template, player) = _plays.Value;
        var kit = KitIn(template, player);
        var alone = Audition.Of(template, player, note, 100, Seconds);
        RenderedSound Heard(ChannelId? at) => Renderer.Render(alone, new RenderRequest(template.Acts[0].Id, at), cancellation: cancellation);
        var all = Heard(null).Channels;
        var lights = new List<InputLight>();
        var jack = 0;
        foreach (var (output, number) in kit.Outputs.Select((o, i) => (o, i + 1)))
        {
            if (TakerOf(template, player, number) is { } taker && all.FirstOrDefault(c => c.Channel == taker)?.Reading is { PeakDbfs: > InputLight.LitDbfs } reading)
            {
                if (output.Format == ChannelFormat.Mono)
                    Add(jack, reading.PeakDbfs);
                else if (Heard(taker) is var sides)
                {
                    Add(jack, Peak(sides.Left));
                    Add(jack + 1, Peak(sides.Right));
                }
            }

            jack += output.Format == ChannelFormat.Mono ? 1 : 2;
        }

        void Add(int at, double peakDbfs)
        {
            if (peakDbfs - HeadroomDb >= InputLight.LitDbfs)
                lights.Add(new(firstInput + cables[at], peakDbfs - HeadroomDb));
        }

        return [.. lights.OrderByDescending(l => l.PeakDbfs)];
    }

    private static double Peak(float[] lane) => 20 * Math.Log10(lane.Max(Math.Abs));

    private static Kit KitIn(Template template, ChannelId player) => template.KitOf(player.Value)!;

    private static ChannelId? TakerOf(Template template, ChannelId player, int number) => number == 1
        ? player
        : template.Channels.FirstOrDefault(c => c.Source is OutputSource split && split.Instrument == player && split.Output == number)?.Id;

    /// <summary>A stage that holds nothing else; what a jack puts out is turned neither to a side nor down.</summary>
    private static (Template Template, ChannelId Player) Built(MachineWish plays)
    {
        var empty = EmptyStage.Create(plays.Name);
        var machine = OwnMachine.Of(empty, plays) is MachineResult.Made made ? made.Machine : throw new InvalidOperationException($"{plays.Name} cannot be made.");
        var whole = Batch.Apply(empty, machine.Edits) is BatchResult.Applied applied ? applied.Template : throw new InvalidOperationException($"{plays.Name} cannot be made.");
        return (whole with { Channels = whole.Channels.Select(c => c with { Pan = 0 }).Aggregate(whole.Channels, (list, c) => list.Replace(c)) }, machine.Channel);
    }
}
