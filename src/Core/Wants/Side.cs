using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Wants;

/// <summary>
/// How far one side of a candidate meets the wants: a plan with its book's hosting extras, or a domain's seller with
/// its domain extras. Wants are numbered, sets of them are bit masks (scan rule 3).
/// </summary>
public sealed class Side
{
    private readonly ImmutableArray<ImmutableArray<Pick>> _options;
    private readonly Dictionary<int, ImmutableArray<ImmutableArray<AddOnChoice>>> _sets = [];

    private readonly ImmutableArray<string> _included;

    private Side(int met, List<AddOn> had, ImmutableArray<Want> wants, ImmutableArray<ImmutableArray<Pick>> options)
    {
        (Met, Had, _options) = (met, Listed(had, wants), options);
        _included = [.. had.Select(addOn => addOn.Id)];
        Curable = options
            .Index()
            .Where(pair => !pair.Item.IsEmpty)
            .Aggregate(0, (mask, pair) => mask | (1 << pair.Index));
    }

    /// <summary>The wants met without buying anything.</summary>
    public int Met { get; }

    /// <summary>The wants that an extra of this side could make good.</summary>
    public int Curable { get; }

    /// <summary>Included extras that serve a want: listed, quantity 1, so that they show as included.</summary>
    public ImmutableArray<AddOnChoice> Had { get; }

    /// <summary>How many extras of this side could make a want good.</summary>
    public int Cures(int want) => _options[want].Length;

    /// <summary>Of how many extras of a set more is bought than had.</summary>
    public int Bought(ImmutableArray<AddOnChoice> set) =>
        set.Count(choice => choice.Quantity > 1 || !_included.Contains(choice.Id!, StringComparer.Ordinal));

    /// <summary>The side of a plan.</summary>
    public static Side OfPlan(OfferBook book, Plan plan, ImmutableArray<Want> wants, bool acceptUnknown)
    {
        var extras = book.AddOns.Where(addOn => addOn.For == AddOnFor.Hosting).ToList();
        var had = extras.Where(addOn => plan.Includes.Contains(addOn.Id, StringComparer.Ordinal)).ToList();
        var met = 0;
        var options = ImmutableArray.CreateBuilder<ImmutableArray<Pick>>();
        foreach (var (index, want) in wants.Index())
        {
            var shortfall = Shortfall(plan, want, had, acceptUnknown);
            met |= shortfall == 0 ? 1 << index : 0;
            options.Add(
                shortfall == 0
                    ? []
                    :
                    [
                        .. extras
                            .Select(addOn => PickOf(want, addOn, shortfall, had.Contains(addOn) ? 1 : 0))
                            .OfType<Pick>(),
                    ]
            );
        }

        return new Side(met, had, wants, options.ToImmutable());
    }

    /// <summary>The side of a domain bought at a book; with the plan where that is the plan's own book.</summary>
    public static Side OfDomain(OfferBook book, DomainPrice price, Plan? plan, ImmutableArray<Want> wants)
    {
        var extras = book.AddOns.Where(addOn => addOn.For == AddOnFor.Domain).ToList();
        var had = extras
            .Where(addOn =>
                price.Includes.Contains(addOn.Id, StringComparer.Ordinal)
                || plan?.Includes.Contains(addOn.Id, StringComparer.Ordinal) == true
            )
            .ToList();
        var met = wants
            .Index()
            .Where(pair => had.Exists(pair.Item.IsProvidedBy))
            .Aggregate(0, (mask, pair) => mask | (1 << pair.Index));
        return new Side(
            met,
            had,
            wants,
            [
                .. wants.Select(want =>
                    extras.Where(want.IsProvidedBy).Select(addOn => new Pick(addOn.Id, 1)).ToImmutableArray()
                ),
            ]
        );
    }

    /// <summary>The side of a domain that no book here sells: it meets nothing.</summary>
    public static Side OfNothing(ImmutableArray<Want> wants) =>
        new(0, [], wants, [.. wants.Select(_ => ImmutableArray<Pick>.Empty)]);

    /// <summary>
    /// Every set of extras that makes good exactly these wants, one extra for each; what is had is always listed.
    /// </summary>
    public ImmutableArray<ImmutableArray<AddOnChoice>> SetsFor(int wants)
    {
        if (_sets.TryGetValue(wants, out var known))
        {
            return known;
        }

        IEnumerable<ImmutableArray<AddOnChoice>> sets = [Had];
        for (var index = 0; index < _options.Length; index++)
        {
            if ((wants & (1 << index)) != 0)
            {
                var options = _options[index];
                sets = sets.SelectMany(set => options.Select(pick => With(set, pick))).ToList();
            }
        }

        return _sets[wants] = [
            .. sets.DistinctBy(set => string.Join(' ', set.Select(choice => $"{choice.Id} {choice.Quantity}"))),
        ];
    }

    // An extra picked for several wants is bought once, in the largest quantity. Sorted by id, so that equal sets are
    // alike.
    private static ImmutableArray<AddOnChoice> With(ImmutableArray<AddOnChoice> set, Pick pick)
    {
        var before = set.FirstOrDefault(choice => choice.Id == pick.Id)?.Quantity ?? 0;
        return
        [
            .. set.Where(choice => choice.Id != pick.Id)
                .Append(new AddOnChoice(pick.Id, Math.Max(before, pick.Quantity)))
                .OrderBy(choice => choice.Id, StringComparer.Ordinal),
        ];
    }

    private static ImmutableArray<AddOnChoice> Listed(List<AddOn> had, ImmutableArray<Want> wants) =>
        [
            .. had.Where(addOn => wants.Any(want => want.IsServedBy(addOn)))
                .Select(addOn => new AddOnChoice(addOn.Id))
                .OrderBy(choice => choice.Id, StringComparer.Ordinal),
        ];

    // How much is missing: 0 is met, above zero a number that extras may add up to, below zero something only a
    // provider of it, or nothing, cures.
    private static decimal Shortfall(Plan plan, Want want, List<AddOn> had, bool acceptUnknown)
    {
        if (had.Exists(want.IsProvidedBy))
        {
            return 0;
        }

        var feature = plan.Features[want.Need];
        return want.Kind switch
        {
            WantKind.Number => Missing(Want.Amount(feature), want, had, acceptUnknown),
            WantKind.Certificate => feature is null && acceptUnknown || Want.LevelOf(feature?.Word) >= want.Level
                ? 0
                : -1,
            WantKind.Flag => feature?.Flag == true || (feature is null && acceptUnknown) ? 0 : -1,
            _ => -1,
        };
    }

    private static decimal Missing(decimal? allowed, Want want, List<AddOn> had, bool acceptUnknown)
    {
        if (allowed is not { } number)
        {
            return acceptUnknown ? 0 : -1;
        }

        foreach (var adds in had.Select(want.Adds).OfType<decimal>())
        {
            number = number == decimal.MaxValue || adds == decimal.MaxValue ? decimal.MaxValue : number + adds;
        }

        return Math.Max(0, want.Number - number);
    }

    // The unit that is had stands in the quantity too: the rest is bought on top of it.
    private static Pick? PickOf(Want want, AddOn addOn, decimal shortfall, int units)
    {
        if (want.Kind != WantKind.Number)
        {
            return want.IsProvidedBy(addOn) ? new Pick(addOn.Id, 1) : null;
        }

        var quantity =
            shortfall > 0 && want.Adds(addOn) is { } adds
                ? adds == decimal.MaxValue
                    ? 1
                    : Math.Ceiling(shortfall / adds)
                : 0;
        return quantity >= 1 && quantity + units <= AddOnChoice.Largest
            ? new Pick(addOn.Id, (int)quantity + units)
            : null;
    }

    private sealed record Pick(string Id, int Quantity);
}
