using System.Collections.Concurrent;
using System.Runtime.InteropServices;
using HomeStage.Core.Outside;

namespace HomeStage.Server.Jobs;

/// <summary>Tapes of a test as files, which go with their handles.</summary>
public sealed class DiskTapes(ScratchFolder folder) : ITestTapes, IDisposable
{
    private readonly ConcurrentBag<FileStream> _files = [];
    private long _bytes;

    /// <summary>What all of them take.</summary>
    public long Bytes => Interlocked.Read(ref _bytes);

    public ITestTape Fresh(int lanes) => new Tape(this, [.. Enumerable.Range(0, lanes).Select(_ => NewFile())]);

    public void Dispose()
    {
        foreach (var file in _files)
            file.Dispose();
    }

    private FileStream NewFile()
    {
        var file = folder.NewFile();
        _files.Add(file);
        return file;
    }

    private sealed class Tape(DiskTapes all, IReadOnlyList<FileStream> files) : ITestTape
    {
        public void Append(ReadOnlySpan<float> left, ReadOnlySpan<float> right)
        {
            files[0].Write(MemoryMarshal.AsBytes(left));
            if (files.Count == 2)
                files[1].Write(MemoryMarshal.AsBytes(right));
            Interlocked.Add(ref all._bytes, sizeof(float) * (left.Length + (files.Count == 2 ? right.Length : 0)));
        }

        public IReadOnlyList<float[]> Lanes() => [.. files.Select(Lane)];

        /// <summary>By place, so that several may read at once.</summary>
        private static float[] Lane(FileStream file)
        {
            file.Flush();
            var lane = new float[RandomAccess.GetLength(file.SafeFileHandle) / sizeof(float)];
            var bytes = MemoryMarshal.AsBytes(lane.AsSpan());
            for (var at = 0; at < bytes.Length;)
                at += RandomAccess.Read(file.SafeFileHandle, bytes[at..], at) is > 0 and var read ? read : throw new EndOfStreamException("A tape of the test is shorter than it was.");
            return lane;
        }
    }
}
