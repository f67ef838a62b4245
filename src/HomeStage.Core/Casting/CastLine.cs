namespace HomeStage.Core.Casting;

/// <summary>A line that says something.</summary>
/// <param name="Number">In the text, from 0.</param>
/// <param name="Indent">Characters before it.</param>
/// <param name="Text">As a list has it.</param>
/// <param name="RowLength">Of a row of a spreadsheet, which is written otherwise in the text: how long it is there; null for what stands as it is.</param>
internal sealed record CastLine(int Number, int Indent, string Text, int? RowLength = null)
{
    public CastSpan Whole => At(0, Text.Length);

    public CastSpan At(int start, int length) => RowLength is { } row ? new(Number, 0, row) : new(Number, Indent + start, length);
}
