using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>What the controls of a chain set.</summary>
public static class ChainTurning
{
    /// <summary>The channel with a control turned, and what it moves set by it.</summary>
    /// <param name="chain">Of the channel.</param>
    /// <param name="position">In [0, 1].</param>
    public static Channel Turned(Channel channel, Chain chain, ChainControl control, double position)
    {
        var turned = control with { Position = position };
        var chains = channel.Chains.Select(c => c.Id == chain.Id ? c with { Controls = c.Controls.Select(k => k.Id == control.Id ? turned : k).ToSequence() } : c).ToSequence();
        var inserts = channel.Inserts.Select(i => turned.Moves.Where(m => m.Insert == i.Id).Aggregate(i, (set, move) => Set(set, move, position))).ToSequence();
        return channel with { Chains = chains, Inserts = inserts.Equals(channel.Inserts) ? channel.Inserts : inserts };
    }

    /// <summary>Whether all that a control moves stands where the control says: nobody has set it otherwise since.</summary>
    public static bool IsAsSaid(Channel channel, ChainControl control) =>
        channel.Inserts.All(i => control.Moves.Where(m => m.Insert == i.Id).All(m => Stands(i, m, control.Position)));

    private static Insert Set(Insert insert, ChainMove move, double position)
    {
        if (move.Parameter is not { } id)
            return insert with { Off = !Works(move, position) };
        // What another processor in its place does not have is passed over.
        return insert.Find(id) is { } parameter ? insert with { Settings = insert.Settings.With(id, At(parameter, move, position)) } : insert;
    }

    private static bool Stands(Insert insert, ChainMove move, double position) =>
        move.Parameter is not { } id ? insert.Off != Works(move, position)
        : insert.Find(id) is not { } parameter || parameter.In(insert.Settings) == At(parameter, move, position);

    private static bool Works(ChainMove move, double position) => position >= Math.Min(move.From, move.To) && position <= Math.Max(move.From, move.To);

    private static double At(Parameter parameter, ChainMove move, double position)
    {
        var scale = parameter.Unit == Unit.Hertz ? Scale.Octaves : Scale.Linear;
        var value = scale.Between(Within(parameter, move.From), Within(parameter, move.To), position);
        return parameter.Unit is Unit.Switch or Unit.Choice ? Math.Round(value, MidpointRounding.AwayFromZero) : value;
    }

    private static double Within(Parameter parameter, double value) => Math.Clamp(value, parameter.Min, parameter.Max);
}
