namespace HomeStage.Core.Shelf;

/// <summary>What is kept by name and can be used in every template.</summary>
/// <param name="Id">An <see cref="Identifier"/>.</param>
/// <param name="Name">1 to 80 characters, unique among items of its kind.</param>
/// <param name="Revision">From 1; each replacement of the content makes one.</param>
public sealed record ShelfItem(string Id, string Name, int Revision, ShelfContent Content);
