using System.Numerics;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Scanning;

/// <summary>
/// How much a scan would have to cost, counted before it begins. Needs that many extras could make good multiply: what
/// is too much is said with its figure, instead of being listed until memory runs out.
/// </summary>
internal sealed class ScanWork(ScanMarket market, FaultList faults)
{
    /// <summary>How many ways to pick extras and codes there may be for one way to pay.</summary>
    public const int MostWays = 4_000;

    /// <summary>How many domains, each at one seller, can be looked at.</summary>
    public const int MostDomains = 20_000;

    /// <summary>
    /// Twice what 200 hosts and 60 registrars that all sell ten endings take; at worst, every way to pay a different
    /// one, ten seconds on two cores.
    /// </summary>
    public static readonly BigInteger Most = 1_500_000_000;

    /// <summary>Reports what is too much; true where nothing is.</summary>
    public bool IsBounded()
    {
        var before = faults.Count;
        if (market.Domains.Length > MostDomains)
        {
            faults.Add(
                FaultCodes.OutOfRange,
                "needs.domain.endings",
                new TooManyEndings(market.Domains.Length, MostDomains)
            );
            return false;
        }

        var steps = BigInteger.Zero;
        foreach (var book in market.Request.Books)
        {
            steps += book.Plans.Aggregate(BigInteger.Zero, (sum, plan) => sum + Steps(book, plan));
            if (faults.Count > before)
            {
                return false;
            }
        }

        if (steps > Most)
        {
            faults.Add(FaultCodes.OutOfRange, "needs", new ScanTooLarge(steps, Most));
        }

        return steps <= Most;
    }

    /// <summary>The steps of a plan: costings to make, times the bills and rules of each.</summary>
    private BigInteger Steps(OfferBook book, Plan plan)
    {
        var side = Side.OfPlan(book, plan, market.Wants, market.Request.Needs.AcceptUnknown);
        var own = market
            .Domains.Where(domain => ReferenceEquals(domain.Way.Book, book))
            .Select(domain => Side.OfDomain(book, domain.Way.Price!, plan, market.Wants))
            .ToList();
        BigInteger codes = CodeSets.MostAt(book);
        var most = BigInteger.One;
        var ways = codes;
        foreach (var domain in own)
        {
            var (atHost, together) = Ways(side, domain.Met, domain.Cures);
            most = BigInteger.Max(most, together);
            ways += (atHost + together) * codes;
        }

        foreach (var group in market.Groups)
        {
            var (atHost, together) = Ways(side, group.Met, group.MostCures);
            most = BigInteger.Max(most, together * group.Codes);
            ways += atHost * codes;
        }

        if (most * codes > MostWays)
        {
            faults.Add(
                FaultCodes.OutOfRange,
                "needs",
                new TooManyWays(plan.Name, book.Provider.Name, most * codes, MostWays)
            );
        }

        var centres = Math.Max(1, book.DataCentres.Length);
        var rules = 4 + book.Promotions.Sum(promotion => 1L + promotion.AppliesTo.Length);
        return plan.Billing.Aggregate(BigInteger.Zero, (sum, option) =>
            sum + (ways * centres * rules * ((Months.Run / option.EveryMonths) + 15))
        );
    }

    // How many sets of extras make good what is lacking: at the host alone, where the domain may serve some of it, and
    // at both.
    private (BigInteger AtHost, BigInteger Together) Ways(Side host, int metByDomain, Func<int, int> cures)
    {
        var (atHost, together) = (BigInteger.One, BigInteger.One);
        for (var index = 0; index < market.Wants.Length; index++)
        {
            if (((host.Met | metByDomain) & (1 << index)) == 0)
            {
                var (here, there) = (host.Cures(index), cures(index));
                atHost *= Math.Max(1, there > 0 ? here + 1 : here);
                together *= Math.Max(1, here + there);
            }
        }

        return (atHost, together);
    }
}
