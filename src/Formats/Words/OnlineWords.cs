namespace HomeStart.Formats.Words;

/// <summary>The sentences of what is wrong with records, files, pages, mail addresses, names and engines.</summary>
internal static class OnlineWords
{
    public static string Sentence(RecordFlaw flaw) =>
        flaw switch
        {
            RecordFlaw.Owner =>
                "Before the domain stand letters, digits, hyphens and dots, such as www; @ is the domain "
                    + "itself, and * every name that is not listed.",
            RecordFlaw.OwnerTooLong =>
                $"With the domain behind it this name has more than {DomainName.Longest} characters.",
            RecordFlaw.Ttl =>
                $"A record is kept (TTL) for {ZoneRules.LeastTtl} to {ZoneRules.MostTtl} seconds (a week).",
            RecordFlaw.Address => "An A record holds an address of four numbers from 0 to 255, such as 198.51.100.7.",
            RecordFlaw.LongAddress => "An AAAA record holds a long address, such as 2001:db8::7.",
            RecordFlaw.Target =>
                "This must be a whole name with a dot at its end, such as mail.example.com. – not an address "
                    + "of numbers.",
            RecordFlaw.Preference =>
                "An MX record has a number from 0 to 65535, the lowest being tried first; no other record has one.",
            RecordFlaw.Text =>
                $"A text has 1 to {ZoneRules.LongestText} bytes and no control characters. It may be long: it "
                    + "is sent in pieces of 255.",
            RecordFlaw.Authority =>
                "A CAA record is a flag (0 or 128), one of issue, issuewild or iodef, and a value in quotation "
                    + "marks: 0 issue \"ca.example.net\".",
            RecordFlaw.Service =>
                "An SRV record is priority, weight, port and a name with a dot at its end: 10 5 443 chat.example.com.",
            RecordFlaw.ServiceOwner =>
                "An SRV record stands at a service and a protocol, each with an underscore before it: _sip._tcp.",
            RecordFlaw.AliasAtApex =>
                "The domain itself cannot be another name (CNAME): its name servers are set there too. Use A "
                    + "and AAAA records, and CNAME for www.",
            RecordFlaw.AliasBesideOthers =>
                "Where a CNAME stands nothing else may: take the other records at this name away, or use A and "
                    + "AAAA instead.",
            RecordFlaw.AliasLoop => "This name leads back to itself.",
            RecordFlaw.MailToAlias =>
                "Mail must not point at a name that is itself a CNAME: name the mail server itself.",
            RecordFlaw.TwoSenders =>
                "There is another text with v=spf1 at this name: with two, receivers trust neither. Join them "
                    + "into one.",
            RecordFlaw.Twice => "This record is there already.",
            _ => throw new InvalidOperationException($"There is no sentence for {flaw}."),
        };

    public static string Sentence(string path, FileFlaw flaw) =>
        $"{Shown(path)}: "
        + flaw switch
        {
            FileFlaw.Empty => "it has no name.",
            FileFlaw.TooLong =>
                $"its path has more than {FileRules.LongestPath} characters. Shorten names or use fewer folders.",
            FileFlaw.Outside =>
                "its path begins with a slash or drive, or holds a backslash or colon, and would lead out of the site.",
            FileFlaw.Climbs => "its path climbs out of a folder with dots.",
            FileFlaw.Hidden =>
                "it, or a folder of it, begins with a dot. Hidden files often hold passwords or drafts: leave "
                    + "it out, or rename it.",
            FileFlaw.Character =>
                "its name holds a character that addresses do not carry, or a space at an end. Rename it.",
            FileFlaw.Link => "it is a link to another file: put in the file itself.",
            FileFlaw.Kind =>
                "files of this kind are not served: a plain site has pages, styles, scripts, pictures, fonts, "
                    + "documents, sound and film.",
            FileFlaw.Twice => "there is another one whose name differs by capitals alone, or not at all.",
            FileFlaw.FolderToo => "a folder has the same name.",
            FileFlaw.Bomb => "it unpacks to far more than it holds. That is how disks are filled on purpose.",
            FileFlaw.Size => "it is larger than one file may be, 2 GB.",
            _ => throw new InvalidOperationException($"There is no sentence for {flaw}."),
        };

    public static string Sentence(PageFlaw flaw) =>
        flaw switch
        {
            PageFlaw.Name => "Type the name of your business: at most 80 characters.",
            PageFlaw.About => "Say in a few sentences what you do: at most 2,000 characters.",
            PageFlaw.Street or PageFlaw.Town => "At most 120 characters.",
            PageFlaw.Telephone =>
                "A telephone number has digits, spaces, brackets, hyphens and a plus; at most 30 characters.",
            PageFlaw.PictureText =>
                "Say in a few words what is to be seen on the picture, for those who cannot see it.",
            PageFlaw.Hours => "The day must close after it opens.",
            _ => throw new InvalidOperationException($"There is no sentence for {flaw}."),
        };

    public static string Sentence(MailboxFlaw flaw, string address) =>
        flaw switch
        {
            MailboxFlaw.Address =>
                $"“{address}” is no mail address: small letters, digits, dots, hyphens and underscores, then @ "
                    + "and a domain.",
            MailboxFlaw.OtherDomain => $"{address} is not at a domain of this hosting.",
            MailboxFlaw.Twice => $"{address} is set up already.",
            MailboxFlaw.Loop => $"Mail to {address} would go round in a circle.",
            MailboxFlaw.NoSuchBox => $"{address} is no mailbox here: set it up first.",
            _ => throw new InvalidOperationException($"There is no sentence for {flaw}."),
        };

    public static string Sentence(PlanLimit limit, int would, int allowed) =>
        $"That would be {would} {Plural(limit)}; your plan allows {allowed}.";

    private static string Plural(PlanLimit limit) =>
        limit switch
        {
            PlanLimit.Websites => "sites",
            PlanLimit.Subdomains => "parts before a name",
            PlanLimit.Mailboxes => "mailboxes",
            PlanLimit.Databases => "databases",
        };

    public static string Sentence(HostedNameFlaw flaw, string name) =>
        flaw switch
        {
            HostedNameFlaw.Twice => $"{name} is listed already.",
            HostedNameFlaw.NotOwned =>
                $"{name} is not one of the domains of this hosting, nor a part before one. Register it first, "
                    + "or keep it where it is and add it to the order.",
            HostedNameFlaw.MainIsSame => $"{name} is the main domain: it shows its own site.",
            HostedNameFlaw.Folder => $"The folder of {name} must be a plain name, such as shop.",
            HostedNameFlaw.Address => $"{name} must be forwarded to a whole address, such as https://example.com/shop.",
            HostedNameFlaw.Loop => $"{name} would be forwarded back to itself.",
            _ => throw new InvalidOperationException($"There is no sentence for {flaw}."),
        };

    public static string Sentence(EngineFlaw flaw) =>
        flaw switch
        {
            EngineFlaw.Unknown => "This host does not offer that engine.",
            EngineFlaw.NoDatabase =>
                "It needs a database, and your plan has none left. Remove another engine, or take a larger plan.",
            EngineFlaw.Folder =>
                "Type the name of a folder, such as shop, or leave it empty for the front of the site.",
            EngineFlaw.Occupied =>
                "There is something in this folder already. Choose another folder, or tick that it may be "
                    + "replaced; a version of it is kept.",
            EngineFlaw.Title => "Type a title of at most 80 characters.",
            EngineFlaw.User => "The administrator’s name has 4 to 30 small letters, digits, hyphens or underscores.",
            EngineFlaw.ObviousUser =>
                "That name is what strangers try first. Choose one that cannot be guessed from your site, such "
                    + "as your cat’s with a number.",
            EngineFlaw.WeakPassword =>
                "This password is too easy to guess. Use four words that do not belong together, or have one "
                    + "made for you.",
            _ => throw new InvalidOperationException($"There is no sentence for {flaw}."),
        };

    public static string Sentence(ReadySet set) =>
        set == ReadySet.MailElsewhere
            ? "Type the names of the mail servers, the first to be tried first."
            : "Paste the text you were given.";

    /// <summary>Bytes as people say them.</summary>
    public static string Bytes(long bytes) =>
        bytes >= 1 << 30 ? $"{bytes / (double)(1 << 30):0.##} GB"
        : bytes >= 1 << 20 ? $"{bytes / (double)(1 << 20):0.#} MB"
        : bytes >= 1 << 10 ? $"{bytes / (double)(1 << 10):0.#} kB"
        : $"{bytes} bytes";

    private static string Shown(string path) => path.Length > 80 ? $"…{path[^79..]}" : path;
}
