using HomeStage.Core.Media;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What the sound laid on a channel must keep to.</summary>
internal static class StarterRules
{
    /// <returns>The first thing that is wrong on a channel, or null.</returns>
    public static Refusal? Check(Channel channel)
    {
        if (channel.Starters.Count == 0)
            return null;
        if (!Capabilities.Of(channel.Kind).LaysSounds || channel.Source is InstrumentSource)
            return new Refusal.WrongPlace(channel.Name, "is of a kind that holds no sound of its own; an audio or direct channel does");
        if (channel.Starters.Count > AudioStarter.MostOnAChannel)
            return new Refusal.TooMany($"sounds on {channel.Name}", AudioStarter.MostOnAChannel);
        return channel.Starters.Select(CheckOne).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(channel.Starters.Select(s => s.Name), $"sound on {channel.Name}");
    }

    private static Refusal? CheckOne(AudioStarter starter) =>
        TextRules.Name("A sound's name", starter.Name)
        ?? starter.Sound.Check()
        ?? (starter.Quarters is >= 1 and <= AudioStarter.MostQuarters ? null : new Refusal.OutOfRange($"The length of {starter.Name}", starter.Quarters, 1, AudioStarter.MostQuarters, "quarter notes"))
        ?? (starter.Level > Decibels.FaderTop ? new Refusal.OutOfRange($"The level of {starter.Name}", starter.Level.Value, double.NegativeInfinity, 6, "dB") : null);
}
