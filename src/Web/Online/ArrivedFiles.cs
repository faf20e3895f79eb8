using System.IO.Compression;

namespace HomeStart.Web.Online;

/// <summary>Files that came, to be read one after the other: each by itself, or out of an archive.</summary>
internal sealed class ArrivedFiles : IDisposable
{
    // Of a Unix archive: the kind of file, and that it is a link.
    private const int KindMask = 0xF000;
    private const int Link = 0xA000;

    private readonly ZipArchive? _archive;
    private readonly List<Func<Stream>> _open;

    private ArrivedFiles(ZipArchive? archive, List<OfferedFile> files, List<Func<Stream>> open) =>
        (_archive, Files, _open) = (archive, files, open);

    public IReadOnlyList<OfferedFile> Files { get; }

    public Stream Open(int index) => _open[index]();

    public static ArrivedFiles Plain(IReadOnlyList<(OfferedFile File, string Path)> files) =>
        new(
            null,
            [.. files.Select(file => file.File)],
            [.. files.Select(file => (Func<Stream>)(() => File.OpenRead(file.Path)))]
        );

    /// <summary>
    /// The files of a ZIP archive, none of them unpacked yet; null, with the reasons, where it holds what a site may
    /// not have.
    /// </summary>
    public static ArrivedFiles? Unpacked(string path, long? storage, FaultList faults)
    {
        ZipArchive archive;
        try
        {
            archive = new ZipArchive(File.OpenRead(path), ZipArchiveMode.Read);
        }
        catch (InvalidDataException)
        {
            faults.Add(
                FaultCodes.BadType,
                "files[0]",
                new Said("This is no ZIP archive, or it did not arrive as it was.")
            );
            return null;
        }

        try
        {
            // Folders have no bytes; what a computer adds of its own accord is not meant.
            var entries = archive
                .Entries.Where(entry => !entry.FullName.EndsWith('/') && !IsClutter(entry.FullName))
                .ToList();
            var common = CommonFolder(entries);
            List<OfferedFile> files =
            [
                .. entries.Select(entry => new OfferedFile(
                    entry.FullName[common..],
                    entry.Length,
                    ((entry.ExternalAttributes >> 16) & KindMask) == Link
                )),
            ];
            FileRules.Check(files, faults);
            foreach (
                var (index, entry) in entries
                    .Index()
                    .Where(entry => FileRules.IsBomb(entry.Item.CompressedLength, entry.Item.Length))
            )
            {
                faults.Add(FaultCodes.BadType, $"files[{index}]", new FileFlawed(entry.FullName, FileFlaw.Bomb));
            }

            if (files.Count == 0)
            {
                faults.Add(FaultCodes.Required, "files[0]", new Said("There is no file in this archive."));
            }

            if (
                !faults.Any
                && Math.Min(storage ?? FileRules.LargestUpload, FileRules.LargestUpload) is var most
                && files.Sum(file => file.Size) is var size
                && size > most
            )
            {
                faults.Add(FaultCodes.OutOfRange, "files", new SpaceFull(size, most));
            }

            if (!faults.Any)
            {
                return new ArrivedFiles(
                    archive,
                    files,
                    [.. entries.Select(entry => (Func<Stream>)(() => new Bounded(entry.Open(), entry.Length)))]
                );
            }
        }
        catch (InvalidDataException)
        {
            faults.Add(FaultCodes.BadType, "files[0]", new Said("This archive is damaged: pack it again."));
        }

        archive.Dispose();
        return null;
    }

    public void Dispose() => _archive?.Dispose();

    // An archive of one folder is meant as what is in it.
    private static int CommonFolder(List<ZipArchiveEntry> entries)
    {
        var first = entries.Count == 0 ? -1 : entries[0].FullName.IndexOf('/', StringComparison.Ordinal);
        return
            first > 0
            && entries.TrueForAll(entry =>
                entry.FullName.StartsWith(entries[0].FullName[..(first + 1)], StringComparison.Ordinal)
            )
            && entries[0].FullName[0] != '.'
            ? first + 1
            : 0;
    }

    private static bool IsClutter(string path) =>
        path.StartsWith("__MACOSX/", StringComparison.Ordinal)
        || path.Split('/')[^1] is ".DS_Store" or "Thumbs.db" or "desktop.ini";

    // What says it has so many bytes and has more fills a disk: it is not read past what it said.
    private sealed class Bounded(Stream inner, long length) : Stream
    {
        private readonly long _length = length;
        private long _read;

        public override bool CanRead => true;

        public override bool CanSeek => false;

        public override bool CanWrite => false;

        public override long Length => _length;

        public override long Position
        {
            get => _read;
            set => throw new NotSupportedException();
        }

        public override int Read(byte[] buffer, int offset, int count) => Counted(inner.Read(buffer, offset, count));

        public override async ValueTask<int> ReadAsync(
            Memory<byte> buffer,
            CancellationToken cancellationToken = default
        ) => Counted(await inner.ReadAsync(buffer, cancellationToken));

        public override Task<int> ReadAsync(
            byte[] buffer,
            int offset,
            int count,
            CancellationToken cancellationToken
        ) => ReadAsync(buffer.AsMemory(offset, count), cancellationToken).AsTask();

        public override void Flush() => throw new NotSupportedException();

        public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

        public override void SetLength(long value) => throw new NotSupportedException();

        public override void Write(byte[] buffer, int offset, int count) => throw new NotSupportedException();

        protected override void Dispose(bool disposing)
        {
            inner.Dispose();
            base.Dispose(disposing);
        }

        private int Counted(int read) =>
            (_read += read) <= _length ? read : throw new InvalidDataException("The archive holds more than it says.");
    }
}
