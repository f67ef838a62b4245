using HomeStage.Core.Editing;
using HomeStage.Core.Outside;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Outside;

/// <summary>Mistakes by chance in the band's workstation and in the files that come back, no two on one way, with any gain, start and rate.</summary>
internal sealed class PlantedFaults
{
    private readonly List<(FaultKind Kind, string Channel)> _expected = [];
    private readonly List<Edit> _mistakes = [];
    private readonly Dictionary<string, Func<Recorded, Recorded>> _turned = [];
    private readonly Random _chance;

    public PlantedFaults(Random chance, TestSong song)
    {
        _chance = chance;
        Plant(["tom", "hats", "ride", "clap"], Channel);
        Plant(["pad", "keys"], Channel);
        if (Maybe())
            Return();
        if (Maybe())
            Ducker();
        var (gain, later, rate) = (chance.NextDouble() * 24 - 18, chance.NextDouble() * 4 - 1, chance.Next(3) switch { 0 => 44100, 1 => 96000, _ => 48000 });
        string[] left = ["Main", "Mix bus", "Rest", "Drums"];
        Files = [.. new Workstation(song, [.. _mistakes]).All().Where(f => !left.Contains(Path.GetFileNameWithoutExtension(f.Name)))
            .Select((f, i) => (_turned.GetValueOrDefault(f.Name[..^4]) is { } turned ? turned(f) : f).Gain(gain).Later(later).At(rate).Bits(24).Called($"{i + 1:00} {f.Name}"))];
    }

    public IReadOnlyList<Recorded> Files { get; }

    public IEnumerable<(FaultKind Kind, string Channel)> Expected => _expected.Distinct();

    private bool Maybe() => _chance.Next(2) == 0;

    private void Plant(string[] channels, Action<string> plant)
    {
        foreach (var channel in channels)
            if (_chance.Next(3) == 0)
                plant(channel);
    }

    private void Channel(string id)
    {
        var channel = new ChannelId(id);
        var name = OutsideBand.Template.Channels[channel].Name;
        switch (_chance.Next(6))
        {
            case 0:
                _mistakes.Add(new SetLevel(channel, new(Maybe() ? _chance.NextDouble() * 4 + 1.6 : -_chance.NextDouble() * 20 - 1.6)));
                _expected.Add((FaultKind.Level, id));
                break;
            case 1:
                _mistakes.Add(new SetPolarity(channel, true));
                _expected.Add((FaultKind.UpsideDown, id));
                break;
            case 2:
                _mistakes.Add(new SetMute(channel, true));
                _expected.Add((FaultKind.Missing, id));
                break;
            case 3:
                _mistakes.Add(new SetPan(channel, Maybe() ? 0.5 : -0.7));
                _expected.Add((FaultKind.Balance, id));
                break;
            case 4:
                // A slow tone that comes a swing or two later is the same tone (a swing of middle C is 3.8 ms).
                var late = (_chance.NextDouble() * 80 + (id is "pad" or "keys" ? 20 : 4)) / 1000 * (Maybe() ? 1 : -1);
                _turned[name] = f => f.Later(late);
                _expected.Add((FaultKind.Late, id));
                break;
            default:
                // A tone over itself is a tone of another height and time, and cannot be told from two.
                if (id is "pad" or "keys")
                    return;
                var (apart, softer) = (_chance.NextDouble() * 0.05 + 0.004, -_chance.NextDouble() * 8);
                _turned[name] = f => f.Plus(f.Gain(softer), apart);
                _expected.Add((FaultKind.Twice, id));
                break;
        }
    }

    private void Return()
    {
        if (Maybe())
        {
            _mistakes.Add(new SetParameter(new("hall"), new("verb"), "wet-percent", _chance.Next(30, 70)));
            _expected.Add((FaultKind.Dry, "hall"));
            return;
        }

        _mistakes.Add(new SetLevel(new("hall"), new(-_chance.NextDouble() * 12 - 2)));
        _expected.Add((FaultKind.Level, "hall"));
    }

    private void Ducker()
    {
        if (Maybe())
            _mistakes.Add(new RemoveFeed(new("kick"), new("bass"), new("duck")));
        else
            _mistakes.Add(new SetParameter(new("bass"), new("duck"), "ratio", 1.4));
        _expected.Add((FaultKind.Depth, "bass"));
    }
}
