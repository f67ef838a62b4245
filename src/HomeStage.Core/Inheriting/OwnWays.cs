using HomeStage.Core.Editing;

namespace HomeStage.Core.Inheriting;

/// <summary>Whether a template goes its own way where the one that it is based on was changed.</summary>
/// <remarks>An edit tells by its inverse what stood there before. Where that is the same in the template and in what it began as, the
/// template has set nothing of its own there.</remarks>
internal static class OwnWays
{
    /// <param name="edit">A change of the one that it is based on.</param>
    /// <param name="was">The edit's inverse on what the template began as.</param>
    /// <param name="here">The edit's inverse on the template.</param>
    public static bool Differ(Edit edit, Edit was, Edit here) => (edit, was, here) switch
    {
        (RenameChannel or SetHue or Describe, _, _) => true,
        // Where something stands among others follows from what else is there.
        (MoveChannel, MoveChannel then, MoveChannel now) => then.Destination != now.Destination,
        (_, RestoreChannels then, RestoreChannels now) => !Contents(then).SequenceEqual(Contents(now)) || !then.Gone.Equals(now.Gone),
        _ => !was.Equals(here),
    };

    private static IEnumerable<Templates.Channel> Contents(RestoreChannels put) => put.Channels.Select(c => c.Channel).OrderBy(c => c.Id.Value, StringComparer.Ordinal);
}
