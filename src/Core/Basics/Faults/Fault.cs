namespace HomeStart.Core.Basics;

/// <summary>
/// One thing wrong with an input: a code of the costing's table, the place, and why. The sentence for a person is made
/// of it in Formats.
/// </summary>
/// <param name="Code">A word of <see cref="FaultCodes"/>.</param>
/// <param name="Where">A path such as <c>books[0].plans[1].billing[0].prices[2].amount</c>.</param>
/// <param name="Reason">Why, with the figures that belong to it.</param>
public sealed record Fault(string Code, string Where, FaultReason Reason);

/// <summary>The words of costing.md's table of errors.</summary>
public static class FaultCodes
{
    /// <summary>Something that must be said is not there.</summary>
    public const string Required = "required";

    /// <summary>A value of another type, or a text that has not the shape it must have.</summary>
    public const string BadType = "bad-type";

    /// <summary>An id, word or code that nobody here knows.</summary>
    public const string Unknown = "unknown";

    /// <summary>
    /// It exists, but not for this: a route that a seller does not take, an order that cannot be placed.
    /// </summary>
    public const string Unavailable = "unavailable";

    /// <summary>A number, sum or length beyond its limits, or more work than is let in.</summary>
    public const string OutOfRange = "out-of-range";

    /// <summary>A text that is no amount in its currency.</summary>
    public const string BadAmount = "bad-amount";

    /// <summary>A text that is no date, or a date that makes no sense here.</summary>
    public const string BadDate = "bad-date";

    /// <summary>Price steps that do not end, or end too early (costing rule 4).</summary>
    public const string BadSteps = "bad-steps";

    /// <summary>An id that stands a second time in its list.</summary>
    public const string DuplicateId = "duplicate-id";

    /// <summary>A domain that has run out before the start date (costing rules 10 and 11).</summary>
    public const string Expired = "expired";

    /// <summary>A domain paid for further ahead than a registry allows (costing rule 10).</summary>
    public const string TooManyYears = "too-many-years";

    /// <summary>A figure needs a rate that the owner has not given (costing rule 24).</summary>
    public const string NoRate = "no-rate";

    /// <summary>Of orders alone: one like it was placed a short while ago.</summary>
    public const string Repeated = "repeated";

    /// <summary>A mail address that nobody has confirmed yet.</summary>
    public const string Unconfirmed = "unconfirmed";

    /// <summary>Of pages alone: more than is read.</summary>
    public const string TooLarge = "too-large";
}

/// <summary>
/// Gathers the faults of an input, so that all of them are said at once: the first <see cref="MostListed"/> with their
/// places, the others as a number.
/// </summary>
public sealed class FaultList
{
    /// <summary>How many faults are listed.</summary>
    public const int MostListed = 200;

    private readonly List<Fault> _faults = [];

    /// <summary>Those listed, in the order they were found.</summary>
    public IReadOnlyList<Fault> Faults => _faults;

    /// <summary>How many there are beyond those listed.</summary>
    public int More { get; private set; }

    /// <summary>How many there are in all.</summary>
    public int Count => _faults.Count + More;

    /// <summary>Whether anything is wrong.</summary>
    public bool Any => _faults.Count > 0;

    /// <summary>Reports one thing: a word of <see cref="FaultCodes"/>, its place, and why.</summary>
    public void Add(string code, string where, FaultReason reason)
    {
        if (_faults.Count < MostListed)
        {
            _faults.Add(new Fault(code, where, reason));
        }
        else
        {
            More++;
        }
    }

    /// <summary>Takes over what was found elsewhere.</summary>
    public void Add(FaultList others)
    {
        foreach (var fault in others._faults)
        {
            Add(fault.Code, fault.Where, fault.Reason);
        }

        More += others.More;
    }

    /// <summary>Reports every id that stands a second time, at the place of the later one.</summary>
    /// <param name="ids">The ids in order; a null stands for one that could not be read and is passed over.</param>
    /// <param name="where">The path of the item at an index.</param>
    public void AddDuplicates(IEnumerable<string?> ids, Func<int, string> where, Listed what)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (index, id) in ids.Index())
        {
            if (id is not null && !seen.Add(id))
            {
                Add(FaultCodes.DuplicateId, where(index), new ThereTwice(what, id));
            }
        }
    }
}
