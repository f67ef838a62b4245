using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Casting;

/// <summary>A template as a cast list, which reads as the channels that are there.</summary>
/// <remarks>It says of each what it is, what it stands under, its width and inputs. What a list does not say (strips, sends, levels) is not in it.</remarks>
public sealed partial class CastText
{
    private readonly StringBuilder _text = new();
    private readonly ILookup<ChannelId?, Channel> _under;
    private readonly HashSet<string> _twice;
    private readonly Template _template;
    private readonly ChannelId _mix;

    private CastText(Template template)
    {
        _template = template;
        _mix = ChannelFactory.MixBus(template);
        _under = template.Channels.Where(c => Capabilities.Of(c.Kind).FeedsASum).ToLookup(c => c.Destination);
        _twice = template.Channels.GroupBy(c => c.Name, StringComparer.OrdinalIgnoreCase).Where(g => g.Count() > 1).Select(g => g.Key).ToHashSet(StringComparer.OrdinalIgnoreCase);
    }

    public static string Of(Template template)
    {
        var list = new CastText(template);
        list.Under(list._mix, CastPlace.Stage, 0, "Mix bus");
        if (list._mix != template.Main.Id)
            list.Under(template.Main.Id, CastPlace.Stage with { UnderMain = true }, 0, "Main");
        foreach (var (kind, heading) in new[] { (ChannelKind.Trigger, "Triggers"), (ChannelKind.Direct, "Around the main"), (ChannelKind.Notes, "Notes") })
            list.Line(0, heading, CastPlace.Of(heading)!, [.. template.Channels.Where(c => c.Kind == kind)]);
        return list._text.ToString();
    }

    /// <param name="heading">What goes before parts that stand in no bus of their own; null below the top.</param>
    private void Under(ChannelId bus, CastPlace place, int depth, string? heading)
    {
        // Where it stands itself is not said: what a list names stands under it.
        var children = _under[bus].Where(c => c.Id != _mix).ToList();
        var parts = children.Where(c => c.Kind != ChannelKind.Bus).ToList();
        var buses = children.Where(c => c.Kind == ChannelKind.Bus).ToList();
        // Below “Main” stand buses as well.
        if (heading is not null && (parts.Count > 0 || (place.UnderMain && buses.Count > 0)))
            Line(depth, heading, place, parts, always: true);
        var deeper = heading is not null && !place.UnderMain ? depth : depth + 1;
        foreach (var child in buses)
        {
            var inside = new CastPlace(0, child.Name);
            Line(deeper, $"{Name(child, place, isHead: true)}{(child.Format == ChannelFormat.Mono ? " mono" : "")}", inside, [.. _under[child.Id].Where(c => c.Kind != ChannelKind.Bus)], always: true);
            Under(child.Id, inside, deeper, null);
        }
    }

    private void Line(int depth, string heading, CastPlace place, IReadOnlyList<Channel> parts, bool always = false)
    {
        if (parts.Count == 0 && !always)
            return;
        _text.Append(' ', 2 * depth).Append(heading);
        if (parts.Count > 0)
            _text.Append(": ").AppendJoin(", ", Runs([.. parts.Select(p => Item(p, place))]));
        else if (depth > 0)
            _text.Append(':');
        _text.Append('\n');
    }

    /// <summary>A name with what is said of it, and apart from them the one input that may count up.</summary>
    private sealed record Said(string Name, string Details, int? Input);

    private Said Item(Channel channel, CastPlace place)
    {
        var name = Name(channel, place, isHead: false);
        var words = new StringBuilder();
        var input = channel.Source as InputSource;
        var plain = CastDetails.None with { Input = input?.First };
        var brackets = new List<string>();
        if (channel.Source is OutputSource split)
            brackets.Add($"split of {CastCuts.Sayable(_template.Channels[split.Instrument].Name)}");
        else if (place.KindOf(channel.Name, plain) != channel.Kind)
            brackets.Add(channel.Kind.ToString().ToLowerInvariant());
        if (channel.Spare && (name[0] == '"' || !NameWords.Of(name).Contains("spare")))
            brackets.Add("spare");
        if (brackets.Count > 0)
            words.Append(" (").AppendJoin(", ", brackets).Append(')');
        if (channel.Kind != ChannelKind.Split && input?.Second is null && channel.Format != (Capabilities.Of(channel.Kind).BeginsMono ? ChannelFormat.Mono : ChannelFormat.Stereo))
            words.Append(channel.Format == ChannelFormat.Mono ? " mono" : " stereo");
        if (input is { Second: { } second })
            words.Append(CultureInfo.InvariantCulture, $" inputs {input.First} and {second}");
        return new(name, words.ToString(), input is { Second: null } ? input.First : null);
    }

    /// <summary>Names that differ by numbers which ascend are one range.</summary>
    private static IEnumerable<string> Runs(IReadOnlyList<Said> items)
    {
        for (var i = 0; i < items.Count;)
        {
            var (stem, first) = Parted(items[i].Name);
            var end = i + 1;
            while (first > 0 && CastNumbers.Single(stem) == stem && end < items.Count && end - i < CastNumbers.Most && Continues(items[i], items[end], stem, first, end - i))
                end++;
            yield return end - i == 1
                ? $"{items[i].Name}{items[i].Details}{(items[i].Input is { } input ? string.Create(CultureInfo.InvariantCulture, $" input {input}") : "")}"
                : string.Create(CultureInfo.InvariantCulture, $"{stem} {first}–{first + end - i - 1}{items[i].Details}{(items[i].Input is { } from ? $" inputs {from}" : "")}");
            i = end;
        }
    }

    private static bool Continues(Said first, Said next, string stem, int number, int by) =>
        Parted(next.Name) == (stem, number + by) && next.Details == first.Details && next.Input == first.Input + by;

    private static (string Stem, int Number) Parted(string name) =>
        name[0] != '"' && Numbered().Match(name) is { Success: true } found && int.TryParse(found.Groups["number"].Value, CultureInfo.InvariantCulture, out var number) ? (found.Groups["stem"].Value, number) : (name, 0);

    /// <summary>In quotation marks where it would be read as anything but this name.</summary>
    private string Name(Channel channel, CastPlace place, bool isHead)
    {
        var name = channel.Name;
        if (_twice.Contains(name) || CastCuts.Sayable(name) != name || name.Trim() != name || Capitals.AtFirst(name) != name)
            return CastCuts.Quoted(name);
        var (said, left) = CastPhrases.Off(name, _ => true);
        if (said != CastDetails.None || left != name)
            return CastCuts.Quoted(name);
        if (isHead)
            return CastPlace.Of(name) is not null || CastTimeline.Says(name) ? CastCuts.Quoted(name) : name;
        var words = NameWords.Of(name);
        var means = CastNumbers.Named(name) is [var one] && one == name
            && !(words is ["take" or "tk" or "spare", ..] && place.Name.Length > 0)
            && (channel.Spare || !words.Contains("spare"));
        return means ? name : CastCuts.Quoted(name);
    }

    [GeneratedRegex(@"^(?<stem>.*[^\d\s])\s(?<number>[1-9]\d{0,2})$", RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture)]
    private static partial Regex Numbered();
}
