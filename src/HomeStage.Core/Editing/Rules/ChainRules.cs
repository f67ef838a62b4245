using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What the chains of a channel must keep to.</summary>
internal static class ChainRules
{
    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(Channel channel)
    {
        if (channel.Chains.Count == 0)
            return null;
        if (channel.Chains.Count > Chain.MostOnAChannel)
            return new Refusal.TooMany($"chains on {channel.Name}", Chain.MostOnAChannel);
        return channel.Chains.Select(c => CheckOne(channel, c)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(channel.Chains.Select(c => c.Id), $"chain on {channel.Name}")
            ?? Doubles.Check(channel.Chains.SelectMany(c => c.Inserts).Select(i => i.Value), $"insert in the chains of {channel.Name}");
    }

    private static Refusal? CheckOne(Channel channel, Chain chain)
    {
        if (!Identifier.IsValid(chain.Id))
            return new Refusal.BadText($"The id of a chain on {channel.Name}", 1, Identifier.MaxLength);
        if (chain.Inserts.Count == 0)
            return new Refusal.Missing("insert", "", $"in the chain {chain.Name}; it needs at least one");
        if (chain.Inserts.Count > ChannelRules.MostInserts)
            return new Refusal.TooMany($"inserts in the chain {chain.Name}", ChannelRules.MostInserts);
        if (chain.Controls.Count > ChainControl.MostInAChain)
            return new Refusal.TooMany($"controls of the chain {chain.Name}", ChainControl.MostInAChain);
        return TextRules.Name("A chain's name", chain.Name, TextRules.LongestSection)
            ?? chain.Controls.Select(c => CheckControl(chain, c)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(chain.Controls.Select(c => c.Id), $"control of {chain.Name}")
            ?? Doubles.Check(chain.Controls.SelectMany(c => c.Moves).Select(m => $"{m.Insert} {m.Parameter}"), $"value that controls of {chain.Name} move");
    }

    private static Refusal? CheckControl(Chain chain, ChainControl control)
    {
        if (!Identifier.IsValid(control.Id))
            return new Refusal.BadText($"The id of a control of {chain.Name}", 1, Identifier.MaxLength);
        if (!(control.Position is >= 0 and <= 1))
            return new Refusal.OutOfRange($"The position of {control.Name} of {chain.Name}", control.Position, 0, 1, "");
        if (control.Moves.Count > ChainControl.MostMoves)
            return new Refusal.TooMany($"values on {control.Name} of {chain.Name}", ChainControl.MostMoves);
        return TextRules.Name("The name of a chain's control", control.Name, TextRules.LongestSection)
            ?? control.Moves.Select(m => CheckMove(chain, control, m)).FirstOrDefault(r => r is not null);
    }

    private static Refusal? CheckMove(Chain chain, ChainControl control, ChainMove move)
    {
        if (!chain.Inserts.Contains(move.Insert))
            return new Refusal.WrongPlace($"{control.Name} of {chain.Name}", "moves only what is in its chain");
        if (!double.IsFinite(move.From) || !double.IsFinite(move.To))
            return new Refusal.WrongPlace($"{control.Name} of {chain.Name}", "moves between numbers only");
        if (move.Parameter is { } id && TextRules.Name($"What {control.Name} of {chain.Name} moves", id) is { } bad)
            return bad;
        // The ends of a value are held against its range where a chain is made: later another processor may stand there.
        return move.Parameter is null && !(move.From is >= 0 and <= 1 && move.To is >= 0 and <= 1)
            ? new Refusal.OutOfRange($"Where {control.Name} of {chain.Name} switches", move.From is >= 0 and <= 1 ? move.To : move.From, 0, 1, "")
            : null;
    }
}
