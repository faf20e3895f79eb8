namespace HomeStart.Web.Hosting;

/// <summary>A data folder belongs to one running program at a time.</summary>
internal static class DataFolder
{
    /// <summary>Holds the folder until disposed; null where another program holds it.</summary>
    public static FileStream? TryLock(string folder)
    {
        try
        {
            return new FileStream(Path.Combine(folder, "in-use"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None, 1, FileOptions.DeleteOnClose);
        }
        catch (IOException)
        {
            return null;
        }
    }
}
