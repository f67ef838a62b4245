using System.Globalization;

namespace HomeStage.Core.Values;

/// <summary>Why a change was refused, with what is needed to mend it.</summary>
public abstract record Refusal
{
    /// <summary>A stable code for programs.</summary>
    public abstract string Code { get; }

    /// <summary>A sentence for people.</summary>
    public abstract string Sentence { get; }

    /// <summary>The names along the way, where the refusal is about a path; empty otherwise.</summary>
    public virtual Sequence<string> Path => [];

    public sealed record UnknownChannel(ChannelId Channel) : Refusal
    {
        public override string Code => "unknown-channel";
        public override string Sentence => $"There is no channel '{Channel}' here.";
    }

    public sealed record ChannelExists(ChannelId Channel) : Refusal
    {
        public override string Code => "channel-exists";
        public override string Sentence => $"There is already a channel with the id '{Channel}'.";
    }

    public sealed record UnknownInsert(string ChannelName, InsertId Insert) : Refusal
    {
        public override string Code => "unknown-insert";
        public override string Sentence => $"{ChannelName} has no insert '{Insert}'.";
    }

    public sealed record Missing(string What, string Name, string Where) : Refusal
    {
        public override string Code => "missing";
        public override string Sentence => $"There is no {What} '{Name}' {Where}.";
    }

    public sealed record Doubled(string What, string Name) : Refusal
    {
        public override string Code => "doubled";
        public override string Sentence => $"There would be two of {What} '{Name}'.";
    }

    public sealed record BadText(string What, int Shortest, int Longest) : Refusal
    {
        public override string Code => "bad-text";
        public override string Sentence => Shortest > 0
            ? $"{What} takes {Shortest} to {Longest:N0} characters and no control characters."
            : $"{What} takes up to {Longest:N0} characters and no control characters.";
    }

    public sealed record OutOfRange(string What, double Value, double Min, double Max, string Unit) : Refusal
    {
        public override string Code => "out-of-range";
        public override string Sentence => string.Create(CultureInfo.InvariantCulture,
            $"{What} must lie between {Min:0.####} and {Max:0.####}{Space}{Unit}; it was {Value:0.####}.");
        private string Space => Unit.Length == 0 ? "" : " ";
    }

    public sealed record WrongPlace(string ChannelName, string Reason) : Refusal
    {
        public override string Code => "wrong-place";
        public override string Sentence => $"{ChannelName} {Reason}.";
    }

    /// <summary>A curve or lever on what nothing can move while it plays.</summary>
    public sealed record StandsStill(string What, string Why) : Refusal
    {
        public override string Code => "stands-still";
        public override string Sentence => $"{What} stands still while it plays: {Why}.";
    }

    /// <param name="IsPair">Whether it would be a mono channel on two inputs, and not a stereo one on a single one.</param>
    public sealed record InputWidth(ChannelId Channel, string Name, bool IsPair) : Refusal
    {
        public override string Code => "input-width";
        public override string Sentence => IsPair
            ? $"{Name} is mono, so the second of two inputs would be lost."
            : $"{Name} is stereo, so with one input a side would stay empty.";
    }

    public sealed record ClosesLoop(Sequence<string> Names) : Refusal
    {
        public override string Code => "closes-loop";
        public override string Sentence => $"This would feed a channel back into itself: {string.Join(" → ", Names)}.";
        public override Sequence<string> Path => Names;
    }

    public sealed record LampHue(string ChannelName, double From, double To) : Refusal
    {
        public override string Code => "lamp-hue";
        public override string Sentence => string.Create(CultureInfo.InvariantCulture,
            $"{ChannelName} cannot take a hue between {From:0} and {To:0} degrees: that amber is kept for what is live or chosen.");
    }

    public sealed record TooMany(string What, int Most) : Refusal
    {
        public override string Code => "too-many";
        public override string Sentence => $"There is room for {Most:N0} {What}.";
    }
}
