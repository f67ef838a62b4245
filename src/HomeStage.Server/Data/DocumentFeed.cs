using System.Collections.Concurrent;
using System.Threading.Channels;

namespace HomeStage.Server.Data;

/// <summary>Tells whoever listens that a document has a newer revision.</summary>
public sealed class DocumentFeed
{
    private readonly ConcurrentDictionary<Listener, byte> _listeners = new();

    /// <summary>How many listen at the moment.</summary>
    public int Listeners => _listeners.Count;

    public void Tell(string document, int revision)
    {
        foreach (var (listener, _) in _listeners)
            if (listener.Document == document)
                listener.Hear(revision);
    }

    /// <summary>Begins to listen at once; ends when it is disposed.</summary>
    public Listener Listen(string document)
    {
        var listener = new Listener(document, l => _listeners.TryRemove(l, out _));
        _listeners[listener] = 0;
        return listener;
    }

    /// <summary>One who listens. A revision that is overtaken before it is read is left out.</summary>
    public sealed class Listener(string document, Action<Listener> leave) : IDisposable
    {
        private readonly Channel<int> _news = Channel.CreateBounded<int>(new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropOldest });

        public string Document => document;

        public IAsyncEnumerable<int> NewsAsync(CancellationToken cancellation) => _news.Reader.ReadAllAsync(cancellation);

        /// <summary>There will be no more news.</summary>
        public void End() => _news.Writer.TryComplete();

        public void Dispose() => leave(this);

        internal void Hear(int revision) => _news.Writer.TryWrite(revision);
    }
}
