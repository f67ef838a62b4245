namespace HomeStage.Server.Jobs;

/// <summary>A result that says what it takes to keep it.</summary>
public interface ISized
{
    long Bytes { get; }
}
