namespace HomeStage.Formats.DawProject;

/// <summary>Of what a project file was made.</summary>
/// <param name="Document">Id of the template or song in the library that made it.</param>
/// <param name="Revision">Of that document then.</param>
/// <param name="Act">Id of the act that it was written in.</param>
public sealed record ProjectOrigin(string Document, int Revision, string Act);
