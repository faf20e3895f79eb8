using System.Collections.Immutable;

namespace HomeStart.Core.Scanning;

/// <summary>Which wants are made good at the host and which at the domain, as bit masks.</summary>
internal readonly record struct Split(int AtHost, int AtDomain)
{
    /// <summary>Every way to share out what is lacking so that each side can make good its part.</summary>
    public static ImmutableArray<Split> ListAll(int lacking, int curableAtHost, int curableAtDomain)
    {
        var splits = ImmutableArray.CreateBuilder<Split>();
        var free = lacking & curableAtDomain;
        for (var atDomain = free; ; atDomain = (atDomain - 1) & free)
        {
            var atHost = lacking & ~atDomain;
            if ((atHost & ~curableAtHost) == 0)
            {
                splits.Add(new Split(atHost, atDomain));
            }

            if (atDomain == 0)
            {
                return splits.ToImmutable();
            }
        }
    }
}
