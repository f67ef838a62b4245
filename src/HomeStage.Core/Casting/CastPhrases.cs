using System.Globalization;
using System.Text.RegularExpressions;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Kits;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.Core.Writing;

namespace HomeStage.Core.Casting;

/// <summary>The turns of phrase that a cast list knows; each stands at the end of what it is said of, one after the other.</summary>
internal static partial class CastPhrases
{
    private const RegexOptions Linear = RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture | RegexOptions.IgnoreCase;

    private const string Note = @"(?<note>\d{1,2}/\d{1,2}(?:[dt]|\.)?(?:\s+(?:dotted|triplet))?|(?:dotted\s+)?(?:half|quarter|eighth|sixteenth)(?:\s+(?:dotted|triplet))?)";
    private const string Gap = @"(?:^|[\s,])\s*";

    private static readonly Dictionary<string, ChannelKind> Kinds = Enum.GetValues<ChannelKind>().Where(k => k is not (ChannelKind.Main or ChannelKind.Split)).ToDictionary(k => k.ToString().ToLowerInvariant());

    private static readonly (Regex Phrase, Func<Match, CastDetails, CastDetails?> Said)[] All =
    [
        (InBrackets(), (m, d) => Bracketed(m.Groups["words"].Value, d)),
        (OnJacks(), OnSoMany),
        (Jacks(), (m, d) => d with { Jacks = WidthOf(m) }),
        (Width(), (m, d) => d with { Format = Format(m.Value) }),
        (Input(), (m, d) => Inputs(m, d)),
        (Microphones(), (m, d) => CastNumbers.Count(m.Groups["count"].Value) is >= 2 and <= 8 and var count ? d with { Microphones = count } : null),
        (Level(), (m, d) => Number(m.Groups["db"].Value) is { } db ? d with { Db = db } : null),
        (PanTo(), (m, d) => Panned(m) is { } pan ? d with { Pan = pan } : null),
        (BackBy(), (m, d) => NoteWords.Read(m.Groups["note"].Value) is { } back ? d with { BackQuarters = back } : null),
        (RoomFor(), (m, d) => d with { RoomFor = CastCuts.Unquoted(m.Groups["who"].Value), RoomDb = d.Db is { } db ? Math.Abs(db) : null, Db = null }),
        (IntoAnother(), (m, d) => Sent(m.Groups["who"].Value, d)),
        (Cut(), (m, d) => Number(m.Groups["hz"].Value) is not { } hz ? null : m.Groups["below"].Success ? d with { LowCutHz = hz } : d with { HighCutHz = hz }),
        (SplitOver(), (m, d) => m.Groups["fully"].Success ? d with { SplitOver = KitRules.MostOutputs } : CastNumbers.Count(m.Groups["count"].Value) is { } over ? d with { SplitOver = over } : null),
        (OffBeat(), (_, d) => d with { OffBeat = true, EveryQuarters = d.EveryQuarters ?? 0 }),
        (EveryBeat(), (m, d) => m.Groups["beat"].Success ? d with { EveryQuarters = 0 } : NoteWords.Read(m.Groups["note"].Value) is { } every ? d with { EveryQuarters = every } : null),
        (Played(), (m, d) => InstrumentCatalogue.All.FirstOrDefault(i => string.Equals(i.Name, m.Groups["by"].Value, StringComparison.OrdinalIgnoreCase)) is { } kind ? d with { Instrument = kind.Id } : null),
    ];

    // These are said of effects alone: a take may well be called after a bar and a beat.
    private static readonly (Regex Phrase, Func<Match, CastDetails, CastDetails?> Said)[] OfEffects =
    [
        (Tap(), (m, d) => Tapped(m, d)),
        (Decay(), (m, d) => Number(m.Groups["s"].Value) is { } seconds ? d with { DecaySeconds = seconds } : null),
    ];

    /// <summary>Takes the phrases off the end.</summary>
    /// <param name="isEffect">Whether what is left may be an effect.</param>
    /// <returns>What was said, and what is left: a name, or what is not understood.</returns>
    public static (CastDetails Said, string Left) Off(string text, Func<string, bool> isEffect)
    {
        var (said, left) = (CastDetails.None, text.Trim());
        while (left.Length > 0)
        {
            var found = Last(All, left, said) ?? (isEffect(left) ? Last(OfEffects, left, said) : null);
            if (found is not var (next, start))
                break;
            (said, left) = (next, left[..start].TrimEnd(' ', ',', '\t'));
        }

        return (said, left);
    }

    private static (CastDetails Said, int Start)? Last((Regex Phrase, Func<Match, CastDetails, CastDetails?> Said)[] phrases, string text, CastDetails said)
    {
        foreach (var (phrase, read) in phrases)
            if (phrase.Match(text) is { Success: true } match && !CastCuts.IsWithinQuotes(text, match.Index) && read(match, said) is { } more)
                return (more, match.Index);
        return null;
    }

    /// <summary>"(return, spare)", "(split of Kit)", "(harmony-voice)".</summary>
    private static CastDetails? Bracketed(string words, CastDetails said)
    {
        foreach (var (_, word) in CastCuts.Parted(words, ','))
        {
            var plain = word.Trim();
            if (plain.StartsWith("split of ", StringComparison.OrdinalIgnoreCase))
                said = said with { Kind = ChannelKind.Split, SplitOf = CastCuts.Unquoted(plain[9..]) };
            else if (plain.Equals("spare", StringComparison.OrdinalIgnoreCase))
                said = said with { Spare = true };
            else if (Kinds.TryGetValue(plain.ToLowerInvariant(), out var kind))
                said = said with { Kind = kind };
            else if (RoleNames.All.Contains(plain.ToLowerInvariant()))
                said = said with { Role = plain.ToLowerInvariant() };
            else
                return null;
        }

        return said;
    }

    /// <summary>Whether it ends in a time in seconds, as a reverb's decay is told.</summary>
    public static bool SaysDecay(string text) => Decay().IsMatch(text);

    private static CastDetails? OnSoMany(Match match, CastDetails said)
    {
        var width = match.Groups["width"].Success ? WidthOf(match) : said.Jacks;
        return CastNumbers.Count(match.Groups["count"].Value) is >= 1 and var count && count * (width == ChannelFormat.Stereo ? 2 : 1) <= KitRules.MostOutputs
            ? said with { JackCount = count, Jacks = width }
            : null;
    }

    /// <summary>A single jack is mono.</summary>
    private static ChannelFormat WidthOf(Match match) => Format(match.Groups["width"].Value);

    private static CastDetails? Inputs(Match match, CastDetails said)
    {
        var first = int.Parse(match.Groups["first"].Value, CultureInfo.InvariantCulture);
        int? second = match.Groups["second"].Success ? int.Parse(match.Groups["second"].Value, CultureInfo.InvariantCulture) : null;
        // A row of more than two is for as many channels; one has two sides at most.
        var sides = match.Groups["row"].Success && second - first > 1 ? null : second;
        return first is >= 1 and <= InputSource.Last && second is null or <= InputSource.Last && !(second <= first)
            ? said with { Input = first, SecondInput = sides, InTurn = match.Groups["several"].Success }
            : null;
    }

    /// <summary>"into spring into hall": a level that is said goes with the last.</summary>
    private static CastDetails Sent(string who, CastDetails said)
    {
        var names = CastCuts.IsQuoted(who) ? [who] : who.Split(" into ", StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        return said with { Into = names.Select((n, i) => new CastSend(CastCuts.Unquoted(n), i == names.Length - 1 ? said.Db : null)).Concat(said.Into).ToSequence(), Db = null };
    }

    private static double? Panned(Match match) =>
        match.Groups["middle"].Success ? 0
        : match.Groups["hard"].Success ? (match.Groups["hard"].Value.StartsWith('l') ? -1 : 1)
        : Number(match.Groups["by"].Value) is { } by && Math.Abs(by) <= 100 ? (match.Groups["side"].Value.StartsWith("l", StringComparison.OrdinalIgnoreCase) ? -1 : 1) * by / 100
        : null;

    private static CastDetails? Tapped(Match match, CastDetails said) => NoteWords.Read(match.Groups["note"].Value) is not { } quarters ? null
        : match.Groups["side"].Value.StartsWith("r", StringComparison.OrdinalIgnoreCase) ? said with { RightQuarters = quarters }
        : match.Groups["side"].Success ? said with { LeftQuarters = quarters }
        : said with { LeftQuarters = quarters, RightQuarters = quarters };

    private static ChannelFormat Format(string word) => word.Contains("stereo", StringComparison.OrdinalIgnoreCase) ? ChannelFormat.Stereo : ChannelFormat.Mono;

    private static double? Number(string text) =>
        double.TryParse(text.Replace('−', '-').Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number) ? number : null;

    [GeneratedRegex(@"\((?<words>([^()""]|""[^""]*"")*)\)$", Linear)]
    private static partial Regex InBrackets();

    [GeneratedRegex(Gap + @"(?:on|with)\s+(?<count>\w+)\s+(?:(?<width>mono|single|stereo)\s+)?(?:jacks|outputs|outs)$", Linear)]
    private static partial Regex OnJacks();

    [GeneratedRegex(Gap + @"(?<width>mono|single|stereo)\s+jacks?$", Linear)]
    private static partial Regex Jacks();

    [GeneratedRegex(Gap + "(?:mono|stereo)$", Linear)]
    private static partial Regex Width();

    [GeneratedRegex(Gap + @"(?:on\s+)?input(?<several>s)?\s+(?<first>\d{1,3})(?:\s*(?:(?<row>-|–)|and|\+|,)\s*(?<second>\d{1,3}))?$", Linear)]
    private static partial Regex Input();

    [GeneratedRegex(Gap + @"(?:on|with)\s+(?<count>\w+)\s+(?:microphones|mics)$", Linear)]
    private static partial Regex Microphones();

    [GeneratedRegex(Gap + @"(?:at\s+)?(?<db>[-−+]?\d+(?:[.,]\d+)?)\s*dB$", Linear)]
    private static partial Regex Level();

    [GeneratedRegex(Gap + @"(?:(?<hard>left|right)\s+hard|hard\s+(?<hard>left|right)|pan(?:ned)?\s+(?:(?<hard>left|right)|(?<middle>cent(?:er|re))|(?<by>[-−+]?\d{1,3}(?:[.,]\d+)?)\s*%?\s*(?<side>left|right|[lr])?))$", Linear)]
    private static partial Regex PanTo();

    [GeneratedRegex(Gap + @"back\s+by\s+(?:the\s+|an?\s+)?" + Note + "$", Linear)]
    private static partial Regex BackBy();

    [GeneratedRegex(Gap + @"(?:makes?\s+room\s+for|gives?\s+way\s+to|ducks?\s+(?:under|for|to)|(?:is\s+)?ducked\s+by)\s+(?<who>.+)$", Linear)]
    private static partial Regex RoomFor();

    [GeneratedRegex(Gap + @"(?:into|sends?\s+to)\s+(?<who>""[^""]+""|[^,;]+)$", Linear)]
    private static partial Regex IntoAnother();

    [GeneratedRegex(Gap + @"cut\s+(?:(?<below>under|below)|over|above)\s+(?<hz>\d{2,5})(?:\s*hz)?$", Linear)]
    private static partial Regex Cut();

    [GeneratedRegex(Gap + @"split\s+(?:(?<fully>fully)|over\s+(?<count>\w+)(?:\s+outputs)?)$", Linear)]
    private static partial Regex SplitOver();

    [GeneratedRegex(Gap + @"off\s+the\s+beat$", Linear)]
    private static partial Regex OffBeat();

    [GeneratedRegex(Gap + @"every\s+(?:(?<beat>beat)|" + Note + ")$", Linear)]
    private static partial Regex EveryBeat();

    [GeneratedRegex(Gap + @"(?:played\s+)?by\s+(?<by>.+)$", Linear)]
    private static partial Regex Played();

    [GeneratedRegex(Gap + Note + @"(?:\s+(?<side>left|right|l|r))?$", Linear)]
    private static partial Regex Tap();

    [GeneratedRegex(Gap + @"(?<s>\d{1,2}(?:[.,]\d+)?)\s*s(?:ec(?:onds)?)?$", Linear)]
    private static partial Regex Decay();
}
