namespace HomeStart.Core.Online;

/// <summary>Why a file cannot become part of a site. The sentence is made of it in Formats.</summary>
public enum FileFlaw
{
    /// <summary>It has no name.</summary>
    Empty,

    /// <summary>Its path is longer than <see cref="FileRules.LongestPath"/> characters.</summary>
    TooLong,

    /// <summary>It begins with a slash or a drive, or has a backslash: it would lead outside.</summary>
    Outside,

    /// <summary>A part of its path is one or two dots: it would climb out.</summary>
    Climbs,

    /// <summary>A part of its path begins with a dot: hidden files hold what is not meant to be seen.</summary>
    Hidden,

    /// <summary>
    /// A character that cannot be seen or that addresses do not carry, or a space or dot at the end of a part.
    /// </summary>
    Character,

    /// <summary>It stands for another file.</summary>
    Link,

    /// <summary>A kind of file that a plain site does not serve: programs, and pages that run on a server.</summary>
    Kind,

    /// <summary>Another one differs from it by capitals alone, or not at all.</summary>
    Twice,

    /// <summary>Its name is a folder's too.</summary>
    FolderToo,

    /// <summary>It unpacks to more than <see cref="FileRules.MostTimesLarger"/> times its size.</summary>
    Bomb,

    /// <summary>Below nothing.</summary>
    Size,
}
