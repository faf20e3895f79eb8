using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Sites;

/// <summary>Keeps names on a site's held list, and drops them.</summary>
internal static class HeldChange
{
    /// <summary>The site with more names held, those held already left where they are.</summary>
    public static Site Hold(Site site, HoldNames hold, FaultList faults)
    {
        for (var at = 0; at < hold.Names.Length; at++)
        {
            if (DomainName.Parse(hold.Names[at].Name, hold.Names[at].Ending).Fault is { } fault)
            {
                faults.Add(FaultCodes.BadType, $"names[{at}]", new NotADomain(fault));
            }
        }

        var held = site.Held.AddRange(hold.Names.Where(name => !site.Held.Contains(name)).Distinct());
        if (held.Length > Site.MostHeld)
        {
            faults.Add(FaultCodes.OutOfRange, "names", new HeldFull(Site.MostHeld, held.Length));
        }

        return site with
        {
            Held = held,
        };
    }

    /// <summary>The site without some of its held names; those it does not hold change nothing.</summary>
    public static Site Drop(Site site, DropNames drop) => site with { Held = site.Held.RemoveAll(drop.Names.Contains) };
}
