namespace HomeStart.Core.Basics;

/// <summary>One thing wrong with an input: a code of the costing's table, the place, and what to do about it.</summary>
/// <param name="Code">A word of <see cref="FaultCodes"/>.</param>
/// <param name="Where">A path such as <c>books[0].plans[1].billing[0].prices[2].amount</c>.</param>
/// <param name="Message">A sentence for a person: what is wrong and how to mend it.</param>
public sealed record Fault(string Code, string Where, string Message);

/// <summary>The words of costing.md's table of errors.</summary>
public static class FaultCodes
{
    public const string Required = "required";
    public const string BadType = "bad-type";
    public const string Unknown = "unknown";
    public const string Unavailable = "unavailable";
    public const string OutOfRange = "out-of-range";
    public const string BadAmount = "bad-amount";
    public const string BadDate = "bad-date";
    public const string BadSteps = "bad-steps";
    public const string DuplicateId = "duplicate-id";
    public const string Expired = "expired";
    public const string TooManyYears = "too-many-years";
    public const string NoRate = "no-rate";

    /// <summary>Of orders alone: one like it was placed a short while ago.</summary>
    public const string Repeated = "repeated";
}

/// <summary>Gathers the faults of an input, so that all of them are said at once: the first <see cref="MostListed"/> with their places, the others as a number.</summary>
public sealed class FaultList
{
    /// <summary>How many faults are listed.</summary>
    public const int MostListed = 200;

    private readonly List<Fault> _faults = [];

    public IReadOnlyList<Fault> Faults => _faults;

    /// <summary>How many there are beyond those listed.</summary>
    public int More { get; private set; }

    /// <summary>How many there are in all.</summary>
    public int Count => _faults.Count + More;

    public bool Any => _faults.Count > 0;

    public void Add(string code, string where, string message)
    {
        if (_faults.Count < MostListed)
        {
            _faults.Add(new Fault(code, where, message));
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
            Add(fault.Code, fault.Where, fault.Message);
        }

        More += others.More;
    }

    /// <summary>Reports every id that stands a second time, at the place of the later one.</summary>
    /// <param name="ids">The ids in order; a null stands for one that could not be read and is passed over.</param>
    /// <param name="where">The path of the item at an index.</param>
    /// <param name="what">What the items are, for the message: "plan".</param>
    public void AddDuplicates(IEnumerable<string?> ids, Func<int, string> where, string what)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (index, id) in ids.Index())
        {
            if (id is not null && !seen.Add(id))
            {
                Add(FaultCodes.DuplicateId, where(index), $"{what} “{id}” is there twice: keep one of them.");
            }
        }
    }
}
